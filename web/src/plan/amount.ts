import type { StockView } from '@inch/contract/kitchen/stock';
import type { KitchenCatalogue } from '@inch/core/ingredient';
import {
  type CupSchool,
  grouped,
  parseQuantity,
  signedWeight,
  toGrams,
  weight,
  weightSign,
} from '@inch/core/quantity';
import { figureIn } from '../ui/typed.ts';

/** An amount of stock as it is said: g and kg of an ingredient, pieces of packaging. */
export const amountSaid = (kind: StockView['kind'], amount: number): string =>
  kind === 'ingredient' ? weight(Math.abs(amount) < 0.05 ? 0 : amount) : grouped(Math.round(amount));

/** An amount of stock as a field asks for it, by an example. */
export function amountExample(kind: StockView['kind']): string {
  if (kind === 'packaging') return '12';
  return weightSign('heavy') === 'kg' ? '1.2 kg' : '2 lb 8 oz';
}

/**
 * g or pieces of what was typed in any measure; a sentence where it cannot be read. A bare number is in
 * the kitchen's own measure of an ingredient, or pieces.
 */
export function amountTyped(
  text: string,
  of: { kind: StockView['kind']; thing: string },
  catalogue: KitchenCatalogue,
  cup: CupSchool | null,
): number | string {
  if (of.kind === 'packaging')
    return figureIn(text, { unit: '', whole: true, min: 0 }) ?? 'Write a whole number of pieces.';
  const entry = catalogue.find(of.thing);
  if (!entry) return 'Choose what it is first.';
  if (text.trim() === '') return `How much? For instance ${amountExample(of.kind)} or 2 cups.`;
  try {
    return toGrams(parseQuantity(signedWeight(text, 'light')), entry, {
      cup: cup ?? undefined,
      measures: catalogue.measures,
    }).grams;
  } catch (error) {
    return (error as Error).message;
  }
}
