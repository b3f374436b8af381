/** A pack as it is sold: what is in it, in the unit of the need, and its price in minor units. */
export interface Pack {
  id: string;
  size: number;
  priceMinor: number;
  /** How many there are; without it, as many as are wanted. */
  available?: number;
}

export interface PackCover {
  packs: { id: string; count: number }[];
  costMinor: number;
  /** What is bought, and how much of it is over, in the unit of the need. */
  bought: number;
  leftOver: number;
}

interface Best {
  counts: number[];
  cost: number;
  bought: number;
}

/** Nearer than a need is known: a pack that falls short by less covers it. */
const NEAR = 1e-9;

function checked(need: number, packs: readonly Pack[]): void {
  if (!(need >= 0 && Number.isFinite(need))) throw new RangeError(`A need of ${need} is not an amount`);
  for (const p of packs) {
    if (!(p.size > 0)) throw new RangeError(`What is in pack ${p.id}? Its size has to be over 0`);
    if (!(p.priceMinor >= 0)) throw new RangeError(`The price of pack ${p.id} is under 0`);
    if (p.available !== undefined && !(Number.isInteger(p.available) && p.available >= 0))
      throw new RangeError(`There are ${p.available} of pack ${p.id}: write a whole number`);
  }
  const most = packs.reduce((sum, p) => sum + (p.available ?? Number.POSITIVE_INFINITY) * p.size, 0);
  if (need > NEAR && !(most >= need - NEAR))
    throw new RangeError(
      packs.length === 0
        ? 'No pack of it is known'
        : `All the packs there are come to ${most}, and ${need} is needed`,
    );
}

/**
 * The cheapest packs that cover a need, and of equally cheap ones those that leave least over. Exact, by branch and bound on the
 * price per unit.
 * @param order.need amount, 0 or more; @param order.packs sizes over 0 in the same unit, prices in minor units, how many there are
 * @returns which and how many, the cost, what is over
 * @throws RangeError where the packs there are do not come to it, or one has no size
 */
export function packsToBuy(order: { need: number; packs: readonly Pack[] }): PackCover {
  const { need } = order;
  checked(need, order.packs);
  const packs = [...order.packs].sort(
    (a, b) => a.priceMinor / a.size - b.priceMinor / b.size || b.size - a.size,
  );
  let best: Best = {
    counts: packs.map(() => 0),
    cost: Number.POSITIVE_INFINITY,
    bought: Number.POSITIVE_INFINITY,
  };
  const counts = packs.map(() => 0);
  const better = (cost: number, bought: number) =>
    cost < best.cost - NEAR || (cost < best.cost + NEAR && bought < best.bought - NEAR);
  const search = (i: number, cost: number, bought: number): void => {
    const left = need - bought;
    if (left <= NEAR) {
      if (better(cost, bought)) best = { counts: [...counts], cost, bought };
      return;
    }
    const pack = packs[i];
    // What is left costs at least the best price per unit that is still to come.
    if (!pack || cost + (left * pack.priceMinor) / pack.size > best.cost + NEAR) return;
    const most = Math.min(pack.available ?? Number.POSITIVE_INFINITY, Math.ceil(left / pack.size - NEAR));
    for (let count = most; count >= 0; count--) {
      counts[i] = count;
      search(i + 1, cost + count * pack.priceMinor, bought + count * pack.size);
    }
    counts[i] = 0;
  };
  search(0, 0, 0);
  return {
    packs: packs.flatMap((p, i) => (best.counts[i]! > 0 ? [{ id: p.id, count: best.counts[i]! }] : [])),
    costMinor: best.cost,
    bought: best.bought,
    leftOver: Math.max(0, best.bought - need),
  };
}
