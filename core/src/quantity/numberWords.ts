/** Fractions that are one sign. */
export const VULGAR: Record<string, string> = {
  '¼': '1/4',
  '½': '1/2',
  '¾': '3/4',
  '⅓': '1/3',
  '⅔': '2/3',
  '⅕': '1/5',
  '⅖': '2/5',
  '⅗': '3/5',
  '⅘': '4/5',
  '⅙': '1/6',
  '⅚': '5/6',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
};

/** A number at the head of some words. */
export interface NumberAtHead {
  /** In figures: "1 3/4", or "2 to 3" for a range. */
  plain: string;
  /** The words that said it. */
  said: string;
  rest: string;
}

const ONES = [
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'eleven',
  'twelve',
];
const TEENS = ['thirteen', 'fourteen', 'fifteen', 'sixteen', 'seventeen', 'eighteen', 'nineteen'];
const TENS = ['twenty', 'thirty', 'forty', 'fifty', 'sixty', 'seventy', 'eighty', 'ninety'];
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
};
/** Words for some, as practice means them: low and high. */
const SOME: Record<string, string> = { couple: '2 to 3', few: '3 to 5', several: '4 to 7' };

const FIGURES = /^(?:\d+[/⁄]\d+|\d+(?:[.,]\d+)*|[.,]\d+)$/;
const SIGNED = new RegExp(`^(\\d+)?([${Object.keys(VULGAR).join('')}])$`);
const isFraction = (text: string): boolean => /^\d+[/⁄]\d+$/.test(text);

/** Denominator that a word names, in one or several. */
const partOf = (word: string | undefined): number | undefined =>
  word === undefined ? undefined : PARTS[word.replace(/^halves$/, 'half').replace(/s$/, '')];

interface Read {
  text: string;
  next: number;
}

/** A whole number: figures, or one or two words ("twenty five"). */
function whole(words: readonly string[], i: number): Read | null {
  const first = words[i];
  if (first === undefined) return null;
  if (FIGURES.test(first) && !isFraction(first)) return { text: first, next: i + 1 };
  const value = WHOLE.get(first);
  if (value === undefined) return null;
  const second = ONES.indexOf(words[i + 1] ?? '');
  if (TENS.includes(first) && second >= 0 && second < 9)
    return { text: `${value + second + 1}`, next: i + 2 };
  return { text: `${value}`, next: i + 1 };
}

/** A part of one: "1/3", "half", "a third", "three quarters". */
function part(words: readonly string[], i: number): Read | null {
  const first = words[i];
  if (first === undefined) return null;
  if (isFraction(first)) return { text: first.replace('⁄', '/'), next: i + 1 };
  const signed = SIGNED.exec(first);
  if (signed && !signed[1]) return { text: VULGAR[signed[2]!]!, next: i + 1 };
  const alone = partOf(first);
  if (alone !== undefined) return { text: `1/${alone}`, next: i + 1 };
  const count = whole(words, i);
  const parts = count && partOf(words[count.next]);
  return count && parts ? { text: `${count.text}/${parts}`, next: count.next + 1 } : null;
}

/** A number: a part, or a whole with a part behind it, joined by "and" where that is said. */
function one(words: readonly string[], i: number): Read | null {
  const signed = SIGNED.exec(words[i] ?? '');
  if (signed) return { text: `${signed[1] ? `${signed[1]} ` : ''}${VULGAR[signed[2]!]}`, next: i + 1 };
  const fraction = part(words, i);
  if (fraction) return fraction;
  const count = whole(words, i);
  if (!count) return null;
  if (words[count.next] === 'dozen') return { text: `${12 * Number(count.text)}`, next: count.next + 1 };
  const behind = part(words, words[count.next] === 'and' ? count.next + 1 : count.next);
  const next = words[count.next] ?? '';
  const mixed = behind && (next === 'and' || isFraction(next) || SIGNED.test(next));
  return mixed ? { text: `${count.text} ${behind.text}`, next: behind.next } : count;
}

const BETWEEN = new Set(['to', 'or', '-', '–']);

/** Of a part of one, "of a" and "a" say nothing more: "half a cup", "two thirds of a cup". */
function withoutOf(words: readonly string[], { text, next }: Read): number {
  if (!isFraction(text)) return next;
  const after = words[next] === 'of' ? next + 1 : next;
  const article =
    words[after] === 'a' || words[after] === 'an' || (words[next] === 'of' && words[after] === 'one');
  if (words[after] === 'dozen') return next;
  return article ? after + 1 : next;
}

/** "a few", "a couple of", "several", and "half a dozen". */
function some(words: readonly string[]): Read | null {
  const at = words[0] === 'a' ? 1 : 0;
  const range = SOME[words[at] ?? ''];
  if (range) return { text: range, next: words[at + 1] === 'of' ? at + 2 : at + 1 };
  if (words[0] === 'half' && words[1] === 'a' && words[2] === 'dozen') return { text: '6', next: 3 };
  return words[0] === 'dozen' ? { text: '12', next: 1 } : null;
}

/**
 * The number at the head of some words as a cook writes or says it: figures, fractions, words, ranges, "a few", "half a dozen".
 * @param text with fractions in figures (1/2) and a point for decimals
 * @returns null where no number stands in front
 * @example numberAtHead('one and three quarter cups').plain // '1 3/4'
 */
export function numberAtHead(text: string): NumberAtHead | null {
  // A hyphen joins words of one number and parts those of a range.
  const spaced = text
    .replace(/(\d)\s*[-–]\s*(?=\d)/g, '$1 - ')
    .replace(/\b([a-z]+)-(?=[a-z])/gi, (all, word: string) =>
      WHOLE.has(word.toLowerCase()) ? `${word} ` : all,
    )
    .trim();
  const original = spaced.split(/\s+/);
  const words = original.map((word) => word.toLowerCase());
  const first = some(words) ?? one(words, 0);
  if (!first) return null;
  let [plain, next] = [first.text, withoutOf(words, first)];
  const second = BETWEEN.has(words[first.next] ?? '') ? one(words, first.next + 1) : null;
  if (second) [plain, next] = [`${first.text} to ${second.text}`, withoutOf(words, second)];
  const said = original.slice(0, next).join(' ');
  const rest = original.slice(next).join(' ');
  return behindUnit({ plain, said, rest });
}

/** "a cup and a half", "two pounds and a quarter": the part stands behind the unit. */
function behindUnit(read: NumberAtHead): NumberAtHead {
  const match = /^([a-z]+) and (?:an? |one )(half|third|quarter)\b\s*(.*)$/i.exec(read.rest);
  if (!match || !/^\d+$/.test(read.plain)) return read;
  const [, unit, named, rest] = match;
  return {
    plain: `${read.plain} 1/${PARTS[named!.toLowerCase()]}`,
    said: `${read.said} and a ${named}`,
    rest: `${unit} ${rest}`.trim(),
  };
}
