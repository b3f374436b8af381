import {
  type AcidName,
  type Acids,
  acidFacts,
  acidsFromPhAndTa,
  acidsIn,
  calibrateMeter,
  daviesLogGamma,
  equilibriumPh,
  molesOf,
  titratableAcidity,
} from '@inch/core/acid';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { draws } from '../../scripts/src/draws.mjs';

describe('equilibrium pH', () => {
  it.each([
    ['citric 0.01', { citric: 0.01 }, 0, 2.62],
    ['citric 0.10', { citric: 0.1 }, 0, 2.08],
    ['acetic 0.2 with base 0.1', { acetic: 0.2 }, 0.1, 4.65],
    ['citric 0.1 with base 0.1', { citric: 0.1 }, 0.1, 3.72],
    ['NIST tartrate buffer', { tartaric: 0.0341 }, 0.0341, 3.557],
    ['NIST citrate buffer', { citric: 0.05 }, 0.05, 3.776],
    ['NIST tetroxalate buffer', { oxalic: 0.1 }, 0.05, 1.679],
    ['NIST phosphate buffer', { phosphoric: 0.05 }, 0.075, 6.865],
  ])('%s is within 0.02 of the published figure', (_, acids, baseEquivalents, published) => {
    expect(Math.abs(equilibriumPh({ acids, baseEquivalents }).ph - published)).toBeLessThanOrEqual(0.02);
  });

  it('is pKw/2 for pure water', () => {
    expect(equilibriumPh({ acids: {}, baseEquivalents: 0 }).ph).toBeCloseTo(13.995 / 2, 3);
  });

  const molality = fc.double({ min: 0.001, max: 1.5, noNaN: true });
  const base = fc.double({ min: 0, max: 0.4, noNaN: true });

  it('never rises when acid is added', () => {
    fc.assert(
      fc.property(molality, molality, base, fc.double({ min: 1.01, max: 3, noNaN: true }), (c, m, b, k) => {
        const before = equilibriumPh({ acids: { citric: c, malic: m }, baseEquivalents: b }).ph;
        const after = equilibriumPh({ acids: { citric: c * k, malic: m }, baseEquivalents: b }).ph;
        expect(after).toBeLessThanOrEqual(before + 1e-6);
      }),
    );
  });

  it('never falls when base is added', () => {
    fc.assert(
      fc.property(molality, base, fc.double({ min: 0.001, max: 0.3, noNaN: true }), (c, b, more) => {
        const before = equilibriumPh({ acids: { citric: c }, baseEquivalents: b }).ph;
        const after = equilibriumPh({ acids: { citric: c }, baseEquivalents: b + more }).ph;
        expect(after).toBeGreaterThanOrEqual(before - 1e-6);
      }),
    );
  });

  it('balances all charges, from strong acid to strong base', () => {
    /** Charge of the solution at a pH, acid by acid from its steps, with the Davies coefficient of its ionic strength. */
    const chargeAt = (ph: number, acids: Acids, base: number, strength: number) => {
      const gamma = 10 ** daviesLogGamma(strength);
      const h = 10 ** -ph;
      let sum = base + h / gamma - 10 ** -13.995 / h / gamma;
      for (const [name, mol] of Object.entries(acids) as [AcidName, number][]) {
        let [species, all, charge] = [1, 1, 0];
        acidFacts[name].pKa.forEach((pKa, step) => {
          // Between ions of charge n and n + 1: Ka · γn / γ(n+1), which is γ to the −(2n + 1).
          species *= (10 ** -pKa / h) * gamma ** -(2 * step + 1);
          all += species;
          charge += (step + 1) * species;
        });
        sum -= (mol * charge) / all;
      }
      return sum;
    };
    const names = fc.subarray(Object.keys(acidFacts) as AcidName[], { maxLength: 5 });
    fc.assert(
      fc.property(
        names.chain((list) => fc.tuple(...list.map((name) => fc.tuple(fc.constant(name), molality)))),
        fc.oneof(
          fc.double({ min: -150, max: 150, noNaN: true }),
          fc.double({ min: -1, max: 3, noNaN: true }),
        ),
        (parts, baseEquivalents) => {
          const acids: Acids = Object.fromEntries(parts);
          const { ph, ionicStrength } = equilibriumPh({ acids, baseEquivalents });
          const at = (by: number) => chargeAt(ph + by, acids, baseEquivalents, ionicStrength);
          expect(at(-1e-6)).toBeGreaterThan(0);
          expect(at(1e-6)).toBeLessThan(0);
        },
      ),
      { numRuns: draws(300) },
    );
  });

  it('flags a strong solution and refuses what is not an acid', () => {
    expect(equilibriumPh({ acids: { citric: 2 }, baseEquivalents: 1 }).extrapolated).toBe(true);
    expect(() => equilibriumPh({ acids: { citric: -1 }, baseEquivalents: 0 })).toThrow(RangeError);
    expect(() => equilibriumPh({ acids: { humic: 1 } as never, baseEquivalents: 0 })).toThrow(/humic/);
  });
});

