import { numberAt, type Token, toCelsius, tokensOf } from '../quantity/index.ts';

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

/** What is said not to happen. */
const DENIED =
  /\b(?:do not|don[’']?t|never|must not|should not|shouldn[’']?t|without|avoid|not|no need to|rather than|instead of|before it(?: \w+)? (?:to )?)\b(?: (?:let(?:ting)?|allow(?:ing)?|bring(?:ing)?|it|them|to|the|mixture|syrup|liquid|ever|even|come|coming|start|starting|quite|a|be|being))*\s*(?:boil(?:ing|ed)?|simmer(?:ing|ed)?|cook(?:ing|ed)?|squeez(?:e|ing)|press(?:ing)?|stir(?:ring)?|heat(?:ing)?|strain(?:ing)?)\b(?! (?:dry|over|away)\b)/gi;
const CONDITIONAL =
  /^(?:if|unless|in case|should (?:it|the|you)|for a (?:thicker|thinner|sweeter|stronger|clearer))\b/i;
const IF_PART = /\b(?:if|unless)\b[^,.;]*/gi;
/** What was boiled before, or boils elsewhere, boils nothing here. */
const BOILED_THINGS =
  /\b(?:just[- ])?(?:boiling|boiled|simmering|hot|scalding|cooled boiled|freshly boiled)(?:,? (?:hot|cooled|fresh|filtered))* (?:water|jars?|bottles?|syrup|milk|kettle)\b|\b(?:steriliz|sterilis)ed (?:hot )?(?:jars?|bottles?)\b/gi;

function clauseOf(text: string, number: number): Clause {
  const denied = text.match(DENIED) ?? [];
  const said = text.replace(DENIED, ' ').replace(IF_PART, ' ');
  return {
    ...{ text: text.trim(), number, said: said.toLowerCase() },
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

/** The words of a clause without what was boiled elsewhere, and without the heat that a pan is taken off. */
export const withoutBoiled = (said: string): string =>
  said.replace(BOILED_THINGS, ' hotwater ').replace(/\b(?:off|from)(?: the)? (?:heat|boil)\b/g, ' ');

const MINUTES: Record<string, number> = {
  minute: 1,
  min: 1,
  hour: 60,
  hr: 60,
  day: 1440,
  week: 10_080,
  month: 43_200,
};

/** Numbers in a clause with the word behind each. */
function numbers(said: string): { low: number; high: number; behind: Token[] }[] {
  const tokens = tokensOf(said);
  return tokens.flatMap((token, i) => {
    const before = tokens[i - 1];
    if (token.kind === 'sign' || (before?.kind === 'figure' && token.kind === 'figure')) return [];
    try {
      const read = numberAt(tokens, i);
      return read ? [{ low: read.low, high: read.high, behind: tokens.slice(read.next, read.next + 3) }] : [];
    } catch {
      return [];
    }
  });
}

/** Minutes that a clause says; the middle of a range; undefined where it says none. */
export function minutesIn(said: string): number | undefined {
  for (const { low, high, behind } of numbers(said)) {
    const size = MINUTES[(behind[0]?.word ?? '').replace(/s$/, '')];
    if (size === undefined) continue;
    const more =
      behind[1]?.word === 'and'
        ? numbers(said).find(
            (n) => n.behind[0] !== behind[0] && MINUTES[(n.behind[0]?.word ?? '').replace(/s$/, '')] === 1,
          )
        : undefined;
    return Math.round(((low + high) / 2) * size + (size === 60 && more ? more.low : 0));
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
