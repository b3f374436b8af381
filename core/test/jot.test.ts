import { shippedCatalogue } from '@inch/core/ingredient';
import { jotsIn, parseJot, weighedAddition } from '@inch/core/jot';
import { lotCode } from '@inch/core/lot';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { draws } from '../../scripts/src/draws.mjs';
import { spokenNumbers } from '../src/jot/spoken.ts';

type Row = [line: string, kind: string, raw: number | null, celsius?: number];

const TYPED: Row[] = [
  ['b 31.4 @27', 'brix', 31.4, 27],
  ['b31.4@27', 'brix', 31.4, 27],
  ['bx 31,4', 'brix', 31.4],
  ['brix 20 @68F', 'brix', 20, 20],
  ['Brix: 52', 'brix', 52],
  ['brix is 52 at 21 c', 'brix', 52, 21],
  ['sugar 48.5 bx', 'brix', 48.5],
  ['sugar 48.5% at 24', 'brix', 48.5, 24],
  ['31.4 bx', 'brix', 31.4],
  ['31.4 °Bx @ 27', 'brix', 31.4, 27],
  ['31.4 brix at 27 °C', 'brix', 31.4, 27],
  ['refractometer reads 44', 'brix', 44],
  ['b .5', 'brix', 0.5],
  ['b 0', 'brix', 0],
  ['ph 3.42', 'ph', 3.42],
  ['PH3.1', 'ph', 3.1],
  ['pH: 3,3', 'ph', 3.3],
  ['ph is 3.42', 'ph', 3.42],
  ['ph reads 3.42 at 21', 'ph', 3.42, 21],
  ['p.h. 2.9', 'ph', 2.9],
  ['ph 3.42 @ 70F', 'ph', 3.42, 21.11],
  ['ta 12.6/10', 'ta', 8.069],
  ['ta 12.6 on 10', 'ta', 8.069],
  ['ta 12.6 ml on 10 ml', 'ta', 8.069],
  ['TA 25.2/20', 'ta', 8.069],
  ['ta 6.3/10 0.2n', 'ta', 8.069],
  ['ta 6.3/10 with 0.2 N', 'ta', 8.069],
  ['titration 12,6 over 10', 'ta', 8.069],
  ['titratable acidity is 12.6 in 10', 'ta', 8.069],
  ['ta 8.1 g/l', 'ta', 8.1],
  ['titratable acidity 8.1 grams per litre', 'ta', 8.1],
  ['t 88', 'temperature', 88],
  ['t88', 'temperature', 88],
  ['t 176F', 'temperature', 80],
  ['temp 101.5 c', 'temperature', 101.5],
  ['temperature is 90', 'temperature', 90],
  ['temperature reads 194 fahrenheit', 'temperature', 90],
  ['thermometer 61', 'temperature', 61],
  ['88 degrees', 'temperature', 88],
  ['88 °C', 'temperature', 88],
  ['88° c', 'temperature', 88],
  ['212 f', 'temperature', 100],
  ['100 celsius', 'temperature', 100],
  ['176 degrees fahrenheit', 'temperature', 80],
  ['m 2.41 kg', 'mass', 2410],
  ['m 1 lb 6 oz', 'mass', 623.69],
  ['w 850 g', 'mass', 850],
  ['weight 2 kilos', 'mass', 2000],
  ['weighs 3 lb', 'mass', 1360.78],
  ['weight is 812 g', 'mass', 812],
  ['scale 4.5 kg', 'mass', 4500],
  ['2.41 kg', 'mass', 2410],
  ['850g', 'mass', 850],
  ['mass 1,250 g', 'mass', 1250],
  ['d 3 5/8 in', 'depth', 92.075],
  ['d 3 5/8', 'depth', 92.075],
  ['d 3⅝ in', 'depth', 92.075],
  ['dip 92 mm', 'depth', 92],
  ['dip 92', 'depth', 92],
  ['depth 9.2 cm', 'depth', 92],
  ['depth is 3.5 in', 'depth', 88.9],
  ['ruler 4 in', 'depth', 101.6],
  ['level at 110 mm', 'depth', 110],
  ['3 5/8 in', 'depth', 92.075],
  ['92 mm', 'depth', 92],
  ['note cloudy, second strain', 'note', null],
  ['the cloth slipped', 'note', null],
  ['note: ph 3.4 by the old meter', 'note', null],
  ['Note b 31', 'note', null],
  ['m two mugs', 'note', null],
  ['14 x 250 ml', 'note', null],
  ['boiled over at ten', 'note', null],
  ['b', 'note', null],
  ['ph', 'note', null],
  ['ph good', 'note', null],
  ['brix rising', 'note', null],
  ['ta', 'note', null],
  ['ta 5/0', 'note', null],
  ['t hot', 'note', null],
  ['d', 'note', null],
  ['3', 'note', null],
  ['one of the jars is nicked', 'note', null],
  ['add', 'note', null],
  ['add a bit more', 'note', null],
  ['in the pan since eight', 'note', null],
];

