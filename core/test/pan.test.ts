import {
  brixFromDip,
  depthAtBrix,
  depthAtVolume,
  diameterAt,
  heatingForecast,
  reductionForecast,
  relativeRate,
  solidsFromDip,
  swellingAt,
  type VesselShape,
  vesselDepth,
  vesselVolume,
  volumeAtDepth,
} from '@inch/core/pan';
import { waterDensity } from '@inch/core/sugar';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { missesOf, simulatedPans } from '../../scripts/src/accuracy/simulatedPans.mjs';
import { draws } from '../../scripts/src/draws.mjs';

const pot: VesselShape = {
  kind: 'frusta',
  frusta: [{ heightMm: 140, lowerDiameterMm: 260, upperDiameterMm: 260 }],
};
const frustum = fc.record({
  heightMm: fc.double({ min: 5, max: 300, noNaN: true }),
  lowerDiameterMm: fc.double({ min: 0, max: 500, noNaN: true }),
  upperDiameterMm: fc.double({ min: 20, max: 500, noNaN: true }),
});
const stacks = fc
  .array(frustum, { minLength: 1, maxLength: 5 })
  .map((frusta): VesselShape => ({ kind: 'frusta', frusta }));

describe('a pan', () => {
  it('with straight sides holds π/4 d² h', () => {
    expect(vesselVolume(pot)).toBeCloseTo((Math.PI / 4) * 26 ** 2 * 14, 6);
    expect(volumeAtDepth(pot, 70)).toBeCloseTo(vesselVolume(pot) / 2, 6);
  });
  it('that tapers to a point holds a third of its cylinder', () => {
    const cone: VesselShape = {
      kind: 'frusta',
      frusta: [{ heightMm: 90, lowerDiameterMm: 0, upperDiameterMm: 120 }],
    };
    expect(vesselVolume(cone)).toBeCloseTo(((Math.PI / 4) * 12 ** 2 * 9) / 3, 6);
    expect(diameterAt(cone, 45)).toBeCloseTo(60, 9);
  });
  it('of any stack of frusta gives a depth back from its volume', () => {
    fc.assert(
      fc.property(stacks, fc.double({ min: 0, max: 1, noNaN: true }), (shape, share) => {
        const depth = share * vesselDepth(shape);
        expect(depthAtVolume(shape, volumeAtDepth(shape, depth))).toBeCloseTo(depth, 2);
      }),
      { numRuns: draws(200) },
    );
  });
  it('known by what was poured in is read between the marks', () => {
    const poured: VesselShape = {
      kind: 'poured',
      rows: [
        { depthMm: 20, ml: 1000 },
        { depthMm: 38, ml: 2000 },
      ],
    };
    expect(volumeAtDepth(poured, 10)).toBeCloseTo(500, 9);
    expect(volumeAtDepth(poured, 29)).toBeCloseTo(1500, 9);
    expect(depthAtVolume(poured, 2000)).toBeCloseTo(38, 4);
    expect(diameterAt(poured, 10)).toBeNull();
  });
  it.each([
    [() => volumeAtDepth(pot, 141), /depth of the pan/],
    [() => volumeAtDepth(pot, -1), /outside/],
    [() => depthAtVolume(pot, 9000), /what the pan holds/],
    [() => volumeAtDepth({ kind: 'frusta', frusta: [] }, 1), /diameter and its height/],
    [() => vesselVolume({ kind: 'poured', rows: [] }), /known volume/],
    [
      () =>
        vesselVolume({
          kind: 'poured',
          rows: [
            { depthMm: 20, ml: 900 },
            { depthMm: 30, ml: 800 },
          ],
        }),
      /from the bottom up/,
    ],
  ])('asked for what it is not says so', (ask, message) => {
    expect(ask).toThrow(message);
  });
});

