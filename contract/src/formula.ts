import { Ingredient } from '@inch/core/ingredient';
import { FIRES } from '@inch/core/pan';
import { THICKNESSES } from '@inch/core/sugar';
import { z } from 'zod';
import { OwnMeasure } from './ingredient.ts';
import { route } from './route.ts';
import { Colour, Id, Name, Words, Written } from './values.ts';

export const FormulaKind = z.enum(['syrup', 'cordial', 'shrub', 'concentrate']);
export const StepKind = z.enum([
  'prepare',
  'draw',
  'strain',
  'add',
  'reduce',
  'heat',
  'measure',
  'fill',
  'process',
  'rest',
]);
export const Storage = z.enum(['shelf', 'cold', 'frozen']);

const key = z.string().min(1).max(40);
const share = (what: string) => z.number().gt(0, what).max(1, 'Not more than all of it.');

/** For how much of what it follows an amount is, as it was said: "1 pint". */
const Each = z.string().min(1).max(40).optional();

export const Basis = z.discriminatedUnion('per', [
  z.object({ per: z.literal('batch') }),
  z.object({ per: z.literal('line'), lineId: key, by: z.enum(['weight', 'volume']), each: Each }),
  z.object({ per: z.literal('yield'), by: z.enum(['weight', 'volume']), each: Each }),
  /** In each bottle of so many mL; of the formula's own size where it is not said. */
  z.object({
    per: z.literal('bottle'),
    ml: z.number().gt(0, 'Over 0 mL.').max(20_000).optional(),
    /** As much as fills it, with all else in it, to its headspace. */
    fills: z.literal(true).optional(),
  }),
  /** As much as covers what is in the pan when it goes in. */
  z.object({ per: z.literal('cover') }),
]);

export const FormulaLine = z.object({
  id: key,
  said: z.string().max(80, 'At most 80 characters.'),
  ingredientId: z.string().max(60),
  stepId: z.string().max(40).optional(),
  basis: Basis.optional(),
  /** What else would do in its place. */
  or: z
    .array(z.object({ said: z.string().max(80), ingredientId: z.string().max(60) }))
    .max(6)
    .optional(),
  optional: z.boolean().optional(),
  heading: z.string().max(60).optional(),
});

export const FormulaStep = z.object({
  id: key,
  kind: StepKind,
  title: Name,
  minutes: z.number().min(0).max(100_000, 'At most 100,000 minutes.').optional(),
  keeps: share('Something has to come through.').optional(),
  method: z.enum(['cold', 'cooked', 'infused', 'blended', 'peel', 'jar']).optional(),
  draws: share('Something has to be drawn.').optional(),
  cloth: z.enum(['press', 'drip', 'filter']).optional(),
  liquidAway: z.boolean().optional(),
  sugarStays: z.boolean().optional(),
  celsius: z.number().min(-20, 'Not under −20 °C.').max(130, 'At most 130 °C.').optional(),
  lidOff: z.boolean().optional(),
  lidHalf: z.boolean().optional(),
  fire: z.enum(FIRES).optional(),
  evaporates: z.number().gt(0, 'Over 0 g a minute.').max(1000, 'At most 1,000 g a minute.').optional(),
  toBrix: z.number().min(5, 'Not under 5 °Bx.').max(80, 'At most 80 °Bx.').optional(),
  toFraction: share('Something has to be left.').optional(),
  toThickness: z.enum(THICKNESSES).optional(),
  toCelsius: z.number().min(90, 'Not under 90 °C.').max(125, 'At most 125 °C.').optional(),
  killStep: z.boolean().optional(),
  toleranceMinutes: z.number().min(0).max(10_000, 'At most 10,000 minutes.').optional(),
  prompt: z.string().trim().max(60, 'At most 60 characters.').optional(),
  promptEvery: z
    .number()
    .min(1, 'Not oftener than every minute.')
    .max(1440, 'At least once a day.')
    .optional(),
  neverBoil: z.boolean().optional(),
});

const Targets = z.object({
  ph: z.number().min(1.5, 'Not under pH 1.5.').max(7, 'At most pH 7.').optional(),
  brix: z.number().min(1, 'Not under 1 °Bx.').max(80, 'At most 80 °Bx.').optional(),
  bottles: z.number().int().min(1).max(10_000).optional(),
});

