import { numberAt, ownOf, partBehind, type Token, toCelsius, tokensOf } from '../quantity/index.ts';

const MINUTES: Record<string, number> = {
  minute: 1,
  min: 1,
  hour: 60,
  hr: 60,
  h: 60,
  day: 1440,
  night: 1440,
  week: 10_080,
  month: 43_200,
  year: 525_600,
};

const unitOf = (token: Token | undefined): number | undefined =>
  ownOf(MINUTES, (token?.word ?? '').replace(/s$/, ''));

/** A time found in words. */
interface Time {
  minutes: number;
  /** Size of its unit, minutes. */
  unit: number;
  /** Place of its first token, and behind its last. */
  from: number;
  next: number;
  /** Places in the words. */
  start: number;
  end: number;
}

function readAt(tokens: readonly Token[], i: number) {
  // "A couple of days" are two; "a few" are not counted.
  const couple = tokens[i]?.word === 'a' ? i + 1 : i;
  if (tokens[couple]?.word === 'couple') {
    const next = tokens[couple + 1]?.word === 'of' ? couple + 2 : couple + 1;
    return { low: 2, high: 2, next };
  }
  if (tokens[i]?.word === 'another' && unitOf(tokens[i + 1]) !== undefined)
    return { low: 1, high: 1, next: i + 1 };
  if (/^(?:few|several)$/.test(tokens[couple]?.word ?? '')) return null;
  try {
    return numberAt(tokens, i);
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return null;
  }
}

/** Reads a time at a place among tokens: "1 hour and 15 minutes", "an hour and a half"; null where none stands there. */
function timeAt(tokens: readonly Token[], i: number): Time | null {
  const number = readAt(tokens, i);
  const unit = number ? unitOf(tokens[number.next]) : undefined;
  if (!number || unit === undefined) return null;
  const middle = ((number.low + number.high) / 2) * unit;
  const time = (minutes: number, next: number): Time => {
    const places = { start: tokens[i]!.start, end: tokens[next - 1]!.end };
    return { minutes, unit, from: i, next, ...places };
  };
  const half = partBehind(tokens, number.next + 1);
  if (half) return time(middle + half.more * unit, half.next);
  const joined = tokens[number.next + 1]?.word === 'and' ? number.next + 2 : number.next + 1;
  const more = readAt(tokens, joined);
  if (unit === 60 && more && unitOf(tokens[more.next]) === 1) return time(middle + more.low, more.next + 1);
  return time(middle, number.next + 1);
}

/** Finds every time in some words, in order. */
export function timesIn(said: string): Time[] {
  const tokens = tokensOf(said);
  const found: Time[] = [];
  for (let i = 0; i < tokens.length; i++) {
    const time = timeAt(tokens, i);
    if (!time) continue;
    found.push(time);
    i = time.next - 1;
  }
  return found;
}

/** A night that somebody waits, in words. */
export const OVERNIGHT =
  /\bovernight\b|\bthrough the night\b|\b(?:until|till) (?:the )?(?:next|following) (?:day|morning)|\b(?:until|till) (?:tomorrow|morning)\b/;

/** Minutes without their part; under one the part is what counts: half a minute is no minute. */
export const wholeMinutes = (minutes: number): number => (minutes < 1 ? minutes : Math.floor(minutes + 0.5));

/** Reads the minutes that words say, the middle of a range; undefined where they say none. */
export function minutesIn(said: string): number | undefined {
  const [first] = timesIn(said);
  if (first) return wholeMinutes(first.minutes);
  return OVERNIGHT.test(said) ? 720 : undefined;
}

/** Something read in words, with the place it was read at. */
export interface Found {
  value: number;
  start: number;
  end: number;
}

const DEGREES = /(-?\d+(?:[.,]\d+)?)\s*(?:°|º|degrees?|deg\.?)?\s*(c|f|celsius|centigrade|fahrenheit)\b/gi;

/** Finds every temperature in some words, °C; one that says not in which degrees is none. */
export const temperaturesIn = (said: string): Found[] =>
  [...said.matchAll(DEGREES)].map((match) => {
    const amount = Number(match[1]!.replace(',', '.'));
    const celsius = toCelsius({ amount, unit: /^f/i.test(match[2]!) ? 'F' : 'C', said: match[0] });
    return { value: Number(celsius.toFixed(1)), start: match.index, end: match.index + match[0].length };
  });

