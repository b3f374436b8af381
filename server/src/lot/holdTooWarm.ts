import { type BottleLife, type LotRecord, tooWarm } from '@inch/core/lot';
import type { Writing } from '../journal/writing.ts';
import { decideLot, fullLot } from './change.ts';
import { warmSaid } from './leaving.ts';
import { openDeviation } from './openDeviation.ts';

/** Holds a lot of a short kind where bottles of it were warm for too long, by the entry that shows it: they are only discarded. @param of which of its bottles the entry is of */
export async function holdTooWarm(
  w: Writing,
  lotId: string,
  entry: { id: string; at: string },
  of: (lot: LotRecord, life: BottleLife) => boolean = () => true,
): Promise<void> {
  const lot = await fullLot(w, lotId);
  if (lot.storage === 'shelf') return;
  const warm = tooWarm(lot, w.now).filter((life) => of(lot, life));
  if (warm.length === 0 || lot.deviations.some((d) => d.kind === 'too warm' && !d.closed)) return;
  const what = warm.map(warmSaid).join(' ').slice(0, 500);
  await openDeviation(w, lot.id, { kind: 'too warm', what, entryId: entry.id, at: entry.at });
  if (lot.state === 'released') await decideLot(w, lot, 'hold', { why: what, at: entry.at });
}
