import { compositionOf, forecast, nothing } from '@inch/core/formula';
import { shippedCatalogue } from '@inch/core/ingredient';
import { lotNutrition, nutrition, percentDailyValue, roundNutrient } from '@inch/core/label';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { releasable } from './support/lot.ts';

describe('a declared amount, 21 CFR 101.9(c)', () => {
  it.each<[string, number, string]>([
    // (c)(1): under 5 as zero, to 50 to the nearest 5, over it to the nearest 10.
    ...[
      [0, '0'],
      [4.9, '0'],
      [5, '5'],
      [7.4, '5'],
      [7.5, '10'],
      [47.4, '45'],
      [50, '50'],
      [50.1, '50'],
      [54.9, '50'],
      [55, '60'],
      [144, '140'],
      [145, '150'],
    ].map(([kcal, said]): [string, number, string] => ['calories', kcal as number, said as string]),
    // (c)(2): under 0.5 as zero, under 5 to the nearest 0.5, over it to the nearest 1.
    ...['fat', 'Total Fat', 'saturated fat', 'trans fat'].flatMap((name): [string, number, string][] => [
      [name, 0.49, '0'],
      [name, 0.5, '0.5'],
      [name, 0.74, '0.5'],
      [name, 0.75, '1'],
      [name, 4.7, '4.5'],
      [name, 4.75, '5'],
      [name, 5, '5'],
      [name, 5.5, '6'],
    ]),
    // (c)(3): under 2 as zero, 2 to 5 "less than 5", over it to the nearest 5.
    ['cholesterol', 1.9, '0'],
    ['cholesterol', 2, 'less than 5'],
    ['cholesterol', 5, 'less than 5'],
    ['cholesterol', 7.4, '5'],
    ['cholesterol', 7.5, '10'],
    // (c)(4): under 5 as zero, to 140 to the nearest 5, over it to the nearest 10.
    ['sodium', 4.9, '0'],
    ['sodium', 5, '5'],
    ['sodium', 137.5, '140'],
    ['sodium', 140, '140'],
    ['sodium', 144.9, '140'],
    ['sodium', 145, '150'],
    // (c)(6) and (7): under 0.5 as zero, under 1 "less than 1", else to the nearest 1.
    ...['carbohydrate', 'Dietary Fiber', 'total sugars', 'added sugars', 'protein'].flatMap(
      (name): [string, number, string][] => [
        [name, 0.49, '0'],
        [name, 0.5, 'less than 1'],
        [name, 0.99, 'less than 1'],
        [name, 1, '1'],
        [name, 1.5, '2'],
        [name, 18.4, '18'],
      ],
    ),
    // (c)(8)(iv): vitamin D to 0.1 mcg, calcium and potassium to 10 mg, iron to 0.1 mg.
    ['vitamin D', 1.26, '1.3'],
    ['calcium', 264, '260'],
    ['calcium', 265, '270'],
    ['iron', 7.96, '8'],
    ['potassium', 234.9, '230'],
  ])('%s of %d is declared as %s', (name, amount, said) => expect(roundNutrient(name, amount)).toBe(said));
  it.each<[string, number, number | null]>([
    ['calcium', 26, 2],
    ['calcium', 39.1, 4],
    ['iron', 1.8, 10],
    ['iron', 2.7, 15],
    ['potassium', 470, 10],
    ['vitamin D', 12, 60],
    ['added sugars', 18, 36],
    ['sodium', 160, 7],
    ['sugars', 20, null],
    ['calories', 200, null],
  ])('%s of %d is %s %% of the daily value', (name, amount, percent) =>
    expect(percentDailyValue(name, amount)).toBe(percent),
  );
  it('is refused for what is no nutrient, and for no amount', () => {
    for (const [name, amount] of [
      ['vitamin Q', 1],
      ['constructor', 1],
      ['fat', -1],
      ['fat', Number.NaN],
    ] as const)
      expect(() => roundNutrient(name, amount)).toThrow(RangeError);
  });
  it('never falls as the amount grows', () =>
    fc.assert(
      fc.property(
        fc.constantFrom('calories', 'fat', 'cholesterol', 'sodium', 'sugars', 'calcium', 'iron'),
        fc.double({ min: 0, max: 900, noNaN: true }),
        fc.double({ min: 0, max: 100, noNaN: true }),
        (name, amount, more) => {
          const value = (x: number) =>
            Number(roundNutrient(name, x).replace('less than 1', '0.5').replace('less than 5', '2.5'));
          expect(value(amount + more)).toBeGreaterThanOrEqual(value(amount));
        },
      ),
    ));
});

