import type { FormulaContent } from '@inch/core/formula';
import { shippedCatalogue } from '@inch/core/ingredient';
import { partingOf, type ScaleSetting, scaled, spreadOf, TYPICAL_OF_PROMISED } from '@inch/core/planning';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

/** Sugar in water: its volume is that of the table of densities, so what it promises is known beforehand. */
const syrup: FormulaContent = {
  lines: [
    { id: 'water', said: '1 kg', ingredientId: 'water', stepId: 'melt' },
    { id: 'sugar', said: '1 kg', ingredientId: 'sugar', stepId: 'melt' },
  ],
  steps: [{ id: 'melt', kind: 'heat', title: 'Melt', celsius: 40, minutes: 5 }],
  storage: 'cold',
  bottleMl: 250,
};
/** 2 kg at 50 °Bx, less the trace of water in sugar: 1.22957 g/mL (NBS Circular 440). */
const PROMISED_ML = 2000 / 1.22957;

const damsons: FormulaContent = {
  lines: [
    { id: 'fruit', said: '3 kg', ingredientId: 'damson', stepId: 'wash' },
    {
      id: 'sugar',
      said: '60 %',
      ingredientId: 'sugar',
      stepId: 'draw',
      basis: { per: 'line', lineId: 'fruit', by: 'weight' },
    },
  ],
  steps: [
    { id: 'wash', kind: 'prepare', title: 'Wash', minutes: 40, keeps: 0.96 },
    { id: 'draw', kind: 'draw', method: 'cold', title: 'Draw', minutes: 1440 },
    { id: 'cook', kind: 'heat', title: 'Heat', minutes: 20 },
  ],
  storage: 'cold',
  bottleMl: 250,
};

const setting = (more: Partial<ScaleSetting> = {}): ScaleSetting => ({
  cup: undefined,
  catalogue: shippedCatalogue,
  elevationMetres: 0,
  criticalPh: 4.2,
  ofPromised: null,
  trimLoss: null,
  pans: [],
  inStock: () => 0,
  ...more,
});
/** A straight pan 20 cm across and 16 cm high: 5,026.5 mL. */
const pan = {
  id: 'pan',
  name: 'Pan',
  shape: { kind: 'frusta' as const, frusta: [{ heightMm: 160, lowerDiameterMm: 200, upperDiameterMm: 200 }] },
};

describe('a formula scaled by bottles', () => {
  it('takes what the bottles hold, and what a kitchen typically loses until it has lots of its own', () => {
    const made = scaled(syrup, { by: 'bottles', bottles: 24 }, setting());
    expect(made.scale).toBeCloseTo((24 * 250) / (PROMISED_ML * TYPICAL_OF_PROMISED), 2);
    expect(made.bottles).toBe(24);
    expect(made.losses).toMatch(/typical/);
    expect(made.lines[1]!.toHave).toBeCloseTo(1000 * made.scale, 6);
  });

  it('takes the losses of the kitchen’s own past lots, and says between what it will fall', () => {
    const ofPromised = spreadOf([0.8, 0.9, 1])!;
    const made = scaled(syrup, { by: 'bottles', bottles: 18 }, setting({ ofPromised }));
    expect(made.scale).toBeCloseTo((18 * 250) / (PROMISED_ML * 0.9), 2);
    expect([made.bottlesLow, made.bottles, made.bottlesHigh]).toEqual([16, 18, 20]);
    expect(made.losses).toMatch(/your last 3 lots bottled 90 in a hundred/);
  });

  it('says so where lots give far more than the formula promises', () => {
    const made = scaled(syrup, { by: 'bottles', bottles: 18 }, setting({ ofPromised: spreadOf([2, 2.2])! }));
    expect(made.losses).toMatch(/bottled 210 in a hundred: it promises too little/);
  });

  it('twice the bottles are twice of every line', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 200 }), (bottles) => {
        const one = scaled(damsons, { by: 'bottles', bottles }, setting());
        const two = scaled(damsons, { by: 'bottles', bottles: 2 * bottles }, setting());
        for (const [i, line] of one.lines.entries())
          expect(two.lines[i]!.goesIn).toBeCloseTo(2 * line.goesIn!, 6);
      }),
    );
  });
});

