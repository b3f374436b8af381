export { readAccount } from './account/read.ts';
export { partsOfText, type RecipeDocument, type SourceLine } from './document.ts';
export type { Keeps } from './ending.ts';
export type { Joined, SaidField } from './joined.ts';
export type { PlacedWord, WordPlace } from './places.ts';
export { type RecipeLine, type RecipeRead, type RecipeStep, readDocument, readRecipe } from './read.ts';
