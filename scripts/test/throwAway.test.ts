import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, it } from 'vitest';
import { throwAwayFolder } from '../src/machine/throwAwayFolder.mjs';

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

it('what a run left that was killed is taken away by the next; what another still works in stays', () => {
  const ended = spawnSync(process.execPath, ['-e', '']).pid;
  const [left, theirs] = [ended, process.ppid].map((pid) => join(tmpdir(), `inch-sweep-${pid}-abc`));
  for (const folder of [left!, theirs!]) mkdirSync(folder, { recursive: true });
  const own = throwAwayFolder('sweep');
  expect([left, theirs, own].map((folder) => existsSync(folder!))).toEqual([false, true, true]);
  for (const folder of [theirs!, own]) rmSync(folder, { recursive: true });
});
