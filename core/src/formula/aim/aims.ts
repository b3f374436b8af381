import { waterActivity } from '../../keeping/index.ts';
import { amountsOf } from '../amounts.ts';
import type { FormulaContent } from '../content.ts';
import { hasAcid, phOf, taPercent } from '../forecast/acidity.ts';
import type { ForecastSetting } from '../forecast/forecast.ts';
import { broughtBy } from '../forecast/measured.ts';
import { unknownLines, withBase } from '../forecast/unknown.ts';
import { aceticGrams, brixOf, type Composition, liquidOf } from '../pan/pan.ts';
import { walk } from '../pan/walk.ts';
import { readLine, type SaidLine } from '../said.ts';
import { asGrams } from './solve.ts';

/** Figures that may be aimed at together: of the finished product, of the batch, and what it costs to buy. */
export const AIM_KINDS = ['ph', 'brix', 'ta', 'ratio', 'aw', 'bottles', 'cost', 'days'] as const;
export type AimKind = (typeof AIM_KINDS)[number];

export interface Aimed {
  /** Met by this much or less, or by this much or more; exactly where it is not said. */
  only?: 'at most' | 'at least';
  aim: AimKind | 'acetic';
  /** pH, °Bx, % as citric, °Bx over acid, a_w, bottles, minor units of money, or days that it keeps. */
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
export const AIM_WITHIN: Record<Aimed['aim'], number> = {
  ph: 0.005,
  brix: 0.05,
  ta: 0.005,
  ratio: 0.1,
  aw: 0.0005,
  bottles: 0.02,
  cost: 1,
  days: 0.5,
  acetic: 0.005,
};

export type Point = readonly number[];

/** The figures of a formula as functions of the grams of its movable lines. */
export class Figures {
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
      if (aim === 'days') return null;
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

  /** How far each aim is off at a point, in so many of what counts as met; null where one has no figure. */
  off(point: Point): number[] | null {
    const figures = this.at(point);
    if (figures.some((figure) => figure === null || !Number.isFinite(figure))) return null;
    return this.aims.map(({ aim, value, only }, k) => {
      const by = (figures[k]! - value) / AIM_WITHIN[aim];
      return only === 'at most' ? Math.max(0, by) : only === 'at least' ? Math.min(0, by) : by;
    });
  }
}

function ofProduct(aim: Aimed['aim'], product: Composition): number | null {
  if (aim === 'ph') return hasAcid(product) ? phOf(product) : null;
  if (aim === 'brix') return liquidOf(product) > 0 ? brixOf(product) : null;
  if (aim === 'ta') return taPercent(product);
  if (aim === 'acetic') return aceticPercent(product);
  if (aim === 'aw') return product.water > 0 ? waterActivity(product) : null;
  const ta = taPercent(product);
  return ta ? brixOf(product) / ta : null;
}

export const clamp = (value: number, [low, high]: readonly [number, number]): number =>
  Math.min(high, Math.max(low, value));

/** Acetic acid, % w/w of the liquid. */
const aceticPercent = (product: Composition): number =>
  (100 * aceticGrams(product)) / Math.max(1e-9, liquidOf(product));
