import { waterActivity } from '../keeping/index.ts';
import { hasAcid, phOf, taPercent } from './acidity.ts';
import { amountsOf } from './amounts.ts';
import type { FormulaContent } from './content.ts';
import { type Forecast, type ForecastSetting, forecast } from './forecast.ts';
import { leastStep } from './leastStep.ts';
import { broughtBy } from './measured.ts';
import { brixOf, type Composition, liquidOf } from './pan.ts';
import { readLine, type SaidLine } from './said.ts';
import { asGrams } from './solve.ts';
import { unknownLines, withBase } from './unknown.ts';
import { walk } from './walk.ts';

/** Figures that may be aimed at together: of the finished product, of the batch, and what it costs to buy. */
export const AIM_KINDS = ['ph', 'brix', 'ta', 'ratio', 'aw', 'bottles', 'cost'] as const;
export type AimKind = (typeof AIM_KINDS)[number];

export interface Aimed {
  aim: AimKind;
  /** pH, °Bx, % as citric, °Bx over acid, a_w, bottles, or minor units of money. */
  value: number;
}

/** A line that may change, between bounds in g. */
export interface Movable {
  lineId: string;
  low: number;
  high: number;
}

export interface Aims {
  aims: readonly Aimed[];
  lines: readonly Movable[];
  /** The least change of the lines, each by its own size, or the cheapest batch. */
  by: 'change' | 'cost';
}

/** How near a figure has to come to its aim: well within the forecast's own error. */
export const AIM_WITHIN: Record<AimKind, number> = {
  ...{ ph: 0.005, brix: 0.05, ta: 0.005, ratio: 0.1, aw: 0.0005, bottles: 0.02, cost: 1 },
};

export interface AimedAt extends Aimed {
  /** What it comes to. */
  reached: number;
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

type Point = readonly number[];

/** The figures of a formula as functions of the grams of its movable lines. */
class Figures {
  readonly start: Point;
  readonly bounds: readonly (readonly [number, number])[];
  readonly prices: readonly number[];
  readonly most: number;
  private readonly said: readonly SaidLine[];
  private readonly places: readonly number[];
  private readonly content: FormulaContent;
  private readonly setting: ForecastSetting;
  private readonly known = new Map<string, (number | null)[]>();
  readonly aims: readonly Aimed[];

  constructor(content: FormulaContent, setting: ForecastSetting, { aims, lines }: Aims) {
    this.content = content;
    this.setting = setting;
    this.aims = aims;
    this.said = content.lines.map((line) => readLine(line, setting));
    this.places = lines.map(({ lineId }) => {
      const place = content.lines.findIndex((line) => line.id === lineId);
      if (place === -1) throw new RangeError('That line is not in the formula');
      return place;
    });
    const amounts = amountsOf(this.said, walk(content, this.said, setting));
    this.bounds = lines.map(({ low, high }) => {
      if (!(low >= 0 && high >= low))
        throw new RangeError('A line lies between a lower and a higher amount, 0 g or over');
      return [low, high] as const;
    });
    this.start = this.places.map((place, i) => clamp(amounts[place]!.grams ?? 0, this.bounds[i]!));
    this.prices = this.places.map((place) => {
      const id = content.lines[place]!.ingredientId;
      return (setting.catalogue.pricePerKg(id) ?? 0) / 1000;
    });
    const moving = new Set(lines.map((line) => line.lineId));
    const unknown = unknownLines(amounts).filter((line) => !moving.has(line.lineId));
    this.most = aims.some(({ aim }) => aim === 'ph') ? broughtBy(unknown, setting).high : 0;
  }

  /** The formula with its movable lines at so many grams. */
  private saidAt(at: Point): SaidLine[] {
    const said = [...this.said];
    this.places.forEach((place, i) => {
      said[place] = asGrams(said[place]!, at[i]!);
    });
    return said;
  }

  contentAt(at: Point): FormulaContent {
    const lines = [...this.content.lines];
    this.places.forEach((place, i) => {
      lines[place] = { ...lines[place]!, said: `${at[i]} g`, basis: { per: 'batch' } };
    });
    return { ...this.content, lines };
  }

  /** Each aim's figure at a point, in the order of the aims; null where it has none. */
  at(point: Point): (number | null)[] {
    const key = point.join(' ');
    const known = this.known.get(key);
    if (known) return known;
    const said = this.saidAt(point);
    const walked = walk(this.content, said, this.setting);
    const product = withBase(walked.product, this.most);
    const figures = this.aims.map(({ aim }): number | null => {
      if (aim === 'bottles') return walked.millilitres / this.content.bottleMl;
      if (aim === 'cost') return this.costOf(walked.grams);
      return ofProduct(aim, product);
    });
    this.known.set(key, figures);
    return figures;
  }

