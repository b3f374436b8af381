import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { type FormulaContent, forecast, lineKey } from '@inch/core/formula';
import { shippedCatalogue } from '@inch/core/ingredient';
import { partsOfText, type RecipeRead, readRecipe } from '@inch/core/recipe';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { draws } from '../../scripts/src/draws.mjs';

const FOLDER = join(import.meta.dirname, 'recipes');
const textOf = (name: string): string => readFileSync(join(FOLDER, `${name}.txt`), 'utf8');
const read = (text: string): RecipeRead => readRecipe(text, shippedCatalogue);

const setting = { cup: 'us', catalogue: shippedCatalogue, elevationMetres: 0, criticalPh: 4.2 } as const;

/** The formula that a recipe becomes; what is asked is answered with a litre. */
const formulaOf = ({ lines, steps, storage }: RecipeRead): FormulaContent => ({
  lines: lines.map((line) => ({
    id: lineKey(line),
    said: line.said || '1 l',
    ingredientId: line.ingredientId,
    ...(line.basis ? { basis: line.basis } : {}),
    ...(line.stepId ? { stepId: line.stepId } : {}),
  })),
  steps: steps.map(({ step }) => step),
  storage,
  bottleMl: 250,
});

/** Kinds of step in order, with how it is drawn or strained; and the number of the step each thing goes in at. */
const SCHOOLS: [string, string, Record<string, number>][] = [
  [
    'coldShrub',
    'prepare draw:cold strain:press add fill rest',
    { blackberry: 1, sugar: 1, salt: 1, 'cider-vinegar': 4 },
  ],
  [
    'wholeCitrus',
    'prepare draw:blended strain add prepare draw:cold strain fill rest',
    { lemon: 1, water: 2, sugar: 4, mint: 5 },
  ],
  [
    'driedFlowers',
    'heat add draw:infused strain:drip add heat fill',
    { hibiscus: 2, 'dried-rose': 2, cinnamon: 2, water: 1, sugar: 5, 'lime-juice': 5 },
  ],
  ['fruitInJar', 'add add draw:jar strain:filter fill', { damson: 1, sugar: 1, clove: 1, 'wine-vinegar': 2 }],
  [
    'simmeredGinger',
    'add draw:cooked strain:press add reduce add fill',
    { ginger: 1, water: 1, 'lemon-peel': 1, 'cane-sugar': 4, 'lemon-juice': 6, 'citric-anhydrous': 6 },
  ],
  [
    'boiledJuice',
    'prepare draw:cooked strain:drip measure heat fill',
    { 'sour-cherry': 1, sugar: 5, 'citric-anhydrous': 5 },
  ],
  [
    'rhubarb',
    'add draw:cold add draw:cooked strain:drip reduce rest',
    { rhubarb: 1, sugar: 1, vanilla: 3, water: 3 },
  ],
  [
    'elderflower',
    'heat add add draw:infused strain:drip fill rest',
    { sugar: 1, water: 1, 'citric-anhydrous': 2, elderflower: 3, lemon: 3 },
  ],
  ['quince', 'draw:cooked strain:drip heat add fill', { quince: 1, water: 1, sugar: 4, 'lemon-juice': 4 }],
  [
    'spicedTea',
    'draw:cooked add draw:infused strain add heat rest',
    { cardamom: 1, 'star-anise': 1, water: 1, 'black-tea': 2, 'brown-sugar': 5, 'bottled-lemon-juice': 5 },
  ],
  [
    'peelSugar',
    'draw:peel add strain heat fill',
    { 'orange-peel': 1, sugar: 1, 'orange-juice': 2, 'lemon-juice': 2 },
  ],
  [
    'beetrootShrub',
    'heat add draw:jar strain heat fill rest',
    { 'red-wine-vinegar': 1, sugar: 1, honey: 1, raspberry: 2, beet: 2 },
  ],
];

