import type { Ingredient, Range } from '../types.ts';
import { FDA, fruit, per100g } from './make.ts';

const SHARES =
  'shares by weight: typical; acidity: that of the juice on its share of the fruit, the pith’s buffer at its most';
const WHOLE =
  'Whole, it brings its pith and pips: bitter within minutes of blending and more every day, and they set with sugar. Strain within the hour, or take zest and juice.';

interface Citrus {
  each: number;
  shares: readonly [zest: number, pith: number, juice: number, pips: number];
  parts: readonly [number, number, number, number, number];
  ph: Range;
  ta: Range;
  also?: readonly string[];
  caution?: string;
}

/** A whole citrus fruit, peel and pips with it. */
function whole(id: string, name: string, labelName: string, citrus: Citrus): Ingredient {
  const [zest, pith, juice, pips] = citrus.shares;
  return fruit(
    id,
    name,
    citrus.parts,
    citrus.ph,
    citrus.ta,
    { citric: 0.92, malic: 0.08 },
    {
      ...{ labelName, pectinRich: true, shares: { zest, pith, juice, pips } },
      gramsPerPiece: {
        each: citrus.each,
        half: citrus.each / 2,
        slice: citrus.each / 8,
        wedge: citrus.each / 8,
      },
      caution: citrus.caution ?? WHOLE,
      ...(citrus.also ? { also: citrus.also } : {}),
      source: `composition: USDA FoodData Central, fruit with its peel or near it; ${FDA} (juice); ${SHARES}`,
    },
  );
}

interface Peel {
  each: number;
  fruit: string;
  also?: readonly string[];
}

/** The peel of a citrus fruit, as zest or pared. */
function peel(id: string, name: string, { each, fruit: of, also = [] }: Peel): Ingredient {
  return {
    ...fruit(id, name, [76, 1, 2.8, 2.8, 10.6], [3.9, 4.4, 5.0], [0.15, 0.3, 0.5], {
      citric: 0.7,
      malic: 0.3,
    }),
    ...{ labelName: name.toLowerCase(), family: 'flavouring', pectinRich: true },
    gramsPerPiece: { each, [of]: each, strip: Math.max(1, Math.round(each / 8)), twist: 2 },
    gramsPerMl: { cup: 96 / 236.588, spoon: 96 / 236.588 },
    also: [...also, `${of} zest`, `zest of ${of}`, `peel of ${of}`, `${of} rind`],
    caution: 'Left too long, peel turns bitter.',
    source: 'composition: USDA FoodData Central, orange peel; pH and acidity: typical',
  };
}

