import { type AmountRead, amountAt } from './amountAt.ts';
import { ownOf } from './ownOf.ts';
import { singular } from './singular.ts';
import { tokensOf } from './tokens.ts';
import { type CupSchool, millilitresIn, type UnitId, units } from './units.ts';
import type { Shape } from './vague.ts';

/** A quantity as a cook said it. `unit` is a `UnitId`, or the kitchen's own word ("sprig", "stick") for a count. */
export interface Quantity {
  amount: number;
  unit: string;
  said: string;
  /** Low and high where a range was said; `amount` is then their middle. */
  range?: [number, number];
  /** Volume in mL at the school of cups given, for volumes. */
  millilitres?: number;
  /** How what fills a cup of it is cut. */
  shape?: Shape;
  /** More of it in another unit whose size depends on the school of cups: "1 cup and 2 tablespoons". */
  plus?: Quantity;
  /** Set where the words leave open what was meant: "oz" alone may be a weight or a volume, "1,500 kg" one and a half or fifteen hundred. */
  asks?: AmountRead['asks'];
}

/** Words that join others and count nothing. */
const JOINS = /^(?:to|or|and|of|an?|the|about|plus)\b/i;

/** What stands behind a number and is no unit that is known: one or more words that things are counted by. */
function counted(words: string): string {
  const text = words.replace(/^-/, '').replace(/\s+/g, ' ').trim();
  if (text === '') return 'each';
  if (!/^[\p{L}][\p{L}\s'-]*$/u.test(text) || text.length > 40 || JOINS.test(text))
    throw new RangeError(`"${text}" is not a unit. Write for instance "250 g", "2 1/4 cups" or "3 sprigs".`);
  return singular(text);
}

const NO_MEASURES: ReadonlySet<string> = new Set();

function quantityOf(read: AmountRead, unit: string, said: string, cup: CupSchool | undefined): Quantity {
  const factsOf = (name: string) => ownOf(units, name);
  let [low, high] = [read.low, read.high];
  const size = factsOf(unit)?.size;
  let plus: Quantity | undefined;
  for (let more = read.plus; more; more = more.plus) {
    const other = factsOf(more.unit)?.size;
    if (size && other) {
      low += (more.low * other) / size;
      high += (more.high * other) / size;
    } else {
      plus = quantityOf(more, more.unit, said, cup);
      break;
    }
  }
  const quantity: Quantity = { amount: (low + high) / 2, unit, said };
  if (high !== low) quantity.range = [low, high];
  if (plus) quantity.plus = plus;
  if (read.shape) quantity.shape = read.shape;
  if (read.asks) quantity.asks = read.asks;
  const facts = factsOf(unit);
  if (facts?.dimension === 'volume' && (facts.size !== undefined || cup))
    quantity.millilitres = quantity.amount * millilitresIn(unit as UnitId, cup) + (plus?.millilitres ?? 0);
  return quantity;
}

/**
 * Reads a quantity as a cook writes or says it: decimals, fractions in signs and words, ranges ("8 to 9"), compound weights ("1 lb 6 oz"),
 * packs ("two 12 oz bags"), lengths ("a 2 inch piece"), any word as a count.
 * @param text what was said; @param options.cup school of cups, to give volumes in mL as well
 * @returns the amount in the unit said (nothing is converted), with the range where one was said
 * @throws RangeError where no number stands in front, or the number is negative or not finite, or words are left that are no unit
 * @example parseQuantity('2 1/2 cups') // { amount: 2.5, unit: 'cup', said: '2 1/2 cups' }
 */
export function parseQuantity(text: string, options: { cup?: CupSchool } = {}): Quantity {
  const said = text.trim();
  const tokens = tokensOf(said);
  const read = amountAt(tokens, 0, NO_MEASURES);
  if (!read) throw new RangeError(`"${said}" has no amount. Write for instance "250 g" or "2 cups".`);
  const left = tokens[read.next];
  if (read.unit !== '' && left)
    throw new RangeError(
      `"${said.slice(left.start)}" is not a unit. Write for instance "250 g", "2 1/4 cups" or "3 sprigs".`,
    );
  const unit = read.unit === '' ? counted(left ? said.slice(left.start) : '') : read.unit;
  return quantityOf(read, unit, said, options.cup);
}

/**
 * The question that a quantity leaves open, for whoever said it.
 * @example askOf(parseQuantity('2 kg')) // null
 */
export const askOf = ({ asks, said }: Quantity): string | null =>
  asks === 'weight-or-volume'
    ? `Is "${said}" by weight or by volume?`
    : asks === 'decimal-or-thousands'
      ? `Is "${said}" with decimals or in thousands? Write it as 1.5 or as 1500.`
      : null;
