import { waterActivity } from '../../keeping/index.ts';
import { amountsOf } from '../amounts.ts';
import type { FormulaContent } from '../content.ts';
import { hasAcid, phOf, taPercent } from '../forecast/acidity.ts';
import type { ForecastSetting } from '../forecast/forecast.ts';
import { broughtBy } from '../forecast/measured.ts';
import { acidKnown, unknownLines, withBase } from '../forecast/unknown.ts';
import { brixOf, type Composition, liquidOf } from '../pan/pan.ts';
import { walk } from '../pan/walk.ts';
import { readLine, type SaidLine } from '../said.ts';

export type Aim = 'ph' | 'brix' | 'ta' | 'ratio' | 'aw';

/** What of one line reaches an aim; where nothing does, how near it comes. */
export type WhatItTakes =
  | {
      reached: true;
      grams: number;
      before: number;
      /** Set where something in it is not known: the dose holds with the most that it may bring. A bench trial comes after. */
      upperBound?: true;
    }
  | { reached: false; before: number | null; from: number; to: number; why?: string };

const MEASURES: Record<Aim, (product: Composition) => number | null> = {
  ph: (product) => (hasAcid(product) ? phOf(product) : null),
  brix: (product) => (liquidOf(product) > 0 ? brixOf(product) : null),
  ta: taPercent,
  ratio: (product) => {
    const ta = taPercent(product);
    return ta ? brixOf(product) / ta : null;
  },
  aw: (product) => (product.water > 0 ? waterActivity(product) : null),
};

/** Amounts tried, g: nothing, then from a tenth of a gram up to five times the batch, each a quarter more. */
function ladder(batchGrams: number): number[] {
  const steps = [0];
  for (let grams = 0.1; grams < 5 * batchGrams; grams *= 1.25) steps.push(grams);
  return steps;
}

function bisect(f: (grams: number) => number | null, aim: number, low: number, high: number): number {
  const rising = f(high)! > f(low)!;
  for (let i = 0; i < 60 && high - low > 1e-6 * high + 1e-9; i++) {
    const middle = (low + high) / 2;
    if (f(middle)! < aim === rising) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** A line said as so many grams per batch, whatever it followed before. */
export const asGrams = (line: SaidLine, grams: number): SaidLine => ({
  ...line,
  basis: { per: 'batch' },
  value: { kind: 'grams', amount: grams, low: grams, high: grams },
});

/**
 * The amount of one line that brings the finished product to an aim, all else as it is.
 * @param content the formula; @param setting the kitchen's; @param ask.lineId the line that may change
 * @param ask.aim pH, °Bx, TA (% w/w as citric), ratio (°Bx over TA) or a_w; @param ask.value what it is to be
 * @returns grams of the line nearest to what it is now, or that no amount up to five times the batch does, with the span it reaches
 * @throws RangeError where the line is not in the formula
 * @example whatWouldItTake(cherry, setting, { lineId: 'sugar', aim: 'brix', value: 50 }).reached // true
 */
export function whatWouldItTake(
  content: FormulaContent,
  setting: ForecastSetting,
  ask: { lineId: string; aim: Aim; value: number },
): WhatItTakes {
  const place = content.lines.findIndex((line) => line.id === ask.lineId);
  if (place === -1) throw new RangeError('That line is not in the formula');
  const said = content.lines.map((line) => readLine(line, setting));
  const whole = walk(content, said, setting);
  const amounts = amountsOf(said, whole);
  const unknown = unknownLines(amounts).filter((line) => line.lineId !== ask.lineId);
  if (['ta', 'ratio'].includes(ask.aim) && !acidKnown(amounts, whole.product))
    return {
      reached: false,
      before: null,
      from: 0,
      to: 0,
      why: `The acidity of ${unknown.map((l) => l.ingredient!.name.toLowerCase()).join(', ')} is not known. Measure it first.`,
    };
  // The dose has to hold at the worst end of what is not known.
  const most = ask.aim === 'ph' ? broughtBy(unknown, setting).high : 0;
  const now = amounts[place]!.grams ?? 0;
  const f = (grams: number) =>
    MEASURES[ask.aim](
      withBase(walk(content, said.with(place, asGrams(said[place]!, grams)), setting).product, most),
    );
  const batch = amounts.reduce((sum, line) => sum + (line.grams ?? 0), 0) || 1000;
  const rungs = ladder(batch).flatMap((grams) => {
    const value = f(grams);
    return value === null ? [] : [{ grams, value }];
  });
  const before = f(now);
  const crossings = rungs.slice(1).flatMap((rung, i) => {
    const under = rungs[i]!;
    return (under.value - ask.value) * (rung.value - ask.value) <= 0 && under.value !== rung.value
      ? [bisect(f, ask.value, under.grams, rung.grams)]
      : [];
  });
  if (crossings.length > 0) {
    const grams = crossings.sort((a, b) => Math.abs(a - now) - Math.abs(b - now))[0]!;
    return { reached: true, grams, before: before ?? ask.value, ...(most > 0 ? { upperBound: true } : {}) };
  }
  // With none of it there is no figure either: nothing acid is in the rest, or no water.
  if (rungs.length === 0)
    return {
      reached: false,
      before: null,
      from: 0,
      to: 0,
      why: 'No amount of it gives this figure: nothing acid, or no water, is in it.',
    };
  const values = rungs.map((rung) => rung.value);
  return { reached: false, before, from: Math.min(...values), to: Math.max(...values) };
}
