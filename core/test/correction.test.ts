import { benchTrialDose, equilibriumPh } from '@inch/core/acid';
import { brixCorrections } from '@inch/core/pan';
import { mixedBrix } from '@inch/core/sugar';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

describe('bringing a pan to its °Bx', () => {
  it('by what it says, mixes to the target', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 200, max: 20_000, noNaN: true }),
        fc.double({ min: 1, max: 75, noNaN: true }),
        fc.double({ min: 5, max: 75, noNaN: true }),
        (grams, brix, target) => {
          for (const way of brixCorrections({ grams, brix, target })) {
            if (way.kind === 'nothing') expect(Math.abs(brix - target)).toBeLessThanOrEqual(0.2);
            else if (way.kind === 'boil') expect((grams * brix) / way.leaves).toBeCloseTo(target, 6);
            else {
              const other = { grams: way.grams, brix: way.kind === 'sugar' ? 100 : 0 };
              expect(mixedBrix([{ grams, brix }, other])).toBeCloseTo(target, 6);
              expect(way.firstGrams).toBeLessThan(way.grams);
            }
          }
        },
      ),
    );
  });
  it('over it takes water only; under it the smaller change comes first', () => {
    expect(brixCorrections({ grams: 3000, brix: 56, target: 52 })).toEqual([
      {
        kind: 'water',
        grams: expect.closeTo(230.8, 1),
        firstGrams: expect.closeTo(153.8, 1),
        leaves: expect.closeTo(3230.8, 1),
      },
    ]);
    expect(brixCorrections({ grams: 3000, brix: 50, target: 52 }).map((w) => w.kind)).toEqual([
      'boil',
      'sugar',
    ]);
    expect(brixCorrections({ grams: 3000, brix: 20, target: 30 }).map((w) => w.kind)).toEqual([
      'sugar',
      'boil',
    ]);
  });
  it('by syrup takes more of it than of crystals, and none that is thinner than the target', () => {
    const [crystals, syrup] = [100, 67].map(
      (sugarBrix) =>
        brixCorrections({ grams: 1000, brix: 30, target: 40, sugarBrix }).find((w) => w.kind === 'sugar')!
          .grams,
    );
    expect(syrup!).toBeGreaterThan(2 * crystals!);
    expect(brixCorrections({ grams: 1000, brix: 30, target: 40, sugarBrix: 35 }).map((w) => w.kind)).toEqual([
      'boil',
    ]);
  });
  it.each([
    [{ grams: 0, brix: 10, target: 20 }, /Weigh the pan/],
    [{ grams: 100, brix: 10, target: 95 }, /outside/],
    [{ grams: 100, brix: 0, target: 20, sugarBrix: 10 }, /nothing dissolved/],
  ])('of %j is refused', (pan, message) => {
    expect(() => brixCorrections(pan)).toThrow(message);
  });
});

describe('a bench trial', () => {
  /** A sample that buffers by charge balance: citric into a malic juice with some base. */
  const phWith = (gramsPerKg: number) =>
    equilibriumPh({ acids: { malic: 0.12, citric: gramsPerKg / 192.12 }, baseEquivalents: 0.08 }).ph;
  const tried = (...doses: number[]) => doses.map((gramsPerKg) => ({ gramsPerKg, ph: phWith(gramsPerKg) }));
  const exact = (ph: number) => {
    let [low, high] = [0, 100];
    for (let i = 0; i < 60; i++) {
      const middle = (low + high) / 2;
      if (phWith(middle) > ph) low = middle;
      else high = middle;
    }
    return low;
  };
  it('within its doses finds the dose that the sample itself would take, scaled to the batch', () => {
    const target = phWith(5);
    const { grams, firstGrams, past } = benchTrialDose({
      points: tried(0, 2, 4, 6, 8),
      targetPh: target,
      batchGrams: 4000,
    });
    expect(grams).toBeCloseTo(20, 0);
    expect(firstGrams).toBeCloseTo((grams * 2) / 3, 9);
    expect(past).toBe(0);
  });
  it('past its last dose says how far, and is near while that is not far', () => {
    const target = phWith(10);
    const { grams, past } = benchTrialDose({
      points: tried(0, 2, 4, 6, 8),
      targetPh: target,
      batchGrams: 1000,
    });
    expect(past).toBeGreaterThan(0.1);
    expect(Math.abs(grams / exact(target) - 1)).toBeLessThan(0.15);
  });
  it.each([
    [tried(0), 3, /after one at least/],
    [[...tried(0, 2), { gramsPerKg: 4, ph: 5 }], 3, /did not fall/],
    [[...tried(0, 2), { gramsPerKg: 2, ph: 3 }], 3, /undo one/],
    [tried(0, 2), 6, /already/],
    [tried(0, 1), 2.2, /twice what was tried/],
  ])('of %j to pH %d is refused with what to do', (points, targetPh, message) => {
    expect(() => benchTrialDose({ points, targetPh, batchGrams: 1000 })).toThrow(message);
  });
});
