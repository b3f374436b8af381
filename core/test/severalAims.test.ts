import { AIM_WITHIN, type Aims, type FormulaContent, forecast, severalAims } from '@inch/core/formula';
import { kitchenCatalogue } from '@inch/core/ingredient';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { LONG } from '../../scripts/src/draws.mjs';
import { leastStep } from '../src/formula/pan/leastStep.ts';

const setting = {
  cup: 'us',
  catalogue: kitchenCatalogue({
    prices: { sugar: 120, 'citric-anhydrous': 900, 'sour-cherry': 600, honey: 1400 },
  } as never),
  elevationMetres: 0,
  criticalPh: 4.2,
} as const;
const content: FormulaContent = {
  lines: [
    { id: 'fruit', said: '2 kg', ingredientId: 'sour-cherry', stepId: 'cook' },
    { id: 'water', said: '1 kg', ingredientId: 'water', stepId: 'cook' },
    { id: 'sugar', said: '1 kg', ingredientId: 'sugar', stepId: 'boil' },
    { id: 'acid', said: '5 g', ingredientId: 'citric-anhydrous', stepId: 'boil' },
  ],
  steps: [
    { id: 'cook', kind: 'draw', method: 'cooked', title: 'Cook' },
    { id: 'drip', kind: 'strain', cloth: 'press', title: 'Press' },
    { id: 'boil', kind: 'heat', minutes: 5, killStep: true, title: 'Boil' },
  ],
  storage: 'cold',
  bottleMl: 250,
};
/** The grid is laid as fine as this each way. */
const GRID = LONG ? 24 : 12;
const bounds = {
  fruit: { lineId: 'fruit', low: 500, high: 5000 },
  water: { lineId: 'water', low: 0, high: 3000 },
  sugar: { lineId: 'sugar', low: 0, high: 4000 },
  acid: { lineId: 'acid', low: 0, high: 80 },
};

/** The formula with lines at so many grams, forecast. */
const made = (grams: Record<string, number>) =>
  forecast(
    {
      ...content,
      lines: content.lines.map((line) =>
        line.id in grams ? { ...line, said: `${grams[line.id]} g`, basis: { per: 'batch' as const } } : line,
      ),
    },
    setting,
  );

