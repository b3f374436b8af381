import { spawn } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, it } from 'vitest';

const alive = (pid: number): boolean =>
  existsSync(`/proc/${pid}/cmdline`) && !/^State:\s+Z/m.test(status(pid));
const status = (pid: number): string => {
  try {
    return readFileSync(`/proc/${pid}/status`, 'utf8');
  } catch {
    return 'State: Z';
  }
};

it('a MariaDB of a bench or a test ends with the command that started it, killed without a word', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'inch-throw-away-'));
  try {
    const source = `import { startMariadb } from './scripts/src/mariadb.mjs';
      await startMariadb(process.argv[1], { throwAway: true });
      process.stdout.write('ready');
      setInterval(() => {}, 1000);`;
    const command = spawn(process.execPath, ['--input-type=module', '-e', source, folder], {
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    for await (const said of command.stdout) if (String(said).includes('ready')) break;
    const { pid } = JSON.parse(readFileSync(join(folder, 'running.json'), 'utf8'));
    expect(alive(pid)).toBe(true);
    command.kill('SIGKILL');
    await expect.poll(() => alive(pid), { timeout: 60_000 }).toBe(false);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}, 120_000);
