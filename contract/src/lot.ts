import { z } from 'zod';
import { FormulaKind, Storage } from './formula.ts';
import { CupSchool } from './kitchen.ts';
import {
  NewAddition,
  NewBottling,
  NewClosing,
  NewCooling,
  NewCurve,
  NewDecision,
  NewDeviation,
  NewFate,
  NewFault,
  NewHeatProcess,
  NewLoad,
  NewLoadMark,
  NewLot,
  NewMark,
  NewMovement,
  NewOrigin,
  NewPlacing,
  NewPrint,
  NewReading,
  NewRuling,
  NewSealCheck,
  NewStrike,
  NewTally,
  NewTick,
  NewWeighing,
} from './lotEntry.ts';
import { LotRecord, LotState } from './lotRecord.ts';
import { route } from './route.ts';
import { Day, Written } from './values.ts';
import { Vessel } from './vessel.ts';

/** What a piece of evidence rests on: an entry of the record, an instrument by its name, a stock lot by its code. */
const EvidenceOf = z.object({
  noun: z.enum([
    'addition',
    'stock',
    'reading',
    'instrument',
    'bottling',
    'tick',
    'tally',
    'weighing',
    'heat-process',
    'load',
    'cooling',
    'seal-check',
    'print',
    'deviation',
  ]),
  id: z.string(),
});
const Gate = z.object({
  id: z.enum(['everything-in', 'trace', 'acid', 'count', 'heat', 'seal', 'label', 'deviations']),
  question: z.string(),
  open: z.boolean(),
  evidence: z.array(z.object({ words: z.string(), of: EvidenceOf.nullable() })),
  missing: z.string().nullable(),
});
const Hurdle = z.object({
  id: z.string(),
  name: z.string(),
  level: z.string(),
  limit: z.string(),
  met: z.boolean(),
  carries: z.boolean(),
});
const Keeping = z.object({
  row: z.string(),
  class: z.enum(['shelf', 'cold', 'frozen', 'none']),
  openedDays: z.number().nullable(),
  reason: z.string(),
  missing: z.array(z.string()),
  madeOn: Day,
  readyOn: Day,
  bestBy: Day.nullable(),
  dateWord: z.enum(['use by', 'best by']),
  hurdles: z.array(Hurdle),
  carriedBy: z.string(),
});
const Group = z.object({
  bottlingId: z.string(),
  container: z.string(),
  nominalMl: z.number(),
  place: z.string(),
  count: z.number().int(),
});
const Bottles = z.object({
  filled: z.number().int(),
  millilitres: z.number(),
  left: z.number().int(),
  sold: z.number().int(),
  groups: z.array(Group),
});
const PlannedLine = z.object({
  lineId: z.string(),
  formulaStepId: z.string().nullable(),
  ingredientId: z.string(),
  name: z.string(),
  said: z.string(),
  /** As planned, g, after trimming. */
  grams: z.number().nullable(),
  /** As it comes to after what was really weighed, g. */
  now: z.number().nullable(),
  /** What it follows, in words; null for an amount of its own. */
  follows: z.string().nullable(),
});

export const LotView = LotRecord.extend({
  /** School of cups it was begun under. */
  cupSchool: CupSchool.nullable(),
  lines: z.array(PlannedLine),
  /** The vessel it is in now. */
  vessel: Vessel.nullable(),
  gates: z.array(Gate),
  keeping: Keeping,
  bottles: Bottles,
});
export type LotView = z.infer<typeof LotView>;

/** A lot as lists show it. */
export const LotHead = z.object({
  id: z.string(),
  code: z.string(),
  name: z.string(),
  colour: z.string(),
  kind: FormulaKind,
  state: LotState,
  begunAt: z.string(),
  madeOn: Day,
  readyOn: Day,
  bestBy: Day.nullable(),
  dateWord: z.enum(['use by', 'best by']),
  storage: Storage,
  keepingClass: z.enum(['shelf', 'cold', 'frozen', 'none']),
  step: z.string().nullable(),
  gatesOpen: z.number().int(),
  gatesAll: z.number().int(),
  bottles: Bottles,
  heldWhy: z.string().nullable(),
});
export type LotHead = z.infer<typeof LotHead>;

