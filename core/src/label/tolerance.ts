import type { RulePackId } from './packs.ts';
import type { Nutrient } from './roundNutrient.ts';

/** Nutrients that may be up to a fifth over what is declared; the others may be up to a fifth under it. Source: 21 CFR 101.9(g)(4, 5). */
const NOT_OVER: ReadonlySet<Nutrient> = new Set([
  'calories',
  'fat',
  'saturatedFat',
  'transFat',
  'cholesterol',
  'sodium',
  'sugars',
  'addedSugars',
]);

/** Bands of the European guidance on tolerances, December 2012: up to so many g, plus or minus g; above, a share. */
interface Bands {
  small: [upTo: number, grams: number];
  share: number;
  large?: [from: number, grams: number];
}
const OF_CARBOHYDRATE: Bands = { small: [10, 2], share: 20, large: [40, 8] };
const BANDS: Partial<Record<Nutrient, Bands>> = {
  carbohydrate: OF_CARBOHYDRATE,
  sugars: OF_CARBOHYDRATE,
  protein: OF_CARBOHYDRATE,
  fibre: OF_CARBOHYDRATE,
  fat: { small: [10, 1.5], share: 20, large: [40, 8] },
  saturatedFat: { small: [4, 0.8], share: 20 },
};
/** g of sodium for the 0.375 g of salt that may be missing or too much up to 1.25 g of it. */
const SALT: [upTo: number, grams: number] = [1.25, 0.375];

/**
 * How far what a laboratory finds may lie from what is declared, in words.
 * @param raw amount that is declared: g, mg of sodium, kcal. Source: 21 CFR 101.9(g); European Commission guidance on tolerances, 2012.
 * @example toleranceOf('sugars', 61, 'eu') // '±8 g'
 */
export function toleranceOf(name: Nutrient, raw: number, pack: RulePackId): string {
  if (pack === 'us') return NOT_OVER.has(name) ? 'at most 120 % of it' : 'at least 80 % of it';
  if (name === 'calories') return 'by what it is calculated from';
  if (name === 'sodium') {
    const salt = (2.5 * raw) / 1000;
    return salt < SALT[0] ? `±${SALT[1]} g of salt` : '±20 % of it';
  }
  const bands = BANDS[name];
  if (!bands) return '±20 % of it';
  if (raw < bands.small[0]) return `±${bands.small[1]} g`;
  if (bands.large && raw > bands.large[0]) return `±${bands.large[1]} g`;
  return `±${bands.share} % of it`;
}
