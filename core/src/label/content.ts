import { z } from 'zod';
import { abvOf, SETTLES } from '../formula/index.ts';
import type { Ingredient } from '../ingredient/index.ts';
import type { LotKeeping } from '../lot/index.ts';
import {
  catalogueOf,
  ingredientsAsMade,
  type LotRecord,
  makeupAsMade,
  productOf,
  standing,
} from '../lot/index.ts';
import { Colour } from '../value/index.ts';
import { type Declared, declaredAllergens, sulphitesPpm } from './allergens.ts';
import { withCarried } from './carried.ts';
import { CautionLine, cautionLines } from './cautionLines.ts';
import { dateLine } from './date.ts';
import { juicePercent, keptOf } from './juice.ts';
import { type Labelling, usualLabelling, Vignette } from './labelling.ts';
import type { StatementLine } from './line.ts';
import { netContents } from './netContents.ts';
import { allIn } from './nutrition.ts';
import type { RulePackId } from './packs.ts';
import { type Quantity, quantitiesOf, shareSaid } from './quid.ts';
import { ingredientStatement } from './statement.ts';
import { type LabelWords, Language, labelWords } from './words.ts';

export interface LabelKitchen {
  name: string;
  place: string;
  rulePack: RulePackId;
  localStatement: string;
  labelling?: Labelling | undefined;
}

/** The words of a label, of the lot as made. */
export const LabelContent = z.object({
  language: Language,
  name: z.string(),
  kind: z.string(),
  colour: Colour,
  statement: z.string(),
  /** What is declared beside the list; under the European pack allergens stand out in the list itself. */
  allergens: z.string(),
  /** Names of what went in whose allergens nobody read off its pack. */
  allergensUnknown: z.array(z.string()),
  /** Nuts that went in and whose kind no name tells. */
  nutsUnnamed: z.boolean(),
  /** Total sulphur dioxide at the most, mg/kg; null where something carries some and how much is not known. */
  sulphitesPpm: z.number().nullable(),
  netContents: z.string(),
  nominalMl: z.number(),
  dateLine: z.string(),
  keepLine: z.string(),
  useLine: z.string(),
  lotLine: z.string(),
  whoLine: z.string(),
  warning: z.string(),
  /** Of honey: not for infants; empty where none went in. */
  infantLine: z.string(),
  localStatement: z.string(),
  vignettes: z.array(Vignette),
  fruitPercent: z.string(),
  juiceLine: z.string(),
  /** % ABV of the product, and its line over 1.2 %. */
  abv: z.number(),
  alcoholLine: z.string(),
  cautions: z.array(CautionLine),
});
export type LabelContent = z.infer<typeof LabelContent>;

/** What an owner writes of a product in another language. */
export const OwnWords = z.strictObject({
  name: z.string().trim().max(120),
  use: z.string().trim().max(200),
});
export type OwnWords = z.infer<typeof OwnWords>;

const opened = (days: number | null, words: LabelWords): string =>
  days === null ? '' : days % 7 === 0 ? words.openedWeeks(days / 7) : words.openedDays(days);

const keepWords = (keeping: LotKeeping, words: LabelWords): string =>
  keeping.class === 'none' ? '' : `${words.keep[keeping.class]} ${opened(keeping.openedDays, words)}`.trim();

const isHoney = ({ id, formOf, name, labelName }: Ingredient): boolean =>
  id === 'honey' || formOf === 'honey' || /\bhoney\b/i.test(`${name} ${labelName}`);

/** Unpasteurised juice in the United States: word for word. Source: 21 CFR 101.17(g)(2)(ii). */
const RAW_JUICE =
  'WARNING: This product has not been pasteurized and, therefore, may contain harmful bacteria that can cause serious illness in children, the elderly, and persons with weakened immune systems.';

/** % ABV over which it stands on the label. Source: Reg. 1169/2011 Article 9(1)(k). */
const ALCOHOL_DECLARED = 1.2;