export const FormulaContent = z.object({
  lines: z.array(FormulaLine).max(60, 'At most 60 lines.'),
  steps: z.array(FormulaStep).max(40, 'At most 40 steps.'),
  storage: Storage,
  bottleMl: z.number().min(10, 'Not under 10 mL.').max(20_000, 'At most 20 L.'),
  processId: z.string().max(60).optional(),
  processSource: z.string().trim().max(300).optional(),
  dilution: z.string().trim().max(200).optional(),
  headspaceMl: z.number().min(0).max(2000).optional(),
  panMm: z.number().min(60, 'Not under 60 mm.').max(1000, 'At most 1,000 mm.').optional(),
  bottles: z.number().int().min(1, 'At least one bottle.').max(10_000, 'At most 10,000 bottles.').optional(),
  waterParts: z.number().min(0, 'Not under 0 parts.').max(100, 'At most 100 parts.').optional(),
  readyDays: z.number().int().min(0).max(730).optional(),
  source: z.string().trim().max(300).optional(),
  edition: z.string().trim().max(120).optional(),
  changed: z.string().trim().max(500).optional(),
  targets: Targets.optional(),
  /** Filled by the server when a version is saved; what a client sends here is not taken. */
  own: z
    .object({ ingredients: z.array(Ingredient).max(60), measures: z.array(OwnMeasure).max(60) })
    .optional(),
});

export const FormulaHead = z.object({
  id: z.string(),
  name: z.string(),
  kind: FormulaKind,
  colour: z.string(),
  version: z.number().int(),
  versionId: z.string(),
  savedAt: z.string(),
  savedBy: z.string(),
  content: FormulaContent,
  lots: z.number().int(),
  archived: z.boolean(),
});
export type FormulaHead = z.infer<typeof FormulaHead>;

export const FormulaVersion = z.object({
  id: z.string(),
  number: z.number().int(),
  savedAt: z.string(),
  savedBy: z.string(),
  note: z.string(),
  content: FormulaContent,
});
export const Formula = FormulaHead.extend({ versions: z.array(FormulaVersion) });
export type Formula = z.infer<typeof Formula>;

/** What a lot showed of its formula: what went in as it was weighed, and the pH of its finished product. */
export const MeasuredLot = z.object({
  code: z.string(),
  on: z.string(),
  ph: z.number(),
  content: FormulaContent,
});

const Pair = z.object({ forecast: z.number(), measured: z.number() });

/** A lot's figures as its formula was forecast and as they came out. */
export const LotPairs = z.object({
  code: z.string(),
  on: z.string(),
  version: z.number().int(),
  /** pH, °Bx, acid in g/L as citric, mL in bottles, minutes of the steps that are done. */
  figures: z.object({
    ph: Pair.optional(),
    brix: Pair.optional(),
    acid: Pair.optional(),
    millilitres: Pair.optional(),
    minutes: Pair.optional(),
  }),
  /** What was said of a figure far off, when it was read. */
  because: z.array(z.string()),
});

const saved = {
  versionId: Id,
  name: Name,
  kind: FormulaKind,
  colour: Colour,
  note: Words.default(''),
  content: FormulaContent,
};
export const NewFormula = z.object({ id: Id, ...saved });
export const NewVersion = z.object({ ...saved, after: z.number().int().min(1) });
const byId = z.object({ id: z.string().max(40) });

export const formulaRoutes = {
  list: route({
    method: 'GET',
    revalidated: true,
    path: '/api/formulas',
    access: 'reader',
    summary:
      'Formulas in use, each with its newest version; with `archived` a page of the archived ones, where `before` is the last of the page before',
    query: z.object({
      archived: z.enum(['true', 'false']).default('false'),
      before: z.string().max(40).optional(),
      limit: z.coerce.number().int().min(1).max(200).default(50),
    }),
    response: z.array(FormulaHead),
  }),
  read: route({
    method: 'GET',
    path: '/api/formulas/:id',
    access: 'reader',
    summary: 'A formula with all its versions',
    params: byId,
    response: Formula,
  }),
  measured: route({
    method: 'GET',
    path: '/api/formulas/:id/measured',
    access: 'reader',
    summary: 'The last lots of a formula whose finished product was measured, the newest first',
    params: byId,
    response: z.array(MeasuredLot),
  }),
  pairs: route({
    method: 'GET',
    path: '/api/formulas/:id/pairs',
    access: 'reader',
    summary: 'The last lots of a formula, as forecast and as measured, the newest first',
    params: byId,
    response: z.array(LotPairs),
  }),
  inquiry: route({
    method: 'GET',
    path: '/api/formulas/:id/inquiry.pdf',
    access: 'reader',
    summary: 'What to send to a process authority about a formula that no listed process covers, on one page',
    params: byId,
    response: z.unknown(),
    media: 'application/pdf',
  }),
  create: route({
    method: 'POST',
    path: '/api/formulas',
    access: 'maker',
    summary: 'Save a new formula as version 1',
    body: NewFormula,
    response: Written,
  }),
  save: route({
    method: 'POST',
    path: '/api/formulas/:id/versions',
    access: 'maker',
    summary: 'Save a new version; refused with 409 when another came first',
    params: byId,
    body: NewVersion,
    response: z.object({ id: z.string(), number: z.number().int() }),
  }),
  archive: route({
    method: 'POST',
    path: '/api/formulas/:id/archive',
    status: 200,
    access: 'maker',
    summary: 'Archive a formula, or restore it; its lots and versions stay',
    params: byId,
    body: z.object({ archived: z.boolean() }),
    response: z.object({ id: z.string(), archived: z.boolean() }),
  }),
};
