import { lowAcidLines } from '@inch/core/formula';
import {
  amountsPlanned,
  catalogueOf,
  governingPh,
  ingredientsAsMade,
  type LotEvent,
  transition,
} from '@inch/core/lot';
import { v7 as newId } from 'uuid';
import { insert, run, toSql } from '../database/pool.ts';
import { notFound, Problem } from '../http/problem.ts';
import { journal, type Writing } from '../journal/writing.ts';
import { openDeviation } from './openDeviation.ts';
import { readLot, type StoredLot } from './store.ts';
import { judgeLot } from './view.ts';

/** The lot, locked for the rest of the transaction. */
export async function lockedLot(w: Writing, idOrCode: string): Promise<StoredLot> {
  const lot = await readLot(w.tx, w.kitchen, idOrCode, true);
  if (!lot) throw notFound('lot');
  return lot;
}

/** What is ended is not written to any more. */
export function refuseEnded(lot: StoredLot): void {
  if (['closed', 'discarded', 'recalled'].includes(lot.state))
    throw new Problem(409, `Lot ${lot.code} is ${lot.state}; nothing more is written to it.`);
}

/** Moves a lot through the core's state machine and records who decided, when and why. */
export async function decideLot(
  w: Writing,
  lot: StoredLot,
  event: LotEvent,
  options: { id?: string; why?: string | null; at?: string; signed?: boolean } = {},
): Promise<void> {
  const open = judgeLot(lot, w.kitchen).gates;
  const to = transition(
    lot,
    event,
    open.every((g) => g.open),
  );
  const id = options.id ?? newId();
  const at = options.at ?? w.now;
  const why = options.why ?? null;
  const heldFrom = event === 'hold' ? lot.state : event === 'resume' ? null : lot.heldFrom;
  await run(w.tx, 'UPDATE lot SET state = ?, held_from = ? WHERE id = ?', [to, heldFrom, lot.id]);
  if (to !== lot.state || event === 'release')
    await insert(w.tx, 'decision', {
      id,
      lot_id: lot.id,
      event,
      from_state: lot.state,
      to_state: to,
      why,
      signed: options.signed ?? false,
      at: toSql(at),
      account_id: w.account.id,
    });
  // What it is held for stays open until it is taken up again with its cause and what was done.
  if (event === 'hold')
    await openDeviation(w, lot.id, { kind: 'held', what: why ?? 'Held.', entryId: id, at });
  await journal(
    w,
    'lot',
    lot.id,
    event,
    { code: lot.code, from: lot.state, to, why, signed: options.signed ?? false, at },
    lot.id,
  );
}

/** Low-acid things that a lot stands on, by its formula or by what really went in. */
function lowAcidIn(lot: StoredLot): string[] {
  const made = ingredientsAsMade(lot).map((m) => ({
    lineId: '',
    ingredient: catalogueOf(lot).get(m.ingredientId),
    grams: m.grams,
    used: m.grams,
  }));
  const low = [...lowAcidLines(amountsPlanned(lot, lot.cupSchool)), ...lowAcidLines(made)];
  return [...new Set(low.map((line) => line.ingredient!.name.toLowerCase()))];
}

/** Why a filled lot is held by itself: a measured pH over its limit, or low-acid things with none measured at or under it. */
function whyHeldByItself(lot: StoredLot): string | null {
  const ph = governingPh(lot);
  if (ph && ph.ph > lot.criticalPh)
    return `pH ${(ph.ph - ph.margin).toFixed(2)} is over the limit of ${lot.criticalPh}.`;
  const low = lowAcidIn(lot);
  if (!ph && low.length > 0)
    return `It stands on low-acid things (${low.join(', ')}) and no pH at or under ${lot.criticalPh} is measured.`;
  return null;
}

/** Holds a lot in bottles where its own record asks for it. The default is to hold. */
export async function holdWhereAsked(w: Writing, lotId: string, at: string): Promise<void> {
  const lot = await lockedLot(w, lotId);
  if (!['resting', 'bottled', 'released'].includes(lot.state)) return;
  const why = whyHeldByItself(lot);
  if (why) await decideLot(w, lot, 'hold', { why, at });
}
