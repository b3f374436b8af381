import { readIngredientList } from '../../formula/index.ts';
import type { ReadListLine } from '../../formula/index.ts';
import type { KitchenCatalogue } from '../../ingredient/index.ts';
import { storageOf } from '../ending.ts';
import { GROUPS, type NamedLine, namedLines } from '../placing.ts';
import { type GoesIn, RecipeReader, type RecipeLine, type RecipeRead } from '../read.ts';
import { type Heard, hear, type Part } from './tell.ts';
import { type Told, wordsOf } from './told.ts';

/** A told thing as a line of a list, read by the reader of lists. */
function linesOf(told: readonly Told[], catalogue: KitchenCatalogue): ReadListLine[] {
  const parts = new Map<number, number>();
  return told.map((one) => {
    const part = (parts.get(one.number) ?? 0) + 1;
    parts.set(one.number, part);
    const [read] = readIngredientList(wordsOf(one).replace(/\n/g, ' '), catalogue);
    const ask = one.ask ?? read?.query;
    return {
      ...(read ?? { said: one.amount, ingredientId: '', others: [], alternatives: [], words: [], text: wordsOf(one) }),
      number: one.number,
      ...(part > 1 ? { part } : {}),
      ...(ask ? { query: ask } : {}),
    };
  });
}

/** What goes in at each part: what it names, and what it means by "it" and "everything". */
function byTelling(heard: Heard, named: readonly NamedLine[]): GoesIn {
  const lineOf = new Map(heard.told.map((told, i) => [told, named[i]!]));
  const namedAt = heard.parts.map(({ names, does }) => (does ? names : []).map((told) => lineOf.get(told)!));
  const isLater = (one: NamedLine, i: number) => namedAt.slice(i + 1).some((lines) => lines.includes(one));
  const at: GoesIn['at'] = (i, placed) => {
    const part = heard.parts[i]!;
    const own = namedAt[i]!.filter((one) => !placed.has(one));
    // Told of up to here, and not named by what comes yet.
    const ready = heard.parts
      .slice(0, i)
      .flatMap(({ names }) => names.map((told) => lineOf.get(told)!))
      .filter((one, k, all) => all.indexOf(one) === k && !placed.has(one) && !own.includes(one) && !isLater(one, i));
    return [...own, ...meant(part, ready, placed.size === 0 && own.length === 0)];
  };
  return { at, never: [] };
}

/** What stands ready and is meant by a group's name or a pronoun. */
function meant(part: Part, ready: readonly NamedLine[], first: boolean): NamedLine[] {
  const { said } = part.clause;
  const grouped = ready.filter((one) => GROUPS.some(([words, of]) => words.test(said) && of(one)));
  if (grouped.length > 0) return grouped;
  if (part.pronoun === null) return [];
  return part.puts || first ? [...ready] : [];
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
  const named = namedLines(linesOf(heard.told, catalogue), catalogue);
  const clauses = heard.parts.map(({ clause, does, names, talk }) =>
    does ? clause : { ...clause, tells: names.length > 0 && !talk ? ('what is used' as const) : ('talk' as const) },
  );
  const reader = new RecipeReader(clauses, byTelling(heard, named));
  reader.read();
  return {
    ...(heard.name ? { name: heard.name } : {}),
    lines: named.map((one, i): RecipeLine => {
      const { before } = heard.told[i]!;
      return { ...one.line, ...reader.stepFor(one), ...(before ? { before } : {}) };
    }),
    steps: reader.steps,
    storage: storageOf(
      reader.ends,
      reader.steps.some(({ step }) => step.kind === 'process' && step.minutes !== undefined),
    ),
    others: reader.aside,
    ...(reader.keeps ? { keeps: reader.keeps } : {}),
  };
}
