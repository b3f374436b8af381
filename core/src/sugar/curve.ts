/** A strictly monotone curve through table rows (PCHIP, Fritsch–Carlson slopes with three-point ends), and its inverse by bisection. */
export interface Curve {
  at(x: number): number;
  inverse(y: number): number;
}

function endSlope(h0: number, h1: number, d0: number, d1: number): number {
  const slope = ((2 * h0 + h1) * d0 - h0 * d1) / (h0 + h1);
  if (Math.sign(slope) !== Math.sign(d0)) return 0;
  return Math.sign(d0) !== Math.sign(d1) && Math.abs(slope) > 3 * Math.abs(d0) ? 3 * d0 : slope;
}

function slopes(x: readonly number[], y: readonly number[]): number[] {
  const n = x.length;
  const h = x.slice(1).map((v, i) => v - x[i]!);
  const d = h.map((step, i) => (y[i + 1]! - y[i]!) / step);
  const m = new Array<number>(n).fill(0);
  for (let i = 1; i < n - 1; i++) {
    const before = d[i - 1]!;
    const after = d[i]!;
    if (before * after <= 0) continue;
    const w1 = 2 * h[i]! + h[i - 1]!;
    const w2 = h[i]! + 2 * h[i - 1]!;
    m[i] = (w1 + w2) / (w1 / before + w2 / after);
  }
  m[0] = endSlope(h[0]!, h[1]!, d[0]!, d[1]!);
  m[n - 1] = endSlope(h[n - 2]!, h[n - 3]!, d[n - 2]!, d[n - 3]!);
  return m;
}

/** Curve through rows with x and y both increasing; `name` and `unit` word its range errors. */
export function monotoneCurve(
  x: readonly number[],
  y: readonly number[],
  names: { x: string; y: string },
): Curve {
  const m = slopes(x, y);
  const [lowX, highX] = [x[0]!, x[x.length - 1]!];
  const [lowY, highY] = [y[0]!, y[y.length - 1]!];
  const at = (value: number): number => {
    if (!(value >= lowX && value <= highX))
      throw new RangeError(`${names.x} of ${value} is outside ${lowX} to ${highX}`);
    let i = 0;
    while (i < x.length - 2 && value > x[i + 1]!) i++;
    const h = x[i + 1]! - x[i]!;
    const t = (value - x[i]!) / h;
    const s = 1 - t;
    return (
      y[i]! * (1 + 2 * t) * s * s +
      y[i + 1]! * t * t * (3 - 2 * t) +
      h * (m[i]! * t * s * s - m[i + 1]! * t * t * s)
    );
  };
  // A round trip through the first row may come back a rounding error short of it.
  const rounding = 1e-12 * highY;
  const inverse = (value: number): number => {
    if (!(value >= lowY - rounding && value <= highY + rounding))
      throw new RangeError(`${names.y} of ${value} is outside ${lowY} to ${highY}`);
    let [low, high] = [lowX, highX];
    for (let i = 0; i < 60 && high - low > 1e-10; i++) {
      const middle = (low + high) / 2;
      if (at(middle) < value) low = middle;
      else high = middle;
    }
    return (low + high) / 2;
  };
  return { at, inverse };
}
