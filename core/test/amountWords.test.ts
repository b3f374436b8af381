import { numberAt, parseQuantity, tokensOf } from '@inch/core/quantity';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

/** What a cook says, the amount, and its unit; a pair is a range. */
const SAID: [string, number | [number, number], string][] = [
  ['one and three quarter cups', 1.75, 'cup'],
  ['two-thirds of a cup', 2 / 3, 'cup'],
  ['two thirds cup', 2 / 3, 'cup'],
  ['half a teaspoon', 0.5, 'tsp'],
  ['half of a cup', 0.5, 'cup'],
  ['half cup', 0.5, 'cup'],
  ['1 and 1/3 cups', 4 / 3, 'cup'],
  ['1 and a half cups', 1.5, 'cup'],
  ['a cup and a half', 1.5, 'cup'],
  ['two pounds and a quarter', 2.25, 'lb'],
  ['three quarters of a pound', 0.75, 'lb'],
  ['three-quarters of a kilo', 0.75, 'kg'],
  ['a third of a cup', 1 / 3, 'cup'],
  ['a quarter teaspoon', 0.25, 'tsp'],
  ['an eighth of a teaspoon', 0.125, 'tsp'],
  ['1/2 a cup', 0.5, 'cup'],
  ['1/4 of a cup', 0.25, 'cup'],
  ['twenty five grams', 25, 'g'],
  ['twenty-five grams', 25, 'g'],
  ['fifteen minutes', 15, 'min'],
  ['ninety grams', 90, 'g'],
  ['two dozen sprigs', 24, 'sprig'],
  ['a dozen cloves', 12, 'clove'],
  ['half a dozen cloves', 6, 'clove'],
  ['eight to nine cups', [8, 9], 'cup'],
  ['eight or nine sprigs', [8, 9], 'sprig'],
  ['a half to an ounce', [0.5, 1], 'oz'],
  ['one half to one teaspoon', [0.5, 1], 'tsp'],
  ['a quarter to a half teaspoon', [0.25, 0.5], 'tsp'],
  ['2-3 tablespoons', [2, 3], 'tbsp'],
  ['2 – 3 tablespoons', [2, 3], 'tbsp'],
  ['1 1/2 to 2 cups', [1.5, 2], 'cup'],
  ['1½ to 2 cups', [1.5, 2], 'cup'],
  ['one and a half to two cups', [1.5, 2], 'cup'],
  ['a couple of sprigs', [2, 3], 'sprig'],
  ['a few sprigs', [3, 5], 'sprig'],
  ['several sprigs', [4, 7], 'sprig'],
  ['1,5 litres', 1.5, 'l'],
  ['0.75 l', 0.75, 'l'],
  ['¾ cup', 0.75, 'cup'],
  ['2⅔ cups', 8 / 3, 'cup'],
  ['1 lb 6 oz', 1.375, 'lb'],
  ['an ounce', 1, 'oz'],
  ['a pint', 1, 'pint'],
  ['10', 10, 'each'],
  ['a 750 ml bottle', 750, 'ml'],
  ['two 12 fl oz bottles', 24, 'floz'],
  ['2 x 1.5 l', 3, 'l'],
  ['two 2 kg bags', 4, 'kg'],
  ['1 (14 g) packet', 14, 'g'],
  ['a 2 inch piece', 2, 'in'],
  ['two 3-inch sticks', 2, 'stick'],
  ['a 3-inch stick', 1, 'stick'],
  ['2 heaped tablespoons', [2.4, 4], 'tbsp'],
  ['1 lb and 6 oz', 1.375, 'lb'],
  ['between 2 and 3 cups', [2, 3], 'cup'],
  ['one hundred and fifty grams', 150, 'g'],
  ['two hundred grams', 200, 'g'],
  ['1-1/2 cups', 1.5, 'cup'],
  ['92c', 92, 'C'],
  ['190 °F', 190, 'F'],
  ['2 c', 2, 'cup'],
  ['8 oz by volume', 8, 'floz'],
  ['8 ounces by weight', 8, 'oz'],
  ['8 weight ounces', 8, 'oz'],
  ['1 cup to 2 cups', [1, 2], 'cup'],
  ['about 3 sprigs', 3, 'sprig'],
];

describe('an amount as it is said', () => {
  it.each(SAID)('"%s"', (said, amount, unit) => {
    const read = parseQuantity(said);
    expect(read.unit).toBe(unit);
    if (typeof amount === 'number') {
      expect(read.amount).toBeCloseTo(amount, 9);
      expect(read.range).toBeUndefined();
    } else {
      expect(read.range?.[0]).toBeCloseTo(amount[0], 9);
      expect(read.range?.[1]).toBeCloseTo(amount[1], 9);
      expect(read.amount).toBeCloseTo((amount[0] + amount[1]) / 2, 9);
    }
  });

  it.each(['cups', 'some sugar', 'of a cup', '', 'and a half', 'quite a bit', 'two to'])(
    '"%s" is none',
    (said) => {
      expect(() => parseQuantity(said)).toThrow(RangeError);
    },
  );

  it('is a number over 0 from less to more, whatever words stand there, and no word is lost', () => {
    const words = [
      'two',
      'and',
      'a',
      'half',
      'thirds',
      'of',
      'cup',
      'sugar',
      '1/2',
      '3',
      'to',
      'dozen',
      'few',
      'quince',
    ];
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...words), { minLength: 1, maxLength: 8 }), (said) => {
        const text = said.join(' ');
        const tokens = tokensOf(text);
        expect(tokens.map((token) => token.text).join('')).toBe(text.replace(/\s/g, ''));
        try {
          const read = numberAt(tokens, 0);
          if (!read) return;
          expect(read.next).toBeGreaterThan(0);
          expect(read.next).toBeLessThanOrEqual(tokens.length);
          expect(read.low).toBeLessThanOrEqual(read.high);
          expect(read.low).toBeGreaterThan(0);
        } catch (error) {
          expect((error as Error).message).toMatch(/from more to less/);
        }
      }),
    );
  });

  it('of a whole and a part is their sum, in figures and in words', () => {
    const ones = [
      'one',
      'two',
      'three',
      'four',
      'five',
      'six',
      'seven',
      'eight',
      'nine',
      'ten',
      'eleven',
      'twelve',
    ];
    const parts: [string, string, number][] = [
      ['half', '1/2', 1 / 2],
      ['third', '1/3', 1 / 3],
      ['quarter', '1/4', 1 / 4],
      ['eighth', '1/8', 1 / 8],
    ];
    for (const [i, word] of ones.entries())
      for (const [name, figures, value] of parts)
        for (const said of [
          `${word} and a ${name} cups`,
          `${i + 1} and ${figures} cups`,
          `${i + 1} ${figures} cups`,
        ])
          expect(parseQuantity(said).amount).toBeCloseTo(i + 1 + value, 9);
  });
});
