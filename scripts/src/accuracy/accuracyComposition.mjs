import { compositionOf } from '@inch/core/formula';
import { shippedCatalogue } from '@inch/core/ingredient';
import { nutrition } from '@inch/core/label';

const row = (what, published, computed) => ({
  what,
  published,
  computed,
  error: Math.abs(computed - published),
});

/** USDA FoodData Central, SR Legacy (2019): kcal in 100 g. */
const ENERGY = [
  ['sugar', 387],
  ['honey', 304],
  ['maple-syrup', 260],
  ['orange-juice', 45],
  ['apple', 52],
  ['sour-cherry', 50],
  ['raspberry', 52],
  ['strawberry', 32],
  ['blueberry', 57],
  ['peach', 39],
  ['plum', 46],
];

/** 100 g of a thing, as a product of 100 mL. */
const plain = (id) =>
  nutrition({ lines: [{ ingredientId: id, grams: 100 }], millilitres: 100, pack: 'eu' }).figures;

/** USDA FoodData Central, SR Legacy (2019): potassium, calcium and magnesium in 100 g, mg. */
const MINERALS = [
  ['sour-cherry', 173, 16, 9],
  ['plum', 157, 6, 7],
  ['gooseberry', 198, 27, 10],
  ['quince', 197, 11, 8],
  ['apple', 107, 6, 5],
  ['blackberry', 162, 29, 20],
  ['raspberry', 151, 25, 22],
  ['strawberry', 153, 16, 13],
  ['blueberry', 77, 6, 6],
  ['blackcurrant', 322, 55, 24],
  ['redcurrant', 275, 33, 13],
  ['cranberry', 80, 8, 6],
  ['rhubarb', 288, 86, 12],
  ['peach', 190, 6, 9],
  ['pear', 116, 9, 7],
  ['pineapple', 109, 13, 12],
  ['orange-juice', 200, 11, 11],
];
/** mg of each that carry one milliequivalent. */
const [POTASSIUM, CALCIUM, MAGNESIUM] = [39.1, 20.04, 12.15];

/** What the catalogue comes to, beside tables that it was not written from. */
export const compositionTables = () => [
  {
    title: 'Energy of foods, kcal in 100 g',
    source:
      'USDA FoodData Central, SR Legacy (2019), by its own factors for each food; computed by those of Reg. 1169/2011, under which fibre has half as much; the error is relative',
    digits: 2,
    allowed: 0.2,
    rows: ENERGY.map(([id, kcal]) => {
      const computed = plain(id).calories.raw;
      return {
        what: shippedCatalogue.get(id).name,
        published: kcal,
        computed,
        error: Math.abs(computed / kcal - 1),
      };
    }),
  },
  {
    title: 'Strong base of fruit, milliequivalents in 100 g',
    source:
      'potassium, calcium and magnesium of USDA FoodData Central, none of them bound; computed from the pH and acidity of the juice alone. A fruit varies twofold from tree to tree',
    digits: 1,
    allowed: 6,
    rows: MINERALS.map(([id, k, ca, mg]) =>
      row(
        shippedCatalogue.get(id).name,
        k / POTASSIUM + ca / CALCIUM + mg / MAGNESIUM,
        1000 * compositionOf(shippedCatalogue.get(id), 'typical').composition.baseEquivalents,
      ),
    ),
  },
];
