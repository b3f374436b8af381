import { boilingPointOfWater } from '../heat/index.ts';
import type { FormulaStep } from './content.ts';
import { noOutcome, type Result, type StepOutcome } from './forecast/outcome.ts';
import type { Scenario } from './forecast/scenario.ts';
import { extractionMethods, heldAt } from './methods.ts';
import { cookedShare, cooksFruit, drawn, drewOf } from './pan/drawn.ts';
import { boilsAt, keptAt, onTheFire, type Stove } from './pan/fire.ts';
import { heatOf, inverted, simmer } from './pan/onFire.ts';
import { blendedPan, brixOf, liquidOf, type Pan, solidVolumeOf, volumeOf } from './pan/pan.ts';
import { reduceStep } from './pan/reduce.ts';
import { strainStep } from './pan/strain.ts';
import type { Texture } from './texture.ts';

/** Drawn by its method, or by the heat where it is held at a simmer: whichever gives more. */
function extractionStep(pan: Pan, step: FormulaStep, scenario: Scenario, stove: Stove): Result {
  const facts = step.method && extractionMethods[step.method];
  const minutes = step.minutes ?? facts?.minutes ?? 0;
  const celsius = heldIn(pan, step, stove);
  const set = step.draws !== undefined ? scenario.set(step.draws) : null;
  const cooked =
    step.method !== 'cooked' && celsius >= SIMMERED ? cookedShare({ celsius, minutes }, scenario) : null;
  const share = (texture: Texture) =>
    set ?? (facts ? Math.max(scenario.pick(facts.draws[texture]), cooked?.(texture) ?? 0) : 1);
  const out = drawn(pan, share, step.method === 'blended');
  const simmered = simmer(out, step, { celsius, minutes }, scenario, stove);
  const tell = () => {
    const drew = drewOf(pan, out);
    const empty = drew === null && facts !== undefined;
    return {
      ...simmered.tell(),
      drew,
      ...(empty ? { note: 'There is no fruit in it to draw from.' } : {}),
    };
  };
  return { pan: simmered.pan, tell };
}

/** °C from which on an infusion is a simmer. */
const SIMMERED = 85;

/** °C that a step is held at: never hotter than it boils. */
const heldIn = (pan: Pan, step: FormulaStep, { elevationMetres }: Stove): number =>
  liquidOf(pan.liquid) > 0 && onTheFire(step)
    ? keptAt(step, pan.liquid, elevationMetres)
    : Math.min(heldAt(step), boilingPointOfWater(elevationMetres));

/** Heated through; fruit in it gives its juice as it cooks. */
function heatStep(pan: Pan, step: FormulaStep, scenario: Scenario, stove: Stove): Result {
  const celsius = heldIn(pan, step, stove);
  const minutes = step.minutes ?? 1;
  const share = cooksFruit(pan) ? cookedShare({ celsius, minutes }, scenario) : null;
  if (!share) return simmer(pan, step, { celsius, minutes }, scenario, stove);
  const out = drawn(pan, share, false);
  const simmered = simmer(out, step, { celsius, minutes }, scenario, stove);
  return { pan: simmered.pan, tell: () => ({ ...simmered.tell(), drew: drewOf(pan, out) }) };
}

/** Minutes that a reduction without a time is taken to cook the fruit in it. */
const LONG = 20;

/** Boiled down; fruit in it gives its juice first. */
function reduced(pan: Pan, step: FormulaStep, scenario: Scenario, stove: Stove): Result {
  const at = { celsius: keptAt(step, pan.liquid, stove.elevationMetres), minutes: step.minutes ?? LONG };
  const share = cooksFruit(pan) ? cookedShare(at, scenario) : null;
  if (!share) return reduceStep(pan, step, scenario, stove);
  const out = drawn(pan, share, false);
  const boiled = reduceStep(out, step, scenario, stove);
  return { pan: boiled.pan, tell: () => ({ ...boiled.tell(), drew: drewOf(pan, out) }) };
}

/** The figures taken, where it is cooked, and how warm the pan is, °C. */
type Walking = Stove & { scenario: Scenario; untold: boolean; celsius: number };

const nothingTold = () => ({});

function act(pan: Pan, step: FormulaStep, stove: Walking): Result {
  const { scenario, celsius } = stove;
  switch (step.kind) {
    case 'draw':
      return extractionStep(pan, step, scenario, stove);
    case 'strain':
      return strainStep(pan, step, scenario, celsius);
    case 'reduce':
      return reduced(pan, step, scenario, stove);
    case 'heat':
      return heatStep(pan, step, scenario, stove);
    case 'process':
      // A closed bottle loses nothing; its sugar goes on splitting.
      return { pan: { ...pan, liquid: inverted(pan.liquid, 90, step.minutes ?? 0) }, tell: nothingTold };
    default:
      return { pan, tell: nothingTold };
  }
}

function standsIn(pan: Pan): number {
  const whole = blendedPan(pan);
  return volumeOf(whole) + solidVolumeOf(whole);
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
  walking: Walking,
): { pan: Pan; outcome: StepOutcome | null } {
  const { elevationMetres, untold } = walking;
  const result = act(pan, step, walking);
  if (untold) return { pan: result.pan, outcome: null };
  const outcome = noOutcome(step.id);
  const told = { ...outcome, ...result.tell(), ...reportOf(result.pan, step, elevationMetres) };
  const heat = heatOf(pan, step, told.evaporated, walking);
  return { pan: result.pan, outcome: { ...told, holdsMl: standsIn(pan), ...heat } };
}