describe('a dip', () => {
  it('water is 0.9653 g/mL at 90 °C and 0.9584 at 100 (CRC Handbook)', () => {
    expect(waterDensity(90)).toBeCloseTo(0.9653, 4);
    expect(waterDensity(100)).toBeCloseTo(0.9584, 4);
    expect(waterDensity(4)).toBeCloseTo(0.99997, 5);
    expect(swellingAt(20)).toBe(1);
  });
  it('tells the °Bx of a pan whose solids are known: half the volume, all the solids', () => {
    const brix = (depthMm: number) => brixFromDip({ shape: pot, depthMm, celsius: 20, solidsGrams: 900 });
    const full = brix(100);
    const half = brix(50);
    expect((half.brix * half.grams) / 100).toBeCloseTo(900, 6);
    expect((full.brix * full.grams) / 100).toBeCloseTo(900, 6);
    expect(half.millilitres * 2).toBeCloseTo(full.millilitres, 6);
    expect(half.brix).toBeGreaterThan(1.8 * full.brix);
  });
  it('conserves the solids through any dips on the way down', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 25, max: 140, noNaN: true }),
        fc.double({ min: 15, max: 103, noNaN: true }),
        fc.double({ min: 50, max: 1000, noNaN: true }),
        (depthMm, celsius, solidsGrams) => {
          const dip = brixFromDip({ shape: pot, depthMm, celsius, solidsGrams });
          expect((dip.brix * dip.grams) / 100).toBeCloseTo(solidsGrams, 4);
          expect(solidsFromDip({ shape: pot, depthMm, celsius, brix: dip.brix })).toBeCloseTo(solidsGrams, 2);
          expect(depthAtBrix(pot, solidsGrams, dip.brix, celsius)).toBeCloseTo(depthMm, 2);
        },
      ),
      { numRuns: draws(120) },
    );
  });
  it('read hot is of a larger liquid: thinner than the ruler says, were it cold', () => {
    const at = (celsius: number) => brixFromDip({ shape: pot, depthMm: 60, celsius, solidsGrams: 1200 }).brix;
    expect(at(98)).toBeGreaterThan(at(20));
  });
  it('too low for what is dissolved asks to be read again', () => {
    expect(() => brixFromDip({ shape: pot, depthMm: 5, celsius: 90, solidsGrams: 1200 })).toThrow(
      /read again/,
    );
    expect(() => brixFromDip({ shape: pot, depthMm: 50, celsius: 90, solidsGrams: 0 })).toThrow(
      /solids are known/,
    );
  });
});

describe('minutes left', () => {
  const prior = { gramsPerMinute: 25, spread: 0.15, waterGrams: 3000, solidsGrams: 600 };
  const to = (more: Partial<Parameters<typeof reductionForecast>[0]> = {}) =>
    reductionForecast({ readings: [], target: { brix: 50 }, prior, ...more });
  it('before any reading are the water to go over the rate, longer as the rate falls', () => {
    const thin = to({ prior: { ...prior, solidsGrams: 1e-3 }, target: { grams: 2000 } });
    expect(thin.seconds / 60).toBeCloseTo(1000 / 25, 0);
    expect(to().seconds / 60).toBeGreaterThan(2400 / 25);
    expect(relativeRate(400, 600)).toBeLessThan(relativeRate(3000, 600));
  });
  it('of a batch twice the volume in the same pan are about twice as many', () => {
    const twice = to({ prior: { ...prior, waterGrams: 6000, solidsGrams: 1200 } });
    expect(twice.seconds / to().seconds).toBeCloseTo(2, 1);
  });
  it('follow a pan that is slower than it was thought', () => {
    const readings = [10, 20, 30, 40].map((minutes) => ({
      seconds: minutes * 60,
      grams: 3600 - 18 * minutes,
      noise: 0.005,
    }));
    const f = to({ readings });
    expect(f.gramsPerMinute).toBeGreaterThan(16);
    expect(f.gramsPerMinute).toBeLessThan(21);
    expect(f.grams).toBeCloseTo(3600 - 720, -2);
  });
  it('grow by the water that goes in, and less by the sugar', () => {
    const at = (waterGrams: number, solidsGrams: number) =>
      to({ additions: [{ seconds: 600, waterGrams, solidsGrams }] }).seconds;
    expect(at(500, 0) - at(0, 0)).toBeGreaterThan((500 / 25) * 60 * 0.9);
    expect(at(0, 400)).toBeLessThan(at(0, 0));
  });
  it('take a °Bx as well as a weight', () => {
    const read = to({ readings: [{ seconds: 2400, brix: 25, noise: 0.01 }] });
    expect(read.brix).toBeCloseTo(25, 0);
  });
  it('are none past the target, and say how much water brings it back', () => {
    const past = to({ readings: [{ seconds: 6000, grams: 1100, noise: 0.002 }] });
    expect(past.seconds).toBe(0);
    expect(past.overshootGrams).toBeCloseTo(1200 - past.grams, 6);
    expect(past.overshootGrams).toBeGreaterThan(50);
  });
  it.each([
    [{ target: { brix: 95 } }, /0 to 80/],
    [{ target: { grams: 300 } }, /cannot weigh less/],
    [{ prior: { ...prior, waterGrams: 0 } }, /some water/],
    [{ readings: [{ seconds: -5, grams: 3000 }] }, /before the pan/],
  ])('of what cannot be are refused: %j', (more, message) => {
    expect(() => to(more)).toThrow(message);
  });

  it('are honest: over 500 pans with 3 % noise the 80 % interval holds 75 to 88 of a hundred, and the middle is within 10 % after three readings', () => {
    const { covered, medianError } = missesOf(simulatedPans(500, 11));
    expect(covered).toBeGreaterThanOrEqual(0.75);
    expect(covered).toBeLessThanOrEqual(0.88);
    expect(medianError).toBeLessThan(0.1);
  });
});

