import { boilingPoint, inversionRate, sucroseSaturation, viscosity } from '@inch/core/sugar';

const row = (what, published, computed) => ({
  what,
  published,
  computed,
  error: Math.abs(computed - published),
});

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

const hours = (celsius) => Math.LN2 / inversionRate(3, celsius) / 3600;

/** Tables of what a formula is forecast by: boiling, inversion, body. */
export const formulaTables = () => [
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
];
