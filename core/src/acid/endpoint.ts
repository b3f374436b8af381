/** One reading of a titration: base run in so far, mL, and the pH it stands at. */
export interface TitrationPoint {
  ml: number;
  ph: number;
}

/** Usual endpoint of a titration of fruit acids. */
const USUAL_ENDPOINT = 8.2;

function inOrder(points: readonly TitrationPoint[]): TitrationPoint[] {
  const sorted = [...points].sort((a, b) => a.ml - b.ml);
  if (sorted.length < 2) throw new RangeError('A curve needs at least two readings of the burette');
  for (const [i, point] of sorted.entries()) {
    if (!(point.ml >= 0 && point.ph >= 0 && point.ph <= 14))
      throw new RangeError(`${point.ml} mL at pH ${point.ph} is not a reading of a titration`);
    if (i > 0 && point.ml === sorted[i - 1]!.ml)
      throw new RangeError(`The burette reads ${point.ml} mL twice: undo one of the two`);
  }
  return sorted;
}

/** mL at which the straight line between two readings crosses a pH. */
const crossing = (a: TitrationPoint, b: TitrationPoint, ph: number): number =>
  a.ml + ((ph - a.ph) / (b.ph - a.ph)) * (b.ml - a.ml);

/** Place of the steepest rise: the zero of the second difference, between the middles of the intervals around it. */
function steepest(points: readonly TitrationPoint[]): number {
  const slopes = points.slice(1).map((b, i) => {
    const a = points[i]!;
    return { ml: (a.ml + b.ml) / 2, slope: (b.ph - a.ph) / (b.ml - a.ml) };
  });
  const top = slopes.reduce((best, s, i) => (s.slope > slopes[best]!.slope ? i : best), 0);
  const [before, at, after] = [slopes[top - 1], slopes[top]!, slopes[top + 1]];
  if (!before || !after)
    throw new RangeError('The steepest part is at the end of the curve: run in more base, in small steps');
  // Weighted by how steep the neighbours are: a parabola's top without its unevenness of steps.
  const [left, right] = [at.slope - before.slope, at.slope - after.slope];
  const share = left + right > 0 ? left / (left + right) : 0.5;
  return at.ml + (share - 0.5) * (at.ml - before.ml + (after.ml - at.ml)) * 0.5;
}

/**
 * Titrant at the endpoint of a recorded curve: where it first crosses a pH, or, asked for none, its steepest point.
 * @param points mL and pH, in any order; @param options.ph endpoint, 8.2 unless said; `null` takes the steepest point
 * @returns mL, linear between readings
 * @throws RangeError where the curve does not reach the pH, has two readings at one volume, or is too short. Source: AOAC 942.15.
 * @example titrationEndpoint([{ ml: 10, ph: 7.2 }, { ml: 10.5, ph: 9.2 }]) // 10.25
 */
export function titrationEndpoint(
  points: readonly TitrationPoint[],
  options: { ph?: number | null } = {},
): number {
  const curve = inOrder(points);
  const ph = options.ph === undefined ? USUAL_ENDPOINT : options.ph;
  if (ph === null) return steepest(curve);
  for (let i = 1; i < curve.length; i++) {
    const [a, b] = [curve[i - 1]!, curve[i]!];
    if (a.ph <= ph && b.ph >= ph) return b.ph === a.ph ? a.ml : crossing(a, b, ph);
  }
  throw new RangeError(
    curve[0]!.ph > ph
      ? `The curve begins at pH ${curve[0]!.ph}, over the endpoint of ${ph}`
      : `The curve ends at pH ${curve.at(-1)!.ph}, under the endpoint of ${ph}: run in more base`,
  );
}
