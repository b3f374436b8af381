import { type FormulaContent, forecast, simulate, timesSaid, whatWouldItTake } from '@inch/core/formula';
import { shippedCatalogue } from '@inch/core/ingredient';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { draws } from '../../scripts/src/draws.mjs';

const setting = { cup: 'us', catalogue: shippedCatalogue, elevationMetres: 0, criticalPh: 4.2 } as const;

const content = (lines: [string, string][]): FormulaContent => ({
  lines: lines.map(([said, ingredientId], i) => ({ id: `line${i}`, said, ingredientId })),
  steps: [{ id: 'boil', kind: 'heat', title: 'Boil', killStep: true }],
  storage: 'cold',
  bottleMl: 250,
});

const sour: [string, string][] = [
  ['2 kg', 'sour-cherry'],
  ['1 kg', 'sugar'],
  ['30 g', 'citric-anhydrous'],
];

/** What ships and is not known well enough to compute with. */
const unknown = shippedCatalogue.all.filter(
  (entry) => entry.acidity.kind === 'unknown' && !entry.servingOnly && entry.family !== 'preservative',
);

describe('a thing whose acidity is not known', () => {
  it('widens the band to the unsafe side, the more the more of it, and never to the safe one', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...unknown),
        fc.integer({ min: 1, max: 20 }),
        fc.integer({ min: 1, max: 20 }),
        (entry, grams, more) => {
          const plain = forecast(content(sour), setting).ph!;
          const some = forecast(content([...sour, [`${grams} g`, entry.id]]), setting).ph;
          const lots = forecast(content([...sour, [`${grams + more} g`, entry.id]]), setting).ph;
          expect(some, entry.id).not.toBeNull();
          expect(some!.high).toBeGreaterThanOrEqual(plain.high - 0.02);
          expect(some!.middle).toBeGreaterThanOrEqual(plain.middle - 0.02);
          if (lots) expect(lots.high).toBeGreaterThanOrEqual(some!.high - 0.02);
        },
      ),
      { numRuns: draws(60) },
    ));

  it.each([
    ['4', 'dried-bay'],
    ['2', 'cinnamon'],
    ['1 tbsp', 'rose-water'],
    ['1', 'vanilla'],
    ['60 g', 'ginger'],
    ['60 g', 'basil'],
  ])('%s of %s leaves a sour product its figure', (said, id) => {
    const f = forecast(content([...sour, [said, id]]), setting);
    expect(f.phWhy).toBeNull();
    expect(f.ph!.high).toBeLessThan(4.2);
  });

  it('takes the figure away only where the most it may bring crosses the limit, and says how much of what', () => {
    const f = forecast(
      content([
        ['400 g', 'dried-basil'],
        ['1 kg', 'water'],
        ['30 g', 'citric-anhydrous'],
      ]),
      setting,
    );
    expect(f.ph).toBeNull();
    expect(f.phWhy).toMatch(/400 g of basil, dried could take it over pH 4\.2/);
  });

  it('is in the draws as well', () => {
    const plain = simulate(content(sour), setting, { scenarios: 200 });
    const herbal = simulate(content([...sour, ['80 g', 'dried-basil']]), setting, { scenarios: 200 });
    expect(herbal.ph!.high).toBeGreaterThan(plain.ph!.high);
  });

  it('has the dose of acid that holds with the most it may bring, said to be an upper bound', () => {
    const low: [string, string][] = [
      ['300 g', 'ginger'],
      ['1 l', 'water'],
      ['5 g', 'citric-anhydrous'],
    ];
    const dose = whatWouldItTake(content(low), setting, { lineId: 'line2', aim: 'ph', value: 3.8 });
    expect(dose).toMatchObject({ reached: true, upperBound: true });
    if (!dose.reached) return;
    const taken = forecast(content([low[0]!, low[1]!, [`${dose.grams} g`, 'citric-anhydrous']]), setting);
    // At the worst end it comes to the aim; in the middle it is under it.
    expect(taken.ph!.middle).toBeLessThan(3.8);
    const known = whatWouldItTake(content(sour), setting, { lineId: 'line2', aim: 'ph', value: 3.2 });
    expect(known).not.toHaveProperty('upperBound');
  });

  it('of a vinegar that was never titrated, there is no figure at all', () => {
    const f = forecast(content([...sour, ['20 ml', 'kombucha-vinegar']]), setting);
    expect(f.ph).toBeNull();
    expect(f.phWhy).toMatch(/Titrate it/);
  });
});

describe('a line for so many times as much', () => {
  const line = (said: string, basis?: FormulaContent['lines'][number]['basis']) => ({
    id: 'a',
    said,
    ingredientId: 'sugar',
    ...(basis ? { basis } : {}),
  });
  it.each([
    ['¾', { per: 'yield', by: 'volume' }, 1.08, '0.81'],
    ['60 %', { per: 'line', lineId: 'b', by: 'weight' }, 0.5, '0.3'],
    ['2 kg', undefined, 1.5, '3000 g'],
    ['10 g', { per: 'bottle' }, 0.5, '5 g'],
    ['200 g', { per: 'yield', by: 'volume', each: '500 ml' }, 2, '400 g'],
  ] as const)('%s told by %j, times %d', (said, basis, times, expected) => {
    expect(timesSaid(line(said, basis), setting, times)).toBe(expected);
  });
});
