import { z } from 'zod';
import { ownOf } from './ownOf.ts';
import { askOf, type Quantity } from './parse.ts';
import { type CupSchool, cupSchools, millilitresIn, type UnitId, units } from './units.ts';
import { type Shape, vagueMl } from './vague.ts';

/** What converting a measure of an ingredient to grams needs to know of it. Densities in g/mL as poured, pieces in g each. */
export interface Measurable {
  name: string;
  gramsPerMl?: { cup?: number; spoon?: number } & { [shape in Shape]?: number };
  gramsPerPiece?: Record<string, number>;
}

/** A measure of the kitchen's own: this mug, a capful, my cup of this. Either what it holds in mL, or what it weighs of one ingredient. */
export const OwnMeasure = z.object({
  /** The word a cook says, singular, lower case; or a unit ("cup") learned for one ingredient. */
  name: z.string().min(1).max(40),
  /** The ingredient it was weighed with; null for a vessel of any content. */
  ingredientId: z.string().max(60).nullable(),
  grams: z.number().nullable(),
  millilitres: z.number().nullable(),
});
export type OwnMeasure = z.infer<typeof OwnMeasure>;

export interface Grams {
  grams: number;
  /** How the figure was got, where it was not weighed: the cup meant, the density or piece weight used. */
  assumption?: string;
  range?: [number, number];
}

function densityFor(unit: UnitId, ingredient: Measurable, shape?: Shape): number {
  const spoonful = unit === 'tsp' || unit === 'tbsp';
  const cut = shape && ingredient.gramsPerMl?.[shape];
  if (cut !== undefined) return cut;
  const density = (spoonful ? ingredient.gramsPerMl?.spoon : undefined) ?? ingredient.gramsPerMl?.cup;
  if (density === undefined)
    throw new RangeError(`No weight per cup is known for ${ingredient.name}. Weigh it and write grams.`);
  return density;
}

/** Grams in one of the kitchen's own measures: weighed with this ingredient, or by what it holds. */
function ownFactor(
  unit: string,
  ingredient: Measurable & { id?: string },
  measures: readonly OwnMeasure[],
): [number, string] | undefined {
  const named = measures.filter((m) => m.name === unit);
  const weighed = named.find((m) => m.grams !== null && m.ingredientId === ingredient.id);
  if (weighed) return [weighed.grams!, `your ${unit} of it, ${weighed.grams} g, weighed once`];
  const vessel = named.find((m) => m.millilitres !== null && m.ingredientId === null);
  if (!vessel) return undefined;
  const density = densityFor('ml', ingredient);
  return [
    vessel.millilitres! * density,
    `your ${unit} of ${vessel.millilitres} mL, at ${density.toFixed(2)} g/mL, typical`,
  ];
}

function factor(
  quantity: Quantity,
  ingredient: Measurable & { id?: string },
  cup: CupSchool | undefined,
  measures: readonly OwnMeasure[],
): [number, string?] {
  const own = ownFactor(quantity.unit, ingredient, measures);
  if (own) return own;
  const unit = quantity.unit as UnitId;
  const facts = ownOf(units, unit);
  if (facts?.dimension === 'mass') {
    const note = quantity.asks ? 'oz taken as weight, 28.35 g' : undefined;
    return note ? [facts.size!, note] : [facts.size!];
  }
  if (facts?.dimension === 'volume') {
    const ml = millilitresIn(unit, cup);
    const density = densityFor(unit, ingredient, quantity.shape);
    const named = facts.size === undefined && cup ? cupSchools[cup].name : null;
    const school = named
      ? unit === 'cup'
        ? `${named}, `
        : `${unit} of ${ml.toFixed(0)} mL, ${named}, `
      : '';
    const cut = quantity.shape && ingredient.gramsPerMl?.[quantity.shape] ? `${quantity.shape}, ` : '';
    return [ml * density, `${school}${cut}at ${density.toFixed(2)} g/mL, typical`];
  }
  if (facts?.dimension === 'length' && ingredient.gramsPerPiece?.inch) {
    const inch = ingredient.gramsPerPiece.inch;
    return [(inch * facts.size!) / MM_PER_INCH, `${inch} g an inch, typical`];
  }
  if (facts && facts.dimension !== 'count')
    throw new RangeError(`"${quantity.said}" is not an amount of ${ingredient.name}`);
  const piece = ownOf(ingredient.gramsPerPiece, quantity.unit);
  if (piece === undefined)
    throw new RangeError(
      `What one ${quantity.unit === 'each' ? 'piece' : quantity.unit} of ${ingredient.name} weighs is not known. Weigh it and write grams.`,
    );
  return [piece, `${piece} g ${quantity.unit === 'each' ? 'each' : `a ${quantity.unit}`}, typical`];
}

