import type { Ingredient, Range } from '../../ingredient/index.ts';
import { alcoholLeft, waterActivity } from '../../keeping/index.ts';
import { amountsOf } from '../amounts.ts';
import type { FormulaContent } from '../content.ts';
import { courseOf } from '../course.ts';
import { abvOf, brixOf, type Composition, liquidOf } from '../pan/pan.ts';
import { walk, walkAlong } from '../pan/walk.ts';
import { readLine } from '../said.ts';
import { hasAcid, phOf } from './acidity.ts';
import { centreShift } from './bias.ts';
import { atDeviation, type Chance, chance, correlated } from './chance.ts';
import { compositionOf, withAcidity } from './composition.ts';
import { bufferError, type ForecastSetting, modelError, weaklyKnown } from './forecast.ts';
import { type JuiceTable, juiceTable } from './juiceTable.ts';
import { broughtBy } from './measured.ts';
import type { Scenario } from './scenario.ts';
import { whyNoPh, withBase } from './unknown.ts';

/** Middle, 5–95 % band and shape of one figure over many draws. */
export interface Spread {
  middle: number;
  low: number;
  high: number;
  /** Counts in equal bins from `from` to `to`. */
  bins: number[];
  from: number;
  to: number;
}

export interface Simulation {
  scenarios: number;
  seed: number;
  /** Draws in which no such juice was possible and that were drawn again. */
  redrawn: number;
  /** Null where no pH can be computed; none is then shown. */
  ph: Spread | null;
  brix: Spread;
  waterActivity: Spread | null;
  millilitres: Spread;
  /** % ABV; null where there is no spirit in it. */
  abv: Spread | null;
  /** Chance of a pH at or under a limit: the critical limit, and the formula's own target where it has one. */
  chances: {
    phUnderLimit: number | null;
    phUnderTarget: number | null;
    brixOverTarget: number | null;
    /** Of a calculated a_w at or under 0.85: information. */
    waterUnder085: number | null;
    /** Of filling at least so many bottles. */
    bottles: { count: number; chance: number }[];
  };
}

/** What practice leaves open around a share that the cook set. */
const AROUND_SHARE = 0.04;
/** A °Bx read at the stove, one standard deviation. */
const READ_BRIX = 0.8;
/** °Bx of a fruit from picking to picking, as a share of its solids, one standard deviation: of a typical fruit, and of this kitchen's, read once. */
const SOLIDS = 0.13;
const READ_SOLIDS = 0.1;
/** Correlation of pH and TA within a fruit. */
const PH_TA = -0.5;
const Z95 = 1.6449;

/** Composition of 100 g as one picking might have it; null where no such juice is possible. */
function picked(entry: Ingredient, juices: JuiceTable, stream: Chance): Composition | null {
  const [ph, ta] = correlated(stream, PH_TA);
  const split = Math.floor(stream.even() * 3);
  const solids = stream.normal();
  const juice = juices.at(ph, ta, split);
  const grows = entry.family === 'fruit' || entry.family === 'juice';
  const spread = entry.solidsRead ? READ_SOLIDS : SOLIDS;
  const riper = grows ? 1 + Math.max(-0.4, Math.min(0.4, spread * solids)) : 1;
  return juice && withAcidity(entry, juice, riper);
}

/** What an ingredient brings: the same each time, or drawn anew in each scenario from the table of its juice. */
interface Source {
  typical: Composition;
  juices: JuiceTable | null;
  /** Tap water whose alkalinity is only known as a range, eq per kg. */
  alkalinity: Range | null;
  /** The scenario that it was last drawn in, and what was drawn. */
  drawnIn: number;
  drawn: Composition;
}

function sourceOf(entry: Ingredient): Source {
  const { acidity } = entry;
  const typical = compositionOf(entry, 'typical').composition;
  const juices = acidity.kind === 'juice' ? juiceTable(entry, acidity) : null;
  const alkalinity = acidity.kind === 'alkaline' && acidity.basePerKg[0] > 0 ? acidity.basePerKg : null;
  return { typical, juices, alkalinity, drawnIn: -1, drawn: typical };
}

/** Times that a picking is drawn before its typical one is taken. */
const TRIES = 40;

