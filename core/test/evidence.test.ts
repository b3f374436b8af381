import {
  brixKnown,
  contraryPh,
  gates,
  heatingsOf,
  type LotRecord,
  lotKeeping,
  makeupAsMade,
  outOfLimits,
} from '@inch/core/lot';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { draws } from '../../scripts/src/draws.mjs';
import { chilled, entry, letter, releasable, T } from './support/lot.ts';

const all = (lot: LotRecord) => gates(lot, { timeZone: 'UTC', labelMissing: [] });
const open = (lot: LotRecord): string[] =>
  all(lot)
    .filter((g) => g.open)
    .map((g) => g.id);
const gate = (lot: LotRecord, id: string) => all(lot).find((g) => g.id === id)!;
const bestByOf = (lot: LotRecord): string => lotKeeping(lot, { timeZone: 'UTC' }).bestBy ?? '';

/** An entry of a fixture at another hour, written down then. */
const at = (hour: number) => ({ at: T(hour), recordedAt: T(hour) });

const lots = fc
  .record({
    cold: fc.boolean(),
    ph: fc.double({ min: 3, max: 4.5, noNaN: true }),
    celsius: fc.constantFrom(70, 92, 97),
    cooled: fc.double({ min: 3.2, max: 9, noNaN: true }),
    sealed: fc.double({ min: 8, max: 30, noNaN: true }),
    processed: fc.double({ min: 3.1, max: 8, noNaN: true }),
    weighed: fc.double({ min: 0, max: 3.5, noNaN: true }),
    measured: fc.double({ min: 2, max: 8, noNaN: true }),
    filled: fc.double({ min: 2.7, max: 6, noNaN: true }),
  })
  .map((r): LotRecord => {
    const lot = r.cold ? chilled() : releasable();
    return {
      ...lot,
      additions: lot.additions.map((a, i) => (i === 1 ? { ...a, ...at(r.weighed) } : a)),
      bottlings: lot.bottlings.map((b) => ({ ...b, ...at(r.filled) })),
      readings: lot.readings.map((x) =>
        x.kind === 'ph' ? { ...x, value: r.ph, ...at(r.measured) } : { ...x, value: r.celsius },
      ),
      heatProcesses: lot.heatProcesses.map((p) => ({ ...p, ...at(r.processed) })),
      coolings: lot.coolings.map((c, i) => (i === 0 ? { ...c, ...at(r.cooled) } : c)),
      sealChecks: lot.sealChecks.map((c) => ({ ...c, ...at(r.sealed) })),
    };
  });

const LISTS = [
  'additions',
  'readings',
  'bottlings',
  'heatProcesses',
  'coolings',
  'sealChecks',
  'tallies',
] as const;

/** A lot with one of its entries said to have happened earlier, written down when it was. */
const dated = fc
  .tuple(lots, fc.constantFrom(...LISTS), fc.nat(), fc.double({ min: 0, max: 1, noNaN: true }))
  .map(([lot, list, n, share]) => {
    const entries = lot[list] as { at: string; recordedAt: string }[];
    if (entries.length === 0) return { before: lot, after: lot };
    const chosen = entries[n % entries.length]!;
    const [from, to] = [Date.parse(lot.begunAt), Date.parse(chosen.at)];
    const earlier = new Date(from + share * (to - from)).toISOString();
    return {
      before: lot,
      after: { ...lot, [list]: entries.map((e) => (e === chosen ? { ...e, at: earlier } : e)) } as LotRecord,
    };
  });

