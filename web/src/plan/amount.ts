import type { StockLot } from '@inch/contract/stock';
import type { KitchenCatalogue } from '@inch/core/ingredient';
import { type CupSchool, grouped, parseQuantity, toGrams, weight } from '@inch/core/quantity';

import { figureIn } from '../ui/typed.ts';

/** An amount of stock as it is said: g and kg of an ingredient, pieces of packaging. */
export const amountSaid = (kind: StockLot['kind'], amount: number): string =>
  kind === 'ingredient' ? weight(Math.abs(amount) < 0.05 ? 0 : amount) : grouped(Math.round(amount));

/**
 * g or pieces of what was typed in any measure; a sentence where it cannot be read. A bare number is g of an ingredient, or pieces.
 */
export function amountTyped(
  text: string,
  of: { kind: StockLot['kind']; thing: string },
  catalogue: KitchenCatalogue,
  cup: CupSchool | null,
): number | string {
  if (of.kind === 'packaging')
    return figureIn(text, { unit: '', whole: true, min: 0 }) ?? 'Write a whole number of pieces.';
  const entry = catalogue.find(of.thing);
  if (!entry) return 'Choose what it is first.';
  if (text.trim() === '') return 'How much? For instance 250 g, 1.2 kg or 2 cups.';
  const bare = figureIn(text, { unit: 'g', min: 0 });
  if (bare !== null) return bare;
  try {
    return toGrams(parseQuantity(text), entry, {
      cup: cup ?? undefined,
      measures: catalogue.measures,
    }).grams;
  } catch (error) {
    return (error as Error).message;
  }
}
