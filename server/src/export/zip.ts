import { stat } from 'node:fs/promises';
import { createInterface } from 'node:readline';
import { type Readable, Transform } from 'node:stream';
import { crc32 } from 'node:zlib';
import type { Entry, ZipFile } from 'yauzl';
import { openZipFile } from './zipFile.ts';

/** An export, opened: what is in it by name. */
export interface OpenExport {
  names: string[];
  bytes(name: string): Promise<Buffer>;
  /** The lines of a text, one after another. */
  lines(name: string): AsyncIterable<string>;
  close(): void;
}

async function whole(stream: Readable): Promise<Buffer> {
  const parts: Buffer[] = [];
  for await (const part of stream) parts.push(part as Buffer);
  return Buffer.concat(parts);
}

/** So much an entry may hold, and so many times what its zip weighs all of them together: more is no export, but a trap. */
const LARGEST_ENTRY = 4 * 1024 ** 3;
const LARGEST_WHOLE = 128 * 1024 ** 2;
const TIMES = 100;
const MOST_ENTRIES = 500_000;
/** A line longer than this is none: a row of the record is a few kilobytes. */
const LONGEST_LINE = 32 * 1024 ** 2;

/** Refuses what would fill the memory or the disk of whoever reads it. */
function refuseTraps(entries: readonly Entry[], bytes: number): void {
  if (entries.length > MOST_ENTRIES) throw new Error('it holds more files than any export.');
  const large = entries.find((entry) => entry.uncompressedSize > LARGEST_ENTRY);
  if (large) throw new Error(`${large.fileName} is larger than any export.`);
  const all = entries.reduce((sum, entry) => sum + entry.uncompressedSize, 0);
  if (all > LARGEST_WHOLE && all > TIMES * bytes) throw new Error('it unpacks to far more than any export.');
}

/** Ends what goes on without the end of a line. */
function withLines(name: string): Transform {
  let since = 0;
  return new Transform({
    transform(part: Buffer, _, done) {
      const last = part.lastIndexOf(0x0a);
      since = last === -1 ? since + part.length : part.length - last;
      done(since > LONGEST_LINE ? new Error(`${name} has a line without end.`) : null, part);
    },
  });
}

/** Opens a zip on the disk, and holds everything in it against its checksum. @throws Error naming the file that is damaged, or where it is no zip */
export async function openExport(file: string): Promise<OpenExport> {
  const zip = await openZipFile(file);
  try {
    const byName = new Map<string, Entry>();
    try {
      for await (const entry of zip.eachEntry()) byName.set(entry.fileName, entry);
    } catch (error) {
      throw new Error(`Its list of files is damaged: ${(error as Error).message}`);
    }
    const entries = [...byName.values()];
    refuseTraps(entries, (await stat(file)).size);
    for (const entry of entries) await checkEntry(zip, entry);
    const stream = (name: string): Promise<Readable> => {
      const entry = byName.get(name);
      if (!entry) throw new Error(`There is no ${name} in it.`);
      return zip.openReadStreamPromise(entry);
    };
    return {
      names: [...byName.keys()],
      bytes: async (name) => whole(await stream(name)),
      async *lines(name) {
        const input = (await stream(name)).pipe(withLines(name));
        // A fault of the stream ends the lines with it.
        let fault: Error | null = null;
        input.on('error', (error: Error) => {
          fault = error;
        });
        yield* createInterface({ input, crlfDelay: Number.POSITIVE_INFINITY });
        if (fault) throw fault;
      },
      close: () => zip.close(),
    };
  } catch (error) {
    zip.close();
    throw error;
  }
}

/** Reads an entry through, and holds it against its checksum. */
async function checkEntry(zip: ZipFile, entry: Entry): Promise<void> {
  let crc = 0;
  let size = 0;
  try {
    for await (const part of await zip.openReadStreamPromise(entry)) {
      crc = crc32(part as Buffer, crc);
      size += (part as Buffer).length;
    }
  } catch (error) {
    throw new Error(`${entry.fileName} in it is damaged: ${(error as Error).message}`);
  }
  if (crc !== entry.crc32 || size !== entry.uncompressedSize)
    throw new Error(`${entry.fileName} in it is damaged: it is not as it was written.`);
}
