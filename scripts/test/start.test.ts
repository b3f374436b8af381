import { type ChildProcess, spawn } from 'node:child_process';
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { ensureBuilt } from '../src/machine/build.mjs';
import { until } from '../src/machine/until.mjs';
import { freePort, runningMariadb } from '../src/mariadb.mjs';

const folder = mkdtempSync(join(tmpdir(), 'inch-start-'));
const started: ChildProcess[] = [];
afterAll(() => {
  for (const child of started) if (child.exitCode === null) child.kill('SIGKILL');
  // A start that was killed leaves its MariaDB behind for the next: here there is none.
  const left = runningMariadb(folder);
  if (left) process.kill(left.pid, 'SIGKILL');
  rmSync(folder, { recursive: true, force: true });
});

interface Run {
  child: ChildProcess;
  said: () => string;
  says: (words: RegExp) => Promise<void>;
  ended: Promise<number | null>;
}

function start(...args: string[]): Run {
  const child = spawn(process.execPath, ['scripts/start.mjs', ...args], {
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  started.push(child);
  let text = '';
  for (const stream of [child.stdout, child.stderr]) stream!.on('data', (chunk) => (text += chunk));
  const ended = new Promise<number | null>((resolve) => child.once('exit', resolve));
  const says = async (words: RegExp) => {
    await until(() => words.test(text) || child.exitCode !== null);
    expect(text).toMatch(words);
  };
  return { child, said: () => text, says, ended };
}

/** Every process that names the folder in its command, one that is only just starting included. */
const processesOn = (data: string) =>
  readdirSync('/proc')
    .filter((pid) => /^\d+$/.test(pid))
    .filter((pid) => {
      try {
        return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(`--datadir=${data}/`);
      } catch {
        return false;
      }
    });

const answers = (url: string) =>
  fetch(url).then(
    (r) => r.status,
    () => 'nobody',
  );

describe('the start command', () => {
  it('serves an empty kitchen, stops all it started on Ctrl-C, and finds the data again', async () => {
    await ensureBuilt();
    const port = await freePort();
    const args = ['--empty', '--port', String(port), '--data', folder];
    // The table that a query of another MariaDB is at work on: a MariaDB empties its temporary folder where it starts.
    const ofAnother = join(tmpdir(), `#sql-temptable-${process.pid}-1-1.MAD`);
    writeFileSync(ofAnother, '');
    const first = start(...args);
    await first.says(/Inch Pantry is at/);
    expect(existsSync(ofAnother)).toBe(true);
    rmSync(ofAnother);
    expect(first.said()).toMatch(/applied 0001_house/);
    expect(statSync(join(folder, 'secrets.json')).mode & 0o777).toBe(0o600);
    const url = `http://127.0.0.1:${port}`;
    const setup = await fetch(`${url}/api/setup`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ kitchenName: 'Kept', name: 'Wren', password: 'long enough password' }),
    });
    expect(setup.status).toBe(201);
    expect(await (await fetch(url)).text()).toMatch(/<div id="root">/);

    const second = start(...args);
    expect(await second.ended).toBe(1);
    expect(second.said()).toMatch(/already running/);

    first.child.kill('SIGINT');
    expect(await first.ended).toBe(0);
    expect(await answers(url)).toBe('nobody');
    expect(runningMariadb(folder)).toBeNull();

    const again = start(...args);
    await again.says(/Inch Pantry is at/);
    expect(again.said()).not.toMatch(/applied/);
    expect(await (await fetch(`${url}/api/setup`)).json()).toEqual({ needed: false });

    again.child.kill('SIGKILL');
    await again.ended;
    await until(async () => (await answers(url)) === 'nobody');
    const mended = start(...args);
    await mended.says(/Inch Pantry is at/);
    expect(await (await fetch(`${url}/api/setup`)).json()).toEqual({ needed: false });
    mended.child.kill('SIGINT');
    expect(await mended.ended).toBe(0);
  }, 600_000);

  it('says what to do when its port is taken, and leaves nothing running', async () => {
    const taken = createServer();
    const port = await new Promise<number>((resolve) =>
      taken.listen(0, '127.0.0.1', () => resolve((taken.address() as { port: number }).port)),
    );
    const run = start('--empty', '--port', String(port), '--data', folder);
    expect(await run.ended).toBe(1);
    expect(run.said()).toMatch(/Port \d+ is taken\. Choose another: npm start -- --port \d+/);
    expect(processesOn(folder)).toEqual([]);
    taken.close();
  }, 600_000);

  it.each([
    [['--port', 'kettle'], /"kettle" is not a port/],
    [['--colour', 'red'], /Unknown option '--colour'/],
  ])('%j is answered with how to say it', async (args, words) => {
    const run = start(...args);
    expect(await run.ended).toBe(1);
    expect(run.said()).toMatch(words);
    expect(run.said()).toMatch(/npm start --/);
  });
});
