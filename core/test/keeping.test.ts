import { addDays, dayOf } from '@inch/core/calendar';
import { boilingPointOfWater, heatProcesses, processMismatches, processTime } from '@inch/core/heat';
import {
  alcoholByVolume,
  bestBy,
  carriedBy,
  dateWord,
  type HurdleFacts,
  hurdles,
  type KeepingProduct,
  keepingLimit,
  waterActivity,
} from '@inch/core/keeping';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

const SUCROSE = 342.3;

describe('water activity', () => {
  it.each([
    [1, 0.981],
    [3, 0.933],
    [5, 0.878],
  ])('of %d mol sucrose per kg of water is within 0.006 of the measured one', (molal, measured) => {
    expect(Math.abs(waterActivity({ water: 1000, sucrose: molal * SUCROSE }) - measured)).toBeLessThanOrEqual(
      0.006,
    );
  });
  it('is about 0.85 at the saturation of sucrose, and lower with the same mass of invert', () => {
    expect(waterActivity({ water: 33, sucrose: 67 })).toBeCloseTo(0.85, 1);
    expect(waterActivity({ water: 33, glucose: 33.5, fructose: 33.5 })).toBeLessThan(
      waterActivity({ water: 33, sucrose: 67 }),
    );
  });
  it.each([
    ['sucrose', 6.47, 342.3],
    ['glucose', 1.7, 180.16],
    ['fructose', 2.25, 180.16],
    ['citric', 6.17, 192.12],
    ['malic', 1.82, 134.09],
    ['tartaric', 4.68, 150.09],
    ['lactic', 0, 90.08],
    ['glycerol', 1.16, 92.09],
    ['sorbitol', 1.65, 182.17],
  ] as const)('of %s alone is by its own constant', (name, k, molarMass) => {
    const [water, solute] = [1000 / 18.015, 400 / molarMass];
    const share = solute / (water + solute);
    const alone = waterActivity({ water: 1000, [name]: 400 });
    expect(alone).toBeCloseTo((1 - share) * Math.exp(-k * share ** 2), 9);
  });
  // Scott (1957), as tabulated by the ICMSF: % w/w of glucose that gives each water activity.
  it.each([
    [15.7, 0.98],
    [28.5, 0.96],
    [37.8, 0.94],
    [43.7, 0.92],
    [48.5, 0.9],
    [53, 0.88],
    [58.45, 0.86],
  ])('of %d %% glucose is within 0.006 of %d, up to saturation', (percent, published) => {
    expect(Math.abs(waterActivity({ water: 100 - percent, glucose: percent }) - published)).toBeLessThan(
      0.006,
    );
  });
  it('falls with every solute added', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 2000, noNaN: true }),
        fc.double({ min: 1, max: 500, noNaN: true }),
        (sugar, more) => {
          expect(waterActivity({ water: 1000, sucrose: sugar + more })).toBeLessThan(
            waterActivity({ water: 1000, sucrose: sugar }),
          );
        },
      ),
    );
    expect(() => waterActivity({ water: 0 })).toThrow(RangeError);
  });
});

describe('alcohol by volume', () => {
  it('of a tablespoon of 40 % spirit in half a litre is 1.2 %', () => {
    expect(
      alcoholByVolume({
        parts: [
          { ml: 15, abv: 40 },
          { ml: 485, abv: 0 },
        ],
      }),
    ).toBeCloseTo(1.2, 3);
  });
  // OIML R 22 by weight: 378.8 g of ethanol in 902.8 g of mixture, 41.96 %, is 0.9311 g/mL.
  it('contracts: half a litre of 96 % and half a litre of water give 49.5 %, and 30 mL less than a litre', () => {
    const half = { ml: 500, abv: 96 };
    expect(alcoholByVolume({ parts: [half, { ml: 500, abv: 0 }] })).toBeCloseTo(49.5, 1);
    expect(alcoholByVolume({ parts: [half] })).toBeCloseTo(96, 6);
  });
  it('lies between the parts, and does not depend on how they are poured together', () =>
    fc.assert(
      fc.property(
        fc.array(fc.record({ ml: fc.integer({ min: 1, max: 900 }), abv: fc.integer({ min: 0, max: 100 }) }), {
          minLength: 1,
          maxLength: 5,
        }),
        (parts) => {
          const abv = alcoholByVolume({ parts });
          const all = parts.map((p) => p.abv);
          expect(abv).toBeGreaterThanOrEqual(Math.min(...all) - 0.01);
          expect(abv).toBeLessThanOrEqual(Math.max(...all) + 0.01);
          expect(alcoholByVolume({ parts: [...parts].reverse() })).toBeCloseTo(abv, 6);
        },
      ),
    ));
  it('refuses nothing and nonsense', () => {
    expect(() => alcoholByVolume({ parts: [] })).toThrow(RangeError);
    expect(() => alcoholByVolume({ parts: [{ ml: 1, abv: 120 }] })).toThrow(RangeError);
  });
});

