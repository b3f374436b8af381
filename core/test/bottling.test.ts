import {
  boilsIn,
  type CannerRun,
  coolingClock,
  loadClock,
  netContents,
  netMl,
  tallyUp,
  thermalShock,
  usNetContents,
  type WarmingBottle,
  warming,
  whyNotMarked,
} from '@inch/core/bottling';
import {
  type HeatProcess,
  heatProcesses,
  matchProcesses,
  minutesAsked,
  needsSterileJars,
  type Pack,
  type ProcessedProduct,
  type ProductState,
  processMismatches,
  processTime,
  sterilisingMinutes,
} from '@inch/core/heat';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

/** An instant so many minutes after noon. */
const at = (minutes: number) => new Date(Date.UTC(2026, 10, 25, 12) + minutes * 60_000).toISOString();
const load = (marks: [CannerRun['marks'][number]['kind'], number][]): CannerRun => ({
  at: at(0),
  requiredMinutes: 15,
  restMinutes: 5,
  marks: marks.map(([kind, minutes]) => ({ kind, at: at(minutes) })),
});

describe('the clock of a canner load', () => {
  it('starts at the full boil, not when the jars went in', () => {
    expect(loadClock(load([]), at(12))).toMatchObject({ phase: 'coming to the boil', leftSeconds: 900 });
    expect(loadClock(load([['boil', 10]]), at(12))).toMatchObject({
      phase: 'at the boil',
      boiledSeconds: 120,
      leftSeconds: 780,
    });
  });
  it('begins anew from nothing when the boil stops', () => {
    const stopped = load([
      ['boil', 10],
      ['stopped', 24],
    ]);
    expect(loadClock(stopped, at(26))).toMatchObject({ phase: 'boil stopped', leftSeconds: 900 });
    const again = load([
      ['boil', 10],
      ['stopped', 24],
      ['boil', 27],
    ]);
    expect(loadClock(again, at(28))).toMatchObject({ boiledSeconds: 60, leftSeconds: 840, restarts: 1 });
  });
  it('ends with the rest before lifting', () => {
    const off = load([
      ['boil', 10],
      ['off', 25],
    ]);
    expect(loadClock(off, at(27))).toMatchObject({
      phase: 'resting',
      boiledSeconds: 900,
      restLeftSeconds: 180,
    });
    const lifted = load([
      ['boil', 10],
      ['off', 25],
      ['lifted', 31],
    ]);
    expect(loadClock(lifted, at(99))).toMatchObject({
      phase: 'lifted',
      restedSeconds: 360,
      restLeftSeconds: 0,
    });
  });
  it('does not let the fire go off before its time, nor anything out of order', () => {
    const boiling = load([['boil', 10]]);
    expect(whyNotMarked(boiling, 'off', at(24))).toMatch(/1 min are still to come/);
    expect(whyNotMarked(boiling, 'off', at(25))).toBeNull();
    expect(whyNotMarked(boiling, 'lifted', at(25))).toMatch(/at the boil/);
    expect(whyNotMarked(boiling, 'stopped', at(9))).toMatch(/before/);
    expect(whyNotMarked(load([]), 'off', at(1))).toMatch(/coming to the boil/);
  });
  it('never counts more of the boil than lies between its last return and now', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 40 }), { minLength: 1, maxLength: 7 }),
        fc.integer({ min: 0, max: 30 }),
        (gaps, after) => {
          let minute = 0;
          const marks = gaps.map((gap, i): [CannerRun['marks'][number]['kind'], number] => {
            minute += gap;
            return [i % 2 === 0 ? 'boil' : 'stopped', minute];
          });
          const clock = loadClock(load(marks), at(minute + after));
          const boiling = gaps.length % 2 === 1;
          expect(clock.boiledSeconds).toBe(boiling ? after * 60 : 0);
          expect(clock.restarts).toBe(Math.floor((gaps.length - 1) / 2));
        },
      ),
    );
  });
});

