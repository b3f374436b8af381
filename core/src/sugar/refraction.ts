import { monotoneCurve } from './curve.ts';

const curve = monotoneCurve(
  [0, 10, 20, 30, 40, 50, 60, 70, 80, 85],
  [1.33299, 1.34782, 1.36384, 1.38115, 1.39986, 1.42009, 1.44193, 1.46546, 1.49071, 1.50398],
  { x: 'Brix', y: 'refractive index' },
);

/**
 * Refractive index (sodium D line) at 20 °C of sucrose in water. @param brix % w/w, 0–85; throws outside. Source: ICUMSA 1974, SPS-3.
 * @example refractiveIndexAt20(50) // 1.4201
 */
export function refractiveIndexAt20(brix: number): number {
  return curve.at(brix);
}

/**
 * °Bx from a refractive index at 20 °C, 1.33299–1.50398; throws RangeError outside. Source: ICUMSA 1974, SPS-3, inverted.
 * @example brixFromRefractiveIndex(1.42009) // 50.0
 */
export function brixFromRefractiveIndex(n: number): number {
  return curve.inverse(n);
}