const byId = z.object({ id: z.string().max(40) });
const JournalRow = z.object({
  sequence: z.number().int(),
  at: z.string(),
  by: z.string(),
  noun: z.string(),
  nounId: z.string(),
  action: z.string(),
  payload: z.unknown(),
  hash: z.string(),
});
const LabelWords = z.object({
  name: z.string(),
  kind: z.string(),
  colour: z.string(),
  statement: z.string(),
  allergens: z.string(),
  netContents: z.string(),
  nominalMl: z.number(),
  dateLine: z.string(),
  keepLine: z.string(),
  useLine: z.string(),
  lotLine: z.string(),
  whoLine: z.string(),
  warning: z.string(),
  localStatement: z.string(),
  fruitPercent: z.string(),
});
export const LabelView = z.object({
  content: LabelWords,
  checks: z.array(
    z.object({
      element: z.string(),
      state: z.enum(['there', 'doubtful', 'stops']),
      sentence: z.string(),
      rule: z.string(),
    }),
  ),
  differences: z.array(z.string()),
  netHeightMm: z.number(),
  printable: z.boolean(),
  refusal: z.string().nullable(),
});
export type LabelView = z.infer<typeof LabelView>;
export const LabelSize = z.enum(['small', 'usual', 'large']);

const post = <B extends z.ZodType>(
  path: string,
  summary: string,
  body: B,
  access: 'maker' | 'owner' = 'maker',
) =>
  route({
    method: 'POST',
    path: `/api/lots/:id/${path}`,
    access,
    summary,
    params: byId,
    body,
    response: Written,
  });

export const lotRoutes = {
  list: route({
    method: 'GET',
    path: '/api/lots',
    access: 'reader',
    summary: 'Lots, newest first, paged by code',
    query: z.object({
      before: z.string().max(40).optional(),
      limit: z.coerce.number().int().min(1).max(200).default(100),
    }),
    response: z.object({ lots: z.array(LotHead), next: z.string().nullable() }),
  }),
  read: route({
    method: 'GET',
    path: '/api/lots/:id',
    access: 'reader',
    summary: 'One lot by id or code, with its gates, keeping and bottles',
    params: byId,
    response: LotView,
  }),
  begin: route({
    method: 'POST',
    path: '/api/lots',
    access: 'maker',
    summary: 'Begin a lot of a formula’s newest version',
    body: NewLot,
    response: z.object({ id: z.string(), code: z.string() }),
  }),
  mark: post('marks', 'Start, pause, finish or reopen a step', NewMark),
  add: post('additions', 'Record what went in, or was left out with a word why', NewAddition),
  place: post('placings', 'Say which vessel the lot is in', NewPlacing),
  measure: post('readings', 'Keep a reading', NewReading),
  bottle: post('bottlings', 'Count bottles filled', NewBottling),
  process: post('heat-processes', 'Record a heat process with its source', NewHeatProcess),
  checkSeals: post('seal-checks', 'Record a seal check', NewSealCheck),
  origin: post('origins', 'Say afterwards where something came from', NewOrigin),
  load: post('loads', 'Put jars into the canner', NewLoad),
  markLoad: post('load-marks', 'The full boil, a boil that stopped, fire off, lifted', NewLoadMark),
  curve: post('curves', 'Keep the temperature curve of a logger', NewCurve),
  tick: post('ticks', 'Tick what goes in bottle by bottle', NewTick),
  fault: post('faults', 'Retire glass, a ring or a lid', NewFault),
  tally: post('tallies', 'Account for every millilitre', NewTally),
  weigh: post('weighings', 'Weigh a filled bottle', NewWeighing),
  cool: post('coolings', 'Read the temperature of bottles cooled open', NewCooling),
  fate: post('fates', 'Say what became of bottles whose seal failed', NewFate),
  deviate: post('deviations', 'Open a deviation', NewDeviation),
  closeDeviation: post('closings', 'Close a deviation with its cause and what was done', NewClosing),
  releaseSheet: route({
    method: 'GET',
    path: '/api/lots/:id/release.pdf',
    access: 'reader',
    summary: 'The release sheet: gates, evidence, deviations and signature',
    params: byId,
    response: z.unknown(),
    media: 'application/pdf',
  }),
  move: post('movements', 'Move, sell or give bottles', NewMovement),
  strike: post('strikes', 'Strike an entry: it stays, with who, when and why', NewStrike),
  decide: post('decisions', 'Release, hold or close', NewDecision),
  rule: post('rulings', 'Take up a held lot again, discard it, or recall it', NewRuling, 'owner'),
  print: post('prints', 'Record a print of the label', NewPrint),
  label: route({
    method: 'GET',
    path: '/api/lots/:id/label',
    access: 'reader',
    summary: 'The label of the lot as made, with its check',
    params: byId,
    response: LabelView,
  }),
  labelPdf: route({
    method: 'GET',
    path: '/api/lots/:id/label.pdf',
    access: 'reader',
    summary: 'The label at true size',
    params: byId,
    query: z.object({
      size: LabelSize.default('usual'),
      copies: z.coerce.number().int().min(1).max(200).default(1),
    }),
    response: z.unknown(),
    media: 'application/pdf',
  }),
  journal: route({
    method: 'GET',
    path: '/api/lots/:id/journal',
    access: 'reader',
    summary: 'Journal rows of the lot',
    params: byId,
    response: z.array(JournalRow),
  }),
};
