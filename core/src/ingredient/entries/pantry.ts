import { tapWater } from '../own.ts';
import type { Ingredient } from '../types.ts';
import { FDC, pantry, per100g } from './make.ts';

const neutral = { kind: 'neutral' } as const;
const cups = (cup: number, spoon = cup) => ({ cup: cup / 236.588, spoon: spoon / 236.588 });
const LABEL = 'strength: as declared on the label; titrate before relying on it';

const sugar = (
  id: string,
  name: string,
  sucrose: number,
  water: number,
  gramsPerCup: number,
  rest: Partial<Ingredient> = {},
) =>
  pantry(id, name, 'sugar', per100g([water, sucrose, 0, 0, 0]), neutral, {
    gramsPerMl: cups(gramsPerCup),
    ...rest,
  });

const vinegar = (id: string, name: string, acetic: number | null, rest: Partial<Ingredient> = {}) =>
  pantry(
    id,
    name,
    'vinegar',
    per100g([98.6 - (acetic ?? 5), 0, 0.2, 0.2, 0]),
    { kind: 'vinegar', aceticPer100g: acetic },
    { gramsPerMl: { cup: 1.006 }, liquid: true, heated: true, source: LABEL, ...rest },
  );

const food = (
  id: string,
  name: string,
  acid: 'citric' | 'malic' | 'tartaric' | 'ascorbic',
  purity: number,
  gramsPerSpoon: number,
) =>
  pantry(
    id,
    name,
    'acid',
    per100g([100 - purity, 0, 0, 0, 0]),
    { kind: 'acid', acid, per100g: purity },
    {
      labelName: `${acid} acid`,
      gramsPerMl: { cup: gramsPerSpoon / 14.787, spoon: gramsPerSpoon / 14.787 },
      caution: 'A spoon of crystals varies by a third: weigh it once.',
      source: 'molar mass: CRC Handbook; spoon weight: typical, weigh it',
    },
  );

