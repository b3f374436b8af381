import type { Acids } from '../acid/index.ts';
import type { Ingredient, Range } from './types.ts';

export const FDA = 'pH: FDA, Approximate pH of Foods and Food Products (2007)';
export const FDC = 'composition: USDA FoodData Central';
export const TABLES = 'acidity and split: typical of published fruit composition tables; measure your own';

const plain = { lowAcid: false, allergens: [], pectinRich: false, liquid: false } as const;

/** Water, sucrose, glucose, fructose and insoluble matter, g per 100 g. */
type Parts = readonly [water: number, sucrose: number, glucose: number, fructose: number, insoluble: number];

export const per100g = (
  [water, sucrose, glucose, fructose, insoluble]: Parts,
  ethanol = 0,
): Ingredient['per100g'] => ({
  water,
  sucrose,
  glucose,
  fructose,
  insoluble,
  ethanol,
});

type Rest = Partial<Omit<Ingredient, 'id' | 'name' | 'per100g' | 'acidity'>>;

/** A fruit whose acidity is known from its pH and titratable acidity. */
export function fruit(
  id: string,
  name: string,
  parts: Parts,
  ph: Range,
  taPer100g: Range,
  split: Acids,
  rest: Rest = {},
): Ingredient {
  return {
    ...plain,
    id,
    name,
    labelName: name.toLowerCase(),
    family: 'fruit',
    per100g: per100g(parts),
    acidity: { kind: 'juice', ph, taPer100g, split },
    source: `${FDC}; ${FDA}; ${TABLES}`,
    ...rest,
  };
}

/** Something that counts as low-acid and whose pH has to be measured. */
export function lowAcid(
  id: string,
  name: string,
  parts: Parts,
  ph: Range | undefined,
  rest: Rest = {},
): Ingredient {
  return {
    ...plain,
    id,
    name,
    labelName: name.toLowerCase(),
    family: 'plant',
    per100g: per100g(parts),
    acidity: ph ? { kind: 'unknown', ph } : { kind: 'unknown' },
    source: ph ? `${FDC}; ${FDA}` : FDC,
    ...rest,
    lowAcid: true,
  };
}

/** Anything else, with its own acidity. */
export function pantry(
  id: string,
  name: string,
  family: Ingredient['family'],
  composition: Ingredient['per100g'],
  acidity: Ingredient['acidity'],
  rest: Rest = {},
): Ingredient {
  return {
    ...plain,
    id,
    name,
    labelName: name.toLowerCase(),
    family,
    per100g: composition,
    acidity,
    source: FDC,
    ...rest,
  };
}
