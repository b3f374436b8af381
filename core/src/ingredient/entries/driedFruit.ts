import type { Acids } from '../../acid/index.ts';
import type { Ingredient, Range } from '../types.ts';
import { FDA, FDC, fruit, lowAcid } from './make.ts';

const cup = (gramsPerUsCup: number) => ({ cup: gramsPerUsCup / 236.588 });
const DRIED = `${FDC}; acidity: that of the fresh fruit on its dry matter, typical; measure your own`;

interface Drying {
  freshWater: number;
  rest?: Partial<Ingredient>;
}

type Parts = readonly [number, number, number, number, number];

/** A fruit with its water gone: its acids are the fresh fruit's on the same dry matter. */
function dried(
  id: string,
  name: string,
  parts: Parts,
  ph: Range,
  ta: Range,
  split: Acids,
  { freshWater, rest = {} }: Drying,
): Ingredient {
  const times = (100 - parts[0]) / (100 - freshWater);
  return {
    ...fruit(id, name, parts, ph, ta, split, {
      labelName: `dried ${name.split(',')[0]!.toLowerCase()}`,
      dried: true,
      ...rest,
    }),
    acidity: { kind: 'juice', ph, taPer100g: ta, split, freshWater, times },
    source: DRIED,
  };
}

/** More fruit as it is bought dried. */
export const driedFruits: readonly Ingredient[] = [
  dried(
    'raisin',
    'Raisins',
    [15.4, 0.4, 27.8, 29.7, 5.0],
    [3.6, 3.9, 4.1],
    [0.4, 0.6, 0.9],
    { tartaric: 0.6, malic: 0.4 },
    { freshWater: 80.5, rest: { labelName: 'raisins', gramsPerMl: cup(145), formOf: 'red-grape' } },
  ),
  dried(
    'sultana',
    'Sultanas',
    [15.0, 0.4, 28.0, 30.0, 4.0],
    [3.6, 3.9, 4.1],
    [0.4, 0.6, 0.9],
    { tartaric: 0.6, malic: 0.4 },
    {
      freshWater: 80.5,
      rest: {
        labelName: 'sultanas',
        gramsPerMl: cup(145),
        allergens: ['sulphites'],
        formOf: 'white-grape',
        also: ['golden raisin'],
      },
    },
  ),
  dried(
    'zante-currant',
    'Currants, dried',
    [19.2, 0.5, 33.0, 33.0, 6.8],
    [3.5, 3.8, 4.1],
    [0.5, 0.7, 1.0],
    { tartaric: 0.65, malic: 0.35 },
    {
      freshWater: 80.5,
      rest: {
        labelName: 'currants',
        gramsPerMl: cup(144),
        formOf: 'red-grape',
        also: ['zante currant', 'dried currant'],
      },
    },
  ),
  dried(
    'prune',
    'Prunes, stoned',
    [30.9, 0.2, 25.5, 12.5, 7.1],
    [3.6, 3.8, 4.0],
    [0.8, 1.2, 1.7],
    { malic: 0.7, quinic: 0.3 },
    {
      freshWater: 87.2,
      rest: {
        labelName: 'prunes',
        gramsPerMl: cup(174),
        gramsPerPiece: { each: 9 },
        formOf: 'plum',
        also: ['dried plum'],
      },
    },
  ),
  dried(
    'dried-pear',
    'Pears, dried',
    [26.7, 3.0, 15.0, 40.0, 7.5],
    [3.5, 3.9, 4.6],
    [0.2, 0.3, 0.45],
    { malic: 0.75, citric: 0.25 },
    {
      freshWater: 84,
      rest: {
        labelName: 'dried pears',
        allergens: ['sulphites'],
        gramsPerMl: cup(180),
        formOf: 'pear',
      },
    },
  ),
  dried(
    'dried-peach',
    'Yellow peaches, dried',
    [31.8, 15.0, 13.0, 13.5, 8.2],
    [3.3, 3.7, 4.05],
    [0.4, 0.6, 0.9],
    { malic: 0.65, citric: 0.35 },
    {
      freshWater: 88.9,
      rest: {
        labelName: 'dried peaches',
        allergens: ['sulphites'],
        gramsPerMl: cup(160),
        formOf: 'peach',
      },
    },
  ),
  dried(
    'dried-cranberry',
    'Cranberries, dried, sweetened',
    [15.8, 40.0, 18.0, 14.0, 5.3],
    [2.3, 2.5, 2.8],
    [1.9, 2.3, 2.8],
    { citric: 0.42, malic: 0.28, quinic: 0.3 },
    {
      freshWater: 87.3,
      rest: {
        labelName: 'sweetened dried cranberries',
        gramsPerMl: cup(110),
        formOf: 'cranberry',
        also: ['dried cranberry', 'sweetened dried cranberry'],
      },
    },
  ),
  dried(
    'dried-blueberry',
    'Blueberries, dried, sweetened',
    [14.8, 3.0, 33.0, 32.0, 7.5],
    [3.1, 3.25, 3.5],
    [0.4, 0.7, 1.1],
    { citric: 0.88, malic: 0.12 },
    {
      freshWater: 84.2,
      rest: {
        labelName: 'sweetened dried blueberries',
        gramsPerMl: cup(140),
        formOf: 'blueberry',
        also: ['dried blueberry'],
      },
    },
  ),
  dried(
    'dried-raspberry',
    'Raspberries, freeze-dried',
    [4.0, 1.3, 12.8, 16.0, 38.0],
    [3.22, 3.4, 3.95],
    [1.2, 1.6, 2.0],
    { citric: 0.95, malic: 0.05 },
    {
      freshWater: 85.8,
      rest: {
        labelName: 'freeze-dried raspberries',
        gramsPerMl: cup(30),
        formOf: 'raspberry',
        also: ['freeze dried raspberry', 'dried raspberry'],
      },
    },
  ),
  dried(
    'dried-rosehip',
    'Rosehips, dried',
    [10.0, 1.0, 9.0, 8.0, 52.0],
    [3.3, 3.8, 4.4],
    [0.9, 1.4, 2.0],
    { malic: 0.5, citric: 0.4, ascorbic: 0.1 },
    {
      freshWater: 58.7,
      rest: {
        labelName: 'dried rosehips',
        gramsPerMl: cup(110),
        formOf: 'rosehip',
        also: ['dried rose hip'],
        caution: 'The hairs inside irritate: strain through a fine cloth, twice.',
      },
    },
  ),
  dried(
    'dried-barberry',
    'Barberries, dried',
    [15.0, 1.0, 19.0, 19.0, 15.0],
    [2.6, 2.9, 3.3],
    [2.5, 3.5, 4.5],
    { malic: 0.85, citric: 0.15 },
    { freshWater: 78, rest: { labelName: 'dried barberries', gramsPerMl: cup(75), formOf: 'barberry' } },
  ),
  dried(
    'dried-lime',
    'Limes, dried',
    [10.0, 1.0, 5.0, 5.0, 30.0],
    [2.1, 2.5, 3.0],
    [2.8, 3.7, 4.7],
    { citric: 0.95, malic: 0.05 },
    {
      freshWater: 88.3,
      rest: {
        labelName: 'dried limes',
        gramsPerPiece: { each: 6 },
        formOf: 'lime',
        also: ['dried lime', 'loomi', 'black lime'],
        caution: 'Bitter with its pips: prick them, and steep them whole.',
      },
    },
  ),
  dried(
    'goji-berry',
    'Goji berries, dried',
    [7.5, 1.0, 22.0, 22.0, 13.0],
    [3.9, 4.3, 4.8],
    [0.3, 0.45, 0.7],
    { citric: 0.8, malic: 0.2 },
    {
      freshWater: 78,
      rest: { labelName: 'goji berries', lowAcid: true, gramsPerMl: cup(110), also: ['goji', 'goji berry'] },
    },
  ),
  lowAcid('dried-fig', 'Figs, dried', [30.1, 0.1, 24.8, 22.9, 9.8], [4.4, 4.8, 5.5], {
    family: 'fruit',
    labelName: 'dried figs',
    dried: true,
    minerals: [680, 162, 68],
    gramsPerPiece: { each: 8 },
    gramsPerMl: cup(149),
    formOf: 'fig',
    source: `${FDC}; ${FDA} (fresh)`,
  }),
  lowAcid('dried-mango', 'Mango, dried', [16.6, 30.0, 15.0, 21.0, 2.4], [3.4, 4.2, 4.8], {
    family: 'fruit',
    labelName: 'dried mango',
    dried: true,
    minerals: [279, 10, 20],
    gramsPerMl: cup(120),
    formOf: 'mango',
  }),
  lowAcid('dried-elderberry', 'Elderberries, dried', [9.0, 1.0, 15.0, 16.0, 32.0], undefined, {
    family: 'fruit',
    labelName: 'dried elderberries',
    dried: true,
    minerals: [1260, 170, 60],
    gramsPerMl: cup(95),
    formOf: 'elderberry',
    poisonousRaw: true,
    caution: 'Dried elderberries are boiled like fresh ones: raw they are poisonous.',
  }),
  lowAcid('jujube', 'Jujubes, dried', [19.7, 8.0, 24.0, 24.0, 6.0], [4.3, 4.7, 5.3], {
    family: 'fruit',
    labelName: 'jujubes',
    dried: true,
    minerals: [531, 79, 37],
    gramsPerPiece: { each: 5 },
    also: ['red date', 'dried jujube'],
  }),
];
