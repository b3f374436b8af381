import { biasOf, centreShift, forecast, LEARNS_FROM } from '@inch/core/formula';
import { shippedCatalogue } from '@inch/core/ingredient';
import { lotPairs } from '@inch/core/lot';
import { describe, expect, it } from 'vitest';
import { releasable } from './support/lot.ts';

describe('the bias of a forecast', () => {
  it('is the mean of measured less forecast, with Student’s interval', () => {
    // 0.1, 0.2, 0.3: mean 0.2, standard deviation 0.1; t(0.95, 2) = 2.920, so ± 2.920 · 0.1/√3 = 0.1686.
    const bias = biasOf([0.1, 0.2, 0.3].map((off) => ({ forecast: 3, measured: 3 + off })))!;
    expect(bias.mean).toBeCloseTo(0.2, 9);
    expect(bias.high - bias.mean).toBeCloseTo(0.1686, 4);
    expect(bias.mean - bias.low).toBeCloseTo(0.1686, 4);
    expect(biasOf([{ forecast: 3, measured: 3.2 }])).toBeNull();
  });
  it('moves the centre once there are ten lots, and leaves the band as wide', () => {
    const lot = releasable();
    const setting = { cup: 'us', catalogue: shippedCatalogue, elevationMetres: 0, criticalPh: 4.2 } as const;
    const pairs = (count: number) => Array.from({ length: count }, () => ({ forecast: 3.4, measured: 3.5 }));
    expect(centreShift(biasOf(pairs(LEARNS_FROM - 1)))).toBe(0);
    const plain = forecast(lot.product.content, setting).ph!;
    const learned = forecast(lot.product.content, { ...setting, phBias: biasOf(pairs(LEARNS_FROM)) }).ph!;
    expect(learned.middle - plain.middle).toBeCloseTo(0.1, 9);
    expect(learned.high - learned.low).toBeCloseTo(plain.high - plain.low, 9);
  });
  it('of a lot puts forecast and measured side by side', () => {
    const lot = releasable();
    const found = lotPairs(lot, 'us')!;
    expect(found.figures.ph!.measured).toBe(3.4);
    expect(found.figures.millilitres!.measured).toBeCloseTo(12 * 237, 6);
    expect(found.figures.brix).toBeUndefined();
    expect(lotPairs({ ...lot, readings: [], bottlings: [], steps: [] }, 'us')).toBeNull();
  });
});
