import type { Ingredient } from './ingredient.ts';

const SOLID: ReadonlySet<string> = new Set(['fruit', 'plant', 'flavouring']);

type Piece = Pick<Ingredient, 'family' | 'liquid' | 'per100g' | 'own'>;

/**
 * Whether an ingredient dissolves whole: salt, soda, chalk, pectin, gums, starch. Of a kitchen's own entry nobody said what does not dissolve.
 * @example dissolvesWhole(catalogue.get('baking-soda')) // true
 */
export const dissolvesWhole = ({ family, liquid, per100g, own }: Piece): boolean =>
  !liquid && family === 'flavouring' && per100g.insoluble === 0 && own?.from !== 'label';

/**
 * Whether an ingredient is a piece of something: fruit, leaf, peel or spice that has something to be drawn out of it, and that only a cloth takes out again.
 * @example isPiece(catalogue.get('pectin')) // false
 */
export const isPiece = (entry: Piece): boolean =>
  !entry.liquid && SOLID.has(entry.family) && !dissolvesWhole(entry);
