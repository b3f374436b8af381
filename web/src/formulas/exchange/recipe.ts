import { basisWords, type FormulaStep, type StepKind } from '@inch/core/formula';
import type { KitchenCatalogue } from '@inch/core/ingredient';
import type { Draft } from '../draft.ts';
import { type Incoming, incomingList } from './incoming.ts';
import { FileProblem } from './problem.ts';

/** The parts of a schema.org Recipe that a formula can take. */
export interface Recipe {
  name?: unknown;
  recipeIngredient?: unknown;
  recipeInstructions?: unknown;
}

const typed = (value: unknown, type: string): boolean => {
  if (typeof value !== 'object' || value === null) return false;
  const own = (value as Record<string, unknown>)['@type'];
  return own === type || (Array.isArray(own) && own.includes(type));
};

/** The Recipe in a JSON-LD document: the document itself, one of a list, or one of its graph. */
export function recipeIn(value: unknown): Recipe | undefined {
  if (typed(value, 'Recipe')) return value as Recipe;
  if (Array.isArray(value)) return value.find((item) => typed(item, 'Recipe')) as Recipe | undefined;
  const graph = (value as Record<string, unknown> | null)?.['@graph'];
  return Array.isArray(graph)
    ? (graph.find((item) => typed(item, 'Recipe')) as Recipe | undefined)
    : undefined;
}

/** Words of a step's text that tell its kind, the first that fits. */
const KIND_WORDS: [RegExp, StepKind][] = [
  [/\b(water bath|boiling.water|process the|canner)\b/i, 'process'],
  [/\b(strain|drip|sieve|filter|press)\b/i, 'strain'],
  [/\b(reduce|boil down|thicken)/i, 'reduce'],
  [/\b(bottle|fill|pour into .*(jar|bottle))/i, 'fill'],
  [/\b(simmer|cook|boil|steep|infuse|macerate|mash|soften|blend|rest with|leave .* overnight)/i, 'draw'],
  [/\b(wash|peel|trim|chop|stone|pit|hull|slice|rinse)\b/i, 'prepare'],
  [/\b(stir|add|mix|dissolve)\b/i, 'add'],
  [/\b(rest|stand|cool)\b/i, 'rest'],
];

const minutesIn = (text: string): number | undefined => {
  const match = /(\d+)\s*(minutes?|mins?|hours?|hrs?)\b/i.exec(text);
  if (!match) return undefined;
  return Number(match[1]) * (/^h/i.test(match[2]!) ? 60 : 1);
};

/** Texts of the instructions: plain strings, HowToSteps, or sections of them. */
function instructionTexts(value: unknown): string[] {
  if (typeof value === 'string') return value.split(/\r?\n+/).filter((line) => line.trim() !== '');
  if (Array.isArray(value)) return value.flatMap(instructionTexts);
  if (typeof value !== 'object' || value === null) return [];
  const step = value as Record<string, unknown>;
  if (step.itemListElement) return instructionTexts(step.itemListElement);
  const text = step.text ?? step.name;
  return typeof text === 'string' ? [text] : [];
}

/** Words that deny the heat they name, or speak of what was boiled before it went in. */
const NOT_HEATED =
  /\b(?:not|never|don[’']?t|without|avoid|before|until|instead of|rather than|nor|no need to)\b[^.;,]{0,40}\b(?:boil|simmer|cook|heat)|\b(?:boiled|boiling|cooked)\b[^.;,]{0,30}\b(?:water|syrup|juice|milk)|\b(?:cold|cooled|cool)\b[^.;,]{0,20}\b(?:boil|cook)/i;

/** Whether a text cooks what it speaks of. */
const cooks = (text: string): boolean => !NOT_HEATED.test(text) && /\b(?:boil|simmer)/i.test(text);

/** Whether a text is a kill step in so many words: the whole is boiled or simmered. What says nothing of heat has none. */
const kills = (text: string): boolean =>
  cooks(text) && /\b(?:bring .*to (?:a|the) (?:full |rolling )?boil|boil|simmer)\b/i.test(text);

function stepFrom(text: string, i: number): FormulaStep {
  const kind = KIND_WORDS.find(([words]) => words.test(text))?.[1] ?? 'add';
  const minutes = minutesIn(text);
  return {
    id: `step${i + 1}`,
    kind,
    title: text.trim().slice(0, 120),
    ...(minutes === undefined ? {} : { minutes }),
    ...(kind === 'draw'
      ? { method: cooks(text) ? ('cooked' as const) : ('infused' as const), killStep: kills(text) }
      : {}),
    ...(kind === 'strain' ? { cloth: 'drip' as const } : {}),
  };
}

/** A schema.org Recipe read as a formula: its ingredients line by line, its instructions as steps of the kind their words tell. */
export function incomingRecipe(recipe: Recipe, catalogue: KitchenCatalogue): Incoming {
  const list = Array.isArray(recipe.recipeIngredient)
    ? recipe.recipeIngredient
    : typeof recipe.recipeIngredient === 'string'
      ? [recipe.recipeIngredient]
      : [];
  const texts = list.filter((item) => typeof item === 'string') as string[];
  if (texts.length === 0) throw new FileProblem(null, 'The recipe in it has no recipeIngredient to read.');
  const steps = instructionTexts(recipe.recipeInstructions).slice(0, 40).map(stepFrom);
  return {
    ...incomingList(texts.map((text) => text.replace(/\s+/g, ' ')).join('\n'), catalogue),
    ...(typeof recipe.name === 'string' ? { name: recipe.name.slice(0, 120) } : {}),
    ...(steps.length > 0 ? { content: { steps, storage: 'cold' as const, bottleMl: 250 } } : {}),
  };
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
