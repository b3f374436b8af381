import { dangersIn, signsIn } from '@inch/core/ageing';
import { holdingOf, isSpoilage, outOfLimits } from '@inch/core/lot';
import { v7 as newId } from 'uuid';
import { writeEntry } from '../entry/write.ts';
import { refuseBefore } from '../journal/happened.ts';
import type { Writing } from '../journal/writing.ts';
import type { StoredLot } from '../lot/store.ts';
import { Problem } from '../problem/problem.ts';
import { decideLot, fullLot, openDeviation } from './change.ts';
import type { Judge } from './judge.ts';
import { refuseUnlooked } from './spoilage.ts';

/** Opens a deviation for everything in a lot's record that is out of its limits and has none yet. */
export async function openOutOfLimits(w: Writing, lotId: string, at: string): Promise<void> {
  const lot = await fullLot(w, lotId);
  for (const found of outOfLimits(lot)) {
    if (lot.deviations.some((d) => d.entryId === found.entryId && d.kind === found.kind)) continue;
    await openDeviation(w, lot.id, { ...found, at });
    await holdReleased(w, lot.id, found.what, at);
  }
}

/** What is already on the shelf is held as soon as something of it is out of its limits. */
async function holdReleased(w: Writing, lotId: string, what: string, at: string): Promise<void> {
  const lot = await fullLot(w, lotId);
  if (lot.state === 'released')
    await decideLot(w, lot, 'hold', { why: `Out of its limits after release: ${what}`.slice(0, 500), at });
}

/** A deviation that somebody saw. */
export const judgeDeviation: Judge<'deviation'> = ({ w, lot, said, at }) => ({
  kept: {
    kind: [...signsIn(said.what), ...dangersIn(said.what)].length > 0 ? 'spoilage' : 'seen',
    entryId: null,
  },
  after: () => holdReleased(w, lot.id, said.what, at),
});

/** Closes a deviation with its cause and what was done. What holds the lot is closed by resuming it. */
export const judgeClosing: Judge<'closing'> = async ({ w, lot: head, said, at }) => {
  const lot = await fullLot(w, head.id);
  const deviation = lot.deviations.find((d) => d.id === said.deviationId)!;
  if (deviation.closed) throw new Problem(409, 'That deviation is closed already.');
  if (isSpoilage(deviation.kind)) await refuseUnlooked(w, lot);
  if (holdingOf(lot).some((d) => d.id === deviation.id))
    throw new Problem(409, 'The lot is held for it: the owner closes it by resuming the lot.');
  refuseBefore(at, deviation.at, 'it was opened');
  if (w.kitchen.secondPerson && deviation.by === w.account.name)
    throw new Problem(
      403,
      'This kitchen asks for a second person: whose work opened a deviation does not close it.',
    );
  return { kept: {} };
};

/** Closes what a lot was held for, with the cause and what was done. */
export async function closeHolds(
  w: Writing,
  lot: StoredLot,
  { at, ...said }: { cause: string; done: string; at: string },
): Promise<void> {
  for (const d of holdingOf(lot))
    await writeEntry(w, 'closing', lot.id, { id: newId(), at, values: { deviationId: d.id, ...said } });
}
