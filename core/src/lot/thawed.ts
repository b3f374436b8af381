import { addDays, type Day, dayOf, daysBetween } from '../calendar/index.ts';
import { keepingLimit } from '../keeping/index.ts';
import { keepingFacts } from './keepingFacts.ts';
import type { LotKeeping } from './lotKeeping.ts';
import { type LotRecord, standing } from './record.ts';

/** Bottles of one place that were thawed, and the last day that they may be kept. */
export interface Thawed {
  bottlingId: string;
  place: string;
  thawedOn: Day;
  until: Day;
}

/** Days in the cold by the keeping table; a month counts as its shortest. */
const coldDays = (lot: LotRecord): number => {
  const { time } = keepingLimit({ ...keepingFacts(lot), storage: 'cold' });
  return time === null ? 0 : time.unit === 'day' ? time.count : 28 * time.count;
};

/** Day on which a lot went into the freezer: when it was filled for it, or changed to it. */
function frozenOn(lot: LotRecord): Day {
  const change = lot.storageChanges.filter((c) => c.to === 'frozen').at(-1);
  return dayOf(change?.at ?? standing(lot.bottlings)[0]?.at ?? lot.begunAt, lot.timeZone);
}

/**
 * Groups of a frozen lot that were thawed: each has its time in the cold, less the days it was cold before it was frozen, and never longer than the lot.
 * @param keeping date of the lot, and the day its time in the cold counts from
 * @example thawedGroups(lot, { keptFrom: '2026-11-24', bestBy: '2027-11-23' }) // []
 */
export function thawedGroups(lot: LotRecord, keeping: Pick<LotKeeping, 'keptFrom' | 'bestBy'>): Thawed[] {
  const moves = lot.movements.filter((m) => m.kind === 'thawed' && m.to !== null);
  if (moves.length === 0) return [];
  const spent = Math.max(0, daysBetween(keeping.keptFrom, frozenOn(lot)));
  const left = Math.max(0, coldDays(lot) - spent);
  // Bottles that were put beside others count from the first that was thawed there.
  const first = new Map(
    [...moves].sort((a, b) => b.at.localeCompare(a.at)).map((m) => [`${m.bottlingId} ${m.to}`, m] as const),
  );
  return [...first.values()].map((m) => {
    const thawedOn = dayOf(m.at, lot.timeZone);
    const end = addDays(thawedOn, left - 1);
    const until = keeping.bestBy !== null && keeping.bestBy < end ? keeping.bestBy : end;
    return { bottlingId: m.bottlingId, place: m.to!, thawedOn, until };
  });
}
