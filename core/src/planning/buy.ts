import { availableOf, type StockKind, type StockLot } from '../stock/index.ts';
import { type Pack, type PackCover, packsToBuy } from './packs.ts';

/** How much of one thing some plans need: g of an ingredient, pieces of packaging. */
export interface Need {
  kind: StockKind;
  thing: string;
  name: string;
  amount: number;
}

/** A pack as it is sold, of one thing. */
export interface ThingPack extends Pack {
  thing: string;
}

/** One row of the shopping list. */
export interface ToBuy extends Need {
  inStock: number;
  /** What stock does not cover. */
  short: number;
  /** The cheapest packs for what is short; null where nothing is short or no pack is known. */
  cover: PackCover | null;
  /** What stands in the way of buying it by packs, in words. */
  asks: string | null;
}

/**
 * Needs of several plans put together, a thing once.
 * @example needsTogether([{ kind: 'ingredient', thing: 'sugar', name: 'Sugar', amount: 500 }, { kind: 'ingredient', thing: 'sugar', name: 'Sugar', amount: 700 }]) // [{ thing: 'sugar', amount: 1200 }]
 */
export function needsTogether(needs: readonly Need[]): Need[] {
  const together = new Map<string, Need>();
  for (const need of needs) {
    const before = together.get(need.thing);
    together.set(need.thing, before ? { ...before, amount: before.amount + need.amount } : { ...need });
  }
  return [...together.values()];
}

function coverOf(need: Need, short: number, packs: readonly ThingPack[]): Pick<ToBuy, 'cover' | 'asks'> {
  if (short <= 0) return { cover: null, asks: null };
  const known = packs.filter((p) => p.thing === need.thing);
  if (known.length === 0)
    return {
      cover: null,
      asks: `No pack of ${need.name.toLowerCase()} is known: say how it is sold and for how much`,
    };
  try {
    return { cover: packsToBuy({ need: short, packs: known }), asks: null };
  } catch (error) {
    return { cover: null, asks: (error as Error).message };
  }
}

/**
 * The shopping list of some plans: what stock that is fit on a day does not cover, by the cheapest packs.
 * @param needs of one or several plans; @param stock all stock lots; @param packs as things are sold; @param day as in 2026-11-25
 * @returns a row a thing, also of what is covered; amounts in g or pieces
 * @example shoppingList([{ kind: 'ingredient', thing: 'sugar', name: 'Sugar', amount: 1500 }], [], [{ id: 'bag', thing: 'sugar', size: 1000, priceMinor: 125 }], '2026-11-27')[0].cover.costMinor // 250
 */
export function shoppingList(
  needs: readonly Need[],
  stock: readonly StockLot[],
  packs: readonly ThingPack[],
  day: string,
): ToBuy[] {
  return needsTogether(needs).map((need) => {
    const inStock = availableOf(stock, need.thing, day);
    const short = need.amount - inStock > 1e-6 ? need.amount - inStock : 0;
    return { ...need, inStock, short, ...coverOf(need, short, packs) };
  });
}

/** What a left-over could go into: a formula that uses it, and for how much of its batch it is enough. */
export interface LeftOverHome {
  name: string;
  /** Multiple of the formula that the left-over is enough for. */
  scale: number;
}

/**
 * Where a left-over could go, what it goes furthest in first. @param amount g or pieces; @param uses what one making of each formula takes
 * @example whereItGoes(500, [{ name: 'Damson shrub', amount: 1000 }]) // [{ name: 'Damson shrub', scale: 0.5 }]
 */
export const whereItGoes = (
  amount: number,
  uses: readonly { name: string; amount: number }[],
): LeftOverHome[] =>
  uses
    .filter((u) => u.amount > 0)
    .map((u) => ({ name: u.name, scale: amount / u.amount }))
    .sort((a, b) => b.scale - a.scale);
