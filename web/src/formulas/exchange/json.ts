import { FormulaFile } from '@inch/contract/making/formulaFile';
import type { OwnCatalogue } from '@inch/contract/making/ingredient';
import type { FormulaContent } from '@inch/core/formula';
import { type KitchenCatalogue, namedIn } from '@inch/core/ingredient';
import type { RecipeLine } from '@inch/core/recipe';
import { findNodeAtLocation, type ParseError, parseTree, printParseErrorCode } from 'jsonc-parser';
import type { Draft } from '../draft.ts';
import { formulaFileOf, incomingOwn } from './fileOwn.ts';
import type { Incoming } from './incoming.ts';
import { FileProblem } from './problem.ts';
import { CARRIED, incomingRecipe, recipeIn, recipeOf } from './recipe.ts';

const lineAt = (text: string, offset: number): number => text.slice(0, offset).split('\n').length;

function parsed(text: string): { value: unknown; lineOf: (path: readonly PropertyKey[]) => number | null } {
  const errors: ParseError[] = [];
  const tree = parseTree(text, errors, { allowTrailingComma: false, disallowComments: true });
  const [first] = errors;
  if (first)
    throw new FileProblem(
      lineAt(text, first.offset),
      `this is not JSON (${printParseErrorCode(first.error)
        .replace(/([a-z])([A-Z])/g, '$1 $2')
        .toLowerCase()}).`,
    );
  return {
    value: JSON.parse(text),
    lineOf(path) {
      for (let length = path.length; length >= 0; length--) {
        const node = tree && findNodeAtLocation(tree, path.slice(0, length) as (string | number)[]);
        if (node) return lineAt(text, node.offset);
      }
      return null;
    },
  };
}

/** The lines of a formula file whose ingredients this kitchen does not have are asked about by name. */
function queried(content: FormulaContent, catalogue: KitchenCatalogue): RecipeLine[] {
  // Older files name the entries of their kitchen without the figures that they came of.
  const own = new Map((content.own?.ingredients ?? []).map((entry) => [entry.id, entry.name]));
  return content.lines.map((line, i) => {
    const known = catalogue.find(line.ingredientId);
    const name = known?.name ?? own.get(line.ingredientId) ?? line.ingredientId;
    const read: RecipeLine = {
      number: i + 1,
      text: `${line.said} ${name}`.trim(),
      said: line.said,
      ingredientId: known ? line.ingredientId : '',
      ...(line.basis ? { basis: line.basis } : {}),
      others: known ? [] : namedIn(name, catalogue).others,
      alternatives: [],
      words: [],
    };
    return known
      ? read
      : {
          ...read,
          query: `"${name}" is not in this kitchen’s catalogue. Choose what it is, or add it as your own.`,
        };
  });
}

/**
 * A formula out of a JSON file: our own format, or a schema.org Recipe.
 * @throws FileProblem naming the line of the file, where it is neither or something in it is out of place
 */
export function incomingJson(text: string, catalogue: KitchenCatalogue): Incoming {
  const { value, lineOf } = parsed(text);
  const recipe = recipeIn(value);
  if (recipe) {
    const own = formulaBehind(recipe, catalogue);
    return own ? incomingFile(own, catalogue) : incomingRecipe(recipe, catalogue);
  }
  const file = FormulaFile.safeParse(value);
  if (!file.success) {
    const issue = file.error.issues[0]!;
    const where = issue.path.length > 0 ? ` (${issue.path.join('.')})` : '';
    throw new FileProblem(lineOf(issue.path), `${issue.message}${where}`);
  }
  return incomingFile(file.data, catalogue);
}

/** The formula that our own recipe file carries; undefined where its words were changed since, or where another program wrote it. */
function formulaBehind(
  recipe: Record<string, unknown>,
  catalogue: KitchenCatalogue,
): FormulaFile | undefined {
  const file = FormulaFile.safeParse(recipe[CARRIED]);
  if (!file.success) return undefined;
  const { name, kind, colour, note, content } = file.data;
  const draft = { name, kind, colour, note: note ?? '', content: content as FormulaContent };
  const there = incomingOwn(file.data.own, catalogue).catalogue;
  const again = recipeOf(draft, there, '');
  const same = (key: 'name' | 'recipeIngredient' | 'recipeInstructions') =>
    JSON.stringify(again[key]) === JSON.stringify(recipe[key]);
  return same('name') && same('recipeIngredient') && same('recipeInstructions') ? file.data : undefined;
}

function incomingFile(file: FormulaFile, catalogue: KitchenCatalogue): Incoming {
  const { name, kind, colour } = file;
  const { own: _, lines, ...content } = file.content as FormulaContent;
  const own = incomingOwn(file.own, catalogue);
  const read = queried(file.content as FormulaContent, own.catalogue);
  return {
    lines: read,
    formulaLines: lines.map((line, i) => ({ ...line, ingredientId: read[i]!.ingredientId })),
    name,
    kind,
    colour,
    content,
    own,
  };
}

/** The formula as our own open file, with what it uses of the kitchen's own. */
export const asFormulaFile = (draft: Draft, own: OwnCatalogue | undefined): string =>
  `${JSON.stringify(formulaFileOf(draft, own), null, 2)}\n`;
