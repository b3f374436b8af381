import { readLine } from '../../formula/index.ts';
import type { CupSchool } from '../../quantity/index.ts';
import { weighingOf } from '../catalogue.ts';
import { type LotRecord, standing } from '../record.ts';
import { numberedBottles } from './numbered.ts';

/**
 * g of a line in a jar of so many mL: as it was said of one size, in proportion for another; null where the pan tells it, or nobody does.
 * @param lot; @param lineId one that goes in jar by jar; @param nominalMl mL, over 0; @param cup school of cups it was begun under
 * @example gramsInJar({ ...lot, additions: [] }, 'sugar', 250, 'us') // null
 */
export function gramsInJar(
  lot: LotRecord,
  lineId: string,
  nominalMl: number,
  cup: CupSchool | null,
): number | null {
  const line = lot.product.content.lines.find((l) => l.id === lineId);
  if (line?.basis?.per !== 'bottle' || line.basis.fills) return null;
  const { value } = readLine(line, weighingOf(lot, cup));
  if (!value) return null;
  return (value.amount * nominalMl) / (line.basis.ml ?? lot.product.content.bottleMl);
}

/**
 * g of a line in all jars that were filled and ticked for it, each by its size; null where none is, or no amount is said.
 * @example gramsTicked(lot, 'sugar', 'us') // null
 */
export function gramsTicked(lot: LotRecord, lineId: string, cup: CupSchool | null): number | null {
  const bottles = new Map(numberedBottles(lot).map((b) => [b.number, b.bottling.nominalMl]));
  const grams = standing(lot.ticks)
    .filter((tick) => tick.lineId === lineId && bottles.has(tick.bottle))
    .map((tick) => gramsInJar(lot, lineId, bottles.get(tick.bottle)!, cup));
  return grams.length === 0 || grams.includes(null) ? null : grams.reduce((sum, g) => sum! + g!, 0);
}
