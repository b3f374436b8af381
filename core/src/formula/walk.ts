import type { Range } from '../ingredient/index.ts';
import type { FormulaContent, FormulaStep } from './content.ts';
import { covering } from './covering.ts';
import { noOutcome, ROOM, type StepOutcome } from './outcome.ts';
import {
  blendedPan,
  type Composition,
  emptyPan,
  liquidOf,
  nothing,
  type Pan,
  pour,
  solidVolumeOf,
  volumeOf,
} from './pan.ts';
import { bulkDensity, type SaidLine } from './said.ts';
import { type Scenario, typical } from './scenario.ts';
import { afterStep } from './steps.ts';
import { textureOf } from './texture.ts';

/** What a walk through the steps comes to. */
export interface Walked {
  pan: Pan;
  /** Liquid and what fruit stays in it, blended: what a meter reads at equilibrium. */
  product: Composition;
  /** mL at 20 °C, with what does not dissolve. */
  millilitres: number;
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
}

/** Whether an ingredient is fruit, leaf or peel that has something to be drawn out of it. */
const isPiece = (line: SaidLine): boolean =>
  !line.ingredient!.liquid && ['fruit', 'plant', 'flavouring'].includes(line.ingredient!.family);

/** Where a line goes in the pan: into what runs, or among the fruit of its texture. */
function placeOf(pan: Pan, line: SaidLine): Composition {
  if (!isPiece(line)) return pan.liquid;
  const texture = textureOf(line.ingredient!, line.cut);
  pan.fruit[texture] ??= nothing();
  return pan.fruit[texture];
}

/** How many bottles a batch fills, and what one holds, mL: what is said in each bottle of one size goes by the size of another. */
interface Bottles {
  count: number;
  ml: number;
}

class Pouring {
  readonly grams: (number | null)[];
  readonly used: (number | null)[];
  private readonly index: Map<string, number>;
  private readonly lines: readonly SaidLine[];
  private readonly scenario: Scenario;
  private readonly bottles: Bottles;
  private readonly panMm: number | undefined;

  constructor(lines: readonly SaidLine[], scenario: Scenario, bottles: Bottles, panMm: number | undefined) {
    this.lines = lines;
    this.scenario = scenario;
    this.bottles = bottles;
    this.panMm = panMm;
    this.grams = lines.map(() => null);
    this.used = lines.map(() => null);
    this.index = new Map(lines.map((line, i) => [line.lineId, i]));
  }

  /** Grams of a line by its basis; null while what it follows has none. */
  private weigh(line: SaidLine, liquid: Composition, pan: Pan): number | null {
    if (!line.value || !line.ingredient) return null;
    const amount = this.scenario.amount(line.value, line.assumption !== undefined);
    const { basis } = line;
    if (basis.per === 'batch') return amount;
    if (basis.per === 'cover') {
      const ml = covering(pan, this.panMm);
      return ml === null ? null : amount * ml * (bulkDensity(line.ingredient) ?? 1);
    }
    if (basis.per === 'bottle' && basis.fills) {
      const room = this.bottles.count * this.bottles.ml - roomOf(pan);
      return room > 0 ? amount * room * (bulkDensity(line.ingredient) ?? 1) : null;
    }
    if (basis.per === 'bottle')
      return amount * this.bottles.count * (this.bottles.ml / (basis.ml ?? this.bottles.ml));
    const ratio = line.value.kind === 'ratio';
    if (basis.per === 'line') {
      const other = this.index.get(basis.lineId);
      const grams = other === undefined ? null : this.used[other]!;
      if (grams === null || grams === undefined) return null;
      if (basis.by === 'weight') return ratio ? amount * grams : (amount * grams) / 1000;
      const density = bulkDensity(this.lines[other!]!.ingredient!);
      return density === undefined ? null : byVolume(line, amount, ratio, grams / density);
    }
    if (liquidOf(liquid) === 0) return null;
    if (basis.by === 'volume') return byVolume(line, amount, ratio, volumeOf(liquid));
    return ratio ? amount * liquidOf(liquid) : (amount * liquidOf(liquid)) / 1000;
  }

