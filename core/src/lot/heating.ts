import { boilingPointOfWater } from '../heat/index.ts';
import { stepClock } from './clock.ts';
import { type LotRecord, type LotStep, standing } from './record.ts';

/** The whole liquid at 90 °C or boiling for a minute, as the record shows it. */
export interface Heating {
  /** Id of the formula's step. */
  formulaStepId: string;
  /** ISO instants between which it was hot: what went in after the first was not heated through. */
  from: string;
  to: string;
  /** Read off a thermometer, or a full boil seen by the clock. */
  how: 'measured' | 'seen';
}

const MINUTE = 60_000;
/** Two readings further apart than this, ms, say nothing of the time between. */
const LONGEST_GAP = 60 * MINUTE;

/** °C from which a liquid counts as heated through: 90, or its boil where that is lower. */
export const heatedFrom = (elevationMetres: number): number =>
  Math.min(90, boilingPointOfWater(elevationMetres) - 1);

const back = (at: string, minutes: number): string =>
  new Date(Date.parse(at) - minutes * MINUTE).toISOString();

/** Readings taken at a step, or while it went on where they name none. */
function readingsAt(lot: LotRecord, step: LotStep, kind: 'temperature' | 'boil') {
  const { startedAt, doneAt } = stepClock(step, '9999');
  return standing(lot.readings).filter(
    (r) =>
      r.kind === kind &&
      r.sample === 'pan' &&
      r.value !== null &&
      (r.stepId === step.id ||
        (r.stepId === null && startedAt !== null && doneAt !== null && r.at >= startedAt && r.at <= doneAt)),
  );
}

/** Minutes at or over the heat by a named thermometer within its check: two readings a minute apart, or one with its minute confirmed. */
function measuredAt(lot: LotRecord, step: LotStep): Heating[] {
  const hot = heatedFrom(lot.elevationMetres);
  const found: Heating[] = [];
  let since: string | null = null;
  let last: string | null = null;
  for (const r of readingsAt(lot, step, 'temperature')) {
    if (r.value! < hot) {
      since = null;
      continue;
    }
    if (r.instrument === null || !r.counts) continue;
    if (since === null || Date.parse(r.at) - Date.parse(last!) > LONGEST_GAP) since = r.at;
    last = r.at;
    const held = (r.heldMinutes ?? 0) >= 1 ? back(r.at, r.heldMinutes!) : null;
    const from = [since, ...(held ? [held] : [])].sort()[0]!;
    if (held !== null || Date.parse(r.at) - Date.parse(since) >= MINUTE)
      found.push({ formulaStepId: step.formulaStepId, from, to: r.at, how: 'measured' });
  }
  return found;
}

const seenAt = (lot: LotRecord, step: LotStep): Heating[] =>
  readingsAt(lot, step, 'boil')
    .filter((r) => r.value! >= 1)
    .map((r) => ({
      formulaStepId: step.formulaStepId,
      from: back(r.at, r.value!),
      to: r.at,
      how: 'seen',
    }));

/**
 * Every heating of a lot that is a kill step by its record: its step is done, and a thermometer or a boil that was seen says so.
 * @example heatingsOf(lot).map((heating) => heating.how) // ['measured']
 */
export const heatingsOf = (lot: LotRecord): Heating[] =>
  lot.steps
    .filter((s) => s.killStep && stepClock(s, '9999').state === 'done')
    .flatMap((s) => [...measuredAt(lot, s), ...seenAt(lot, s)]);

/** Steps from which a pan comes hot. */
const HOT_STEPS: ReadonlySet<string> = new Set(['reduce', 'heat']);
/** °C over which a pan counts as hot still. */
const STILL_HOT = 60;

/**
 * When a lot was hot last before an instant: the end of a heating, of a boil, or a reading over 60 °C; null where it never was.
 * @example heatEndedAt(lot, T(3)) // '2026-11-24T10:57:00.000Z'
 */
export function heatEndedAt(lot: LotRecord, before: string): string | null {
  const readings = standing(lot.readings)
    .filter((r) => r.kind === 'temperature' && r.sample === 'pan' && (r.value ?? 0) >= STILL_HOT)
    .map((r) => r.at);
  const steps = lot.steps
    .filter((s) => s.killStep || HOT_STEPS.has(s.kind))
    .flatMap((s) => stepClock(s, '9999').doneAt ?? []);
  return (
    [...readings, ...steps, ...heatingsOf(lot).map((h) => h.to)]
      .filter((at) => at <= before)
      .sort()
      .at(-1) ?? null
  );
}
