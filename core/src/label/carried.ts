import type { KitchenCatalogue } from '../ingredient/index.ts';
import type { StatementLine } from './line.ts';

/**
 * What went in with everything that its by-products carry: what honey, spirit, sweetener or preservative was in the lot that left them is in them.
 * @param lines catalogue ids and grams as they went in
 * @example withCarried([{ ingredientId: 'sugar', grams: 500 }], catalogue).length // 1
 */
export const withCarried = (lines: readonly StatementLine[], catalogue: KitchenCatalogue): StatementLine[] =>
  lines.flatMap((line) => [
    line,
    ...(catalogue.get(line.ingredientId).leftFrom?.parts ?? [])
      .filter((part) => part.ingredientId !== line.ingredientId)
      .map((part) => ({ ingredientId: part.ingredientId, grams: line.grams * part.share })),
  ]);
