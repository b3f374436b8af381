import { PLACE_KINDS } from '@inch/core/place';
import { z } from 'zod';
import { route } from './route.ts';
import { Id, Written } from './values.ts';

const PlaceName = z.string().trim().min(1, 'Which place?').max(60, 'At most 60 characters.');

/** What the kitchen said of one of its places. */
export const PlaceSaid = z.object({
  id: z.string(),
  name: z.string(),
  /** A fridge, a freezer, or warm; null where only another name was said. */
  kind: z.enum(PLACE_KINDS).nullable(),
  alsoCalled: z.string().nullable(),
  recordedAt: z.string(),
  by: z.string(),
});
export type PlaceSaid = z.infer<typeof PlaceSaid>;

export const NewPlaceSaid = z
  .strictObject({
    id: Id,
    name: PlaceName,
    kind: z.enum(PLACE_KINDS, 'A fridge, a freezer, or warm?').nullable().default(null),
    alsoCalled: PlaceName.nullable().default(null),
  })
  .refine((said) => said.kind !== null || said.alsoCalled !== null, {
    message: 'Say what the place is, or what it is called as well.',
    path: ['kind'],
  });

export const placeRoutes = {
  list: route({
    method: 'GET',
    revalidated: true,
    path: '/api/places',
    access: 'reader',
    summary: 'What the kitchen says of its places: what they are, and other names of them',
    response: z.array(PlaceSaid),
  }),
  say: route({
    method: 'POST',
    path: '/api/places',
    access: 'maker',
    summary: 'Say what a place is, or another name of it; a place is cold only from then on',
    body: NewPlaceSaid,
    response: Written,
  }),
};
