import type { Vessel } from '@inch/contract/vessel';
import { boilRateOf, learnedRate } from '@inch/core/lot';
import type { Database } from '../database/pool.ts';
import { lotsOutOf, type StoredLot } from '../lot/store.ts';
import { type StoredVessel, vesselsOf } from './store.ts';

type In = { id: string; timeZone: string };

/** How many of a pan's last lots its rate is learned from. */
const LOTS = 8;

/** A vessel with what its own past lots showed of its fire. */
export async function withLearned(db: Database, kitchen: In, vessel: StoredVessel): Promise<Vessel> {
  const lots = await lotsOutOf(db, kitchen, vessel.id, LOTS);
  const rates = lots.flatMap((lot) => boilRateOf(lot, vessel.shape, lot.cupSchool) ?? []);
  return { ...vessel, learned: learnedRate(rates) };
}

/** The vessel a lot is in now; its past is looked up only while the lot is being made. */
export async function vesselOf(db: Database, kitchen: In, lot: StoredLot): Promise<Vessel | null> {
  const id = lot.placings.at(-1)?.vesselId;
  if (!id) return null;
  const vessel = (await vesselsOf(db, kitchen.id)).find((v) => v.id === id);
  if (!vessel) return null;
  return lot.state === 'making' ? withLearned(db, kitchen, vessel) : { ...vessel, learned: null };
}
