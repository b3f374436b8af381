import type { Vessel } from '@inch/contract/vessel';
import { vesselVolume } from '@inch/core/pan';
import { type Database, rows } from '../database/pool.ts';

interface Row {
  id: string;
  name: string;
  material: Vessel['material'];
  shape: string;
  used_as: Vessel['use'];
  retired_at: string | null;
}

export type StoredVessel = Omit<Vessel, 'learned'>;

function vesselFrom(row: Row): StoredVessel {
  const shape = JSON.parse(row.shape) as Vessel['shape'];
  return {
    id: row.id,
    name: row.name,
    material: row.material,
    shape,
    use: row.used_as,
    holdsMl: vesselVolume(shape),
    retired: row.retired_at !== null,
  };
}

export async function vesselsOf(db: Database, kitchenId: string): Promise<StoredVessel[]> {
  const found = await rows<Row>(
    db,
    'SELECT id, name, material, shape, used_as, retired_at FROM vessel WHERE kitchen_id = ? ORDER BY retired_at IS NOT NULL, created_at, id',
    [kitchenId],
  );
  return found.map(vesselFrom);
}
