/** Bottles of one size that are clean and to hand. */
export interface BottlesToHand {
  id: string;
  /** mL each takes. */
  millilitres: number;
  count: number;
}

export interface Filling {
  bottles: { id: string; count: number }[];
  /** mL in full bottles, and what is over: the short bottle, the kitchen's own. */
  filled: number;
  short: number;
}

const most = 100_000;

interface Lump {
  id: string;
  count: number;
  ml: number;
}

/** A size as lumps of 1, 2, 4 … bottles, by which every count up to what there is can be made. */
function lumpsOf(size: BottlesToHand): Lump[] {
  const lumps: Lump[] = [];
  let left = size.count;
  for (let n = 1; left > 0; n *= 2) {
    const count = Math.min(n, left);
    lumps.push({ id: size.id, count, ml: count * size.millilitres });
    left -= count;
  }
  return lumps;
}

/**
 * Best fit of a batch into bottles of mixed sizes: as little over as can be, and of those the fewest bottles.
 * @param millilitres of the batch, 0–100,000, taken down to whole mL; @param toHand sizes in whole mL over 0, with how many there are
 * @returns how many of which, and the short bottle in mL; throws RangeError outside those ranges
 * @example fillBottles(1000, [{ id: 'half', millilitres: 500, count: 3 }]) // { bottles: [{ id: 'half', count: 2 }], filled: 1000, short: 0 }
 */
export function fillBottles(millilitres: number, toHand: readonly BottlesToHand[]): Filling {
  if (!(millilitres >= 0 && millilitres <= most))
    throw new RangeError(`${millilitres} mL is outside 0 to ${most}`);
  for (const size of toHand)
    if (
      !(
        Number.isInteger(size.millilitres) &&
        size.millilitres > 0 &&
        Number.isInteger(size.count) &&
        size.count >= 0
      )
    )
      throw new RangeError(`${size.count} bottles of ${size.millilitres} mL: whole numbers, the size over 0`);
  const whole = Math.floor(millilitres + 1e-9);
  const lumps = toHand.flatMap(lumpsOf).filter((l) => l.ml <= whole);
  // Fewest bottles that come to exactly so many mL, and by which lumps.
  const fewest = new Int32Array(whole + 1).fill(-1);
  fewest[0] = 0;
  const taken = lumps.map((lump) => {
    const marks = new Uint8Array(whole + 1);
    for (let ml = whole; ml >= lump.ml; ml--) {
      const before = fewest[ml - lump.ml]!;
      if (before < 0 || (fewest[ml]! >= 0 && fewest[ml]! <= before + lump.count)) continue;
      fewest[ml] = before + lump.count;
      marks[ml] = 1;
    }
    return marks;
  });
  let filled = whole;
  while (fewest[filled]! < 0) filled--;
  const counts = new Map<string, number>();
  for (let i = lumps.length - 1, ml = filled; i >= 0; i--) {
    if (!taken[i]![ml]) continue;
    const lump = lumps[i]!;
    counts.set(lump.id, (counts.get(lump.id) ?? 0) + lump.count);
    ml -= lump.ml;
  }
  return {
    bottles: toHand.flatMap((s) => (counts.get(s.id) ? [{ id: s.id, count: counts.get(s.id)! }] : [])),
    filled,
    short: millilitres - filled,
  };
}
