import { setTimeout as sleep } from 'node:timers/promises';
import type { RequestHandler } from 'express';

/** Writes that this server works at now. */
let writing = 0;

const READS: ReadonlySet<string> = new Set(['GET', 'HEAD', 'OPTIONS']);

/** Counts the writes that are under way. */
export const countWrites: RequestHandler = (req, res, next) => {
  if (!READS.has(req.method)) {
    writing += 1;
    res.once('close', () => {
      writing -= 1;
    });
  }
  next();
};

const LOOK_MS = 5;
/** Longer than this nothing stands aside, however much is written. */
const MOST_MS = 500;

/** Lets the writes that are under way end first: for a long task between one of its parts and the next. */
export async function othersFirst(): Promise<void> {
  const end = performance.now() + MOST_MS;
  do await sleep(writing > 0 ? LOOK_MS : 0);
  while (writing > 0 && performance.now() < end);
}
