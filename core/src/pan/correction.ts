/** What brings a pan to its °Bx: one thing to put in, or water to boil off. */
export interface BrixCorrection {
  kind: 'nothing' | 'water' | 'sugar' | 'boil';
  /** Grams to put in, or to boil off. */
  grams: number;
  /** What goes in first, before it is measured again: two thirds. All of what boils off is watched. */
  firstGrams: number;
  /** Mass of the pan afterwards, g. */
  leaves: number;
}

const FIRST = 2 / 3;
/** Nearer than a refractometer is read. */
const NEAR = 0.2;

const put = (kind: 'water' | 'sugar', grams: number, pan: number): BrixCorrection => ({
  kind,
  grams,
  firstGrams: grams * FIRST,
  leaves: pan + grams,
});

/**
 * Every way to bring a pan, as measured, to a °Bx, the smallest change first: water into one that is over, sugar into one that is under, or boiling it on.
 * @param pan.grams mass, over 0; @param pan.brix measured at 20 °C; @param pan.target °Bx, over 0 to 80; @param pan.sugarBrix solids of what is put in as sugar, 100 for crystals
 * @returns the ways, smallest change of mass first; one that says nothing where it is within 0.2 °Bx
 * @throws RangeError on a mass or °Bx out of range. Source: mass balance of dissolved solids.
 * @example brixCorrections({ grams: 1000, brix: 60, target: 50 }) // [{ kind: 'water', grams: 200, leaves: 1200 }]
 */
export function brixCorrections(pan: {
  grams: number;
  brix: number;
  target: number;
  sugarBrix?: number;
}): BrixCorrection[] {
  const { grams, brix, target, sugarBrix = 100 } = pan;
  if (!(grams > 0)) throw new RangeError('Weigh the pan, or dip it, first');
  if (!(brix >= 0 && brix <= 85 && target > 0 && target <= 80))
    throw new RangeError(`From ${brix} to ${target} °Bx is outside what a syrup can be`);
  if (Math.abs(brix - target) <= NEAR) return [{ kind: 'nothing', grams: 0, firstGrams: 0, leaves: grams }];
  if (brix > target) return [put('water', grams * (brix / target - 1), grams)];
  const ways: BrixCorrection[] = [];
  if (sugarBrix > target) ways.push(put('sugar', (grams * (target - brix)) / (sugarBrix - target), grams));
  if (brix > 0) {
    const off = grams * (1 - brix / target);
    ways.push({ kind: 'boil', grams: off, firstGrams: off, leaves: grams - off });
  }
  if (ways.length === 0) throw new RangeError('There is nothing dissolved in it to boil down');
  return ways.sort((a, b) => a.grams - b.grams);
}
