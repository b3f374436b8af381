import { type FormulaContent, type FormulaStep, forecast } from '@inch/core/formula';
import { shippedCatalogue } from '@inch/core/ingredient';
import { describe, expect, it } from 'vitest';

const setting = { cup: 'us' as const, elevationMetres: 719, criticalPh: 4.2, catalogue: shippedCatalogue };
const boil: FormulaStep = {
  id: 'boil',
  kind: 'draw',
  title: 'Boil',
  method: 'cooked',
  minutes: 20,
  killStep: true,
};
const end: FormulaStep = { id: 'end', kind: 'add', title: 'Stir in' };
const make = (
  lines: [string, string, string][],
  steps: FormulaStep[] = [boil, end],
  more: Partial<FormulaContent> = {},
) =>
  forecast(
    {
      lines: lines.map(([ingredientId, said, stepId], i) => ({ id: String(i), said, ingredientId, stepId })),
      steps,
      storage: 'cold',
      bottleMl: 250,
      ...more,
    },
    setting,
  );
const texts = (f: ReturnType<typeof make>) => f.cautions.map((c) => c.text).join('\n');
const fruit: [string, string, string] = ['sour-cherry', '1 kg', 'boil'];

describe('a kill step', () => {
  it('is the whole liquid: fruit, juice or herbs that go in after it undo it', () => {
    for (const id of ['lemon-juice', 'raspberry', 'mint']) {
      const f = make([fruit, [id, '100 g', 'end']]);
      expect(f.keeping.row, id).toBe('cold-never-heated');
      expect(texts(f)).toMatch(/Goes in after the heating/);
    }
  });
  it('stands with sugar, crystals, bottled juice or spirit after it', () => {
    for (const id of ['sugar', 'citric-anhydrous', 'bottled-lemon-juice', 'brandy'])
      expect(make([fruit, [id, '20 g', 'end']]).keeping.row, id).toBe('cold-4.2');
  });
  it('under 90 °C is none, and says what one is', () => {
    const f = make([fruit], [{ ...boil, celsius: 75 }]);
    expect(f.keeping.row).toBe('cold-never-heated');
    expect(texts(f)).toMatch(/75 °C is no kill step/);
  });
  it('is asked for with frozen fruit', () => {
    const raw = { ...boil, killStep: false, method: 'cold' as const };
    expect(texts(make([['frozen-raspberry', '1 kg', 'boil']], [raw]))).toMatch(/no step boils it/);
  });
});

describe('what boils off', () => {
  it('of spirit is told with its range and source, and off the heat is kept', () => {
    const boiled = make([fruit, ['brandy', '100 ml', 'boil']]);
    expect(texts(boiled)).toMatch(/Of the spirit in it about 38 % is left, \d+ % to \d+ % \(USDA/);
    const cold = make([fruit, ['brandy', '100 ml', 'end']]);
    expect(texts(cold)).not.toMatch(/Of the spirit/);
    expect(cold.abv / boiled.abv).toBeCloseTo(1 / 0.38, 0);
  });
  it('of vinegar is told where water boils off', () => {
    const reduce: FormulaStep = { id: 'end', kind: 'reduce', title: 'Reduce', toBrix: 40 };
    expect(texts(make([fruit, ['cider-vinegar', '300 g', 'boil']], [boil, reduce]))).toMatch(
      /acetic acid off with the steam/,
    );
    expect(texts(make([fruit, ['cider-vinegar', '300 g', 'boil']]))).not.toMatch(/acetic acid off/);
  });
  it('of vanilla and flowers is told only where they go into a reduction', () => {
    const reduce: FormulaStep = { id: 'end', kind: 'reduce', title: 'Reduce', toBrix: 40 };
    expect(texts(make([fruit, ['vanilla', '1 pod', 'end']], [boil, reduce]))).toMatch(/off the heat/);
    expect(texts(make([fruit, ['vanilla', '1 pod', 'end']]))).not.toMatch(/Put it in off the heat/);
  });
});

describe('preservatives', () => {
  it('are told by the part that works, and that it is over what is allowed', () => {
    const f = make([fruit, ['sugar', '500 g', 'boil'], ['potassium-sorbate', '3 g', 'end']]);
    expect(texts(f)).toMatch(/over the 0.1 % allowed/);
    const said = /Sorbic acid ([\d.]+) %, of which ([\d.]+) % works/.exec(texts(f))!;
    expect(Number(said[1])).toBeCloseTo((100 * 3 * 0.7464) / f.grams, 3);
    expect(Number(said[2])).toBeLessThan(Number(said[1]));
  });
  it('benzoate is not put beside ascorbic acid', () => {
    const beside = make([fruit, ['sodium-benzoate', '0.5 g', 'end'], ['ascorbic-acid', '1 g', 'end']]);
    expect(texts(beside)).toMatch(/benzene/);
    expect(texts(make([fruit, ['sodium-benzoate', '0.5 g', 'end']]))).not.toMatch(/benzene/);
  });
});

describe('what sugar is there for', () => {
  const rest: FormulaStep = { id: 'rest', kind: 'draw', title: 'Rest', method: 'cold' };
  it('is to draw the juice in a cold draw, and taste after it', () => {
    const f = make(
      [
        ['raspberry', '1 kg', 'rest'],
        ['sugar', '500 g', 'rest'],
        ['honey', '100 g', 'boil'],
      ],
      [rest, boil],
    );
    expect([f.sugarRoles['1'], f.sugarRoles['2']]).toEqual([
      expect.stringMatching(/draws the juice/),
      expect.stringMatching(/For taste/),
    ]);
  });
  it('is keeping where the date rests on 60 °Bx', () => {
    const strong = make([
      ['damson', '1 kg', 'boil'],
      ['sugar', '1.6 kg', 'boil'],
    ]);
    expect(strong.keeping.row).toBe('cold-sugar');
    expect(strong.sugarRoles['1']).toMatch(/part of what keeps/);
  });
});

describe('sweeteners and honey', () => {
  it('say what they do not do, and for whom they are not', () => {
    expect(texts(make([fruit, ['stevia', '2 g', 'end']]))).toMatch(/neither body nor keeping/);
    expect(texts(make([fruit, ['honey', '100 g', 'end']]))).toMatch(/infants under one year/);
  });
});
