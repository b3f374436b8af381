import { amountsOf, type FormulaContent, readLine, type SaidLine, walk } from '../formula/index.ts';
import type { Ingredient } from '../ingredient/index.ts';
import {
  catalogueOf,
  contentAsWeighed,
  finishedBrix,
  type LotRecord,
  productAt,
  weighingOf,
} from '../lot/index.ts';
import type { CupSchool } from '../quantity/index.ts';
import { addsSugar, type Nutrition, nutrition } from './nutrition.ts';

/** mL of the drink that a United States serving of a concentrate makes. */
const DRINK = 360;

/** mL of a serving: what makes 360 mL of the drink where a cordial, shrub or concentrate is diluted as said, else a syrup's 30. Source: 21 CFR 101.12(b), beverages and syrups. */
function servingOf({ product, rulePack }: LotRecord): { servingMl?: number } {
  const parts = product.content.waterParts;
  return rulePack === 'us' && product.kind !== 'syrup' && parts ? { servingMl: DRINK / (1 + parts) } : {};
}

/** Entries of no sugars of their own: what is sugar in them counts among the other solids. */
const sugarless = new WeakMap<Ingredient, Ingredient>();
function withoutSugars(entry: Ingredient): Ingredient {
  const made = sugarless.get(entry) ?? {
    ...entry,
    per100g: { ...entry.per100g, sucrose: 0, glucose: 0, fructose: 0 },
  };
  sugarless.set(entry, made);
  return made;
}

/** g of added sugars in the product: the same walk, with no sugars but those that were added. What went in after a cloth lost nothing in it. */
function addedIn(content: FormulaContent, said: readonly SaidLine[], elevationMetres: number): number {
  const lines = said.map((line) =>
    line.ingredient && !addsSugar(line.ingredient)
      ? { ...line, ingredient: withoutSugars(line.ingredient) }
      : line,
  );
  const { sucrose, glucose, fructose } = walk(content, lines, { elevationMetres, untold: true }).product;
  return sucrose + glucose + fructose;
}

/**
 * Nutrition of a lot as made: what was weighed in, less what stayed in the cloth and boiled off, at the °Bx measured in the finished product where there is one; by the lot's own rule pack.
 * @param cup school of cups it was begun under
 * @returns null before anything is in
 * @example lotNutrition({ ...lot, additions: [] }, 'us') === null // false
 */
export function lotNutrition(lot: LotRecord, cup: CupSchool | null): Nutrition | null {
  const weighing = weighingOf(lot, cup);
  const content = contentAsWeighed(lot, cup);
  const said = content.lines.map((line) => readLine(line, weighing));
  const walked = walk(content, said, { elevationMetres: lot.elevationMetres });
  const lines = amountsOf(said, walked).flatMap(({ ingredient, used }) =>
    ingredient && used !== null ? [{ ingredientId: ingredient.id, grams: used }] : [],
  );
  const measuredBrix = finishedBrix(lot);
  const { composition: product, millilitres } = productAt(walked.product, measuredBrix);
  if (!(millilitres > 0) || lines.length === 0) return null;
  return nutrition({
    lines,
    millilitres,
    product,
    pack: lot.rulePack,
    measuredBrix: product === walked.product ? null : measuredBrix,
    addedSugars: addedIn(content, said, lot.elevationMetres),
    catalogue: catalogueOf(lot),
    ...servingOf(lot),
  });
}
