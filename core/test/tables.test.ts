import { acidFacts, acidsFromPhAndTa, calibrateMeter, equilibriumPh } from '@inch/core/acid';
import { type HurdleFacts, hurdles, keepingLimit } from '@inch/core/keeping';
import { cupSchools, millilitresIn, parseQuantity, type UnitId, units } from '@inch/core/quantity';
import { correctRefractometer } from '@inch/core/sugar';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

/** AOAC 932.14 in full: to subtract under 20 °C, to add above. */
const BRIX = [0, 5, 10, 15, 20, 25, 30, 40, 50, 60, 70];
const TABLE: [number, string][] = [
  [10, '.50 .54 .58 .61 .64 .66 .68 .72 .74 .76 .79'],
  [12, '.42 .45 .48 .50 .52 .54 .56 .58 .60 .61 .63'],
  [14, '.33 .35 .37 .39 .40 .41 .42 .44 .45 .46 .48'],
  [16, '.22 .24 .25 .26 .27 .28 .28 .30 .30 .31 .32'],
  [18, '.12 .13 .13 .14 .14 .14 .14 .15 .15 .16 .16'],
  [20, '0 0 0 0 0 0 0 0 0 0 0'],
  [22, '.13 .13 .14 .14 .15 .15 .15 .15 .16 .16 .16'],
  [24, '.26 .27 .28 .29 .30 .30 .31 .31 .31 .32 .32'],
  [26, '.40 .42 .43 .44 .45 .46 .47 .48 .48 .48 .48'],
  [28, '.56 .58 .60 .61 .62 .63 .63 .64 .64 .64 .64'],
  [30, '.72 .74 .77 .78 .79 .80 .80 .81 .81 .81 .81'],
];

describe('the refractometer table, cell by cell', () => {
  it.each(TABLE)('at %d °C', (celsius, row) => {
    for (const [i, text] of row.split(' ').entries()) {
      const published = Number(text) * Math.sign(celsius - 20 || 1);
      expect(correctRefractometer({ reading: BRIX[i]!, celsius }).correction, `${BRIX[i]} °Bx`).toBeCloseTo(
        published,
        9,
      );
    }
  });
  it('between the cells never leaves the four around it', () => {
    const at = fc.record({
      reading: fc.double({ min: 0, max: 70, noNaN: true }),
      celsius: fc.double({ min: 10, max: 30, noNaN: true }),
    });
    fc.assert(
      fc.property(at, ({ reading, celsius }) => {
        const { correction, brix, extrapolated } = correctRefractometer({ reading, celsius });
        expect(Math.abs(correction)).toBeLessThanOrEqual(0.81 + 1e-9);
        expect(Math.sign(correction) * Math.sign(celsius - 20)).toBeGreaterThanOrEqual(0);
        expect(brix).toBeCloseTo(Math.max(0, reading + correction), 9);
        expect(extrapolated).toBe(false);
      }),
    );
  });
  it('rises with the temperature of the sample', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 5, max: 70, noNaN: true }),
        fc.double({ min: 5, max: 44, noNaN: true }),
        (reading, celsius) => {
          expect(correctRefractometer({ reading, celsius: celsius + 1 }).correction).toBeGreaterThan(
            correctRefractometer({ reading, celsius }).correction,
          );
        },
      ),
    );
  });
});

describe('units, every one', () => {
  it.each(Object.keys(units) as UnitId[])('%s is known by all its spoken names', (id) => {
    for (const word of units[id].spoken) {
      if (['c', 'x'].includes(word)) continue;
      const { unit } = parseQuantity(`2 ${word}`);
      expect([id, 'oz'].includes(unit) || unit === id, `2 ${word} is ${unit}`).toBe(true);
    }
  });
  it.each(Object.entries(cupSchools))(
    '%s: three teaspoons are a tablespoon, save in Australia',
    (id, school) => {
      expect(school.tbsp / school.tsp).toBeCloseTo(id === 'australian' ? 4 : 3, 6);
      expect(school.cup).toBeGreaterThanOrEqual(200);
      expect(school.quart).toBeCloseTo(2 * school.pint, 6);
      expect(school.gallon).toBeCloseTo(4 * school.quart, 6);
    },
  );
  it('a volume that is none is refused', () => {
    expect(() => millilitresIn('kg', 'us')).toThrow(/not a volume/);
    expect(() => millilitresIn('tsp', undefined)).toThrow(/Which country/);
    expect(millilitresIn('l', undefined)).toBe(1000);
  });
});

