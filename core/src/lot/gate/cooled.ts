import { COOLING, type CoolingReading, coolingClock } from '../../bottling/index.ts';
import { creditedAt } from '../../record/index.ts';
import { stepClock } from '../pan/clock.ts';
import { type BottlingEntry, type LotRecord, standing } from '../record.ts';
import { heatEndedAt } from './heating.ts';

const HOUR = 3_600_000;
const A_DAY = 24 * HOUR;

/** °C over which what goes into a bottle counts as hot still. */
const STILL_HOT = 60;

/** When the last straining before a filling was marked as done first; marking it again moves nothing. Null where none was. */
export function strainedAt(lot: LotRecord, before: string): string | null {
  const done = lot.steps
    .filter((s) => s.kind === 'strain' && stepClock(s, '9999').doneAt !== null)
    .flatMap(
      (s) =>
        s.marks
          .filter((m) => m.kind === 'done')
          .map((m) => m.at)
          .sort()[0] ?? [],
    )
    .filter((at) => at <= before)
    .sort();
  return done.at(-1) ?? null;
}

/** When what is in a filling began to cool: it was measured hot last, was strained where it was never hot, or the filling itself. */
function coolsFrom(lot: LotRecord, bottling: BottlingEntry): string {
  const filledHot =
    bottling.instrumentId !== null && bottling.counts && (bottling.fillCelsius ?? 0) >= STILL_HOT;
  const hot = filledHot ? bottling.at : heatEndedAt(lot, bottling.at);
  return hot ?? strainedAt(lot, bottling.at) ?? bottling.at;
}

/** Readings of a series as they were written down: one that is dated before an earlier one stands no earlier than it. */
function asWritten(readings: readonly (CoolingReading & { recordedAt: string })[]): CoolingReading[] {
  let last = '';
  return [...readings]
    .sort((a, b) => a.recordedAt.localeCompare(b.recordedAt) || a.at.localeCompare(b.at))
    .map(({ at, celsius }) => {
      last = at > last ? at : last;
      return { at: last, celsius };
    });
}

/** Everything that was read of the warmth of a filling: what says that it was warm counts whatever it was read with. */
function readOf(lot: LotRecord, bottling: BottlingEntry, from: string): CoolingReading[] {
  const inPan = standing(lot.readings)
    .filter((r) => r.kind === 'temperature' && r.value !== null && !r.simulated)
    .filter((r) => r.at >= from && r.at <= bottling.at)
    .filter((r) => r.counts || r.value! > COOLING[0].celsius)
    .map((r) => ({ at: creditedAt(r, lot), recordedAt: r.recordedAt, celsius: r.value! }));
  const inBottles = standing(lot.coolings)
    .filter((c) => c.bottlingId === bottling.id)
    .map((c) => ({ at: creditedAt(c, lot), recordedAt: c.recordedAt, celsius: c.celsius }));
  return asWritten([...inPan, ...inBottles]);
}

/** What was read may be a later look at bottles that were cold before, as it was told. */
const sooner = (a: number | null, b: number | null): number | null =>
  a === null ? b : b === null ? a : Math.min(a, b);

/**
 * Bottles cooled open: hours from the end of the heating to 21 °C and to 5 °C, as read off a thermometer in the pan and the bottles, or as told of the
 * filling where no reading says otherwise.
 * @returns hours, null where nothing shows it; `stood`: hours that it stood before it was filled
 * @example cooledIn(lot, lot.bottlings[0]) // { to21: null, to5: null }
 */
export function cooledIn(
  lot: LotRecord,
  bottling: BottlingEntry,
): { to21: number | null; to5: number | null; stood: number } {
  const from = coolsFrom(lot, bottling);
  const read = readOf(lot, bottling, from);
  const stages = coolingClock(from, read, bottling.at);
  const stood = (Date.parse(bottling.at) - Date.parse(from)) / HOUR;
  const told = (hours: number | null, celsius: number): number | null => {
    if (hours === null) return null;
    const by = Date.parse(from) + (hours + stood) * HOUR;
    // A day after they were cold they may have been warm again: that is their life, and not their cooling.
    const contrary = (r: CoolingReading) =>
      Date.parse(r.at) > by && Date.parse(r.at) <= by + A_DAY && r.celsius > celsius;
    return read.some(contrary) ? null : hours + stood;
  };
  const [to21, to5] = [bottling.hoursTo21, bottling.hoursToCold].map((hours, i) =>
    sooner(stages[i]!.took, told(hours, COOLING[i]!.celsius)),
  );
  return { to21: to21!, to5: to5!, stood };
}

/** Whether bottles came down to 21 °C within 2 hours and to 5 °C within 6. */
export function cooledInTime(lot: LotRecord, bottling: BottlingEntry): boolean {
  const { to21, to5 } = cooledIn(lot, bottling);
  return bottling.closing === 'cooled' && to21 !== null && to21 <= 2 && to5 !== null && to5 <= 6;
}
