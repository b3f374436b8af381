import { shippedCatalogue } from '@inch/core/ingredient';
import {
  allergensIn,
  cautionLines,
  dateLine,
  declaredAllergens,
  facesOf,
  ingredientStatement,
  juicePercent,
  labelWords,
  leastText,
  netContents,
  netContentsHeight,
  netWeight,
  quantitiesOf,
  type StatementLine,
  sulphitesPpm,
} from '@inch/core/label';
import { describe, expect, it } from 'vitest';

/** Each case: the rule, what it is asked of, what the program says, and what the rule's own text or example says. */
type Case = readonly [rule: string, what: string, said: unknown, expected: unknown];

const went = (grams: Record<string, number>): StatementLine[] =>
  Object.entries(grams).map(([ingredientId, g]) => ({ ingredientId, grams: g }));
const us = (grams: Record<string, number>) => ingredientStatement(went(grams)).text;
const eu = (grams: Record<string, number>) =>
  ingredientStatement(went(grams), shippedCatalogue, { pack: 'eu' }).text;
const heightUs = (heightMm: number, diameterMm: number, shape?: 'flat-sided') =>
  Math.round((netContentsHeight('us', { nominalMl: 250, heightMm, diameterMm, shape }) / 25.4) * 16);
const heightEu = (nominalMl: number) => netContentsHeight('eu', { nominalMl, heightMm: 98, diameterMm: 75 });
const date = (day: string, of: Partial<Parameters<typeof dateLine>[1]> = {}): string =>
  dateLine(day, {
    pack: 'eu',
    language: 'en',
    style: 'short',
    dateWord: 'best-by',
    madeOn: '2026-11-24',
    ...of,
  });
const share = (grams: Record<string, number>, finishedGrams: number, name: string) =>
  quantitiesOf({ lines: went(grams), finishedGrams, name }, shippedCatalogue).map((q) => [
    q.name,
    q.percent === null ? null : Math.round(q.percent * 10) / 10,
    q.per100g === null ? null : Math.round(q.per100g * 10) / 10,
  ]);
const caution = (
  grams: Record<string, number>,
  of: { millilitres?: number; waterParts?: number; abv?: number; name?: string } = {},
) => {
  const finishedGrams = Object.values(grams).reduce((a, b) => a + b, 0);
  return cautionLines(
    {
      lines: went(grams),
      millilitres: of.millilitres ?? finishedGrams,
      waterParts: of.waterParts ?? 0,
      finishedGrams,
      abv: of.abv ?? 0,
      name: of.name ?? 'Hill drink',
    },
    labelWords.en,
    shippedCatalogue,
  ).map((c) => c.text);
};
const juice = (grams: Record<string, number>, millilitres: number, waterParts = 0) =>
  Math.round(juicePercent({ lines: went(grams), kept: 1, millilitres, waterParts }, shippedCatalogue));

const NET: Case[] = [
  // 101.7(m)(2): "Net contents 56 fluid ounces (1 quart 1 pint 8 ounces)", not "1 quart 24 ounces".
  ['21 CFR 101.7(m)(2)', '56 fl oz', netContents(1656, 'us'), '56 fl oz (1 qt 1 pt 8 fl oz) 1.656 L'],
  // 101.7(m)(1): "Net Wt. 24 oz. (1 lb. 8 oz.)".
  ['21 CFR 101.7(m)(1)', '24 oz', netWeight(680, 'us'), 'Net wt 24 oz (1 lb 8 oz) 680 g'],
  ['21 CFR 101.7(j)', 'under a pint, ounces alone', netContents(237, 'us'), '8 fl oz (237 mL)'],
  ['21 CFR 101.7(j)', 'a pint', netContents(473, 'us'), '16 fl oz (1 pt) 473 mL'],
  ['21 CFR 101.7(j)', 'a quart', netContents(946, 'us'), '32 fl oz (1 qt) 946 mL'],
  ['21 CFR 101.7(j)', 'just under a pint', netContents(470, 'us'), '15.8 fl oz (470 mL)'],
  ['21 CFR 101.7(j)', 'half a litre', netContents(500, 'us'), '16.9 fl oz (1 pt 0.9 fl oz) 500 mL'],
  ['21 CFR 101.7(j)', 'a litre', netContents(1000, 'us'), '33.8 fl oz (1 qt 1.8 fl oz) 1 L'],
  [
    '21 CFR 101.7(j)',
    'three quarters of a litre',
    netContents(750, 'us'),
    '25.3 fl oz (1 pt 9.3 fl oz) 750 mL',
  ],
  ['21 CFR 101.7(j)', 'under a pound', netWeight(340, 'us'), 'Net wt 12 oz (340 g)'],
  ['Reg. 1169/2011 Art. 23', 'liquids by volume', netContents(250, 'eu'), '250 mL'],
  ['Reg. 1169/2011 Art. 23', 'in litres', netContents(1500, 'eu'), '1.5 L'],
  ['Reg. 1169/2011 Art. 23', 'by weight', netWeight(1250.6, 'eu'), '1.25 kg'],
];

