import { readLotCode } from '@inch/core/lot';

/** What a code leads to: a lot, one of its bottles, or a stock lot. */
export type Scanned = { lot: string; bottle: number | null } | { stock: string };

/** What was scanned or typed, as far as it is a code of this program; null where it is none. */
export function scanned(text: string): Scanned | null {
  const said = text.trim().toUpperCase();
  const stock = /^S\d+$/.exec(said);
  if (stock) return { stock: said };
  const [code = '', number] = said.split(/[/ ]+/);
  const lot = readLotCode(code);
  if (!lot) return null;
  return { lot, bottle: number && /^\d{1,5}$/.test(number) ? Number(number) : null };
}

/** Where a code leads. */
export const leadsTo = (of: Scanned): string =>
  'stock' in of
    ? `/plan/stock?find=${of.stock}`
    : `/shelf/${of.lot}${of.bottle === null ? '' : `/${of.bottle}`}`;
