import { z } from 'zod';

/** UUIDv7 made by whoever creates the thing; a retry with the same id writes once. */
export const Id = z.uuid({ message: 'An id is a UUID made by the device that writes.' });
export const Instant = z.iso.datetime({
  message: 'A time is ISO 8601 in UTC, such as 2026-11-25T09:10:00.000Z.',
});
export const Name = z.string().trim().min(1, 'Give it a name.').max(120, 'At most 120 characters.');
export const Words = z.string().trim().max(2000, 'At most 2,000 characters.');
export const Why = z
  .string()
  .trim()
  .min(2, 'Write a reason of two letters or more.')
  .max(500, 'At most 500 characters.');
export const Colour = z.string().regex(/^#[0-9a-fA-F]{6}$/, 'A colour is written #RRGGBB.');
