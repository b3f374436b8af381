/** A stretch of time on the rule: hours of a working day at full length, nights and idle days drawn together. */
export interface Stretch {
  from: number;
  to: number;
  left: number;
  width: number;
  open: boolean;
}

/** Width of an hour of a working day, and of one that is drawn together, px; and the most that a stretch drawn together takes. */
const [OPEN, CLOSED, TOGETHER] = [84, 5, 130];
const HOUR = 3_600_000;

/** The rule over some time. @param hours of the days on which something is done, ms, one after another; @param from, to ms */
export function axisOf(hours: readonly { from: number; to: number }[], from: number, to: number): Stretch[] {
  const axis: Stretch[] = [];
  let [at, left] = [from, 0];
  const push = (until: number, open: boolean) => {
    if (until <= at) return;
    const hours = (until - at) / HOUR;
    const width = open ? hours * OPEN : Math.min(hours * CLOSED, TOGETHER);
    axis.push({ from: at, to: until, left, width, open });
    left += width;
    at = until;
  };
  for (const h of hours) {
    if (h.to <= from || h.from >= to) continue;
    push(Math.min(h.from, to), false);
    push(Math.min(h.to, to), true);
  }
  push(to, false);
  return axis;
}

export const lengthOf = (axis: readonly Stretch[]): number => {
  const last = axis.at(-1);
  return last ? last.left + last.width : 0;
};

/** Where an instant lies on the rule, px. */
export function placeOf(axis: readonly Stretch[], ms: number): number {
  const s = axis.find((a) => ms < a.to) ?? axis.at(-1);
  if (!s) return 0;
  const share = Math.min(1, Math.max(0, (ms - s.from) / (s.to - s.from)));
  return s.left + share * s.width;
}

/** Which instant lies at a place of the rule, ms. */
export function instantOn(axis: readonly Stretch[], x: number): number {
  const s = axis.find((a) => x < a.left + a.width) ?? axis.at(-1);
  if (!s) return 0;
  const share = Math.min(1, Math.max(0, (x - s.left) / s.width));
  return s.from + share * (s.to - s.from);
}
