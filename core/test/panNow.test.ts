import {
  boilRateOf,
  type LotRecord,
  learnedRate,
  lotLines,
  panNow,
  stepPrompt,
  stepTiming,
} from '@inch/core/lot';
import { densityAt20 } from '@inch/core/sugar';
import { describe, expect, it } from 'vitest';
import { entry, releasable, T } from './support/lot.ts';

const reading = {
  said: '',
  raw: null,
  celsius: null,
  instrument: null,
  counts: true,
  whyNot: null,
  because: null,
  instrumentId: null,
  simulated: false,
  diluted: false,
  heldMinutes: null,
  sample: 'pan' as const,
  taken: 'as-it-is' as const,
};

/** Four kilos of juice at 20 °Bx as syrup of sugar in water, to be reduced to 50, the clock started an hour in. */
function reducing(): LotRecord {
  const lot = releasable();
  const content = {
    lines: [
      { id: 'water', said: '3.2 kg', ingredientId: 'water', stepId: 'mix' },
      { id: 'sugar', said: '800 g', ingredientId: 'sugar', stepId: 'mix' },
    ],
    steps: [
      { id: 'mix', kind: 'add' as const, title: 'Dissolve' },
      { id: 'reduce', kind: 'reduce' as const, title: 'Reduce', toBrix: 50, minutes: 60, evaporates: 40 },
    ],
    storage: 'shelf' as const,
    bottleMl: 250,
  };
  return {
    ...lot,
    state: 'making',
    elevationMetres: 0,
    product: { ...lot.product, content },
    steps: [
      {
        ...lot.steps[0]!,
        id: 's1',
        position: 1,
        kind: 'add',
        formulaStepId: 'mix',
        minutes: null,
        killStep: false,
      },
      {
        ...lot.steps[0]!,
        id: 's2',
        position: 2,
        kind: 'reduce',
        formulaStepId: 'reduce',
        minutes: 60,
        killStep: false,
        marks: [{ kind: 'start', at: T(1), by: 'Wren' }],
      },
    ],
    additions: [],
    readings: [],
    bottlings: [],
    tallies: [],
  };
}
const at = (minutes: number) => T(1 + minutes / 60);
const wide = {
  shape: { kind: 'frusta' as const, frusta: [{ heightMm: 150, lowerDiameterMm: 300, upperDiameterMm: 300 }] },
  learned: null,
};
const step = (lot: LotRecord) => lot.steps[1]!;

