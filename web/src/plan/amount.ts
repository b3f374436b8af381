import type { StockLot } from '@inch/contract/stock';
import type { KitchenCatalogue } from '@inch/core/ingredient';
import { type CupSchool, parseQuantity, toGrams } from '@inch/core/quantity';
import { grouped, weight } from '../ui/format.ts';

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
  const bare = /^[\d.,]+$/.test(text.trim());
  if (of.kind === 'packaging') {
    const count = Number(text.trim());
    return Number.isInteger(count) && count >= 0 && bare ? count : 'Write a whole number of pieces.';
  }
  const entry = catalogue.find(of.thing);
  if (!entry) return 'Choose what it is first.';
  try {
    return toGrams(parseQuantity(bare ? `${text} g` : text), entry, {
      cup: cup ?? undefined,
      measures: catalogue.measures,
    }).grams;
  } catch (error) {
    return (error as Error).message;
  }
}

/** Minor units of a price as typed; null where nothing is. */
export function minorTyped(text: string): number | null {
  const value = Number(text.trim().replace(',', '.'));
  return text.trim() === '' || !Number.isFinite(value) || value < 0 ? null : Math.round(value * 100);
}
export const minorShown = (minor: number | null | undefined): string =>
  minor == null ? '' : (minor / 100).toFixed(2);
