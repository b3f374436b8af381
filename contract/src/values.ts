import './messages.ts';
import { z } from 'zod';

/** UUIDv7 made by whoever creates the thing; a retry with the same id writes once. */
export const Id = z.uuid({ message: 'An id is a UUID made by the device that writes.' });
export const Instant = z.iso.datetime({
  message: 'A time is ISO 8601 in UTC, such as 2026-11-25T09:10:00.000Z.',
});
export const Day = z.iso.date();
export const Name = z.string().trim().min(1, 'Give it a name.').max(120, 'At most 120 characters.');
export const Words = z.string().trim().max(2000, 'At most 2,000 characters.');
export const Why = z
  .string()
  .trim()
  .min(2, 'Write a reason of two letters or more.')
  .max(500, 'At most 500 characters.');
export const Grams = z.number().min(0, 'Not under 0 g.').max(500_000, 'At most 500 kg.');
export const Colour = z.string().regex(/^#[0-9a-fA-F]{6}$/, 'A colour is written #RRGGBB.');

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
