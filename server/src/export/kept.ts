import { randomUUID } from 'node:crypto';
import { once } from 'node:events';
import { createWriteStream, mkdtempSync, rmSync } from 'node:fs';
import { rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Writable } from 'node:stream';
import type { Response } from 'express';
import { Problem } from '../problem/problem.ts';

/** How long an export lies on the disk, so that a download that broke off is gone on with. */
const KEPT_MS = 3_600_000;

/** An export that was made a short time ago. */
interface Kept {
  etag: string;
  file: string;
  name: string;
  /** Whether it lies there whole; false where there was no room for it. */
  whole: Promise<boolean>;
}

/** The last export that each person made of a kitchen: who made none has to, and that is journaled. */
const kept = new Map<string, Kept>();
let folder: string | null = null;

function ownFolder(): string {
  if (folder === null) {
    const made = mkdtempSync(join(tmpdir(), 'inch-exports-'));
    process.on('exit', () => rmSync(made, { recursive: true, force: true }));
    folder = made;
  }
  return folder;
}

/** Writes to somebody who may leave, and to the disk, which may be full: what is kept goes on without the one, what is sent without the other. */
class Both extends Writable {
  readonly #res: Response;
  readonly #file: Writable;
  #full = false;

  constructor(res: Response, file: Writable) {
    super();
    this.#res = res;
    this.#file = file;
    file.on('error', () => {
      this.#full = true;
    });
  }

  get isKept(): boolean {
    return !this.#full;
  }

  override _write(part: Buffer, _: BufferEncoding, done: (error?: Error | null) => void): void {
    const gone = this.#res.destroyed;
    if (gone && this.#full) {
      done(new Error('Nobody takes it, and there is no room to keep it.'));
      return;
    }
    const waits = [
      ...(gone || this.#res.write(part) ? [] : [drained(this.#res)]),
      ...(this.#full || this.#file.write(part) ? [] : [drained(this.#file)]),
    ];
    void Promise.all(waits).then(() => done());
  }

  override _final(done: (error?: Error | null) => void): void {
    if (!this.#res.destroyed) this.#res.end();
    if (this.#full) done();
    else this.#file.end(() => done());
  }

  override _destroy(error: Error | null, done: (error: Error | null) => void): void {
    if (error) {
      // Half a file is none: the download fails.
      this.#res.destroy(error);
      this.#file.destroy();
    }
    done(error);
  }
}

/** Until a stream takes more, or ends. */
async function drained(out: Writable): Promise<void> {
  const heard = new AbortController();
  const either = ['drain', 'close'].map((event) => once(out, event, { signal: heard.signal }));
  // An error is its end as well.
  await Promise.race(either).catch(() => undefined);
  for (const other of either) other.catch(() => undefined);
  heard.abort();
}

/**
 * Sends what is written as it comes, and keeps it for an hour.
 * @param write writes the whole export to a stream; what it throws is thrown
 */
export async function sendAndKeep(
  maker: string,
  res: Response,
  name: string,
  write: (out: Writable) => Promise<void>,
): Promise<void> {
  const before = kept.get(maker);
  const etag = `"${randomUUID()}"`;
  const file = join(ownFolder(), `${etag.slice(1, -1)}.zip`);
  const out = new Both(res, createWriteStream(file, { mode: 0o600 }));
  res.attachment(name).set({ etag, 'accept-ranges': 'bytes' });
  const written = write(out);
  const own: Kept = {
    etag,
    file,
    name,
    whole: written.then(
      () => out.isKept,
      () => false,
    ),
  };
  kept.set(maker, own);
  if (before) await rm(before.file, { force: true });
  const forget = async () => {
    if (kept.get(maker) === own) kept.delete(maker);
    await rm(file, { force: true });
  };
  if (!(await own.whole)) await forget();
  else setTimeout(forget, KEPT_MS).unref();
  await written;
}

/**
 * Sends the rest of an export that somebody began to take.
 * @param ifRange the entity tag that the rest has to be of
 * @returns whether it was kept; where not, a whole one is to be sent
 */
export async function sendRest(maker: string, res: Response, ifRange: string | undefined): Promise<boolean> {
  const found = kept.get(maker);
  if (!found || (ifRange !== undefined && ifRange !== found.etag) || !(await found.whole)) return false;
  res.attachment(found.name).set({ etag: found.etag });
  await new Promise<void>((resolve, reject) => {
    res.sendFile(found.file, { dotfiles: 'allow', lastModified: false }, (error?: Error) => {
      if ((error as { status?: number } | undefined)?.status === 416)
        reject(new Problem(416, 'The file has no such part. Take it from its beginning.'));
      else if (error && !res.destroyed) reject(error);
      else resolve();
    });
  });
  return true;
}
