import { type FormulaContent, forecast, type MeasuredLot, simulate } from '@inch/core/formula';
import { shippedCatalogue } from '@inch/core/ingredient';
import { measuredLot } from '@inch/core/lot';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { draws } from '../../scripts/src/draws.mjs';
import { inExamples } from './support/examples.ts';

const setting = { cup: 'us', catalogue: shippedCatalogue, elevationMetres: 0, criticalPh: 4.2 } as const;
const batch = (lines: [said: string, ingredientId: string][]): FormulaContent => ({
  lines: lines.map(([said, ingredientId], i) => ({ id: `l${i}`, said, ingredientId, stepId: 's' })),
  steps: [{ id: 's', kind: 'draw', title: 'Simmer', method: 'cooked' }],
  storage: 'cold',
  bottleMl: 250,
});
/** Elderberries are low-acid, and their own acids are not known; the lemon juice is. */
const elder = (elderGrams: number, lemonGrams = 500) =>
  batch([
    [`${elderGrams} g`, 'elderberry'],
    [`${lemonGrams} g`, 'lemon-juice'],
    ['800 g', 'sugar'],
    ['500 g', 'water'],
  ]);
const lot = (content: FormulaContent, ph: number, code = 'K7-AA'): MeasuredLot => ({
  code,
  on: '2026-09-01',
  ph,
  content,
});
const phOf = (content: FormulaContent, measured?: MeasuredLot[]) =>
  forecast(content, { ...setting, measured });

describe('a lot of a formula that was measured', () => {
  const made = elder(1200, 120);
  it('gives the figure that could not be had before, and says which lot it rests on', () => {
    const before = phOf(made);
    expect(before.ph).toBeNull();
    expect(before.phWhy).toMatch(/Measure the pH of a small batch/);
    const after = phOf(made, [lot(made, 3.7)]);
    expect(after.phFrom).toEqual(['K7-AA']);
    expect(after.ph!.middle).toBeCloseTo(3.7, 2);
    expect(after.ph!.low).toBeLessThan(3.7 - 0.1);
    expect(after.ph!.high).toBeGreaterThan(3.7 + 0.1);
  });

  it('within what was thought possible, narrows the band, never under the model’s own error', () =>
    fc.assert(
      fc.property(fc.double({ min: -0.3, max: 0, noNaN: true }), (under) => {
        const content = elder(300, 500);
        const wide = phOf(content).ph!;
        const narrow = phOf(content, [lot(content, wide.middle + under)]).ph!;
        expect(narrow.high).toBeLessThanOrEqual(wide.high + 1e-9);
        expect(narrow.high - narrow.low).toBeGreaterThanOrEqual(0.2);
      }),
      { numRuns: draws(30) },
    ));

  it('the higher it measured, the higher the forecast; more of the unknown thing, higher still', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 2.8, max: 4, noNaN: true }),
        fc.double({ min: 0, max: 0.5, noNaN: true }),
        fc.integer({ min: 0, max: 600 }),
        (ph, more, grams) => {
          const at = (reading: number, elderGrams: number) =>
            phOf(elder(elderGrams, 300), [lot(elder(600, 300), reading)]).ph!;
          expect(at(ph + more, 600).middle).toBeGreaterThanOrEqual(at(ph, 600).middle - 1e-6);
          expect(at(ph, 600 + grams).high).toBeGreaterThanOrEqual(at(ph, 600).high - 1e-6);
        },
      ),
      { numRuns: draws(40) },
    ));

  it('of several the widest counts, and a lot with other unknown things says nothing', () => {
    const two = phOf(made, [lot(made, 3.6, 'A'), lot(made, 3.8, 'B')]);
    const one = phOf(made, [lot(made, 3.6, 'A')]);
    expect(two.phFrom).toEqual(['A', 'B']);
    expect(two.ph!.high).toBeGreaterThan(one.ph!.high);
    expect(two.ph!.low).toBeCloseTo(one.ph!.low, 6);
    const other = batch([
      ['1200 g', 'mulberry'],
      ['120 g', 'lemon-juice'],
      ['800 g', 'sugar'],
    ]);
    expect(phOf(made, [lot(other, 3.6)]).ph).toBeNull();
  });

  it('stands for itself where nothing acid of known strength is in it, and only for the same mix', () => {
    const tea = (grams: number) =>
      batch([
        [`${grams} g`, 'ginger'],
        ['900 g', 'sugar'],
        ['900 g', 'water'],
      ]);
    expect(phOf(tea(200)).ph).toBeNull();
    const read = phOf(tea(200), [lot(tea(200), 5.8)]);
    expect(read.ph!.middle).toBeCloseTo(5.8, 6);
    expect(read.holds).toMatch(/low-acid/);
    expect(phOf(tea(700), [lot(tea(200), 5.8)]).ph).toBeNull();
  });

  it('is what the simulated batches are drawn around as well', () => {
    const drawn = simulate(made, { ...setting, measured: [lot(made, 3.7)] }, { scenarios: 400 });
    expect(Math.abs(drawn.ph!.middle - 3.7)).toBeLessThan(0.15);
    expect(simulate(made, setting, { scenarios: 40 }).ph).toBeNull();
  });

  it('does not make a vinegar of unknown strength known', () => {
    const shrub = batch([
      ['500 g', 'kombucha-vinegar'],
      ['500 g', 'sugar'],
    ]);
    expect(phOf(shrub, [lot(shrub, 2.9)]).phWhy).toMatch(/Titrate it/);
  });
});

describe('what a lot showed', () => {
  const { lot: record } = inExamples;
  it('is the highest pH of the finished product, and nothing where none counts', () => {
    const shown = measuredLot(record, 'us');
    const finished = record.readings.filter((r) => r.kind === 'ph' && r.sample === 'finished' && r.counts);
    if (finished.length === 0) expect(shown).toBeNull();
    else expect(shown!.ph).toBe(Math.max(...finished.map((r) => r.value!)));
    expect(measuredLot({ ...record, readings: [] }, 'us')).toBeNull();
  });
});
