export { readAccount } from './account/read.ts';
export { commandOf } from './account/speech.ts';
export { looksTold, partsOfText, type RecipeDocument, type SourceLine } from './document.ts';
export type { Keeps } from './ending.ts';
export type { Joined, SaidField } from './joined.ts';
export type { Answer, Open } from './open.ts';
export { readDocument, readRecipe } from './read.ts';
export type { PlacedWord, RecipeLine, RecipeRead, RecipeStep, WordPlace } from './result.ts';
