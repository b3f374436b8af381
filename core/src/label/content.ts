import { spokenDay } from '../calendar/index.ts';
import { SETTLES } from '../formula/index.ts';
import type { Ingredient } from '../ingredient/index.ts';
import type { LotKeeping } from '../lot/index.ts';
import { catalogueOf, ingredientsAsMade, type LotRecord, makeupAsMade, standing } from '../lot/index.ts';
import { inWords } from '../quantity/index.ts';
import type { RulePackId } from './packs.ts';
import { allergensIn, ingredientStatement } from './statement.ts';

export interface LabelKitchen {
  name: string;
  place: string;
  rulePack: RulePackId;
  localStatement: string;
}

/** The words of a label, of the lot as made. */
export interface LabelContent {
  name: string;
  kind: string;
  colour: string;
  statement: string;
  allergens: string;
  netContents: string;
  nominalMl: number;
  dateLine: string;
  keepLine: string;
  useLine: string;
  lotLine: string;
  whoLine: string;
  warning: string;
  /** Of honey: not for infants; empty where none went in. */
  infantLine: string;
  localStatement: string;
  fruitPercent: string;
}

/**
 * Net contents as each pack writes them; fluid ounces are rounded down to a tenth, never up.
 * @example netContents(237, 'us') // '8 fl oz (237 mL)'
 */
export function netContents(nominalMl: number, pack: RulePackId): string {
  if (pack === 'eu') return nominalMl >= 1000 ? `${nominalMl / 1000} L` : `${nominalMl} mL`;
  const ounces = Math.floor((nominalMl / 29.5735) * 10) / 10;
  return `${ounces} fl oz (${nominalMl} mL)`;
}

function openedWords(days: number | null): string {
  if (days === null) return '';
  const time = days % 7 === 0 ? (days === 7 ? '1 week' : `${days / 7} weeks`) : `${days} days`;
  return `Refrigerate after opening, use within ${time}.`;
}

function keepWords(keeping: LotKeeping): string {
  if (keeping.class === 'none') return '';
  const where = {
    shelf: 'Keep cool and dark.',
    cold: 'Keep refrigerated, at or under 5 °C.',
    frozen: 'Keep frozen.',
  }[keeping.class];
  return `${where} ${openedWords(keeping.openedDays)}`.trim();
}

/** How it is used: shaken first where pulp settles in it. */
function useWords(lot: LotRecord): string {
  const shake = makeupAsMade(lot).pulp >= SETTLES ? 'Shake well before use.' : '';
  return [lot.product.content.dilution?.replace(/(?<=\w)$/, shake ? '.' : ''), shake]
    .filter(Boolean)
    .join(' ');
}

function fruitWords(lot: LotRecord, pack: RulePackId): string {
  if (pack !== 'eu') return '';
  const made = ingredientsAsMade(lot);
  const catalogue = catalogueOf(lot);
  const total = made.reduce((sum, m) => sum + m.grams, 0);
  const fruit = made.filter((m) => ['fruit', 'juice'].includes(catalogue.get(m.ingredientId).family));
  return fruit
    .map((m) => `${catalogue.get(m.ingredientId).labelName} ${((100 * m.grams) / total).toFixed(0)} %`)
    .join(', ')
    .replace(/^./, (first) => first.toUpperCase());
}

const isHoney = ({ id, formOf, name, labelName }: Ingredient): boolean =>
  id === 'honey' || formOf === 'honey' || /\bhoney\b/i.test(`${name} ${labelName}`);

/**
 * The words of a lot's label under its kitchen's rule pack, from what went in, what was measured and what was filled.
 * @example labelContent(lot, lotKeeping(lot, { timeZone: 'UTC' }), { name: 'Low Bridge', place: 'Upland', rulePack: 'us', localStatement: '' }).netContents // '8 fl oz (237 mL)'
 */
export function labelContent(lot: LotRecord, keeping: LotKeeping, kitchen: LabelKitchen): LabelContent {
  const lines = ingredientsAsMade(lot);
  const catalogue = catalogueOf(lot);
  const { text } = ingredientStatement(lines, catalogue);
  const allergens = allergensIn(lines, kitchen.rulePack, catalogue);
  const nominalMl = standing(lot.bottlings).at(-1)?.nominalMl ?? 0;
  const word =
    keeping.dateWord === 'use-by' ? 'Use by' : kitchen.rulePack === 'eu' ? 'Best before' : 'Best by';
  return {
    name: lot.product.name,
    kind: lot.product.kind,
    colour: lot.product.colour,
    statement: text === '' ? '' : `Ingredients: ${text}.`,
    allergens: allergens.length > 0 ? `Contains: ${allergens.map(inWords).join(', ')}.` : '',
    netContents: nominalMl > 0 ? netContents(nominalMl, kitchen.rulePack) : '',
    nominalMl,
    dateLine: keeping.bestBy ? `${word} ${spokenDay(keeping.bestBy)}` : '',
    keepLine: keepWords(keeping),
    useLine: useWords(lot),
    lotLine: `Lot ${lot.code}`,
    whoLine: [kitchen.name, kitchen.place].filter(Boolean).join(', '),
    warning: keeping.neverHeated
      ? 'WARNING: This product has not been pasteurized and, therefore, may contain harmful bacteria that can cause serious illness in children, the elderly, and persons with weakened immune systems.'
      : '',
    infantLine: lines.some((line) => isHoney(catalogue.get(line.ingredientId)))
      ? 'Contains honey: not suitable for infants under 12 months.'
      : '',
    localStatement: kitchen.localStatement,
    fruitPercent: fruitWords(lot, kitchen.rulePack),
  };
}

/**
 * Every difference between what the formula says and what went in, in words; a print waits until they are seen.
 * @example differencesFromFormula(lot) // []
 */
export function differencesFromFormula(lot: LotRecord): string[] {
  const planned = new Set(lot.product.content.lines.map((l) => l.ingredientId));
  const made = new Set(ingredientsAsMade(lot).map((m) => m.ingredientId));
  const name = (id: string) => catalogueOf(lot).get(id).name;
  return [
    ...[...planned]
      .filter((id) => !made.has(id))
      .map((id) => `${name(id)} is in the formula and did not go in.`),
    ...[...made]
      .filter((id) => !planned.has(id))
      .map((id) => `${name(id)} went in and is not in the formula.`),
  ];
}
