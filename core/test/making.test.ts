import { inBottlesOf } from '@inch/core/formula';
import { shippedCatalogue } from '@inch/core/ingredient';
import {
  afterNeeds,
  costOf,
  costsOf,
  itemMaking,
  type PlanKitchen,
  type PlannedFormula,
  packsToBuy,
} from '@inch/core/planning';
import { availableOf, costOfPart, unitCost } from '@inch/core/stock';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

const formula: PlannedFormula = {
  id: 'f',
  name: 'Damson shrub',
  colour: '#4A2A5E',
  content: {
    lines: [
      { id: 'fruit', said: '3 kg', ingredientId: 'damson', stepId: 'wash' },
      { id: 'sugar', said: '1.8 kg', ingredientId: 'sugar', stepId: 'heat' },
    ],
    steps: [
      { id: 'wash', kind: 'prepare', title: 'Wash', minutes: 40 },
      { id: 'heat', kind: 'heat', title: 'Heat', minutes: 20 },
    ],
    storage: 'cold',
    bottleMl: 250,
  },
} as never;

const stockLot = (thing: string, quantity: number, costMinor: number | null) => ({
  id: thing,
  kind: 'ingredient' as const,
  thing,
  quantity,
  costMinor,
  takings: [],
  gotOn: '2026-11-01',
  bestBy: null,
  measured: null,
  allergens: [],
  leftBy: null,
});

/** One kilo of sugar at 100 a kilo in stock, every kilo more at 300. */
const kitchen: PlanKitchen = {
  formulas: [formula],
  containers: [],
  stock: [stockLot('sugar', 1000, 100), stockLot('damson', 50_000, 0)],
  packs: [
    {
      id: 'bag',
      kind: 'ingredient',
      thing: 'sugar',
      said: 'bag',
      size: 1000,
      priceMinor: 300,
      supplier: '',
    },
    {
      id: 'roll',
      kind: 'packaging',
      thing: 'label',
      said: 'roll',
      size: 100,
      priceMinor: 0,
      supplier: '',
    },
  ],
  past: [],
  pans: [],
  setting: { cup: 'us', catalogue: shippedCatalogue, elevationMetres: 0, criticalPh: 4.2 },
  workshop: { cannerHolds: 7, cannerLoads: 2, kwhMinor: 0, handsHourMinor: 0 },
  today: '2026-11-25',
} as never;

const item = (id: string) => ({
  id,
  formulaId: 'f',
  containerId: null,
  want: { by: 'bottles' as const, bottles: 12 },
  parts: [],
});

describe('the products of a plan', () => {
  it('do not both count the same stock: together they cost the kilo there is once, and packs for the rest', () => {
    const items = [item('a'), item('b')];
    const makings = items.map((i) => itemMaking(i, kitchen));
    const grams = makings[0]!.needs.find((n) => n.thing === 'sugar')!.amount;
    const [first, second] = costsOf(items, makings, kitchen);
    expect(first!.ingredients).toBeCloseTo(100 + ((grams - 1000) * 300) / 1000, 6);
    expect(second!.ingredients).toBeCloseTo((grams * 300) / 1000, 6);
    expect(costOf(items[1]!, makings[1]!, kitchen).ingredients).toBeCloseTo(first!.ingredients, 6);
  });

  it('leave in stock what the ones before did not take, and never less than nothing', () => {
    const need = (amount: number) => [{ kind: 'ingredient' as const, thing: 'sugar', name: 'Sugar', amount }];
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 900 }), fc.integer({ min: 0, max: 900 }), (a, b) => {
        const left = afterNeeds(afterNeeds(kitchen, need(a)), need(b));
        expect(availableOf(left.stock, 'sugar', kitchen.today)).toBeCloseTo(Math.max(0, 1000 - a - b), 6);
      }),
    );
  });
});

describe('what stock cost', () => {
  const cuts = fc.array(fc.integer({ min: 1, max: 400 }), { minLength: 1, maxLength: 12 });

  it('parts of a divided lot come to what was paid, however they are cut', () => {
    fc.assert(
      fc.property(cuts, fc.integer({ min: 0, max: 99_999 }), (parts, costMinor) => {
        const quantity = parts.reduce((sum, p) => sum + p, 0);
        const takings: { kind: 'divided'; amount: number; at: string; struck: boolean }[] = [];
        let sum = 0;
        for (const amount of parts) {
          sum += costOfPart({ quantity, costMinor, takings }, amount)!;
          takings.push({ kind: 'divided', amount, at: '', struck: false });
        }
        expect(sum).toBe(costMinor);
      }),
    );
  });

  it('a count that finds more makes a gram cheaper, never the lot dearer', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 5000 }), fc.integer({ min: 1, max: 5000 }), (quantity, more) => {
        const counted = { kind: 'counted' as const, amount: -more, at: '', struck: false };
        const each = unitCost({ quantity, costMinor: 700, takings: [counted] })!;
        expect(each).toBeLessThan(700 / quantity);
        expect(each * (quantity + more)).toBeCloseTo(700, 6);
      }),
    );
  });
});

describe('packs at one price a piece', () => {
  it('ten thousand labels are covered at the price that none can beat', () => {
    const packs = [24, 100, 250, 333].map((size) => ({ id: `of ${size}`, size, priceMinor: size * 3 }));
    const cover = packsToBuy({ need: 10_000, packs });
    expect(cover.bought).toBeGreaterThanOrEqual(10_000);
    expect(cover.costMinor).toBe(cover.bought * 3);
    expect(cover.leftOver).toBe(0);
  });
});

describe('a formula in other bottles', () => {
  it('what goes in by the bottle goes by the bottle’s size: as much in the batch as before', () => {
    const perBottle = {
      ...formula.content,
      bottles: 20,
      lines: [
        ...formula.content.lines,
        { id: 'peel', said: '5 g', ingredientId: 'lemon-peel', basis: { per: 'bottle' as const } },
      ],
    } as typeof formula.content;
    for (const bottleMl of [125, 500, 1000]) {
      const other = inBottlesOf(perBottle, bottleMl);
      expect(other.bottleMl * other.bottles!).toBe(250 * 20);
      expect(other.lines.find((l) => l.id === 'peel')!.basis).toMatchObject({ per: 'bottle', ml: 250 });
      expect(inBottlesOf(other, 250).bottles).toBe(20);
    }
    expect(() => inBottlesOf(perBottle, 0)).toThrow(/holds nothing/);
  });
});
