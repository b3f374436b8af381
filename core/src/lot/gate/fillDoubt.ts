import { batchVolume, bottleSize, plural } from '../../quantity/index.ts';
import { lotBottles } from '../keeping/bottles.ts';
import { type PanSetting, panInHand } from '../pan/panNow.ts';
import type { LotRecord } from '../record.ts';

/** So many times what the pan holds by its record, and so many mL more, no bottles of it can hold: a tally asks for what is less far off. */
const TIMES = 3;
const MORE_ML = 1500;

/**
 * What cannot be in a count of bottles, as a question: more than the pan holds by its record; null where nothing is.
 * @param lot the lot before it; @param setting cups and vessel; @param said bottles of so many mL; @param now ISO 8601
 * @example fillDoubt(lot, { cup: 'us', vessel: null }, { count: 0, nominalMl: 237 }, T(3)) // null
 */
export function fillDoubt(
  lot: LotRecord,
  setting: PanSetting,
  said: { count: number; nominalMl: number },
  now: string,
): string | null {
  const pan = panInHand(lot, setting, now);
  if (!pan) return null;
  const filled = lotBottles(lot).millilitres;
  const total = filled + said.count * said.nominalMl;
  if (total <= TIMES * pan.millilitres || total - pan.millilitres <= MORE_ML) return null;
  const before = filled > 0 ? ` on top of ${batchVolume(filled)} in bottles` : '';
  return `${plural(said.count, 'bottle')} of ${bottleSize(said.nominalMl)} are ${batchVolume(said.count * said.nominalMl)}${before}, and by its record ${batchVolume(pan.millilitres)} were in the pan. Count again, record what else went in, or say why.`;
}
