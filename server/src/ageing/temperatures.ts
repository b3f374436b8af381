import type { PlaceTemperature } from '@inch/contract/ageing';
import type { EntrySaid } from '@inch/contract/entry';
import type { Kitchen } from '@inch/contract/kitchen';
import { excursionsOver, type PlaceSample, storeQuality } from '@inch/core/ageing';
import { type LotRecord, lotBottles, timesIn } from '@inch/core/lot';
import { temperature } from '@inch/core/quantity';
import { type Database, rows } from '../database/pool.ts';
import { entriesOf } from '../entry/read.ts';
import { writeEntry } from '../entry/write.ts';
import { invalid, notFound } from '../http/problem.ts';
import { happenedAt } from '../journal/happened.ts';
import type { Writing } from '../journal/writing.ts';
import { decideLot, fullLot } from '../lot/change.ts';
import { openDeviation } from '../lot/openDeviation.ts';
import { judgeLot } from '../lot/view.ts';

/** °C over which what is kept cold is too warm, and what is frozen begins to thaw. */
export const WARM_OVER: Readonly<Record<string, number>> = { cold: 5, frozen: -12 };
/** Hours over it that discard a kind which keeps 3 or 7 days. */
const HOURS_ALLOWED = 2;
const SHORT_ROWS: ReadonlySet<string> = new Set(['cold-never-heated', 'cold-unmeasured']);

interface InstrumentRow {
  id: string;
  name: string;
  kind: string;
}

/** How warm it was in the kitchen's places, the newest first. */
export async function temperaturesOf(
  db: Database,
  kitchenId: string,
  place?: string,
): Promise<PlaceTemperature[]> {
  const instruments = await rows<InstrumentRow>(
    db,
    'SELECT id, name, kind FROM instrument WHERE kitchen_id = ?',
    [kitchenId],
  );
  const found = await entriesOf(
    db,
    'place-temperature',
    instruments.map((i) => i.id),
  );
  return found
    .filter(({ entry }) => place === undefined || entry.place === place)
    .map(({ parentId, entry }) => ({
      ...{ id: entry.id, place: entry.place, samples: entry.samples, at: entry.at, by: entry.by },
      instrument: instruments.find((i) => i.id === parentId)!.name,
    }))
    .reverse();
}

/** Every reading of a place, in order. */
export async function samplesIn(db: Database, kitchenId: string, place: string): Promise<PlaceSample[]> {
  const entries = await temperaturesOf(db, kitchenId, place);
  return entries.flatMap((entry) => entry.samples).sort((a, b) => a.at.localeCompare(b.at));
}

/** Lots that a standing says have bottles in a place. */
async function lotsIn(w: Writing, place: string): Promise<string[]> {
  const found = await rows<{ id: string }>(
    w.tx,
    `SELECT DISTINCT l.id FROM movement m JOIN lot l ON l.id = m.lot_id
     WHERE l.kitchen_id = ? AND m.\`to\` = ? AND l.state NOT IN ('discarded', 'closed', 'recalled')`,
    [w.kitchen.id, place],
  );
  return found.map((row) => row.id);
}

/** A place that was too warm for too long holds what keeps 3 or 7 days there: it is discarded, the owner decides. */
async function holdWhatStood(
  w: Writing,
  { place, samples }: { place: string; samples: readonly PlaceSample[] },
  entryId: string,
  at: string,
): Promise<void> {
  const excursions = excursionsOver(await samplesIn(w.tx, w.kitchen.id, place), WARM_OVER.cold!);
  // What an earlier entry showed was held then, and may be resumed since: only what this one reaches into is new.
  const [first, last] = [samples[0]!.at, samples.at(-1)!.at];
  const long = excursions.filter((e) => e.hours > HOURS_ALLOWED && e.to >= first && e.from <= last);
  if (long.length === 0) return;
  for (const id of await lotsIn(w, place)) {
    const lot = await fullLot(w, id);
    const { keeping } = judgeLot(lot, w.kitchen);
    const stands = lotBottles(lot).groups.some((g) => g.place === place && g.count > 0);
    const stood = timesIn(lot, place);
    const after = long.find((e) => stood.some((t) => e.to > t.from && (t.to === null || e.from < t.to)));
    if (!stands || !after || !SHORT_ROWS.has(keeping.row)) continue;
    if (lot.deviations.some((d) => d.entryId === entryId)) continue;
    const what = `${place} was over ${temperature(WARM_OVER.cold!)} for ${after.hours.toFixed(1)} h, up to ${temperature(after.highest)}: what keeps three or seven days is discarded after two hours.`;
    await openDeviation(w, lot.id, { kind: 'too warm', what, entryId, at });
    if (lot.state === 'released') await decideLot(w, lot, 'hold', { why: what, at });
  }
}

const isInstant = (text: string): boolean =>
  /^\d{4}-\d{2}-\d{2}T/.test(text) && !Number.isNaN(Date.parse(text));
const CLOCK_SLACK = 5 * 60_000;

/** Records how warm it was where bottles stand, by hand or off a logger. */
export async function recordTemperature(
  w: Writing,
  instrumentId: string,
  { at: saidAt, ...said }: EntrySaid<'place-temperature'>,
): Promise<{ id: string }> {
  const [instrument] = await rows<InstrumentRow>(
    w.tx,
    'SELECT id, name, kind FROM instrument WHERE id = ? AND kitchen_id = ?',
    [instrumentId, w.kitchen.id],
  );
  if (!instrument) throw notFound('instrument');
  if (instrument.kind !== 'thermometer')
    throw invalid('samples', 'That instrument does not measure temperature: take a thermometer or a logger.');
  const wrong = said.samples.findIndex((s) => !isInstant(s.at));
  if (wrong !== -1) throw invalid(`samples.${wrong}.at`, 'A time is written 2026-11-25T09:10:00.000Z.');
  const latest = Date.parse(w.now) + CLOCK_SLACK;
  const late = said.samples.findIndex((s) => Date.parse(s.at) > latest);
  if (late !== -1) throw invalid(`samples.${late}.at`, 'That is still to come. Check the logger’s clock.');
  const at = happenedAt(w, saidAt);
  const samples = said.samples
    .map((s) => ({ at: new Date(s.at).toISOString(), celsius: s.celsius }))
    .sort((a, b) => a.at.localeCompare(b.at));
  await writeEntry(w, 'place-temperature', instrumentId, {
    id: said.id,
    at,
    values: { place: said.place, samples },
  });
  await holdWhatStood(w, { place: said.place, samples }, said.id, at);
  return { id: said.id };
}

/** Readings of the places in which a lot's bottles stood, while they did. */
export async function storesOf(
  db: Database,
  kitchen: Kitchen,
  lot: Pick<LotRecord, 'movements'>,
  storage: string,
  ph: number | null,
) {
  const places = [...new Set(lot.movements.flatMap((m) => (m.to ? [m.to] : [])))];
  const limit = WARM_OVER[storage] ?? null;
  const all = await temperaturesOf(db, kitchen.id);
  return places.flatMap((place) => {
    const stood = timesIn(lot, place);
    const samples = all
      .filter((t) => t.place === place)
      .flatMap((t) => t.samples)
      .filter((s) => stood.some((t) => s.at >= t.from && (t.to === null || s.at <= t.to)));
    if (samples.length < 2) return [];
    return [
      {
        place,
        quality: storeQuality(samples, ph),
        excursions: limit === null ? [] : excursionsOver(samples, limit),
        limit,
      },
    ];
  });
}
