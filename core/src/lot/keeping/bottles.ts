import { placeNames } from '../../place/index.ts';
import { type LotRecord, movesOf, standing } from '../record.ts';

export interface BottleGroup {
  bottlingId: string;
  container: string;
  nominalMl: number;
  place: string;
  count: number;
}

export interface LotBottles {
  filled: number;
  /** Nominal mL filled. */
  millilitres: number;
  left: number;
  sold: number;
  groups: BottleGroup[];
}

/** Movements that leave the kitchen's shelves for good. */
export const LEAVES: ReadonlySet<string> = new Set([
  'sold',
  'given',
  'broken',
  'failed-seal',
  'opened',
  'drunk',
  'tasted',
  'thrown-away',
  'destroyed',
]);

/** Movements that bring back what had left. */
const COMES_BACK = new Set(['processed-again', 'taken-back', 'returned']);

/**
 * Bottles of a lot by place, from its movements; bottles are conserved: filled = left + gone.
 * @example lotBottles(lot) // { filled: 12, millilitres: 2844, left: 12, sold: 0 }
 */
export function lotBottles(lot: Pick<LotRecord, 'bottlings' | 'movements' | 'places'>): LotBottles {
  const placeOf = placeNames(lot.places ?? []);
  const names = new Map<string, string>();
  const bottlings = standing(lot.bottlings);
  const counts = new Map<string, number>();
  let [sold, gone] = [0, 0];
  for (const b of bottlings)
    for (const m of movesOf(lot).filter((move) => move.bottlingId === b.id)) {
      const put = (place: string, count: number) => {
        const key = placeOf(place);
        if (!names.has(key)) names.set(key, place);
        counts.set(`${b.id} ${key}`, (counts.get(`${b.id} ${key}`) ?? 0) + count);
      };
      if (m.from) put(m.from, -m.count);
      if (m.to && !LEAVES.has(m.kind)) put(m.to, m.count);
      if (LEAVES.has(m.kind)) gone += m.count;
      if (COMES_BACK.has(m.kind)) gone -= m.count;
      if (m.kind === 'sold') sold += m.count;
    }
  const filled = bottlings.reduce((sum, b) => sum + b.count, 0);
  const groups = [...counts]
    .filter(([, count]) => count !== 0)
    .map(([key, count]) => {
      const [bottlingId, ...place] = key.split(' ');
      const b = bottlings.find((entry) => entry.id === bottlingId)!;
      return {
        bottlingId: b.id,
        container: b.container,
        nominalMl: b.nominalMl,
        place: names.get(place.join(' '))!,
        count,
      };
    });
  const millilitres = bottlings.reduce((sum, b) => sum + b.count * b.nominalMl, 0);
  return { filled, millilitres, left: filled - gone, sold, groups };
}

/**
 * Bottles of a filling that left with somebody and did not come back.
 * @example awayOf(lot, 'b1') // 0
 */
export const awayOf = (lot: Pick<LotRecord, 'movements'>, bottlingId: string): number =>
  movesOf(lot)
    .filter((m) => m.bottlingId === bottlingId)
    .reduce(
      (sum, m) => sum + (['sold', 'given'].includes(m.kind) ? m.count : m.kind === 'returned' ? -m.count : 0),
      0,
    );

/**
 * When bottles of a lot stood in a place: from each arrival that found it empty to the departure that left it so; null while some still do.
 * @example timesIn(lot, lot.movements[0].to)[0].to // null
 */
export function timesIn(
  lot: Pick<LotRecord, 'movements' | 'places'>,
  place: string,
): { from: string; to: string | null }[] {
  const placeOf = placeNames(lot.places ?? []);
  const is = (name: string | null) => name !== null && placeOf(name) === placeOf(place);
  const times: { from: string; to: string | null }[] = [];
  let count = 0;
  for (const m of movesOf(lot).sort((a, b) => a.at.localeCompare(b.at))) {
    const before = count;
    if (is(m.to)) count += m.count;
    if (is(m.from)) count -= m.count;
    if (before <= 0 && count > 0) times.push({ from: m.at, to: null });
    const last = times.at(-1);
    if (before > 0 && count <= 0 && last) last.to = m.at;
  }
  return times;
}
