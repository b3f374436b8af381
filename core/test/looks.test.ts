import { type FormulaContent, type FormulaStep, forecast, readIngredientList } from '@inch/core/formula';
import { shippedCatalogue } from '@inch/core/ingredient';
import { readRecipe } from '@inch/core/recipe';
import { brixLooking, THICKNESSES, viscosity } from '@inch/core/sugar';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { draws } from '../../scripts/src/draws.mjs';

const setting = { cup: 'us', catalogue: shippedCatalogue, elevationMetres: 0, criticalPh: 4.2 } as const;
type Line = [ingredientId: string, said: string, more?: Partial<FormulaContent['lines'][number]>];
const made = (
  lines: Line[],
  steps: Omit<FormulaStep, 'id' | 'title'>[],
  more: Partial<FormulaContent> = {},
) =>
  forecast(
    {
      lines: lines.map(([ingredientId, said, own], i) => ({ id: `l${i}`, ingredientId, said, ...own })),
      steps: steps.map((step, i) => ({ id: `s${i}`, title: step.kind, ...step })),
      storage: 'cold',
      bottleMl: 250,
      ...more,
    },
    setting,
  );

describe('a reduction that ends by its looks', () => {
  const syrup = (step: Partial<FormulaStep>) =>
    made(
      [
        ['sugar', '1 kg'],
        ['water', '1 kg'],
      ],
      [{ kind: 'reduce', ...step }],
    );
  it.each(THICKNESSES)('%s is forecast as a band of °Bx, thick as it says at 95 °C', (toThickness) => {
    const [low, typical, high] = brixLooking(toThickness);
    const [from, to] = syrup({ toThickness }).steps[0]!.brixLooks!;
    expect(syrup({ toThickness }).brix).toBeCloseTo(typical, 0);
    expect(from).toBeCloseTo(low, 0);
    expect(to).toBeCloseTo(high, 0);
    expect(high).toBeGreaterThan(low + 2);
  });
  it('each look is thicker than the one before, and ends where the next begins', () => {
    for (let i = 1; i < THICKNESSES.length; i++)
      expect(brixLooking(THICKNESSES[i]!)[0]).toBeCloseTo(brixLooking(THICKNESSES[i - 1]!)[2], 6);
    // Génotelle's correlation, worked out by hand at 95 °C: 60 °Bx 3.7, 67 °Bx 7.2 mPa·s.
    expect(viscosity(60, 95)).toBeCloseTo(3.73, 1);
    const [low, , high] = brixLooking('coats');
    expect(low).toBeLessThan(60);
    expect(high).toBeLessThan(67);
  });
  it('with pulp in it looks as thick at fewer °Bx', () => {
    const puree = made(
      [
        ['raspberry', '1 kg'],
        ['sugar', '600 g'],
      ],
      [
        { kind: 'draw', method: 'blended' },
        { kind: 'reduce', toThickness: 'coats' },
      ],
    );
    expect(puree.brix).toBeLessThan(brixLooking('coats')[0]);
  });
  it('says where it looks so already', () => {
    expect(
      made(
        [
          ['sugar', '2 kg'],
          ['water', '600 g'],
        ],
        [{ kind: 'reduce', toThickness: 'film' }],
      ).steps[0]!.note,
    ).toMatch(/already/);
  });
});

describe('a soak that is thrown away', () => {
  const soaked = (liquidAway: boolean) =>
    made(
      [
        ['date', '500 g', { stepId: 's0' }],
        ['water', '1 kg', { stepId: 's0' }],
        ['sugar', '300 g', { stepId: 's2' }],
        ['lemon-juice', '60 g', { stepId: 's2' }],
        ['water', '1 kg', { stepId: 's2' }],
      ],
      [
        { kind: 'draw', method: 'infused', celsius: 20, minutes: 720 },
        { kind: 'strain', liquidAway },
        { kind: 'draw', method: 'cooked', minutes: 20 },
        { kind: 'strain', cloth: 'press' },
      ],
    );
  it('takes its liquid and what it drew with it, and leaves the fruit, wet', () => {
    const f = soaked(true);
    const masses = f.lines.reduce((sum, line) => sum + line.used!, 0);
    const left = f.steps.reduce((sum, s) => sum + s.retained + s.evaporated, 0);
    expect(f.makeup.grams + (f.makeup.pulp * f.makeup.grams) / (1 - f.makeup.pulp) + left).toBeCloseTo(
      masses,
      3,
    );
    // Of a kilogram of water some goes with the dates.
    expect(f.steps[1]!.retained).toBeGreaterThan(500);
    expect(f.steps[1]!.retained).toBeLessThan(1200);
    expect(f.steps[2]!.drew).toBeGreaterThan(0.5);
  });
  it('takes no pieces out: only the cloth after it does', () => {
    expect(soaked(true).makeup.pieces).toEqual([]);
    const only = made(
      [
        ['date', '500 g'],
        ['water', '1 kg'],
      ],
      [
        { kind: 'draw', method: 'infused' },
        { kind: 'strain', liquidAway: true },
      ],
    );
    expect(only.makeup.pieces.map((line) => line.ingredient!.id)).toEqual(['date']);
  });
  it('sweetens less than one that goes on', () => expect(soaked(true).brix).toBeLessThan(70));
});

