import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, expect, it } from 'vitest';
import { loggerTo } from '../src/log.ts';

const folder = mkdtempSync(join(tmpdir(), 'inch-log-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

it('a log is written to files that are begun anew before they are large, and says who asked', async () => {
  const log = await loggerTo('warn', join(folder, 'logs', 'server'), '4k');
  const line = 'x'.repeat(400);
  for (let i = 0; i < 20; i++) {
    log.warn({ requestId: `request ${i}`, line }, 'request failed');
    // A file is changed between two turns.
    await new Promise((resolve) => setTimeout(resolve, 5));
  }
  log.info('nobody asked for this');
  await expect
    .poll(() => readdirSync(join(folder, 'logs')).length, { timeout: 300_000 })
    .toBeGreaterThanOrEqual(2);
  const all = () =>
    readdirSync(join(folder, 'logs'))
      .map((name) => readFileSync(join(folder, 'logs', name), 'utf8'))
      .join('');
  await expect.poll(all, { timeout: 300_000 }).toContain('"request 19"');
  expect(all()).not.toContain('nobody asked');
}, 600_000);

it('a log on a full disk ends nothing: it says so in words, and others go on', async () => {
  const full = join(folder, 'full');
  mkdirSync(full);
  // Whatever is written to this file finds no room.
  for (const name of ['server.1', 'server.1.log']) symlinkSync('/dev/full', join(full, name));
  const said: string[] = [];
  const write = process.stderr.write;
  process.stderr.write = ((text: string) => said.push(String(text)) > 0) as typeof write;
  try {
    const log = await loggerTo('warn', join(full, 'server'));
    for (let i = 0; i < 5; i++) log.warn({ i }, 'request failed');
    await new Promise((resolve) => setTimeout(resolve, 50));
  } finally {
    process.stderr.write = write;
  }
  expect(said.join('')).toMatch(/cannot be written: the disk is full/);
  // Once a minute is enough.
  expect(said.filter((text) => /cannot be written/.test(text))).toHaveLength(1);
});
