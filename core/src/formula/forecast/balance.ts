import {
  abvOf,
  brixOf,
  type Composition,
  liquidOf,
  nothing,
  pour,
  shareOf,
  solidVolumeOf,
  volumeOf,
} from '../pan/pan.ts';
import { taPercent } from './acidity.ts';

/** Sweet against sharp: in the bottle, or in the glass. */
export interface Balance {
  brix: number;
  /** % w/w as citric; null where it is not known. */
  taPercent: number | null;
  /** °Bx over TA; null where there is no acid to speak of. */
  ratio: number | null;
}

export interface Drink extends Balance {
  /** Parts of water to one, by volume. */
  waterParts: number;
  /** In a glass of 250 mL. */
  sugarGrams: number;
  acidGrams: number | null;
  abv: number;
  /** Glasses of 250 mL that a bottle makes. */
  glasses: number;
}

export function balanceOf(product: Composition, acidKnown: boolean): Balance {
  const brix = brixOf(product);
  const ta = acidKnown && liquidOf(product) > 0 ? taPercent(product) : null;
  return { brix, taPercent: ta, ratio: ta && ta > 0.005 ? brix / ta : null };
}

const GLASS_ML = 250;

/**
 * The drink made of it: so many parts of water to one by volume, contraction ignored.
 * @param product composition, g; @param waterParts 0 or more; @param bottleMl net contents; @param acidKnown whether its TA may be computed
 * @returns °Bx, TA (% w/w as citric) and ratio of the drink, sugar and acid in a glass of 250 mL, glasses in a bottle
 */
export function drinkOf(
  product: Composition,
  waterParts: number,
  bottleMl: number,
  acidKnown: boolean,
): Drink {
  const ml = volumeOf(product) + solidVolumeOf(product);
  const glass = shareOf(product, ml > 0 ? GLASS_ML / (1 + waterParts) / ml : 0);
  const water = (GLASS_ML * waterParts) / (1 + waterParts);
  const drink = pour({ ...nothing(), water: water * 0.9982 }, glass, 1);
  const balance = balanceOf(drink, acidKnown);
  return {
    ...balance,
    waterParts,
    sugarGrams: drink.sucrose + drink.glucose + drink.fructose,
    acidGrams: balance.taPercent === null ? null : (balance.taPercent * liquidOf(drink)) / 100,
    abv: abvOf(drink, GLASS_ML),
    glasses: (bottleMl * (1 + waterParts)) / GLASS_ML,
  };
}
