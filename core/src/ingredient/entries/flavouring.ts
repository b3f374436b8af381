import type { Ingredient, Range } from '../types.ts';
import { FDC, lowAcid, pantry, per100g } from './make.ts';

const DISTILLED = 'a distillate holds next to no solids: its base is bounded by drinking water’s';
const OIL =
  'Food grade only, by the drop: it burns neat, and parts from water unless it is carried by spirit or sugar.';
/** Base of a distilled or alcoholic flavouring at the most, eq per 100 g. */
const LITTLE = 0.0005;

const water = (id: string, name: string, also: readonly string[] = []): Ingredient =>
  pantry(
    id,
    name,
    'flavouring',
    per100g([99.8, 0, 0, 0, 0]),
    { kind: 'unknown', ph: [4.0, 5.5, 7.0] as Range, base: LITTLE },
    {
      ...{ liquid: true, heated: true, gramsPerMl: { cup: 0.998, spoon: 0.998 }, also },
      caution: 'Food grade only. Opened, it does not keep long.',
      source: DISTILLED,
    },
  );

/** An extract in alcohol: % by weight of it, sugars in 100 g. */
const extract = (
  id: string,
  name: string,
  ethanol: number,
  rest: Partial<Ingredient> & { sugars?: number } = {},
): Ingredient => {
  const { sugars = 0, ...others } = rest;
  return pantry(
    id,
    name,
    'flavouring',
    per100g([100 - ethanol - sugars - 2, sugars, 0, 0, 0], ethanol),
    { kind: 'unknown', base: 0.006 },
    {
      ...{ liquid: true, heated: true, gramsPerMl: { cup: 0.9, spoon: 0.9 }, gramsPerPiece: { drop: 0.03 } },
      source: `${FDC}, vanilla extract; alcohol by its label`,
      ...others,
    },
  );
};

/** An essence: what it is made of and carried by is its maker's: spirit, oil or glycol. */
const essence = (of: string): Ingredient =>
  extract(`${of.toLowerCase()}-essence`, `${of} essence`, 0, {
    gramsPerMl: { cup: 1, spoon: 1 },
    caution:
      'An essence may be carried by spirit, oil or glycol, and may be synthetic: its label says. Declare it as it does.',
    source: 'as thin as water, at the most as mineral as an extract; read its label',
  });

const oil = (id: string, name: string): Ingredient =>
  pantry(
    id,
    name,
    'flavouring',
    per100g([0, 0, 0, 0, 100]),
    { kind: 'unknown', base: 0 },
    {
      ...{
        liquid: true,
        heated: true,
        gramsPerMl: { cup: 0.88, spoon: 0.88 },
        gramsPerPiece: { drop: 0.03 },
      },
      caution: OIL,
      source: 'density: typical of the oil; it holds neither water nor minerals',
    },
  );

const thickener = (id: string, name: string, tsp: number, rest: Partial<Ingredient> = {}): Ingredient =>
  pantry(
    id,
    name,
    'flavouring',
    per100g([9, 0, 0, 0, 0]),
    { kind: 'unknown', base: 0.03 },
    {
      gramsPerMl: { cup: tsp / 4.929, spoon: tsp / 4.929 },
      caution: 'A thickener changes how heat goes through: a tested process without it no longer matches.',
      ...rest,
    },
  );

