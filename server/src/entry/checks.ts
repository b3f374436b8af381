import { CHECK_KINDS, entries } from '@inch/core/record';
import { type Database, rows, toSql } from '../database/pool.ts';
import { entriesOf, type Found, type Within } from './read.ts';

type CheckNoun = 'calibration' | 'check';

/** Instants of the first and the last reading that checks are asked for. */
interface Span {
  first: string;
  last: string;
}

/** Kinds of check that are told apart: each has a series of its own. */
const SERIES: Record<CheckNoun, readonly (string | null)[]> = { calibration: [null], check: CHECK_KINDS };

/** Of each series the last check up to one instant, and the first good one after another: their times, all in one statement. */
function boundsQuery(noun: CheckNoun): string {
  const { table } = entries[noun];
  const each = SERIES[noun].flatMap((kind, i) => {
    const series = `FROM ${table} WHERE instrument_id = ?${kind === null ? '' : ` AND kind = '${kind}'`}`;
    return [
      `(SELECT at ${series} AND at <= ? ORDER BY at DESC LIMIT 1) AS before_${i}`,
      `(SELECT GREATEST(at, recorded_at) ${series} AND at > ? AND accepted = 1 ORDER BY at LIMIT 1) AS good_${i}`,
    ];
  });
  return `SELECT ${each.join(', ')}`;
}

const BOUNDS = { calibration: boundsQuery('calibration'), check: boundsQuery('check') };

/**
 * The times of the checks that may bear upon readings of a span: from the last one before it to the first good one after it, or to when that
 * one was entered. What failed later was known to be good between, so it voids nothing of the span.
 */
async function boundsOf(db: Database, noun: CheckNoun, instrumentId: string, span: Span): Promise<Within> {
  const [first, last] = [toSql(span.first), toSql(span.last)];
  const series = SERIES[noun].map((_, i) => i);
  const [found] = await rows<Record<string, string | null>>(
    db,
    BOUNDS[noun],
    series.flatMap(() => [instrumentId, first, instrumentId, last]),
  );
  const before = series.map((i) => found![`before_${i}`] ?? first).sort();
  const good = series.map((i) => found![`good_${i}`] ?? LATEST).sort();
  return { from: before[0]!, until: good.at(-1)! };
}

const LATEST = '9999-12-31 23:59:59.999';

/** Checks of one kind that may bear upon readings, by instrument. @param spans of the readings, by instrument */
async function bearingUpon<N extends CheckNoun>(
  db: Database,
  noun: N,
  spans: ReadonlyMap<string, Span>,
): Promise<Map<string, Found<N>['entry'][]>> {
  const found = await Promise.all(
    [...spans].map(async ([id, span]) => {
      const checks = await entriesOf(db, noun, [id], await boundsOf(db, noun, id, span));
      return [id, checks.map((c) => c.entry)] as const;
    }),
  );
  return new Map(found);
}

/** Calibrations that may bear upon readings of meters. */
export const calibrationsFor = (db: Database, spans: ReadonlyMap<string, Span>) =>
  bearingUpon(db, 'calibration', spans);

/** Checks of instruments without buffers that may bear upon their readings. */
export const checksFor = (db: Database, spans: ReadonlyMap<string, Span>) => bearingUpon(db, 'check', spans);

/** How many of its last checks an instrument is shown with, and judged by for a reading of now. */
export const SHOWN = 20;

/** The last checks of instruments, newest first. */
export async function newestFirst<N extends CheckNoun>(db: Database, noun: N, ids: readonly string[]) {
  const { table } = entries[noun];
  const found = await Promise.all(
    ids.map(async (id) => {
      const [oldest] = await rows<{ at: string }>(
        db,
        `SELECT at FROM ${table} WHERE instrument_id = ? ORDER BY at DESC LIMIT 1 OFFSET ${SHOWN * SERIES[noun].length}`,
        [id],
      );
      const checks = await entriesOf(db, noun, [id], { from: oldest?.at ?? '2000-01-01', until: LATEST });
      return [id, checks.map((c) => c.entry).reverse()] as const;
    }),
  );
  return new Map<string, Found<N>['entry'][]>(found);
}
