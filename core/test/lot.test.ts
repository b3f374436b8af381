import {
  allOpen,
  gates,
  governingPh,
  ingredientsAsMade,
  judgeReading,
  type LotEvent,
  type LotRecord,
  type LotState,
  linesNotRecorded,
  lotBottles,
  lotCode,
  lotKeeping,
  meterStanding,
  presentStep,
  readLotCode,
  stepClock,
  TransitionError,
  transition,
} from '@inch/core/lot';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { entry, letter, releasable, T } from './support/lot.ts';

describe('lot codes', () => {
  it('are short, without look-alikes, and all different', () => {
    const codes = Array.from({ length: 3000 }, (_, i) => lotCode(i));
    expect(new Set(codes).size).toBe(codes.length);
    expect(codes[0]).toHaveLength(4);
    for (const code of codes) expect(code).not.toMatch(/[01OIQBSZGU]/);
  });
  it('are read back however they are typed', () => {
    expect(readLotCode(` ${lotCode(702).toLowerCase()} `)).toBe(lotCode(702));
    expect(readLotCode('jam')).toBeNull();
  });
  it('show every single wrong character', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 20_000 }),
        fc.nat(),
        fc.constantFrom(...'23456789ACDEFHJKLMPRTVWXY'),
        (serial, at, letter) => {
          const code = lotCode(serial);
          const i = at % code.length;
          fc.pre(code[i] !== letter);
          expect(readLotCode(code.slice(0, i) + letter + code.slice(i + 1))).toBeNull();
        },
      ),
    );
  });
});

describe('the state machine', () => {
  const go = (state: LotState, event: LotEvent, open = false, heldFrom: LotState | null = null) =>
    transition({ state, heldFrom }, event, open);
  it('goes from making through resting and bottled to released and closed', () => {
    expect([
      go('making', 'fill'),
      go('resting', 'check-seals'),
      go('bottled', 'release', true),
      go('released', 'close'),
    ]).toEqual(['resting', 'bottled', 'released', 'closed']);
  });
  it('releases only from bottled, and only with every gate open', () => {
    const states: LotState[] = [
      'planned',
      'making',
      'resting',
      'bottled',
      'released',
      'closed',
      'held',
      'discarded',
      'recalled',
    ];
    for (const state of states)
      for (const open of [true, false]) {
        const allowed = state === 'bottled' && open;
        if (allowed) expect(go(state, 'release', open)).toBe('released');
        else expect(() => go(state, 'release', open, 'bottled'), state).toThrow(TransitionError);
      }
  });
  it('holds from anywhere not ended, goes back to where it was, and never straight back to released', () => {
    expect(go('making', 'hold')).toBe('held');
    expect(go('held', 'resume', false, 'resting')).toBe('resting');
    expect(go('held', 'resume', false, 'released')).toBe('bottled');
    expect(() => go('discarded', 'hold')).toThrow(TransitionError);
    expect(() => go('making', 'resume')).toThrow(TransitionError);
    expect(go('released', 'recall')).toBe('recalled');
  });
  it('writes nothing more to what is ended', () => {
    for (const state of ['closed', 'discarded', 'recalled'] as const)
      for (const event of ['fill', 'check-seals', 'release', 'hold', 'discard', 'resume'] as const)
        expect(() => go(state, event, true)).toThrow(TransitionError);
  });
});

const setting = { timeZone: 'UTC', labelMissing: [] as string[] };
const shut = (lot: LotRecord, label: string[] = []) =>
  gates(lot, { ...setting, labelMissing: label })
    .filter((g) => !g.open)
    .map((g) => g.id);
const strike = { at: T(20), by: 'Wren', why: 'wrong' };

