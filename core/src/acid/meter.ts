/** Values of the two usual buffers at temperature (makers' common tables for 7.00 and 4.01; the phthalate row is NIST's). */
const BUFFER_TEMPERATURES = [0, 5, 10, 15, 20, 25, 30, 35, 40] as const;
const BUFFER_VALUES: Record<string, readonly number[]> = {
  '7.00': [7.11, 7.08, 7.06, 7.03, 7.01, 7.0, 6.98, 6.98, 6.97],
  '4.01': [4.01, 4.0, 4.0, 4.0, 4.0, 4.01, 4.01, 4.02, 4.03],
};

export interface BufferPoint {
  /** Nominal pH of the buffer at 25 °C. */
  buffer: number;
  /** What it shows, mV; null for a pen that shows pH alone. */
  mv?: number | null;
  /** What it shows, pH, once it was set on its buffers; for a pen. */
  ph?: number | null;
  celsius: number;
}

/** A point with its millivolts: those of a perfect electrode at the pH that a pen shows. */
type Read = BufferPoint & { mv: number };

export interface MeterCalibration {
  /** Of the theoretical 59.16 mV per pH at 25 °C, in proportion to absolute temperature. */
  slopePercent: number;
  /** mV at pH 7. */
  offsetMv: number;
  accepted: boolean;
  /** Whether readings under 4.01 count: a third point of 3.56 or lower read within 0.05. */
  low: 'checked' | 'failed' | 'missing';
  reason: string;
}

/** mV per pH of a perfect electrode at a temperature in °C. */
function theoreticalSlope(celsius: number): number {
  return (59.16 * (celsius + 273.15)) / 298.15;
}

function bufferAt(point: BufferPoint): number {
  const row = BUFFER_VALUES[point.buffer.toFixed(2)];
  if (!row) return point.buffer;
  const i = Math.min(BUFFER_TEMPERATURES.length - 2, Math.max(0, Math.floor(point.celsius / 5)));
  const t = (point.celsius - BUFFER_TEMPERATURES[i]!) / 5;
  return row[i]! * (1 - t) + row[i + 1]! * t;
}

/** Standards of a third, lower check: buffers 3.00, 2.00 and 1.68, cream of tartar 3.56, citrate 3.78. */
const LOW_STANDARDS = [3, 2, 1.68, 3.56, 3.78] as const;

/** How the third check went: read within 0.05 of a standard that there is, and no other standard below 7 read further out. */
function lowCheck(
  points: readonly Read[],
  used: readonly Read[],
  slope: number,
  offset: number,
): MeterCalibration['low'] {
  const low = points.filter((p) => p.buffer < 6.9 && !used.includes(p));
  if (low.some((p) => !isStandard(p) && p.buffer < 3.9)) return 'failed';
  if (!low.some((p) => p.buffer < 3.9)) return 'missing';
  const read = (p: Read) => 7 - (p.mv - offset) / (slope * theoreticalSlope(p.celsius));
  return low.every((p) => Math.abs(read(p) - bufferAt(p)) <= 0.05 + 1e-9) ? 'checked' : 'failed';
}

const isStandard = (p: BufferPoint): boolean =>
  LOW_STANDARDS.some((standard) => Math.abs(standard - p.buffer) < 0.015);

function verdict(slopePercent: number, offsetMv: number, low: MeterCalibration['low']): [boolean, string] {
  const slope = `slope ${slopePercent.toFixed(1)} %`;
  if (slopePercent < 92 || slopePercent > 105)
    return [
      false,
      `Refused: ${slope} is outside 92 to 105 %. Clean or replace the electrode, use fresh buffers.`,
    ];
  if (Math.abs(offsetMv) > 30)
    return [
      false,
      `Refused: offset ${offsetMv.toFixed(1)} mV is over 30 mV either way. Clean or replace the electrode.`,
    ];
  if (low === 'failed')
    return [
      false,
      'Refused: the low check is more than 0.05 out, or of no standard that is known (3.78, 3.56, 3.00, 2.00, 1.68). Rinse, use a fresh standard and check again.',
    ];
  const tail =
    low === 'missing' ? 'Readings under 4.01 need a third check before they count.' : 'Good for today.';
  return [true, `Accepted: ${slope}, offset ${offsetMv.toFixed(1)} mV. ${tail}`];
}

function asRead(p: BufferPoint): Read {
  const mv = p.mv ?? (p.ph == null ? Number.NaN : (7 - p.ph) * theoreticalSlope(p.celsius));
  if (!Number.isFinite(mv) || !(p.celsius >= 0 && p.celsius <= 40))
    throw new RangeError(
      `Buffer ${p.buffer}: give its millivolts or the pH it shows, and its temperature between 0 and 40 °C`,
    );
  return { ...p, mv };
}

/**
 * Slope and offset of a pH meter from buffers 7.00 and 4.01, with a third, lower check where one was read.
 * @param shown nominal buffer, what it shows (mV, or the pH of a pen that shows no millivolts) and °C (0–40) of each; @returns slope %, offset mV, whether accepted, the low check, and the reason
 * @throws RangeError where 7.00 or 4.01 is missing or a temperature is outside 0–40 °C. Accepts 92–105 % and ±30 mV.
 * @example calibrateMeter([{ buffer: 7, mv: 0, celsius: 25 }, { buffer: 4.01, mv: 176.9, celsius: 25 }]) // { slopePercent: 100.0, offsetMv: 0, accepted: true, low: 'missing' }
 */
export function calibrateMeter(shown: readonly BufferPoint[]): MeterCalibration {
  const points = shown.map(asRead);
  const seven = points.find((p) => Math.abs(p.buffer - 7) < 0.02);
  const four = points.find((p) => Math.abs(p.buffer - 4.01) < 0.02);
  if (!seven || !four) throw new RangeError('A calibration needs the buffers 7.00 and 4.01');
  const celsius = (seven.celsius + four.celsius) / 2;
  const span = bufferAt(seven) - bufferAt(four);
  const slope = (four.mv - seven.mv) / span / theoreticalSlope(celsius);
  const offset = seven.mv + (bufferAt(seven) - 7) * slope * theoreticalSlope(celsius);
  const low = lowCheck(points, [seven, four], slope, offset);
  const [accepted, reason] = verdict(slope * 100, offset, low);
  return { slopePercent: slope * 100, offsetMv: offset, accepted, low, reason };
}
