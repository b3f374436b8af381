import type {
  NewBottling,
  NewCooling,
  NewFault,
  NewTally,
  NewTick,
  NewWeighing,
} from '@inch/contract/lotEntry';
import { netMl, tallyUp } from '@inch/core/bottling';
import { finishedBrix, linesNotRecorded, lotBottles, standing } from '@inch/core/lot';
import { densityAt20 } from '@inch/core/sugar';
import { v7 as newId } from 'uuid';
import type { z } from 'zod';
import { containersOf } from '../container/routes.ts';
import { insert, toSql } from '../database/pool.ts';
import { invalid, Problem } from '../http/problem.ts';
import { happenedAt } from '../journal/happened.ts';
import { journal, type Writing } from '../journal/writing.ts';
import { takePackaging, wastePieces } from '../stock/draw.ts';
import { decideLot, holdWhereAsked, lockedLot, refuseEnded } from './change.ts';
import { openOutOfLimits } from './deviations.ts';
import type { StoredLot } from './store.ts';

/** Counts bottles into a place; the lot then rests until its seals are checked, or is held where its record asks for it. */
export async function bottleLot(
  w: Writing,
  lotId: string,
  body: z.output<typeof NewBottling>,
): Promise<{ id: string }> {
  const lot = await lockedLot(w, lotId);
  const at = happenedAt(w, body.at, lot.begunAt);
  const untold = lot.state === 'making' ? linesNotRecorded(lot) : [];
  if (untold.length > 0)
    throw new Problem(
      409,
      `Is everything in? Not told yet: ${untold.join(', ')}. Weigh it in, or leave it out with a word why; then fill.`,
    );
  const container = (await containersOf(w.tx, w.kitchen.id)).find((c) => c.id === body.containerId);
  if (!container) throw invalid('containerId', 'Choose a kind of bottle or jar of this kitchen.');
  await insert(w.tx, 'bottling', {
    id: body.id,
    lot_id: lot.id,
    container_id: body.containerId,
    count: body.count,
    fill_celsius: body.fillCelsius,
    middle_celsius: body.middleCelsius,
    last_celsius: body.lastCelsius,
    glass_celsius: body.glassCelsius,
    headspace_inches: body.headspaceInches ?? container.headspaceInches,
    checked: body.checked,
    closing: body.closing,
    hours_to_21: body.hoursTo21,
    hours_to_cold: body.hoursToCold,
    at: toSql(at),
    account_id: w.account.id,
  });
  await insert(w.tx, 'movement', {
    id: newId(),
    lot_id: lot.id,
    bottling_id: body.id,
    kind: 'stored',
    from_place: null,
    to_place: body.place,
    count: body.count,
    price_minor: null,
    note: null,
    at: toSql(at),
    account_id: w.account.id,
  });
  await takePackaging(w, container, body.count, { kind: 'filled', lotId: lot.id, entryId: body.id, at });
  const { id: _, ...said } = body;
  await journal(w, 'bottling', body.id, 'fill', { ...said, at }, lot.id);
  await decideLot(w, lot, 'fill', { at });
  await openOutOfLimits(w, lot.id, at);
  await holdWhereAsked(w, lot.id, at);
  return { id: body.id };
}

/** The lot of an entry that is about one of its fillings. */
async function ofBottling(w: Writing, lotId: string, bottlingId: string) {
  const lot = await lockedLot(w, lotId);
  refuseEnded(lot);
  const bottling = standing(lot.bottlings).find((b) => b.id === bottlingId);
  if (!bottling) throw invalid('bottlingId', 'That is not one of the fillings of this lot.');
  return { lot, bottling };
}

async function writeEntry(
  w: Writing,
  lot: StoredLot,
  table: string,
  noun: string,
  entry: { id: string; at: string; row: Record<string, unknown>; action: string; said: unknown },
): Promise<{ id: string }> {
  await insert(w.tx, table, {
    id: entry.id,
    lot_id: lot.id,
    ...entry.row,
    at: toSql(entry.at),
    account_id: w.account.id,
  });
  await journal(w, noun, entry.id, entry.action, entry.said, lot.id);
  return { id: entry.id };
}

/** Ticks that something of a line went into one bottle. */
export async function tickBottle(
  w: Writing,
  lotId: string,
  body: z.output<typeof NewTick>,
): Promise<{ id: string }> {
  const lot = await lockedLot(w, lotId);
  refuseEnded(lot);
  const line = lot.product.content.lines.find((l) => l.id === body.lineId);
  if (line?.basis?.per !== 'bottle') throw invalid('lineId', 'That line does not go in bottle by bottle.');
  const there = standing(lot.ticks).find((t) => t.lineId === body.lineId && t.bottle === body.bottle);
  if (there) return { id: there.id };
  const at = happenedAt(w, body.at, lot.begunAt);
  const { lineId, bottle } = body;
  return writeEntry(w, lot, 'bottle_tick', 'tick', {
    ...{ id: body.id, at, action: 'tick', said: { lineId, bottle, at } },
    row: { line_id: lineId, bottle },
  });
}

