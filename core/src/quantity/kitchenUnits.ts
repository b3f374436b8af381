import { type CupSchool, cupSchools } from './units.ts';

/** What a kitchen says its temperatures, weights and volumes in, and how it writes days. */
export interface KitchenUnits {
  temperature: 'C' | 'F';
  /** g, kg, mL and L; or lb, oz and fl oz. */
  weight: 'metric' | 'us';
  /** How it writes days, hours and money: a language tag whose language is the program's own. */
  locale: Locale;
  /** Whose cups, pints and fluid ounces it means; null while nobody has said. */
  cup: CupSchool | null;
}

/** The ways of writing that a kitchen chooses from: in all of them a point parts the decimals. */
export const LOCALES = ['en-GB', 'en-US', 'en-CA', 'en-AU', 'en-NZ', 'en-IE', 'en-IN'] as const;
export type Locale = (typeof LOCALES)[number];

export const METRIC: KitchenUnits = { temperature: 'C', weight: 'metric', locale: 'en-GB', cup: null };

let source: () => KitchenUnits = () => METRIC;

/**
 * Says where the units come from that figures are shown and read in: the kitchen that is signed in, or the one that a request is for.
 * What is stored and computed stays in °C and g.
 * @example unitsFrom(() => METRIC) // undefined
 */
export function unitsFrom(kitchen: () => KitchenUnits): void {
  source = kitchen;
}

/**
 * The units that figures are shown and read in now.
 * @example unitsNow().temperature // 'C'
 */
export const unitsNow = (): KitchenUnits => source();

/**
 * The sign of the degrees that the kitchen reads.
 * @example degrees() // '°C'
 */
export const degrees = (): '°C' | '°F' => (source().temperature === 'F' ? '°F' : '°C');

/**
 * A temperature as the figure that the kitchen's thermometer shows.
 * @param celsius °C
 * @example degreesShown(88) // 88
 */
export const degreesShown = (celsius: number): number =>
  source().temperature === 'F' ? Number(((celsius * 9) / 5 + 32).toFixed(1)) : celsius;

/**
 * °C of a figure read off the kitchen's thermometer.
 * @param shown in the kitchen's degrees
 * @example celsiusOf(88) // 88
 */
export const celsiusOf = (shown: number): number =>
  source().temperature === 'F' ? ((shown - 32) * 5) / 9 : shown;

/** Digits behind the point that a figure near a limit is shown with at most. */
const FINEST = 3;

/**
 * A figure to so many digits, or to as many more as it takes to stay on its own side of every limit.
 * @param value the figure; @param digits behind the point; @param limits that rules turn on
 * @example uncrossed(89.6, 0, [90]) // '89.6'
 */
export function uncrossed(value: number, digits: number, limits: readonly number[]): string {
  for (let n = digits; n < FINEST; n++) {
    const shown = Number(value.toFixed(n));
    if (limits.every((limit) => Math.sign(shown - limit) === Math.sign(value - limit) || value === limit))
      return value.toFixed(n);
  }
  return value.toFixed(FINEST);
}

/** °C that a rule turns on: frozen, cold, cooled, hot enough to count, a kill step, the canning tables’. */
const HEAT_LIMITS = [-18, 5, 21, 55, 90, 93.3];
const inFahrenheit = (celsius: number): number => (celsius * 9) / 5 + 32;
const HEAT_LIMITS_F = HEAT_LIMITS.map((limit) => Number(inFahrenheit(limit).toFixed(6)));

/**
 * A temperature with its degrees, as the kitchen reads it; never rounded across a limit.
 * @param celsius °C; @param digits behind the point; where not said a tenth in °C, unless it is whole, and whole in °F
 * @example temperature(88.04, 1) // '88.0 °C'
 */
export function temperature(celsius: number, digits?: number): string {
  if (source().temperature === 'F')
    return `${uncrossed(Number(inFahrenheit(celsius).toFixed(6)), digits ?? 0, HEAT_LIMITS_F)} °F`;
  return `${uncrossed(celsius, digits ?? (Number.isInteger(celsius) ? 0 : 1), HEAT_LIMITS)} °C`;
}

/**
 * A limit of temperature: in a kitchen that reads °F with the °C of its rule beside it.
 * @param celsius °C
 * @example limitOfHeat(90) // '90 °C'
 */
export const limitOfHeat = (celsius: number): string => {
  const said = `${celsius < 0 ? '−' : ''}${Math.abs(celsius)} °C`;
  return source().temperature === 'F' ? `${temperature(celsius)} (${said})` : said;
};