  private costOf(grams: readonly (number | null)[]): number {
    return this.content.lines.reduce((sum, line, i) => {
      const price = this.setting.catalogue.pricePerKg(line.ingredientId) ?? 0;
      return sum + (price * (grams[i] ?? 0)) / 1000;
    }, 0);
  }

  /** How far each aim is off at a point, in so many of what counts as met; null where one has no figure. A cost is only too high. */
  off(point: Point): number[] | null {
    const figures = this.at(point);
    if (figures.some((figure) => figure === null || !Number.isFinite(figure))) return null;
    return this.aims.map(({ aim, value }, k) => {
      const by = (figures[k]! - value) / AIM_WITHIN[aim];
      return aim === 'cost' ? Math.max(0, by) : by;
    });
  }
}

function ofProduct(aim: AimKind, product: Composition): number | null {
  if (aim === 'ph') return hasAcid(product) ? phOf(product) : null;
  if (aim === 'brix') return liquidOf(product) > 0 ? brixOf(product) : null;
  if (aim === 'ta') return taPercent(product);
  if (aim === 'aw') return product.water > 0 ? waterActivity(product) : null;
  const ta = taPercent(product);
  return ta ? brixOf(product) / ta : null;
}

const clamp = (value: number, [low, high]: readonly [number, number]): number =>
  Math.min(high, Math.max(low, value));

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
      ...{ slope, miss: off, room },
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

/** Pairs of aims that stand against each other: each is met without the other, and not with it. */
function standAgainst(content: FormulaContent, setting: ForecastSetting, asked: Aims): [AimKind, AimKind][] {
  const metBy = (aims: readonly Aimed[]) =>
    worst(best(new Figures(content, setting, { ...asked, aims }), asked.by).off) <= 1;
  const single = asked.aims.filter((aim) => metBy([aim]));
  return single.flatMap((a, i) =>
    single.slice(i + 1).flatMap((b): [AimKind, AimKind][] => (metBy([a, b]) ? [] : [[a.aim, b.aim]])),
  );
}

const bandOf = ({ ph }: Forecast, aim: AimKind): { low: number; high: number } | undefined =>
  aim === 'ph' && ph ? { low: ph.low, high: ph.high } : undefined;

/**
 * Amounts of several lines that bring a product to several aims at once: the least change of them, or the cheapest, within their bounds.
 * Found by successive linear steps from several points, each aim within the forecast's own error; where it is impossible, how near it comes.
 * @param content the formula; @param setting the kitchen's; @param asked one to three aims, one to five lines with bounds in g
 * @throws RangeError for other numbers of aims or lines, a line that is not there, or bounds that are none
 * @example severalAims(cherry, setting, { aims: [{ aim: 'brix', value: 45 }], lines: [{ lineId: 'sugar', low: 0, high: 6000 }], by: 'change' }).reached // true
 */
export function severalAims(content: FormulaContent, setting: ForecastSetting, asked: Aims): SeveralAims {
  if (asked.aims.length < 1 || asked.aims.length > 3) throw new RangeError('Choose one to three aims');
  if (asked.lines.length < 1 || asked.lines.length > 5)
    throw new RangeError('Choose one to five lines that may change');
  if (new Set(asked.lines.map((line) => line.lineId)).size < asked.lines.length)
    throw new RangeError('Each line is chosen once');
  const figures = new Figures(content, setting, asked);
  const before = figures.at(figures.start);
  const { at, off } = best(figures, asked.by);
  const reached = worst(off) <= 1;
  const made = forecast(figures.contentAt(at), setting);
  return {
    reached,
    grams: Object.fromEntries(asked.lines.map((line, i) => [line.lineId, at[i]!])),
    aims: figures.at(at).map((figure, k): AimedAt => {
      const aim = asked.aims[k]!;
      return {
        ...aim,
        reached: figure ?? Number.NaN,
        before: before[k]!,
        met: off !== null && Math.abs(off[k]!) <= 1,
        ...bandOf(made, aim.aim),
      };
    }),
    against: reached ? [] : standAgainst(content, setting, asked),
    ...(figures.most > 0 ? { upperBound: true as const } : {}),
  };
}
