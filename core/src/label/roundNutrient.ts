/** Nutrients that a label declares, with the amounts of each: kcal, g, mg or mcg as the regulation has them. */
export const NUTRIENTS = [
  'calories',
  'fat',
  'saturatedFat',
  'transFat',
  'cholesterol',
  'sodium',
  'carbohydrate',
  'fibre',
  'sugars',
  'addedSugars',
  'protein',
  'vitaminD',
  'calcium',
  'iron',
  'potassium',
] as const;
export type Nutrient = (typeof NUTRIENTS)[number];

/** Other words for a nutrient, by its letters alone. */
const WORDS: Readonly<Record<string, Nutrient>> = {
  energy: 'calories',
  kcal: 'calories',
  totalfat: 'fat',
  saturates: 'saturatedFat',
  polyunsaturatedfat: 'fat',
  monounsaturatedfat: 'fat',
  totalcarbohydrate: 'carbohydrate',
  carbohydrates: 'carbohydrate',
  fiber: 'fibre',
  dietaryfiber: 'fibre',
  dietaryfibre: 'fibre',
  totalsugars: 'sugars',
  sugar: 'sugars',
  addedsugar: 'addedSugars',
  sugaralcohol: 'sugars',
};

/**
 * The nutrient that a word names: "Total fat", "dietary fiber", "added sugars".
 * @throws RangeError where it names none
 * @example nutrientNamed('Total Carbohydrate') // 'carbohydrate'
 */
export function nutrientNamed(word: string): Nutrient {
  const letters = word.toLowerCase().replace(/[^a-z]/g, '');
  const found =
    NUTRIENTS.find((nutrient) => nutrient.toLowerCase() === letters) ??
    (Object.hasOwn(WORDS, letters) ? WORDS[letters] : undefined);
  if (!found) throw new RangeError(`"${word}" is no nutrient of a label`);
  return found;
}

/** The nearest multiple of a step, halves up; the dust of a float is no half. */
const nearest = (amount: number, step: number): number => Math.floor(amount / step + 0.5 + 1e-9) * step;

/** As text, without what a step has not. */
const written = (value: number): string => String(Number(value.toFixed(1)));

type Rule = (amount: number) => string;

const fats: Rule = (g) => (g < 0.5 ? '0' : written(nearest(g, g < 5 ? 0.5 : 1)));
const grams: Rule = (g) => (g < 0.5 ? '0' : g < 1 ? 'less than 1' : written(nearest(g, 1)));
const to =
  (step: number): Rule =>
  (amount) =>
    written(nearest(amount, step));

/** Every band of 21 CFR 101.9(c). */
const RULES: Record<Nutrient, Rule> = {
  calories: (kcal) => (kcal < 5 ? '0' : written(nearest(kcal, kcal <= 50 ? 5 : 10))),
  fat: fats,
  saturatedFat: fats,
  transFat: fats,
  cholesterol: (mg) => (mg < 2 ? '0' : mg <= 5 ? 'less than 5' : written(nearest(mg, 5))),
  sodium: (mg) => (mg < 5 ? '0' : written(nearest(mg, mg <= 140 ? 5 : 10))),
  carbohydrate: grams,
  fibre: grams,
  sugars: grams,
  addedSugars: grams,
  protein: grams,
  vitaminD: to(0.1),
  calcium: to(10),
  iron: to(0.1),
  potassium: to(10),
};

/**
 * The value that a United States label declares for an amount in a serving, as text without its unit.
 * @param name a nutrient, by any of its usual words; @param amount kcal, g (fats, carbohydrate, fibre, sugars, protein), mg (cholesterol, sodium, calcium, iron, potassium) or mcg (vitamin D), 0 or over
 * @throws RangeError on what is no nutrient, or no amount. Source: 21 CFR 101.9(c).
 * @example roundNutrient('sodium', 143) // '140'
 */
export function roundNutrient(name: string, amount: number): string {
  const nutrient = nutrientNamed(name);
  if (!(Number.isFinite(amount) && amount >= 0))
    throw new RangeError(`${amount} is no amount of ${name}: 0 or over`);
  return RULES[nutrient](amount);
}

/** Daily values for adults, 21 CFR 101.9(c)(8)(iv) and (c)(9), in the unit of each. */
const DAILY: Partial<Record<Nutrient, number>> = {
  fat: 78,
  saturatedFat: 20,
  cholesterol: 300,
  sodium: 2300,
  carbohydrate: 275,
  fibre: 28,
  addedSugars: 50,
  protein: 50,
  vitaminD: 20,
  calcium: 1300,
  iron: 18,
  potassium: 4700,
};
const BY_STEPS: ReadonlySet<Nutrient> = new Set(['vitaminD', 'calcium', 'iron', 'potassium']);

/**
 * Percent of the daily value of an amount in a serving, as declared: vitamins and minerals by 2 to 10 %, by 5 to 50, by 10 above; the others to the nearest 1.
 * @param name a nutrient; @param amount in its unit, 0 or over
 * @returns null where there is no daily value of it
 * @throws RangeError as of `roundNutrient`
 * @example percentDailyValue('calcium', 260) // 20
 */
export function percentDailyValue(name: string, amount: number): number | null {
  const nutrient = nutrientNamed(name);
  if (!(Number.isFinite(amount) && amount >= 0))
    throw new RangeError(`${amount} is no amount of ${name}: 0 or over`);
  const daily = DAILY[nutrient];
  if (daily === undefined) return null;
  const percent = (100 * amount) / daily;
  if (!BY_STEPS.has(nutrient)) return nearest(percent, 1);
  return nearest(percent, percent <= 10 ? 2 : percent <= 50 ? 5 : 10);
}
