import type { KitchenCatalogue } from '../ingredient/index.ts';
import { readSaid } from '../line/index.ts';
import {
  amountAt,
  bottleSize,
  type CupSchool,
  parseQuantity,
  textOf,
  toGrams,
  tokensOf,
} from '../quantity/index.ts';

/** Something that went in, as it was said: how much, and of what. */
export interface Addition {
  said: string;
  words: string;
}

const ADD = /^(?:add(?:ed)?|put in|went in|plus|in goes?)\s+(.+)$/i;
const NO_MEASURES: ReadonlySet<string> = new Set();
/** What is taken of a fruit is told before how many: "juice of half a lemon". */
const OF_FRUIT = /^(?:the )?(?:juice|zest|peel|rind)\b.* (?:of|from) /i;

function amountIn(words: string): Addition | null {
  const tokens = tokensOf(words);
  try {
    const read = amountAt(tokens, 0, NO_MEASURES);
    if (!read) return null;
    const said = textOf(words, tokens.slice(0, read.next));
    const rest = tokens.slice(tokens[read.next]?.word === 'of' ? read.next + 1 : read.next);
    // "a bit more" is no amount.
    if (rest.length === 0 || /^an?$/i.test(said)) return null;
    return { said, words: textOf(words, rest) };
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return null;
  }
}

/** "add 12 g citric" as an amount and the words of what it is of; null where it says no such thing. */
export function additionIn(rest: string): Addition | null {
  const words = ADD.exec(rest)?.[1];
  if (words === undefined) return null;
  return amountIn(words) ?? (OF_FRUIT.test(words) ? { said: '', words } : null);
}

/** "14 x 250 ml" said as what it is: bottles are counted where their closing and place are asked. */
export function bottlesIn(rest: string): string | null {
  const match =
    /^(\d+)\s*(?:x|×|by|times|bottles? of|jars? of)\s*(\d+(?:[.,]\d+)?)\s*(ml|millilit(?:re|er)s?|cl|l|lit(?:re|er)s?)?$/i.exec(
      rest,
    );
  if (!match) return null;
  const size = Number(match[2]!.replace(',', '.'));
  const unit = (match[3] ?? 'ml').toLowerCase();
  const ml = unit === 'cl' ? size * 10 : unit.startsWith('l') ? size * 1000 : size;
  return `${match[1]} bottles of ${bottleSize(ml)}. Count them under Bottling as well: a note fills none`;
}

export interface JotWeighing {
  catalogue: KitchenCatalogue;
  cup: CupSchool | undefined;
}

/**
 * A jotted addition weighed: which ingredient its words name, and its grams.
 * @param addition from a jotting; @param weighing the kitchen's catalogue and cups
 * @returns the ingredient's id and grams, or the question it leaves open; never throws
 * @example weighedAddition({ said: '50 g', words: 'sugar' }, { catalogue, cup: 'us' }) // { ingredientId: 'sugar', name: 'Sugar, white', grams: 50 }
 */
export function weighedAddition(
  addition: Addition,
  weighing: JotWeighing,
): { ingredientId: string; name: string; grams: number } | { asks: string } {
  const [thing, another] = readSaid(`${addition.said} ${addition.words}`, weighing.catalogue).things;
  if (another) return { asks: 'These are two things: jot one at a time.' };
  const { query, others, name } = thing!;
  if (query)
    return {
      asks:
        others.length > 0 && thing!.ingredientId === ''
          ? `Which is meant by "${name}": ${others.map((o) => o.name.toLowerCase()).join(', ')}?`
          : query,
    };
  if (thing!.basis.per !== 'batch')
    return { asks: 'Jot what went in as an amount: weigh it, or measure it.' };
  const entry = weighing.catalogue.get(thing!.ingredientId);
  try {
    const quantity = parseQuantity(thing!.said);
    const { grams } = toGrams(quantity, entry, { cup: weighing.cup, measures: weighing.catalogue.measures });
    return { ingredientId: entry.id, name: entry.name, grams };
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return { asks: error.message };
  }
}