/** Reads a temperature, °C; undefined where none is said, or not in which degrees. */
export const celsiusIn = (said: string): number | undefined => temperaturesIn(said)[0]?.value;

/** Words that may stand before a part: "by about a". */
const ABOUT = '(?:about |roughly |around |nearly |almost |only |just |approximately )*(?:an? |the |one[- ])?';
const PART =
  '(half|third|quarter|fifth|two[- ]thirds|three[- ]quarters|two[- ]fifths|three[- ]fifths|four[- ]fifths|[½⅓⅔¼¾⅕⅖⅗⅘]|\\d+\\s*/\\s*\\d+|\\d+(?:\\.\\d+)?\\s*(?:%|percent|per cent))';

const NAMED: Record<string, number> = {
  half: 1 / 2,
  third: 1 / 3,
  quarter: 1 / 4,
  fifth: 1 / 5,
  'two thirds': 2 / 3,
  'three quarters': 3 / 4,
  'two fifths': 2 / 5,
  'three fifths': 3 / 5,
  'four fifths': 4 / 5,
  '½': 1 / 2,
  '⅓': 1 / 3,
  '⅔': 2 / 3,
  '¼': 1 / 4,
  '¾': 3 / 4,
  '⅕': 1 / 5,
  '⅖': 2 / 5,
  '⅗': 3 / 5,
  '⅘': 4 / 5,
};

function shareOf(words: string): number {
  const named = ownOf(NAMED, words.replace('-', ' '));
  if (named !== undefined) return named;
  const [top, bottom] = words.split('/');
  return bottom === undefined ? Number.parseFloat(words) / 100 : Number(top) / Number(bottom);
}

/** Ways of saying what is left, and of saying what goes. */
const LEFT: readonly RegExp[] = [
  new RegExp(`\\b(?:down )?to ${ABOUT}${PART}`),
  new RegExp(
    `\\b(?:until|till|when|so that) (?:there (?:is|are) )?${ABOUT}${PART}\\b[^.;,]*?\\b(?:left|remains?|remaining|stays)\\b`,
  ),
  new RegExp(
    `\\b(?:until|till|when|so that) (?:it|they|you|the \\w+)[^.;,]*? (?:is|are|has|have|measures?|left with) (?:come )?(?:down )?(?:to )?${ABOUT}${PART} (?:of )?(?:its|what|the|as much)`,
  ),
];
const GONE: readonly RegExp[] = [
  new RegExp(`\\bby ${ABOUT}${PART}`),
  new RegExp(
    `\\b(?:until|till|when) ${ABOUT}${PART}\\b[^.;,]*?\\b(?:gone|away|evaporated|lost|boiled off|cooked off)\\b`,
  ),
  new RegExp(`\\b(?:boil|cook|simmer|drive|reduce) (?:away|off) ${ABOUT}${PART}`),
];

const HALVED = /\bhalved?\b(?= (?:it|in volume)|$|[,;])/;

/** Finds the part of the volume that is left when words say that something is reduced: "by a third" leaves two thirds, "to a third" one. */
export function shareLeftIn(said: string): Found | undefined {
  const gone = GONE.map((words) => words.exec(said)).find((match) => match !== null);
  const left = LEFT.map((words) => words.exec(said)).find((match) => match !== null);
  const match = gone ?? left ?? HALVED.exec(said);
  if (!match) return undefined;
  const share = gone ? 1 - shareOf(gone[1]!) : left ? shareOf(left[1]!) : 0.5;
  if (!(share > 0 && share < 1)) return undefined;
  return { value: Number(share.toFixed(4)), start: match.index, end: match.index + match[0].length };
}

/** Reads the part of the volume that is left; undefined where no words say it. */
export const fractionIn = (said: string): number | undefined => shareLeftIn(said)?.value;

const BRIX = /(\d+(?:\.\d+)?)\s*°?\s*(?:bx|brix)\b/;

/** Finds the °Bx that something is brought to. */
export function brixFoundIn(said: string): Found | undefined {
  const match = BRIX.exec(said);
  return match
    ? { value: Number(match[1]), start: match.index, end: match.index + match[0].length }
    : undefined;
}

/** Reads the °Bx that something is brought to. */
export const brixIn = (said: string): number | undefined => brixFoundIn(said)?.value;
