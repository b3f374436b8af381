import { PlaceEntry } from '@inch/contract/kitchen/place';
import type { LotRecord } from '@inch/core/lot';
import { movesOf } from '@inch/core/lot';
import { COLD, placeNames, type StoreReading } from '@inch/core/place';
import { entries } from '@inch/core/record';
import { Instant } from '@inch/core/value';
import { z } from 'zod';
import { type Database, marks, toSql } from '../database/pool.ts';
import { read } from '../database/read.ts';

/** What a kitchen said of its places, the first first. */
export const placesSaid = (db: Database, kitchenId: string): Promise<PlaceEntry[]> =>
  read(
    db,
    { ...PlaceEntry.shape, recordedAt: Instant },
    `SELECT p.id, p.name, p.kind, p.also_called, p.at AS recorded_at, a.name AS \`by\` FROM place p JOIN account a ON a.id = p.account_id
     WHERE p.kitchen_id = ? ORDER BY p.at, p.id`,
    [kitchenId],
  );

const { place, samples } = entries['place-temperature'].said;
const READINGS = { place, samples, recordedAt: Instant };

/** Samples from which on an entry is the file of a logger, and not a reading by hand. */
const LOGGED = 3;
/** Minutes that a reading by hand may be written down after it was taken and still be of that hour. */
const AT_ONCE = 15 * 60_000;

/** A cold reading by hand that is dated back counts from when it was written; a warm one, and a logger's, is taken at its hour. */
function readingsOf({ place, samples, recordedAt }: z.output<z.ZodObject<typeof READINGS>>): StoreReading[] {
  return samples.map(({ at, celsius }) => {
    const late = Date.parse(recordedAt) - Date.parse(at) > AT_ONCE;
    const byHand = samples.length < LOGGED;
    return { place, celsius, at: byHand && late && celsius <= COLD ? recordedAt : at };
  });
}

/** Every reading of a kitchen's places since an instant. */
export async function storeReadings(db: Database, kitchenId: string, since: string): Promise<StoreReading[]> {
  const found = await read(
    db,
    READINGS,
    `SELECT STRAIGHT_JOIN p.place, p.samples, p.recorded_at FROM instrument i JOIN place_temperature p ON p.instrument_id = i.id
     WHERE i.kitchen_id = ? AND i.kind = 'thermometer' AND p.recorded_at >= ? ORDER BY p.at, p.id`,
    [kitchenId, toSql(since)],
  );
  return found.flatMap(readingsOf);
}

const refusedOf = async (db: Database, lotIds: readonly string[]) =>
  lotIds.length === 0
    ? []
    : read(
        db,
        { lotId: z.string(), at: Instant },
        `SELECT lot_id, at FROM journal WHERE lot_id IN (${marks(lotIds)}) AND action LIKE '% refused'`,
        [...lotIds],
      );

/** Gives filled lots of one kitchen what is known of the places in which their bottles stood. */
export async function loadStores(db: Database, kitchenId: string, lots: readonly LotRecord[]): Promise<void> {
  const filled = lots.filter((lot) => movesOf(lot).length > 0);
  if (filled.length === 0) return;
  const places = await placesSaid(db, kitchenId);
  const cold = filled.filter((lot) => lot.storage !== 'shelf');
  const since = cold.map((lot) => lot.begunAt).sort()[0];
  const readings = since === undefined ? [] : await storeReadings(db, kitchenId, since);
  const refused = await refusedOf(
    db,
    cold.map((lot) => lot.id),
  );
  const of = placeNames(places);
  for (const lot of filled) {
    lot.places = places;
    if (lot.storage === 'shelf') continue;
    const stood = new Set(movesOf(lot).flatMap((m) => (m.to === null ? [] : [of(m.to)])));
    lot.stores = readings.filter((r) => stood.has(of(r.place)));
    lot.refused = refused.filter((r) => r.lotId === lot.id).map((r) => r.at);
  }
}