describe('a pan as it stands on the stove', () => {
  it('before any reading it is what the formula puts in it', () => {
    const lot = reducing();
    const pan = panNow(lot, step(lot), { cup: null, vessel: null }, at(0))!;
    expect(pan.grams).toBeCloseTo(4000, 0);
    expect(pan.brix).toBeCloseTo(20, 1);
    // 800 g of sugar, a thousandth of it moisture, at 50 °Bx are 1598.4 g.
    expect(pan.target!.grams).toBeCloseTo(1598.4, 1);
    expect(pan.rateFrom).toBe('the formula');
    // 2400 g to boil off at about 40 g a minute, slackening a little as it thickens.
    expect(pan.left!.seconds / 60).toBeGreaterThan(60);
    expect(pan.left!.seconds / 60).toBeLessThan(66);
  });

  it('a weighing tells the rate of this very fire, and the solids stay what they were', () => {
    const lot = reducing();
    lot.readings = [
      { ...entry('r1', at(10)), ...reading, stepId: 's2', kind: 'mass', value: 3700 },
      { ...entry('r2', at(20)), ...reading, stepId: 's2', kind: 'mass', value: 3400 },
    ];
    const pan = panNow(lot, step(lot), { cup: null, vessel: null }, at(20))!;
    expect(pan.rateFrom).toBe('this batch');
    expect(pan.gramsPerMinute).toBeGreaterThan(28);
    expect(pan.gramsPerMinute).toBeLessThan(34);
    expect(pan.solidsGrams).toBeCloseTo(799.2, 1);
    expect(pan.left!.low).toBeLessThan(pan.left!.seconds);
    expect(pan.left!.high).toBeGreaterThan(pan.left!.seconds);
  });

  it('one dip tells the °Bx of a pan whose solids are known', () => {
    const lot = reducing();
    // 2000 g at 40 °Bx: volume at 20 °C by the density table, 4 % larger at the boil, over a bottom of 706.9 cm².
    const ml = (2000 / densityAt20(40)) * 1.0434;
    const depthMm = (ml * 1000) / (Math.PI * 150 ** 2);
    lot.readings = [
      { ...entry('r0', at(0.1)), ...reading, stepId: 's2', kind: 'mass', value: 4000 },
      { ...entry('r1', at(45)), ...reading, stepId: 's2', kind: 'depth', value: depthMm },
      { ...entry('r2', at(46)), ...reading, stepId: 's2', kind: 'depth', value: depthMm },
    ];
    const pan = panNow(lot, step(lot), { cup: null, vessel: wide }, at(46))!;
    expect(pan.brix).toBeGreaterThan(37);
    expect(pan.brix).toBeLessThan(43);
    expect(pan.depthMm!).toBeGreaterThan(pan.targetDepthMm!);
    expect(pan.startDepthMm!).toBeGreaterThan(pan.depthMm!);
  });

  it('a weight and a °Bx read together correct the solids that were reckoned', () => {
    const lot = reducing();
    lot.readings = [
      { ...entry('r1', at(5)), ...reading, stepId: 's2', kind: 'mass', value: 4000 },
      { ...entry('r2', at(6)), ...reading, stepId: 's2', kind: 'brix', value: 25 },
    ];
    const pan = panNow(lot, step(lot), { cup: null, vessel: null }, at(6))!;
    expect(pan.solidsFrom).toBe('measured');
    expect(pan.solidsGrams).toBeCloseTo(1000, 0);
  });

  it('what goes in on the way counts from then on: water back makes it longer, sugar shorter', () => {
    const with_ = (ingredientId: string) => {
      const lot = reducing();
      lot.additions = [
        {
          ...entry('a', at(10)),
          stepId: 's2',
          lineId: null,
          ingredientId,
          grams: 300,
          why: 'on the way',
          from: null,
          beforeTrimming: null,
          more: false,
          entry: null,
          withdrawals: [],
        },
      ];
      return panNow(lot, step(lot), { cup: null, vessel: null }, at(10))!;
    };
    const lot = reducing();
    const plain = panNow(lot, step(lot), { cup: null, vessel: null }, at(10))!;
    expect(with_('water').left!.seconds).toBeGreaterThan(plain.left!.seconds + 60);
    expect(with_('sugar').left!.seconds).toBeLessThan(plain.left!.seconds - 60);
    expect(with_('sugar').solidsGrams).toBeCloseTo(1098.9, 1);
  });

  it('past its mark it says how much water brings it back, and conserves the solids in saying so', () => {
    const lot = reducing();
    lot.readings = [
      { ...entry('r1', at(55)), ...reading, stepId: 's2', kind: 'mass', value: 1455 },
      { ...entry('r2', at(56)), ...reading, stepId: 's2', kind: 'brix', value: 55 },
    ];
    const pan = panNow(lot, step(lot), { cup: null, vessel: null }, at(56))!;
    const cure = pan.corrections[0]!;
    expect(cure.kind).toBe('water');
    expect((pan.grams * 55) / (pan.grams + cure.grams)).toBeCloseTo(50, 6);
    lot.additions = [
      {
        ...entry('a', at(57)),
        stepId: 's2',
        lineId: null,
        ingredientId: 'water',
        grams: cure.grams,
        why: 'back',
        from: null,
        beforeTrimming: null,
        more: false,
        entry: null,
        withdrawals: [],
      },
    ];
    expect(panNow(lot, step(lot), { cup: null, vessel: null }, at(57))!.corrections).toEqual([]);
  });

  it('a batch over half of the pan is told before it is on the fire', () => {
    const lot = reducing();
    const shape = {
      kind: 'frusta' as const,
      frusta: [{ heightMm: 100, lowerDiameterMm: 300, upperDiameterMm: 300 }],
    };
    const small = panNow(lot, step(lot), { cup: null, vessel: { shape, learned: null } }, at(0))!;
    expect(small.overHalf).toBe(true);
    expect(panNow(lot, step(lot), { cup: null, vessel: wide }, at(0))!.overHalf).toBe(false);
  });

  it('while the clock is paused nothing boils off', () => {
    const lot = reducing();
    step(lot).marks.push({ kind: 'pause', at: at(10), by: 'Wren' });
    const setting = { cup: null, vessel: null };
    expect(panNow(lot, step(lot), setting, at(10))!.grams).toBeCloseTo(
      panNow(lot, step(lot), setting, at(50))!.grams,
      6,
    );
  });

  it('a pan’s past lots are learned from, and many tell more than one', () => {
    const lot = reducing();
    lot.readings = [10, 20, 30, 40].map((m) => ({
      ...entry(`r${m}`, at(m)),
      ...reading,
      stepId: 's2',
      kind: 'mass' as const,
      value: 4000 - 30 * m,
    }));
    step(lot).marks.push({ kind: 'done', at: at(41), by: 'Wren' });
    const rate = boilRateOf(lot, null, null)!;
    expect(rate).toBeGreaterThan(28);
    expect(rate).toBeLessThan(33);
    expect(learnedRate([])).toBeNull();
    expect(learnedRate([30])!.spread).toBeGreaterThan(learnedRate([30, 31, 29, 30])!.spread);
  });
});

