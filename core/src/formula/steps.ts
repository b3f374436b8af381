import { boilingPointOfWater } from '../heat/index.ts';
import { temperature } from '../quantity/index.ts';
import { INVERT_PER_SUCROSE, invertedShare } from '../sugar/index.ts';
import { phOf } from './acidity.ts';
import type { FormulaStep } from './content.ts';
import {
  boilsAt,
  cappedAt,
  keptAt,
  minutesTo,
  onTheFire,
  rateOf,
  type Stove,
  shareIn,
  tooFar,
} from './fire.ts';
import { DRIVES_OFF, extractionMethods, heldAt, strainMethods } from './methods.ts';
import {
  blendedPan,
  brixOf,
  type Composition,
  fruitOf,
  liquidOf,
  massOf,
  type Pan,
  pour,
  shareOf,
  solidsOf,
  volumeOf,
} from './pan.ts';
import { boiledBy, shareToBrix, shareToCelsius, shareToFraction } from './reduction.ts';
import type { Scenario } from './scenario.ts';
import type { Texture } from './texture.ts';

/** °C of a kitchen, and of what stands in it. */
export const ROOM = 20;

/** What went through one step, for the record of masses. */
export interface StepOutcome {
  stepId: string;
  /** Share of what was in the fruit that this step drew out, 0–1; null where it draws from none. */
  drew: number | null;
  /** Trimmed off, g. */
  trimmed: number;
  /** Left behind in the cloth, g. */
  retained: number;
  /** Boiled off, g: water, and what goes with it. */
  evaporated: number;
  /** Minutes that the boiling asks for at the rate taken; null where nothing is boiled off. */
  minutes: number | null;
  /** Of what is in the pan after it. */
  brixAfter: number;
  millilitresAfter: number;
  /** g of water a minute that the pan loses as the step begins; undefined where it stands on no fire. */
  rate?: number;
  /** Heat that went into the pan, kJ; 0 where it stands on no fire. */
  kilojoules: number;
  /** How warm it leaves the pan, °C. */
  celsius: number;
  /** °C of the boil at its end; null where it does not boil. */
  boilsAt: number | null;
  note?: string;
}

export const noOutcome = (stepId: string): StepOutcome => ({
  stepId,
  drew: null,
  trimmed: 0,
  retained: 0,
  evaporated: 0,
  minutes: null,
  kilojoules: 0,
  celsius: ROOM,
  brixAfter: 0,
  millilitresAfter: 0,
  boilsAt: null,
});

type Result = { pan: Pan; outcome: Partial<StepOutcome> };

/** Moves a share of what is in the fruit into the liquid, by its texture; what does not dissolve stays, but for its pulp. */
function drawn(pan: Pan, shareFor: (texture: Texture) => number): Pan {
  const next: Pan = { liquid: shareOf(pan.liquid, 1), fruit: {} };
  for (const key in pan.fruit) {
    const texture = key as Texture;
    const pieces = pan.fruit[texture]!;
    const share = Math.min(1, shareFor(texture));
    const { insoluble } = pieces;
    pour(next.liquid, { ...pieces, insoluble: 0 }, share);
    next.fruit[texture] = { ...shareOf(pieces, 1 - share), insoluble };
  }
  return next;
}

/** What part of what was in the fruit came out. */
function drewOf(before: Pan, after: Pan): number | null {
  const held = liquidOf(fruitOf(before));
  return held > 0 ? 1 - liquidOf(fruitOf(after)) / held : null;
}

/** Sucrose split by hot acid over the step's minutes: mass is conserved, water is taken up. */
function inverted(liquid: Composition, celsius: number, minutes: number): Composition {
  if (!(liquid.sucrose > 0) || !(minutes > 0) || celsius < 40) return liquid;
  // The rate itself is known within 40 %: a pH to a thousandth is ample.
  const ph = phOf(liquid, 1e-3);
  if (ph === null) return liquid;
  const split = liquid.sucrose * invertedShare(ph, celsius, minutes * 60);
  const next = shareOf(liquid, 1);
  next.sucrose -= split;
  next.glucose += (split * INVERT_PER_SUCROSE) / 2;
  next.fructose += (split * INVERT_PER_SUCROSE) / 2;
  next.water -= split * (INVERT_PER_SUCROSE - 1);
  return next.water > 0 ? next : liquid;
}

/** Alcohol that goes with the steam over the step's minutes, by the published retention table. */
function withoutSpirit(liquid: Composition, minutes: number, scenario: Scenario): Composition {
  if (!(liquid.ethanol > 0)) return liquid;
  const next = shareOf(liquid, 1);
  next.ethanol *= scenario.alcohol(minutes);
  return next;
}

/** Boils a share of the water off and says what went. */
function boil(pan: Pan, share: number): { pan: Pan; evaporated: number } {
  const liquid = boiledBy(pan.liquid, share);
  return { pan: { ...pan, liquid }, evaporated: massOf(pan.liquid) - massOf(liquid) };
}

