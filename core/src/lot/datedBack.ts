import { lateBy } from '../record/index.ts';
import type { LotRecord } from './record.ts';
import { RESTED_ON } from './signedRecord.ts';

/** An entry that was written down later than it happened. */
export interface DatedBack {
  noun: string;
  id: string;
  at: string;
  by: string;
  /** By so many minutes. */
  minutes: number;
}

type Kept = { id: string; at: string; recordedAt: string; by: string; struck?: unknown };

/**
 * Entries that a release rests on and that were written down later than they happened, oldest first.
 * @example datedBack(lot) // []
 */
export function datedBack(lot: LotRecord): DatedBack[] {
  const found = [...Object.entries(RESTED_ON), ['movement', 'movements'], ['decision', 'decisions']].flatMap(
    ([noun, field]) =>
      (lot[field as keyof LotRecord] as unknown as Kept[]).flatMap(({ id, at, recordedAt, by, struck }) => {
        const minutes = lateBy({ at, recordedAt }, lot.broughtInAt);
        return minutes === null || struck ? [] : [{ noun: noun!, id, at, by, minutes }];
      }),
  );
  return found.sort((a, b) => a.at.localeCompare(b.at));
}
