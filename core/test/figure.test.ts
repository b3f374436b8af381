import {
  type FigureOptions,
  parseQuantity,
  readElevation,
  readFigure,
  readPrice,
  toGrams,
} from '@inch/core/quantity';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

const figureOf = (text: string, options: FigureOptions) => readFigure(text, options).value;
const sugar = { name: 'sugar', gramsPerMl: { cup: 0.85 } };

describe('amounts as they are said', () => {
  it.each([
    ['0,125 kg', 125],
    ['0.125 kg', 125],
    ['00,125 kg', 125],
    ['1,5 kg', 1500],
    ['1,25 kg', 1250],
    ['2,250.5 g', 2250.5],
    ['2.250,5 g', 2250.5],
    ['1,234,567 mg', 1234.567],
    ['1.234.567 mg', 1234.567],
    ['1,500 g', 1500],
    ['1\u202f500 g', 1500],
    ['1’500 g', 1500],
    ['12,345 g', 12345],
    ['0,75 lb', 0.75 * 453.59237],
  ])('%s is %d g', (said, grams) => {
    expect(toGrams(parseQuantity(said), sugar).grams).toBeCloseTo(grams, 6);
  });
  it.each(['1,500 kg', '1.500 kg', '12,345 L', '2.250 litres'])(
    '"%s" may be decimals or thousands, and is asked, never guessed',
    (said) => {
      expect(parseQuantity(said).asks).toBe('decimal-or-thousands');
      expect(() => toGrams(parseQuantity(said), sugar)).toThrow(/decimals or in thousands/);
    },
  );
  it.each(['1,50,3 g', '1.2.3 kg', '1,2345,6 g'])('"%s" is no amount', (said) => {
    expect(() => parseQuantity(said)).toThrow(RangeError);
  });
});

describe('a figure in a field', () => {
  it.each([
    ['250', 'g', 250],
    ['2,5', 'g', 2.5],
    ['2.5', 'g', 2.5],
    ['1 250', 'g', 1250],
    ['1\u202f250,5', 'g', 1250.5],
    ['1,250', 'g', 1250],
    ['0,250', 'kg', 0.25],
    ['250 g', 'kg', 0.25],
    ['1 lb 6 oz', 'g', 22 * 28.349523125],
    ['½ l', 'ml', 500],
    ['2 1/4', 'in', 2.25],
    ['3 5/8 in', 'mm', 3.625 * 25.4],
    ['12 mm', 'in', 12 / 25.4],
    ['190 F', 'C', 87.7777777],
    ['88°C', 'C', 88],
    ['−4', 'C', -4],
    ['3,42', '', 3.42],
    ['65 %', '', 65],
    ['47.2 °Bx', '', 47.2],
    ['pH 3.4'.slice(3), '', 3.4],
  ] as const)('%s in %s is %d', (text, unit, value) => {
    expect(figureOf(text, { unit })).toBeCloseTo(value, 5);
  });
  it.each([
    ['', { unit: 'g' }],
    ['   ', { unit: '' }],
  ] as const)('"%s" is empty, which is no figure and no fault', (text, options) => {
    expect(readFigure(text, options)).toEqual({ value: null });
  });
  it.each([
    ['a few', { unit: 'g' }, /Write for instance/],
    ['1,500', { unit: 'kg' }, /1\.5 or 1500/],
    ['12..5', { unit: '' }, /not a number/],
    ['1e9', { unit: '' }, /not a number/],
    ['Infinity', { unit: 'g' }, /Write for instance/],
    ['NaN', { unit: '' }, /not a number/],
    ['3 cups', { unit: 'g' }, /not in g/],
    ['8 to 9', { unit: 'g' }, /more than one figure/],
    ['40 g', { unit: 'C' }, /not a temperature/],
    ['15', { unit: '', max: 14 }, /Not over 14/],
    ['-1', { unit: 'g', min: 0 }, /Not under 0 g/],
    ['2.5', { unit: '', whole: true }, /whole number/],
  ] as const)('"%s" is refused with what to write instead', (text, options, words) => {
    expect(readFigure(text, options as FigureOptions).problem).toMatch(words);
  });
  it('is never anything but a number, nothing, or a sentence, whatever is typed', () => {
    const units = ['g', 'kg', 'ml', 'in', 'C', ''] as const;
    fc.assert(
      fc.property(fc.string(), fc.constantFrom(...units), (text, unit) => {
        const { value, problem } = readFigure(text, { unit });
        if (problem === undefined) expect(value === null || Number.isFinite(value)).toBe(true);
        else expect(problem.length).toBeGreaterThan(10);
      }),
    );
  });
  it('reads what any country writes of the same number alike', () => {
    const cents = fc.integer({ min: 0, max: 99_999_999 });
    fc.assert(
      fc.property(cents, (n) => {
        for (const locale of ['en', 'de', 'fr', 'de-CH', 'sv']) {
          const text = new Intl.NumberFormat(locale, { minimumFractionDigits: 2 }).format(n / 100);
          expect(figureOf(text, { unit: 'g' }), `${text} (${locale})`).toBeCloseTo(n / 100, 6);
        }
      }),
    );
  });
});

