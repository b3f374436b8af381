import { type NumberRead, numberAt, partBehind } from './numberWords.ts';
import { ownOf } from './ownOf.ts';
import { type Token, wordOf } from './tokens.ts';
import { type UnitId, unitNamed, units } from './units.ts';
import { isCounted, notLevel, PACKED, SHAPED, type Shape } from './vague.ts';

/** An amount read among tokens: its number, its unit, and what was said behind it. */
export interface AmountRead {
  low: number;
  high: number;
  /** A unit, or one word that things are counted by; '' where the thing itself is counted. */
  unit: string;
  next: number;
  asks?: 'weight-or-volume' | 'decimal-or-thousands';
  /** How what fills the cup is cut, "2 cups chopped". */
  shape?: Shape;
  /** More of it, "1 cup and 2 tablespoons". */
  plus?: AmountRead;
  /** Places of the words that name the unit. */
  unitFrom: number;
}

/** Words before an amount that say it is no measured one. */
const ABOUT = new Set(
  '~ about approx approximately around some roughly circa nearly almost just under over another'.split(' '),
);

/**
 * Whether a word before an amount says that it is no measured one.
 * @example isAbout('roughly') // true
 */
export const isAbout = (word: string): boolean => ABOUT.has(word);

interface UnitRead {
  unit: string;
  next: number;
  asks?: AmountRead['asks'];
  /** What the number is to be taken times, where the measure is not level. */
  times?: readonly [number, number];
}

/** A unit of measure at a place: a hyphen before it, or a word that says how full it is. */
function measureAt(tokens: readonly Token[], at: number): UnitRead | null {
  const i = tokens[at]?.text === '-' ? at + 1 : at;
  const plain = unitAt(tokens, i);
  if (plain) return plain;
  const times = ownOf(notLevel, tokens[i]?.word);
  if (!times && tokens[i]?.word !== 'level') return null;
  const full = unitAt(tokens, i + 1);
  if (!full || units[full.unit as UnitId].dimension !== 'volume') return null;
  return times ? { ...full, times } : full;
}

/** The words of a unit, up to three: "fl oz", "°C". */
function wordsOf(tokens: readonly Token[]): UnitId | undefined {
  const [first] = tokens;
  if (first!.text === '°') return unitNamed(tokens.map((token) => token.text).join(''));
  if (tokens.length > 1 && tokens.some((token) => token.kind === 'sign')) return undefined;
  return unitNamed(tokens.map((token) => (token.text === 'C' ? 'C' : token.word)).join(' '));
}

/** A unit at a place, "by weight" or "by volume" behind an ounce or the word alone before it. */
function unitAt(tokens: readonly Token[], at: number): UnitRead | null {
  const before = /^(?:weight|volume)$/.test(tokens[at]?.word ?? '') ? tokens[at]!.word : null;
  const from = before ? at + 1 : at;
  for (let n = Math.min(3, tokens.length - from); n > 0; n--) {
    const words = tokens.slice(from, from + n);
    const unit = wordsOf(words);
    if (!unit) continue;
    if (unit !== 'oz') return before ? null : { unit, next: from + n };
    const [by, next] = before ? [before, from + n] : byAt(tokens, from + n);
    if (by === 'volume') return { unit: 'floz', next };
    const spelled = /w/.test(words.map((token) => token.word).join(' '));
    return { unit, next, ...(by || spelled ? {} : { asks: 'weight-or-volume' as const }) };
  }
  return null;
}

/** "by weight", "in volume" behind an ounce. */
function byAt(tokens: readonly Token[], i: number): [string | null, number] {
  const open = tokens[i]?.text === '(' ? 1 : 0;
  const by = /^(?:by|in)$/.test(tokens[i + open]?.word ?? '') ? 1 : 0;
  const what = tokens[i + open + by]?.word ?? '';
  const known = (open || by) && /^(?:weight|volume)$/.test(what);
  return known ? [what, i + 2 * open + by + 1] : [null, i];
}

/** Sizes and shapes before what a thing is counted by: "3 large sprigs", "a small handful". */
const SIZED = new Set(
  'small medium large big little good generous heaped fat thin thick long short level'.split(' '),
);

