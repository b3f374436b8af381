import { z } from 'zod';
/** What a stock lot is of: something that goes into the pan, or something that goes round what is made. */
export const StockKind = z.enum(['ingredient', 'packaging']);
export type StockKind = z.infer<typeof StockKind>;

/** Some of a stock lot that went: into a lot, into another stock lot, into the bin; or what a count found more (under 0) or less. */
export const Taking = z.object({
  kind: z.enum(['used', 'filled', 'printed', 'divided', 'wasted', 'spoiled', 'counted']),
  /** In the stock lot's own unit; under 0 only where a count found more than was thought. */
  amount: z.number(),
  /** ISO 8601. */
  at: z.string(),
  /** Set where what it belongs to was struck: it then never went. */
  struck: z.boolean(),
});
export type Taking = z.infer<typeof Taking>;
export type TakingKind = Taking['kind'];

/** One purchase, picking or by-product. Ingredients are in g, packaging in pieces. */
export const StockLot = z.object({
  id: z.string(),
  /** Written on the bag. */
  code: z.string(),
  kind: StockKind,
  /** Id of the ingredient, or of the kind of packaging. */
  thing: z.string(),
  quantity: z.number(),
  /** Day it came, and the day it is best by. */
  gotOn: z.string(),
  bestBy: z.string().nullable(),
  /** Set for a by-product: the lot it was left by, and how that stands now. */
  leftBy: z.object({ code: z.string(), state: z.string() }).nullable(),
  /** Why it is held, or called back by its supplier, as the end of a sentence; null or absent where it is not. */
  held: z.string().nullable().optional(),
  /** A sum for each way in which some of it went, or was found. */
  takings: z.array(Taking).readonly(),
});
export type StockLot = z.infer<typeof StockLot>;

/**
 * What is written on the bag of the nth stock lot.
 * @example stockCode(12) // 'S12'
 */
export const stockCode = (number: number): string => `S${number}`;

/**
 * How much of a stock lot is left, in its own unit: what came, less all that went and stands.
 * @example leftOf({ quantity: 5000, takings: [] }) // 5000
 */
export const leftOf = (lot: Pick<StockLot, 'quantity' | 'takings'>): number =>
  lot.takings.reduce((left, t) => (t.struck ? left : left - t.amount), lot.quantity);

/** What a stock lot came to in all: what was bought, and what a count found more of it. */
const cameTo = (lot: Pick<StockLot, 'quantity' | 'takings'>): number =>
  lot.takings.reduce(
    (all, t) => (t.kind === 'counted' && !t.struck && t.amount < 0 ? all - t.amount : all),
    lot.quantity,
  );

const dividedOff = (lot: Pick<StockLot, 'takings'>): number =>
  lot.takings.reduce((sum, t) => (t.kind === 'divided' && !t.struck ? sum + t.amount : sum), 0);

/** A stock lot with what was paid for it. */
export type PaidLot = Pick<StockLot, 'quantity' | 'takings'> & { costMinor: number | null };

/**
 * What the next part that is divided off a stock lot cost, in whole minor units: so that all parts together come to what was paid,
 * however they are cut.
 * @param lot as it stands before; @param amount of the part, in its unit, over 0
 * @returns minor units; null where nothing was paid that is known
 * @example costOfPart({ quantity: 3, takings: [], costMinor: 100 }, 1) // 33
 */
export function costOfPart(lot: PaidLot, amount: number): number | null {
  if (lot.costMinor === null) return null;
  const [all, before] = [cameTo(lot), dividedOff(lot)];
  const upTo = (part: number) => Math.round((lot.costMinor! * Math.min(part, all)) / all);
  return upTo(before + amount) - upTo(before);
}

/**
 * What a unit of a stock lot cost, in minor units: what was paid, less what went with divided parts, over all there was besides them.
 * What a count finds more makes it cheaper, never dearer in all.
 * @returns minor units per g or piece; null where nothing was paid that is known
 * @example unitCost(sack) // 0.15
 */
export function unitCost(lot: PaidLot): number | null {
  if (lot.costMinor === null) return null;
  const [all, divided] = [cameTo(lot), dividedOff(lot)];
  const own = all - divided;
  if (own <= 1e-9) return 0;
  return (lot.costMinor - Math.round((lot.costMinor * Math.min(divided, all)) / all)) / own;
}

const STOPPED = new Set(['held', 'recalled', 'discarded']);

/**
 * Why a stock lot is not used on a day: it is not here yet, it is past its date, or what it is a by-product of is held or called back.
 * @param day as in 2026-11-25; @returns a sentence's end, or null where it is fit
 * @example whyUnfit({ ...sack, bestBy: '2026-11-01' }, '2026-11-27') // 'it was best by 2026-11-01'
 */
export function whyUnfit(lot: StockLot, day: string): string | null {
  if (lot.held) return lot.held;
  if (lot.gotOn > day) return `it came on ${lot.gotOn}`;
  if (lot.bestBy !== null && lot.bestBy < day) return `it was best by ${lot.bestBy}`;
  if (lot.leftBy && STOPPED.has(lot.leftBy.state))
    return `lot ${lot.leftBy.code}, which it comes from, is ${lot.leftBy.state}`;
  return null;
}
