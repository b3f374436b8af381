import {
  type AgedLot,
  ageingEvidence,
  driftOf,
  excursionsOver,
  faultsOf,
  firstFaults,
  goodUntil,
  isGood,
  phMoved,
  storeQuality,
} from '@inch/core/ageing';
import { lookDays, openedLookDays } from '@inch/core/keeping';
import { type Look, lotKeeping, nextLooks, retainedGroups } from '@inch/core/lot';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { releasable, T } from './support/lot.ts';

/** A lot that was released here, with bottles kept back from its filling on. */
const aged = (code: string, looks: Look[], more: Partial<AgedLot> = {}): AgedLot => ({
  code,
  looks,
  releasedAt: T(24),
  filledAt: T(0),
  keptBackAt: T(25),
  ...more,
});

const look = (ageDays: number, more: Partial<Look> = {}): Look => ({
  id: `l${ageDays}`,
  at: T(24 * ageDays),
  recordedAt: T(24 * ageDays + 2),
  by: 'Wren',
  struck: null,
  bottlingId: 'b',
  opened: 'opened',
  daysOpen: null,
  findings: [],
  colour: 9,
  smell: 9,
  taste: 9,
  note: null,
  ph: null,
  phInstrumentId: null,
  brix: null,
  ageDays,
  phCounts: false,
  faults: [],
  ...more,
});

describe('the drift of a figure with age', () => {
  it('is the slope that all lots share, wherever each begins', () => {
    const points = ['a', 'b', 'c'].flatMap((lot, i) =>
      [0, 3, 6, 12].map((months) => ({ lot, months, value: 3 + i + 0.01 * months })),
    );
    const drift = driftOf(points)!;
    expect(drift.perMonth).toBeCloseTo(0.01, 12);
    expect(drift.high - drift.low).toBeCloseTo(0, 9);
    expect(drift).toMatchObject({ lots: 3, count: 12 });
  });
  it('has the interval of the textbook: five points of one lot', () => {
    // y = 0.1, 0, 0.2, 0.1, 0.3 at 0..4: slope 0.05, s² = 0.025/3, t(3) = 2.353, Sxx = 10.
    const values = [0.1, 0, 0.2, 0.1, 0.3];
    const drift = driftOf(values.map((value, months) => ({ lot: 'a', months, value })))!;
    const residuals = values.map((y, x) => y - (0.14 + 0.05 * (x - 2)));
    const s2 = residuals.reduce((sum, r) => sum + r * r, 0) / 3;
    expect(drift.perMonth).toBeCloseTo(0.05, 9);
    expect(drift.high - drift.perMonth).toBeCloseTo(2.353 * Math.sqrt(s2 / 10), 9);
  });
  it('holds the true slope in nine intervals of ten', () => {
    let seed = 7;
    const uniform = () => {
      seed = (seed * 1103515245 + 12345) % 2147483648;
      return seed / 2147483648;
    };
    const normal = () => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform());
    const held = Array.from({ length: 2000 }, () => {
      const points = ['a', 'b', 'c'].flatMap((lot, i) =>
        [0.25, 1, 3, 6].map((months) => ({ lot, months, value: i * 0.2 + 0.02 * months + 0.05 * normal() })),
      );
      const { low, high } = driftOf(points)!;
      return low <= 0.02 && high >= 0.02;
    }).filter(Boolean).length;
    expect(held / 2000).toBeGreaterThan(0.875);
    expect(held / 2000).toBeLessThan(0.925);
  });
  it('is not told from one age, nor from as many points as lots', () => {
    expect(driftOf([{ lot: 'a', months: 3, value: 3 }])).toBeNull();
    expect(driftOf([1, 2, 3].map((value) => ({ lot: String(value), months: value, value })))).toBeNull();
  });
});

