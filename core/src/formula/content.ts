import { z } from 'zod';
import { Ingredient } from '../ingredient/index.ts';
import { Storage } from '../keeping/index.ts';
import { FIRES } from '../pan/index.ts';
import { OwnMeasure } from '../quantity/index.ts';
import { THICKNESSES } from '../sugar/index.ts';
import { Name } from '../value/index.ts';
import { ExtractionMethod, StrainMethod } from './methods.ts';

export const FormulaKind = z.enum(['syrup', 'cordial', 'shrub', 'concentrate']);
export type FormulaKind = z.infer<typeof FormulaKind>;

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
export type StepKind = z.infer<typeof StepKind>;

const key = z.string().min(1).max(40);
const share = (what: string) => z.number().gt(0, what).max(1, 'Not more than all of it.');

/** For how much of what it follows an amount is, as it was said: "1 pint"; a kg or a litre where absent. */
const Each = z.string().min(1).max(40).optional();

/** What a line's amount is told by: the batch, another line, the liquid in the pan when it goes in, or each bottle. */
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
export type Basis = z.infer<typeof Basis>;

/** A line as the cook says it. It goes into the pan at its step; without one, at the first. */
export const FormulaLine = z.object({
  id: key,
  said: z.string().max(80, 'At most 80 characters.'),
  ingredientId: z.string().max(60),
  stepId: z.string().max(40).optional(),
  /** Absent: per batch. */
  basis: Basis.optional(),
  /** What else would do in its place, by its own words. */
  or: z
    .array(z.object({ said: z.string().max(80), ingredientId: z.string().max(60) }))
    .max(6)
    .optional(),
  /** It may be left out. */
  optional: z.boolean().optional(),
  /** Part of the recipe it stands under, "for the syrup". */
  heading: z.string().max(60).optional(),
});
export type FormulaLine = z.infer<typeof FormulaLine>;

export const FormulaStep = z.object({
  id: key,
  kind: StepKind,
  title: Name,
  /** The words of its recipe in full, where its title has not room for them. */
  words: z.string().trim().max(4000, 'At most 4,000 characters.').optional(),
  minutes: z.number().min(0).max(100_000, 'At most 100,000 minutes.').optional(),
  /** Prepare: share left after trimming. Strain: share of the liquid that comes through. 0–1. */
  keeps: share('Something has to come through.').optional(),
  /** Draw: how the flavour is drawn. */
  method: ExtractionMethod.optional(),
  /** Draw: share of what is in the fruit that comes out, 0–1; the method's typical one where absent. */
  draws: share('Something has to be drawn.').optional(),
  /** Strain: pressed for yield, left to drip, or filtered clear. */
  cloth: StrainMethod.optional(),
  /** Strain: the liquid is thrown away, and what was soaked in it goes on. */
  liquidAway: z.boolean().optional(),
  /** Strain: sugar that did not dissolve stays in the cloth; it is stirred in where absent. */
  sugarStays: z.boolean().optional(),
  /** Draw, heat: temperature held, °C; the method's own where absent. */
  celsius: z.number().min(-20, 'Not under −20 °C.').max(130, 'At most 130 °C.').optional(),
  /** Draw, heat: whether water boils off. */
  lidOff: z.boolean().optional(),
  /** The lid half on. */
  lidHalf: z.boolean().optional(),
  /** How high the fire is; medium where absent. */
  fire: z.enum(FIRES).optional(),
  /** Water boiled off, g a minute; by pan, fire and lid where absent. */
  evaporates: z.number().gt(0, 'Over 0 g a minute.').max(1000, 'At most 1,000 g a minute.').optional(),
  /** Reduce: °Bx to stop at. Without any mark to stop at it goes by its minutes. */
  toBrix: z.number().min(5, 'Not under 5 °Bx.').max(80, 'At most 80 °Bx.').optional(),
  /** Reduce: part of the volume to stop at, 0–1. */
  toFraction: share('Something has to be left.').optional(),
  /** Reduce: how thick it looks when it is done. */
  toThickness: z.enum(THICKNESSES).optional(),
  /** Reduce: temperature of the boil to stop at, °C. */
  toCelsius: z.number().min(90, 'Not under 90 °C.').max(125, 'At most 125 °C.').optional(),
  /** The whole liquid reaches 90 °C or boils for a minute here. */
  killStep: z.boolean().optional(),
  /** Minutes by which it may end early or late before that is marked; a fifth of its time where absent. */
  toleranceMinutes: z.number().min(0).max(10_000, 'At most 10,000 minutes.').optional(),
  /** What to do again and again while its clock runs, and every how many minutes: "stir", every 5. */
  prompt: z.string().trim().max(60, 'At most 60 characters.').optional(),
  promptEvery: z
    .number()
    .min(1, 'Not oftener than every minute.')
    .max(1440, 'At least once a day.')
    .optional(),
  /** It is kept under the boil: the thermometer is watched. */
  neverBoil: z.boolean().optional(),
});
export type FormulaStep = z.infer<typeof FormulaStep>;

/** What the maker wants it to come out at; the forecast says how likely that is. */
export const Targets = z.object({
  ph: z.number().min(1.5, 'Not under pH 1.5.').max(7, 'At most pH 7.').optional(),
  brix: z.number().min(1, 'Not under 1 °Bx.').max(80, 'At most 80 °Bx.').optional(),
  bottles: z.number().int().min(1).max(10_000).optional(),
});
export type Targets = z.infer<typeof Targets>;

/** How a product is made: what a formula version holds, never changed once saved. */
export const FormulaContent = z.object({
  lines: z.array(FormulaLine).max(60, 'At most 60 lines.'),
  steps: z.array(FormulaStep).max(40, 'At most 40 steps.'),
  storage: Storage,
  /** Net contents of the bottle it is meant for, mL at 20 °C. */
  bottleMl: z.number().min(10, 'Not under 10 mL.').max(20_000, 'At most 20 L.'),
  /** Heat process meant for it, by id; empty for none. */
  processId: z.string().max(60).optional(),
  /** Source of the kitchen's own heat process, where none of the shipped ones is meant. */
  processSource: z.string().trim().max(300).optional(),
  /** How it is used, for the label: "1 part to 5 of water". */
  dilution: z.string().trim().max(200).optional(),
  /** Headspace left in it, mL, as it is filled. */
  headspaceMl: z.number().min(0).max(2000).optional(),
  /** Width of the pan it is cooked in, mm; one usual for its batch where absent. */
  panMm: z.number().min(60, 'Not under 60 mm.').max(1000, 'At most 1,000 mm.').optional(),
  /** Bottles the batch is for, where its lines are said per bottle. */
  bottles: z.number().int().min(1, 'At least one bottle.').max(10_000, 'At most 10,000 bottles.').optional(),
  /** Parts of water to one of it in the drink. */
  waterParts: z.number().min(0, 'Not under 0 parts.').max(100, 'At most 100 parts.').optional(),
  /** Days from filling until it is any good. */
  readyDays: z.number().int().min(0).max(730).optional(),
  /** Where it comes from: title, edition, and what was changed from it. */
  source: z.string().trim().max(300).optional(),
  edition: z.string().trim().max(120).optional(),
  changed: z.string().trim().max(500).optional(),
  targets: Targets.optional(),
  /** The kitchen's own entries and measures that its lines use, as they stood when it was saved: filled by the server, never taken from a client. */
  own: z
    .object({ ingredients: z.array(Ingredient).max(60), measures: z.array(OwnMeasure).max(60) })
    .optional(),
});
export type FormulaContent = z.infer<typeof FormulaContent>;
