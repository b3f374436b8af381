import './messages.ts';
import { Id, Instant } from '@inch/core/value';
import { z } from 'zod';

export const Day = z.iso.date();
export const Grams = z.number().min(0, 'Not under 0 g.').max(500_000, 'At most 500 kg.');

/** When something happened, where that was before it was written down; the server's clock otherwise. */
export const happened = { at: Instant.optional() };

export const Written = z.object({ id: Id });

export const Problem = z.object({
  type: z.string(),
  title: z.string(),
  status: z.number(),
  detail: z.string().optional(),
  /** urn:uuid: of the request, the same in the server's log. */
  instance: z.string().optional(),
  errors: z.array(z.object({ path: z.string(), message: z.string() })).optional(),
});
export type Problem = z.infer<typeof Problem>;
