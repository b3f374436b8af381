import { monotoneCurve } from './curve.ts';

const curve = monotoneCurve(
  [0, 10, 20, 30, 40, 50, 60, 70, 80],
  [0.9982, 1.03814, 1.08096, 1.12698, 1.17645, 1.22957, 1.28646, 1.34717, 1.41172],
  { x: 'Brix', y: 'density' },
);

/**
 * Density in g/mL at 20 °C of sucrose in water. @param brix % w/w, 0–80; throws RangeError outside. Source: NBS Circular 440.
 * @example densityAt20(50) // 1.230
 */
export function densityAt20(brix: number): number {
  return curve.at(brix);
}

/**
 * °Bx (% w/w sucrose) from a density in g/mL at 20 °C, 0.99820–1.41172; throws RangeError outside. Source: NBS Circular 440, inverted.
 * @example brixFromDensity(1.2296) // 50.0
 */
export function brixFromDensity(gPerMl: number): number {
  return curve.inverse(gPerMl);
}
