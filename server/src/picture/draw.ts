import { type ChildProcess, fork } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { Problem } from '../problem/problem.ts';

/** A picture to be drawn anew: upright, no larger than asked, nothing else of the file kept. */
export interface Drawing {
  id: number;
  bytes: Buffer;
  /** px of its longer side at the most. */
  longerSide: number;
  as: 'png' | 'jpeg';
  /** dpi that a drawing is drawn at. */
  density?: number;
}

export type PictureKind = 'png' | 'jpeg' | 'webp' | 'svg';

/** The program that draws, as it was built: it runs by itself, so that it can be ended. */
const PROGRAM = fileURLToPath(new URL('../../dist/picture/drawing.js', import.meta.url));
/** So long one picture may take, and so many bytes its program may hold. */
const LONGEST_MS = 6_000;
const MOST_BYTES = 900 * 1024 * 1024;
const LOOKS_EVERY_MS = 100;
/** So many wait at most; more are asked to come again. */
const MOST_WAITING = 16;
/** With nothing to draw for so long, its program ends. */
const IDLE_MS = 30_000;

/** What a file is by its own first bytes, whatever it is called. */
export function pictureKind(bytes: Buffer): PictureKind | null {
  if (bytes.subarray(0, 3).equals(Buffer.from([0xff, 0xd8, 0xff]))) return 'jpeg';
  if (bytes.subarray(0, 8).equals(Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a])))
    return 'png';
  if (bytes.toString('latin1', 0, 4) === 'RIFF' && bytes.toString('latin1', 8, 12) === 'WEBP') return 'webp';
  const start = bytes.toString('utf8', 0, 4096);
  return /^\uFEFF?\s*(?:<\?xml[^>]*>\s*)?(?:<!--[\s\S]*?-->\s*)*<(?:svg[\s>]|!DOCTYPE)/i.test(start)
    ? 'svg'
    : null;
}

interface Waiting {
  drawing: Drawing;
  done: (image: Buffer) => void;
  failed: (error: Error) => void;
}

/** The program that draws: one for all, begun when it is first needed. */
class Draughtsman {
  private child: ChildProcess | null = null;
  private readonly waiting: Waiting[] = [];
  private busy: Waiting | null = null;
  private timers: NodeJS.Timeout[] = [];
  private idle: NodeJS.Timeout | undefined;
  private number = 0;

  draw(drawing: Omit<Drawing, 'id'>): Promise<Buffer> {
    if (this.waiting.length >= MOST_WAITING)
      throw new Problem(503, 'Many pictures are being drawn. Try again in a minute.', {
        headers: { 'retry-after': '60' },
      });
    return new Promise((done, failed) => {
      this.waiting.push({ drawing: { ...drawing, id: ++this.number }, done, failed });
      this.next();
    });
  }

  private start(): ChildProcess {
    const child = fork(PROGRAM, [], {
      serialization: 'advanced',
      stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
    });
    child.on('message', ({ id, image, error }: { id: number; image?: Uint8Array; error?: string }) => {
      if (this.busy?.drawing.id !== id) return;
      const { done, failed } = this.busy;
      this.free();
      if (image) done(Buffer.from(image));
      else failed(new Error(error));
      this.next();
    });
    const gone = () => {
      if (this.child !== child) return;
      this.child = null;
      this.fail('The program that draws pictures ended.');
    };
    child.on('error', gone);
    child.on('exit', gone);
    child.unref();
    return child;
  }

  private free(): void {
    for (const timer of this.timers) clearTimeout(timer);
    this.timers = [];
    this.busy = null;
  }

  /** Gives the picture in hand up, and goes on with the next. */
  private fail(why: string): void {
    const failed = this.busy?.failed;
    this.free();
    failed?.(new Error(why));
    this.next();
  }

  private end(why: string): void {
    const { child } = this;
    this.child = null;
    child?.removeAllListeners();
    child?.on('error', () => {});
    child?.kill('SIGKILL');
    this.fail(why);
  }

  private next(): void {
    if (this.busy || this.waiting.length === 0) {
      if (!this.busy && this.child) {
        clearTimeout(this.idle);
        this.idle = setTimeout(() => this.child?.disconnect(), IDLE_MS);
        this.idle.unref();
      }
      return;
    }
    clearTimeout(this.idle);
    this.busy = this.waiting.shift()!;
    if (!this.child?.connected) this.child = this.start();
    const { child } = this;
    const overLong = setTimeout(() => this.end('It takes too long to draw.'), LONGEST_MS);
    const looks = setInterval(() => {
      if (memoryOf(child.pid) > MOST_BYTES) this.end('It takes too much memory to draw.');
    }, LOOKS_EVERY_MS);
    overLong.unref();
    looks.unref();
    this.timers = [overLong, looks];
    child.send(this.busy.drawing, (error) => error && this.end(error.message));
  }
}

/** Bytes that a process holds; 0 where that cannot be read. */
function memoryOf(pid: number | undefined): number {
  try {
    return 1024 * Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0);
  } catch {
    return 0;
  }
}

const draughtsman = new Draughtsman();

/** Entities are how a small SVG grows without end, or reaches for another file. */
const ENTITY = /<!(?:DOCTYPE|ENTITY)/i;

/**
 * A picture that somebody sent, drawn anew by a program that is ended where it takes more than its time or memory.
 * @param kinds that may come; an SVG only where it is said to be one
 */
export async function drawnAnew(
  body: unknown,
  said: { type: string; kinds: readonly PictureKind[]; asks: string },
  to: Omit<Drawing, 'id' | 'bytes'>,
): Promise<Buffer> {
  const { type, kinds, asks } = said;
  if (!Buffer.isBuffer(body) || body.length === 0) throw new Problem(415, asks);
  const kind = pictureKind(body);
  if (kind === null || !kinds.includes(kind) || (kind === 'svg') !== type.includes('svg'))
    throw new Problem(422, `That is no such picture by its own bytes. ${asks}`);
  if (kind === 'svg' && ENTITY.test(body.toString('utf8')))
    throw new Problem(
      422,
      'That SVG has a document type or entities, which are not drawn. Save it as plain SVG.',
    );
  const { density, ...rest } = to;
  try {
    return await draughtsman.draw({
      ...rest,
      bytes: body,
      ...(kind === 'svg' && density ? { density } : {}),
    });
  } catch (error) {
    if (error instanceof Problem) throw error;
    const why = (error as Error).message.startsWith('It takes') ? `${(error as Error).message} ` : '';
    throw new Problem(422, `That picture cannot be opened. ${why}Save it anew, simpler or smaller. ${asks}`);
  }
}
