import { askOf, type Quantity } from '../quantity/index.ts';
import type { Ingredient } from './ingredient.ts';

/** Fruit and pieces of plants are sold and weighed by the ounce; nobody fills a measure for fluid ounces with them. */
const inPieces = (entry: Ingredient): boolean => !entry.liquid && ['fruit', 'plant'].includes(entry.family);

/**
 * The question that an amount of an ingredient leaves open: an ounce of fruit is one of weight, of anything that pours it is asked.
 * @returns null where nothing is open
 * @example askedOf(parseQuantity('12 oz'), catalogue.get('raspberry')) // null
 */
export const askedOf = (quantity: Quantity, entry: Ingredient): string | null =>
  quantity.asks === 'weight-or-volume' && inPieces(entry) ? null : askOf(quantity);
