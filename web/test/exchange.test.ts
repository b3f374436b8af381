import { readFileSync } from 'node:fs';
import { formulaFileSchema } from '@inch/contract/making/formulaFile';
import { kitchenCatalogue, shippedCatalogue } from '@inch/core/ingredient';
import { describe, expect, it } from 'vitest';
import { textOf } from '../src/data/textOf.ts';
import { type Draft, emptyDraft } from '../src/formulas/draft.ts';
import { asCsv, incomingCsv } from '../src/formulas/exchange/csv.ts';
import { incomingText } from '../src/formulas/exchange/incoming.ts';
import { asFormulaFile, incomingJson } from '../src/formulas/exchange/json.ts';
import { FileProblem } from '../src/formulas/exchange/problem.ts';
import { asRecipe, jsonLdIn } from '../src/formulas/exchange/recipe.ts';

const draft: Draft = {
  ...emptyDraft(),
  name: 'Damson shrub, "best"',
  kind: 'shrub',
  content: {
    ...emptyDraft().content,
    lines: [
      { id: 'a', said: '2 kg', ingredientId: 'damson', stepId: 'weigh' },
      {
        id: 'b',
        said: 'half',
        ingredientId: 'sugar',
        stepId: 'cook',
        basis: { per: 'line', lineId: 'a', by: 'weight' },
      },
      {
        id: 'c',
        said: '1 tsp',
        ingredientId: 'bottled-lemon-juice',
        stepId: 'measure',
        basis: { per: 'bottle' },
      },
      {
        id: 'd',
        said: '2 to 3 tbsp',
        ingredientId: 'cider-vinegar',
        stepId: 'strain',
        basis: { per: 'yield', by: 'volume' },
      },
    ],
    source: 'A card',
    edition: 'undated',
  },
};
const problem = (work: () => unknown): FileProblem => {
  try {
    work();
  } catch (error) {
    if (error instanceof FileProblem) return error;
    throw error;
  }
  throw new Error('it was taken');
};
const lines = (incoming: { formulaLines: Draft['content']['lines'] }) =>
  incoming.formulaLines.map(({ said, ingredientId }) => ({ said, ingredientId }));
const said = draft.content.lines.map((l) => ({ said: l.said, ingredientId: l.ingredientId }));

describe('our own file', () => {
  it('comes back as it went out', () => {
    const back = incomingJson(asFormulaFile(draft, undefined), shippedCatalogue);
    expect(back).toMatchObject({ name: draft.name, kind: 'shrub', colour: draft.colour });
    expect(back.formulaLines).toEqual(draft.content.lines);
    const { lines: _, ...rest } = draft.content;
    expect(back.content).toEqual(rest);
    expect(back.lines.every((l) => l.query === undefined)).toBe(true);
  });
  it('has the schema that is published with the documents', () => {
    const published = JSON.parse(
      readFileSync(new URL('../../docs/formula.schema.json', import.meta.url), 'utf8'),
    );
    expect(published).toEqual(formulaFileSchema());
  });
  it('with a fault names the line of the file and what is wrong, and gives nothing', () => {
    const text = asFormulaFile(draft, undefined);
    const line = (part: string) => text.split('\n').findIndex((l) => l.includes(part)) + 1;
    const cut = problem(() => incomingJson(text.slice(0, 300), shippedCatalogue));
    expect(cut.message).toMatch(/^Line \d+: this is not JSON/);
    const missing = problem(() =>
      incomingJson(
        text.replace('"shelf"', '"cold"').replace('"storage": "cold"', '"storage": "cellar"'),
        shippedCatalogue,
      ),
    );
    expect(missing.line).toBe(line('"storage"'));
    expect(
      problem(() => incomingJson(text.replace('"minutes": 30', '"minutes": -1'), shippedCatalogue)).line,
    ).toBe(line('"minutes": 30'));
    expect(problem(() => incomingJson('{"format": "something else"}', shippedCatalogue)).message).toMatch(
      /format/,
    );
    expect(problem(() => incomingJson('[1, 2]', shippedCatalogue))).toBeInstanceOf(FileProblem);
  });
  it('asks about an ingredient that this kitchen does not have', () => {
    const odd = asFormulaFile(
      {
        ...draft,
        content: { ...draft.content, lines: [{ id: 'a', said: '2 kg', ingredientId: 'own-thing' }] },
      },
      undefined,
    );
    const back = incomingJson(odd, kitchenCatalogue({}));
    expect(back.formulaLines[0]).toMatchObject({ said: '2 kg', ingredientId: '' });
    expect(back.lines[0]!.query).toMatch(/not in this kitchen/);
  });
});

