import { askedOf, type Ingredient, type KitchenCatalogue } from '../ingredient/index.ts';
import {
  type CupSchool,
  millilitresIn,
  ownOf,
  parseQuantity,
  type Shape,
  toGrams,
  type UnitId,
  units,
} from '../quantity/index.ts';
import type { Basis, FormulaLine } from './content.ts';
import { COVERS_BY } from './pan/covering.ts';

/** What weighing a formula's lines needs to know of the kitchen. */
export interface Weighing {
  cup: CupSchool | undefined;
  catalogue: KitchenCatalogue;
}

/** A line as it was said, read as far as its words go: grams, or a ratio to what it follows. */
export interface SaidLine {
  lineId: string;
  ingredient: Ingredient | null;
  basis: Basis;
  /** Grams, or a ratio where the basis is another line or the yield; null while something is asked. */
  value: { kind: 'grams' | 'ratio'; amount: number; low: number; high: number } | null;
  /** How it is cut, where that is said. */
  cut?: Shape;
  assumption?: string;
  asks?: string;
  askKind?: 'weight-or-volume' | 'cup-school';
}

/** Cups of what pours: one standard deviation as a share. */
const POURED = 0.08;
/** Cups and counts of whole fruit, which fall as they will: the next cup is not the one that was weighed. */
const WHOLE_FRUIT = 0.12;

/**
 * What a cup or a count leaves open that scales do not, one weighing of the kitchen's own included.
 * @param line a line as it was read
 * @returns one standard deviation, as a share of the amount; 0 for what was weighed
 * @example looseness({ lineId: 'a', ingredient: null, basis: { per: 'batch' }, value: null }) // 0
 */
export function looseness({ ingredient, assumption, cut }: SaidLine): number {
  if (assumption === undefined) return 0;
  return ingredient?.family === 'fruit' && cut === undefined ? WHOLE_FRUIT : POURED;
}

const RATIO_WORDS: Record<string, number> = {
  'as much': 1,
  equal: 1,
  'the same': 1,
  same: 1,
  half: 0.5,
  'half as much': 0.5,
  'a third': 1 / 3,
  'two thirds': 2 / 3,
  'a quarter': 0.25,
  'three quarters': 0.75,
  double: 2,
  twice: 2,
  'twice as much': 2,
};

const RATIO_TEXT = /^[\d\s./¼½¾⅓⅔⅕⅖⅗⅘⅙⅚⅛⅜⅝⅞,–-]+(?:\s*(?:to|or)\s*[\d\s./¼½¾⅓⅔]+)?%?$/;

/** "half", "1:2", "0.6", "60 %", "½ to ⅔" as a ratio; undefined where the words are an amount instead. */
function ratioOf(said: string): SaidLine['value'] | undefined {
  const text = said.trim().toLowerCase();
  const word = ownOf(RATIO_WORDS, text);
  const at = (amount: number, low = amount, high = amount) => ({ kind: 'ratio' as const, amount, low, high });
  if (word !== undefined) return at(word);
  const parts = /^(\d+(?:[.,]\d+)?)\s*:\s*(\d+(?:[.,]\d+)?)$/.exec(text);
  if (parts) return at(Number(parts[1]!.replace(',', '.')) / Number(parts[2]!.replace(',', '.')));
  if (!RATIO_TEXT.test(text)) return undefined;
  const quantity = parseQuantity(text);
  const size = quantity.unit === '%' ? 0.01 : 1;
  const [low, high] = quantity.range ?? [quantity.amount, quantity.amount];
  return at(quantity.amount * size, low * size, high * size);
}

/** Enough to cover: how much that is the pan tells, within a quarter. */
const ENOUGH = { kind: 'ratio', amount: 1, low: 0.75, high: 1.25 } as const;
/** As much as fills a bottle: a jar that is packed tighter or looser takes a tenth more or less. */
const TOPPED = { kind: 'ratio', amount: 1, low: 0.9, high: 1.1 } as const;
const COVERS = `covers what is in the pan by ${COVERS_BY} mm`;

/** g or mL that an amount is for, where no other is said. */
const THOUSAND = 1000;

/** How much of what it follows an amount is for, "1 pint" or "500 g", in mL by volume and in g by weight. */
function eachOf(said: string, by: 'weight' | 'volume', cup: CupSchool | undefined): number {
  const { amount, unit } = parseQuantity(said);
  const facts = ownOf(units, unit);
  if (facts?.dimension !== (by === 'volume' ? 'volume' : 'mass') || !(amount > 0))
    throw new RangeError(
      `"${said}" is not ${by === 'volume' ? 'a volume' : 'a weight'}: say for how much of it the amount is`,
    );
  return amount * (by === 'volume' ? millilitresIn(unit as UnitId, cup) : facts.size!);
}

