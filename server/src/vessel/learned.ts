import type { Vessel } from '@inch/contract/making/vessel';
import { learnedRate } from '@inch/core/lot';
import { type Database, rows } from '../database/pool.ts';
import type { StoredLot } from '../lot/store.ts';
import { type StoredVessel, vesselsOf } from './store.ts';

type In = { id: string };

/** How many of a pan's last lots its rate is learned from, and through how many it is looked for them. */
const LOTS = 8;
const PLACINGS = 40;

/** A vessel with what its own past lots showed of its fire, as it was derived with their summaries. */
export async function withLearned(db: Database, kitchen: In, vessel: StoredVessel): Promise<Vessel> {
  const found = await rows<{ lot_id: string; state: string; boil_rate: number | null }>(
    db,
    `SELECT STRAIGHT_JOIN p.lot_id, l.state, s.boil_rate FROM placing p JOIN lot l ON l.id = p.lot_id JOIN lot_standing s ON s.lot_id = l.id
     WHERE p.vessel_id = ? AND l.kitchen_id = ? ORDER BY p.at DESC LIMIT ${PLACINGS}`,
    [vessel.id, kitchen.id],
  );
  const out = new Map(found.filter((l) => l.state !== 'making').map((l) => [l.lot_id, l.boil_rate]));
  return { ...vessel, learned: learnedRate([...out.values()].slice(0, LOTS).flatMap((rate) => rate ?? [])) };
}

/** The vessel a lot is in now; its past is looked up only while the lot is being made. */
export async function vesselOf(db: Database, kitchen: In, lot: StoredLot): Promise<Vessel | null> {
  const id = lot.placings.at(-1)?.vesselId;
  if (!id) return null;
  const vessel = (await vesselsOf(db, kitchen.id)).find((v) => v.id === id);
  if (!vessel) return null;
  return lot.state === 'making' ? withLearned(db, kitchen, vessel) : { ...vessel, learned: null };
}
