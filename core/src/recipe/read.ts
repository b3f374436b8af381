import { readIngredientList } from '../formula/index.ts';
import type { KitchenCatalogue } from '../ingredient/index.ts';
import { type Clause, clausesOf } from './clause.ts';
import { partsOfText, type RecipeDocument } from './document.ts';
import { keepsIn, storageOf } from './ending.ts';
import { type Parted, partedBy } from './parted.ts';
import { placesIn } from './places.ts';
import { isNamed, type NamedLine, namedIn, namedLines } from './placing.ts';
import { type GoesIn, RecipeReader } from './reader.ts';
import type { RecipeRead } from './result.ts';

/** Lines that go in where a method names them; parts of one where it tells of that part. */
function byName(all: readonly NamedLine[], clauses: readonly Clause[], parted: readonly Parted[]): GoesIn {
  const texts = clauses.map(({ said }) => said);
  const clauseOf = new Map(parted.map(({ line, clause }) => [line, clause]));
  const named = all.filter(({ line }) => !clauseOf.has(line));
  return {
    at: (i, placed) => [
      ...namedIn(texts[i]!, named, { placed, later: texts.slice(i + 1) }),
      ...all.filter((one) => clauseOf.get(one.line) === i && !placed.has(one)),
    ],
    never: named.filter((one) => !texts.some((text) => isNamed(text, one, named))),
  };
}

/** The lines of a document in their order, as one text. */
function textOf({ name, ingredients, method, others }: RecipeDocument): string {
  const rows: string[] = [];
  for (const { number, text } of [...ingredients, ...method, ...others]) rows[number - 1] = text;
  const lines = Array.from(rows, (row) => row ?? '');
  if (!name) return lines.join('\n');
  return (lines[0] === '' ? [name, ...lines.slice(1)] : [...lines, name]).join('\n');
}

/**
 * Reads a recipe already parted into its list and its method.
 * @param document of `partsOfText`, or of a file that parts them itself; @param catalogue the kitchen's; @param text that it stands in
 * @returns lines with the step each goes in at, and steps beside their words
 * @example readDocument({ ingredients: [{ number: 1, text: '1 kg plums' }], method: [], others: [] }, catalogue).lines.length // 1
 */
export function readDocument(
  document: RecipeDocument,
  catalogue: KitchenCatalogue,
  text = textOf(document),
): RecipeRead {
  const headings = new Map(document.ingredients.map(({ number, heading }) => [number, heading]));
  const last = Math.max(0, ...document.ingredients.map(({ number }) => number));
  const rows = Array.from({ length: last }, () => '');
  for (const { number, text } of document.ingredients) rows[number - 1] = text;
  const clauses = document.method.flatMap(({ text: said, number }) => clausesOf(said, number));
  const { lines, parted } = partedBy(readIngredientList(rows.join('\n'), catalogue), clauses, catalogue);
  const named = namedLines(lines, catalogue);
  const reader = new RecipeReader(clauses, byName(named, clauses, parted));
  reader.read();
  const keeps =
    reader.keeps ?? document.others.map(({ text }) => keepsIn(text)).find((kept) => kept !== null);
  return {
    ...(document.name ? { name: document.name } : {}),
    lines: named.map((one) => {
      const heading = headings.get(one.line.number);
      return { ...one.line, ...reader.stepFor(one), ...(heading ? { heading } : {}) };
    }),
    steps: reader.steps,
    storage: storageOf(
      [...reader.ends, ...document.others.map(({ text }) => text)],
      reader.steps.some(({ step }) => step.kind === 'process' && step.minutes !== undefined),
    ),
    others: [...document.others.map((one) => one.text), ...reader.aside],
    words: placesIn({ text, document, lines, clauses, reader }),
    ...(keeps ? { keeps } : {}),
  };
}

/**
 * Reads a whole recipe as it was pasted: its list as lines, its method as steps, each line going in where the text says.
 * @param text plain text or Markdown, with or without headings; @param catalogue the kitchen's
 * @returns lines understood or asking, steps beside the words they came from; nothing is invented
 * @example readRecipe('2 kg plums\n1 kg sugar\nSimmer the plums for 20 minutes, strain, and add the sugar.', catalogue).steps.map(({ step }) => step.kind) // ['draw', 'strain', 'add']
 */
export const readRecipe = (text: string, catalogue: KitchenCatalogue): RecipeRead =>
  readDocument(partsOfText(text), catalogue, text);
