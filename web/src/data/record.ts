import type { EntryInput } from '@inch/contract/entry';
import { entries, type PostedNoun } from '@inch/core/record';
import { newId } from './api.ts';
import type { WrittenNoun } from './keys.ts';
import { type Outcome, outbox } from './outbox/outbox.ts';
import { serverNow } from './serverClock.ts';
import { useWrite, type WriteOptions } from './useWrite.ts';

/** The lot that something is recorded of. */
export interface OfLot {
  id: string;
  code: string;
}

/** What an entry says; its id where a form keeps one through its retries, its time where it happened earlier. */
export type SaidOf<N extends PostedNoun> = Omit<EntryInput<N>, 'id'> & { id?: string };

/** Records one entry of a lot, by the one way in which anything is recorded. @param words how it reads while it waits */
export function recordEntry<N extends PostedNoun>(
  noun: N,
  lot: OfLot,
  said: SaidOf<N>,
  words: string = entries[noun].summary,
): Promise<Outcome> {
  const body = { id: newId(), at: serverNow(), ...(said as object) };
  return outbox.write({
    address: `/api/lots/${lot.id}/${entries[noun].path}`,
    of: 'entry',
    noun,
    lotId: lot.id,
    code: lot.code,
    words,
    body,
  });
}

/** Records entries of one kind of a lot; `shownAs` is how one reads while it waits. */
export function useRecord<N extends PostedNoun>(
  noun: N,
  lot: OfLot,
  options: WriteOptions<SaidOf<N> & { shownAs?: string }, Outcome> = {},
) {
  return useWrite(
    'entry',
    ({ shownAs, ...said }: SaidOf<N> & { shownAs?: string }) =>
      recordEntry(noun, lot, said as unknown as SaidOf<N>, shownAs),
    options,
  );
}

/** Writes what is of no lot and has an id: taken in, counted, checked. Sent at once, or kept on the device. */
export const send = (
  of: WrittenNoun,
  address: string,
  body: { id: string } & Record<string, unknown>,
  shown: { code: string; words: string },
): Promise<Outcome> => outbox.write({ address, of, noun: of, lotId: '', ...shown, body });
