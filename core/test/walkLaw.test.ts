import { type FormulaContent, type FormulaStep, forecast } from '@inch/core/formula';
import { shippedCatalogue } from '@inch/core/ingredient';
import { amountsPlanned, type LotRecord } from '@inch/core/lot';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { draws } from '../../scripts/src/draws.mjs';
import { contentAsWeighed } from '../src/lot/pan/asWeighed.ts';
import { entry, releasable, T } from './support/lot.ts';

const setting = { cup: 'us', catalogue: shippedCatalogue, elevationMetres: 719, criticalPh: 4.2 } as const;

const step: fc.Arbitrary<Omit<FormulaStep, 'id' | 'title'>> = fc.oneof(
  fc.record({ kind: fc.constant('prepare' as const), keeps: fc.double({ min: 0.6, max: 1, noNaN: true }) }),
  fc.record({
    kind: fc.constant('draw' as const),
    method: fc.constantFrom('cold' as const, 'cooked' as const, 'infused' as const, 'blended' as const),
    minutes: fc.integer({ min: 1, max: 60 }),
  }),
  fc.record({
    kind: fc.constant('strain' as const),
    cloth: fc.constantFrom('press' as const, 'drip' as const),
  }),
  fc.record({ kind: fc.constant('reduce' as const), toBrix: fc.integer({ min: 30, max: 68 }) }),
  fc.record({
    kind: fc.constant('reduce' as const),
    toThickness: fc.constantFrom('film' as const, 'coats' as const),
  }),
  fc.record({ kind: fc.constant('heat' as const), minutes: fc.integer({ min: 1, max: 20 }) }),
  fc.record({ kind: fc.constant('add' as const) }),
);

const content: fc.Arbitrary<FormulaContent> = fc
  .record({
    steps: fc.array(step, { minLength: 1, maxLength: 6 }),
    fruit: fc.constantFrom('sour-cherry', 'damson', 'quince', 'raspberry', 'lemon'),
    grams: fc.integer({ min: 300, max: 6000 }),
    water: fc.integer({ min: 50, max: 3000 }),
    sugar: fc.double({ min: 0.1, max: 1.2, noNaN: true }),
    acid: fc.double({ min: 0.5, max: 20, noNaN: true }),
    covers: fc.boolean(),
    at: fc.tuple(fc.nat(5), fc.nat(5), fc.nat(5)),
  })
  .map(({ steps, fruit, grams, water, sugar, acid, covers, at }) => {
    const ids = steps.map((_, i) => `s${i}`);
    const stepOf = (n: number) => ids[n % ids.length]!;
    return {
      lines: [
        { id: 'fruit', said: `${grams} g`, ingredientId: fruit, stepId: 's0' },
        covers
          ? {
              id: 'water',
              said: 'to cover',
              ingredientId: 'water',
              stepId: 's0',
              basis: { per: 'cover' as const },
            }
          : { id: 'water', said: `${water} g`, ingredientId: 'water', stepId: stepOf(at[0]) },
        {
          id: 'sugar',
          said: sugar.toFixed(3),
          ingredientId: 'sugar',
          stepId: stepOf(at[1]),
          basis: { per: 'line' as const, lineId: 'fruit', by: 'weight' as const },
        },
        { id: 'acid', said: `${acid.toFixed(2)} g`, ingredientId: 'citric-anhydrous', stepId: stepOf(at[2]) },
      ],
      steps: steps.map((s, i) => ({ id: ids[i]!, title: s.kind, ...s })),
      storage: 'cold' as const,
      bottleMl: 250,
    };
  });

/** A lot of a formula, weighed in exactly as it says. */
function exactly(made: FormulaContent): LotRecord {
  const lot = releasable();
  const empty: LotRecord = {
    ...lot,
    product: { ...lot.product, content: made },
    additions: [],
    readings: [],
    bottlings: [],
  };
  const additions = amountsPlanned(empty, 'us').map((line, i) => ({
    ...lot.additions[0]!,
    ...entry(`a${i}`, T(0.1 + i / 100)),
    lineId: line.lineId,
    ingredientId: line.ingredient!.id,
    grams: line.used!,
    more: false,
    why: null,
  }));
  return { ...empty, additions };
}

describe('a lot made exactly as its formula says', () => {
  it('comes to what the formula is forecast at, in every figure', () =>
    fc.assert(
      fc.property(content, (made) => {
        const planned = forecast(made, setting);
        fc.pre(planned.complete);
        const walked = forecast(contentAsWeighed(exactly(made), 'us'), setting);
        const near = (a: number | null | undefined, b: number | null | undefined, of: string) => {
          if (a === null || a === undefined || b === null || b === undefined)
            expect(a ?? null, of).toBe(b ?? null);
          else expect(Math.abs(a - b) / Math.max(1, Math.abs(b)), `${of}: ${a} and ${b}`).toBeLessThan(1e-6);
        };
        near(walked.brix, planned.brix, '°Bx');
        near(walked.grams, planned.grams, 'g');
        near(walked.millilitres, planned.millilitres, 'mL');
        for (const end of ['low', 'middle', 'high'] as const)
          near(walked.ph?.[end], planned.ph?.[end], `pH ${end}`);
        near(walked.taPercent, planned.taPercent, 'TA');
        near(walked.waterActivity, planned.waterActivity, 'a_w');
        near(walked.makeup.pulp, planned.makeup.pulp, 'pulp');
        near(walked.colour.keeps.middle, planned.colour.keeps.middle, 'colour');
        expect(walked.makeup.killStep).toBe(planned.makeup.killStep);
        expect(walked.makeup.pack).toBe(planned.makeup.pack);
        planned.steps.forEach((step, i) => {
          near(walked.steps[i]!.evaporated, step.evaporated, `boiled off at ${i}`);
          near(walked.steps[i]!.minutes, step.minutes, `minutes at ${i}`);
          near(walked.steps[i]!.kilojoules, step.kilojoules, `kJ at ${i}`);
        });
      }),
      { numRuns: draws(150) },
    ));
});