describe('a juice from its pH and acidity', () => {
  it('gives back the pH it was made from, and the acidity by titrating the model to 8.2', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 2.7, max: 4.2, noNaN: true }),
        fc.double({ min: 5, max: 20, noNaN: true }),
        (ph, ta) => {
          const split = { citric: 0.3, malic: 0.7 };
          let juice: ReturnType<typeof acidsFromPhAndTa>;
          try {
            juice = acidsFromPhAndTa({ ph, taCitric: ta, split });
          } catch (error) {
            expect(error).toBeInstanceOf(RangeError);
            return;
          }
          if (juice.flags.includes('base-set-to-zero')) return;
          expect(equilibriumPh(juice).ph).toBeCloseTo(ph, 3);
          const titrated = equilibriumPh({ ...juice, baseEquivalents: juice.baseEquivalents + ta / 64.04 });
          if (!titrated.extrapolated) expect(titrated.ph).toBeCloseTo(8.2, 1);
        },
      ),
    );
  });

  it('turns a TA per litre into the water it is dissolved in', () => {
    const perLitre = acidsFromPhAndTa({
      ph: 3.3,
      taCitric: 14,
      split: { malic: 1 },
      basis: 'per-litre',
      brix: 12,
    });
    const grams = 1.04646; // g/mL at 12 °Bx, NBS C440
    const perKg = acidsFromPhAndTa({ ph: 3.3, taCitric: 14 / (grams * 0.88), split: { malic: 1 } });
    expect(perLitre.acids.malic! / perKg.acids.malic!).toBeCloseTo(1, 3);
  });

  it('refuses to rest on a pH over 5 and names the lowest pH a set of acids can give', () => {
    expect(acidsFromPhAndTa({ ph: 5.4, taCitric: 1, split: { malic: 1 } }).flags).toContain('refused');
    expect(() => acidsFromPhAndTa({ ph: 2, taCitric: 6, split: { malic: 1 } })).toThrow(
      /no pH under 2\.\d\d/,
    );
    expect(() => acidsFromPhAndTa({ ph: 8.3, taCitric: 6, split: { malic: 1 } })).toThrow(RangeError);
    expect(() => acidsFromPhAndTa({ ph: 3, taCitric: 0, split: { malic: 1 } })).toThrow(RangeError);
  });
});

describe('acids by their place', () => {
  it('come back by name as they were, those that are there', () => {
    fc.assert(
      fc.property(
        fc.subarray(Object.keys(acidFacts) as AcidName[]),
        fc.double({ min: 1e-6, max: 9 }),
        (names, mol) => {
          const acids = Object.fromEntries(names.map((name, i) => [name, mol * (i + 1)]));
          expect(acidsIn(molesOf(acids))).toEqual(acids);
          expect(molesOf(acids)).toHaveLength(Object.keys(acidFacts).length);
        },
      ),
    );
  });
});

describe('titration', () => {
  it('is volume times strength times equivalent weight over the sample', () => {
    expect(titratableAcidity({ titrantMl: 12.6, normality: 0.1, sampleMl: 10, as: 'citric' })).toBeCloseTo(
      8.069,
      3,
    );
    expect(() => titratableAcidity({ titrantMl: 1, normality: 0.1, sampleMl: 0, as: 'citric' })).toThrow(
      RangeError,
    );
  });
});

describe('meter calibration', () => {
  const perfect = (slope: number, offset: number) => [
    { buffer: 7, mv: offset, celsius: 25 },
    { buffer: 4.01, mv: offset + slope * 59.16 * 2.99, celsius: 25 },
  ];
  it('finds slope and offset and accepts 92 to 105 % and 30 mV either way', () => {
    const good = calibrateMeter(perfect(0.97, 6));
    expect(good.slopePercent).toBeCloseTo(97, 3);
    expect(good.offsetMv).toBeCloseTo(6, 6);
    expect(good.accepted).toBe(true);
    expect(calibrateMeter(perfect(0.915, 0)).accepted).toBe(false);
    expect(calibrateMeter(perfect(1.055, 0)).accepted).toBe(false);
    expect(calibrateMeter(perfect(1, 31)).accepted).toBe(false);
    expect(calibrateMeter(perfect(1, -31)).accepted).toBe(false);
  });
  it('asks for a third check for readings under 4.01 and fails one more than 0.05 out', () => {
    expect(calibrateMeter(perfect(1, 0)).low).toBe('missing');
    const third = (ph: number) => ({ buffer: 3, mv: (7 - ph) * 59.16, celsius: 25 });
    expect(calibrateMeter([...perfect(1, 0), third(3.04)]).low).toBe('checked');
    const failed = calibrateMeter([...perfect(1, 0), third(3.07)]);
    expect([failed.low, failed.accepted]).toEqual(['failed', false]);
  });
  it('needs both buffers', () => {
    expect(() => calibrateMeter([{ buffer: 7, mv: 0, celsius: 25 }])).toThrow(/4\.01/);
  });
});
