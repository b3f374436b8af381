import type { ageingEvidence } from '@inch/core/ageing';
import { factsFrom } from '@inch/core/formula';
import { governingPh, type LotKeeping, makeupAsMade } from '@inch/core/lot';
import type { StoredLot } from './store.ts';

/** What the evidence of bottles kept back is asked for. */
export const evidenceFor = (
  lot: StoredLot,
  keeping: Pick<LotKeeping, 'row' | 'time'>,
): Parameters<typeof ageingEvidence>[1] => {
  const ph = governingPh(lot);
  return {
    row: keeping.row,
    time: keeping.time,
    criticalPh: lot.criticalPh,
    aceticPercent: factsFrom(makeupAsMade(lot), null).aceticPercent ?? null,
    ph: ph ? ph.ph - ph.margin : null,
  };
};
