import { z } from 'zod';
import type { Gate, LotKeeping, LotRecord, StepLeft } from '../lot/index.ts';

/** A lot as it is named where it needs a hand. */
export const LotTag = z.object({ code: z.string(), name: z.string(), colour: z.string() });
export type LotTag = z.infer<typeof LotTag>;

/** Something that needs a hand, with its one action. */
export const DueItem = z.object({
  id: z.string(),
  when: z.enum(['now', 'next', 'later']),
  /** ISO instant it is due or was due; null for "today". */
  at: z.string().nullable(),
  lot: LotTag.nullable(),
  title: z.string(),
  detail: z.string(),
  action: z.object({
    label: z.string(),
    place: z.enum(['stove', 'bottling', 'labels', 'bench', 'shelf', 'plan', 'kitchen']),
    /** Which part of the place, where it is not a lot's. */
    part: z.string().optional(),
  }),
});
export type DueItem = z.infer<typeof DueItem>;
export type DueWhen = DueItem['when'];

export interface LotToday {
  record: LotRecord;
  /** How long its running steps still go on, by the id of the step; by their clocks where absent. */
  left?: ReadonlyMap<string, StepLeft> | undefined;
  gates: Gate[];
  keeping: LotKeeping;
}

export const tag = (lot: LotRecord): LotTag => ({
  code: lot.code,
  name: lot.product.name,
  colour: lot.product.colour,
});
