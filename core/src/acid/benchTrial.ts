/** One dose of a bench trial: grams of acid (or base) in all, per kg of sample, and the pH it then stood at. */
export interface TrialPoint {
  gramsPerKg: number;
  ph: number;
}

export interface TrialDose {
  /** Grams in all for the batch. */
  grams: number;
  /** What is put in first: two thirds of it, then measure again. */
  firstGrams: number;
  /** How far the dose reaches past the last point tried, as a share of the doses tried; 0 within them. */
  past: number;
}

function checked(points: readonly TrialPoint[]): TrialPoint[] {
  const sorted = [...points].sort((a, b) => a.gramsPerKg - b.gramsPerKg);
  if (sorted.length < 2)
    throw new RangeError('A trial needs the pH before the first dose and after one at least');
  for (const [i, point] of sorted.entries()) {
    if (!(point.gramsPerKg >= 0 && point.ph > 0 && point.ph < 14))
      throw new RangeError(`${point.gramsPerKg} g in a kg at pH ${point.ph} is not a point of a trial`);
    if (i === 0) continue;
    const before = sorted[i - 1]!;
    if (point.gramsPerKg === before.gramsPerKg)
      throw new RangeError(`Two readings at ${point.gramsPerKg} g in a kg: undo one of them`);
    if (point.ph >= before.ph)
      throw new RangeError(`At ${point.gramsPerKg} g in a kg the pH did not fall: stir, wait and read again`);
  }
  return sorted;
}

/** Adding is easier than taking out: this share goes in first. */
const FIRST = 2 / 3;

/**
 * The dose of an acid that brings a batch to a pH, by a bench trial of a weighed sample: its own buffering, no model.
 * @param trial.points doses in all, g per kg of sample, each with its pH, the undosed sample among them; @param trial.targetPh; @param trial.batchGrams mass of the batch
 * @returns grams for the batch, what goes in first, and how far it reaches past the last point tried (as a share; the last slope is carried on, flattening)
 * @throws RangeError where the pH did not fall from dose to dose, the target is above the undosed sample, or the dose would be over twice what was tried
 * @example benchTrialDose({ points: [{ gramsPerKg: 0, ph: 3.8 }, { gramsPerKg: 2, ph: 3.4 }], targetPh: 3.6, batchGrams: 5000 }) // { grams: 5, past: 0 }
 */
export function benchTrialDose(trial: {
  points: readonly TrialPoint[];
  targetPh: number;
  batchGrams: number;
}): TrialDose {
  const { targetPh, batchGrams } = trial;
  const points = checked(trial.points);
  const first = points[0]!;
  const last = points.at(-1)!;
  if (targetPh > first.ph)
    throw new RangeError(
      `The sample stood at pH ${first.ph} before any acid: it is under ${targetPh} already`,
    );
  const perKg = targetPh >= last.ph ? within(points, targetPh) : beyond(points, targetPh);
  const past = Math.max(0, perKg / last.gramsPerKg - 1);
  if (past > 1)
    throw new RangeError(
      `That would take over twice what was tried. Give the sample more doses, up to about pH ${targetPh}.`,
    );
  const grams = (perKg * batchGrams) / 1000;
  return { grams, firstGrams: grams * FIRST, past };
}

function within(points: readonly TrialPoint[], ph: number): number {
  const i = points.findIndex((p) => p.ph <= ph);
  if (i === 0) return points[0]!.gramsPerKg;
  const [a, b] = [points[i - 1]!, points[i]!];
  return a.gramsPerKg + ((a.ph - ph) / (a.ph - b.ph)) * (b.gramsPerKg - a.gramsPerKg);
}

/** The last slope carried on; each further step of pH takes ten to its power more acid, as the free acid does. */
function beyond(points: readonly TrialPoint[], ph: number): number {
  const [a, b] = [points.at(-2)!, points.at(-1)!];
  const buffering = (b.gramsPerKg - a.gramsPerKg) / (a.ph - b.ph);
  const more = b.ph - ph;
  // ∫ β·10^x dx from 0 to `more`.
  return b.gramsPerKg + (buffering * (10 ** more - 1)) / Math.LN10;
}
