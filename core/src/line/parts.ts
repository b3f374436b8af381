import { amountAt, ownOf, type Token, wordOf } from '../quantity/index.ts';
import type { Words } from './words.ts';

/** Parts that a cook takes of one fruit, and what is done to get them. */
const PART_OF: Record<string, string> = {
  juice: 'juice',
  juiced: 'juice',
  zest: 'zest',
  zested: 'zest',
  peel: 'peel',
  rind: 'peel',
  pith: 'pith',
};
const PART = '(?:juices?|zests?|peels?|rinds?|pith)';
const MADE = '(?:finely |coarsely |freshly )?(?:grated|pared|strained|squeezed|chopped|sieved)';
/** "zest and juice of two limes". */
const OF_FRUIT = new RegExp(
  `^(?:the )?(?:strips? of )?(?:${MADE} )?(?<parts>${PART}(?: ?(?:and|&|,|plus|\\+) (?:the )?(?:${MADE} )?${PART})*)(?: (?<of>of|from))? (?<rest>.+)$`,
);
/** "2 limes, zested and juiced", "1 lemon, juice of". */
const BEHIND = new RegExp(
  `^(?<rest>[^,(]+?) ?[,(]? (?<parts>(?:zested|juiced)(?: (?:and|&) (?:zested|juiced))?|(?<=[,(] )${PART}(?: (?:and|&) ${PART})*(?: (?:only|of))?)(?: \\))?$`,
);

/** "zest of 2 lemons and juice of 1": each part of so many of its own. */
const EACH_OWN = new RegExp(
  `^(?:the )?(?:${MADE} )?(?<one>${PART}) (?:of|from) (?<first>.+?) (?:and|&|,|plus) (?:the )?(?:${MADE} )?(?<two>${PART}) (?:of|from) (?<second>.+)$`,
);

/** A part with the amount and fruit it is taken of. */
export interface OwnPart {
  part: string;
  rest: Token[];
}

/** Two parts of a line that have each an amount of their own, and the tokens between; null where a line says no such thing. */
export function ownPartsOf(words: Words): { parts: [OwnPart, OwnPart]; between: Token[] } | null {
  const taken = words.find(EACH_OWN);
  if (!taken) return null;
  const { one, first, two, second } = taken;
  if (!one?.length || !first?.length || !two?.length || !second?.length) return null;
  const partOf = (tokens: readonly Token[]) => ownOf(PART_OF, wordOf(tokens[0]))!;
  return {
    parts: [
      { part: partOf(one), rest: first },
      { part: partOf(two), rest: second },
    ],
    between: taken.all.filter((token) => !first.includes(token) && !second.includes(token)),
  };
}

/** The parts of a fruit that a line asks for, each to be a line of its own. */
export interface PartsRead {
  /** "juice", "zest", "peel", "pith", in the order said. */
  parts: string[];
  partTokens: Token[];
  /** Amount and fruit. */
  rest: Token[];
}

const NO_MEASURES: ReadonlySet<string> = new Set();

/** "zest and juice of two limes", "2 limes, zested and juiced": which parts of what; null where a line says no such thing. */
export function partsOf(words: Words): PartsRead | null {
  for (const pattern of [OF_FRUIT, BEHIND]) {
    const taken = words.find(pattern);
    if (!taken?.parts?.length || !taken.rest?.length) continue;
    const parts = taken.parts.flatMap((token) => ownOf(PART_OF, wordOf(token)) ?? []);
    const amount = amountAt(taken.rest, 0, NO_MEASURES);
    // "2 cups juice of grapes" is an amount of juice; here the amount is of the fruit, counted.
    if (parts.length === 0 || (amount && amount.unit !== '')) continue;
    if (pattern === OF_FRUIT && !taken.of?.length && !amount) continue;
    return {
      parts: [...new Set(parts)],
      partTokens: taken.all.filter((t) => !taken.rest!.includes(t)),
      rest: taken.rest,
    };
  }
  return null;
}
