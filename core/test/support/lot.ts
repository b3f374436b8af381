import type { FormulaContent } from '@inch/core/formula';
import type { HeatProcess } from '@inch/core/heat';
import type { LotRecord } from '@inch/core/lot';

/** An instant so many hours after the lot was begun, 24 November 2026 at eight. */
export const T = (hours: number): string =>
  new Date(Date.UTC(2026, 10, 24, 8) + hours * 3_600_000).toISOString();

export const entry = (id: string, at: string) => ({ id, at, recordedAt: at, by: 'Wren', struck: null });

const content: FormulaContent = {
  lines: [
    { id: 'fruit', said: '4 kg', ingredientId: 'sour-cherry', stepId: 'cook' },
    { id: 'sugar', said: '2 kg', ingredientId: 'sugar', stepId: 'cook' },
  ],
  steps: [
    { id: 'cook', kind: 'draw', title: 'Cook', evaporates: 0.9, killStep: true },
    { id: 'drip', kind: 'strain', title: 'Drip' },
  ],
  storage: 'shelf',
  bottleMl: 237,
};

/** 15 minutes between 1,000 and 6,000 ft for jars of cherry syrup. */
export const letter: HeatProcess = {
  id: 'letter',
  name: 'Cherry syrup',
  source: 'A letter',
  readOn: '2026-05-03',
  fruits: ['sour-cherry'],
  acids: [],
  products: ['syrup'],
  brix: null,
  highestPh: null,
  closure: 'two-piece-lid',
  largestMl: 500,
  headspaceInches: 0.5,
  method: 'boiling-water',
  hotFill: null,
  restMinutes: 5,
  state: 'strained',
  pack: 'hot',
  steam: false,
  anyFruitBut: null,
  acidsRequired: [],
  salt: false,
  spices: [],
  thickeners: [],
  bands: [
    { toFeet: 1000, minutes: 10 },
    { toFeet: 6000, minutes: 15 },
  ],
};

/** A lot with all the evidence that a release asks for. */
export function releasable(): LotRecord {
  const reading = {
    stepId: 'step',
    said: '',
    raw: 0,
    celsius: null,
    instrument: 'Meter',
    counts: true,
    whyNot: null,
    because: null,
    instrumentId: null,
    simulated: false,
    diluted: false,
    heldMinutes: null,
    taken: 'as-it-is' as const,
  };
  return {
    id: 'lot',
    code: '7F4H',
    state: 'bottled',
    heldFrom: null,
    product: {
      formulaId: 'f',
      name: 'Sour cherry syrup',
      kind: 'syrup',
      colour: '#8E1230',
      version: 1,
      content,
    },
    storageChanges: [],
    spoiltLabels: [],
    looks: [],
    datings: [],
    storage: 'shelf',
    criticalPh: 4.2,
    elevationMetres: 719,
    timeZone: 'UTC',
    rulePack: 'us',
    broughtInAt: null,
    processes: [letter],
    begunAt: T(0),
    writtenAt: T(0),
    scale: 1,
    steps: [
      {
        id: 'step',
        position: 1,
        kind: 'draw',
        title: 'Cook',
        minutes: 20,
        killStep: true,
        formulaStepId: 'cook',
        marks: [
          { kind: 'start', at: T(0), by: 'Wren' },
          { kind: 'done', at: T(2.95), by: 'Wren' },
        ],
      },
    ],
    additions: [
      {
        ...entry('a1', T(0.1)),
        stepId: 'step',
        lineId: 'fruit',
        ingredientId: 'sour-cherry',
        grams: 4000,
        why: null,
        from: null,
        beforeTrimming: null,
        more: false,
        entry: null,
        withdrawals: [{ stockId: 's-fruit', code: 'S16', amount: 4000 }],
      },
      {
        ...entry('a2', T(0.2)),
        stepId: 'step',
        lineId: 'sugar',
        ingredientId: 'sugar',
        grams: 2000,
        why: null,
        from: null,
        beforeTrimming: null,
        more: false,
        entry: null,
        withdrawals: [{ stockId: 's-sugar', code: 'S11', amount: 2000 }],
      },
    ],
    readings: [
      { ...entry('r1', T(2.5)), ...reading, kind: 'temperature', sample: 'pan', value: 97 },
      { ...entry('r2', T(2.9)), ...reading, kind: 'ph', sample: 'finished', value: 3.4, celsius: 21 },
      { ...entry('r3', T(2.6)), ...reading, kind: 'temperature', sample: 'pan', value: 97 },
    ],
    bottlings: [
      {
        ...entry('b1', T(3)),
        why: null,
        containerId: 'jar',
        container: 'Half-pint jar',
        nominalMl: 237,
        closure: 'two-piece-lid',
        count: 12,
        fillCelsius: 90,
        middleCelsius: 88,
        lastCelsius: 86,
        glassCelsius: 70,
        headspaceInches: 0.5,
        instrumentId: 'thermometer',
        instrument: 'Thermometer',
        counts: true,
        sterile: false,
        rated: ['boiling-water'],
        checked: true,
        closing: 'hot',
        hoursTo21: null,
        hoursToCold: null,
        withdrawals: [],
      },
    ],
    heatProcesses: [
      {
        ...entry('p1', T(4)),
        processId: 'letter',
        name: 'Cherry syrup',
        source: 'A letter',
        method: 'boiling-water',
        requiredMinutes: 15,
        minutes: 15,
        numbers: null,
        invertedSeconds: null,
        elevationMetres: 719,
        mismatches: [],
        limits: { brix: null, highestPh: null },
        bottles: null,
        loadId: null,
      },
    ],
    sealChecks: [
      { ...entry('s1', T(16)), checked: 12, numbers: null, failed: 0, failedBottles: [], signs: [] },
    ],
    movements: [
      {
        id: 'm1',
        recordedAt: T(3),
        bottlingId: 'b1',
        kind: 'stored',
        from: null,
        to: 'cellar',
        count: 12,
        priceMinor: null,
        note: null,
        at: T(3),
        by: 'Wren',
        struck: null,
      },
    ],
    tellings: [],
    decisions: [],
    settlings: [],
    prints: [],
    placings: [],
    photographs: [],
    ticks: [],
    faults: [],
    tallies: [
      {
        ...entry('t1', T(3.2)),
        inPanMl: 2900,
        how: 'measured',
        parts: [{ part: 'tasted', ml: 30 }],
        filledMl: 2844,
        gapMl: 26,
        asks: false,
        why: null,
      },
    ],
    weighings: [],
    loads: [],
    curves: [],
    coolings: [],
    fates: [],
    deviations: [],
  };
}

/** The same lot kept cold: cooled open, its thermometer read as it cooled. */
export function chilled(): LotRecord {
  const lot = releasable();
  return {
    ...lot,
    storage: 'cold',
    heatProcesses: [],
    product: { ...lot.product, content: { ...lot.product.content, storage: 'cold' } },
    bottlings: lot.bottlings.map((b) => ({ ...b, closing: 'cooled' as const })),
    coolings: [
      { ...entry('c1', T(4)), bottlingId: 'b1', celsius: 20 },
      { ...entry('c2', T(7)), bottlingId: 'b1', celsius: 4 },
    ],
    sealChecks: lot.sealChecks.map((c) => ({ ...c, at: T(8), recordedAt: T(8) })),
  };
}
