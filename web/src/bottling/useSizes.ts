import type { LotView } from '@inch/contract/making/lot';
import { fillBottles } from '@inch/core/bottling';
import { useContainers } from '../data/containers.ts';
import { serverNow } from '../data/serverClock.ts';
import { useStock } from '../data/stock.ts';
import { useSetting } from '../data/useSetting.ts';
import type { SizeRow } from './BestFit.tsx';
import { expectation } from './expecting.ts';
import type { Filling } from './useFilling.ts';

/** Pieces of one kind of packaging that are left in stock. */
const piecesLeft = (stock: readonly { thing: string; left: number }[] | undefined, thing: string): number =>
  (stock ?? []).filter((s) => s.thing === thing).reduce((sum, s) => sum + Math.max(0, s.left), 0);

/** Sizes in stock with the count that is typed for each, and what fits of them. */
export function useSizes(form: Filling, shelf: boolean) {
  const containers = useContainers().data?.filter((c) => !c.retired);
  const stock = useStock().data;
  const rows: SizeRow[] | undefined = containers?.map((container) => ({
    container,
    toHand: piecesLeft(stock, `bottle:${container.id}`),
    count: form.values.counts[container.id] ?? '',
  }));
  const counted = rows?.some((r) => r.toHand > 0) ?? false;
  /** Fills the counts in with what fits best; false where nothing does. */
  const fit = (millilitres: number): boolean => {
    // Where no glass is in stock at all, nobody has counted it: then any number may be there.
    const sizes = (rows ?? [])
      .filter((r) => (r.toHand > 0 || !counted) && (!shelf || r.container.rated.length > 0))
      .map((r) => ({
        id: r.container.id,
        millilitres: Math.round(r.container.nominalMl),
        count: counted ? r.toHand : 400,
      }));
    const { bottles } = fillBottles(millilitres, sizes);
    form.set('counts', Object.fromEntries(bottles.map((b) => [b.id, String(b.count)])));
    return bottles.length > 0;
  };
  const lids = {
    'two-piece-lid': piecesLeft(stock, 'lid:two-piece'),
    'swing-top': piecesLeft(stock, 'lid:swing'),
    'screw-cap': piecesLeft(stock, 'lid:screw'),
  };
  return { rows, fit, lids };
}

/** What is still to be filled, mL: what was in the pan, less what is in bottles. */
export function useRest(lot: LotView): number {
  const { inPan } = expectation(lot, useSetting(), [], serverNow());
  return Math.max(0, (inPan?.ml ?? 0) - lot.bottles.millilitres);
}
