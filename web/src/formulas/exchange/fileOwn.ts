import type { FileOwn } from '@inch/contract/making/formulaFile';
import type { OwnCatalogue } from '@inch/contract/making/ingredient';
import type { FormulaContent } from '@inch/core/formula';
import {
  type Ingredient,
  type KitchenCatalogue,
  kitchenCatalogue,
  measuredEntry,
  ownEntry,
} from '@inch/core/ingredient';
import { parseQuantity } from '@inch/core/quantity';
import type { Draft } from '../draft.ts';
import { FileProblem } from './problem.ts';

type Figures = FileOwn['figures'][number];
type Measure = FileOwn['measures'][number];

/** The unit that an amount is said in; null where it is none that can be read. */
function unitOf(said: string): string | null {
  try {
    return parseQuantity(said).unit;
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return null;
  }
}

const isSaidIn = ({ name, ingredientId }: Measure, content: FormulaContent): boolean =>
  content.lines.some(
    (line) => (ingredientId === null || ingredientId === line.ingredientId) && unitOf(line.said) === name,
  );

/** What of the kitchen's own a formula uses: its entries as they were entered, and its measures. Nothing of its prices. */
export function ownUsedBy(content: FormulaContent, own: OwnCatalogue | undefined): FileOwn {
  const used = new Set(content.lines.map((line) => line.ingredientId));
  const figures = (own?.entered ?? [])
    .filter((entry) => used.has(entry.ingredientId) && (entry.measured || entry.label))
    .map(({ ingredientId, measured, label }) => ({ ingredientId, measured, label }));
  return { figures, measures: (own?.measures ?? []).filter((measure) => isSaidIn(measure, content)) };
}

/** What comes with a file and this kitchen does not have. */
export interface IncomingOwn {
  /** Things that are in no catalogue here, with the figures of their labels: lines need them. */
  labels: { figures: Figures; entry: Ingredient }[];
  /** What another kitchen measured of a fruit that is known here by its typical figures: may be taken, or not. */
  measured: { figures: Figures; name: string }[];
  measures: Measure[];
  /** The catalogue as it will be with the things from labels. */
  catalogue: KitchenCatalogue;
}

function entryOf({ ingredientId, label, measured }: Figures, catalogue: KitchenCatalogue): Ingredient | null {
  try {
    if (label) return ownEntry({ ...label, id: ingredientId });
    const known = catalogue.find(ingredientId);
    return measured && known ? measuredEntry(known, measured) : null;
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    throw new FileProblem(null, `The figures of "${ingredientId}" in it cannot be: ${error.message}.`);
  }
}

const sameMeasure = (a: Measure, b: Measure) => a.name === b.name && a.ingredientId === b.ingredientId;

/** Lays what a file brings of its kitchen's own beside what this kitchen has: what is here stays as it is. */
export function incomingOwn(own: FileOwn, catalogue: KitchenCatalogue): IncomingOwn {
  const labels: IncomingOwn['labels'] = [];
  const measured: IncomingOwn['measured'] = [];
  for (const figures of own.figures) {
    const known = catalogue.find(figures.ingredientId);
    const entry = entryOf(figures, catalogue);
    if (!entry) continue;
    if (figures.label && !known) labels.push({ figures, entry });
    if (!figures.label && known && !known.own) measured.push({ figures, name: known.name });
  }
  const mine = catalogue.all.filter((entry) => entry.own);
  const measures = own.measures.filter((measure) => !catalogue.measures.some((m) => sameMeasure(m, measure)));
  return {
    labels,
    measured,
    measures,
    catalogue: kitchenCatalogue({
      ingredients: [...mine, ...labels.map(({ entry }) => entry)],
      measures: [...catalogue.measures, ...measures],
    }),
  };
}

/** The formula as our own open file has it, with what it uses of the kitchen's own. */
export function formulaFileOf(draft: Draft, own: OwnCatalogue | undefined) {
  const { own: _, ...content } = draft.content;
  return {
    format: 'inch-pantry formula',
    version: 1,
    name: draft.name || 'Without a name',
    kind: draft.kind,
    colour: draft.colour,
    note: draft.note,
    content,
    own: ownUsedBy(content, own),
  };
}
