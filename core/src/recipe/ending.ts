import type { FormulaContent } from '../formula/index.ts';
import { timesIn } from './figures.ts';

const DAY = 1440;

/** How long a recipe says that it keeps: its own word, which decides nothing. */
export interface Keeps {
  days: number;
  /** The words it was read from. */
  text: string;
}

const KEPT =
  /\b(?:keeps?|kept|will keep|lasts?|will last|good|fine|use(?:d)?|eat|drink|consume|shelf life|store[ds]?|refrigerate[ds]?)\b[^.;]*?\b(?:for|up to|within|about|around|in|at least|of|after|a|one|two|three|four|six|twelve|\d+)\b|\bfreeze\b[^.;]*?\bup to\b/i;
/** Something is done with it yet: this is a step's own time. */
const STILL_DONE =
  /\b(?:stir|shak|turn)(?:ing)?\b|\bbefore (?:using|opening|straining|bottling|it is|drinking|you (?:use|open|drink|try|taste|strain))\b|\bto (?:mature|mellow|infuse|steep|develop)\b/i;

/** Reads a keeping time; null where the words say none. A time under a day is no keeping. */
export function keepsIn(text: string): Keeps | null {
  if (!KEPT.test(text) || STILL_DONE.test(text)) return null;
  const time = timesIn(text.toLowerCase()).find(({ unit }) => unit >= DAY);
  return time ? { days: Math.round(time.minutes / DAY), text } : null;
}

const SUBJECT =
  '(?:(?:it|this|that|they|these|once opened|opened|unopened|sealed|the [\\w ]+?|syrup|cordial|shrub)[, ]+)';
const ONLY = new RegExp(
  `^(?:${SUBJECT}+(?:should |will |can |may )?(?:be )?(?:keeps?|lasts?|is good|are good|good|stays?|fine|kept|stored|used)|keeps|lasts|stays|good for|shelf life)\\b`,
  'i',
);

/** Whether words only tell how long something keeps, and say nothing to do: "it keeps for a month", not "keep it in the fridge". */
export const onlyKeeps = (text: string): boolean => keepsIn(text) !== null && ONLY.test(text.trim());

/** A plate or spoon put in the cold is for a test, and what stands in the fridge to be drawn is no place either. */
const TEST = /\b(?:plate|saucer|spoon|bowl|dish|glass(?:es)?)\b[^.;]*\b(?:freezer|fridge|refrigerator)\b/i;
const FROZEN = /\bfreez(?:e|es|er|ing)\b|\bfrozen in\b/i;
const COLD = /\bfridge|refrigerat/i;

/**
 * Tells where a recipe means its product to be kept: on the shelf where its jars are processed for so many minutes, in the freezer, else cold.
 * @param ends what is said from the filling or the last cooking on
 */
export function storageOf(ends: readonly string[], processed: boolean): FormulaContent['storage'] {
  if (processed) return 'shelf';
  const places = ends.filter((text) => !TEST.test(text));
  const last = places.findLast((text) => FROZEN.test(text) || COLD.test(text));
  return last !== undefined && FROZEN.test(last) && !COLD.test(last) ? 'frozen' : 'cold';
}
