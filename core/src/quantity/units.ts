import { z } from 'zod';
/** Which country's cups and spoons a kitchen means. Volumes in mL; sources: NIST SP 811 (US customary), national kitchen standards. */
export const CupSchool = z.enum(['us', 'us-legal', 'metric', 'australian', 'imperial', 'japanese']);
export type CupSchool = z.infer<typeof CupSchool>;

interface Measures {
  name: string;
  cup: number;
  tbsp: number;
  tsp: number;
  floz: number;
  pint: number;
  quart: number;
  gallon: number;
}

const US_FLOZ = 29.5735295625;
const IMPERIAL_FLOZ = 28.4130625;
const usLarge = { floz: US_FLOZ, pint: 16 * US_FLOZ, quart: 32 * US_FLOZ, gallon: 128 * US_FLOZ };
const imperialLarge = {
  floz: IMPERIAL_FLOZ,
  pint: 20 * IMPERIAL_FLOZ,
  quart: 40 * IMPERIAL_FLOZ,
  gallon: 160 * IMPERIAL_FLOZ,
};

export const cupSchools: Record<CupSchool, Measures> = {
  us: { name: 'US cup, 237 mL', cup: 8 * US_FLOZ, tbsp: US_FLOZ / 2, tsp: US_FLOZ / 6, ...usLarge },
  'us-legal': { name: 'US labelling cup, 240 mL', cup: 240, tbsp: 15, tsp: 5, ...usLarge, floz: 30 },
  metric: { name: 'metric cup, 250 mL', cup: 250, tbsp: 15, tsp: 5, ...imperialLarge },
  australian: {
    name: 'Australian cup, 250 mL and a 20 mL spoon',
    cup: 250,
    tbsp: 20,
    tsp: 5,
    ...imperialLarge,
  },
  imperial: {
    name: 'old British cup, 284 mL',
    cup: 10 * IMPERIAL_FLOZ,
    tbsp: 0.625 * IMPERIAL_FLOZ,
    tsp: IMPERIAL_FLOZ / 4.8,
    ...imperialLarge,
  },
  japanese: { name: 'Japanese cup, 200 mL', cup: 200, tbsp: 15, tsp: 5, ...usLarge },
};

export type Dimension = 'mass' | 'volume' | 'length' | 'temperature' | 'time' | 'count' | 'percent';

/** The units a cook says. `oz` alone is a weight that may have been meant as a volume; see `parseQuantity`. */
export type UnitId =
  | 'g'
  | 'kg'
  | 'mg'
  | 'lb'
  | 'oz'
  | 'ml'
  | 'cl'
  | 'dl'
  | 'l'
  | 'cup'
  | 'tbsp'
  | 'tsp'
  | 'floz'
  | 'pint'
  | 'quart'
  | 'gallon'
  | 'in'
  | 'mm'
  | 'cm'
  | 'C'
  | 'F'
  | 'min'
  | 'h'
  | 's'
  | '%'
  | 'each';

interface UnitFacts {
  dimension: Dimension;
  /** Size in the core unit of its dimension (g, mL, mm, s); absent where it depends on the cup school. */
  size?: number;
  spoken: readonly string[];
}

