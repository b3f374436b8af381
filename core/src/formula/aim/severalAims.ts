import type { FormulaContent } from '../content.ts';
import { type Forecast, type ForecastSetting, forecast } from '../forecast/forecast.ts';
import { leastStep } from '../pan/leastStep.ts';
import { AIM_WITHIN, type Aimed, type AimKind, type Aims, clamp, Figures, type Point } from './aims.ts';
import { waysToKeep } from './keepAim.ts';

export interface AimedAt extends Aimed {
  aim: AimKind;
  /** What it comes to; null where it has no such figure. */
  reached: number | null;
  before: number | null;
  met: boolean;
  /** The band of what it comes to, where the forecast has one. */
  low?: number;
  high?: number;
}

export interface SeveralAims {
  reached: boolean;
  /** g of each line that may change. */
  grams: Record<string, number>;
  aims: AimedAt[];
  /** Where it is impossible: pairs of aims of which each can be met without the other. */
  against: [AimKind, AimKind][];
  /** Set where something in it is not known: the pH holds with the most that it may bring. */
  upperBound?: true;
}

const worst = (off: readonly number[] | null): number =>
  off === null ? Number.POSITIVE_INFINITY : Math.max(...off.map(Math.abs));

/** What a change of a line counts by: its own amount, at least a hundredth of its room. */
const sizesOf = (figures: Figures): number[] =>
  figures.start.map((grams, i) =>
    Math.max(grams, 0.01 * (figures.bounds[i]![1] - figures.bounds[i]![0]), 0.1),
  );

/** Slopes of each aim's miss by each line, by a small step inwards. */
function slopes(
  figures: Figures,
  at: Point,
  off: readonly number[],
  sizes: readonly number[],
): number[][] | null {
  const columns: number[][] = [];
  for (let i = 0; i < at.length; i++) {
    const [low, high] = figures.bounds[i]!;
    const step = Math.min(1e-3 * sizes[i]!, Math.max(1e-9, high - low));
    const by = at[i]! + step <= high ? step : -step;
    const moved = figures.off(at.with(i, at[i]! + by));
    if (!moved) return null;
    columns.push(moved.map((value, k) => (value - off[k]!) / by));
  }
  return off.map((_, k) => columns.map((column) => column[k]!));
}

const ROUNDS = 40;
/** Share of a line's room that one round may move it. */
const REACH = 0.5;

/** From a point to where all aims are met with the least that counts, as near as it comes. */
function approach(figures: Figures, from: Point, by: Aims['by']): { at: Point; off: number[] | null } {
  const sizes = sizesOf(figures);
  let at = from;
  let off = figures.off(at);
  let reach = REACH;
  for (let round = 0; round < ROUNDS && off && reach > 1e-7; round++) {
    const slope = slopes(figures, at, off, sizes);
    if (!slope) break;
    const room = figures.bounds.map(([low, high], i): [number, number] => {
      const most = reach * (high - low);
      return [Math.max(low - at[i]!, -most), Math.min(high - at[i]!, most)];
    });
    const step = leastStep({
      slope,
      miss: off,
      room,
      weight: sizes.map((size) => 1 / size ** 2),
      towards: figures.start.map((grams, i) => grams - at[i]!),
      ...(by === 'cost' ? { cost: figures.prices } : {}),
    });
    const next = at.map((grams, i) => clamp(grams + step[i]!, figures.bounds[i]!));
    const moved = figures.off(next);
    const small = step.every((value, i) => Math.abs(value) < 1e-7 * sizes[i]!);
    if (moved && (worst(moved) < Math.max(0.5, 0.9999 * worst(off)) || small)) {
      [at, off] = [next, moved];
      if (small) break;
      reach = Math.min(REACH, reach * 1.5);
    } else reach /= 3;
  }
  return { at, off };
}

/** Points to begin from: as it is, the middle, and the corners of all low and all high. */
const startsOf = ({ start, bounds }: Figures): Point[] => [
  start,
  bounds.map(([low, high]) => (low + high) / 2),
  bounds.map(([low, high]) => low + 0.1 * (high - low)),
  bounds.map(([low, high]) => low + 0.9 * (high - low)),
  ...bounds.map((_, i) =>
    bounds.map(([low, high], j) => (i === j ? low + 0.9 * (high - low) : low + 0.1 * (high - low))),
  ),
];

/** What a point costs by what is asked for: the change of its lines, or money. */
function priceOf(figures: Figures, at: Point, by: Aims['by']): number {
  const sizes = sizesOf(figures);
  return by === 'cost'
    ? at.reduce((sum, grams, i) => sum + grams * figures.prices[i]!, 0)
    : at.reduce((sum, grams, i) => sum + ((grams - figures.start[i]!) / sizes[i]!) ** 2, 0);
}

function best(figures: Figures, by: Aims['by']): { at: Point; off: number[] | null } {
  const found = startsOf(figures).map((from) => approach(figures, from, by));
  const met = found.filter(({ off }) => worst(off) <= 1);
  if (met.length > 0)
    return met.reduce((a, b) => (priceOf(figures, b.at, by) < priceOf(figures, a.at, by) - 1e-12 ? b : a));
  return found.reduce((a, b) => (worst(b.off) < worst(a.off) ? b : a));
}

