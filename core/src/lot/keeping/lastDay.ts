import { addDays, type Day, dayOf, daysBetween } from '../../calendar/index.ts';
import { type KeepingRow, type KeepingTime, keepingLimit } from '../../keeping/index.ts';
import type { LotRecord } from '../record.ts';
import { keepingFacts } from './keepingFacts.ts';
import { type BottleLife, bottleLives } from './life.ts';
import type { LotKeeping } from './lotKeeping.ts';

const HOUR = 3_600_000;
/** Rows of the keeping table whose bottles two warm hours discard. */
const SHORT_ROWS: ReadonlySet<KeepingRow> = new Set(['cold-never-heated', 'cold-unmeasured']);

/** The row that bottles of a lot fall in once they are cold. */
const coldTime = (lot: LotRecord): KeepingTime => keepingLimit({ ...keepingFacts(lot), storage: 'cold' });

/**
 * Whether a lot keeps three or seven days in the cold: over two hours above 5 °C its bottles are only discarded.
 * @example keepsShort(lot) // false
 */
export const keepsShort = (lot: LotRecord): boolean =>
  lot.storage !== 'shelf' && SHORT_ROWS.has(coldTime(lot).row);

/**
 * Bottles of a short kind that were warm for more than two hours by an instant: nothing of them is used.
 * @example tooWarm(lot, T(100)) // []
 */
export const tooWarm = (lot: LotRecord, asOf: string): BottleLife[] =>
  keepsShort(lot) ? bottleLives(lot, asOf).filter((l) => l.tooWarmAt !== null && l.tooWarmAt <= asOf) : [];

const daysIn = (lot: LotRecord): number => {
  const { time } = coldTime(lot);
  return time === null ? 0 : time.unit === 'day' ? time.count : 28 * time.count;
};

/**
 * The last day of some bottles of a frozen lot: thawed, or never frozen, they have their time in the cold less what they spent of it before, by days and by hours,
 * and never longer than the lot. Null of what is frozen, and of lots kept otherwise.
 * @param life of the bottles; @param keeping date of the lot, and the day that its time in the cold counts from
 * @example lastDayOf({ ...lot, storage: 'frozen' }, { frozenAt: T(9), thawedAt: null }, { keptFrom: '2026-11-24', keptFromAt: T(3), bestBy: '2027-11-23' }) // null
 */
export function lastDayOf(
  lot: LotRecord,
  life: Pick<BottleLife, 'frozenAt' | 'thawedAt'>,
  keeping: Pick<LotKeeping, 'keptFrom' | 'keptFromAt' | 'bestBy'>,
): Day | null {
  if (lot.storage !== 'frozen' || (life.frozenAt !== null && life.thawedAt === null)) return null;
  const days = daysIn(lot);
  const { frozenAt, thawedAt } = life;
  const from = Date.parse(keeping.keptFromAt);
  const spent = frozenAt === null ? 0 : Math.max(0, Date.parse(frozenAt) - from);
  const spentDays =
    frozenAt === null ? 0 : Math.max(0, daysBetween(keeping.keptFrom, dayOf(frozenAt, lot.timeZone)));
  const start = frozenAt === null ? keeping.keptFromAt : thawedAt!;
  const byDays = addDays(dayOf(start, lot.timeZone), Math.max(0, days - spentDays) - 1);
  const byHours = dayOf(
    new Date(Date.parse(start) + Math.max(0, days * 24 * HOUR - spent)).toISOString(),
    lot.timeZone,
  );
  return [byDays, byHours, ...(keeping.bestBy === null ? [] : [keeping.bestBy])].sort()[0]!;
}
