import type { ProcessedProduct } from '../heat/index.ts';
import { coldestFill, finishedBrix, governingPh, samplesAsked } from './asMade.ts';
import { catalogueOf } from './catalogue.ts';
import { type LotRecord, standing } from './record.ts';

/** The bottle that a process is held against. */
export interface InBottle {
  closure: string;
  nominalMl: number;
  rated: readonly string[];
  headspaceInches: number | null;
  fillCelsius: number | null;
}

const THICKENS = /pectin|gum\b|starch|agar|gelatin/i;

/** A lot as made, in one kind of bottle: what a heat process is matched against, line by line. */
export function processedProduct(lot: LotRecord, bottle: InBottle): ProcessedProduct {
  const catalogue = catalogueOf(lot);
  const made = [
    ...new Set(
      standing(lot.additions)
        .filter((a) => a.grams > 0)
        .map((a) => a.ingredientId),
    ),
  ].map((id) => catalogue.get(id));
  const acid = (e: (typeof made)[number]) => e.family === 'acid' || /lemon-juice$/.test(e.id);
  const thickener = (e: (typeof made)[number]) => THICKENS.test(e.name);
  const fruits = made.filter((e) => !['sugar', 'water'].includes(e.family) && !acid(e) && !thickener(e));
  return {
    kind: lot.product.kind,
    fruits: [...new Set(fruits.map((e) => e.formOf ?? e.id))],
    acids: made.filter(acid).map((e) => e.id),
    thickeners: made.filter(thickener).map((e) => e.name.toLowerCase()),
    pieces: samplesAsked(lot) !== null,
    brix: finishedBrix(lot),
    ph: governingPh(lot)?.ph ?? null,
    ...bottle,
  };
}

/** The kind of bottle a lot was filled into last, as a process is held against it; null before it is filled. */
export function lastBottle(
  lot: LotRecord,
  rated: (containerId: string) => readonly string[],
): InBottle | null {
  const b = standing(lot.bottlings).at(-1);
  if (!b) return null;
  return {
    closure: b.closure,
    nominalMl: b.nominalMl,
    rated: rated(b.containerId),
    headspaceInches: b.headspaceInches,
    fillCelsius: coldestFill(b),
  };
}