/** What aims ask of the product, in each of the ways in which it may keep so long; a cost is only too high. */
function waysOf(content: FormulaContent, setting: ForecastSetting, aims: readonly Aimed[]): Aimed[][] {
  const plain = aims.flatMap((aim): Aimed[] =>
    aim.aim === 'days' ? [] : [aim.aim === 'cost' ? { ...aim, only: 'at most' } : aim],
  );
  const days = aims.find((aim) => aim.aim === 'days');
  if (!days) return [plain];
  return waysToKeep(content, setting, days.value).map((way) => [...plain, ...way]);
}

interface Solution {
  at: Point;
  met: boolean;
  price: number;
  worst: number;
  figures: Figures;
}

/** The best of the ways; null where there is none in which it could keep so long. */
function solve(content: FormulaContent, setting: ForecastSetting, asked: Aims): Solution | null {
  const found = waysOf(content, setting, asked.aims).map((aims): Solution => {
    const figures = new Figures(content, setting, { ...asked, aims });
    const { at, off } = best(figures, asked.by);
    const most = aims.length === 0 ? 0 : worst(off);
    return { at, met: most <= 1, price: priceOf(figures, at, asked.by), worst: most, figures };
  });
  const met = found.filter((one) => one.met);
  if (met.length > 0) return met.reduce((a, b) => (b.price < a.price ? b : a));
  return found.length === 0 ? null : found.reduce((a, b) => (b.worst < a.worst ? b : a));
}

/** Pairs of aims that stand against each other: each is met without the other, and not with it. */
function standAgainst(content: FormulaContent, setting: ForecastSetting, asked: Aims): [AimKind, AimKind][] {
  const metBy = (aims: readonly Aimed[]) => solve(content, setting, { ...asked, aims })?.met ?? false;
  const single = asked.aims.filter((aim) => metBy([aim]));
  return single.flatMap((a, i) =>
    single
      .slice(i + 1)
      .flatMap((b): [AimKind, AimKind][] => (metBy([a, b]) ? [] : [[a.aim as AimKind, b.aim as AimKind]])),
  );
}

const bandOf = ({ ph }: Forecast, aim: Aimed['aim']): { low: number; high: number } | undefined =>
  aim === 'ph' && ph ? { low: ph.low, high: ph.high } : undefined;

/** Days of a forecast's date; a month counts 30. */
const daysOf = ({ keeping: { time } }: Forecast): number =>
  time === null ? 0 : time.unit === 'day' ? time.count : 30 * time.count;

function refuseOdd({ aims, lines }: Aims): void {
  if (aims.length < 1 || aims.length > 3) throw new RangeError('Choose one to three aims');
  if (lines.length < 1 || lines.length > 5) throw new RangeError('Choose one to five lines that may change');
  if (new Set(lines.map((line) => line.lineId)).size < lines.length)
    throw new RangeError('Each line is chosen once');
}

/**
 * Amounts of several lines that bring a product to several aims at once: the least change of them, or the cheapest, within their bounds.
 * Found by successive linear steps from several points, each aim within the forecast's own error; where it is impossible, how near it comes.
 * @param content the formula; @param setting the kitchen's; @param asked one to three aims, one to five lines with bounds in g
 * @throws RangeError for other numbers of aims or lines, a line that is not there, or bounds that are none
 * @example severalAims(cherry, setting, { aims: [{ aim: 'brix', value: 45 }], lines: [{ lineId: 'sugar', low: 0, high: 6000 }], by: 'change' }).reached // true
 */
export function severalAims(content: FormulaContent, setting: ForecastSetting, asked: Aims): SeveralAims {
  refuseOdd(asked);
  const all = new Figures(content, setting, asked);
  const found = solve(content, setting, asked);
  const at = found?.at ?? all.start;
  const [was, made] = [forecast(content, setting), forecast(all.contentAt(at), setting)];
  const [before, after] = [all.at(all.start), all.at(at)];
  const aims = asked.aims.map((aim, k): AimedAt => {
    const [from, to] = aim.aim === 'days' ? [daysOf(was), daysOf(made)] : [before[k]!, after[k]!];
    const by = ((to ?? Number.NaN) - aim.value) / AIM_WITHIN[aim.aim];
    const met = aim.aim === 'days' ? by > -1 : aim.aim === 'cost' ? by <= 1 : Math.abs(by) <= 1;
    return {
      ...aim,
      aim: aim.aim as AimKind,
      reached: to,
      before: from,
      met,
      ...bandOf(made, aim.aim),
    };
  });
  const reached = aims.every((aim) => aim.met);
  return {
    reached,
    grams: Object.fromEntries(asked.lines.map((line, i) => [line.lineId, at[i]!])),
    aims,
    against: reached ? [] : standAgainst(content, setting, asked),
    ...(all.most > 0 ? { upperBound: true as const } : {}),
  };
}
