import type { Acids } from '../../acid/index.ts';
import type { Ingredient, Range } from '../types.ts';
import { FDA, FDC, fruit, lowAcid, TABLES } from './make.ts';

const TYPICAL = `${FDC}; pH and acidity: typical of published tables; measure your own`;
const RAW = 'Pressed and never heated it counts as unpasteurised: acid and cold do not change that.';

type Parts = readonly [number, number, number, number, number];

/** A juice, pressed or squeezed and never heated, at 1.04 g/mL. */
const juice = (
  id: string,
  name: string,
  parts: Parts,
  ph: Range,
  ta: Range,
  split: Acids,
  rest: Partial<Ingredient> = {},
): Ingredient =>
  fruit(id, name, parts, ph, ta, split, {
    ...{
      labelName: name.split(',')[0]!.toLowerCase(),
      family: 'juice',
      gramsPerMl: { cup: 1.04 },
      liquid: true,
    },
    ...{ caution: RAW, source: TYPICAL, ...rest },
  });

/** The same out of a carton or bottle, pasteurised by its maker. */
const carton = {
  heated: true,
  caution: 'As its maker pasteurised it: once open, it keeps like any opened juice.',
} as const;

const low = { family: 'juice', liquid: true, gramsPerMl: { cup: 1.03 } } as const;

