/** When a bottle went off: after the age of its last good look, at or before that of its first bad one; null while none was bad. Days. */
export interface Censored {
  good: number;
  bad: number | null;
}

/** Share that has no fault yet from an age on, in steps. */
export interface Survival {
  /** Age in days up to which no fault may have come, and the share without one after it. */
  steps: { days: number; share: number }[];
  count: number;
}

const ROUNDS = 500;
const ENOUGH = 1e-9;

/** Turnbull's innermost intervals: from a good look to the next bad one with no other between. */
function innermost(seen: readonly Censored[]): [from: number, to: number][] {
  const from = [...new Set(seen.map((s) => s.good))].sort((a, b) => a - b);
  const to = [...new Set(seen.map((s) => s.bad ?? Number.POSITIVE_INFINITY))].sort((a, b) => a - b);
  return from.flatMap((left, i): [number, number][] => {
    const right = to.find((r) => r > left);
    if (right === undefined) return [];
    const next = from[i + 1];
    return next !== undefined && next < right ? [] : [[left, right]];
  });
}

/**
 * Share of bottles without a fault by age, from looks on a schedule: between a good look and a bad one nobody saw when it came, so the
 * estimate is Turnbull's, by self-consistency. Source: B. W. Turnbull, J. R. Statist. Soc. B 38 (1976) 290–295.
 * @param seen age in days of each bottle's last good look and first bad one
 * @example firstFaults([{ good: 90, bad: 180 }, { good: 180, bad: null }]).steps // [{ days: 90, share: 0.5 }]
 */
export function firstFaults(seen: readonly Censored[]): Survival {
  const intervals = innermost(seen);
  if (seen.length === 0 || intervals.length === 0) return { steps: [], count: seen.length };
  const within = seen.map((s) =>
    intervals.map(([from, to]) => (from >= s.good && to <= (s.bad ?? Number.POSITIVE_INFINITY) ? 1 : 0)),
  );
  let mass = intervals.map(() => 1 / intervals.length);
  for (let round = 0; round < ROUNDS; round++) {
    const next = intervals.map(
      (_, j) =>
        within.reduce((sum, row) => {
          const all = row.reduce<number>((total, in_, k) => total + in_ * mass[k]!, 0);
          return all > 0 ? sum + (row[j]! * mass[j]!) / all : sum;
        }, 0) / seen.length,
    );
    const moved = next.reduce((most, m, j) => Math.max(most, Math.abs(m - mass[j]!)), 0);
    mass = next;
    if (moved < ENOUGH) break;
  }
  let share = 1;
  const steps = intervals.flatMap(([from, to], j) => {
    if (!Number.isFinite(to) || mass[j]! < 1e-6) return [];
    share -= mass[j]!;
    return [{ days: from, share: Math.max(0, share) }];
  });
  return { steps, count: seen.length };
}

/**
 * Age in days up to which at least such a share had no fault: that of the last good look before it falls under it; null while it has not.
 * @param share 0–1
 * @example goodUntil(firstFaults([{ good: 90, bad: 180 }, { good: 180, bad: null }]), 0.9) // 90
 */
export const goodUntil = ({ steps }: Survival, share: number): number | null =>
  steps.find((step) => step.share < share - 1e-9)?.days ?? null;
