import type { RulePackId } from './packs.ts';

/** mL of a United States fluid ounce; g of an avoirdupois ounce. */
const FLUID_OUNCE = 29.5735;
const OUNCE = 28.3495;

/** Whole ounces whose metric figure, rounded down, is this one; else ounces rounded down to a tenth: never more than there is. */
function ouncesIn(amount: number, one: number): number {
  const whole = Math.round(amount / one);
  return Math.floor(whole * one) === amount ? whole : Math.floor((amount / one) * 10 + 1e-9) / 10;
}

const tenth = (n: number): string => String(Math.round(n * 10) / 10);

/** Ounces in the largest whole units, with what is left over: "1 qt 1 pt 8 fl oz". */
function inLargest(ounces: number, units: readonly [number, string][], small: string): string {
  let left = ounces;
  const said: string[] = [];
  for (const [size, unit] of units) {
    const count = Math.floor(left / size + 1e-9);
    if (count > 0) said.push(`${count} ${unit}`);
    left -= count * size;
  }
  if (left > 0.05) said.push(`${tenth(left)} ${small}`);
  return said.join(' ');
}

const GALLON = 128;

/**
 * Net contents as each pack writes them. United States: fluid ounces rounded down to a tenth, from a pint on also in quarts and pints, and metric.
 * @param nominalMl mL at 20 °C
 * Source: 21 CFR 101.7(j), (m); Reg. 1169/2011 Article 23; Directive 76/211/EEC.
 * @example netContents(237, 'us') // '8 fl oz (237 mL)'
 */
export function netContents(nominalMl: number, pack: RulePackId): string {
  const metric = nominalMl >= 1000 ? `${nominalMl / 1000} L` : `${nominalMl} mL`;
  if (pack === 'eu') return metric;
  const ounces = ouncesIn(nominalMl, FLUID_OUNCE);
  if (ounces >= GALLON)
    return `${inLargest(
      ounces,
      [
        [GALLON, 'gal'],
        [32, 'qt'],
        [16, 'pt'],
      ],
      'fl oz',
    )} (${metric})`;
  if (ounces < 16) return `${tenth(ounces)} fl oz (${metric})`;
  return `${tenth(ounces)} fl oz (${inLargest(
    ounces,
    [
      [32, 'qt'],
      [16, 'pt'],
    ],
    'fl oz',
  )}) ${metric}`;
}

/**
 * Net weight as each pack writes it, for what is sold by weight: ounces rounded down to a tenth, from a pound on also in pounds, and metric.
 * @param grams g, rounded down before it is said
 * Source: 21 CFR 101.7(j), (m); Reg. 1169/2011 Article 23.
 * @example netWeight(680, 'us') // 'Net wt 24 oz (1 lb 8 oz) 680 g'
 */
export function netWeight(grams: number, pack: RulePackId): string {
  const whole = Math.floor(grams + 1e-9);
  const metric = whole >= 1000 ? `${whole / 1000} kg` : `${whole} g`;
  if (pack === 'eu') return metric;
  const ounces = ouncesIn(whole, OUNCE);
  if (ounces < 16) return `Net wt ${tenth(ounces)} oz (${metric})`;
  return `Net wt ${tenth(ounces)} oz (${inLargest(ounces, [[16, 'lb']], 'oz')}) ${metric}`;
}