/** What a label's words are made of, whatever the language. */
interface Making {
  lot: LotRecord;
  keeping: LotKeeping;
  kitchen: LabelKitchen;
  labelling: Labelling;
  lines: StatementLine[];
  /** The same with what by-products carry of the lots that left them. */
  carried: StatementLine[];
  quantities: Quantity[];
  declared: Declared[];
  grams: number;
  millilitres: number;
  juice: number;
  abv: number;
  shake: boolean;
}

function makingOf(lot: LotRecord, keeping: LotKeeping, kitchen: LabelKitchen): Making {
  const lines = ingredientsAsMade(lot);
  const catalogue = catalogueOf(lot);
  const carried = withCarried(lines, catalogue);
  const { composition, grams, millilitres } = productOf(lot);
  const waterParts = lot.product.content.waterParts ?? 0;
  const kept = keptOf(composition, allIn(lines, catalogue));
  return {
    lot,
    keeping,
    kitchen,
    lines,
    carried,
    grams,
    millilitres,
    labelling: kitchen.labelling ?? usualLabelling,
    quantities:
      kitchen.rulePack === 'eu'
        ? quantitiesOf({ lines, finishedGrams: grams, name: lot.product.name }, catalogue)
        : [],
    declared: declaredAllergens(carried, kitchen.rulePack, catalogue, grams),
    juice: juicePercent({ lines, kept, millilitres, waterParts }, catalogue),
    abv: abvOf(composition, millilitres),
    shake: makeupAsMade(lot).pulp >= SETTLES,
  };
}

const nameIn = (labelling: Labelling, language: Language, entry: Ingredient): string =>
  labelling.names.find((n) => n.language === language && n.ingredientId === entry.id)?.name ??
  entry.labelName;

/** In the list where Europe wants its quantity, and as g for 100 g where more went in than there is product. */
function quantityWords({ quantities, labelling, lot }: Making, language: Language): string {
  const catalogue = catalogueOf(lot);
  return quantities
    .filter((q) => q.per100g !== null)
    .map((q) =>
      labelWords[language].for100g(
        shareSaid(q.per100g!),
        nameIn(labelling, language, catalogue.get(q.ingredientIds[0]!)),
      ),
    )
    .join(' ');
}

function allergenWords({ declared, kitchen }: Making, words: LabelWords): string {
  if (declared.length === 0 || kitchen.rulePack === 'eu') return '';
  const named = declared.map(({ allergen, nuts }) =>
    nuts.length > 0 ? `${words.allergens[allergen]} (${nuts.join(', ')})` : words.allergens[allergen],
  );
  return `${words.contains}: ${named.join(', ')}.`;
}

/** Of a drink whose fruit is claimed or shown, in the United States: a syrup that sweetens is none. */
function juiceWords({ kitchen, juice, lot }: Making, words: LabelWords): string {
  if (kitchen.rulePack !== 'us' || lot.product.kind === 'syrup' || juice === 0) return '';
  return juice < 1 ? words.juiceUnderOne : words.juice(String(Math.floor(juice)));
}

function useWords(use: string, shake: boolean, words: LabelWords): string {
  return [use.replace(/(?<=\w)$/, shake ? '.' : ''), shake ? words.shake : ''].filter(Boolean).join(' ');
}

function statementOf(making: Making, language: Language): string {
  const { lot, labelling, kitchen, grams } = making;
  const { text } = ingredientStatement(making.lines, catalogueOf(lot), {
    pack: kitchen.rulePack,
    language,
    finishedGrams: grams,
    quantities: making.quantities,
    nameOf: (entry) => (language === 'en' ? entry.labelName : nameIn(labelling, language, entry)),
  });
  return text === '' ? '' : `${labelWords[language].ingredients}: ${text}.`;
}

