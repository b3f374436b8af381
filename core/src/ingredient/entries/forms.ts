import type { Ingredient } from '../types.ts';
import { FDC, fruit, TABLES } from './make.ts';

const cup = (gramsPerUsCup: number) => ({ cup: gramsPerUsCup / 236.588 });
const FROZEN = 'Frozen berries: boil them at least 1 minute, they are not washed of everything.';
const frozen = { frozen: true, caution: FROZEN } as const;

/** A dried fruit is the fresh one with water gone: its acids are the fresh fruit's on the same dry matter. */
const dried = (entry: Ingredient, freshWater: number): Ingredient => {
  const times = (100 - entry.per100g.water) / (100 - freshWater);
  return {
    ...entry,
    dried: true,
    acidity: { ...(entry.acidity as Juice), freshWater, times },
    source: DRIED,
  };
};
type Juice = Extract<Ingredient['acidity'], { kind: 'juice' }>;
const DRIED = `${FDC}; acidity: that of the fresh fruit on its dry matter, typical; measure your own`;

/** The same fruit, frozen, dried or bottled: what stands in for fresh, with its own figures. */
export const forms: readonly Ingredient[] = [
  fruit(
    'frozen-sour-cherry',
    'Sour cherries, frozen',
    [87.2, 0.8, 3.9, 3.3, 1.6],
    [3.25, 3.45, 3.82],
    [0.9, 1.3, 1.8],
    { malic: 0.93, citric: 0.07 },
    { labelName: 'sour cherries', gramsPerMl: cup(155), formOf: 'sour-cherry', ...frozen },
  ),
  fruit(
    'frozen-raspberry',
    'Raspberries, frozen',
    [85.8, 0.2, 1.9, 2.4, 5.5],
    [3.22, 3.4, 3.95],
    [1.2, 1.6, 2.0],
    { citric: 0.95, malic: 0.05 },
    { labelName: 'raspberries', gramsPerMl: cup(140), formOf: 'raspberry', ...frozen },
  ),
  fruit(
    'frozen-strawberry',
    'Strawberries, frozen',
    [90.0, 0.4, 1.9, 2.3, 2.1],
    [3.0, 3.4, 3.9],
    [0.6, 0.9, 1.2],
    { citric: 0.85, malic: 0.15 },
    { labelName: 'strawberries', gramsPerMl: cup(149), formOf: 'strawberry', ...frozen },
  ),
  fruit(
    'frozen-blackcurrant',
    'Blackcurrants, frozen',
    [82.0, 0.7, 2.9, 3.7, 5.0],
    [2.8, 2.95, 3.15],
    [2.6, 3.2, 4.0],
    { citric: 0.9, malic: 0.1 },
    { labelName: 'blackcurrants', gramsPerMl: cup(112), formOf: 'blackcurrant', pectinRich: true, ...frozen },
  ),
  dried(
    fruit(
      'dried-sour-cherry',
      'Sour cherries, dried',
      [19.0, 3.0, 27.0, 22.0, 6.0],
      [3.25, 3.45, 3.82],
      [1.0, 1.4, 1.9],
      { malic: 0.93, citric: 0.07 },
      { labelName: 'dried sour cherries', gramsPerMl: cup(160), formOf: 'sour-cherry' },
    ),
    86.1,
  ),
  dried(
    fruit(
      'dried-apricot',
      'Apricots, dried',
      [30.9, 7.9, 33.1, 12.5, 7.3],
      [3.3, 3.7, 4.4],
      [0.8, 1.2, 1.7],
      { malic: 0.6, citric: 0.4 },
      {
        labelName: 'dried apricots',
        gramsPerMl: cup(130),
        gramsPerPiece: { each: 7 },
        formOf: 'apricot',
        allergens: ['sulphites'],
      },
    ),
    86.4,
  ),
  dried(
    fruit(
      'dried-apple',
      'Apples, dried',
      [31.8, 4.0, 16.0, 37.0, 8.7],
      [3.3, 3.6, 4.0],
      [0.3, 0.5, 0.9],
      { malic: 0.95, citric: 0.05 },
      {
        labelName: 'dried apples',
        gramsPerMl: cup(86),
        formOf: 'apple',
        allergens: ['sulphites'],
      },
    ),
    85.6,
  ),
  {
    ...fruit(
      'bottled-lime-juice',
      'Lime juice, bottled',
      [92.8, 0.1, 0.7, 0.7, 0.1],
      [2.2, 2.35, 2.6],
      [5.4, 5.8, 6.2],
      { citric: 0.97, malic: 0.03 },
    ),
    labelName: 'lime juice',
    family: 'juice',
    gramsPerMl: { cup: 1.03 },
    liquid: true,
    heated: true,
    allergens: ['sulphites'],
    formOf: 'lime-juice',
    source: `${FDC}; ${TABLES}`,
  },
];
