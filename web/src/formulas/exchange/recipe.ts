import { basisWords } from '@inch/core/formula';
import type { KitchenCatalogue } from '@inch/core/ingredient';
import type { RecipeDocument, SourceLine } from '@inch/core/recipe';
import he from 'he';
import type { Draft } from '../draft.ts';
import { type Incoming, incomingDocument } from './incoming.ts';
import { FileProblem } from './problem.ts';

type Thing = Record<string, unknown>;

const isThing = (value: unknown): value is Thing => typeof value === 'object' && value !== null;

const isOf = (thing: Thing, type: string): boolean =>
  [thing['@type'] ?? thing.type]
    .flat()
    .some((own) => typeof own === 'string' && own.replace(/^.*[/:#]/, '') === type);

/** The Recipe in a JSON-LD document: the document itself, one of a list or of its graph, or what a page is about. */
export function recipeIn(value: unknown, depth = 0): Thing | undefined {
  if (depth > 6) return undefined;
  if (Array.isArray(value)) return value.map((item) => recipeIn(item, depth + 1)).find(Boolean);
  if (!isThing(value)) return undefined;
  if (isOf(value, 'Recipe')) return value;
  return ['@graph', 'mainEntity', 'mainEntityOfPage', 'itemListElement', 'item', 'about']
    .map((key) => recipeIn(value[key], depth + 1))
    .find(Boolean);
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

const told = (what: string, value: string | null | undefined): SourceLine[] =>
  value ? [{ number: 0, text: `${what}: ${value}` }] : [];

function documentOf(recipe: Thing): RecipeDocument {
  const name = textsOf(recipe.name)[0]?.slice(0, 120);
  const numbered = (lines: Omit<SourceLine, 'number'>[]): SourceLine[] =>
    lines.map((line, i) => ({ ...line, number: i + 1 }));
  return {
    ...(name ? { name } : {}),
    ingredients: numbered(textsOf(recipe.recipeIngredient ?? recipe.ingredients).map((text) => ({ text }))),
    method: numbered(instructions(recipe.recipeInstructions)),
    others: [
      ...told('Makes', textsOf(recipe.recipeYield ?? recipe.yield)[0]),
      ...told('By', textsOf(recipe.author)[0]),
      ...told('Preparation', timeWords(recipe.prepTime)),
      ...told('Cooking', timeWords(recipe.cookTime)),
      ...told('In all', timeWords(recipe.totalTime)),
    ],
  };
}

/** A schema.org Recipe read as a formula: its ingredients line by line, its instructions as the steps that their words tell. */
export function incomingRecipe(recipe: Thing, catalogue: KitchenCatalogue): Incoming {
  const document = documentOf(recipe);
  if (document.ingredients.length === 0)
    throw new FileProblem(null, 'The recipe in it has no recipeIngredient to read.');
  return incomingDocument(document, catalogue);
}

/** The JSON-LD in a saved web page that holds a recipe; undefined where none does. */
export function jsonLdIn(html: string): string | undefined {
  const scripts = html.matchAll(/<script[^>]*application\/ld\+json[^>]*>([\s\S]*?)<\/script>/gi);
  return [...scripts].map((match) => match[1]!.trim()).find((script) => /Recipe/.test(script));
}

/** The formula as a schema.org Recipe. */
export function asRecipe(draft: Draft, catalogue: KitchenCatalogue, yieldWords: string): string {
  const { content } = draft;
  const nameOf = (id: string) => catalogue.find(id)?.name.toLowerCase() ?? 'something';
  const ofLine = (lineId: string) => nameOf(content.lines.find((l) => l.id === lineId)?.ingredientId ?? '');
  return `${JSON.stringify(
    {
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
        text: `${step.title}${step.minutes ? `, ${step.minutes} minutes` : ''}`,
      })),
      ...(content.source ? { isBasedOn: [content.source, content.edition].filter(Boolean).join(', ') } : {}),
    },
    null,
    2,
  )}\n`;
}
