import type { FormulaContent, FormulaStep } from '@inch/core/formula';
import { type LotRecord, panInHand, panNow } from '@inch/core/lot';
import { densityAt20 } from '@inch/core/sugar';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { draws } from '../../scripts/src/draws.mjs';
import { entry, releasable, T } from './support/lot.ts';

const setting = { cup: null, vessel: null };
const read = {
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

type Event =
  | { do: 'in'; ingredientId: string; grams: number; lineId?: string }
  | { do: 'weigh' | 'jug' | 'brix'; value: number }
  | { do: 'start' | 'done' };

/** A lot whose steps and lines are these, with what happened in them: one event every five minutes, each with its step. */
function lotOf(
  steps: FormulaStep[],
  lines: FormulaContent['lines'],
  events: readonly (Event & { step: string })[],
): LotRecord {
  const lot = releasable();
  const record: LotRecord = {
    ...lot,
    state: 'making',
    elevationMetres: 0,
    product: { ...lot.product, content: { lines, steps, storage: 'cold', bottleMl: 250 } },
    steps: steps.map((s, i) => ({
      ...lot.steps[0]!,
      id: s.id,
      position: i + 1,
      kind: s.kind,
      formulaStepId: s.id,
      minutes: s.minutes ?? null,
      marks: [],
    })),
    additions: [],
    readings: [],
    bottlings: [],
    tallies: [],
    movements: [],
  };
  events.forEach((e, i) => {
    const at = T(i / 12);
    const step = record.steps.find((s) => s.id === e.step)!;
    if (e.do === 'start' || e.do === 'done') step.marks.push({ kind: e.do, at, by: 'Wren' });
    else if (e.do === 'in')
      record.additions.push({
        ...entry(`a${i}`, at),
        stepId: e.step,
        lineId: e.lineId ?? null,
        ingredientId: e.ingredientId,
        grams: e.grams,
        why: 'in',
        from: null,
        beforeTrimming: null,
        more: false,
        entry: null,
        withdrawals: [],
      });
    else if (e.do === 'weigh' || e.do === 'jug' || e.do === 'brix') {
      const kind = ({ weigh: 'mass', jug: 'volume', brix: 'brix' } as const)[e.do];
      record.readings.push({ ...entry(`r${i}`, at), ...read, stepId: e.step, kind, value: e.value });
    }
  });
  return record;
}
const after = (lot: LotRecord, events: number) => panInHand(lot, setting, T((events - 0.5) / 12))!;

const juice: FormulaStep = { id: 'juice', kind: 'add', title: 'Juice' };
const sweeten: FormulaStep = { id: 'sweeten', kind: 'add', title: 'Sweeten' };
const finish: FormulaStep = { id: 'finish', kind: 'add', title: 'Vinegar' };
const water = { do: 'in', ingredientId: 'distilled-water' } as const;
/** Grams of dissolved solids in 100 g: white sugar is a thousandth moisture. */
const SUGAR = 0.999;

describe('what is in the pan', () => {
  it('after a weighing is what was weighed and what went in since, whatever the clocks say', () => {
    for (const clocks of [true, false]) {
      const step = 'juice';
      const events = [
        ...(clocks ? [{ do: 'start' as const, step }] : []),
        { ...water, grams: 2000, step },
        { do: 'weigh' as const, value: 1960, step },
        { do: 'in' as const, ingredientId: 'sugar', grams: 1887, step },
        { do: 'brix' as const, value: 49, step },
      ];
      const pan = after(lotOf([juice], [], events), events.length);
      expect(pan.grams).toBeCloseTo(1960 + 1887, 0);
      expect(pan.solidsGrams).toBeCloseTo(1887 * SUGAR, 0);
      expect(pan.by).toBe('weighed, and what happened since');
    }
  });
  it('a jug read before the vinegar is not all there is afterwards, in that step or a later one', () => {
    const vinegar = { do: 'in' as const, ingredientId: 'cider-vinegar', grams: 500 };
    for (const last of ['sweeten', 'finish']) {
      const events = [
        { do: 'start' as const, step: 'juice' },
        { ...water, grams: 1000, step: 'juice' },
        { do: 'done' as const, step: 'juice' },
        { do: 'start' as const, step: 'sweeten' },
        { do: 'in' as const, ingredientId: 'sugar', grams: 1000, step: 'sweeten' },
        { do: 'jug' as const, value: 1600, step: 'sweeten' },
        ...(last === 'finish'
          ? [
              { do: 'done' as const, step: 'sweeten' },
              { do: 'start' as const, step: 'finish' },
            ]
          : []),
        { ...vinegar, step: last },
      ];
      const pan = after(lotOf([juice, sweeten, finish], [], events), events.length);
      // Vinegar is some 0.99 L to the kilo; mixing with syrup changes that by a few millilitres.
      expect(Math.abs(pan.millilitres - (1600 + 495)), last).toBeLessThan(15);
    }
  });
  it('sugar that goes in after the straining did not go through the cloth', () => {
    const cook: FormulaStep = { id: 'cook', kind: 'draw', title: 'Cook', method: 'cooked' };
    const strain: FormulaStep = { id: 'strain', kind: 'strain', title: 'Strain' };
    const lines = [{ id: 'sugar', said: '1887 g', ingredientId: 'sugar', stepId: 'sweeten' }];
    const events = [
      { do: 'start' as const, step: 'cook' },
      { do: 'in' as const, ingredientId: 'sour-cherry', grams: 3995, step: 'cook' },
      { do: 'done' as const, step: 'cook' },
      { do: 'start' as const, step: 'strain' },
      { do: 'weigh' as const, value: 3000, step: 'strain' },
      { do: 'done' as const, step: 'strain' },
    ];
    for (const list of [
      events,
      [
        ...events,
        { do: 'in' as const, ingredientId: 'sugar', grams: 1887, lineId: 'sugar', step: 'sweeten' },
      ],
    ]) {
      const lot = lotOf([cook, strain, sweeten], lines, list);
      const pan = panNow(lot, lot.steps[1]!, setting, T((events.length - 0.5) / 12))!;
      expect(pan.grams).toBeCloseTo(3000, 6);
      // No cherry has twenty-five parts of sugar in a hundred.
      expect(pan.brix).toBeLessThan(25);
    }
  });
  it('what was poured after the straining is what went through the cloth', () => {
    const lines = [
      { id: 'f', said: '2 kg', ingredientId: 'raspberry', stepId: 'cook' },
      { id: 's', said: '500 g', ingredientId: 'sugar', stepId: 'sweeten' },
    ];
    const cook: FormulaStep = { id: 'cook', kind: 'draw', method: 'cooked', title: 'Cook', minutes: 20 };
    const strain: FormulaStep = { id: 'strain', kind: 'strain', title: 'Strain' };
    const events = [
      { do: 'start' as const, step: 'cook' },
      { do: 'in' as const, ingredientId: 'raspberry', grams: 2000, lineId: 'f', step: 'cook' },
      { do: 'done' as const, step: 'cook' },
      { do: 'start' as const, step: 'strain' },
      { do: 'jug' as const, value: 1200, step: 'strain' },
      { do: 'brix' as const, value: 9, step: 'strain' },
      { do: 'done' as const, step: 'strain' },
      { do: 'start' as const, step: 'sweeten' },
      { do: 'in' as const, ingredientId: 'sugar', grams: 500, lineId: 's', step: 'sweeten' },
    ];
    const pan = after(lotOf([cook, strain, sweeten], lines, events), events.length);
    const strained = 1200 * densityAt20(9);
    expect(Math.abs(pan.grams - (strained + 500))).toBeLessThan(25);
    expect(Math.abs(pan.brix - (100 * (strained * 0.09 + 500 * SUGAR)) / (strained + 500))).toBeLessThan(0.6);
  });
  it('a scale sees the fruit that stands in it, and the liquid is the rest', () => {
    const lines = [{ id: 'f', said: '1 kg', ingredientId: 'raspberry', stepId: 'juice' }];
    const events = [
      { do: 'in' as const, ingredientId: 'raspberry', grams: 1000, lineId: 'f', step: 'juice' },
      { ...water, grams: 1000, step: 'juice' },
      { do: 'start' as const, step: 'juice' },
      { do: 'done' as const, step: 'juice' },
      { do: 'start' as const, step: 'sweeten' },
      { do: 'weigh' as const, value: 1950, step: 'sweeten' },
    ];
    const pan = after(lotOf([juice, sweeten], lines, events), events.length);
    expect(pan.grams).toBeCloseTo(950, 0);
  });

  const events = fc.array(
    fc.oneof(
      fc.record({ do: fc.constant('water' as const), grams: fc.integer({ min: 50, max: 2000 }) }),
      fc.record({ do: fc.constant('sugar' as const), grams: fc.integer({ min: 50, max: 1500 }) }),
      fc.constantFrom({ do: 'weigh' as const }, { do: 'jug' as const }, { do: 'next' as const }),
    ),
    { minLength: 1, maxLength: 12 },
  );
  it('is conserved: looks that read true change nothing, wherever they and the steps fall, and every screen asks the same', () =>
    fc.assert(
      fc.property(events, (list) => {
        const order = ['juice', 'sweeten', 'finish'];
        let [place, w, s] = [0, 1000, 200];
        const told: (Event & { step: string })[] = [
          { do: 'start', step: 'juice' },
          { ...water, grams: w, step: 'juice' },
          { do: 'in', ingredientId: 'sugar', grams: s, step: 'juice' },
        ];
        for (const e of list) {
          const step = order[place]!;
          const [solids, all] = [s * SUGAR, w + s];
          const brix = (100 * solids) / all;
          if (e.do === 'water') {
            w += e.grams;
            told.push({ ...water, grams: e.grams, step });
          } else if (e.do === 'sugar') {
            s += e.grams;
            told.push({ do: 'in', ingredientId: 'sugar', grams: e.grams, step });
          } else if (e.do === 'weigh') told.push({ do: 'weigh', value: all, step });
          else if (e.do === 'jug') {
            // Sugar over this is no syrup any more, whose volume a table gives.
            if (brix < 75) told.push({ do: 'jug', value: all / densityAt20(brix), step });
          } else if (place < order.length - 1) {
            told.push({ do: 'done', step }, { do: 'start', step: order[++place]! });
          }
        }
        const lot = lotOf([juice, sweeten, finish], [], told);
        const pan = after(lot, told.length);
        expect(Math.abs(pan.grams / (w + s) - 1)).toBeLessThan(0.003);
        expect(Math.abs(pan.solidsGrams / (s * SUGAR) - 1)).toBeLessThan(0.003);
        const here = lot.steps[place]!;
        expect(panNow(lot, here, setting, T((told.length - 0.5) / 12))).toEqual(pan);
      }),
      { numRuns: draws(120) },
    ));
});
