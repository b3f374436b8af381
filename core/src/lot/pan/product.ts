import { type Composition, massOf, solidsOf, solidVolumeOf, volumeOf } from '../../formula/index.ts';
import { heatingsOf } from '../gate/heating.ts';
import type { LotRecord } from '../record.ts';
import { finishedBrix } from './asMade.ts';
import { walkedAsMade } from './made.ts';

/** What a lot came to: the composition of the product in g, what it weighs, and mL at 20 °C. */
export interface Product {
  composition: Composition;
  grams: number;
  millilitres: number;
}

/** Share of alcohol by weight over which a refractometer reads it among the solids: its °Bx is not theirs any more. */
const SPIRIT = 0.005;

/**
 * A product by its composition, at the °Bx that a refractometer read in it: that says better than how a pan is reckoned to boil how much water is
 * in it. What has spirit in it stays as it is reckoned: a refractometer reads that as well.
 * @param composition as it is reckoned, g; @param brix of the finished product as measured; null where it was not
 * @example productAt({ ...nothing(), water: 60, sucrose: 40 }, 50).grams // 80
 */
export function productAt(composition: Composition, brix: number | null): Product {
  const solids = solidsOf(composition);
  const tells = brix !== null && brix > 0 && composition.ethanol <= SPIRIT * massOf(composition);
  const water = tells ? (solids * 100) / brix - solids - composition.ethanol : 0;
  const made = water > 0 ? { ...composition, water } : composition;
  return { composition: made, grams: massOf(made), millilitres: volumeOf(made) + solidVolumeOf(made) };
}

/**
 * What a lot came to, less what stayed in a cloth and boiled off, by the walk that forecasts it, at the °Bx measured in the finished product where
 * there is one.
 * @example productOf(lot).grams > 5000 // true
 */
export const productOf = (lot: LotRecord): Product =>
  productAt(walkedAsMade(lot, heatingsOf(lot)).walked.product, finishedBrix(lot));
