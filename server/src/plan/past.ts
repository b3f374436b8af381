import type { Kitchen } from '@inch/contract/kitchen';
import { boilRateOf } from '@inch/core/lot';
import { type PastLot, pastLot } from '@inch/core/planning';
import type { Database } from '../database/pool.ts';
import { newestLots } from '../lot/store.ts';
import { vesselsOf } from '../vessel/store.ts';

/** Lots that are looked back on: some seasons. */
const LOTS = 120;
const OVER = new Set(['resting', 'bottled', 'released', 'closed', 'held', 'recalled']);

/** What the kitchen's past lots gave, the oldest first. */
export async function pastLots(db: Database, kitchen: Kitchen): Promise<PastLot[]> {
  const lots = (await newestLots(db, kitchen, LOTS)).filter((lot) => OVER.has(lot.state));
  const vessels = new Map((await vesselsOf(db, kitchen.id)).map((v) => [v.id, v.shape]));
  return lots.reverse().flatMap((lot) => {
    const shape = vessels.get(lot.placings.at(-1)?.vesselId ?? '') ?? null;
    return pastLot(lot, lot.cupSchool, boilRateOf(lot, shape, lot.cupSchool)) ?? [];
  });
}
