import type { HeatProcess, Pack, ProductState } from './process.ts';

const GUIDE = 'USDA Complete Guide to Home Canning (2015), Guide 2';
const [PINT, QUART, HALF_GALLON] = [475, 950, 1900];
const OPEN = Number.POSITIVE_INFINITY;

/** Minutes to 1,000, to 6,000 ft and above. */
const three = (low: number, middle: number, high: number): HeatProcess['bands'] => [
  { toFeet: 1000, minutes: low },
  { toFeet: 6000, minutes: middle },
  { toFeet: OPEN, minutes: high },
];
/** Minutes to 1,000, to 3,000, to 6,000 ft and above. */
const four = (low: number, second: number, third: number, high: number): HeatProcess['bands'] => [
  { toFeet: 1000, minutes: low },
  { toFeet: 3000, minutes: second },
  { toFeet: 6000, minutes: third },
  { toFeet: OPEN, minutes: high },
];

/** What all processes of the guide have alike: two-piece lids, a boiling-water canner or a vented steam canner, five minutes of rest, nothing added that is not named. */
const guide = {
  readOn: null,
  anyFruitBut: null,
  acids: [],
  acidsRequired: [],
  salt: false,
  spices: [],
  thickeners: [],
  products: [],
  brix: null,
  highestPh: null,
  closure: 'two-piece-lid',
  method: 'boiling-water',
  steam: true,
  hotFill: null,
  restMinutes: 5,
} as const;

/** Berries as the guide names them for canning whole, those left out that count as low-acid here. */
const BERRIES = [
  ...['blackberry', 'blueberry', 'bilberry', 'raspberry', 'loganberry'],
  ...['gooseberry', 'redcurrant', 'whitecurrant', 'blackcurrant'],
];
const CHERRIES = ['sour-cherry', 'cherry'];
const SOFT = { state: 'pieces' as ProductState, headspaceInches: 0.5 };

const inPieces = (
  id: string,
  name: string,
  of: string,
  fruits: readonly string[],
  pack: Pack,
  largestMl: number,
  bands: HeatProcess['bands'],
): HeatProcess => ({
  ...guide,
  ...SOFT,
  ...{ id, name, source: `${GUIDE}, ${of}`, fruits, pack, largestMl, bands },
});

/** Every process that ships: published figures and no others. None has been read against its source here yet. */
export const heatProcesses: readonly HeatProcess[] = [
  {
    ...guide,
    id: 'berry-syrup',
    name: 'Berry syrup, half pints or pints',
    source: `${GUIDE}, Berry syrup`,
    fruits: ['blueberry', 'sour-cherry', 'cherry', 'grape', 'raspberry', 'strawberry'],
    products: ['syrup'],
    ...{ state: 'strained', pack: 'hot' },
    // 6¾ cups of sugar (1,350 g) to the 4½ to 5 cups of juice of 6½ cups of berries, boiled for a minute: 57 to 62 °Bx, and a little either way.
    brix: { from: 55, to: 64 },
    ...{ largestMl: PINT, headspaceInches: 0.5 },
    bands: three(10, 15, 20),
  },
  {
    ...guide,
    id: 'apple-grape-juice',
    name: 'Apple or grape juice, pints or quarts, filled boiling into sterile jars',
    source: `${GUIDE}, Apple juice and Grape juice`,
    fruits: ['apple-juice', 'apple', 'grape', 'grape-juice'],
    ...{ state: 'strained', pack: 'hot' },
    brix: { from: 9, to: 25 },
    ...{ largestMl: QUART, headspaceInches: 0.25 },
    bands: three(5, 10, 15),
  },
  {
    ...guide,
    id: 'apple-grape-juice-half-gallons',
    name: 'Apple or grape juice, half gallons, filled boiling',
    source: `${GUIDE}, Apple juice and Grape juice`,
    fruits: ['apple-juice', 'apple', 'grape', 'grape-juice'],
    ...{ state: 'strained', pack: 'hot' },
    brix: { from: 9, to: 25 },
    ...{ largestMl: HALF_GALLON, headspaceInches: 0.25, steam: false },
    bands: four(10, 15, 15, 20),
  },
  {
    ...guide,
    id: 'fruit-puree',
    name: 'Fruit puree, sugar to taste, pints or quarts',
    source: `${GUIDE}, Fruit purees`,
    fruits: [],
    anyFruitBut: [
      'fig',
      'tomato',
      'melon',
      'cantaloupe',
      'honeydew',
      'watermelon',
      'papaya',
      'mango',
      'coconut',
    ],
    ...{ state: 'puree', pack: 'hot', largestMl: QUART, headspaceInches: 0.25 },
    bands: four(15, 20, 20, 25),
  },
  inPieces(
    'rhubarb-stewed',
    'Rhubarb, stewed with sugar, pints or quarts',
    'Rhubarb, stewed',
    ['rhubarb'],
    'hot',
    QUART,
    four(15, 20, 20, 25),
  ),
  inPieces(
    'berries-raw-pints',
    'Berries whole in water, juice or syrup, raw, pints',
    'Berries, whole',
    BERRIES,
    'raw',
    PINT,
    four(15, 20, 20, 25),
  ),
  inPieces(
    'berries-raw-quarts',
    'Berries whole in water, juice or syrup, raw, quarts',
    'Berries, whole',
    BERRIES,
    'raw',
    QUART,
    four(20, 25, 30, 35),
  ),
  inPieces(
    'berries-hot',
    'Berries whole in water, juice or syrup, hot, pints or quarts',
    'Berries, whole',
    BERRIES,
    'hot',
    QUART,
    four(15, 20, 20, 25),
  ),
  inPieces(
    'cherries-hot-pints',
    'Cherries whole in water, juice or syrup, hot, pints',
    'Cherries, whole',
    CHERRIES,
    'hot',
    PINT,
    four(15, 20, 20, 25),
  ),
  inPieces(
    'cherries-hot-quarts',
    'Cherries whole in water, juice or syrup, hot, quarts',
    'Cherries, whole',
    CHERRIES,
    'hot',
    QUART,
    four(20, 25, 30, 35),
  ),
  {
    ...guide,
    id: 'applesauce-pints',
    name: 'Applesauce, sugar to taste, pints',
    source: `${GUIDE}, Applesauce`,
    fruits: ['apple'],
    ...{ state: 'puree', pack: 'hot', largestMl: PINT, headspaceInches: 0.5 },
    bands: four(15, 20, 20, 25),
  },
  {
    ...guide,
    id: 'applesauce-quarts',
    name: 'Applesauce, sugar to taste, quarts',
    source: `${GUIDE}, Applesauce`,
    fruits: ['apple'],
    ...{ state: 'puree', pack: 'hot', largestMl: QUART, headspaceInches: 0.5 },
    bands: four(20, 25, 30, 35),
  },
];