const TYPE: Case[] = [
  // 101.7(i)(1)–(5), by the principal panel: 40 % of height × circumference of a cylinder, 101.1(b).
  ['21 CFR 101.7(i)(1)', '≤ 5 in²: 1/16 in', heightUs(60, 35), 1],
  ['21 CFR 101.7(i)(2)', '14.3 in²: 1/8 in', heightUs(98, 75), 2],
  ['21 CFR 101.7(i)(3)', '25 to 100 in²: 3/16 in', heightUs(200, 90), 3],
  ['21 CFR 101.7(i)(4)', '100 to 400 in²: 1/4 in', heightUs(350, 200), 4],
  ['21 CFR 101.7(i)(5)', 'over 400 in²: 1/2 in', heightUs(600, 400), 8],
  // 101.1(a): one whole side of a rectangular package. 180 × 60 mm is 16.7 in².
  ['21 CFR 101.1(a)', 'a flat side', heightUs(180, 60, 'flat-sided'), 2],
  [
    '21 CFR 101.1(b)',
    '40 % of height × circumference: 10 × 10 cm',
    Math.round(facesOf({ nominalMl: 500, heightMm: 100, diameterMm: 100 }).principalCm2 * 10) / 10,
    125.7,
  ],
  [
    '21 CFR 101.1',
    'shoulder and neck left out',
    Math.round(facesOf({ nominalMl: 500, heightMm: 200, diameterMm: 100, wallMm: 100 }).principalCm2 * 10) /
      10,
    125.7,
  ],
  ['76/211/EEC Annex I 3.1', 'to 50 mL: 2 mm', heightEu(50), 2],
  ['76/211/EEC Annex I 3.1', 'to 200 mL: 3 mm', heightEu(200), 3],
  ['76/211/EEC Annex I 3.1', 'to 1 L: 4 mm', heightEu(1000), 4],
  ['76/211/EEC Annex I 3.1', 'above: 6 mm', heightEu(1001), 6],
  [
    '21 CFR 101.2(c)',
    '1/16 in',
    leastText('us', { nominalMl: 237, heightMm: 98, diameterMm: 75 }).xHeightMm,
    1.5875,
  ],
  [
    'Reg. 1169/2011 Art. 13(2)',
    '1.2 mm',
    leastText('eu', { nominalMl: 250, heightMm: 190, diameterMm: 60 }).xHeightMm,
    1.2,
  ],
  [
    'Reg. 1169/2011 Art. 13(3)',
    'largest face under 80 cm²: 0.9 mm',
    leastText('eu', { nominalMl: 40, heightMm: 60, diameterMm: 38 }).xHeightMm,
    0.9,
  ],
];

