import { type HurdleFacts, type KeepingTime, keepingLimit, type Storage } from '../../keeping/index.ts';
import type { KEPT_INSTEAD } from '../../record/index.ts';
import { cooledInTime } from '../gate/cooled.ts';
import { heatEndedAt } from '../gate/heating.ts';
import { type LotRecord, standing } from '../record.ts';
import { ENDED } from '../state.ts';

type Instead = (typeof KEPT_INSTEAD)[number];

/** In the order in which they happened. */
const inOrder = (lot: Pick<LotRecord, 'storageChanges'>): LotRecord['storageChanges'] =>
  [...lot.storageChanges].sort(
    (a, b) => a.at.localeCompare(b.at) || a.recordedAt.localeCompare(b.recordedAt),
  );

/**
 * How a lot is kept: as it was changed to last, or as it was begun for.
 * @example storageNow(lot) // 'shelf'
 */
export const storageNow = (lot: Pick<LotRecord, 'storage' | 'storageChanges'>): Storage =>
  inOrder(lot).at(-1)?.to ?? lot.storage;

/** How a lot was kept by what was written down until an instant, ISO: what a signature of that instant was put under. */
export function storageAsOf(lot: Pick<LotRecord, 'storage' | 'storageChanges'>, at: string): Storage {
  const changes = inOrder(lot);
  const known = changes.filter((change) => change.recordedAt <= at);
  return known.at(-1)?.to ?? changes[0]?.from ?? lot.storage;
}

const ORDER: readonly Storage[] = ['shelf', 'cold', 'frozen'];
const HOURS = 6;

/** When a lot was hot last, or came off the straining where it never was: from then on the hours to the cold run. */
function warmUntil(lot: LotRecord, now: string): string | null {
  const processed = standing(lot.heatProcesses).map((p) => p.at);
  const filledHot = standing(lot.bottlings)
    .filter((b) => b.closing === 'hot')
    .map((b) => b.at);
  return (
    [heatEndedAt(lot, now), ...processed, ...filledHot]
      .filter((at): at is string => at !== null && at <= now)
      .sort()
      .at(-1) ?? null
  );
}

/**
 * Why a lot may not be kept another way at an instant, with what to do instead; null where it may. There is time while its hours to the cold
 * run, or where it is chilled by its record already.
 * @param lot its record; @param to cold or frozen; @param now ISO instant
 * @example whyNotKept(lot, 'cold', T(9)) // null
 */
export function whyNotKept(lot: LotRecord, to: Instead, now: string): string | null {
  if (ENDED.includes(lot.state)) return 'The lot is ended: nothing of it is changed any more.';
  if (lot.state === 'released') return 'The lot is released. Hold it first, then say how it is kept.';
  if (ORDER.indexOf(to) <= ORDER.indexOf(lot.storage))
    return `It is kept ${lot.storage === 'shelf' ? 'on the shelf' : lot.storage} already, and is never kept for longer than that: a formula made for it says so from the start.`;
  const warm = warmUntil(lot, now);
  if (warm === null || Date.parse(now) - Date.parse(warm) <= HOURS * 3_600_000) return null;
  const bottlings = standing(lot.bottlings);
  if (bottlings.length > 0 && bottlings.every((b) => cooledInTime(lot, b))) return null;
  return `It was hot last more than ${HOURS} hours ago, and nothing shows that it was chilled in them: it stays as it is kept, or it is discarded.`;
}

/** The shorter of two times by their days; a month counts as its shortest. */
const daysOf = (time: KeepingTime['time']): number =>
  time === null ? 0 : time.unit === 'day' ? time.count : 28 * time.count;

/**
 * The longest time of a lot that was kept another way before: what it was kept as bounds what it is kept as, and changing it never lengthens
 * a date. What was to be cold is frozen only for its time in the cold; what was to stand on the shelf is bounded by the shelf's longest.
 * @param facts of the lot as it is kept now; @param before ways it was kept, the first first
 * @example neverLonger(kept, ['cold']).time // { count: 1, unit: 'month' }
 */
export function neverLonger(facts: HurdleFacts, before: readonly Storage[]): KeepingTime {
  const now = keepingLimit(facts);
  if (!before.includes('cold')) return now;
  const bound = keepingLimit({ ...facts, storage: 'cold' });
  if (bound.class === 'none') return bound;
  if (daysOf(bound.time) >= daysOf(now.time)) return now;
  const reason = `${now.reason} It was to be kept cold before, and its time is not lengthened.`;
  return { ...now, time: bound.time, reason };
}

/** Ways that a lot was kept before, the first first. */
export const keptBefore = (lot: Pick<LotRecord, 'storageChanges'>): Storage[] =>
  inOrder(lot).map((change) => change.from);