/** Juices beyond the ones that every kitchen has. */
export const moreJuices: readonly Ingredient[] = [
  juice(
    'grape-juice',
    'Grape juice, pressed',
    [84.0, 0.1, 7.0, 7.3, 0.2],
    [2.8, 3.3, 3.8],
    [0.5, 0.8, 1.2],
    { tartaric: 0.55, malic: 0.45 },
    { gramsPerMl: { cup: 1.06 } },
  ),
  juice(
    'bottled-grape-juice',
    'Grape juice, pasteurised',
    [84.5, 0.1, 7.1, 7.4, 0.1],
    [3.1, 3.4, 3.8],
    [0.4, 0.6, 0.9],
    { tartaric: 0.55, malic: 0.45 },
    { gramsPerMl: { cup: 1.06 }, formOf: 'grape-juice', ...carton },
  ),
  juice(
    'bottled-apple-juice',
    'Apple juice, pasteurised',
    [88.2, 1.3, 2.6, 5.7, 0.1],
    [3.35, 3.6, 4.0],
    [0.3, 0.45, 0.7],
    { malic: 0.95, citric: 0.05 },
    { gramsPerMl: { cup: 1.047 }, formOf: 'apple-juice', ...carton },
  ),
  juice('pear-juice', 'Pear juice, pressed', [86.0, 0.7, 2.0, 6.5, 0.2], [3.5, 3.9, 4.5], [0.15, 0.3, 0.45], {
    malic: 0.75,
    citric: 0.25,
  }),
  juice(
    'cranberry-juice',
    'Cranberry juice, unsweetened',
    [87.1, 0.1, 4.0, 4.0, 0.1],
    [2.3, 2.5, 2.7],
    [1.8, 2.2, 2.7],
    { citric: 0.42, malic: 0.28, quinic: 0.3 },
    { labelName: 'cranberry juice', ...carton },
  ),
  juice(
    'cherry-juice',
    'Sour cherry juice',
    [85.2, 0.5, 4.7, 4.2, 0.1],
    [3.2, 3.4, 3.8],
    [1.1, 1.5, 2.0],
    { malic: 0.93, citric: 0.07 },
    { also: ['tart cherry juice', 'morello juice'] },
  ),
  juice(
    'blackcurrant-juice',
    'Blackcurrant juice',
    [85.5, 0.5, 3.2, 4.0, 0.2],
    [2.7, 2.9, 3.1],
    [2.6, 3.3, 4.0],
    { citric: 0.88, malic: 0.12 },
  ),
  juice(
    'redcurrant-juice',
    'Redcurrant juice',
    [87.5, 0.4, 3.2, 3.6, 0.1],
    [2.8, 2.95, 3.1],
    [1.9, 2.3, 2.8],
    { citric: 0.85, malic: 0.15 },
  ),
  juice('raspberry-juice', 'Raspberry juice', [90.5, 0.2, 2.2, 2.7, 0.3], [3.1, 3.35, 3.8], [1.2, 1.6, 2.1], {
    citric: 0.95,
    malic: 0.05,
  }),
  juice(
    'strawberry-juice',
    'Strawberry juice',
    [91.5, 0.4, 2.0, 2.5, 0.3],
    [3.1, 3.4, 3.9],
    [0.6, 0.85, 1.2],
    { citric: 0.82, malic: 0.18 },
  ),
  juice('plum-juice', 'Plum juice', [85.5, 1.5, 5.0, 3.3, 0.3], [2.9, 3.4, 4.3], [0.45, 0.85, 1.4], {
    malic: 0.9,
    quinic: 0.1,
  }),
  juice(
    'rhubarb-juice',
    'Rhubarb juice',
    [94.5, 0.2, 0.5, 0.6, 0.1],
    [3.0, 3.2, 3.4],
    [1.0, 1.4, 1.9],
    { malic: 0.75, oxalic: 0.15, citric: 0.1 },
    { gramsPerMl: { cup: 1.02 } },
  ),
  juice(
    'pineapple-juice',
    'Pineapple juice, fresh',
    [86.4, 4.5, 2.5, 2.8, 0.2],
    [3.3, 3.5, 3.7],
    [0.5, 0.75, 1.1],
    { citric: 0.8, malic: 0.2 },
  ),
  juice(
    'bottled-pineapple-juice',
    'Pineapple juice, pasteurised',
    [86.4, 4.5, 2.5, 2.8, 0.2],
    [3.3, 3.5, 3.7],
    [0.5, 0.75, 1.1],
    { citric: 0.8, malic: 0.2 },
    { formOf: 'pineapple-juice', ...carton },
  ),
  juice(
    'bottled-orange-juice',
    'Orange juice, pasteurised',
    [88.4, 4.0, 2.0, 2.3, 0.3],
    [3.5, 3.8, 4.15],
    [0.55, 0.75, 1.0],
    { citric: 0.85, malic: 0.15 },
    { formOf: 'orange-juice', ...carton },
  ),
  juice(
    'blood-orange-juice',
    'Blood orange juice',
    [88.0, 3.5, 2.2, 2.6, 0.2],
    [3.1, 3.5, 3.9],
    [0.8, 1.2, 1.7],
    { citric: 0.88, malic: 0.12 },
    { gramsPerPiece: { each: 70, 'blood orange': 70 } },
  ),
  juice(
    'mandarin-juice',
    'Mandarin juice',
    [88.9, 5.5, 2.0, 2.4, 0.2],
    [3.3, 3.7, 4.4],
    [0.5, 0.8, 1.2],
    { citric: 0.88, malic: 0.12 },
    {
      gramsPerPiece: { each: 40, mandarin: 40 },
    },
  ),
  juice(
    'seville-orange-juice',
    'Seville orange juice',
    [88.5, 1.0, 2.2, 2.2, 0.2],
    [2.4, 2.8, 3.2],
    [2.5, 3.5, 4.6],
    { citric: 0.92, malic: 0.08 },
    { gramsPerPiece: { each: 50 }, also: ['bitter orange juice', 'sour orange juice'] },
  ),
  juice(
    'yuzu-juice',
    'Yuzu juice',
    [91.0, 0.5, 0.8, 0.8, 0.3],
    [2.2, 2.5, 2.9],
    [4.0, 5.0, 6.0],
    { citric: 0.93, malic: 0.07 },
    { gramsPerPiece: { each: 25 } },
  ),
  juice(
    'bergamot-juice',
    'Bergamot juice',
    [90.5, 0.5, 1.5, 1.5, 0.2],
    [2.2, 2.5, 2.9],
    [3.8, 4.8, 5.8],
    { citric: 0.94, malic: 0.06 },
    { gramsPerPiece: { each: 45 } },
  ),
  juice(
    'meyer-lemon-juice',
    'Meyer lemon juice',
    [90.5, 1.0, 1.8, 1.8, 0.3],
    [2.4, 2.7, 3.1],
    [2.2, 3.2, 4.2],
    { citric: 0.94, malic: 0.06 },
    {
      gramsPerPiece: { each: 45 },
      caution: 'Less sour than other lemons: it does not stand in for them where acid is counted on.',
    },
  ),
  juice(
    'verjuice',
    'Verjuice',
    [92.5, 0.1, 1.5, 1.5, 0.1],
    [2.5, 2.8, 3.2],
    [1.5, 2.4, 3.4],
    { malic: 0.55, tartaric: 0.45 },
    { gramsPerMl: { cup: 1.02 }, also: ['verjus'] },
  ),
  juice(
    'passion-fruit-juice',
    'Passion fruit juice',
    [85.6, 3.2, 4.2, 3.2, 0.3],
    [2.7, 2.9, 3.3],
    [2.5, 3.4, 4.3],
    { citric: 0.88, malic: 0.12 },
  ),
  juice(
    'sea-buckthorn-juice',
    'Sea buckthorn juice',
    [88.0, 0.1, 1.5, 0.5, 2.0],
    [2.5, 2.8, 3.2],
    [1.8, 2.8, 4.0],
    { malic: 0.7, quinic: 0.3 },
  ),
  juice(
    'aloe-juice',
    'Aloe juice, acidified',
    [98.0, 0, 0.3, 0.3, 0.2],
    [3.3, 3.7, 4.2],
    [0.15, 0.3, 0.5],
    { citric: 0.9, malic: 0.1 },
    { labelName: 'aloe juice', lowAcid: true, ...carton, also: ['aloe vera juice', 'aloe juice'] },
  ),
  lowAcid('tomato-juice', 'Tomato juice', [94.2, 0, 1.2, 1.4, 0.4], [4.1, 4.35, 4.6], {
    ...low,
    minerals: [217, 10, 11, 30],
  }),
  lowAcid('carrot-juice', 'Carrot juice', [88.9, 2.5, 0.9, 0.9, 0.8], [5.9, 6.3, 6.5], {
    ...low,
    minerals: [292, 24, 14, 66],
  }),
  lowAcid('beet-juice', 'Beetroot juice', [88.0, 7.0, 0.3, 0.3, 0.2], [5.3, 5.9, 6.6], {
    ...low,
    minerals: [350, 15, 23, 78],
    also: ['beet juice'],
  }),
  lowAcid('cucumber-juice', 'Cucumber juice', [96.0, 0, 0.8, 0.9, 0.1], [5.1, 5.4, 5.8], {
    ...low,
    gramsPerMl: { cup: 1.01 },
    minerals: [147, 16, 13],
  }),
  lowAcid('celery-juice', 'Celery juice', [95.5, 0.1, 0.5, 0.5, 0.1], [5.6, 5.8, 6.0], {
    ...low,
    allergens: ['celery'],
    minerals: [260, 40, 11, 80],
  }),
  lowAcid('ginger-juice', 'Ginger juice', [93.0, 0.2, 0.8, 0.8, 0.5], [5.4, 5.7, 6.0], {
    ...low,
    gramsPerMl: { cup: 1.02 },
    minerals: [415, 16, 43],
  }),
  lowAcid('watermelon-juice', 'Watermelon juice', [91.8, 1.2, 1.6, 3.4, 0.1], [5.2, 5.4, 5.6], {
    ...low,
    minerals: [112, 7, 10],
  }),
  lowAcid('elderberry-juice', 'Elderberry juice, pasteurised', [88.0, 0.2, 3.8, 4.0, 0.2], [3.8, 4.2, 4.7], {
    ...low,
    labelName: 'elderberry juice',
    heated: true,
    minerals: [288, 5, 20],
    also: ['elderberry juice'],
    source: TYPICAL,
  }),
  lowAcid('prune-juice', 'Prune juice', [81.2, 0.1, 8.0, 4.0, 1.0], [3.9, 3.96, 4.2], {
    ...low,
    heated: true,
    minerals: [276, 12, 14],
    source: `${FDC}; ${FDA}; ${TABLES}`,
  }),
  lowAcid('sugar-cane-juice', 'Sugar cane juice', [82.0, 14.5, 1.0, 1.0, 0.3], [5.0, 5.3, 5.6], {
    ...low,
    gramsPerMl: { cup: 1.06 },
    minerals: [150, 18, 13],
    also: ['cane juice'],
  }),
];
