import type { FormulaStep } from '@inch/core/formula';
import { clothKept, type LotRecord } from '@inch/core/lot';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { draws } from '../../scripts/src/draws.mjs';
import { entry, releasable, T } from './support/lot.ts';

const steps: FormulaStep[] = [
  { id: 'soak', kind: 'draw', title: 'Soak', method: 'cold' },
  { id: 'cloth', kind: 'strain', title: 'Strain', cloth: 'drip' },
  { id: 'sugar', kind: 'add', title: 'Sweeten' },
];

/** A lot whose fruit and water went in, with what ran through the cloth on the scale, and sugar after it. */
function strained(fruit: number, water: number, through: number | null): LotRecord {
  const lot = releasable();
  const lines = [
    { id: 'fruit', said: '1 kg', ingredientId: 'sour-cherry', stepId: 'soak' },
    { id: 'water', said: '1 kg', ingredientId: 'distilled-water', stepId: 'soak' },
    { id: 'sugar', said: '1 kg', ingredientId: 'sugar', stepId: 'sugar' },
  ];
  const marks = (from: number) => [
    { kind: 'start' as const, at: T(from), by: 'Wren' },
    { kind: 'done' as const, at: T(from + 0.5), by: 'Wren' },
  ];
  return {
    ...lot,
    state: 'making',
    elevationMetres: 0,
    bottlings: [],
    tallies: [],
    movements: [],
    product: { ...lot.product, content: { lines, steps, storage: 'cold', bottleMl: 250 } },
    steps: steps.map((s, i) => ({
      ...lot.steps[0]!,
      id: s.id,
      position: i + 1,
      kind: s.kind,
      formulaStepId: s.id,
      minutes: null,
      marks: i === 2 ? [] : marks(i),
    })),
    additions: Object.entries({ fruit, water }).map(([lineId, grams]) => ({
      ...entry(lineId, T(0)),
      stepId: 'soak',
      lineId,
      ingredientId: lines.find((l) => l.id === lineId)!.ingredientId,
      grams,
      why: null,
      from: null,
      beforeTrimming: null,
      more: false,
      entry: null,
      withdrawals: [],
    })),
    readings:
      through === null
        ? []
        : [
            {
              ...entry('weighed', T(1.4)),
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
              stepId: 'cloth',
              kind: 'mass' as const,
              value: through,
            },
          ],
  } as LotRecord;
}

describe('what the cloth kept', () => {
  it('is what went in before it less what came through, when that was weighed', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 500, max: 5000 }),
        fc.integer({ min: 300, max: 5000 }),
        fc.double({ min: 0.2, max: 0.6, noNaN: true }),
        (fruit, water, share) => {
          const through = share * (water + 0.4 * fruit);
          const [kept] = clothKept(strained(fruit, water, through), null);
          expect(kept).toMatchObject({ stepId: 'cloth', at: T(1.5), weighed: true });
          expect(kept!.of).toHaveLength(1);
          // A little pulp runs through a cloth with the juice.
          expect(Math.abs(kept!.grams + through - fruit - water)).toBeLessThan(0.01 * (fruit + water));
        },
      ),
      { numRuns: draws(30) },
    );
  });
  it('is reckoned where nothing was weighed, and is nothing before it was strained', () => {
    const lot = strained(1000, 1000, null);
    const [kept] = clothKept(lot, null);
    expect(kept!.weighed).toBe(false);
    expect(kept!.grams).toBeGreaterThan(200);
    expect(kept!.grams).toBeLessThan(2000);
    expect(clothKept({ ...lot, steps: lot.steps.map((s) => ({ ...s, marks: [] })) }, null)).toEqual([]);
  });
});
