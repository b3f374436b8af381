import type { LabelContent } from './content.ts';

/** A word on a label that claims something. */
export interface Claim {
  /** As it is written. */
  words: string;
  /** Whether the record speaks against it: such a label is not printed. */
  wrong: boolean;
  sentence: string;
}

const HEALTH =
  /\b(cur(?:es?|ing|ative)|for colds|immun\w*|detox\w*|digesti\w*|medicin\w*|heal(?:s|ing|thy|th)?|boosts?|remed(?:y|ies)|relie(?:f|ves?)|soothes?|anti-?(?:oxidants?|inflammatory|bacterial|viral)|superfoods?|slimming|weight loss|probiotic\w*|lowers? (?:cholesterol|blood))\b/i;

/** What is claimed, the words that do, and what of the lot speaks against it. */
const CLAIMS: readonly { words: RegExp; against: (label: LabelContent) => string | null }[] = [
  {
    words:
      /\b(?:pasteuri[sz]\p{L}*|basteureiddi\p{L}*|heat[ -]treated|sterili[sz]ed|st[ée]rilis[ée]e?s?|esterilizad[oa]s?)(?!\p{L})/iu,
    against: (l) => (l.warning ? 'no kill step is recorded of it' : null),
  },
  {
    words:
      /\b(?:shelf[ -]stable|keeps? (?:at room temperature|without (?:cooling|a fridge|refrigeration)|unrefrigerated)|no (?:need to refrigerate|refrigeration(?: needed| required)?|fridge needed)|store (?:at room temperature|in a cupboard))\b/i,
    against: (l) => (/^keep (?:refrigerated|frozen)/i.test(l.keepLine) ? 'it is kept cold' : null),
  },
  {
    words:
      /\b(?:no|free (?:of|from)|without|zero|0 ?%) (?:added |artificial )?preservatives?\b|\bpreservative[ -]free\b/i,
    against: (l) =>
      /\b(?:preservative|benzoate|sorbate|sulphite|sulfite|metabisulphite|metabisulfite)s?\b/i.test(
        l.statement,
      ) ||
      l.sulphitesPpm === null ||
      l.sulphitesPpm >= 10
        ? 'a preservative is in it'
        : null,
  },
  {
    words: /\b(?:no|without|zero) (?:added )?sugars?\b|\b(?:sugar[ -]free|unsweetened)\b/i,
    against: (l) =>
      /\b(?:sugars?|honey|syrups?|molasses|treacle|fructose|glucose|dextrose|nectar)\b/i.test(l.statement)
        ? 'something sweet is in it'
        : null,
  },
  {
    words:
      /\b(?:alcohol[ -]free|no alcohol|without alcohol|non[ -]?alcoholic|zero alcohol|0(?:\.0)? ?% (?:abv|vol|alcohol))\b/i,
    against: (l) => (l.abv > 0.05 ? `${l.abv.toFixed(1)} % by volume of alcohol are in it` : null),
  },
  {
    words:
      /\b(?:allergen|gluten|nut|milk|dairy|egg|soya?|sulph?fite|sulphite|celery|mustard|sesame|wheat)[ -]free\b|\bfree (?:of|from) (?:allergens?|gluten|nuts?|milk|dairy|eggs?|soya?|sulphites?|sulfites?)\b/i,
    against: (l) =>
      l.allergens !== '' ||
      l.allergensUnknown.length > 0 ||
      /\p{Lu}{3,}/u.test(l.statement.replace(/^[^:]*:/, ''))
        ? 'an allergen is declared, or not known'
        : null,
  },
  {
    words: /\bvegan\b/i,
    against: (l) =>
      /\b(?:honey|milk|cream|egg|gelatine?|isinglass|beeswax|cochineal|carmine)\b/i.test(l.statement)
        ? 'something of an animal is in it'
        : null,
  },
  {
    words: /\b(?:for (?:babies|infants|toddlers)|baby(?:[ -]safe)?|from birth)\b/i,
    against: (l) => (l.infantLine || l.warning ? 'it is not for infants' : null),
  },
  {
    words: /\b(?:unpasteuri[sz]ed|never heated|cold[ -]pressed|unheated)\b/i,
    against: (l) => (l.warning ? null : 'it was heated'),
  },
];

/** A "not" that reaches to the end of what stands before. */
const NOT = /\b(?:not|non|never|isn.t|hasn.t|pas|jamais|nicht|sin|heb)\b[\s\p{L}’'-]{0,20}$/iu;

/**
 * What some words of a label claim: health, which is not the maker's to claim, and what the lot as made speaks against.
 * @param text any printed field; @param label words of the same label, from the record
 * @example claimsIn('Pasteurised apple juice', { ...label, warning: 'Not pasteurised.' })[0].wrong // true
 */
export function claimsIn(text: string, label: LabelContent): Claim[] {
  const health = HEALTH.exec(text);
  return [
    ...(health
      ? [
          {
            words: health[0],
            wrong: false,
            sentence: `"${health[0]}" claims health, and such claims are not yours to make.`,
          },
        ]
      : []),
    ...CLAIMS.flatMap(({ words, against }) => {
      const found = [...text.matchAll(new RegExp(words, `${words.flags}g`))].find(
        ({ index }) => !NOT.test(text.slice(0, index)),
      );
      const why = found && against(label);
      return found && why
        ? [
            {
              words: found[0],
              wrong: true,
              sentence: `"${found[0]}" is not so: ${why}. Take it off the label.`,
            },
          ]
        : [];
    }),
  ];
}
