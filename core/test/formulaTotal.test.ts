import { type FormulaContent, type FormulaStep, forecast, simulate } from '@inch/core/formula';
import { shippedCatalogue } from '@inch/core/ingredient';
import { THICKNESSES } from '@inch/core/sugar';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { draws } from '../../scripts/src/draws.mjs';

const IDS = shippedCatalogue.all.map((entry) => entry.id);
const share = fc.double({ min: 0.001, max: 1, noNaN: true });
const whole = (min: number, max: number) => fc.integer({ min, max });

/** Each field of a step within what may be saved, at hand or not. */
const step = fc.record(
  {
    kind: fc.constantFrom(
      ...([
        'prepare',
        'draw',
        'strain',
        'add',
        'reduce',
        'heat',
        'measure',
        'fill',
        'process',
        'rest',
      ] as const),
    ),
    minutes: fc.oneof(whole(0, 300), whole(0, 100_000)),
    keeps: share,
    method: fc.constantFrom(...(['cold', 'cooked', 'infused', 'blended', 'peel', 'jar'] as const)),
    draws: share,
    cloth: fc.constantFrom(...(['press', 'drip', 'filter'] as const)),
    liquidAway: fc.boolean(),
    sugarStays: fc.boolean(),
    celsius: whole(-20, 130),
    lidOff: fc.boolean(),
    lidHalf: fc.boolean(),
    fire: fc.constantFrom(...(['low', 'medium', 'full'] as const)),
    evaporates: fc.double({ min: 0.1, max: 1000, noNaN: true }),
    toBrix: whole(5, 80),
    toFraction: share,
    toThickness: fc.constantFrom(...THICKNESSES),
    toCelsius: whole(90, 125),
    killStep: fc.boolean(),
    neverBoil: fc.boolean(),
  },
  { requiredKeys: ['kind'] },
);

const amount = fc.oneof(
  whole(1, 5000).map((n) => `${n} g`),
  whole(1, 90_000).map((n) => `${n} kg`),
  whole(1, 12).map((n) => `${n} cups`),
  whole(1, 400).map((n) => `${n} to ${n + 100} g`),
  whole(1, 9).map(String),
);
const basis = (lines: number): fc.Arbitrary<FormulaContent['lines'][number]['basis']> =>
  fc.oneof(
    { weight: 6, arbitrary: fc.constant(undefined) },
    fc.constantFrom<FormulaContent['lines'][number]['basis']>(
      { per: 'cover' },
      { per: 'bottle' },
      { per: 'bottle', ml: 20_000 },
      { per: 'bottle', fills: true },
      { per: 'yield', by: 'weight' },
      { per: 'yield', by: 'volume' },
    ),
    whole(0, lines).map((i) => ({ per: 'line' as const, lineId: `l${i}`, by: 'weight' as const })),
  );
const line = fc.tuple(
  fc.constantFrom(...IDS),
  amount,
  fc.constantFrom('half', '1:2', '3'),
  whole(0, 8),
  basis(8),
);

const contents = fc
  .record({
    steps: fc.array(step, { maxLength: 8 }),
    lines: fc.array(line, { maxLength: 9 }),
    bottleMl: fc.oneof(fc.constant(250), whole(10, 20_000)),
    bottles: fc.option(whole(1, 10_000), { nil: undefined }),
    panMm: fc.option(whole(60, 1000), { nil: undefined }),
    waterParts: fc.option(whole(0, 100), { nil: undefined }),
  })
  .map(
    ({ steps, lines, ...rest }): FormulaContent => ({
      ...rest,
      storage: 'cold',
      steps: steps.map((of, i) => ({ id: `s${i}`, title: 'A step', ...of }) as FormulaStep),
      lines: lines.map(([ingredientId, said, ratio, at, per], i) => ({
        id: `l${i}`,
        ingredientId,
        stepId: `s${at}`,
        basis: per,
        said: per?.per === 'yield' || per?.per === 'line' ? ratio : said,
      })),
    }),
  );

/** Every number anywhere in a value. */
function* numbersIn(value: unknown): Generator<number> {
  if (typeof value === 'number') yield value;
  else if (value !== null && typeof value === 'object')
    for (const part of Object.values(value)) yield* numbersIn(part);
}

describe('any formula that may be saved', () => {
  it('has a forecast and a simulation, all their figures finite', () => {
    fc.assert(
      fc.property(contents, whole(-400, 5000), (content, elevationMetres) => {
        const setting = { cup: 'us' as const, elevationMetres, criticalPh: 4.2, catalogue: shippedCatalogue };
        const known = forecast(content, setting);
        const drawn = simulate(content, setting, { scenarios: 8 });
        for (const figure of numbersIn([known, drawn])) expect(figure).toSatisfy(Number.isFinite);
        expect(known.brix).toBeGreaterThanOrEqual(0);
        expect(known.brix).toBeLessThanOrEqual(100);
        expect(known.millilitres).toBeGreaterThanOrEqual(0);
      }),
      { numRuns: draws(150) },
    );
  });

  it('has one with a preservative even where so much soda is in it that its pH is off the scale', () => {
    const content: FormulaContent = {
      lines: [
        { id: 'w', said: '1 kg', ingredientId: 'water' },
        { id: 'l', said: '10 g', ingredientId: 'lemon-juice' },
        { id: 's', said: '5 kg', ingredientId: 'baking-soda' },
        { id: 'p', said: '1 g', ingredientId: 'potassium-sorbate' },
      ],
      steps: [],
      storage: 'cold',
      bottleMl: 250,
    };
    const setting = { cup: 'us' as const, elevationMetres: 0, criticalPh: 4.2, catalogue: shippedCatalogue };
    const { cautions } = forecast(content, setting);
    expect(cautions.map((c) => c.text).join(' ')).toMatch(/Sorbic acid 0\.\d+ %, of which 0\.000 % works/);
  });
});
