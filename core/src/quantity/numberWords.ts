import { readDigits } from './digits.ts';
import { ownOf } from './ownOf.ts';
import type { Token } from './tokens.ts';

/** Fractions that are one sign. */
const SIGNS: Record<string, number> = {
  '¼': 1 / 4,
  '½': 1 / 2,
  '¾': 3 / 4,
  '⅓': 1 / 3,
  '⅔': 2 / 3,
  '⅕': 1 / 5,
  '⅖': 2 / 5,
  '⅗': 3 / 5,
  '⅘': 4 / 5,
  '⅙': 1 / 6,
  '⅚': 5 / 6,
  '⅛': 1 / 8,
  '⅜': 3 / 8,
  '⅝': 5 / 8,
  '⅞': 7 / 8,
};

const ONES = 'one two three four five six seven eight nine'.split(' ');
const TEENS = 'ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen'.split(' ');
const TENS = 'twenty thirty forty fifty sixty seventy eighty ninety'.split(' ');
const WHOLE = new Map<string, number>([
  ...['a', 'an'].map((word): [string, number] => [word, 1]),
  ...[...ONES, ...TEENS].map((word, i): [string, number] => [word, i + 1]),
  ...TENS.map((word, i): [string, number] => [word, 10 * (i + 2)]),
]);
const PARTS: Record<string, number> = {
  half: 2,
  third: 3,
  quarter: 4,
  fourth: 4,
  fifth: 5,
  sixth: 6,
  eighth: 8,
  tenth: 10,
  sixteenth: 16,
};
/** Words for some, as practice means them: low and high. */
const SOME: Record<string, [number, number]> = { couple: [2, 3], few: [3, 5], several: [4, 7] };

/** A number read among tokens. */
export interface NumberRead {
  low: number;
  high: number;
  /** Place behind it. */
  next: number;
  /** The figures that may part thousands as well as decimals, where the unit leaves it open. */
  open: boolean;
  /** It was said as a part of one alone: "half", "2/3". */
  part: boolean;
  /** Only the article said it: "a", "an". */
  article: boolean;
}

/** "a little", "a bit": an article before them counts nothing. */
const NO_NUMBER = new Set(['little', 'bit', 'lot', 'touch', 'hint', 'trace', 'suspicion', 'great']);

interface Read {
  value: number;
  next: number;
  open?: boolean;
  part?: boolean;
  article?: boolean;
}

const isFraction = (token: Token | undefined): boolean =>
  token?.kind === 'figure' && (/[/⁄]/.test(token.text) || Object.hasOwn(SIGNS, token.text));

/** Denominator that a word names, in one or several. */
const partOf = (word: string | undefined): number | undefined =>
  word === undefined ? undefined : ownOf(PARTS, word.replace(/^halves$/, 'half').replace(/s$/, ''));

/** A fraction in figures: "1/3", "⅓". */
function figureFraction(token: Token): number {
  const sign = ownOf(SIGNS, token.text);
  if (sign !== undefined) return sign;
  const [top, bottom] = token.text.split(/[/⁄]/) as [string, string];
  const value = readDigits(top, false).value / Number(bottom);
  if (!Number.isFinite(value)) throw new RangeError(`"${token.text}" is not a number`);
  return value;
}

/** A whole number in words: one, two, or three of them ("two hundred and fifty"). */
function wordsWhole(tokens: readonly Token[], i: number): Read | null {
  const value = WHOLE.get(tokens[i]?.word ?? '');
  if (value === undefined) return null;
  let [total, next] = [value, i + 1];
  if (value >= 20 && value % 10 === 0) {
    const joined = tokens[next]?.text === '-' ? next + 1 : next;
    const unit = ONES.indexOf(tokens[joined]?.word ?? '');
    if (unit >= 0) [total, next] = [value + unit + 1, joined + 1];
  }
  if (tokens[next]?.word === 'hundred' && value < 10) {
    total = value * 100;
    next += 1;
    const more = wordsWhole(tokens, tokens[next]?.word === 'and' ? next + 1 : next);
    const word = tokens[tokens[next]?.word === 'and' ? next + 1 : next]?.word;
    if (more && more.value < 100 && word !== 'a' && word !== 'an')
      [total, next] = [total + more.value, more.next];
  }
  const article = /^an?$/.test(tokens[i]!.word) && next === i + 1;
  if (article && NO_NUMBER.has(tokens[next]?.word ?? '')) return null;
  return { value: total, next, article };
}

function whole(tokens: readonly Token[], i: number): Read | null {
  const token = tokens[i];
  if (token?.kind !== 'figure' || isFraction(token)) return wordsWhole(tokens, i);
  const { or } = readDigits(token.text, true);
  return { value: readDigits(token.text, false).value, next: i + 1, open: or !== undefined };
}

