import { equilibriumPh, titratableAcidity } from '@inch/core/acid';
import { boilingPointOfWater, heatProcesses, processTime } from '@inch/core/heat';
import { alcoholByVolume, waterActivity } from '@inch/core/keeping';
import {
  brixFromDensity,
  brixFromRefractiveIndex,
  correctRefractometer,
  densityAt20,
  heatCapacity,
  refractiveIndexAt20,
} from '@inch/core/sugar';

const row = (what, published, computed) => ({
  what,
  published,
  computed,
  error: Math.abs(computed - published),
});

const NBS = [
  [0, 0.9982],
  [5, 1.01785],
  [10, 1.03814],
  [15, 1.05917],
  [20, 1.08096],
  [25, 1.10356],
  [30, 1.12698],
  [35, 1.15128],
  [40, 1.17645],
  [45, 1.20254],
  [50, 1.22957],
  [55, 1.25754],
  [60, 1.28646],
  [65, 1.31633],
  [70, 1.34717],
  [75, 1.37897],
];
const SPS = [
  [0, 1.33299],
  [10, 1.34782],
  [20, 1.36384],
  [30, 1.38115],
  [40, 1.39986],
  [50, 1.42009],
  [60, 1.44193],
  [70, 1.46546],
  [80, 1.49071],
  [85, 1.50398],
];
const AOAC = [
  [20, 10, -0.64],
  [50, 14, -0.45],
  [70, 16, -0.32],
  [5, 18, -0.13],
  [30, 22, 0.15],
  [40, 24, 0.31],
  [60, 26, 0.48],
  [30, 28, 0.63],
  [60, 30, 0.81],
];
const PH = [
  ['citric 0.01', { citric: 0.01 }, 0, 2.62],
  ['citric 0.10', { citric: 0.1 }, 0, 2.08],
  ['acetic 0.2 + base 0.1', { acetic: 0.2 }, 0.1, 4.65],
  ['citric 0.1 + base 0.1', { citric: 0.1 }, 0.1, 3.72],
];
const NIST = [
  ['tartaric 0.0341 + base 0.0341', { tartaric: 0.0341 }, 0.0341, 3.557],
  ['citric 0.05 + base 0.05', { citric: 0.05 }, 0.05, 3.776],
  ['oxalic 0.10 + base 0.05', { oxalic: 0.1 }, 0.05, 1.679],
  ['phosphoric 0.05 + base 0.075', { phosphoric: 0.05 }, 0.075, 6.865],
];
const WATER = [
  [1, 0.981],
  [3, 0.933],
  [5, 0.878],
];

const phRows = (list) =>
  list.map(([what, acids, baseEquivalents, published]) =>
    row(what, published, equilibriumPh({ acids, baseEquivalents }).ph),
  );

const berry = heatProcesses.find((p) => p.id === 'berry-syrup');

/** Every table of the core's rooms: what is published, what the core computes, and the error allowed. */
export const tables = () => [
  {
    title: 'Density of sucrose in water at 20 °C, g/mL',
    source: 'NBS Circular 440',
    allowed: 0.0003,
    digits: 5,
    rows: NBS.map(([b, d]) => row(`${b} °Bx`, d, densityAt20(b))),
  },
  {
    title: 'Brix from that density',
    source: 'NBS Circular 440, inverted',
    allowed: 0.1,
    digits: 3,
    rows: NBS.map(([b, d]) => row(`${d} g/mL`, b, brixFromDensity(d))),
  },
  {
    title: 'Refractive index at 20 °C',
    source: 'ICUMSA 1974, SPS-3',
    allowed: 0.00002,
    digits: 5,
    rows: SPS.map(([b, n]) => row(`${b} °Bx`, n, refractiveIndexAt20(b))),
  },
  {
    title: 'Brix from that index',
    source: 'ICUMSA 1974, SPS-3, inverted',
    allowed: 0.1,
    digits: 3,
    rows: SPS.map(([b, n]) => row(`n ${n}`, b, brixFromRefractiveIndex(n))),
  },
  {
    title: 'Refractometer correction, °Bx',
    source: 'AOAC 932.14',
    allowed: 0.005,
    digits: 3,
    rows: AOAC.map(([b, c, k]) =>
      row(`${b} °Bx at ${c} °C`, k, correctRefractometer({ reading: b, celsius: c }).correction),
    ),
  },
  {
    title: 'pH of acids in water',
    source: 'charge balance with Davies activity',
    allowed: 0.02,
    digits: 3,
    rows: phRows(PH),
  },
  {
    title: 'pH of NIST primary buffers at 25 °C',
    source: 'NIST SP 260-53',
    allowed: 0.02,
    digits: 3,
    rows: phRows(NIST),
  },
  {
    title: 'Titratable acidity, g/L as citric',
    source: '12.6 mL of 0.1 N on 10 mL: 12.6 × 0.1 × 64.04 / 10',
    allowed: 0.001,
    digits: 3,
    rows: [
      row(
        '12.6/10',
        8.06904,
        titratableAcidity({ titrantMl: 12.6, normality: 0.1, sampleMl: 10, as: 'citric' }),
      ),
    ],
  },
  {
    title: 'Heat capacity of sugar solutions, kJ/(kg·K)',
    source: 'water: CRC Handbook; 60 °Bx at 20 °C: tables of the sugar trade',
    allowed: 0.05,
    digits: 2,
    rows: [row('water, 20 °C', 4.18, heatCapacity(0, 20)), row('60 °Bx, 20 °C', 2.8, heatCapacity(60, 20))],
  },
  {
    title: 'Water activity of sucrose at 25 °C',
    source: 'measured values, Norrish model',
    allowed: 0.006,
    digits: 4,
    rows: WATER.map(([m, a]) => row(`${m} mol/kg`, a, waterActivity({ water: 1000, sucrose: m * 342.3 }))),
  },
  {
    title: 'Alcohol by volume, %',
    source: 'a tablespoon of 40 % in 500 mL',
    allowed: 0.001,
    digits: 3,
    rows: [
      row(
        '15 mL in 500 mL',
        1.2,
        alcoholByVolume({
          parts: [
            { ml: 15, abv: 40 },
            { ml: 485, abv: 0 },
          ],
        }),
      ),
    ],
  },
  {
    title: 'Boiling point of water, °C',
    source: 'ICAO standard atmosphere',
    allowed: 0.1,
    digits: 2,
    rows: [row('0 m', 100, boilingPointOfWater(0)), row('1,524 m', 94.9, boilingPointOfWater(1524))],
  },
  {
    title: 'Berry syrup process, minutes',
    source: 'USDA Complete Guide (2015)',
    allowed: 0,
    digits: 0,
    rows: [
      [304.8, 10],
      [304.9, 15],
      [719, 15],
      [1828.8, 15],
      [1828.9, 20],
    ].map(([m, min]) => row(`${m} m`, min, processTime(berry, m))),
  },
];
