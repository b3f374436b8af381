import { dayOf } from '../calendar/index.ts';

/** A calibration as recorded. */
export interface KeptCalibration {
  at: string;
  accepted: boolean;
  low: 'checked' | 'failed' | 'missing';
}

export interface MeterStanding {
  counts: boolean;
  whyNot: string | null;
}

const no = (whyNot: string): MeterStanding => ({ counts: false, whyNot });

/**
 * Whether a pH reading counts for a gate: its meter was calibrated and accepted that day before it, low enough for it, and no
 * check failed afterwards that day.
 * @param reading pH and its instant; @param calibrations of its meter, any order; null where no meter was named
 * @param timeZone of the kitchen, for what "that day" is
 * @example meterStanding({ value: 3.4, at: T(2) }, [], 'UTC').counts // false
 */
export function meterStanding(
  reading: { value: number; at: string },
  calibrations: readonly KeptCalibration[] | null,
  timeZone: string,
): MeterStanding {
  if (!calibrations) return no('no meter was named');
  const day = dayOf(reading.at, timeZone);
  const thatDay = calibrations
    .filter((c) => dayOf(c.at, timeZone) === day)
    .sort((a, b) => a.at.localeCompare(b.at));
  const before = thatDay.filter((c) => c.at <= reading.at).at(-1);
  if (!before) return no('the meter was not calibrated that day');
  if (!before.accepted) return no('the calibration before it was refused');
  if (reading.value < 4.01 && before.low !== 'checked')
    return no('under 4.01 the meter needs a third check, and had none');
  const after = thatDay.find((c) => c.at > reading.at);
  if (after && !after.accepted) return no('the next check of the meter that day failed');
  return { counts: true, whyNot: null };
}
