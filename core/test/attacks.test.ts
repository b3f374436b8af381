import { gates, heatingsOf, type LotRecord, lotKeeping } from '@inch/core/lot';
import { describe, expect, it } from 'vitest';
import { chilled, entry, letter, releasable, T } from './support/lot.ts';

/** Records that claim more than they show. Each is one change of a record that would pass. */
type Attack = [string, (lot: LotRecord) => LotRecord];

const at = (hour: number) => ({ at: T(hour), recordedAt: T(hour) });
const gate = (lot: LotRecord, id: string) =>
  gates(lot, { timeZone: 'UTC', labelMissing: [] }).find((g) => g.id === id)!;

const readings = (lot: LotRecord, change: (r: LotRecord['readings'][number]) => object): LotRecord => ({
  ...lot,
  readings: lot.readings.map((r) => (r.kind === 'temperature' ? { ...r, ...change(r) } : r)),
});
const filling = (lot: LotRecord, more: object): LotRecord => ({
  ...lot,
  bottlings: lot.bottlings.map((b) => ({ ...b, ...more })),
});
const process = (lot: LotRecord, more: object): LotRecord => ({
  ...lot,
  heatProcesses: lot.heatProcesses.map((p) => ({ ...p, ...more })),
});
const source = (lot: LotRecord, more: object): LotRecord => ({ ...lot, processes: [{ ...letter, ...more }] });
const struck = { at: T(20), by: 'Wren', why: 'a slip' };

const NO_HEAT: Attack[] = [
  ['a bare Done', (lot) => readings(lot, () => ({ struck }))],
  ['a pan at 89 °C', (lot) => readings(lot, () => ({ value: 89 }))],
  [
    'one reading, its minute not confirmed',
    (lot) => readings(lot, (r) => (r === lot.readings[0] ? { struck } : {})),
  ],
  [
    'two readings in the same half minute',
    (lot) => readings(lot, (r) => (r === lot.readings[0] ? at(2.595) : {})),
  ],
  ['a hand, no thermometer', (lot) => readings(lot, () => ({ instrument: null }))],
  ['a thermometer that is out of its check', (lot) => readings(lot, () => ({ counts: false }))],
  ['read in the bottle', (lot) => readings(lot, () => ({ sample: 'finished' }))],
  ['read at the hour of the filling', (lot) => readings(lot, () => at(3))],
  ['read eleven hours after the filling', (lot) => readings(lot, () => at(14))],
  ['written after the filling, as of before it', (lot) => readings(lot, () => ({ recordedAt: T(14) }))],
  [
    'readings two hours apart, with nothing between them',
    (lot) => readings(lot, (r) => (r === lot.readings[0] ? at(0.4) : {})),
  ],
  [
    'cooler between the two',
    (lot) => ({
      ...lot,
      readings: lot.readings.flatMap((r) =>
        r.id === 'r3' ? [{ ...r, id: 'dip', value: 71, ...at(2.55) }, r] : [r],
      ),
    }),
  ],
  ['a boil of less than a minute', (lot) => readings(lot, () => ({ kind: 'boil', value: 0.5 }))],
  ['a boil seen after the filling', (lot) => readings(lot, () => ({ kind: 'boil', value: 5, ...at(3.5) }))],
  ['a boil that was struck', (lot) => readings(lot, () => ({ kind: 'boil', value: 5, struck }))],
  [
    'the formula’s own tick',
    (lot) => ({
      ...readings(lot, () => ({ struck })),
      steps: lot.steps.map((s) => ({ ...s, killStep: true })),
    }),
  ],
];

describe('heat', () => {
  it.each(NO_HEAT)('is not shown by %s', (_, attack) => {
    expect(heatingsOf(chilled()).length).toBeGreaterThan(0);
    expect(lotKeeping(chilled(), { timeZone: 'UTC' }).row).not.toBe('cold-never-heated');
    expect(heatingsOf(attack(chilled()))).toEqual([]);
    expect(lotKeeping(attack(chilled()), { timeZone: 'UTC' }).row).toBe('cold-never-heated');
  });
});

const NO_PROCESS: Attack[] = [
  ['before the bottles were filled', (lot) => process(lot, at(2.9))],
  ['of bottles that were written down after it', (lot) => filling(lot, { recordedAt: T(4.5) })],
  ['three hours after the filling', (lot) => process(lot, at(6.5))],
  ['said to be soon after it, and written days later', (lot) => process(lot, { recordedAt: T(80) })],
  ['a minute short', (lot) => process(lot, { minutes: 14 })],
  ['with the minutes of a lower kitchen', (lot) => ({ ...lot, correctedElevation: 2100 })],
  ['of a source that names no such jar', (lot) => source(lot, { largestMl: 200 })],
  ['of a source for pulp', (lot) => source(lot, { state: 'puree' })],
  ['of a source for another fruit', (lot) => source(lot, { fruits: ['fig'] })],
  ['of a source for a sourer product', (lot) => source(lot, { highestPh: 3.2 })],
  [
    'of a source for a thicker syrup, whose °Bx nobody measured',
    (lot) => source(lot, { brix: { from: 60, to: 64 } }),
  ],
  [
    'of a source with an acid that is not in it',
    (lot) => source(lot, { acidsRequired: [{ id: 'citric-anhydrous', gramsPerKg: 2 }] }),
  ],
  ['of a source that the kitchen no longer has', (lot) => ({ ...lot, processes: [] })],
  ['of bottles that were never said to be warm', (lot) => filling(lot, { fillCelsius: null })],
  ['of bottles that cooled open', (lot) => filling(lot, { closing: 'cooled' })],
  ['that was struck', (lot) => process(lot, { struck })],
  ['of half of them', (lot) => process(lot, { bottles: 6 })],
  [
    'of a jar that went in by the record after it',
    (lot) => ({
      ...lot,
      bottlings: [...lot.bottlings, { ...lot.bottlings[0]!, id: 'b2', count: 1, at: T(3), recordedAt: T(9) }],
    }),
  ],
];

