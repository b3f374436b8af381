import { equilibriumPh } from '@inch/core/acid';
import { type FormulaContent, forecast, simulate } from '@inch/core/formula';
import { kitchenCatalogue, measuredEntry, shippedCatalogue, tapWater } from '@inch/core/ingredient';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { draws } from '../../scripts/src/draws.mjs';

const water = shippedCatalogue.get('water');
const settingOf = (alkalinity: number | null) => ({
  cup: 'us' as const,
  catalogue: kitchenCatalogue({
    ingredients: alkalinity === null ? [] : [measuredEntry(water, { alkalinity, on: '2026-07-01' })],
  }),
  elevationMetres: 0,
  criticalPh: 4.2,
});
/** Citric acid in a litre of water. */
const sour = (acidGrams: number, waterId = 'water'): FormulaContent => ({
  lines: [
    { id: 'a', said: `${acidGrams} g`, ingredientId: 'citric-anhydrous' },
    { id: 'w', said: '1000 g', ingredientId: waterId },
  ],
  steps: [],
  storage: 'cold',
  bottleMl: 250,
});
const middle = (content: FormulaContent, alkalinity: number | null) =>
  forecast(content, settingOf(alkalinity)).ph!.middle;

describe('tap water', () => {
  it('counts as base: its alkalinity in milliequivalents, 50.04 mg of calcium carbonate each', () => {
    for (const [milligrams, grams] of [
      [50, 1],
      [150, 1],
      [300, 2],
    ] as const) {
      const { ph } = equilibriumPh({
        acids: { citric: grams / 192.12 },
        baseEquivalents: milligrams / 50.04 / 1000,
      });
      expect(middle(sour(grams), milligrams)).toBeCloseTo(ph, 2);
    }
    expect(middle(sour(1), 0)).toBeCloseTo(middle(sour(1, 'distilled-water'), null), 6);
  });
  it('the harder, the higher the pH; the sourer the product, the less it matters', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 40 }),
        fc.integer({ min: 0, max: 400 }),
        fc.integer({ min: 5, max: 100 }),
        (acid, soft, more) => {
          expect(middle(sour(acid / 2), soft + more)).toBeGreaterThan(middle(sour(acid / 2), soft));
          const lift = (grams: number) => middle(sour(grams), soft + more) - middle(sour(grams), soft);
          expect(lift(acid + 20)).toBeLessThan(lift(acid / 2) + 1e-9);
        },
      ),
      { numRuns: draws(40) },
    ));
  it('not said, a weakly sour drink is not called sure, and it is asked for', () => {
    // 2.5 g of lemon juice in a cup of water: some 0.13 g of acid in 237 g.
    const weak: FormulaContent = {
      ...sour(0),
      lines: [
        { id: 'j', said: '2.5 g', ingredientId: 'lemon-juice' },
        { id: 'w', said: '1 cup', ingredientId: 'water' },
      ],
    };
    const { ph, chances } = simulate(weak, settingOf(null), { scenarios: 2000 });
    expect(chances.phUnderLimit).toBeLessThan(0.99);
    expect(ph!.high - ph!.low).toBeGreaterThan(0.5);
    const asks = (alkalinity: number | null) =>
      forecast(weak, settingOf(alkalinity)).cautions.some((c) => /alkalinity/.test(c.text));
    expect(asks(null)).toBe(true);
    expect(asks(120)).toBe(false);
    // Said to be soft, it is sure.
    expect(simulate(weak, settingOf(15), { scenarios: 2000 }).chances.phUnderLimit).toBeGreaterThan(0.9);
  });
  it('refuses a figure that no water has, and another figure of it', () => {
    expect(() => tapWater(900)).toThrow(RangeError);
    expect(() => measuredEntry(water, { ph: 4, on: '2026-07-01' })).toThrow(/alkalinity/);
  });
});
