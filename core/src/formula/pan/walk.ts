import type { Range } from '../../ingredient/index.ts';
import type { FormulaContent } from '../content.ts';
import { type Course, courseOf, type Pour } from '../course.ts';
import { noOutcome, ROOM, type StepOutcome } from '../forecast/outcome.ts';
import { type Scenario, typical } from '../forecast/scenario.ts';
import { bulkDensity, looseness, type SaidLine } from '../said.ts';
import { afterStep } from '../steps.ts';
import { covering } from './covering.ts';
import {
  asFound,
  blendedPan,
  type Composition,
  emptyPan,
  type FoundPan,
  liquidOf,
  nothing,
  type Pan,
  pour,
  shareOf,
  solidVolumeOf,
  volumeOf,
} from './pan.ts';

/** What a walk through the steps comes to. */
export interface Walked {
  pan: Pan;
  /** Liquid and what fruit stays in it, blended: what a meter reads at equilibrium. */
  product: Composition;
  /** mL at 20 °C, with what does not dissolve. */
  millilitres: number;
  /** What each step did; none of them where the walk was untold. */
  outcomes: StepOutcome[];
  /** Grams of each line as it was said, by its place; null while it is open. */
  grams: (number | null)[];
  /** Grams that went into the pan, after trimming. */
  used: (number | null)[];
}

export interface Walking {
  elevationMetres: number;
  /** What reductions of it lost before, g a minute. */
  boiledOff?: Range | undefined;
  scenario?: Scenario;
  /** Only the product is wanted, not what each step does: a simulation asks thousands of times. */
  untold?: boolean;
  /** A step whose lines still go in but which does nothing: what would it be without it. */
  without?: string;
  /** What was found in the pan at the end of steps, by their ids: it takes the place of what was reckoned. */
  found?: ReadonlyMap<string, FoundPan> | undefined;
}

/** How many bottles a batch fills, and what one holds, mL: what is said in each bottle of one size goes by the size of another. */
interface Bottles {
  count: number;
  ml: number;
}

/** mL under which there is no room: what rounding leaves of a full bottle is nothing to fill. */
const A_DROP = 0.001;

class Pouring {
  /** NaN while a line is open. */
  readonly grams: number[];
  readonly used: number[];
  private readonly course: Course;
  private readonly scenario: Scenario;
  private readonly bottles: Bottles;

  constructor(course: Course, scenario: Scenario, bottles: Bottles) {
    this.course = course;
    this.scenario = scenario;
    this.bottles = bottles;
    this.grams = course.open.slice();
    this.used = course.open.slice();
  }

  /** Grams of a line by its basis; null while what it follows has none. */
  private weigh(line: SaidLine, liquid: Composition, pan: Pan): number | null {
    if (!line.value || !line.ingredient) return null;
    const amount = this.scenario.amount(line.value, looseness(line));
    const { basis } = line;
    if (basis.per === 'batch') return amount;
    if (basis.per === 'cover') {
      const ml = covering(pan, this.course.content.panMm);
      return ml === null ? null : amount * ml * (bulkDensity(line.ingredient) ?? 1);
    }
    if (basis.per === 'bottle' && basis.fills) {
      const room = this.bottles.count * this.bottles.ml - roomOf(pan);
      return room > A_DROP ? amount * room * (bulkDensity(line.ingredient) ?? 1) : null;
    }
    if (basis.per === 'bottle')
      return amount * this.bottles.count * (this.bottles.ml / (basis.ml ?? this.bottles.ml));
    const ratio = line.value.kind === 'ratio';
    if (basis.per === 'line') {
      const other = this.course.index.get(basis.lineId);
      const grams = other === undefined ? Number.NaN : this.used[other]!;
      if (Number.isNaN(grams)) return null;
      if (basis.by === 'weight') return ratio ? amount * grams : (amount * grams) / 1000;
      const density = bulkDensity(this.course.lines[other!]!.ingredient!);
      return density === undefined ? null : byVolume(line, amount, ratio, grams / density);
    }
    if (liquidOf(liquid) === 0) return null;
    if (basis.by === 'volume') return byVolume(line, amount, ratio, volumeOf(liquid));
    return ratio ? amount * liquidOf(liquid) : (amount * liquidOf(liquid)) / 1000;
  }