describe('a price', () => {
  it.each([
    ['6.50', 'GBP', 650],
    ['6,50', 'EUR', 650],
    ['£6.50', 'GBP', 650],
    ['6.5', 'USD', 650],
    ['1,234', 'USD', 123_400],
    ['1.234', 'EUR', 123_400],
    ['1.234,50', 'EUR', 123_450],
    ['1,234.50', 'USD', 123_450],
    ['1 234,50 €', 'EUR', 123_450],
    // Three digits behind one sign are thousands where the currency has two or none.
    ['6.505', 'GBP', 650_500],
    ['1,500', 'JPY', 1500],
    ['1500', 'JPY', 1500],
    ['12.345', 'KWD', null],
    ['12.3450', 'KWD', 12_345],
    ['12.34', 'KWD', 12_340],
    ['', 'GBP', null],
  ] as const)('%s in %s is %s', (text, currency, minor) => {
    const read = readPrice(text, currency);
    if (text !== '' && minor === null) expect(read.problem).toMatch(/write it as/);
    else expect(read).toEqual({ minor });
  });
  it.each([
    ['about 6', 'GBP'],
    ['0.125', 'USD'],
    ['1.5', 'JPY'],
    ['-3', 'GBP'],
    ['6,5,0', 'GBP'],
    ['free', 'GBP'],
  ])('"%s" in %s is refused, never guessed', (text, currency) => {
    const read = readPrice(text, currency);
    expect(read.problem).toMatch(/Write it as/);
  });
  it.each([
    ['$18.99', 'GBP'],
    ['€ 4', 'USD'],
    ['18.99 USD', 'GBP'],
    ['12 kr', 'EUR'],
  ])('"%s" is no price in %s: what it is there is asked', (text, currency) => {
    expect(readPrice(text, currency).problem).toMatch(/another currency/);
  });
  it.each([
    ['£18.99', 'GBP', 1899],
    ['$18.99', 'USD', 1899],
    ['$18.99', 'CAD', 1899],
    ['CA$18.99', 'CAD', 1899],
    ['18.99 GBP', 'GBP', 1899],
    ['12 kr', 'SEK', 1200],
    ['¥1500', 'JPY', 1500],
  ])('"%s" in %s bears its own sign', (text, currency, minor) => {
    expect(readPrice(text, currency)).toEqual({ minor });
  });
  it('of every currency comes back as it is shown', () => {
    const currencies = ['GBP', 'EUR', 'USD', 'JPY', 'KWD', 'CHF'];
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 9_999_999 }),
        fc.constantFrom(...currencies),
        (minor, currency) => {
          const digits = { JPY: 0, KWD: 3 }[currency] ?? 2;
          const plain = (minor / 10 ** digits).toFixed(digits);
          if (digits === 3) return;
          expect(readPrice(plain, currency).minor).toBe(minor);
        },
      ),
    );
  });
});

describe('an elevation', () => {
  it.each([
    ['720 m', 720],
    ['2,360 ft', 719.328],
    ['2360 feet', 719.328],
    ['2 360 ft', 719.328],
    ["2360'", 719.328],
    ['−12 m', -12],
    ['719,3 m', 719.3],
  ])('reads %s', (text, metres) => {
    expect(readElevation(text).value).toBeCloseTo(metres, 9);
  });

  it('asks for the unit, and refuses what is no place to cook at', () => {
    expect(readElevation('')).toEqual({ value: null });
    for (const text of ['2360', 'high', '9000 m', '20000 ft', '1,2,3 m'])
      expect(readElevation(text).problem, text).toMatch(/m,? or/);
  });
});
