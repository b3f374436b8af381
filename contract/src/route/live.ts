import { z } from 'zod';
import { route } from './route.ts';

/** Something that was written: what it is, its id, and the code of the lot that it is of. */
export const LiveChange = z.object({ noun: z.string(), id: z.string(), lot: z.string().nullable() });
export type LiveChange = z.infer<typeof LiveChange>;

/** What the stream says whenever anything of the kitchen was written: what, up to where the journal goes now, and the server's clock. */
export const LiveEvent = z.object({
  sequence: z.number().int(),
  now: z.string(),
  /** What was written since the event before, whose sequence is `from`; null for whoever joins, and where it was too much to name. */
  changed: z.object({ from: z.number().int(), what: z.array(LiveChange) }).nullable(),
});
export type LiveEvent = z.infer<typeof LiveEvent>;

export const liveRoutes = {
  stream: route({
    method: 'GET',
    path: '/api/live',
    access: 'reader',
    summary: 'Server-sent events: one whenever the kitchen’s record grew, on this device or another',
    response: z.unknown(),
    media: 'text/event-stream',
  }),
  calendar: route({
    method: 'GET',
    path: '/api/calendar.ics',
    access: 'reader',
    summary: 'What is due at an hour, as a calendar file with alarms',
    response: z.unknown(),
    media: 'text/calendar',
  }),
};
