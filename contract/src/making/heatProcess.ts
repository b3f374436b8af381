import { FormulaKind } from '@inch/core/formula';
import { HeatProcess } from '@inch/core/heat';
import { HIGHEST_PH } from '@inch/core/keeping';
import { Id, Name } from '@inch/core/value';
import { z } from 'zod';
import { route } from '../route/route.ts';
import { Written } from '../route/values.ts';

export const ProcessMethod = HeatProcess.shape.method;
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

/** What is told of a process of the kitchen's own: its source names it, and its fruits, products and elevations are bounded. */
const fields = {
  ...HeatProcess.omit({ id: true }).shape,
  name: Name,
  source: Source,
  fruits: z.array(z.string().max(60)).min(1, 'Which fruits was it tested with?').max(40),
  anyFruitBut: z.null().default(null),
  acidsRequired: HeatProcess.shape.acidsRequired.default([]),
  salt: HeatProcess.shape.salt.default(false),
  spices: HeatProcess.shape.spices.default([]),
  thickeners: HeatProcess.shape.thickeners.default([]),
  products: z.array(FormulaKind).min(1, 'For which kind of product is it?'),
  state: HeatProcess.shape.state.default(null),
  pack: HeatProcess.shape.pack.default(null),
  highestPh: z.number().min(2, 'Not under 2.').max(HIGHEST_PH, `Never over ${HIGHEST_PH}.`).nullable(),
  steam: HeatProcess.shape.steam.default(false),
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