/** The words of a lot's label in one language; what an owner writes in another is given. */
function wordsOf(making: Making, language: Language, own: OwnWords): LabelContent {
  const { lot, keeping, kitchen, labelling } = making;
  const words = labelWords[language];
  const catalogue = catalogueOf(lot);
  const pack = kitchen.rulePack;
  const nominalMl = standing(lot.bottlings).at(-1)?.nominalMl ?? 0;
  const { madeOn, dateWord } = keeping;
  return {
    language,
    name: own.name,
    kind: lot.product.kind,
    colour: lot.product.colour,
    statement: statementOf(making, language),
    allergens: allergenWords(making, words),
    allergensUnknown: [
      ...new Set(
        making.carried
          .map((line) => catalogue.get(line.ingredientId))
          .filter((entry) => entry.allergensUnknown)
          .map((entry) => entry.name),
      ),
    ],
    nutsUnnamed: making.declared.some((d) => d.allergen === 'tree-nuts' && d.nuts.length === 0),
    sulphitesPpm: sulphitesPpm(making.carried, catalogue, making.grams),
    netContents: nominalMl > 0 ? netContents(nominalMl, pack) : '',
    nominalMl,
    dateLine: keeping.bestBy
      ? dateLine(keeping.bestBy, { pack, language, style: labelling.dates, dateWord, madeOn })
      : '',
    keepLine: keepWords(keeping, words),
    useLine: useWords(own.use, making.shake, words),
    lotLine: `${words.lot} ${lot.code}`,
    whoLine: [kitchen.name, kitchen.place, labelling.permit].filter(Boolean).join(', '),
    warning: keeping.neverHeated
      ? pack === 'us' && language === 'en'
        ? RAW_JUICE
        : words.unpasteurised
      : '',
    infantLine: making.carried.some((line) => isHoney(catalogue.get(line.ingredientId))) ? words.honey : '',
    localStatement: kitchen.localStatement,
    vignettes: labelling.vignettes,
    fruitPercent: quantityWords(making, language),
    juiceLine: juiceWords(making, words),
    abv: making.abv,
    alcoholLine: making.abv > ALCOHOL_DECLARED ? words.alcohol(making.abv.toFixed(1)) : '',
    cautions:
      pack === 'eu'
        ? cautionLines(
            {
              lines: making.carried,
              millilitres: making.millilitres,
              finishedGrams: making.grams,
              waterParts: lot.product.content.waterParts ?? 0,
              abv: making.abv,
              name: lot.product.name,
            },
            words,
            catalogue,
          )
        : [],
  };
}

/**
 * The words of a lot's label under its kitchen's rule pack, from what went in, what was measured and what was filled.
 * @example labelContent(lot, lotKeeping(lot, { timeZone: 'UTC' }), { name: 'Low Bridge', place: 'Upland', rulePack: 'us', localStatement: '' }).netContents // '8 fl oz (237 mL)'
 */
export const labelContent = (lot: LotRecord, keeping: LotKeeping, kitchen: LabelKitchen): LabelContent =>
  wordsOf(makingOf(lot, keeping, kitchen), 'en', {
    name: lot.product.name,
    use: lot.product.content.dilution ?? '',
  });

/** The words of a lot's label in another language, and what of it the owner has yet to write. */
export interface SecondWords {
  content: LabelContent;
  /** Label names of ingredients that have no name in that language. */
  unnamed: { ingredientId: string; name: string }[];
}

/**
 * The words of a lot's label in a second language; the names of ingredients are the owner's.
 * @param own name of the product and how it is used, in that language
 * @example secondWords(lot, lotKeeping(lot, { timeZone: 'UTC' }), { name: 'Low Bridge', place: 'Upland', rulePack: 'eu', localStatement: '' }, 'fr', { name: '', use: '' }).unnamed.length // 2
 */
export function secondWords(
  lot: LotRecord,
  keeping: LotKeeping,
  kitchen: LabelKitchen,
  language: Language,
  own: OwnWords,
): SecondWords {
  const making = makingOf(lot, keeping, kitchen);
  const catalogue = catalogueOf(lot);
  const unnamed = making.lines
    .filter(
      (l) =>
        !making.labelling.names.some((n) => n.language === language && n.ingredientId === l.ingredientId),
    )
    .map(({ ingredientId }) => ({ ingredientId, name: catalogue.get(ingredientId).labelName }));
  return { content: wordsOf(making, language, own), unnamed };
}