describe('the two stages of cooling', () => {
  const read = (points: [number, number][]) =>
    points.map(([minutes, celsius]) => ({ at: at(minutes), celsius }));
  it('are met at their edges, and not a minute after', () => {
    const [a, b] = coolingClock(at(0), read([[120, 21], [360, 5]]), at(400)); // biome-ignore format: pairs
    expect([a!.verdict, b!.verdict]).toEqual(['in time', 'in time']);
    const [c, d] = coolingClock(at(0), read([[121, 21], [361, 5]]), at(400)); // biome-ignore format: pairs
    expect([c!.verdict, d!.verdict]).toEqual(['too late', 'too late']);
  });
  it('run until their hour, and are overdue after it', () => {
    const warm = read([[60, 40]]);
    expect(coolingClock(at(0), warm, at(119)).map((s) => s.verdict)).toEqual(['under way', 'under way']);
    expect(coolingClock(at(0), warm, at(121)).map((s) => s.verdict)).toEqual(['overdue', 'under way']);
  });
});

describe('every millilitre of a lot', () => {
  it('is in bottles, told, or the gap: nothing is lost between them', () => {
    const ml = fc.double({ min: 0, max: 5000, noNaN: true });
    fc.assert(
      fc.property(fc.double({ min: 1, max: 20_000, noNaN: true }), ml, ml, ml, (inPanMl, filledMl, a, b) => {
        const parts = [
          { part: 'tasted', ml: a },
          { part: 'spilt', ml: b },
        ] as const;
        const { accountedMl, gapMl } = tallyUp({ inPanMl, filledMl, parts }, 3);
        expect(accountedMl + gapMl).toBeCloseTo(inPanMl, 6);
      }),
    );
  });
  it('asks for a reason over the tolerance, either way', () => {
    const tally = (filledMl: number) => tallyUp({ inPanMl: 1000, filledMl, parts: [] }, 3).asks;
    expect([tally(970), tally(969), tally(1030), tally(1031)]).toEqual([false, true, false, true]);
    expect(() => tallyUp({ inPanMl: 0, filledMl: 0, parts: [] }, 3)).toThrow(RangeError);
  });
});

describe('glass and what goes into it', () => {
  it('stands 42 °C apart, either way round', () => {
    expect(thermalShock(50, 92)).toMatchObject({ differenceCelsius: 42, over: false });
    expect(thermalShock(49, 92).over).toBe(true);
    expect(thermalShock(92, 20).over).toBe(true);
    expect(() => thermalShock(Number.NaN, 90)).toThrow(RangeError);
  });
});

describe('net contents by the United States pack', () => {
  it('are right on average, and no bottle more than two in a hundred under', () => {
    expect(usNetContents(237, [237, 238, 236]).reasons).toEqual([]);
    expect(usNetContents(237, [240, 240, 232.3]).reasons).toEqual([]);
    expect(usNetContents(237, [241, 241, 232.2]).reasons).toHaveLength(1);
    expect(usNetContents(237, [236, 236]).reasons.join()).toMatch(/on average/);
    expect(() => usNetContents(237, [])).toThrow(RangeError);
  });
  it('differ from the European ones, where 9 mL of 237 may be missing in one of forty', () => {
    const one = [...Array.from({ length: 39 }, () => 238), 229];
    expect(netContents('eu', 237, one).reasons).toEqual([]);
    expect(netContents('us', 237, one).reasons).toHaveLength(1);
  });
  it('are what a bottle weighs without its glass, over its density', () => {
    expect(netMl(544, 250, 1.24)).toBeCloseTo(237.1, 1);
    expect(() => netMl(250, 250, 1.24)).toThrow(RangeError);
  });
});

describe('minutes asked of an acid product', () => {
  it.each([
    [3.4, 0.1],
    [3.89, 0.1],
    [3.9, 1],
    [4.1, 2.5],
    [4.2, 5],
    [4.3, 10],
    [4.4, 20],
    [4.5, null],
    [5.2, null],
  ])('at pH %d are %s', (ph, minutes) => expect(minutesAsked(ph)).toBe(minutes));
});