/** A part of one: "1/3", "half", "a third", "three quarters". */
function part(tokens: readonly Token[], i: number): Read | null {
  const token = tokens[i];
  if (!token) return null;
  if (isFraction(token)) return { value: figureFraction(token), next: i + 1, part: true };
  const alone = partOf(token.word);
  if (alone !== undefined) return { value: 1 / alone, next: i + 1, part: true };
  const count = whole(tokens, i);
  if (!count) return null;
  const at = tokens[count.next]?.text === '-' ? count.next + 1 : count.next;
  const parts = partOf(tokens[at]?.word);
  return parts ? { value: count.value / parts, next: at + 1, part: true } : null;
}

/** A number: a part, or a whole with a part behind it, joined by "and" or a hyphen where that is said. */
function one(tokens: readonly Token[], i: number): Read | null {
  const fraction = part(tokens, i);
  if (fraction) return fraction;
  const count = whole(tokens, i);
  if (!count) return null;
  const word = tokens[count.next]?.word;
  if (word === 'dozen') return { value: 12 * count.value, next: count.next + 1 };
  const joined = word === 'and' || (tokens[count.next]?.text === '-' && isFraction(tokens[count.next + 1]));
  const behind =
    joined || isFraction(tokens[count.next]) ? part(tokens, count.next + (joined ? 1 : 0)) : null;
  if (!behind || behind.value >= 1) return count;
  return { value: count.value + behind.value, next: behind.next, open: count.open ?? false };
}

const BETWEEN = new Set(['to', 'or', '-', '‐', '–', '—']);

/** Of a part of one, "of a" and "a" say nothing more: "half a cup", "two thirds of a cup". */
function withoutOf(tokens: readonly Token[], { next, part: isPart }: Read): number {
  if (!isPart) return next;
  const after = tokens[next]?.word === 'of' ? next + 1 : next;
  const word = tokens[after]?.word ?? '';
  if (tokens[after + 1]?.word === 'dozen') return next;
  return /^an?$/.test(word) || (after > next && word === 'one') ? after + 1 : next;
}

/** "a few", "a couple of", "several", and "half a dozen". */
function some(tokens: readonly Token[], i: number): NumberRead | null {
  const at = tokens[i]?.word === 'a' || tokens[i]?.word === 'another' ? i + 1 : i;
  const range = ownOf(SOME, tokens[at]?.word);
  const read = (low: number, high: number, next: number) => ({
    low,
    high,
    next: tokens[next]?.word === 'of' ? next + 1 : next,
    open: false,
    part: false,
    article: false,
  });
  if (range) return read(range[0], range[1], at + 1);
  const said = tokens.slice(i, i + 3).map((token) => token.word);
  if (said.join(' ') === 'half a dozen') return read(6, 6, i + 3);
  return said[0] === 'dozen' ? read(12, 12, i + 1) : null;
}

/** Two numbers with a unit of one and the same between: "2 cups to 3 cups" is the amount's to read. */
function second(tokens: readonly Token[], first: Read): Read | null {
  if (!BETWEEN.has(tokens[first.next]?.word ?? '')) return null;
  const other = one(tokens, first.next + 1);
  // "a cup or a mug": an article is no end of a range in figures.
  return other?.article && !first.article && !first.part ? null : other;
}

/**
 * The number at a place among tokens, as a cook writes or says it: figures, fractions, words, ranges, "a few", "half a dozen", "between 2 and 3".
 * @param tokens of `tokensOf`; @param i the place
 * @returns null where none stands there; low and high are one where no range was said
 * @throws RangeError on signs that make no number, and on a range from more to less
 * @example numberAt(tokensOf('one and three quarter cups'), 0).low // 1.75
 */
export function numberAt(tokens: readonly Token[], i: number): NumberRead | null {
  const vague = some(tokens, i);
  if (vague) return vague;
  const between = tokens[i]?.word === 'between' ? 1 : 0;
  const first = one(tokens, i + between);
  if (!first) return null;
  const end = between
    ? tokens[first.next]?.word === 'and'
      ? one(tokens, first.next + 1)
      : null
    : second(tokens, first);
  if (between && !end) return null;
  const last = end ?? first;
  if (!Number.isFinite(last.value) || !Number.isFinite(first.value))
    throw new RangeError(`"${tokens[i]!.text}" is not a number`);
  if (last.value < first.value)
    throw new RangeError(`"${first.value} to ${last.value}" runs from more to less`);
  return {
    low: first.value,
    high: last.value,
    next: withoutOf(tokens, last),
    open: first.open === true || last.open === true,
    part: first.part === true,
    article: first.article === true && !end,
  };
}

/**
 * A part said behind its unit, "a cup and a half": how much more of one it is; null where none stands there.
 * @example partBehind(tokensOf('and a half'), 0).more // 0.5
 */
export function partBehind(tokens: readonly Token[], i: number): { more: number; next: number } | null {
  if (tokens[i]?.word !== 'and') return null;
  const read = part(tokens, i + 1);
  return read && read.value < 1 && tokens[i + 1]!.kind === 'word'
    ? { more: read.value, next: read.next }
    : null;
}
