import type { Ingredient } from './ingredient.ts';
import { dissolvesWhole } from './piece.ts';

/** Percent by weight from which a spirit is strong enough that nothing lives in it. */
const STRONG = 15;
/** g of water in 100 g up to which sugar or crystals are dry. */
const DRY = 10;
/** The same up to which a spice, a leaf or a flower is dried. */
const DRY_SPICE = 15;

/** Families of crystals, where they are dry. */
const CRYSTALS = ['sugar', 'sweetener', 'acid', 'preservative'];

/**
 * Whether an ingredient brings in germs that only heat kills: put in after the last heating, it makes the whole never heated.
 * Dry sugar, sweetener, crystals, salts, spirit and what its maker distilled, boiled or pasteurised do not; what is not known does.
 * @example bringsGerms(catalogue.get('orange-juice')) // true
 */
export function bringsGerms(entry: Ingredient): boolean {
  if (entry.leftFrom && !entry.leftFrom.heated) return true;
  if (entry.heated) return false;
  const dry = entry.per100g.water <= DRY && !entry.liquid;
  if (CRYSTALS.includes(entry.family)) return !dry;
  if (isMineral(entry)) return false;
  return !(entry.family === 'spirit' && entry.per100g.ethanol >= STRONG);
}

/** Salt, soda and chalk: what dissolves whole and is neither plant nor starch. */
const isMineral = (entry: Ingredient): boolean =>
  dissolvesWhole(entry) && ['neutral', 'salt'].includes(entry.acidity.kind);

/**
 * Whether an ingredient is a dried spice, leaf or flower: of little of it that goes in after the heat nothing is feared in a sour product.
 * @example isDriedSpice(catalogue.get('clove')) // true
 */
export const isDriedSpice = (entry: Ingredient): boolean =>
  !entry.liquid && ['plant', 'flavouring'].includes(entry.family) && entry.per100g.water <= DRY_SPICE;

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
