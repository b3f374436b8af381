import { equilibriumPh, titrationEndpoint } from '@inch/core/acid';
import { cylinderCentre } from '@inch/core/heat';
import { evaporationRate } from '@inch/core/pan';
import { waterDensity } from '@inch/core/sugar';
import { missesOf, simulatedPans } from './simulatedPans.mjs';

const row = (what, published, computed) => ({
  what,
  published,
  computed,
  error: Math.abs(computed - published),
});

/** A pan of water 280 mm wide, where it does not boil before 95 °C. */
const STILL = {
  diameterMm: 280,
  fire: 'medium',
  lid: 'off',
  brix: 0,
  elevationMetres: -400,
  grams: 3000,
};
const SQUARE_METRES = (Math.PI / 4) * 0.28 ** 2;

const jar = {
  radiusMetres: 0.03,
  halfHeightMetres: 0.05,
  diffusivity: 1.5e-7,
  startCelsius: 20,
  surfaceCelsius: 100,
};

/** 10 mL of acetic acid titrated with 0.1 N base by charge balance, the burette read every quarter millilitre: mL to pH 8.2. */
function endpointRow(molPerL) {
  const points = Array.from({ length: 49 }, (_, i) => {
    const ml = i / 4;
    const kg = (10 + ml) / 1000;
    const acids = { acetic: (molPerL * 0.01) / kg };
    return { ml, ph: equilibriumPh({ acids, baseEquivalents: (0.1 * ml) / 1000 / kg }).ph };
  });
  return row(`${molPerL} mol/L acetic`, molPerL * 100, titrationEndpoint(points));
}

/** The reduction forecast held against 500 pans boiled second by second, read three times with 3 % noise. */
function reductionRows() {
  const { covered, medianError } = missesOf(simulatedPans(500, 11));
  return [
    {
      what: 'share inside the 80 % interval, 0.75 to 0.88',
      published: 0.8,
      computed: covered,
      error: Math.max(0, 0.75 - covered, covered - 0.88),
    },
    {
      what: 'median error of the minutes left, under 0.10',
      published: 0.1,
      computed: medianError,
      error: Math.max(0, medianError - 0.1),
    },
  ];
}

/** Tables of the pan, the burette and the bottle in its bath. */
export const panTables = () => [
  {
    title: 'Endpoint of a titration, mL',
    source: 'equivalents of the acid over those of 0.1 N base; curves by charge balance',
    allowed: 0.1,
    digits: 2,
    rows: [0.05, 0.08, 0.1].map(endpointRow),
  },
  {
    title: 'Minutes left of a reduction, over 500 simulated pans',
    source:
      'pans boiled second by second at a rate known within 15 %, after the third reading with 3 % noise; the error is how far outside of what is asked',
    allowed: 0,
    digits: 3,
    rows: reductionRows,
  },
  {
    title: 'Water off a still surface, kg on a square metre in an hour',
    source:
      'ASHRAE Handbook, HVAC Applications (pools without swimmers), with vapour pressures of the steam tables: 19.9, 57.9, 84.6 kPa; the error is relative',
    allowed: 0.05,
    digits: 2,
    rows: [
      [60, 2.55],
      [85, 7.9],
      [95, 11.8],
    ].map(([celsius, published]) => {
      const computed = (evaporationRate({ ...STILL, celsius }).gramsPerMinute * 60) / 1000 / SQUARE_METRES;
      return { what: `${celsius} °C`, published, computed, error: Math.abs(computed / published - 1) };
    }),
  },
  {
    title: 'Water off a full boil, g a minute for each kW',
    source: 'latent heat of water, 2,257 kJ/kg: 26.6 g, less what the wall loses; the error is relative',
    allowed: 0.1,
    digits: 1,
    rows: [0.8, 1.2, 2].map((kw) => {
      const computed =
        evaporationRate({ ...STILL, celsius: 100, elevationMetres: 0, fire: kw }).gramsPerMinute / kw;
      return { what: `${kw} kW`, published: 26.6, computed, error: Math.abs(computed / 26.6 - 1) };
    }),
  },
  {
    title: 'Density of water, g/mL',
    source: 'CRC Handbook; Kell (1975)',
    allowed: 0.0001,
    digits: 5,
    rows: [
      [4, 0.99997],
      [20, 0.99821],
      [60, 0.9832],
      [90, 0.9653],
      [100, 0.9584],
    ].map(([t, d]) => row(`${t} °C`, d, waterDensity(t))),
  },
  {
    title: 'Centre of a finite cylinder in a bath, °C',
    source:
      'product of the slab and infinite-cylinder series, radius 3 cm, half-height 5 cm, 1.5e-7 m²/s, 20 into 100 °C',
    allowed: 0.5,
    digits: 2,
    rows: [
      row('1,200 s', 60.6, cylinderCentre({ ...jar, seconds: 1200 })),
      row('3,600 s', 97.0, cylinderCentre({ ...jar, seconds: 3600 })),
    ],
  },
];