const DICTATED: Row[] = [
  ['brix thirty one point four at twenty seven', 'brix', 31.4, 27],
  ['Brix thirty-one point four at twenty-seven', 'brix', 31.4, 27],
  ['sugar fifty two percent', 'brix', 52],
  ['fifty two brix', 'brix', 52],
  ['brix is twelve', 'brix', 12],
  ['refractometer reads forty four point five', 'brix', 44.5],
  ['p h three point four two', 'ph', 3.42],
  ['ph three point oh five', 'ph', 3.05],
  ['pH is two point nine.', 'ph', 2.9],
  ['ph four', 'ph', 4],
  ['ta twelve point six on ten', 'ta', 8.069],
  ['titration twelve point six over ten', 'ta', 8.069],
  ['temperature eighty eight', 'temperature', 88],
  ['temperature one hundred and one', 'temperature', 101],
  ['temperature a hundred', 'note', null],
  ['temp one hundred seventy six fahrenheit', 'temperature', 80],
  ['eighty eight degrees', 'temperature', 88],
  ['ninety point five degrees celsius', 'temperature', 90.5],
  ['weight two point four one kilos', 'mass', 2410],
  ['weight eight hundred and fifty grams', 'mass', 850],
  ['weighs two and a half kilos', 'mass', 2500],
  ['eight fifty grams', 'mass', 850],
  ['mass one pound six ounces', 'mass', 623.69],
  ['depth three and five eighths inches', 'depth', 92.075],
  ['dip four and a quarter inches', 'depth', 107.95],
  ['dip ninety two millimetres', 'depth', 92],
  ['depth three and a half inches', 'depth', 88.9],
  ['level is five eighths of an inch or so', 'note', null],
  ['it is getting thick', 'note', null],
  ['note three jars left', 'note', null],
];

const ADDED: [line: string, id: string, grams: number][] = [
  ['add 12 g citric', 'citric-anhydrous', 12],
  ['added 12g citric acid', 'citric-anhydrous', 12],
  ['add twelve grams citric', 'citric-anhydrous', 12],
  ['add 1.5 kg sugar', 'sugar', 1500],
  ['put in 200 g of honey', 'honey', 200],
  ['add 2 cups sugar', 'sugar', 400],
  ['add two cups of sugar', 'sugar', 400],
  ['plus 250 ml water', 'water', 249.5],
  ['add a', '', 0],
  ['add 1 lb damsons', 'damson', 453.59],
  ['add 10 g cloves', 'clove', 10],
  ['add 100 ml lemon juice', 'lemon-juice', 103],
];

const near = (jot: ReturnType<typeof parseJot>, [, kind, raw, celsius]: Row) => {
  expect(jot.kind).toBe(kind);
  if (raw === null) expect(jot.raw).toBeNull();
  else expect(jot.raw!).toBeCloseTo(raw, 2);
  if (celsius === undefined) expect(jot.celsius).toBeNull();
  else expect(jot.celsius!).toBeCloseTo(celsius, 1);
};

