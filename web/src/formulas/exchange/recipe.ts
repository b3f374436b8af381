import type { OwnCatalogue } from '@inch/contract/making/ingredient';
import { basisWords } from '@inch/core/formula';
import type { KitchenCatalogue } from '@inch/core/ingredient';
import type { RecipeDocument, SourceLine } from '@inch/core/recipe';
import he from 'he';
import type { Draft } from '../draft.ts';
import { formulaFileOf } from './fileOwn.ts';
import { type Incoming, incomingDocument } from './incoming.ts';
import { FileProblem } from './problem.ts';

type Thing = Record<string, unknown>;

const isThing = (value: unknown): value is Thing => typeof value === 'object' && value !== null;

const isOf = (thing: Thing, type: string): boolean =>
  [thing['@type'] ?? thing.type]
    .flat()
    .some((own) => typeof own === 'string' && own.replace(/^.*[/:#]/, '') === type);

/** Things that are looked at for a recipe: a page has fewer. */
const MOST_THINGS = 100_000;

/** The Recipe in a JSON-LD document, wherever it stands: the document itself, in a list, in a graph, or in something else. The outermost is taken, one with ingredients before one without. */
export function recipeIn(document: unknown): Thing | undefined {
  let level: unknown[] = [document];
  let bare: Thing | undefined;
  let seen = 0;
  while (level.length > 0 && seen < MOST_THINGS) {
    const things = level.flat().filter(isThing);
    seen += things.length;
    const recipes = things.filter((thing) => isOf(thing, 'Recipe'));
    const whole = recipes.find((recipe) => recipe.recipeIngredient ?? recipe.ingredients);
    if (whole) return whole;
    bare ??= recipes[0];
    level = things.flatMap((thing) => Object.values(thing)).filter(isThing);
  }
  return bare;
}

/** Text without HTML: breaks and ends of paragraphs are ends of lines, entities are their signs. */
export const plainText = (text: string): string =>
  he
    .decode(text.replace(/<(?:br|\/p|\/li|\/div|\/h\d)\b[^>]*>/gi, '\n').replace(/<[^>]*>/g, ' '))
    .replace(/[^\S\n]+/g, ' ')
    .replace(/ *\n[ \n]*/g, '\n')
    .trim();

/** Texts of a value: a string, a named thing, or a list of them. */
function textsOf(value: unknown): string[] {
  if (typeof value === 'string') return plainText(value).split('\n').filter(Boolean);
  if (typeof value === 'number') return [String(value)];
  if (Array.isArray(value)) return value.flatMap(textsOf);
  if (!isThing(value)) return [];
  return textsOf(value.text ?? value.name ?? value['@value']);
}

/** The instructions with the section each stands under: plain strings, steps, or sections of them. */
function instructions(value: unknown, heading?: string): Omit<SourceLine, 'number'>[] {
  if (Array.isArray(value)) return value.flatMap((item) => instructions(item, heading));
  if (!isThing(value) || !value.itemListElement)
    return textsOf(value).map((text) => ({ text, ...(heading ? { heading } : {}) }));
  return instructions(value.itemListElement, textsOf(value.name)[0]?.toLowerCase() ?? heading);
}

/** "PT1H30M" in words. */
function timeWords(value: unknown): string | null {
  const match = typeof value === 'string' ? /^P(?:(\d+)D)?T?(?:(\d+)H)?(?:(\d+)M)?/.exec(value) : null;
  const parts = match?.slice(1).map((part, i) => (Number(part) > 0 ? `${part} ${['d', 'h', 'min'][i]}` : ''));
  return parts?.filter(Boolean).join(' ') || null;
}

const told = (what: string, value: string | null | undefined): Omit<SourceLine, 'number'>[] =>
  value ? [{ text: `${what}: ${value}` }] : [];

function documentOf(recipe: Thing): RecipeDocument {
  const name = textsOf(recipe.name)[0];
  const ingredients = textsOf(recipe.recipeIngredient ?? recipe.ingredients).map((text) => ({ text }));
  const method = instructions(recipe.recipeInstructions);
  const others = [
    ...told('Makes', textsOf(recipe.recipeYield ?? recipe.yield)[0]),
    ...told('By', textsOf(recipe.author)[0]),
    ...told('Preparation', timeWords(recipe.prepTime)),
    ...told('Cooking', timeWords(recipe.cookTime)),
    ...told('In all', timeWords(recipe.totalTime)),
  ];
  // One line of a text each.
  const numbered = (lines: Omit<SourceLine, 'number'>[], before: number): SourceLine[] =>
    lines.map((line, i) => ({ ...line, number: before + i + 1 }));
  return {
    ...(name ? { name } : {}),
    ingredients: numbered(ingredients, 0),
    method: numbered(method, ingredients.length),
    others: numbered(others, ingredients.length + method.length),
  };
}

/** A schema.org Recipe read as a formula: its ingredients line by line, its instructions as the steps that their words tell. */
export function incomingRecipe(recipe: Thing, catalogue: KitchenCatalogue): Incoming {
  const document = documentOf(recipe);
  if (document.ingredients.length === 0)
    throw new FileProblem(null, 'The recipe in it has no recipeIngredient to read.');
  return incomingDocument(document, catalogue);
}

/** A script's text without the marks that pages put about it: comments and CDATA. */
const unwrapped = (script: string): string =>
  script
    .replace(/^\s*(?:\/\/|\/\*)?\s*(?:<!--|<!\[CDATA\[)\s*(?:\*\/)?/, '')
    .replace(/(?:\/\/|\/\*)?\s*(?:-->|\]\]>)\s*(?:\*\/)?\s*$/, '')
    .trim();

/** The JSON-LD in a saved web page that holds a recipe, of all its scripts; undefined where none does. */
export function jsonLdIn(html: string): string | undefined {
  const scripts = html.matchAll(/<script[^>]*application\/ld\+json[^>]*>([\s\S]*?)<\/script\s*>/gi);
  for (const [, script] of scripts) {
    const text = unwrapped(script!);
    try {
      if (recipeIn(JSON.parse(text))) return text;
    } catch {
      // What a page's other scripts have wrong is not ours to say.
    }
  }
  return undefined;
}

/** Where our own recipe file carries its formula, so that it comes back to the letter. */
export const CARRIED = 'inchPantryFormula';

/** The formula as a schema.org Recipe, in its words. */
export function recipeOf(draft: Draft, catalogue: KitchenCatalogue, yieldWords: string) {
  const { content } = draft;
  const nameOf = (id: string) => catalogue.find(id)?.name.toLowerCase() ?? 'something';
  const ofLine = (lineId: string) => nameOf(content.lines.find((l) => l.id === lineId)?.ingredientId ?? '');
  return {
    '@context': 'https://schema.org',
    '@type': 'Recipe',
    name: draft.name || 'Without a name',
    recipeCategory: draft.kind,
    recipeYield: yieldWords,
    recipeIngredient: content.lines.map((line) =>
      `${line.said} ${nameOf(line.ingredientId)}${basisWords(line.basis, ofLine)}`.trim(),
    ),
    recipeInstructions: content.steps.map((step) => ({
      '@type': 'HowToStep',
      text: `${step.words ?? step.title}${step.minutes ? `, ${step.minutes} minutes` : ''}`,
    })),
    ...(content.source ? { isBasedOn: [content.source, content.edition].filter(Boolean).join(', ') } : {}),
  };
}

/** The formula as a schema.org Recipe: in its words for any program, and carrying itself for this one. */
export const asRecipe = (
  draft: Draft,
  catalogue: KitchenCatalogue,
  yieldWords: string,
  own?: OwnCatalogue,
): string =>
  `${JSON.stringify({ ...recipeOf(draft, catalogue, yieldWords), [CARRIED]: formulaFileOf(draft, own) }, null, 2)}\n`;
