import { type Acids, daviesLogGamma, FROZEN_IONIC_STRENGTH } from './constants.ts';
import { type Charges, chargesOf, freeCharge, KW, type Mixture, mixtureOf } from './species.ts';

export interface Equilibrium {
  ph: number;
  /** mol/kg of water, over all ions including the base cation. */
  ionicStrength: number;
  /** True over an ionic strength of 0.5, where activity coefficients are frozen. */
  extrapolated: boolean;
}

const { LN10 } = Math;

/** Root of the charge balance at fixed ionic strength: secant steps kept inside a bracket that only shrinks. */
function solveAt(mixture: Mixture, base: number, g: number, start: number, tolerance: number): number {
  const out: Charges = { charge: 0, squares: 0 };
  const balance = (ph: number): number => {
    const x = Math.exp(LN10 * ph);
    return base + freeCharge(x, g) - chargesOf(mixture, x, g, out).charge;
  };
  let step = tolerance > 1e-6 ? 0.25 : 0.01;
  let [low, high] = [start, start];
  let fLow = balance(start);
  let fHigh = fLow;
  if (fLow === 0) return start;
  while (fLow < 0) {
    high = low;
    fHigh = fLow;
    low -= step;
    step *= 4;
    fLow = balance(low);
  }
  while (fHigh > 0) {
    low = high;
    fLow = fHigh;
    high += step;
    step *= 4;
    fHigh = balance(high);
  }
  let side = 0;
  for (let i = 0; i < 80 && high - low > tolerance; i++) {
    let x = i % 5 === 4 ? (low + high) / 2 : (low * fHigh - high * fLow) / (fHigh - fLow);
    if (!(x > low && x < high)) x = (low + high) / 2;
    const y = balance(x);
    if (Math.abs(y) < 1e-14) return x;
    if (y > 0) {
      if (x - low < tolerance && side === 1) return x;
      low = x;
      fLow = y;
      if (side === 1) fHigh /= 2;
      side = 1;
    } else {
      if (high - x < tolerance && side === -1) return x;
      high = x;
      fHigh = y;
      if (side === -1) fLow /= 2;
      side = -1;
    }
  }
  return (low + high) / 2;
}

/** Ionic strength of all ions at a pH, mol/kg. */
function strengthAt(mixture: Mixture, base: number, ph: number, g: number): number {
  const x = Math.exp(LN10 * ph);
  const { squares } = chargesOf(mixture, x, g, { charge: 0, squares: 0 });
  return (Math.abs(base) + g / x + KW * x * g + squares) / 2;
}

/**
 * Equilibrium pH of weak acids in water with a strong base, by charge balance with Davies activity coefficients.
 * @param solution.acids mol per kg of water; @param solution.baseEquivalents strong cations less strong anions, eq per kg of water
 * @param tolerance of the root, in pH; 1e-9 unless thousands are wanted at once
 * @returns pH (−log10 of the activity of H+) and ionic strength; flagged where the ionic strength is over 0.5
 * @throws RangeError on an unknown acid, a negative amount, or a base outside −200 to 200. Source: Davies (1962); Stumm & Morgan.
 * @example equilibriumPh({ acids: { acetic: 0.1 }, baseEquivalents: 0 }).ph // 2.88
 */
export function equilibriumPh(
  solution: { acids: Acids; baseEquivalents: number },
  tolerance = 1e-9,
): Equilibrium {
  const base = solution.baseEquivalents;
  if (!(Math.abs(base) <= 200)) throw new RangeError(`A base of ${base} eq/kg is outside −200 to 200`);
  return equilibriumOf(mixtureOf(solution.acids), base, tolerance);
}

/**
 * Equilibrium pH of a mixture laid out before, as `equilibriumPh` finds it.
 * @param mixture acids, mol per kg of water; @param base strong cations less strong anions, eq per kg of water, −200 to 200; @param tolerance of the root, in pH
 * @example equilibriumOf(mixtureAt(molesOf({ acetic: 0.1 }), 1, 20), 0, 1e-9).ph // 2.88
 */
export function equilibriumOf(mixture: Mixture, base: number, tolerance: number): Equilibrium {
  let strength = Math.min(Math.abs(base), FROZEN_IONIC_STRENGTH);
  let ph = 4;
  const settles = 10 * tolerance;
  for (let i = 0; i < 60; i++) {
    const g = 10 ** -daviesLogGamma(strength);
    const before = ph;
    ph = solveAt(mixture, base, g, ph, i === 0 ? Math.max(1e-3, tolerance) : tolerance);
    const next = strengthAt(mixture, base, ph, g);
    const frozen = strength >= FROZEN_IONIC_STRENGTH && next >= FROZEN_IONIC_STRENGTH;
    const settled =
      i > 0 && (frozen || (Math.abs(ph - before) < settles && Math.abs(next - strength) < settles));
    strength = next;
    if (settled) break;
  }
  return { ph, ionicStrength: strength, extrapolated: strength > FROZEN_IONIC_STRENGTH };
}
