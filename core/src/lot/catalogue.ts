import type { Weighing } from '../formula/index.ts';
import {
  type Ingredient,
  type KitchenCatalogue,
  kitchenCatalogue,
  shippedCatalogue,
  together,
} from '../ingredient/index.ts';
import type { CupSchool } from '../quantity/index.ts';
import type { LotRecord } from './record.ts';

/**
 * The catalogue a lot is read with: the shipped one, under the kitchen's own entries as they stood in its formula version
 * and when they went in. A later change of an entry does not reach it.
 * @example catalogueOf(lot).get('sugar').family // 'sugar'
 */
export function catalogueOf(lot: Pick<LotRecord, 'product' | 'additions'>): KitchenCatalogue {
  const { own } = lot.product.content;
  const added = lot.additions.flatMap((a) => (a.entry ? [a.entry] : []));
  if (!own && added.length === 0) return shippedCatalogue;
  const carried = added.flatMap((entry) => entry.leftFrom?.entries ?? []);
  const byId = new Map([...(own?.ingredients ?? []), ...carried].map((entry) => [entry.id, entry]));
  // What went in under one name from several stock lots is read as one: nothing that any of them carries is lost.
  const went = new Map<string, Ingredient>();
  for (const entry of added) {
    const before = went.get(entry.id);
    went.set(entry.id, before ? together(before, entry) : entry);
  }
  for (const [id, entry] of went) byId.set(id, entry);
  return kitchenCatalogue({ ingredients: [...byId.values()], measures: own?.measures });
}

/**
 * How a lot's words are weighed: the cups it was begun under, its own catalogue.
 * @example weighingOf(lot, 'us').cup // 'us'
 */
export const weighingOf = (
  lot: Pick<LotRecord, 'product' | 'additions'>,
  cup: CupSchool | null,
): Weighing => ({
  cup: cup ?? undefined,
  catalogue: catalogueOf(lot),
});