describe('the first fault', () => {
  it('is Kaplan and Meier’s where every fault was seen as it came', () => {
    // Faults at 10, 20 and 30 of four, one without: between 0.75, 0.5 and 0.25.
    const seen = [9, 19, 29].map((good) => ({ good, bad: good + 1 }));
    const { steps } = firstFaults([...seen, { good: 40, bad: null }]);
    expect(steps.map((s) => Number(s.share.toFixed(6)))).toEqual([0.75, 0.5, 0.25]);
    expect(steps.map((s) => s.days)).toEqual([9, 19, 29]);
  });
  it('counts from the last good look, never from the bad one', () => {
    expect(goodUntil(firstFaults([{ good: 90, bad: 180 }]), 0.9)).toBe(90);
    expect(goodUntil(firstFaults([{ good: 180, bad: null }]), 0.9)).toBeNull();
  });
  it('only ever falls, between one and nothing', () => {
    const any = fc.array(
      fc.record({
        good: fc.integer({ min: 0, max: 400 }),
        more: fc.option(fc.integer({ min: 1, max: 200 })),
      }),
      { minLength: 1, maxLength: 12 },
    );
    fc.assert(
      fc.property(any, (looks) => {
        const { steps } = firstFaults(
          looks.map(({ good, more }) => ({ good, bad: more === null ? null : good + more })),
        );
        let before = 1;
        for (const { share } of steps) {
          expect(share).toBeLessThanOrEqual(before + 1e-9);
          expect(share).toBeGreaterThanOrEqual(0);
          before = share;
        }
      }),
    );
  });
});

describe('what bottles kept back say', () => {
  const shelf: Parameters<typeof ageingEvidence>[1] = {
    row: 'shelf',
    time: { count: 12, unit: 'month' },
    aceticPercent: 0,
    criticalPh: 4.2,
    ph: 3.4,
  };
  const at18 = [look(180), look(365), look(548, { id: 'x' }), look(549)];
  it('supports the longer row with three good bottles of two lots at its age', () => {
    const evidence = ageingEvidence([aged('A', at18), aged('B', [look(550)])], shelf);
    expect(evidence.supportsLonger).toBe(true);
    expect(evidence.longer).toMatch(/18 months is supported/);
  });
  it.each([
    ['from one lot alone', [aged('A', at18)], /3 bottles of 2 lots/],
    [
      'with a fault before',
      [aged('A', [...at18, look(200, { findings: ['gas'] })]), aged('B', [look(550)])],
      /had a fault at 200 days: gas/,
    ],
    [
      'where the pH may rise over its limit',
      ['A', 'B'].map((code) =>
        aged(
          code,
          [2, 180, 365, 548, 560].map((d) => look(d, { ph: 3.4 + d * 0.002, phCounts: true })),
        ),
      ),
      /Its pH rises/,
    ],
  ])('does not support it %s', (_, lots, why) => {
    const { supportsLonger, longer } = ageingEvidence(lots, shelf);
    expect(supportsLonger).toBe(false);
    expect(longer).toMatch(why);
  });
  it.each<[string, Partial<AgedLot>, Partial<Look>]>([
    ['of lots that came with a kitchen file', { releasedAt: null }, {}],
    ['of bottles that nobody kept back', { keptBackAt: null }, {}],
    ['of bottles that were kept back only after the look', { keptBackAt: T(24 * 600) }, {}],
    ['of lots that were written down today, whatever their day', { filledAt: T(24 * 540) }, {}],
    ['at a closed glass', {}, { opened: 'closed', taste: null }],
    ['of bottles that were opened and not scored', {}, { colour: null, smell: null, taste: null }],
    ['that were struck', {}, { struck: { at: T(1), by: 'Wren', why: 'another lot' } }],
  ])('is not supported by looks %s', (_, lot, of) => {
    const looks = at18.map((l) => ({ ...l, ...of }));
    const two = (given: Partial<AgedLot>, seen: Look[]) =>
      ageingEvidence([aged('A', seen, given), aged('B', seen, given)], shelf).supportsLonger;
    expect([two({}, at18), two(lot, looks)]).toEqual([true, false]);
  });
  it('lengthens no row of days, whatever was looked at', () => {
    const lots = ['A', 'B'].map((code) => aged(code, at18));
    for (const row of ['cold-never-heated', 'cold-unmeasured', 'cold-4.6', 'cold-4.2', 'frozen'] as const)
      expect(ageingEvidence(lots, { ...shelf, row }).supportsLonger).toBe(false);
    expect(ageingEvidence(lots, { ...shelf, row: 'cold-acetic', aceticPercent: 1.9 }).supportsLonger).toBe(
      false,
    );
  });
  it('speaks for a shorter date where one in ten went off before', () => {
    const lots = [
      aged('A', [look(30), look(91), look(182, { smell: 4 })]),
      aged('B', [look(31), look(92), look(183, { colour: 5 })]),
    ];
    const { shorterDays, shorter } = ageingEvidence(lots, shelf);
    expect(shorterDays).toBe(92);
    expect(shorter).toMatch(/good at 92 days.*3 months/);
  });
  it('holds for what spoils, not for what ages', () => {
    expect(faultsOf({ findings: ['haze', 'sediment', 'browner'] })).toEqual([]);
    expect(faultsOf({ findings: ['film', 'lid-lifted'] })).toEqual(['a film', 'a lid that lifted']);
    expect(isGood(look(1, { smell: 5.9 }))).toBe(false);
    expect(phMoved(4.3, 3.4, 4.2)).toMatch(/over the limit/);
    expect(phMoved(3.5, 3.4, 4.2)).toBeNull();
  });
});

