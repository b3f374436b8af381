import type { Ingredient } from '../types.ts';
import { driedHerb, FDC, lowAcid, pantry, per100g, spice } from './make.ts';

const SERVE = 'At serving only, never in the bottle: it is low in acid and full of food for germs.';

const leaf = (id: string, name: string, rest: Parameters<typeof driedHerb>[2]): Ingredient =>
  driedHerb(id, name, { tsp: 0.9, cup: 45, minerals: [2000, 430, 210, 30], ...rest });

const milk = (
  id: string,
  name: string,
  parts: readonly [number, number, number, number, number],
  rest: Parameters<typeof lowAcid>[4],
): Ingredient => ({
  ...lowAcid(id, name, parts, undefined, { minerals: [150, 125, 12, 45], ...rest }),
  ...{ family: 'juice', liquid: true, servingOnly: true, caution: SERVE, gramsPerMl: { cup: 1.03 } },
});

/** Teas, coffee, and what goes into the glass at serving. */
export const brewed: readonly Ingredient[] = [
  leaf('green-tea', 'Green tea leaves', { labelName: 'green tea', also: ['green tea', 'sencha'] }),
  leaf('white-tea', 'White tea leaves', { labelName: 'white tea', tsp: 0.5, cup: 25, also: ['white tea'] }),
  leaf('oolong', 'Oolong tea leaves', { labelName: 'oolong tea', also: ['oolong', 'oolong tea'] }),
  leaf('jasmine-tea', 'Jasmine tea leaves', { labelName: 'jasmine tea', also: ['jasmine tea'] }),
  leaf('bergamot-tea', 'Black tea with bergamot', { labelName: 'bergamot tea', also: ['bergamot tea'] }),
  leaf('smoked-tea', 'Smoked tea leaves', {
    labelName: 'smoked tea',
    also: ['smoked tea', 'smoked black tea'],
  }),
  leaf('rooibos', 'Rooibos', { also: ['rooibos tea', 'red bush tea'], minerals: [700, 300, 200, 300] }),
  leaf('mate', 'Mate leaves', {
    labelName: 'mate',
    also: ['mate', 'yerba mate'],
    minerals: [1500, 700, 600, 20],
  }),
  leaf('matcha', 'Matcha powder', {
    labelName: 'matcha',
    tsp: 2,
    cup: 95,
    minerals: [2700, 420, 230, 6],
    also: ['matcha'],
  }),
  spice('coffee-bean', 'Coffee beans, roasted', 3, {
    labelName: 'coffee',
    tsp: 2,
    cup: 80,
    minerals: [2000, 120, 200, 5],
    gramsPerPiece: { each: 0.13 },
    formOf: 'coffee',
    also: ['coffee bean', 'whole coffee bean'],
  }),
  {
    ...lowAcid('brewed-coffee', 'Coffee, brewed', [99.4, 0, 0, 0, 0], [4.8, 5.1, 5.5], {
      minerals: [49, 2, 3, 2],
      also: ['brewed coffee', 'espresso', 'cold brew', 'filter coffee'],
    }),
    family: 'juice',
    liquid: true,
    heated: true,
    gramsPerMl: { cup: 1 },
  },
  {
    ...lowAcid('brewed-tea', 'Black tea, brewed', [99.7, 0, 0, 0, 0], [4.9, 5.2, 5.6], {
      minerals: [37, 0, 3, 3],
      also: ['brewed tea', 'strong tea', 'strong black tea'],
    }),
    family: 'juice',
    liquid: true,
    heated: true,
    gramsPerMl: { cup: 1 },
  },
  milk('milk', 'Milk', [88.1, 0, 2.4, 2.4, 3.3], { allergens: ['milk'], also: ['cow milk', 'whole milk'] }),
  milk('cream', 'Cream', [57.7, 0, 1.4, 1.4, 37], {
    allergens: ['milk'],
    also: ['double cream', 'heavy cream', 'single cream'],
  }),
  milk('buttermilk', 'Buttermilk', [90.0, 0, 2.4, 2.4, 1.5], { allergens: ['milk'] }),
  milk('yoghurt', 'Yoghurt', [87.9, 0, 2.3, 2.3, 3.5], {
    allergens: ['milk'],
    also: ['yogurt', 'plain yoghurt'],
  }),
  milk('condensed-milk', 'Condensed milk, sweetened', [27.2, 44.0, 5.2, 5.2, 8.7], {
    allergens: ['milk'],
    labelName: 'condensed milk',
    also: ['condensed milk'],
  }),
  milk('soy-milk', 'Soy milk', [92.7, 0.4, 0.3, 0.3, 2], { allergens: ['soy'], also: ['soya milk'] }),
  milk('almond-milk', 'Almond milk', [96.5, 0.4, 0.1, 0.1, 1.5], {
    allergens: ['tree-nuts'],
    labelName: 'almond milk',
  }),
  milk('rice-milk', 'Rice milk', [89.3, 0, 4.0, 0.5, 1], {}),
  milk('coconut-milk', 'Coconut milk', [67.6, 3.3, 0, 0, 24], { also: ['coconut cream'] }),
  pantry(
    'sparkling-water',
    'Sparkling water',
    'water',
    per100g([100, 0, 0, 0, 0]),
    { kind: 'neutral' },
    {
      ...{
        liquid: true,
        servingOnly: true,
        gramsPerMl: { cup: 0.998 },
        also: ['soda water', 'carbonated water', 'seltzer', 'club soda'],
      },
      caution: 'At serving: gas in a bottle that is not made for it bursts it.',
      source: 'definition',
    },
  ),
  pantry(
    'tonic-water',
    'Tonic water',
    'water',
    per100g([91.1, 4.0, 2.4, 2.4, 0]),
    { kind: 'unknown', ph: [2.4, 2.6, 3.0], base: 0.002 },
    {
      ...{ liquid: true, servingOnly: true, lowAcid: true, gramsPerMl: { cup: 1.03 } },
      caution: 'At serving: it holds quinine, and its gas bursts a bottle that is not made for it.',
      source: FDC,
    },
  ),
];
