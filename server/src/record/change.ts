import { signsIn } from '@inch/core/ageing';
import { dayOf, spokenDay } from '@inch/core/calendar';
import { lowAcidLines } from '@inch/core/formula';
import {
  amountsPlanned,
  catalogueOf,
  gates,
  governingPh,
  ingredientsAsMade,
  type LotEvent,
  type LotState,
  transition,
} from '@inch/core/lot';
import { type Entries, entries, type Recorded } from '@inch/core/record';
import { v7 as newId } from 'uuid';
import { update } from '../database/pool.ts';
import { writeEntry } from '../entry/write.ts';
import { lotsMeasuredSince } from '../journal/touch.ts';
import type { Writing } from '../journal/writing.ts';
import { readLot, type StoredLot } from '../lot/store.ts';
import { judgeLot } from '../lot/view.ts';
import { notFound, Problem } from '../problem/problem.ts';
import { madeFrom } from '../trace/reach.ts';
import { gapsOf, isOfEarlierRules, keepsFrom } from './rules.ts';

type Deviation = Pick<Recorded<Entries['deviation']>, 'kind' | 'what' | 'entryId' | 'at'>;

/** Writes down something out of its limits; it blocks a release until it is closed. */
export const openDeviation = (w: Writing, lotId: string, { at, ...found }: Deviation): Promise<void> =>
  writeEntry(w, 'deviation', lotId, {
    id: newId(),
    at,
    values: { ...found, what: found.what.slice(0, 500) },
  });

/** A lot with its whole record, as it stands in this write: the kitchen is locked, so nothing of it changes meanwhile. */
export async function fullLot(w: Writing, idOrCode: string): Promise<StoredLot> {
  const lot = await readLot(w.tx, w.kitchen, idOrCode);
  if (!lot) throw notFound('lot');
  return lot;
}

interface Deciding {
  at: string;
  id?: string;
  why?: string | null;
}

/** Where an event takes a lot. @throws TransitionError where its state or its release checks do not allow it */
export const stateAfter = (w: Writing, lot: StoredLot, event: LotEvent): LotState =>
  transition(
    lot,
    event,
    judgeLot(lot, w.kitchen).gates.every((g) => g.open),
  );

/** Moves a lot to the state that a recorded decision takes it to; what it is held for stays open until it is resumed. */
export async function followDecision(
  w: Writing,
  lot: StoredLot,
  decision: { id: string; event: LotEvent; to: LotState; why: string | null; at: string },
): Promise<void> {
  const { id, event, to, why, at } = decision;
  const heldFrom = event === 'hold' ? lot.state : event === 'resume' ? null : lot.heldFrom;
  await update(w.tx, 'lot', lot.id, { state: to, held_from: heldFrom });
  if (event === 'hold') await openHeld(w, lot, { id, what: why ?? 'Held.', at });
  const stops = event === 'hold' || event === 'recall' || event === 'discard';
  if (stops) await stopMadeFrom(w, lot, to, why);
}

/** A hold opens what it is for, unless the entry that it follows from did. */
async function openHeld(
  w: Writing,
  lot: StoredLot,
  { id, what, at }: { id: string; what: string; at: string },
): Promise<void> {
  const { deviations } = await fullLot(w, lot.id);
  if (deviations.some((d) => !d.closed && d.kind !== 'held' && what.endsWith(d.what))) return;
  // A hold that tells of spoilage is a sign of it: other bottles are looked at before it is resumed.
  const kind = signsIn(what).length > 0 ? 'spoilage' : 'held';
  await openDeviation(w, lot.id, { kind, what, entryId: id, at });
}

/** Holds every lot that was made with by-products of one that is stopped. */
async function stopMadeFrom(w: Writing, lot: StoredLot, to: LotState, why: string | null): Promise<void> {
  const made = await madeFrom(w.tx, w.kitchen.id, [lot.id]);
  await holdMadeWith(w, made, `Lot ${lot.code}, which it was made from, is ${to}: ${why ?? ''}`.trim());
}

/** States from which a lot is held; one that is held already waits for what holds it besides. */
const HOLDS: ReadonlySet<LotState> = new Set(['planned', 'making', 'resting', 'bottled', 'released']);

