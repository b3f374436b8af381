import type { Acids } from '../../acid/index.ts';
import type { Ingredient, Range } from '../types.ts';
import { FDC, fruit, pantry, per100g } from './make.ts';

const LABEL = 'strength: as declared on the label; titrate before relying on it';
const OIML = 'OIML alcoholometric tables; strength as the label declares it';
const neutral = { kind: 'neutral' } as const;

const vinegar = (
  id: string,
  name: string,
  acetic: number | null,
  rest: Partial<Ingredient> & { sugars?: number } = {},
): Ingredient => {
  const { sugars = 0, ...others } = rest;
  return pantry(
    id,
    name,
    'vinegar',
    per100g([98.4 - (acetic ?? 5) - sugars, 0, 0.1 + sugars / 2, 0.1 + sugars / 2, 0]),
    { kind: 'vinegar', aceticPer100g: acetic },
    {
      ...{ gramsPerMl: { cup: 1.006 }, liquid: true, heated: true, source: LABEL },
      ...others,
    },
  );
};

/** A spirit by its % ABV: ethanol by weight is 0.7893 × ABV over its density. */
const spirit = (
  id: string,
  name: string,
  abv: number,
  rest: Partial<Ingredient> & { sugars?: number } = {},
): Ingredient => {
  const { sugars = 0, ...others } = rest;
  const density = 0.998 - 0.00125 * abv + sugars * 0.004;
  const ethanol = Number(((0.7893 * abv) / density).toFixed(1));
  return pantry(
    id,
    name,
    'spirit',
    per100g([Number((100 - ethanol - sugars).toFixed(1)), sugars, 0, 0, 0], ethanol),
    neutral,
    {
      ...{ gramsPerMl: { cup: Number(density.toFixed(3)) }, liquid: true, source: OIML },
      ...{ caution: 'A little spirit flavours; it preserves nothing below 15 % ABV.', ...others },
    },
  );
};

/** Wine, cider and beer: its acids by pH and titration, its alcohol by weight. */
function wine(
  id: string,
  name: string,
  abv: number,
  acids: { ph: Range; ta: Range; split: Acids; sugars?: number },
  rest: Partial<Ingredient> = {},
): Ingredient {
  const { ph, ta, split, sugars = 0.5 } = acids;
  const ethanol = Number((0.7893 * abv).toFixed(1));
  return {
    ...fruit(id, name, [97.5 - ethanol - sugars, 0, sugars / 2, sugars / 2, 0], ph, ta, split),
    ...{ family: 'spirit', liquid: true, heated: false, gramsPerMl: { cup: 0.99 + sugars * 0.004 } },
    per100g: per100g([97.5 - ethanol - sugars, 0, sugars / 2, sugars / 2, 0], ethanol),
    allergens: ['sulphites'],
    labelName: `${name.split(',')[0]!.toLowerCase()}`,
    source: `${FDC}; pH and acidity: typical of the kind`,
    ...rest,
  };
}

const GRAPE: Acids = { tartaric: 0.5, malic: 0.25, lactic: 0.25 };

