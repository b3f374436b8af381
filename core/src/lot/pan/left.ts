import type { LotStep } from '../record.ts';
import { stepClock } from './clock.ts';
import type { PanNow } from './panNow.ts';

/** How long a step still goes on: by what its pan shows where it is boiled to a mark, else by its planned minutes. */
export interface StepLeft {
  by: 'pan' | 'clock';
  /** Seconds from now; negative when its planned time is over. The pan's is the middle of its 80 % interval. */
  seconds: number;
  low: number;
  /** Null where it may never get there. */
  high: number | null;
}

/**
 * How long a step still goes on, said once for every screen.
 * @param pan the lot's pan at that step, where there is one; @param now ISO 8601
 * @returns null where it does not run, or goes on as long as it takes
 * @example stepLeft({ minutes: 20, marks: [{ kind: 'start', at: T(0), by: 'Wren' }] }, null, T(0.1)).seconds // 840
 */
export function stepLeft(
  step: Pick<LotStep, 'marks' | 'minutes'>,
  pan: Pick<PanNow, 'left'> | null,
  now: string,
): StepLeft | null {
  const clock = stepClock(step, now);
  if (clock.state !== 'running' && clock.state !== 'paused') return null;
  if (pan?.left) {
    const { seconds, low, high } = pan.left;
    return { by: 'pan', seconds, low, high: Number.isFinite(high) ? high : null };
  }
  const seconds = clock.leftSeconds;
  return seconds === null ? null : { by: 'clock', seconds, low: seconds, high: seconds };
}
