import { z } from 'zod';
import { Grams, happened, Id, Why } from './values.ts';

export const MarkKind = z.enum(['start', 'pause', 'done', 'reopen', 'answer']);
export const ReadingKind = z.enum(['brix', 'ph', 'ta', 'temperature', 'mass', 'depth', 'note']);
export const Sample = z.enum(['pan', 'finished']);
export const Taken = z.enum(['as it is', 'blended', 'opened jar']);
export const LoadMarkKind = z.enum(['boil', 'stopped', 'off', 'lifted']);
export const GlassFault = z.enum(['nicked rim', 'crack', 'bent ring', 'lid used once']);
export const TallyPart = z.enum(['short bottle', 'tasted', 'foam', 'spilt', 'evaporated', 'left in the pan']);
export const SealFate = z.enum(['chilled', 'processed again', 'discarded']);
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
/** Where something that went in came from, said afterwards in words. */
export const NewOrigin = z.object({
  id: Id,
  additionId: Id,
  words: z.string().trim().min(2, 'From which bag, picking or shop?').max(120, 'At most 120 characters.'),
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
  taken: Taken.default('as it is'),
  said: z.string().trim().max(500).default(''),
  raw: z.number().nullable().default(null),
  celsius: z.number().nullable().default(null),
  instrumentId: Id.nullable().default(null),
  /** A word why, for a reading that was questioned. */
  because: Why.nullable().default(null),
  ...happened,
});
const FillCelsius = z.number().min(-10).max(110, 'Hotter than a syrup is filled.').nullable().default(null);
export const NewBottling = z.object({
  id: Id,
  containerId: Id,
  count: Count,
  /** °C of the first bottle, one from the middle, the last, and of the glass before. */
  fillCelsius: FillCelsius,
  middleCelsius: FillCelsius,
  lastCelsius: FillCelsius,
  glassCelsius: FillCelsius,
  headspaceInches: z.number().gt(0, 'Over 0 in.').max(6).nullable().default(null),
  /** Every rim was felt, rings were straight and clean, lids new. */
  checked: z.boolean().default(false),
  closing: Closing,
  hoursTo21: z.number().min(0).max(72).nullable().default(null),
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
  /** How many bottles were in it; all that are filled where it is not said. */
  bottles: Count.nullable().default(null),
  invertedSeconds: z.number().min(0).max(3600).nullable().default(null),
  ...happened,
});
export const NewSealCheck = z.object({
  id: Id,
  checked: Count,
  failed: z.number().int().min(0).max(10_000),
  /** The numbers of those that failed, where each was pressed by itself. */
  failedBottles: z.array(z.number().int().min(1).max(10_000)).max(1000).default([]),
  signs: z.array(z.string().max(40)).max(10).default([]),
  ...happened,
});
/** What became of bottles whose seal failed. */
export const NewFate = z.object({
  id: Id,
  checkId: Id,
  fate: SealFate,
  count: Count,
  /** Where those processed again stand. */
  place: z.string().trim().min(1, 'Where do they stand?').max(60).default('cellar'),
  ...happened,
});
/** Jars that go into the canner together, under a process that ships, one of the kitchen's own, or one told with its source. */
export const NewLoad = z.object({
  id: Id,
  processId: z.string().max(60),
  bottles: Count,
  ...happened,
});
export const NewLoadMark = z.object({ id: Id, loadId: Id, mark: LoadMarkKind, ...happened });
export const NewCurve = z.object({
  id: Id,
  loadId: Id.nullable().default(null),
  name: z.string().trim().min(1, 'Which logger, in which bottle?').max(120),
  samples: z
    .array(z.object({ seconds: z.number().min(0).max(172_800), celsius: z.number().min(-20).max(130) }))
    .min(2, 'A curve has two readings at least.')
    .max(3000, 'At most 3,000 readings.'),
  ...happened,
});
export const NewTick = z.object({ id: Id, lineId: z.string().max(40), bottle: Count, ...happened });
export const NewFault = z.object({ id: Id, containerId: Id, fault: GlassFault, count: Count, ...happened });
export const NewTally = z.object({
  id: Id,
  inPanMl: z.number().gt(0, 'How much was in the pan?').max(200_000),
  how: z.string().trim().max(120).default(''),
  parts: z.array(z.object({ part: TallyPart, ml: z.number().min(0).max(200_000) })).max(12),
  why: Why.nullable().default(null),
  ...happened,
});
export const NewWeighing = z.object({
  id: Id,
  bottlingId: Id,
  grossGrams: z.number().gt(0, 'Over 0 g.').max(50_000),
  /** Of the empty bottle with its closure; the container's own where it is not said. */
  tareGrams: z.number().gt(0, 'Over 0 g.').max(10_000).nullable().default(null),
  ...happened,
});
export const NewCooling = z.object({
  id: Id,
  bottlingId: Id,
  celsius: z.number().min(-10).max(110),
  ...happened,
});
export const NewDeviation = z.object({ id: Id, what: Why, ...happened });
export const NewClosing = z.object({ id: Id, deviationId: Id, cause: Why, done: Why, ...happened });
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
  /** A release is signed: the account's own password, again. */
  password: z.string().max(200).optional(),
  ...happened,
});
export const NewRuling = z.object({
  id: Id,
  event: z.enum(['resume', 'discard', 'recall']),
  why: Why,
  /** Taking up again closes what holds it: what was done about its cause. */
  done: Why.nullable().default(null),
  ...happened,
});
export const NewStrike = z.object({
  noun: z.enum([
    'addition',
    'reading',
    'bottling',
    'heat-process',
    'seal-check',
    'photograph',
    'tick',
    'fault',
    'tally',
    'weighing',
    'load',
    'curve',
    'cooling',
  ]),
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