describe('dating an entry back, in a lot that is written down as it happens', () => {
  it('opens no check, wins no date and hides nothing that is out of its limits', () => {
    fc.assert(
      fc.property(dated, ({ before, after }) => {
        expect(open(after).filter((id) => !open(before).includes(id))).toEqual([]);
        // A cold lot's time runs from when it was heated or filled: an earlier hour never gives it more.
        expect(bestByOf(after) <= bestByOf(before) || bestByOf(before) === '').toBe(true);
        if (bestByOf(before) === '') expect(bestByOf(after)).toBe('');
        const kinds = (lot: LotRecord) => outOfLimits(lot).map((o) => `${o.kind} ${o.entryId}`);
        expect(kinds(before).filter((kind) => !kinds(after).includes(kind))).toEqual([]);
      }),
      { numRuns: draws(600) },
    );
  });

  it('a filling dated before its process and written after it was not in the canner', () => {
    const lot = releasable();
    lot.bottlings[0] = { ...lot.bottlings[0]!, at: T(3), recordedAt: T(6) };
    expect(gate(lot, 'heat').open).toBe(false);
  });

  it('a reading dated before the filling and written after it heated nothing', () => {
    const lot = chilled();
    lot.readings = lot.readings.map((r) => (r.kind === 'temperature' ? { ...r, recordedAt: T(14) } : r));
    expect(heatingsOf(lot)).toEqual([]);
    expect(lotKeeping(lot, { timeZone: 'UTC' }).row).toBe('cold-never-heated');
  });

  it('fruit dated before the boil and written after it was not boiled', () => {
    const lot = chilled();
    lot.additions.push({ ...lot.additions[0]!, ...entry('late', T(0.3)), recordedAt: T(2.8), lineId: null });
    expect(makeupAsMade(lot).killStep).toBe(false);
  });

  it('a pH dated after the last addition and written before it measured another mixture', () => {
    const lot = releasable();
    lot.additions[1] = { ...lot.additions[1]!, at: T(0.2), recordedAt: T(2.95) };
    expect(gate(lot, 'acid').open).toBe(false);
  });
});

describe('a lot that was written down afterwards, as a whole', () => {
  it('is taken at its dates, in the order in which they were written', () => {
    for (const lot of [releasable(), chilled()]) {
      // A second apart for each hour that they are said to have been.
      const written = (e: { at: string }) => ({
        ...e,
        recordedAt: new Date(Date.parse(T(100)) + (Date.parse(e.at) - Date.parse(T(0))) / 3600).toISOString(),
      });
      const late = Object.fromEntries(
        [...LISTS, 'movements' as const].map((list) => [list, (lot[list] as { at: string }[]).map(written)]),
      );
      expect(open({ ...lot, ...late, writtenAt: T(100) })).toEqual(open(lot));
    }
  });
});

