import { INVERT_PER_SUCROSE, invertedShare } from '../../sugar/index.ts';
import type { FormulaStep } from '../content.ts';
import { phOf } from '../forecast/acidity.ts';
import { type Result, ROOM, type StepOutcome } from '../forecast/outcome.ts';
import type { Scenario } from '../forecast/scenario.ts';
import { DRIVES_OFF } from '../methods.ts';
import { keptAt, onTheFire, rateOf, type Stove, shareIn, tooFar } from './fire.ts';
import { blendedPan, brixOf, type Composition, liquidOf, massOf, type Pan, shareOf } from './pan.ts';
import { boiledBy } from './reduction.ts';

/** Sucrose split by hot acid over the step's minutes: mass is conserved, water is taken up. */
export function inverted(liquid: Composition, celsius: number, minutes: number): Composition {
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
export function withoutSpirit(liquid: Composition, minutes: number, scenario: Scenario): Composition {
  if (!(liquid.ethanol > 0)) return liquid;
  const next = shareOf(liquid, 1);
  next.ethanol *= scenario.alcohol(minutes);
  return next;
}

/** Held hot for some minutes: inversion, spirit lost, and water too, most of it where it boils with the lid off. */
export function simmer(
  pan: Pan,
  step: FormulaStep,
  { celsius, minutes }: { celsius: number; minutes: number },
  scenario: Scenario,
  stove: Stove,
): Result {
  const hot = celsius >= DRIVES_OFF;
  const liquid = inverted(hot ? withoutSpirit(pan.liquid, minutes, scenario) : pan.liquid, celsius, minutes);
  const rate = onTheFire(step) ? scenario.pick(rateOf(step, pan, stove)) : 0;
  const { share, stops } = shareIn(liquid, rate, minutes);
  const boiled = boiledBy(liquid, share);
  const tell = () => {
    const note = share > 0 ? tooFar(brixOf(boiled), stops) : undefined;
    return { evaporated: massOf(pan.liquid) - massOf(boiled), rate, ...(note ? { note } : {}) };
  };
  return { pan: { liquid: boiled, fruit: pan.fruit }, tell };
}

/** kJ to warm a gram by a degree, and to boil a gram of water off. */
const [WARMS, BOILS] = [0.0038, 2.257];

/** Heat in kJ that a step puts into the pan, from how warm it was, and how warm it leaves it, °C. */
export function heatOf(
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
