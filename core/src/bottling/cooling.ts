/** Two stages of cooling what is kept cold: to 21 °C within 2 hours of filling, to 5 °C within 6. */
export const COOLING = [
  { celsius: 21, hours: 2 },
  { celsius: 5, hours: 6 },
] as const;

export interface CoolingReading {
  /** ISO instant. */
  at: string;
  celsius: number;
}

export interface CoolingStage {
  celsius: number;
  hours: number;
  /** Hours from the fill to the first reading at or under its temperature; null where none is. */
  took: number | null;
  /** ISO instant by which it has to be there. */
  by: string;
  verdict: 'in time' | 'too late' | 'under way' | 'overdue';
}

/**
 * The two-stage cooling clock of bottles cooled open, at an instant: each stage by the first reading at or under its temperature that none over it follows.
 * @param filledAt ISO instant; @param readings °C; @param now ISO instant
 * Source: the cooling limits of the keeping table, FDA Food Code 3-501.14.
 * @example coolingClock(T(0), [{ at: T(1), celsius: 20 }], T(3)) // [{ celsius: 21, took: 1, verdict: 'in time' }, { celsius: 5, took: null, verdict: 'under way' }]
 */
export function coolingClock(
  filledAt: string,
  readings: readonly CoolingReading[],
  now: string,
): CoolingStage[] {
  const last = new Date(Date.parse(filledAt) + COOLING[1].hours * 3_600_000).toISOString();
  const inOrder = [...readings].sort((a, b) => a.at.localeCompare(b.at));
  return COOLING.map(({ celsius, hours }) => {
    const by = new Date(Date.parse(filledAt) + hours * 3_600_000).toISOString();
    // Where it was warmer again within the hours of both stages, it was not down before.
    const over = inOrder.findLastIndex((r) => r.celsius > celsius && r.at <= last);
    const there = inOrder.slice(over + 1).find((r) => r.celsius <= celsius);
    const took = there ? (Date.parse(there.at) - Date.parse(filledAt)) / 3_600_000 : null;
    const verdict =
      took !== null ? (took <= hours ? 'in time' : 'too late') : now <= by ? 'under way' : 'overdue';
    return { celsius, hours, took, by, verdict };
  });
}