describe('amounts after weighing', () => {
  function ratio(): LotRecord {
    const lot = releasable();
    const content = {
      lines: [
        { id: 'fruit', said: '2 kg', ingredientId: 'damson', stepId: 'trim' },
        {
          id: 'sugar',
          said: '60 %',
          ingredientId: 'sugar',
          stepId: 'draw',
          basis: { per: 'line' as const, lineId: 'fruit', by: 'weight' as const },
        },
        { id: 'vinegar', said: '500 g', ingredientId: 'cider-vinegar', stepId: 'draw' },
        {
          id: 'acid',
          said: '10 g',
          ingredientId: 'citric-anhydrous',
          stepId: 'finish',
          basis: { per: 'yield' as const, by: 'weight' as const },
        },
      ],
      steps: [
        { id: 'trim', kind: 'prepare' as const, title: 'Stone', keeps: 0.9 },
        { id: 'draw', kind: 'draw' as const, title: 'Draw' },
        { id: 'strain', kind: 'strain' as const, title: 'Strain', keeps: 0.8 },
        { id: 'finish', kind: 'add' as const, title: 'Finish' },
      ],
      storage: 'cold' as const,
      bottleMl: 250,
    };
    return {
      ...lot,
      product: { ...lot.product, content },
      additions: [],
      readings: [],
      steps: content.steps.map((s, i) => ({
        ...lot.steps[0]!,
        id: s.id,
        position: i + 1,
        kind: s.kind,
        formulaStepId: s.id,
        marks: [{ kind: 'start' as const, at: T(i), by: 'Wren' }],
      })),
    };
  }
  const line = (lot: LotRecord, id: string) => lotLines(lot, null).find((l) => l.lineId === id)!;

  it('as planned they are what the formula says of what is left after trimming', () => {
    const lot = ratio();
    expect(line(lot, 'fruit').now).toBeCloseTo(1800, 6);
    expect(line(lot, 'sugar').now).toBeCloseTo(1080, 6);
    expect(line(lot, 'sugar').follows).toBe('damsons');
  });

  it('what was really left is weighed, and all that is tied to it follows, the planned amount beside it', () => {
    const lot = ratio();
    lot.additions = [
      {
        ...entry('a', T(0.5)),
        stepId: 'trim',
        lineId: 'fruit',
        ingredientId: 'damson',
        grams: 1650,
        why: null,
        from: null,
        beforeTrimming: null,
        more: false,
        entry: null,
        withdrawals: [],
      },
    ];
    expect(line(lot, 'sugar').now).toBeCloseTo(990, 6);
    expect(line(lot, 'sugar').grams).toBeCloseTo(1080, 6);
    expect(line(lot, 'vinegar').now).toBeCloseTo(500, 6);
  });

  it('what is told by the yield follows the weight that came through the cloth', () => {
    const lot = ratio();
    lot.readings = [{ ...entry('r', T(2.5)), ...reading, stepId: 'strain', kind: 'mass', value: 2000 }];
    // 10 g to a kilo of what was strained.
    expect(line(lot, 'acid').now).toBeCloseTo(20, 1);
  });
});

describe('planned against actual', () => {
  const timed = (minutes: number, done: number) => ({
    minutes,
    marks: [
      { kind: 'start' as const, at: T(0), by: 'Wren' },
      { kind: 'done' as const, at: T(done / 60), by: 'Wren' },
    ],
  });
  it('is on time within a fifth, or within what the formula says', () => {
    const verdict = (done: number, toleranceMinutes?: number) =>
      stepTiming(timed(30, done), { toleranceMinutes }, T(5))!.verdict;
    expect([verdict(30), verdict(36), verdict(37), verdict(23)]).toEqual([
      'on time',
      'on time',
      'late',
      'early',
    ]);
    expect([verdict(37, 10), verdict(31, 0.5)]).toEqual(['on time', 'late']);
  });

  it('a prompt comes round from the start, and anew from when it was answered', () => {
    const running = { minutes: 60, marks: [{ kind: 'start' as const, at: T(0), by: 'Wren' }] };
    const said = { prompt: 'stir', promptEvery: 10 };
    expect(stepPrompt(running, said, T(9 / 60))!.due).toBe(false);
    expect(stepPrompt(running, said, T(10 / 60))!.due).toBe(true);
    const answered = {
      ...running,
      marks: [...running.marks, { kind: 'answer' as const, at: T(14 / 60), by: 'Wren' }],
    };
    expect(stepPrompt(answered, said, T(20 / 60))!.dueAt).toBe(T(24 / 60));
    expect(stepPrompt({ ...running, marks: [] }, said, T(1))).toBeNull();
  });
});
