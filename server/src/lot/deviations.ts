import type { NewClosing, NewDeviation } from '@inch/contract/lotEntry';
import { outOfLimits } from '@inch/core/lot';
import { v7 as newId } from 'uuid';
import type { z } from 'zod';
import { insert, toSql } from '../database/pool.ts';
import { notFound, Problem } from '../http/problem.ts';
import { happenedAt } from '../journal/happened.ts';
import { journal, type Writing } from '../journal/writing.ts';
import { decideLot, lockedLot, refuseEnded } from './change.ts';
import { openDeviation } from './openDeviation.ts';
import type { StoredLot } from './store.ts';

/** Opens a deviation for everything in a lot's record that is out of its limits and has none yet. */
export async function openOutOfLimits(w: Writing, lotId: string, at: string): Promise<void> {
  const lot = await lockedLot(w, lotId);
  for (const found of outOfLimits(lot, w.kitchen.rulePack)) {
    if (lot.deviations.some((d) => d.entryId === found.entryId && d.kind === found.kind)) continue;
    await openDeviation(w, lot.id, { ...found, at });
    await holdReleased(w, lot.id, found.what, at);
  }
}

/** What is already on the shelf is held as soon as something of it is out of its limits. */
async function holdReleased(w: Writing, lotId: string, what: string, at: string): Promise<void> {
  const lot = await lockedLot(w, lotId);
  if (lot.state === 'released')
    await decideLot(w, lot, 'hold', { why: `Out of its limits after release: ${what}`.slice(0, 500), at });
}

/** A deviation that somebody saw. */
export async function deviate(
  w: Writing,
  lotId: string,
  body: z.output<typeof NewDeviation>,
): Promise<{ id: string }> {
  const lot = await lockedLot(w, lotId);
  refuseEnded(lot);
  const at = happenedAt(w, body.at, lot.begunAt);
  await openDeviation(w, lot.id, { id: body.id, kind: 'seen', what: body.what, entryId: null, at });
  await holdReleased(w, lot.id, body.what, at);
  return { id: body.id };
}

async function writeClosing(
  w: Writing,
  lotId: string,
  closing: { id: string; deviationId: string; cause: string; done: string; at: string },
): Promise<void> {
  await insert(w.tx, 'deviation_closing', {
    id: closing.id,
    lot_id: lotId,
    deviation_id: closing.deviationId,
    cause: closing.cause,
    done: closing.done,
    at: toSql(closing.at),
    account_id: w.account.id,
  });
  const { id: _, deviationId, ...said } = closing;
  await journal(w, 'deviation', deviationId, 'close', said, lotId);
}

/** Closes a deviation with its cause and what was done. What holds the lot is closed by taking it up again. */
export async function closeDeviation(
  w: Writing,
  lotId: string,
  body: z.output<typeof NewClosing>,
): Promise<{ id: string }> {
  const lot = await lockedLot(w, lotId);
  refuseEnded(lot);
  const deviation = lot.deviations.find((d) => d.id === body.deviationId);
  if (!deviation) throw notFound('deviation');
  if (deviation.closed) throw new Problem(409, 'That deviation is closed already.');
  if (deviation.kind === 'held' && lot.state === 'held')
    throw new Problem(409, 'The lot is held for it: the owner closes it by taking the lot up again.');
  const at = happenedAt(w, body.at, deviation.at);
  await writeClosing(w, lot.id, { ...body, at });
  return { id: body.id };
}

/** Closes what a lot was held for, with the cause and what was done. */
export async function closeHolds(
  w: Writing,
  lot: StoredLot,
  said: { cause: string; done: string; at: string },
): Promise<void> {
  for (const d of lot.deviations.filter((open) => open.kind === 'held' && !open.closed))
    await writeClosing(w, lot.id, { id: newId(), deviationId: d.id, ...said });
}
