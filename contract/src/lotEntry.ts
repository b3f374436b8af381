import { z } from 'zod';
import { Grams, happened, Id, Why } from './values.ts';

export const MarkKind = z.enum(['start', 'pause', 'done', 'reopen', 'answer']);
export const ReadingKind = z.enum(['brix', 'ph', 'ta', 'temperature', 'mass', 'depth', 'note']);
export const Sample = z.enum(['pan', 'finished']);
export const Closing = z.enum(['hot', 'cooled']);

const Count = z.number().int().min(1, 'At least one.').max(10_000, 'At most 10,000.');

export const NewLot = z.object({
  id: Id,
  formulaId: Id,
  scale: z.number().gt(0, 'More than nothing.').max(100, 'At most a hundredfold.').default(1),
  ...happened,
});
export const NewMark = z.object({ id: Id, stepId: Id, mark: MarkKind, ...happened });
export const NewAddition = z.object({
  id: Id,
  stepId: Id.nullable().default(null),
  lineId: z.string().max(40).nullable().default(null),
  ingredientId: z.string().max(60),
  grams: Grams,
  why: Why.nullable().default(null),
  /** From which bag, picking or bottle, in words. */
  from: z.string().trim().max(120, 'At most 120 characters.').nullable().default(null),
  /** g before trimming, where that was weighed too: so much leaves the stock. */
  beforeTrimming: Grams.nullable().default(null),
  /** From which stock lots, chosen by hand; the oldest fit ones where it is not said. */
  stock: z
    .array(z.object({ stockId: Id, amount: z.number().gt(0, 'More than nothing.') }))
    .max(20)
    .nullable()
    .default(null),
  ...happened,
});
/** Which vessel the lot is in from now on. */
export const NewPlacing = z.object({
  id: Id,
  stepId: Id.nullable().default(null),
  vesselId: Id,
  ...happened,
});
export const NewReading = z.object({
  id: Id,
  stepId: Id.nullable().default(null),
  kind: ReadingKind,
  sample: Sample.default('pan'),
  said: z.string().trim().max(500).default(''),
  raw: z.number().nullable().default(null),
  celsius: z.number().nullable().default(null),
  instrumentId: Id.nullable().default(null),
  /** A word why, for a reading that was questioned. */
  because: Why.nullable().default(null),
  ...happened,
});
export const NewBottling = z.object({
  id: Id,
  containerId: Id,
  count: Count,
  fillCelsius: z.number().min(-10).max(110, 'Hotter than a syrup is filled.').nullable().default(null),
  closing: Closing,
  hoursToCold: z.number().min(0).max(72).nullable().default(null),
  place: z.string().trim().min(1, 'Where do they stand?').max(60),
  ...happened,
});
export const NewHeatProcess = z.object({
  id: Id,
  processId: z.string().max(60).nullable().default(null),
  name: z.string().trim().max(120).default(''),
  source: z.string().trim().max(300).default(''),
  requiredMinutes: z.number().gt(0).max(240).nullable().default(null),
  minutes: z.number().gt(0, 'How many minutes at a full boil?').max(240),
  ...happened,
});
export const NewSealCheck = z.object({
  id: Id,
  checked: Count,
  failed: z.number().int().min(0).max(10_000),
  ...happened,
});
export const NewMovement = z.object({
  id: Id,
  bottlingId: Id,
  kind: z.enum(['moved', 'sold', 'given', 'broken', 'retained']),
  from: z.string().trim().min(1, 'From where?').max(60),
  to: z.string().trim().max(60).nullable().default(null),
  count: Count,
  priceMinor: z.number().int().min(0).max(10_000_000).nullable().default(null),
  note: z.string().trim().max(200).nullable().default(null),
  ...happened,
});
export const NewDecision = z.object({
  id: Id,
  event: z.enum(['release', 'hold', 'close']),
  why: Why.nullable().default(null),
  ...happened,
});
export const NewRuling = z.object({
  id: Id,
  event: z.enum(['resume', 'discard', 'recall']),
  why: Why,
  ...happened,
});
export const NewStrike = z.object({
  noun: z.enum(['addition', 'reading', 'bottling', 'heat-process', 'seal-check', 'photograph']),
  entryId: Id,
  why: Why,
  ...happened,
});
export const NewPrint = z.object({
  id: Id,
  copies: Count,
  differencesSeen: z.boolean().default(false),
  ...happened,
});
