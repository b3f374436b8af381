import { catalogue } from './catalogue.ts';
import { type KitchenCatalogue, laidOver, type OwnPart } from './kitchenCatalogue.ts';

export { askedOf } from './asked.ts';
export { catalogue, catalogueEntries } from './catalogue.ts';
export { CatalogueFile } from './catalogueEntry.ts';
export { bringsGerms, isAcidifier, isDriedSpice, mustBoil } from './heat.ts';
export { Acidity, Allergen, Family, Ingredient, LeftFrom, Pigment, type Range } from './ingredient.ts';
export type { KitchenCatalogue, OwnPart } from './kitchenCatalogue.ts';
export { together } from './leftFrom.ts';
export { deniesHeat, namedIn, namesFor } from './named.ts';
export { offeredFor } from './offered.ts';
export { type Measured, measuredEntry, type OwnLabel, ownEntry, tapWater } from './own.ts';
export { dissolvesWhole, isPiece } from './piece.ts';
export { isUnreadable } from './plainLetters.ts';
export { warningFor } from './warned.ts';
export { WarningFile } from './warnings.ts';
export { allWords, isIdle } from './words.ts';

/** A kitchen's catalogue: the shipped one with its own entries, measures and prices laid over it. */
export const kitchenCatalogue: (own: OwnPart) => KitchenCatalogue = laidOver(catalogue);

/** The catalogue as it ships, nothing laid over it. */
export const shippedCatalogue: KitchenCatalogue = kitchenCatalogue({});
