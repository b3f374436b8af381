import { isAbout } from './amountAt.ts';
import { readDigits } from './digits.ts';
import {
  celsiusOf,
  degrees,
  degreesShown,
  unitsNow,
  volumeOfShown,
  volumeShown,
  volumeSign,
  type WeightSize,
  weightOfShown,
  weightShown,
  weightSign,
} from './kitchenUnits.ts';
import { ownOf } from './ownOf.ts';
import { parseQuantity, type Quantity } from './parse.ts';
import { millilitresIn, type UnitId, units } from './units.ts';

/** What a field asks for: the unit that a bare number is in, and the bounds it lies within, both included. */
export interface FigureOptions {
  /** A unit, or '' for a figure that has none of its own, such as pH, °Bx, % or a count. */
  unit: UnitId | '';
  min?: number;
  max?: number;
  /** Whether a bare number is in the kitchen's own measure of the unit's dimension: fluid ounces where it pours in them. */
  kitchens?: boolean;
  /** Whether only a whole number is taken. */
  whole?: boolean;
}

/** What was read of a field: its value in the field's unit, or the sentence that asks for another. Empty is no value. */
export type Figure = { value: number | null; problem?: undefined } | { value?: undefined; problem: string };

const EXAMPLE: Partial<Record<UnitId, string>> = {
  g: '250, 0.25 kg or 8 3/4 oz',
  kg: '1.5, 1500 g or 3 lb',
  ml: '250, 0.25 L or 1 cup',
  l: '1.5, 1500 mL or 3 pints',
  in: '2 5/8, 1/2 or 12 mm',
  mm: '66 or 2 5/8 in',
  min: '25, 1 h or 90 s',
};

const SIGN: Partial<Record<UnitId, string>> = { ml: 'mL', l: 'L' };

/** What to write for instance, in the kitchen's own degrees first. */
function exampleOf(unit: UnitId | ''): string {
  if (unit === 'C') return unitsNow().temperature === 'F' ? '190 or 88 C' : '88 or 190 F';
  return unit === '' ? '12.5' : (EXAMPLE[unit] ?? '12.5');
}

/** Signs and spaces as a keyboard, a phone or another program writes them. */
const plain = (text: string): string =>
  text
    .trim()
    .replace(/[−–](?=\s*\d)/g, '-')
    .replace(/(?<=\d)\s(?=\d{3}(?!\d|\/|\s*\d))/g, '\u202f');