describe('gates', () => {
  it('are all open for a lot with all its evidence', () => expect(shut(releasable())).toEqual([]));

  const breaks: Record<string, (lot: LotRecord) => LotRecord> = {
    'everything-in': (lot) => ({ ...lot, additions: lot.additions.filter((a) => a.lineId !== 'sugar') }),
    trace: (lot) => ({
      ...lot,
      additions: lot.additions.map((a) => (a.lineId === 'fruit' ? { ...a, withdrawals: [] } : a)),
    }),
    making: (lot) => ({
      ...lot,
      processes: [{ ...letter, spices: ['potassium-sorbate'] }],
      additions: [
        ...lot.additions,
        {
          ...lot.additions[0]!,
          id: 'sorbate',
          lineId: null,
          ingredientId: 'potassium-sorbate',
          grams: 60,
          withdrawals: [{ stockId: 's-sorbate', code: 'S19', amount: 60 }],
        },
      ],
    }),
    acid: (lot) => ({
      ...lot,
      readings: lot.readings.map((r) => (r.kind === 'ph' ? { ...r, struck: strike } : r)),
    }),
    count: (lot) => ({ ...lot, tallies: lot.tallies.map((t) => ({ ...t, struck: strike })) }),
    heat: (lot) => ({ ...lot, heatProcesses: lot.heatProcesses.map((p) => ({ ...p, minutes: 14 })) }),
    seal: (lot) => ({ ...lot, sealChecks: [] }),
    deviations: (lot) => ({
      ...lot,
      deviations: [
        {
          id: 'd1',
          recordedAt: T(3),
          kind: 'own',
          what: 'A jar was dropped.',
          entryId: null,
          at: T(5),
          by: 'Wren',
          closed: null,
        },
      ],
    }),
  };
  it('every subset of them: each shuts on its own evidence alone, and exactly one lets a lot be released', () => {
    const names = Object.keys(breaks);
    let releases = 0;
    for (let subset = 0; subset < 2 ** names.length; subset++) {
      const broken = names.filter((_, i) => subset & (2 ** i));
      const lot = broken.reduce((l, name) => breaks[name]!(l), releasable());
      for (const label of [[], ['No name.']]) {
        expect(shut(lot, label).sort()).toEqual([...broken, ...(label.length ? ['label'] : [])].sort());
        const open = allOpen(gates(lot, { ...setting, labelMissing: label }));
        if (open) {
          expect(transition(lot, 'release', open)).toBe('released');
          releases++;
        } else expect(() => transition(lot, 'release', open)).toThrow(TransitionError);
      }
    }
    expect(names.length + 1).toBe(gates(releasable(), setting).length);
    expect(releases).toBe(1);
  });

  it('asks for pH on the finished product, after the last thing went in', () => {
    const late = releasable();
    late.additions.push({
      ...entry('a3', T(2.95)),
      stepId: null,
      lineId: null,
      ingredientId: 'water',
      grams: 200,
      why: null,
      from: null,
      beforeTrimming: null,
      more: false,
      entry: null,
      withdrawals: [],
    });
    expect(shut(late)).toContain('acid');
    const pan = releasable();
    pan.readings[1]!.sample = 'pan';
    expect(shut(pan)).toContain('acid');
    const uncounted = releasable();
    Object.assign(uncounted.readings[1]!, { counts: false, whyNot: 'no meter was named' });
    expect(shut(uncounted)).toContain('acid');
  });

  it('over 4.2 takes the highest of two readings and adds 0.1', () => {
    const lot = { ...releasable(), criticalPh: 4.5 };
    lot.readings[1]!.value = 4.3;
    expect(shut(lot)).toContain('acid');
    lot.readings.push({ ...lot.readings[1]!, id: 'r4', value: 4.35 });
    expect(governingPh(lot)!.ph).toBeCloseTo(4.45, 10);
    expect(shut(lot)).toEqual([]);
    lot.readings[3]!.value = 4.42;
    expect(shut(lot)).toContain('acid');
  });

  it('does not take a process that is short or does not match, nor a lid pressed too early', () => {
    const short = releasable();
    short.heatProcesses[0]!.minutes = 14;
    expect(shut(short)).toContain('heat');
    const other = releasable();
    other.processes = [{ ...letter, fruits: ['raspberry'] }];
    expect(shut(other)).toContain('heat');
    const early = releasable();
    early.sealChecks[0]!.at = T(14.9);
    expect(shut(early)).toEqual(['seal']);
  });

  it('asks of what is kept cold that it was chilled in time', () => {
    const lot: LotRecord = { ...releasable(), storage: 'cold', heatProcesses: [] };
    expect(shut(lot)).toContain('heat');
    Object.assign(lot.bottlings[0]!, { closing: 'cooled', hoursToCold: 5 });
    expect(shut(lot)).toContain('heat');
    lot.bottlings[0]!.hoursTo21 = 1.9;
    expect(shut(lot)).toEqual([]);
    lot.bottlings[0]!.hoursToCold = 7;
    expect(shut(lot)).toContain('heat');
  });
});

