import { z } from 'zod';
import { route } from './route.ts';

/** What the stream says whenever anything of the kitchen was written: up to where the journal goes now, and the server's clock. */
export const LiveEvent = z.object({ sequence: z.number().int(), now: z.string() });
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
