import { z } from 'zod';
import { type LotRecord, type LotStep, type StepLeft, stepClock, stepLeft } from '../lot/index.ts';

const DaySegment = z.object({
  title: z.string(),
  from: z.string(),
  to: z.string(),
  state: z.enum(['done', 'running', 'planned']),
});
export type DaySegment = z.infer<typeof DaySegment>;

/** A lot's steps on the day. */
export const DayBar = z.object({ code: z.string(), colour: z.string(), segments: z.array(DaySegment) });
export type DayBar = z.infer<typeof DayBar>;

const later = (instant: string, seconds: number) =>
  new Date(Date.parse(instant) + seconds * 1000).toISOString();

/** Steps without a planned time are drawn a quarter of an hour long. */
const plannedSeconds = (step: LotStep) => (step.minutes ?? 15) * 60;

/**
 * A lot's steps on the day: done and running ones where they were, the rest one after another from now on.
 * @param left how long its running steps go on, by their ids; by their clocks where not said
 * @example dayBar(lot, T(2)).segments.map((segment) => segment.state) // ['done']
 */
export function dayBar(lot: LotRecord, now: string, left: ReadonlyMap<string, StepLeft> = new Map()): DayBar {
  const segments: DaySegment[] = [];
  let free = now;
  for (const step of [...lot.steps].sort((a, b) => a.position - b.position)) {
    const clock = stepClock(step, now);
    if (clock.state === 'done' && clock.startedAt && clock.doneAt) {
      segments.push({ title: step.title, from: clock.startedAt, to: clock.doneAt, state: 'done' });
    } else if (clock.startedAt) {
      const to = later(now, Math.max(0, (left.get(step.id) ?? stepLeft(step, null, now))?.seconds ?? 0));
      segments.push({ title: step.title, from: clock.startedAt, to, state: 'running' });
      free = to;
    } else {
      const to = later(free, plannedSeconds(step));
      segments.push({ title: step.title, from: free, to, state: 'planned' });
      free = to;
    }
  }
  return { code: lot.code, colour: lot.product.colour, segments };
}