const berry = heatProcesses.find((p) => p.id === 'berry-syrup')!;
const product: ProcessedProduct = {
  kind: 'syrup',
  fruits: ['sour-cherry'],
  acids: [],
  state: 'strained',
  pack: 'hot',
  brix: 60,
  ph: 3.4,
  closure: 'two-piece-lid',
  nominalMl: 237,
  headspaceInches: 0.5,
  rated: ['boiling-water'],
  fillCelsius: 90,
};

describe('a heat process held against a product', () => {
  it('matches what it was tested on', () => expect(processMismatches(berry, product)).toEqual([]));
  it.each<[string, Partial<ProcessedProduct>]>([
    ['another fruit', { fruits: ['sour-cherry', 'fig'] }],
    ['another kind', { kind: 'shrub' }],
    ['an acid it has not', { acids: ['citric-anhydrous'] }],
    ['a thickener', { thickeners: ['pectin'] }],
    ['pieces', { state: 'pieces' }],
    ['a puree', { state: 'puree' }],
    ['what is in it not known', { state: null }],
    ['raw fruit', { pack: 'raw' }],
    ['how it was packed not known', { pack: null }],
    ['a spice', { fruits: ['sour-cherry', 'clove'] }],
    ['salt', { fruits: ['sour-cherry', 'salt'] }],
    ['sugar not measured', { brix: null }],
    ['less sugar', { brix: 52 }],
    ['another closure', { closure: 'swing-top' }],
    ['a larger jar', { nominalMl: 950 }],
    ['glass not made for it', { rated: [] }],
    ['another headspace', { headspaceInches: 0.25 }],
    ['a headspace not recorded', { headspaceInches: null }],
  ])('is broken by %s, in one line', (_, change) =>
    expect(processMismatches(berry, { ...product, ...change })).toHaveLength(1),
  );
  const hot: HeatProcess = {
    ...berry,
    id: 'own',
    highestPh: 3.8,
    method: 'hot-fill',
    hotFill: { celsius: 88, holdMinutes: 2, invertSeconds: 60 },
    bands: [{ toFeet: 3000, minutes: 2 }],
  };
  const bottle = { ...product, rated: ['hot-fill'] };
  // USDA Complete Guide to Home Canning (2015), Guide 2: minutes to 1,000, 3,000, 6,000 ft and above.
  it.each<[string, ProductState, Pack, number, number, number[]]>([
    ['fruit-puree', 'puree', 'hot', 950, 0.25, [15, 20, 20, 25]],
    ['rhubarb-stewed', 'pieces', 'hot', 950, 0.5, [15, 20, 20, 25]],
    ['berries-raw-pints', 'pieces', 'raw', 475, 0.5, [15, 20, 20, 25]],
    ['berries-raw-quarts', 'pieces', 'raw', 950, 0.5, [20, 25, 30, 35]],
    ['berries-hot', 'pieces', 'hot', 950, 0.5, [15, 20, 20, 25]],
    ['cherries-hot-pints', 'pieces', 'hot', 475, 0.5, [15, 20, 20, 25]],
    ['cherries-hot-quarts', 'pieces', 'hot', 950, 0.5, [20, 25, 30, 35]],
    ['applesauce-pints', 'puree', 'hot', 475, 0.5, [15, 20, 20, 25]],
    ['applesauce-quarts', 'puree', 'hot', 950, 0.5, [20, 25, 30, 35]],
    ['apple-grape-juice-half-gallons', 'strained', 'hot', 1900, 0.25, [10, 15, 15, 20]],
  ])('%s stands as its guide has it', (id, state, pack, largestMl, headspaceInches, minutes) => {
    const process = heatProcesses.find((p) => p.id === id)!;
    expect(process).toMatchObject({ state, pack, largestMl, headspaceInches, readOn: null });
    const feet = [1000, 3000, 6000, 6001];
    expect(feet.map((ft) => processTime(process, ft * 0.3048))).toEqual(minutes);
    expect([0, 1001, 3001].map((ft) => processTime(process, ft * 0.3048))).toEqual(minutes.slice(0, 3));
  });

  it('a puree is of any acid fruit but those its guide names, and of nothing else', () => {
    const puree = heatProcesses.find((p) => p.id === 'fruit-puree')!;
    const of = (fruits: string[], more: Partial<ProcessedProduct> = {}) =>
      processMismatches(puree, {
        ...product,
        fruits,
        state: 'puree',
        headspaceInches: 0.25,
        notFruit: [],
        lowAcid: [],
        ...more,
      });
    expect(of(['peach', 'raspberry'])).toEqual([]);
    expect(of(['mango'])).toHaveLength(1);
    expect(of(['plum', 'clove'], { notFruit: ['clove'] })).toHaveLength(1);
    expect(of(['white-peach'], { lowAcid: ['white-peach'] })).toHaveLength(1);
    expect(of([])).toHaveLength(1);
    // Whether a thing is fruit, and acid, has to be known.
    expect(
      processMismatches(puree, { ...product, fruits: ['peach'], state: 'puree', headspaceInches: 0.25 }),
    ).toHaveLength(1);
  });

  it('may ask for an acid, and for how much of it', () => {
    const sour = { ...berry, acidsRequired: [{ id: 'citric-anhydrous', gramsPerKg: 2.5 }] };
    const acids = ['citric-anhydrous'];
    expect(processMismatches(sour, product)).toHaveLength(1);
    expect(processMismatches(sour, { ...product, acids })).toHaveLength(1);
    expect(
      processMismatches(sour, { ...product, acids, acidPerKg: { 'citric-anhydrous': 2.4 } }),
    ).toHaveLength(1);
    expect(processMismatches(sour, { ...product, acids, acidPerKg: { 'citric-anhydrous': 2.6 } })).toEqual(
      [],
    );
  });

  it('in atmospheric steam runs 45 minutes at most, in jars to a quart, where its source allows it', () => {
    const steamed = { ...product, heatedIn: 'atmospheric-steam' as const };
    const at = (process: HeatProcess, more: Partial<ProcessedProduct> = {}) =>
      matchProcesses([process], { ...steamed, ...more }, 0)[0]!.reasons;
    expect(at(berry)).toEqual([]);
    expect(at({ ...berry, steam: false })).toHaveLength(1);
    expect(at({ ...berry, bands: [{ toFeet: 1000, minutes: 45 }] })).toEqual([]);
    expect(at({ ...berry, bands: [{ toFeet: 1000, minutes: 46 }] })).toHaveLength(1);
    expect(at({ ...berry, largestMl: 2000 }, { nominalMl: 1900 })).toHaveLength(1);
    expect(at(hot, { fillCelsius: 90, rated: ['hot-fill'] })).toHaveLength(1);
  });

  it('of a hot fill asks for its fill temperature and its pH', () => {
    expect(processMismatches(hot, bottle)).toEqual([]);
    expect(processMismatches(hot, { ...bottle, fillCelsius: 87 })).toHaveLength(1);
    expect(processMismatches(hot, { ...bottle, fillCelsius: null })).toHaveLength(1);
    expect(processMismatches(hot, { ...bottle, ph: 3.81 })).toHaveLength(1);
    expect(processMismatches(hot, { ...bottle, ph: null })).toHaveLength(1);
    expect(matchProcesses([hot], { ...bottle, ph: null }, 300)[0]!.reasons).toEqual([]);
    expect(matchProcesses([hot], { ...bottle, ph: null }, 300)[0]!.waits.join()).toMatch(
      /measured pH of 3.8/,
    );
  });
  it('comes first where it matches, the nearest of the others next, with no minutes over its bands', () => {
    const list = matchProcesses([hot, ...heatProcesses], product, 719.328);
    expect(list[0]).toMatchObject({ process: { id: 'berry-syrup' }, minutes: 15, reasons: [] });
    expect(list[1]!.process.id).toBe('own');
    expect(matchProcesses([hot], bottle, 915)[0]).toMatchObject({ minutes: null });
    expect(matchProcesses([hot], bottle, 914.4)[0]).toMatchObject({ minutes: 2, reasons: [] });
  });
  it('asks for sterile jars under ten minutes, boiled a minute longer for every thousand feet over the first', () => {
    const juice = heatProcesses.find((p) => p.id === 'apple-grape-juice')!;
    expect([0, 304.8, 719].map((m) => needsSterileJars(juice, m))).toEqual([true, true, false]);
    expect([0, 304.8, 609.6, 719.328].map(sterilisingMinutes)).toEqual([10, 10, 11, 12]);
  });
});

