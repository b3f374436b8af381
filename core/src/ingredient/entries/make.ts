import type { Acids } from '../../acid/index.ts';
import type { Ingredient, Range } from '../types.ts';

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

/** Potassium, calcium, magnesium and sodium, mg per 100 g. */
export type Minerals = readonly [k: number, ca: number, mg: number, na?: number];

/** Milligrams of a mineral that carry one milliequivalent. */
const MG_PER_MEQ = [39.1, 20.04, 12.15, 22.99] as const;

/** Strong base in 100 g at the most, eq: all of its minerals, none of them bound by chloride, sulphate or phosphate. */
export const baseOf = (minerals: Minerals): number =>
  minerals.reduce<number>((sum, mg, i) => sum + (mg ?? 0) / MG_PER_MEQ[i]!, 0) / 1000;

/** Something that counts as low-acid and whose pH has to be measured. */
export function lowAcid(
  id: string,
  name: string,
  parts: Parts,
  ph: Range | undefined,
  rest: Rest & { minerals?: Minerals } = {},
): Ingredient {
  const { minerals, ...others } = rest;
  return {
    ...plain,
    id,
    name,
    labelName: name.toLowerCase(),
    family: 'plant',
    per100g: per100g(parts),
    acidity: { kind: 'unknown', ...(ph ? { ph } : {}), ...(minerals ? { base: baseOf(minerals) } : {}) },
    source: ph ? `${FDC}; ${FDA}` : FDC,
    ...others,
    lowAcid: true,
  };
}

/** What water draws out of the dry matter of a plant, g per 100 g of it, typical: leaves, seeds and barks, roots. */
const DRAWN = { leaf: 35, seed: 20, root: 35 } as const;
const TSP = 4.929;
const CUP = 236.588;

export interface PlantRest extends Rest {
  /** g in a US teaspoon, in a US cup. */
  tsp?: number;
  cup?: number;
  sugars?: number;
  minerals?: Minerals;
}

/** A herb, flower, spice, seed, bark or root: low in acid, its base bounded by its minerals. */
function plant(
  part: keyof typeof DRAWN,
  id: string,
  name: string,
  water: number,
  { tsp, cup, sugars = 0, minerals, ...rest }: PlantRest,
): Ingredient {
  const half = sugars / 2;
  const insoluble = Math.max(0, (100 - water) * (1 - DRAWN[part] / 100) - sugars);
  const perMl = {
    ...(cup ? { cup: cup / CUP } : tsp ? { cup: tsp / TSP } : {}),
    ...(tsp ? { spoon: tsp / TSP } : {}),
  };
  return lowAcid(id, name, [water, 0, half, half, Number(insoluble.toFixed(1))], undefined, {
    ...(tsp || cup ? { gramsPerMl: perMl } : {}),
    ...(minerals
      ? { minerals, source: `${FDC}; base: all of its minerals, at the most` }
      : { source: FAMILY }),
    ...rest,
  });
}

const FAMILY = 'water and solids: typical of its family; base: the most that its family holds';
const PIECES =
  'Pieces left in must themselves reach pH 4.6 within a day: strain them out, or blend and measure.';

/** Fresh leaves, flowers and stems. */
export const herb = (id: string, name: string, water: number, rest: PlantRest = {}): Ingredient =>
  plant('leaf', id, name, water, { caution: PIECES, ...rest });

/** Dried leaves and flowers. */
export const driedHerb = (id: string, name: string, rest: PlantRest = {}): Ingredient =>
  plant('leaf', id, name, 9, { family: 'flavouring', dried: true, ...rest });

/** Seeds, barks, pods and dried berries. */
export const spice = (id: string, name: string, water: number, rest: PlantRest = {}): Ingredient =>
  plant('seed', id, name, water, { family: 'flavouring', dried: true, ...rest });

/** Roots, fresh or dried by their water. */
export const root = (id: string, name: string, water: number, rest: PlantRest = {}): Ingredient =>
  plant('root', id, name, water, {
    ...(water < 30 ? { family: 'flavouring' as const, dried: true } : { caution: PIECES }),
    ...rest,
  });

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
