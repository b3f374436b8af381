import { type Aim, contributions, type FormulaContent, forecast, whatWouldItTake } from '@inch/core/formula';
import { shippedCatalogue } from '@inch/core/ingredient';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { draws } from '../../scripts/src/draws.mjs';

const setting = { cup: 'us' as const, elevationMetres: 719, criticalPh: 4.2, catalogue: shippedCatalogue };
const content: FormulaContent = {
  lines: [
    { id: 'fruit', said: '2 kg', ingredientId: 'gooseberry', stepId: 'cook' },
    { id: 'water', said: '1 kg', ingredientId: 'water', stepId: 'cook' },
    { id: 'sugar', said: '1 kg', ingredientId: 'sugar', stepId: 'add' },
    { id: 'acid', said: '10 g', ingredientId: 'citric-anhydrous', stepId: 'add' },
  ],
  steps: [
    { id: 'cook', kind: 'draw', title: 'Cook', killStep: true },
    { id: 'strain', kind: 'strain', title: 'Strain', keeps: 0.8 },
    { id: 'add', kind: 'add', title: 'Stir in' },
  ],
  storage: 'cold',
  bottleMl: 250,
};

const withGrams = (lineId: string, grams: number): FormulaContent => ({
  ...content,
  lines: content.lines.map((l) => (l.id === lineId ? { ...l, said: `${grams} g` } : l)),
});
const read: Record<Aim, (c: FormulaContent) => number> = {
  ph: (c) => forecast(c, setting).ph!.middle,
  brix: (c) => forecast(c, setting).brix,
  ta: (c) => forecast(c, setting).taPercent!,
  ratio: (c) => forecast(c, setting).brix / forecast(c, setting).taPercent!,
  aw: (c) => forecast(c, setting).waterActivity!,
};

describe('what would it take', () => {
  it.each([
    ['acid', 'ph', 2.6],
    ['water', 'ph', 2.9],
    ['sugar', 'brix', 45],
    ['water', 'brix', 20],
    ['acid', 'ta', 2.5],
    ['sugar', 'ratio', 30],
    ['sugar', 'aw', 0.93],
  ] as const)('of %s for %s %d: put in, the forecast reads it', (lineId, aim, value) => {
    const answer = whatWouldItTake(content, setting, { lineId, aim, value });
    if (!answer.reached) throw new Error(`not reached: ${answer.from} to ${answer.to}`);
    expect(read[aim](withGrams(lineId, answer.grams))).toBeCloseTo(
      value,
      aim === 'brix' || aim === 'ratio' ? 2 : 3,
    );
    expect(answer.before).toBeCloseTo(read[aim](content), 6);
  });

  it('says when no amount does, and how far it comes', () => {
    const answer = whatWouldItTake(content, setting, { lineId: 'acid', aim: 'ph', value: 5 });
    expect(answer.reached).toBe(false);
    if (!answer.reached) {
      expect(answer.to).toBeLessThan(5);
      expect(answer.from).toBeLessThan(answer.to);
    }
    expect(whatWouldItTake(content, setting, { lineId: 'water', aim: 'brix', value: 70 }).reached).toBe(
      false,
    );
  });

  it('gives back what is there when asked for what is there', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('acid', 'sugar', 'water'),
        fc.integer({ min: 5, max: 900 }),
        (lineId, grams) => {
          const now = withGrams(lineId, grams);
          const answer = whatWouldItTake(now, setting, { lineId, aim: 'brix', value: read.brix(now) });
          if (answer.reached) expect(answer.grams).toBeCloseTo(grams, 0);
          else expect(lineId).toBe('acid');
        },
      ),
      { numRuns: draws(30) },
    );
  });

  it('knows no line that is not there', () => {
    expect(() => whatWouldItTake(content, setting, { lineId: 'salt', aim: 'ph', value: 3 })).toThrow(
      RangeError,
    );
  });
});

describe('what each line brings', () => {
  const brought = (id: string) => contributions(content, setting).lines.find((c) => c.id === id)!;
  it('acid lowers the pH, water raises it, sugar raises the °Bx', () => {
    expect(brought('acid').ph!).toBeLessThan(0);
    expect(brought('water').ph!).toBeGreaterThan(0);
    expect(brought('sugar').brix!).toBeGreaterThan(15);
    expect(brought('water').brix!).toBeLessThan(0);
  });
  it('is the forecast with it less the forecast without it', () => {
    const without = forecast({ ...content, lines: content.lines.filter((l) => l.id !== 'acid') }, setting);
    expect(brought('acid').ph!).toBeCloseTo(forecast(content, setting).ph!.middle - without.ph!.middle, 9);
    expect(brought('acid').brix!).toBeCloseTo(forecast(content, setting).brix - without.brix, 9);
  });
  it('says nothing of a line that cannot be weighed, nor of one that stands alone', () => {
    const open = { ...content, lines: [...content.lines, { id: 'open', said: '', ingredientId: 'mint' }] };
    expect(contributions(open, setting).lines.at(-1)).toMatchObject({ id: 'open', ph: null, brix: null });
    expect(contributions({ ...content, lines: content.lines.slice(0, 1) }, setting).lines).toEqual([
      { id: 'fruit', ph: null, brix: null, millilitres: null, cost: null },
    ]);
  });
});
