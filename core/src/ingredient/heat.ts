import type { Ingredient } from './types.ts';

/** Percent by weight from which a spirit is strong enough that nothing lives in it. */
const STRONG = 30;
/** g of water in 100 g up to which sugar or crystals are dry. */
const DRY = 10;

/**
 * Whether an ingredient brings in germs that only heat kills: put in after the last heating, it makes the whole never heated.
 * Dry sugar, crystals, salt, strong spirit and what its maker boiled or pasteurised do not; what is not known does.
 * @example bringsGerms(catalogue.get('orange-juice')) // true
 */
export function bringsGerms(entry: Ingredient): boolean {
  if (entry.heated) return false;
  const dry = entry.per100g.water <= DRY && !entry.liquid;
  if (['sugar', 'acid', 'preservative'].includes(entry.family) || entry.id === 'salt') return !dry;
  return !(entry.family === 'spirit' && entry.per100g.ethanol >= STRONG);
}

/**
 * Whether an ingredient has to be boiled for a minute whatever else is done: frozen fruit, and what is poisonous raw.
 * @example mustBoil(catalogue.get('frozen-raspberry')) // true
 */
export const mustBoil = (entry: Ingredient): boolean =>
  entry.frozen === true || entry.poisonousRaw === true || entry.formOf === 'elderberry';

/**
 * Whether an ingredient is put in for its acid: crystals, vinegars, lemon and lime juice.
 * @example isAcidifier(catalogue.get('cider-vinegar')) // true
 */
export const isAcidifier = ({ family, id, formOf }: Pick<Ingredient, 'family' | 'id' | 'formOf'>): boolean =>
  family === 'acid' || family === 'vinegar' || /(?:lemon|lime)-juice$/.test(formOf ?? id);
