import { Id, Name } from '@inch/core/value';
import { z } from 'zod';
import { route } from '../route/route.ts';
import { Written } from '../route/values.ts';

const byId = z.object({ id: z.string().max(40) });

const LabelPicture = z.object({ id: z.string(), name: z.string(), retired: z.boolean() });
export type LabelPicture = z.infer<typeof LabelPicture>;
/** Bytes of the largest picture that is taken. */
export const LARGEST_PICTURE = 8 * 1024 * 1024;

export const labelPictureRoutes = {
  list: route({
    method: 'GET',
    revalidated: true,
    path: '/api/label-pictures',
    access: 'reader',
    summary: 'Pictures and marks for labels',
    response: z.array(LabelPicture),
  }),
  add: route({
    method: 'POST',
    path: '/api/label-pictures',
    access: 'maker',
    summary:
      'Send a picture or mark as PNG, JPEG or SVG: it is drawn anew, and nothing else of the file is kept',
    query: z.object({ id: Id, name: Name }),
    response: Written,
    sends: ['image/png', 'image/jpeg', 'image/svg+xml'],
  }),
  read: route({
    method: 'GET',
    path: '/api/label-pictures/:id',
    access: 'reader',
    summary: 'A picture as PNG',
    params: byId,
    response: z.unknown(),
    media: 'image/png',
  }),
  retire: route({
    method: 'POST',
    status: 200,
    path: '/api/label-pictures/:id/retirement',
    access: 'maker',
    summary: 'Take a picture out of use, or back into it',
    params: byId,
    body: z.strictObject({ retired: z.boolean() }),
    response: z.object({ id: z.string() }),
  }),
};
