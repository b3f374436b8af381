import { type ReadListLine, readIngredientList } from '@inch/core/formula';
import { shippedCatalogue } from '@inch/core/ingredient';
import { readSaid } from '@inch/core/line';
import { parseQuantity, type Quantity, toGrams } from '@inch/core/quantity';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { draws } from '../../scripts/src/draws.mjs';
import { asking } from './spoken/asking.ts';
import { understood } from './spoken/understood.ts';

const rows = (table: string): [string, string][] =>
  table
    .trim()
    .split('\n')
    .map((row) => row.split(' | ') as [string, string]);

const figure = (value: number): string => String(Number(value.toFixed(4)));

function amountOf({ amount, range, unit, plus }: Quantity): string {
  const number = range ? range.map(figure).join('–') : figure(amount);
  return `${number} ${unit}${plus ? ` + ${amountOf(plus)}` : ''}`;
}

/** A share as "×0.75". */
function shareOf(said: string): string {
  const percent = said.endsWith('%');
  return `×${figure(parseQuantity(said.replace(/\s*%$/, '')).amount * (percent ? 0.01 : 1))}`;
}

/** A read line in the words of the table. */
function told({ said, ingredientId, basis, alternatives, optional, query }: ReadListLine): string {
  if (query) return `asks: ${query}`;
  const follows = basis && (basis.per === 'line' || basis.per === 'yield') ? basis : null;
  const share = follows && ['each', '%'].includes(parseQuantity(said).unit);
  const usual = follows?.by === 'volume' ? 'litre' : 'kg';
  const per =
    basis?.per === 'bottle'
      ? ` per bottle${basis.ml ? ` ${basis.ml}` : ''}`
      : follows
        ? `${share ? '' : ` per ${follows.each ?? usual}`} ${follows.per} by ${follows.by}`
        : '';
  const or = alternatives.map((a) => ` or ${amountOf(parseQuantity(a.said))} ${a.ingredientId}`).join('');
  return `${share ? shareOf(said) : amountOf(parseQuantity(said))} ${ingredientId}${per}${or}${optional ? ' optional' : ''}`;
}

const ASKED: Record<string, RegExp> = {
  which: /^Which is meant by "/,
  unknown: /is not in the catalogue\./,
  weighs: /weighs is not known|No weight per cup/,
  amount: /^How much/,
  ounce: /by weight or by volume\?$/,
  thousands: /with decimals or in thousands/,
  follows: /^It follows ".+", which is not in the list\.$/,
  jar: /^Per (?:pint|quart) of what\?/,
  pour: /^How much (?:covers|fills|is that)/,
  by: /[Bb]y weight or by volume\? Say which\.$/,
  strength: /% of what\?|^The line says [\d.]+ %/,
  two: /^These are two things/,
  same: /are not the same amount/,
  left: /is not an amount of|has to be over 0|from more to less|is not a number/,
};

describe('a line as it is said', () => {
  it.each(rows(understood))('"%s" is %s', (text, expected) => {
    const lines = readIngredientList(text, shippedCatalogue);
    expect(lines.map(told).join('; ')).toBe(expected);
    for (const { words } of lines) expect(words.filter((word) => word.as === 'left')).toEqual([]);
  });

  it.each(rows(understood))('"%s" comes to grams', (text) => {
    for (const { said, ingredientId, basis } of readIngredientList(text, shippedCatalogue)) {
      if (basis && basis.per !== 'bottle') continue;
      const { grams } = toGrams(parseQuantity(said), shippedCatalogue.get(ingredientId), { cup: 'us' });
      expect(grams).toBeGreaterThan(0);
    }
  });

  it.each(rows(asking).filter(([, kind]) => kind !== 'refused'))('"%s" asks: %s', (text, kinds) => {
    const lines = readIngredientList(text, shippedCatalogue);
    const wanted = kinds.split('; ');
    expect(lines).toHaveLength(wanted.length);
    for (const [i, kind] of wanted.entries()) expect(lines[i]!.query).toMatch(ASKED[kind]!);
  });

  it.each(rows(asking).filter(([, kind]) => kind === 'refused'))('"%s" is refused', (text) => {
    const [line] = readIngredientList(text, shippedCatalogue);
    expect(line!.ingredientId).toBe('');
    expect(line!.query).not.toMatch(/^Which|not in the catalogue/);
    expect(line!.query!.length).toBeGreaterThan(20);
  });

  it('is at least 400 in all, 150 of them asking', () => {
    expect(rows(asking).length).toBeGreaterThanOrEqual(150);
    expect(rows(asking).length + rows(understood).length).toBeGreaterThanOrEqual(400);
    expect(new Set([...rows(asking), ...rows(understood)].map(([text]) => text)).size).toBe(
      rows(asking).length + rows(understood).length,
    );
  });
});

