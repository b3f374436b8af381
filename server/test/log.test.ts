import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, expect, it } from 'vitest';
import { loggerTo } from '../src/log.ts';

const folder = mkdtempSync(join(tmpdir(), 'inch-log-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

it('a log is written to files that are begun anew before they are large, and says who asked', async () => {
  const log = loggerTo('warn', join(folder, 'logs', 'server'), '4k');
  const line = 'x'.repeat(400);
  for (let i = 0; i < 20; i++) {
    log.warn({ requestId: `request ${i}`, line }, 'request failed');
    // The files are written by a thread of their own: it is given its turn.
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
