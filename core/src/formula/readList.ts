import type { Ingredient, KitchenCatalogue } from '../ingredient/index.ts';
import { namedIn } from '../ingredient/index.ts';
import {
  type Alternative,
  type BasisSaid,
  COVERS_WHAT,
  type LineThing,
  readSaid,
  type WordRead,
} from '../line/index.ts';
import { tokensOf, units, wordOf } from '../quantity/index.ts';
import type { Basis } from './content.ts';

/** One thing of a pasted list: understood, or with what is asked of it. A line that names several has one for each. */
export interface ReadListLine {
  /** Place of its line in the pasted text, from 1. */
  number: number;
  /** Place among the things of its line, from 2; absent for the first. */
  part?: number;
  text: string;
  said: string;
  ingredientId: string;
  basis?: Basis;
  /** What it might be, where the words do not say clearly. */
  others: Ingredient[];
  /** What else would do, by the line's own words. */
  alternatives: Alternative[];
  /** It may be left out. */
  optional?: true;
  /** Every word of the line with what it was used as. */
  words: WordRead[];
  /** What is asked, in a sentence; absent where it is understood. */
  query?: string;
}

const plain = (text: string): string =>
  text.replace(/^\s*(?:[-*•·–—▢□✓]|(?:\d{1,2}[.)]|\(?[a-z]\))(?=\s))\s*/i, '').trim();

const isHeading = (text: string): boolean =>
  /:$/.test(text) || /^#{1,6}\s|^(?:ingredients?|for the [^\d]*|method|you will need)$/i.test(text);

interface Read {
  line: ReadListLine;
  basis: BasisSaid;
}

const FRUIT = /^(?:the )?(?:fruits?|berries|pulp|it|its|them|prepared fruit)$/;

/** The line that a name means among those read: by its ingredient, the only fruit for "fruit", or the one whose words have it. */
function meant(
  name: string,
  read: readonly Read[],
  self: Read,
  catalogue: KitchenCatalogue,
): Read | 'several' | undefined {
  const others = read.filter((other) => other !== self);
  const familyOf = ({ line }: Read) => catalogue.find(line.ingredientId)?.family;
  if (FRUIT.test(name)) {
    const fruits = others.filter((other) => familyOf(other) === 'fruit');
    if (fruits.length > 1) return 'several';
    // Without any fruit it can only be the one other thing.
    return fruits[0] ?? (others.length === 1 ? others[0] : undefined);
  }
  const id = namedIn(name, catalogue).entry?.id;
  const exact = others.find(({ line }) => id !== undefined && line.ingredientId === id);
  if (exact) return exact;
  // "the cherries" are the sour cherries of the list, where no other line has the word.
  const wanted = tokensOf(name).map(wordOf);
  const having = others.filter(({ line }) => {
    const said = new Set(
      line.words
        .filter(({ as }) => as === 'ingredient' || as === 'form')
        .flatMap(({ text }) => tokensOf(text).map(wordOf)),
    );
    return wanted.every((word) => said.has(word));
  });
  return having.length === 1 ? having[0] : undefined;
}

/** People who measure in cups mean cups, where one thing follows another. */
function usualBy({ line, basis }: Read): 'weight' | 'volume' {
  const isVolume = line.words.some(
    ({ text, as }) => as === 'unit' && tokensOf(text).some((token) => dimensionOf(token.word) === 'volume'),
  );
  if (isVolume) return 'volume';
  return line.basis && 'by' in line.basis ? line.basis.by : 'by' in basis ? (basis.by ?? 'weight') : 'weight';
}

const dimensionOf = (word: string) =>
  Object.values(units).find((unit) => unit.spoken.includes(word))?.dimension;

const COVERED: ReadonlySet<string | undefined> = new Set(['fruit', 'plant', 'flavouring']);

/** What covers needs something that it covers; an amount of its own stands. */
function cover(line: ReadListLine, all: readonly Read[], catalogue: KitchenCatalogue): void {
  const pieces = all.some((other) => {
    const entry = other.line === line ? undefined : catalogue.find(other.line.ingredientId);
    return entry && !entry.liquid && COVERED.has(entry.family);
  });
  if (!pieces || line.said !== '' || line.query !== COVERS_WHAT) return;
  delete line.query;
  line.said = 'to cover';
  line.basis = { per: 'cover' };
}

/** Gives a line its basis, the thing it follows found among the others; asks where it is not there. */
function follow(read: Read, all: readonly Read[], catalogue: KitchenCatalogue): void {
  const { line, basis } = read;
  if (basis.per === 'batch') return;
  if (basis.per === 'cover') {
    cover(line, all, catalogue);
    return;
  }
  if (basis.per === 'bottle') {
    line.basis = basis;
    return;
  }
  const each = basis.each === undefined ? {} : { each: basis.each };
  if (basis.per === 'yield') {
    line.basis = { per: 'yield', by: basis.by ?? 'volume', ...each };
    return;
  }
  const other = meant(basis.name, all, read, catalogue);
  if (other === 'several')
    line.query ??= 'It follows the fruit, and there are several: which of them? Name one.';
  else if (!other) line.query ??= `It follows "${basis.name}", which is not in the list.`;
  else line.basis = { per: 'line', lineId: lineKey(other.line), by: basis.by ?? usualBy(other), ...each };
}

const oneLine = (thing: LineThing, words: WordRead[], number: number, part: number, text: string): Read => ({
  basis: thing.basis,
  line: {
    number,
    ...(part > 0 ? { part: part + 1 } : {}),
    text,
    words,
    said: thing.said,
    ingredientId: thing.ingredientId,
    others: thing.others,
    alternatives: thing.alternatives,
    ...(thing.optional ? { optional: true as const } : {}),
    ...(thing.query ? { query: thing.query } : {}),
  },
});

/**
 * Reads a pasted list of ingredients line by line: each is understood, or says what is asked. Nothing is invented and nothing dropped but blank lines and headings.
 * @param text lines as people write them: "2 cups sugar", "zest and juice of 3 lemons", "as much sugar as fruit", "a spoon in each jar"
 * @param catalogue the kitchen's; @returns one entry a thing; `basis.lineId` is the `lineKey` of the line it follows
 * @example readIngredientList('4 kg sour cherries\n2 kg sugar', catalogue).map((line) => line.ingredientId) // ['sour-cherry', 'sugar']
 */
export function readIngredientList(text: string, catalogue: KitchenCatalogue): ReadListLine[] {
  const read = text
    .split(/\r?\n/)
    .map((line, i) => ({ number: i + 1, line }))
    .filter(({ line }) => plain(line) !== '' && !isHeading(plain(line)))
    .flatMap(({ number, line }) => {
      const { words, things } = readSaid(line, catalogue);
      return things.map((thing, part) => oneLine(thing, words, number, part, line.trim()));
    });
  for (const one of read) follow(one, read, catalogue);
  return read.map(({ line }) => line);
}

/**
 * The id that a read line gets in a formula.
 * @example lineKey({ number: 2 }) // 'line2'
 */
export const lineKey = ({ number, part }: Pick<ReadListLine, 'number' | 'part'>): string =>
  part === undefined ? `line${number}` : `line${number}.${part}`;