describe('a process', () => {
  it.each(NO_PROCESS)('opens no check: %s', (_, attack) => {
    expect(gate(releasable(), 'heat').open).toBe(true);
    expect(gate(attack(releasable()), 'heat').open).toBe(false);
  });
});

const cooling = (lot: LotRecord, n: number, more: object): LotRecord => ({
  ...lot,
  coolings: lot.coolings.map((c, i) => (i === n ? { ...c, ...more } : c)),
});

const NOT_COLD: Attack[] = [
  ['nobody read it', (lot) => ({ ...lot, coolings: [] })],
  ['only the first stage was read', (lot) => ({ ...lot, coolings: lot.coolings.slice(0, 1) })],
  ['the second reading was struck', (lot) => cooling(lot, 1, { struck })],
  ['the first reading was struck, and it was cold after four hours', (lot) => cooling(lot, 0, { struck })],
  ['at 21 °C after three hours', (lot) => cooling(lot, 0, at(6))],
  ['at 22 °C after one', (lot) => cooling(lot, 0, { celsius: 22 })],
  ['at 5 °C after nine hours', (lot) => cooling(lot, 1, at(12))],
  ['at 6 °C in time', (lot) => cooling(lot, 1, { celsius: 6 })],
  ['written down the next day, as of the hour', (lot) => cooling(lot, 1, { recordedAt: T(30) })],
  ['the first stage written down the next day', (lot) => cooling(lot, 0, { recordedAt: T(30) })],
  ['read of other bottles', (lot) => cooling(cooling(lot, 0, { bottlingId: 'x' }), 1, { bottlingId: 'x' })],
  [
    'read of half of them',
    (lot) => ({ ...lot, bottlings: [...lot.bottlings, { ...lot.bottlings[0]!, id: 'b2', count: 6 }] }),
  ],
  [
    'its hours were said, and too many',
    (lot) => ({ ...filling(lot, { hoursTo21: 3, hoursToCold: 5 }), coolings: [] }),
  ],
  ['its hours were said in part', (lot) => ({ ...filling(lot, { hoursTo21: 1 }), coolings: [] })],
];

describe('the cold', () => {
  it.each(NOT_COLD)('was not reached in time: %s', (_, attack) => {
    expect(gate(chilled(), 'heat').open).toBe(true);
    expect(gate(attack(chilled()), 'heat').open).toBe(false);
  });
});

/** A sour cold syrup whose sugar was measured at 62 °Bx. */
function sweet(): LotRecord {
  const lot = chilled();
  return {
    ...lot,
    readings: [
      ...lot.readings,
      { ...lot.readings[1]!, ...entry('dil', T(2.91)), value: 3.45, diluted: true },
      {
        ...lot.readings[0]!,
        ...entry('bx', T(2.9)),
        kind: 'brix',
        sample: 'finished',
        value: 62,
        instrumentId: 'r1',
      },
    ],
  };
}
const brix = (lot: LotRecord, more: object): LotRecord => ({
  ...lot,
  readings: lot.readings.map((r) => (r.kind === 'brix' ? { ...r, ...more } : r)),
});
const more = (lot: LotRecord, ingredientId: string, hour: number, grams: number): LotRecord => ({
  ...lot,
  additions: [
    ...lot.additions,
    { ...lot.additions[0]!, ...entry('late', T(hour)), ingredientId, grams, lineId: null },
  ],
});

const NOT_SWEET: Attack[] = [
  ['typed without an instrument', (lot) => brix(lot, { instrument: null, instrumentId: null })],
  ['read by one that was not checked', (lot) => brix(lot, { counts: false })],
  ['struck', (lot) => brix(lot, { struck })],
  ['59.8', (lot) => brix(lot, { value: 59.8 })],
  ['read of the pan', (lot) => brix(lot, { sample: 'pan' })],
  ['read before water went in', (lot) => more(lot, 'water', 2.95, 900)],
  ['read before more fruit went in', (lot) => more(lot, 'sour-cherry', 2.95, 900)],
  [
    'dated after the water and written before it',
    (lot) => more(brix(lot, { at: T(2.97) }), 'water', 2.95, 900),
  ],
  [
    'with a lower one after it',
    (lot) => ({
      ...lot,
      readings: [...lot.readings, { ...lot.readings.at(-1)!, ...entry('bx2', T(2.95)), value: 50 }],
    }),
  ],
  [
    'a lower one that was only typed after it',
    (lot) => ({
      ...lot,
      readings: [
        ...lot.readings,
        {
          ...lot.readings.at(-1)!,
          ...entry('bx2', T(2.95)),
          value: 50,
          instrument: null,
          instrumentId: null,
        },
      ],
    }),
  ],
  ['simulated', (lot) => brix(lot, { simulated: true, counts: false })],
  [
    'with a lower one after it, by a refractometer that does not count',
    (lot) => ({
      ...lot,
      readings: [
        ...lot.readings,
        { ...lot.readings.at(-1)!, ...entry('bx2', T(2.95)), value: 50, counts: false },
      ],
    }),
  ],
];

describe('three months by sugar', () => {
  it.each(NOT_SWEET)('are not given by a °Bx %s', (_, attack) => {
    expect(lotKeeping(sweet(), { timeZone: 'UTC' }).row).toBe('cold-sugar');
    expect(lotKeeping(attack(sweet()), { timeZone: 'UTC' }).row).not.toBe('cold-sugar');
  });
});
