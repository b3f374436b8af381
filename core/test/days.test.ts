import { instantOf } from '@inch/core/calendar';
import type { FormulaContent } from '@inch/core/formula';
import {
  BURNER,
  CANNER,
  clashesOf,
  dayLot,
  HANDS,
  handsMinutesOf,
  hardestOf,
  hoursFrom,
  type PlanSetting,
  panResource,
  plannedStarts,
  schedule,
  scheduleBack,
  stockThatWillNotWait,
} from '@inch/core/planning';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { draws } from '../../scripts/src/draws.mjs';

const syrup: FormulaContent = {
  lines: [{ id: 'fruit', said: '4 kg', ingredientId: 'sour-cherry' }],
  steps: [
    { id: 'stone', kind: 'prepare', title: 'Stone', minutes: 40 },
    { id: 'simmer', kind: 'draw', method: 'cooked', title: 'Simmer', minutes: 25 },
    { id: 'drip', kind: 'strain', cloth: 'drip', title: 'Drip', minutes: 120 },
    { id: 'reduce', kind: 'reduce', title: 'Reduce', minutes: 40 },
    { id: 'fill', kind: 'fill', title: 'Fill', minutes: 20 },
    { id: 'process', kind: 'process', title: 'Process', minutes: 30 },
  ],
  storage: 'shelf',
  bottleMl: 237,
  readyDays: 14,
};
const making = {
  id: 'lot',
  formulaId: 'f',
  content: syrup,
  scale: 1,
  kg: 4,
  bottles: 14,
  panId: 'wide',
  cannerHolds: 7,
};

describe('the steps of a making on the day', () => {
  const { steps } = dayLot(making, []);
  const step = (id: string) => steps.find((s) => s.id === id)!;

  it('need hands, a burner with its pan, the canner, or nothing but time', () => {
    expect(step('stone').needs).toEqual({ [HANDS]: 1 });
    expect(step('reduce').needs).toEqual({ [BURNER]: 1, [panResource('wide')]: 1 });
    expect(step('reduce').attended).toBe(true);
    expect(step('drip').needs).toEqual({});
    expect(step('process').needs).toEqual({ [CANNER]: 1, [BURNER]: 1 });
  });

  it('fill at once what is hot, and process at once what is filled; fourteen jars are two loads of seven', () => {
    expect(step('fill').atOnce).toBe(true);
    expect(step('process').atOnce).toBe(true);
    expect(step('process 2')).toMatchObject({ title: 'Process, load 2 of 2', minutes: 30 });
    expect(step('process 2').atOnce).toBeUndefined();
  });

  it('end with the cooling day, the labels and the weeks in the jar', () => {
    expect(steps.slice(-3).map((s) => [s.kind, s.minutes])).toEqual([
      ['rest', 720],
      ['label', 15],
      ['ready', 14 * 1440],
    ]);
  });

  it('have a filling where the formula leaves it to the kitchen', () => {
    const cold = { ...syrup, steps: syrup.steps.slice(0, 3), readyDays: undefined };
    const kinds = dayLot({ ...making, content: cold }, []).steps.map((s) => s.kind);
    expect(kinds).toEqual(['prepare', 'draw', 'strain', 'fill', 'label']);
  });
});

describe('the hands of a making', () => {
  const { steps } = dayLot(making, []);

  it('are all of what needs both, and a quarter of what is only minded', () => {
    // 40 + 20 + 15 of hands; simmer 25, reduce 40 and two loads of 30 minded.
    expect(handsMinutesOf(steps)).toBe(75 + (25 + 40 + 60) / 4);
  });

  it('are mostly in the stoning, and of several lots together', () => {
    expect(hardestOf([...steps, ...steps], 2)).toEqual([
      { title: 'Stone', minutes: 80 },
      { title: 'Fill', minutes: 40 },
    ]);
  });
});

const hours = Array.from({ length: 20 }, (_, day) => ({ from: day * 1440 + 480, to: day * 1440 + 1140 }));
const settingOf = (lots: PlanSetting['lots']): PlanSetting => ({
  lots,
  resources: { [HANDS]: 1, [BURNER]: 2, [CANNER]: 1, [panResource('wide')]: 1, [panResource('small')]: 1 },
  hours,
});

