import { z } from 'zod';
import file from './figures.json' with { type: 'json' };

/** Figures of foods that a label needs and a composition does not have, by catalogue id. */
const Figures = z.strictObject({
  says: z.string(),
  unit: z.string(),
  source: z.string(),
  /** Day on which the figures were read against their source; null where nobody has yet. */
  readAgainst: z.iso.date().nullable(),
  figures: z.record(z.string(), z.number()),
});

/** The data file of them. */
export const LabelFiguresFile = z.strictObject({
  $schema: z.string(),
  sulphites: Figures,
  caffeine: Figures,
  glycyrrhizicAcid: Figures,
  leastJuiceBrix: Figures,
});

const { sulphites, caffeine, glycyrrhizicAcid, leastJuiceBrix } = file as z.infer<typeof LabelFiguresFile>;

export const SULPHITES = sulphites.figures;
export const CAFFEINE = caffeine.figures;
export const GLYCYRRHIZIC = glycyrrhizicAcid.figures;
export const LEAST_BRIX = leastJuiceBrix.figures;
