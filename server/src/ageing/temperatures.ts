import type { Kitchen } from '@inch/contract/kitchen/kitchen';
import type { PlaceTemperature } from '@inch/contract/making/ageing';
import type { EntrySaid } from '@inch/contract/route/entry';
import { excursionsOver, storeQuality } from '@inch/core/ageing';
import { type LotRecord, movesOf, timesIn } from '@inch/core/lot';
import { placeNames } from '@inch/core/place';
import { type Database, rows } from '../database/pool.ts';
import { entriesOf } from '../entry/read.ts';
import { writeEntry } from '../entry/write.ts';
import { happenedAt } from '../journal/happened.ts';
import type { Writing } from '../journal/writing.ts';
import { invalid, notFound } from '../problem/problem.ts';
import { holdTooWarm } from '../record/leaving.ts';

/** °C over which what is kept cold is too warm, and what is frozen begins to thaw. */
export const WARM_OVER: Readonly<Record<string, number>> = { cold: 5, frozen: -12 };
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
      id: entry.id,
      place: entry.place,
      samples: entry.samples,
      at: entry.at,
      by: entry.by,
      instrument: instruments.find((i) => i.id === parentId)!.name,
    }))
    .reverse();
}

/** Lots on hand of which bottles stand somewhere. */
const standingOnHand = async (w: Writing): Promise<string[]> =>
  (
    await rows<{ id: string }>(
      w.tx,
      `SELECT DISTINCT l.id FROM lot l JOIN movement m ON m.lot_id = l.id
       WHERE l.kitchen_id = ? AND l.state NOT IN ('discarded', 'closed', 'recalled') ORDER BY l.id`,
      [w.kitchen.id],
    )
  ).map((row) => row.id);

/** What a reading shows to have stood warm for too long is held, in every lot that it reaches. */
async function holdWhatStood(w: Writing, place: string, entry: { id: string; at: string }): Promise<void> {
  for (const id of await standingOnHand(w))
    await holdTooWarm(w, id, entry, (lot, life) => stoodIn(lot, life.bottlingId, place));
}

function stoodIn(lot: LotRecord, bottlingId: string, place: string): boolean {
  const of = placeNames(lot.places ?? []);
  return movesOf(lot).some((m) => m.bottlingId === bottlingId && m.to !== null && of(m.to) === of(place));
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
  await holdWhatStood(w, said.place, { id: said.id, at });
  return { id: said.id };
}

/** Readings of the places in which a lot's bottles stood, while they did. */
export async function storesOf(
  db: Database,
  kitchen: Kitchen,
  lot: Pick<LotRecord, 'movements' | 'places'>,
  storage: string,
  ph: number | null,
) {
  const of = placeNames(lot.places ?? []);
  const named = new Map(
    movesOf(lot)
      .flatMap((m) => (m.to ? [[of(m.to), m.to] as const] : []))
      .reverse(),
  );
  const places = [...named.values()].reverse();
  const limit = WARM_OVER[storage] ?? null;
  const all = await temperaturesOf(db, kitchen.id);
  return places.flatMap((place) => {
    const stood = timesIn(lot, place);
    const samples = all
      .filter((t) => of(t.place) === of(place))
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