describe('a schema.org recipe', () => {
  it('goes out with its type, its ingredients as said, and its steps', () => {
    const recipe = JSON.parse(asRecipe(draft, shippedCatalogue, '8 bottles'));
    expect(recipe).toMatchObject({
      '@context': 'https://schema.org',
      '@type': 'Recipe',
      name: draft.name,
      recipeYield: '8 bottles',
      isBasedOn: 'A card, undated',
    });
    expect(recipe.recipeIngredient[1]).toBe('half sugar, white of damsons, by weight');
    expect(recipe.recipeInstructions[0]).toEqual({
      '@type': 'HowToStep',
      text: 'Wash, trim and weigh, 30 minutes',
    });
  });
  it('comes back with its lines and bases', () => {
    // Another program keeps the words alone.
    const { inchPantryFormula: _, ...words } = JSON.parse(asRecipe(draft, shippedCatalogue, ''));
    const back = incomingJson(JSON.stringify(words), shippedCatalogue);
    expect(lines(back)).toEqual(said);
    expect(back.formulaLines.map((l) => l.basis)).toEqual([
      undefined,
      { per: 'line', lineId: 'line1', by: 'weight' },
      { per: 'bottle' },
      { per: 'yield', by: 'volume' },
    ]);
  });
  it('whose words another program changed is read by its words', () => {
    const recipe = JSON.parse(asRecipe(draft, shippedCatalogue, ''));
    recipe.recipeIngredient[0] = '3 kg damsons';
    const back = incomingJson(JSON.stringify(recipe), shippedCatalogue);
    expect(back.formulaLines[0]).toMatchObject({ said: '3 kg', ingredientId: 'damson' });
  });
  it.each([
    [
      'in one of several scripts, the first of them broken',
      (r: string) =>
        `<script type="application/ld+json">{"a":</script><script type='application/ld+json'>{"@type":"Organization","about":"Recipe pages"}</script><script type="application/ld+json">${r}</script>`,
    ],
    ['behind CDATA', (r: string) => `<script type="application/ld+json">//<![CDATA[\n${r}\n//]]></script>`],
    ['behind a comment', (r: string) => `<script type="application/ld+json"><!--\n${r}\n--></script>`],
    [
      'deep in other things',
      (r: string) =>
        `<script type="application/ld+json">{"@graph":[{"@type":"WebPage","mainEntity":{"@type":"ItemList","itemListElement":[{"item":{"subjectOf":{"hasPart":[${r}]}}}]}}]}</script>`,
    ],
    [
      'in a page of nine megabytes',
      (r: string) => `<p>${'x '.repeat(4_500_000)}</p><script type="application/ld+json">${r}</script>`,
    ],
  ])('is found %s', (_, page) => {
    const recipe = { '@type': 'Recipe', name: 'Quince', recipeIngredient: ['1 kg quinces', '400 g sugar'] };
    const json = jsonLdIn(`<html><body>${page(JSON.stringify(recipe))}</body></html>`);
    expect(incomingJson(json!, shippedCatalogue)).toMatchObject({ name: 'Quince' });
    expect(jsonLdIn(page('{"@type":"Person"}'))).toBeUndefined();
  });
  it('is found in a graph, its steps told by their words', () => {
    const page = {
      '@graph': [
        { '@type': 'WebPage' },
        {
          '@type': ['Recipe'],
          name: 'Quince',
          recipeIngredient: ['1 kg quinces, cored', '400 g sugar'],
          recipeInstructions: [
            {
              '@type': 'HowToSection',
              itemListElement: [{ '@type': 'HowToStep', text: 'Simmer 40 minutes until soft.' }],
            },
            'Strain through a cloth.\nReduce to a syrup.',
          ],
        },
      ],
    };
    const back = incomingJson(JSON.stringify(page), shippedCatalogue);
    expect(lines(back)).toEqual([
      { said: '1 kg', ingredientId: 'quince' },
      { said: '400 g', ingredientId: 'sugar' },
    ]);
    expect(back.content!.steps.map((s) => [s.kind, s.minutes])).toEqual([
      ['draw', 40],
      ['strain', undefined],
      ['reduce', undefined],
    ]);
    // A simmer is not said to be at 90 °C.
    expect(back.content!.steps[0]).toMatchObject({ method: 'cooked', killStep: false });
  });
  it('without ingredients is refused', () => {
    expect(problem(() => incomingJson('{"@type":"Recipe","name":"x"}', shippedCatalogue)).message).toMatch(
      /recipeIngredient/,
    );
  });
});

