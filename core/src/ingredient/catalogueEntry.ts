import { z } from 'zod';
import { Ingredient, Measure } from './ingredient.ts';

const { acidity, per100g } = Ingredient.shape;
const [juice, acid, vinegar, neutral, alkaline, salt, unknown] = acidity.options;
const weights = z.partialRecord(Measure, z.number().positive());

/** Minerals, mg per 100 g. */
const Minerals = z.strictObject({
  potassium: z.number(),
  calcium: z.number(),
  magnesium: z.number(),
  sodium: z.number().optional(),
});
export type Minerals = z.infer<typeof Minerals>;

/** An ingredient as a data file has it: with the figures as they are published, and nothing that follows from them. */
export const CatalogueEntry = Ingredient.omit({
  labelName: true,
  source: true,
  own: true,
  leftFrom: true,
  solidsRead: true,
  allergensUnknown: true,
})
  .extend({
    /** How a label names it; the name in small letters where it is not said. */
    labelName: z.string().optional(),
    /** g per 100 g; none where a part is not named. */
    per100g: per100g.partial().required({ water: true }),
    acidity: z.discriminatedUnion('kind', [
      juice,
      acid,
      vinegar,
      neutral,
      alkaline,
      salt,
      unknown.extend({ minerals: Minerals.optional() }),
    ]),
    gramsPerCup: weights.optional(),
    gramsPerTeaspoon: weights.optional(),
    gramsPerTablespoon: weights.optional(),
    lowAcid: z.literal(true).optional(),
    pectinRich: z.literal(true).optional(),
    liquid: z.literal(true).optional(),
    allergens: Ingredient.shape.allergens.optional(),
    /** What its figures are from, by the names in `sources.json`, each with the day on which they were read against it; null where nobody has yet. */
    sources: z.record(z.string(), z.iso.date().nullable()),
  })
  .strict();
export type CatalogueEntry = z.infer<typeof CatalogueEntry>;

/** A kind of another entry: it has its figures, and a name of its own. */
export const CatalogueKind = CatalogueEntry.partial()
  .required({ id: true, name: true })
  .extend({ like: z.string() });
export type CatalogueKind = z.infer<typeof CatalogueKind>;

/** A data file of ingredients. */
export const CatalogueFile = z.strictObject({
  $schema: z.string(),
  entries: z.array(z.union([CatalogueEntry, CatalogueKind])),
});