describe('scaled by the fruit in hand', () => {
  it('before trimming by what was bought, after it by what is left', () => {
    const before = scaled(
      damsons,
      { by: 'fruit', lineId: 'fruit', grams: 11_000, trimmed: false },
      setting(),
    );
    expect(before.scale).toBeCloseTo(11 / 3, 9);
    expect(before.lines[0]!.goesIn).toBeCloseTo(11_000 * 0.96, 6);
    const after = scaled(damsons, { by: 'fruit', lineId: 'fruit', grams: 11_000, trimmed: true }, setting());
    expect(after.lines[0]!.goesIn).toBeCloseTo(11_000, 6);
    expect(after.lines[0]!.toHave).toBeCloseTo(11_000 / 0.96, 6);
    // 60 % of what is left after trimming.
    expect(after.lines[1]!.goesIn).toBeCloseTo(6600, 6);
  });

  it('by the kitchen’s own trim loss, where it has weighed it', () => {
    const made = scaled(
      damsons,
      { by: 'fruit', lineId: 'fruit', grams: 10_000, trimmed: false },
      setting({ trimLoss: 0.1 }),
    );
    expect(made.lines[0]!.goesIn).toBeCloseTo(9000, 6);
  });

  it('not by a line that has no amount', () => {
    expect(() =>
      scaled(damsons, { by: 'fruit', lineId: 'none', grams: 5, trimmed: true }, setting()),
    ).toThrow(RangeError);
  });
});

describe('scaled by what there is', () => {
  it('the scarcest thing in stock sets the size, and is named; the tap is not', () => {
    const stock: Record<string, number> = { damson: 9000, sugar: 1728 };
    const made = scaled(damsons, { by: 'stock' }, setting({ inStock: (id) => stock[id] ?? 0 }));
    // One making takes 3 kg of damsons and 60 % of 2.88 kg as sugar.
    expect(made.scale).toBeCloseTo(1, 6);
    expect(made.limit).toMatch(/Sugar.*sets the size/);
    expect(scaled(syrup, { by: 'stock' }, setting({ inStock: () => 500 })).scale).toBeCloseTo(0.5, 6);
  });

  it('the largest pan is filled by half, because what boils rises', () => {
    const small = {
      ...pan,
      id: 'small',
      name: 'Small',
      shape: { ...pan.shape, frusta: [{ heightMm: 80, lowerDiameterMm: 200, upperDiameterMm: 200 }] },
    };
    const made = scaled(syrup, { by: 'pan' }, setting({ pans: [small, pan] }));
    expect(made.pan?.id).toBe('pan');
    expect(made.scale * PROMISED_ML).toBeCloseTo((Math.PI * 100 ** 2 * 160) / 1000 / 2, -1);
    expect(() => scaled(syrup, { by: 'pan' }, setting())).toThrow(/No pan is measured/);
  });
});

describe('a making parted into lots', () => {
  const making = (scale: number, bottles: number) => ({ scale, bottles, panScale: 1.25, pan });

  it('so that each fits the pan and its bottles do not wait too long for the canner, and says why', () => {
    expect(partingOf(making(1.2, 14), { holds: 7, loads: 2 })).toEqual({ lots: 1, why: [] });
    expect(partingOf(making(2.6, 20), { holds: 7, loads: 3 })).toMatchObject({ lots: 3 });
    const canner = partingOf(making(1.2, 36), { holds: 9, loads: 2 });
    expect(canner.lots).toBe(2);
    expect(canner.why).toEqual([expect.stringMatching(/canner takes 9 at a time.*these are 36/)]);
    expect(partingOf(making(1.2, 36), null).lots).toBe(1);
  });
});
