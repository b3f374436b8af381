import { equilibriumPh, titratableAcidity, titrationEndpoint } from '@inch/core/acid';
import { describe, expect, it } from 'vitest';

/** A curve by charge balance: 10 mL of an acid titrated with 0.1 N base, the sample diluted by what runs in. */
const curve = (acid: 'citric' | 'acetic', molPerL: number, stepMl: number, toMl: number) =>
  Array.from({ length: Math.round(toMl / stepMl) + 1 }, (_, i) => {
    const ml = i * stepMl;
    const litres = (10 + ml) / 1000;
    const acids = { [acid]: (molPerL * 0.01) / litres };
    return { ml, ph: equilibriumPh({ acids, baseEquivalents: (0.1 * ml) / 1000 / litres }).ph };
  });

describe('the endpoint of a titration', () => {
  it('at 8.2 is the acid’s equivalents, the burette read every half millilitre', () => {
    // 0.05 mol/L citric, three protons: 15 mL of 0.1 N on 10 mL.
    expect(titrationEndpoint(curve('citric', 0.05, 0.5, 17))).toBeCloseTo(15, 0);
    const ml = titrationEndpoint(curve('acetic', 0.08, 0.25, 10));
    expect(ml).toBeCloseTo(8, 1);
    expect(titratableAcidity({ titrantMl: ml, normality: 0.1, sampleMl: 10, as: 'acetic' })).toBeCloseTo(
      0.08 * 60.05,
      1,
    );
  });
  it('at the steepest point is the same within a step', () => {
    expect(Math.abs(titrationEndpoint(curve('acetic', 0.08, 0.2, 10), { ph: null }) - 8)).toBeLessThan(0.2);
    expect(Math.abs(titrationEndpoint(curve('citric', 0.05, 0.25, 17), { ph: null }) - 15)).toBeLessThan(
      0.25,
    );
  });
  it('is linear between two readings, in whatever order they came', () => {
    const points = [
      { ml: 12, ph: 9.2 },
      { ml: 0, ph: 3 },
      { ml: 10, ph: 7.2 },
    ];
    expect(titrationEndpoint(points)).toBeCloseTo(11, 9);
    expect(titrationEndpoint(points, { ph: 5.1 })).toBeCloseTo(5, 9);
  });
  it.each([
    [[{ ml: 0, ph: 3 }], {}, /at least two/],
    [
      [
        { ml: 0, ph: 3 },
        { ml: 5, ph: 6 },
      ],
      {},
      /run in more base/,
    ],
    [
      [
        { ml: 0, ph: 9 },
        { ml: 5, ph: 10 },
      ],
      {},
      /over the endpoint/,
    ],
    [
      [
        { ml: 1, ph: 3 },
        { ml: 1, ph: 9 },
      ],
      {},
      /twice/,
    ],
    [
      [
        { ml: -1, ph: 3 },
        { ml: 1, ph: 9 },
      ],
      {},
      /not a reading/,
    ],
    [
      [
        { ml: 0, ph: 3 },
        { ml: 1, ph: 9 },
        { ml: 2, ph: 9.5 },
      ],
      { ph: null },
      /steepest part/,
    ],
  ])('of %j is refused with what to do', (points, options, message) => {
    expect(() => titrationEndpoint(points, options)).toThrow(message);
  });
});
