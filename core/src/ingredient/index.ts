import { entries } from './entries/index.ts';
import { type KitchenCatalogue, laidOver, type OwnPart } from './kitchenCatalogue.ts';
import type { Ingredient } from './types.ts';

export { askedOf } from './asked.ts';
export { bringsGerms, isAcidifier, isDriedSpice, mustBoil } from './heat.ts';
export type { KitchenCatalogue, OwnPart } from './kitchenCatalogue.ts';
export { together } from './leftFrom.ts';
export { deniesHeat, namedIn, namesFor } from './named.ts';
export { offeredFor } from './offered.ts';
export { type Measured, measuredEntry, type OwnLabel, ownEntry, tapWater } from './own.ts';
export { dissolvesWhole, isPiece } from './piece.ts';
export { isUnreadable } from './plainLetters.ts';
export type { Acidity, Allergen, Family, Ingredient, LeftFrom, Pigment, Range } from './types.ts';
export { warningFor } from './warned.ts';
export { warnings } from './warnings.ts';
export { allWords, isIdle } from './words.ts';

/** The catalogue that ships: every figure typical, with its public source. */
export const catalogue: readonly Ingredient[] = entries;

/** A kitchen's catalogue: the shipped one with its own entries, measures and prices laid over it. */
export const kitchenCatalogue: (own: OwnPart) => KitchenCatalogue = laidOver(catalogue);

/** The catalogue as it ships, nothing laid over it. */
export const shippedCatalogue: KitchenCatalogue = kitchenCatalogue({});
