import { FIELDS, LABEL_SIDE, LANGUAGES, LOOKS, NUTRIENTS } from '@inch/core/label';
import { z } from 'zod';
import { RulePackId } from './kitchen.ts';
import { route } from './route.ts';
import { Colour } from './values.ts';

const byId = z.object({ id: z.string().max(40) });

export const Language = z.enum(LANGUAGES);

const Vignette = z.object({ text: z.string(), typeMm: z.number().nullable(), rule: z.string() });

const LabelWords = z.object({
  language: Language,
  name: z.string(),
  kind: z.string(),
  colour: Colour,
  statement: z.string(),
  allergens: z.string(),
  allergensUnknown: z.array(z.string()),
  nutsUnnamed: z.boolean(),
  sulphitesPpm: z.number().nullable(),
  netContents: z.string(),
  nominalMl: z.number(),
  dateLine: z.string(),
  keepLine: z.string(),
  useLine: z.string(),
  lotLine: z.string(),
  whoLine: z.string(),
  warning: z.string(),
  infantLine: z.string(),
  localStatement: z.string(),
  vignettes: z.array(Vignette),
  fruitPercent: z.string(),
  juiceLine: z.string(),
  abv: z.number(),
  alcoholLine: z.string(),
  cautions: z.array(z.object({ element: z.string(), text: z.string(), rule: z.string(), from: z.string() })),
});
const NutritionFigure = z.object({
  raw: z.number(),
  declared: z.string(),
  percentDailyValue: z.number().nullable(),
  /** From what it is calculated. */
  from: z.string(),
  /** How far it may be off by what it is calculated from. */
  tolerance: z.string(),
});
const Declared = z.object({ raw: z.number(), declared: z.string() });

/** Nutrition of a lot as made: in a serving (United States), or in 100 mL (Europe). */
export const Nutrition = z.object({
  pack: RulePackId,
  millilitres: z.number(),
  kilojoules: Declared,
  salt: Declared,
  figures: z.object(
    Object.fromEntries(NUTRIENTS.map((name) => [name, NutritionFigure])) as Record<
      (typeof NUTRIENTS)[number],
      typeof NutritionFigure
    >,
  ),
});

const side = (what: string) =>
  z
    .number(`${what} A number of mm.`)
    .min(LABEL_SIDE.least, `${what} At least ${LABEL_SIDE.least} mm.`)
    .max(LABEL_SIDE.most, `${what} At most ${LABEL_SIDE.most} mm.`);
const shift = z.number('By how many mm?').min(-LABEL_SIDE.most).max(LABEL_SIDE.most);

/** How the label of a product is drawn. */
export const LabelDesign = z.strictObject({
  look: z.enum(LOOKS, `Which look? One of: ${LOOKS.join(', ')}.`),
  widthMm: side('How wide is the label?'),
  heightMm: side('How high is the label?'),
  code: z.boolean(),
  numbered: z.boolean(),
  /** Net contents by weight, where a product is sold so. */
  byWeight: z.boolean().default(false),
  pictureId: z.string().nullable(),
  moved: z.array(z.strictObject({ field: z.enum(FIELDS), dx: shift, dy: shift })).max(FIELDS.length),
  /** In the kitchen's second language: name of the product, and how it is used. */
  second: z.strictObject({ name: z.string().trim().max(120), use: z.string().trim().max(200) }).nullable(),
});
export type LabelDesign = z.infer<typeof LabelDesign>;

const FacedContainer = z.object({
  name: z.string(),
  nominalMl: z.number(),
  heightMm: z.number(),
  diameterMm: z.number(),
  closure: z.string(),
  shape: z.enum(['round', 'flat-sided']),
  depthMm: z.number().nullable(),
  wallMm: z.number().nullable(),
});

export const LabelView = z.object({
  content: LabelWords,
  /** In the kitchen's second language; null without one. */
  second: LabelWords.nullable(),
  checks: z.array(
    z.object({
      element: z.string(),
      state: z.enum(['there', 'doubtful', 'stops']),
      sentence: z.string(),
      rule: z.string(),
    }),
  ),
  differences: z.array(z.string()),
  /** Calculated; null before anything is in. */
  nutrition: Nutrition.nullable(),
  /** Whether its figures are printed on the label. */
  nutritionPrinted: z.boolean(),
  netHeightMm: z.number(),
  /** Least height of small letters, mm. */
  leastXMm: z.number(),
  allCm2: z.number(),
  principalCm2: z.number(),
  rulePack: RulePackId,
  /** The newest filling's kind of bottle; null before anything is filled. */
  container: FacedContainer.nullable(),
  design: LabelDesign,
  /** Of the design as it is saved; 0 before it is. */
  revision: z.number().int(),
  /** Blank labels in stock. */
  blanks: z.number().int(),
  printable: z.boolean(),
  refusal: z.string().nullable(),
});
export type LabelView = z.infer<typeof LabelView>;

const Flag = z.enum(['true', 'false']).default('false');
const Drawn = {
  /** Number of the bottle that the first is for. */
  firstBottle: z.coerce.number().int().min(1).max(10_000).optional(),
  /** Whether what differs from the formula was looked at, where no print said so yet. */
  differencesSeen: Flag,
};
const FaceId = z.enum(['front', 'back']);

export const labelRoutes = {
  read: route({
    method: 'GET',
    path: '/api/lots/:id/label',
    access: 'reader',
    summary: 'The label of the lot as made, with its check and its design',
    params: byId,
    response: LabelView,
  }),
  pdf: route({
    method: 'GET',
    path: '/api/lots/:id/label.pdf',
    access: 'reader',
    summary: 'The label at true size: one a page, or on a sheet from a place on',
    params: byId,
    query: z.object({
      copies: z.coerce.number().int().min(1).max(500).default(1),
      /** A sheet by its id; one label a page without it. */
      sheet: z.string().max(40).optional(),
      first: z.coerce.number().int().min(1).max(500).default(1),
      /** The front, the back, or both in turn where the look has two. */
      face: z.enum(['front', 'back', 'both']).default('both'),
      cutMarks: Flag,
      ...Drawn,
    }),
    response: z.unknown(),
    media: 'application/pdf',
  }),
  svg: route({
    method: 'GET',
    path: '/api/lots/:id/label.svg',
    access: 'reader',
    summary: 'One label as SVG, letters as outlines',
    params: byId,
    query: z.object({ face: FaceId.default('front'), ...Drawn }),
    response: z.unknown(),
    media: 'image/svg+xml',
  }),
  png: route({
    method: 'GET',
    path: '/api/lots/:id/label.png',
    access: 'reader',
    summary: 'One label, or a whole sheet of it, as PNG',
    params: byId,
    query: z.object({
      face: FaceId.default('front'),
      dpi: z.coerce.number().int().min(50).max(600).default(300),
      sheet: z.string().max(40).optional(),
      first: z.coerce.number().int().min(1).max(500).default(1),
      copies: z.coerce.number().int().min(1).max(500).default(1),
      ...Drawn,
    }),
    response: z.unknown(),
    media: 'image/png',
  }),
  design: route({
    method: 'PATCH',
    path: '/api/formulas/:id/label-design',
    access: 'maker',
    summary: 'Draw the label of a product; a stale revision is refused with 409',
    params: byId,
    body: z.strictObject({ design: LabelDesign, revision: z.int().min(0) }),
    response: z.object({ revision: z.number().int() }),
  }),
};
