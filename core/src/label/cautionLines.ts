import { z } from 'zod';
import type { KitchenCatalogue } from '../ingredient/index.ts';
import { CAFFEINE, GLYCYRRHIZIC } from './figures.ts';
import type { StatementLine } from './line.ts';
import type { LabelWords } from './words.ts';

/**
 * Whether an ingredient brings caffeine.
 * @example bringsCaffeine('black-tea') // true
 */
export const bringsCaffeine = (ingredientId: string): boolean => (CAFFEINE[ingredientId] ?? 0) > 0;

const POLYOLS: ReadonlySet<string> = new Set([
  'maltitol',
  'sorbitol',
  'isomalt',
  'mannitol',
  'erythritol',
  'xylitol',
]);

const sumOf = (lines: readonly StatementLine[], per100g: Readonly<Record<string, number>>): number =>
  lines.reduce((sum, l) => sum + ((per100g[l.ingredientId] ?? 0) * l.grams) / 100, 0);

export interface CautionsOf {
  lines: readonly StatementLine[];
  /** mL of the product, and the parts of water that it is drunk with: levels are those of the drink. */
  millilitres: number;
  waterParts: number;
  finishedGrams: number;
  /** % ABV of the product. */
  abv: number;
  /** Name of the food: one that says tea or coffee needs no warning of caffeine. */
  name: string;
}

/** A statement that the label has to carry, and the rule that asks for it. */
export const CautionLine = z.object({
  element: z.string(),
  text: z.string(),
  rule: z.string(),
  /** What it was computed from. */
  from: z.string(),
});
export type CautionLine = z.infer<typeof CautionLine>;

/** mg/L of the drink from which each is said. Source: Reg. 1169/2011 Annex III (2.4, 3, 4). */
const CAFFEINE_PER_LITRE = 150;
const LIQUORICE_PER_LITRE = 10;
const STRONG_PER_LITRE = 50;
const STRONG_WITH_ALCOHOL = 300;

function ofCaffeine(of: CautionsOf, words: LabelWords, drinkMl: number): CautionLine[] {
  const mg = sumOf(of.lines, CAFFEINE);
  const perLitre = (1000 * mg) / drinkMl;
  if (perLitre <= CAFFEINE_PER_LITRE || /\b(tea|coffee|th[ée]|caf[ée]|te|coffi)\b/i.test(of.name)) return [];
  return [
    {
      element: 'Caffeine',
      text: words.caffeine((perLitre / 10).toFixed(0)),
      rule: 'Reg. 1169/2011, Annex III (4.1)',
      from: `At most ${perLitre.toFixed(0)} mg in a litre of the drink.`,
    },
  ];
}

function ofLiquorice(of: CautionsOf, words: LabelWords, drinkMl: number): CautionLine[] {
  const perLitre = (1000 * 1000 * sumOf(of.lines, GLYCYRRHIZIC)) / drinkMl;
  if (perLitre < LIQUORICE_PER_LITRE) return [];
  const strong = of.abv > 1.2 ? STRONG_WITH_ALCOHOL : STRONG_PER_LITRE;
  return [
    {
      element: 'Liquorice',
      text: perLitre >= strong ? words.liquoriceStrong : words.liquorice,
      rule: 'Reg. 1169/2011, Annex III (3)',
      from: `At most ${perLitre.toFixed(0)} mg of glycyrrhizic acid in a litre of the drink.`,
    },
  ];
}

function ofSweeteners(of: CautionsOf, words: LabelWords, catalogue: KitchenCatalogue): CautionLine[] {
  const went = of.lines
    .filter((l) => l.grams > 0)
    .map((l) => ({ ...l, entry: catalogue.get(l.ingredientId) }));
  const sweet = went.filter(({ entry }) => entry.family === 'sweetener' && entry.id !== 'inulin');
  if (sweet.length === 0) return [];
  const sugars = went.some(({ entry }) => entry.family === 'sugar');
  const polyols = sweet.filter(({ entry }) => POLYOLS.has(entry.id)).reduce((sum, l) => sum + l.grams, 0);
  const lines: CautionLine[] = [
    {
      element: 'Sweetener',
      text: sugars ? words.sugarsAndSweetener : words.sweetener,
      rule: 'Reg. 1169/2011, Annex III (2.1, 2.2)',
      from: sweet.map(({ entry }) => entry.name).join(', '),
    },
  ];
  if (sweet.some(({ entry }) => entry.id === 'aspartame'))
    lines.push({
      element: 'Phenylalanine',
      text: words.phenylalanine,
      rule: 'Reg. 1169/2011, Annex III (2.3); 21 CFR 172.804(d)(2)',
      from: 'Aspartame went in.',
    });
  if (of.finishedGrams > 0 && polyols / of.finishedGrams > 0.1)
    lines.push({
      element: 'Polyols',
      text: words.laxative,
      rule: 'Reg. 1169/2011, Annex III (2.4)',
      from: `${((100 * polyols) / of.finishedGrams).toFixed(0)} % of polyols.`,
    });
  return lines;
}

/**
 * Statements that the European pack asks for of what went in: sweeteners, phenylalanine, polyols over 10 %, caffeine over 150 mg/L and liquorice from 10 mg/L of the drink.
 * @param of g, mL at 20 °C, parts of water, % ABV
 * Source: Reg. 1169/2011 Annex III.
 * @example cautionLines({ lines: [{ ingredientId: 'sugar', grams: 500 }], millilitres: 800, waterParts: 4, finishedGrams: 1000, abv: 0, name: 'Syrup' }, labelWords.en, catalogue) // []
 */
export function cautionLines(of: CautionsOf, words: LabelWords, catalogue: KitchenCatalogue): CautionLine[] {
  const drinkMl = of.millilitres * (1 + of.waterParts);
  if (!(drinkMl > 0)) return [];
  return [
    ...ofSweeteners(of, words, catalogue),
    ...ofCaffeine(of, words, drinkMl),
    ...ofLiquorice(of, words, drinkMl),
  ];
}