  /** Puts the lines of a step in, those that follow another after the one they follow. */
  into(pan: Pan, wanted: readonly number[], step: FormulaStep | undefined): number {
    const byYield = wanted.some((i) => this.lines[i]!.basis.per === 'yield');
    const before = byYield ? pour(emptyPan().liquid, pan.liquid, 1) : pan.liquid;
    // What covers the rest goes in when the rest is in.
    const covers = (i: number) => {
      const { basis } = this.lines[i]!;
      return basis.per === 'cover' ? 1 : basis.per === 'bottle' && basis.fills ? 2 : 0;
    };
    let [open, trimmed] = [[...wanted].sort((a, b) => covers(a) - covers(b)), 0];
    for (let pass = 0; open.length > 0 && pass <= wanted.length; pass++) {
      const still: number[] = [];
      for (const i of open) {
        const line = this.lines[i]!;
        const grams = this.weigh(line, before, pan);
        if (grams === null) {
          still.push(i);
          continue;
        }
        const keeps = step?.kind === 'prepare' && isPiece(line) ? (step.keeps ?? 1) : 1;
        const kept = grams * (keeps === 1 ? 1 : this.scenario.set(keeps));
        this.grams[i] = grams;
        this.used[i] = kept;
        trimmed += grams - kept;
        pour(placeOf(pan, line), this.scenario.of(line.ingredient!), kept / 100);
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

/** A formula's content is never changed in place, so its places are found once. */
const placed = new WeakMap<FormulaContent, Map<string, number[]>>();

/** Places of the lines that go in at each step; a line without one, or whose step is gone, goes in at the first. */
function placesByStep(content: FormulaContent): Map<string, number[]> {
  const kept = placed.get(content);
  if (kept) return kept;
  const known = new Set(content.steps.map((step) => step.id));
  const places = new Map<string, number[]>();
  content.lines.forEach((line, i) => {
    const step = line.stepId && known.has(line.stepId) ? line.stepId : (content.steps[0]?.id ?? '');
    const list = places.get(step);
    if (list) list.push(i);
    else places.set(step, [i]);
  });
  placed.set(content, places);
  return places;
}

function once(
  content: FormulaContent,
  lines: readonly SaidLine[],
  walking: Walking,
  bottles: Bottles,
): Walked {
  const scenario = walking.scenario ?? typical;
  const pouring = new Pouring(lines, scenario, bottles, content.panMm);
  const places = placesByStep(content);
  let pan = emptyPan();
  let celsius = ROOM;
  const outcomes: StepOutcome[] = [];
  if (content.steps.length === 0) pouring.into(pan, places.get('') ?? [], undefined);
  for (const step of content.steps) {
    const idle = step.id === walking.without;
    const trimmed = pouring.into(pan, places.get(step.id) ?? [], idle ? undefined : step);
    const [next, outcome] = idle
      ? [pan, noOutcome(step.id)]
      : afterStep(pan, step, {
          scenario,
          elevationMetres: walking.elevationMetres,
          panMm: content.panMm,
          boiledOff: walking.boiledOff,
          untold: walking.untold ?? false,
          celsius,
        });
    pan = next;
    celsius = outcome.celsius;
    outcomes.push({ ...outcome, trimmed });
  }
  const product = blendedPan(pan);
  const millilitres = volumeOf(product) + solidVolumeOf(product);
  return { pan, product, millilitres, outcomes, grams: pouring.grams, used: pouring.used };
}

/**
 * The batch carried through its steps in order, each line going in at its own step, by its own basis.
 * Lines said per bottle are counted for the bottles that the batch fills with them in, so that they follow it.
 * @param content the formula; @param lines its lines as read; @param walking elevation in m, and the figures taken (typical where not said)
 * @example walk({ ...cherry, lines: [] }, [], { elevationMetres: 0 }).millilitres // 0
 */
export function walk(content: FormulaContent, lines: readonly SaidLine[], walking: Walking): Walked {
  const perBottle = lines.some((line) => line.basis.per === 'bottle' && line.value);
  const at = (count: number) => once(content, lines, walking, { count, ml: content.bottleMl });
  if (!perBottle || content.bottles) return at(content.bottles ?? 0);
  const none = at(0);
  const guess = none.millilitres / content.bottleMl;
  if (guess < 0.01) return none;
  const some = at(guess);
  const each = (some.millilitres - none.millilitres) / guess;
  return at(none.millilitres / Math.max(1, content.bottleMl - each));
}
