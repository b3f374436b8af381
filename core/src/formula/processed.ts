import { type HeatProcess, matchProcesses, type ProcessedProduct, type ProcessMatch } from '../heat/index.ts';
import type { Ingredient } from '../ingredient/index.ts';
import type { LineAmount } from './amounts.ts';
import type { FormulaContent, FormulaKind } from './content.ts';

const THICKENS = /pectin|gum\b|starch|agar|gelatin/i;
const isAcid = (e: Ingredient): boolean => e.family === 'acid' || /lemon-juice$/.test(e.id);
const thickens = (e: Ingredient): boolean => THICKENS.test(e.name);

/**
 * What a heat process is held against of what goes into a product, the same of a formula and of a lot as made: its flavourings, acids,
 * thickeners and pieces.
 * @example processedParts(forecast(cherry, setting).lines, false).fruits // ['sour-cherry']
 */
export function processedParts(
  lines: readonly LineAmount[],
  pieces: boolean,
): Pick<ProcessedProduct, 'fruits' | 'acids' | 'thickeners' | 'pieces'> {
  const entries = [...new Set(lines.flatMap((line) => (line.ingredient ? [line.ingredient] : [])))];
  const fruits = entries.filter((e) => !['sugar', 'water'].includes(e.family) && !isAcid(e) && !thickens(e));
  return {
    fruits: [...new Set(fruits.map((e) => e.formOf ?? e.id))],
    acids: entries.filter(isAcid).map((e) => e.id),
    thickeners: entries.filter(thickens).map((e) => e.name.toLowerCase()),
    pieces,
  };
}

/** What a formula is held against a process with: its lines, and what of it is forecast. */
export interface FormulaToProcess {
  content: FormulaContent;
  lines: readonly LineAmount[];
  pieces: boolean;
  brix: number;
  ph: number | null;
  /** Absent where nobody said: it is then not held against the process. */
  kind: FormulaKind | undefined;
  elevationMetres: number;
}

/**
 * Processes held against a formula in two-piece jars of its size, in the order given.
 * @example matchFormula([letter], { content: cherry, lines: forecast(cherry, setting).lines, pieces: false, brix: 50, ph: 3.4, kind: 'syrup', elevationMetres: 719 })[0].reasons // []
 */
export function matchFormula(
  processes: readonly HeatProcess[],
  { content, lines, pieces, brix, ph, kind, elevationMetres }: FormulaToProcess,
): ProcessMatch[] {
  return processes.flatMap((process) =>
    matchProcesses(
      [process],
      {
        kind: kind ?? process.products[0] ?? '',
        ...processedParts(lines, pieces),
        brix,
        ph,
        closure: 'two-piece-lid',
        nominalMl: content.bottleMl,
        fillCelsius: process.hotFill?.celsius ?? null,
      },
      elevationMetres,
    ),
  );
}
