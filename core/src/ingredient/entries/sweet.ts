import type { Ingredient } from '../types.ts';
import { FDC, lowAcid, pantry, per100g } from './make.ts';

const neutral = { kind: 'neutral' } as const;
const cups = (cup: number) => ({ cup: cup / 236.588, spoon: cup / 236.588 });
const BODYLESS = 'A sweetener gives neither body nor keeping: what sugar did for the pan is gone.';
const INTENSE = `${BODYLESS} It is hundreds of times as sweet as sugar: never by weight for weight.`;

type Parts = readonly [number, number, number, number, number];

const sugar = (
  id: string,
  name: string,
  parts: Parts,
  gramsPerCup: number,
  rest: Partial<Ingredient> = {},
): Ingredient =>
  pantry(id, name, 'sugar', per100g(parts), neutral, { gramsPerMl: cups(gramsPerCup), ...rest });

/** A syrup whose acids are not known by kind: its base is bounded by its minerals. */
const syrup = (id: string, name: string, parts: Parts, rest: Parameters<typeof lowAcid>[4]): Ingredient => ({
  ...lowAcid(id, name, parts, undefined, rest),
  ...{ family: 'sugar', liquid: true, heated: true, gramsPerMl: rest?.gramsPerMl ?? cups(330) },
});

const polyol = (id: string, name: string, gramsPerCup: number, rest: Partial<Ingredient> = {}): Ingredient =>
  pantry(id, name, 'sweetener', per100g([0.5, 0, 0, 0, 0]), neutral, {
    ...{ labelName: `${name.toLowerCase()}`, gramsPerMl: { cup: gramsPerCup / 236.588 } },
    ...{
      caution: `${BODYLESS} Much of it purges: say so on the label.`,
      source: `${FDC}; declare it by its name and function`,
      ...rest,
    },
  });

