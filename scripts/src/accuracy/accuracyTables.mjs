import { equilibriumPh } from '@inch/core/acid';
import { boilingPointOfWater } from '@inch/core/heat';
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

/** Rows between those that the core interpolates. */
const NBS = [
  [5, 1.01785],
  [15, 1.05917],
  [25, 1.10356],
  [35, 1.15128],
  [45, 1.20254],
  [55, 1.25754],
  [65, 1.31633],
  [75, 1.37897],
];
/** Rows between those that the core interpolates. */
const SPS = [
  [5, 1.3403],
  [15, 1.3557],
  [25, 1.3723],
  [35, 1.3902],
  [55, 1.4307],
  [65, 1.4532],
];
/** The rows of 15 and 25 °C, which the core interpolates between those of even degrees. */
const AOAC = [
  [0, 15, -0.27],
  [10, 15, -0.31],
  [30, 15, -0.35],
  [50, 15, -0.38],
  [70, 15, -0.4],
  [0, 25, 0.33],
  [10, 25, 0.36],
  [30, 25, 0.39],
  [60, 25, 0.4],
  [70, 25, 0.4],
];
/** Citric acid and trisodium citrate, 0.1 mol/L: mL of the acid in 100 mL (Dawson et al., Data for Biochemical Research, 1986). */
const CITRATE = [
  [3, 82],
  [3.6, 68.5],
  [4.2, 54],
  [4.8, 40],
  [5.4, 25.5],
  [6, 11.5],
];
/** 0.1 mol/L citric acid and 0.2 mol/L disodium phosphate: mL of the phosphate in 20 mL (McIlvaine, 1921, on Sørensen's scale of pH). */
const MCILVAINE = [
  [2.6, 2.18],
  [3.4, 5.7],
  [4.2, 8.28],
  [5, 10.3],
  [5.4, 11.15],
  [5.8, 12.09],
  [6.6, 14.55],
];
/** Sodium acetate and acetic acid, 0.2 mol/L, diluted to half: mL of the acid in 50 mL (Walpole, 1914). */
const ACETATE = [
  [3.6, 46.3],
  [4.4, 30.5],
  [5.2, 10.5],
  [5.6, 4.8],
];
/** Scott (1957), as tabulated by the ICMSF: % w/w of glucose and of sucrose that give each water activity. */
const GLUCOSE = [
  [28.5, 0.96],
  [43.7, 0.92],
  [53, 0.88],
  [58.45, 0.86],
];
const SUCROSE = [
  [26.1, 0.98],
  [48.2, 0.94],
  [58.5, 0.9],
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

const buffer = (acids, baseEquivalents) => equilibriumPh({ acids, baseEquivalents }).ph;
/** % vol of so much spirit with so much water. */
const half = (abv, spirit, water) =>
  alcoholByVolume({
    parts: [
      { ml: spirit, abv },
      { ml: water, abv: 0 },
    ],
  });

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
    source: 'International scale of 1936, from which ICUMSA 1974 differs by up to 0.0003',
    allowed: 0.0003,
    digits: 4,
    rows: SPS.map(([b, n]) => row(`${b} °Bx`, n, refractiveIndexAt20(b))),
  },
  {
    title: 'Brix from that index',
    source: 'the same scale, inverted: 0.0003 is some 0.13 °Bx',
    allowed: 0.13,
    digits: 3,
    rows: SPS.map(([b, n]) => row(`n ${n}`, b, brixFromRefractiveIndex(n))),
  },
  {
    title: 'Refractometer correction, °Bx',
    source: 'AOAC 932.14',
    allowed: 0.02,
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
    title: 'pH of strong buffers, to pH 6.6',
    source:
      'Dawson et al. (1986), McIlvaine (1921), Walpole (1914); sodium that pairs with citrate and phosphate is left aside, and the forecast widens its band by as much',
    allowed: 0.2,
    digits: 2,
    rows: [
      ...CITRATE.map(([ph, ml]) => row(`citrate ${ph}`, ph, buffer({ citric: 0.1 }, 3 * (100 - ml) * 0.001))),
      ...MCILVAINE.map(([ph, ml]) =>
        row(
          `citrate and phosphate ${ph}`,
          ph,
          buffer({ citric: (0.1 * (20 - ml)) / 20, phosphoric: (0.2 * ml) / 20 }, (0.4 * ml) / 20),
        ),
      ),
      ...ACETATE.map(([ph, ml]) => row(`acetate ${ph}`, ph, buffer({ acetic: 0.1 }, (50 - ml) * 0.002))),
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
    title: 'Water activity at 25 °C',
    source: 'Robinson & Stokes; Scott (1957), as tabulated by the ICMSF; Norrish model',
    allowed: 0.006,
    digits: 4,
    rows: [
      ...WATER.map(([m, a]) =>
        row(`sucrose, ${m} mol/kg`, a, waterActivity({ water: 1000, sucrose: m * 342.3 })),
      ),
      ...SUCROSE.map(([p, a]) => row(`sucrose, ${p} %`, a, waterActivity({ water: 100 - p, sucrose: p }))),
      ...GLUCOSE.map(([p, a]) => row(`glucose, ${p} %`, a, waterActivity({ water: 100 - p, glucose: p }))),
    ],
  },
  {
    title: 'Spirit and water, contracted',
    source:
      'OIML R 22 and textbooks: 50 mL of ethanol and 50 mL of water make 96.4 mL; 500 mL of 96 % and 500 mL of water',
    allowed: 0.15,
    digits: 1,
    rows: [
      row('mL of 50 + 50', 96.4, 100 * (50 / half(100, 50, 50))),
      row('% vol of 500 of 96 % + 500', 49.6, half(96, 500, 500)),
    ],
  },
  {
    title: 'Boiling point of water, °C',
    source: 'ICAO standard atmosphere',
    allowed: 0.1,
    digits: 2,
    rows: [row('0 m', 100, boilingPointOfWater(0)), row('1,524 m', 94.9, boilingPointOfWater(1524))],
  },
];
