import { entriesNamed, type KitchenCatalogue, mayName } from '../../ingredient/index.ts';
import { amountAt, ownOf, type Token, textOf, tokensOf, units, wordOf } from '../../quantity/index.ts';

/** A thing, an amount, or both, as a sentence mentions them. */
export interface Mention {
  /** The amount as it was said: "two cups", "eight or nine"; '' where none was. */
  amount: string;
  /** Its unit: of the quantity's, or a word things are counted by; '' for a bare number. */
  unit: string;
  /** The thing as it was said; '' where only an amount was. */
  thing: string;
  /** What the amount is of, where a pronoun tells it. */
  of?: 'it' | 'them';
  /** A part of what was said before: half of it, or what is left. */
  share?: number | 'rest';
  /** "another", "more": it comes on top of what went in. */
  more?: true;
  /** Places in the sentence. */
  start: number;
  end: number;
}

/** Words without the stop behind them. */
const bare = (words: string): string => words.replace(/[.,;:!?]+$/, '');

/** A part of something, which no unit makes an amount: "until a quarter of it is left". */
const PART_OF =
  /^(?:an? |one |two |three |four |only )*(?:half|thirds?|quarters?|fourths?|fifths?|[½⅓⅔¼¾⅕])$/i;

/** Words between an amount and its thing that tell nothing of which it is. */
const BETWEEN = new Set(
  'of the my our this that these those more extra additional some good nice lovely beautiful big large small little fresh freshly ripe very boiling boiled hot cold cool warm lukewarm tap'.split(
    ' ',
  ),
);
/** What a thing goes on to be another by: "a peach shrub" is no peach. */
const MADE =
  /^(?:shrub|syrup|cordial|concentrate|liqueur|drink|jam|jelly|pie|cake|tree|bush|patch|leaf|skins?|stones?|pits?|pulp|season|squash|flavou?r|flavou?red|canner|bath|kettle|mixture|colou?r)$/;
/** The longest name that is looked for, words. */
const LONGEST = 5;

/** A sentence that is looked through, cut into its words. */
interface Sentence {
  text: string;
  tokens: readonly Token[];
  catalogue: KitchenCatalogue;
  /** Names of the kitchen's own measures. */
  measures: ReadonlySet<string>;
}

const sentenceOf = (text: string, catalogue: KitchenCatalogue): Sentence => ({
  text,
  tokens: tokensOf(text),
  catalogue,
  measures: new Set(catalogue.measures.map((measure) => measure.name)),
});

/** Words of a sentence from one place to before another, without the stop behind them. */
const wordsOf = ({ text, tokens }: Sentence, from: number, to: number): string =>
  bare(textOf(text, tokens.slice(from, to)));

/** What is said from one place to before another. */
const readOf = (
  { tokens }: Sentence,
  from: number,
  next: number,
  said: Omit<Mention, 'start' | 'end'>,
): Read => ({ said: { ...said, start: tokens[from]!.start, end: tokens[next - 1]!.end }, next });

const isOfName = (token: Token, catalogue: KitchenCatalogue): boolean =>
  token.text === '-' ||
  (token.kind === 'word' && (mayName(wordOf(token), catalogue) || token.word === 'from'));

/** The longest name of the catalogue at a place of a sentence. @returns the place behind it, or null */
function nameAt({ text, tokens, catalogue }: Sentence, i: number): number | null {
  let end = i;
  while (end < tokens.length && end - i < LONGEST && isOfName(tokens[end]!, catalogue)) end += 1;
  for (let to = end; to > i; to--) {
    const words = tokens.slice(i, to);
    // A name begins and ends with a word of its own.
    if (IDLE_ENDS.test(words.at(-1)!.word) || IDLE_ENDS.test(words[0]!.word)) continue;
    if (MADE.test(tokens[to]?.word ?? '')) continue;
    // "Juice the oranges" is done with them: no name has an article inside.
    if (words.some(({ word }, k) => k > 0 && /^(?:the|a|an|my)$/.test(word) && words[k - 1]!.word !== 'with'))
      continue;
    if (entriesNamed(textOf(text, words), catalogue).length > 0) return to;
  }
  return null;
}
const IDLE_ENDS =
  /^(?:in|and|with|of|the|a|an|on|it|then|into|some|for|is|as|at|off|up|well|very|little|each|all|now|here|just|then|about|cut|set|or)$/;