const MM_PER_INCH = 25.4;

/** A pinch, a dash, a shot: grams from what such a measure holds, with the spread of it. */
function vagueGrams(quantity: Quantity, ingredient: Measurable): Grams | undefined {
  const held = ownOf(vagueMl, quantity.unit);
  if (!held || ownOf(ingredient.gramsPerPiece, quantity.unit) !== undefined) return undefined;
  const density = densityFor('tsp', ingredient);
  const [from, to] = quantity.range ?? [quantity.amount, quantity.amount];
  return {
    grams: quantity.amount * held[1] * density,
    range: [from * held[0] * density, to * held[2] * density],
    assumption: `a ${quantity.unit} of ${held[0]} to ${held[2]} mL, at ${density.toFixed(2)} g/mL, typical`,
  };
}

/**
 * Mass of a said quantity of an ingredient: by weight, by volume and bulk density, or by count and piece weight.
 * @param quantity from `parseQuantity`; @param ingredient densities in g/mL and piece weights in g; @param options.cup school of cups; @param options.measures the kitchen's own measures, tried first
 * @returns grams, with the assumption made where it was not a weight, and the range where one was said
 * @throws RangeError where the density, the piece weight or the school of cups is not known, or a comma may part decimals or thousands
 * @example toGrams(parseQuantity('2 kg'), { name: 'sugar' }).grams // 2000
 */
export function toGrams(
  quantity: Quantity,
  ingredient: Measurable & { id?: string },
  options: { cup?: CupSchool | undefined; measures?: readonly OwnMeasure[] } = {},
): Grams {
  if (quantity.asks === 'decimal-or-thousands') throw new RangeError(askOf(quantity)!);
  const measures = options.measures ?? [];
  const vague = measures.some((m) => m.name === quantity.unit) ? undefined : vagueGrams(quantity, ingredient);
  const result = vague ?? levelGrams(quantity, ingredient, options.cup, measures);
  if (!quantity.plus) return result;
  const more = toGrams(quantity.plus, ingredient, options);
  const [low, high] = [result, more].map((part) => part.range ?? [part.grams, part.grams]);
  const ranged = result.range || more.range;
  return {
    ...result,
    grams: result.grams + more.grams,
    ...(ranged ? { range: [low![0]! + high![0]!, low![1]! + high![1]!] as [number, number] } : {}),
  };
}

function levelGrams(
  quantity: Quantity,
  ingredient: Measurable & { id?: string },
  cup: CupSchool | undefined,
  measures: readonly OwnMeasure[],
): Grams {
  const [each, assumption] = factor(quantity, ingredient, cup, measures);
  const result: Grams = { grams: quantity.amount * each };
  if (assumption) result.assumption = assumption;
  if (quantity.range) result.range = [quantity.range[0] * each, quantity.range[1] * each];
  return result;
}

/**
 * °C from a temperature said in °C or °F (`C`, `F`); throws on any other unit.
 * @example toCelsius(parseQuantity('212 F')) // 100
 */
export function toCelsius(quantity: Quantity): number {
  if (quantity.unit === 'C') return quantity.amount;
  if (quantity.unit === 'F') return ((quantity.amount - 32) * 5) / 9;
  throw new RangeError(`"${quantity.said}" is not a temperature`);
}

/**
 * Millimetres from a length said in inches, mm or cm; throws on any other unit.
 * @example toMillimetres(parseQuantity('3 1/2 in')) // 88.9
 */
export function toMillimetres(quantity: Quantity): number {
  const facts = ownOf(units, quantity.unit);
  if (facts?.dimension !== 'length') throw new RangeError(`"${quantity.said}" is not a length`);
  return quantity.amount * facts.size!;
}
