import { acidDose, equilibriumPh } from '@inch/core/acid';
import { type FormulaContent, forecast } from '@inch/core/formula';
import { boilingPointOfWater, cylinderCentre } from '@inch/core/heat';
import { shippedCatalogue } from '@inch/core/ingredient';
import { alcoholLeft, undissociated } from '@inch/core/keeping';
import {
  boilingPoint,
  brixFromBoilingPoint,
  brixRunningLike,
  inversionRate,
  sucroseSaturation,
  viscosity,
} from '@inch/core/sugar';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { draws } from '../../scripts/src/draws.mjs';

const setting = { cup: 'us' as const, elevationMetres: 719, criticalPh: 4.2, catalogue: shippedCatalogue };
const make = (lines: [string, string][], more: Partial<FormulaContent> = {}) =>
  forecast(
    {
      lines: lines.map(([ingredientId, said], i) => ({ id: String(i), said, ingredientId })),
      steps: [{ id: 'cook', kind: 'draw', title: 'Cook', method: 'cooked', minutes: 5, killStep: true }],
      storage: 'cold',
      bottleMl: 250,
      ...more,
    },
    setting,
  );

describe('a boiling syrup', () => {
  it.each([
    [{ brix: 60, elevationMetres: 0 }, 103.0, 0.2],
    [{ brix: 60, elevationMetres: 0, composition: { glucose: 0.5, fructose: 0.5 } }, 105.0, 0.3],
    [{ brix: 0, elevationMetres: 1524 }, 94.9, 0.1],
  ])('%j boils at %d °C', (syrup, celsius, near) => {
    expect(Math.abs(boilingPoint(syrup) - celsius)).toBeLessThanOrEqual(near);
  });
  it('rises with its sugar, and the °Bx comes back from the temperature', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 46, max: 79 }),
        fc.integer({ min: 0, max: 3000 }),
        (brix, elevationMetres) => {
          const celsius = boilingPoint({ brix, elevationMetres });
          expect(boilingPoint({ brix: brix + 1, elevationMetres })).toBeGreaterThan(celsius);
          const back = brixFromBoilingPoint({ celsius, elevationMetres });
          expect(back.brix).toBeCloseTo(brix, 3);
          expect(back.low).toBeLessThan(brix);
          expect(back.high).toBeGreaterThan(brix);
          expect(back.extrapolated).toBe(back.brix > 72);
        },
      ),
      { numRuns: draws(40) },
    );
  });
  it('prefers the boil of water of the day, and refuses where a thermometer cannot tell', () => {
    const water = boilingPointOfWater(719);
    const day = brixFromBoilingPoint({ celsius: water + 3, elevationMetres: 719, waterBoils: water - 0.4 });
    expect(day.brix).toBeGreaterThan(brixFromBoilingPoint({ celsius: water + 3, elevationMetres: 719 }).brix);
    expect(() => brixFromBoilingPoint({ celsius: 100.4, elevationMetres: 0 })).toThrow(/refractometer/);
    expect(() => brixFromBoilingPoint({ celsius: 125, elevationMetres: 0 })).toThrow(RangeError);
    expect(() => boilingPoint({ brix: 81, elevationMetres: 0 })).toThrow(RangeError);
  });
});

describe('sucrose', () => {
  it.each([
    [25, 134 * 24],
    [85, 2.2],
    [100, 0.5],
  ])('is half inverted at pH 3 and %d °C in %d h', (celsius, hours) => {
    expect(Math.LN2 / inversionRate(3, celsius) / 3600 / hours).toBeCloseTo(1, 1);
  });
  it('dissolves to about 67 % at 20 °C (Herzfeld 67.09)', () => {
    expect(Math.abs(sucroseSaturation(20) - 67.09)).toBeLessThan(0.6);
  });
  it.each([
    [20, 20, 1.945],
    [30, 20, 3.187],
    [40, 20, 6.167],
    [50, 20, 15.43],
    [60, 20, 58.49],
    [70, 20, 481.6],
    [40, 25, 5.164],
    [60, 25, 43.86],
  ])(
    'of %d °Bx at %d °C has a viscosity of %d mPa·s within 4 % (Swindells 1958)',
    (brix, celsius, published) => {
      expect(Math.abs(viscosity(brix, celsius) / published - 1)).toBeLessThan(0.04);
    },
  );
  it('runs thinner hot, and like a thinner syrup cold', () => {
    expect(viscosity(60, 90)).toBeLessThan(viscosity(60, 20) / 8);
    expect(brixRunningLike(viscosity(45, 20), 20)).toBeCloseTo(45, 4);
  });
});