describe('several aims at once', () => {
  it('°Bx and pH by sugar and acid come out in the forecast itself', () => {
    const asked: Aims = {
      aims: [
        { aim: 'brix', value: 45 },
        { aim: 'ph', value: 3.1 },
      ],
      lines: [bounds.sugar, bounds.acid],
      by: 'change',
    };
    const found = severalAims(content, setting, asked);
    expect(found.reached).toBe(true);
    const f = made(found.grams);
    expect(f.brix).toBeCloseTo(45, 1);
    expect(f.ph!.middle).toBeCloseTo(3.1, 2);
    const ph = found.aims[1]!;
    expect(ph.low).toBeLessThan(3.1);
    expect(ph.high).toBeGreaterThan(3.1);
  });
  it('°Bx, pH and bottles by three lines', () => {
    const found = severalAims(content, setting, {
      aims: [
        { aim: 'brix', value: 40 },
        { aim: 'ph', value: 3.2 },
        { aim: 'bottles', value: 18 },
      ],
      lines: [bounds.water, bounds.sugar, bounds.acid],
      by: 'change',
    });
    expect(found.reached).toBe(true);
    expect(made(found.grams).millilitres / 250).toBeCloseTo(18, 1);
  });
  it('what is wanted twice over says which stands against which, and how near it comes', () => {
    const found = severalAims(content, setting, {
      aims: [
        { aim: 'brix', value: 60 },
        { aim: 'bottles', value: 40 },
      ],
      lines: [
        { ...bounds.sugar, high: 4000 },
        { ...bounds.water, high: 9000 },
      ],
      by: 'change',
    });
    expect(found.reached).toBe(false);
    expect(found.against).toEqual([['brix', 'bottles']]);
    expect(found.aims.some((aim) => !aim.met)).toBe(true);
    for (const aim of found.aims) expect(aim.reached).not.toBeNull();
  });
  it('a date is reached by the row of the keeping table that asks least: here three months by sugar and acid', () => {
    const found = severalAims(content, setting, {
      aims: [
        { aim: 'days', value: 90 },
        { aim: 'bottles', value: 14 },
      ],
      lines: [bounds.water, bounds.sugar, bounds.acid],
      by: 'change',
    });
    expect(found.reached).toBe(true);
    const f = made(found.grams);
    expect(f.keeping).toMatchObject({ row: 'cold-sugar', time: { count: 3, unit: 'month' } });
    expect(f.ph!.high).toBeLessThanOrEqual(3.5);
    expect(f.brix).toBeGreaterThanOrEqual(60);
  });
  it('a date that no dose reaches is not reached', () => {
    const asked = { lines: [bounds.sugar, bounds.acid], by: 'change' as const };
    expect(severalAims(content, setting, { ...asked, aims: [{ aim: 'days', value: 400 }] }).reached).toBe(
      false,
    );
    const raw = { ...content, steps: content.steps.filter((step) => step.kind === 'strain') };
    expect(severalAims(raw, setting, { ...asked, aims: [{ aim: 'days', value: 14 }] }).reached).toBe(false);
  });
  it('refuses no aims, too many lines, and bounds that are none', () => {
    const one = { aims: [{ aim: 'brix' as const, value: 40 }], by: 'change' as const };
    expect(() => severalAims(content, setting, { ...one, aims: [], lines: [bounds.sugar] })).toThrow(
      RangeError,
    );
    expect(() => severalAims(content, setting, { ...one, lines: [] })).toThrow(RangeError);
    expect(() =>
      severalAims(content, setting, { ...one, lines: [{ ...bounds.sugar, low: 5, high: 1 }] }),
    ).toThrow(RangeError);
    expect(() =>
      severalAims(content, setting, { ...one, lines: [{ ...bounds.sugar, lineId: 'none' }] }),
    ).toThrow(RangeError);
  });

  it('is no worse than a fine grid: it meets what the grid meets, with no more change', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 25, max: 60, noNaN: true }),
        fc.double({ min: 2.8, max: 3.4, noNaN: true }),
        (brix, ph) => {
          const asked: Aims = {
            aims: [
              { aim: 'brix', value: brix },
              { aim: 'ph', value: ph },
            ],
            lines: [bounds.sugar, bounds.acid],
            by: 'change',
          };
          const found = severalAims(content, setting, asked);
          // A grid of the two lines: the nearest point to both aims, in so many of what counts as met.
          let nearest = Number.POSITIVE_INFINITY;
          for (let s = 0; s <= GRID; s++)
            for (let a = 0; a <= GRID; a++) {
              const f = made({ sugar: (4000 * s) / GRID, acid: (80 * a) / GRID });
              nearest = Math.min(
                nearest,
                Math.max(
                  Math.abs(f.brix - brix) / AIM_WITHIN.brix,
                  Math.abs(f.ph!.middle - ph) / AIM_WITHIN.ph,
                ),
              );
            }
          const off = Math.max(
            ...found.aims.map((aim) => Math.abs(aim.reached! - aim.value) / AIM_WITHIN[aim.aim]),
          );
          expect(off).toBeLessThanOrEqual(Math.max(1, nearest) + 1e-6);
        },
      ),
      { numRuns: LONG ? 40 : 6 },
    ));
  it('of three lines for two aims takes the least change, and the cheapest where that is asked', () => {
    const asked = (by: Aims['by']): Aims => ({
      aims: [
        { aim: 'brix', value: 42 },
        { aim: 'bottles', value: 14 },
      ],
      lines: [bounds.fruit, bounds.water, bounds.sugar],
      by,
    });
    const costOf = (grams: Record<string, number>) => (600 * grams.fruit! + 120 * grams.sugar!) / 1000;
    const changeOf = (grams: Record<string, number>) =>
      ((grams.fruit! - 2000) / 2000) ** 2 +
      ((grams.water! - 1000) / 1000) ** 2 +
      ((grams.sugar! - 1000) / 1000) ** 2;
    const [least, cheapest] = [
      severalAims(content, setting, asked('change')),
      severalAims(content, setting, asked('cost')),
    ];
    expect(least.reached && cheapest.reached).toBe(true);
    expect(costOf(cheapest.grams)).toBeLessThan(costOf(least.grams));
    expect(changeOf(least.grams)).toBeLessThan(changeOf(cheapest.grams));
    // Along the line of all that meets both, no point of a grid over the fruit is better.
    for (let fruit = 500; fruit <= 5000; fruit += 250) {
      const other = severalAims(content, setting, {
        ...asked('change'),
        lines: [bounds.water, bounds.sugar, { ...bounds.fruit, low: fruit, high: fruit }],
      });
      if (!other.reached) continue;
      expect(changeOf(least.grams)).toBeLessThanOrEqual(changeOf(other.grams) + 1e-3);
      expect(costOf(cheapest.grams)).toBeLessThanOrEqual(costOf(other.grams) + 1);
    }
  });
});

describe('the least step', () => {
  it('meets what can be met, within its room, with the least way', () => {
    // Two lines of slopes 1 and 2: of all a + 2b = 5 the nearest to nothing is (1, 2).
    const step = leastStep({
      slope: [[1, 2]],
      miss: [-5],
      room: [
        [-9, 9],
        [-9, 9],
      ],
      weight: [1, 1],
      towards: [0, 0],
    });
    expect(step[0]).toBeCloseTo(1, 4);
    expect(step[1]).toBeCloseTo(2, 4);
    const held = leastStep({
      slope: [[1, 2]],
      miss: [-5],
      room: [
        [-9, 9],
        [-9, 1],
      ],
      weight: [1, 1],
      towards: [0, 0],
    });
    expect(held[0]).toBeCloseTo(3, 4);
    expect(held[1]).toBeCloseTo(1, 9);
  });
});