  /** Puts a line in, where it can be weighed yet. @returns g that were trimmed off it; null where it cannot */
  private lineInto(pan: Pan, i: number, before: Composition, keeps: number): number | null {
    const line = this.course.lines[i]!;
    const grams = this.weigh(line, before, pan);
    if (grams === null) return null;
    const place = this.course.places[i]!;
    const kept = place === 'liquid' || keeps === 1 ? grams : grams * this.scenario.set(keeps);
    this.grams[i] = grams;
    this.used[i] = kept;
    if (place !== 'liquid') pan.fruit[place] ??= nothing();
    const into = place === 'liquid' ? pan.liquid : pan.fruit[place]!;
    pour(into, this.scenario.of(line.ingredient!), kept / 100);
    return grams - kept;
  }

  /** Puts the lines of a step in, those that follow another after the one they follow. @returns g trimmed off */
  into(pan: Pan, { wanted, byYield, step }: Pour, idle: boolean): number {
    const before = byYield ? shareOf(pan.liquid, 1) : pan.liquid;
    const keeps = step?.kind === 'prepare' && !idle ? (step.keeps ?? 1) : 1;
    let open = wanted;
    let trimmed = 0;
    for (let pass = 0; open.length > 0 && pass <= wanted.length; pass++) {
      const still: number[] = [];
      for (const i of open) {
        const off = this.lineInto(pan, i, before, keeps);
        if (off === null) still.push(i);
        else trimmed += off;
      }
      if (still.length === open.length) break;
      open = still;
    }
    return trimmed;
  }
}

/** mL that a pan takes up, fruit and all. */
function roomOf(pan: Pan): number {
  const whole = blendedPan(pan);
  return volumeOf(whole) + solidVolumeOf(whole);
}

function byVolume(line: SaidLine, amount: number, ratio: boolean, ml: number): number | null {
  if (!ratio) return (amount * ml) / 1000;
  const density = bulkDensity(line.ingredient!);
  return density === undefined ? null : amount * ml * density;
}

function once(course: Course, walking: Walking, bottles: Bottles): WalkedAlong {
  const { scenario = typical, elevationMetres, boiledOff, without, found } = walking;
  scenario.again();
  const pouring = new Pouring(course, scenario, bottles);
  const { panMm } = course.content;
  const untold = walking.untold === true && !course.goesByWarmth;
  const at = { scenario, elevationMetres, panMm, boiledOff, untold, celsius: ROOM };
  let pan = emptyPan();
  const outcomes: StepOutcome[] = [];
  for (const lines of course.pours) {
    const { step } = lines;
    const idle = step !== null && step.id === without;
    const trimmed = pouring.into(pan, lines, idle);
    if (step === null) continue;
    const after = idle ? { pan, outcome: noOutcome(step.id) } : afterStep(pan, step, at);
    const { outcome } = after;
    const there = found?.get(step.id);
    pan = there ? asFound(after.pan, there) : after.pan;
    if (outcome === null) continue;
    at.celsius = outcome.celsius;
    outcomes.push({ ...outcome, trimmed });
  }
  const product = blendedPan(pan);
  const millilitres = volumeOf(product) + solidVolumeOf(product);
  return { pan, product, millilitres, outcomes, pouring };
}

/** A walk, before it is told what of each line went in. */
interface WalkedAlong extends Pick<Walked, 'pan' | 'product' | 'millilitres' | 'outcomes'> {
  pouring: Pouring;
}

const orNull = (grams: readonly number[]): (number | null)[] =>
  grams.map((g) => (Number.isNaN(g) ? null : g));

/**
 * The batch carried along its course: a walk, for who wants the product alone and wants it many times.
 * Lines said per bottle are counted for the bottles that the batch fills with them in, so that they follow it.
 * @param course the formula and its lines as read; @param walking elevation in m, and the figures taken (typical where not said)
 */
export function walkAlong(course: Course, walking: Walking): WalkedAlong {
  const { bottleMl: ml, bottles } = course.content;
  const at = (count: number) => once(course, walking, { count, ml });
  if (!course.perBottle || bottles) return at(bottles ?? 0);
  const none = at(0);
  const guess = none.millilitres / ml;
  if (guess < 0.01) return none;
  const some = at(guess);
  const each = (some.millilitres - none.millilitres) / guess;
  return at(none.millilitres / Math.max(1, ml - each));
}

/**
 * The batch carried through its steps in order, each line going in at its own step, by its own basis.
 * Lines said per bottle go by the bottles that the batch fills with them in.
 * @param content the formula; @param lines its lines as read; @param walking elevation in m, and the figures taken (typical where not said)
 * @example walk({ ...cherry, lines: [] }, [], { elevationMetres: 0 }).millilitres // 0
 */
export function walk(content: FormulaContent, lines: readonly SaidLine[], walking: Walking): Walked {
  const { pouring, ...told } = walkAlong(courseOf(content, lines), walking);
  return { ...told, grams: orNull(pouring.grams), used: orNull(pouring.used) };
}
