import type { Ingredient } from '../types.ts';
import { driedHerb, herb } from './make.ts';

const SURE = 'Be sure of the plant, and of a place that is not sprayed.';
const sprig = (grams: number, leaf?: number) => ({
  gramsPerPiece: { sprig: grams, ...(leaf ? { leaf } : {}), stem: grams, bunch: 30 },
});

/** A herb of which the leaves are used: "basil leaves" are basil. */
const leafy = (id: string, name: string, water: number, rest: Parameters<typeof herb>[3]): Ingredient =>
  herb(id, name, water, { ...rest, also: [...(rest?.also ?? []), `${name} leaf`] });

/** Fresh leaves and stems, and the same dried. */
export const herbs: readonly Ingredient[] = [
  herb('basil', 'Basil leaves', 92.1, {
    labelName: 'basil',
    cup: 24,
    minerals: [295, 177, 64, 4],
    ...sprig(2, 0.5),
    also: ['basil'],
  }),
  leafy('thyme', 'Thyme', 65.1, { tsp: 0.8, minerals: [609, 405, 160, 9], ...sprig(0.8) }),
  leafy('lemon-thyme', 'Lemon thyme', 65.1, { tsp: 0.8, minerals: [609, 405, 160, 9], ...sprig(0.8) }),
  herb('sage', 'Sage leaves', 66, {
    labelName: 'sage',
    cup: 30,
    minerals: [400, 600, 160],
    ...sprig(1.5, 0.3),
    also: ['sage'],
    caution: 'Sage holds thujone: a few leaves, not a tea of it every day.',
  }),
  leafy('pineapple-sage', 'Pineapple sage', 80, { cup: 25, ...sprig(1.5, 0.3) }),
  leafy('oregano', 'Oregano', 75, { cup: 30, minerals: [350, 430, 80], ...sprig(1) }),
  leafy('marjoram', 'Marjoram', 76, { cup: 30, minerals: [380, 500, 90], ...sprig(1) }),
  leafy('tarragon', 'Tarragon', 80, { cup: 30, minerals: [650, 250, 75, 13], ...sprig(1.2) }),
  herb('dill', 'Dill', 86, {
    cup: 9,
    minerals: [738, 208, 55, 61],
    ...sprig(1),
    also: ['dill weed', 'dill frond'],
  }),
  herb('fennel', 'Fennel bulb', 90.2, {
    labelName: 'fennel',
    cup: 87,
    sugars: 3.9,
    minerals: [414, 49, 17, 52],
    gramsPerPiece: { each: 234, bulb: 234 },
    also: ['fennel'],
  }),
  herb('fennel-frond', 'Fennel fronds', 86, { cup: 10, minerals: [738, 208, 55, 61], ...sprig(1) }),
  leafy('parsley', 'Parsley', 87.7, { cup: 60, minerals: [554, 138, 50, 56], ...sprig(1) }),
  herb('coriander-leaf', 'Coriander leaves', 92.2, {
    labelName: 'coriander',
    cup: 16,
    minerals: [521, 67, 26, 46],
    ...sprig(1),
    also: ['cilantro'],
  }),
  leafy('chervil', 'Chervil', 81, { cup: 15, ...sprig(0.8) }),
  leafy('lemon-balm', 'Lemon balm', 85, { cup: 22, ...sprig(1.5, 0.2), also: ['melissa'] }),
  leafy('lemon-verbena', 'Lemon verbena', 78, {
    cup: 15,
    ...sprig(1.5, 0.15),
    also: ['verbena', 'verbena leaf'],
  }),
  herb('peppermint', 'Peppermint leaves', 78.7, {
    labelName: 'peppermint',
    cup: 26,
    minerals: [569, 243, 80, 31],
    ...sprig(1.5, 0.15),
    also: ['peppermint'],
  }),
  herb('lemongrass', 'Lemongrass', 70.6, {
    cup: 67,
    minerals: [723, 65, 60, 6],
    gramsPerPiece: { each: 20, stalk: 20, stem: 20, stick: 20 },
    also: ['lemon grass', 'lemongrass stalk'],
  }),
  herb('makrut-leaf', 'Makrut lime leaves', 65, {
    labelName: 'makrut lime leaves',
    gramsPerPiece: { each: 0.8, leaf: 0.8 },
    also: ['makrut leaf', 'lime leaf', 'makrut lime leaf'],
  }),
  herb('curry-leaf', 'Curry leaves', 66, {
    cup: 20,
    minerals: [500, 810, 216],
    gramsPerPiece: { each: 0.2, leaf: 0.2, sprig: 3 },
  }),
  herb('bay', 'Bay leaves, fresh', 60, {
    labelName: 'bay leaves',
    gramsPerPiece: { each: 0.6, leaf: 0.6 },
    also: ['bay', 'bay leaf', 'bay laurel leaf'],
    caution: 'Bay laurel only: cherry laurel is poisonous.',
  }),
  herb('shiso', 'Shiso leaves', 87, {
    labelName: 'shiso',
    cup: 17,
    minerals: [500, 230, 70],
    gramsPerPiece: { each: 0.8, leaf: 0.8 },
    also: ['shiso', 'perilla', 'perilla leaf', 'red shiso', 'green shiso'],
  }),
  herb('rose-geranium', 'Rose geranium leaves', 80, {
    labelName: 'rose geranium',
    gramsPerPiece: { each: 0.8, leaf: 0.8 },
    cup: 18,
    also: ['rose geranium', 'scented geranium leaf'],
  }),
  leafy('hyssop', 'Hyssop', 75, {
    cup: 25,
    ...sprig(1),
    caution: 'Not in pregnancy, nor for people with fits.',
  }),
  herb('nettle', 'Nettle tops', 83, {
    labelName: 'nettles',
    cup: 40,
    minerals: [334, 481, 57, 4],
    ...sprig(2),
    also: ['nettle', 'stinging nettle', 'nettle leaf'],
    caution: SURE,
  }),
  herb('sorrel', 'Sorrel leaves', 93, {
    labelName: 'sorrel',
    cup: 60,
    minerals: [390, 44, 103, 4],
    also: ['garden sorrel', 'sorrel leaf'],
    caution:
      'Sorrel holds oxalate: not for people with kidney stones. In the Caribbean “sorrel” is hibiscus.',
  }),
  herb('angelica', 'Angelica stems', 87, {
    labelName: 'angelica',
    gramsPerPiece: { stem: 20, stalk: 20 },
    also: ['angelica'],
    caution: `Makes skin burn in the sun. ${SURE} Hemlock looks like it.`,
  }),
  herb('fig-leaf', 'Fig leaves', 70, {
    gramsPerPiece: { each: 6, leaf: 6 },
    caution:
      'The sap burns skin in the sun, and the leaf holds furocoumarins and coumarin: a few leaves, dried or toasted.',
  }),
  herb('blackcurrant-leaf', 'Blackcurrant leaves', 70, { gramsPerPiece: { each: 0.8, leaf: 0.8 }, cup: 12 }),
  herb('raspberry-leaf', 'Raspberry leaves', 72, {
    gramsPerPiece: { each: 0.6, leaf: 0.6 },
    cup: 12,
    caution: 'Not in pregnancy without asking.',
  }),
  herb('vine-leaf', 'Vine leaves', 73, {
    minerals: [272, 363, 95, 9],
    gramsPerPiece: { each: 3, leaf: 3 },
    also: ['grape leaf', 'grapevine leaf'],
  }),
  herb('pine-needle', 'Pine needles', 55, {
    cup: 25,
    caution: 'Be sure of the tree: yew is deadly, and some pines are not eaten. Not in pregnancy.',
  }),
  herb('fir-tip', 'Fir tips', 70, { cup: 40, caution: 'Be sure of the tree: yew is deadly.' }),
  herb('aloe', 'Aloe gel', 98.5, {
    labelName: 'aloe',
    cup: 240,
    also: ['aloe vera', 'aloe vera gel'],
    caution: 'The clear gel only: the yellow sap under the skin is a strong purgative.',
  }),
  herb('mushroom', 'Mushrooms', 92.4, { cup: 70, sugars: 2, minerals: [318, 3, 9, 5] }),
  herb('sugar-cane', 'Sugar cane', 72, { sugars: 13, minerals: [150, 18, 13], gramsPerPiece: { stick: 60 } }),
  driedHerb('dried-mint', 'Mint, dried', {
    labelName: 'mint',
    tsp: 0.5,
    minerals: [1924, 1488, 602, 344],
    formOf: 'mint',
    also: ['dried mint leaf'],
  }),
  driedHerb('dried-thyme', 'Thyme, dried', {
    labelName: 'thyme',
    tsp: 1,
    minerals: [814, 1890, 220, 55],
    formOf: 'thyme',
  }),
  driedHerb('dried-rosemary', 'Rosemary, dried', {
    labelName: 'rosemary',
    tsp: 1.2,
    minerals: [955, 1280, 220, 50],
    formOf: 'rosemary',
  }),
  driedHerb('dried-sage', 'Sage, dried', {
    labelName: 'sage',
    tsp: 0.7,
    minerals: [1070, 1652, 428, 11],
    formOf: 'sage',
  }),
  driedHerb('dried-oregano', 'Oregano, dried', {
    labelName: 'oregano',
    tsp: 1,
    minerals: [1260, 1597, 270, 25],
    formOf: 'oregano',
  }),
  driedHerb('dried-basil', 'Basil, dried', {
    labelName: 'basil',
    tsp: 0.7,
    minerals: [2630, 2240, 711, 76],
    formOf: 'basil',
  }),
  driedHerb('dried-bay', 'Bay leaves, dried', {
    labelName: 'bay leaves',
    minerals: [529, 834, 120, 23],
    gramsPerPiece: { each: 0.2, leaf: 0.2 },
    formOf: 'bay',
    also: ['dried bay leaf', 'dried bay'],
  }),
  driedHerb('dried-lemon-balm', 'Lemon balm, dried', {
    labelName: 'lemon balm',
    tsp: 0.6,
    cup: 20,
    formOf: 'lemon-balm',
  }),
  driedHerb('dried-lemon-verbena', 'Lemon verbena, dried', {
    labelName: 'lemon verbena',
    tsp: 0.5,
    cup: 15,
    formOf: 'lemon-verbena',
  }),
  driedHerb('dried-lemongrass', 'Lemongrass, dried', {
    labelName: 'lemongrass',
    tsp: 1,
    formOf: 'lemongrass',
    also: ['dried lemon grass'],
  }),
  driedHerb('dried-nettle', 'Nettle, dried', {
    labelName: 'nettle',
    tsp: 0.7,
    minerals: [1750, 2900, 860],
    formOf: 'nettle',
    also: ['dried nettle leaf'],
  }),
];
