import { type Allergen, type KitchenCatalogue, shippedCatalogue } from '../ingredient/index.ts';
import { type RulePackId, rulePacks } from './packs.ts';

export interface StatementLine {
  ingredientId: string;
  grams: number;
}

export interface StatementPart {
  name: string;
  grams: number;
  percent: number;
  ingredientIds: string[];
}

/**
 * Ingredient statement: common names, descending by weight as added, like names joined.
 * @param lines catalogue ids and grams as they went in (0 is left out); @param catalogue the kitchen's, the shipped one without it; @returns the text and the parts it came from
 * @throws RangeError on an unknown ingredient or a negative weight. Source: 21 CFR 101.4; Reg. 1169/2011 Article 18.
 * @example ingredientStatement([{ ingredientId: 'sugar', grams: 2000 }, { ingredientId: 'sour-cherry', grams: 4000 }]).text // 'sour cherries, sugar'
 */
export function ingredientStatement(
  lines: readonly StatementLine[],
  catalogue: KitchenCatalogue = shippedCatalogue,
): {
  text: string;
  parts: StatementPart[];
} {
  const byName = new Map<string, StatementPart>();
  let total = 0;
  for (const line of lines) {
    if (!(line.grams >= 0)) throw new RangeError(`${line.grams} g is not a weight`);
    if (line.grams === 0) continue;
    const name = catalogue.get(line.ingredientId).labelName;
    const part = byName.get(name) ?? { name, grams: 0, percent: 0, ingredientIds: [] };
    part.grams += line.grams;
    if (!part.ingredientIds.includes(line.ingredientId)) part.ingredientIds.push(line.ingredientId);
    byName.set(name, part);
    total += line.grams;
  }
  const parts = [...byName.values()]
    .map((part) => ({ ...part, percent: (100 * part.grams) / total }))
    .sort((a, b) => b.grams - a.grams || a.name.localeCompare(b.name));
  return { text: parts.map((part) => part.name).join(', '), parts };
}

/**
 * Allergens of what went in that a rule pack has declared, in the pack's order.
 * @example allergensIn([{ ingredientId: 'sugar', grams: 2000 }], 'eu') // []
 */
export function allergensIn(
  lines: readonly StatementLine[],
  pack: RulePackId,
  catalogue: KitchenCatalogue = shippedCatalogue,
): Allergen[] {
  const found = new Set(
    lines.filter((l) => l.grams > 0).flatMap((l) => catalogue.get(l.ingredientId).allergens),
  );
  return rulePacks[pack].allergens.filter((allergen) => found.has(allergen));
}
