import { catalogue } from '@inch/core/ingredient';
import {
  asDrawn,
  availableOf,
  coverFrom,
  fitLots,
  leftOf,
  packagingFor,
  packagingOf,
  type StockLot,
  whyUnfit,
} from '@inch/core/stock';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

const lot = (id: string, more: Partial<StockLot> = {}): StockLot => ({
  id,
  code: id.toUpperCase(),
  kind: 'ingredient',
  thing: 'sugar',
  quantity: 1000,
  gotOn: '2026-06-01',
  bestBy: null,
  leftBy: null,
  takings: [],
  ...more,
});
const taking = (amount: number, struck = false) => ({
  kind: 'used' as const,
  amount,
  at: '2026-07-01T09:00:00.000Z',
  struck,
});
const TODAY = '2026-11-25';

describe('a stock lot', () => {
  it('has left what came, less what went and stands', () => {
    expect(leftOf(lot('a', { takings: [taking(300), taking(200, true), taking(-50)] }))).toBe(750);
  });

  it('is not used past its date, before it came, or while the lot that left it is held', () => {
    expect(whyUnfit(lot('a', { bestBy: '2026-11-24' }), TODAY)).toMatch(/best by 2026-11-24/);
    expect(whyUnfit(lot('a', { bestBy: TODAY }), TODAY)).toBeNull();
    expect(whyUnfit(lot('a', { gotOn: '2026-11-26' }), TODAY)).toMatch(/came on/);
    expect(whyUnfit(lot('a', { leftBy: { code: '7K2A', state: 'recalled' } }), TODAY)).toMatch(
      /7K2A.*recalled/,
    );
    expect(whyUnfit(lot('a', { leftBy: { code: '7K2A', state: 'released' } }), TODAY)).toBeNull();
  });
});

describe('what is taken', () => {
  const anyLot = fc
    .record({
      quantity: fc.integer({ min: 1, max: 5000 }),
      used: fc.integer({ min: 0, max: 5000 }),
      day: fc.integer({ min: 1, max: 28 }),
      late: fc.boolean(),
      other: fc.boolean(),
    })
    .map(({ quantity, used, day, late, other }) =>
      lot('any', {
        quantity,
        takings: [taking(Math.min(used, quantity))],
        gotOn: `2026-10-${String(day).padStart(2, '0')}`,
        bestBy: late ? '2026-11-01' : null,
        thing: other ? 'citric-anhydrous' : 'sugar',
      }),
    );

  it('comes to what was wanted with what is short, never more of a lot than is left, never of an unfit one', () => {
    fc.assert(
      fc.property(fc.array(anyLot, { maxLength: 6 }), fc.integer({ min: 0, max: 12_000 }), (made, amount) => {
        const lots = made.map((l, i) => ({ ...l, id: `${i}` }));
        const { withdrawals: draws, short } = coverFrom(lots, 'sugar', amount, TODAY);
        expect(draws.reduce((sum, d) => sum + d.amount, 0) + short).toBeCloseTo(amount, 6);
        for (const d of draws) {
          const from = lots.find((l) => l.id === d.stockId)!;
          expect(d.amount).toBeLessThanOrEqual(leftOf(from) + 1e-9);
          expect(from.thing).toBe('sugar');
          expect(whyUnfit(from, TODAY)).toBeNull();
        }
        expect(short > 0).toBe(amount > availableOf(lots, 'sugar', TODAY) + 1e-6);
      }),
    );
  });

  it('comes from the oldest first, and a lot is used up before the next is begun', () => {
    const lots = [
      lot('new', { gotOn: '2026-09-01' }),
      lot('old', { gotOn: '2026-03-01', takings: [taking(600)] }),
      lot('past', { gotOn: '2026-01-01', bestBy: '2026-06-01' }),
    ];
    expect(coverFrom(lots, 'sugar', 900, TODAY)).toEqual({
      withdrawals: [
        { stockId: 'old', amount: 400 },
        { stockId: 'new', amount: 500 },
      ],
      short: 0,
    });
  });

  it('of two that came on one day first the one that keeps shorter', () => {
    const lots = [lot('a', { bestBy: '2028-01-01' }), lot('b', { bestBy: '2027-01-01' }), lot('c')];
    expect(fitLots(lots, 'sugar', TODAY).map((l) => l.id)).toEqual(['b', 'a', 'c']);
  });
});

describe('what a bottle takes', () => {
  it('is its glass and what closes it; rings come back, lids never', () => {
    const jar = packagingFor({ id: 'jar', name: 'Half-pint jar', closure: 'two-piece-lid' });
    expect(jar.map((p) => [p.name, p.comesBack])).toEqual([
      ['Half-pint jar', false],
      ['Flat lids', false],
      ['Rings', true],
    ]);
  });

  it('is listed once however many kinds of jar share it', () => {
    const all = packagingOf([
      { id: 'a', name: 'Half pint', closure: 'two-piece-lid' },
      { id: 'b', name: 'Pint', closure: 'two-piece-lid' },
    ]);
    expect(all.map((p) => p.thing)).toEqual([
      'bottle:a',
      'lid:two-piece',
      'ring:two-piece',
      'bottle:b',
      'label',
    ]);
  });
});

describe('an ingredient as it is in one stock lot', () => {
  const damson = catalogue.find((e) => e.id === 'damson')!;
  const plain = { allergens: [], measured: null, gotOn: '2026-09-14' };

  it('is the catalogue’s where nothing was measured', () => {
    expect(asDrawn(damson, plain)).toBe(damson);
  });

  it('has its own figures where they were, and the allergens that came with it', () => {
    const own = asDrawn(damson, {
      ...plain,
      allergens: ['sulphites'],
      measured: { brix: 15, ph: 3.1, taPer100g: null },
    });
    expect(own.acidity).toMatchObject({ kind: 'juice', ph: [3.05, 3.1, 3.15] });
    expect(own.allergens).toEqual(['sulphites']);
    // 15 °Bx of the juice: solids over juice, both without what does not dissolve.
    const { water, insoluble } = own.per100g;
    expect((100 * (100 - insoluble - water)) / (100 - insoluble)).toBeCloseTo(15, 6);
  });

  it('refuses a pH that its acids cannot have', () => {
    expect(() => asDrawn(damson, { ...plain, measured: { brix: null, ph: 9, taPer100g: null } })).toThrow(
      RangeError,
    );
  });
});
