import { waterActivity } from '../../keeping/index.ts';
import { activityBoilingAt, LOOKED_AT, viscosity } from '../../sugar/index.ts';
import { aceticGrams, brixOf, type Composition, loseAcetic, shareOf, solidsOf, volumeOf } from './pan.ts';
import { pulpOf, thickenedBy } from './pulp.ts';

/** Never boiled quite dry: at most this share of the water goes. */
const DRIEST = 0.99;

/** A liquid after a share of its water is boiled off: acetic acid goes with it in proportion, nothing else does. */
export function boiledBy(liquid: Composition, share: number): Composition {
  const left = shareOf(liquid, 1);
  left.water *= 1 - share;
  loseAcetic(left, share);
  return left;
}

/** Share of the water to boil off until the liquid stands at a °Bx; 0 where it is there already. Closed form: solids and water fall in a line with it. */
export function shareToBrix(liquid: Composition, brix: number): number {
  const solids = solidsOf(liquid);
  if (solids === 0) return 0;
  const acetic = aceticGrams(liquid);
  const over = brix * (solids + liquid.water + liquid.ethanol) - 100 * solids;
  const each = brix * liquid.water - (100 - brix) * acetic;
  return each > 0 ? Math.min(DRIEST, Math.max(0, over / each)) : 0;
}

function bisect(reached: (share: number) => boolean): number {
  let [low, high] = [0, DRIEST];
  if (reached(0)) return 0;
  for (let i = 0; i < 30; i++) {
    const middle = (low + high) / 2;
    if (reached(middle)) high = middle;
    else low = middle;
  }
  return high;
}

/** Share of the water to boil off until a part of the volume is left, 0–1. */
export function shareToFraction(liquid: Composition, fraction: number): number {
  const aim = volumeOf(liquid) * fraction;
  return bisect((share) => volumeOf(boiledBy(liquid, share)) <= aim);
}

/** Share of the water to boil off until it is so thick at 95 °C, mPa·s, its pulp counted. */
export function shareToThickness(liquid: Composition, mPas: number): number {
  const thick = (share: number) => {
    const left = boiledBy(liquid, share);
    return viscosity(Math.min(80, brixOf(left)), LOOKED_AT) * thickenedBy(pulpOf(left));
  };
  return bisect((share) => thick(share) >= mPas);
}

/** Share of the water to boil off until it boils at a temperature in °C at an elevation in m. */
export function shareToCelsius(liquid: Composition, celsius: number, elevationMetres: number): number {
  const aim = activityBoilingAt(celsius, elevationMetres);
  return bisect((share) => waterActivity(boiledBy(liquid, share)) <= aim);
}

/** Temperature in °C at which a liquid boils, by its °Bx and kinds of sugar; capped where the table ends. */
export const sugarsOf = (liquid: Composition) => {
  const total = liquid.sucrose + liquid.glucose + liquid.fructose;
  return {
    brix: Math.min(80, brixOf(liquid)),
    composition: total > 0 ? { glucose: liquid.glucose / total, fructose: liquid.fructose / total } : {},
  };
};
