import {
  type FormulaContent,
  type FormulaLine,
  lineKey,
  type ReadListLine,
  readIngredientList,
} from '@inch/core/formula';
import type { KitchenCatalogue } from '@inch/core/ingredient';
import type { Draft } from '../draft.ts';
import type { IncomingOwn } from './fileOwn.ts';
import { FileProblem } from './problem.ts';

/** What a file or a list was read as: lines understood or queried, and the rest of a formula where the file has one. */
export interface Incoming {
  lines: ReadListLine[];
  /** Ready lines of a formula, by the same places as `lines`. */
  formulaLines: FormulaLine[];
  name?: string;
  kind?: Draft['kind'];
  colour?: string;
  content?: Omit<FormulaContent, 'lines'>;
  /** What a formula file brings of its kitchen's own, and this kitchen does not have. */
  own?: IncomingOwn;
}

export const formulaLineOf = (line: ReadListLine): FormulaLine => ({
  id: lineKey(line),
  said: line.said,
  ingredientId: line.ingredientId,
  ...(line.basis ? { basis: line.basis } : {}),
  ...(line.alternatives.length > 0 ? { or: line.alternatives } : {}),
  ...(line.optional ? { optional: true } : {}),
});

/** A pasted list, line by line. */
export function incomingList(text: string, catalogue: KitchenCatalogue): Incoming {
  const lines = readIngredientList(text, catalogue);
  if (lines.length === 0)
    throw new FileProblem(null, 'There is no line in it that could be an ingredient. Paste one to a line.');
  return { lines, formulaLines: lines.map(formulaLineOf) };
}
