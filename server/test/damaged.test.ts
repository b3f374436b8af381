import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { draws } from '../../scripts/src/draws.mjs';
import { checkZip, openZip } from '../../scripts/src/zip.mjs';
import { openExport } from '../src/export/zip.ts';
import { zipOf } from './exportFile.ts';

const folder = mkdtempSync(join(tmpdir(), 'inch-damaged-'));
const file = join(folder, 'kitchen.zip');
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const line = (n: number) =>
  `${JSON.stringify({ id: n, said: `reading ${n} of ${(n * 7919) % 1000}`, ph: 3 + (n % 90) / 100 })}\n`;
const files = new Map([
  ['manifest.json', Buffer.from('{"format":"inch-pantry export","version":1}')],
  ['records/reading.jsonl', Buffer.from(Array.from({ length: 200 }, (_, n) => line(n)).join(''))],
  ['photographs/a.jpg', Buffer.from(Array.from({ length: 3000 }, (_, n) => (n * n * 31) % 256))],
  ['database.sql', Buffer.from('INSERT INTO lot VALUES (1);\n'.repeat(50))],
]);
let whole: Buffer;
beforeAll(async () => {
  whole = await zipOf(files);
});

/** What an opened zip holds, by name; what it says where it cannot be read. */
async function readAs(open: (file: string) => Promise<Map<string, Buffer>>, bytes: Buffer) {
  writeFileSync(file, bytes);
  return open(file).catch((error: Error) => error.message);
}
const asExport = async (path: string) => {
  const zip = await openExport(path);
  try {
    const found = new Map<string, Buffer>();
    for (const name of zip.names) found.set(name, await zip.bytes(name));
    return found;
  } finally {
    zip.close();
  }
};
const asBackup = async (path: string) => {
  await checkZip(path);
  const zip = await openZip(path);
  try {
    const found = new Map<string, Buffer>();
    for (const name of zip.names) {
      const parts = [];
      for await (const part of await zip.stream(name)) parts.push(part as Buffer);
      found.set(name, Buffer.concat(parts));
    }
    return found;
  } finally {
    zip.close();
  }
};

describe.each([
  ['an export', asExport],
  ['a backup', asBackup],
] as const)('%s with one bit flipped', (_, open) => {
  it('is refused before anything is done with it, or holds what it held', async () => {
    expect(await readAs(open, whole)).toEqual(files);
    let refused = 0;
    await fc.assert(
      fc.asyncProperty(fc.nat({ max: whole.length * 8 - 1 }), async (bit) => {
        const bytes = Buffer.from(whole);
        bytes[bit >> 3]! ^= 1 << (bit & 7);
        const found = await readAs(open, bytes);
        if (typeof found === 'string') {
          refused++;
          return;
        }
        // A flip in a name or a date: whatever is there is as it was written, and what is missing is missed by its name.
        for (const [name, said] of found) if (files.has(name)) expect(said).toEqual(files.get(name));
        expect(found.size).toBeGreaterThanOrEqual(files.size - 1);
      }),
      { numRuns: draws(250) },
    );
    expect(refused).toBeGreaterThan(draws(250) * 0.6);
  });
  it('in its contents is named by the file that it stands in', async () => {
    const at = whole.indexOf('photographs/a.jpg') + 'photographs/a.jpg'.length + 20;
    const bytes = Buffer.from(whole);
    bytes[at]! ^= 8;
    expect(await readAs(open, bytes)).toMatch(/photographs\/a\.jpg in it is damaged/);
  });
});

describe('an export that is a trap', () => {
  it('of 150 megabytes of nothing is not unpacked', async () => {
    const bomb = await zipOf(new Map([['records/reading.jsonl', Buffer.alloc(150 * 1024 * 1024, 32)]]));
    expect(bomb.length).toBeLessThan(1_400_000);
    expect(await readAs(asExport, bomb)).toMatch(/far more than any export/);
  });
});
