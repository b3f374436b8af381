import type { LotStanding } from '@inch/core/lot';
import type { LotToday } from '@inch/core/planning';
import { dayBar, dueItems, obstacles } from '@inch/core/planning';
import { describe, expect, it } from 'vitest';

const T = (hours: number) => new Date(Date.UTC(2026, 10, 24, 8) + hours * 3_600_000).toISOString();
const step = (
  position: number,
  title: string,
  marks: { kind: 'start' | 'done'; at: string }[],
  minutes = 60,
) => ({
  id: title,
  position,
  kind: 'draw' as const,
  title,
  minutes,
  killStep: false,
  formulaStepId: title,
  marks: marks.map((m) => ({ ...m, by: '' })),
});

function lot(
  state: string,
  more: object = {},
  keeping: object = {},
  gates: { open: boolean; id: string; missing: string | null }[] = [],
): LotToday {
  return {
    record: {
      code: '7F4H',
      state,
      begunAt: T(0),
      storage: 'shelf',
      product: { name: 'Syrup', colour: '#8E1230', content: { steps: [] } },
      steps: [],
      bottlings: [],
      movements: [],
      decisions: [],
      prints: [{}],
      heatProcesses: [],
      sealChecks: [],
      loads: [],
      coolings: [],
      storageChanges: [],
      spoiltLabels: [],
      looks: [],
      datings: [],
      fates: [],
      deviations: [],
      ...more,
    },
    gates,
    keeping: { readyOn: '2026-11-24', bestBy: null, dateWord: 'best-by', ...keeping },
  } as unknown as LotToday;
}

const steps = [
  step(1, 'Simmer', [
    { kind: 'start', at: T(0) },
    { kind: 'done', at: T(1) },
  ]),
  step(2, 'Drip', [{ kind: 'start', at: T(1) }], 180),
  step(3, 'Reduce', []),
];
const filled = {
  bottlings: [{ id: 'b', count: 12, nominalMl: 237, at: T(0), struck: null }],
  movements: [{ bottlingId: 'b', kind: 'stored', from: null, to: 'cellar', count: 12 }],
};
const due = (lots: LotToday[], now: string, meters: Parameters<typeof dueItems>[2] = []) =>
  dueItems(lots, [], meters, now, 'UTC').map((d) => [d.when, d.title]);

describe('what is due', () => {
  it('is the step in hand: next while its clock runs, now when its time is up', () => {
    expect(due([lot('making', { steps })], T(2))).toEqual([['next', 'Drip']]);
    expect(due([lot('making', { steps })], T(5))).toEqual([['now', 'Drip']]);
    expect(due([lot('making', { steps: steps.slice(0, 1) })], T(2))).toEqual([['now', 'Fill the bottles']]);
  });
  it('tells of a wait that it wants no hand, and puts weeks of it to later', () => {
    const waits = (minutes: number) => [step(1, 'Steep', [{ kind: 'start', at: T(0) }], minutes)];
    const [item] = dueItems([lot('making', { steps: waits(600) })], [], [], T(1), 'UTC');
    expect(item).toMatchObject({ when: 'next', at: T(10), detail: expect.stringMatching(/no hand needed/) });
    expect(due([lot('making', { steps: waits(20 * 1440) })], T(1))).toEqual([['later', 'Steep']]);
  });
  it('is the stirring of the step in hand, when it has come round', () => {
    const stirred = {
      steps: [{ ...step(1, 'Reduce', [{ kind: 'start', at: T(0) }], 60), formulaStepId: 'r' }],
      product: {
        name: 'Syrup',
        colour: '#8E1230',
        content: { steps: [{ id: 'r', prompt: 'stir the bottom', promptEvery: 10 }] },
      },
    };
    expect(due([lot('making', stirred)], T(0.1))).toEqual([['next', 'Reduce']]);
    expect(due([lot('making', stirred)], T(0.2))).toEqual([
      ['now', 'Stir the bottom'],
      ['next', 'Reduce'],
    ]);
  });
  it('is an instrument that a reading would not count with, while something is on the stove', () => {
    const scale = {
      name: 'Scale',
      kind: 'scale',
      calibratedAt: null,
      dueOn: null,
      whyNot: 'the scale was not checked on a known weight',
    };
    expect(due([lot('making', { steps })], T(2), [scale])).toContainEqual(['later', 'Scale needs checking']);
    expect(due([], T(2), [scale])).toEqual([]);
    expect(due([lot('making', { steps })], T(2), [{ ...scale, whyNot: null }])).toEqual([['next', 'Drip']]);
  });
  it('is the lids twelve hours after a hot filling', () => {
    expect(due([lot('resting', filled)], T(11))).toEqual([['next', 'Press 12 lids']]);
    expect(due([lot('resting', filled)], T(12.1))).toEqual([['now', 'Press 12 lids']]);
    expect(due([lot('resting', { ...filled, storage: 'cold' })], T(0.1))).toEqual([['now', 'Check 12 caps']]);
  });
  it('is a release when every release check is passed, and the first missing thing while not', () => {
    expect(due([lot('bottled', filled, {}, [{ id: 'acid', open: true, missing: null }])], T(20))).toEqual([
      ['now', 'Release 12 bottles'],
    ]);
    expect(
      due([lot('bottled', filled, {}, [{ id: 'seal', open: false, missing: 'Press them.' }])], T(20)),
    ).toEqual([['later', '1 release check missing']]);
  });
  it('is the meter’s buffers while a lot waits for its pH', () => {
    const waiting = lot('bottled', filled, {}, [{ id: 'acid', open: false, missing: 'Measure.' }]);
    const meter = { name: 'pH pen', kind: 'ph-meter', calibratedAt: T(-24) };
    expect(due([waiting], T(2), [meter])).toContainEqual(['now', 'pH pen needs calibrating']);
    expect(due([waiting], T(2), [{ ...meter, calibratedAt: T(1) }])).not.toContainEqual([
      'now',
      'pH pen needs calibrating',
    ]);
    expect(due([], T(2), [meter])).toEqual([]);
  });
});