const LIST: Case[] = [
  ['21 CFR 101.4(a)(1)', 'descending by weight', us({ sugar: 900, damson: 1000 }), 'damsons, sugar'],
  ['21 CFR 101.4(a)(1)', 'equal weights by name', us({ sugar: 0.3, damson: 0.1 + 0.2 }), 'damsons, sugar'],
  [
    '21 CFR 101.4(a)(1)',
    'the same the other way round',
    us({ damson: 0.3, sugar: 0.1 + 0.2 }),
    'damsons, sugar',
  ],
  [
    '21 CFR 101.4(b)',
    'like names joined',
    us({ 'citric-anhydrous': 3, sugar: 4, 'citric-monohydrate': 2 }),
    'citric acid, sugar',
  ],
  [
    '21 CFR 101.22(j)',
    'a preservative with its function',
    us({ sugar: 100, 'potassium-sorbate': 1 }),
    'sugar, potassium sorbate (preservative)',
  ],
  ['21 CFR 101.22(j)', 'an acid needs none', us({ sugar: 100, 'malic-acid': 1 }), 'sugar, malic acid'],
  [
    'Reg. 1169/2011 Annex VII C',
    'category, then name',
    eu({ sugar: 100, 'citric-anhydrous': 1 }),
    'sugar, acid (citric acid)',
  ],
  [
    'Reg. 1169/2011 Annex VII C',
    'ascorbic acid by its function',
    eu({ sugar: 100, 'ascorbic-acid': 1 }),
    'sugar, antioxidant (ascorbic acid)',
  ],
  [
    'Reg. 1169/2011 Annex VII C',
    'a preservative',
    eu({ sugar: 100, 'sodium-benzoate': 1 }),
    'sugar, preservative (sodium benzoate)',
  ],
  [
    'Reg. 1169/2011 Annex VII C',
    'a sweetener',
    eu({ sugar: 100, sucralose: 1 }),
    'sugar, sweetener (sucralose)',
  ],
  [
    'Reg. 1169/2011 Annex VII C',
    'a gelling agent',
    eu({ sugar: 100, pectin: 1 }),
    'sugar, gelling agent (pectin powder)',
  ],
];

const ALLERGENS: Case[] = [
  ['21 USC 321(qq)', 'tree nuts', allergensIn(went({ almond: 5 }), 'us'), ['tree-nuts']],
  [
    '21 USC 343(w)(2)',
    'the kind of nut',
    declaredAllergens(went({ 'almond-extract': 5 }), 'us')[0]?.nuts,
    ['almonds'],
  ],
  ['21 USC 321(qq)', 'sesame is the ninth', allergensIn(went({ 'sesame-seed': 5 }), 'us'), ['sesame']],
  ['21 USC 321(qq)', 'celery is none', allergensIn(went({ celery: 5 }), 'us'), []],
  ['21 USC 321(qq)', 'mustard is none', allergensIn(went({ 'mustard-seed': 5 }), 'us'), []],
  ['Reg. 1169/2011 Annex II (9)', 'celery', allergensIn(went({ 'celery-seed': 5 }), 'eu'), ['celery']],
  ['Reg. 1169/2011 Annex II (10)', 'mustard', allergensIn(went({ 'mustard-seed': 5 }), 'eu'), ['mustard']],
  ['Reg. 1169/2011 Annex II (7)', 'milk', allergensIn(went({ buttermilk: 5 }), 'eu'), ['milk']],
  ['Reg. 1169/2011 Annex II (1)', 'barley', allergensIn(went({ 'malt-vinegar': 5 }), 'eu'), ['barley']],
  [
    'Reg. 1169/2011 Art. 21(1)(b)',
    'set apart in the list',
    eu({ sugar: 100, 'celery-seed': 1 }),
    'sugar, CELERY seed',
  ],
  ['Reg. 1169/2011 Art. 21(1)(b)', 'a nut by its kind', eu({ sugar: 100, almond: 1 }), 'sugar, ALMONDS'],
  [
    'Reg. 1169/2011 Art. 21(1)',
    'named where the name does not say it',
    eu({ sugar: 100, 'bottled-lemon-juice': 50 }),
    'sugar, lemon juice (SULPHITES)',
  ],
  // 800 mg/kg × 12.4 g in 1 kg is 9.9 mg/kg; × 12.5 g is 10.
  [
    '21 CFR 101.100(a)(4)',
    'under 10 ppm: not',
    allergensIn(went({ sugar: 987.6, 'bottled-lemon-juice': 12.4 }), 'us'),
    [],
  ],
  [
    '21 CFR 101.100(a)(4)',
    'from 10 ppm: declared',
    allergensIn(went({ sugar: 987.5, 'bottled-lemon-juice': 12.5 }), 'us'),
    ['sulphites'],
  ],
  [
    'Reg. 1169/2011 Annex II (12)',
    'more than 10 mg/kg',
    allergensIn(went({ sugar: 950, 'bottled-lemon-juice': 50 }), 'eu'),
    ['sulphites'],
  ],
  [
    'Reg. 1169/2011 Annex II (12)',
    'as total SO₂ of the product, boiled down',
    Math.round(sulphitesPpm(went({ sugar: 900, 'wine-vinegar': 100 }), shippedCatalogue, 500)!),
    15,
  ],
];

