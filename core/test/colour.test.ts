import { type FormulaContent, type FormulaStep, forecast } from '@inch/core/formula';
import { shippedCatalogue } from '@inch/core/ingredient';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { draws } from '../../scripts/src/draws.mjs';

const setting = { cup: 'us', catalogue: shippedCatalogue, elevationMetres: 0, criticalPh: 4.2 } as const;
const colour = (fruit: string, steps: Omit<FormulaStep, 'id' | 'title'>[]) => {
  const content: FormulaContent = {
    lines: [
      { id: 'fruit', said: '1 kg', ingredientId: fruit },
      { id: 'sugar', said: '1 kg', ingredientId: 'sugar' },
      { id: 'water', said: '1 kg', ingredientId: 'water' },
    ],
    steps: steps.map((step, i) => ({ id: `s${i}`, title: step.kind, ...step })),
    storage: 'cold',
    bottleMl: 250,
  };
  return forecast(content, setting).colour;
};
const held = (fruit: string, celsius: number, minutes: number) =>
  colour(fruit, [{ kind: 'heat', celsius, minutes }]);

describe('the colour of a fruit under heat', () => {
  it('of sour cherries is half gone after its half-life at 80 °C, 8 h', () => {
    expect(held('sour-cherry', 80, 480).keeps.middle).toBeCloseTo(0.5, 3);
    expect(held('sour-cherry', 80, 480).keeps.low).toBeCloseTo(0.25, 3);
    expect(held('sour-cherry', 80, 480).keeps.high).toBeCloseTo(Math.SQRT1_2, 3);
  });
  it('goes by Arrhenius: at 67 kJ/mol 95 °C is 2.5 times as fast as 80', () => {
    // exp(67000/8.314 · (1/353.15 − 1/368.15)) = 2.53
    const [at80, at95] = [80, 95].map((celsius) => Math.log(held('sour-cherry', celsius, 60).keeps.middle));
    expect(at95! / at80!).toBeCloseTo(2.53, 1);
  });
  it('green goes first, then beet red, red, and yellow last', () => {
    const left = ['spruce-tip', 'beet', 'sour-cherry', 'apricot'].map((id) => held(id, 95, 30).keeps.middle);
    expect(left).toEqual([...left].sort((a, b) => a - b));
    expect(held('spruce-tip', 95, 30).says).toMatch(/green.*olive/);
  });
  it('is lost more the longer and the hotter, and never comes back', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 50, max: 95 }),
        fc.integer({ min: 1, max: 600 }),
        fc.integer({ min: 1, max: 600 }),
        (celsius, minutes, more) => {
          const [a, b] = [held('damson', celsius, minutes), held('damson', celsius, minutes + more)];
          expect(b.keeps.middle).toBeLessThanOrEqual(a.keeps.middle);
          expect(b.brownedMinutes).toBeGreaterThanOrEqual(a.brownedMinutes);
          expect(a.keeps.low).toBeLessThanOrEqual(a.keeps.middle);
          expect(a.keeps.middle).toBeLessThanOrEqual(a.keeps.high);
        },
      ),
      { numRuns: draws(60) },
    ));
  it('of a cold draw stays', () => {
    const cold = colour('raspberry', [{ kind: 'draw', method: 'cold', minutes: 2880 }]);
    expect(cold.keeps).toEqual({ low: 1, middle: 1, high: 1 });
    expect(cold.says).toBe('Keeps its red.');
  });
  it('of what has none only browns: a long boil of apple juice turns golden, then brown', () => {
    const boiled = (toBrix: number) => colour('apple-juice', [{ kind: 'reduce', toBrix }]);
    expect(boiled(70).pigment).toBeNull();
    expect(boiled(70).brownedMinutes).toBeGreaterThan(boiled(55).brownedMinutes);
    expect(held('apple-juice', 98, 180).says).toMatch(/brown/);
  });
});
