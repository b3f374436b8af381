import type { ReadListLine } from '../formula/index.ts';
import {
  allWords,
  type Ingredient,
  isIdle,
  isPiece as isPieceOf,
  type KitchenCatalogue,
  namesFor,
} from '../ingredient/index.ts';

/** A line with the words that a method names it by. */
export interface NamedLine {
  line: ReadListLine;
  entry: Ingredient | undefined;
  /** Telling words of its name, as it was written and as the catalogue has it. */
  words: ReadonlySet<string>;
  /** The word it is called by: the last of its name. */
  head: string;
  /** Every name it goes by, of more than one word. */
  phrases: readonly string[];
}

/** Fruit, leaves, peel and spices: what something is drawn out of. */
export const isPiece = ({ entry, line }: NamedLine): boolean =>
  entry ? isPieceOf(entry) : line.others.some(isPieceOf);

/** The lines of a list with the words they are named by. */
export function namedLines(lines: readonly ReadListLine[], catalogue: KitchenCatalogue): NamedLine[] {
  return lines.map((line) => {
    const entry = catalogue.find(line.ingredientId);
    const written = line.words
      .filter(({ as }) => as === 'ingredient' || as === 'form' || as === 'left')
      .flatMap(({ text }) => allWords(text))
      .filter((word) => !isIdle(word));
    const known = entry ? allWords(entry.name.split(',')[0]!).filter((word) => !isIdle(word)) : [];
    const words = written.length > 0 ? written : known;
    const phrases = entry
      ? namesFor(entry)
          .map((name) => allWords(name.split(',')[0]!).join(' '))
          .filter((name) => name.includes(' '))
      : [];
    return { line, entry, words: new Set([...words, ...known]), head: words.at(-1) ?? '', phrases };
  });
}

const GROUPS: [RegExp, (line: NamedLine) => boolean][] = [
  [/\b(?:all (?:of )?the ingredients|all ingredients|everything)\b/, () => true],
  [/\b(?:fruits?|berries)\b/, ({ entry }) => entry?.family === 'fruit'],
  [/\b(?:spices|aromatics)\b/, ({ entry }) => entry?.family === 'flavouring'],
  [/\b(?:herbs|leaves|flowers|blossoms|petals|heads)\b/, ({ entry }) => entry?.family === 'plant'],
];

/** Whether a clause names a line: by its own word, or where others share that, by another word of its name with it. */
function names(words: ReadonlySet<string>, one: NamedLine, all: readonly NamedLine[]): boolean {
  const others = all.filter((other) => other !== one);
  // "The juice" is what was drawn, not the lemon juice of the list.
  const own = [...one.words].filter((word) => words.has(word) && word !== 'juice');
  if (own.length === 0) return false;
  if (own.some((word) => !others.some((other) => other.words.has(word)))) return true;
  return own.includes(one.head) && !others.some((other) => other.head === one.head);
}

/** Lines that some words name by their own names. */
function ownNames(text: string, all: readonly NamedLine[]): NamedLine[] {
  const said = text.toLowerCase().replace(/boiling[- ]water (?:bath|canner)|water[- ]bath/g, ' ');
  const plain = ` ${allWords(said).join(' ')} `;
  const phrased = all.filter((one) => one.phrases.some((phrase) => plain.includes(` ${phrase} `)));
  // Words that a whole name has used name no other line: "lemon juice" is no lemon.
  const rest = phrased
    .flatMap((one) => one.phrases)
    .reduce((left, phrase) => left.replaceAll(` ${phrase} `, ' '), plain);
  const left = new Set(rest.trim().split(' '));
  return all.filter((one) => phrased.includes(one) || names(left, one, all));
}

/** What is in the pan already, and what the clauses to come say. */
interface Around {
  placed: ReadonlySet<NamedLine>;
  later: readonly string[];
}

/** Lines that a clause names and that are not in the pan yet; one that a later clause names itself is not meant by "the spices". */
export function namedIn(text: string, all: readonly NamedLine[], { placed, later }: Around): NamedLine[] {
  const own = ownNames(text, all);
  const said = text.toLowerCase();
  const groups = GROUPS.filter(([pattern]) => pattern.test(said)).map(([, of]) => of);
  const grouped = groups.length === 0 ? [] : all.filter((one) => groups.some((of) => of(one)));
  const laterNamed = new Set(grouped.length === 0 ? [] : later.flatMap((clause) => ownNames(clause, all)));
  return all.filter(
    (one) => !placed.has(one) && (own.includes(one) || (grouped.includes(one) && !laterNamed.has(one))),
  );
}

/** Whether a clause names a line, by its own name or by the group it is of. */
export const isNamed = (text: string, one: NamedLine, all: readonly NamedLine[]): boolean =>
  namedIn(text, all, { placed: new Set(), later: [] }).includes(one);
