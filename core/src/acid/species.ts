import { type AcidName, type Acids, acidFacts, PKW } from './constants.ts';
import { ACIDS, placeOfAcid } from './moles.ts';

/** An acid mixture laid out for the charge balance: amounts in mol/kg and, for each acid, 10^−ΣpKa up to each step. */
export interface Mixture {
  amounts: number[];
  betas: number[][];
}

/** 10^−ΣpKa of each acid, by its place. */
const BETAS = ACIDS.map((name) => {
  let sum = 0;
  return acidFacts[name].pKa.map((pKa) => {
    sum += pKa;
    return 10 ** -sum;
  });
});

export function mixtureOf(acids: Acids): Mixture {
  const mixture: Mixture = { amounts: [], betas: [] };
  for (const name of Object.keys(acids) as AcidName[]) {
    const amount = acids[name];
    if (amount === undefined || amount === 0) continue;
    const betas = BETAS[placeOfAcid(name)];
    if (!betas) throw new RangeError(`No acid is called "${name}"`);
    if (!(amount > 0 && amount < 50))
      throw new RangeError(`${amount} mol/kg of ${name} acid is outside 0 to 50`);
    mixture.amounts.push(amount);
    mixture.betas.push(betas);
  }
  return mixture;
}

/**
 * A mixture from amounts in mol by their place and the kg of water that they are in; null where one is outside 0 to `most` mol/kg.
 * @example mixtureAt([0.2], 2, 20).amounts // [0.1]
 */
export function mixtureAt(moles: readonly number[], kgWater: number, most: number): Mixture | null {
  const mixture: Mixture = { amounts: [], betas: [] };
  for (let i = 0; i < moles.length; i++) {
    if (moles[i] === 0) continue;
    const amount = moles[i]! / kgWater;
    if (!(amount > 0 && amount < most)) return null;
    mixture.amounts.push(amount);
    mixture.betas.push(BETAS[i]!);
  }
  return mixture;
}

/** Ion product of water on the activity scale. */
export const KW = 10 ** -PKW;

/** Free H+ less free OH− in mol/kg. @param x 10^pH, one over the activity of H+; @param g one over γ of a single charge */
export const freeCharge = (x: number, g: number): number => g / x - KW * x * g;

/** Sums over a mixture at x = 10^pH and g = 1/γ1, filled in place: Σ C·n, Σ C·z², and Σ C·(z² − n²), by which the charge grows with ln x. */
export interface Charges {
  charge: number;
  squares: number;
  variance: number;
}

export const noCharges = (): Charges => ({ charge: 0, squares: 0, variance: 0 });

/** Charge of all the acids, the sum of squared charges and their variance, eq/kg, at x = 10^pH and g = 1/γ1. */
export function chargesOf(mixture: Mixture, x: number, g: number, out: Charges): Charges {
  const g4 = g * g * g * g;
  out.charge = 0;
  out.squares = 0;
  out.variance = 0;
  for (let i = 0; i < mixture.amounts.length; i++) {
    const betas = mixture.betas[i]!;
    const first = betas[0]! * x * g;
    const second = betas.length > 1 ? betas[1]! * x * x * g4 : 0;
    const third = betas.length > 2 ? betas[2]! * x * x * x * g4 * g4 * g : 0;
    const all = 1 + first + second + third;
    const amount = mixture.amounts[i]!;
    const mean = (first + 2 * second + 3 * third) / all;
    const square = (first + 4 * second + 9 * third) / all;
    out.charge += amount * mean;
    out.squares += amount * square;
    out.variance += amount * (square - mean * mean);
  }
  return out;
}