/** A word that things are counted by: "sprigs", a kitchen's own "ladle". */
function countAt(tokens: readonly Token[], at: number, measures: ReadonlySet<string>): UnitRead | null {
  let i = tokens[at]?.text === '-' ? at + 1 : at;
  while (SIZED.has(tokens[i]?.word ?? '') && tokens[i + 1]?.kind === 'word') i += 1;
  const word = wordOf(tokens[i]);
  if (word === '' || !(isCounted(word) || measures.has(word))) return null;
  const times = word === 'handful' || i === at ? undefined : ownOf(notLevel, tokens[i - 1]!.word);
  const sized = tokens[i + 1]?.text === '-' && tokens[i + 2]?.word === 'sized' ? i + 2 : i;
  const next = sized > i && LONG.has(wordOf(tokens[sized + 1])) ? sized + 2 : sized + 1;
  return { unit: word, next, ...(times && vagueTimes(word) ? { times } : {}) };
}

const vagueTimes = (word: string): boolean => word === 'pinch' || word === 'dash';

/** Of a length, the piece that is so long says nothing more: "a 2 inch piece", "an inch of". */
const LONG = new Set('piece knob length chunk bit stub'.split(' '));
const STUCK = new Set('stick strip stalk'.split(' '));

function lengthAt(tokens: readonly Token[], unit: UnitRead): UnitRead {
  if (ownOf(units, unit.unit)?.dimension !== 'length') return unit;
  const word = wordOf(tokens[unit.next]);
  return LONG.has(word) ? { ...unit, next: unit.next + 1 } : unit;
}

/** "12 oz bags", "(750 ml) bottle": the size of what is counted, and the count's place behind it. */
function packedAt(tokens: readonly Token[], at: number): { size: AmountRead; next: number } | null {
  let i = tokens[at]?.text === '-' ? at + 1 : at;
  const times = /^[x×]$/.test(tokens[i]?.word ?? '');
  if (times) i += 1;
  const open = tokens[i]?.text === '(';
  if (open) i += 1;
  const number = numberAt(tokens, i);
  const unit = number && !number.article ? measureAt(tokens, number.next) : null;
  if (!number || !unit || !isMatter(unit.unit)) return null;
  let next = unit.next;
  if (open) {
    if (tokens[next]?.text !== ')') return null;
    next += 1;
  }
  const packed = PACKED.has(wordOf(tokens[next]));
  if (!packed && !times) return null;
  return { size: { ...amountOf(number, unit, number.next), next }, next: packed ? next + 1 : next };
}

/** A length that a counted stick has: "two 3-inch sticks" are two sticks. */
function stickAt(tokens: readonly Token[], at: number): number | null {
  const number = numberAt(tokens, at);
  const unit = number && !number.article ? measureAt(tokens, number.next) : null;
  if (!unit || ownOf(units, unit.unit)?.dimension !== 'length') return null;
  return STUCK.has(wordOf(tokens[unit.next])) ? unit.next : null;
}

const dimensionOf = (unit: string) => ownOf(units, unit)?.dimension;
const isMatter = (unit: string): boolean => ['mass', 'volume'].includes(ownOf(units, unit)?.dimension ?? '');

/** Units of which a thousand and a thousandth are both usual amounts. */
const OPEN = new Set(['kg', 'l']);

function amountOf(number: NumberRead, unit: UnitRead, unitFrom: number): AmountRead {
  const [low, high] = unit.times ?? [1, 1];
  const asks = number.open && OPEN.has(unit.unit) ? 'decimal-or-thousands' : unit.asks;
  return {
    low: number.low * low,
    high: number.high * high,
    unit: unit.unit,
    next: unit.next,
    unitFrom,
    ...(asks ? { asks } : {}),
  };
}

