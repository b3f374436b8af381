import { z } from 'zod';
import { FormulaContent, FormulaKind, StepKind, Storage } from './formula.ts';
import { Ingredient } from './ingredient.ts';
import { Closing, MarkKind, ReadingKind, Sample } from './lotEntry.ts';

export const LotState = z.enum([
  'planned',
  'making',
  'resting',
  'bottled',
  'released',
  'closed',
  'held',
  'discarded',
  'recalled',
]);

const Struck = z.object({ at: z.string(), by: z.string(), why: z.string() }).nullable();
const entry = { id: z.string(), at: z.string(), by: z.string(), struck: Struck };
const MovementKind = z.enum(['stored', 'moved', 'sold', 'given', 'broken', 'retained', 'failed seal']);

const Step = z.object({
  id: z.string(),
  position: z.number().int(),
  kind: StepKind,
  title: z.string(),
  minutes: z.number().nullable(),
  killStep: z.boolean(),
  formulaStepId: z.string(),
  marks: z.array(z.object({ kind: MarkKind, at: z.string(), by: z.string() })),
});
const Draws = z.array(z.object({ stockId: z.string(), code: z.string(), amount: z.number() }));
const Addition = z.object({
  ...entry,
  stepId: z.string().nullable(),
  lineId: z.string().nullable(),
  ingredientId: z.string(),
  entry: Ingredient.optional(),
  grams: z.number(),
  why: z.string().nullable(),
  from: z.string().nullable(),
  beforeTrimming: z.number().nullable(),
  draws: Draws,
});
const Reading = z.object({
  ...entry,
  stepId: z.string().nullable(),
  kind: ReadingKind,
  sample: Sample,
  said: z.string(),
  raw: z.number().nullable(),
  celsius: z.number().nullable(),
  value: z.number().nullable(),
  instrument: z.string().nullable(),
  counts: z.boolean(),
  whyNot: z.string().nullable(),
  note: z.string().nullable(),
});
const Bottling = z.object({
  ...entry,
  containerId: z.string(),
  container: z.string(),
  nominalMl: z.number(),
  closure: z.string(),
  count: z.number().int(),
  fillCelsius: z.number().nullable(),
  closing: Closing,
  hoursToCold: z.number().nullable(),
  draws: Draws,
});
const HeatProcess = z.object({
  ...entry,
  processId: z.string().nullable(),
  name: z.string(),
  source: z.string(),
  requiredMinutes: z.number(),
  minutes: z.number(),
  mismatches: z.array(z.string()),
});
const SealCheck = z.object({ ...entry, checked: z.number().int(), failed: z.number().int() });
const Movement = z.object({
  id: z.string(),
  bottlingId: z.string(),
  kind: MovementKind,
  from: z.string().nullable(),
  to: z.string().nullable(),
  count: z.number().int(),
  priceMinor: z.number().int().nullable(),
  note: z.string().nullable(),
  at: z.string(),
  by: z.string(),
});
const Decision = z.object({
  id: z.string(),
  event: z.string(),
  from: LotState,
  to: LotState,
  why: z.string().nullable(),
  at: z.string(),
  by: z.string(),
});
const Print = z.object({
  id: z.string(),
  copies: z.number().int(),
  statement: z.string(),
  at: z.string(),
  by: z.string(),
});

const Placing = z.object({
  id: z.string(),
  stepId: z.string().nullable(),
  vesselId: z.string(),
  vessel: z.string(),
  at: z.string(),
  by: z.string(),
});
const Photograph = z.object({
  ...entry,
  stepId: z.string().nullable(),
  readingId: z.string().nullable(),
  words: z.string(),
});

export const LotRecord = z.object({
  id: z.string(),
  code: z.string(),
  state: LotState,
  heldFrom: LotState.nullable(),
  product: z.object({
    formulaId: z.string(),
    name: z.string(),
    kind: FormulaKind,
    colour: z.string(),
    version: z.number().int(),
    content: FormulaContent,
  }),
  storage: Storage,
  criticalPh: z.number(),
  elevationMetres: z.number(),
  begunAt: z.string(),
  scale: z.number(),
  steps: z.array(Step),
  additions: z.array(Addition),
  readings: z.array(Reading),
  bottlings: z.array(Bottling),
  heatProcesses: z.array(HeatProcess),
  sealChecks: z.array(SealCheck),
  movements: z.array(Movement),
  decisions: z.array(Decision),
  prints: z.array(Print),
  placings: z.array(Placing),
  photographs: z.array(Photograph),
});