describe('hours laid backwards from a date', () => {
  const made = fc.record({
    bottles: fc.integer({ min: 1, max: 30 }),
    kg: fc.integer({ min: 1, max: 9 }),
    pan: fc.constantFrom('wide', 'small'),
    steps: fc.integer({ min: 1, max: 6 }),
  });

  it('keep every constraint, are done by then, and begin no later than the bound says', () => {
    fc.assert(
      fc.property(fc.array(made, { minLength: 1, maxLength: 4 }), (list) => {
        const lots = list.map((m, i) =>
          dayLot(
            {
              ...making,
              id: `lot ${i}`,
              content: { ...syrup, steps: syrup.steps.slice(0, m.steps), readyDays: undefined },
              bottles: m.bottles,
              kg: m.kg,
              scale: m.kg / 4,
              panId: m.pan,
            },
            [],
          ),
        );
        const setting = settingOf(lots.map((l) => ({ ...l, earliest: Number.NEGATIVE_INFINITY })));
        const due = 18 * 1440;
        const laid = scheduleBack(setting, due, { tries: 20 });
        expect(clashesOf(setting, laid.steps)).toEqual([]);
        expect(Math.max(...laid.steps.map((s) => s.to))).toBeLessThanOrEqual(due);
        expect(Math.min(...laid.steps.map((s) => s.from))).toBe(laid.begin);
        expect(laid.begin).toBeLessThanOrEqual(laid.upperBound);
      }),
      { numRuns: draws(60) },
    );
  });

  it('begin as late as one lot alone lets them', () => {
    const lot = dayLot(
      { ...making, content: { ...syrup, steps: [syrup.steps[0]!], readyDays: undefined }, bottles: 10 },
      [],
    );
    // Stoning 40, filling 15 at once after it, labelling 10: the last minute of the second day is 2,580.
    const laid = scheduleBack(settingOf([lot]), 2 * 1440, { tries: 5 });
    expect(laid.begin).toBe(1440 + 1140 - 65);
    expect(laid.begin).toBe(laid.upperBound);
  });
});

describe('somebody at home', () => {
  const pot = { id: 'pot', minutes: 300, needs: { [BURNER]: 1 }, attended: true };

  it('is held to the hours like hands, but leaves the hands free', () => {
    const lots = [
      { id: 'a', steps: [pot] },
      { id: 'b', steps: [{ id: 'stone', minutes: 300, needs: { [HANDS]: 1 } }] },
    ];
    const { finish, steps } = schedule(settingOf(lots), { tries: 10 });
    expect(finish).toBe(780);
    expect(clashesOf(settingOf(lots), steps)).toEqual([]);
    const night = [{ lotId: 'a', stepId: 'pot', from: 0, to: 300 }];
    expect(clashesOf(settingOf([lots[0]!]), night)).toEqual([
      { lotId: 'a', stepId: 'pot', words: 'nobody is there at that hour' },
    ]);
  });

  it('a resource that clashes is called by its name', () => {
    const lots = [
      { id: 'a', steps: [pot] },
      { id: 'b', steps: [{ ...pot, needs: { [BURNER]: 2 } }] },
    ];
    const both = lots.map((l) => ({ lotId: l.id, stepId: 'pot', from: 480, to: 780 }));
    expect(clashesOf(settingOf(lots), both, { [BURNER]: 'burners' })[0]!.words).toBe(
      'burners: 3 wanted at once, 2 there',
    );
  });
});

describe('the kitchen’s hours', () => {
  const week = [0, 1, 2, 3, 4, 5].map(() => ({ from: '08:00', to: '18:00' }));

  it('are minutes from an instant, with no day off in them, and keep their wall clock when the clocks change', () => {
    // Saturday 24 October 2026, noon in London, is 11:00 UTC; on Sunday the clocks go back.
    const laid = hoursFrom(
      [...week, null],
      '2026-10-24T11:00:00.000Z',
      { daysBefore: 0, daysAfter: 2 },
      'Europe/London',
    );
    expect(laid).toEqual([
      { from: -240, to: 360 },
      { from: 44 * 60 + 60, to: 54 * 60 + 60 },
    ]);
    expect(instantOf('2026-10-26 08:00', 'Europe/London')).toBe('2026-10-26T08:00:00.000Z');
    expect(() => instantOf('soon', 'Europe/London')).toThrow(RangeError);
  });
});

describe('on Today', () => {
  const now = '2026-11-25T09:00:00.000Z';

  it('a planned lot is told from the day before, and asked for once its hour has come', () => {
    const start = (partId: string, at: string) => ({
      planId: 'p',
      plan: 'the fair',
      partId,
      product: 'Shrub',
      at,
    });
    const due = plannedStarts(
      [
        start('late', '2026-11-25T08:00:00.000Z'),
        start('soon', '2026-11-25T14:00:00.000Z'),
        start('tomorrow', '2026-11-26T08:00:00.000Z'),
        start('far', '2026-11-29T08:00:00.000Z'),
      ],
      now,
    );
    expect(due.map((d) => [d.id, d.when])).toEqual([
      ['start p late', 'now'],
      ['start p soon', 'next'],
      ['start p tomorrow', 'later'],
    ]);
  });

  it('fruit that will not wait is told while it is still good, and there', () => {
    const damsons = {
      id: 's',
      code: 'S3',
      name: 'Damsons',
      kind: 'ingredient' as const,
      thing: 'damson',
      quantity: 11_000,
      gotOn: '2026-11-24',
      bestBy: '2026-11-30',
      leftBy: null,
      takings: [],
    };
    const told = stockThatWillNotWait([damsons], now, 'Europe/London');
    expect(told[0]).toMatchObject({
      title: 'Damsons will not wait',
      detail: expect.stringMatching(/^S3, 11.0 kg left/),
    });
    const gone = { ...damsons, takings: [{ kind: 'used' as const, amount: 11_000, at: now, struck: false }] };
    const later = { ...damsons, bestBy: '2027-01-30' };
    const past = { ...damsons, bestBy: '2026-11-24' };
    expect(stockThatWillNotWait([gone, later, past], now, 'Europe/London')).toEqual([]);
  });
});
