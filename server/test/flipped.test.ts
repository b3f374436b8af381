import { createWriteStream, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { ZipArchive } from 'archiver';
import { expect, it } from 'vitest';
import { LONG } from '../../scripts/src/draws.mjs';
import { openExport } from '../src/export/zip.ts';

const FILES = ['manifest.json', 'records/lot.jsonl', 'journal/journal.jsonl'];

async function zipped(file: string): Promise<Buffer> {
  const zip = new ZipArchive({ zlib: { level: 6 }, forceZip64: true });
  const written = pipeline(zip, createWriteStream(file));
  for (const name of FILES) {
    const taken = new Promise((resolve) => zip.once('entry', resolve));
    zip.append(`${JSON.stringify({ of: name })}\n`.repeat(40), { name });
    await taken;
  }
  await zip.finalize();
  await written;
  return readFileSync(file);
}

/** All that an export holds, read through. */
async function contents(file: string): Promise<string[]> {
  const zip = await openExport(file);
  try {
    const all: string[] = [];
    for (const name of FILES) all.push(String(await zip.bytes(name)));
    return all;
  } finally {
    zip.close();
  }
}

it('an export with any one bit flipped is read as it was, or refused in a sentence, and never ends the process', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'inch-flip-'));
  const bytes = await zipped(join(folder, 'whole.zip'));
  const whole = await contents(join(folder, 'whole.zip'));
  const flipped = join(folder, 'flipped.zip');
  let refused = 0;
  // Every bit of what tells where things are, and a part of the rest.
  for (let bit = 0; bit < bytes.length * 8; bit += LONG || bit > (bytes.length - 120) * 8 ? 1 : 37) {
    const damaged = Buffer.from(bytes);
    damaged[bit >> 3]! ^= 1 << (bit & 7);
    writeFileSync(flipped, damaged);
    try {
      expect(await contents(flipped)).toEqual(whole);
    } catch (error) {
      if ((error as Error).name === 'AssertionError') throw error;
      refused += 1;
      expect((error as Error).message).toMatch(/damaged|There is no|larger than any|unpacks to|more files/);
    }
  }
  expect(refused).toBeGreaterThan(500);
}, 120_000);