/** Whether an amount is of something that goes in: not of time, heat or depth. */
function isOfMatter(unit: string): boolean {
  const known = ownOf(units, unit);
  return known === undefined || known.dimension === 'mass' || known.dimension === 'volume';
}

interface Read {
  said: Mention;
  /** Place behind it among the tokens. */
  next: number;
}

interface AmountSaid {
  said: string;
  unit: string;
  next: number;
  article: boolean;
}

function amountSaid(sentence: Sentence, i: number): AmountSaid | null {
  try {
    const read = amountAt(sentence.tokens, i, sentence.measures);
    if (!read || read.next === i) return null;
    const said = wordsOf(sentence, i, read.next);
    return { said, unit: read.unit, next: read.next, article: /^an?$/i.test(said) };
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return null;
  }
}

const SHARE =
  /\b(?:(?<other>the (?:other|second|remaining|last)|another|the|a|my|about)\s+)?(?<part>half|third|quarter|rest|remainder|(?<=the )remaining)\b(?:\s+of)?\s+(?:the|that|this|my|our|those|these)?\s*/gi;
const PARTS: Record<string, number> = { half: 1 / 2, third: 1 / 3, quarter: 1 / 4 };

/** "The rest I slice": of what was parted before. */
const restAlone = (match: RegExpExecArray): Mention => ({
  amount: '',
  unit: '',
  thing: '',
  share: 'rest',
  start: match.index,
  end: match.index + match[0].trimEnd().length,
});

/** Finds parts of what was said before: "half of the sugar", "the other half of it", "the rest of the sugar". */
export function sharesIn(text: string, catalogue: KitchenCatalogue): Mention[] {
  return [...text.matchAll(SHARE)].flatMap((match): Mention[] => {
    const { other, part } = match.groups!;
    const definite =
      /\b(?:the|that|this|my|our|those|these)\s*$/i.test(match[0]) || /rest|remain/i.test(part!);
    if (!definite) return [];
    const from = match.index + match[0].length;
    const behind = sentenceOf(text.slice(from), catalogue);
    const to = nameAt(behind, 0);
    if (to === null) return /^(?:the )?(?:rest|other half)\s+$/i.test(match[0]) ? [restAlone(match)] : [];
    const left = /rest|remain/i.test(part!) || /other|second|remaining|last/i.test(other ?? '');
    return [
      {
        amount: '',
        unit: '',
        thing: wordsOf(behind, 0, to),
        share: left ? 'rest' : PARTS[part!.toLowerCase()]!,
        start: match.index,
        end: from + behind.tokens[to - 1]!.end,
      },
    ];
  });
}

const MORE = /\b(?:another|more|extra|additional|a further)\b/i;
const OF_FRUIT = /^(?:juice|zest|peel|rind)$/;
const NEITHER =
  /^(?:juice|syrup|liquid|mixture|pulp|mash|stuff|minutes?|people|times?|batch(?:es)?|bottles?|jars?|kinds?|things?)$/;

/** Finds what a sentence mentions of things and amounts, in order. */
export function mentionsIn(said: string, catalogue: KitchenCatalogue): Mention[] {
  // "Two more tablespoons" are two tablespoons, on top of what went in.
  const text = said.replace(/(?<=\w )(?:more|extra|additional|further)(?= \w)/gi, (word) =>
    ' '.repeat(word.length),
  );
  const shares = sharesIn(text, catalogue);
  const sentence = sentenceOf(text, catalogue);
  const { tokens } = sentence;
  const found: Mention[] = [];
  for (let i = 0; i < tokens.length; i++) {
    const share = shares.find(({ start, end }) => tokens[i]!.start >= start && tokens[i]!.start < end);
    if (share) {
      if (!found.includes(share)) found.push(share);
      continue;
    }
    const mention = mentionAt(sentence, i);
    if (!mention) continue;
    const more =
      mention.said.amount !== '' &&
      MORE.test(said.slice(0, mention.said.end).slice(-(mention.said.end - mention.said.start) - 10));
    const amount = mention.said.amount.replace(/\s+/g, ' ');
    found.push({ ...mention.said, amount, ...(more ? { more: true as const } : {}) });
    const also = alsoOf(sentence, mention);
    if (also) found.push(also.said);
    i = (also ?? mention).next - 1;
  }
  return found;
}

