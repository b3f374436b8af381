import type { TALLY_PARTS } from '../record/index.ts';

export type TallyPart = (typeof TALLY_PARTS)[number];

export interface Tally {
  /** mL before filling. */
  inPanMl: number;
  /** mL in bottles, retained ones among them. */
  filledMl: number;
  parts: readonly { part: TallyPart; ml: number }[];
}

export interface TallyResult {
  accountedMl: number;
  /** mL that were in the pan and are unaccounted for; negative where more is accounted for than was there. */
  gapMl: number;
  /** Of what was in the pan, %. */
  gapPercent: number;
  /** Whether it is over the kitchen's tolerance, so that it wants a reason. */
  asks: boolean;
}

/**
 * Every millilitre of a lot accounted for: what was in the pan against bottles and everything else it went to.
 * @param tally mL, the pan's over 0, the others 0 or more; @param tolerancePercent of what was in the pan, 0 or more
 * @throws RangeError outside those ranges
 * @example tallyUp({ inPanMl: 2000, filledMl: 1900, parts: [{ part: 'sample', ml: 40 }] }, 5) // { accountedMl: 1940, gapMl: 60, gapPercent: 3, asks: false }
 */
export function tallyUp(tally: Tally, tolerancePercent: number): TallyResult {
  if (!(tally.inPanMl > 0)) throw new RangeError(`${tally.inPanMl} mL in the pan: write more than 0`);
  if (!(tolerancePercent >= 0)) throw new RangeError(`A tolerance of ${tolerancePercent} % is under 0`);
  if (!(tally.filledMl >= 0) || tally.parts.some((p) => !(p.ml >= 0)))
    throw new RangeError('Each part is 0 mL or more');
  const accountedMl = tally.filledMl + tally.parts.reduce((sum, p) => sum + p.ml, 0);
  const gapMl = tally.inPanMl - accountedMl;
  const gapPercent = (100 * gapMl) / tally.inPanMl;
  return { accountedMl, gapMl, gapPercent, asks: Math.abs(gapPercent) > tolerancePercent + 1e-9 };
}
