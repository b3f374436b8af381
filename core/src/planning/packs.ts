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

/** More amounts than this are not laid in a table. */
const MOST_AMOUNTS = 4_000_000;

/**
 * The step in which all amounts of the packs go: their greatest common divisor, in millionths of a unit.
 * Packs of 500 g and 1.5 kg come to multiples of 500 g, labels by the sheet of 24 to multiples of 24.
 */
function stepOf(packs: readonly Pack[]): number {
  const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));
  return packs.map((p) => Math.round(p.size * 1e6)).reduce(gcd, 0) / 1e6;
}

/** Cheapest cost of every amount, and how many of the pack looked at last it takes. */
interface Table {
  cost: Float64Array;
  counts: Uint32Array[];
}

/**
 * Lays one more pack into the table: the cheapest way to each amount with at most so many of it, by a window that slides over the
 * amounts which lie whole packs apart.
 */
function withPack(table: Table, size: number, price: number, most: number): void {
  const before = table.cost;
  const amounts = before.length;
  const cost = new Float64Array(amounts);
  const counts = new Uint32Array(amounts);
  const queue = new Int32Array(Math.ceil(amounts / size) + 1);
  for (let rest = 0; rest < Math.min(size, amounts); rest++) {
    let [head, tail] = [0, 0];
    // What an amount costs without this pack, less what the packs up to it would: comparable along the window.
    const key = (n: number) => before[rest + n * size]! - n * price;
    for (let n = 0, at = rest; at < amounts; n++, at += size) {
      const own = key(n);
      while (tail > head && key(queue[tail - 1]!) >= own) tail--;
      queue[tail++] = n;
      while (queue[head]! < n - most) head++;
      cost[at] = key(queue[head]!) + n * price;
      counts[at] = n - queue[head]!;
    }
  }
  table.cost = cost;
  table.counts.push(counts);
}

/** How many of each pack make up the cheapest amount that covers the need; of equally cheap ones the least. */
function cheapest(table: Table, sizes: readonly number[], least: number): number[] {
  let at = least;
  for (let t = least; t < table.cost.length; t++) if (table.cost[t]! < table.cost[at]! - NEAR) at = t;
  const counts = sizes.map(() => 0);
  for (let i = sizes.length - 1; i >= 0; i--) {
    counts[i] = table.counts[i]![at]!;
    at -= counts[i]! * sizes[i]!;
  }
  return counts;
}

/**
 * The cheapest packs that cover a need, and of equally cheap ones those that leave least over. Exact, by dynamic programming over
 * the amounts that the packs can come to.
 * @param order.need amount, 0 or more; @param order.packs sizes over 0 in the same unit, prices in minor units, how many there are
 * @returns which and how many, the cost, what is over
 * @throws RangeError where the packs there are do not come to it, one has no size, or the need is over four million steps of the packs
 * @example packsToBuy({ need: 700, packs: [{ id: 'half', size: 500, priceMinor: 300 }, { id: 'kilo', size: 1000, priceMinor: 500 }] }).costMinor // 500
 */
export function packsToBuy(order: { need: number; packs: readonly Pack[] }): PackCover {
  const { need, packs } = order;
  checked(need, packs);
  if (need <= NEAR) return { packs: [], costMinor: 0, bought: 0, leftOver: 0 };
  const step = stepOf(packs);
  const sizes = packs.map((p) => Math.round(p.size / step));
  const least = Math.ceil((need - NEAR) / step);
  // Of a cheapest cover no pack is wholly over, so it stays under the need and the largest pack.
  const amounts = least + Math.max(...sizes);
  if (amounts > MOST_AMOUNTS)
    throw new RangeError(`${need} is too much to be put together of packs that differ by ${step}`);
  const table: Table = { cost: new Float64Array(amounts).fill(Number.POSITIVE_INFINITY), counts: [] };
  table.cost[0] = 0;
  packs.forEach((p, i) => {
    withPack(table, sizes[i]!, p.priceMinor, p.available ?? amounts);
  });
  const counts = cheapest(table, sizes, least);
  const bought = counts.reduce((sum, n, i) => sum + n * packs[i]!.size, 0);
  return {
    packs: packs.flatMap((p, i) => (counts[i]! > 0 ? [{ id: p.id, count: counts[i]! }] : [])),
    costMinor: counts.reduce((sum, n, i) => sum + n * packs[i]!.priceMinor, 0),
    bought,
    leftOver: Math.max(0, bought - need),
  };
}