/** The standing of a released lot with bottles left. */
const released = (more: Partial<LotStanding>) =>
  ({
    code: '7F4H',
    name: 'Syrup',
    colour: '#8E1230',
    state: 'released',
    printed: true,
    nextLooks: [],
    retained: 0,
    stands: [],
    away: { count: 0, untold: 0 },
    readyOn: '2026-11-24',
    bestBy: null,
    dateWord: 'best-by',
    bottles: { left: 12 },
    ...more,
  }) as LotStanding;

describe('what a released lot asks for', () => {
  const asked = (more: Partial<LotStanding>) =>
    dueItems([], [released(more)], [], T(0), 'UTC').map((d) => [d.when, d.title]);
  it('is labels where none was printed, and the day on which it is ready', () => {
    expect(asked({})).toEqual([]);
    expect(asked({ printed: false })).toEqual([['later', 'Print labels']]);
    expect(asked({ readyOn: '2026-12-04' })).toEqual([['later', 'Ready to drink']]);
    expect(asked({ readyOn: '2027-12-04' })).toEqual([]);
  });
  it('is a look at what is kept back, a week before it is due, and an opened one until its last day', () => {
    const look = (on: string, more: object = {}) =>
      asked({ retained: 2, nextLooks: [{ on, opened: false, until: null, ...more }] });
    expect(look('2026-11-20')).toEqual([['now', 'Look at a bottle kept back']]);
    expect(look('2026-11-30')).toEqual([['later', 'Look at a bottle kept back']]);
    expect(look('2026-12-20')).toEqual([]);
    const open = { opened: true, until: '2026-11-30' };
    expect(look('2026-11-20', open)).toEqual([['now', 'Look at the bottle that is open']]);
    expect(look('2026-11-20', { ...open, until: '2026-11-21' })).toEqual([]);
  });
});

describe('what stands in the way', () => {
  const way = (lots: LotToday[], out: LotStanding[] = []) =>
    obstacles(lots, out, T(0), 'UTC').map((o) => [o.level, o.title]);
  it('is a held lot, a date that is past, or one close by', () => {
    expect(way([lot('held', { decisions: [{ to: 'held', why: 'pH 5.1' }] })])).toEqual([['hold', 'Held']]);
    expect(way([], [released({ bestBy: '2026-11-23' })])).toEqual([['stop', 'Past best by']]);
    expect(way([], [released({ bestBy: '2026-12-05' })])).toEqual([['hold', 'Best by 5 Dec 2026']]);
    expect(way([], [released({ bestBy: '2027-12-05' })])).toEqual([]);
    expect(way([], [released({ bestBy: null })])).toEqual([]);
  });
  it('is a recalled lot with bottles here, or with somebody who was not told', () => {
    const recalled = { state: 'recalled' as const, bottles: { left: 0 } as never };
    expect(way([], [released({ ...recalled, away: { count: 0, untold: 0 } })])).toEqual([]);
    expect(way([], [released({ ...recalled, away: { count: 3, untold: 3 } })])).toEqual([
      ['stop', 'Recalled'],
    ]);
    expect(way([], [released({ state: 'recalled' })])).toEqual([['stop', 'Recalled']]);
  });
  it('is what stood warm for too long, or is past the day that thawing left it', () => {
    const stands = (more: object) => [{ place: 'stall', count: 3, tooWarmAt: null, until: null, ...more }];
    expect(way([], [released({ stands: stands({}) })])).toEqual([]);
    expect(way([], [released({ stands: stands({ tooWarmAt: T(1) }) })])).toEqual([]);
    expect(way([], [released({ stands: stands({ tooWarmAt: T(-1) }) })])).toEqual([
      ['stop', 'Too warm in stall'],
    ]);
    expect(way([], [released({ stands: stands({ until: '2026-11-23' }) })])).toEqual([
      ['stop', 'Past its last day in stall'],
    ]);
  });
});

describe('a lot’s bar on the day', () => {
  it('shows done steps where they were and the rest one after another, without a gap or an overlap', () => {
    const { segments } = dayBar(lot('making', { steps }).record, T(2));
    expect(segments.map((s) => s.state)).toEqual(['done', 'running', 'planned']);
    expect(segments[1]).toMatchObject({ from: T(1), to: T(4) });
    expect(segments[2]).toMatchObject({ from: T(4), to: T(5) });
  });
});
