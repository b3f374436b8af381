import type { Ingredient } from '../types.ts';
import { lowAcid } from './make.ts';

const MEASURE =
  'What it holds depends on the lot that it is left of: measure its °Bx and its pH before it goes into another.';
const SOURCE =
  'water and solids: typical of pressed, boiled or soaked fruit (USDA FoodData Central, of the fruit itself, less what was drawn from it); base: the most that fruit holds';
const rest = { family: 'fruit', caution: MEASURE, source: SOURCE } as const;

/** What a lot leaves behind that is kept: named as what it is. What went into the lot, its allergens and its heat go with it where it is a by-product of one. */
export const byProducts: readonly Ingredient[] = [
  lowAcid('pulp-left', 'Left-over pulp', [74, 2, 6, 6, 10], undefined, {
    ...rest,
    minerals: [200, 25, 12],
    also: ['pomace'],
  }),
  lowAcid('peel-left', 'Left-over peel', [70, 8, 6, 6, 9], undefined, {
    ...rest,
    minerals: [200, 130, 18],
  }),
  lowAcid('fruit-left', 'Left-over soaked fruit', [65, 14, 7, 7, 5], undefined, {
    ...rest,
    minerals: [180, 20, 12],
  }),
  lowAcid('stones-left', 'Left-over stones', [20, 0, 1, 1, 76], undefined, {
    ...rest,
    minerals: [50, 20, 10],
    caution:
      'Whole stones only: cracked ones, and their kernels, give off hydrogen cyanide. They are not left in what is sold.',
  }),
];
