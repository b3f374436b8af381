import { type KeepingProduct, keepingLimit } from '@inch/core/keeping';
import { gates, type LotRecord, lotKeeping, storageNow, whyNotKept } from '@inch/core/lot';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { draws } from '../../scripts/src/draws.mjs';
import { neverLonger } from '../src/lot/keeping/keptInstead.ts';
import { entry, releasable, T } from './support/lot.ts';

const change = (from: 'shelf' | 'cold', to: 'cold' | 'frozen', at: string) => ({
  ...entry(`to ${to}`, at),
  from,
  to,
  why: 'no jars of the size',
});

describe('a lot that is kept another way than it was begun for', () => {
  it('is kept as it was changed to last', () => {
    const lot = releasable();
    expect(storageNow(lot)).toBe('shelf');
    const both = [change('cold', 'frozen', T(6)), change('shelf', 'cold', T(4))];
    expect(storageNow({ ...lot, storageChanges: both as never })).toBe('frozen');
  });
  it('has the gates and the words of its new way', () => {
    const cold: LotRecord = { ...releasable(), storage: 'cold' };
    const heat = gates(cold, { timeZone: 'UTC', labelMissing: [] }).find((g) => g.id === 'heat')!;
    expect(heat.open).toBe(false);
    expect(heat.missing).toMatch(/not closed hot/);
    expect(lotKeeping(cold, { timeZone: 'UTC' }).class).toBe('none');
    const cooled = {
      ...cold,
      bottlings: cold.bottlings.map((b) => ({
        ...b,
        closing: 'cooled' as const,
        hoursTo21: 0.5,
        hoursToCold: 4,
      })),
    };
    expect(lotKeeping(cooled, { timeZone: 'UTC' })).toMatchObject({
      class: 'cold',
      time: { count: 1, unit: 'month' },
    });
  });
  it('may be changed while its hours to the cold run, and not after, unless it was chilled in them', () => {
    const lot = releasable();
    // Hot last at its process, 4 h.
    expect(whyNotKept(lot, 'cold', T(9))).toBeNull();
    expect(whyNotKept(lot, 'cold', T(11))).toMatch(/more than 6 hours/);
    const chilled = {
      ...lot,
      heatProcesses: [],
      bottlings: lot.bottlings.map((b) => ({
        ...b,
        closing: 'cooled' as const,
        hoursTo21: 0.5,
        hoursToCold: 4,
      })),
    };
    expect(whyNotKept(chilled, 'cold', T(40))).toBeNull();
  });
  it('never goes back to what keeps longer, nor out of a release or an end', () => {
    const lot = releasable();
    expect(whyNotKept({ ...lot, storage: 'cold' }, 'cold', T(5))).toMatch(/already/);
    expect(whyNotKept({ ...lot, storage: 'frozen' }, 'cold', T(5))).toMatch(/already/);
    expect(whyNotKept({ ...lot, state: 'released' }, 'cold', T(5))).toMatch(/Hold it first/);
    expect(whyNotKept({ ...lot, state: 'discarded' }, 'cold', T(5))).toMatch(/ended/);
  });
});

const maybe = fc.option(fc.boolean(), { nil: null });
const product: fc.Arbitrary<KeepingProduct> = fc.record({
  storage: fc.constant('shelf' as const),
  ph: fc.option(fc.double({ min: 2, max: 7, noNaN: true }), { nil: null }),
  killStep: maybe,
  heatProcess: maybe,
  closedHot: maybe,
  sealChecked: maybe,
  cooledInTime: maybe,
  freshPieces: maybe,
  brix: fc.option(fc.double({ min: 0, max: 80, noNaN: true }), { nil: null }),
  aceticPercent: fc.option(fc.double({ min: 0, max: 4, noNaN: true }), { nil: null }),
  ownRetained: fc.boolean(),
});
/** Days of a time by a year of 365 and months of 28 to 31. */
const days = (time: { count: number; unit: 'day' | 'month' } | null) =>
  time === null ? 0 : time.unit === 'day' ? time.count : Math.round(time.count * 30.4);
/** The longest that a shelf lot may ever have. */
const SHELF = days({ count: 12, unit: 'month' });

describe('changing how a lot is kept', () => {
  it('never lengthens a date: cold and frozen keep no longer than the shelf, and what was cold no longer than the cold', () =>
    fc.assert(
      fc.property(product, (p) => {
        const of = (storage: 'shelf' | 'cold' | 'frozen', before: ('shelf' | 'cold')[]) =>
          days(neverLonger({ ...p, storage } as never, before).time);
        const cold = days(keepingLimit({ ...p, storage: 'cold' }).time);
        expect(of('cold', ['shelf'])).toBeLessThanOrEqual(SHELF);
        expect(of('frozen', ['shelf'])).toBeLessThanOrEqual(SHELF);
        expect(of('frozen', ['cold'])).toBeLessThanOrEqual(cold);
        expect(of('frozen', ['shelf', 'cold'])).toBeLessThanOrEqual(cold);
      }),
      { numRuns: draws(500) },
    ));
});
