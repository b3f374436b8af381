import { boilingPointOfWater } from '../heat/index.ts';
import { temperature } from '../quantity/index.ts';
import { boilingPoint, INVERT_PER_SUCROSE, invertedShare } from '../sugar/index.ts';
import { phOf } from './acidity.ts';
import type { FormulaStep } from './content.ts';
import { DRIVES_OFF, extractionMethods, fullBoil, heldAt, openSimmer, strainMethods } from './methods.ts';
import {
  blendedPan,
  brixOf,
  type Composition,
  liquidOf,
  massOf,
  nothing,
  type Pan,
  pour,
  shareOf,
  solidsOf,
  volumeOf,
} from './pan.ts';
import { boiledBy, shareToBrix, shareToCelsius, shareToFraction, sugarsOf } from './reduction.ts';
import type { Scenario } from './scenario.ts';

/** What went through one step, for the record of masses. */
export interface StepOutcome {
  stepId: string;
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
  /** °C of the boil at its end; null where it does not boil. */
  boilsAt: number | null;
  note?: string;
}

export const noOutcome = (stepId: string): StepOutcome => ({
  stepId,
  trimmed: 0,
  retained: 0,
  evaporated: 0,
  minutes: null,
  brixAfter: 0,
  millilitresAfter: 0,
  boilsAt: null,
});

type Result = { pan: Pan; outcome: Partial<StepOutcome> };

/** Moves a share of what is in the fruit into the liquid; what does not dissolve stays, but for its pulp. */
function drawn(pan: Pan, share: number): Pan {
  const out = shareOf(pan.fruit, share);
  const left = shareOf(pan.fruit, 1 - share);
  left.insoluble = pan.fruit.insoluble;
  out.insoluble = 0;
  return { liquid: pour(shareOf(pan.liquid, 1), out, 1), fruit: left };
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

const boilsAt = (liquid: Composition, elevationMetres: number) =>
  boilingPoint({ ...sugarsOf(liquid), elevationMetres });

function extractionStep(pan: Pan, step: FormulaStep, scenario: Scenario, elevationMetres: number): Result {
  const facts = step.method && extractionMethods[step.method];
  const minutes = step.minutes ?? facts?.minutes ?? 0;
  const celsius = Math.min(heldAt(step), boilingPointOfWater(elevationMetres) + 1);
  const share = step.draws !== undefined ? scenario.set(step.draws) : facts ? scenario.pick(facts.draws) : 1;
  const out = drawn(pan, Math.min(1, share));
  const { pan: next, outcome } = simmer(out, step, celsius, minutes, scenario);
  const empty = massOf(pan.fruit) === 0 && facts !== undefined;
  return {
    pan: next,
    outcome: empty ? { ...outcome, note: 'There is no fruit in it to draw from.' } : outcome,
  };
}

/** Held hot for some minutes: inversion, spirit lost, and water too where the lid is off. */
function simmer(pan: Pan, step: FormulaStep, celsius: number, minutes: number, scenario: Scenario): Result {
  const hot = celsius >= DRIVES_OFF;
  const liquid = inverted(hot ? withoutSpirit(pan.liquid, minutes, scenario) : pan.liquid, celsius, minutes);
  const spirit = massOf(pan.liquid) - massOf(liquid);
  const rate = hot && step.lidOff ? (step.evaporates ?? scenario.pick(openSimmer)) : 0;
  const share = liquid.water > 0 ? Math.min(0.99, (rate * minutes) / liquid.water) : 0;
  const boiled = boil({ ...pan, liquid }, share);
  return { pan: boiled.pan, outcome: { evaporated: boiled.evaporated + spirit } };
}

function strainStep(pan: Pan, step: FormulaStep, scenario: Scenario): Result {
  const facts = step.cloth && strainMethods[step.cloth];
  const keeps = step.keeps !== undefined ? scenario.set(step.keeps) : facts ? scenario.pick(facts.keeps) : 1;
  const share = Math.min(1, keeps);
  const liquid = shareOf(pan.liquid, share);
  liquid.insoluble = (pan.liquid.insoluble + pan.fruit.insoluble) * (facts?.pulp ?? 0) * share;
  const left = massOf(pan.liquid) + massOf(pan.fruit) - massOf(liquid);
  const undrawn = liquidOf(pan.fruit);
  return {
    pan: { liquid, fruit: nothing() },
    outcome: {
      retained: left,
      ...(undrawn > 0.9 * liquidOf(blendedPan(pan)) && undrawn > 0
        ? { note: 'Nothing was extracted from the fruit before this: add an extraction step before it.' }
        : {}),
    },
  };
}

function reduceStep(pan: Pan, step: FormulaStep, scenario: Scenario, elevationMetres: number): Result {
  const rate = step.evaporates ?? scenario.pick(fullBoil);
  const before = pan.liquid;
  const hot = inverted(
    withoutSpirit(before, step.minutes ?? 0, scenario),
    boilsAt(before, elevationMetres),
    step.minutes ?? 0,
  );
  const note = cannotReduce(hot, step, elevationMetres);
  let share = 0;
  if (step.toBrix !== undefined) share = shareToBrix(hot, scenario.mark(step.toBrix));
  else if (step.toFraction !== undefined)
    share = shareToFraction(hot, Math.min(1, scenario.set(step.toFraction)));
  else if (step.toCelsius !== undefined)
    share = note ? 0 : shareToCelsius(hot, step.toCelsius, elevationMetres);
  else if (hot.water > 0) share = Math.min(0.99, (rate * (step.minutes ?? 0)) / hot.water);
  const boiled = boil({ ...pan, liquid: hot }, share);
  const evaporated = massOf(before) - massOf(boiled.pan.liquid);
  return {
    pan: boiled.pan,
    outcome: {
      evaporated,
      minutes: evaporated / rate,
      ...(note ? { note } : {}),
    },
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

function act(pan: Pan, step: FormulaStep, scenario: Scenario, elevationMetres: number): Result {
  switch (step.kind) {
    case 'draw':
      return extractionStep(pan, step, scenario, elevationMetres);
    case 'strain':
      return strainStep(pan, step, scenario);
    case 'reduce':
      return reduceStep(pan, step, scenario, elevationMetres);
    case 'heat':
      return simmer(pan, step, heldAt(step), step.minutes ?? 1, scenario);
    case 'process':
      // A closed bottle loses nothing; its sugar goes on splitting.
      return { pan: { ...pan, liquid: inverted(pan.liquid, 90, step.minutes ?? 0) }, outcome: {} };
    default:
      return { pan, outcome: {} };
  }
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
 * @param pan what is in it, g; @param step the step; @param walking the figures taken and the kitchen's elevation; untold, only the pan is worked out
 */
export function afterStep(
  pan: Pan,
  step: FormulaStep,
  walking: { scenario: Scenario; elevationMetres: number; untold: boolean },
): [Pan, StepOutcome] {
  const { scenario, elevationMetres, untold } = walking;
  const result = act(pan, step, scenario, elevationMetres);
  const outcome = noOutcome(step.id);
  if (untold) return [result.pan, outcome];
  return [result.pan, { ...outcome, ...result.outcome, ...reportOf(result.pan, step, elevationMetres) }];
}
