import type { LotStep, MarkKind } from '../record.ts';

export interface StepClock {
  state: 'waiting' | 'running' | 'paused' | 'done';
  /** ISO instant of the first start. */
  startedAt: string | null;
  doneAt: string | null;
  /** Seconds counted while running. */
  elapsedSeconds: number;
  /** Seconds left of the planned time, negative when over; null without a planned time. */
  leftSeconds: number | null;
}

const STATES: Partial<Record<MarkKind, StepClock['state']>> = {
  start: 'running',
  pause: 'paused',
  done: 'done',
  reopen: 'paused',
};

/**
 * A step's clock at an instant, counted from its marks. @param now ISO 8601, UTC
 * @example stepClock({ minutes: 20, marks: [{ kind: 'start', at: T(0), by: 'Wren' }] }, T(0.1)) // { state: 'running', elapsedSeconds: 360, leftSeconds: 840 }
 */
export function stepClock(step: Pick<LotStep, 'marks' | 'minutes'>, now: string): StepClock {
  let elapsed = 0;
  let runningSince: string | null = null;
  let state: StepClock['state'] = 'waiting';
  let startedAt: string | null = null;
  let doneAt: string | null = null;
  const seconds = (from: string, to: string) => Math.max(0, (Date.parse(to) - Date.parse(from)) / 1000);
  const marks = step.marks.filter((mark) => mark.kind !== 'answer');
  for (const mark of marks.sort((a, b) => a.at.localeCompare(b.at))) {
    if (runningSince && mark.kind !== 'start') {
      elapsed += seconds(runningSince, mark.at);
      runningSince = null;
    }
    if (mark.kind === 'start' && !runningSince) runningSince = mark.at;
    startedAt ??= mark.kind === 'start' || mark.kind === 'done' ? mark.at : null;
    doneAt = mark.kind === 'done' ? mark.at : null;
    state = STATES[mark.kind] ?? state;
  }
  if (runningSince) elapsed += seconds(runningSince, now);
  const left = step.minutes === null ? null : step.minutes * 60 - elapsed;
  return { state, startedAt, doneAt, elapsedSeconds: elapsed, leftSeconds: state === 'done' ? null : left };
}

/** Seconds a step's clock had counted by an earlier instant. */
export function elapsedAt(step: Pick<LotStep, 'marks' | 'minutes'>, at: string): number {
  return stepClock({ ...step, marks: step.marks.filter((mark) => mark.at <= at) }, at).elapsedSeconds;
}

/**
 * The step in hand: the first that is not done; null when all are.
 * @example presentStep([{ ...lot.steps[0], marks: [] }], T(0)).title // 'Cook'
 */
export function presentStep<T extends LotStep>(steps: readonly T[], now: string): T | null {
  return (
    [...steps]
      .sort((a, b) => a.position - b.position)
      .find((step) => stepClock(step, now).state !== 'done') ?? null
  );
}