/** "The zest of four oranges and two lemons" is of both: the second of them; null where there is none. */
function alsoOf(sentence: Sentence, { said, next }: Read): Read | null {
  const taken = /^(?:the )?(juice|zest|peel|rind) (?:of|from) /i.exec(said.thing);
  if (!taken || sentence.tokens[next]?.word !== 'and') return null;
  const also = amountSaid(sentence, next + 1);
  const to = also?.unit === '' ? nameAt(sentence, also.next) : null;
  if (to === null) return null;
  const thing = `${taken[1]} of ${wordsOf(sentence, next + 1, to)}`;
  return readOf(sentence, next + 1, to, { amount: '', unit: '', thing });
}

/** "the juice of two limes": what is taken of a fruit is told before how many. */
function ofFruit(sentence: Sentence, i: number): Read | null {
  const { tokens } = sentence;
  if (!OF_FRUIT.test(tokens[i]!.word) || !/^(?:of|from)$/.test(tokens[i + 1]?.word ?? '')) return null;
  const amount = amountSaid(sentence, i + 2);
  const to = amount?.unit === '' ? nameAt(sentence, amount.next) : null;
  return to === null
    ? null
    : readOf(sentence, i, to, { amount: '', unit: '', thing: wordsOf(sentence, i, to) });
}

function mentionAt(sentence: Sentence, i: number): Read | null {
  const taken = ofFruit(sentence, i);
  if (taken) return taken;
  const amount = amountSaid(sentence, i);
  if (amount) return isOfMatter(amount.unit) ? amountOf(sentence, i, amount) : null;
  const to = nameAt(sentence, i);
  return to === null
    ? null
    : readOf(sentence, i, to, { amount: '', unit: '', thing: wordsOf(sentence, i, to) });
}

function amountOf(sentence: Sentence, i: number, amount: AmountSaid): Read | null {
  const { tokens } = sentence;
  let at = amount.next;
  while (BETWEEN.has(tokens[at]?.word ?? '')) at += 1;
  const told = { amount: amount.said, unit: amount.unit };
  const pronoun = tokens[at]?.word ?? '';
  const of = tokens[amount.next]?.word === 'of';
  // A part of what is in the pan is no amount of a thing.
  if (amount.unit === '' && PART_OF.test(amount.said)) return null;
  if (of && (pronoun === 'it' || pronoun === 'them'))
    return readOf(sentence, i, at + 1, { ...told, thing: '', of: pronoun });
  const to = nameAt(sentence, at);
  if (to !== null) {
    const next = choiceBehind(sentence, to);
    return readOf(sentence, i, next, { ...told, thing: wordsOf(sentence, at, next) });
  }
  // What was drawn is measured, and is none of the things that go in.
  if (of && NEITHER.test(pronoun)) return null;
  // An article alone counts nothing that no catalogue has.
  if (amount.article) return null;
  if (amount.unit !== '' && !ownOf(units, amount.unit) && !of) return countedItself(sentence, i, amount);
  const unknown = of && tokens[at]?.kind === 'word' && !BACK.test(pronoun);
  const next = unknown ? at + 1 : amount.next;
  return readOf(sentence, i, next, { ...told, thing: unknown ? wordsOf(sentence, at, at + 1) : '' });
}

/** "six cloves": what things are counted by is the thing itself, where a thing has that name. */
function countedItself(sentence: Sentence, i: number, amount: AmountSaid): Read | null {
  const at = amount.next - 1;
  const to = at > i ? nameAt(sentence, at) : null;
  if (to === null) return null;
  const said = { amount: wordsOf(sentence, i, at), unit: '', thing: wordsOf(sentence, at, to) };
  return readOf(sentence, i, to, said);
}

const BACK = /^(?:it|them|that|this|those|these|the|my|our)$/;

/** "white sugar or honey": what else would do belongs to the thing. @returns the place behind it */
const choiceBehind = (sentence: Sentence, to: number): number =>
  sentence.tokens[to]?.word === 'or' ? (nameAt(sentence, to + 1) ?? to) : to;