describe('a bottle through its process', () => {
  const jar: WarmingBottle = {
    diameterMm: 75,
    nominalMl: 237,
    brix: 52,
    thick: false,
    fillCelsius: 88,
    bathCelsius: 80,
    boilsAt: 97.6,
    comeUpMinutes: 8,
    boilMinutes: 15,
    restMinutes: 5,
    roomCelsius: 20,
  };
  it('goes in, boils, rests, is lifted and cools, each in its time', () => {
    const { boilAt, offAt, liftedAt, slowest, hottest } = warming(jar);
    expect([boilAt, offAt, liftedAt]).toEqual([480, 1380, 1680]);
    expect(hottest).toBeLessThanOrEqual(97.6);
    expect(slowest.at(-1)!.celsius).toBeGreaterThan(20);
    expect(slowest.every((s, i) => i === 0 || s.seconds > slowest[i - 1]!.seconds)).toBe(true);
  });
  it('gets more the longer it boils, and less when it is thick', () => {
    const minutes = (more: Partial<WarmingBottle>) => warming({ ...jar, ...more }).minutes;
    expect(minutes({ boilMinutes: 20 })).toBeGreaterThan(minutes({}));
    expect(minutes({ thick: true })).toBeLessThan(minutes({}));
    expect(minutes({ fillCelsius: 60, thick: true })).toBeLessThan(minutes({ thick: true }));
  });
  it('may be moved later the larger it is', () => {
    const large = warming({ ...jar, diameterMm: 95, nominalMl: 950 }).movableAfter!;
    expect(large).toBeGreaterThan(warming(jar).movableAfter!);
  });
  it('on the bench loses its heat as Newton says, when it is mixed through', () => {
    const { slowest, liftedAt } = warming(jar);
    const of = (seconds: number) => slowest.find((s) => s.seconds === liftedAt + seconds)!.celsius - 20;
    expect(of(1200) / of(600)).toBeCloseTo(of(1800) / of(1200), 4);
  });
  it('refuses what cannot be, and names it', () => {
    expect(() => warming({ ...jar, diameterMm: 5 })).toThrow(/diameter in mm of 5/);
    expect(() => warming({ ...jar, boilMinutes: Number.NaN })).toThrow(RangeError);
  });
});

describe('when to light the canner', () => {
  it('is its heat over what the fire gives: 10 L from 15 to 97.6 °C at 2 kW are 28.8 minutes', () => {
    const water = { waterMl: 10_000, startCelsius: 15, boilsAt: 97.6, watts: 2000 };
    expect(boilsIn(water) / 60).toBeCloseTo((10 * 4.186 * 82.6) / 2 / 60, 3);
    const jars = { count: 9, glassGrams: 188, contentGrams: 290, brix: 52, celsius: 88 };
    expect(boilsIn({ ...water, jars })).toBeGreaterThan(boilsIn(water));
    expect(boilsIn({ ...water, jars: { ...jars, celsius: 20 } })).toBeGreaterThan(
      boilsIn({ ...water, jars }),
    );
    expect(() => boilsIn({ ...water, watts: 0 })).toThrow(RangeError);
  });
});
