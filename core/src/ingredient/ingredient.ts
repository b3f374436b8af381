import { z } from 'zod';
import { type AcidName, acidFacts } from '../acid/index.ts';

/** Low, typical and high of a published range. */
const Range = z.tuple([z.number(), z.number(), z.number()]).readonly();
export type Range = readonly [low: number, typical: number, high: number];

const acidName = z.enum(Object.keys(acidFacts) as [AcidName, ...AcidName[]]);
const per100 = z.number().min(0).max(100);

/** How an ingredient's acidity is known. */
export const Acidity = z.discriminatedUnion('kind', [
  /** pH and TA (as citric, g per 100 g, to pH 8.2) with the mole split of its acids: most fruit. */
  z.object({
    kind: z.literal('juice'),
    ph: Range,
    taPer100g: Range,
    split: z.partialRecord(acidName, z.number()),
    /** Dried: pH and TA are those of the fresh fruit with this much water (g per 100 g), its acids `times` as much. */
    freshWater: z.number().optional(),
    times: z.number().optional(),
    /** Its acids are not known by kind: citric and malic are both reckoned, and the higher pH is kept. */
    splitUnknown: z.boolean().optional(),
  }),
  /** A pure food acid, g of acid per 100 g. */
  z.object({ kind: z.literal('acid'), acid: acidName, per100g: per100 }),
  /** Vinegar: acetic acid in g per 100 g; null until titrated. */
  z.object({ kind: z.literal('vinegar'), aceticPer100g: per100.nullable() }),
  /** Neither acid nor base to speak of: sugar, distilled water, spirit. */
  z.object({ kind: z.literal('neutral') }),
  /** Tap water: its alkalinity, eq of base per kg. */
  z.object({ kind: z.literal('alkaline'), basePerKg: Range }),
  /** A salt of known make: acid in mol and strong base in eq per 100 g. */
  z.object({
    kind: z.literal('salt'),
    acid: acidName.optional(),
    molPer100g: z.number().min(0).max(10),
    basePer100g: z.number().min(0).max(10),
  }),
  /** Not known well enough to compute with: its pH has to be measured. `base`: strong base in 100 g at the most, eq. */
  z.object({ kind: z.literal('unknown'), ph: Range.optional(), base: z.number().min(0).max(10).optional() }),
]);
export type Acidity = z.infer<typeof Acidity>;

export const Family = z.enum([
  'fruit',
  'juice',
  'sugar',
  'acid',
  'vinegar',
  'water',
  'spirit',
  'plant',
  'flavouring',
  'sweetener',
  'preservative',
]);
export type Family = z.infer<typeof Family>;

/** What colours a fruit or a leaf: red to blue, beet red, yellow to orange, green. */
export const Pigment = z.enum(['anthocyanin', 'betalain', 'carotenoid', 'chlorophyll']);
export type Pigment = z.infer<typeof Pigment>;

export const Allergen = z.enum([
  'milk',
  'egg',
  'fish',
  'shellfish',
  'tree-nuts',
  'peanuts',
  'wheat',
  'soy',
  'sesame',
  'celery',
  'mustard',
  'lupin',
  'molluscs',
  'sulphites',
  'barley',
]);
export type Allergen = z.infer<typeof Allergen>;

/** A measure that a thing is poured or spooned into, and how it is cut. */
export const Measure = z.enum(['cup', 'spoon', 'chopped', 'sliced', 'grated', 'pureed']);

const Entry = z.object({
  id: z.string().min(1).max(60),
  name: z.string(),
  labelName: z.string(),
  /** Other names that cooks write for it. */
  also: z.array(z.string()).readonly().optional(),
  family: Family,
  /** g per 100 g; what is none of these is other dissolved solids. */
  per100g: z.object({
    water: per100,
    sucrose: per100,
    glucose: per100,
    fructose: per100,
    insoluble: per100,
    ethanol: per100,
  }),
  acidity: Acidity,
  gramsPerMl: z.partialRecord(Measure, z.number()).optional(),
  gramsPerPiece: z.record(z.string(), z.number()).optional(),
  /** Counts as low-acid: needs acid or cold, whatever else is in the bottle. */
  lowAcid: z.boolean(),
  allergens: z.array(Allergen).readonly(),
  /** Of a kitchen's own entry whose allergens nobody read yet: others than those named may be in it. */
  allergensUnknown: z.boolean().optional(),
  /** Sets with sugar and acid after a boil. */
  pectinRich: z.boolean(),
  /** What the cook is told wherever it is used. */
  caution: z.string().optional(),
  /** Usually a liquid: "oz" of it is asked about. */
  liquid: z.boolean(),
  /** The fresh ingredient that this is frozen, dried or bottled. */
  formOf: z.string().optional(),
  /** Shares of a whole citrus fruit by weight: its zest, its pith, its juice with the pulp, its pips. */
  shares: z.object({ zest: z.number(), pith: z.number(), juice: z.number(), pips: z.number() }).optional(),
  /** Goes into the glass as it is served, never into the bottle. */
  servingOnly: z.boolean().optional(),
  /** Boiled or pasteurised by whoever made it. */
  heated: z.boolean().optional(),
  /** Poisonous until it was boiled. */
  poisonousRaw: z.boolean().optional(),
  /** Its flesh is firm: uncut, it gives up what is in it slowly. */
  firm: z.boolean().optional(),
  /** What its colour is of, where it has one that heat takes. */
  pigment: Pigment.optional(),
  frozen: z.boolean().optional(),
  dried: z.boolean().optional(),
  /** Set on a kitchen's own entry: from a label, or measured by itself on a day. */
  own: z.object({ from: z.enum(['label', 'measured']), on: z.string() }).optional(),
  /** Whether this kitchen read the °Bx of it, so that it is no typical one. */
  solidsRead: z.boolean().optional(),
  source: z.string(),
});

/** What a by-product carries of the lot that left it, with that of the by-products which that was made with. */
export const LeftFrom = z.object({
  /** Code of the lot. */
  code: z.string(),
  /** Whether it went through a kill step that is recorded. */
  heated: z.boolean(),
  /** ISO instant that its age counts from, and the days that it keeps in the cold. */
  since: z.string(),
  keepsDays: z.number(),
  /** What it is of, heaviest first, as shares of its weight. */
  parts: z.array(z.object({ ingredientId: z.string(), share: z.number() })).readonly(),
  /** Entries of those that are the kitchen's own, or are not as they ship. */
  entries: z.array(Entry).readonly(),
});
export type LeftFrom = z.infer<typeof LeftFrom>;

/** A catalogue entry. */
export const Ingredient = Entry.extend({ leftFrom: LeftFrom.optional() });
export type Ingredient = z.infer<typeof Ingredient>;
