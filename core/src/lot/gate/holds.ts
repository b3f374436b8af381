import type { Deviation, LotRecord } from '../record.ts';

/** Kinds of deviation that are signs of spoilage: other bottles are looked at before anything goes on. */
const SPOILAGE: ReadonlySet<string> = new Set(['spoilage', 'bottle kept back']);

/**
 * Whether a deviation is a sign of spoilage.
 * @example isSpoilage('spoilage') // true
 */
export const isSpoilage = (kind: string): boolean => SPOILAGE.has(kind);

/**
 * What a held lot is held for: what was opened as it was held, and every sign of spoilage. A hold and its deviation are one thing, so that resuming closes both.
 * @example holdingOf(lot) // []
 */
export function holdingOf(lot: Pick<LotRecord, 'state' | 'decisions' | 'deviations'>): Deviation[] {
  if (lot.state !== 'held') return [];
  const said = lot.decisions.filter((d) => d.to === 'held').map((d) => d.why ?? '');
  return lot.deviations.filter(
    (d) =>
      !d.closed &&
      (d.kind === 'held' ||
        d.kind === 'made with' ||
        isSpoilage(d.kind) ||
        said.some((why) => why.endsWith(d.what))),
  );
}