describe('a whole recipe', () => {
  it.each(SCHOOLS)('%s is read as its lines and steps', (name, kinds, places) => {
    const { lines, steps } = read(textOf(name));
    expect(
      steps.map(({ step }) => [step.kind, step.method ?? step.cloth].filter(Boolean).join(':')).join(' '),
    ).toBe(kinds);
    const numberOf = (id: string | undefined) => steps.findIndex(({ step }) => step.id === id) + 1;
    expect(Object.fromEntries(lines.map((line) => [line.ingredientId, numberOf(line.stepId)]))).toEqual(
      places,
    );
    expect(lines.filter((line) => line.unplaced)).toEqual([]);
    expect(steps.filter((step) => step.unread)).toEqual([]);
  });

  it.each(readdirSync(FOLDER))('%s becomes a formula that forecasts', (file) => {
    const found = read(readFileSync(join(FOLDER, file), 'utf8'));
    expect(found.lines.filter((line) => line.query)).toEqual([]);
    const f = forecast(formulaOf(found), setting);
    expect(f.complete).toBe(true);
    expect(f.millilitres).toBeGreaterThan(300);
    expect(f.brix).toBeGreaterThan(10);
    expect(f.ph?.middle).toBeGreaterThan(2);
    expect(f.ph?.middle).toBeLessThan(4);
  });

  it('says temperatures, times, marks and what must not be', () => {
    const stepsOf = (name: string) => read(textOf(name)).steps.map(({ step }) => step);
    expect(stepsOf('boiledJuice')[1]).toMatchObject({ minutes: 25, celsius: 90, killStep: true });
    expect(stepsOf('boiledJuice')[2]).toMatchObject({ minutes: 720 });
    expect(stepsOf('boiledJuice')[4]).toMatchObject({ minutes: 1, killStep: true });
    expect(stepsOf('beetrootShrub')[0]).toMatchObject({ neverBoil: true, killStep: false });
    expect(stepsOf('beetrootShrub')[4]).toMatchObject({ celsius: 90.6, minutes: 1, killStep: true });
    expect(stepsOf('rhubarb')[3]).toMatchObject({
      celsius: 85,
      minutes: 20,
      neverBoil: true,
      killStep: false,
    });
    expect(stepsOf('rhubarb')[5]).toMatchObject({ toFraction: 0.5 });
    expect(stepsOf('simmeredGinger')[4]!.toFraction).toBeCloseTo(2 / 3, 3);
    expect(stepsOf('simmeredGinger')[1]).toMatchObject({ lidOff: true, minutes: 45 });
    expect(stepsOf('quince')[0]).toMatchObject({ minutes: 75, killStep: false });
    expect(stepsOf('coldShrub')[1]).toMatchObject({ minutes: 2880 });
  });

  it('keeps the parts of its list, its yield and its name', () => {
    const { name, lines, others } = read(textOf('beetrootShrub'));
    expect(name).toBe('Raspberry and beetroot shrub');
    expect(lines.map(({ heading }) => heading)).toEqual([
      'for the fruit',
      'for the fruit',
      'for the sour',
      'for the sour',
      'for the sour',
    ]);
    expect(lines[0]!.alternatives).toEqual([{ said: '500 g', ingredientId: 'frozen-raspberry' }]);
    expect(others).toEqual([]);
    expect(read(textOf('rhubarb')).others).toEqual(['Makes about 6 small bottles']);
  });
});

