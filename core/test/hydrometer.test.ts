import { calibrateMeter } from '@inch/core/acid';
import { judgeCheck } from '@inch/core/instrument';
import { parseJot } from '@inch/core/jot';
import { panOfVolume, swellingAt } from '@inch/core/pan';
import { correctHydrometer, densityAt20 } from '@inch/core/sugar';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

describe('a hydrometer', () => {
  // NBS Circular 440: density of sucrose in water at 20 °C over that of water, 0.99820.
  it.each([
    [0, 0.9982],
    [10, 1.03814],
    [30, 1.12698],
    [60, 1.28646],
  ])('made for 20 °C stands at its density over water’s in a syrup of %d °Bx', (brix, density) => {
    expect(correctHydrometer({ gravity: density / 0.9982, celsius: 20 }).brix).toBeCloseTo(brix, 1);
  });
  it('made for 60 °F reads water right there, and a warm sample 0.002 low at 77 °F', () => {
    const at = (gravity: number, celsius: number) =>
      correctHydrometer({ gravity, celsius, madeForCelsius: 15.56 });
    expect(at(1, 15.56).brix).toBeCloseTo(0, 1);
    // The correction printed with such spindles: 1.050 read at 77 °F is 1.052.
    expect(at(1.05, 25).brix).toBeCloseTo(at(1.052, 15.56).brix, 1);
    expect(at(1.05, 25).correction).toBeGreaterThan(0.2);
  });
  it('warmer samples and higher readings are both more sugar', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 1.02, max: 1.35, noNaN: true }),
        fc.double({ min: 6, max: 43, noNaN: true }),
        (gravity, celsius) => {
          const brix = (g: number, t: number) => correctHydrometer({ gravity: g, celsius: t }).brix;
          expect(brix(gravity + 0.002, celsius)).toBeGreaterThan(brix(gravity, celsius));
          expect(brix(gravity, celsius + 1)).toBeGreaterThan(brix(gravity, celsius));
          const { extrapolated } = correctHydrometer({ gravity, celsius });
          expect(extrapolated).toBe(celsius < 10 || celsius > 30);
        },
      ),
    ));
  it('refuses what is no reading', () => {
    for (const wrong of [{ gravity: 0.5 }, { gravity: 12 }, { celsius: 60 }, { madeForCelsius: 90 }])
      expect(() => correctHydrometer({ gravity: 1.1, celsius: 20, ...wrong })).toThrow(RangeError);
  });
  it('is checked in distilled water, a water activity meter on saturated salt at 0.753', () => {
    const check = (kind: 'gravity' | 'salt', read: number) =>
      judgeCheck({ kind, read, elevationMetres: 0 }).accepted;
    expect([1, 1.002, 1.003, 0.997].map((read) => check('gravity', read))).toEqual([
      true,
      true,
      false,
      false,
    ]);
    expect([0.753, 0.763, 0.765, 0.74].map((read) => check('salt', read))).toEqual([
      true,
      true,
      false,
      false,
    ]);
  });
});

describe('a pen that shows pH and no millivolts', () => {
  const pen = (seven: number, four: number, low: number | null = null) =>
    calibrateMeter([
      { buffer: 7, ph: seven, celsius: 25 },
      { buffer: 4.01, ph: four, celsius: 25 },
      ...(low === null ? [] : [{ buffer: 3, ph: low, celsius: 25 }]),
    ]);
  it('is accepted where it shows its buffers, as a meter with their millivolts is', () => {
    expect(pen(7, 4.01, 3)).toMatchObject({ accepted: true, low: 'checked' });
    expect(pen(7, 4.01).low).toBe('missing');
    expect(pen(7, 4.01).slopePercent).toBeCloseTo(100, 6);
    const byVolts = calibrateMeter([
      { buffer: 7, mv: 5.916, celsius: 25 },
      { buffer: 4.01, mv: 5.916 + 0.95 * 59.16 * 2.99, celsius: 25 },
    ]);
    const shown = pen(6.9, 6.9 - 0.95 * 2.99);
    expect(shown.slopePercent).toBeCloseTo(byVolts.slopePercent, 6);
    expect(shown.offsetMv).toBeCloseTo(byVolts.offsetMv, 6);
  });
  it('is refused where its span is short, its zero is off, or its low check is', () => {
    expect(pen(7, 4.3).accepted).toBe(false);
    expect(pen(7.6, 4.61).accepted).toBe(false);
    expect(pen(7, 4.01, 3.1).accepted).toBe(false);
    expect(() =>
      calibrateMeter([
        { buffer: 7, celsius: 25 },
        { buffer: 4.01, ph: 4, celsius: 25 },
      ]),
    ).toThrow(/millivolts or the pH/);
  });
});

describe('a volume in a jug', () => {
  it('tells the sugar of a pan whose solids are known, hot as cold', () => {
    const solidsGrams = 0.4 * 1000 * densityAt20(40);
    for (const celsius of [20, 60, 95])
      expect(
        panOfVolume({ hotMillilitres: 1000 * swellingAt(celsius), celsius, solidsGrams }).brix,
      ).toBeCloseTo(40, 4);
    expect(() => panOfVolume({ hotMillilitres: 100, celsius: 20, solidsGrams: 400 })).toThrow(/too little/);
  });
  it.each([
    ['v 2.4 l @85', 'volume', 2400, 85],
    ['jug 350 ml', 'volume', 350, null],
    ['sg 1.250 @22', 'brix', 1.25, 22],
    ['gravity 1,083', 'brix', 1.083, null],
    ['aw 0.842', 'water-activity', 0.842, null],
    ['water activity 0,84', 'water-activity', 0.84, null],
  ])('%s is jotted', (line, kind, raw, celsius) => {
    expect(parseJot(line)).toMatchObject({ kind, raw, celsius });
  });
  it('and what is none stays a note', () => {
    for (const line of ['v good smell', 'sg of the syrup later', 'jug broken', 'aw lovely'])
      expect(parseJot(line).kind, line).toBe('note');
  });
});
