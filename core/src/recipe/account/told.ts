import type { Ingredient } from '../../ingredient/index.ts';
import { ownOf, parseQuantity, tokensOf, units, wordOf } from '../../quantity/index.ts';
import type { Mention } from './mention.ts';

/** A thing that was told of, with how much of it was used. */
export interface Told {
  /** The amount as it was said last; '' where none was. */
  amount: string;
  unit: string;
  thing: string;
  /** Line of the text it was told in, from 1. */
  number: number;
  /** What was said or asked for first, where another amount or thing was used. */
  before?: string;
  /** What its amount follows: "for every pint of juice". */
  follows?: string;
  /** The amount that parts of it were taken from. */
  whole?: string;
  /** A question that its words leave open. */
  ask?: string;
  /** Where it was mentioned last: sentence. */
  sentence: number;
  /** Every place in the text that tells of it: up to where the amount, and where the thing is said. */
  spans: Span[];
}

/** Place of a mention in the account. */
export interface Span {
  start: number;
  amountEnd: number;
  end: number;
}

/** Words for an amount of a thing: "two cups of sugar". */
export const wordsOf = ({ amount, unit, thing, follows }: Told): string =>
  [amount, amount !== '' && unit !== '' && thing !== '' ? 'of' : '', thing, follows ?? '']
    .filter(Boolean)
    .join(' ');

const words = (text: string): string[] => tokensOf(text).map(wordOf);

/** Whether a name means a thing that was told of before: the same entry, or fewer of its words. */
export function means(name: string, told: Told, entriesOf: (name: string) => Ingredient[]): boolean {
  if (told.thing === '') return false;
  const [one, other] = [entriesOf(name), entriesOf(told.thing.split(' or ')[0]!)];
  if (one.some((entry) => other.includes(entry))) return true;
  const own = new Set(words(told.thing));
  // "The cherries" are the sour cherries; lemons are no lemon juice.
  return (
    one.length > 0 &&
    words(name).at(-1) === words(told.thing).at(-1) &&
    words(name).every((word) => own.has(word))
  );
}

/** The word of a unit as it is said. */
const unitSaid = (unit: string, amount: number): string => {
  if (unit === 'each') return '';
  const known = ownOf(units, unit);
  if (!known) return unit;
  const spoken = known.spoken.find((word) => word.length > 2) ?? unit;
  return amount > 1 && known.spoken.includes(`${spoken}s`) ? `${spoken}s` : spoken;
};

const figure = (amount: number): string => String(Number(amount.toPrecision(4)));

/** An amount times a share of it, as it would be said: half of "two cups" is "1 cup". Null where its words make no amount. */
export function shareOf(said: string, share: number): string | null {
  try {
    const { amount, unit, range } = parseQuantity(said);
    const number = range ? range.map((one) => figure(one * share)).join(' to ') : figure(amount * share);
    return `${number} ${unitSaid(unit, amount * share)}`.trim();
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return null;
  }
}

/** What is left of an amount after others of it; null where their units differ or nothing is left. */
export function restOf(whole: string, used: readonly string[]): string | null {
  try {
    const all = parseQuantity(whole);
    const taken = used.map((said) => parseQuantity(said));
    if (taken.some(({ unit }) => unit !== all.unit)) return null;
    const left = all.amount - taken.reduce((sum, { amount }) => sum + amount, 0);
    return left > 1e-9 ? `${figure(left)} ${unitSaid(all.unit, left)}`.trim() : null;
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return null;
  }
}

/** An amount in the unit of what it puts right, where it names none: "no, two" of one cup is two cups. */
export function inUnitOf(
  mention: Mention,
  told: Pick<Told, 'amount' | 'unit'>,
): { amount: string; unit: string } {
  const bare = mention.unit === '' && told.unit !== '';
  return bare
    ? { amount: `${mention.amount} ${unitSaid(told.unit, 2)}`, unit: told.unit }
    : { amount: mention.amount, unit: mention.unit };
}

/** Whether two say the same of the same thing, in whatever words. */
export function sameAmount(one: Told, other: Told): boolean {
  if (one.thing !== other.thing) return false;
  try {
    const [a, b] = [parseQuantity(one.amount), parseQuantity(other.amount)];
    return a.amount === b.amount && a.unit === b.unit;
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return one.amount === other.amount;
  }
}
