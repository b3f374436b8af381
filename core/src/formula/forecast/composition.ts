import { acidFacts, acidsFromPhAndTa, type JuiceAcids, molesOf, noAcids } from '../../acid/index.ts';
import type { Ingredient, Range } from '../../ingredient/index.ts';
import { acidGrams, type Composition } from '../pan/pan.ts';

/** Which end of the published ranges the acids are taken from. */
export type Corner = 'low' | 'typical' | 'high';

export interface IngredientComposition {
  /** Of 100 g. */
  composition: Composition;
  /** How well its acids are known: 'unknown' gives no pH, 'weak' doubles the band. */
  known: 'well' | 'weak' | 'unknown';
}

type Juice = Extract<Ingredient['acidity'], { kind: 'juice' }>;
type Acidity = Pick<Composition, 'acids' | 'baseEquivalents'>;

const at = (range: Range, corner: Corner) => range[{ low: 0, typical: 1, high: 2 }[corner]]!;

/** Water per 100 g that a juice's pH and TA belong to: the fresh fruit's, for a dried one. */
export const juiceWater = (entry: Ingredient, acidity: Juice): number =>
  acidity.freshWater ?? entry.per100g.water;

/** kg of juice water whose acids are in 100 g: `times` the fresh fruit's, for a dried one. */
export const waterPer100g = (entry: Ingredient, acidity: Juice): number =>
  (juiceWater(entry, acidity) / 1000) * (acidity.times ?? 1);

/** Acids and base in 100 g, from a juice solved per kg of its water. */
function per100gOf(
  entry: Ingredient,
  acidity: Juice,
  juice: Pick<JuiceAcids, 'acids' | 'baseEquivalents'>,
): Acidity {
  const kgWater = waterPer100g(entry, acidity);
  const acids = molesOf(juice.acids).map((mol) => mol * kgWater);
  return { acids, baseEquivalents: juice.baseEquivalents * kgWater };
}

/** Acids of one kg of water of a juice at a corner of its ranges: the highest pH goes with the least acid. */
function juiceAt(acidity: Juice, water: number, corner: Corner) {
  const opposite = { low: 'high', typical: 'typical', high: 'low' } as const;
  const solve = (ph: number, ta: number) =>
    acidsFromPhAndTa({ ph, taCitric: (ta * 1000) / water, split: acidity.split });
  try {
    return solve(at(acidity.ph, corner), at(acidity.taPer100g, opposite[corner]));
  } catch (error) {
    if (corner === 'typical' || !(error instanceof RangeError)) throw error;
    // The two published extremes need not occur together: the typical acidity then stands for this corner.
    return solve(at(acidity.ph, 'typical'), at(acidity.taPer100g, 'typical'));
  }
}

function acidityPer100g(entry: Ingredient, corner: Corner): Acidity & Pick<IngredientComposition, 'known'> {
  const { acidity } = entry;
  const none = { acids: noAcids(), baseEquivalents: 0 };
  switch (acidity.kind) {
    case 'neutral':
      return { ...none, known: 'well' };
    case 'alkaline':
      return { ...none, baseEquivalents: at(acidity.basePerKg, corner) / 10, known: 'well' };
    case 'salt':
      return {
        acids: molesOf(acidity.acid ? { [acidity.acid]: acidity.molPer100g } : {}),
        baseEquivalents: acidity.basePer100g,
        known: 'well',
      };
    case 'unknown':
      return { ...none, known: 'unknown' };
    case 'acid':
      return {
        acids: molesOf({ [acidity.acid]: acidity.per100g / acidFacts[acidity.acid].molarMass }),
        baseEquivalents: 0,
        known: 'well',
      };
    case 'vinegar':
      return acidity.aceticPer100g === null
        ? { ...none, known: 'unknown' }
        : {
            acids: molesOf({ acetic: acidity.aceticPer100g / acidFacts.acetic.molarMass }),
            baseEquivalents: 0,
            known: 'well',
          };
    case 'juice': {
      const juice = juiceAt(acidity, juiceWater(entry, acidity), corner);
      const { flags } = juice;
      // Such a thing needs its base from its minerals or from a bench trial: no figure is shown.
      const known = flags.includes('refused')
        ? 'unknown'
        : flags.includes('weakly-determined')
          ? 'weak'
          : 'well';
      return { ...per100gOf(entry, acidity, juice), known };
    }
  }
}

/**
 * 100 g of an entry with these acids: what is neither water, sugar, acid nor insoluble is other dissolved solids.
 * `riper` times its dissolved solids, the water giving way.
 */
export function withAcidity(entry: Ingredient, { acids, baseEquivalents }: Acidity, riper = 1): Composition {
  const { sucrose, glucose, fructose, insoluble, ethanol } = entry.per100g;
  const rest =
    100 - entry.per100g.water - sucrose - glucose - fructose - insoluble - ethanol - acidGrams(acids);
  // Where rows of different tables come to more than 100 g, the water gives way.
  const water = Math.max(0, entry.per100g.water + Math.min(0, rest));
  const other = Math.max(0, rest);
  const more = (sucrose + glucose + fructose + other) * (riper - 1);
  const times = water - more > 1 ? riper : 1;
  return {
    water: times === riper ? water - more : water,
    sucrose: sucrose * times,
    glucose: glucose * times,
    fructose: fructose * times,
    otherSolids: other * times,
    insoluble,
    ethanol,
    acids,
    baseEquivalents,
  };
}

const cache = new WeakMap<Ingredient, Map<Corner, IngredientComposition>>();

/**
 * Composition of 100 g of a catalogue entry at a corner of its published ranges.
 * @example compositionOf(catalogue.get('sugar'), 'typical').composition.sucrose // 99.9
 */
export function compositionOf(entry: Ingredient, corner: Corner): IngredientComposition {
  const cached = cache.get(entry)?.get(corner);
  if (cached) return cached;
  const { known, ...acidity } = acidityPer100g(entry, corner);
  const result: IngredientComposition = { composition: withAcidity(entry, acidity), known };
  const corners = cache.get(entry) ?? new Map<Corner, IngredientComposition>();
  cache.set(entry, corners.set(corner, result));
  return result;
}