const cold: KeepingProduct = {
  storage: 'cold',
  ph: 3.2,
  killStep: true,
  heatProcess: null,
  closedHot: false,
  sealChecked: true,
  cooledInTime: true,
  freshPieces: false,
};
const shelf: KeepingProduct = {
  storage: 'shelf',
  ph: 3.4,
  killStep: true,
  heatProcess: true,
  closedHot: true,
  sealChecked: true,
  cooledInTime: null,
  freshPieces: false,
};

describe('the keeping table', () => {
  it.each([
    ['shelf', shelf, 12, 'month', 28],
    ['shelf with own retained bottles', { ...shelf, ownRetained: true }, 18, 'month', 28],
    ['never heated', { ...cold, killStep: false }, 3, 'day', 3],
    ['heating unknown', { ...cold, killStep: null }, 3, 'day', 3],
    ['pH not measured', { ...cold, ph: null }, 7, 'day', 3],
    ['pH not measured, pieces in it', { ...cold, ph: null, freshPieces: true }, 4, 'day', 3],
    ['pieces unknown', { ...cold, ph: 5.1, freshPieces: null }, 4, 'day', 3],
    ['pH 4.6', { ...cold, ph: 4.6 }, 14, 'day', 14],
    ['pH just over 4.6', { ...cold, ph: 4.61 }, 7, 'day', 3],
    ['pH 4.2', { ...cold, ph: 4.2 }, 1, 'month', 14],
    ['pH just over 4.2', { ...cold, ph: 4.21 }, 14, 'day', 14],
    ['pH 3.5 and 60 °Bx', { ...cold, ph: 3.5, brix: 60 }, 3, 'month', 14],
    ['pH 3.51 and 60 °Bx', { ...cold, ph: 3.51, brix: 60 }, 1, 'month', 14],
    ['pH 3.5 and 59 °Bx', { ...cold, ph: 3.5, brix: 59 }, 1, 'month', 14],
    ['1 % acetic', { ...cold, ph: 3.4, aceticPercent: 1 }, 3, 'month', 14],
    ['2 % acetic, no retained bottles', { ...cold, ph: 3.4, aceticPercent: 2 }, 3, 'month', 14],
    [
      '2 % acetic with retained bottles',
      { ...cold, ph: 3.4, aceticPercent: 2, ownRetained: true },
      6,
      'month',
      14,
    ],
    ['frozen', { ...cold, storage: 'frozen' as const }, 12, 'month', 3],
  ])('%s', (_, product, count, unit, opened) => {
    expect(keepingLimit(product).time).toEqual({ count, unit });
    expect(keepingLimit(product).openedDays).toBe(opened);
  });

  const frozen = { ...cold, storage: 'frozen' as const };
  it.each<[string, Partial<KeepingProduct>]>([
    ['nobody knows how it cooled', { cooledInTime: null }],
    ['it cooled too slowly', { cooledInTime: false }],
    ['it was closed hot', { closedHot: true }],
    ['nobody knows how it was closed', { closedHot: null }],
    ['the glass is full', { roomForIce: false }],
    ['nobody knows how full the glass is', { roomForIce: null }],
    ['no hour says when it went in', { inFreezer: false }],
    ['the hour is not known', { inFreezer: null }],
  ])('nothing is frozen where %s, whatever else is well', (_, more) => {
    const well = { ...frozen, roomForIce: true, inFreezer: true };
    expect(keepingLimit(well)).toMatchObject({ row: 'frozen', time: { count: 12, unit: 'month' } });
    expect(keepingLimit({ ...well, ...more })).toMatchObject({ row: 'none', time: null });
    expect(keepingLimit({ ...well, ...more }).missing).toHaveLength(1);
  });

  it.each([
    ['shelf without a measured pH', { ...shelf, ph: null }],
    ['shelf over its limit', { ...shelf, ph: 4.3 }],
    ['shelf without a process', { ...shelf, heatProcess: null }],
    ['shelf cooled open', { ...shelf, closedHot: false }],
    ['shelf unsealed', { ...shelf, sealChecked: null }],
    ['cold and not chilled in time', { ...cold, cooledInTime: false }],
    ['cold with the cooling unknown', { ...cold, cooledInTime: null }],
    ['undecided', { ...cold, storage: null }],
  ])('%s is carried by nothing and says what is missing', (_, product) => {
    const time = keepingLimit(product);
    expect([time.class, time.time]).toEqual(['none', null]);
    expect(time.missing.length).toBeGreaterThan(0);
  });

  const flag = fc.constantFrom(true, false, null);
  const anything: fc.Arbitrary<KeepingProduct> = fc.record({
    storage: fc.constantFrom('shelf' as const, 'cold' as const, 'frozen' as const, null),
    ph: fc.option(fc.double({ min: 2, max: 7, noNaN: true })),
    criticalPh: fc.double({ min: 3, max: 9, noNaN: true }),
    killStep: flag,
    heatProcess: flag,
    closedHot: flag,
    sealChecked: flag,
    cooledInTime: flag,
    freshPieces: flag,
    brix: fc.option(fc.double({ min: 0, max: 80, noNaN: true })),
    aceticPercent: fc.option(fc.double({ min: 0, max: 5, noNaN: true })),
    ownRetained: fc.boolean(),
  });
  const inDays = (p: KeepingProduct) => {
    const { time } = keepingLimit(p);
    return time ? time.count * (time.unit === 'month' ? 30 : 1) : 0;
  };

  it('is total, gives a reason, and never puts anything over pH 4.6 on the shelf', () => {
    fc.assert(
      fc.property(anything, (p) => {
        const time = keepingLimit(p);
        expect(time.reason).not.toBe('');
        if (time.class === 'shelf') expect(p.ph!).toBeLessThanOrEqual(4.6);
      }),
    );
  });

  it('never lasts longer for knowing less', () => {
    fc.assert(
      fc.property(
        anything,
        fc.constantFrom(
          'ph',
          'killStep',
          'heatProcess',
          'closedHot',
          'sealChecked',
          'cooledInTime',
          'aceticPercent',
          'brix',
        ),
        (p, key) => {
          expect(inDays({ ...p, [key]: null })).toBeLessThanOrEqual(inDays(p));
        },
      ),
    );
  });

  it('never lasts longer at a higher pH', () => {
    fc.assert(
      fc.property(anything, fc.double({ min: 0, max: 2, noNaN: true }), (p, more) => {
        fc.pre(p.ph !== null);
        expect(inDays({ ...p, ph: p.ph! + more })).toBeLessThanOrEqual(inDays(p));
      }),
    );
  });
});