describe('lines as CSV', () => {
  it('go out quoted, and come back with their amounts and bases', () => {
    const csv = asCsv(draft, shippedCatalogue, [2000, 1000, null, 40]);
    expect(csv.split('\r\n')[0]).toBe('\uFEFFamount,told by,ingredient,ingredient id,grams,goes in at,basis');
    expect(csv).toContain('2 kg,,Damsons,damson,2000.0');
    const back = incomingCsv(csv, shippedCatalogue);
    expect(lines(back)).toEqual(said);
    expect(back.formulaLines[2]!.basis).toEqual({ per: 'bottle' });
    expect(back.formulaLines[3]!.basis).toEqual({ per: 'yield', by: 'volume' });
  });
  it('need only an amount and an ingredient', () => {
    expect(lines(incomingCsv('ingredient,amount\n"quinces, cored",2 kg\n', shippedCatalogue))).toEqual([
      { said: '2 kg', ingredientId: 'quince' },
    ]);
  });
  it('with a fault name the line', () => {
    expect(problem(() => incomingCsv('amount,ingredient\n2 kg,damsons\n3 kg\n', shippedCatalogue)).line).toBe(
      3,
    );
    expect(
      problem(() => incomingCsv('amount,ingredient\n2 kg,damsons\n3 kg,\n', shippedCatalogue)).line,
    ).toBe(3);
    expect(problem(() => incomingCsv('what,how\n2 kg,damsons\n', shippedCatalogue)).line).toBe(1);
    expect(problem(() => incomingCsv('amount,ingredient\n', shippedCatalogue)).message).toMatch(/no line/);
  });
});

describe('a pasted list', () => {
  it('of nothing is refused', () => {
    expect(problem(() => incomingText('\n\nIngredients:\n', shippedCatalogue)).message).toMatch(/no line/);
  });
});

describe('a method that is read', () => {
  const read = (text: string) =>
    incomingJson(
      JSON.stringify({
        '@type': 'Recipe',
        name: 'Card',
        recipeIngredient: ['1 kg sugar'],
        recipeInstructions: [{ '@type': 'HowToStep', text }],
      }),
      shippedCatalogue,
    ).content!.steps[0]!;

  it.each([
    'Steep the flowers overnight; do not boil',
    'Infuse in cold boiled water for a day',
    'Mash the fruit without boiling it',
    'Never let it boil, keep it warm and steep',
    'Macerate with sugar in the cool for two days',
    'Pour boiling water over and infuse',
    'Stir in the vinegar',
    'Simmer and mash',
    'Simmer for 20 minutes',
    'Heat to 85 °C for 10 minutes',
  ])('"%s" makes no kill step', (text) => {
    const step = read(text);
    expect(step.killStep ?? false).toBe(false);
    expect(step.method).not.toBe('cooked');
  });

  it.each([
    'Bring to the boil and simmer for 20 minutes',
    'Boil hard for 5 minutes, lid off',
    'Heat to 92 °C and hold for 2 minutes',
    'Heat to 195 °F, hold for 1 minute',
  ])('"%s" is one', (text) => expect(read(text)).toMatchObject({ killStep: true }));
});

describe('lines as CSV of other programs', () => {
  it.each([
    ['semicolons and decimal commas', 'Zutat;Menge;Einheit\nsugar;1,5;kg\nwater;2;l', ['1,5 kg', '2 l']],
    ['tabs', 'Ingredient\tQuantity\tUnit\nsugar\t1.5\tkg\nwater\t2\tl', ['1.5 kg', '2 l']],
    ['commas within quotes', 'amount,unit,ingredient\n"1,5",kg,sugar\n2,l,water', ['1,5 kg', '2 l']],
  ])('%s', (_, text, expected) => {
    const { formulaLines } = incomingCsv(text, shippedCatalogue);
    expect(formulaLines.map(({ said: amount }) => amount)).toEqual(expected);
    expect(formulaLines.map(({ ingredientId }) => ingredientId)).toEqual(['sugar', 'water']);
  });
  it('lists lettered as well as numbered', () => {
    const { formulaLines } = incomingText('a) 1 kg plums\n(b) 500 g sugar\n3) 2 l water', shippedCatalogue);
    expect(formulaLines.map(({ said: amount }) => amount)).toEqual(['1 kg', '500 g', '2 l']);
  });
});

describe('the letters of a file', () => {
  const wide = (text: string, order: 'le' | 'be', mark: boolean) => {
    const bytes = [...(mark ? '\ufeff' : ''), ...text].flatMap((letter) => {
      const code = letter.charCodeAt(0);
      return order === 'le' ? [code & 255, code >> 8] : [code >> 8, code & 255];
    });
    return new Uint8Array(bytes).buffer;
  };
  it.each([
    ['UTF-8', new TextEncoder().encode('Mädesüß 20 °C').buffer as ArrayBuffer, 'Mädesüß 20 °C'],
    ['Windows', new Uint8Array([77, 0xe4, 100, 0xb0]).buffer, 'Mäd°'],
    ['UTF-16, little end first', wide('Time,°C', 'le', true), 'Time,°C'],
    ['UTF-16, big end first', wide('Time,°C', 'be', true), 'Time,°C'],
    ['UTF-16 without its mark', wide('Time,°C', 'le', false), 'Time,°C'],
    ['UTF-16 without its mark, big end first', wide('Time,°C', 'be', false), 'Time,°C'],
  ])('%s', (_, bytes, text) => {
    expect(textOf(bytes)).toBe(text);
  });
});