describe('a lot as made', () => {
  it('is dated from its filling by what was measured', () => {
    const keeping = lotKeeping(releasable(), setting);
    expect(keeping).toMatchObject({
      class: 'shelf',
      madeOn: '2026-11-24',
      bestBy: '2027-11-23',
      dateWord: 'best-by',
    });
  });
  it('names what is not recorded and weighs what went in, struck entries left out', () => {
    const lot = releasable();
    lot.additions[1]!.struck = strike;
    expect(linesNotRecorded(lot)).toEqual(['Sugar, white']);
    expect(ingredientsAsMade(lot)).toEqual([{ ingredientId: 'sour-cherry', grams: 4000 }]);
  });
  it('conserves its bottles through any movements', () => {
    const move = fc.record({
      kind: fc.constantFrom('sold', 'given', 'broken', 'moved', 'retained', 'failed-seal'),
      from: fc.constantFrom('cellar', 'stall'),
      to: fc.constantFrom('cellar', 'stall'),
      count: fc.integer({ min: 1, max: 5 }),
    });
    fc.assert(
      fc.property(fc.array(move, { maxLength: 12 }), (moves) => {
        const lot = releasable();
        for (const [i, m] of moves.entries())
          lot.movements.push({
            id: `x${i}`,
            recordedAt: T(20),
            bottlingId: 'b1',
            kind: m.kind as 'sold',
            from: m.from,
            to: m.kind === 'moved' || m.kind === 'retained' ? m.to : null,
            count: m.count,
            priceMinor: null,
            note: null,
            at: T(20 + i),
            by: 'Wren',
            struck: null,
          });
        const bottles = lotBottles(lot);
        const gone = moves
          .filter((m) => m.kind !== 'moved' && m.kind !== 'retained')
          .reduce((sum, m) => sum + m.count, 0);
        expect(bottles.left).toBe(12 - gone);
        expect(bottles.groups.reduce((sum, g) => sum + g.count, 0)).toBe(bottles.left);
      }),
    );
  });
});

describe('a step’s clock', () => {
  const marks = [
    { kind: 'start' as const, at: T(0), by: '' },
    { kind: 'pause' as const, at: T(0.5), by: '' },
    { kind: 'start' as const, at: T(1), by: '' },
  ];
  it('counts only while it runs', () => {
    expect(stepClock({ minutes: 60, marks }, T(1.25))).toMatchObject({
      state: 'running',
      elapsedSeconds: 2700,
      leftSeconds: 900,
    });
    expect(stepClock({ minutes: null, marks: [] }, T(1))).toMatchObject({
      state: 'waiting',
      elapsedSeconds: 0,
      leftSeconds: null,
    });
  });
  it('stops at done and goes on when taken up again', () => {
    const done = [...marks, { kind: 'done' as const, at: T(2), by: '' }];
    expect(stepClock({ minutes: 60, marks: done }, T(9))).toMatchObject({
      state: 'done',
      elapsedSeconds: 5400,
    });
    expect(
      stepClock({ minutes: 60, marks: [...done, { kind: 'reopen', at: T(3), by: '' }] }, T(9)),
    ).toMatchObject({ state: 'paused', doneAt: null, elapsedSeconds: 5400 });
  });
  it('is of the first step not done', () => {
    expect(presentStep(releasable().steps, T(2))).toBeNull();
  });
});

describe('judging a reading', () => {
  const at = { celsius: null };
  it.each([
    ['ph', 15, 'impossible'],
    ['ph', 3.4, 'fine'],
    ['brix', 120, 'impossible'],
    ['brix', 59, 'fine'],
    ['temperature', 176, 'doubtful'],
    ['mass', -1, 'impossible'],
  ] as const)('%s of %d is %s', (kind, value, verdict) => {
    const judged = judgeReading(kind, value, at);
    expect(judged.verdict).toBe(verdict);
    if (verdict !== 'fine') expect(judged.sentence).toMatch(/[.?]$/);
  });
});

describe('whether a pH counts', () => {
  const at = (hour: number) => ({ at: T(hour), recordedAt: T(hour) });
  const good = { ...at(0), accepted: true, low: 'checked' as const };
  const reading = { value: 3.4, at: T(2) };
  const counts = (calibrations: Parameters<typeof meterStanding>[1], r = reading) =>
    meterStanding(r, calibrations, 'UTC').counts;
  it('takes a calibration of that day, low enough, before it', () => {
    expect(counts([good])).toBe(true);
    expect(counts(null)).toBe(false);
    expect(counts([])).toBe(false);
    expect(counts([{ ...good, ...at(-24) }])).toBe(false);
    expect(counts([{ ...good, ...at(3) }])).toBe(false);
    expect(counts([{ ...good, accepted: false }])).toBe(false);
    expect(counts([{ ...good, low: 'missing' }])).toBe(false);
    expect(counts([{ ...good, low: 'missing' }], { value: 4.1, at: T(2) })).toBe(true);
  });
  it('is voided by a check that fails afterwards, back to the last good one', () => {
    const failed = { ...good, ...at(4), accepted: false };
    expect(counts([good, failed])).toBe(false);
    expect(counts([good, { ...good, ...at(3) }, failed])).toBe(true);
    expect(counts([good, { ...good, ...at(3), recordedAt: T(5) }, failed])).toBe(false);
    expect(counts([good, { ...failed, ...at(26) }])).toBe(false);
  });
});
