import type { DateStyle } from './date.ts';
import type { RulePackId } from './packs.ts';
import type { Language } from './words.ts';

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
export interface Vignette {
  text: string;
  /** mm of a capital; the label's own text size where the rule sets none. */
  typeMm: number | null;
  rule: string;
}

/** What a kitchen decided of its labels. */
export interface Labelling {
  /** Whether nutrition figures are printed; an exemption by its id; null while nobody answered. */
  nutrition: string | null;
  dates: DateStyle;
  /** A second language that each label carries its statements in. */
  second: Language | null;
  /** Ingredients in that language, by the owner. */
  names: { language: Language; ingredientId: string; name: string }[];
  /** Number of a permit or registration, where the local rule asks for it. */
  permit: string;
  vignettes: Vignette[];
}

export const PRINTED = 'printed';

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
