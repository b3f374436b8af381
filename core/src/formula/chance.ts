import type { Range } from '../ingredient/index.ts';

/** A stream of chance: the same seed gives the same stream. */
export interface Chance {
  /** 0 to 1, evenly. */
  even(): number;
  /** Standard normal. */
  normal(): number;
}

/**
 * Pseudo-random numbers by SFC32, well mixed from a 32-bit seed. Source: PractRand (Doty-Humphrey), public domain.
 * @example chance(1).even() === chance(1).even() // true
 */
export function chance(seed: number): Chance {
  let [a, b, c, d] = [0x9e3779b9, 0x243f6a88, seed | 0, 1];
  const next = (): number => {
    const t = (((a + b) | 0) + d) | 0;
    d = (d + 1) | 0;
    a = b ^ (b >>> 9);
    b = (c + (c << 3)) | 0;
    c = ((c << 21) | (c >>> 11)) + t;
    return (t >>> 0) / 4294967296;
  };
  for (let i = 0; i < 15; i++) next();
  let spare: number | null = null;
  return {
    even: next,
    normal() {
      if (spare !== null) {
        const kept = spare;
        spare = null;
        return kept;
      }
      // Box and Muller; 1 − even() is never 0.
      const radius = Math.sqrt(-2 * Math.log(1 - next()));
      const angle = 2 * Math.PI * next();
      spare = radius * Math.sin(angle);
      return radius * Math.cos(angle);
    },
  };
}

/** Ends of a published range are read as the 5th and 95th percentile. */
const Z95 = 1.6449;

/** A value of a range at z standard deviations: two half-normals that meet at its typical value, cut off at 2.5. */
export function atDeviation(range: Range, z: number): number {
  const cut = Math.max(-2.5, Math.min(2.5, z));
  const [low, typical, high] = range;
  return typical + (cut < 0 ? typical - low : high - typical) * (cut / Z95);
}

/** A pair of standard normals with a correlation, −1 to 1. */
export function correlated(stream: Chance, correlation: number): [number, number] {
  const first = stream.normal();
  return [first, correlation * first + Math.sqrt(1 - correlation ** 2) * stream.normal()];
}
