import type { Composition } from '../formula/index.ts';
import type { Ingredient, KitchenCatalogue } from '../ingredient/index.ts';
import { densityAt20 } from '../sugar/index.ts';
import { LEAST_BRIX } from './figures.ts';
import type { StatementLine } from './line.ts';

/** Least °Bx where the rule has none for a fruit: the juice as it comes, of ordinary ripeness. */
const USUAL_BRIX = 11;

/** Juice in g per 100 g of fruit whose acids are the measure, not its sugar: lemon and lime by their anhydrous citric acid. */
const BY_ACID: ReadonlySet<string> = new Set(['lemon', 'lime']);

const fruitOf = (entry: Ingredient): string =>
  Object.keys({ ...LEAST_BRIX, lemon: 0, lime: 0 })
    .sort((a, b) => b.length - a.length)
    .find((fruit) => [entry.id, entry.formOf ?? ''].some((id) => id === fruit || id.includes(fruit))) ?? '';

/** Dissolved solids of 100 g of a fruit or juice, g. */
const solidsOf = ({ per100g }: Ingredient): number =>
  Math.max(0, 100 - per100g.water - per100g.insoluble - per100g.ethanol);

const wholeJuice = (entry: Ingredient, grams: number): { grams: number; density: number } => {
  const fruit = fruitOf(entry);
  const brix = LEAST_BRIX[fruit] ?? USUAL_BRIX;
  // Sour citrus counts as the juice that it is; dried or reduced it would ask for its acid to be measured.
  if (BY_ACID.has(fruit)) return { grams: grams * (1 - entry.per100g.insoluble / 100), density: 1.03 };
  return { grams: (grams * solidsOf(entry)) / brix, density: densityAt20(brix) };
};

/**
 * Percentage of juice by volume of a drink, from the dissolved solids that its fruit left in the product over the least °Bx of a whole juice; rounded down.
 * @param of lines in g; other dissolved solids of the product and of all that went in, so that what stayed in a cloth does not count; mL of product at 20 °C; parts of water it is drunk with
 * @returns % by volume of the drink as it is prepared, unrounded; 0 without fruit
 * Source: 21 CFR 101.30(h)(1), (j).
 * @example Math.round(juicePercent({ lines: [{ ingredientId: 'apple-juice', grams: 1000 }], kept: 1, millilitres: 955, waterParts: 0 }, catalogue)) >= 90 // true
 */
export function juicePercent(
  of: { lines: readonly StatementLine[]; kept: number; millilitres: number; waterParts: number },
  catalogue: KitchenCatalogue,
): number {
  if (!(of.millilitres > 0)) return 0;
  const millilitres = of.lines.reduce((sum, { ingredientId, grams }) => {
    const entry = catalogue.get(ingredientId);
    if (grams <= 0 || (entry.family !== 'fruit' && entry.family !== 'juice')) return sum;
    const juice = wholeJuice(entry, grams * of.kept);
    return sum + juice.grams / juice.density;
  }, 0);
  return Math.min(100, (100 * millilitres) / (of.millilitres * (1 + of.waterParts)));
}

/** Share of what dissolves of fruit that is in the product, 0–1. */
export const keptOf = (product: Composition, batch: Composition): number =>
  batch.otherSolids > 0 ? Math.min(1, product.otherSolids / batch.otherSolids) : 1;
