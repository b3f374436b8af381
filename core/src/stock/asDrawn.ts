import { type Allergen, type Ingredient, measuredEntry } from '../ingredient/index.ts';

/** What is known of a stock lot besides its ingredient. */
export interface OwnOfStock {
  allergens: readonly Allergen[];
  measured: { brix: number | null; ph: number | null; taPer100g: number | null } | null;
  gotOn: string;
}

/**
 * A catalogue entry as it really is in one stock lot: its own measurements laid over it, and the allergens that came with it.
 * @example asDrawn(catalogue.get('damson'), { allergens: ['sulphites'], measured: null, gotOn: '2026-11-01' }).allergens // ['sulphites']
 */
export function asDrawn(entry: Ingredient, stock: OwnOfStock): Ingredient {
  const { measured } = stock;
  const fruit = entry.acidity.kind === 'juice' || entry.acidity.kind === 'unknown';
  const known = measured && fruit && (measured.brix ?? measured.ph ?? measured.taPer100g) !== null;
  const own = known
    ? measuredEntry(entry, {
        on: stock.gotOn,
        brix: measured.brix ?? undefined,
        ph: measured.ph ?? undefined,
        taPer100g: measured.taPer100g ?? undefined,
      })
    : entry;
  const more = stock.allergens.filter((a) => !own.allergens.includes(a));
  return more.length > 0 ? { ...own, allergens: [...own.allergens, ...more] } : own;
}