describe('heating up', () => {
  const prior = { degreesPerMinute: 4, spread: 0.3 };
  const straight = (perMinute: number, minutes: number) =>
    Array.from({ length: minutes + 1 }, (_, i) => ({ seconds: 60 * i, celsius: 20 + perMinute * i }));
  it('with one reading goes by what this fire did before', () => {
    const f = heatingForecast({ readings: [{ seconds: 0, celsius: 20 }], target: 90, prior });
    expect(f.seconds / 60).toBeCloseTo(70 / 4, 1);
    expect(f.low).toBeLessThan(f.seconds);
    expect(f.high).toBeGreaterThan(f.seconds);
  });
  it('follows the pan as it is read, and grows surer', () => {
    const early = heatingForecast({ readings: straight(6, 2), target: 90, prior });
    const late = heatingForecast({ readings: straight(6, 8), target: 90, prior });
    expect(late.degreesPerMinute).toBeCloseTo(6, 0);
    expect(late.seconds / 60).toBeCloseTo((90 - 68) / 6, 0);
    expect(late.high - late.low).toBeLessThan(early.high - early.low);
  });
  it('sees the last degrees come slower than the first', () => {
    const slackening = Array.from({ length: 16 }, (_, i) => ({
      seconds: 60 * i,
      celsius: 105 - 85 * Math.exp(-i / 10),
    }));
    const f = heatingForecast({ readings: slackening, target: 95, prior });
    expect(f.degreesPerMinute).toBeLessThan(4);
    expect(f.degreesPerMinute).toBeGreaterThan(1);
  });
  it('is over where it is there, and never where it cools', () => {
    expect(heatingForecast({ readings: straight(6, 12), target: 80, prior }).seconds).toBe(0);
    const cooling = Array.from({ length: 20 }, (_, i) => ({ seconds: 60 * i, celsius: 80 - 2 * i }));
    expect(heatingForecast({ readings: cooling, target: 90, prior }).seconds).toBe(Number.POSITIVE_INFINITY);
  });
  it('asks for a reading, in order', () => {
    expect(() => heatingForecast({ readings: [], target: 90, prior })).toThrow(/Read the thermometer/);
    expect(() =>
      heatingForecast({
        readings: [
          { seconds: 60, celsius: 20 },
          { seconds: 0, celsius: 30 },
        ],
        target: 90,
        prior,
      }),
    ).toThrow(/back in time/);
  });
});
