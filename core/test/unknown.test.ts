import { forecast } from '@inch/core/formula';
import { lethality, matchProcesses, processMismatches } from '@inch/core/heat';
import { shippedCatalogue } from '@inch/core/ingredient';
import { type KeepingProduct, keepingLimit, limitOf } from '@inch/core/keeping';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { inExamples } from './support/examples.ts';

const { letter, jarred, cherry, setting } = inExamples;

/** Days that a keeping time comes to, 0 where there is none. */
const daysOf = (product: KeepingProduct): number => {
  const { time } = keepingLimit(product);
  return time ? time.count * (time.unit === 'month' ? 30 : 1) : 0;
};

const known = fc.record({
  storage: fc.constantFrom('shelf' as const, 'cold' as const, 'frozen' as const),
  ph: fc.double({ min: 2.5, max: 5.5, noNaN: true }),
  criticalPh: fc.double({ min: 3, max: 4.6, noNaN: true }),
  killStep: fc.boolean(),
  heatProcess: fc.boolean(),
  closedHot: fc.boolean(),
  sealChecked: fc.boolean(),
  cooledInTime: fc.boolean(),
  freshPieces: fc.boolean(),
  brix: fc.double({ min: 0, max: 80, noNaN: true }),
  aceticPercent: fc.double({ min: 0, max: 5, noNaN: true }),
});

describe('what is not known', () => {
  it('never gives a product a longer time than what is known of it', () =>
    fc.assert(
      fc.property(
        known,
        fc.subarray(
          [
            'ph',
            'killStep',
            'heatProcess',
            'closedHot',
            'sealChecked',
            'cooledInTime',
            'brix',
            'aceticPercent',
          ],
          { minLength: 1 },
        ),
        fc.constantFrom(null, undefined, Number.NaN),
        (product, fields, unknown) => {
          const less = { ...product, ...Object.fromEntries(fields.map((f) => [f, unknown])) };
          expect(daysOf(less as KeepingProduct)).toBeLessThanOrEqual(daysOf(product));
        },
      ),
    ));

  it('of a pH is never acid enough, whatever stands in its place', () => {
    const shelf = {
      storage: 'shelf' as const,
      killStep: true,
      heatProcess: true,
      closedHot: true,
      sealChecked: true,
      cooledInTime: null,
      freshPieces: false,
    };
    for (const ph of [null, undefined, Number.NaN, Number.POSITIVE_INFINITY, -1, 99, '3.2'])
      expect(keepingLimit({ ...shelf, ph } as unknown as KeepingProduct).row, String(ph)).toBe('none');
    expect(keepingLimit({ ...shelf, ph: 3.2 }).row).toBe('shelf');
    expect([limitOf(undefined), limitOf(Number.NaN), limitOf(9)]).toEqual([4.2, 4.2, 4.6]);
  });

  it('matches no process: it is a reason, or it waits', () => {
    const strict = { ...letter, brix: { from: 40, to: 60 }, highestPh: 3.6 };
    expect(processMismatches(strict, jarred)).toEqual([]);
    for (const change of [
      { ph: Number.NaN },
      { brix: Number.NaN },
      { nominalMl: Number.NaN },
      { headspaceInches: Number.NaN },
    ])
      expect(processMismatches(strict, { ...jarred, ...change }), JSON.stringify(change)).toHaveLength(1);
    for (const ph of [null, undefined]) {
      const [match] = matchProcesses([strict], { ...jarred, ph }, 719);
      expect([...match!.reasons, ...match!.waits], String(ph)).not.toEqual([]);
    }
  });

  it('in a curve of temperatures is refused, not counted', () => {
    const curve = (celsius: number) => ({
      samples: [
        { seconds: 0, celsius: 95 },
        { seconds: 30, celsius },
      ],
      referenceCelsius: 93.3,
      z: 8.9,
    });
    expect(lethality(curve(95))).toBeGreaterThan(0.5);
    for (const nothing of [Number.NaN, Number.POSITIVE_INFINITY])
      expect(() => lethality(curve(nothing))).toThrow(RangeError);
    expect(() => lethality({ ...curve(95), referenceCelsius: Number.NaN })).toThrow(RangeError);
  });
});

describe('a forecast', () => {
  const unknownPh = {
    ...cherry,
    lines: [...cherry.lines, { id: 'tips', said: '300 g', ingredientId: 'spruce-tip', stepId: 'cook' }],
  };
  it.each([
    ['on the shelf', cherry],
    ['cold', { ...cherry, storage: 'cold' as const }],
    ['of what is low-acid', unknownPh],
    [
      'of water alone',
      { ...cherry, lines: [{ id: 'w', said: '1 kg', ingredientId: 'water', stepId: 'cook' }] },
    ],
  ])('%s never says that something was measured or recorded', (_, content) => {
    const { hurdles, keeping, reason, holds } = forecast(content, {
      ...setting,
      catalogue: shippedCatalogue,
    });
    const said = JSON.stringify({ hurdles, keeping, reason, holds });
    expect(said).not.toMatch(/measured/i);
    expect(said).not.toMatch(/recorded/i);
  });
});
