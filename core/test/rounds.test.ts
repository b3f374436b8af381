import { type FormulaContent, forecast, roundsOf, roundsSaid } from '@inch/core/formula';
import { shippedCatalogue } from '@inch/core/ingredient';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

const setting = { cup: 'us', catalogue: shippedCatalogue, elevationMetres: 0, criticalPh: 4.2 } as const;
const content: FormulaContent = {
  lines: [
    { id: 'lemon', said: '1 kg', ingredientId: 'lemon', stepId: 'blend' },
    { id: 'water', said: '2 kg', ingredientId: 'water', stepId: 'blend' },
    { id: 'sugar', said: '1 kg', ingredientId: 'sugar', stepId: 'stand' },
  ],
  steps: [
    { id: 'blend', kind: 'draw', method: 'blended', title: 'Blend' },
    { id: 'stand', kind: 'rest', title: 'Stand', minutes: 720, celsius: 5 },
    { id: 'drip', kind: 'strain', title: 'Drip', cloth: 'drip' },
    { id: 'boil', kind: 'heat', title: 'Boil', minutes: 5, killStep: true },
  ],
  storage: 'cold',
  bottleMl: 500,
};
const { steps } = forecast(content, setting);
const blender = { name: 'Blender', use: 'blender', holdsMl: 1500 };

describe('a batch in a kitchen’s vessels', () => {
  it('is parted where one does not hold it, into equal rounds', () => {
    // 3 kg of lemon and water are a little under 3 L; a blender of 1.5 L takes 1.05 L at a time: three rounds.
    const [rounds] = roundsOf(content, steps, [blender]);
    expect(rounds).toMatchObject({ stepId: 'blend', vessel: 'Blender', rounds: 3 });
    expect(rounds!.eachMl * 3).toBeCloseTo(rounds!.ofMl, 9);
    expect(roundsSaid(rounds!)).toMatch(/3 rounds of/);
  });
  it('is held against the largest of its kind, and is not asked about where none is written down', () => {
    expect(roundsOf(content, steps, [blender, { name: 'Big', use: 'blender', holdsMl: 6000 }])).toEqual([]);
    expect(roundsOf(content, steps, [{ name: 'Pan', use: 'pan', holdsMl: 500 }])).toEqual([]);
  });
  it('stands in a crock and drips through a bag', () => {
    const kit = [
      { name: 'Crock', use: 'crock', holdsMl: 2000 },
      { name: 'Bag', use: 'bag', holdsMl: 1500 },
    ];
    expect(roundsOf(content, steps, kit).map((r) => r.stepId)).toEqual(['stand', 'drip']);
  });
  it('never overfills one, and never takes a round more than it must', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 200, max: 20_000 }),
        fc.double({ min: 0.1, max: 12, noNaN: true }),
        (holdsMl, scale) => {
          const [found] = roundsOf(content, steps, [{ ...blender, holdsMl }], scale);
          const all = steps[0]!.holdsMl * scale;
          if (!found) {
            expect(all).toBeLessThanOrEqual(0.7 * holdsMl + 1e-3);
            return;
          }
          expect(found.eachMl).toBeLessThanOrEqual(0.7 * holdsMl + 1e-3);
          expect(all / (found.rounds - 1)).toBeGreaterThan(0.7 * holdsMl);
        },
      ),
    ));
});
