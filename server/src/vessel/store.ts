import { Vessel } from '@inch/contract/making/vessel';
import { vesselVolume } from '@inch/core/pan';
import type { Database } from '../database/pool.ts';
import { read } from '../database/read.ts';

export type StoredVessel = Omit<Vessel, 'learned'>;

const { learned: _, holdsMl: __, use: usedAs, ...SAID } = Vessel.shape;

export async function vesselsOf(db: Database, kitchenId: string): Promise<StoredVessel[]> {
  const found = await read(
    db,
    { ...SAID, usedAs },
    'SELECT id, name, material, shape, used_as, retired_at IS NOT NULL AS retired FROM vessel WHERE kitchen_id = ? ORDER BY retired_at IS NOT NULL, created_at, id',
    [kitchenId],
  );
  return found.map(({ usedAs: use, ...vessel }) => ({ ...vessel, use, holdsMl: vesselVolume(vessel.shape) }));
}
