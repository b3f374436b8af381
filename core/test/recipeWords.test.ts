import { shippedCatalogue } from '@inch/core/ingredient';
import { tokensOf } from '@inch/core/quantity';
import { type PlacedWord, type RecipeRead, readAccount, readRecipe } from '@inch/core/recipe';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { draws } from '../../scripts/src/draws.mjs';
import { told } from './methods/told.ts';
import { written } from './methods/written.ts';

/** Words and figures of a text, counted on their own. */
const wordsOf = (text: string) =>
  tokensOf(text)
    .filter(({ kind }) => kind !== 'sign')
    .map(({ text: word, start, end }) => ({ word, start, end }));

const placed = (words: readonly PlacedWord[]) =>
  words.map(({ text: word, start, end }) => ({ word, start, end }));

/** Each word once and in order, in a line or step that there is. */
function holds(text: string, read: RecipeRead): void {
  expect(placed(read.words)).toEqual(wordsOf(text));
  const lines = new Set(
    read.lines.map(({ number, part }) => (part ? `line${number}.${part}` : `line${number}`)),
  );
  const steps = new Set(read.steps.map(({ step }) => step.id));
  for (const { in: place } of read.words) {
    if (place.of === 'line') expect(lines).toContain(place.id);
    if (place.of === 'step') expect(steps).toContain(place.id);
  }
}

const recipes = written.map((one) => `${one.name}\n\n${one.list}\n\nMethod\n${one.method}`);
const sentences = (texts: readonly string[]) => texts.flatMap((text) => text.split(/(?<=[.!?])\s+/));
const ofMethods = sentences(written.map(({ method }) => method));
const ofAccounts = sentences(told.map(({ text }) => text));

describe('every word of a pasted text', () => {
  it('stands in exactly one place, in each recipe and account of the corpus', () => {
    for (const text of recipes) holds(text, readRecipe(text, shippedCatalogue));
    for (const { text } of told) holds(text, readAccount(text, shippedCatalogue));
  });

  it('stands in exactly one place, however the sentences are put together', () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom(...ofMethods), { minLength: 1, maxLength: 14 }),
        fc.constantFrom(...written.map(({ list }) => list)),
        fc.constantFrom(' ', '\n', '\n- '),
        (method, list, between) => {
          const text = `${list}\n\nMethod\n${method.join(between)}`;
          holds(text, readRecipe(text, shippedCatalogue));
        },
      ),
      { numRuns: draws(200) },
    );
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom(...ofAccounts, ...ofMethods), { minLength: 1, maxLength: 20 }),
        fc.constantFrom(' ', '\n'),
        (spoken, between) => {
          const text = spoken.join(between);
          holds(text, readAccount(text, shippedCatalogue));
        },
      ),
      { numRuns: draws(200) },
    );
  });

  it('that says a figure of a step is joined to its field', () => {
    const { words, steps } = readRecipe(
      '1 kg plums\n500 g sugar\n\nMethod\nSimmer the plums at 194 °F for 20 minutes, lid off. Strain through a cloth. Add the sugar and reduce by a third.',
      shippedCatalogue,
    );
    const joined = words.flatMap(({ text, in: place }) =>
      place.of === 'step' && place.field ? [`${place.field}:${text}`] : [],
    );
    expect(joined).toEqual(
      expect.arrayContaining(['celsius:194', 'minutes:20', 'lid:lid', 'cloth:cloth.', 'toFraction:third.']),
    );
    expect(steps[0]!.joined.map(({ field }) => field)).toEqual(['kind', 'celsius', 'minutes', 'lid']);
  });

  it('that puts right what was said before is of the line that it puts right', () => {
    const { words, lines } = readAccount('I use one cup of sugar. No, two cups.', shippedCatalogue);
    expect(lines).toHaveLength(1);
    expect(lines[0]).toMatchObject({ said: 'two cups', before: 'one cup of sugar' });
    expect(words.filter(({ in: place }) => place.of === 'line').map(({ text }) => text)).toEqual(
      'one cup of sugar. two cups.'.split(' '),
    );
  });
});
