import { bottleSize, volume } from '../quantity/index.ts';

/** A drop more than its own outline: what rounding of the measures leaves open. */
const LEEWAY = 1.05;

/** A bottle or jar as it is measured from outside, mm. */
export interface Outline {
  shape: 'round' | 'flat-sided';
  diameterMm: number;
  /** Through its flat side; its diameter where not said. */
  depthMm?: number | null | undefined;
  heightMm: number;
}

/** mL that the outline of a bottle takes up. */
const outlineMl = ({ shape, diameterMm, depthMm, heightMm }: Outline): number =>
  ((shape === 'round' ? Math.PI / 4 : 1) * diameterMm * (depthMm ?? diameterMm) * heightMm) / 1000;

/**
 * Why a bottle of these measures cannot hold what is said of it; null where it can.
 * @param bottle its outline in mm; @param millilitres said of it
 * @example tooSmall({ shape: 'round', diameterMm: 75, heightMm: 200 }, 500) // null
 */
export function tooSmall(bottle: Outline, millilitres: number): string | null {
  const most = outlineMl(bottle);
  if (millilitres <= LEEWAY * most) return null;
  return `A bottle ${bottle.diameterMm} mm wide and ${bottle.heightMm} mm high takes up ${volume(most, 0)} with its glass: it cannot hold ${bottleSize(millilitres)}. Measure it again, in mm.`;
}