/** Vinegars by kind, spirits, liqueurs, bitters, wine and beer. */
export const cellar: readonly Ingredient[] = [
  vinegar('rice-vinegar', 'Rice vinegar, 4.2 %', 4.2, {
    labelName: 'rice vinegar',
    also: ['rice vinegar', 'rice wine vinegar', 'unseasoned rice vinegar'],
    caution: 'Weaker than cider vinegar. Seasoned rice vinegar holds sugar and salt: not this.',
  }),
  vinegar('red-wine-vinegar', 'Red wine vinegar, 6 %', 6, {
    labelName: 'red wine vinegar',
    allergens: ['sulphites'],
    also: ['red wine vinegar'],
  }),
  vinegar('sherry-vinegar', 'Sherry vinegar, 7 %', 7, {
    labelName: 'sherry vinegar',
    allergens: ['sulphites'],
    also: ['sherry vinegar'],
  }),
  vinegar('balsamic-vinegar', 'Balsamic vinegar, 6 %', 6, {
    sugars: 16,
    labelName: 'balsamic vinegar',
    allergens: ['sulphites'],
    gramsPerMl: { cup: 1.08 },
    also: ['balsamic', 'balsamic vinegar'],
  }),
  vinegar('white-balsamic', 'White balsamic vinegar, 6 %', 6, {
    sugars: 14,
    labelName: 'white balsamic vinegar',
    allergens: ['sulphites'],
    gramsPerMl: { cup: 1.07 },
    also: ['white balsamic', 'white balsamic vinegar'],
  }),
  vinegar('coconut-vinegar', 'Coconut vinegar, 4.5 %', 4.5, {
    labelName: 'coconut vinegar',
    also: ['coconut vinegar'],
  }),
  vinegar('cane-vinegar', 'Cane vinegar, 5 %', 5, {
    labelName: 'cane vinegar',
    also: ['cane vinegar', 'sugar cane vinegar'],
  }),
  vinegar('date-vinegar', 'Date vinegar, 5 %', 5, { labelName: 'date vinegar', also: ['date vinegar'] }),
  vinegar('spirit-vinegar-10', 'Spirit vinegar, 10 %', 10, {
    labelName: 'spirit vinegar',
    also: ['spirit vinegar 10', 'strong vinegar'],
    caution: 'Twice as strong as table vinegar.',
  }),
  vinegar('black-vinegar', 'Black rice vinegar', null, {
    labelName: 'black rice vinegar (may contain wheat)',
    allergens: ['wheat'],
    also: ['black vinegar', 'chinese black vinegar'],
    caution: 'Its strength and grain differ by maker: titrate it, and read its label.',
  }),
  vinegar('fruit-vinegar', 'Fruit vinegar', null, {
    labelName: 'fruit vinegar',
    also: ['fruit vinegar'],
    caution: 'Its strength differs by maker: titrate it before it is used.',
  }),
  vinegar('kombucha-vinegar', 'Kombucha vinegar', null, {
    labelName: 'kombucha vinegar',
    heated: false,
    also: ['tea fungus vinegar', 'strong kombucha'],
    caution: 'Its strength is not known: titrate it before it is used.',
  }),
  spirit('gin', 'Gin, 40 %', 40, { labelName: 'gin', also: ['gin', 'dry gin'] }),
  spirit('white-rum', 'White rum, 40 %', 40, { labelName: 'rum', also: ['white rum', 'light rum'] }),
  spirit('dark-rum', 'Dark rum, 40 %', 40, { labelName: 'rum', also: ['dark rum', 'aged rum', 'gold rum'] }),
  spirit('whisky', 'Whisky, 40 %', 40, {
    labelName: 'whisky',
    also: ['whisky', 'whiskey'],
  }),
  spirit('tequila', 'Tequila, 40 %', 40, { labelName: 'tequila', also: ['tequila'] }),
  spirit('pisco', 'Grape spirit, 40 %', 40, { labelName: 'grape spirit', also: ['grappa', 'marc'] }),
  spirit('fruit-brandy', 'Fruit brandy, 40 %', 40, {
    labelName: 'fruit brandy',
    also: ['fruit brandy'],
  }),
  spirit('grain-spirit', 'Grain spirit, 95 %', 95, {
    labelName: 'grain spirit',
    also: ['rectified spirit', 'neutral alcohol', 'pure alcohol'],
    caution: 'It catches fire: no flame near it. Thin it before you taste it.',
  }),
  spirit('orange-liqueur', 'Orange liqueur, 40 %', 40, {
    sugars: 22,
    labelName: 'orange liqueur',
    also: ['orange liqueur'],
  }),
  spirit('coffee-liqueur', 'Coffee liqueur, 20 %', 20, {
    sugars: 40,
    labelName: 'coffee liqueur',
    also: ['coffee liqueur'],
  }),
  spirit('elderflower-liqueur', 'Elderflower liqueur, 20 %', 20, {
    sugars: 20,
    labelName: 'elderflower liqueur',
    also: ['elderflower liqueur'],
  }),
  spirit('bitters', 'Aromatic bitters, 44 %', 44, {
    labelName: 'aromatic bitters',
    gramsPerPiece: { dash: 0.8, drop: 0.04 },
    also: ['bitters', 'aromatic bitters', 'cocktail bitters'],
  }),
  spirit('orange-bitters', 'Orange bitters, 40 %', 40, {
    labelName: 'orange bitters',
    gramsPerPiece: { dash: 0.8, drop: 0.04 },
    also: ['orange bitters'],
  }),
  wine(
    'red-wine',
    'Red wine, 13 %',
    13,
    { ph: [3.3, 3.6, 4.0], ta: [0.4, 0.55, 0.75], split: GRAPE },
    { also: ['red wine'] },
  ),
  wine(
    'white-wine',
    'White wine, 12 %',
    12,
    { ph: [2.9, 3.3, 3.6], ta: [0.5, 0.65, 0.9], split: GRAPE },
    { also: ['white wine', 'dry white wine'] },
  ),
  wine(
    'rose-wine',
    'Rosé wine, 12 %',
    12,
    { ph: [3.0, 3.3, 3.6], ta: [0.5, 0.6, 0.85], split: GRAPE },
    { also: ['rosé', 'rosé wine'] },
  ),
  wine(
    'sparkling-wine',
    'Sparkling wine, 12 %',
    12,
    { ph: [2.9, 3.1, 3.4], ta: [0.55, 0.7, 0.9], split: GRAPE, sugars: 1.2 },
    { also: ['sparkling wine'] },
  ),
  wine(
    'port',
    'Fortified red wine, 19 %',
    19,
    { ph: [3.4, 3.7, 4.0], ta: [0.35, 0.45, 0.6], split: GRAPE, sugars: 10 },
    { also: ['port', 'port wine', 'ruby port'] },
  ),
  wine(
    'sherry',
    'Fortified white wine, dry, 17 %',
    17,
    { ph: [3.0, 3.3, 3.7], ta: [0.35, 0.45, 0.6], split: GRAPE },
    { also: ['sherry', 'dry sherry'] },
  ),
  wine(
    'dry-vermouth',
    'Dry vermouth, 18 %',
    18,
    { ph: [3.0, 3.3, 3.6], ta: [0.4, 0.55, 0.7], split: GRAPE, sugars: 4 },
    { also: ['dry vermouth', 'white vermouth'] },
  ),
  wine(
    'sweet-vermouth',
    'Sweet vermouth, 16 %',
    16,
    { ph: [3.1, 3.4, 3.7], ta: [0.4, 0.5, 0.65], split: GRAPE, sugars: 14 },
    { also: ['sweet vermouth', 'red vermouth'] },
  ),
  wine(
    'hard-cider',
    'Fermented cider, 5 %',
    5,
    { ph: [3.2, 3.6, 4.0], ta: [0.3, 0.5, 0.8], split: { malic: 0.7, lactic: 0.3 }, sugars: 3 },
    { also: ['hard cider', 'dry cider', 'alcoholic cider'] },
  ),
  wine(
    'sake',
    'Sake, 15 %',
    15,
    {
      ph: [4.0, 4.3, 4.6],
      ta: [0.1, 0.15, 0.25],
      split: { succinic: 0.5, lactic: 0.3, malic: 0.2 },
      sugars: 3,
    },
    { lowAcid: true, allergens: [], labelName: 'sake' },
  ),
  wine(
    'beer',
    'Beer, 5 %',
    5,
    { ph: [4.0, 4.3, 4.7], ta: [0.1, 0.2, 0.3], split: { lactic: 0.5, citric: 0.3, malic: 0.2 }, sugars: 1 },
    {
      lowAcid: true,
      allergens: ['barley'],
      labelName: 'beer (from barley)',
      also: ['beer', 'ale', 'lager', 'stout'],
    },
  ),
];