describe('nutrition of a syrup', () => {
  const syrup = [
    { ingredientId: 'sugar', grams: 500 },
    { ingredientId: 'water', grams: 500 },
  ];
  it('of sugar and water is an independent sum: 500 g in 813 mL', () => {
    const eu = nutrition({ lines: syrup, millilitres: 813, pack: 'eu' });
    expect(eu.figures.sugars.raw).toBeCloseTo((100 * 500) / 813, 0);
    expect(eu.figures.calories.raw).toBeCloseTo((4 * 100 * 500) / 813, -1);
    expect(eu.kilojoules.raw / eu.figures.calories.raw).toBeCloseTo(17 / 4, 6);
    const us = nutrition({ lines: syrup, millilitres: 813, pack: 'us' });
    // 30 mL: 18.45 g of sugar, 73.8 kcal; 37 % of 50 g of added sugars.
    expect(us.figures.addedSugars).toMatchObject({ declared: '18', percentDailyValue: 37 });
    expect(us.figures.calories.declared).toBe('70');
    expect(us.figures.protein.declared).toBe('0');
  });
  it('has the salt that went in: 4.1 g in a litre are 0.41 g in 100 mL', () => {
    const salted = nutrition({
      lines: [...syrup, { ingredientId: 'salt', grams: 4.1 }],
      millilitres: 1000,
      pack: 'eu',
    });
    expect(salted.salt.raw).toBeCloseTo(0.41, 1);
    expect(salted.salt.declared).toBe('0.40');
  });
  it('of juice alone has no added sugars', () => {
    const juice = nutrition({
      lines: [{ ingredientId: 'apple-juice', grams: 1000 }],
      millilitres: 957,
      pack: 'us',
      servingMl: 240,
    });
    expect(juice.figures.addedSugars.declared).toBe('0');
    expect(juice.figures.sugars.raw).toBeGreaterThan(20);
  });
  it('is the same in a batch of any size, and added sugars are never over the sugars', () =>
    fc.assert(
      fc.property(
        fc.subarray(['sugar', 'honey', 'raspberry', 'lemon-juice', 'water', 'cider-vinegar'], {
          minLength: 1,
        }),
        fc.integer({ min: 1, max: 40 }),
        (ids, times) => {
          const of = (grams: number) =>
            nutrition({
              lines: ids.map((ingredientId) => ({ ingredientId, grams })),
              millilitres: grams * ids.length,
              pack: 'us',
            });
          const [one, many] = [of(100), of(100 * times)];
          for (const name of ['calories', 'sugars', 'potassium', 'fibre'] as const)
            expect(many.figures[name].raw).toBeCloseTo(one.figures[name].raw, 6);
          expect(one.figures.addedSugars.raw).toBeLessThanOrEqual(one.figures.sugars.raw + 1e-9);
        },
      ),
    ));
  it('of a lot is that of what was weighed in, less what stayed in the cloth', () => {
    const lot = releasable();
    const made = lotNutrition(lot, 'us')!;
    // 4 kg of sour cherries with 12.8 % of sugars by the catalogue, and 2 kg of sugar: all of it, and no more, is in what was made.
    const { sucrose, glucose, fructose } = shippedCatalogue.get('sour-cherry').per100g;
    const all = 2000 * 0.998 + 40 * (sucrose + glucose + fructose);
    const f = forecast(lot.product.content, {
      cup: 'us',
      catalogue: shippedCatalogue,
      elevationMetres: 719,
      criticalPh: 4.2,
    });
    const inBatch = (made.figures.sugars.raw * f.millilitres) / made.millilitres;
    expect(inBatch).toBeLessThan(all * 1.03);
    expect(inBatch).toBeGreaterThan(all * 0.9);
    const less = { ...lot.product.content.steps[1]!, keeps: 0.5 };
    const half = lotNutrition(
      {
        ...lot,
        product: {
          ...lot.product,
          content: { ...lot.product.content, steps: [lot.product.content.steps[0]!, less] },
        },
      },
      'us',
    )!;
    // Half of it in the cloth leaves what runs through as sweet.
    expect(half.figures.sugars.raw).toBeCloseTo(made.figures.sugars.raw, 1);
    expect(
      lotNutrition(
        {
          ...lot,
          product: { ...lot.product, content: { ...lot.product.content, lines: [] } },
          additions: [],
        },
        'us',
      ),
    ).toBeNull();
  });
  it('of a lot is at the °Bx measured in its finished product, whatever the pan was reckoned to come to', () => {
    const lot = releasable();
    const brixAt = (value: number, id: string) => ({
      ...lot.readings[1]!,
      id,
      kind: 'brix' as const,
      value,
    });
    const at = (brix: number) =>
      lotNutrition({ ...lot, readings: [...lot.readings, brixAt(brix, 'b')] }, 'us')!.figures;
    const before = lotNutrition(lot, 'us')!.figures;
    // 30 mL at 40 and 60 °Bx hold 14.11 and 23.15 g of solids (NBS Circular 440): sugars go with them.
    expect(at(60).sugars.raw / at(40).sugars.raw).toBeCloseTo(23.15 / 14.11, 2);
    expect(at(60).sugars.raw).not.toBeCloseTo(before.sugars.raw, 0);
    expect(at(60).sugars.from).toMatch(/at 60\.0 °Bx as measured$/);
    expect(at(60).protein.from).toBe(before.protein.from);
  });
  it('of leaves without sugars of their own has as much of their traces as of their solids, in a batch of any size', () => {
    const leaf = shippedCatalogue.all.find(
      (e) => e.family === 'plant' && e.per100g.glucose + e.per100g.fructose + e.per100g.sucrose === 0,
    )!;
    const lines = [
      { ingredientId: leaf.id, grams: 300 },
      { ingredientId: 'sugar', grams: 700 },
    ];
    const batch = compositionOf(leaf, 'typical').composition.otherSolids * 3;
    const made = { ...nothing(), water: 900, sucrose: 699.3, otherSolids: batch / 2 };
    const of = (product?: typeof made) =>
      nutrition({
        lines,
        millilitres: 1000,
        pack: 'eu',
        ...(product ? { product, addedSugars: 699.3 } : {}),
      });
    expect(of(made).figures.protein.raw).toBeCloseTo(of().figures.protein.raw / 2, 9);
  });
  it('of a lot loses no added sugar in a cloth that it came in after', () => {
    const lot = releasable();
    const steps = [
      { id: 'cook', kind: 'draw' as const, title: 'Cook', draws: 1 },
      { id: 'drip', kind: 'strain' as const, title: 'Drip', keeps: 0.5 },
      { id: 'sweeten', kind: 'add' as const, title: 'Sweeten' },
    ];
    const added = (stepId: string) => {
      const lines = lot.product.content.lines.map((line) =>
        line.id === 'sugar' ? { ...line, stepId } : line,
      );
      const content = { ...lot.product.content, steps, lines };
      const { figures } = lotNutrition({ ...lot, product: { ...lot.product, content } }, 'us')!;
      return figures.addedSugars.raw / figures.sugars.raw;
    };
    // 4 kg of sour cherries with 8.5 % of sugars; half of them stays in the cloth, with half of what was in the pan by then.
    expect(added('cook')).toBeCloseTo(1998 / (1998 + 340), 2);
    expect(added('sweeten')).toBeCloseTo(1998 / (1998 + 170), 2);
  });
  it('is refused for what it does not know', () => {
    expect(() =>
      nutrition({ lines: [{ ingredientId: 'no-such', grams: 1 }], millilitres: 1, pack: 'us' }),
    ).toThrow();
    expect(() => nutrition({ lines: syrup, millilitres: 0, pack: 'us' })).toThrow(RangeError);
    expect(() =>
      nutrition({ lines: [{ ingredientId: 'sugar', grams: -1 }], millilitres: 1, pack: 'us' }),
    ).toThrow(RangeError);
    expect(shippedCatalogue.find('sugar')).toBeDefined();
  });
});
