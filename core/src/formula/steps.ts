import { boilingPointOfWater } from '../heat/index.ts';
import type { FormulaStep } from './content.ts';
import { boilsAt, keptAt, type Stove } from './fire.ts';
import { extractionMethods, heldAt } from './methods.ts';
import { heatOf, inverted, simmer } from './onFire.ts';
import { noOutcome, type Result, type StepOutcome } from './outcome.ts';
import {
  blendedPan,
  brixOf,
  fruitOf,
  liquidOf,
  type Pan,
  pour,
  shareOf,
  solidVolumeOf,
  volumeOf,
} from './pan.ts';
import { reduceStep } from './reduce.ts';
import type { Scenario } from './scenario.ts';
import { strainStep } from './strain.ts';
import type { Texture } from './texture.ts';

/** Moves a share of what is in the fruit into the liquid, by its texture; what does not dissolve stays, unless a blender makes pulp of it. */
function drawn(pan: Pan, shareFor: (texture: Texture) => number, pulped: boolean): Pan {
  const next: Pan = { liquid: shareOf(pan.liquid, 1), fruit: {} };
  for (const key in pan.fruit) {
    const texture = key as Texture;
    const pieces = pan.fruit[texture]!;
    const share = Math.min(1, shareFor(texture));
    const { insoluble } = pieces;
    const out = shareOf(pieces, share);
    const left = shareOf(pieces, 1 - share);
    out.insoluble = pulped ? insoluble : 0;
    left.insoluble = pulped ? 0 : insoluble;
    pour(next.liquid, out, 1);
    next.fruit[texture] = left;
  }
  return next;
}

/** What part of what was in the fruit came out. */
function drewOf(before: Pan, after: Pan): number | null {
  const held = liquidOf(fruitOf(before));
  return held > 0 ? 1 - liquidOf(fruitOf(after)) / held : null;
}

function extractionStep(pan: Pan, step: FormulaStep, scenario: Scenario, stove: Stove): Result {
  const facts = step.method && extractionMethods[step.method];
  const minutes = step.minutes ?? facts?.minutes ?? 0;
  const celsius = Math.min(heldAt(step), boilingPointOfWater(stove.elevationMetres) + 1);
  const set = step.draws !== undefined ? scenario.set(step.draws) : null;
  const share = (texture: Texture) => set ?? (facts ? scenario.pick(facts.draws[texture]) : 1);
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

/** Heated through: never hotter than it boils. */
function heatStep(pan: Pan, step: FormulaStep, scenario: Scenario, stove: Stove): Result {
  const celsius =
    liquidOf(pan.liquid) > 0
      ? keptAt(step, pan.liquid, stove.elevationMetres)
      : Math.min(heldAt(step), boilingPointOfWater(stove.elevationMetres));
  return simmer(pan, step, { celsius, minutes: step.minutes ?? 1 }, scenario, stove);
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
      return reduceStep(pan, step, scenario, stove);
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