/** More behind an amount: "1 lb 6 oz", "1 cup plus 2 tablespoons", "a cup and a tablespoon". */
function more(tokens: readonly Token[], first: AmountRead, measures: ReadonlySet<string>): AmountRead {
  const joined = /^(?:plus|and|[+&])$/.test(tokens[first.next]?.word ?? '');
  const number = numberAt(tokens, first.next + (joined ? 1 : 0));
  if (!number || number.low !== number.high) return first;
  const unit = measureAt(tokens, number.next);
  if (!unit || unit.unit === first.unit || dimensionOf(unit.unit) !== dimensionOf(first.unit)) return first;
  if (!joined && (number.article || !smaller(unit.unit, first.unit))) return first;
  // Behind pounds, an ounce is one of weight.
  const { asks, ...plain } = unit;
  const known = asks === 'weight-or-volume' ? plain : unit;
  const plus = amountOf(number, known, number.next);
  const { asks: open, ...rest } = first;
  const asked = open ?? plus.asks;
  return { ...rest, ...(asked ? { asks: asked } : {}), plus, next: more(tokens, plus, measures).next };
}

const ORDER = 'kg lb oz g mg gallon l quart pint cup floz tbsp tsp ml h min s cm mm'.split(' ');
const smaller = (one: string, than: string): boolean => ORDER.indexOf(one) > ORDER.indexOf(than);

/** Small measures that need no number: "pinch of salt", "thumb-sized piece". */
const ALONE = new Set('pinch dash splash handful glug knob thumb squeeze smidgen dozen'.split(' '));

/** One of a small measure, where it is said without a number. */
const oneAt = (tokens: readonly Token[], i: number): NumberRead | null =>
  ALONE.has(wordOf(tokens[i]))
    ? { low: 1, high: 1, next: i, open: false, part: false, article: false }
    : null;

/** "2 cans (400 g each)": the size of what is counted stands in brackets behind it. */
function packsOf(tokens: readonly Token[], at: number): { size: AmountRead; next: number } | null {
  if (!PACKED.has(wordOf(tokens[at])) || tokens[at + 1]?.text !== '(') return null;
  const number = numberAt(tokens, at + 2);
  const unit = number && measureAt(tokens, number.next);
  if (!unit || !isMatter(unit.unit)) return null;
  const shut = tokens[unit.next]?.word === 'each' ? unit.next + 1 : unit.next;
  if (tokens[shut]?.text !== ')') return null;
  return { size: amountOf(number, unit, number.next), next: shut + 1 };
}

/**
 * The amount at a place among tokens: a number with its unit, attached or not; packs, compound weights, lengths and sizes included.
 * @param tokens of `tokensOf`; @param measures names of the kitchen's own measures
 * @returns null where no number stands there; `unit` is '' where the thing itself is counted ("10 cloves" are cloves)
 * @throws RangeError on signs that make no number
 * @example amountAt(tokensOf('two 500 g bags of plums'), 0, new Set()).low // 1000
 */
export function amountAt(
  tokens: readonly Token[],
  from: number,
  measures: ReadonlySet<string>,
): AmountRead | null {
  let i = from;
  while (isAbout(tokens[i]?.word ?? '')) i += 1;
  const number = numberAt(tokens, i) ?? oneAt(tokens, i);
  if (!number) return null;
  const packs = packsOf(tokens, number.next) ?? packedAt(tokens, number.next);
  if (packs && (!number.part || number.low >= 1)) {
    const { size } = packs;
    return { ...size, low: size.low * number.low, high: size.high * number.high, next: packs.next };
  }
  const stick = stickAt(tokens, number.next) ?? (number.article ? null : stickAt(tokens, i));
  if (stick !== null) {
    const count = stickAt(tokens, number.next) === null ? { ...number, low: 1, high: 1 } : number;
    return amountOf(count, countAt(tokens, stick, measures)!, stick);
  }
  return piecesAt(tokens, number) ?? plainAt(tokens, i, number, measures);
}

/** "two 2-inch pieces of ginger": so many pieces of a length. */
function piecesAt(tokens: readonly Token[], number: NumberRead): AmountRead | null {
  if (number.article) return null;
  const size = lengthOne(tokens, number.next);
  if (!size || !LONG.has(wordOf(tokens[size.next - 1]))) return null;
  return { ...size, low: size.low * number.low, high: size.high * number.high };
}

