import { parseJot } from '@inch/core/jot';
import { hurdles } from '@inch/core/keeping';
import {
  batchVolume,
  bottleSize,
  celsiusOf,
  degreesApart,
  degreesShown,
  limitOfHeat,
  METRIC,
  pricePerWeightShown,
  readFigure,
  signedWeight,
  temperature,
  unitsFrom,
  volume,
  volumeOfShown,
  volumeShown,
  weight,
  weightOfShown,
  weightShown,
  weightSign,
  weightSizeOf,
} from '@inch/core/quantity';
import fc from 'fast-check';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';

beforeEach(() => unitsFrom(() => ({ temperature: 'F', weight: 'us', locale: 'en-US', cup: 'us' })));
afterEach(() => unitsFrom(() => METRIC));

describe('a kitchen that reads °F', () => {
  it.each([
    [0, '32 °F'],
    [5, '41 °F'],
    [21, '70 °F'],
    [90, '194 °F'],
    [100, '212 °F'],
    [-18, '0 °F'],
  ])('%d °C is %s', (celsius, said) => {
    expect(temperature(celsius).replace('-0', '0')).toBe(said);
  });

  it('has limits with the °C of their rule beside, and differences without the 32', () => {
    expect(limitOfHeat(90)).toBe('194 °F (90 °C)');
    expect(degreesApart(40)).toBe('72 °F');
  });

  it('types a bare figure in °F, and any figure with its own degrees', () => {
    expect(readFigure('190', { unit: 'C' }).value).toBeCloseTo(87.78, 2);
    expect(readFigure('190°', { unit: 'C' }).value).toBeCloseTo(87.78, 2);
    expect(readFigure('88 C', { unit: 'C' }).value).toBe(88);
    expect(readFigure('212 F', { unit: 'C' }).value).toBe(100);
    expect(readFigure('300', { unit: 'C', max: 130 }).problem).toBe('Not over 266 °F.');
  });

  it('jots in °F', () => {
    expect(parseJot('t 190').raw).toBeCloseTo(87.78, 2);
    expect(parseJot('t 190').understood).toBe('Temperature 190.0 °F');
    expect(parseJot('t 88c').raw).toBe(88);
    expect(parseJot('b 31.4 @81').celsius).toBeCloseTo(27.22, 2);
  });

  it('reads what it shows', () =>
    fc.assert(
      fc.property(fc.double({ min: -20, max: 130, noNaN: true }), (celsius) => {
        expect(Math.abs(celsiusOf(degreesShown(celsius)) - celsius)).toBeLessThan(0.03);
      }),
    ));

  it('says its hurdles in °F', () => {
    const facts = {
      storage: 'cold',
      killStep: true,
      ph: 3.4,
      criticalPh: 4.2,
      heatProcess: null,
      closedHot: null,
    } as const;
    const said = hurdles({
      ...facts,
      sealChecked: null,
      cooledInTime: true,
      freshPieces: false,
      brix: 40,
      aceticPercent: 0,
    } as never);
    expect(said.map(({ limit }) => limit).join()).toMatch(/194 °F \(90 °C\) or boiling/);
  });
});

describe('a kitchen that weighs in pounds', () => {
  it.each([
    [5, '5.0 g'],
    [12.5, '12.5 g'],
    [28.349523125 * 2, '2 oz'],
    [453.59237, '1 lb'],
    [453.59237 * 4.40625, '4 lb 6.5 oz'],
    [453.59237 * 120, '120.0 lb'],
  ])('%d g is %s', (grams, said) => {
    expect(weight(grams)).toBe(said);
  });
});

