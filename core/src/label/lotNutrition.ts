import { amountsOf, readLine, walk } from '../formula/index.ts';
import { catalogueOf, contentAsWeighed, type LotRecord, weighingOf } from '../lot/index.ts';
import type { CupSchool } from '../quantity/index.ts';
import { type Nutrition, nutrition } from './nutrition.ts';

/** mL of the drink that a United States serving of a concentrate makes. */
const DRINK = 360;

/** mL of a serving: what makes 360 mL of the drink where a cordial, shrub or concentrate is diluted as said, else a syrup's 30. Source: 21 CFR 101.12(b), beverages and syrups. */
function servingOf({ product, rulePack }: LotRecord): { servingMl?: number } {
  const parts = product.content.waterParts;
  return rulePack === 'us' && product.kind !== 'syrup' && parts ? { servingMl: DRINK / (1 + parts) } : {};
}

/**
 * Nutrition of a lot as made: what was weighed in, less what stayed in the cloth and boiled off, by the lot's own rule pack.
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
  if (!(walked.millilitres > 0) || lines.length === 0) return null;
  return nutrition({
    ...{ lines, millilitres: walked.millilitres, product: walked.product, pack: lot.rulePack },
    ...{ catalogue: catalogueOf(lot), ...servingOf(lot) },
  });
}
