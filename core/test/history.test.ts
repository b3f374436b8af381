import { historyOf, type LotRecord } from '@inch/core/lot';
import { describe, expect, it } from 'vitest';

const T = (minutes: number) => new Date(Date.UTC(2026, 10, 25, 8, minutes)).toISOString();
const entry = (id: string, minutes: number) => ({ id, at: T(minutes), by: 'Wren', struck: null });

const lot = {
  product: { content: { lines: [], steps: [] } },
  steps: [
    {
      id: 's',
      title: 'Simmer',
      marks: [
        { kind: 'start', at: T(0), by: 'Tam' },
        { kind: 'done', at: T(20), by: 'Tam' },
      ],
    },
  ],
  additions: [
    { ...entry('a1', 1), ingredientId: 'damson', grams: 4000, withdrawals: [], why: null },
    { ...entry('a2', 2), ingredientId: 'sugar', grams: 0, withdrawals: [], why: 'none left' },
  ],
  readings: [
    {
      ...entry('r1', 10),
      kind: 'brix',
      raw: 31.4,
      celsius: 27,
      value: 31.96,
      sample: 'pan',
      counts: true,
      taken: 'as-it-is',
      whyNot: null,
      instrument: 'Hand refractometer',
      because: null,
      instrumentId: null,
      simulated: false,
      diluted: false,
      heldMinutes: null,
      said: '',
    },
    {
      ...entry('r2', 12),
      kind: 'ph',
      raw: 3.9,
      celsius: null,
      value: 3.9,
      sample: 'finished',
      counts: false,
      taken: 'as-it-is',
      whyNot: 'no meter was named',
      instrument: null,
      because: null,
      instrumentId: null,
      simulated: false,
      diluted: false,
      heldMinutes: null,
      said: '',
      struck: { at: T(13), by: 'Tam', why: 'wrong jar' },
    },
    {
      ...entry('r3', 14),
      kind: 'note',
      raw: null,
      celsius: null,
      value: null,
      sample: 'pan',
      counts: false,
      taken: 'as-it-is',
      whyNot: null,
      instrument: null,
      because: null,
      instrumentId: null,
      simulated: false,
      diluted: false,
      heldMinutes: null,
      said: 'cloudy',
    },
  ],
  bottlings: [
    {
      ...entry('b', 30),
      count: 12,
      withdrawals: [],
      nominalMl: 237,
      container: 'Half-pint jar',
      closing: 'hot',
      fillCelsius: 90,
      middleCelsius: 88,
      lastCelsius: null,
      hoursTo21: null,
      hoursToCold: null,
    },
  ],
  faults: [{ ...entry('f', 31), container: 'Half-pint jar', fault: 'nicked-rim', count: 1 }],
  tallies: [
    {
      ...entry('t', 32),
      inPanMl: 2900,
      filledMl: 2844,
      gapMl: 16,
      asks: false,
      why: null,
      parts: [{ part: 'foam', ml: 40 }],
    },
  ],
  weighings: [],
  coolings: [],
  storageChanges: [],
  spoiltLabels: [],
  looks: [],
  datings: [],
  ticks: [],
  loads: [
    {
      ...entry('l', 33),
      number: 1,
      bottles: 12,
      name: 'Berry syrup',
      marks: [
        { id: 'l1', kind: 'boil', at: T(34), by: 'Wren' },
        { id: 'l2', kind: 'stopped', at: T(35), by: 'Wren' },
      ],
    },
  ],
  curves: [],
  fates: [{ id: 'x', checkId: 'k', fate: 'chilled', count: 1, at: T(51), by: 'Wren' }],
  deviations: [
    {
      id: 'v',
      kind: 'seen',
      what: 'A draught.',
      entryId: null,
      at: T(52),
      by: 'Wren',
      closed: { cause: 'a window', done: 'shut it', at: T(53), by: 'Wren' },
    },
  ],
  heatProcesses: [
    {
      ...entry('h', 40),
      minutes: 15,
      requiredMinutes: 15,
      name: 'Berry syrup',
      source: 'USDA',
      mismatches: ['it was tested with cherries'],
      bottles: null,
    },
  ],
  sealChecks: [{ ...entry('k', 50), checked: 12, failed: 1, signs: ['sediment'] }],
  movements: [
    {
      id: 'm',
      at: T(70),
      by: 'Wren',
      kind: 'sold',
      count: 3,
      from: 'cellar',
      to: null,
      priceMinor: 1950,
      note: 'Saturday stall',
    },
  ],
  decisions: [
    { id: 'd', at: T(60), by: 'Wren', event: 'release', from: 'bottled', to: 'released', why: null },
  ],
  prints: [
    {
      id: 'p',
      at: T(65),
      by: 'Wren',
      copies: 12,
      statement: 'Ingredients: damsons.',
      differences: [],
      reprintOf: null,
      why: null,
    },
  ],
} as unknown as LotRecord;

const history = historyOf(lot, 'GBP');
const titles = history.map((h) => h.title);

describe('a lot’s history', () => {
  it('has everything that happened, in the order it happened', () => {
    expect(titles).toEqual([
      'Started: Simmer',
      'In: Damsons',
      'Left out: Sugar, white',
      'Refractometer: 32.0 °Bx, read 31.4 at 27 °C',
      'pH meter: pH 3.90',
      'Note: cloudy',
      'Done: Simmer',
      'Filled 12 × 237 mL',
      'Retired 1: nicked rim',
      'Accounted for 2\u202f900 mL',
      'Load 1 into the canner: 12 bottles',
      'Full boil, load 1',
      'The boil stopped, load 1',
      'Heat process: 15 of 15 min',
      'Seals: 12 checked, 1 failed',
      'Failed seals: 1 chilled',
      'Out of its limits',
      'Deviation closed',
      'From bottled to released',
      'Printed 12 labels',
      'Sold: 3 bottles',
    ]);
    expect([...history].sort((a, b) => a.at.localeCompare(b.at))).toEqual(history);
  });
  it('keeps a struck entry in its place, with who and why', () => {
    expect(history.find((h) => h.id === 'r2')).toMatchObject({
      struck: { by: 'Tam', why: 'wrong jar' },
      detail: 'finished product · does not count: no meter was named',
    });
  });
  it('says amounts, reasons, prices and what does not match', () => {
    const detail = (title: string) => history.find((h) => h.title.startsWith(title))!.detail;
    expect(detail('In:')).toBe('4\u202f000 g');
    expect(detail('Left out')).toBe('none left');
    expect(detail('Sold')).toBe('from cellar, £19.50, Saturday stall');
    expect(detail('Heat process')).toMatch(/Does not match: it was tested with cherries/);
    expect(detail('Filled')).toBe('Half-pint jar, closed hot at 90, 88 °C');
  });
});