describe('a kitchen that pours in fluid ounces', () => {
  it.each([
    [29.5735295625 * 8, '8 fl oz', '8 fl oz (237 mL)'],
    [355, '12 fl oz', '12 fl oz (355 mL)'],
    [100, '3.4 fl oz', '3.4 fl oz (100 mL)'],
  ])('%d mL is %s', (ml, said, size) => {
    expect([volume(ml), bottleSize(ml)]).toEqual([said, size]);
  });

  it('says a batch in quarts: 32 fl oz', () => {
    expect(batchVolume(4 * 946.352946)).toBe('4.00 qt');
  });

  it('types a bare figure off its own jug, to the millilitre, and any other with its measure', () => {
    const jug = { unit: 'ml', kitchens: true } as const;
    expect(readFigure('8', jug).value).toBe(237);
    expect(readFigure('12 oz', jug).value).toBeCloseTo(354.88, 2);
    expect(readFigure('250 mL', jug).value).toBe(250);
    expect(readFigure('1 1/2 pints', jug).value).toBeCloseTo(709.76, 2);
    expect(readFigure('2 lb', jug).problem).toMatch(/not in mL/);
    expect(readFigure('1', { ...jug, min: 59.147 }).problem).toBe('Not under 2 fl oz.');
    // What is measured with a pipette is in mL wherever it is.
    expect(readFigure('10', { unit: 'ml' }).value).toBe(10);
  });

  it('means the ounce of its own cups', () => {
    unitsFrom(() => ({ temperature: 'C', weight: 'us', locale: 'en-GB', cup: 'imperial' }));
    expect(volume(568.261)).toBe('20 fl oz');
    expect(readFigure('1 pint', { unit: 'ml' }).value).toBeCloseTo(568.26, 2);
  });

  it('reads what it shows, within what a jug is read to', () =>
    fc.assert(
      fc.property(fc.double({ min: 20, max: 20_000, noNaN: true }), (ml) => {
        expect(Math.abs(volumeOfShown(volumeShown(ml)) - ml)).toBeLessThan(0.7);
      }),
    ));
});

describe('a metric kitchen', () => {
  it('stays as it was', () => {
    unitsFrom(() => METRIC);
    expect([temperature(88.04, 1), limitOfHeat(-18), weight(250), degreesApart(40)]).toEqual([
      '88.0 °C',
      '−18 °C',
      '250 g',
      '40 °C',
    ]);
    expect([volume(375), volume(12.5, 1), bottleSize(1000), batchVolume(2504)]).toEqual([
      '375 mL',
      '12.5 mL',
      '1\u202f000 mL',
      '2.50 L',
    ]);
    expect(readFigure('88', { unit: 'C' }).value).toBe(88);
    expect(readFigure('250', { unit: 'ml', kitchens: true }).value).toBe(250);
    expect(readFigure('1 cup', { unit: 'ml' }).problem).toMatch(/Which country's cup/);
    expect(parseJot('t 88').raw).toBe(88);
  });
});

describe('a weight as it is typed', () => {
  const POUND = 453.59237; // g by definition (NIST Handbook 44, appendix C)
  it('is ounces or pounds where the kitchen weighs in them, and grams where it is acid or spice', () => {
    expect(readFigure('16', { unit: 'g', kitchens: true }).value).toBeCloseTo(POUND, 1);
    expect(readFigure('2', { unit: 'kg', kitchens: true }).value! * 1000).toBeCloseTo(2 * POUND, 1);
    expect(readFigure('250 g', { unit: 'g', kitchens: true }).value).toBe(250);
    expect([signedWeight('3', 'light'), signedWeight('3 lb', 'light')]).toEqual(['3 oz', '3 lb']);
    expect([weightSizeOf(12), weightSizeOf(300), weightSizeOf(null)]).toEqual(['small', 'light', 'light']);
    expect([weightSign('small'), weightSign('light'), weightSign('heavy')]).toEqual(['g', 'oz', 'lb']);
    expect(readFigure('-1', { unit: 'kg', kitchens: true, min: 0 }).problem).toBe('Not under 0 lb.');
    expect(pricePerWeightShown(1000)).toBeCloseTo(POUND, 5);
  });

  it('comes back as it was shown, in either kind of kitchen', () => {
    for (const weight of ['us', 'metric'] as const) {
      unitsFrom(() => ({ temperature: 'C', weight, locale: 'en-GB', cup: null }));
      fc.assert(
        fc.property(
          fc.double({ min: 0, max: 50_000, noNaN: true }),
          fc.constantFrom('small' as const, 'light' as const, 'heavy' as const),
          (grams, size) => {
            const again = weightOfShown(weightShown(grams, size), size);
            // Half of the last digit that is shown: 0.01 oz, 0.001 lb or 0.01 g, and the tenth of a gram it is read to.
            expect(Math.abs(again - grams)).toBeLessThanOrEqual(size === 'heavy' ? 0.56 : 0.2);
          },
        ),
      );
    }
  });
});
