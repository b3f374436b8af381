import { z } from 'zod';
import { route } from '../route/route.ts';

/** Whether a calendar of one's own can be subscribed to, and since when. */
export const CalendarAddress = z.object({ madeAt: z.string().nullable() });
export type CalendarAddress = z.infer<typeof CalendarAddress>;

export const calendarRoutes = {
  mine: route({
    method: 'GET',
    path: '/api/session/calendar',
    access: 'reader',
    summary: 'Whether one’s own calendar has an address',
    response: CalendarAddress,
  }),
  make: route({
    method: 'POST',
    path: '/api/session/calendar',
    access: 'reader',
    summary: 'Make a secret address for one’s own calendar; an earlier one ends',
    /** The path of the calendar, told this once. */
    response: z.object({ path: z.string() }),
  }),
  withdraw: route({
    method: 'DELETE',
    path: '/api/session/calendar',
    access: 'reader',
    summary: 'Withdraw the address of one’s own calendar',
    response: CalendarAddress,
  }),
  read: route({
    method: 'GET',
    path: '/api/calendars/:secret',
    access: 'anyone',
    summary: 'What is due and planned, as a calendar to subscribe to',
    params: z.object({ secret: z.string().max(80) }),
    response: z.unknown(),
    media: 'text/calendar',
  }),
};