describe('a jotted line', () => {
  it('is held against at least 120 phrases', () => {
    expect(TYPED.length + DICTATED.length + ADDED.length).toBeGreaterThanOrEqual(120);
  });
  it.each(TYPED)('typed: %s', (...row) => near(parseJot(row[0]), row));
  it.each(DICTATED)('dictated: %s', (...row) => near(parseJot(row[0]), row));
  it.each(ADDED)('what goes in: %s', (line, id, grams) => {
    const jot = parseJot(line);
    if (id === '' && jot.kind === 'note') return;
    const weighed = weighedAddition(jot.addition!, { catalogue: shippedCatalogue, cup: 'us' });
    if (id === '') expect(weighed).toHaveProperty('asks');
    else expect(weighed).toMatchObject({ ingredientId: id, grams: expect.closeTo(grams, 0) });
  });

  it('shows the correction before it is kept', () => {
    expect(parseJot('b 31.4 @27').understood).toBe('Sugar 32.0 °Bx at 20 °C (read 31.4 at 27 °C)');
    expect(parseJot('ta 12.6/10').understood).toBe('Acid 8.07 g/L as citric (12.6 mL of 0.1 N on 10 mL)');
    expect(parseJot('d 3 5/8 in').understood).toBe('Depth 3 5/8 in, 92 mm');
  });
  it('of bottles says where they are counted, and is kept as a note', () => {
    expect(parseJot('14 x 250 ml').understood).toMatch(
      /^Note: 14 bottles of 250 mL\. Count them under Bottling/,
    );
    expect(parseJot('fourteen by two fifty')).toMatchObject({
      note: 'fourteen by two fifty',
      understood: expect.stringMatching(/14 bottles of 250 mL/),
    });
  });
  it('goes to the lot whose code is in it, wherever it stands', () => {
    const code = lotCode(702);
    for (const line of [
      `${code.toLowerCase()} ph 3.2`,
      `ph 3.2 ${code}`,
      `lot ${code} ph 3.2`,
      `ph three point two lot ${code}`,
    ])
      expect(parseJot(line), line).toMatchObject({ lotCode: code, kind: 'ph', raw: 3.2 });
    expect(parseJot('ph 3.2').lotCode).toBeNull();
  });
  it('asks what was meant of an addition that names several things, or none', () => {
    const asked = (line: string) =>
      weighedAddition(parseJot(line).addition!, { catalogue: shippedCatalogue, cup: 'us' });
    expect(asked('add 200 g currants')).toMatchObject({ asks: expect.stringMatching(/Which is meant/) });
    expect(asked('add 3 g moonbeams')).toMatchObject({ asks: expect.stringMatching(/not in the catalogue/) });
    expect(asked('add 8 oz sugar')).toMatchObject({ asks: expect.stringMatching(/weight or by volume/) });
  });
  it('never throws and never drops a word', () => {
    const words = fc.constantFrom(
      'b',
      'ph',
      'ta',
      't',
      'm',
      'd',
      'add',
      'note',
      'at',
      '@',
      'point',
      'and',
      'a',
      'half',
      'fifty',
      'one',
      'hundred',
      '3',
      '5/8',
      'in',
      'g',
      'x',
      '/',
      'sugar',
      'lot',
      '⅝',
    );
    const lines = fc.oneof(
      fc.string(),
      fc.array(words, { maxLength: 9 }).map((list) => list.join(' ')),
    );
    fc.assert(
      fc.property(lines, (line) => {
        const jot = parseJot(line);
        expect(jot.text).toBe(line.trim());
        expect(jot.understood).not.toBe('');
        expect(jot.raw === null || Number.isFinite(jot.raw)).toBe(true);
        if (
          jot.kind === 'note' &&
          jot.lotCode === null &&
          !/^Note: \d+ bottles/.test(jot.understood) &&
          !/^note\b/i.test(jot.text)
        )
          expect(jot.understood).toBe(`Note: ${jot.text}`);
        if (jot.addition)
          expect(weighedAddition(jot.addition, { catalogue: shippedCatalogue, cup: 'us' })).toBeDefined();
      }),
      { numRuns: draws(2000) },
    );
  });
});

describe('numbers as they are spoken', () => {
  it.each([
    ['thirty one point four', '31.4'],
    ['two hundred and fifty', '250'],
    ['two fifty', '250'],
    ['three seventy five', '375'],
    ['twelve', '12'],
    ['point nine', '0.9'],
    ['three and five eighths', '3 5/8'],
    ['two and a half', '2 1/2'],
    ['three quarters', '3/4'],
    ['half', '1/2'],
    ['salt and pepper', 'salt and pepper'],
    ['sixteen sixteenths', '16/16'],
  ])('"%s" is %s', (said, figures) => {
    expect(spokenNumbers(said)).toBe(figures);
  });
});

describe('a dictated depth', () => {
  it('is shown in figures, to be looked at', () => {
    for (const said of ['dip three and five eighths inches', 'dip 3 5/8 in', 'dip 3 5/8'])
      expect(parseJot(said)).toMatchObject({ kind: 'depth', understood: 'Depth 3 5/8 in, 92 mm' });
  });
});

describe('several things said in one line', () => {
  it.each([
    [
      'put in another half cup of sugar and it’s at two and a quarter inches',
      [
        ['add', null],
        ['depth', 57.15],
      ],
    ],
    [
      "I've added 12 g of citric, and it's at 31 brix",
      [
        ['add', null],
        ['brix', 31],
      ],
    ],
    [
      'ph 3.42; b 31.4 @27',
      [
        ['ph', 3.42],
        ['brix', 31.4],
      ],
    ],
    ['the thermometer says 88 degrees', [['temperature', 88]]],
    ['it smells good and 31 brix is what I want', [['note', null]]],
    ['two lids and a ring were bent', [['note', null]]],
  ])('“%s”', (line, expected) => {
    const read = jotsIn(line).map(({ kind, raw }) => [kind, raw === null ? null : Number(raw.toFixed(2))]);
    expect(read).toEqual(expected);
  });

  it('are of the lot and the time that the line names', () => {
    const code = lotCode(702);
    const all = jotsIn(`${code} ph 3.42 and 31 brix at 9:40`);
    expect(all.map(({ lotCode: of }) => of)).toEqual([code, code]);
    expect(all.every(({ when }) => when !== null)).toBe(true);
    // Read alone, the second is of the same time.
    expect(parseJot(all[1]!.text)).toMatchObject({ kind: 'brix', raw: 31, when: all[0]!.when });
    expect(parseJot(jotsIn('ph 3.42 and 31 brix 10 min ago')[1]!.text).when).toEqual({ minutesAgo: 10 });
  });
});