describe('what a product may do in the bottle', () => {
  it('pectin boiled at 62 °Bx and under pH 3.5 is likely to set', () => {
    const jelly = make([
      ['quince', '1 kg'],
      ['sugar', '1.5 kg'],
      ['citric-anhydrous', '12 g'],
    ]);
    expect(jelly.brix).toBeGreaterThan(60);
    expect(jelly.body.sets).toMatch(/Likely to set/);
    expect(
      make([
        ['quince', '1 kg'],
        ['sugar', '300 g'],
      ]).body.sets,
    ).toBeNull();
    const raw = make(
      [
        ['quince', '1 kg'],
        ['sugar', '1.5 kg'],
        ['citric-anhydrous', '12 g'],
      ],
      { steps: [] },
    );
    expect(raw.body.sets).toBeNull();
  });
  it('more sucrose than its water holds is likely to grain', () => {
    expect(
      make([
        ['sugar', '720 g'],
        ['water', '280 g'],
      ]).body.grains,
    ).toMatch(/Likely to grain/);
    expect(
      make([
        ['sugar', '600 g'],
        ['water', '400 g'],
      ]).body.grains,
    ).toBeNull();
  });
  it('fruit left in floats or sinks; pulp settles', () => {
    expect(
      make([
        ['raspberry', '500 g'],
        ['sugar', '300 g'],
      ]).body.parts,
    ).toMatch(/Fruit stays in/);
  });
  it('the drink has the ratio of the bottle, thinned by its water', () => {
    const f = make(
      [
        ['lemon-juice', '300 g'],
        ['sugar', '500 g'],
        ['water', '400 g'],
      ],
      { waterParts: 4 },
    );
    expect(f.drink!.ratio!).toBeCloseTo(f.ratio!, 0);
    // 50 mL of syrup in a glass of 250 mL.
    expect(f.drink!.sugarGrams).toBeCloseTo((50 * (499.5 + 300 * 0.025)) / f.millilitres, 0);
    expect(f.drink!.glasses).toBe(5);
  });
});

describe('doses and parts', () => {
  it('an acid dose put in gives the pH asked for', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.005, max: 0.2, noNaN: true }),
        fc.double({ min: 2.6, max: 4.2, noNaN: true }),
        (base, targetPh) => {
          const juice = { acids: { malic: 0.1 }, baseEquivalents: Math.min(base, 0.15) };
          const { gramsPerKgWater } = acidDose({ juice, targetPh, acid: 'citric' });
          const { ph } = equilibriumPh({
            acids: { ...juice.acids, citric: gramsPerKgWater / 192.12 },
            baseEquivalents: juice.baseEquivalents,
          });
          if (gramsPerKgWater > 1e-6) expect(ph).toBeCloseTo(targetPh, 5);
          else expect(ph).toBeLessThanOrEqual(targetPh + 1e-9);
        },
      ),
      { numRuns: draws(40) },
    );
  });
  it('is per kg of product where its water is known, and refused where nothing reaches it', () => {
    const juice = { acids: { malic: 0.1 }, baseEquivalents: 0.05, waterShare: 0.6 };
    const dose = acidDose({ juice, targetPh: 3, acid: 'citric' });
    expect(dose.gramsPerKgProduct).toBeCloseTo(0.6 * dose.gramsPerKgWater, 9);
    expect(() => acidDose({ juice, targetPh: 1, acid: 'acetic' })).toThrow(/No amount/);
  });
  it('half of a preservative is undissociated near its pKa, all of it well below, none well above', () => {
    const part = (ph: number) => undissociated({ acid: 'sorbic', ph, total: 1, ionicStrength: 0 });
    expect(part(4.756)).toBeCloseTo(0.5, 6);
    expect(part(2.756)).toBeCloseTo(100 / 101, 4);
    expect(part(6.756)).toBeCloseTo(1 / 101, 4);
    expect(undissociated({ acid: 'sorbic', ph: 4.6, total: 1 })).toBeLessThan(part(4.6));
    expect(() => undissociated({ acid: 'citric', ph: 3, total: 1 })).toThrow(RangeError);
  });
  it.each([
    [15, 0.4],
    [30, 0.35],
    [60, 0.25],
    [90, 0.2],
    [150, 0.05],
  ])('of alcohol simmered %d min %d is left, in a range', (minutes, left) => {
    const { low, middle, high } = alcoholLeft(minutes);
    expect(middle).toBeCloseTo(left, 9);
    expect(low).toBeLessThan(middle);
    expect(high).toBeGreaterThan(middle);
  });
});

describe('a solid cylinder in a bath', () => {
  const jar = {
    radiusMetres: 0.03,
    halfHeightMetres: 0.05,
    diffusivity: 1.5e-7,
    startCelsius: 20,
    surfaceCelsius: 100,
  };
  it.each([
    [1200, 60.6],
    [3600, 97.0],
  ])('has %d s in its centre at %d °C', (seconds, celsius) => {
    expect(Math.abs(cylinderCentre({ ...jar, seconds }) - celsius)).toBeLessThanOrEqual(0.5);
  });
  it('warms all the time and never past the bath', () => {
    const at = (seconds: number) => cylinderCentre({ ...jar, seconds });
    for (let s = 300; s < 9000; s += 300) expect(at(s + 300)).toBeGreaterThan(at(s));
    expect(at(90_000)).toBeLessThanOrEqual(100);
    expect(() => at(1)).toThrow(RangeError);
  });
});
