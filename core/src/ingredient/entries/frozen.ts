import type { Acids } from '../../acid/index.ts';
import type { Ingredient, Range } from '../types.ts';
import { fruit, lowAcid } from './make.ts';

const cup = (gramsPerUsCup: number) => ({ cup: gramsPerUsCup / 236.588 });
const FROZEN = 'Frozen fruit: boil it at least 1 minute, it is not washed of everything.';

type Parts = readonly [number, number, number, number, number];

/** A fruit bought frozen: its figures are the fresh one's, a little of its juice loose. */
const frozen = (
  id: string,
  name: string,
  parts: Parts,
  ph: Range,
  ta: Range,
  split: Acids,
  rest: Partial<Ingredient> & { formOf: string },
): Ingredient =>
  fruit(id, name, parts, ph, ta, split, {
    ...{ labelName: name.split(',')[0]!.toLowerCase(), frozen: true, caution: FROZEN },
    ...rest,
  });

/** More fruit as it is bought frozen. */
export const frozenFruits: readonly Ingredient[] = [
  frozen(
    'frozen-blueberry',
    'Blueberries, frozen',
    [86.6, 0.1, 4.2, 4.2, 2.7],
    [3.1, 3.25, 3.5],
    [0.4, 0.7, 1.1],
    { citric: 0.88, malic: 0.12 },
    { gramsPerMl: cup(155), formOf: 'blueberry' },
  ),
  frozen(
    'frozen-blackberry',
    'Blackberries, frozen',
    [82.2, 0.3, 4.5, 5.0, 5.0],
    [3.2, 3.7, 4.5],
    [0.7, 1.0, 1.5],
    { malic: 0.5, isocitric: 0.3, citric: 0.2 },
    { gramsPerMl: cup(151), formOf: 'blackberry' },
  ),
  frozen(
    'frozen-redcurrant',
    'Red currants, frozen',
    [84.0, 0.6, 3.2, 3.5, 3.6],
    [2.8, 2.9, 3.1],
    [1.9, 2.3, 2.7],
    { citric: 0.85, malic: 0.15 },
    { gramsPerMl: cup(112), pectinRich: true, formOf: 'redcurrant' },
  ),
  frozen(
    'frozen-cranberry',
    'Cranberries, frozen',
    [87.3, 0.2, 3.4, 0.7, 3.4],
    [2.3, 2.45, 2.6],
    [1.9, 2.3, 2.8],
    { citric: 0.42, malic: 0.28, quinic: 0.3 },
    { gramsPerMl: cup(110), pectinRich: true, formOf: 'cranberry' },
  ),
  frozen(
    'frozen-gooseberry',
    'Gooseberries, frozen',
    [87.9, 0.5, 3.1, 3.2, 3.3],
    [2.8, 2.95, 3.1],
    [1.6, 2.1, 2.6],
    { citric: 0.45, malic: 0.5, quinic: 0.05 },
    { gramsPerMl: cup(150), pectinRich: true, formOf: 'gooseberry' },
  ),
  frozen(
    'frozen-rhubarb',
    'Rhubarb, frozen',
    [93.5, 0.2, 0.4, 0.5, 1.8],
    [3.1, 3.25, 3.4],
    [0.9, 1.25, 1.7],
    { malic: 0.75, oxalic: 0.15, citric: 0.1 },
    { gramsPerMl: cup(137), formOf: 'rhubarb' },
  ),
  frozen(
    'frozen-plum',
    'Plums, frozen',
    [87.2, 1.6, 5.1, 3.1, 1.4],
    [2.8, 3.4, 4.45],
    [0.8, 1.3, 1.8],
    { malic: 0.9, quinic: 0.1 },
    { gramsPerMl: cup(165), formOf: 'plum' },
  ),
  frozen(
    'frozen-damson',
    'Damsons, frozen',
    [84.5, 1.6, 5.1, 3.1, 2.2],
    [2.9, 3.0, 3.1],
    [1.6, 2.0, 2.5],
    { malic: 0.9, quinic: 0.1 },
    { gramsPerMl: cup(160), pectinRich: true, formOf: 'damson' },
  ),
  frozen(
    'frozen-peach',
    'Yellow peaches, frozen',
    [88.9, 4.8, 2.0, 1.5, 1.3],
    [3.3, 3.7, 4.05],
    [0.4, 0.6, 0.9],
    { malic: 0.65, citric: 0.35 },
    { labelName: 'peaches', gramsPerMl: cup(154), formOf: 'peach' },
  ),
  frozen(
    'frozen-pineapple',
    'Pineapple, frozen',
    [86.0, 6.0, 1.7, 2.1, 1.3],
    [3.2, 3.6, 4.0],
    [0.5, 0.75, 1.0],
    { citric: 0.8, malic: 0.2 },
    { gramsPerMl: cup(165), formOf: 'pineapple' },
  ),
  frozen(
    'frozen-passion-fruit',
    'Passion fruit pulp, frozen',
    [84.0, 3.2, 4.0, 3.0, 1.2],
    [2.7, 2.9, 3.3],
    [2.5, 3.4, 4.3],
    { citric: 0.88, malic: 0.12 },
    { labelName: 'passion fruit', formOf: 'passion-fruit' },
  ),
  lowAcid('frozen-mango', 'Mango, frozen', [83.5, 7.0, 2.0, 4.7, 1.5], [3.4, 4.2, 4.8], {
    family: 'fruit',
    labelName: 'mango',
    frozen: true,
    caution: FROZEN,
    minerals: [168, 11, 10],
    gramsPerMl: cup(165),
    formOf: 'mango',
  }),
  lowAcid('frozen-cherry', 'Dark sweet cherries, frozen', [82.3, 0.2, 6.6, 5.4, 1.9], [3.8, 4.0, 4.5], {
    family: 'fruit',
    labelName: 'cherries',
    frozen: true,
    caution: FROZEN,
    minerals: [222, 13, 11],
    gramsPerMl: cup(140),
    formOf: 'cherry',
  }),
  lowAcid('frozen-elderberry', 'Elderberries, frozen', [79.8, 0.2, 3.4, 3.6, 6.5], undefined, {
    family: 'fruit',
    labelName: 'elderberries',
    frozen: true,
    poisonousRaw: true,
    caution: 'Raw elderberries are poisonous, frozen ones too: boil them.',
    minerals: [280, 38, 5],
    gramsPerMl: cup(145),
    formOf: 'elderberry',
  }),
];