function extractionStep(pan: Pan, step: FormulaStep, scenario: Scenario, stove: Stove): Result {
  const facts = step.method && extractionMethods[step.method];
  const minutes = step.minutes ?? facts?.minutes ?? 0;
  const celsius = Math.min(heldAt(step), boilingPointOfWater(stove.elevationMetres) + 1);
  const set = step.draws !== undefined ? scenario.set(step.draws) : null;
  const out = drawn(pan, (texture) => set ?? (facts ? scenario.pick(facts.draws[texture]) : 1));
  const { pan: next, outcome } = simmer(out, step, { celsius, minutes }, scenario, stove);
  const drew = drewOf(pan, out);
  const empty = drew === null && facts !== undefined;
  return {
    pan: next,
    outcome: { ...outcome, drew, ...(empty ? { note: 'There is no fruit in it to draw from.' } : {}) },
  };
}

/** Held hot for some minutes: inversion, spirit lost, and water too, most of it where the lid is off. */
function simmer(
  pan: Pan,
  step: FormulaStep,
  { celsius, minutes }: { celsius: number; minutes: number },
  scenario: Scenario,
  stove: Stove,
): Result {
  const hot = celsius >= DRIVES_OFF;
  const liquid = inverted(hot ? withoutSpirit(pan.liquid, minutes, scenario) : pan.liquid, celsius, minutes);
  const spirit = massOf(pan.liquid) - massOf(liquid);
  const rate = hot && onTheFire(step) ? scenario.pick(rateOf(step, pan, stove)) : 0;
  const { share, stops } = shareIn(liquid, rate, minutes);
  const boiled = boil({ ...pan, liquid }, share);
  const note = share > 0 ? tooFar(brixOf(boiled.pan.liquid), stops) : undefined;
  return {
    pan: boiled.pan,
    outcome: { evaporated: boiled.evaporated + spirit, rate, ...(note ? { note } : {}) },
  };
}

function strainStep(pan: Pan, step: FormulaStep, scenario: Scenario): Result {
  const facts = step.cloth && strainMethods[step.cloth];
  const keeps = step.keeps !== undefined ? scenario.set(step.keeps) : facts ? scenario.pick(facts.keeps) : 1;
  const share = Math.min(1, keeps);
  const fruit = fruitOf(pan);
  const liquid = shareOf(pan.liquid, share);
  liquid.insoluble = (pan.liquid.insoluble + fruit.insoluble) * (facts?.pulp ?? 0) * share;
  const left = massOf(pan.liquid) + massOf(fruit) - massOf(liquid);
  const undrawn = liquidOf(fruit);
  return {
    pan: { liquid, fruit: {} },
    outcome: {
      retained: left,
      ...(undrawn > 0.9 * liquidOf(blendedPan(pan)) && undrawn > 0
        ? { note: 'Nothing was extracted from the fruit before this: add an extraction step before it.' }
        : {}),
    },
  };
}

/** Share of the water that a reduction boils off until its mark, or in its minutes; where it has neither, none. */
function shareOff(
  liquid: Composition,
  step: FormulaStep,
  rate: number,
  { elevationMetres }: Stove,
  set: Scenario,
) {
  const to = (share: number) => cappedAt(liquid, share);
  if (step.toBrix !== undefined) return to(shareToBrix(liquid, set.mark(step.toBrix)));
  if (step.toFraction !== undefined)
    return to(shareToFraction(liquid, Math.min(1, set.set(step.toFraction))));
  if (step.toCelsius === undefined) return shareIn(liquid, rate, step.minutes ?? 0);
  return to(
    cannotReduce(liquid, step, elevationMetres) ? 0 : shareToCelsius(liquid, step.toCelsius, elevationMetres),
  );
}

function reduceStep(pan: Pan, step: FormulaStep, scenario: Scenario, stove: Stove): Result {
  const { elevationMetres } = stove;
  const rate = scenario.pick(rateOf(step, pan, stove));
  const before = pan.liquid;
  // As long as it is said to boil, or as its mark takes at the rate; both are drawn once.
  const drawn: Scenario = { ...scenario, mark: once(scenario.mark), set: once(scenario.set) };
  const minutes = step.minutes ?? minutesTo(before, shareOff(before, step, rate, stove, drawn).share, rate);
  const long = Number.isFinite(minutes) ? minutes : 0;
  const hot = inverted(withoutSpirit(before, long, scenario), boilsAt(before, elevationMetres), long);
  const note = cannotReduce(hot, step, elevationMetres);
  const { share, stops } = shareOff(hot, step, rate, stove, drawn);
  const boiled = boil({ ...pan, liquid: hot }, share);
  const evaporated = massOf(before) - massOf(boiled.pan.liquid);
  const says = note ?? (share > 0 ? tooFar(brixOf(boiled.pan.liquid), stops) : undefined);
  return {
    pan: boiled.pan,
    outcome: {
      evaporated,
      rate,
      minutes: stove.untold ? null : minutesTo(hot, share, rate),
      ...(says ? { note: says } : {}),
    },
  };
}

