import { bottleInBath, cylinderCentre, lethality } from '@inch/core/heat';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

const acid = { referenceCelsius: 93.3, z: 8.9 };
const held = (celsius: number, seconds: number) =>
  Array.from({ length: seconds / 10 + 1 }, (_, i) => ({ seconds: i * 10, celsius }));

describe('lethality', () => {
  it('held at the reference is its own minutes; a z hotter is ten times as much', () => {
    expect(lethality({ samples: held(93.3, 300), ...acid })).toBeCloseTo(5, 9);
    expect(lethality({ samples: held(93.3 - 8.9, 300), ...acid })).toBeCloseTo(0.5, 9);
  });

  it('of a straight climb is the integral in closed form: z/ln 10 of the rates’ difference over the slope', () => {
    const climb = Array.from({ length: 41 }, (_, i) => ({ seconds: i * 15, celsius: 70 + i * 0.7 }));
    const slope = 0.7 / 15;
    const exact =
      ((8.9 / Math.LN10) * ((10 ** ((98 - 93.3) / 8.9) - 10 ** ((70 - 93.3) / 8.9)) / slope)) / 60;
    expect(lethality({ samples: climb, ...acid })).toBeCloseTo(exact, 9);
    // Fewer readings of the same straight line say the same: trapezoids would not.
    const sparse = climb.filter((_, i) => i % 4 === 0);
    expect(lethality({ samples: sparse, ...acid })).toBeCloseTo(exact, 9);
  });

  it('counts nothing under 55 °C or over 100 °C, and across a long gap only the colder end', () => {
    expect(lethality({ samples: held(54.9, 3600), ...acid })).toBe(0);
    expect(lethality({ samples: held(100.1, 3600), ...acid })).toBe(0);
    const gap = [
      { seconds: 0, celsius: 93.3 },
      { seconds: 600, celsius: 99 },
    ];
    expect(lethality({ samples: gap, ...acid })).toBeCloseTo(10, 9);
  });

  it('is never less for a curve that is hotter everywhere', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 20, max: 99, noNaN: true }), { minLength: 2, maxLength: 30 }),
        (temps) => {
          const curve = temps.map((celsius, i) => ({ seconds: i * 30, celsius }));
          const hotter = curve.map((s) => ({ ...s, celsius: s.celsius + 1 }));
          expect(lethality({ samples: hotter, ...acid })).toBeGreaterThanOrEqual(
            lethality({ samples: curve, ...acid }),
          );
        },
      ),
    );
  });

  it('of times that go back is refused', () => {
    expect(() => lethality({ samples: [...held(90, 20)].reverse(), ...acid })).toThrow(RangeError);
    expect(() => lethality({ samples: [], referenceCelsius: 93.3, z: 0 })).toThrow(RangeError);
  });
});

const jar = { radiusMetres: 0.03, heightMetres: 0.1, startCelsius: 20 };
const bath = [{ seconds: 0, celsius: 100 }];
const conducting = { ...jar, inside: { kind: 'conduction' as const, diffusivity: 1.5e-7 } };

describe('a bottle in a bath, by conduction', () => {
  it('is within half a degree of the finite cylinder’s series', () => {
    const { slowest } = bottleInBath(conducting, bath, 3600);
    for (const seconds of [300, 600, 1200, 1800, 2400, 3600]) {
      const exact = cylinderCentre({
        radiusMetres: 0.03,
        halfHeightMetres: 0.05,
        diffusivity: 1.5e-7,
        startCelsius: 20,
        surfaceCelsius: 100,
        seconds,
      });
      expect(slowest.find((s) => s.seconds === seconds)!.celsius, `${seconds} s`).toBeGreaterThan(
        exact - 0.5,
      );
      expect(slowest.find((s) => s.seconds === seconds)!.celsius, `${seconds} s`).toBeLessThan(exact + 0.5);
    }
    // Published: 60.6 °C after 1,200 s, 97.0 °C after 3,600 s.
    expect(Math.abs(slowest.find((s) => s.seconds === 1200)!.celsius - 60.6)).toBeLessThan(0.5);
    expect(Math.abs(slowest.at(-1)!.celsius - 97)).toBeLessThan(0.5);
  });

  it('is never hotter than its bath nor colder than it began, and warms from the outside in', () => {
    const { slowest, field } = bottleInBath(conducting, bath, 900);
    expect(Math.max(...field.flat())).toBeLessThanOrEqual(100 + 1e-9);
    expect(Math.min(...field.flat())).toBeGreaterThanOrEqual(20 - 1e-9);
    for (const layer of field)
      for (let r = 1; r < layer.length; r++) expect(layer[r]!).toBeGreaterThanOrEqual(layer[r - 1]! - 1e-9);
    for (let i = 1; i < slowest.length; i++)
      expect(slowest[i]!.celsius).toBeGreaterThanOrEqual(slowest[i - 1]!.celsius);
  });

  it('a film slows it; a very good one is the surface held', () => {
    const with_ = (filmWPerM2K: number) =>
      bottleInBath({ ...conducting, filmWPerM2K, conductivity: 0.55 }, bath, 1200);
    const bare = bottleInBath(conducting, bath, 1200).slowest.at(-1)!.celsius;
    expect(with_(200).slowest.at(-1)!.celsius).toBeLessThan(bare);
    expect(with_(1e7).slowest.at(-1)!.celsius).toBeCloseTo(bare, 1);
  });

  it('cooling is warming upside down', () => {
    const warm = bottleInBath(conducting, bath, 1200).slowest.at(-1)!.celsius;
    const cold = bottleInBath({ ...conducting, startCelsius: 100 }, [{ seconds: 0, celsius: 20 }], 1200);
    expect(cold.slowest.at(-1)!.celsius).toBeCloseTo(120 - warm, 9);
  });
});

describe('a bottle in a bath, mixed through', () => {
  // 300 g of syrup at 3.4 J/gK.
  const thin = { ...jar, inside: { kind: 'mixed' as const, heatCapacityJPerK: 1020 }, filmWPerM2K: 150 };

  it('comes up to its bath as Newton says', () => {
    const area = 2 * Math.PI * 0.03 * (0.03 + 0.1);
    const { slowest } = bottleInBath(thin, bath, 600);
    expect(slowest.at(-1)!.celsius).toBeCloseTo(100 - 80 * Math.exp((-150 * area * 600) / 1020), 6);
  });

  it('follows a bath that is still warming, behind it', () => {
    const warming = [
      { seconds: 0, celsius: 20 },
      { seconds: 1200, celsius: 100 },
    ];
    const { slowest } = bottleInBath(thin, warming, 1200);
    expect(slowest.at(-1)!.celsius).toBeLessThan(100);
    expect(slowest.at(-1)!.celsius).toBeLessThan(bottleInBath(thin, bath, 1200).slowest.at(-1)!.celsius);
  });

  it('asks for what it needs', () => {
    const { filmWPerM2K: _, ...bare } = thin;
    expect(() => bottleInBath(bare, bath, 60)).toThrow(/film/);
    expect(() => bottleInBath({ ...conducting, filmWPerM2K: 100 }, bath, 60)).toThrow(/conductivity/);
    expect(() => bottleInBath(conducting, [], 60)).toThrow(RangeError);
    expect(() => bottleInBath({ ...conducting, radiusMetres: 0 }, bath, 60)).toThrow(RangeError);
    expect(() => bottleInBath(conducting, bath, 0)).toThrow(RangeError);
  });
});
