import { PLACE_KINDS, PlaceSaid } from '@inch/core/place';
import { Id } from '@inch/core/value';
import { z } from 'zod';
import { route } from '../route/route.ts';
import { Written } from '../route/values.ts';

const PlaceName = z.string().trim().min(1, 'Which place?').max(60, 'At most 60 characters.');

/** What the kitchen said of one of its places. */
export const PlaceEntry = PlaceSaid.extend({ id: z.string(), by: z.string() });
export type PlaceEntry = z.infer<typeof PlaceEntry>;

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
    response: z.array(PlaceEntry),
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