export const staples: readonly Ingredient[] = [
  pantry('water', 'Water', 'water', per100g([100, 0, 0, 0, 0]), tapWater(), {
    gramsPerMl: { cup: 0.998 },
    liquid: true,
    source: 'definition; alkalinity: drinking waters lie between 0.2 and 6 meq/L, say your own',
  }),
  pantry('distilled-water', 'Water, distilled', 'water', per100g([100, 0, 0, 0, 0]), neutral, {
    labelName: 'water',
    gramsPerMl: { cup: 0.998 },
    liquid: true,
    also: ['distilled water', 'deionised water', 'deionized water', 'rain water', 'reverse osmosis water'],
    source: 'definition',
  }),
  sugar('sugar', 'Sugar, white', 99.9, 0.1, 200, { labelName: 'sugar' }),
  sugar('cane-sugar', 'Sugar, raw cane', 98.0, 0.5, 200, { labelName: 'cane sugar' }),
  sugar('brown-sugar', 'Sugar, soft brown', 94.0, 1.3, 220, { labelName: 'brown sugar' }),
  pantry(
    'honey',
    'Honey',
    'sugar',
    per100g([17.1, 0.9, 35.8, 40.9, 0]),
    { kind: 'juice', ph: [3.7, 3.9, 4.2], taPer100g: [0.1, 0.2, 0.35], split: { gluconic: 1 } },
    {
      gramsPerMl: cups(339),
      liquid: true,
      caution: 'Honey: not for infants under one year. Say so on the label.',
      source: `${FDC}; pH: FDA list; acidity: typical`,
    },
  ),
  pantry(
    'maple-syrup',
    'Maple syrup',
    'sugar',
    per100g([32.4, 58.3, 1.6, 0.5, 0]),
    { kind: 'unknown', ph: [5.0, 5.15, 5.3], base: 0.0125 },
    { gramsPerMl: cups(315), liquid: true, heated: true, lowAcid: true },
  ),
  pantry('glucose-syrup', 'Glucose syrup', 'sugar', per100g([19, 0, 40, 0, 0]), neutral, {
    gramsPerMl: cups(330),
    liquid: true,
    heated: true,
  }),
  food('citric-anhydrous', 'Citric acid, anhydrous', 'citric', 99.8, 13),
  food('citric-monohydrate', 'Citric acid, monohydrate', 'citric', 91.4, 13),
  food('malic-acid', 'Malic acid', 'malic', 99.5, 13),
  food('tartaric-acid', 'Tartaric acid', 'tartaric', 99.7, 14),
  food('ascorbic-acid', 'Ascorbic acid', 'ascorbic', 99.5, 12),
  vinegar('cider-vinegar', 'Cider vinegar, 5 %', 5, { labelName: 'cider vinegar' }),
  vinegar('white-vinegar', 'Distilled white vinegar, 5 %', 5, { labelName: 'distilled vinegar' }),
  vinegar('wine-vinegar', 'White wine vinegar, 6 %', 6, {
    labelName: 'wine vinegar',
    allergens: ['sulphites'],
  }),
  vinegar('malt-vinegar', 'Malt vinegar, 5 %', 5, {
    labelName: 'malt vinegar (from barley)',
    allergens: ['barley'],
  }),
  vinegar('raw-cider-vinegar', 'Unpasteurised vinegar with the mother, 5 %', 5, {
    labelName: 'unpasteurised cider vinegar',
    heated: false,
    caution: 'It was not pasteurised: what it goes into after the heating counts as never heated.',
  }),
  vinegar('home-vinegar', 'Home-made vinegar', null, {
    labelName: 'vinegar',
    heated: false,
    caution: 'Its strength is not known: titrate it before it is used.',
  }),
  pantry('vodka', 'Neutral spirit, 40 %', 'spirit', per100g([66.7, 0, 0, 0, 0], 33.3), neutral, {
    labelName: 'neutral spirit',
    gramsPerMl: { cup: 0.948 },
    liquid: true,
    caution: 'A little spirit flavours; it preserves nothing below 15 % ABV.',
    source: 'OIML alcoholometric tables',
  }),
  pantry('brandy', 'Brandy, 40 %', 'spirit', per100g([66.5, 0, 0.2, 0, 0], 33.3), neutral, {
    labelName: 'brandy',
    gramsPerMl: { cup: 0.95 },
    liquid: true,
    source: 'OIML alcoholometric tables',
  }),
  pantry(
    'potassium-sorbate',
    'Potassium sorbate',
    'preservative',
    per100g([0.5, 0, 0, 0, 0]),
    { kind: 'salt', acid: 'sorbic', molPer100g: 0.6657, basePer100g: 0.6657 },
    {
      labelName: 'potassium sorbate',
      gramsPerMl: { cup: 0.6 },
      caution: 'At most 0.1 % by weight; it never holds botulism or salmonella.',
      source: '21 CFR 182.3640',
    },
  ),
  pantry(
    'sodium-benzoate',
    'Sodium benzoate',
    'preservative',
    per100g([0.5, 0, 0, 0, 0]),
    { kind: 'salt', acid: 'benzoic', molPer100g: 0.694, basePer100g: 0.694 },
    {
      labelName: 'sodium benzoate',
      gramsPerMl: { cup: 0.7 },
      caution: 'At most 0.1 % by weight in the United States; it never holds botulism or salmonella.',
      source: '21 CFR 184.1733',
    },
  ),
  pantry(
    'lemon-peel',
    'Lemon peel',
    'flavouring',
    per100g([81.6, 0.5, 1.8, 1.8, 10.6]),
    { kind: 'juice', ph: [3.9, 4.3, 4.8], taPer100g: [0.2, 0.35, 0.5], split: { citric: 0.7, malic: 0.3 } },
    {
      gramsPerPiece: { each: 15, strip: 2, twist: 2, lemon: 15 },
      gramsPerMl: cups(96),
      caution: 'Left too long, peel turns bitter.',
      source: `${FDC}; pH and acidity: typical`,
    },
  ),
  pantry(
    'orange-peel',
    'Orange peel',
    'flavouring',
    per100g([72.5, 1.5, 4, 4, 10.6]),
    { kind: 'juice', ph: [4.0, 4.5, 4.9], taPer100g: [0.15, 0.3, 0.45], split: { citric: 0.7, malic: 0.3 } },
    {
      gramsPerPiece: { each: 30, strip: 3, twist: 2, orange: 30 },
      gramsPerMl: cups(96),
      caution: 'Left too long, peel turns bitter.',
      source: `${FDC}; pH and acidity: typical`,
    },
  ),
  pantry('salt', 'Salt', 'flavouring', per100g([0.2, 0, 0, 0, 0]), neutral, {
    gramsPerMl: cups(292),
    caution: 'Salt shifts a refractometer: it reads as sugar.',
    source: FDC,
  }),
];
