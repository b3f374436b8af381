import { invalid } from '../problem/problem.ts';
import type { Writing } from './writing.ts';

const SLACK = 60_000;

/** Nothing here happened before it. */
const EARLIEST = '2000-01-01T00:00:00.000Z';

/** Refuses an hour that lies before what it belongs to. */
export function refuseBefore(at: string, earliest: string, what: string): void {
  if (at < earliest) throw invalid('at', `That is before ${what}. Check the day and the hour.`);
}

/** When something happened: as said, or now. Not in the future, and not before what it belongs to began. */
export function happenedAt(w: Pick<Writing, 'now'>, said: string | undefined, notBefore?: string): string {
  if (said === undefined) return w.now;
  const at = new Date(said).toISOString();
  if (at < EARLIEST) throw invalid('at', 'That is before the year 2000. Check the year.');
  if (Date.parse(at) > Date.parse(w.now) + SLACK)
    throw invalid('at', 'That is still to come. Write down what has happened, when it has.');
  if (notBefore) refuseBefore(at, notBefore, 'the lot was begun');
  return at;
}