/** Holds lots for what they were made with; of those that are held or closed it is written down besides. */
export async function holdMadeWith(w: Writing, lotIds: readonly string[], why: string): Promise<void> {
  for (const id of lotIds) {
    const lot = await fullLot(w, id);
    const what = why.slice(0, 500);
    if (HOLDS.has(lot.state)) await decideLot(w, lot, 'hold', { why: what, at: w.now });
    else if (lot.state === 'closed' || lot.state === 'held') {
      if (lot.deviations.some((d) => !d.closed && d.what === what)) continue;
      await openDeviation(w, lot.id, { kind: 'made with', what, entryId: null, at: w.now });
    }
  }
}

/** Moves a lot through the core's state machine and records who decided, when and why. */
export async function decideLot(
  w: Writing,
  lot: StoredLot,
  event: LotEvent,
  { at, id = newId(), why = null }: Deciding,
): Promise<void> {
  const to = stateAfter(w, lot, event);
  if (to === lot.state) return;
  await writeEntry(w, 'decision', lot.id, {
    id,
    at,
    values: { event, from: lot.state, to, why, signed: false },
  });
  await followDecision(w, lot, { id, event, to, why, at });
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
  const acid = gates(lot, { timeZone: lot.timeZone, labelMissing: [] }).find((g) => g.id === 'acid')!;
  // A reading over the limit holds it even where it would not count for a release: the default is to hold.
  if (acid.failed) return acid.missing;
  const low = lot.storage === 'shelf' && governingPh(lot) === null ? lowAcidIn(lot) : [];
  if (low.length > 0)
    return `It contains low-acid ingredients (${low.join(', ')}) and no pH at or under ${lot.criticalPh} is measured.`;
  return null;
}

/** Holds a lot in bottles where its own record asks for it. The default is to hold. */
export async function holdWhereAsked(w: Writing, lotId: string, at: string): Promise<void> {
  const lot = await fullLot(w, lotId);
  if (!['resting', 'bottled', 'released'].includes(lot.state)) return;
  const why = whyHeldByItself(lot);
  if (why) await decideLot(w, lot, 'hold', { why, at });
}

/** Nothing is released, sold or given past its date. */
export function refusePast(w: Writing, lot: StoredLot): void {
  const { bestBy } = judgeLot(lot, w.kitchen).keeping;
  if (bestBy !== null && bestBy < dayOf(w.now, lot.timeZone))
    throw new Problem(
      409,
      `The date of lot ${lot.code} was ${spokenDay(bestBy)}: nothing of it leaves the kitchen.`,
    );
}

/**
 * What a released lot lacks now: a release check that has shut since; null where all of them still pass. What only rules that came after its release ask for is
 * left to a person.
 */
export async function lackingNow(w: Writing, lot: StoredLot): Promise<string | null> {
  const all = judgeLot(lot, w.kitchen).gates.filter((gate) => !gate.open);
  if (all.length === 0) return null;
  const shut = isOfEarlierRules(lot) ? keepsFrom(lot, all, await gapsOf(w.tx, [lot.id])) : all;
  return shut.length === 0 ? null : shut.map((gate) => gate.missing).join(' ');
}

/** Holds a released lot at the moment at which one of its release checks shuts, whatever shut it. */
export async function holdWhereShut(w: Writing, lotId: string, at: string): Promise<void> {
  const lot = await fullLot(w, lotId);
  if (lot.state !== 'released') return;
  const lacking = await lackingNow(w, lot);
  if (lacking !== null)
    await decideLot(w, lot, 'hold', {
      why: `A release check does not pass any more: ${lacking}`.slice(0, 500),
      at,
    });
}

/** Holds every released lot that rests on an instrument, where a check of it does not bear it any more. */
export async function holdWhereMeasuredBy(
  w: Writing,
  noun: 'calibration' | 'check',
  checkId: string,
): Promise<void> {
  const { table } = entries[noun];
  for (const id of await lotsMeasuredSince(w.tx, table, checkId, "AND l.state = 'released'"))
    await holdWhereShut(w, id, w.now);
}
