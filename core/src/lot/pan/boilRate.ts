import type { VesselShape } from '../../pan/index.ts';
import type { CupSchool } from '../../quantity/index.ts';
import type { LotRecord } from '../record.ts';
import { panNow } from './panNow.ts';
import type { PanVessel } from './panRate.ts';

/**
 * Water this lot's pan boiled off in g a minute of thin liquid over a reducing step that is done; null where too little was read.
 * @example boilRateOf(lot, pan, 'us') // null
 */
export function boilRateOf(lot: LotRecord, shape: VesselShape | null, cup: CupSchool | null): number | null {
  for (const step of lot.steps.filter((s) => s.kind === 'reduce')) {
    const done = step.marks.filter((m) => m.kind === 'done').at(-1);
    if (!done) continue;
    const pan = panNow(lot, step, { cup, vessel: shape ? { shape, learned: null } : null }, done.at);
    if (pan && pan.readings >= 2 && pan.rateFrom === 'this batch') return pan.gramsPerMinute;
  }
  return null;
}

/**
 * What past lots tell of a pan's fire: their middle, and how far they spread; a single lot is trusted to a quarter.
 * @example learnedRate([20, 30]).gramsPerMinute // 25
 */
export function learnedRate(rates: readonly number[]): PanVessel['learned'] {
  if (rates.length === 0) return null;
  const mean = rates.reduce((s, r) => s + r, 0) / rates.length;
  const variance = rates.reduce((s, r) => s + (r / mean - 1) ** 2, 0) / Math.max(1, rates.length - 1);
  const spread = rates.length === 1 ? 0.25 : Math.min(0.45, Math.max(0.1, Math.sqrt(variance)));
  return { gramsPerMinute: mean, spread, lots: rates.length };
}
