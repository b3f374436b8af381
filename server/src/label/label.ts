import type { Kitchen } from '@inch/contract/kitchen';
import type { LabelView } from '@inch/contract/lot';
import { lotNutrition, netContentsHeight } from '@inch/core/label';
import { standing } from '@inch/core/lot';
import { containersOf } from '../container/routes.ts';
import type { Database } from '../database/pool.ts';
import type { StoredLot } from '../lot/store.ts';
import { judgeLot } from '../lot/view.ts';

/** Why a label is not printed at all; null where it may be. */
function refusalOf(lot: StoredLot, label: Pick<LabelView, 'checks'>): string | null {
  if (['held', 'discarded', 'recalled'].includes(lot.state))
    return `Lot ${lot.code} is ${lot.state}: its label is not printed.`;
  const stops = label.checks.filter((c) => c.state === 'stops');
  return stops.length > 0 ? stops.map((c) => c.sentence).join(' ') : null;
}

export async function labelOf(db: Database, lot: StoredLot, kitchen: Kitchen): Promise<LabelView> {
  const { label } = judgeLot(lot, kitchen);
  const bottle = standing(lot.bottlings).at(-1);
  const container = (await containersOf(db, kitchen.id)).find((c) => c.id === bottle?.containerId);
  const netHeightMm = container ? netContentsHeight(lot.rulePack, container) : 3.2;
  const refusal = refusalOf(lot, label);
  const nutrition = lotNutrition(lot, lot.cupSchool);
  return { ...label, nutrition, netHeightMm, printable: refusal === null, refusal };
}
