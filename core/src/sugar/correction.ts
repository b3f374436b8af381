import { temperature } from '../quantity/index.ts';

const BRIX = [0, 5, 10, 15, 20, 25, 30, 40, 50, 60, 70] as const;

/** Corrections in °Bx by sample temperature, AOAC 932.14: to subtract below 20 °C, to add above. */
const ROWS: readonly (readonly [number, readonly number[]])[] = [
  [10, [0.5, 0.54, 0.58, 0.61, 0.64, 0.66, 0.68, 0.72, 0.74, 0.76, 0.79]],
  [12, [0.42, 0.45, 0.48, 0.5, 0.52, 0.54, 0.56, 0.58, 0.6, 0.61, 0.63]],
  [14, [0.33, 0.35, 0.37, 0.39, 0.4, 0.41, 0.42, 0.44, 0.45, 0.46, 0.48]],
  [16, [0.22, 0.24, 0.25, 0.26, 0.27, 0.28, 0.28, 0.3, 0.3, 0.31, 0.32]],
  [18, [0.12, 0.13, 0.13, 0.14, 0.14, 0.14, 0.14, 0.15, 0.15, 0.16, 0.16]],
  [20, [0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0]],
  [22, [0.13, 0.13, 0.14, 0.14, 0.15, 0.15, 0.15, 0.15, 0.16, 0.16, 0.16]],
  [24, [0.26, 0.27, 0.28, 0.29, 0.3, 0.3, 0.31, 0.31, 0.31, 0.32, 0.32]],
  [26, [0.4, 0.42, 0.43, 0.44, 0.45, 0.46, 0.47, 0.48, 0.48, 0.48, 0.48]],
  [28, [0.56, 0.58, 0.6, 0.61, 0.62, 0.63, 0.63, 0.64, 0.64, 0.64, 0.64]],
  [30, [0.72, 0.74, 0.77, 0.78, 0.79, 0.8, 0.8, 0.81, 0.81, 0.81, 0.81]],
];

const signed = ROWS.map(([celsius, row]) => row.map((v) => (celsius < 20 ? -v : v)));

function cell(values: readonly number[], low: number): number {
  let i = 0;
  while (i < values.length - 2 && low > values[i + 1]!) i++;
  return i;
}

function tableAt(brix: number, celsius: number): number {
  const temperatures = ROWS.map(([c]) => c);
  const i = cell(temperatures, celsius);
  const j = cell(BRIX, brix);
  const u = (celsius - temperatures[i]!) / (temperatures[i + 1]! - temperatures[i]!);
  const v = (brix - BRIX[j]!) / (BRIX[j + 1]! - BRIX[j]!);
  const low = signed[i]![j]! * (1 - v) + signed[i]![j + 1]! * v;
  const high = signed[i + 1]![j]! * (1 - v) + signed[i + 1]![j + 1]! * v;
  return low * (1 - u) + high * u;
}

export interface CorrectedBrix {
  brix: number;
  /** Added to the reading, °Bx; negative under 20 °C. */
  correction: number;
  /** True outside 10–30 °C or over 70 °Bx: cool the sample and read again. */
  extrapolated: boolean;
}

/**
 * Refractometer reading corrected to 20 °C.
 * @param reading °Bx as read, 0–85; @param celsius sample temperature, 5–45; @param compensated the instrument corrects by itself
 * @returns °Bx at 20 °C; outside 10–30 °C the last slope is continued and flagged, over 70 °Bx the last column is held and flagged
 * @throws RangeError outside 5–45 °C or 0–85 °Bx. Source: AOAC 932.14.
 * @example correctRefractometer({ reading: 50, celsius: 20 }) // { brix: 50, correction: 0, extrapolated: false }
 */
export function correctRefractometer(at: {
  reading: number;
  celsius: number;
  compensated?: boolean;
}): CorrectedBrix {
  const { reading, celsius } = at;
  if (!(reading >= 0 && reading <= 85))
    throw new RangeError(`A reading of ${reading} °Bx is outside 0 to 85`);
  if (!(celsius >= 5 && celsius <= 45))
    throw new RangeError(
      `A sample at ${temperature(celsius)} cannot be corrected: bring it between 10 and 30 °C and read again`,
    );
  if (at.compensated) return { brix: reading, correction: 0, extrapolated: reading > 70 };
  const correction = tableAt(Math.min(reading, 70), celsius);
  const extrapolated = celsius < 10 || celsius > 30 || reading > 70;
  return { brix: Math.max(0, reading + correction), correction, extrapolated };
}
