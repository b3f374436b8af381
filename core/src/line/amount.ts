import { namedIn } from '../ingredient/index.ts';
import {
  type AmountRead,
  amountAt,
  isCounted,
  ownOf,
  type Token,
  textOf,
  units,
  wordOf,
} from '../quantity/index.ts';
import { type Amount, type Line, sentence } from './line.ts';

const dimensionOf = (unit: string) => ownOf(units, unit)?.dimension;

/** "500g" as "500 g". */
const spaced = (text: string): string =>
  text.replace(/(\d|[¼½¾⅓⅔⅕⅖⅗⅘⅙⅚⅛⅜⅝⅞])(?=\p{L})/gu, '$1 ').replace(/\s+/g, ' ');

/** The amount at a place among a line's tokens; nothing is marked. What makes no number is asked about. */
export function amountIn(line: Line, tokens: readonly Token[], from = 0): Amount | null {
  let read: AmountRead | null;
  try {
    read = amountAt(tokens, from, line.measures);
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    line.fault ??= sentence(error.message);
    return null;
  }
  if (!read) return null;
  return { said: spaced(textOf(line.words.text, tokens.slice(from, read.next))), read, or: [], same: [] };
}

/** Marks an amount's words: its number, and its unit apart. */
export function markAmount(line: Line, tokens: readonly Token[], from: number, read: AmountRead): void {
  line.words.mark(tokens.slice(from, read.next), 'amount');
  if (read.unit !== '') line.words.mark(tokens.slice(read.unitFrom, read.next), 'unit');
  const of = tokens[read.next];
  if (of?.word === 'of') line.words.mark([of], 'amount');
}

function tailAmount(line: Line, left: readonly Token[]): { amount: Amount; from: number } | null {
  for (let i = 1; i < left.length; i++) {
    const token = left[i]!;
    const parted = left[i - 1]!.kind === 'sign' && left[i - 1]!.text !== ')';
    const amount = token.kind === 'sign' ? null : amountIn(line, left, i);
    if (!amount || (amount.read.unit === '' && !parted) || token.word === 'about') continue;
    // "… with a leaf on" is no amount.
    if (!(/^an?$/.test(token.word) && dimensionOf(amount.read.unit) === undefined))
      return { amount, from: i };
  }
  return null;
}

/** "2 tbsp or 30 g", "1.5 kg / 3 lb 5 oz": amounts in place of the first. */
function moreAmounts(line: Line, left: readonly Token[], amount: Amount): void {
  for (let at = amount.read.next; at < left.length; ) {
    const sign = left[at]!.word;
    if (!['or', '/', '=', '≈', ','].includes(sign)) return;
    const other = amountIn(line, left, at + 1);
    if (!other || dimensionOf(other.read.unit) === undefined) return;
    (sign === 'or' ? amount.or : amount.same).push(other.said);
    line.words.mark([left[at]!], 'choice');
    markAmount(line, left, at + 1, other.read);
    at = other.read.next;
  }
}

/** "two 3-inch cinnamon sticks": how long what is counted is says nothing more of how much. */
function takeLength(line: Line, left: readonly Token[], amount: Amount): void {
  if (amount.read.unit !== '') return;
  const length = amountIn(line, left, amount.read.next);
  if (length && dimensionOf(length.read.unit) === 'length')
    line.words.mark(left.slice(amount.read.next, length.read.next), 'preparation');
}

/** "½ oz citric acid by weight": what an ounce is of may be said at the end. */
function takeBy({ words }: Line, amount: Amount): void {
  if (amount.read.asks !== 'weight-or-volume') return;
  const taken = words.take(/(?:, )?(?:by|in) (?<by>weight|volume)$/, 'unit');
  if (taken) amount.said = `${amount.said} by ${taken.by![0]!.word}`;
}

/** "2 cups water, plus 2 tablespoons": more of it behind its name. */
function takePlus(line: Line, amount: Amount): void {
  const { left } = line.words;
  const at = left.findLastIndex((token) => /^(?:plus|\+)$/.test(token.word));
  const more = at < 1 ? null : amountIn(line, left, at + 1);
  const dimension = more && dimensionOf(more.read.unit);
  if (!dimension || dimension !== dimensionOf(amount.read.unit) || more.read.next < left.length) return;
  line.words.mark(left.slice(left[at - 1]!.text === ',' ? at - 1 : at), 'amount');
  amount.said = `${amount.said} plus ${more.said}`;
}

/** The amount of a line, at its head or behind its name, with others in its place; its words are marked. */
export function takeAmount(line: Line): Amount | null {
  const { left } = line.words;
  const head = Math.max(
    0,
    left.findIndex((token) => token.kind !== 'sign' || token.text === '~'),
  );
  const first = amountIn(line, left, head);
  const found = first ? { amount: first, from: head } : line.fault ? null : tailAmount(line, left);
  if (!found) return null;
  const { amount, from } = found;
  markAmount(line, left, from, amount.read);
  moreAmounts(line, left, amount);
  takeLength(line, left, amount);
  takeBy(line, amount);
  takePlus(line, amount);
  return amount;
}

function bracketed(
  left: readonly Token[],
): { all: Token[]; inner: Token[]; before?: Token; behind?: Token }[] {
  return left.flatMap((token, open) => {
    if (token.text !== '(') return [];
    const shut = left.findIndex((other, i) => i > open && other.text === ')');
    const end = shut < 0 ? left.length : shut;
    const [before, behind] = [left[open - 1], left[end + 1]];
    return [
      {
        all: left.slice(open, end + 1),
        inner: left.slice(open + 1, end),
        ...(before ? { before } : {}),
        ...(behind ? { behind } : {}),
      },
    ];
  });
}

/** Words in brackets that say from how much it comes: "(from about 2 lemons)". */
function isOrigin(line: Line, inner: readonly Token[]): boolean {
  const from = /^(?:from|about|approx|approximately|roughly)$/.test(inner[0]?.word ?? '') ? 1 : 0;
  const amount = amountIn(line, inner, from);
  if (amount?.read.unit !== '') return false;
  const name = textOf(line.words.text, inner.slice(amount.read.next));
  return namedIn(name, line.catalogue).entry !== undefined;
}

/** Takes what brackets say of the amount: the same again, or from how many it comes. Anything else in them stays. */
export function takeAsides(line: Line): string[] {
  const same: string[] = [];
  for (const { all, inner, before, behind } of bracketed(line.words.left)) {
    // "1 (750 ml) bottle" is the amount itself.
    if (before?.kind === 'figure' && isCounted(wordOf(behind))) continue;
    const amount = amountIn(line, inner);
    const isWhole = amount?.read.next === inner.length;
    if (amount && isWhole && ['mass', 'volume'].includes(dimensionOf(amount.read.unit) ?? '')) {
      same.push(amount.said);
      line.words.mark(all, 'amount');
    } else if (isOrigin(line, inner)) line.words.mark(all, 'preparation');
  }
  return same;
}

const STRENGTH =
  /(?:^|(?<= ))(?:at )?(?<figure>\d[\d.,]*) (?:%|percent|per cent)(?: (?:acidity|acetic acid|acetic|acid|abv|alcohol|vol|strength))?(?= |$)/;

/** A strength, "5 % acidity", "40 % vol": it belongs to the name. */
export function takeStrength(line: Line): number | null {
  const taken = line.words.find(STRENGTH);
  if (!taken?.figure?.length) return null;
  line.words.mark(taken.all, 'ingredient');
  return Number(taken.figure[0]!.text.replace(',', '.'));
}