const texts = [...rows(understood), ...rows(asking)].map(([text]) => text);
const NUMBERS = /[\p{L}\p{M}'’]+|\d+(?:[.,]\d+)*(?:[/⁄]\d+)?|[¼½¾⅓⅔⅛]/gu;

describe('whatever is written', () => {
  it('no word of it is lost', () => {
    const word = fc.constantFrom(...texts.flatMap((text) => text.split(' ')));
    fc.assert(
      fc.property(fc.array(word, { minLength: 1, maxLength: 12 }), (words) => {
        const text = words.join(' ');
        const read = readSaid(text, shippedCatalogue).words.flatMap(({ text: t }) => t.match(NUMBERS) ?? []);
        const bullet = /^\s*(?:[-*•·–—▢□✓]|\d{1,2}[.)](?=\s))\s*/;
        expect(read).toEqual(text.replace(bullet, '').match(NUMBERS) ?? []);
      }),
    );
  });

  it('a misspelt word never makes it understood', () => {
    const lines = rows(understood).map(([text]) => text);
    fc.assert(
      fc.property(
        fc.constantFrom(...lines),
        fc.nat(),
        fc.constantFrom('x', 'q', 'zz'),
        (text, at, letters) => {
          const words = text.split(' ');
          const long = words.flatMap((word, i) => (/^\p{L}{5,}$/u.test(word) ? [i] : []));
          if (long.length === 0) return;
          const place = long[at % long.length]!;
          words[place] = `${words[place]!.slice(0, 3)}${letters}${words[place]!.slice(3)}`;
          const lines = readIngredientList(words.join(' '), shippedCatalogue);
          expect(lines.some((line) => line.query !== undefined)).toBe(true);
        },
      ),
      { numRuns: draws(400) },
    );
  });

  it('shuffled words never name another thing than the line does', () => {
    const plain = rows(understood).filter(
      ([text]) => /^[\p{L}\d ]+$/u.test(text) && !/ or | and /.test(text),
    );
    fc.assert(
      fc.property(fc.constantFrom(...plain), fc.infiniteStream(fc.nat()), ([text, expected], stream) => {
        const words = text.split(' ');
        const order = words.map((word) => ({ word, key: stream.next().value as number }));
        const mixed = order.sort((a, b) => a.key - b.key).map(({ word }) => word);
        for (const line of readIngredientList(mixed.join(' '), shippedCatalogue))
          if (line.query === undefined) expect(expected).toContain(line.ingredientId);
      }),
      { numRuns: draws(400) },
    );
  });
});

describe('a line of thousands of words', () => {
  it('is asked about at once', () => {
    const [line] = readIngredientList(
      `2 kg plums ${'as much sugar as fruit of the weight in '.repeat(3000)}`,
      shippedCatalogue,
    );
    expect(line!.query).toMatch(/too long/);
    expect(line!.words.length).toBeGreaterThan(20_000);
  });
});

describe('lines that follow others', () => {
  it.each([
    ['1 kg gooseberries\nits own weight in sugar', [['1', 'sugar', 'line1', 'weight']]],
    ['1 kg gooseberries\na third of its weight in honey', [['1/3', 'honey', 'line1', 'weight']]],
    ['4 cups blackberries\nhalf as much sugar as berries', [['1/2', 'sugar', 'line1', 'volume']]],
    ['2 kg damsons\nsugar, 60 % of the fruit', [['60 %', 'sugar', 'line1', 'weight']]],
    ['2 kg sour cherries\nsugar, half the weight of the cherries', [['1/2', 'sugar', 'line1', 'weight']]],
    ['6 lemons\nas many limes as lemons', [['1', 'lime', 'line1', 'weight']]],
    ['2 kg plums\nthree quarters of the weight of the fruit in sugar', [['3/4', 'sugar', 'line1', 'weight']]],
    ['1 kg quinces\none part sugar to two parts quinces by weight', [['1/2', 'sugar', 'line1', 'weight']]],
    ['1 kg figs\nequal weight of water to figs', [['1', 'water', 'line1', 'weight']]],
    ['500 g honey\ntwice as much water as honey', [['2', 'water', 'line1', 'weight']]],
  ] as [string, [string, string, string, string][]][])('%j', (text, followers) => {
    const lines = readIngredientList(text, shippedCatalogue);
    for (const [i, [said, ingredientId, lineId, by]] of followers.entries()) {
      const line = lines[i + 1]!;
      expect(line).toMatchObject({ said, ingredientId, basis: { per: 'line', lineId, by } });
      expect(line.query).toBeUndefined();
    }
  });

  it('asks which fruit, where there are several', () => {
    const [, , sugar] = readIngredientList(
      '1 kg plums\n1 kg damsons\nhalf as much sugar as fruit',
      shippedCatalogue,
    );
    expect(sugar!.query).toMatch(/which of them/);
    expect(sugar!.basis).toBeUndefined();
  });

  it('an amount for so much of another line says for how much', () => {
    const [, sugar] = readIngredientList('3 kg plums\n400 g sugar per pound of fruit', shippedCatalogue);
    expect(sugar!.basis).toEqual({ per: 'line', lineId: 'line1', by: 'weight', each: '1 pound' });
    expect(sugar!.query).toBeUndefined();
  });

  it('two things of one line are told apart', () => {
    const lines = readIngredientList(
      '1 kg quinces\nzest and juice of two limes\n1 cup sugar',
      shippedCatalogue,
    );
    expect(lines.map(({ number, part }) => [number, part])).toEqual([
      [1, undefined],
      [2, undefined],
      [2, 2],
      [3, undefined],
    ]);
  });
});