describe('what a method says', () => {
  const first = (method: string) => read(`1 kg plums\n500 g sugar\n\nMethod\n${method}`).steps[0]!.step;

  it.each([
    'Simmer the plums, do not boil',
    'Heat the plums gently without letting it simmer',
    'Warm the plums; never let it boil',
    'Heat the plums but don’t boil them',
    'Cook the plums for 10 minutes without boiling',
  ])('"%s" is no kill step', (text) => {
    expect(first(text).killStep ?? false).toBe(false);
    expect(first(text).neverBoil).toBe(true);
  });

  it('brought to the boil and then held cooler is no kill step', () => {
    const steps = read(
      '1 kg plums\n500 g sugar\n\nMethod\nBring the plums to the boil, then hold at 70 °C for 10 minutes.',
    ).steps;
    expect(steps.map(({ step }) => step.killStep ?? false)).not.toContain(true);
    expect(steps.some(({ step }) => step.celsius === 70 && step.minutes === 10)).toBe(true);
  });

  it.each([
    ['Boil the plums for 5 minutes', 5],
    ['Boil the plums 10 to 15 minutes', 13],
    ['Simmer the plums for half an hour', 30],
    ['Simmer the plums for an hour and a half', 90],
    ['Leave the plums with the sugar overnight', 720],
    ['Leave the plums with the sugar for two days', 2880],
    ['Let the plums stand with the sugar for a week', 10_080],
  ])('"%s" takes %d minutes', (text, minutes) => {
    expect(first(text).minutes).toBe(minutes);
  });

  it('a condition stays with the words of the step before', () => {
    const { steps } = read(
      '1 kg plums\n500 g sugar\n\nMethod\nBoil the plums with the sugar for 5 minutes. If it is too thick, boil it with some water for an hour. Bottle.',
    );
    expect(steps.map(({ step }) => [step.kind, step.minutes])).toEqual([
      ['heat', 5],
      ['fill', undefined],
    ]);
    expect(steps[0]!.text).toMatch(/If it is too thick/);
  });

  it('loses none of its words', () => {
    const words = (text: string) => text.toLowerCase().match(/[\p{L}\d]+/gu) ?? [];
    const sentences = SCHOOLS.flatMap(([name]) => partsOfText(textOf(name)).method.map(({ text }) => text));
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...sentences), { minLength: 1, maxLength: 5 }), (method) => {
        const { steps } = read(`1 kg plums\n500 g sugar\n\nMethod\n${method.join('\n')}`);
        const kept = words(steps.map(({ text }) => text).join(' '));
        const dropped = new Set(['and', 'then', ...'123456789']);
        for (const word of words(method.join(' '))) if (!dropped.has(word)) expect(kept).toContain(word);
      }),
      { numRuns: draws(60) },
    );
  });

  it('comes apart without headings, and with Markdown', () => {
    const plain = partsOfText(
      'Plum syrup\n\n1 kg plums\n500 g sugar\n\nBoil the plums with the sugar. Strain.',
    );
    expect(plain).toMatchObject({ name: 'Plum syrup' });
    expect([plain.ingredients.length, plain.method.length]).toEqual([2, 1]);
    const marked = partsOfText(
      '# Plum syrup\n## Ingredients\n- **1 kg** plums\n- 500 g sugar\n## Method\n1. Boil.\n2. Strain.\n## Notes\nFrom a card.',
    );
    expect(marked.ingredients.map(({ text }) => text)).toEqual(['1 kg plums', '500 g sugar']);
    expect(marked.method).toHaveLength(2);
    expect(marked.others.map(({ text }) => text)).toEqual(['From a card.']);
  });

  it('a list alone stays a list, "juice of" and all', () => {
    const list = partsOfText(
      'juice of 2 lemons\nzest of 1 orange\nas much sugar as fruit\n2 kg plums\nsalt to taste\nwater to cover',
    );
    expect(list.method).toEqual([]);
    expect(list.ingredients).toHaveLength(6);
    expect(list.name).toBeUndefined();
  });
});

describe('what stands', () => {
  it.each([
    ['Crush the plums with the sugar and leave in the fridge for 2 days', 5],
    ['Crush the plums with the sugar and leave overnight', 20],
    ['Crush the plums with the sugar and leave at 12 °C for a day', 12],
  ])('"%s" stands at %d °C', (method, celsius) => {
    const { steps } = read(`1 kg plums\n500 g sugar\n\nMethod\n${method}. Strain.`);
    expect(steps.find(({ step }) => step.kind === 'draw')!.step).toMatchObject({ method: 'cold', celsius });
  });
});

it('a step with more words than its title has room for keeps all of them', () => {
  const long = `Simmer the plums ${'very '.repeat(40)}gently for 20 minutes`;
  const { steps } = readRecipe(`1 kg plums\n\nMethod\n${long}.`, shippedCatalogue);
  expect(steps[0]!.step.title).toHaveLength(120);
  expect(steps[0]!.step.words).toBe(long);
  expect(readRecipe('1 kg plums\n\nMethod\nBoil it.', shippedCatalogue).steps[0]!.step).not.toHaveProperty(
    'words',
  );
});
