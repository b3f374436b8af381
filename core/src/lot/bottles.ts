import { type LotRecord, standing } from './record.ts';

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
const LEAVES = new Set(['sold', 'given', 'broken', 'failed-seal', 'opened', 'drunk', 'tasted']);

/** Movements that bring back what had left. */
const COMES_BACK = new Set(['processed-again', 'taken-back', 'returned']);

/**
 * Bottles of a lot by place, from its movements; bottles are conserved: filled = left + gone.
 * @example lotBottles(lot) // { filled: 12, millilitres: 2844, left: 12, sold: 0 }
 */
export function lotBottles(lot: Pick<LotRecord, 'bottlings' | 'movements'>): LotBottles {
  const bottlings = standing(lot.bottlings);
  const counts = new Map<string, number>();
  let [sold, gone] = [0, 0];
  for (const b of bottlings)
    for (const m of lot.movements.filter((move) => move.bottlingId === b.id)) {
      if (m.from) counts.set(`${b.id} ${m.from}`, (counts.get(`${b.id} ${m.from}`) ?? 0) - m.count);
      if (m.to && !LEAVES.has(m.kind))
        counts.set(`${b.id} ${m.to}`, (counts.get(`${b.id} ${m.to}`) ?? 0) + m.count);
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
        place: place.join(' '),
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
  lot.movements
    .filter((m) => m.bottlingId === bottlingId)
    .reduce(
      (sum, m) => sum + (['sold', 'given'].includes(m.kind) ? m.count : m.kind === 'returned' ? -m.count : 0),
      0,
    );

/**
 * Bottles of a filling that came back from somebody to a place: nobody knows where they stood meanwhile.
 * @example cameBackTo(lot, 'b1', 'cellar') // 0
 */
export const cameBackTo = (lot: Pick<LotRecord, 'movements'>, bottlingId: string, place: string): number => {
  const came = lot.movements.filter(
    (m) => m.bottlingId === bottlingId && m.kind === 'returned' && m.to === place,
  );
  return came.reduce((sum, m) => sum + m.count, 0);
};

/**
 * When bottles of a lot stood in a place: from each arrival that found it empty to the departure that left it so; null while some still do.
 * @example timesIn(lot, lot.movements[0].to)[0].to // null
 */
export function timesIn(
  lot: Pick<LotRecord, 'movements'>,
  place: string,
): { from: string; to: string | null }[] {
  const times: { from: string; to: string | null }[] = [];
  let count = 0;
  for (const m of [...lot.movements].sort((a, b) => a.at.localeCompare(b.at))) {
    const before = count;
    if (m.to === place) count += m.count;
    if (m.from === place) count -= m.count;
    if (before <= 0 && count > 0) times.push({ from: m.at, to: null });
    const last = times.at(-1);
    if (before > 0 && count <= 0 && last) last.to = m.at;
  }
  return times;
}
