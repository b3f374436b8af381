import { bodyOf } from '@inch/contract/route/entry';
import { type Entries, entries, type PostedNoun, type Said } from '@inch/core/record';
import { referencedBy } from '../entry/references.ts';
import { writeEntry } from '../entry/write.ts';
import { happenedAt } from '../journal/happened.ts';
import type { Writing } from '../journal/writing.ts';
import { type LotHead, lotHeadOf, refuseEnded } from '../lot/head.ts';
import { holdWhereShut } from './change.ts';
import type { Judge } from './judge.ts';
import { judges } from './judges.ts';
import { holdWhereSpoiled } from './spoilage.ts';

/** Kinds that may be recorded of a lot that is ended: what comes back and is thrown away, a recall, who was told of it. */
const AFTER_THE_END: ReadonlySet<PostedNoun> = new Set([
  'movement',
  'telling',
  'decision',
  'ruling',
  // Bottles kept back are looked at long after the last one was sold.
  'look',
]);
/** What a complaint brings, once bottles have left: what is wrong, and what a returned bottle reads. */
const OF_A_COMPLAINT: ReadonlySet<PostedNoun> = new Set(['deviation', 'closing', 'reading']);

/** Kinds that move a lot's state. */
const DECIDES: ReadonlySet<PostedNoun> = new Set(['decision', 'ruling']);

function refuseAfterTheEnd(lot: LotHead, noun: PostedNoun): void {
  if (AFTER_THE_END.has(noun)) return;
  if (OF_A_COMPLAINT.has(noun) && lot.state !== 'discarded') return;
  refuseEnded(lot);
}

/**
 * Records one entry of a lot: reads what is said, judges it, writes it with its journal row, and does what follows.
 * The API and the kitchen file both come through here.
 */
export async function record<N extends PostedNoun>(
  w: Writing,
  noun: N,
  lotIdOrCode: string,
  body: unknown,
  options: { signed?: boolean } = {},
): Promise<{ id: string }> {
  const { at: saidAt, ...said } = bodyOf(noun).parse(body) as Said<Entries[N]> & { id: string; at?: string };
  const lot = await lotHeadOf(w, lotIdOrCode);
  refuseAfterTheEnd(lot, noun);
  const at = happenedAt(w, saidAt, lot.begunAt);
  const named = await referencedBy(w, lot.id, entries[noun], said);
  const judge = judges[noun] as unknown as Judge<N>;
  const judged = await judge({ w, lot, said: said as never, at, named, signed: options.signed ?? false });
  if (judged.already !== undefined) return { id: judged.already };
  await writeEntry(w, noun, lot.id, { id: said.id, at, values: { ...said, ...judged.kept } });
  await judged.after?.();
  await holdWhereSpoiled(w, noun, lot.id, { said: said as never, at });
  // Another lot has no release that a check could shut; a decision may just have released this one.
  if (lot.state === 'released' || DECIDES.has(noun)) await holdWhereShut(w, lot.id, w.now);
  return { id: said.id };
}