describe('acids', () => {
  it('have their pKa in order and a molar mass that a chemist would know', () => {
    for (const [name, { pKa, molarMass }] of Object.entries(acidFacts)) {
      for (let i = 1; i < pKa.length; i++) expect(pKa[i]! > pKa[i - 1]!, name).toBe(true);
      expect(molarMass, name).toBeGreaterThan(45);
    }
  });
  it.each([
    // half-neutralised: pH is near pKa, off it by the ions' activity (Davies at I about 0.05: 0.09)
    ['acetic', 4.756],
    ['lactic', 3.858],
    ['sorbic', 4.756],
    ['benzoic', 4.204],
  ] as const)('%s half neutralised stands a little under its pKa of %d', (acid, pKa) => {
    const { ph } = equilibriumPh({ acids: { [acid]: 0.1 }, baseEquivalents: 0.05 });
    expect(pKa - ph).toBeGreaterThan(0.05);
    expect(pKa - ph).toBeLessThan(0.12);
  });
  it('of two strengths the stronger makes the lower pH', () => {
    const ph = (acid: 'oxalic' | 'citric' | 'acetic') =>
      equilibriumPh({ acids: { [acid]: 0.1 }, baseEquivalents: 0 }).ph;
    expect(ph('oxalic')).toBeLessThan(ph('citric'));
    expect(ph('citric')).toBeLessThan(ph('acetic'));
  });
  it('diluting a sharp juice never lowers its pH', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 2.6, max: 3.8, noNaN: true }),
        fc.double({ min: 8, max: 20, noNaN: true }),
        fc.double({ min: 1.05, max: 4, noNaN: true }),
        (ph, ta, k) => {
          const juice = (() => {
            try {
              return acidsFromPhAndTa({ ph, taCitric: ta, split: { citric: 0.5, malic: 0.5 } });
            } catch {
              return null;
            }
          })();
          fc.pre(juice !== null);
          const acids = Object.fromEntries(
            Object.entries(juice!.acids).map(([name, mol]) => [name, mol / k]),
          );
          const diluted = equilibriumPh({ acids, baseEquivalents: juice!.baseEquivalents / k }).ph;
          expect(diluted).toBeGreaterThanOrEqual(equilibriumPh(juice!).ph - 0.02);
        },
      ),
    );
  });
  it('a meter is read the same whatever temperature its buffers stood at', () => {
    // At 10 °C the slope is 56.18 mV per pH and the buffers are 7.06 and 4.00
    const slope = (59.16 * 283.15) / 298.15;
    const verdict = calibrateMeter([
      { buffer: 7, mv: (7 - 7.06) * slope, celsius: 10 },
      { buffer: 4.01, mv: (7 - 4.0) * slope, celsius: 10 },
    ]);
    expect(verdict.slopePercent).toBeCloseTo(100, 6);
    expect(verdict.offsetMv).toBeCloseTo(0, 6);
    expect(() =>
      calibrateMeter([
        { buffer: 7, mv: 0, celsius: 50 },
        { buffer: 4.01, mv: 177, celsius: 20 },
      ]),
    ).toThrow(/between 0 and 40/);
  });
});

describe('hurdles and the date agree', () => {
  const flag = fc.constantFrom(true, false, null);
  const facts: fc.Arbitrary<HurdleFacts> = fc.record({
    storage: fc.constantFrom('shelf' as const, 'cold' as const, 'frozen' as const, null),
    ph: fc.option(fc.double({ min: 2, max: 7, noNaN: true })),
    killStep: flag,
    heatProcess: flag,
    closedHot: flag,
    sealChecked: flag,
    cooledInTime: flag,
    freshPieces: flag,
    brix: fc.option(fc.double({ min: 0, max: 80, noNaN: true })),
    aceticPercent: fc.option(fc.double({ min: 0, max: 5, noNaN: true })),
    abv: fc.option(fc.double({ min: 0, max: 40, noNaN: true })),
    measuredWaterActivity: fc.option(fc.double({ min: 0.6, max: 1, noNaN: true })),
  });
  it('nothing carries what has no date, and what carries is met', () => {
    fc.assert(
      fc.property(facts, (f) => {
        const list = hurdles(f);
        const carrying = list.filter((h) => h.carries);
        if (keepingLimit(f).class === 'none') expect(carrying).toEqual([]);
        for (const h of carrying) expect(h.met, h.id).toBe(true);
        if (['shelf', 'cold'].includes(keepingLimit(f).class)) expect(carrying.length).toBeGreaterThan(0);
      }),
    );
  });
  it('sugar never carries by itself, nor spirit under 15 %, nor a water activity nobody measured', () => {
    fc.assert(
      fc.property(facts, (f) => {
        const ids = hurdles({ ...f, measuredWaterActivity: null })
          .filter((h) => h.carries)
          .map((h) => h.id);
        expect(ids).not.toContain('water');
        expect(ids).not.toContain('alcohol');
      }),
    );
  });
});
