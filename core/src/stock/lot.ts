/** What a stock lot is of: something that goes into the pan, or something that goes round what is made. */
export type StockKind = 'ingredient' | 'packaging';

/** Why some of a stock lot went, or was found. */
export type TakingKind = 'used' | 'filled' | 'printed' | 'divided' | 'wasted' | 'spoiled' | 'counted';

/** Some of a stock lot that went: into a lot, into another stock lot, into the bin; or what a count found more (under 0) or less. */
export interface Taking {
  kind: TakingKind;
  /** In the stock lot's own unit; under 0 only where a count found more than was thought. */
  amount: number;
  /** ISO 8601. */
  at: string;
  /** Set where what it belongs to was struck: it then never went. */
  struck: boolean;
}

/** One purchase, picking or by-product. Ingredients are in g, packaging in pieces. */
export interface StockLot {
  id: string;
  code: string;
  kind: StockKind;
  /** Id of the ingredient, or of the kind of packaging. */
  thing: string;
  quantity: number;
  /** Day it came, and the day it is best by. */
  gotOn: string;
  bestBy: string | null;
  /** Set for a by-product: the lot it was left by, and how that stands now. */
  leftBy: { code: string; state: string } | null;
  takings: readonly Taking[];
}

/** How much of a stock lot is left, in its own unit: what came, less all that went and stands. */
export const leftOf = (lot: Pick<StockLot, 'quantity' | 'takings'>): number =>
  lot.takings.reduce((left, t) => (t.struck ? left : left - t.amount), lot.quantity);

const STOPPED = new Set(['held', 'recalled', 'discarded']);

/**
 * Why a stock lot is not used on a day: it is not here yet, it is past its date, or what it is a by-product of is held or called back.
 * @param day as in 2026-11-25; @returns a sentence's end, or null where it is fit
 */
export function whyUnfit(lot: StockLot, day: string): string | null {
  if (lot.gotOn > day) return `it came on ${lot.gotOn}`;
  if (lot.bestBy !== null && lot.bestBy < day) return `it was best by ${lot.bestBy}`;
  if (lot.leftBy && STOPPED.has(lot.leftBy.state))
    return `lot ${lot.leftBy.code}, which it comes from, is ${lot.leftBy.state}`;
  return null;
}
