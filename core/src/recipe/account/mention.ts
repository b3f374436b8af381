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

const NO_MEASURES: ReadonlySet<string> = new Set();

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

const isOfName = (token: Token, catalogue: KitchenCatalogue): boolean =>
  token.text === '-' ||
  (token.kind === 'word' && (mayName(wordOf(token), catalogue) || token.word === 'from'));

/** The longest name of the catalogue at a place among tokens. @returns the place behind it, or null */
function nameAt(
  text: string,
  tokens: readonly Token[],
  i: number,
  catalogue: KitchenCatalogue,
): number | null {
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

function amountSaid(
  text: string,
  tokens: readonly Token[],
  i: number,
  measures: ReadonlySet<string>,
): AmountSaid | null {
  try {
    const read = amountAt(tokens, i, measures);
    if (!read || read.next === i) return null;
    const said = bare(textOf(text, tokens.slice(i, read.next)));
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
    const tokens = tokensOf(text.slice(from));
    const to = nameAt(text.slice(from), tokens, 0, catalogue);
    if (to === null) return /^(?:the )?(?:rest|other half)\s+$/i.test(match[0]) ? [restAlone(match)] : [];
    const left = /rest|remain/i.test(part!) || /other|second|remaining|last/i.test(other ?? '');
    return [
      {
        amount: '',
        unit: '',
        thing: bare(textOf(text.slice(from), tokens.slice(0, to))),
        share: left ? 'rest' : PARTS[part!.toLowerCase()]!,
        start: match.index,
        end: from + tokens[to - 1]!.end,
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
  const measures = new Set(catalogue.measures.map((measure) => measure.name));
  const shares = sharesIn(text, catalogue);
  const tokens = tokensOf(text);
  const found: Mention[] = [];
  for (let i = 0; i < tokens.length; i++) {
    const share = shares.find(({ start, end }) => tokens[i]!.start >= start && tokens[i]!.start < end);
    if (share) {
      if (!found.includes(share)) found.push(share);
      continue;
    }
    const mention = mentionAt(text, tokens, i, catalogue, measures);
    if (!mention) continue;
    found.push(...alsoOf(said, mention, tokens, catalogue));
    i = mention.next - 1;
  }
  return found;
}

/** A mention, that it comes on top marked; "the zest of four oranges and two lemons" is of both. */
function alsoOf(
  said: string,
  mention: Read,
  tokens: readonly Token[],
  catalogue: KitchenCatalogue,
): Mention[] {
  const { said: one } = mention;
  const around = said.slice(Math.max(0, one.start - 12), one.end);
  const more = one.amount !== '' && MORE.test(around.slice(Math.max(0, around.indexOf(one.amount) - 8)));
  const first = { ...one, amount: one.amount.replace(/\s+/g, ' '), ...(more ? { more: true as const } : {}) };
  const taken = /^(?:the )?(juice|zest|peel|rind) (?:of|from) /i.exec(one.thing);
  if (!taken || tokens[mention.next]?.word !== 'and') return [first];
  const also = amountSaid(said, tokens, mention.next + 1, NO_MEASURES);
  const to = also && also.unit === '' ? nameAt(said, tokens, also.next, catalogue) : null;
  if (to === null) return [first];
  const place = { start: tokens[mention.next + 1]!.start, end: tokens[to - 1]!.end };
  const thing = `${taken[1]} of ${bare(textOf(said, tokens.slice(mention.next + 1, to)))}`;
  mention.next = to;
  return [first, { amount: '', unit: '', thing, ...place }];
}

/** "the juice of two limes": what is taken of a fruit is told before how many. */
function ofFruit(
  text: string,
  tokens: readonly Token[],
  i: number,
  catalogue: KitchenCatalogue,
): Read | null {
  if (!OF_FRUIT.test(tokens[i]!.word) || !/^(?:of|from)$/.test(tokens[i + 1]?.word ?? '')) return null;
  const amount = amountSaid(text, tokens, i + 2, NO_MEASURES);
  if (amount?.unit !== '') return null;
  const to = nameAt(text, tokens, amount.next, catalogue);
  if (to === null) return null;
  const thing = bare(textOf(text, tokens.slice(i, to)));
  return {
    said: { amount: '', unit: '', thing, start: tokens[i]!.start, end: tokens[to - 1]!.end },
    next: to,
  };
}

function mentionAt(
  text: string,
  tokens: readonly Token[],
  i: number,
  catalogue: KitchenCatalogue,
  measures: ReadonlySet<string>,
): Read | null {
  const taken = ofFruit(text, tokens, i, catalogue);
  if (taken) return taken;
  const amount = amountSaid(text, tokens, i, measures);
  if (!amount) {
    const to = nameAt(text, tokens, i, catalogue);
    if (to === null) return null;
    const said = { amount: '', unit: '', thing: bare(textOf(text, tokens.slice(i, to))) };
    return { said: { ...said, start: tokens[i]!.start, end: tokens[to - 1]!.end }, next: to };
  }
  if (!isOfMatter(amount.unit)) return null;
  return amountOf(text, tokens, i, amount, catalogue);
}

function amountOf(
  text: string,
  tokens: readonly Token[],
  i: number,
  amount: AmountSaid,
  catalogue: KitchenCatalogue,
): Read | null {
  let at = amount.next;
  while (BETWEEN.has(tokens[at]?.word ?? '')) at += 1;
  const told = { amount: amount.said, unit: amount.unit };
  const place = (next: number) => ({ start: tokens[i]!.start, end: tokens[next - 1]!.end });
  const pronoun = tokens[at]?.word ?? '';
  const of = tokens[amount.next]?.word === 'of';
  // A part of what is in the pan is no amount of a thing.
  if (amount.unit === '' && PART_OF.test(amount.said)) return null;
  if (of && /^(?:it|them)$/.test(pronoun))
    return { said: { ...told, thing: '', of: pronoun as 'it' | 'them', ...place(at + 1) }, next: at + 1 };
  const to = nameAt(text, tokens, at, catalogue);
  if (to !== null) {
    const next = choiceBehind(text, tokens, to, catalogue);
    return { said: { ...told, thing: bare(textOf(text, tokens.slice(at, next))), ...place(next) }, next };
  }
  // What was drawn is measured, and is none of the things that go in.
  if (of && NEITHER.test(pronoun)) return null;
  // An article alone counts nothing that no catalogue has.
  if (amount.article) return null;
  if (amount.unit !== '' && !ownOf(units, amount.unit) && !of)
    return countedItself(text, tokens, i, amount, catalogue);
  const unknown = of && tokens[at]?.kind === 'word' && !NEITHER.test(pronoun) && !BACK.test(pronoun);
  const next = unknown ? at + 1 : amount.next;
  return { said: { ...told, thing: unknown ? bare(tokens[at]!.text) : '', ...place(next) }, next };
}
/** "six cloves": what things are counted by is the thing itself, where a thing has that name. */
function countedItself(
  text: string,
  tokens: readonly Token[],
  i: number,
  amount: AmountSaid,
  catalogue: KitchenCatalogue,
): Read | null {
  const at = amount.next - 1;
  const to = at > i ? nameAt(text, tokens, at, catalogue) : null;
  if (to === null) return null;
  const said = textOf(text, tokens.slice(i, at));
  const place = { start: tokens[i]!.start, end: tokens[to - 1]!.end };
  return {
    said: { amount: said, unit: '', thing: bare(textOf(text, tokens.slice(at, to))), ...place },
    next: to,
  };
}

const BACK = /^(?:it|them|that|this|those|these|the|my|our)$/;

/** "white sugar or honey": what else would do belongs to the thing. */
function choiceBehind(
  text: string,
  tokens: readonly Token[],
  to: number,
  catalogue: KitchenCatalogue,
): number {
  if (tokens[to]?.word !== 'or') return to;
  return nameAt(text, tokens, to + 1, catalogue) ?? to;
}