/**
 * Reads a formula line's words: grams by weight, measure or count, or a ratio where it follows something else.
 * @param line the line; @param weighing the kitchen's cups, catalogue and own measures
 * @returns the amount with its range and the assumption made, or the question it leaves open. Nothing is invented.
 * @example readLine({ id: 'a', said: '2 kg', ingredientId: 'sugar' }, setting).value.amount // 2000
 */
export function readLine(line: FormulaLine, weighing: Weighing): SaidLine {
  const ingredient = weighing.catalogue.find(line.ingredientId) ?? null;
  const basis = line.basis ?? { per: 'batch' };
  const open = (asks: string, askKind?: SaidLine['askKind']): SaidLine => ({
    lineId: line.id,
    ingredient,
    basis,
    value: null,
    asks,
    ...(askKind ? { askKind } : {}),
  });
  if (!ingredient) return open('Choose an ingredient.');
  if (basis.per === 'cover')
    return { lineId: line.id, ingredient, basis, value: { ...ENOUGH }, assumption: COVERS };
  if (basis.per === 'bottle' && basis.fills)
    return {
      lineId: line.id,
      ingredient,
      basis,
      value: { ...TOPPED },
      assumption: 'fills each bottle to its headspace',
    };
  if (line.said.trim() === '')
    return open(basis.per === 'batch' ? 'How much? Write an amount, as in "250 g".' : 'How much to each?');
  try {
    const ratio = basis.per === 'line' || basis.per === 'yield' ? ratioOf(line.said) : undefined;
    if (ratio)
      return ratio!.amount > 0
        ? { lineId: line.id, ingredient, basis, value: ratio }
        : open('An amount has to be over 0.');
    const quantity = parseQuantity(line.said, weighing.cup ? { cup: weighing.cup } : {});
    const asks = askedOf(quantity, ingredient);
    if (asks) return open(asks, quantity.asks === 'weight-or-volume' ? 'weight-or-volume' : undefined);
    const weighed = toGrams(quantity, ingredient, {
      cup: weighing.cup,
      measures: weighing.catalogue.measures,
    });
    const { assumption } = weighed;
    const times =
      'each' in basis && basis.each !== undefined ? THOUSAND / eachOf(basis.each, basis.by, weighing.cup) : 1;
    const grams = weighed.grams * times;
    if (!(grams > 0)) return open('An amount has to be over 0.');
    const [low, high] = (weighed.range ?? [weighed.grams, weighed.grams]).map((g) => g * times) as [
      number,
      number,
    ];
    return {
      lineId: line.id,
      ingredient,
      basis,
      value: { kind: 'grams', amount: grams, low, high },
      ...(quantity.shape ? { cut: quantity.shape } : {}),
      ...(assumption ? { assumption } : {}),
    };
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return open(error.message, error.message.startsWith('Which country') ? 'cup-school' : undefined);
  }
}

/**
 * An amount in grams in place of what was said, cut as it was said to be: "512 g grated".
 * @param grams g; @param said the line's own words
 * @example gramsSaid(512, '1/2 kg grated') // '512 g grated'
 */
export function gramsSaid(grams: number, said: string): string {
  const cut = cutOf(said);
  return `${grams} g${cut ? ` ${cut}` : ''}`;
}

/** How a thing is cut by an amount's own words; undefined where they do not say, or are none. */
function cutOf(said: string): Shape | undefined {
  try {
    return parseQuantity(said).shape;
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return undefined;
  }
}

/** Figures as a cook would write them: three that count. */
const written = (value: number): string => `${Number(value.toPrecision(3))}`;

/**
 * A line's words for so many times as much of it, told by what it was told by before: "¾" of the juice becomes "0.81" of it, never grams.
 * @param line the line as it stands; @param weighing the kitchen's; @param times over 0
 * @returns the new words; null where the line says no amount yet
 * @example timesSaid({ id: 'a', said: '2 kg', ingredientId: 'sugar' }, setting, 1.5) // '3000 g'
 */
export function timesSaid(line: FormulaLine, weighing: Weighing, times: number): string | null {
  const { value, basis, cut } = readLine(line, weighing);
  if (!value || basis.per === 'cover' || ('fills' in basis && basis.fills)) return null;
  if (value.kind === 'ratio') return written(value.amount * times);
  const each =
    'each' in basis && basis.each !== undefined ? eachOf(basis.each, basis.by, weighing.cup) / THOUSAND : 1;
  const grams = value.amount * each * times;
  return `${grams < 20 ? written(grams) : Math.round(grams)} g${cut ? ` ${cut}` : ''}`;
}

/** Bulk density as poured, g/mL; undefined where none is known. */
export const bulkDensity = (entry: Ingredient): number | undefined =>
  entry.gramsPerMl?.cup ?? entry.gramsPerMl?.spoon;
