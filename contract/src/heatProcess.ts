import { PACKS, PROCESS_METHODS, PRODUCT_STATES } from '@inch/core/heat';
import { HIGHEST_PH } from '@inch/core/keeping';
import { z } from 'zod';
import { FormulaKind } from './formula.ts';
import { route } from './route.ts';
import { Day, Id, Name, Written } from './values.ts';

export const ProcessMethod = z.enum(PROCESS_METHODS);
const SOURCE =
  'Its source: what it is, whose, and of which year: “Letter of Dr Amsel, 3 May 2026”, or a tested book with its edition.';
/** What a source is: a letter, a book, a test. */
const KIND =
  /\b(letter|e-?mail|mail|guide|book|handbook|manual|edition|ed|bulletin|report|study|paper|thesis|leaflet|publication|pub|fact ?sheet|circular|journal|article|test|trial|analysis|certificate|laboratory|lab|authority|university|extension|institute|college|agency|department|ministry|standard|regulation|CFR)s?\b/iu;
/** Words that name nobody. */
const NOBODY =
  /^(?:the|a|an|of|from|by|and|in|on|my|our|their|his|her|old|new|dated?|page|vol|no|some|said|internet|web|blog)$/iu;
/** Whether somebody else could find a source: what it is, whose, and of which year. */
const findable = (source: string): boolean => {
  const told = source.slice(0, 300);
  const words = told.match(/\p{L}{2,}/gu) ?? [];
  const who = words.filter((word) => !NOBODY.test(word));
  return KIND.test(told) && who.length >= 2 && /(?<!\d)(?:19|20)\d\d(?!\d)/.test(told);
};
const Source = z.string().trim().max(300, 'At most 300 characters.').refine(findable, SOURCE);

const fields = {
  name: Name,
  source: Source,
  readOn: Day.nullable(),
  fruits: z.array(z.string().max(60)).min(1, 'Which fruits was it tested with?').max(40),
  anyFruitBut: z.null().default(null),
  acids: z.array(z.string().max(60)).max(20),
  /** Acids that it has to have, with the least of each in a kg of the product. */
  acidsRequired: z
    .array(
      z.object({ id: z.string().max(60), gramsPerKg: z.number().gt(0, 'How many g in a kg?').max(1000) }),
    )
    .max(20)
    .default([]),
  salt: z.boolean().default(false),
  spices: z.array(z.string().max(60)).max(40).default([]),
  thickeners: z.array(z.string().max(60)).max(20).default([]),
  products: z.array(FormulaKind).min(1, 'For which kind of product is it?'),
  /** What was in the jar, and how it was packed: what is not known matches nothing. */
  state: z.enum(PRODUCT_STATES).nullable().default(null),
  pack: z.enum(PACKS).nullable().default(null),
  brix: z
    .object({ from: z.number().min(0).max(85), to: z.number().min(0).max(85) })
    .refine((b) => b.from <= b.to, 'From the lower to the higher.')
    .nullable(),
  highestPh: z.number().min(2, 'Not under 2.').max(HIGHEST_PH, `Never over ${HIGHEST_PH}.`).nullable(),
  closure: z.enum(['two-piece-lid', 'any']),
  largestMl: z.number().gt(0, 'How large a jar at most?').max(20_000),
  headspaceInches: z.number().gt(0, 'How much headspace?').max(3, 'At most 3 in.'),
  method: ProcessMethod,
  /** Whether its source allows an atmospheric steam canner. */
  steam: z.boolean().default(false),
  hotFill: z
    .object({
      celsius: z.number().min(70, 'Nothing is filled hot under 70 °C.').max(100),
      holdMinutes: z.number().gt(0, 'How long is it held?').max(60),
      invertSeconds: z.number().min(0).max(600),
    })
    .nullable(),
  restMinutes: z.number().min(0).max(60),
  bands: z
    .array(z.object({ toFeet: z.number().min(0).max(16_500), minutes: z.number().gt(0).max(240) }))
    .min(1, 'Minutes up to which elevation?')
    .max(10)
    .refine(
      (bands) => bands.every((b, i) => i === 0 || b.toFeet > bands[i - 1]!.toFeet),
      'From the lowest elevation up.',
    ),
};
const hotFillTold = (p: { method: string; hotFill: unknown }) =>
  p.method !== 'hot-fill' || p.hotFill !== null;

/** A process of the kitchen’s own, with its source: what it was tested on, and minutes by elevation. */
export const OwnProcess = z.object({ id: z.string(), ...fields });
export type OwnProcess = z.infer<typeof OwnProcess>;
export const NewProcess = z.object({ id: Id, ...fields }).refine(hotFillTold, {
  path: ['hotFill'],
  message: 'Fill temperature, hold and inversion, from its source.',
});
export const FileProcess = z.object({ key: z.string().min(1).max(60), ...fields });

export const heatProcessRoutes = {
  list: route({
    method: 'GET',
    revalidated: true,
    path: '/api/processes',
    access: 'reader',
    summary: 'Heat processes of the kitchen’s own',
    response: z.array(OwnProcess),
  }),
  add: route({
    method: 'POST',
    path: '/api/processes',
    access: 'owner',
    summary: 'Enter a heat process with its source; it is never changed, a newer one is entered beside it',
    body: NewProcess,
    response: Written,
  }),
};