describe('a match', () => {
  /** Changes of a record after its process, each of which takes the match away. */
  const CHANGES: [string, (lot: LotRecord) => LotRecord][] = [
    [
      'jars struck and written anew as others',
      (lot) => ({
        ...lot,
        bottlings: [
          { ...lot.bottlings[0]!, struck: { at: T(5), by: 'Wren', why: 'other jars' } },
          { ...lot.bottlings[0]!, id: 'b2', nominalMl: 950, recordedAt: T(5) },
        ],
      }),
    ],
    [
      'the fruit rewritten',
      (lot) => ({
        ...lot,
        additions: lot.additions.map((a) => ({
          ...a,
          ingredientId: a.ingredientId === 'sour-cherry' ? 'fig' : a.ingredientId,
        })),
      }),
    ],
    ['the elevation put right', (lot) => ({ ...lot, correctedElevation: 1900 })],
    [
      'a load larger than the canner',
      (lot) => ({
        ...lot,
        cannerHolds: 7,
        loads: [
          {
            ...entry('l1', T(3.5)),
            number: 1,
            processId: 'letter',
            name: '',
            source: '',
            method: 'boiling-water',
            mismatches: [],
            limits: { brix: null, highestPh: null },
            requiredMinutes: 15,
            restMinutes: 5,
            bottles: 12,
            numbers: null,
            marks: [],
          },
        ],
        heatProcesses: lot.heatProcesses.map((p) => ({ ...p, loadId: 'l1' })),
      }),
    ],
    ['the source read again', (lot) => ({ ...lot, processes: [{ ...letter, headspaceInches: 0.25 }] })],
    [
      'a glass that is made for no bath',
      (lot) => ({ ...lot, bottlings: lot.bottlings.map((b) => ({ ...b, rated: [] })) }),
    ],
    [
      'closed hot by word alone',
      (lot) => ({ ...lot, bottlings: lot.bottlings.map((b) => ({ ...b, fillCelsius: null })) }),
    ],
    [
      'jars that stood ten days',
      (lot) => ({
        ...lot,
        heatProcesses: lot.heatProcesses.map((p) => ({ ...p, ...at(244) })),
        sealChecks: lot.sealChecks.map((c) => ({ ...c, ...at(260) })),
      }),
    ],
    [
      'short minutes',
      (lot) => ({ ...lot, heatProcesses: lot.heatProcesses.map((p) => ({ ...p, minutes: 14 })) }),
    ],
  ];
  it.each(CHANGES)('is asked of the record as it stands: %s', (_, change) => {
    expect(gate(releasable(), 'heat').open).toBe(true);
    expect(gate(change(releasable()), 'heat').open).toBe(false);
  });
  it('falls with whatever it rests on: no entry that is struck opens a check of what was shown', () => {
    const struck = { at: T(40), by: 'Wren', why: 'a slip' };
    // Lids are pressed half a day after the last heat: without a process that is the filling.
    const SHOWN = ['heat', 'making', 'acid'];
    fc.assert(
      fc.property(
        lots,
        fc.constantFrom('readings' as const, 'heatProcesses' as const, 'sealChecks' as const),
        fc.nat(),
        (lot, list, n) => {
          const entries = lot[list] as { id: string }[];
          const id = entries[n % Math.max(1, entries.length)]?.id;
          const without = {
            ...lot,
            [list]: entries.map((e) => (e.id === id ? { ...e, struck } : e)),
          } as LotRecord;
          const more = open(without).filter((gateId) => !open(lot).includes(gateId));
          expect(more.filter((gateId) => SHOWN.includes(gateId))).toEqual([]);
        },
      ),
      { numRuns: draws(300) },
    );
  });
  it('rests on an acid that it asks for, and falls with it', () => {
    const lot = releasable();
    lot.processes = [{ ...letter, acidsRequired: [{ id: 'citric-anhydrous', gramsPerKg: 2 }] }];
    lot.additions.push({
      ...lot.additions[1]!,
      ...entry('acid', T(0.3)),
      lineId: null,
      ingredientId: 'citric-anhydrous',
      grams: 20,
    });
    expect(gate(lot, 'heat').open).toBe(true);
    lot.additions[2]!.struck = { at: T(5), by: 'Wren', why: 'never weighed' };
    expect(gate(lot, 'heat').open).toBe(false);
  });
  it('of under ten minutes asks for boiled glass', () => {
    const lot = releasable();
    lot.processes = [{ ...letter, bands: [{ toFeet: 6000, minutes: 5 }] }];
    expect(gate(lot, 'heat').missing).toMatch(/boiled before they are filled/);
    lot.bottlings[0]!.sterile = true;
    expect(gate(lot, 'heat').open).toBe(true);
  });
  it.each([
    ['no thermometer', { instrumentId: null }],
    ['a thermometer that was not checked', { counts: false }],
    ['the middle bottle not read', { middleCelsius: null }],
    ['the last bottle not read', { lastCelsius: null }],
    ['one bottle too cold', { lastCelsius: 80 }],
  ])('of a hot fill wants first, middle and last by a checked thermometer: %s', (_, more) => {
    const hot = (): LotRecord => {
      const lot = releasable();
      lot.processes = [
        { ...letter, method: 'hot-fill', hotFill: { celsius: 85, holdMinutes: 3, invertSeconds: 0 } },
      ];
      lot.bottlings[0] = { ...lot.bottlings[0]!, rated: ['hot-fill'] };
      lot.heatProcesses[0] = { ...lot.heatProcesses[0]!, method: 'hot-fill', minutes: 3, ...at(3.1) };
      return lot;
    };
    expect(gate(hot(), 'heat').open).toBe(true);
    const lot = hot();
    lot.bottlings[0] = { ...lot.bottlings[0]!, ...more };
    expect(gate(lot, 'heat').open).toBe(false);
    const soon = hot();
    soon.heatProcesses[0] = { ...soon.heatProcesses[0]!, ...at(3.01) };
    expect(gate(soon, 'heat').open).toBe(false);
  });
});

