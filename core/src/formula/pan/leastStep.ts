/** A small step of a few lines that takes away what some figures miss, as far as it reaches. */
export interface StepAsked {
  /** Slope of each figure by each line: a row a figure. */
  slope: readonly (readonly number[])[];
  /** How far each figure is off. */
  miss: readonly number[];
  /** Between what each line may move. */
  room: readonly (readonly [number, number])[];
  /** What the square of a line's distance from where it should be counts. */
  weight: readonly number[];
  /** Where each line would be best, from here. */
  towards: readonly number[];
  /** Price of each line, where the cheapest is wanted in place of the least change. */
  cost?: readonly number[];
}

/** Solves a small system of linear equations by elimination with pivots; null where it has no single answer. */
function solved(matrix: readonly (readonly number[])[], right: readonly number[]): number[] | null {
  const n = right.length;
  const rows = matrix.map((row, i) => [...row, right[i]!]);
  for (let column = 0; column < n; column++) {
    let pivot = column;
    for (let r = column + 1; r < n; r++)
      if (Math.abs(rows[r]![column]!) > Math.abs(rows[pivot]![column]!)) pivot = r;
    if (Math.abs(rows[pivot]![column]!) < 1e-14) return null;
    [rows[column], rows[pivot]] = [rows[pivot]!, rows[column]!];
    for (let r = 0; r < n; r++) {
      if (r === column) continue;
      const by = rows[r]![column]! / rows[column]![column]!;
      for (let c = column; c <= n; c++) rows[r]![c]! -= by * rows[column]![c]!;
    }
  }
  return rows.map((row, i) => row[n]! / row[i]!);
}

const dot = (a: readonly number[], b: readonly number[]): number =>
  a.reduce((sum, x, i) => sum + x * b[i]!, 0);

/** How much more a missed figure counts than the way to it: it is met first. */
const FIRST = 1e8;

/** The step with some lines held at an end of their room, the others free: least squares, in which what is missed counts first. */
function stepWith(
  asked: StepAsked,
  held: readonly (number | null)[],
  scale: readonly number[],
): number[] | null {
  const { slope, miss, weight, towards, cost } = asked;
  const free = held.flatMap((value, i) => (value === null ? [i] : []));
  const left = miss.map(
    (m, k) => m + held.reduce<number>((sum, value, i) => sum + (value ?? 0) * slope[k]![i]!, 0),
  );
  // A little pull keeps a step that costs nothing from wandering.
  const pull = cost ? 1e-4 : 1;
  const matrix = free.map((i) =>
    free.map(
      (j) =>
        FIRST * slope.reduce((sum, row, k) => sum + (row[i]! * row[j]!) / scale[k]! ** 2, 0) +
        (i === j ? pull * weight[i]! : 0),
    ),
  );
  const right = free.map(
    (i) =>
      -FIRST * slope.reduce((sum, row, k) => sum + (row[i]! * left[k]!) / scale[k]! ** 2, 0) +
      pull * weight[i]! * towards[i]! -
      (cost ? cost[i]! / 2 : 0),
  );
  const found = free.length === 0 ? [] : solved(matrix, right);
  if (!found) return null;
  const step = held.map((value) => value ?? 0);
  free.forEach((i, n) => {
    step[i] = found[n]!;
  });
  return step;
}

/** What a step leaves: what is missed first, then the way. */
function priceOf(
  { slope, miss, weight, towards, cost }: StepAsked,
  step: readonly number[],
  scale: readonly number[],
): number {
  const missed = slope.reduce((sum, row, k) => sum + ((miss[k]! + dot(row, step)) / scale[k]!) ** 2, 0);
  const way = step.reduce((sum, value, i) => sum + weight[i]! * (value - towards[i]!) ** 2, 0);
  return FIRST * missed + (cost ? 1e-4 * way + dot(cost, step) : way);
}

/**
 * The step of up to five lines within their room that leaves least missed, and of those the least change or the cheapest: every choice of lines
 * held at an end of their room is tried, so that it is exact.
 * @example leastStep({ slope: [[1, 0]], miss: [-2], room: [[-5, 5], [-5, 5]], weight: [1, 1], towards: [0, 0] }) // [2, 0]
 */
export function leastStep(asked: StepAsked): number[] {
  const { room, slope } = asked;
  const scale = slope.map((row) =>
    Math.max(1e-12, Math.hypot(...row.map((s, i) => s / Math.sqrt(asked.weight[i]!)))),
  );
  let best = room.map(() => 0);
  let least = Number.POSITIVE_INFINITY;
  const hold = (held: (number | null)[]): void => {
    if (held.length < room.length) {
      const [low, high] = room[held.length]!;
      for (const value of low < high ? [null, low, high] : [low]) hold([...held, value]);
      return;
    }
    const step = stepWith(asked, held, scale);
    if (!step?.every((value, i) => value >= room[i]![0] - 1e-9 && value <= room[i]![1] + 1e-9)) return;
    const price = priceOf(asked, step, scale);
    if (price < least) [best, least] = [step, price];
  };
  hold([]);
  return best;
}
