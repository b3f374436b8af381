import { type AcidName, type Acids, acidFacts, PKW } from './constants.ts';
import { ACIDS } from './moles.ts';

/** An acid mixture laid out for the charge balance: amounts in mol/kg and, for each acid, 10^−ΣpKa up to each step. */
export interface Mixture {
  amounts: number[];
  betas: number[][];
}

const betasOf = new Map<AcidName, number[]>();
for (const name of Object.keys(acidFacts) as AcidName[]) {
  let sum = 0;
  betasOf.set(
    name,
    acidFacts[name].pKa.map((pKa) => {
      sum += pKa;
      return 10 ** -sum;
    }),
  );
}

const BETAS = ACIDS.map((name) => betasOf.get(name)!);

export function mixtureOf(acids: Acids): Mixture {
  const mixture: Mixture = { amounts: [], betas: [] };
  for (const name of Object.keys(acids) as AcidName[]) {
    const amount = acids[name];
    if (amount === undefined || amount === 0) continue;
    const betas = betasOf.get(name);
    if (!betas) throw new RangeError(`No acid is called "${name}"`);
    if (!(amount > 0 && amount < 50))
      throw new RangeError(`${amount} mol/kg of ${name} acid is outside 0 to 50`);
    mixture.amounts.push(amount);
    mixture.betas.push(betas);
  }
  return mixture;
}

/**
 * A mixture from amounts by place, each divided by the kg of water they are in; null where one is outside 0 to `most` mol/kg, which is past what the balance is good for.
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

/** Sums over a mixture at x = 10^pH and g = 1/γ1, filled in place: Σ C·n and Σ C·z². */
export interface Charges {
  charge: number;
  squares: number;
}

/** Charge of all the acids and the sum of squared charges, eq/kg, at x = 10^pH and g = 1/γ1. */
export function chargesOf(mixture: Mixture, x: number, g: number, out: Charges): Charges {
  const g4 = g * g * g * g;
  out.charge = 0;
  out.squares = 0;
  for (let i = 0; i < mixture.amounts.length; i++) {
    const betas = mixture.betas[i]!;
    const first = betas[0]! * x * g;
    const second = betas.length > 1 ? betas[1]! * x * x * g4 : 0;
    const third = betas.length > 2 ? betas[2]! * x * x * x * g4 * g4 * g : 0;
    const share = mixture.amounts[i]! / (1 + first + second + third);
    out.charge += share * (first + 2 * second + 3 * third);
    out.squares += share * (first + 4 * second + 9 * third);
  }
  return out;
}
