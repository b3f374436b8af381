import { DENIED } from '../formula/index.ts';
import { numberAt, ownOf, partBehind, type Token, toCelsius, tokensOf } from '../quantity/index.ts';

/** A part of a sentence that says one thing to do. */
export interface Clause {
  text: string;
  /** Line of the pasted text it stands in. */
  number: number;
  /** What its words say, with what is denied or only conditional taken out: what is read of it. */
  said: string;
  /** It is told not to boil, or not even to simmer. */
  neverBoil: boolean;
  /** It is done only if something is so. */
  conditional: boolean;
}

/** Words that begin a new thing to do within a sentence. */
const DOES =
  'add|bottle|boil|blend|bring|chill|cook|cool|cover|discard|dissolve|drain|fill|filter|freeze|hang|heat|infuse|leave|let|macerate|mash|mix|pour|press|process|puree|put|reduce|refrigerate|remove|return|rest|seal|sieve|simmer|squeeze|steep|stir|store|strain|taste|tip|transfer|warm|whisk';
const ADVERB = '(?:gently|carefully|slowly|then|finally|again|quickly|immediately|at once)';
const BETWEEN = new RegExp(
  `(?:\\s*[,;]\\s*(?:and\\s+)?(?:then\\s+)?|\\s+and\\s+(?:then\\s+)?|\\s+then\\s+)(?=(?:${ADVERB}\\s+)*(?:${DOES})\\b)`,
  'i',
);

const SENTENCES = /(?<=[.!?])\s+(?=[\p{Lu}\d"“(])|\s*;\s+/u;

const CONDITIONAL =
  /^(?:if|unless|in case|should (?:it|the|you)|for a (?:thicker|thinner|sweeter|stronger|clearer))\b/i;
const IF_PART = /\b(?:if|unless)\b[^,.;]*/gi;
function clauseOf(text: string, number: number): Clause {
  const denied = text.match(DENIED) ?? [];
  const said = text.replace(DENIED, ' ').replace(IF_PART, ' ');
  return {
    text: text.trim(),
    number,
    said: said.toLowerCase(),
    neverBoil: denied.some((words) => /boil|simmer/i.test(words)),
    conditional: CONDITIONAL.test(text.trim()),
  };
}

/** Words that say something is done; what has none of them belongs to what comes after it: "the next day", "off the heat". */
const HAS_VERB = new RegExp(
  `\\b(?:${DOES}|hang|wash|peel|chop|crush|rub|bruise|toss|tip|take|bash|cut|grate|juice|slice|stone|pit|core|trim|measure|weigh|steep|soak|steril\\w+|skim|shake|close|seal|set|simmer\\w*|boil\\w*)`,
  'i',
);

/** Parts of a sentence, those that say nothing to do put with the one behind them. */
function withVerbs(parts: readonly string[]): string[] {
  const whole: string[] = [];
  let before = '';
  for (const part of parts) {
    const text = before ? `${before}, ${part}` : part;
    if (HAS_VERB.test(part.replace(/\b(?:off|from) the heat\b/gi, ' '))) {
      whole.push(text);
      before = '';
    } else before = text;
  }
  if (before !== '') whole.push(before);
  return whole;
}

/** A line of a method as the things it says to do, in order. No word is lost. */
export function clausesOf(text: string, number: number): Clause[] {
  const plain = text.replace(/^(?:step\s*)?\d{1,2}\s*[.):]\s+/i, '');
  return plain
    .split(SENTENCES)
    .filter((sentence) => sentence.trim() !== '')
    .flatMap((sentence) =>
      CONDITIONAL.test(sentence.trim())
        ? [sentence]
        : withVerbs(sentence.split(BETWEEN).filter((part) => part.trim() !== '')),
    )
    .map((part) => clauseOf(part.replace(/[.,;]+$/, ''), number));
}

const MINUTES: Record<string, number> = {
  minute: 1,
  min: 1,
  hour: 60,
  hr: 60,
  day: 1440,
  week: 10_080,
  month: 43_200,
};

const unitOf = (token: Token | undefined): number | undefined =>
  ownOf(MINUTES, (token?.word ?? '').replace(/s$/, ''));

/** Minutes at a place among tokens: "1 hour and 15 minutes", "an hour and a half"; null where none stand there. */
function minutesAt(tokens: readonly Token[], i: number): number | null {
  const number = readAt(tokens, i);
  const size = number && unitOf(tokens[number.next]);
  if (!number || size === undefined || size === null) return null;
  const middle = ((number.low + number.high) / 2) * size;
  const half = partBehind(tokens, number.next + 1);
  if (half) return middle + half.more * size;
  const joined = tokens[number.next + 1]?.word === 'and' ? number.next + 2 : number.next + 1;
  const more = readAt(tokens, joined);
  return size === 60 && more && unitOf(tokens[more.next]) === 1 ? middle + more.low : middle;
}

function readAt(tokens: readonly Token[], i: number) {
  try {
    return numberAt(tokens, i);
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return null;
  }
}

/** Minutes that a clause says; the middle of a range; undefined where it says none. */
export function minutesIn(said: string): number | undefined {
  const tokens = tokensOf(said);
  for (let i = 0; i < tokens.length; i++) {
    // Within a number nothing begins: of "10 to 15 minutes" the 15 does not stand alone.
    const before = readAt(tokens, i - 1);
    if (i > 0 && before && before.next > i && unitOf(tokens[before.next]) !== undefined) continue;
    const minutes = minutesAt(tokens, i);
    if (minutes !== null) return Math.round(minutes);
  }
  return /\bovernight\b|until (?:the )?(?:next|following) (?:day|morning)/.test(said) ? 720 : undefined;
}

/** A temperature that a clause says, °C; undefined where it says none, or not in which degrees. */
export function celsiusIn(said: string): number | undefined {
  const match =
    /(-?\d+(?:[.,]\d+)?)\s*(?:°|º|degrees?|deg\.?)?\s*(c|f|celsius|centigrade|fahrenheit)\b/i.exec(said);
  if (!match) return undefined;
  const amount = Number(match[1]!.replace(',', '.'));
  const celsius = toCelsius({ amount, unit: /^f/i.test(match[2]!) ? 'F' : 'C', said: match[0] });
  return Number(celsius.toFixed(1));
}

const SHARES: Record<string, number> = {
  half: 1 / 2,
  third: 1 / 3,
  quarter: 1 / 4,
  'two thirds': 2 / 3,
  'three quarters': 3 / 4,
};

/** The part that is left when a clause says that something is reduced: "by a third" leaves two thirds, "to a third" one. */
export function fractionIn(said: string): number | undefined {
  const match =
    /\b(by|to)\s+(?:about |roughly |around )?(?:an? )?(half|third|quarter|two[- ]thirds|three[- ]quarters|(\d+)\s*(?:%|percent))/.exec(
      said,
    );
  if (!match) return undefined;
  const share = match[3] ? Number(match[3]) / 100 : SHARES[match[2]!.replace('-', ' ')]!;
  const left = match[1] === 'by' ? 1 - share : share;
  return left > 0 && left < 1 ? Number(left.toFixed(4)) : undefined;
}

/** °Bx that a clause says to come to. */
export function brixIn(said: string): number | undefined {
  const match = /(\d+(?:\.\d+)?)\s*°?\s*(?:bx|brix)\b/.exec(said);
  return match ? Number(match[1]) : undefined;
}