/** Sugars, syrups and sweeteners beyond the ones that every kitchen has. */
export const sweetThings: readonly Ingredient[] = [
  sugar('icing-sugar', 'Icing sugar', [0.3, 96.5, 0, 0, 0], 120, {
    also: ['powdered sugar', "confectioners' sugar", 'confectioner sugar'],
    caution: 'It holds about 3 % starch: it clouds.',
  }),
  sugar('golden-caster-sugar', 'Golden caster sugar', [0.3, 99.0, 0.2, 0.2, 0], 195, {
    also: ['golden sugar', 'golden granulated sugar'],
  }),
  sugar('dark-muscovado', 'Dark muscovado sugar', [2.0, 89.0, 2.0, 2.0, 0], 220, {
    also: ['dark muscovado', 'dark brown sugar'],
  }),
  sugar('jaggery', 'Jaggery', [5.0, 80.0, 5.0, 5.0, 0.5], 220, {
    also: ['gur'],
  }),
  sugar('palm-sugar', 'Palm sugar', [3.0, 84.0, 4.0, 4.0, 0.5], 190, {
    also: ['palm sugar'],
  }),
  sugar('rock-sugar', 'Rock sugar', [0.1, 99.8, 0, 0, 0], 210, { also: ['candy sugar', 'rock candy'] }),
  sugar('maple-sugar', 'Maple sugar', [8.0, 84.8, 2.6, 2.6, 0], 156),
  sugar('beet-sugar', 'Beet sugar', [0.1, 99.9, 0, 0, 0], 200, { labelName: 'sugar' }),
  sugar('dextrose', 'Dextrose powder', [9.0, 0, 91.0, 0, 0], 150, {
    labelName: 'dextrose',
    also: ['glucose powder', 'dextrose', 'powdered glucose'],
  }),
  sugar('fructose', 'Fructose powder', [0.1, 0, 0, 99.8, 0], 180, {
    labelName: 'fructose',
    also: ['fructose', 'fruit sugar'],
  }),
  sugar('maltodextrin', 'Maltodextrin', [5.0, 0, 3.0, 0, 0], 100),
  sugar('invert-syrup', 'Invert sugar syrup', [23.0, 4.0, 36.5, 36.5, 0], 335, {
    labelName: 'invert sugar syrup',
    liquid: true,
    heated: true,
    also: ['invert sugar', 'invert syrup'],
  }),
  sugar('simple-syrup', 'Simple syrup', [50.0, 50.0, 0, 0, 0], 291, {
    labelName: 'sugar syrup',
    liquid: true,
    heated: true,
    also: ['simple sugar syrup'],
    source: 'by its name: equal weights of sugar and water',
  }),
  sugar('rich-syrup', 'Rich syrup', [33.3, 66.7, 0, 0, 0], 314, {
    labelName: 'sugar syrup',
    liquid: true,
    heated: true,
    also: ['rich simple syrup', 'rich sugar syrup'],
    source: 'by its name: two weights of sugar to one of water',
  }),
  syrup('golden-syrup', 'Golden syrup', [18.0, 33.0, 23.0, 23.0, 0], {
    minerals: [60, 26, 10, 270],
    gramsPerMl: cups(340),
    also: ['light treacle'],
    source: `${FDC}; base: its minerals, at the most`,
  }),
  syrup('molasses', 'Molasses', [21.9, 29.4, 11.9, 12.8, 0], {
    minerals: [1464, 205, 242, 37],
    gramsPerMl: cups(337),
    also: ['molasses', 'black treacle', 'treacle', 'blackstrap molasses'],
    source: `${FDC}; pH 4.9 to 5.4: FDA list; base: all of its minerals, at the most`,
  }),
  syrup('agave-syrup', 'Agave syrup', [22.9, 0, 12.4, 55.6, 0.2], {
    minerals: [4, 1, 1, 4],
    gramsPerMl: cups(330),
    also: ['agave', 'agave nectar'],
  }),
  syrup('date-syrup', 'Date syrup', [25.0, 1.0, 33.0, 33.0, 0.5], {
    minerals: [650, 60, 60, 10],
    gramsPerMl: cups(330),
    also: ['silan', 'date molasses'],
  }),
  syrup('rice-syrup', 'Rice syrup', [20.0, 0, 3.0, 0, 0], {
    minerals: [30, 5, 5, 20],
    gramsPerMl: cups(330),
    also: ['brown rice syrup', 'rice malt syrup'],
  }),
  syrup('malt-syrup', 'Barley malt syrup', [20.0, 3.0, 5.0, 1.0, 0], {
    minerals: [320, 61, 72, 35],
    allergens: ['barley'],
    labelName: 'malt syrup (from barley)',
    gramsPerMl: cups(336),
    also: ['malt extract', 'malt syrup', 'barley malt'],
  }),
  syrup('sorghum-syrup', 'Sorghum syrup', [22.9, 35.0, 17.0, 14.0, 0], {
    minerals: [1000, 150, 100, 8],
    gramsPerMl: cups(330),
  }),
  syrup('corn-syrup', 'Corn syrup', [22.8, 0, 20.0, 0, 0], {
    minerals: [1, 13, 1, 62],
    gramsPerMl: cups(341),
    also: ['light corn syrup', 'karo'],
    source: `${FDC}; pH 5: FDA list`,
  }),
  syrup('birch-syrup', 'Birch syrup', [33.0, 1.0, 25.0, 33.0, 0], {
    minerals: [300, 100, 50, 5],
    gramsPerMl: cups(315),
  }),
  syrup('pomegranate-molasses', 'Pomegranate molasses', [30.0, 1.0, 28.0, 28.0, 0], {
    minerals: [900, 40, 40, 10],
    gramsPerMl: cups(320),
    also: ['pomegranate syrup'],
    caution:
      'Some are sweetened or soured with more than the fruit: read the label. Its acids are not counted.',
  }),
  polyol('maltitol', 'Maltitol', 190),
  polyol('sorbitol', 'Sorbitol', 180),
  polyol('isomalt', 'Isomalt', 190),
  polyol('mannitol', 'Mannitol', 170),
  polyol('allulose', 'Allulose', 190, {
    also: ['psicose'],
    caution: `${BODYLESS} It is not allowed as a food everywhere: ask your authority.`,
  }),
  polyol('inulin', 'Inulin', 110, { labelName: 'inulin (fibre)', also: ['chicory fibre', 'inulin powder'] }),
  polyol('monk-fruit', 'Monk fruit extract', 100, {
    labelName: 'monk fruit extract',
    caution: `${INTENSE} It is not allowed as a food everywhere.`,
  }),
  polyol('saccharin', 'Saccharin', 100, { caution: INTENSE }),
  polyol('acesulfame', 'Acesulfame K', 100, { labelName: 'acesulfame K', caution: INTENSE }),
  polyol('aspartame', 'Aspartame', 100, {
    labelName: 'aspartame',
    caution: `${INTENSE} Heat and acid destroy it; its label names phenylalanine.`,
  }),
];
