import {
  COLD,
  kindByName,
  LONGEST_GAP,
  type PlaceKind,
  placeNames,
  type Stretch,
  stretchesOf,
  type Warmth,
} from '../../place/index.ts';
import { creditedAt, writtenOnDevice } from '../../record/index.ts';
import { type BottlingEntry, type LotRecord, movesOf, standing } from '../record.ts';

const HOUR = 3_600_000;

/** What a lot is read with to tell how warm its bottles stood. */
type Stood = Pick<
  LotRecord,
  | 'storage'
  | 'storageChanges'
  | 'movements'
  | 'coolings'
  | 'begunAt'
  | 'writtenAt'
  | 'broughtInAt'
  | 'stores'
  | 'places'
  | 'refused'
>;

/** Follows a name to its place. */
export const placesOf = (lot: Pick<LotRecord, 'places'>): ((name: string) => string) =>
  placeNames(lot.places ?? []);

/**
 * The hour of a move, or of a reading of bottles, where an earlier one would be to their favour: as any entry, but what was written down after something of the
 * lot had been refused is of no earlier hour than that.
 */
export function countsFrom(
  entry: Parameters<typeof creditedAt>[0],
  lot: Pick<LotRecord, 'begunAt' | 'writtenAt' | 'broughtInAt' | 'refused'>,
): string {
  const written = writtenOnDevice(entry);
  const refused = (lot.refused ?? []).some((at) => entry.at < at && written >= at);
  return refused ? written : creditedAt(entry, lot);
}

const firstPlace = (lot: Stood, bottlingId: string): string | null =>
  movesOf(lot).find((m) => m.bottlingId === bottlingId && m.kind === 'stored')?.to ?? null;

/** What a place has to be for what is kept so. */
const FOR: Readonly<Record<LotRecord['storage'], PlaceKind>> = {
  shelf: 'warm',
  cold: 'fridge',
  frozen: 'freezer',
};

interface Since {
  from: number;
  kind: PlaceKind;
}

/** What a place is by its names; one that says nothing by it is what the filling was put into first to be kept so, and warm for all else. */
function kindsUnsaid(lot: Stood, bottlingId: string, names: readonly string[]): Since[] {
  const always = Number.NEGATIVE_INFINITY;
  const called = names.map(kindByName).filter((kind) => kind !== null);
  // Of names that say different things the warmer counts.
  const warmest = (['warm', 'fridge', 'freezer'] as const).find((kind) => called.includes(kind));
  if (warmest) return [{ from: always, kind: warmest }];
  const of = placesOf(lot);
  const first = firstPlace(lot, bottlingId);
  if (first === null || !names.some((name) => of(name) === of(first)))
    return [{ from: always, kind: 'warm' }];
  const changes = [...lot.storageChanges].sort((a, b) => a.recordedAt.localeCompare(b.recordedAt));
  return [
    { from: always, kind: FOR[changes[0]?.from ?? lot.storage] },
    ...changes.map((c) => ({ from: Date.parse(creditedAt(c, lot)), kind: FOR[c.to] })),
  ];
}

const clip = (stretches: readonly Stretch[], from: number, to: number): Stretch[] =>
  stretches.flatMap((s) => {
    const [a, b] = [Math.max(s.from, from), Math.min(s.to, to)];
    return b > a ? [{ ...s, from: a, to: b }] : [];
  });

/** How warm a place was for the bottles of a filling: what the kitchen says of it makes it cold only from then on, and warm before as well. */
export function stretchesIn(lot: Stood, bottlingId: string, place: string): Stretch[] {
  const of = placesOf(lot);
  const key = of(place);
  const readings = (lot.stores ?? []).filter((r) => of(r.place) === key);
  const names = [place, ...(lot.places ?? []).filter((p) => of(p.name) === key).map((p) => p.name)];
  const said = (lot.places ?? [])
    .filter((p) => p.kind !== null && of(p.name) === key)
    .sort((a, b) => a.recordedAt.localeCompare(b.recordedAt));
  // A shelf is no fridge for being called one: only a reading says that it is cold.
  const table = names.some((name) => kindByName(name) === 'warm');
  const before = table || said.some((p) => p.kind === 'warm');
  const always = { from: Number.NEGATIVE_INFINITY, kind: 'warm' as const };
  const kinds: Since[] = table
    ? [always]
    : [
        ...(before ? [always] : kindsUnsaid(lot, bottlingId, names)),
        ...said.map((p) => ({ from: Date.parse(p.recordedAt), kind: p.kind! })),
      ].sort((x, y) => x.from - y.from);
  return kinds.flatMap(({ from, kind }, i) =>
    clip(stretchesOf(kind, readings), from, kinds[i + 1]?.from ?? Number.POSITIVE_INFINITY),
  );
}

/** What a thermometer in the bottles themselves says: warm from the reading that shows it until another does not; cold between two that are, near each other. */
export function ownStretches(lot: Stood, bottling: BottlingEntry, from: number): Stretch[] {
  const own = standing(lot.coolings)
    .filter((c) => c.bottlingId === bottling.id)
    .map((c) => ({ at: c.celsius > COLD ? c.at : countsFrom(c, lot), celsius: c.celsius }))
    .filter((c) => Date.parse(c.at) >= from)
    .sort((a, b) => a.at.localeCompare(b.at) || a.celsius - b.celsius);
  return own.flatMap((reading, i) => {
    const next = own[i + 1];
    const [since, until] = [Date.parse(reading.at), next ? Date.parse(next.at) : Number.POSITIVE_INFINITY];
    if (!next) return reading.celsius > COLD ? [{ from: since, to: until, warmth: 'warm' as const }] : [];
    // Cold once and read again much later, they were as warm meanwhile as where they stood.
    if (reading.celsius <= COLD && until - since > LONGEST_GAP) return [];
    return clip(stretchesOf('fridge', [reading, next]), since, until);
  });
}

/** A place, or a bottle in it, as one after another. */
export interface Standing {
  place: readonly Stretch[];
  own: readonly Stretch[];
}

const ownAt = (own: readonly Stretch[], t: number): Warmth | null =>
  own.find((s) => t >= s.from && t < s.to)?.warmth ?? null;

/** How warm bottles are: what was read of themselves before what was read of the place; what is frozen is so by its place. */
const itself = (there: Warmth, own: Warmth | null): Warmth =>
  own === null ? there : own === 'warm' ? 'warm' : there === 'warm' ? 'cold' : there;

/** Place of the first stretch that ends after an instant. */
function firstAfter(stretches: readonly Stretch[], t: number): number {
  let [low, high] = [0, stretches.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (stretches[middle]!.to > t) high = middle;
    else low = middle + 1;
  }
  return low;
}

/** Times of one warmth between two instants, ms. */
export function* pieces(
  { place, own }: Standing,
  from: number,
  to: number,
): Generator<{ from: number; to: number; warmth: Warmth }> {
  for (let i = firstAfter(place, from); i < place.length && place[i]!.from < to; i++) {
    const there = place[i]!;
    const [a, b] = [Math.max(from, there.from), Math.min(to, there.to)];
    const cuts = own.flatMap((s) => [s.from, s.to]).filter((t) => t > a && t < b);
    const ends = [...new Set([a, ...cuts, b])].sort((x, y) => x - y);
    for (let k = 1; k < ends.length; k++) {
      const [start, end] = [ends[k - 1]!, ends[k]!];
      const middle = Number.isFinite(end) ? (start + end) / 2 : start + HOUR;
      yield { from: start, to: end, warmth: itself(there.warmth, ownAt(own, middle)) };
    }
  }
}