describe('a pH over the limit', () => {
  const reading = (lot: LotRecord) => lot.readings.find((r) => r.kind === 'ph')!;
  const over: [string, (lot: LotRecord) => void][] = [
    [
      'without a temperature',
      (lot) => lot.readings.push({ ...reading(lot), ...entry('over', T(17)), value: 4.9, celsius: null }),
    ],
    [
      'hot',
      (lot) => lot.readings.push({ ...reading(lot), ...entry('over', T(17)), value: 4.9, celsius: 60 }),
    ],
    [
      'by a meter that does not bear it',
      (lot) =>
        lot.readings.push({
          ...reading(lot),
          ...entry('over', T(17)),
          value: 4.9,
          counts: false,
          whyNot: 'refused',
        }),
    ],
    [
      'by no meter',
      (lot) =>
        lot.readings.push({
          ...reading(lot),
          ...entry('over', T(17)),
          value: 4.9,
          instrument: null,
          counts: false,
        }),
    ],
    [
      'written late',
      (lot) =>
        lot.readings.push({
          ...reading(lot),
          ...entry('over', T(3)),
          recordedAt: T(60),
          value: 4.9,
          celsius: null,
        }),
    ],
    [
      'of a look',
      (lot) =>
        lot.looks.push({
          ...entry('over', T(17)),
          bottlingId: 'b1',
          opened: 'opened',
          daysOpen: null,
          findings: [],
          colour: 9,
          smell: 9,
          taste: 9,
          ph: 4.9,
          phInstrumentId: null,
          brix: null,
          note: null,
          ageDays: 1,
          phCounts: false,
          faults: [],
        }),
    ],
    [
      'struck',
      (lot) =>
        lot.readings.push({
          ...reading(lot),
          ...entry('over', T(17)),
          value: 4.9,
          struck: { at: T(18), by: 'Wren', why: 'a slip' },
        }),
    ],
  ];
  it.each(over)('shuts the check and is shown as over it: %s', (_, push) => {
    const lot = releasable();
    push(lot);
    expect(contraryPh(lot)).toMatchObject([{ ph: 4.9 }]);
    expect(gate(lot, 'acid')).toMatchObject({
      open: false,
      failed: true,
      missing: expect.stringMatching(/4\.90 .*over the limit of 4\.2/),
    });
  });
  it.each(over)(
    'is answered by a later one that counts, with a reason, and not without: %s',
    (name, push) => {
      const lot = releasable();
      push(lot);
      lot.readings.push({ ...reading(lot), ...entry('again', T(70)), value: 3.4 });
      // Striking gave its reason already.
      expect(gate(lot, 'acid').open).toBe(name === 'struck');
      lot.readings.at(-1)!.because = 'the electrode had dried out';
      expect(gate(lot, 'acid').open).toBe(true);
      lot.readings.at(-1)!.recordedAt = T(16.5);
      expect(gate(lot, 'acid').open).toBe(false);
    },
  );
  it('is spent by what went in after it, and by nothing that is dated before it', () => {
    const lot = releasable();
    lot.readings.push({ ...reading(lot), ...entry('sour', T(0.15)), value: 4.9, celsius: null });
    expect(gate(lot, 'acid').open).toBe(true);
    lot.readings.at(-1)!.recordedAt = T(20);
    expect(gate(lot, 'acid').open).toBe(false);
  });
});

