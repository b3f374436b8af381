import { z } from 'zod';
import file from './catalogue/warnings.json' with { type: 'json' };

/** What is poisonous, limited by law, unfit or no food, by the words a cook would write, with why. */
const Warning = z.strictObject({
  /** Of names in other languages than English: they are looked for without their endings. Letters as they are transliterated. */
  languages: z.string().optional(),
  names: z.array(z.string()).min(1),
  /** Whether it goes into nothing; else it is told and may. */
  refuse: z.boolean(),
  why: z.string(),
  source: z.string().nullable(),
  /** Day on which the names were read against their source; null where nobody has yet. */
  readAgainst: z.iso.date().nullable(),
});
export type Warning = z.infer<typeof Warning>;

/** The data file of warnings. */
export const WarningFile = z.strictObject({ $schema: z.string(), entries: z.array(Warning) });

export const warnings: readonly Warning[] = (file as z.infer<typeof WarningFile>).entries;
