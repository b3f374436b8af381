import { forecast, interchanges } from '@inch/core/formula';
import { catalogue, shippedCatalogue } from '@inch/core/ingredient';
import { alcoholByVolume, alcoholLeft, undissociated } from '@inch/core/keeping';
import { boilingPoint, inversionRate, sucroseSaturation, viscosity } from '@inch/core/sugar';

const row = (what, published, computed) => ({
  what,
  published,
  computed,
  error: Math.abs(computed - published),
});
const setting = { cup: 'us', elevationMetres: 0, criticalPh: 4.2, catalogue: shippedCatalogue };

/** FDA, Approximate pH of Foods and Food Products (2007): the published range of each. */
const PUBLIC_FRUITS = [
  ['apple', 3.3, 4.0],
  ['apricot', 3.3, 4.8],
  ['blueberry', 3.12, 3.33],
  ['sour-cherry', 3.25, 3.82],
  ['cranberry', 2.3, 2.52],
  ['damson', 2.9, 3.1],
  ['gooseberry', 2.8, 3.1],
  ['grape', 2.8, 3.82],
  ['grapefruit-juice', 3.0, 3.75],
  ['lemon-juice', 2.0, 2.6],
  ['lime-juice', 2.0, 2.8],
  ['orange-juice', 3.3, 4.19],
  ['peach', 3.3, 4.05],
  ['pear', 3.5, 4.6],
  ['pineapple', 3.2, 4.0],
  ['plum', 2.8, 4.3],
  ['pomegranate-juice', 2.93, 3.2],
  ['quince', 3.12, 3.4],
  ['raspberry', 3.22, 3.95],
  ['rhubarb', 3.1, 3.4],
  ['strawberry', 3.0, 3.9],
];

/** The forecast of a plain juice, through the whole walk: blended, filtered, read. Outside the range the error is how far. */
function plainJuice([id, low, high]) {
  const f = forecast(
    {
      lines: [{ id: 'fruit', said: '1 kg', ingredientId: id, stepId: 'blend' }],
      steps: [
        { id: 'blend', kind: 'draw', title: 'Blend', method: 'blended' },
        { id: 'filter', kind: 'strain', title: 'Filter', cloth: 'filter' },
      ],
      storage: 'cold',
      bottleMl: 250,
    },
    setting,
  );
  const ph = f.ph.middle;
  return {
    what: `${shippedCatalogue.get(id).name}, ${low} to ${high}`,
    published: (low + high) / 2,
    computed: ph,
    error: Math.max(0, low - ph, ph - high),
  };
}

const VISCOSITIES = [
  [20, 20, 1.945],
  [30, 20, 3.187],
  [40, 20, 6.167],
  [50, 20, 15.43],
  [60, 20, 58.49],
  [70, 20, 481.6],
  [40, 25, 5.164],
  [60, 25, 43.86],
];

const relative = (what, published, computed) => ({
  what,
  published,
  computed,
  error: Math.abs(computed / published - 1),
});

function interchangeRows() {
  const like = (id, grams, to) =>
    interchanges(shippedCatalogue.get(id), grams, catalogue).find((i) => i.ingredient.id === to).grams;
  return [
    relative(
      'citric monohydrate for 100 g anhydrous',
      (100 * 99.8) / 91.4,
      like('citric-anhydrous', 100, 'citric-monohydrate'),
    ),
    relative('malic for 100 g citric', (100 * 67.04) / 64.04, like('citric-anhydrous', 100, 'malic-acid')),
    relative(
      'tartaric for 100 g citric',
      (100 * 75.04) / 64.04,
      like('citric-anhydrous', 100, 'tartaric-acid'),
    ),
    relative(
      'bottled lemon for 10 g citric',
      (10 * 99.8) / 4.6,
      like('citric-anhydrous', 10, 'bottled-lemon-juice'),
    ),
    relative('6 % for 600 g of 5 % vinegar', 500, like('cider-vinegar', 600, 'wine-vinegar')),
  ];
}

