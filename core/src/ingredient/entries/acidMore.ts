import type { Ingredient } from '../types.ts';
import { pantry, per100g } from './make.ts';

const CRC = 'molar mass: CRC Handbook; spoon weight: typical, weigh it';
const spoon = (grams: number) => ({ cup: grams / 4.929, spoon: grams / 4.929 });
const BASE = 'It takes acid away: measure pH after it, and never before a bottle is judged by its acid.';

/** Acids, their salts, salts and preservatives beyond the ones that every kitchen has. */
export const salts: readonly Ingredient[] = [
  pantry(
    'lactic-acid',
    'Lactic acid, 88 %',
    'acid',
    per100g([12, 0, 0, 0, 0]),
    { kind: 'acid', acid: 'lactic', per100g: 88 },
    {
      labelName: 'lactic acid',
      liquid: true,
      gramsPerMl: { cup: 1.2, spoon: 1.2 },
      also: ['lactic acid'],
      source: CRC,
    },
  ),
  pantry(
    'phosphoric-acid',
    'Phosphoric acid, 75 %',
    'acid',
    per100g([25, 0, 0, 0, 0]),
    { kind: 'acid', acid: 'phosphoric', per100g: 75 },
    {
      labelName: 'phosphoric acid',
      liquid: true,
      gramsPerMl: { cup: 1.58, spoon: 1.58 },
      also: ['phosphoric acid', 'acid phosphate'],
      caution: 'It burns. Food grade only, and only as your rule allows.',
      source: CRC,
    },
  ),
  pantry(
    'succinic-acid',
    'Succinic acid',
    'acid',
    per100g([0.5, 0, 0, 0, 0]),
    { kind: 'acid', acid: 'succinic', per100g: 99.5 },
    { gramsPerMl: spoon(4.5), source: CRC },
  ),
  pantry(
    'cream-of-tartar',
    'Cream of tartar',
    'acid',
    per100g([0.5, 0, 0, 0, 0]),
    { kind: 'salt', acid: 'tartaric', molPer100g: 0.5288, basePer100g: 0.5288 },
    {
      labelName: 'cream of tartar',
      gramsPerMl: spoon(3),
      also: ['potassium bitartrate'],
      caution: 'It is half neutralised: it sours little.',
      source: CRC,
    },
  ),
  pantry(
    'sodium-citrate',
    'Sodium citrate',
    'acid',
    per100g([12.2, 0, 0, 0, 0]),
    { kind: 'salt', acid: 'citric', molPer100g: 0.34, basePer100g: 1.02 },
    {
      labelName: 'sodium citrate',
      gramsPerMl: spoon(4.5),
      also: ['trisodium citrate'],
      caution: BASE,
      source: `${CRC}; dihydrate, 294.10 g/mol`,
    },
  ),
  pantry(
    'baking-soda',
    'Baking soda',
    'flavouring',
    per100g([0.2, 0, 0, 0, 0]),
    { kind: 'salt', molPer100g: 0, basePer100g: 1.19 },
    {
      labelName: 'sodium bicarbonate',
      gramsPerMl: spoon(4.6),
      also: ['bicarbonate of soda', 'sodium bicarbonate', 'bicarb'],
      caution: BASE,
      source: `${CRC}; its carbonic acid goes off as gas`,
    },
  ),
  pantry(
    'calcium-carbonate',
    'Calcium carbonate',
    'flavouring',
    per100g([0.2, 0, 0, 0, 0]),
    { kind: 'salt', molPer100g: 0, basePer100g: 2.0 },
    { gramsPerMl: spoon(2.7), also: ['chalk', 'precipitated chalk'], caution: BASE, source: CRC },
  ),
  pantry(
    'calcium-chloride',
    'Calcium chloride',
    'flavouring',
    per100g([24.5, 0, 0, 0, 0]),
    { kind: 'neutral' },
    { gramsPerMl: spoon(4), source: CRC },
  ),
  pantry(
    'potassium-metabisulphite',
    'Potassium metabisulphite',
    'preservative',
    per100g([0.5, 0, 0, 0, 0]),
    { kind: 'unknown', base: 0.9 },
    {
      labelName: 'potassium metabisulphite',
      allergens: ['sulphites'],
      gramsPerMl: spoon(6),
      also: ['potassium metabisulfite', 'sulphite', 'campden powder'],
      caution: 'A sulphite: declared as an allergen, limited by law, and it makes some people gasp.',
      source: '21 CFR 182.3637',
    },
  ),
  pantry(
    'sea-salt-flakes',
    'Sea salt flakes',
    'flavouring',
    per100g([3, 0, 0, 0, 0]),
    { kind: 'neutral' },
    {
      labelName: 'salt',
      gramsPerMl: spoon(2.5),
      also: ['flaky salt', 'salt flake', 'flaky sea salt', 'kosher salt'],
      caution:
        'Salt shifts a refractometer: it reads as sugar. A spoon of flakes is half as much as of fine salt.',
    },
  ),
  pantry(
    'black-salt',
    'Black salt',
    'flavouring',
    per100g([1, 0, 0, 0, 0]),
    { kind: 'neutral' },
    {
      labelName: 'black salt',
      gramsPerMl: spoon(5.5),
      also: ['kala namak'],
      caution: 'Salt shifts a refractometer: it reads as sugar.',
    },
  ),
  pantry(
    'celery-salt',
    'Celery salt',
    'flavouring',
    per100g([2, 0, 0, 0, 20]),
    { kind: 'unknown', base: 0.04 },
    { labelName: 'celery salt', allergens: ['celery'], gramsPerMl: spoon(5) },
  ),
];
