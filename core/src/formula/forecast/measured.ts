import { z } from 'zod';
import { amountsOf, type LineAmount } from '../amounts.ts';
import { FormulaContent } from '../content.ts';
import type { Composition } from '../pan/pan.ts';
import { walk } from '../pan/walk.ts';
import { readLine, type Weighing } from '../said.ts';
import { hasAcid, phOf } from './acidity.ts';
import type { Corner } from './composition.ts';
import { cornerScenario } from './scenario.ts';
import { isUntitrated, unknownBase, unknownLines, withBase } from './unknown.ts';

/** A lot of a formula whose finished product was measured: what went in as it was weighed, and its pH, the highest that counts. */
export const MeasuredLot = z.object({
  code: z.string(),
  /** The day it was measured, YYYY-MM-DD. */
  on: z.string(),
  ph: z.number(),
  content: FormulaContent,
});
export type MeasuredLot = z.infer<typeof MeasuredLot>;

/** Strong base that the unknown things of a batch bring, eq, and the lots that showed it; none where it is only bounded. */
export interface Brought {
  low: number;
  typical: number;
  high: number;
  shownBy: string[];
}

export interface MeasuredSetting extends Weighing {
  elevationMetres: number;
  /** Lots of the formula that were measured. */
  measured?: readonly MeasuredLot[] | undefined;
}

const METER = 0.05;

/** Base in eq that brings a product to a pH; 0 where it stands there or over it without any. */
function baseTo(product: Composition, ph: number): number {
  const at = (base: number) => phOf(withBase(product, base)) ?? 7;
  if (at(0) >= ph) return 0;
  let [low, high] = [0, 0.001];
  while (at(high) < ph && high < 100) high *= 4;
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2;
    if (at(middle) < ph) low = middle;
    else high = middle;
  }
  return high;
}

const idsOf = (lines: readonly LineAmount[]): string =>
  [...new Set(unknownLines(lines).map((line) => line.ingredient!.id))].sort().join(' ');

interface Shown {
  ids: string;
  /** Share of the most that they may bring, by what the fruit beside them may have been. */
  shares: { low: number; typical: number; high: number };
}

const shown = new WeakMap<MeasuredLot, { catalogue: unknown; of: Shown }>();

/** What share of the most its unknown things brought to a lot, by its pH: the more acid its fruit may have been, the more they did. */
function shownBy(lot: MeasuredLot, setting: MeasuredSetting): Shown {
  const known = shown.get(lot);
  if (known?.catalogue === setting.catalogue) return known.of;
  const said = lot.content.lines.map((line) => readLine(line, setting));
  const at = (corner: Corner) =>
    walk(lot.content, said, {
      elevationMetres: setting.elevationMetres,
      scenario: cornerScenario(corner),
    });
  const lines = amountsOf(said, at('typical'));
  const most = unknownBase(lines);
  const share = (corner: Corner, ph: number) => (most > 0 ? baseTo(at(corner).product, ph) / most : 0);
  const typical = share('typical', lot.ph);
  const of = {
    ids: idsOf(lines),
    shares: {
      low: share('high', lot.ph - METER),
      typical,
      // More than the most that such things hold is believed only where the reading itself says so.
      high: Math.min(share('low', lot.ph + METER), Math.max(1, typical)),
    },
  };
  shown.set(lot, { catalogue: setting.catalogue, of });
  return of;
}

/**
 * What the unknown things of a batch bring: between nothing and the most that their families hold, or what the kitchen's own lots of the
 * same things showed by their measured pH. Where lots disagree, the widest of them counts.
 * @param lines the batch; @param setting the kitchen's, with the lots measured
 * @returns base in eq
 */
export function broughtBy(lines: readonly LineAmount[], setting: MeasuredSetting): Brought {
  const most = unknownBase(lines);
  const ids = idsOf(lines);
  const alike = (setting.measured ?? []).filter((lot) => most > 0 && shownBy(lot, setting).ids === ids);
  if (alike.length === 0) return { low: 0, typical: most / 2, high: most, shownBy: [] };
  const shares = alike.map((lot) => shownBy(lot, setting).shares);
  return {
    low: most * Math.min(...shares.map((s) => s.low)),
    typical: (most * shares.reduce((sum, s) => sum + s.typical, 0)) / shares.length,
    high: most * Math.max(...shares.map((s) => s.high)),
    shownBy: alike.map((lot) => lot.code),
  };
}

/** How far the shares of two batches' things may lie apart for them to be the same product. */
const ALIKE = 0.02;

/** Share of each thing in a batch, by weight as it went in. */
function sharesOf(lines: readonly LineAmount[]): Map<string, number> {
  const all = lines.reduce((sum, line) => sum + (line.used ?? 0), 0);
  const shares = new Map<string, number>();
  for (const { ingredient, used } of lines)
    if (ingredient && used !== null && all > 0)
      shares.set(ingredient.id, (shares.get(ingredient.id) ?? 0) + used / all);
  return shares;
}

const mixes = new WeakMap<MeasuredLot, { catalogue: unknown; of: Map<string, number> }>();

/** Share of each thing in a lot, worked out once: it is asked at every key. */
function mixOf(lot: MeasuredLot, setting: MeasuredSetting): Map<string, number> {
  const known = mixes.get(lot);
  if (known?.catalogue === setting.catalogue) return known.of;
  const said = lot.content.lines.map((line) => readLine(line, setting));
  const of = sharesOf(amountsOf(said, walk(lot.content, said, { elevationMetres: setting.elevationMetres })));
  mixes.set(lot, { catalogue: setting.catalogue, of });
  return of;
}

/** Lots of the very same mix, where nothing acid of known strength is in a product: their readings stand for what cannot be computed. */
export function sameMix(
  lines: readonly LineAmount[],
  product: Composition,
  setting: MeasuredSetting,
): MeasuredLot[] {
  if (hasAcid(product) || unknownLines(lines).some(isUntitrated)) return [];
  const wanted = sharesOf(lines);
  return (setting.measured ?? []).filter((lot) => {
    const made = mixOf(lot, setting);
    const ids = new Set([...wanted.keys(), ...made.keys()]);
    return [...ids].every((id) => Math.abs((wanted.get(id) ?? 0) - (made.get(id) ?? 0)) <= ALIKE);
  });
}