/** Number and unit, with "and a half" behind it or more of a smaller unit. */
function plainAt(
  tokens: readonly Token[],
  from: number,
  number: NumberRead,
  measures: ReadonlySet<string>,
): AmountRead {
  // "a 750 ml bottle", "a 2 inch piece", "1 (1-inch) piece": they count one.
  const open = tokens[number.next]?.text === '(' && number.low === 1;
  if (open) {
    const size = lengthOne(tokens, number.next + 1);
    if (size && tokens[size.next]?.text === ')') {
      const next = LONG.has(wordOf(tokens[size.next + 1])) ? size.next + 2 : size.next + 1;
      return { ...size, next };
    }
  }
  if (number.article) {
    const size = packedOne(tokens, from + 1) ?? lengthOne(tokens, from + 1);
    if (size) return size;
  }
  const measure = measureAt(tokens, number.next);
  const unit = measure
    ? inPack(tokens, lengthAt(tokens, warm(measure, number, tokens[number.next]?.word)))
    : countAt(tokens, number.next, measures);
  if (!unit)
    return { low: number.low, high: number.high, unit: '', next: number.next, unitFrom: number.next };
  const behind = partBehind(tokens, unit.next);
  // "a cup or two"
  if (
    number.low === 1 &&
    number.high === 1 &&
    tokens[unit.next]?.word === 'or' &&
    tokens[unit.next + 1]?.word === 'two'
  )
    return { ...amountOf({ ...number, high: 2 }, unit, number.next), next: unit.next + 2 };
  const read = amountOf(number, behind ? { ...unit, next: behind.next } : unit, number.next);
  if (behind) return { ...read, low: read.low + behind.more, high: read.high + behind.more };
  if (!measure) return read;
  const whole = number.low === number.high ? (upTo(tokens, read) ?? more(tokens, read, measures)) : read;
  return shaped(tokens, whole);
}

/** "2 cups chopped", "500 g of finely grated": how it is cut changes what a cup of it weighs, and how readily it gives its juice. */
function shaped(tokens: readonly Token[], read: AmountRead): AmountRead {
  if (!isMatter(read.unit)) return read;
  let i = read.next;
  while (/^(?:of|finely|coarsely|roughly|thinly|freshly)$/.test(tokens[i]?.word ?? '')) i += 1;
  const shape = ownOf(SHAPED, tokens[i]?.word);
  return shape ? { ...read, shape, next: i + 1 } : read;
}

/** "1 cup to 2 cups": a range whose unit is said twice. */
function upTo(tokens: readonly Token[], read: AmountRead): AmountRead | null {
  if (!/^(?:to|or|[-‐–])$/.test(tokens[read.next]?.word ?? '')) return null;
  const number = numberAt(tokens, read.next + 1);
  const unit = number && measureAt(tokens, number.next);
  if (!unit || unit.unit !== read.unit || number.low < read.low) return null;
  return { ...read, high: number.high, next: unit.next };
}

/** "12 oz bag", "a 750 ml bottle": what it came in says nothing more of how much. */
const inPack = (tokens: readonly Token[], unit: UnitRead): UnitRead =>
  isMatter(unit.unit) && PACKED.has(wordOf(tokens[unit.next])) && tokens[unit.next + 1]?.word !== 'in'
    ? { ...unit, next: unit.next + 1 }
    : unit;

/** Nobody measures a dozen cups with a letter: "92c" is a temperature. */
const MOST_CUPS = 12;
const warm = (unit: UnitRead, number: NumberRead, word: string | undefined): UnitRead =>
  word === 'c' && number.low > MOST_CUPS ? { ...unit, unit: 'C' } : unit;

function packedOne(tokens: readonly Token[], i: number): AmountRead | null {
  const packs = packedAt(tokens, i);
  return packs && { ...packs.size, next: packs.next };
}

function lengthOne(tokens: readonly Token[], i: number): AmountRead | null {
  const number = numberAt(tokens, i);
  const unit = number && !number.article ? measureAt(tokens, number.next) : null;
  if (!number || !unit || ownOf(units, unit.unit)?.dimension !== 'length') return null;
  return amountOf(number, lengthAt(tokens, unit), number.next);
}
