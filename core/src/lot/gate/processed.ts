import { type Jarred, PACKED_HOT, processedParts } from '../../formula/index.ts';
import {
  type HeatProcess,
  matchProcesses,
  type ProcessedProduct,
  type ProcessMatch,
} from '../../heat/index.ts';
import { coldestFill, finishedBrix } from '../pan/asMade.ts';
import { asMade, makeupAsMade } from '../pan/made.ts';
import { type BottlingEntry, type LotRecord, standing } from '../record.ts';
import { governingPh } from './governingPh.ts';

/** The bottle that a process is held against. */
interface InBottle {
  closure: string;
  nominalMl: number;
  rated: readonly string[];
  headspaceInches: number | null;
  fillCelsius: number | null;
  heatedIn?: HeatedIn;
}

/** What is in the jars of a lot as made, and how it was packed: a bottle whose filling was read says so itself. */
function jarredAs(lot: LotRecord, { fillCelsius }: InBottle): Jarred {
  const { state, pack, grams } = makeupAsMade(lot);
  const inJar = lot.product.content.steps.some((step) => step.method === 'jar');
  if (fillCelsius === null || inJar) return { state, grams, pack };
  return { state, grams, pack: fillCelsius >= PACKED_HOT ? 'hot' : 'raw' };
}

/** A lot as made, in one kind of bottle: what a heat process is matched against, line by line. */
export const processedProduct = (lot: LotRecord, bottle: InBottle): ProcessedProduct => ({
  kind: lot.product.kind,
  ...processedParts(asMade(lot).lines, jarredAs(lot, bottle)),
  brix: finishedBrix(lot),
  ph: governingPh(lot)?.ph ?? null,
  ...bottle,
});

type HeatedIn = NonNullable<ProcessedProduct['heatedIn']>;

/** A filling's bottle, as a process is held against it. */
export const inBottle = (b: BottlingEntry): InBottle => ({
  closure: b.closure,
  nominalMl: b.nominalMl,
  rated: b.rated,
  headspaceInches: b.headspaceInches,
  fillCelsius: coldestFill(b),
});

/**
 * Processes held against a lot in every kind of bottle it was filled into: what breaks the match in one of them breaks it. The matching
 * ones first, then those with the fewest reasons against them; none before anything is filled.
 * @param elevationMetres of the kitchen, −400 to 5,000; throws RangeError outside;
 * @param heatedIn water or steam; by each process's own method where it is not said
 * @example matchLot([letter], lot, 719)[0].minutes // 15
 */
export function matchLot(
  processes: readonly HeatProcess[],
  lot: LotRecord,
  elevationMetres: number,
  heatedIn?: HeatedIn,
): ProcessMatch[] {
  const byBottle = standing(lot.bottlings).map((b) =>
    matchProcesses(
      processes,
      processedProduct(lot, { ...inBottle(b), ...(heatedIn ? { heatedIn } : {}) }),
      elevationMetres,
    ),
  );
  const [first, ...others] = byBottle;
  if (!first) return [];
  const merged = first.map((match) => {
    const same = others.map((list) => list.find((m) => m.process === match.process)!);
    return { ...match, reasons: [...new Set([match, ...same].flatMap((m) => m.reasons))] };
  });
  return merged.sort((a, b) => a.reasons.length - b.reasons.length);
}