/** Makings of the batch, one after another: in each, every range taken at one value, each fruit and each amount drawn once. */
class Makings implements Scenario {
  /** What had to be drawn again. */
  failed = 0;
  private making = 0;
  /** Deviations in the order of the steps: how many of them are of this making, and how many this walk through it has used. */
  private readonly deviations: number[] = [];
  private drawn = 0;
  private used = 0;
  private readonly stream: Chance;
  private readonly sources = new Map<Ingredient, Source>();
  private readonly amounts = new Map<object, { drawnIn: number; drawn: number }>();

  constructor(stream: Chance) {
    this.stream = stream;
  }

  next(): void {
    this.making++;
    this.drawn = 0;
  }

  again(): void {
    this.used = 0;
  }

  private deviation(): number {
    if (this.used === this.drawn) this.deviations[this.drawn++] = this.stream.normal();
    return this.deviations[this.used++]!;
  }

  of(entry: Ingredient): Composition {
    let source = this.sources.get(entry);
    if (!source) {
      source = sourceOf(entry);
      this.sources.set(entry, source);
    }
    const { juices, alkalinity } = source;
    if ((juices === null && alkalinity === null) || source.drawnIn === this.making) return source.drawn;
    source.drawnIn = this.making;
    source.drawn = (juices ? this.draw(entry, juices) : this.water(source)) ?? source.typical;
    return source.drawn;
  }

  /** Waters are as often twice as hard as half as hard: even over the logarithm of the range. */
  private water({ typical, alkalinity }: Source): Composition {
    const [low, , high] = alkalinity!;
    return { ...typical, baseEquivalents: (low * (high / low) ** this.stream.even()) / 10 };
  }

  private draw(entry: Ingredient, juices: JuiceTable): Composition | null {
    for (let tries = 0; tries < TRIES; tries++) {
      const found = picked(entry, juices, this.stream);
      if (found) return found;
      this.failed++;
    }
    return null;
  }

  amount(value: { amount: number; low: number; high: number }, loose: number): number {
    let kept = this.amounts.get(value);
    if (!kept) {
      kept = { drawnIn: -1, drawn: value.amount };
      this.amounts.set(value, kept);
    }
    if (kept.drawnIn === this.making) return kept.drawn;
    kept.drawnIn = this.making;
    const { stream } = this;
    const said = value.low < value.high ? value.low + (value.high - value.low) * stream.even() : value.amount;
    kept.drawn = loose > 0 ? said * Math.max(0.6, 1 + loose * stream.normal()) : said;
    return kept.drawn;
  }

  pick(range: Range): number {
    return Math.max(0, atDeviation(range, this.deviation()));
  }

  set(share: number): number {
    return Math.max(0.01, Math.min(1, share * (1 + AROUND_SHARE * this.deviation())));
  }

  mark(brix: number): number {
    return Math.max(1, brix + READ_BRIX * this.deviation());
  }

  alcohol(minutes: number): number {
    const { low, middle, high } = alcoholLeft(minutes);
    return Math.max(0, Math.min(1, atDeviation([low, middle, high], this.deviation())));
  }
}

function spread(values: Float64Array, bins = 36): Spread {
  const sorted = Float64Array.from(values).sort();
  const at = (share: number) => sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))]!;
  const [from, to] = [at(0.002), at(0.998)];
  const counts = new Array<number>(bins).fill(0);
  for (const value of sorted) {
    if (value < from || value > to) continue;
    const bin = to > from ? Math.min(bins - 1, Math.floor(((value - from) / (to - from)) * bins)) : 0;
    counts[bin]!++;
  }
  return { middle: at(0.5), low: at(0.05), high: at(0.95), bins: counts, from, to };
}

const shareOf = (values: Float64Array, passes: (value: number) => boolean): number =>
  values.reduce((count, value) => count + (passes(value) ? 1 : 0), 0) / values.length;

function bottleChances(
  millilitres: Float64Array,
  { low, high }: Spread,
  bottleMl: number,
  wanted: number | undefined,
) {
  const sure = Math.floor(low / bottleMl);
  const most = Math.floor(high / bottleMl);
  const counts = new Set<number>();
  for (let i = 0; i < 5; i++) counts.add(Math.round(sure + ((most - sure) * i) / 4));
  if (wanted) counts.add(wanted);
  return [...counts]
    .filter((count) => count > 0)
    .sort((a, b) => a - b)
    .map((count) => ({ count, chance: shareOf(millilitres, (ml) => ml >= count * bottleMl) }));
}