describe('enough to cover', () => {
  const cover = (said: string, panMm?: number) =>
    made(
      [
        ['damson', said],
        ['water', 'to cover', { basis: { per: 'cover' } }],
      ],
      [{ kind: 'draw', method: 'cooked' }],
      panMm ? { panMm } : {},
    ).lines[1]!;
  it('fills the room between the fruit and stands over it', () => {
    // 2 kg of damsons are some 1.9 L of flesh; a loose heap leaves 0.3 to 0.45 of its room open: 0.8 to 1.6 L, and 15 mm over 280 mm: 0.9 L.
    const { grams, range, assumption } = cover('2 kg', 280);
    expect(grams).toBeGreaterThan(1500);
    expect(grams).toBeLessThan(2600);
    expect(range![0]).toBeCloseTo(0.75 * grams!, 6);
    expect(range![1]).toBeCloseTo(1.25 * grams!, 6);
    expect(assumption).toMatch(/covers/);
  });
  it('is more in a wider pan, by the disc over the fruit', () =>
    expect(cover('2 kg', 340).grams! - cover('2 kg', 280).grams!).toBeCloseTo(
      ((Math.PI / 4) * (340 ** 2 - 280 ** 2) * 15) / 1000,
      -1,
    ));
  it('grows with the fruit', () =>
    fc.assert(
      fc.property(fc.integer({ min: 100, max: 5000 }), (g) => {
        expect(cover(`${g + 100} g`, 300).grams).toBeGreaterThan(cover(`${g} g`, 300).grams!);
      }),
      { numRuns: draws(40) },
    ));
  it('asks where there is nothing to cover', () =>
    expect(
      made([['water', 'to cover', { basis: { per: 'cover' } }]], [{ kind: 'add' }]).lines[0]!.asks,
    ).toMatch(/nothing in the pan to cover/));
  it('is read in a list with fruit in it, and asked about in one without', () => {
    const read = readIngredientList('1 kg quinces, chopped\nwater to cover\n500 g sugar', shippedCatalogue);
    expect(read[1]).toMatchObject({ basis: { per: 'cover' }, said: 'to cover' });
    expect(read[1]!.query).toBeUndefined();
    expect(readIngredientList('500 g sugar\nwater to cover', shippedCatalogue)[1]!.query).toMatch(
      /covers it/,
    );
    expect(
      readIngredientList('1 kg quinces\n2 l water, to cover', shippedCatalogue)[1]!.basis,
    ).not.toMatchObject({ per: 'cover' });
  });
});

describe('sugar that does not dissolve', () => {
  const cold = (sugarStays?: boolean) =>
    made(
      [
        ['raspberry', '1 kg'],
        ['sugar', '2 kg'],
      ],
      [
        { kind: 'draw', method: 'cold', celsius: 5, minutes: 1440 },
        { kind: 'strain', cloth: 'press', ...(sugarStays ? { sugarStays } : {}) },
      ],
    );
  // Sucrose saturates at 64.9 % at 5 °C: 1.85 g to a gram of water.
  it('is stirred in unless it is said to stay', () => {
    expect(cold().steps[1]!.note).toMatch(/stir it in/);
    expect(cold(true).steps[1]!.note).toMatch(/stays in the cloth/);
    expect(cold(true).brix).toBeLessThan(cold().brix);
    expect(cold(true).brix).toBeLessThan(68);
    expect(cold(true).steps[1]!.retained).toBeGreaterThan(cold().steps[1]!.retained);
  });
});

describe('a recipe’s words', () => {
  const stepsOf = (method: string) =>
    readRecipe(`Ingredients\n1 kg plums\n1 kg sugar\n1 l water\n\nMethod\n${method}`, shippedCatalogue).steps;
  it.each([
    ['Simmer until it coats the back of a spoon.', { kind: 'reduce', toThickness: 'coats', fire: 'low' }],
    ['Boil until syrupy, about 20 minutes.', { kind: 'reduce', toThickness: 'coats', minutes: 20 }],
    ['Boil until it runs in a thread.', { kind: 'reduce', toThickness: 'thread' }],
    ['Reduce by half.', { kind: 'reduce', toFraction: 0.5 }],
  ])('%s', (said, step) => {
    const found = stepsOf(said).find((s) => s.step.kind === 'reduce');
    expect(found?.step).toMatchObject(step);
  });
  it('a soak poured away is no straining of the fruit', () => {
    const found = stepsOf('Soak the plums in the water overnight. Discard the soaking water.');
    expect(found.map((s) => s.step).find((s) => s.liquidAway)).toMatchObject({ kind: 'strain' });
  });
});
