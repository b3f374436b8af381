/** A check or calibration as recorded: when it happened, when it was written down, whether it was good. */
export interface RecordedCheck {
  at: string;
  recordedAt: string;
  accepted: boolean;
}

const inTime = (a: RecordedCheck, b: RecordedCheck): number =>
  a.at.localeCompare(b.at) || a.recordedAt.localeCompare(b.recordedAt);

/**
 * The last check before an instant, as it was known when the reading was taken or since; undefined where there is none.
 * @example lastBefore([{ at: T(1), recordedAt: T(1), accepted: true }], T(2)).accepted // true
 */
export const lastBefore = <C extends RecordedCheck>(checks: readonly C[], at: string): C | undefined =>
  checks
    .filter((c) => c.at <= at)
    .sort(inTime)
    .at(-1);

/**
 * The failed check that voids what was read at an instant: a failure voids everything back to the last good check that was written down
 * before it. A good check dated back between the two, written after the failure, saves nothing.
 * @param checks of one instrument and one kind, any order; @param at ISO instant of the reading
 * @returns the failure, or undefined where none voids it. Source: rules of the meter, a failed check voids the readings since the last good one.
 * @example voidedBy([{ at: T(3), recordedAt: T(3), accepted: false }], T(2)).at === T(3) // true
 */
export function voidedBy<C extends RecordedCheck>(checks: readonly C[], at: string): C | undefined {
  return checks
    .filter((failed) => !failed.accepted && failed.at > at)
    .sort(inTime)
    .find(
      (failed) =>
        !checks.some(
          (good) =>
            good.accepted && good.at > at && good.at < failed.at && good.recordedAt <= failed.recordedAt,
        ),
    );
}
