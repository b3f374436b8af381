import { Id } from '@inch/core/value';
import { z } from 'zod';
import { route } from '../route/route.ts';

const Hash = z.string().regex(/^[0-9a-f]{64}$/);

/** The head of an export: a whole kitchen in one zip. */
export const Manifest = z.strictObject({
  format: z.literal('inch-pantry export'),
  version: z.literal(1),
  exportedAt: z.iso.datetime(),
  kitchen: z.strictObject({ id: z.uuid(), name: z.string() }),
  /** Where its journal ended, with the signature of the installation that wrote it. */
  journal: z.strictObject({ sequence: z.int().min(0), hash: Hash, signature: Hash.nullable() }),
  /** Records by what they are called: `reading` stands in records/reading.jsonl. */
  counts: z.record(z.string().regex(/^[a-z-]+$/), z.int().min(0)),
  /** Codes of lots that cannot be read: they have no documents. */
  leftOut: z.array(z.string()),
});
export type Manifest = z.infer<typeof Manifest>;

/** How far something is that takes a while: so many of so many. */
export const Progress = z.object({
  what: z.string(),
  done: z.number().int().min(0),
  total: z.number().int().min(0),
  /** Why it did not come to its end; null while it goes on, and where it did. */
  fault: z.string().nullable(),
  ended: z.boolean(),
});
export type Progress = z.infer<typeof Progress>;

export const ZIP_MEDIA = 'application/zip';

export const exportRoutes = {
  export: route({
    method: 'GET',
    path: '/api/kitchen/export',
    access: 'owner',
    summary: 'The whole kitchen as one zip: records, tables, photographs, documents, journal',
    query: z.object({ progress: Id.optional() }),
    response: z.unknown(),
    media: ZIP_MEDIA,
    parts: true,
  }),
  import: route({
    method: 'POST',
    path: '/api/setup/import',
    access: 'anyone',
    summary: 'Make this installation, which has no kitchen yet, that of an export',
    query: z.object({ progress: Id.optional() }),
    response: z.object({ kitchen: z.string(), lots: z.number().int() }),
    sends: [ZIP_MEDIA],
  }),
  progress: route({
    method: 'GET',
    path: '/api/progress/:id',
    access: 'anyone',
    summary: 'How far something is that takes a while, by the id it was begun with',
    params: z.object({ id: Id }),
    /** Null before it says so for the first time. */
    response: Progress.nullable(),
  }),
};
