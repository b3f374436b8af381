const GAS = 8.314462618;
const ACTIVATION = 108_000;

/**
 * Rate at which acid splits sucrose into glucose and fructose, per second, within 40 %.
 * @param ph activity of H+ as −log10; @param celsius 0–120 °C; throws RangeError outside. Source: first-order rate 6.0e-5 a_H s⁻¹ at 25 °C, 108 kJ/mol.
 * @example inversionRate(3, 90) > inversionRate(4, 90) // true
 */
export function inversionRate(ph: number, celsius: number): number {
  if (!(celsius >= 0 && celsius <= 120)) throw new RangeError(`${celsius} °C is outside 0 to 120`);
  const kelvin = celsius + 273.15;
  return 6.0e-5 * 10 ** -ph * Math.exp((-ACTIVATION / GAS) * (1 / kelvin - 1 / 298.15));
}

/**
 * Share of the sucrose split after a time in s at a pH and a temperature in °C, 0–1. Source: first-order kinetics.
 * @example invertedShare(3, 90, 0) // 0
 */
export const invertedShare = (ph: number, celsius: number, seconds: number): number =>
  1 - Math.exp(-inversionRate(ph, celsius) * seconds);

/** Grams of glucose and fructose together from one gram of sucrose: water is taken up (360.31 / 342.30). */
export const INVERT_PER_SUCROSE = 360.312 / 342.297;
