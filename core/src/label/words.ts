import { z } from 'zod';
import { Allergen } from '../ingredient/index.ts';
import cy from './words/cy.json' with { type: 'json' };
import en from './words/en.json' with { type: 'json' };
import es from './words/es.json' with { type: 'json' };
import fr from './words/fr.json' with { type: 'json' };

/** Languages that the fixed words of a label ship in. */
export const LANGUAGES = ['en', 'fr', 'es', 'cy'] as const;
export const Language = z.enum(LANGUAGES);
export type Language = z.infer<typeof Language>;

/** What an additive is there for, as European lists name it. Source: Reg. 1169/2011 Annex VII part C. */
const AdditiveClass = z.enum([
  'acid',
  'acidity-regulator',
  'antioxidant',
  'colour',
  'firming-agent',
  'gelling-agent',
  'humectant',
  'preservative',
  'stabiliser',
  'sweetener',
  'thickener',
]);
export type AdditiveClass = z.infer<typeof AdditiveClass>;

const NutritionName = z.enum([
  'title',
  'per100',
  'energy',
  'fat',
  'saturatedFat',
  'carbohydrate',
  'sugars',
  'fibre',
  'protein',
  'salt',
]);

/** By the plural forms of the language; `other` where a form is not named. */
const Counted = z.strictObject({ one: z.string().optional(), other: z.string() });

/** The fixed words of a label in one language, as its data file has them. What an owner writes (name, use, local statement) is not among them. */
export const LabelWordsFile = z.strictObject({
  $schema: z.string(),
  source: z.string(),
  /** Day on which the words were read against their source; null where nobody has yet. */
  readAgainst: z.iso.date().nullable(),
  /** The language's own name. */
  language: z.string(),
  ingredients: z.string(),
  contains: z.string(),
  allergens: z.record(Allergen, z.string()),
  additives: z.record(AdditiveClass, z.string()),
  bestBefore: z.string(),
  bestBeforeEnd: z.string(),
  useBy: z.string(),
  months: z.array(z.string()).length(12),
  keep: z.record(z.enum(['shelf', 'cold', 'frozen']), z.string()),
  /** After opening: so many days, or so many weeks. */
  openedDays: Counted,
  openedWeeks: Counted,
  lot: z.string(),
  shake: z.string(),
  unpasteurised: z.string(),
  honey: z.string(),
  /** Mark of decimals. */
  decimal: z.enum(['.', ',']),
  /** Alcohol by volume: {percent} to one decimal. */
  alcohol: z.string(),
  juice: z.string(),
  juiceUnderOne: z.string(),
  /** More of it went in than there is product: {grams} of {name} for 100 g of product. */
  for100g: z.string(),
  sweetener: z.string(),
  sugarsAndSweetener: z.string(),
  phenylalanine: z.string(),
  laxative: z.string(),
  /** {mg} per 100 mL. */
  caffeine: z.string(),
  liquorice: z.string(),
  liquoriceStrong: z.string(),
  nutrition: z.record(NutritionName, z.string()),
});
type LabelWordsFile = z.infer<typeof LabelWordsFile>;

const filled = (sentence: string, words: Readonly<Record<string, string>>): string =>
  sentence.replace(/\{(\w+)\}/g, (_, name: string) => words[name]!);

/** The words of a data file, with its sentences as functions of the figures that they say. */
function wordsOf(language: Language, file: LabelWordsFile) {
  const plurals = new Intl.PluralRules(language);
  const counted = (of: { one?: string | undefined; other: string }) => (count: number) =>
    filled((plurals.select(count) === 'one' && of.one) || of.other, { count: String(count) });
  return {
    ...file,
    openedDays: counted(file.openedDays),
    openedWeeks: counted(file.openedWeeks),
    alcohol: (percent: string) => filled(file.alcohol, { percent: percent.replace('.', file.decimal) }),
    juice: (percent: string) => filled(file.juice, { percent }),
    for100g: (grams: string, name: string) => filled(file.for100g, { grams, name }),
    caffeine: (mg: string) => filled(file.caffeine, { mg }),
  };
}
export type LabelWords = ReturnType<typeof wordsOf>;

/** The fixed words of a label, by language. */
export const labelWords: Readonly<Record<Language, LabelWords>> = {
  en: wordsOf('en', en as LabelWordsFile),
  fr: wordsOf('fr', fr as LabelWordsFile),
  es: wordsOf('es', es as LabelWordsFile),
  cy: wordsOf('cy', cy as LabelWordsFile),
};
