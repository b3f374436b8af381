import { type Day, dayOf } from '../../calendar/index.ts';
import type { LotRecord } from '../record.ts';
import { lastDayOf } from './lastDay.ts';
import { bottleLives } from './life.ts';
import type { LotKeeping } from './lotKeeping.ts';

/** Bottles of one place that are not frozen, of a lot that is, and the last day that they may be kept. */
export interface Thawed {
  bottlingId: string;
  place: string;
  /** Null of what was never frozen. */
  thawedOn: Day | null;
  until: Day;
}

/**
 * Groups of a frozen lot that were thawed, wherever they were moved since, or never frozen: each with the last day that it has left.
 * @param keeping date of the lot, and when its time in the cold counts from; @param asOf ISO instant
 * @example thawedGroups({ ...lot, storage: 'cold' }, { keptFrom: '2026-11-24', keptFromAt: T(3), bestBy: '2027-11-23' }, T(9)) // []
 */
export const thawedGroups = (
  lot: LotRecord,
  keeping: Pick<LotKeeping, 'keptFrom' | 'keptFromAt' | 'bestBy'>,
  asOf: string,
): Thawed[] =>
  lot.storage !== 'frozen'
    ? []
    : bottleLives(lot, asOf).flatMap((life) => {
        const until = lastDayOf(lot, life, keeping);
        if (until === null) return [];
        const thawedOn = life.thawedAt === null ? null : dayOf(life.thawedAt, lot.timeZone);
        return [{ bottlingId: life.bottlingId, place: life.place, thawedOn, until }];
      });
