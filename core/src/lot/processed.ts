import { type Jarred, PACKED_HOT, processedParts } from '../formula/index.ts';
import { type HeatProcess, matchProcesses, type ProcessedProduct, type ProcessMatch } from '../heat/index.ts';
import { coldestFill, finishedBrix } from './asMade.ts';
import { governingPh } from './governingPh.ts';
import { asMade, makeupAsMade } from './made.ts';
import { type LotRecord, standing } from './record.ts';

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
const processedProduct = (lot: LotRecord, bottle: InBottle): ProcessedProduct => ({
  kind: lot.product.kind,
  ...processedParts(asMade(lot).lines, jarredAs(lot, bottle)),
  brix: finishedBrix(lot),
  ph: governingPh(lot)?.ph ?? null,
  ...bottle,
});

type HeatedIn = NonNullable<ProcessedProduct['heatedIn']>;

/** The kinds of bottle a lot was filled into, as a process is held against them. */
function bottlesOf(
  lot: LotRecord,
  rated: (containerId: string) => readonly string[],
  heatedIn: HeatedIn | undefined,
): InBottle[] {
  return standing(lot.bottlings).map((b) => ({
    ...(heatedIn ? { heatedIn } : {}),
    closure: b.closure,
    nominalMl: b.nominalMl,
    rated: rated(b.containerId),
    headspaceInches: b.headspaceInches,
    fillCelsius: coldestFill(b),
  }));
}

/**
 * Processes held against a lot in every kind of bottle it was filled into: what breaks the match in one of them breaks it. The matching
 * ones first, then those with the fewest reasons against them; none before anything is filled.
 * @param rated processes that a kind of bottle is made for; @param elevationMetres of the kitchen, −400 to 5,000; throws RangeError outside;
 * @param heatedIn water or steam; by each process's own method where it is not said
 * @example matchLot([letter], lot, () => ['boiling-water'], 719)[0].minutes // 15
 */
export function matchLot(
  processes: readonly HeatProcess[],
  lot: LotRecord,
  rated: (containerId: string) => readonly string[],
  elevationMetres: number,
  heatedIn?: HeatedIn,
): ProcessMatch[] {
  const byBottle = bottlesOf(lot, rated, heatedIn).map((bottle) =>
    matchProcesses(processes, processedProduct(lot, bottle), elevationMetres),
  );
  const [first, ...others] = byBottle;
  if (!first) return [];
  const merged = first.map((match) => {
    const same = others.map((list) => list.find((m) => m.process === match.process)!);
    return { ...match, reasons: [...new Set([match, ...same].flatMap((m) => m.reasons))] };
  });
  return merged.sort((a, b) => a.reasons.length - b.reasons.length);
}
