import { implausible } from '@inch/core/bottling';
import { heatProcesses } from '@inch/core/heat';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { letter } from './support/lot.ts';

describe('a process by what heat can do', () => {
  it.each(heatProcesses.map((p) => [p.name, p.largestMl, p] as const))(
    'as the guide publishes it is plausible: %s, %s mL',
    (_, __, process) => expect(implausible(process)).toEqual([]),
  );
  it.each([
    [
      'a minute for a quart of raw puree',
      {
        largestMl: 950,
        state: 'puree' as const,
        bands: [{ toFeet: 1000, minutes: 1 }],
        pack: 'raw' as const,
      },
    ],
    [
      'ten minutes for five litres of raw puree',
      { largestMl: 5000, state: 'puree' as const, pack: 'raw' as const },
    ],
    [
      'a fill at 71 °C for a minute',
      { hotFill: { celsius: 71, holdMinutes: 1, invertSeconds: 60 }, method: 'hot-fill' as const },
    ],
  ])('is not: %s', (_, more) => expect(implausible({ ...letter, ...more }).length).toBeGreaterThan(0));
  it('longer, in a smaller jar or packed hot, is no less plausible', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 60 }),
        fc.integer({ min: 100, max: 4000 }),
        fc.constantFrom('strained' as const, 'puree' as const),
        fc.constantFrom('hot' as const, 'raw' as const),
        (minutes, largestMl, state, pack) => {
          const process = { ...letter, state, pack, largestMl, bands: [{ toFeet: 6000, minutes }] };
          fc.pre(implausible(process).length === 0);
          expect(implausible({ ...process, bands: [{ toFeet: 6000, minutes: minutes + 10 }] })).toEqual([]);
          expect(implausible({ ...process, largestMl: largestMl * 0.6 })).toEqual([]);
          expect(implausible({ ...process, pack: 'hot' })).toEqual([]);
        },
      ),
      { numRuns: 12 },
    );
  });
});
