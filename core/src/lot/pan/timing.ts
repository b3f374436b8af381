import type { FormulaStep } from '../../formula/index.ts';
import type { LotStep } from '../record.ts';
import { stepClock } from './clock.ts';

/** How a step's real time stands to its planned one. */
export interface StepTiming {
  plannedMinutes: number;
  actualMinutes: number;
  toleranceMinutes: number;
  /** 'running over' while it still goes on past its tolerance. */
  verdict: 'on time' | 'early' | 'late' | 'running over' | 'under way';
}

/** A step without a tolerance of its own may end a fifth of its time early or late, two minutes at least. */
export const usualTolerance = (minutes: number): number => Math.max(2, minutes / 5);

/**
 * Planned against actual time of a step at an instant, with its tolerance; null without a planned time or before its start. @param now ISO 8601
 * @example stepTiming({ minutes: 20, marks: [{ kind: 'start', at: T(0), by: 'Wren' }, { kind: 'done', at: T(0.5), by: 'Wren' }] }, undefined, T(1)) // { plannedMinutes: 20, actualMinutes: 30, toleranceMinutes: 4, verdict: 'late' }
 */
export function stepTiming(
  step: Pick<LotStep, 'marks' | 'minutes'>,
  content: Pick<FormulaStep, 'toleranceMinutes'> | undefined,
  now: string,
): StepTiming | null {
  const clock = stepClock(step, now);
  // Marked as done and never started, nobody knows how long it took.
  if (step.minutes === null || !step.marks.some((m) => m.kind === 'start')) return null;
  const plannedMinutes = step.minutes;
  const actualMinutes = clock.elapsedSeconds / 60;
  const toleranceMinutes = content?.toleranceMinutes ?? usualTolerance(plannedMinutes);
  const off = actualMinutes - plannedMinutes;
  const base = { plannedMinutes, actualMinutes, toleranceMinutes };
  if (clock.state !== 'done')
    return { ...base, verdict: off > toleranceMinutes ? 'running over' : 'under way' };
  return {
    ...base,
    verdict: off > toleranceMinutes ? 'late' : off < -toleranceMinutes ? 'early' : 'on time',
  };
}

/** What is to be done again and again while a step runs. */
export interface StepPrompt {
  words: string;
  everyMinutes: number;
  /** ISO instant it is next due, or has been due since. */
  dueAt: string;
  due: boolean;
}

/**
 * The recurring prompt of a running step: due every so many minutes after its start or the last time it was answered.
 * @param now ISO 8601; @returns null where the step has none or does not run
 * @example stepPrompt({ minutes: 30, marks: [{ kind: 'start', at: T(0), by: 'Wren' }] }, { prompt: 'stir', promptEvery: 12 }, T(0.25)).due // true
 */
export function stepPrompt(
  step: Pick<LotStep, 'marks' | 'minutes'>,
  content: Pick<FormulaStep, 'prompt' | 'promptEvery'> | undefined,
  now: string,
): StepPrompt | null {
  if (!content?.prompt || !content.promptEvery) return null;
  if (stepClock(step, now).state !== 'running') return null;
  const last = [...step.marks]
    .filter((m) => m.kind === 'start' || m.kind === 'answer')
    .sort((a, b) => a.at.localeCompare(b.at))
    .at(-1)!;
  const dueAt = new Date(Date.parse(last.at) + content.promptEvery * 60_000).toISOString();
  return { words: content.prompt, everyMinutes: content.promptEvery, dueAt, due: dueAt <= now };
}

const WAITING_MINUTES = 120;
/**
 * Whether a step asks for no hand while it lasts: two hours and over, to be taken up again when it is due.
 * @param step its kind and its planned minutes
 * @example isWaiting({ minutes: 720, kind: 'rest' }) // true
 */
export const isWaiting = (step: Pick<LotStep, 'minutes' | 'kind'>): boolean =>
  step.minutes !== null && step.minutes >= WAITING_MINUTES && step.kind !== 'reduce';