const SHARES: Case[] = [
  [
    'Reg. 1169/2011 Art. 22, Annex VIII 3(a)',
    'as it went in',
    share({ damson: 400, sugar: 600 }, 1000, 'Damson cordial'),
    [['damsons', 40, null]],
  ],
  // Annex VIII 3(b): lost moisture: of the finished product. 400 g in 800 g is 50 %.
  [
    'Reg. 1169/2011 Annex VIII 3(b)',
    'after a loss',
    share({ damson: 400, sugar: 600 }, 800, 'Damson cordial'),
    [['damsons', 50, null]],
  ],
  // Annex VIII 3(b): over 100 %: the weight used to prepare 100 g.
  [
    'Reg. 1169/2011 Annex VIII 3(b)',
    'over 100 %',
    share({ quince: 1500, sugar: 500 }, 1000, 'Quince concentrate'),
    [['quinces', null, 150]],
  ],
  [
    'Reg. 1169/2011 Art. 22(1)(a)',
    'what the name names',
    share({ ginger: 50, sugar: 950 }, 1000, 'Ginger syrup'),
    [['ginger', 5, null]],
  ],
  [
    'Reg. 1169/2011 Art. 22(1)(a)',
    'not what it does not name',
    share({ ginger: 50, sugar: 950 }, 1000, 'Hill syrup'),
    [],
  ],
  // 101.30(h)(1): single strength from the least °Bx: sour cherry 14.0, strawberry 8.0.
  ['21 CFR 101.30(h)(1)', 'no juice', juice({ sugar: 500 }, 800), 0],
  ['21 CFR 101.30(h)(1)', 'apple at its own strength', juice({ 'apple-juice': 1000 }, 955) >= 95, true],
  [
    '21 CFR 101.30(j)',
    'as the drink is prepared',
    juice({ 'apple-juice': 1000 }, 955, 4),
    Math.round(juice({ 'apple-juice': 1000 }, 955) / 5),
  ],
  [
    'Reg. 1169/2011 Annex VIII 1(a)(iii)',
    'not a little juice for its taste',
    share({ damson: 400, sugar: 580, 'bottled-lemon-juice': 20 }, 1000, 'Damson cordial'),
    [['damsons', 40, null]],
  ],
];

const DATES: Case[] = [
  ['Annex X 1(a)(ii)', 'to three months: with its day', date('2027-02-24'), 'Best before 24 Feb 2027'],
  ['Annex X 1(c)(ii)', 'three to 18 months: month and year', date('2027-11-30'), 'Best before end Nov 2027'],
  ['Annex X 1(c)(ii)', 'never later than the day itself', date('2027-11-23'), 'Best before end Oct 2027'],
  ['Annex X 1(c)(iii)', 'over 18 months: the year', date('2028-12-31'), 'Best before end 2028'],
  ['Annex X 1(c)(iii)', 'a year not full', date('2028-11-30'), 'Best before end 2027'],
  [
    'Annex X 1(a)',
    'a date with its day is always allowed',
    date('2027-11-23', { style: 'day' }),
    'Best before 23 Nov 2027',
  ],
  ['Annex X 2', 'use by: day, month, year', date('2026-11-27', { dateWord: 'use-by' }), 'Use by 27 Nov 2026'],
  [
    'Annex X 1(a), French',
    'à consommer de préférence avant le',
    date('2027-02-24', { language: 'fr' }),
    'À consommer de préférence avant le 24 févr. 2027',
  ],
  [
    'Annex X 1(a), French',
    'avant fin',
    date('2027-11-30', { language: 'fr' }),
    'À consommer de préférence avant fin nov. 2027',
  ],
  [
    'Annex X 1(a), Spanish',
    'antes del',
    date('2027-02-24', { language: 'es' }),
    'Consumir preferentemente antes del 24 feb 2027',
  ],
  [
    'Annex X 2, Spanish',
    'fecha de caducidad',
    date('2026-11-27', { dateWord: 'use-by', language: 'es' }),
    'Fecha de caducidad 27 nov 2026',
  ],
];