describe('a °Bx that was only typed', () => {
  it('counts as the worse of it and the forecast, whatever it is', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 84, noNaN: true }), (value) => {
        const lot = chilled();
        const forecast = makeupAsMade(lot).brix;
        lot.readings.push({
          ...lot.readings[1]!,
          ...entry('typed', T(2.95)),
          kind: 'brix',
          value,
          instrument: null,
        });
        expect(brixKnown(lot)).toEqual({ low: Math.min(value, forecast), high: Math.max(value, forecast) });
        const checked = {
          ...lot,
          readings: lot.readings.map((r) => (r.kind === 'brix' ? { ...r, instrument: 'Refractometer' } : r)),
        };
        expect(brixKnown(checked)).toEqual({ low: value, high: value });
      }),
      { numRuns: draws(60) },
    );
  });
  it('wins no time, and drops no diluted reading', () => {
    const lot = chilled();
    lot.readings.push({
      ...lot.readings[1]!,
      ...entry('typed', T(2.95)),
      kind: 'brix',
      value: 61,
      instrument: null,
    });
    expect(lotKeeping(lot, { timeZone: 'UTC' }).row).not.toBe('cold-sugar');
  });
});

describe('a mark', () => {
  const marks = fc.array(
    fc.record({
      kind: fc.constantFrom('start' as const, 'pause' as const, 'done' as const, 'reopen' as const),
      hour: fc.double({ min: 0, max: 12, noNaN: true }),
    }),
    { maxLength: 5 },
  );
  it('is neither heat nor cooling: no set of them opens a check or gives a day', () => {
    fc.assert(
      fc.property(lots, marks, fc.boolean(), (lot, more, strains) => {
        const steps = lot.steps.map((s) => ({ ...s, marks: [] }));
        const bare: LotRecord = { ...lot, steps };
        const kind = strains ? ('strain' as const) : ('draw' as const);
        const marked: LotRecord = {
          ...lot,
          steps: steps.map((s) => ({
            ...s,
            kind: strains ? kind : s.kind,
            marks: more.map((m) => ({ kind: m.kind, at: T(m.hour), recordedAt: T(m.hour), by: 'Wren' })),
          })),
        };
        const heat = (l: LotRecord) => heatingsOf(l).map((h) => [h.from, h.to, h.how]);
        expect(heat(marked)).toEqual(heat(bare));
        if (heatingsOf(bare).length > 0)
          expect(open(marked).filter((id) => id === 'heat' && !open(bare).includes(id))).toEqual([]);
      }),
      { numRuns: draws(200) },
    );
  });
});

describe('the bench', () => {
  /** Raw fruit that was weighed in so many hours before it was chilled, whatever clock was pressed. */
  const raw = (hours: number, celsius?: number): LotRecord => {
    const lot = chilled();
    const steps = lot.product.content.steps.map((s) => ({
      ...s,
      killStep: false,
      method: 'cold' as const,
      ...(celsius === undefined ? {} : { celsius }),
    }));
    return {
      ...lot,
      product: { ...lot.product, content: { ...lot.product.content, steps } },
      readings: lot.readings.filter((r) => r.kind !== 'temperature'),
      additions: lot.additions.map((a) => ({ ...a, ...at(3 - hours) })),
      begunAt: T(-100),
      writtenAt: T(-100),
      steps: lot.steps.map((s) => ({ ...s, marks: [] })),
    };
  };
  it.each([
    [40, true],
    [43.5, true],
    [44.5, false],
    [62, false],
    [200, false],
  ])(
    '%d h from the first that was weighed in to the filling, and 4 more until it is cold, no clock pressed',
    (hours, good) => {
      expect(gate(raw(hours), 'making').open).toBe(good);
    },
  );
  it('counts what nobody said as a warm kitchen, and cold only what stood cold', () => {
    expect(gate(raw(62), 'making')).toMatchObject({
      failed: true,
      missing: expect.stringMatching(/66 h at 25 °C/),
    });
    const chilled = raw(62, 4);
    chilled.steps[0]!.marks = [
      { kind: 'start', at: T(-58), recordedAt: T(-58), by: 'Wren' },
      { kind: 'done', at: T(2), recordedAt: T(2), by: 'Wren' },
    ];
    expect(gate(chilled, 'making').open).toBe(true);
  });
});
