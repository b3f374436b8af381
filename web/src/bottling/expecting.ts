import type { LotView } from '@inch/contract/making/lot';
import { type ForecastSetting, forecast } from '@inch/core/formula';
import { mainLine, methodOf, type PastLot, yieldMemory } from '@inch/core/planning';
import { panNowOf } from '../parts/lot/pan.ts';

export interface Expectation {
  /** By the formula, mL. */
  promised: number | null;
  /** By the kitchen's own past lots of it, mL, and in their words. */
  past: { ml: number; sentence: string } | null;
  /** As the pan stands by its own readings, mL at 20 °C. */
  inPan: { ml: number; how: string } | null;
}

const mainOf = (lot: LotView, setting: ForecastSetting) =>
  mainLine(
    lot.product.content,
    (id) => lot.lines.find((l) => l.lineId === id)?.grams ?? null,
    (id) => setting.catalogue.find(id)?.family,
  );

function pastYield(lot: LotView, setting: ForecastSetting, past: readonly PastLot[]): Expectation['past'] {
  const main = mainOf(lot, setting);
  if (!main) return null;
  const before = past.filter((p) => p.begunAt < lot.begunAt);
  const memory = yieldMemory(before, {
    formulaId: lot.product.formulaId,
    ingredientId: main.ingredientId,
    method: methodOf(lot.product.content),
  });
  const grams = lot.additions
    .filter((a) => a.struck === null && a.lineId === main.id)
    .reduce((sum, a) => sum + a.grams, 0);
  if (!memory || grams === 0) return null;
  return { ml: memory.litresPerKg.middle * grams, sentence: memory.sentence };
}

function panHolds(lot: LotView, now: string): Expectation['inPan'] {
  const pan = panNowOf(lot, now);
  if (!pan) return null;
  const how = pan.by === 'what went in' ? 'calculated from what went in' : pan.by;
  return { ml: pan.millilitres, how };
}

/** What a lot is expected to fill: by its formula, by past lots, and by what is in the pan. */
export function expectation(
  lot: LotView,
  setting: ForecastSetting,
  past: readonly PastLot[],
  now: string,
): Expectation {
  const plain = forecast(lot.product.content, setting);
  const promised = plain.millilitres > 0 ? plain.millilitres * lot.scale : null;
  return { promised, past: pastYield(lot, setting, past), inPan: panHolds(lot, now) };
}
