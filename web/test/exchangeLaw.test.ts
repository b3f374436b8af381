import type { OwnCatalogue } from '@inch/contract/making/ingredient';
import type { FormulaLine } from '@inch/core/formula';
import { kitchenCatalogue, measuredEntry, ownEntry, shippedCatalogue } from '@inch/core/ingredient';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Draft, emptyDraft } from '../src/formulas/draft.ts';
import { asCsv, incomingCsv } from '../src/formulas/exchange/csv.ts';
import { asFormulaFile, incomingJson } from '../src/formulas/exchange/json.ts';
import { asRecipe } from '../src/formulas/exchange/recipe.ts';

const label = {
  name: 'Sloe juice',
  labelName: 'sloe juice',
  family: 'juice' as const,
  sugars: 11,
  ph: 3.2,
  allergens: [],
  source: 'its label',
  on: '2026-09-01',
};
const measured = { ph: 3.1, brix: 14, on: '2026-09-02' };
const ladle = { name: 'ladle', ingredientId: null, grams: null, millilitres: 110 };
const own = {
  ingredients: [
    ownEntry({ ...label, id: 'own-sloe' }),
    measuredEntry(shippedCatalogue.get('damson'), measured),
  ],
  measures: [ladle, { ...ladle, name: 'thimble', millilitres: 2 }],
  prices: { 'own-sloe': 900 },
  entered: [
    { ingredientId: 'own-sloe', measured: null, label, pricePerKgMinor: 900, savedAt: '', savedBy: 'Wren' },
    { ingredientId: 'damson', measured, label: null, pricePerKgMinor: null, savedAt: '', savedBy: 'Wren' },
    { ingredientId: 'quince', measured, label: null, pricePerKgMinor: null, savedAt: '', savedBy: 'Wren' },
  ],
} as unknown as OwnCatalogue;
const here = kitchenCatalogue({ ingredients: own.ingredients as never, measures: own.measures });

const withLines = (lines: FormulaLine[]): Draft => ({
  ...emptyDraft(),
  name: 'Sloe and damson',
  content: { ...emptyDraft().content, lines },
});

/** Amounts as cooks say them. */
const amount = fc.constantFrom(
  ...['2 kg', '60 %', 'half', 'half the weight', '1½ cups', '2 to 3 tbsp', '3 ladles', '0.125 kg', '1 tsp'],
  ...['a third', '200 g', '1 l', '4', '=1+1 g', '12,5 g'],
);
const ids = ['damson', 'sugar', 'own-sloe', 'cider-vinegar', 'water', 'bottled-lemon-juice'] as const;
const by = fc.constantFrom('weight' as const, 'volume' as const);
const lines = fc
  .array(
    fc.record({ said: amount, ingredientId: fc.constantFrom(...ids), of: fc.nat(9), by, per: fc.nat(5) }),
    {
      minLength: 1,
      maxLength: 7,
    },
  )
  .map((raw) =>
    raw.map(({ said, ingredientId, of, by, per }, i): FormulaLine => {
      const other = of % raw.length;
      const basis = [
        undefined,
        { per: 'bottle' as const },
        { per: 'bottle' as const, ml: 250 },
        { per: 'yield' as const, by },
        other === i ? undefined : { per: 'line' as const, lineId: `l${other}`, by },
        undefined,
      ][per];
      return { id: `l${i}`, said, ingredientId, ...(basis ? { basis } : {}) };
    }),
  );

/** Lines with the place of the line that they are of, in the place of its id. */
const placed = (all: readonly FormulaLine[]) =>
  all.map(({ said, ingredientId, basis }) => ({
    said,
    ingredientId,
    basis: basis?.per === 'line' ? { ...basis, lineId: all.findIndex((l) => l.id === basis.lineId) } : basis,
  }));

describe('a formula that goes out', () => {
  it('comes back from our own file as it went, into its kitchen or another, and goes out of that one alike', () => {
    fc.assert(
      fc.property(lines, (all) => {
        const draft = withLines(all);
        const file = asFormulaFile(draft, own);
        for (const catalogue of [here, shippedCatalogue]) {
          const back = incomingJson(file, catalogue);
          expect(back.formulaLines).toEqual(all);
          expect(back.lines.every((line) => line.query === undefined)).toBe(true);
        }
        // Another kitchen that takes all of it writes the same file.
        const { figures, measures } = JSON.parse(file).own;
        const there = {
          ingredients: [],
          prices: {},
          measures,
          entered: figures.map((f: object) => ({ ...f, pricePerKgMinor: null, savedAt: '', savedBy: 'Ada' })),
        } as unknown as OwnCatalogue;
        const again = incomingJson(file, shippedCatalogue);
        expect(
          JSON.parse(
            asFormulaFile({ ...draft, content: { ...again.content!, lines: again.formulaLines } }, there),
          ),
        ).toEqual(JSON.parse(file));
      }),
    );
  });

  it('comes back from its recipe for other programs to the letter', () => {
    fc.assert(
      fc.property(lines, (all) => {
        const draft = withLines(all);
        const back = incomingJson(asRecipe(draft, here, '6 bottles', own), here);
        const { lines: _, ...content } = draft.content;
        expect(back).toMatchObject({ name: draft.name, kind: draft.kind, colour: draft.colour, content });
        expect(back.formulaLines).toEqual(all);
      }),
    );
  });

  it('comes back from CSV with every amount and what it is told by, two lines of one thing among them', () => {
    fc.assert(
      fc.property(lines, (all) => {
        const back = incomingCsv(asCsv(withLines(all), here, []), here);
        expect(placed(back.formulaLines)).toEqual(placed(all));
      }),
    );
  });
});

describe('what a file brings of its kitchen’s own', () => {
  const file = asFormulaFile(
    withLines([
      { id: 'a', said: '2 ladles', ingredientId: 'own-sloe' },
      { id: 'b', said: '1 kg', ingredientId: 'damson' },
    ]),
    own,
  );
  it('is what its lines use, and no price', () => {
    const said = JSON.parse(file).own;
    expect(said.figures.map((f: { ingredientId: string }) => f.ingredientId)).toEqual(['own-sloe', 'damson']);
    expect(said.measures.map((m: { name: string }) => m.name)).toEqual(['ladle']);
    expect(file).not.toMatch(/price|900|Wren/);
  });
  it('is added where this kitchen has nothing of that name; what another measured is asked about', () => {
    const { own: brought } = incomingJson(file, shippedCatalogue);
    expect(brought!.labels.map((l) => l.entry.name)).toEqual(['Sloe juice']);
    expect(brought!.measured.map((m) => m.name)).toEqual([shippedCatalogue.get('damson').name]);
    expect(brought!.measures).toEqual([ladle]);
  });
  it('is nothing where this kitchen has its own', () => {
    const { own: brought } = incomingJson(file, here);
    expect([brought!.labels, brought!.measured, brought!.measures]).toEqual([[], [], []]);
  });
  it('with figures that cannot be is refused', () => {
    const wrong = file.replace('"sugars": 11', '"sugars": 11,\n        "alcohol": 80,\n        "water": 80');
    expect(() => incomingJson(wrong, shippedCatalogue)).toThrow(/figures of "own-sloe" in it cannot be/);
  });
});
