import { z } from 'zod';
import { route } from './route.ts';

const TagOf = z.enum(['retained', 'pan', 'stock']);

export const tagRoutes = {
  print: route({
    method: 'GET',
    path: '/api/tags.pdf',
    access: 'reader',
    summary: 'Tags with code, date and name: of bottles kept back, a pan that stands, or a stock lot',
    query: z.object({
      of: TagOf,
      /** Code of the lot or of the stock lot. */
      code: z.string().max(40),
      copies: z.coerce.number().int().min(1).max(60).default(1),
    }),
    response: z.unknown(),
    media: 'application/pdf',
  }),
};
