import type { PlaceKind } from './place.ts';

/** A temperature where bottles stand, or of the bottles themselves. */
export interface StoreReading {
  /** Where it was read, as it was written. */
  place: string;
  /** ISO instant that it counts from, and °C. */
  at: string;
  celsius: number;
}

/** How warm something stands: over 5 °C, cold, or frozen. */
export type Warmth = 'warm' | 'cold' | 'frozen';

/** °C up to which it is cold, and over which it is warm. */
export const COLD = 5;
/** °C up to which it is frozen. */
const FROZEN = -12;
const HOUR = 3_600_000;
/** Readings farther apart than this, ms, draw no line between them. */
export const LONGEST_GAP = 6 * HOUR;

/** A time of one warmth, ms; the first begins at minus infinity, the last never ends. */
export interface Stretch {
  from: number;
  to: number;
  warmth: Warmth;
}

const warmthOf = (celsius: number): Warmth =>
  celsius > COLD ? 'warm' : celsius > FROZEN ? 'cold' : 'frozen';

/** What a place is where nothing was read: what stands on a shelf or a table is warm. */
const BASE: Readonly<Record<PlaceKind, Warmth>> = { fridge: 'cold', freezer: 'frozen', warm: 'warm' };

interface Point {
  t: number;
  celsius: number;
}

/** The instant at which a straight line between two readings passes a temperature. */
const passing = (a: Point, b: Point, celsius: number): number =>
  a.t + ((celsius - a.celsius) / (b.celsius - a.celsius)) * (b.t - a.t);

/** Between two readings: a straight line where they are near each other; over a longer gap the warmer of both, from the reading on that shows it. */
function between(kind: PlaceKind, a: Point, b: Point): Stretch[] {
  const [wa, wb] = [warmthOf(a.celsius), warmthOf(b.celsius)];
  const near = b.t - a.t <= LONGEST_GAP;
  if (wa === 'warm' && (wb === 'warm' || !near)) return [{ from: a.t, to: b.t, warmth: 'warm' }];
  if (kind === 'warm' && !near)
    return [
      { from: a.t, to: a.t + LONGEST_GAP, warmth: wa },
      { from: a.t + LONGEST_GAP, to: b.t, warmth: 'warm' },
    ];
  if (wa === wb) return [{ from: a.t, to: b.t, warmth: wa }];
  const limits = [COLD, FROZEN]
    .filter((c) => (a.celsius - c) * (b.celsius - c) < 0)
    .map((c) => passing(a, b, c))
    .sort((x, y) => x - y);
  const ends = [a.t, ...limits, b.t];
  return ends.slice(1).map((to, i) => {
    const from = ends[i]!;
    const middle = a.celsius + (((from + to) / 2 - a.t) / (b.t - a.t)) * (b.celsius - a.celsius);
    return { from, to, warmth: warmthOf(middle) };
  });
}

/** After the last reading: warm stays warm until a reading says otherwise; on a shelf a cold reading bears six hours. */
function after(kind: PlaceKind, { t, celsius }: Point): Stretch[] {
  const last = warmthOf(celsius);
  const never = Number.POSITIVE_INFINITY;
  if (kind !== 'warm' || last === 'warm')
    return [{ from: t, to: never, warmth: last === 'warm' ? last : warmer(last, BASE[kind]) }];
  return [
    { from: t, to: t + LONGEST_GAP, warmth: last },
    { from: t + LONGEST_GAP, to: never, warmth: 'warm' },
  ];
}

const ORDER: readonly Warmth[] = ['frozen', 'cold', 'warm'];

const warmer = (a: Warmth, b: Warmth): Warmth => (ORDER.indexOf(a) > ORDER.indexOf(b) ? a : b);

/**
 * How warm a place was, from its readings in any order: it is what its kind is until it is read; between readings near each other a straight line, and a gap after
 * a warm one counts warm.
 * @param kind of the place; @param readings ISO instants and °C
 * @returns times of one warmth that follow each other, ms
 * @example stretchesOf('fridge', []) // [{ from: -Infinity, to: Infinity, warmth: 'cold' }]
 */
export function stretchesOf(kind: PlaceKind, readings: readonly Omit<StoreReading, 'place'>[]): Stretch[] {
  const points = readings
    .map(({ at, celsius }) => ({ t: Date.parse(at), celsius }))
    // Of two readings of one instant the colder comes first: the warmer leads on.
    .sort((a, b) => a.t - b.t || a.celsius - b.celsius);
  const [first] = points;
  const always = { from: Number.NEGATIVE_INFINITY, to: Number.POSITIVE_INFINITY };
  if (!first) return [{ ...always, warmth: BASE[kind] }];
  const within = points.slice(1).flatMap((b, i) => (b.t > points[i]!.t ? between(kind, points[i]!, b) : []));
  return joined([
    { from: always.from, to: first.t, warmth: BASE[kind] },
    ...within,
    ...after(kind, points.at(-1)!),
  ]);
}

/** Stretches of one warmth that follow each other are one: a logger's week in a fridge is. */
function joined(stretches: readonly Stretch[]): Stretch[] {
  const all: Stretch[] = [];
  for (const stretch of stretches) {
    const last = all.at(-1);
    if (last && last.warmth === stretch.warmth) last.to = stretch.to;
    else all.push({ ...stretch });
  }
  return all;
}
