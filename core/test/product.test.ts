import { brixOf, type Composition, massOf, nothing, solidsOf } from '@inch/core/formula';
import { productAt, productOf } from '@inch/core/lot';
import { densityAt20 } from '@inch/core/sugar';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { releasable } from './support/lot.ts';

const grams = fc.double({ min: 0, max: 5000, noNaN: true });
const composition: fc.Arbitrary<Composition> = fc
  .record({ water: grams, sucrose: grams, glucose: grams, fructose: grams, otherSolids: grams })
  .filter((part) => part.sucrose + part.glucose > 1)
  .map((part) => ({ ...nothing(), ...part }));

describe('a product at its measured °Bx', () => {
  it('has the solids that went in, at the °Bx that was read, whatever the pan was reckoned to come to', () =>
    fc.assert(
      fc.property(composition, fc.double({ min: 5, max: 80, noNaN: true }), (part, brix) => {
        const made = productAt(part, brix);
        expect(solidsOf(made.composition)).toBeCloseTo(solidsOf(part), 6);
        expect(brixOf(made.composition)).toBeCloseTo(brix, 6);
        expect(made.grams).toBeCloseTo((100 * solidsOf(part)) / brix, 3);
        // Mass over density is volume.
        expect(made.millilitres).toBeCloseTo(made.grams / densityAt20(brix), 3);
      }),
    ));
  it('is as it was reckoned where nothing was measured', () =>
    fc.assert(
      fc.property(composition, (part) => {
        expect(productAt(part, null).composition).toEqual(part);
        expect(productAt(part, null).grams).toBeCloseTo(massOf(part), 6);
      }),
    ));
  it('is as it was reckoned where spirit is in it, which a refractometer reads among the solids', () => {
    const liqueur = { ...nothing(), water: 500, sucrose: 300, ethanol: 200 };
    expect(productAt(liqueur, 38).composition).toEqual(liqueur);
  });
  it('is what a lot came to, by the last reading of its finished product that counts', () => {
    const lot = releasable();
    const reading = { ...lot.readings[1]!, kind: 'brix' as const };
    const withBrix = (...values: [number, boolean][]) => ({
      ...lot,
      readings: [
        ...lot.readings,
        ...values.map(([value, counts], i) => ({ ...reading, id: `b${i}`, value, counts })),
      ],
    });
    const reckoned = productOf(lot);
    expect(brixOf(productOf(withBrix([52, true])).composition)).toBeCloseTo(52, 6);
    expect(brixOf(productOf(withBrix([52, true], [48, true])).composition)).toBeCloseTo(48, 6);
    expect(productOf(withBrix([20, false]))).toEqual(reckoned);
  });
});
