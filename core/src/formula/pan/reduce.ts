import type { Range } from '../../ingredient/index.ts';
import { temperature } from '../../quantity/index.ts';
import { type Thickness, thicknesses } from '../../sugar/index.ts';
import type { FormulaStep } from '../content.ts';
import type { Result } from '../forecast/outcome.ts';
import type { Scenario } from '../forecast/scenario.ts';
import { boilsAt, cappedAt, minutesTo, rateOf, type Stove, shareIn, tooFar } from './fire.ts';
import { inverted, withoutSpirit } from './onFire.ts';
import { brixOf, type Composition, liquidOf, massOf, type Pan, solidsOf } from './pan.ts';
import { boiledBy, shareToBrix, shareToCelsius, shareToFraction, shareToThickness } from './reduction.ts';

/** The mark that a reduction is boiled down to, in its own unit: drawn once, so that what is reckoned twice is the same. */
function markOf(step: FormulaStep, scenario: Scenario): number {
  if (step.toBrix !== undefined) return scenario.mark(step.toBrix);
  if (step.toThickness !== undefined) return scenario.pick(looks(step.toThickness));
  if (step.toFraction !== undefined) return Math.min(1, scenario.set(step.toFraction));
  return step.toCelsius ?? Number.NaN;
}

/** Share of the water that a reduction boils off until its mark, or in its minutes; where it has neither, none. */
function shareOff(
  liquid: Composition,
  step: FormulaStep,
  to: { mark: number; rate: number },
  { elevationMetres }: Stove,
) {
  const { mark, rate } = to;
  if (step.toBrix !== undefined) return cappedAt(liquid, shareToBrix(liquid, mark));
  if (step.toThickness !== undefined) return cappedAt(liquid, shareToThickness(liquid, mark));
  if (step.toFraction !== undefined) return cappedAt(liquid, shareToFraction(liquid, mark));
  if (step.toCelsius === undefined) return shareIn(liquid, rate, step.minutes ?? 0);
  return cappedAt(
    liquid,
    cannotReduce(liquid, step, elevationMetres) ? 0 : shareToCelsius(liquid, mark, elevationMetres),
  );
}

/** Boiled down to its mark, or for its minutes. */
export function reduceStep(pan: Pan, step: FormulaStep, scenario: Scenario, stove: Stove): Result {
  const { elevationMetres } = stove;
  const rate = scenario.pick(rateOf(step, pan, stove));
  const before = pan.liquid;
  const to = { mark: markOf(step, scenario), rate };
  // As long as it is said to boil, or as its mark takes at the rate.
  const minutes = step.minutes ?? minutesTo(before, shareOff(before, step, to, stove).share, rate);
  const long = Number.isFinite(minutes) ? minutes : 0;
  const hot = inverted(withoutSpirit(before, long, scenario), boilsAt(before, elevationMetres), long);
  const { share, stops } = shareOff(hot, step, to, stove);
  const liquid = boiledBy(hot, share);
  const tell = () => {
    const note =
      cannotReduce(hot, step, elevationMetres) ?? (share > 0 ? tooFar(brixOf(liquid), stops) : undefined);
    return {
      evaporated: massOf(before) - massOf(liquid),
      rate,
      minutes: finite(minutesTo(hot, share, rate)),
      ...(step.toThickness === undefined ? {} : { brixLooks: brixLooks(hot, step.toThickness) }),
      ...(note ? { note } : {}),
    };
  };
  return { pan: { liquid, fruit: pan.fruit }, tell };
}

/** Minutes that end; none where nothing boils. */
const finite = (minutes: number): number | null => (Number.isFinite(minutes) ? minutes : null);

/** mPa·s of a look as a range that is drawn from. */
const looks = (thickness: Thickness): Range => thicknesses[thickness].mPas;

/** °Bx between which it may stand when it looks so thick. */
function brixLooks(liquid: Composition, thickness: Thickness): [number, number] {
  const at = (mPas: number) => brixOf(boiledBy(liquid, shareToThickness(liquid, mPas)));
  const [low, , high] = looks(thickness);
  return [at(low), at(high)];
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
  if (step.toThickness !== undefined) {
    if (solidsOf(liquid) === 0) return 'Water alone never thickens.';
    if (shareToThickness(liquid, looks(step.toThickness)[2]) === 0)
      return 'It looks thicker than that already; nothing is boiled off.';
  }
  if (step.toCelsius !== undefined && solidsOf(liquid) === 0)
    return 'Water alone never gets hotter than its boil.';
  if (step.toCelsius !== undefined && boilsAt(liquid, elevationMetres) >= step.toCelsius)
    return `It boils at ${temperature(boilsAt(liquid, elevationMetres), 1)} already, over the ${temperature(step.toCelsius)} asked for.`;
  return undefined;
}