const BARE =
  /^(-?)\s*((?:\d+(?:(?:[.,]|[\u202f\u00a0\u2009'’](?=\d{3}(?!\d)))\d+)*|[.,]\d+))\s*(%|°\s*bx|°|ph|n)?$/i;

function celsius(text: string): number | null {
  const match = /^(-?[\d.,]+)\s*°?\s*([cf])$/i.exec(text);
  if (!match) return null;
  const value = readDigits(match[1]!.replace('-', ''), false).value * (match[1]!.startsWith('-') ? -1 : 1);
  return match[2]!.toLowerCase() === 'f' ? ((value - 32) * 5) / 9 : value;
}

function inUnit(text: string, unit: UnitId): number {
  if (unit === 'C') {
    const warm = celsius(text);
    if (warm !== null) return warm;
    throw new RangeError(`"${text}" is not a temperature`);
  }
  // What was measured is not about so much.
  if (isAbout(text.split(/\s+/)[0]!.toLowerCase()))
    throw new RangeError(`"${text}" is not a measured figure`);
  const read = parseQuantity(text);
  if (read.range || read.asks === 'decimal-or-thousands')
    throw new RangeError(`"${text}" may be more than one figure`);
  return sizeOf(read, unit, text) / units[unit].size!;
}

/** A quantity in the core unit of a field's dimension, all its parts together. */
function sizeOf(read: Quantity, unit: UnitId, text: string): number {
  const to = units[unit];
  const more = read.plus ? sizeOf(read.plus, unit, text) : 0;
  // A bare fraction has no unit of its own: it is in that of the field.
  if (read.unit === 'each') return read.amount * (to.size ?? 1) + more;
  // Where a volume is asked for, an ounce is a fluid one.
  const said = (to.dimension === 'volume' && read.unit === 'oz' ? 'floz' : read.unit) as UnitId;
  const from = ownOf(units, said);
  if (!to.size || from?.dimension !== to.dimension || (!from.size && to.dimension !== 'volume'))
    throw new RangeError(`"${text}" is not in ${SIGN[unit] ?? unit}`);
  return read.amount * (from.size ?? millilitresIn(said, unitsNow().cup ?? undefined)) + more;
}

const shown = (value: number): string => value.toLocaleString('en', { maximumFractionDigits: 3 });

/**
 * A weight as it is typed, with the sign of the kitchen's own measure behind a bare figure.
 * @example signedWeight('1.5', 'heavy') // '1.5 kg'
 */
export const signedWeight = (text: string, size: WeightSize): string =>
  BARE.test(text.trim()) ? `${text.trim()} ${weightSign(size)}` : text;

/** A bare figure in the kitchen's own measure of a unit, in that unit. */
function ofKitchens(shown: number, unit: UnitId | ''): number {
  if (unit === 'ml') return volumeOfShown(shown);
  if (unit === 'g') return weightOfShown(shown, 'light');
  return unit === 'kg' ? weightOfShown(shown, 'heavy') / 1000 : shown;
}

/** A figure of a unit in the kitchen's own measure of it, with its sign. */
function inKitchens(value: number, unit: UnitId): string | null {
  if (unit === 'ml') return `${shown(volumeShown(value))} ${volumeSign()}`;
  if (unit === 'g') return `${shown(weightShown(value, 'light'))} ${weightSign('light')}`;
  return unit === 'kg' ? `${shown(weightShown(1000 * value, 'heavy'))} ${weightSign('heavy')}` : null;
}

function figureOf(text: string, { unit, kitchens }: FigureOptions): number {
  const bare = BARE.exec(text);
  if (bare) {
    const { value, or } = readDigits(bare[2]!, unit === 'kg' || unit === 'l');
    if (or !== undefined)
      throw new RangeError(`"${text}" is ${value} or ${or}: write it as ${value} or as ${or}`);
    const signed = bare[1] === '-' ? -value : value;
    // A bare temperature is read off the kitchen's own thermometer, a volume of the kitchen's off its own jug.
    if (unit === 'C') return celsiusOf(signed);
    return kitchens ? ofKitchens(signed, unit) : signed;
  }
  if (unit === '') throw new RangeError(`"${text}" is not a number`);
  return inUnit(text, unit);
}

/** A bound as the field would show it, with its sign. */
function boundSaid(bound: number, { unit, kitchens }: FigureOptions): string {
  if (unit === '') return shown(bound);
  if (unit === 'C') return `${shown(degreesShown(bound))} ${degrees()}`;
  return (kitchens && inKitchens(bound, unit)) || `${shown(bound)} ${SIGN[unit] ?? unit}`;
}

function outOfBounds(value: number, options: FigureOptions): string | null {
  const { min, max, whole } = options;
  if (whole && !Number.isInteger(value)) return 'Write a whole number.';
  if (min !== undefined && value < min) return `Not under ${boundSaid(min, options)}.`;
  if (max !== undefined && value > max) return `Not over ${boundSaid(max, options)}.`;
  return null;
}

/**
 * Reads a figure as it is typed into a field: decimal comma or point, parted thousands, fractions, with or without a unit. The one
 * reader of all fields: what it cannot read is refused with what to write instead, and nothing that is no number ever leaves it.
 * @param text as typed; @param options the field's unit and bounds
 * @returns the value in the field's unit, null for an empty field, or the sentence that asks for another
 * @example readFigure('2,5', { unit: 'kg' }) // { value: 2.5 }
 */
export function readFigure(text: string, options: FigureOptions): Figure {
  const said = plain(text);
  if (said === '') return { value: null };
  try {
    const value = figureOf(said, options);
    if (!Number.isFinite(value)) throw new RangeError(`"${text.trim()}" is not a number`);
    const problem = outOfBounds(value, options);
    return problem ? { problem } : { value };
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    const example = exampleOf(options.unit);
    return { problem: `${error.message}. Write for instance ${example}.` };
  }
}
