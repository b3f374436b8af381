import { z } from 'zod';
import { FormulaContent, FormulaKind, StepKind, Storage } from './formula.ts';
import { ProcessMethod } from './heatProcess.ts';
import { Ingredient } from './ingredient.ts';
import {
  Closing,
  GlassFault,
  LoadMarkKind,
  MarkKind,
  ReadingKind,
  Sample,
  SealFate,
  Taken,
  TallyPart,
} from './lotEntry.ts';

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
const MovementKind = z.enum([
  'stored',
  'moved',
  'sold',
  'given',
  'broken',
  'retained',
  'failed seal',
  'processed again',
]);

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
  taken: Taken,
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
  middleCelsius: z.number().nullable(),
  lastCelsius: z.number().nullable(),
  glassCelsius: z.number().nullable(),
  headspaceInches: z.number().nullable(),
  checked: z.boolean(),
  closing: Closing,
  hoursTo21: z.number().nullable(),
  hoursToCold: z.number().nullable(),
  draws: Draws,
});
const Limits = z.object({
  brix: z.object({ from: z.number(), to: z.number() }).nullable(),
  highestPh: z.number().nullable(),
});
const HeatProcess = z.object({
  ...entry,
  processId: z.string().nullable(),
  name: z.string(),
  source: z.string(),
  method: ProcessMethod,
  requiredMinutes: z.number(),
  minutes: z.number(),
  invertedSeconds: z.number().nullable(),
  elevationMetres: z.number().nullable(),
  mismatches: z.array(z.string()),
  limits: Limits,
  bottles: z.number().int().nullable(),
  loadId: z.string().nullable(),
});
const Load = z.object({
  ...entry,
  number: z.number().int(),
  processId: z.string().nullable(),
  name: z.string(),
  source: z.string(),
  requiredMinutes: z.number(),
  restMinutes: z.number(),
  mismatches: z.array(z.string()),
  limits: Limits,
  bottles: z.number().int(),
  marks: z.array(z.object({ id: z.string(), kind: LoadMarkKind, at: z.string(), by: z.string() })),
});
const Curve = z.object({
  ...entry,
  loadId: z.string().nullable(),
  name: z.string(),
  samples: z.array(z.object({ seconds: z.number(), celsius: z.number() })),
  minutes: z.number(),
});
const SealCheck = z.object({
  ...entry,
  checked: z.number().int(),
  failed: z.number().int(),
  failedBottles: z.array(z.number().int()),
  signs: z.array(z.string()),
});
const Fate = z.object({
  id: z.string(),
  checkId: z.string(),
  fate: SealFate,
  count: z.number().int(),
  at: z.string(),
  by: z.string(),
});
const Tick = z.object({ ...entry, lineId: z.string(), bottle: z.number().int() });
const Fault = z.object({
  ...entry,
  containerId: z.string(),
  container: z.string(),
  fault: GlassFault,
  count: z.number().int(),
});
const Tally = z.object({
  ...entry,
  inPanMl: z.number(),
  how: z.string(),
  parts: z.array(z.object({ part: TallyPart, ml: z.number() })),
  filledMl: z.number(),
  gapMl: z.number(),
  asks: z.boolean(),
  why: z.string().nullable(),
});
const Weighing = z.object({
  ...entry,
  bottlingId: z.string(),
  grossGrams: z.number(),
  tareGrams: z.number(),
  netMl: z.number(),
});
const Cooling = z.object({ ...entry, bottlingId: z.string(), celsius: z.number() });
const Deviation = z.object({
  id: z.string(),
  kind: z.string(),
  what: z.string(),
  entryId: z.string().nullable(),
  at: z.string(),
  by: z.string(),
  closed: z.object({ cause: z.string(), done: z.string(), at: z.string(), by: z.string() }).nullable(),
});
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
  signed: z.boolean(),
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
  ticks: z.array(Tick),
  faults: z.array(Fault),
  tallies: z.array(Tally),
  weighings: z.array(Weighing),
  loads: z.array(Load),
  curves: z.array(Curve),
  coolings: z.array(Cooling),
  fates: z.array(Fate),
  deviations: z.array(Deviation),
});
