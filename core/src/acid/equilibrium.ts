import { type Acids, daviesLogGamma, FROZEN_IONIC_STRENGTH } from './constants.ts';
import { chargesOf, freeCharge, KW, type Mixture, mixtureOf, noCharges } from './species.ts';

export interface Equilibrium {
  ph: number;
  /** mol/kg of water, over all ions including the base cation. */
  ionicStrength: number;
  /** True over an ionic strength of 0.5, where activity coefficients are frozen. */
  extrapolated: boolean;
}

const { LN10 } = Math;

/** The longest step of the root search, in pH: where the balance is flat, Newton's own would leave the range. */
const LONGEST = 2;

/** Root of the charge balance at fixed ionic strength: Newton's steps, kept inside a bracket that only shrinks. */
function solveAt(mixture: Mixture, base: number, g: number, start: number, tolerance: number): number {
  const out = noCharges();
  let low = Number.NEGATIVE_INFINITY;
  let high = Number.POSITIVE_INFINITY;
  let ph = start;
  for (let i = 0; i < 200; i++) {
    const x = Math.exp(LN10 * ph);
    chargesOf(mixture, x, g, out);
    const y = base + freeCharge(x, g) - out.charge;
    if (y > 0) low = ph;
    else high = ph;
    // The balance falls with pH by this much a unit: the free ions' own, and the variance of each acid's charge.
    const slope = LN10 * (g / x + KW * x * g + out.variance);
    const step = Math.max(-LONGEST, Math.min(LONGEST, y / slope));
    if (Math.abs(step) < tolerance || Math.abs(y) < 1e-14) return ph + step;
    const next = ph + step;
    ph = next > low && next < high ? next : (low + high) / 2;
  }
  return ph;
}

/** Ionic strength of all ions at a pH, mol/kg. */
function strengthAt(mixture: Mixture, base: number, ph: number, g: number): number {
  const x = Math.exp(LN10 * ph);
  const { squares } = chargesOf(mixture, x, g, noCharges());
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
  return equilibriumOf(mixtureOf(solution.acids), solution.baseEquivalents, tolerance);
}

/**
 * Equilibrium pH of a mixture laid out before, as `equilibriumPh` finds it.
 * @param mixture acids, mol per kg of water; @param base strong cations less strong anions, eq per kg of water; @param tolerance of the root, in pH
 * @throws RangeError on a base outside −200 to 200
 * @example equilibriumOf({ amounts: [0.1], betas: [[10 ** -4.756]] }, 0, 1e-9).ph // 2.88
 */
export function equilibriumOf(mixture: Mixture, base: number, tolerance: number): Equilibrium {
  if (!(Math.abs(base) <= 200)) throw new RangeError(`A base of ${base} eq/kg is outside −200 to 200`);
  let strength = Math.min(Math.abs(base), FROZEN_IONIC_STRENGTH);
  let ph = 4;
  const settles = 10 * tolerance;
  for (let i = 0; i < 60; i++) {
    const g = Math.exp(-LN10 * daviesLogGamma(strength));
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
