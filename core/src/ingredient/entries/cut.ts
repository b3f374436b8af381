import type { Shape } from '../../quantity/index.ts';
import type { Ingredient } from '../types.ts';

/** Grams in a US cup of a thing as it is cut: USDA FoodData Central, household measures. */
const CUT: Readonly<Record<string, Partial<Record<Shape, number>>>> = {
  apple: { chopped: 125, sliced: 110, grated: 105 },
  apricot: { sliced: 155, pureed: 244 },
  banana: { sliced: 150, pureed: 225 },
  beet: { chopped: 136, sliced: 136, grated: 110 },
  cantaloupe: { chopped: 160 },
  carrot: { chopped: 128, sliced: 122, grated: 110 },
  celery: { chopped: 101 },
  cranberry: { chopped: 110 },
  cucumber: { chopped: 133, sliced: 104 },
  fennel: { sliced: 87 },
  ginger: { chopped: 100, sliced: 96, grated: 100 },
  honeydew: { chopped: 170 },
  kiwi: { sliced: 180 },
  mango: { chopped: 165, pureed: 246 },
  melon: { chopped: 160 },
  nectarine: { sliced: 143 },
  papaya: { chopped: 145, pureed: 230 },
  peach: { chopped: 154, sliced: 154, pureed: 250 },
  pear: { chopped: 160, sliced: 140 },
  pineapple: { chopped: 165, pureed: 246 },
  plum: { chopped: 165, sliced: 165 },
  pumpkin: { chopped: 116, pureed: 245 },
  quince: { chopped: 130, sliced: 120, grated: 110 },
  raspberry: { pureed: 250 },
  rhubarb: { chopped: 122, sliced: 122 },
  strawberry: { sliced: 166, pureed: 232 },
  tomato: { chopped: 180, pureed: 245 },
  watermelon: { chopped: 152 },
  'white-peach': { chopped: 154, sliced: 154 },
};

const ML_PER_CUP = 236.588;

/** An entry with what a cup of it weighs as it is cut; the first of them where nothing else is known of a cup. */
export function withCuts(entry: Ingredient): Ingredient {
  const cut = CUT[entry.id];
  if (!cut) return entry;
  const perMl = Object.fromEntries(Object.entries(cut).map(([shape, grams]) => [shape, grams / ML_PER_CUP]));
  return { ...entry, gramsPerMl: { cup: Object.values(perMl)[0]!, ...perMl, ...entry.gramsPerMl } };
}
