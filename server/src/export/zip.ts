import { createInterface } from 'node:readline';
import type { Readable } from 'node:stream';
import yauzl, { type Entry } from 'yauzl';

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

/** Opens a zip on the disk. @throws Error where it is none */
export async function openExport(file: string): Promise<OpenExport> {
  const zip = await yauzl.openPromise(file, { autoClose: false });
  const byName = new Map<string, Entry>();
  for await (const entry of zip.eachEntry()) byName.set(entry.fileName, entry);
  const stream = (name: string): Promise<Readable> => {
    const entry = byName.get(name);
    if (!entry) throw new Error(`There is no ${name} in it.`);
    return zip.openReadStreamPromise(entry);
  };
  return {
    names: [...byName.keys()],
    bytes: async (name) => whole(await stream(name)),
    async *lines(name) {
      yield* createInterface({ input: await stream(name), crlfDelay: Number.POSITIVE_INFINITY });
    },
    close: () => zip.close(),
  };
}
