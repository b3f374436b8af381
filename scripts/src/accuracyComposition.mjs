import { shippedCatalogue } from '@inch/core/ingredient';

/** USDA FoodData Central, SR Legacy (2019): water, and sucrose, glucose and fructose together, g per 100 g. */
const PUBLISHED = [
  ['apple', 85.56, 10.39],
  ['apricot', 86.35, 9.24],
  ['banana', 74.91, 12.23],
  ['beet', 87.58, 6.76],
  ['blackberry', 88.15, 4.88],
  ['blueberry', 84.21, 9.96],
  ['carrot', 88.29, 4.74],
  ['cherry', 82.25, 12.82],
  ['cranberry', 87.32, 4.27],
  ['cucumber', 95.23, 1.67],
  ['date', 20.53, 63.35],
  ['fig', 79.11, 16.26],
  ['ginger', 78.89, 1.7],
  ['grape', 81.3, 16.25],
  ['honey', 17.1, 77.58],
  ['kiwi', 83.07, 8.99],
  ['lemon-juice', 92.31, 2.52],
  ['lime-juice', 90.79, 1.69],
  ['mango', 83.46, 13.66],
  ['maple-syrup', 32.39, 60.46],
  ['molasses', 21.87, 54.11],
  ['nectarine', 87.59, 7.89],
  ['orange-juice', 88.3, 8.4],
  ['papaya', 88.06, 7.82],
  ['peach', 88.87, 8.39],
  ['pear', 83.96, 9.75],
  ['persimmon', 80.32, 12.53],
  ['pineapple', 86.0, 9.85],
  ['plum', 87.23, 9.92],
  ['pomegranate-juice', 85.95, 12.65],
  ['raspberry', 85.75, 4.42],
  ['redcurrant', 83.95, 7.37],
  ['rhubarb', 93.61, 1.1],
  ['sour-cherry', 86.13, 8.49],
  ['strawberry', 90.95, 4.89],
  ['tomato', 94.52, 2.63],
  ['watermelon', 91.45, 6.2],
];

const row = (what, published, computed) => ({
  what,
  published,
  computed,
  error: Math.abs(computed - published),
});

const sugarsOf = ({ sucrose, glucose, fructose }) => sucrose + glucose + fructose;

/** The catalogue's composition beside the published one. */
export function compositionTables() {
  const source = 'USDA FoodData Central, SR Legacy (2019), g per 100 g';
  const of = (id) => shippedCatalogue.get(id);
  return [
    {
      ...{ title: 'Water of the catalogue', source, digits: 1, allowed: 1.5 },
      rows: PUBLISHED.map(([id, water]) => row(of(id).name, water, of(id).per100g.water)),
    },
    {
      ...{ title: 'Sucrose, glucose and fructose of the catalogue', source, digits: 1, allowed: 1.5 },
      rows: PUBLISHED.map(([id, , sugars]) => row(of(id).name, sugars, sugarsOf(of(id).per100g))),
    },
  ];
}
