import { createHash } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { open, rename, rm } from 'node:fs/promises';
import { PassThrough } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { crc32 } from 'node:zlib';
import { ZipArchive } from 'archiver';

/** A stream that passes everything on and tells the SHA-256 and the last bytes of it. */
export function hashing() {
  const hash = createHash('sha256');
  const through = new PassThrough();
  let tail = Buffer.alloc(0);
  through.on('data', (part) => {
    hash.update(part);
    tail = Buffer.concat([tail, part]).subarray(-200);
  });
  return { through, sha256: () => hash.copy().digest('hex'), tail: () => tail.toString() };
}

/** Writes what is known to be whole under its name: a zip that failed half-way leaves no file. @param fill appends the entries, in turn */
export async function writeZip(file, fill) {
  const part = `${file}.part`;
  const zip = new ZipArchive({ zlib: { level: 6 }, forceZip64: true });
  try {
    const written = pipeline(zip, createWriteStream(part, { mode: 0o600 }));
    written.catch(() => {});
    const append = (name, source) =>
      new Promise((resolve, reject) => {
        zip.once('error', reject);
        written.catch(reject);
        zip.once('entry', resolve);
        zip.append(source, { name, mode: 0o600 });
      });
    await fill(append);
    await zip.finalize();
    await written;
    const handle = await open(part, 'r');
    await handle.sync();
    await handle.close();
    await rename(part, file);
  } catch (error) {
    zip.abort();
    await rm(part, { force: true });
    throw error;
  }
}

/** Opens a zip as the server does: what is damaged in it is an error, and ends no process. */
const opened = async (file) => (await import('../../server/dist/export/zipFile.js')).openZipFile(file);

/** Reads every entry of a zip through and holds it against its checksum. @throws Error naming the one that is damaged */
export async function checkZip(file) {
  const zip = await opened(file);
  try {
    for await (const entry of zip.eachEntry()) {
      let [crc, size] = [0, 0];
      try {
        for await (const part of await zip.openReadStreamPromise(entry)) {
          crc = crc32(part, crc);
          size += part.length;
        }
      } catch (error) {
        throw new Error(`${entry.fileName} in it is damaged: ${error.message}`);
      }
      if (crc !== entry.crc32 || size !== entry.uncompressedSize)
        throw new Error(`${entry.fileName} in it is damaged: it is not as it was written.`);
    }
  } finally {
    zip.close();
  }
}

/** A zip, opened: its small entries as text, and its large ones as streams. */
export async function openZip(file) {
  const zip = await opened(file);
  const byName = new Map();
  for await (const entry of zip.eachEntry()) byName.set(entry.fileName, entry);
  const stream = (name) => {
    const entry = byName.get(name);
    if (!entry) throw new Error(`${file} holds no ${name}, so it is no backup of a kitchen.`);
    return zip.openReadStreamPromise(entry);
  };
  const text = async (name) => {
    let said = '';
    for await (const part of await stream(name)) said += part;
    return said;
  };
  const bytes = [...byName.values()].reduce((sum, entry) => sum + entry.uncompressedSize, 0);
  return { names: [...byName.keys()], bytes, stream, text, close: () => zip.close() };
}
