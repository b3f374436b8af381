import { z } from 'zod';
import { route } from '../route/route.ts';
import { Day } from '../route/values.ts';

/** One change, with the hash that binds it to the one before. */
export const JournalRow = z.object({
  sequence: z.number().int(),
  at: z.string(),
  by: z.string(),
  noun: z.string(),
  nounId: z.string(),
  action: z.string(),
  payload: z.unknown(),
  hash: z.string(),
});
export type JournalRow = z.infer<typeof JournalRow>;

/** A change of the kitchen's journal, with the code of the lot it is of. */
export const KitchenJournalRow = JournalRow.extend({ lot: z.string().nullable() });
export type KitchenJournalRow = z.infer<typeof KitchenJournalRow>;

/** Which changes are shown: of a noun, by somebody, of some days, the newest first. */
export const JournalQuery = z.object({
  noun: z.string().max(40).optional(),
  /** Name of the person. */
  by: z.string().max(120).optional(),
  /** Days of the kitchen, both inclusive. */
  from: Day.optional(),
  until: Day.optional(),
  /** Sequence of the last row of the page before. */
  before: z.coerce.number().int().min(1).optional(),
  limit: z.coerce.number().int().min(1).max(200).default(50),
});
export type JournalQuery = z.infer<typeof JournalQuery>;

export const journalRoutes = {
  list: route({
    method: 'GET',
    path: '/api/journal',
    access: 'reader',
    summary: 'The journal of the kitchen, the newest first, a page after another',
    query: JournalQuery,
    response: z.object({
      rows: z.array(KitchenJournalRow),
      /** `before` of the next page; null where this is the last. */
      next: z.number().int().nullable(),
      /** Nouns that the journal has, to choose from. */
      nouns: z.array(z.string()),
    }),
  }),
};
