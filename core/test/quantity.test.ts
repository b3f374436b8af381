import { shippedCatalogue } from '@inch/core/ingredient';
import {
  asFraction,
  cupSchools,
  parseQuantity,
  toCelsius,
  toGrams,
  toMillimetres,
} from '@inch/core/quantity';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

describe('a quantity as a cook says it', () => {
  it.each([
    ['2¼ cups', 2.25, 'cup'],
    ['2 1/4 cups', 2.25, 'cup'],
    ['½ tsp', 0.5, 'tsp'],
    ['3 5/8 in', 3.625, 'in'],
    ['3 5/8"', 3.625, 'in'],
    ['1 lb 6 oz', 1.375, 'lb'],
    ['176F', 176, 'F'],
    ['88 °C', 88, 'C'],
    ['2.41 kg', 2.41, 'kg'],
    ['2,41 kg', 2.41, 'kg'],
    ['1,200 g', 1200, 'g'],
    ['250g', 250, 'g'],
    ['a cup', 1, 'cup'],
    ['half a lemon', 0.5, 'lemon'],
    ['two cups', 2, 'cup'],
    ['a dozen', 12, 'each'],
    ['12 fl oz', 12, 'floz'],
    ['3 tbsp', 3, 'tbsp'],
    ['2 sticks', 2, 'stick'],
    ['4 bunches', 4, 'bunch'],
    ['3', 3, 'each'],
  ])('%s', (said, amount, unit) => {
    const read = parseQuantity(said);
    expect(read.amount).toBeCloseTo(amount, 10);
    expect(read.unit).toBe(unit);
    expect(read.said).toBe(said);
  });

  it('keeps a range and takes its middle', () => {
    expect(parseQuantity('8 to 9 sprigs')).toMatchObject({ amount: 8.5, unit: 'sprig', range: [8, 9] });
    expect(parseQuantity('8 or 9')).toMatchObject({ range: [8, 9] });
    expect(() => parseQuantity('9 to 8 g')).toThrow(/more to less/);
  });

  it('asks whether a bare ounce is a weight or a volume, and does not once it is said', () => {
    expect(parseQuantity('8 oz').asks).toBe('weight-or-volume');
    expect(parseQuantity('8 oz wt').asks).toBeUndefined();
    expect(parseQuantity('8 fl oz').asks).toBeUndefined();
  });

  it.each(['', 'sugar', 'to taste', '1/0 cup', '2 %%'])('refuses "%s" with a sentence', (said) => {
    expect(() => parseQuantity(said)).toThrow(RangeError);
  });

  it('never throws anything but a RangeError, and never gives NaN', () => {
    fc.assert(
      fc.property(fc.oneof(fc.string(), fc.stringMatching(/^[\d /.,½ a-z]{1,14}$/)), (said) => {
        try {
          expect(Number.isFinite(parseQuantity(said).amount)).toBe(true);
        } catch (error) {
          expect(error).toBeInstanceOf(RangeError);
        }
      }),
    );
  });
});

describe('grams of it', () => {
  const sugar = shippedCatalogue.get('sugar');
  it('follows the school of cups, and will not guess one', () => {
    const cups = parseQuantity('2 cups');
    expect(toGrams(cups, sugar, { cup: 'us' }).grams).toBeCloseTo(400, 2);
    expect(toGrams(cups, sugar, { cup: 'metric' }).grams).toBeCloseTo((400 * 250) / 236.588, 2);
    expect(() => toGrams(cups, sugar, {})).toThrow(/Which country/);
    expect(cupSchools.imperial.cup).toBeCloseTo(284.131, 3);
  });
  it('is exact by weight', () => {
    expect(toGrams(parseQuantity('1 lb 6 oz'), sugar).grams).toBeCloseTo(22 * 28.349523125, 6);
  });
  it('takes a count by the weight of a piece and says so', () => {
    const lemon = toGrams(parseQuantity('3'), shippedCatalogue.get('lemon-juice'));
    expect(lemon).toMatchObject({ grams: 135 });
    expect(lemon.assumption).toMatch(/45 g each/);
    expect(() => toGrams(parseQuantity('2 glugs'), sugar)).toThrow(/glug/);
  });
  it('carries a range through', () => {
    expect(toGrams(parseQuantity('8 to 9 sprigs'), shippedCatalogue.get('mint')).range).toEqual([12, 13.5]);
  });
  it('is in proportion to the amount', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 100, noNaN: true }),
        fc.constantFrom('cup', 'g', 'lb', 'ml', 'tbsp'),
        (amount, unit) => {
          const grams = (n: number) => toGrams({ amount: n, unit, said: '' }, sugar, { cup: 'us' }).grams;
          expect(grams(2 * amount)).toBeCloseTo(2 * grams(amount), 8);
        },
      ),
    );
  });
});

describe('lengths, temperatures, fractions', () => {
  it('turns inches into millimetres and Fahrenheit into Celsius', () => {
    expect(toMillimetres(parseQuantity('3 5/8 in'))).toBeCloseTo(92.075, 6);
    expect(toCelsius(parseQuantity('176F'))).toBeCloseTo(80, 10);
    expect(() => toCelsius(parseQuantity('3 g'))).toThrow(RangeError);
  });
  it('writes a length as a ruler shows it', () => {
    expect([2.25, 3.625, 0.5, 4, 2.06].map((n) => asFraction(n))).toEqual([
      '2 1/4',
      '3 5/8',
      '1/2',
      '4',
      '2 1/16',
    ]);
  });
  it('reads back what it writes', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 400 }), (sixteenths) => {
        expect(parseQuantity(`${asFraction(sixteenths / 16)} in`).amount).toBeCloseTo(sixteenths / 16, 12);
      }),
    );
  });
});
