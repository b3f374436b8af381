import type { Ingredient, KitchenCatalogue } from '../ingredient/index.ts';
import type { StatementLine } from './line.ts';

/** How much of an ingredient is in what is sold, as its quantity is declared. */
export interface Quantity {
  name: string;
  /** % of the product; null where more than 100 g went into 100 g of it. */
  percent: number | null;
  /** g used for 100 g of the product, where that is how it is said. */
  per100g: number | null;
  ingredientIds: string[];
}

/** A word without its ending, so that cherry and cherries are one. */
const stem = (word: string): string => word.replace(/(ies|es|s|y|e)$/, '');
const stemsOf = (text: string): string[] => (text.toLowerCase().match(/\p{L}+/gu) ?? []).map(stem);

/** Words that name no ingredient by themselves. */
const TELLS_NOTHING: ReadonlySet<string> = new Set(
  stemsOf('juice dried water extract syrup fresh sour sweet black white green red bitter raw'),
);

const named = (entry: Ingredient, name: string): boolean => {
  const said = new Set(stemsOf(name));
  return stemsOf(entry.labelName).some((word) => !TELLS_NOTHING.has(word) && said.has(word));
};

const OF_FRUIT: ReadonlySet<Ingredient['family']> = new Set(['fruit', 'juice']);
/** % under which fruit that the name does not name is taken to be there for its taste alone, Annex VIII 1(a)(iii); the rule has no figure, this one is ours. */
const FOR_TASTE = 5;
const NAMEABLE: ReadonlySet<Ingredient['family']> = new Set([
  'fruit',
  'juice',
  'plant',
  'flavouring',
  'vinegar',
  'spirit',
]);

/**
 * Quantities of the ingredients that the name or picture stresses: the fruit, and whatever the product is named after.
 * As weighed in, over the product as it came out where that weighs less than what went in; as g for 100 g where the sum passes 100 %.
 * @param of lines in g, g of the finished product, name of the food
 * Source: Reg. 1169/2011 Article 22 and Annex VIII (3, 4).
 * @example quantitiesOf({ lines: [{ ingredientId: 'damson', grams: 500 }, { ingredientId: 'sugar', grams: 500 }], finishedGrams: 1000, name: 'Damson cordial' }, catalogue)[0].percent // 50
 */
export function quantitiesOf(
  of: { lines: readonly StatementLine[]; finishedGrams: number; name: string },
  catalogue: KitchenCatalogue,
): Quantity[] {
  const total = of.lines.reduce((sum, l) => sum + l.grams, 0);
  // What was lost raises the share; what a scale makes heavier than what went in does not lower it.
  const base = of.finishedGrams > 0 ? Math.min(total, of.finishedGrams) : total;
  const byName = new Map<string, { grams: number; ids: string[] }>();
  for (const { ingredientId, grams } of of.lines) {
    const entry = catalogue.get(ingredientId);
    const stressed = NAMEABLE.has(entry.family) && named(entry, of.name);
    const asked = stressed || (OF_FRUIT.has(entry.family) && (100 * grams) / base >= FOR_TASTE);
    if (grams <= 0 || !asked) continue;
    const part = byName.get(entry.labelName) ?? { grams: 0, ids: [] };
    part.grams += grams;
    if (!part.ids.includes(entry.id)) part.ids.push(entry.id);
    byName.set(entry.labelName, part);
  }
  const parts = [...byName].map(([name, { grams, ids }]) => ({
    name,
    share: (100 * grams) / base,
    ingredientIds: ids,
  }));
  const over = parts.reduce((sum, p) => sum + p.share, 0) > 100 + 1e-9;
  return parts
    .sort((a, b) => b.share - a.share || a.name.localeCompare(b.name, 'en'))
    .map(({ name, share, ingredientIds }) => ({
      name,
      ingredientIds,
      percent: over ? null : share,
      per100g: over ? share : null,
    }));
}

/** A share as it is printed: whole from 2 % on, to a tenth under it. */
export const shareSaid = (share: number): string =>
  share >= 2 ? String(Math.round(share)) : share.toFixed(1);
