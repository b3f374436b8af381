import {
  brixFromDensity,
  brixFromRefractiveIndex,
  correctRefractometer,
  densityAt20,
  heatCapacity,
  mixedBrix,
  refractiveIndexAt20,
  volumeAt20,
} from '@inch/core/sugar';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

describe('density of sucrose in water', () => {
  it.each([
    // NBS Circular 440, rows between the ones that the curve is drawn through
    [5, 1.01785],
    [15, 1.05917],
    [25, 1.10356],
    [35, 1.15128],
    [45, 1.20254],
    [55, 1.25754],
    [65, 1.31633],
    [75, 1.37897],
  ])('at %d °Bx is within 0.0003 g/mL of the table', (brix, published) => {
    expect(Math.abs(densityAt20(brix) - published)).toBeLessThanOrEqual(0.0003);
    expect(Math.abs(brixFromDensity(published) - brix)).toBeLessThanOrEqual(0.1);
  });

  it('agrees with the common cubic in specific gravity to 0.1 °Bx up to 40', () => {
    for (let brix = 1; brix <= 40; brix++) {
      const sg = densityAt20(brix) / 0.9982;
      const cubic = ((182.4601 * sg - 775.6821) * sg + 1262.7794) * sg - 669.5622;
      expect(Math.abs(cubic - brix)).toBeLessThan(0.1);
    }
  });

  it('throws outside its table and names the range', () => {
    expect(() => densityAt20(81)).toThrow(/0 to 80/);
    expect(() => densityAt20(-1)).toThrow(RangeError);
    expect(() => brixFromDensity(2)).toThrow(RangeError);
    expect(() => densityAt20(Number.NaN)).toThrow(RangeError);
  });
});

describe('round trips and order', () => {
  const brix = fc.double({ min: 0, max: 80, noNaN: true });
  it('close for density and refractive index', () => {
    fc.assert(
      fc.property(brix, (b) => {
        expect(brixFromDensity(densityAt20(b))).toBeCloseTo(b, 6);
        expect(brixFromRefractiveIndex(refractiveIndexAt20(b))).toBeCloseTo(b, 6);
      }),
    );
  });
  it('rise with sugar', () => {
    fc.assert(
      fc.property(brix, brix, (a, b) => {
        fc.pre(Math.abs(a - b) > 1e-6);
        expect(densityAt20(a) < densityAt20(b)).toBe(a < b);
        expect(refractiveIndexAt20(a) < refractiveIndexAt20(b)).toBe(a < b);
      }),
    );
  });
});

describe('a refractometer reading', () => {
  it.each([
    [20, 10, -0.64],
    [50, 14, -0.45],
    [30, 28, 0.63],
    [60, 30, 0.81],
    [35, 20, 0],
  ])('of %d °Bx at %d °C is corrected by the table: %d', (reading, celsius, correction) => {
    expect(correctRefractometer({ reading, celsius }).correction).toBeCloseTo(correction, 10);
  });
  it('goes straight between the cells', () => {
    // 31.4 °Bx at 27 °C: a quarter of the way between .47/.48 and .63/.64
    expect(correctRefractometer({ reading: 31.4, celsius: 27 }).correction).toBeCloseTo(
      (0.4714 + 0.6314) / 2,
      4,
    );
  });
  it('continues the last slope outside 10 to 30 °C, flagged, and refuses a hot sample', () => {
    const warm = correctRefractometer({ reading: 40, celsius: 34 });
    expect(warm.correction).toBeCloseTo(0.81 + 2 * (0.81 - 0.64), 6);
    expect(warm.extrapolated).toBe(true);
    expect(() => correctRefractometer({ reading: 40, celsius: 60 })).toThrow(/between 10 and 30/);
    expect(correctRefractometer({ reading: 74, celsius: 30 })).toMatchObject({ extrapolated: true });
  });
  it('is not corrected twice on an instrument that corrects by itself', () => {
    expect(correctRefractometer({ reading: 40, celsius: 34, compensated: true })).toMatchObject({
      brix: 40,
      correction: 0,
    });
  });
});

describe('mixing', () => {
  it('keeps the dissolved solids', () => {
    const part = fc.record({
      grams: fc.double({ min: 1, max: 5000, noNaN: true }),
      brix: fc.double({ min: 0, max: 100, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(part, { minLength: 1, maxLength: 8 }), (parts) => {
        const grams = parts.reduce((sum, p) => sum + p.grams, 0);
        const solids = parts.reduce((sum, p) => sum + (p.grams * p.brix) / 100, 0);
        expect((mixedBrix(parts) * grams) / 100).toBeCloseTo(solids, 6);
      }),
    );
    expect(() => mixedBrix([])).toThrow(RangeError);
  });
  it('weighs a litre of water at 998 g', () => expect(volumeAt20(998.2, 0)).toBeCloseTo(1000, 6));
});

describe('heat capacity of a sugar solution', () => {
  it('is 4.18 of water and 2.8 at 60 °Bx, both at 20 °C, as the sugar trade’s tables have it', () => {
    expect(Math.abs(heatCapacity(0) - 4.18)).toBeLessThan(0.02);
    expect(Math.abs(heatCapacity(60) - 2.8)).toBeLessThan(0.05);
  });
  it('falls with strength and rises with temperature', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 84, noNaN: true }),
        fc.double({ min: 0, max: 129, noNaN: true }),
        (brix, celsius) => {
          expect(heatCapacity(brix + 1, celsius)).toBeLessThan(heatCapacity(brix, celsius));
          expect(heatCapacity(brix, celsius + 1)).toBeGreaterThan(heatCapacity(brix, celsius));
        },
      ),
    );
    expect(() => heatCapacity(60, -1)).toThrow(RangeError);
  });
});
