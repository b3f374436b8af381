import type { Ingredient } from '../types.ts';
import { lowAcid } from './make.ts';

const juice = { family: 'juice', gramsPerMl: { cup: 1.02 }, liquid: true } as const;
const fruit = { family: 'fruit' } as const;
const dried = { family: 'flavouring' } as const;
const PIECES =
  'Pieces left in must themselves reach pH 4.6 within a day: strain them out, or blend and measure.';

export const lowAcidThings: readonly Ingredient[] = [
  lowAcid('fig', 'Figs', [79.1, 0.1, 9.3, 6.9, 2.6], [5.05, 5.5, 5.98], {
    minerals: [232, 35, 17],
    ...fruit,
    gramsPerPiece: { each: 50 },
  }),
  lowAcid('date', 'Dates', [20.5, 23.8, 19.9, 19.6, 7.5], [6.3, 6.5, 6.6], {
    minerals: [656, 39, 43],
    dried: true,
    ...fruit,
    gramsPerPiece: { each: 7 },
  }),
  lowAcid('papaya', 'Papaya', [88.1, 0, 4.1, 3.7, 1.6], [5.2, 5.6, 6.0], {
    ...fruit,
    minerals: [182, 20, 21],
  }),
  lowAcid('melon', 'Melon', [90.2, 4.4, 1.5, 1.9, 0.9], [6.1, 6.3, 6.6], {
    ...fruit,
    minerals: [228, 6, 10, 18],
  }),
  lowAcid('watermelon', 'Watermelon', [91.5, 1.2, 1.6, 3.4, 0.4], [5.2, 5.4, 5.6], {
    ...fruit,
    minerals: [112, 7, 10],
  }),
  lowAcid('banana', 'Bananas, peeled', [74.9, 2.4, 5.0, 4.9, 2.4], [4.5, 4.9, 5.2], {
    minerals: [358, 5, 27],
    ...fruit,
    labelName: 'bananas',
    gramsPerPiece: { each: 118 },
  }),
  lowAcid('mango', 'Mango, ripe', [83.5, 7.0, 2.0, 4.7, 1.5], [3.4, 4.2, 4.8], {
    minerals: [168, 11, 10],
    ...fruit,
    labelName: 'mango',
    gramsPerPiece: { each: 200 },
  }),
  lowAcid('white-peach', 'White peaches, stoned', [88.0, 5.5, 1.8, 1.6, 1.4], undefined, {
    minerals: [190, 6, 9],
    ...fruit,
    labelName: 'peaches',
    caution: 'White-fleshed peaches are low-acid, unlike yellow ones.',
  }),
  lowAcid('persimmon', 'Persimmon', [80.3, 1.5, 5.4, 5.6, 3.4], [4.42, 4.6, 4.7], {
    ...fruit,
    minerals: [161, 8, 9],
  }),
  lowAcid('elderberry', 'Elderberries, stripped', [79.8, 0.2, 3.4, 3.6, 6.5], undefined, {
    minerals: [280, 38, 5],
    ...fruit,
    labelName: 'elderberries',
    gramsPerMl: { cup: 145 / 236.588 },
    poisonousRaw: true,
    caution: 'Raw elderberries, leaves and stems are poisonous: strip and boil.',
  }),
  lowAcid('cherry', 'Dark sweet cherries, stoned', [82.3, 0.2, 6.6, 5.4, 1.9], [3.8, 4.0, 4.5], {
    minerals: [222, 13, 11],
    ...fruit,
    labelName: 'cherries',
    gramsPerMl: { cup: 154 / 236.588 },
    caution: 'Ripe dark cherries can pass pH 4.2: acidify and measure.',
  }),
  lowAcid('mulberry', 'Mulberries', [87.7, 0.1, 4.0, 4.0, 1.5], undefined, {
    ...fruit,
    minerals: [194, 39, 18],
  }),
  lowAcid('tomato', 'Tomatoes', [94.5, 0, 1.3, 1.4, 1.1], [4.3, 4.5, 4.9], {
    minerals: [237, 10, 11],
    ...fruit,
    gramsPerPiece: { each: 120 },
  }),
  lowAcid('cucumber', 'Cucumber', [95.2, 0, 0.8, 0.9, 0.5], [5.1, 5.4, 5.8], { minerals: [147, 16, 13] }),
  lowAcid('pumpkin', 'Pumpkin', [91.6, 0.8, 1.0, 0.9, 0.5], [4.9, 5.2, 5.5], { minerals: [340, 21, 12] }),
  lowAcid('carrot', 'Carrots', [88.3, 3.6, 0.6, 0.6, 2.6], [5.9, 6.1, 6.4], { minerals: [320, 33, 12, 69] }),
  lowAcid('beet', 'Beetroot', [87.6, 6.5, 0.1, 0.1, 2.6], [5.3, 5.9, 6.6], { minerals: [325, 16, 23, 78] }),
  lowAcid('celery', 'Celery', [95.4, 0.1, 0.4, 0.4, 1.5], [5.7, 5.8, 6.0], {
    minerals: [260, 40, 11, 80],
    allergens: ['celery'],
  }),
  lowAcid('chilli', 'Chillies', [88.0, 0, 2.0, 3.0, 1.4], [5.2, 5.5, 5.9], {
    minerals: [322, 14, 23],
    gramsPerPiece: { each: 15 },
    caution: PIECES,
  }),
  lowAcid('lychee', 'Lychees, peeled', [81.8, 5.0, 5.0, 5.0, 1.2], [4.7, 4.9, 5.0], {
    minerals: [171, 5, 10],
    ...fruit,
    labelName: 'lychees',
  }),
  lowAcid('coconut-water', 'Coconut water', [95.0, 0.9, 0.9, 0.8, 1.0], [4.7, 5.2, 5.6], {
    ...juice,
    minerals: [250, 24, 25, 105],
  }),
  lowAcid('ginger', 'Ginger root', [78.9, 0.2, 0.7, 0.8, 2.0], [5.6, 5.75, 5.9], {
    minerals: [415, 16, 43, 13],
    labelName: 'ginger',
    gramsPerPiece: { each: 60, inch: 12, slice: 3, thumb: 15, knob: 15, hand: 120 },
    caution: PIECES,
  }),
  lowAcid('garlic', 'Garlic', [58.6, 0.6, 0.2, 0.2, 2.1], [5.8, 6.0, 6.4], {
    minerals: [401, 181, 25, 17],
    gramsPerPiece: { clove: 4 },
    caution: PIECES,
  }),
  lowAcid('mint', 'Mint leaves', [85.0, 0, 0.5, 0.5, 6.8], undefined, {
    minerals: [569, 243, 80, 31],
    labelName: 'mint',
    gramsPerPiece: { sprig: 1.5, leaf: 0.1, stem: 1.5, bunch: 30 },
    caution: PIECES,
  }),
  lowAcid('rosemary', 'Rosemary', [67.8, 0, 0.5, 0.5, 14.1], undefined, {
    minerals: [668, 317, 91, 26],
    gramsPerPiece: { sprig: 2 },
    caution: PIECES,
  }),
  lowAcid('elderflower', 'Elderflower heads', [80.0, 0, 0.5, 0.5, 8.0], undefined, {
    labelName: 'elderflowers',
    gramsPerMl: { cup: 20 / 236.588 },
    gramsPerPiece: { each: 10, head: 10 },
  }),
  lowAcid('rose-petal', 'Rose petals', [84.0, 0, 0.5, 0.5, 6.0], undefined, {
    gramsPerMl: { cup: 0.08 },
    caution: 'Food-grade petals only, never a florist’s.',
  }),
  lowAcid('spruce-tip', 'Spruce tips', [70.0, 0, 1.0, 1.0, 18.0], undefined, {
    gramsPerMl: { cup: 0.25 },
    caution: 'Be sure of the tree: yew is deadly.',
  }),
  lowAcid('birch-sap', 'Birch sap', [98.9, 0, 0.5, 0.5, 0], undefined, { ...juice, minerals: [15, 6, 2] }),
  lowAcid('vanilla', 'Vanilla pods', [30.0, 0, 3.0, 3.0, 40.0], undefined, {
    ...dried,
    labelName: 'vanilla',
    gramsPerPiece: { each: 3, pod: 3 },
  }),
  lowAcid('cinnamon', 'Cinnamon sticks', [10.6, 0, 1.0, 1.0, 53.0], undefined, {
    minerals: [431, 1002, 60, 10],
    ...dried,
    labelName: 'cinnamon',
    gramsPerPiece: { each: 4, stick: 4 },
  }),
  lowAcid('cardamom', 'Cardamom pods', [8.3, 0, 0.5, 0.5, 50.0], undefined, {
    minerals: [1119, 383, 229, 18],
    ...dried,
    labelName: 'cardamom',
    gramsPerPiece: { each: 0.2, pod: 0.2 },
  }),
  lowAcid('clove', 'Cloves', [9.9, 0, 1.0, 1.0, 50.0], undefined, {
    minerals: [1020, 632, 259, 277],
    ...dried,
    gramsPerPiece: { each: 0.08 },
  }),
  lowAcid('black-tea', 'Tea leaves', [7.0, 0, 0.5, 0.5, 55.0], undefined, {
    minerals: [2000, 430, 210, 30],
    ...dried,
    labelName: 'tea',
    gramsPerMl: { cup: 0.3, spoon: 0.4 },
  }),
  lowAcid('coffee', 'Coffee, ground', [3.0, 0, 0.2, 0.2, 70.0], undefined, {
    minerals: [2000, 120, 200, 5],
    ...dried,
    labelName: 'coffee',
    gramsPerMl: { cup: 0.37 },
  }),
  lowAcid('almond', 'Almonds', [4.4, 4.0, 0.1, 0.1, 62.0], undefined, {
    minerals: [733, 269, 270],
    ...dried,
    allergens: ['tree-nuts'],
    labelName: 'almonds',
    gramsPerMl: { cup: 143 / 236.588 },
  }),
];
