import { Id, Instant } from '@inch/core/value';
import { z } from 'zod';
import { route } from '../route/route.ts';
import { Written } from '../route/values.ts';

/** A photograph is sent as it is, at most this large; it is kept smaller and without what the camera wrote into it. */
export const LARGEST_PHOTOGRAPH = 12 * 1024 * 1024;

export const Photograph = z.object({
  id: z.string(),
  formulaStepId: z.string().nullable(),
  readingId: z.string().nullable(),
  words: z.string(),
  at: z.string(),
  by: z.string(),
});
export type Photograph = z.infer<typeof Photograph>;

/** Kinds of picture that are taken. */
const PICTURES = ['image/jpeg', 'image/png', 'image/webp'] as const;

export const photographRoutes = {
  take: route({
    method: 'POST',
    path: '/api/lots/:id/photographs',
    access: 'maker',
    summary: 'Keep a photograph (image/jpeg, image/png or image/webp as the body), without its location',
    params: z.object({ id: z.string().max(40) }),
    query: z.object({
      id: Id,
      stepId: Id.optional(),
      readingId: Id.optional(),
      words: z.string().trim().max(200, 'At most 200 characters.').default(''),
      at: Instant.optional(),
    }),
    sends: PICTURES,
    response: Written,
  }),
  ofLot: route({
    method: 'GET',
    path: '/api/lots/:id/photographs',
    access: 'reader',
    summary: 'Photographs of a lot, and those of the last lot of the same formula before it',
    params: z.object({ id: z.string().max(40) }),
    response: z.object({
      own: z.array(Photograph),
      before: z.object({ code: z.string(), photographs: z.array(Photograph) }).nullable(),
    }),
  }),
  image: route({
    method: 'GET',
    path: '/api/photographs/:id',
    access: 'reader',
    summary: 'One photograph',
    params: z.object({ id: z.string().max(40) }),
    response: z.unknown(),
    media: 'image/jpeg',
  }),
};
