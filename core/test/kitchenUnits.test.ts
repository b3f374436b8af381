import { parseJot } from '@inch/core/jot';
import { hurdles } from '@inch/core/keeping';
import {
  celsiusOf,
  degreesApart,
  degreesShown,
  limitOfHeat,
  METRIC,
  readFigure,
  temperature,
  unitsFrom,
  weight,
} from '@inch/core/quantity';
import fc from 'fast-check';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';

beforeEach(() => unitsFrom(() => ({ temperature: 'F', weight: 'us', locale: 'en-US' })));
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

describe('a metric kitchen', () => {
  it('stays as it was', () => {
    unitsFrom(() => METRIC);
    expect([temperature(88.04, 1), limitOfHeat(-18), weight(250), degreesApart(40)]).toEqual([
      ...['88.0 °C', '−18 °C', '250 g', '40 °C'],
    ]);
    expect(readFigure('88', { unit: 'C' }).value).toBe(88);
    expect(parseJot('t 88').raw).toBe(88);
  });
});