describe('dates', () => {
  it('count the day of making as day 1', () => {
    expect(bestBy('2026-11-25', { time: { count: 3, unit: 'day' } })).toBe('2026-11-27');
    expect(bestBy('2026-11-25', { time: { count: 12, unit: 'month' } })).toBe('2027-11-24');
    expect(bestBy('2026-01-31', { time: { count: 1, unit: 'month' } })).toBe('2026-02-27');
    expect(bestBy('2026-11-25', { time: null })).toBeNull();
    expect(addDays('2028-02-28', 1)).toBe('2028-02-29');
  });
  it('are "use by" for the short kinds', () => {
    expect([
      dateWord({ time: { count: 7, unit: 'day' } }),
      dateWord({ time: { count: 1, unit: 'month' } }),
    ]).toEqual(['use-by', 'best-by']);
  });
  it('fall on the kitchen’s own day', () => {
    expect(dayOf('2026-07-01T23:30:00.000Z', 'Europe/London')).toBe('2026-07-02');
    expect(dayOf('2026-07-01T23:30:00.000Z', 'America/Denver')).toBe('2026-07-01');
  });
});

describe('hurdles', () => {
  const facts: HurdleFacts = {
    ...shelf,
    brix: 52,
    aceticPercent: null,
    abv: null,
    measuredWaterActivity: null,
  };
  const carrying = (f: HurdleFacts) =>
    hurdles(f)
      .filter((h) => h.carries)
      .map((h) => h.id);
  it('say which of them carry the product', () => {
    expect(carrying(facts)).toEqual(['acid', 'heat']);
    expect(carrying({ ...facts, ...cold })).toEqual(['kill-step', 'acid', 'cold']);
    expect(carrying({ ...facts, ...cold, aceticPercent: 1.4 })).toEqual([
      'kill-step',
      'acid',
      'cold',
      'acetic',
    ]);
    expect(carrying({ ...facts, ...cold, killStep: false })).toEqual(['cold']);
  });
  it('say that sugar short of keeping, or a dash of spirit, does not carry it', () => {
    expect(carriedBy(facts)).toMatch(/sugar does not: at 52 °Bx/);
    expect(carriedBy({ ...facts, brix: 12, abv: 1.2 })).toMatch(/spirit does not: 1\.2 % ABV/);
    expect(carriedBy(facts)).not.toMatch(/\bsafe\b/i);
  });
});

describe('boiling and processes', () => {
  it('boils water at 94.9 °C at 1,524 m and at 100 at the sea', () => {
    expect(boilingPointOfWater(1524)).toBeCloseTo(94.9, 1);
    expect(boilingPointOfWater(0)).toBeCloseTo(100, 1);
    expect(() => boilingPointOfWater(9000)).toThrow(RangeError);
  });
  const berry = heatProcesses.find((p) => p.id === 'berry-syrup')!;
  it.each([
    [304.8, 10],
    [304.9, 15],
    [719, 15],
    [1828.8, 15],
    [1828.9, 20],
  ])('asks at %d m for %d minutes', (metres, minutes) => expect(processTime(berry, metres)).toBe(minutes));
  it('matches only what it was tested on, and says every reason why not', () => {
    const known = { state: 'strained', pack: 'hot', brix: 60, headspaceInches: 0.5 } as const;
    const product = { kind: 'syrup', fruits: ['sour-cherry'], closure: 'two-piece-lid', nominalMl: 237 };
    expect(processMismatches(berry, { ...product, ...known })).toEqual([]);
    const other = { kind: 'shrub', fruits: ['quince'], closure: 'swing-top', nominalMl: 500 };
    expect(processMismatches(berry, { ...other, ...known })).toHaveLength(4);
    // What is not known is a reason: state, pack, °Bx and headspace.
    expect(processMismatches(berry, product)).toHaveLength(4);
  });
});
