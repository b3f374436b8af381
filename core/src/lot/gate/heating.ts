import { boilingPointOfWater } from '../../heat/index.ts';
import { follows } from '../../record/index.ts';
import { once } from '../judging.ts';
import { stepClock } from '../pan/clock.ts';
import { type LotRecord, type LotStep, type Reading, standing } from '../record.ts';

/** The whole liquid at 90 °C or boiling for a minute, as the record shows it. */
export interface Heating {
  /** Id of the formula's step that was under way. */
  formulaStepId: string;
  /** ISO instants between which it was hot: what went in after the first was not heated through. */
  from: string;
  to: string;
  /** When its first reading was written down: what was written down as put in after that was not heated through. */
  recordedAt: string;
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

/** Readings of the pan before its first bottle was filled, by the clock and by the record: nothing in a bottle is heated by the pan. */
function beforeFilling(lot: LotRecord, kind: 'temperature' | 'boil'): Reading[] {
  const [filled] = standing(lot.bottlings);
  return standing(lot.readings).filter(
    (r) =>
      r.kind === kind &&
      r.sample === 'pan' &&
      r.value !== null &&
      (!filled || (follows(filled, r) && r.at < filled.at)),
  );
}

const inOrder = (steps: readonly LotStep[]): LotStep[] => [...steps].sort((a, b) => a.position - b.position);

/** The step that was under way: the one a reading names, where it was; else the one begun last by then; else the one it names, or the first. */
function stepAt(lot: LotRecord, { at, stepId }: Reading): LotStep | undefined {
  const steps = inOrder(lot.steps);
  const under = steps.filter((s) => {
    const { startedAt, doneAt } = stepClock(s, '9999');
    return startedAt !== null && startedAt <= at && (doneAt === null || doneAt >= at);
  });
  const named = steps.find((s) => s.id === stepId);
  if (named && (under.includes(named) || under.length === 0)) return named;
  const begun = steps.filter((s) => s.marks.some((m) => m.kind === 'start' && m.at <= at));
  return under.at(-1) ?? begun.at(-1) ?? steps[0];
}

/** Minutes at or over the heat by a named thermometer within its check: two readings a minute apart, or one with its minute confirmed. */
function measured(lot: LotRecord): Heating[] {
  const hot = heatedFrom(lot.elevationMetres);
  const found: Heating[] = [];
  let first: Reading | null = null;
  let last: Reading | null = null;
  for (const r of beforeFilling(lot, 'temperature')) {
    if (r.value! < hot) {
      first = null;
      continue;
    }
    if (r.instrument === null || !r.counts) continue;
    if (first === null || Date.parse(r.at) - Date.parse(last!.at) > LONGEST_GAP) first = r;
    last = r;
    const held = (r.heldMinutes ?? 0) >= 1 ? back(r.at, r.heldMinutes!) : null;
    const from = [first.at, ...(held ? [held] : [])].sort()[0]!;
    const step = stepAt(lot, r);
    if (step && (held !== null || Date.parse(r.at) - Date.parse(first.at) >= MINUTE))
      found.push({
        formulaStepId: step.formulaStepId,
        from,
        to: r.at,
        recordedAt: first.recordedAt,
        how: 'measured' as const,
      });
  }
  return found;
}

const seen = (lot: LotRecord): Heating[] =>
  beforeFilling(lot, 'boil')
    .filter((r) => r.value! >= 1)
    .flatMap((r) => {
      const step = stepAt(lot, r);
      if (!step) return [];
      const { formulaStepId } = step;
      const from = back(r.at, r.value!);
      return [{ formulaStepId, from, to: r.at, recordedAt: r.recordedAt, how: 'seen' as const }];
    });

/**
 * Every heating of a lot that is a kill step by its record, in whichever step it was: a thermometer or a boil that was seen says so, before the first
 * bottle was filled. What the formula plans is no evidence, and a step that was marked as done is no heat.
 * @example heatingsOf(lot).map((heating) => heating.how) // ['measured']
 */
export const heatingsOf = (lot: LotRecord): Heating[] =>
  once(lot, 'heatings', () => [...measured(lot), ...seen(lot)]);

/** °C over which a pan counts as hot still. */
const STILL_HOT = 60;

/**
 * When a lot was hot last before an instant, as it was measured or seen: a mark is neither heat nor cooling. Null where nothing shows that it ever was.
 * @param lot its record; @param before ISO instant
 * @example heatEndedAt(lot, T(3)) // '2026-11-24T10:36:00.000Z'
 */
export function heatEndedAt(lot: LotRecord, before: string): string | null {
  const readings = beforeFilling(lot, 'temperature')
    .filter((r) => r.value! >= STILL_HOT && r.counts && r.instrument !== null)
    .map((r) => r.at);
  return (
    [...readings, ...heatingsOf(lot).map((h) => h.to)]
      .filter((at) => at <= before)
      .sort()
      .at(-1) ?? null
  );
}