export const units: Record<UnitId, UnitFacts> = {
  g: { dimension: 'mass', size: 1, spoken: ['g', 'gr', 'gm', 'gram', 'grams', 'gramme', 'grammes'] },
  kg: {
    dimension: 'mass',
    size: 1000,
    spoken: ['kg', 'kgs', 'kilo', 'kilos', 'kilogram', 'kilograms', 'kilogramme', 'kilogrammes'],
  },
  mg: { dimension: 'mass', size: 0.001, spoken: ['mg', 'milligram', 'milligrams'] },
  lb: { dimension: 'mass', size: 453.59237, spoken: ['lb', 'lbs', 'pound', 'pounds'] },
  oz: {
    dimension: 'mass',
    size: 28.349523125,
    spoken: ['oz', 'ozs', 'ounce', 'ounces', 'oz wt', 'oz weight', 'ounces by weight', 'ounce by weight'],
  },
  ml: {
    dimension: 'volume',
    size: 1,
    spoken: ['ml', 'millilitre', 'millilitres', 'milliliter', 'milliliters', 'cc'],
  },
  cl: {
    dimension: 'volume',
    size: 10,
    spoken: ['cl', 'centilitre', 'centilitres', 'centiliter', 'centiliters'],
  },
  dl: {
    dimension: 'volume',
    size: 100,
    spoken: ['dl', 'decilitre', 'decilitres', 'deciliter', 'deciliters'],
  },
  l: {
    dimension: 'volume',
    size: 1000,
    spoken: ['l', 'litre', 'litres', 'liter', 'liters', 'ltr', 'ltrs'],
  },
  cup: { dimension: 'volume', spoken: ['cup', 'cups', 'c'] },
  tbsp: {
    dimension: 'volume',
    spoken: [
      'tbsp',
      'tbsps',
      'tbs',
      'tbl',
      'tablespoon',
      'tablespoons',
      'tablespoonful',
      'tablespoonfuls',
      'big spoon',
      'big spoons',
    ],
  },
  tsp: {
    dimension: 'volume',
    spoken: ['tsp', 'tsps', 'teaspoon', 'teaspoons', 'teaspoonful', 'teaspoonfuls'],
  },
  floz: {
    dimension: 'volume',
    spoken: [
      'fl oz',
      'floz',
      'fl. oz',
      'fl. oz.',
      'fluid ounce',
      'fluid ounces',
      'oz by volume',
      'ounces by volume',
    ],
  },
  pint: { dimension: 'volume', spoken: ['pint', 'pints', 'pt', 'pts'] },
  quart: { dimension: 'volume', spoken: ['quart', 'quarts', 'qt', 'qts'] },
  gallon: { dimension: 'volume', spoken: ['gallon', 'gallons', 'gal'] },
  in: { dimension: 'length', size: 25.4, spoken: ['in', 'inch', 'inches', '"', '″', '”'] },
  mm: { dimension: 'length', size: 1, spoken: ['mm', 'millimetre', 'millimetres'] },
  cm: { dimension: 'length', size: 10, spoken: ['cm', 'centimetre', 'centimetres'] },
  C: {
    dimension: 'temperature',
    spoken: ['c', '°c', '℃', 'celsius', 'deg c', 'degrees c', 'degrees celsius', 'centigrade'],
  },
  F: {
    dimension: 'temperature',
    spoken: ['f', '°f', '℉', 'fahrenheit', 'deg f', 'degrees f', 'degrees fahrenheit'],
  },
  min: { dimension: 'time', size: 60, spoken: ['min', 'mins', 'minute', 'minutes'] },
  h: { dimension: 'time', size: 3600, spoken: ['h', 'hr', 'hrs', 'hour', 'hours'] },
  s: { dimension: 'time', size: 1, spoken: ['s', 'sec', 'secs', 'second', 'seconds'] },
  '%': { dimension: 'percent', size: 0.01, spoken: ['%', 'percent', 'per cent'] },
  each: { dimension: 'count', size: 1, spoken: ['each', 'piece', 'pieces', 'whole', 'x'] },
};

const spokenToUnit = new Map<string, UnitId>();
for (const [id, facts] of Object.entries(units)) {
  for (const word of facts.spoken) if (!spokenToUnit.has(word)) spokenToUnit.set(word, id as UnitId);
}

/**
 * The unit a word names, or undefined. "c" is a cup; "C" is Celsius.
 * @example unitNamed('pounds') // 'lb'
 */
export function unitNamed(word: string): UnitId | undefined {
  if (word === 'C') return 'C';
  const plain = word.trim().toLowerCase();
  return spokenToUnit.get(plain) ?? spokenToUnit.get(plain.replace(/\.$/, ''));
}

/**
 * Millilitres in one of a volume unit. A cup or spoon throws a `RangeError` while the school of cups is not known.
 * @example millilitresIn('cup', 'metric') // 250
 */
export function millilitresIn(unit: UnitId, cup: CupSchool | undefined): number {
  const facts = units[unit];
  if (facts.dimension !== 'volume') throw new RangeError(`${unit} is not a volume`);
  if (facts.size !== undefined) return facts.size;
  if (!cup)
    throw new RangeError(
      `Which country's ${facts.spoken[0]}? Say in the kitchen's settings which cups you use.`,
    );
  return cupSchools[cup][unit as 'cup' | 'tbsp' | 'tsp' | 'floz' | 'pint' | 'quart' | 'gallon'];
}