/** Flower waters, extracts, oils, candied things and thickeners. */
export const flavourings: readonly Ingredient[] = [
  water('rose-water', 'Rose water', ['rosewater']),
  water('orange-flower-water', 'Orange-flower water', ['orange blossom water', 'neroli water']),
  water('elderflower-water', 'Elderflower water'),
  water('kewra-water', 'Kewra water', ['pandan flower water']),
  extract('vanilla-extract', 'Vanilla extract', 34.4, {
    sugars: 12.6,
    gramsPerMl: { cup: 0.88, spoon: 0.88 },
    also: ['pure vanilla extract'],
  }),
  extract('vanilla-paste', 'Vanilla paste', 10, {
    sugars: 50,
    gramsPerMl: { cup: 1.25, spoon: 1.25 },
    also: ['vanilla bean paste'],
  }),
  extract('almond-extract', 'Almond extract', 33, {
    allergens: ['tree-nuts'],
    labelName: 'almond extract',
    also: ['bitter almond extract bought for food'],
    caution: 'Bought for food only, never made of bitter almonds or kernels.',
  }),
  extract('lemon-extract', 'Lemon extract', 78, {
    gramsPerMl: { cup: 0.83, spoon: 0.83 },
  }),
  extract('orange-extract', 'Orange extract', 75, {
    gramsPerMl: { cup: 0.84, spoon: 0.84 },
  }),
  extract('peppermint-extract', 'Peppermint extract', 80, {
    gramsPerMl: { cup: 0.83, spoon: 0.83 },
    also: ['mint extract'],
  }),
  extract('anise-extract', 'Anise extract', 70, { gramsPerMl: { cup: 0.85, spoon: 0.85 } }),
  extract('coconut-extract', 'Coconut extract', 40, {}),
  extract('rum-extract', 'Rum extract', 35, {}),
  ...['Vanilla', 'Lemon', 'Orange', 'Peppermint', 'Coconut', 'Rum', 'Rose'].map(essence),
  { ...essence('Almond'), allergens: ['tree-nuts'], labelName: 'almond essence' },
  oil('lemon-oil', 'Lemon oil'),
  oil('orange-oil', 'Orange oil'),
  oil('lime-oil', 'Lime oil'),
  oil('bergamot-oil', 'Bergamot oil'),
  oil('peppermint-oil', 'Peppermint oil'),
  oil('cinnamon-oil', 'Cinnamon oil'),
  oil('clove-oil', 'Clove oil'),
  lowAcid('candied-ginger', 'Ginger, candied', [17, 72, 2, 2, 3], undefined, {
    family: 'flavouring',
    labelName: 'candied ginger',
    minerals: [60, 30, 15],
    gramsPerMl: { cup: 0.8 },
    gramsPerPiece: { piece: 6 },
    formOf: 'ginger',
    also: ['crystallised ginger', 'crystallized ginger', 'stem ginger'],
  }),
  lowAcid('candied-orange-peel', 'Orange peel, candied', [17, 60, 8, 8, 5], undefined, {
    family: 'flavouring',
    labelName: 'candied orange peel',
    minerals: [40, 40, 8],
    gramsPerMl: { cup: 0.7 },
    formOf: 'orange-peel',
    also: ['candied orange'],
  }),
  lowAcid('candied-lemon-peel', 'Lemon peel, candied', [17, 60, 8, 8, 5], undefined, {
    family: 'flavouring',
    labelName: 'candied lemon peel',
    minerals: [40, 40, 8],
    gramsPerMl: { cup: 0.7 },
    formOf: 'lemon-peel',
    also: ['candied lemon'],
  }),
  thickener('pectin', 'Pectin powder', 3, {
    also: ['pectin', 'powdered pectin', 'fruit pectin', 'apple pectin'],
    caution: 'It sets with sugar and acid. A tested process without it no longer matches.',
  }),
  thickener('gum-arabic', 'Gum arabic', 2.6, { also: ['acacia gum', 'acacia powder', 'gum acacia'] }),
  thickener('xanthan', 'Xanthan gum', 2.5, { also: ['xanthan'] }),
  thickener('agar', 'Agar powder', 2, { also: ['agar', 'agar agar'] }),
  thickener('cornflour', 'Cornflour', 2.7, { also: ['cornstarch', 'corn starch'] }),
  pantry(
    'glycerine',
    'Glycerine',
    'flavouring',
    per100g([0.5, 0, 0, 0, 0]),
    { kind: 'neutral' },
    {
      liquid: true,
      heated: true,
      gramsPerMl: { cup: 1.26, spoon: 1.26 },
      also: ['glycerin', 'glycerol', 'vegetable glycerine'],
      labelName: 'glycerine',
      source: 'density: CRC Handbook',
    },
  ),
];
