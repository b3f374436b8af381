import type { Range } from '../../ingredient/index.ts';

/** A stream of chance: the same seed gives the same stream. */
export interface Chance {
  /** 0 to 1, evenly. */
  even(): number;
  /** Standard normal. */
  normal(): number;
}

class Sfc32 implements Chance {
  private a = 0x9e3779b9 | 0;
  private b = 0x243f6a88;
  private c: number;
  private d = 1;
  private spare = 0;
  private hasSpare = false;

  constructor(seed: number) {
    this.c = seed | 0;
    for (let i = 0; i < 15; i++) this.even();
  }

  even(): number {
    const { a, b, c, d } = this;
    const t = (((a + b) | 0) + d) | 0;
    this.d = (d + 1) | 0;
    this.a = b ^ (b >>> 9);
    this.b = (c + (c << 3)) | 0;
    this.c = (((c << 21) | (c >>> 11)) + t) | 0;
    return (t >>> 0) / 4294967296;
  }

  normal(): number {
    if (this.hasSpare) {
      this.hasSpare = false;
      return this.spare;
    }
    // Box and Muller; 1 − even() is never 0.
    const radius = Math.sqrt(-2 * Math.log(1 - this.even()));
    const angle = 2 * Math.PI * this.even();
    this.spare = radius * Math.sin(angle);
    this.hasSpare = true;
    return radius * Math.cos(angle);
  }
}

/**
 * Pseudo-random numbers by SFC32, well mixed from a 32-bit seed. Source: PractRand (Doty-Humphrey), public domain.
 * @example chance(1).even() === chance(1).even() // true
 */
export const chance = (seed: number): Chance => new Sfc32(seed);

/** Ends of a published range are read as the 5th and 95th percentile. */
const Z95 = 1.6449;

/** A value of a range at z standard deviations: two half-normals that meet at its typical value, cut off at 2.5. */
export function atDeviation(range: Range, z: number): number {
  const cut = Math.max(-2.5, Math.min(2.5, z));
  const typical = range[1];
  return typical + (cut < 0 ? typical - range[0] : range[2] - typical) * (cut / Z95);
}

/** A pair of standard normals with a correlation, −1 to 1. */
export function correlated(stream: Chance, correlation: number): [number, number] {
  const first = stream.normal();
  return [first, correlation * first + Math.sqrt(1 - correlation ** 2) * stream.normal()];
}
