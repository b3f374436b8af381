import { lineKey, type ReadListLine } from '../formula/index.ts';
import { type Token, tokensOf } from '../quantity/index.ts';
import type { Clause } from './clause.ts';
import type { RecipeDocument } from './document.ts';
import { joinedIn, type SaidField } from './joined.ts';
import type { RecipeReader } from './reader.ts';
import type { PlacedWord, RecipeStep, WordPlace } from './result.ts';

/** Words and figures of a text in order; signs are none. */
const wordsOfText = (text: string): Token[] => tokensOf(text).filter(({ kind }) => kind !== 'sign');

/** Places in a row of words that a text's own words stand at, in order; words between them go with what comes after. */
function matched(row: readonly Token[], from: number, text: string): number[] {
  const places: number[] = [];
  let at = from;
  for (const { text: word } of wordsOfText(text)) {
    const found = row.findIndex((token, i) => i >= at && sameWord(token.text, word));
    if (found < 0) continue;
    places.push(found);
    at = found + 1;
  }
  return places;
}

const sameWord = (one: string, other: string): boolean =>
  one === other || one.replace(/\.$/, '') === other.replace(/\.$/, '');

/** The field that each word of some text of a step was read as. */
function fieldsOf(step: RecipeStep | undefined, text: string): (SaidField | undefined)[] {
  if (!step) return [];
  const joined = joinedIn(step.step, text);
  return wordsOfText(text).map(
    ({ start, end }) => joined.find((one) => start < one.end && end > one.start)?.field,
  );
}

type Followed = Pick<RecipeReader, 'where' | 'stepOf'>;

interface Placing {
  text: string;
  document: RecipeDocument;
  lines: readonly ReadListLine[];
  clauses: readonly Clause[];
  reader: Followed;
}

/** Places every word of a text: each line of it is of the list, of the method, a note, the name, or layout. */
export function placesIn({ text, document, lines, clauses, reader }: Placing): PlacedWord[] {
  const noted = new Set(document.others.map(({ number }) => number));
  let named = document.name !== undefined;
  let start = 0;
  return text.split('\n').flatMap((row, i) => {
    const number = i + 1;
    const words = wordsOfText(row);
    const offset = start;
    start += row.length + 1;
    const own = clauses.filter((clause) => clause.number === number);
    const line = lines.find((one) => one.number === number);
    const places =
      own.length > 0 ? placesOfClauses(words, own, reader) : line ? placesOfLine(words, line) : null;
    const isName: boolean = named && !places && !noted.has(number) && words.length > 0;
    if (isName) named = false;
    const rest: WordPlace = noted.has(number) ? { of: 'note' } : isName ? { of: 'name' } : { of: 'layout' };
    return words.map(
      (word, k): PlacedWord => ({
        text: word.text,
        start: offset + word.start,
        end: offset + word.end,
        in: places?.[k] ?? rest,
      }),
    );
  });
}

/** Places every word of a text by where it stands in it. */
export const placesOfText = (
  text: string,
  placeOf: (word: { start: number; end: number }) => WordPlace,
): PlacedWord[] =>
  wordsOfText(text).map((word): PlacedWord => {
    const { start, end } = word;
    return { text: word.text, start, end, in: placeOf({ start, end }) };
  });

/** Tells where a word of a clause stands, by its place in the words of the clause. */
export function clausePlace(
  { where, stepOf }: Followed,
  clause: Clause,
): (word: { start: number; end: number }) => WordPlace {
  const at = where.get(clause);
  if (typeof at !== 'object') return () => ({ of: at === 'note' ? 'note' : 'talk' });
  const step = stepOf(at.step);
  const joined = step ? joinedIn(step.step, clause.text) : [];
  return ({ start, end }) => {
    const field = joined.find((one) => start < one.end && end > one.start)?.field;
    return { of: 'step', id: at.step, ...(field ? { field } : {}) };
  };
}

/** Words of a line of the list; what stands before its own is a bullet. */
function placesOfLine(words: readonly Token[], line: ReadListLine): (WordPlace | undefined)[] {
  const places: (WordPlace | undefined)[] = words.map(() => undefined);
  const from = words.length - line.words.length;
  for (const [k, { as }] of line.words.entries())
    if (from + k >= 0) places[from + k] = { of: 'line', id: lineKey(line), as };
  return places;
}

/** Words of the clauses of a line of the method; those between belong to what comes after them. */
function placesOfClauses(
  words: readonly Token[],
  clauses: readonly Clause[],
  reader: Followed,
): (WordPlace | undefined)[] {
  const places: (WordPlace | undefined)[] = words.map(() => undefined);
  let from = 0;
  for (const [i, clause] of clauses.entries()) {
    const at = matched(words, from, clause.text);
    const last = i === clauses.length - 1 ? words.length - 1 : (at.at(-1) ?? from - 1);
    const where = reader.where.get(clause) ?? 'talk';
    const id = typeof where === 'object' ? where.step : null;
    const fields = id ? fieldsOf(reader.stepOf(id), clause.text) : [];
    for (let k = from; k <= last; k++) {
      const field = fields[at.indexOf(k)];
      places[k] = id
        ? { of: 'step', id, ...(at.includes(k) && field ? { field } : {}) }
        : { of: where === 'note' ? 'note' : 'talk' };
    }
    from = Math.max(from, last + 1);
  }
  return places;
}
