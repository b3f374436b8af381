import {
  type BottlingEntry,
  type HeatProcessEntry,
  type LoadEntry,
  type LotRecord,
  standing,
} from '../record.ts';

/** A bottle of a lot by its number, 1 for the first that was filled. */
export interface NumberedBottle {
  number: number;
  bottling: BottlingEntry;
}

/**
 * The bottles of a lot by number, in the order in which they were filled.
 * @example numberedBottles(lot).length // 12
 */
export function numberedBottles(lot: Pick<LotRecord, 'bottlings'>): NumberedBottle[] {
  let number = 0;
  return standing(lot.bottlings).flatMap((bottling) =>
    Array.from({ length: bottling.count }, () => ({ number: ++number, bottling })),
  );
}

const upTo = (count: number): number[] => Array.from({ length: count }, (_, i) => i + 1);

/**
 * Numbers that an entry is of: as it names them, or the first so many. Two entries that name none are of the same bottles, never of different ones.
 * @example numbersOf({ numbers: null }, 3) // [1, 2, 3]
 */
export const numbersOf = (entry: { numbers: readonly number[] | null }, count: number): readonly number[] =>
  entry.numbers ?? upTo(count);

/**
 * Numbers of the jars that are in no load yet, so many of them; fewer where there are not so many.
 * @example freeNumbers(lot, 2) // [1, 2]
 */
export function freeNumbers(lot: Pick<LotRecord, 'bottlings' | 'loads'>, count: number): number[] {
  const taken = new Set(standing(lot.loads).flatMap((load) => loadNumbers(lot, load)));
  return numberedBottles(lot)
    .map((b) => b.number)
    .filter((n) => !taken.has(n))
    .slice(0, count);
}

/** Numbers of the jars of a load; of one that names none, those after the loads before it. */
function loadNumbers(lot: Pick<LotRecord, 'loads'>, load: LoadEntry): readonly number[] {
  if (load.numbers) return load.numbers;
  const before = standing(lot.loads)
    .filter((l) => l.number < load.number)
    .reduce((sum, l) => sum + l.bottles, 0);
  return upTo(load.bottles).map((n) => n + before);
}

/** Numbers of the bottles that were in a process; all that were filled by then where it says nothing. */
export function processNumbers(lot: LotRecord, p: HeatProcessEntry): readonly number[] {
  if (p.numbers) return p.numbers;
  const load = lot.loads.find((l) => l.id === p.loadId);
  if (load) return loadNumbers(lot, load);
  return p.bottles === null ? numberedBottles(lot).map((b) => b.number) : upTo(p.bottles);
}

/**
 * Lines of a lot that go in jar by jar, by id.
 * @example linesByJar(lot).size // 0
 */
export const linesByJar = (lot: Pick<LotRecord, 'product'>): ReadonlySet<string> =>
  new Set(lot.product.content.lines.filter((line) => line.basis?.per === 'bottle').map((line) => line.id));