describe('when a bottle kept back is looked at', () => {
  it('is by its class: a week, then months; what keeps days on its last day', () => {
    expect(lookDays('2026-01-15', { time: { count: 12, unit: 'month' } })).toEqual([
      '2026-01-22',
      '2026-02-15',
      '2026-04-15',
      '2026-07-15',
      '2026-10-15',
      '2027-01-15',
      '2027-07-15',
    ]);
    expect(lookDays('2026-01-15', { time: { count: 7, unit: 'day' } })).toEqual(['2026-01-21']);
    expect(lookDays('2026-01-15', { time: null })).toEqual([]);
    expect(openedLookDays('2026-01-15', 3)).toEqual(['2026-01-16', '2026-01-18']);
  });
  it('is asked of a lot while bottles are kept back, and goes on after each look', () => {
    const lot = releasable();
    const keeping = lotKeeping(lot, { timeZone: 'UTC' });
    expect(nextLooks(lot, keeping)).toEqual([]);
    const b = lot.bottlings[0]!;
    lot.movements.push({
      ...lot.movements[0]!,
      id: 'kept',
      kind: 'retained',
      bottlingId: b.id,
      from: lot.movements[0]!.to,
      to: 'kept back',
      count: 2,
    });
    expect(retainedGroups(lot).map((g) => g.count)).toEqual([2]);
    const [week, month] = lookDays(keeping.madeOn, keeping);
    expect(nextLooks(lot, keeping)).toEqual([{ on: week, opened: false, until: null }]);
    lot.looks.push(look(7, { at: `${week}T09:00:00.000Z`, opened: 'closed' }));
    expect(nextLooks(lot, keeping)).toEqual([{ on: month, opened: false, until: null }]);
  });
});

