import type { ReadListLine } from '../../formula/index.ts';
import { lineKey, readIngredientList } from '../../formula/index.ts';
import type { KitchenCatalogue } from '../../ingredient/index.ts';
import type { Clause } from '../clause.ts';
import { storageOf } from '../ending.ts';
import { clausePlace, placesOfText } from '../places.ts';
import { type NamedLine, namedIn, namedLines } from '../placing.ts';
import { type GoesIn, RecipeReader } from '../reader.ts';
import type { PlacedWord, RecipeLine, RecipeRead } from '../result.ts';
import { type Heard, hear, type Part } from './tell.ts';
import { type Told, wordsOf } from './told.ts';

/** A line with the told thing it came from. */
interface ToldLine {
  line: ReadListLine;
  from: Told;
}

/** Told things as lines of a list, read together by the reader of lists: one may follow another. */
function linesOf(told: readonly Told[], catalogue: KitchenCatalogue): ToldLine[] {
  const rows = readIngredientList(told.map((one) => wordsOf(one).replace(/\s+/g, ' ')).join('\n'), catalogue);
  const parts = new Map<number, number>();
  const keys = new Map<string, string>();
  const lines = told.flatMap((from, i) => {
    const own = rows.filter(({ number }) => number === i + 1);
    const read = own.length > 0 ? own : [unread(from)];
    return read.map((row): ToldLine => {
      const part = (parts.get(from.number) ?? 0) + 1;
      parts.set(from.number, part);
      const { part: _, ...rest } = row;
      const line = {
        ...rest,
        number: from.number,
        ...(part > 1 ? { part } : {}),
        ...(from.ask ? { query: from.ask } : {}),
      };
      keys.set(lineKey(row), lineKey(line));
      return { line, from };
    });
  });
  return lines.map(({ line, from }) => {
    const { basis } = line;
    if (basis?.per !== 'line') return { line, from };
    return { line: { ...line, basis: { ...basis, lineId: keys.get(basis.lineId) ?? basis.lineId } }, from };
  });
}

/** What the reader of lists made nothing of: its words and its question. */
const unread = (told: Told): ReadListLine => ({
  number: told.number,
  said: told.amount,
  ingredientId: '',
  others: [],
  alternatives: [],
  words: [],
  text: wordsOf(told),
});

/** What goes in at each part: what it names, and what it means by "it" and "everything". */
function byTelling(heard: Heard, named: readonly NamedLine[], from: readonly Told[]): GoesIn {
  const linesOf = new Map<Told, NamedLine[]>();
  for (const [k, told] of from.entries()) linesOf.set(told, [...(linesOf.get(told) ?? []), named[k]!]);
  const namedAt = heard.parts.map(({ names }) => names.flatMap((told) => linesOf.get(told) ?? []));
  // Where each was told of first, and where it is put in by its name for the last time.
  const first = new Map<NamedLine, number>();
  const last = new Map<NamedLine, number>();
  for (const [i, lines] of namedAt.entries())
    for (const one of lines) {
      if (!first.has(one)) first.set(one, i);
      if (heard.parts[i]!.puts && heard.parts[i]!.does) last.set(one, i);
    }
  const at: GoesIn['at'] = (i, placed) => {
    const part = heard.parts[i]!;
    const own = part.does ? namedAt[i]!.filter((one) => !placed.has(one)) : [];
    // Told of up to here, and not named by what comes yet.
    const ready = named.filter(
      (one) =>
        (first.get(one) ?? i) < i && (last.get(one) ?? 0) <= i && !placed.has(one) && !own.includes(one),
    );
    return [...own, ...meant(part, ready, placed.size === 0 && own.length === 0)];
  };
  return { at, never: [], inFull: true };
}

