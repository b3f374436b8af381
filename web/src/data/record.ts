import type { EntryInput } from '@inch/contract/route/entry';
import type { Route } from '@inch/contract/route/route';
import { entries, type PostedNoun } from '@inch/core/record';
import type { z } from 'zod';
import { addressOf } from './address.ts';
import { newId } from './api.ts';
import type { WrittenNoun } from './keys.ts';
import { type Outcome, type OutcomeOf, outbox } from './outbox/outbox.ts';
import { serverNow } from './serverClock.ts';
import { offerToStrike } from './strikeIt.ts';
import { useWrite, type WriteOptions } from './useWrite.ts';

/** The lot that something is recorded of. */
export interface OfLot {
  id: string;
  code: string;
}

/** What an entry says; its id where a form keeps one through its retries, its time where it happened earlier. */
export type SaidOf<N extends PostedNoun> = Omit<EntryInput<N>, 'id'> & { id?: string };

/** Records one entry of a lot, by the one way in which anything is recorded. @param words how it reads while it waits */
export async function recordEntry<N extends PostedNoun>(
  noun: N,
  lot: OfLot,
  said: SaidOf<N>,
  words?: string,
): Promise<Outcome> {
  const body = { id: newId(), at: serverNow(), ...(said as object) };
  const outcome = await outbox.write({
    address: `/api/lots/${lot.id}/${entries[noun].path}`,
    of: 'entry',
    noun,
    lotId: lot.id,
    code: lot.code,
    words: words ?? entries[noun].summary,
    body,
  });
  if (outcome.sent) offerToStrike(lot, noun, body.id, words);
  return outcome;
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

/** What is written of no lot: what it is of, and how it reads while it waits. */
interface Written<P, B> {
  of: WrittenNoun;
  /** How it is headed while it waits: "Stock", an instrument's name. */
  code: string;
  words: string;
  params?: P;
  body: B;
}

/** Writes what is of no lot and has an id: taken in, counted, checked. Sent at once, or kept on the device. */
export async function send<P extends z.ZodType, B extends z.ZodType, R extends z.ZodType>(
  route: Route<P, z.ZodNever, B, R>,
  { of, code, words, params, body }: Written<z.input<P>, z.input<B> & { id: string }>,
): Promise<OutcomeOf<z.output<R>>> {
  const address = addressOf(route.path, params as Record<string, unknown> | undefined);
  return (await outbox.write({ address, of, noun: of, lotId: '', code, words, body })) as OutcomeOf<
    z.output<R>
  >;
}