describe('warmth where bottles stand', () => {
  const hour = (n: number) => new Date(Date.UTC(2026, 0, 1, n)).toISOString();
  it('is over a limit from where the line crosses it to where it comes back', () => {
    const samples = [4, 6, 6, 4].map((celsius, i) => ({ at: hour(i), celsius }));
    const [e] = excursionsOver(samples, 5);
    expect(e!.hours).toBeCloseTo(2, 9);
    expect(e!.highest).toBe(6);
  });
  it('says nothing of a gap', () => {
    const samples = [
      { at: hour(0), celsius: 8 },
      { at: hour(24), celsius: 8 },
    ];
    expect(excursionsOver(samples, 5).map((e) => e.hours)).toEqual([0, 0]);
  });
  it('counts a day at 25 °C as two to three at 15 °C', () => {
    const samples = Array.from({ length: 25 }, (_, i) => ({ at: hour(i), celsius: 25 }));
    const { days, asDaysAt15, mean } = storeQuality(samples, null);
    expect(days).toBeCloseTo(1, 9);
    expect(mean).toBeCloseTo(25, 9);
    expect(asDaysAt15.low).toBeCloseTo(2, 9);
    expect(asDaysAt15.high).toBeCloseTo(3, 9);
  });
  it('inverts half of the sucrose in about 134 days at pH 3 and 25 °C', () => {
    const samples = Array.from({ length: 134 * 6 + 1 }, (_, i) => ({ at: hour(i * 4), celsius: 25 }));
    expect(storeQuality(samples, 3).inverted).toBeCloseTo(0.5, 1);
  });
});

describe('the date of a lot by the looks of its formula', () => {
  const bad = look(200, { smell: 3 });
  const keepingOf = (more: object) => lotKeeping({ ...releasable(), ...more }, { timeZone: 'UTC' });
  const plain = keepingOf({}).bestBy!;
  const dated = (until: string, recordedAt: string) => ({
    id: 'd',
    at: recordedAt,
    recordedAt,
    by: 'Wren',
    until,
    longer: false,
    why: 'it stood in the sun',
    evidence: '',
  });
  it('is as the table has it while all looks are good', () => {
    expect(keepingOf({ aged: [aged('A', [look(180), look(365)])] }).bestBy).toBe(plain);
  });
  it.each<[string, AgedLot[]]>([
    ['opened', [aged('A', [look(180), bad])]],
    ['closed', [aged('A', [look(180), { ...bad, opened: 'closed' }])]],
    ['of a lot that came with a file', [aged('A', [look(180), bad], { releasedAt: null })]],
    ['of a lot of which nothing was kept back', [aged('A', [look(180), bad], { keptBackAt: null })]],
    ['of one lot of two', [aged('A', [look(180), bad]), aged('B', [look(365)])]],
  ])('is six months where a bad look, %s, came between six and seven', (_, lots) => {
    const { bestBy, reason } = keepingOf({ aged: lots });
    expect(bestBy).toBe('2027-05-23');
    expect(reason).toMatch(/bear a shorter date: 6 months/);
  });
  it('is not shortened by a struck look, by one of an open bottle, nor by one after its date', () => {
    const struck = { at: T(1), by: 'Wren', why: 'another lot' };
    for (const seen of [
      { ...bad, struck },
      { ...bad, opened: 'open-already' as const },
      look(500, { smell: 3 }),
    ])
      expect(keepingOf({ aged: [aged('A', [look(180), look(400), seen])] }).bestBy).toBe(plain);
  });
  it('is the owner’s again with a reason that was written after the look, and not with one from before', () => {
    const lots = [aged('A', [look(180), bad])];
    expect(keepingOf({ aged: lots, datings: [dated(plain, T(24 * 300))] }).bestBy).toBe(plain);
    expect(keepingOf({ aged: lots, datings: [dated(plain, T(24 * 100))] }).bestBy).toBe('2027-05-23');
  });
  it('stays the owner’s earlier one when the longer row is taken', () => {
    const early = dated('2027-02-01', T(100));
    const longer = { ...early, id: 'e', recordedAt: T(101), until: null, longer: true };
    expect(keepingOf({ datings: [early, longer] }).bestBy).toBe('2027-02-01');
    expect(keepingOf({ datings: [longer, early] }).bestBy).toBe('2027-02-01');
  });
});
