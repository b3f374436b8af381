import { z } from 'zod';
import { Name } from '../value/index.ts';
import { DATE_STYLES } from './date.ts';
import type { RulePackId } from './packs.ts';
import { LANGUAGES, Language } from './words.ts';

/** A ground on which a label may go without nutrition figures: asked of the owner, never assumed. */
export interface Exemption {
  id: string;
  pack: RulePackId;
  name: string;
  /** What has to be so, in the owner's words. */
  asks: string;
  rule: string;
}

/** Not yet read against their sources. */
export const exemptions: readonly Exemption[] = [
  {
    id: 'us-small-seller',
    pack: 'us',
    name: 'Small seller',
    asks: 'You sell to those who eat it, for at most $500,000 a year in all or $50,000 of food.',
    rule: '21 CFR 101.9(j)(1)',
  },
  {
    id: 'us-low-volume',
    pack: 'us',
    name: 'Low volume',
    asks: 'Fewer than 10 people work for you, and fewer than 10,000 of this product are sold in a year.',
    rule: '21 CFR 101.9(j)(18)',
  },
  {
    id: 'eu-direct',
    pack: 'eu',
    name: 'Small producer selling direct',
    asks: 'You make small quantities, and sell them yourself or to local shops that do.',
    rule: 'Reg. 1169/2011, Annex V (19)',
  },
  {
    id: 'eu-small-face',
    pack: 'eu',
    name: 'Small container',
    asks: 'The largest surface of the container is under 25 cm².',
    rule: 'Reg. 1169/2011, Annex V (18)',
  },
];

/** A statement that a local rule wants word for word, at a size of its own. */
export const Vignette = z.strictObject({
  text: z.string().trim().min(1, 'Word for word, as the rule has it.').max(1000),
  /** mm of a capital; the label's own text size where the rule sets none. */
  typeMm: z.number().min(0.5, 'At least 0.5 mm.').max(20, 'At most 20 mm.').nullable(),
  rule: z.string().trim().max(200),
});
export type Vignette = z.infer<typeof Vignette>;

export const PRINTED = 'printed';

const ANSWERS = [PRINTED, ...exemptions.map((e) => e.id)];

/** What a kitchen decided of its labels. */
export const Labelling = z.strictObject({
  /** Whether nutrition figures are printed; an exemption by its id; null while nobody answered. */
  nutrition: z.enum(ANSWERS, `Printed, or exempt? One of: ${ANSWERS.join(', ')}.`).nullable(),
  dates: z.enum(DATE_STYLES, `With the day, or short? One of: ${DATE_STYLES.join(', ')}.`),
  /** A second language that each label carries its statements in. */
  second: z.enum(LANGUAGES, `Which language? One of: ${LANGUAGES.join(', ')}.`).nullable(),
  /** Ingredients in that language, by the owner. */
  names: z
    .array(z.strictObject({ language: Language, ingredientId: z.string().min(1).max(60), name: Name }))
    .max(2000, 'At most 2,000 names.'),
  /** Number of a permit or registration, where the local rule asks for it. */
  permit: z.string().trim().max(80, 'At most 80 characters.'),
  vignettes: z.array(Vignette).max(6, 'At most six.'),
});
export type Labelling = z.infer<typeof Labelling>;

export const usualLabelling: Labelling = {
  nutrition: null,
  dates: 'day',
  second: null,
  names: [],
  permit: '',
  vignettes: [],
};

/**
 * The exemption a kitchen goes by under its rule pack; null where figures are printed or nobody answered.
 * @example exemptionOf({ nutrition: 'eu-direct' }, 'eu').rule // 'Reg. 1169/2011, Annex V (19)'
 */
export const exemptionOf = (
  { nutrition }: Pick<Labelling, 'nutrition'>,
  pack: RulePackId,
): Exemption | null => exemptions.find((e) => e.id === nutrition && e.pack === pack) ?? null;
