import type { Ingredient, Range } from '../../ingredient/index.ts';
import { alcoholLeft } from '../../keeping/index.ts';
import type { Composition } from '../pan/pan.ts';
import { type Corner, compositionOf } from './composition.ts';

/** One way in which a batch may turn out: every figure that is only known as a range, taken at one value. */
export interface Scenario {
  /** From its first step on once more: what was drawn stays drawn. */
  again(): void;
  /** Composition of 100 g of an ingredient. */
  of(entry: Ingredient): Composition;
  /** A share or rate known as low, typical and high. */
  pick(range: Range): number;
  /** A share that the cook set, with the spread that practice has around it. */
  set(share: number): number;
  /** An amount said as a range, or measured by cup or count: loose is what such a measure leaves open, one standard deviation as a share. */
  amount(value: { amount: number; low: number; high: number }, loose: number): number;
  /** A mark to stop at, in °Bx, read with an instrument. */
  mark(brix: number): number;
  /** Share of the alcohol left after minutes at the simmer. */
  alcohol(minutes: number): number;
}

/** Everything at its typical value, the acids at one corner of their published ranges. */
export const cornerScenario = (corner: Corner): Scenario => ({
  again: () => {},
  of: (entry) => compositionOf(entry, corner).composition,
  pick: (range) => range[1],
  set: (share) => share,
  amount: (value) => value.amount,
  mark: (brix) => brix,
  alcohol: (minutes) => alcoholLeft(minutes).middle,
});

export const typical = cornerScenario('typical');
