import { z } from 'zod';
import { route } from './route.ts';

/** What the API says of itself. */
export const metaRoutes = {
  health: route({
    method: 'GET',
    path: '/api/health',
    access: 'anyone',
    summary: 'Whether the server is ready: it answers, and so does its database',
    response: z.object({ well: z.literal(true) }),
  }),
  live: route({
    method: 'GET',
    path: '/api/health/live',
    access: 'anyone',
    summary: 'Whether the server lives, whatever its database does',
    response: z.object({ well: z.literal(true) }),
  }),
  openApi: route({
    method: 'GET',
    path: '/api/openapi.json',
    access: 'anyone',
    summary: 'This description',
    response: z.record(z.string(), z.unknown()),
  }),
};