/** Retires a nicked rim, a crack, a bent ring or a used lid; it leaves the stock as wasted. */
export async function retireGlass(
  w: Writing,
  lotId: string,
  body: z.output<typeof NewFault>,
): Promise<{ id: string }> {
  const lot = await lockedLot(w, lotId);
  refuseEnded(lot);
  const container = (await containersOf(w.tx, w.kitchen.id)).find((c) => c.id === body.containerId);
  if (!container) throw invalid('containerId', 'Choose a kind of bottle or jar of this kitchen.');
  const at = happenedAt(w, body.at, lot.begunAt);
  const thing =
    body.fault === 'bent ring'
      ? 'ring:two-piece'
      : body.fault === 'lid used once'
        ? 'lid:two-piece'
        : `bottle:${container.id}`;
  const { fault, count } = body;
  const written = await writeEntry(w, lot, 'glass_fault', 'fault', {
    ...{ id: body.id, at, action: 'retire', said: { container: container.name, fault, count, at } },
    row: { container_id: container.id, fault, count },
  });
  await wastePieces(w, thing, count, { lotId: lot.id, why: `${fault}, lot ${lot.code}`, at });
  return written;
}

/** Accounts for every millilitre; a gap over the kitchen's tolerance is taken only with a reason. */
export async function tallyLot(
  w: Writing,
  lotId: string,
  body: z.output<typeof NewTally>,
): Promise<{ id: string }> {
  const lot = await lockedLot(w, lotId);
  refuseEnded(lot);
  const { filled, millilitres } = lotBottles(lot);
  if (filled === 0) throw invalid('inPanMl', 'Count the bottles first.');
  const at = happenedAt(w, body.at, lot.begunAt);
  const { inPanMl, parts, why, how } = body;
  const result = tallyUp({ inPanMl, filledMl: millilitres, parts }, w.kitchen.fillTolerancePercent);
  if (result.asks && !why)
    throw invalid(
      'why',
      result.gapMl > 0
        ? `${Math.round(result.gapMl)} mL are told nowhere, ${result.gapPercent.toFixed(1)} % of the lot. Say where they went, or why.`
        : `${Math.round(-result.gapMl)} mL more are told than were in the pan. Measure again, or say why.`,
    );
  const { gapMl, asks } = result;
  return writeEntry(w, lot, 'tally', 'tally', {
    ...{ id: body.id, at, action: 'account' },
    said: { inPanMl, how, parts, filledMl: millilitres, gapMl, why, at },
    row: {
      in_pan_ml: inPanMl,
      how,
      parts: JSON.stringify(parts),
      filled_ml: millilitres,
      gap_ml: gapMl,
      asks,
      why,
    },
  });
}

/** Weighs a filled bottle: its net contents at 20 °C by the lot's own measured °Bx. */
export async function weighBottle(
  w: Writing,
  lotId: string,
  body: z.output<typeof NewWeighing>,
): Promise<{ id: string }> {
  const { lot, bottling } = await ofBottling(w, lotId, body.bottlingId);
  const brix = finishedBrix(lot);
  if (brix === null)
    throw invalid('grossGrams', 'Measure the finished product’s °Bx first: its density is in it.');
  const container = (await containersOf(w.tx, w.kitchen.id)).find((c) => c.id === bottling.containerId);
  const tare = body.tareGrams ?? container?.tareGrams ?? null;
  if (tare === null)
    throw invalid('tareGrams', 'Weigh an empty bottle with its closure too, and enter that.');
  if (tare >= body.grossGrams) throw invalid('grossGrams', `Empty it weighs ${tare} g already.`);
  const at = happenedAt(w, body.at, bottling.at);
  const net = netMl(body.grossGrams, tare, densityAt20(brix));
  const written = await writeEntry(w, lot, 'weighing', 'weighing', {
    ...{ id: body.id, at, action: 'weigh', said: { ...body, tareGrams: tare, brix, netMl: net, at } },
    row: { bottling_id: bottling.id, gross_grams: body.grossGrams, tare_grams: tare, net_ml: net },
  });
  await openOutOfLimits(w, lot.id, at);
  return written;
}

/** Reads bottles that cool open; each of the two stages is met by the first reading at or under its temperature. */
export async function coolBottles(
  w: Writing,
  lotId: string,
  body: z.output<typeof NewCooling>,
): Promise<{ id: string }> {
  const { lot, bottling } = await ofBottling(w, lotId, body.bottlingId);
  if (bottling.closing !== 'cooled')
    throw invalid('bottlingId', 'These were closed hot: they have no cooling clock.');
  const at = happenedAt(w, body.at, bottling.at);
  const { celsius } = body;
  const written = await writeEntry(w, lot, 'cooling', 'cooling', {
    ...{ id: body.id, at, action: 'read', said: { bottlingId: bottling.id, celsius, at } },
    row: { bottling_id: bottling.id, celsius },
  });
  await openOutOfLimits(w, lot.id, at);
  return written;
}
