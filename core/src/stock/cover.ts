import { leftOf, type StockLot, whyUnfit } from './lot.ts';

/** How much of which stock lot. */
export interface Withdrawal {
  stockId: string;
  amount: number;
}

export interface Cover {
  withdrawals: Withdrawal[];
  /** What no stock lot covers, in the same unit. */
  short: number;
}

/** Nearer than anything is weighed or counted. */
const NEAR = 1e-6;

/**
 * Stock lots of one thing that may be used on a day and have some left, the oldest first; of one day the one that keeps shortest. @param day as in 2026-11-25
 * @example fitLots([sack], 'sugar', '2026-11-27').length // 1
 */
export const fitLots = <L extends StockLot>(lots: readonly L[], thing: string, day: string): L[] =>
  lots
    .filter((lot) => lot.thing === thing && leftOf(lot) > NEAR && whyUnfit(lot, day) === null)
    .sort(
      (a, b) =>
        a.gotOn.localeCompare(b.gotOn) ||
        (a.bestBy ?? '9999').localeCompare(b.bestBy ?? '9999') ||
        a.code.localeCompare(b.code),
    );

/**
 * Covers an amount of one thing from its stock lots, the oldest fit one first; never takes more of a lot than is left.
 * @param lots all stock lots; @param thing ingredient or packaging; @param amount in its unit, 0 or more; @param day as in 2026-11-25
 * @returns how much of which, and what is short; withdrawals and short come to the amount
 * @example coverFrom([sack], 'sugar', 1200, '2026-11-27') // { withdrawals: [{ stockId: 's1', amount: 1000 }], short: 200 }
 */
export function coverFrom(lots: readonly StockLot[], thing: string, amount: number, day: string): Cover {
  const withdrawals: Withdrawal[] = [];
  let short = amount;
  for (const lot of fitLots(lots, thing, day)) {
    if (short <= NEAR) break;
    const take = Math.min(leftOf(lot), short);
    withdrawals.push({ stockId: lot.id, amount: take });
    short -= take;
  }
  return { withdrawals, short: short <= NEAR ? 0 : short };
}

/**
 * How much of a thing is there and fit on a day, in its unit. @param day as in 2026-11-25
 * @example availableOf([sack], 'sugar', '2026-11-27') // 1000
 */
export const availableOf = (lots: readonly StockLot[], thing: string, day: string): number =>
  fitLots(lots, thing, day).reduce((sum, lot) => sum + leftOf(lot), 0);
