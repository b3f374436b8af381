import { type FormulaContent, type FormulaLine, lineKey, type ReadListLine } from '@inch/core/formula';
import type { KitchenCatalogue } from '@inch/core/ingredient';
import {
  type Keeps,
  type PlacedWord,
  partsOfText,
  type RecipeDocument,
  type RecipeLine,
  type RecipeRead,
  type RecipeStep,
  readDocument,
} from '@inch/core/recipe';
import type { Draft } from '../draft.ts';
import type { IncomingOwn } from './fileOwn.ts';
import { FileProblem } from './problem.ts';

/** What a file or a text was read as: lines understood or queried, and the rest of a formula where it has one. */
export interface Incoming {
  lines: RecipeLine[];
  /** Ready lines of a formula, by the same places as `lines`. */
  formulaLines: FormulaLine[];
  name?: string;
  kind?: Draft['kind'];
  colour?: string;
  content?: Omit<FormulaContent, 'lines'>;
  /** Steps beside the words they were read from. */
  steps?: RecipeStep[];
  /** How long the recipe says that it keeps. */
  keeps?: Keeps;
  /** The text as it was parted: a line of it may be changed and read again. */
  document?: RecipeDocument;
  /** What is neither line nor step: it goes with the formula as its note. */
  note?: string;
  /** The text as it was pasted, with where each of its words stands. */
  pasted?: { text: string; words: readonly PlacedWord[]; as: 'recipe' | 'account' };
  /** What a formula file brings of its kitchen's own, and this kitchen does not have. */
  own?: IncomingOwn;
}

export const formulaLineOf = (line: RecipeLine | ReadListLine): FormulaLine => ({
  id: lineKey(line),
  said: line.said,
  ingredientId: line.ingredientId,
  ...('stepId' in line && line.stepId ? { stepId: line.stepId } : {}),
  ...('heading' in line && line.heading ? { heading: line.heading.slice(0, 60) } : {}),
  ...(line.basis ? { basis: line.basis } : {}),
  ...(line.alternatives.length > 0 ? { or: line.alternatives } : {}),
  ...(line.optional ? { optional: true } : {}),
});

/** A formula holds this many steps at the most. */
const MOST_STEPS = 40;

/** Lines and steps that were read, as a formula has them. */
export function incomingRead(read: RecipeRead): Incoming {
  const { name, lines, steps, storage, keeps } = read;
  const kept = steps.slice(0, MOST_STEPS);
  return {
    lines,
    formulaLines: lines.map(formulaLineOf),
    steps: kept,
    ...(name ? { name } : {}),
    ...(keeps ? { keeps } : {}),
    ...(kept.length > 0 ? { content: { steps: kept.map(({ step }) => step), storage, bottleMl: 250 } } : {}),
  };
}

/** A recipe parted into list and method, read. */
export function incomingDocument(
  document: RecipeDocument,
  catalogue: KitchenCatalogue,
  text?: string,
): Incoming {
  const read = readDocument(document, catalogue, text);
  return {
    ...incomingRead(read),
    document,
    ...(text === undefined ? {} : { pasted: { text, words: read.words, as: 'recipe' } }),
    ...(read.others.length > 0 ? { note: read.others.join('\n') } : {}),
  };
}

/** A pasted list, or a whole recipe with its method. */
export function incomingText(text: string, catalogue: KitchenCatalogue): Incoming {
  const document = partsOfText(text);
  if (document.ingredients.length === 0)
    throw new FileProblem(null, 'There is no line in it that could be an ingredient. Paste one to a line.');
  return incomingDocument(document, catalogue, text);
}
