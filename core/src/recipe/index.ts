export { partsOfText, type RecipeDocument, type SourceLine } from './document.ts';
export { type RecipeLine, type RecipeRead, type RecipeStep, readDocument, readRecipe } from './read.ts';