/**
 * A difference of two temperatures, or a rise, as the kitchen reads it.
 * @param celsius °C apart; @param digits behind the point
 * @example degreesApart(40, 0) // '40 °C'
 */
export const degreesApart = (celsius: number, digits = 0): string =>
  source().temperature === 'F'
    ? `${((celsius * 9) / 5).toFixed(digits)} °F`
    : `${celsius.toFixed(digits)} °C`;

/**
 * How the kitchen writes days, hours and money.
 * @example localeNow() // 'en-GB'
 */
export const localeNow = (): Locale => source().locale;

/**
 * mL in one of the kitchen's fluid ounces or quarts; those of the United States while nobody has said whose.
 * @example millilitresOf('quart') // 946.35
 */
export const millilitresOf = (unit: 'floz' | 'quart'): number => cupSchools[source().cup ?? 'us'][unit];

const GRAMS_PER_OZ = 28.349523125;
const GRAM = { sign: 'g', grams: 1 } as const;
/** g in the measures that weights are typed in: what one pair of hands lifts, or a bottle. */
const WEIGHT_UNITS = {
  metric: { small: GRAM, light: GRAM, heavy: { sign: 'kg', grams: 1000 } },
  us: {
    small: GRAM,
    light: { sign: 'oz', grams: GRAMS_PER_OZ },
    heavy: { sign: 'lb', grams: 16 * GRAMS_PER_OZ },
  },
} as const;
/** What is weighed: a pinch of acid or spice, a bottle or a panful, a crate of fruit. */
export type WeightSize = 'small' | 'light' | 'heavy';

/** g under which a kitchen that weighs in pounds uses grams all the same: acids, spices. */
export const BY_GRAM = 30;

/**
 * How a weight of so much is typed.
 * @param grams g; null where it is not known
 * @example weightSizeOf(12) // 'small'
 */
export const weightSizeOf = (grams: number | null): WeightSize =>
  grams !== null && grams > 0 && grams < BY_GRAM ? 'small' : 'light';

/**
 * The sign of the weight that a field of the kitchen is typed in.
 * @example weightSign('heavy') // 'kg'
 */
export const weightSign = (size: WeightSize): 'g' | 'kg' | 'oz' | 'lb' =>
  WEIGHT_UNITS[source().weight][size].sign;

/**
 * A weight as the figure on the kitchen's scale.
 * @param grams g
 * @example weightShown(1500, 'heavy') // 1.5
 */
export const weightShown = (grams: number, size: WeightSize): number =>
  Number((grams / WEIGHT_UNITS[source().weight][size].grams).toFixed(size === 'heavy' ? 3 : 2));

/**
 * g of a figure read off the kitchen's scale, to a tenth.
 * @param shown in the kitchen's measure
 * @example weightOfShown(1.5, 'heavy') // 1500
 */
export const weightOfShown = (shown: number, size: WeightSize): number =>
  source().weight === 'metric'
    ? shown * WEIGHT_UNITS.metric[size].grams
    : Number((shown * WEIGHT_UNITS.us[size].grams).toFixed(1));

/**
 * A price of so much a kilogram as the price of the kitchen's heavy measure: a kilogram, or a pound.
 * @param perKg any money
 * @example pricePerWeightShown(420) // 420
 */
export const pricePerWeightShown = (perKg: number): number =>
  (perKg * WEIGHT_UNITS[source().weight].heavy.grams) / 1000;

/**
 * The sign of the volume that the kitchen's bottles and jugs are marked in.
 * @example volumeSign() // 'mL'
 */
export const volumeSign = (): 'mL' | 'fl oz' => (source().weight === 'us' ? 'fl oz' : 'mL');

/**
 * A volume as the figure on the kitchen's jug.
 * @param ml millilitres
 * @example volumeShown(250) // 250
 */
export const volumeShown = (ml: number): number =>
  source().weight === 'us' ? Number((ml / millilitresOf('floz')).toFixed(2)) : ml;

/**
 * mL of a figure read off the kitchen's jug: a fluid ounce is poured to the millilitre.
 * @param shown in the kitchen's measure
 * @example volumeOfShown(250) // 250
 */
export function volumeOfShown(shown: number): number {
  if (source().weight !== 'us') return shown;
  const ml = shown * millilitresOf('floz');
  return ml < 20 ? Number(ml.toFixed(1)) : Math.round(ml);
}