const hours = (celsius) => Math.LN2 / inversionRate(3, celsius) / 3600;

/** Tables of the formula bench: plain juices, boiling, inversion, body, exchange and uncertainty. */
export const formulaTables = () => [
  {
    title: 'pH of plain juices forecast, against their published ranges',
    source:
      'FDA, Approximate pH of Foods and Food Products (2007); published is the middle of the range, the error how far outside of it',
    allowed: 0,
    digits: 2,
    rows: PUBLIC_FRUITS.map(plainJuice),
  },
  {
    title: 'One acid, sugar or vinegar for another',
    source: 'equivalent weights and declared strengths; the error is relative',
    allowed: 0.01,
    digits: 3,
    rows: interchangeRows(),
  },
  {
    title: 'Boiling point of a syrup, °C',
    source: '60 °Bx at sea level: sucrose 103.0 ± 0.2, invert about 105.0',
    allowed: 0.2,
    digits: 2,
    rows: [
      row('60 °Bx sucrose', 103.0, boilingPoint({ brix: 60, elevationMetres: 0 })),
      row(
        '60 °Bx invert',
        105.0,
        boilingPoint({ brix: 60, elevationMetres: 0, composition: { glucose: 0.5, fructose: 0.5 } }),
      ),
    ],
  },
  {
    title: 'Half-life of sucrose at pH 3, hours',
    source: 'first-order inversion, 108 kJ/mol; the error is relative',
    allowed: 0.05,
    digits: 2,
    rows: [
      relative('25 °C', 134 * 24, hours(25)),
      relative('85 °C', 2.2, hours(85)),
      relative('100 °C', 0.5, hours(100)),
    ],
  },
  {
    title: 'Viscosity of sucrose, mPa·s',
    source:
      'Swindells et al. (1958), NBS Circular 440 supplement; Génotelle correlation; the error is relative',
    allowed: 0.04,
    digits: 3,
    rows: VISCOSITIES.map(([b, t, v]) => relative(`${b} °Bx at ${t} °C`, v, viscosity(b, t))),
  },
  {
    title: 'Sucrose in a saturated solution, % w/w',
    source: 'Herzfeld (1892); the core’s Charles (1960) is a later fit',
    allowed: 0.6,
    digits: 2,
    rows: [
      row('20 °C', 67.09, sucroseSaturation(20)),
      row('30 °C', 68.7, sucroseSaturation(30)),
      row('50 °C', 72.25, sucroseSaturation(50)),
    ],
  },
  {
    title: 'Alcohol left after simmering, share',
    source: 'USDA Table of Nutrient Retention Factors, release 6 (2007)',
    allowed: 0.0001,
    digits: 2,
    rows: [
      [15, 0.4],
      [30, 0.35],
      [60, 0.25],
      [90, 0.2],
      [120, 0.1],
      [150, 0.05],
    ].map(([min, left]) => row(`${min} min`, left, alcoholLeft(min).middle)),
  },
  {
    title: 'A dash of spirit in a bottle, % ABV',
    source: '0.6 mL of 40 % in 500 mL',
    allowed: 0.005,
    digits: 3,
    rows: [
      row(
        'a dash',
        0.05,
        alcoholByVolume({
          parts: [
            { ml: 0.6, abv: 40 },
            { ml: 499.4, abv: 0 },
          ],
        }),
      ),
    ],
  },
  {
    title: 'Undissociated part of sorbic acid',
    source: 'Henderson–Hasselbalch, pKa 4.756, at zero ionic strength',
    allowed: 0.0001,
    digits: 4,
    rows: [
      [3.756, 10 / 11],
      [4.756, 0.5],
      [5.756, 1 / 11],
    ].map(([ph, part]) =>
      row(`pH ${ph}`, part, undissociated({ acid: 'sorbic', ph, total: 1, ionicStrength: 0 })),
    ),
  },
];