/** What stands ready and is meant by a group's name or a pronoun. */
function meant(part: Part, ready: readonly NamedLine[], first: boolean): NamedLine[] {
  const { said } = part.clause;
  const grouped = namedIn(said, ready, { placed: NONE, later: [] });
  if (grouped.length > 0) return grouped;
  // "The zest" is of all the fruits that were zested.
  const [kind] = OF_A_KIND.exec(said) ?? [];
  const kindred = kind && part.puts ? ready.filter(({ words }) => words.has(kind)) : [];
  if (kindred.length > 0) return kindred;
  if (part.pronoun === null) return [];
  return first || PUT_IN.test(said) ? [...ready] : [];
}

/** Reads what was done, part by part. */
function followed({ parts }: Heard, goesIn: GoesIn): { reader: RecipeReader; clauses: Clause[] } {
  const clauses = parts.map(({ clause, does, names, talk }) =>
    does
      ? clause
      : { ...clause, tells: names.length > 0 && !talk ? ('what is used' as const) : ('talk' as const) },
  );
  const reader = new RecipeReader(clauses, goesIn);
  reader.read();
  return { reader, clauses };
}

const OF_A_KIND = /\b(?:zest|peel|rind|juice|vinegar|acid)\b/;
const NONE: ReadonlySet<NamedLine> = new Set();
/** What stands ready is put in: not what is stirred that is in the pan already. */
const PUT_IN = /^(?:add|put|pour|toss)\b|^(?:stir|mix|whisk|fold) (?:it|them|that|these|those) in\b/;

/** Places every word of an account: where it tells of a thing, in that line; else where its part stands. */
function wordsIn(
  text: string,
  { parts }: Heard,
  lines: readonly ToldLine[],
  { reader, clauses }: ReturnType<typeof followed>,
): PlacedWord[] {
  const placeIn = clauses.map((clause) => clausePlace(reader, clause));
  const ofLines = lines.flatMap(({ line, from }) =>
    from.spans.map((span) => ({ ...span, id: lineKey(line) })),
  );
  let i = 0;
  return placesOfText(text, ({ start, end }) => {
    while (i + 1 < parts.length && end > parts[i + 1]!.start) i += 1;
    const told = ofLines.find((span) => start < span.end && end > span.start);
    if (told) return { of: 'line', id: told.id, as: end <= told.amountEnd ? 'amount' : 'ingredient' };
    const part = parts[i];
    if (!part || end <= part.start) return { of: 'talk' };
    return placeIn[i]!({ start: start - part.start, end: end - part.start });
  });
}

/**
 * Reads an account as somebody tells it while cooking: things and amounts wherever they are said, what was put right in the place of what was
 * said first, and what was done as steps. What is neither is set aside as talk.
 * @param text prose, with stops or without; @param catalogue the kitchen's
 * @returns the same as of a written recipe; a line or step that was put right has what was said first
 * @example readAccount('I have a kilo of plums, and one cup of sugar. No, two cups.', catalogue).lines.map(({ said }) => said) // ['a kilo', 'two cups']
 */
export function readAccount(text: string, catalogue: KitchenCatalogue): RecipeRead {
  const heard = hear(text, catalogue);
  const lines = linesOf(heard.told, catalogue);
  const from = lines.map((one) => one.from);
  const named = namedLines(
    lines.map(({ line }) => line),
    catalogue,
  );
  const first = followed(heard, byTelling(heard, named, from));
  // What is only said to be used, and put in by no later words, goes in where that is said.
  const left = from.filter((_, i) => first.reader.stepFor(named[i]!).unplaced);
  for (const part of heard.parts) part.does ||= part.uses && part.names.some((told) => left.includes(told));
  const done = left.length === 0 ? first : followed(heard, byTelling(heard, named, from));
  const { steps, ends, aside, keeps } = done.reader;
  return {
    ...(heard.name ? { name: heard.name } : {}),
    lines: named.map((one, i): RecipeLine => {
      const { before } = from[i]!;
      return { ...one.line, ...done.reader.stepFor(one), ...(before ? { before } : {}) };
    }),
    steps,
    storage: storageOf(
      ends,
      steps.some(({ step }) => step.kind === 'process' && step.minutes !== undefined),
    ),
    others: aside,
    words: wordsIn(text, heard, lines, done),
    ...(keeps ? { keeps } : {}),
  };
}