/** A figure drawn at the first asking, and the same from then on. */
function once(draw: (value: number) => number): (value: number) => number {
  let drawn: number | undefined;
  return (value) => {
    drawn ??= draw(value);
    return drawn;
  };
}

/** Why a reduction does nothing, in words; undefined where it does something. */
function cannotReduce(liquid: Composition, step: FormulaStep, elevationMetres: number): string | undefined {
  if (liquidOf(liquid) === 0) return 'There is nothing in the pan yet.';
  const brix = brixOf(liquid);
  if (step.toBrix !== undefined) {
    if (solidsOf(liquid) === 0) return 'There is nothing dissolved in it to reduce to.';
    // What is entered to a tenth is not over its mark by less.
    if (brix > step.toBrix + 0.05)
      return `It is already at ${brix.toFixed(0)} °Bx, over the ${step.toBrix} °Bx asked for; nothing is boiled off.`;
  }
  if (step.toCelsius !== undefined && solidsOf(liquid) === 0)
    return 'Water alone never gets hotter than its boil.';
  if (step.toCelsius !== undefined && boilsAt(liquid, elevationMetres) >= step.toCelsius)
    return `It boils at ${temperature(boilsAt(liquid, elevationMetres), 1)} already, over the ${temperature(step.toCelsius)} asked for.`;
  return undefined;
}

/** Heated through: never hotter than it boils. */
function heatStep(pan: Pan, step: FormulaStep, scenario: Scenario, stove: Stove): Result {
  const celsius =
    liquidOf(pan.liquid) > 0
      ? keptAt(step, pan.liquid, stove.elevationMetres)
      : Math.min(heldAt(step), boilingPointOfWater(stove.elevationMetres));
  return simmer(pan, step, { celsius, minutes: step.minutes ?? 1 }, scenario, stove);
}

function act(pan: Pan, step: FormulaStep, scenario: Scenario, stove: Stove): Result {
  switch (step.kind) {
    case 'draw':
      return extractionStep(pan, step, scenario, stove);
    case 'strain':
      return strainStep(pan, step, scenario);
    case 'reduce':
      return reduceStep(pan, step, scenario, stove);
    case 'heat':
      return heatStep(pan, step, scenario, stove);
    case 'process':
      // A closed bottle loses nothing; its sugar goes on splitting.
      return { pan: { ...pan, liquid: inverted(pan.liquid, 90, step.minutes ?? 0) }, outcome: {} };
    default:
      return { pan, outcome: {} };
  }
}

/** kJ to warm a gram by a degree, and to boil a gram of water off. */
const [WARMS, BOILS] = [0.0038, 2.257];

/** Heat in kJ that a step puts into the pan, from how warm it was, and how warm it leaves it, °C. */
function heatOf(
  pan: Pan,
  step: FormulaStep,
  evaporated: number,
  { celsius, elevationMetres }: { celsius: number; elevationMetres: number },
): Pick<StepOutcome, 'kilojoules' | 'celsius'> {
  const whole = blendedPan(pan);
  if (!onTheFire(step) || !(liquidOf(whole) > 0))
    return { kilojoules: 0, celsius: step.kind === 'add' || step.kind === 'measure' ? celsius : ROOM };
  const at = keptAt(step, whole, elevationMetres);
  return { kilojoules: massOf(whole) * WARMS * Math.max(0, at - celsius) + evaporated * BOILS, celsius: at };
}

/** What is in the pan after a step, as its outcome tells it. */
function reportOf(pan: Pan, step: FormulaStep, elevationMetres: number): Partial<StepOutcome> {
  const { liquid } = pan;
  return {
    brixAfter: brixOf(liquid.water > 0 ? liquid : blendedPan(pan)),
    millilitresAfter: volumeOf(liquid),
    boilsAt: step.kind === 'reduce' && liquid.water > 0 ? boilsAt(liquid, elevationMetres) : null,
  };
}

/**
 * The pan after one step, with what left it: drawn, strained, boiled or held hot. Mass in is mass out and what the outcome names.
 * @param pan what is in it, g; @param step the step; @param walking the figures taken, where it is cooked, how warm the pan is; untold, only the pan is worked out
 */
export function afterStep(
  pan: Pan,
  step: FormulaStep,
  walking: Stove & { scenario: Scenario; untold: boolean; celsius: number },
): [Pan, StepOutcome] {
  const { scenario, elevationMetres, untold } = walking;
  const result = act(pan, step, scenario, walking);
  const outcome = noOutcome(step.id);
  if (untold) return [result.pan, outcome];
  const told = { ...outcome, ...result.outcome, ...reportOf(result.pan, step, elevationMetres) };
  return [result.pan, { ...told, ...heatOf(pan, step, told.evaporated, walking) }];
}
