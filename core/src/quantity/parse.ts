import { DIGITS, readDigits } from './digits.ts';
import { numberAtHead, VULGAR } from './numberWords.ts';
import { singular } from './singular.ts';
import { type CupSchool, millilitresIn, type UnitId, unitNamed, units } from './units.ts';

type QuantityAsks = 'weight-or-volume' | 'decimal-or-thousands';

/** A quantity as a cook said it. `unit` is a `UnitId`, or the kitchen's own word ("sprig", "stick") for a count. */
export interface Quantity {
  amount: number;
  unit: string;
  said: string;
  /** Low and high where a range was said; `amount` is then their middle. */
  range?: [number, number];
  /** Volume in mL at the school of cups given, for volumes. */
  millilitres?: number;
  /** Set where the words leave open what was meant: "oz" alone may be a weight or a volume, "1,500 kg" one and a half or fifteen hundred. */
  asks?: QuantityAsks;
}

const NUMBER = String.raw`(?:\d+\s+\d+/\d+|\d+/\d+|\d+(?:\.\d+)?|\.\d+)`;
const RANGED = new RegExp(`^(${NUMBER})\\s*(?:(?:-|–|to|or)\\s*(${NUMBER}))?\\s*(.*)$`, 'i');

/** Units of which a thousand and a thousandth are both usual amounts. */
const OPEN = /^\s*(?:kg|kilos?|kilograms?|l|lit(?:er|re)s?)\b/i;

/** Numbers with a point for the decimals and nothing else in them. */
function plainDigits(text: string): { plain: string; open: boolean } {
  let open = false;
  const plain = text.replace(DIGITS, (digits, at: number) => {
    const rest = text.slice(at + digits.length);
    const { value, or } = readDigits(digits, OPEN.test(rest));
    if (or !== undefined) open = true;
    return String(value);
  });
  return { plain, open };
}

function plainNumbers(text: string): { plain: string; open: boolean } {
  const { plain: digits, open } = plainDigits(text.trim());
  let plain = digits.replace(/⁄/g, '/');
  plain = plain.replace(/(\d)?\s*([¼½¾⅓⅔⅕⅖⅗⅘⅙⅚⅛⅜⅝⅞])/g, (_, digit: string | undefined, v: string) =>
    digit ? `${digit} ${VULGAR[v]}` : VULGAR[v]!,
  );
  const head = numberAtHead(plain);
  return { plain: head ? `${head.plain} ${head.rest}`.trim() : plain, open };
}

function numberOf(text: string): number {
  const value = text
    .trim()
    .split(/\s+/)
    .reduce((sum, part) => {
      const [top, bottom] = part.split('/');
      return sum + (bottom === undefined ? Number(top) : Number(top) / Number(bottom));
    }, 0);
  if (!Number.isFinite(value)) throw new RangeError(`"${text}" is not a number`);
  return value;
}

/** Words that join others and count nothing. */
const JOINS = /^(?:to|or|and|of|an?|the)\b/i;

function unitOf(words: string): { unit: string; asks?: QuantityAsks } {
  const text = words.trim().replace(/\s+/g, ' ');
  if (text === '') return { unit: 'each' };
  const unit = unitNamed(text);
  if (!unit) {
    if (!/^[\p{L}][\p{L}\s'-]*$/u.test(text) || text.length > 40 || JOINS.test(text))
      throw new RangeError(
        `"${text}" is not a unit. Write for instance "250 g", "2 1/4 cups" or "3 sprigs".`,
      );
    return { unit: singular(text) };
  }
  return unit === 'oz' && !/w/i.test(text) ? { unit, asks: 'weight-or-volume' } : { unit };
}

/** "1 lb 6 oz", "2 ft 3 in": parts of one dimension, largest first, added in the first one's unit. */
function compound(plain: string, said: string): Quantity | undefined {
  const parts = [
    ...plain.matchAll(
      new RegExp(`(${NUMBER})\\s*(lb|lbs|pounds?|oz|ounces?|kg|g|h|hours?|min|minutes?)\\b`, 'gi'),
    ),
  ];
  if (
    parts.length < 2 ||
    parts
      .map((p) => p[0])
      .join('')
      .replace(/\s/g, '') !== plain.replace(/\s|,|and/g, '')
  )
    return undefined;
  const read = parts.map((part) => ({ amount: numberOf(part[1]!), unit: unitNamed(part[2]!)! }));
  const first = read[0]!;
  if (read.some((p) => units[p.unit].dimension !== units[first.unit].dimension))
    throw new RangeError(`"${said}" adds unlike things`);
  const total = read.reduce((sum, p) => sum + p.amount * units[p.unit].size!, 0);
  return { amount: total / units[first.unit].size!, unit: first.unit, said };
}

/**
 * Reads a quantity as a cook writes it: decimals, vulgar fractions, ranges ("8 to 9"), compound weights ("1 lb 6 oz"), any word as a count.
 * @param text what was said; @param options.cup school of cups, to give volumes in mL as well
 * @returns the amount in the unit said (nothing is converted), with the range where one was said
 * @throws RangeError where no number stands in front, or the number is negative or not finite
 * @example parseQuantity('2 1/2 cups') // { amount: 2.5, unit: 'cup', said: '2 1/2 cups' }
 */
export function parseQuantity(text: string, options: { cup?: CupSchool } = {}): Quantity {
  const said = text.trim();
  const { plain, open } = plainNumbers(said);
  const joined = compound(plain, said);
  if (joined) return open ? { ...joined, asks: 'decimal-or-thousands' } : joined;
  const match = RANGED.exec(plain);
  if (!match)
    throw new RangeError(`"${said}" has no amount. Begin with a number, as in "250 g" or "2 cups".`);
  const low = numberOf(match[1]!);
  const high = match[2] === undefined ? undefined : numberOf(match[2]);
  if (high !== undefined && high < low) throw new RangeError(`"${said}" runs from more to less`);
  const { unit, asks } = unitOf(match[3]!);
  const amount = high === undefined ? low : (low + high) / 2;
  const quantity: Quantity = { amount, unit, said };
  if (high !== undefined) quantity.range = [low, high];
  if (open) quantity.asks = 'decimal-or-thousands';
  else if (asks) quantity.asks = asks;
  const facts = units[unit as UnitId];
  if (facts?.dimension === 'volume' && (facts.size !== undefined || options.cup))
    quantity.millilitres = amount * millilitresIn(unit as UnitId, options.cup);
  return quantity;
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
