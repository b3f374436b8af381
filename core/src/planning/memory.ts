import { yieldShown, yieldSign } from '../quantity/index.ts';
import type { PastLot } from './past.ts';
import { type PastSpread, spreadOf } from './spread.ts';

/** Which past lots a figure is taken from. */
export type MemoryOf = 'this formula' | 'this fruit, drawn alike' | 'this fruit';

/** What the kitchen's past lots say of the next one. */
export interface YieldMemory {
  of: MemoryOf;
  lots: readonly PastLot[];
  litresPerKg: PastSpread;
  ofPromised: PastSpread;
  trimLoss: PastSpread | null;
  boiledOff: PastSpread | null;
  /** "Your last five gave 0.61 L per kg." */
  sentence: string;
}

/** How many of the last lots count: a season or two. */
const LAST = 5;

const NUMBERS = ['no', 'one', 'two', 'three', 'four', 'five'];

function sentenceOf(of: MemoryOf, litres: PastSpread, ingredient: string): string {
  const what = of === 'this formula' ? '' : ` of ${ingredient.toLowerCase()}`;
  const [low, middle, high] = [litres.low, litres.middle, litres.high].map(yieldShown) as [
    number,
    number,
    number,
  ];
  const figure = `${middle.toFixed(2)} ${yieldSign()}`;
  if (litres.count === 1) return `Your last one${what} gave ${figure}.`;
  const range = high - low >= 0.005 ? `, ${low.toFixed(2)} to ${high.toFixed(2)}` : '';
  return `Your last ${NUMBERS[litres.count] ?? litres.count}${what} gave ${figure}${range}.`;
}

/**
 * What past lots say of the next one of a formula: the last five of the formula itself, where there are two; else of the same fruit
 * drawn alike; else of the fruit.
 * @param past oldest first; @returns null where the kitchen has made nothing like it
 * @example yieldMemory([], { formulaId: 'f', ingredientId: 'sour-cherry', method: 'cooked' }) // null
 */
export function yieldMemory(
  past: readonly PastLot[],
  next: { formulaId: string; ingredientId: string; method: string },
): YieldMemory | null {
  const sets: [MemoryOf, PastLot[]][] = [
    [
      'this formula',
      past.filter((p) => p.formulaId === next.formulaId && p.ingredientId === next.ingredientId),
    ],
    [
      'this fruit, drawn alike',
      past.filter((p) => p.ingredientId === next.ingredientId && p.method === next.method),
    ],
    ['this fruit', past.filter((p) => p.ingredientId === next.ingredientId)],
  ];
  const [of, all] =
    sets.find(([, list]) => list.length >= 2) ?? sets.find(([, list]) => list.length > 0) ?? [];
  if (!of || !all) return null;
  const lots = [...all].sort((a, b) => a.begunAt.localeCompare(b.begunAt)).slice(-LAST);
  const known = (figure: (p: PastLot) => number | null) =>
    spreadOf(lots.flatMap((p) => (figure(p) === null ? [] : [figure(p)!])));
  const litresPerKg = spreadOf(lots.map((p) => p.litresPerKg))!;
  return {
    of,
    lots,
    litresPerKg,
    ofPromised: spreadOf(lots.map((p) => p.ofPromised))!,
    trimLoss: known((p) => p.trimLoss),
    boiledOff: known((p) => p.boiledOff),
    sentence: sentenceOf(of, litresPerKg, lots[0]!.ingredient),
  };
}

/** Steps whose time grows with what is worked: the fruit for some, the bottles for others; the rest take as long as they take. */
const GROWS: Readonly<Record<string, 'kg' | 'bottles'>> = { prepare: 'kg', reduce: 'kg', fill: 'bottles' };

/**
 * Minutes a step will take: the median of the kitchen's last lots of the formula, by the kilo or the bottle where it is that kind of work.
 * @param step the formula's step; @param size of the next lot; @param planned minutes of the formula at its own size, used where nothing is learned
 * @returns minutes, and from how many lots; 0 lots where it is the formula's own figure
 * @example minutesOf({ id: 'cook', kind: 'draw', minutes: 20 }, { kg: 4, bottles: 12, scale: 1 }, [], 'f') // { minutes: 20, lots: 0 }
 */
export function minutesOf(
  step: { id: string; kind: string; minutes?: number | undefined },
  size: { kg: number; bottles: number; scale: number },
  past: readonly PastLot[],
  formulaId: string,
): { minutes: number; lots: number } {
  const by = GROWS[step.kind];
  const known = past
    .filter((p) => p.formulaId === formulaId)
    .slice(-LAST)
    .flatMap((p) => p.steps.filter((s) => s.formulaStepId === step.id));
  const each = spreadOf(known.map((s) => (by ? s.minutes / Math.max(s[by], 1e-6) : s.minutes)));
  if (each) return { minutes: by ? each.middle * size[by] : each.middle, lots: each.count };
  const planned = step.minutes ?? 0;
  return { minutes: by ? planned * size.scale : planned, lots: 0 };
}