const CAUTIONS: Case[] = [
  ['Annex III 2.1', 'a sweetener alone', caution({ water: 999, stevia: 1 }), ['With sweetener(s)']],
  [
    'Annex III 2.2',
    'sugar and sweetener',
    caution({ water: 900, sugar: 99, stevia: 1 }),
    ['With sugar(s) and sweetener(s)'],
  ],
  [
    'Annex III 2.3',
    'aspartame',
    caution({ water: 999, aspartame: 1 })[1],
    'Contains a source of phenylalanine',
  ],
  [
    'Annex III 2.4',
    'more than 10 % polyols',
    caution({ water: 890, xylitol: 110 })[1],
    'Excessive consumption may produce laxative effects',
  ],
  ['Annex III 2.4', '10 % is not more', caution({ water: 900, xylitol: 100 }), ['With sweetener(s)']],
  // 10 g of liquorice with 10 % glycyrrhizic acid in 100 L: 10 mg/L.
  [
    'Annex III 3.1',
    'liquorice from 10 mg/L',
    caution({ water: 99_990, liquorice: 10 }),
    ['Contains liquorice'],
  ],
  ['Annex III 3.1', 'under it nothing', caution({ water: 99_991, liquorice: 9 }), []],
  [
    'Annex III 3.2',
    'from 50 mg/L: hypertension',
    caution({ water: 99_949, liquorice: 51 }),
    ['Contains liquorice – people suffering from hypertension should avoid excessive consumption'],
  ],
  [
    'Annex III 3.2',
    'with alcohol from 300 mg/L',
    caution({ water: 99_949, liquorice: 51 }, { abv: 5 }),
    ['Contains liquorice'],
  ],
  [
    'Annex III 3',
    'of the drink as it is prepared',
    caution({ water: 990, liquorice: 10 }, { waterParts: 99 }),
    ['Contains liquorice'],
  ],
  // 5 g of tea with 3.5 % caffeine in 1 L: 175 mg/L.
  [
    'Annex III 4.1',
    'caffeine over 150 mg/L',
    caution({ water: 995, 'black-tea': 5 })[0],
    'High caffeine content. Not recommended for children or pregnant or breast-feeding women (18 mg per 100 mL)',
  ],
  [
    'Annex III 4.1',
    'not where the name says tea',
    caution({ water: 995, 'black-tea': 5 }, { name: 'Tea cordial' }),
    [],
  ],
  ['Annex III 4.1', '150 mg/L is not more', caution({ water: 1000, 'black-tea': 4.28 }), []],
];

const CASES = [...NET, ...TYPE, ...LIST, ...ALLERGENS, ...SHARES, ...DATES, ...CAUTIONS];

describe('what the United States and the European pack ask of a label', () => {
  it.each(CASES)('%s: %s', (_rule, _what, said, expected) => {
    expect(said).toEqual(expected);
  });
  it('is held against sixty cases at the least', () => {
    expect(CASES.length).toBeGreaterThanOrEqual(60);
  });
});

describe('the straight wall that a label goes on', () => {
  it.each([
    ['as it was measured', { heightMm: 200, diameterMm: 100, wallMm: 90 }, 90],
    ['less shoulder and neck of a bottle, where nobody measured it', { heightMm: 250, diameterMm: 60 }, 150],
    ['most of a jar', { heightMm: 100, diameterMm: 75 }, 72],
    ['a jar still at one and a half times its width', { heightMm: 120, diameterMm: 80 }, 86.4],
  ])('is %s', (_, measures, wall) => {
    expect(facesOf({ nominalMl: 250, ...measures }).wallMm).toBeCloseTo(wall, 9);
  });
});