/**
 * Draws a formula many times over what is only known as a range, a slice at a time so that whoever runs it may stop between slices.
 * Drawn: pH and TA of each fruit (correlation −0.5) with the split of its acids and its solids, one draw a fruit; ranges said; cups and counts;
 * drawn, strained and boiled shares; the alkalinity of tap water; marks read at the stove; what unknown things bring, evenly between the least and the most; and the model's own error (5–95 % ±0.10 pH to 20 °Bx, ±0.20 to 45, ±0.30 above, doubled where weakly known, more in a strong buffer).
 * @param content the formula; @param setting the kitchen's; @param options.scenarios 4,000; @param options.seed the same seed gives the same answer
 * @returns an iterator that yields the draws done and ends in the simulation
 * @example [...simulation(cherry, setting, { scenarios: 40, slice: 20 })].length > 0 // true
 */
export function* simulation(
  content: FormulaContent,
  setting: ForecastSetting,
  options: { scenarios?: number; seed?: number; slice?: number } = {},
): Generator<number, Simulation> {
  const { scenarios = 4000, seed = 1, slice = 250 } = options;
  const said = content.lines.map((line) => readLine(line, setting));
  const course = courseOf(content, said);
  const plain = walk(content, said, setting);
  const amounts = amountsOf(said, plain);
  const brings = broughtBy(amounts, setting);
  const acidKnown = whyNoPh(amounts, plain.product, setting.criticalPh, brings) === null;
  const weak = weaklyKnown(amounts);
  const stream = chance(seed);
  const makings = new Makings(stream);
  const shift = centreShift(setting.phBias);
  const [ph, brix, aw, ml, abv] = [0, 1, 2, 3, 4].map(() => new Float64Array(scenarios)) as [
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
  ];
  const { elevationMetres, boiledOff } = setting;
  const walking = { elevationMetres, boiledOff, scenario: makings, untold: true };
  for (let i = 0; i < scenarios; i++) {
    makings.next();
    const { product, millilitres } = walkAlong(course, walking);
    brix[i] = brixOf(product);
    ml[i] = millilitres;
    abv[i] = abvOf(product, millilitres);
    aw[i] = product.water > 0 ? waterActivity(product) : 1;
    const brought =
      brings.high > 0 ? withBase(product, brings.low + (brings.high - brings.low) * stream.even()) : product;
    if (acidKnown && hasAcid(product)) {
      const error = modelError(brix[i]!, weak) + bufferError(brought);
      ph[i] = (phOf(brought, 1e-4) ?? 7) + shift + (error / Z95) * stream.normal();
    }
    if ((i + 1) % slice === 0) yield i + 1;
  }
  const { ph: phTarget, brix: brixTarget, bottles } = content.targets ?? {};
  const empty = liquidOf(plain.product) === 0;
  const volume = spread(ml);
  return {
    scenarios,
    seed,
    redrawn: makings.failed,
    ph: acidKnown ? spread(ph) : null,
    brix: spread(brix),
    waterActivity: empty ? null : spread(aw),
    millilitres: volume,
    abv: plain.product.ethanol > 0 ? spread(abv) : null,
    chances: {
      phUnderLimit: acidKnown ? shareOf(ph, (v) => v <= setting.criticalPh) : null,
      phUnderTarget: acidKnown && phTarget !== undefined ? shareOf(ph, (v) => v <= phTarget) : null,
      brixOverTarget: brixTarget !== undefined ? shareOf(brix, (v) => v >= brixTarget) : null,
      waterUnder085: empty ? null : shareOf(aw, (v) => v <= 0.85),
      bottles: empty ? [] : bottleChances(ml, volume, content.bottleMl, bottles),
    },
  };
}

/**
 * The whole simulation in one go, for a worker that is not asked to stop and for tests.
 * @example simulate(cherry, setting, { scenarios: 50 }).scenarios // 50
 */
export function simulate(
  content: FormulaContent,
  setting: ForecastSetting,
  options: { scenarios?: number; seed?: number } = {},
): Simulation {
  const run = simulation(content, setting, options);
  for (;;) {
    const step = run.next();
    if (step.done) return step.value;
  }
}
