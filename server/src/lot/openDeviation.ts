import type { Entries, Recorded } from '@inch/core/record';
import { v7 as newId } from 'uuid';
import { writeEntry } from '../entry/write.ts';
import type { Writing } from '../journal/writing.ts';

type Deviation = Pick<Recorded<Entries['deviation']>, 'kind' | 'what' | 'entryId' | 'at'>;

/** Writes down something out of its limits; it blocks a release until it is closed. */
export const openDeviation = (w: Writing, lotId: string, { at, ...found }: Deviation): Promise<void> =>
  writeEntry(w, 'deviation', lotId, {
    id: newId(),
    at,
    values: { ...found, what: found.what.slice(0, 500) },
  });
