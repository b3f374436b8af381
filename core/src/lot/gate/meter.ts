import { dayOf } from '../../calendar/index.ts';
import { lastBefore, type RecordedCheck, voidedBy } from '../../instrument/index.ts';

/** A calibration as recorded. */
export interface KeptCalibration extends RecordedCheck {
  low: 'checked' | 'failed' | 'missing';
}

export interface MeterStanding {
  counts: boolean;
  whyNot: string | null;
}

const no = (whyNot: string): MeterStanding => ({ counts: false, whyNot });

/**
 * Whether a pH reading counts for a gate: its meter was calibrated and accepted that day before it, low enough for it, and no
 * failed check afterwards voids it.
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
  const before = lastBefore(
    calibrations.filter((c) => dayOf(c.at, timeZone) === day),
    reading.at,
  );
  if (!before) return no('the meter was not calibrated that day');
  if (!before.accepted) return no('the calibration before it was refused');
  // What is no figure is held to the stricter side.
  if (!(reading.value >= 4.01) && before.low !== 'checked')
    return no('under 4.01 the meter needs a third check, and had none');
  const failed = voidedBy(calibrations, reading.at);
  if (failed)
    return no(
      dayOf(failed.at, timeZone) === day
        ? 'the next check of the meter that day failed'
        : 'the next check of the meter failed',
    );
  return { counts: true, whyNot: null };
}
