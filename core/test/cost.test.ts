import { type FormulaContent, forecast } from '@inch/core/formula';
import { shippedCatalogue } from '@inch/core/ingredient';
import { costBefore, drunkLitre, energyOf, shoppingList, whereItGoes } from '@inch/core/planning';
import { describe, expect, it } from 'vitest';

const setting = { cup: 'us', catalogue: shippedCatalogue, criticalPh: 4.2 } as const;

describe('cost before making', () => {
  const making = {
    needs: [
      { name: 'Sugar', kind: 'ingredient' as const, costMinor: 240, leftOverMinor: 60 },
      { name: 'Damsons', kind: 'ingredient' as const, costMinor: 960, leftOverMinor: 0 },
      { name: 'Bottles', kind: 'packaging' as const, costMinor: 1980, leftOverMinor: 0 },
    ],
    kwh: 2.5,
    handsMinutes: 90,
    bottles: 12,
    millilitres: 3000,
    waterParts: 5,
  };
  const cost = costBefore(making, { kwhMinor: 28, handsHourMinor: 1200 });

  it('is its parts, and what is left over is not in it', () => {
    expect(cost).toMatchObject({
      ingredients: 1200,
      packaging: 1980,
      energy: 70,
      hands: 1800,
      total: 5050,
      leftOver: 60,
    });
  });

  it('by the bottle, by the litre, by the litre as drunk', () => {
    expect(cost.perBottle).toBeCloseTo(5050 / 12, 9);
    expect(cost.perLitre).toBeCloseTo(5050 / 3, 9);
    expect(cost.perDrunkLitre).toBeCloseTo(5050 / 18, 9);
    // A litre of one at 1 to 5 makes six to drink; undiluted it is itself.
    expect(drunkLitre(600, 1000, 5)).toBe(100);
    expect(drunkLitre(600, 1000, 0)).toBe(600);
  });

  it('names what has no price, and asks nothing of no bottles', () => {
    const unpriced = costBefore(
      {
        ...making,
        needs: [{ name: 'Tips', kind: 'ingredient', costMinor: null, leftOverMinor: 0 }],
        bottles: 0,
        millilitres: 0,
      },
      { kwhMinor: 28, handsHourMinor: 1200 },
    );
    expect(unpriced.unpriced).toEqual(['Tips']);
    expect(unpriced.perBottle).toBeNull();
    expect(unpriced.perDrunkLitre).toBeNull();
  });

  it('boiling a litre off takes its heat of vaporisation, 2,257 kJ, over what of the burner goes into the pan', () => {
    const water = (minutes: number): FormulaContent => ({
      lines: [{ id: 'w', said: '3000 g', ingredientId: 'water' }],
      steps: [{ id: 's', kind: 'reduce', title: 'Boil', minutes, evaporates: 20 }],
      storage: 'cold',
      bottleMl: 250,
    });
    const kwh = (content: FormulaContent) =>
      energyOf({ scale: 1, forecast: forecast(content, { ...setting, elevationMetres: 0 }) }, 0);
    expect(kwh(water(50)) - kwh(water(0))).toBeCloseTo(2257 / 0.5 / 3600, 2);
    // 3 kg from 20 to 100 °C at 3.8 kJ/(kg K).
    expect(kwh(water(0))).toBeCloseTo((3 * 3.8 * 80) / 0.5 / 3600, 4);
    expect(kwh({ ...water(0), steps: [] })).toBe(0);
  });
  it('every heated step takes heat, a second one at the same heat only what boils off', () => {
    const step = { id: 'a', kind: 'heat', title: 'Heat', celsius: 90, minutes: 10 } as const;
    const content: FormulaContent = {
      lines: [{ id: 'j', said: '2000 g', ingredientId: 'apple-juice' }],
      steps: [
        step,
        { ...step, id: 'b' },
        { id: 'r', kind: 'rest', title: 'Cool', minutes: 300 },
        { ...step, id: 'c' },
      ],
      storage: 'cold',
      bottleMl: 250,
    };
    const [first, second, rest, third] = forecast(content, { ...setting, elevationMetres: 0 }).steps;
    expect(first!.kilojoules).toBeGreaterThan(2 * 3.8 * 70 - 1);
    expect(second!.kilojoules).toBeCloseTo(second!.evaporated * 2.257, 6);
    expect(second!.kilojoules).toBeGreaterThan(0);
    expect(rest!.kilojoules).toBe(0);
    expect(third!.kilojoules).toBeGreaterThan(second!.kilojoules);
  });
});

describe('the shopping list', () => {
  const need = (thing: string, amount: number) => ({
    kind: 'ingredient' as const,
    thing,
    name: thing,
    amount,
  });
  const stock = [
    {
      id: 's',
      code: 'S1',
      kind: 'ingredient' as const,
      thing: 'sugar',
      quantity: 1500,
      gotOn: '2026-01-01',
      bestBy: null,
      leftBy: null,
      takings: [],
    },
  ];
  const packs = [
    { id: 'bag', thing: 'sugar', size: 1000, priceMinor: 125 },
    { id: 'sack', thing: 'sugar', size: 5000, priceMinor: 560 },
  ];
  const list = shoppingList(
    [need('sugar', 2000), need('sugar', 1200), need('acid', 30)],
    stock,
    packs,
    '2026-11-25',
  );

  it('puts the needs of several plans together, takes stock off, and covers the rest by the cheapest packs', () => {
    expect(list[0]).toMatchObject({ thing: 'sugar', amount: 3200, inStock: 1500, short: 1700 });
    // Two bags, 250, are cheaper than a sack, 560.
    expect(list[0]!.cover).toMatchObject({ packs: [{ id: 'bag', count: 2 }], costMinor: 250, leftOver: 300 });
  });

  it('asks how a thing is sold where no pack is known', () => {
    expect(list[1]).toMatchObject({
      thing: 'acid',
      short: 30,
      cover: null,
      asks: expect.stringMatching(/No pack of acid/),
    });
  });

  it('buys nothing of what is there', () => {
    const [row] = shoppingList([need('sugar', 1500)], stock, packs, '2026-11-25');
    expect(row).toMatchObject({ short: 0, cover: null, asks: null });
  });

  it('says where a left-over goes furthest', () => {
    expect(
      whereItGoes(300, [
        { name: 'Shrub', amount: 1800 },
        { name: 'Cordial', amount: 600 },
        { name: 'Juice', amount: 0 },
      ]),
    ).toEqual([
      { name: 'Cordial', scale: 0.5 },
      { name: 'Shrub', scale: 300 / 1800 },
    ]);
  });
});
