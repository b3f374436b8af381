import {
  type Allergen,
  type Ingredient,
  type KitchenCatalogue,
  shippedCatalogue,
} from '../ingredient/index.ts';
import { SULPHITES } from './figures.ts';
import type { StatementLine } from './line.ts';
import { type RulePackId, rulePacks } from './packs.ts';

/** mg/kg of total sulphur dioxide from which sulphites are declared. Source: 21 CFR 101.100(a)(4); Reg. 1169/2011 Annex II (12). */
export const SULPHITES_DECLARED = 10;

/**
 * Total sulphur dioxide of a product at the most, mg/kg: as it went in, none of it lost in the pan; null where something is said to carry sulphites and how much is not known.
 * @param lines catalogue ids and grams; @param finishedGrams g of the product they came to; all that went in where it is not known
 * @example sulphitesPpm([{ ingredientId: 'bottled-lemon-juice', grams: 10 }, { ingredientId: 'sugar', grams: 990 }]) // 8
 */
export function sulphitesPpm(
  lines: readonly StatementLine[],
  catalogue: KitchenCatalogue = shippedCatalogue,
  finishedGrams: number = lines.reduce((sum, l) => sum + l.grams, 0),
): number | null {
  let mg = 0;
  for (const { ingredientId, grams } of lines) {
    if (grams <= 0) continue;
    const { id, formOf, allergens } = catalogue.get(ingredientId);
    if (!allergens.includes('sulphites')) continue;
    const ppm = SULPHITES[id] ?? SULPHITES[formOf ?? ''];
    if (ppm === undefined) return null;
    mg += (ppm * grams) / 1000;
  }
  return finishedGrams > 0 ? (1000 * mg) / finishedGrams : 0;
}

/** Nuts that are named by their kind, as they are found in a name. Source: FALCPA, 21 USC 321(qq); Reg. 1169/2011 Annex II (8). */
const NUTS: readonly [RegExp, string][] = [
  [/\balmonds?\b|\bamaretto\b|\bmarzipan\b|\borgeat\b/i, 'almonds'],
  [/\bhazelnuts?\b|\bfilberts?\b|\bcobnuts?\b/i, 'hazelnuts'],
  [/\bwalnuts?\b|\bnocino\b/i, 'walnuts'],
  [/\bcashews?\b/i, 'cashews'],
  [/\bpecans?\b/i, 'pecans'],
  [/\bbrazil nuts?\b/i, 'Brazil nuts'],
  [/\bpistachios?\b/i, 'pistachios'],
  [/\bmacadamias?\b|\bqueensland nuts?\b/i, 'macadamias'],
  [/\bpine nuts?\b|\bpignolias?\b/i, 'pine nuts'],
  [/\bchestnuts?\b/i, 'chestnuts'],
  [/\bcoconuts?\b/i, 'coconut'],
];

/**
 * Kinds of nut in an ingredient by its names; empty where none is named.
 * @example nutsIn({ name: 'Almond extract', labelName: 'almond extract' }) // ['almonds']
 */
export const nutsIn = ({ name, labelName }: Pick<Ingredient, 'name' | 'labelName'>): string[] =>
  NUTS.filter(([found]) => found.test(`${name} ${labelName}`)).map(([, nut]) => nut);

const isOf = (entry: Ingredient, allergen: Allergen): boolean => entry.allergens.includes(allergen);

/** An allergen that is to be declared, with the kinds of nut and the ingredients that bring it. */
export interface Declared {
  allergen: Allergen;
  /** Kinds of nut, in the order in which they were found; empty for all else, and where the kind is not named. */
  nuts: string[];
  ingredientIds: string[];
}

/**
 * Allergens of what went in that a rule pack has declared, in the pack's order, nuts by their kind; sulphites only from 10 mg/kg of the product on.
 * @param finishedGrams g of the product; all that went in where it is not known
 * @throws RangeError on an unknown ingredient. Source: 21 USC 343(w); Reg. 1169/2011 Article 21 and Annex II.
 * @example declaredAllergens([{ ingredientId: 'almond', grams: 10 }], 'us')[0].nuts // ['almonds']
 */
export function declaredAllergens(
  lines: readonly StatementLine[],
  pack: RulePackId,
  catalogue: KitchenCatalogue = shippedCatalogue,
  finishedGrams?: number,
): Declared[] {
  const went = lines.filter((l) => l.grams > 0).map((l) => catalogue.get(l.ingredientId));
  const ppm = sulphitesPpm(lines, catalogue, finishedGrams);
  return rulePacks[pack].allergens.flatMap((allergen) => {
    const of = went.filter((entry) => isOf(entry, allergen));
    if (of.length === 0) return [];
    if (allergen === 'sulphites' && ppm !== null && ppm < SULPHITES_DECLARED) return [];
    const nuts = allergen === 'tree-nuts' ? [...new Set(of.flatMap(nutsIn))] : [];
    return [{ allergen, nuts, ingredientIds: [...new Set(of.map((entry) => entry.id))] }];
  });
}

/**
 * Allergens of what went in that a rule pack has declared, in the pack's order.
 * @example allergensIn([{ ingredientId: 'sugar', grams: 2000 }], 'eu') // []
 */
export const allergensIn = (
  lines: readonly StatementLine[],
  pack: RulePackId,
  catalogue: KitchenCatalogue = shippedCatalogue,
  finishedGrams?: number,
): Allergen[] => declaredAllergens(lines, pack, catalogue, finishedGrams).map((d) => d.allergen);
