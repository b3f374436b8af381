import {
  type HeatProcess,
  matchProcesses,
  type Pack,
  type ProcessedProduct,
  type ProcessMatch,
  type ProductState,
} from '../../heat/index.ts';
import { type Ingredient, isAcidifier } from '../../ingredient/index.ts';
import type { LineAmount } from '../amounts.ts';
import type { FormulaContent, FormulaKind } from '../content.ts';

const THICKENS = /pectin|gum\b|starch|agar|gelatin/i;
/** What a process names it by: the fresh thing of a frozen or dried one. */
const named = (e: Ingredient): string => e.formOf ?? e.id;
const thickens = (e: Ingredient): boolean => THICKENS.test(e.name);

/** g of each acid in a kg of the product. */
function acidPerKg(lines: readonly LineAmount[], grams: number): Record<string, number> {
  const of: Record<string, number> = {};
  for (const { ingredient, used } of lines)
    if (ingredient && used !== null && grams > 0 && isAcidifier(ingredient))
      of[ingredient.id] = (of[ingredient.id] ?? 0) + (1000 * used) / grams;
  return of;
}

/** What is in the jar, how it was packed and what it weighs, g. */
export interface Jarred {
  state: ProductState;
  pack: Pack;
  grams: number;
}

/**
 * What a heat process is held against of what goes into a product, the same of a formula and of a lot as made: its flavourings, acids,
 * thickeners, what is in the jar and how it was packed.
 * @example processedParts(forecast(cherry, setting).lines, { state: 'strained', pack: 'hot', grams: 5000 }).fruits // ['sour-cherry']
 */
export function processedParts(
  lines: readonly LineAmount[],
  { state, pack, grams }: Jarred,
): Omit<ProcessedProduct, 'kind' | 'closure' | 'nominalMl'> {
  const entries = [...new Set(lines.flatMap((line) => (line.ingredient ? [line.ingredient] : [])))];
  const fruits = entries.filter(
    (e) => !['sugar', 'water'].includes(e.family) && !isAcidifier(e) && !thickens(e),
  );
  return {
    fruits: [...new Set(fruits.map(named))],
    notFruit: fruits.filter((e) => e.family !== 'fruit' && e.family !== 'juice').map(named),
    lowAcid: fruits.filter((e) => e.lowAcid).map(named),
    acids: entries.filter(isAcidifier).map((e) => e.id),
    acidPerKg: acidPerKg(lines, grams),
    thickeners: entries.filter(thickens).map((e) => e.name.toLowerCase()),
    state,
    pack,
  };
}

/** What a formula is held against a process with: its lines, and what of it is forecast. */
export interface FormulaToProcess {
  content: FormulaContent;
  lines: readonly LineAmount[];
  jarred: Jarred;
  brix: number;
  ph: number | null;
  /** Absent where nobody said: it is then not held against the process. */
  kind: FormulaKind | undefined;
  elevationMetres: number;
}

/**
 * Processes held against a formula in two-piece jars of its size, filled as each asks, in the order given.
 * @example matchFormula([letter], { content: cherry, lines: forecast(cherry, setting).lines, jarred: { state: 'strained', pack: 'hot', grams: 5000 }, brix: 50, ph: 3.4, kind: 'syrup', elevationMetres: 719 })[0].reasons // []
 */
export function matchFormula(
  processes: readonly HeatProcess[],
  { content, lines, jarred, brix, ph, kind, elevationMetres }: FormulaToProcess,
): ProcessMatch[] {
  return processes.flatMap((process) =>
    matchProcesses(
      [process],
      {
        kind: kind ?? process.products[0] ?? '',
        ...processedParts(lines, jarred),
        brix,
        ph,
        closure: 'two-piece-lid',
        nominalMl: content.bottleMl,
        headspaceInches: process.headspaceInches,
        fillCelsius: process.hotFill?.celsius ?? null,
      },
      elevationMetres,
    ),
  );
}