export const citrus: readonly Ingredient[] = [
  whole('lemon', 'Lemons, whole', 'lemons', {
    each: 100,
    ...{ shares: [0.1, 0.22, 0.65, 0.03], parts: [87.4, 0.3, 1.0, 1.1, 4.7] },
    ...{ ph: [2.2, 2.5, 2.9], ta: [2.4, 3.2, 4.0], also: ['lemon', 'lemon fruit'] },
  }),
  whole('meyer-lemon', 'Meyer lemons, whole', 'Meyer lemons', {
    each: 95,
    ...{ shares: [0.09, 0.16, 0.72, 0.03], parts: [88, 1.0, 1.8, 1.9, 3.5] },
    ...{ ph: [2.4, 2.8, 3.3], ta: [1.6, 2.3, 3.2], also: ['meyer lemon'] },
    caution:
      'Sweeter and less sour than other lemons: it does not stand in for them where acid is counted on. Whole, its pith turns bitter.',
  }),
  whole('lime', 'Limes, whole', 'limes', {
    each: 67,
    ...{ shares: [0.11, 0.18, 0.68, 0.03], parts: [88.3, 0.2, 0.7, 0.7, 2.8] },
    ...{ ph: [2.1, 2.5, 2.9], ta: [2.8, 3.7, 4.7], also: ['lime'] },
  }),
  whole('orange', 'Oranges, whole', 'oranges', {
    each: 180,
    ...{ shares: [0.09, 0.22, 0.66, 0.03], parts: [82.3, 3.5, 2.5, 2.7, 4.5] },
    ...{ ph: [3.5, 3.9, 4.4], ta: [0.4, 0.65, 1.0], also: ['orange', 'sweet orange', 'navel orange'] },
  }),
  whole('blood-orange', 'Blood oranges, whole', 'blood oranges', {
    each: 150,
    ...{ shares: [0.09, 0.2, 0.69, 0.02], parts: [84, 3.5, 2.3, 2.6, 3.5] },
    ...{ ph: [3.2, 3.6, 4.1], ta: [0.6, 0.9, 1.4], also: ['blood orange'] },
  }),
  whole('seville-orange', 'Seville oranges, whole', 'Seville oranges', {
    each: 150,
    ...{ shares: [0.1, 0.3, 0.52, 0.08], parts: [84, 1.0, 2.0, 2.0, 5.0] },
    ...{ ph: [2.6, 3.0, 3.5], ta: [1.3, 2.0, 2.8], also: ['seville orange', 'bitter orange', 'sour orange'] },
  }),
  whole('grapefruit', 'Grapefruit, whole', 'grapefruit', {
    each: 300,
    ...{ shares: [0.08, 0.25, 0.65, 0.02], parts: [88, 1.8, 1.6, 1.8, 3.5] },
    ...{ ph: [3.0, 3.4, 3.9], ta: [0.7, 1.0, 1.5] },
    caution: 'Grapefruit changes how some medicines act. Whole, its pith turns bitter within minutes.',
  }),
  whole('pomelo', 'Pomelo, whole', 'pomelo', {
    each: 900,
    ...{ shares: [0.06, 0.4, 0.52, 0.02], parts: [88, 3.5, 1.5, 1.6, 3.5] },
    ...{ ph: [3.3, 3.8, 4.4], ta: [0.35, 0.6, 0.9] },
    caution: 'Like grapefruit it changes how some medicines act. Its pith is half of it, and bitter.',
  }),
  whole('mandarin', 'Mandarins, whole', 'mandarins', {
    each: 88,
    ...{ shares: [0.09, 0.13, 0.76, 0.02], parts: [85.2, 6.0, 2.1, 2.4, 2.0] },
    ...{
      ph: [3.3, 3.8, 4.5],
      ta: [0.4, 0.7, 1.1],
      also: ['mandarin', 'mandarin orange'],
    },
  }),
  whole('kumquat', 'Kumquats, whole', 'kumquats', {
    each: 19,
    ...{ shares: [0.2, 0.15, 0.6, 0.05], parts: [80.9, 2.3, 3.4, 3.6, 6.5] },
    ...{ ph: [3.4, 3.8, 4.3], ta: [0.9, 1.4, 2.1] },
    caution: 'Eaten with its peel. The pips set with sugar and turn bitter: take them out.',
  }),
  whole('calamansi', 'Calamansi, whole', 'calamansi', {
    each: 20,
    ...{ shares: [0.14, 0.12, 0.66, 0.08], parts: [87.0, 0.4, 1.2, 1.2, 3.5] },
    ...{ ph: [2.2, 2.5, 2.9], ta: [3.0, 4.0, 5.2], also: ['calamondin'] },
  }),
  whole('yuzu', 'Yuzu, whole', 'yuzu', {
    each: 110,
    ...{ shares: [0.15, 0.35, 0.3, 0.2], parts: [83.7, 0.5, 1.7, 1.8, 6.9] },
    ...{ ph: [2.4, 2.8, 3.3], ta: [1.3, 2.0, 2.9] },
  }),
  whole('bergamot', 'Bergamots, whole', 'bergamots', {
    each: 130,
    ...{ shares: [0.12, 0.3, 0.54, 0.04], parts: [86.0, 0.8, 1.3, 1.3, 4.5] },
    ...{ ph: [2.3, 2.7, 3.2], ta: [1.8, 2.6, 3.5], also: ['bergamot orange'] },
  }),
  whole('citron', 'Citron, whole', 'citron', {
    each: 500,
    ...{ shares: [0.12, 0.58, 0.25, 0.05], parts: [87.0, 0.5, 1.5, 1.5, 5.0] },
    ...{ ph: [2.6, 3.1, 3.8], ta: [0.7, 1.3, 2.1] },
  }),
  peel('lime-peel', 'Lime peel', { each: 10, fruit: 'lime' }),
  peel('grapefruit-peel', 'Grapefruit peel', { each: 60, fruit: 'grapefruit' }),
  peel('mandarin-peel', 'Mandarin peel', {
    each: 18,
    fruit: 'mandarin',
  }),
  peel('blood-orange-peel', 'Blood orange peel', { each: 28, fruit: 'blood orange' }),
  peel('seville-orange-peel', 'Seville orange peel', {
    each: 40,
    fruit: 'seville orange',
    also: ['bitter orange peel', 'bitter orange zest'],
  }),
  peel('yuzu-peel', 'Yuzu peel', { each: 16, fruit: 'yuzu' }),
  peel('bergamot-peel', 'Bergamot peel', { each: 25, fruit: 'bergamot' }),
  {
    ...peel('dried-orange-peel', 'Orange peel, dried', { each: 8, fruit: 'dried orange' }),
    ...{ per100g: per100g([9, 4, 10, 10, 38]), dried: true, formOf: 'orange-peel' },
    acidity: {
      kind: 'juice',
      ph: [4.0, 4.5, 4.9],
      taPer100g: [0.15, 0.3, 0.45],
      split: { citric: 0.7, malic: 0.3 },
      freshWater: 72.5,
      times: 3.3,
    },
    gramsPerMl: { cup: 0.4, spoon: 0.42 },
  },
  {
    ...peel('dried-lemon-peel', 'Lemon peel, dried', { each: 4, fruit: 'dried lemon' }),
    ...{ per100g: per100g([9, 2, 9, 9, 45]), dried: true, formOf: 'lemon-peel' },
    acidity: {
      kind: 'juice',
      ph: [3.9, 4.3, 4.8],
      taPer100g: [0.2, 0.35, 0.5],
      split: { citric: 0.7, malic: 0.3 },
      freshWater: 81.6,
      times: 4.9,
    },
    gramsPerMl: { cup: 0.4, spoon: 0.42 },
  },
];
