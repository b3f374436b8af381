import { z } from 'zod';
import { acidGrams, type Composition, compositionOf, nothing, pour } from '../formula/index.ts';
import { type Ingredient, type KitchenCatalogue, shippedCatalogue } from '../ingredient/index.ts';
import { brixSaid } from '../quantity/index.ts';
import type { StatementLine } from './line.ts';
import { RulePackId } from './packs.ts';
import { NUTRIENTS, type Nutrient, percentDailyValue, roundNutrient } from './roundNutrient.ts';
import { toleranceOf } from './tolerance.ts';

export interface NutritionOf {
  /** What went in, g; what was left out is 0. */
  lines: readonly StatementLine[];
  /** mL of the finished product that they came to, at 20 °C, over 0. */
  millilitres: number;
  pack: RulePackId;
  /** United States: mL of a serving, 30 of a syrup; what makes 360 mL of drink for a concentrate of drinks. */
  servingMl?: number;
  /** Composition of the finished product, g, where what stayed in a cloth and boiled off is known; all that went in where it is not. */
  product?: Composition;
  /** Added sugars in the finished product, g, where it is known how they were lost; in proportion to all sugars where it is not. */
  addedSugars?: number;
  /** °Bx measured in the finished product, where the composition is at it. */
  measuredBrix?: number | null;
  catalogue?: KitchenCatalogue;
}

const NutritionFigure = z.object({
  /** kcal, g, mg or mcg in a serving, or in 100 mL. */
  raw: z.number(),
  /** As the label has it, without its unit. */
  declared: z.string(),
  /** United States: % of the daily value; null where there is none. */
  percentDailyValue: z.number().nullable(),
  /** From what it is calculated. */
  from: z.string(),
  /** How far what a laboratory finds may lie from what is declared. */
  tolerance: z.string(),
});
export type NutritionFigure = z.infer<typeof NutritionFigure>;

const DeclaredFigure = NutritionFigure.pick({ raw: true, declared: true });

/** Nutrition of a lot as made: in a serving (United States), or in 100 mL (Europe). */
export const Nutrition = z.object({
  pack: RulePackId,
  /** mL that the figures are of: a serving, or 100. */
  millilitres: z.number(),
  /** Energy in kJ: the European pack has both. */
  kilojoules: DeclaredFigure,
  /** g of salt, 2.5 times the sodium: the European pack has it in place of sodium. */
  salt: DeclaredFigure,
  figures: z.record(z.enum(NUTRIENTS), NutritionFigure),
});
export type Nutrition = z.infer<typeof Nutrition>;

/** Protein, fat and saturates in g, calcium and iron in mg, in 100 g of fresh fruit or juice; typical of USDA SR Legacy, where most lie between half and twice of it. */
const FRESH = { protein: 0.8, fat: 0.25, saturatedFat: 0.03, calcium: 14, iron: 0.3, sodium: 2 };
/** Solids in 100 g of fresh fruit: what is drier has so many times as much. */
const FRESH_SOLIDS = 14;
/** mg of sodium in 100 g of what brings it. Source: molar masses. */
const SODIUM: Readonly<Record<string, number>> = {
  salt: 39_337,
  'sea-salt-flakes': 39_337,
  'black-salt': 38_000,
  'celery-salt': 29_000,
  'baking-soda': 27_369,
  'sodium-benzoate': 15_953,
};
/** g of potassium to an equivalent of base: nearly all the base of fruit is potassium. */
const POTASSIUM = 39.098;

const BROUGHT: ReadonlySet<string> = new Set(['fruit', 'juice', 'plant', 'flavouring']);
type Trace = keyof typeof FRESH;

/** What fruit and leaf bring besides sugar, water and acid, by how dry they are. */
function traces(lines: readonly StatementLine[], catalogue: KitchenCatalogue): Record<Trace, number> {
  const sum: Record<Trace, number> = { protein: 0, fat: 0, saturatedFat: 0, calcium: 0, iron: 0, sodium: 0 };
  for (const { ingredientId, grams } of lines) {
    const entry = catalogue.get(ingredientId);
    if (!BROUGHT.has(entry.family)) continue;
    const dry = Math.min(6, (100 - entry.per100g.water) / FRESH_SOLIDS);
    for (const name in FRESH) sum[name as Trace] += (FRESH[name as Trace] * dry * grams) / 100;
  }
  return sum;
}

/** mg of sodium in salt and soda, all of it in what is sold. */
const salted = (lines: readonly StatementLine[]): number =>
  lines.reduce((sum, { ingredientId, grams }) => sum + ((SODIUM[ingredientId] ?? 0) * grams) / 100, 0);

const sugarsOf = (part: Composition): number => part.sucrose + part.glucose + part.fructose;

/** Whether the sugars of something are added ones: of sugars, honeys and syrups; those of the fruit and its juice are not. */
export const addsSugar = (entry: Ingredient): boolean =>
  entry.family === 'sugar' || entry.family === 'sweetener';

/** Added sugars in g of what went in. */
function addedSugars(lines: readonly StatementLine[], catalogue: KitchenCatalogue): number {
  return lines.reduce((sum, { ingredientId, grams }) => {
    const entry = catalogue.get(ingredientId);
    if (!addsSugar(entry)) return sum;
    const { sucrose, glucose, fructose } = entry.per100g;
    return sum + ((sucrose + glucose + fructose) * grams) / 100;
  }, 0);
}

/** Everything that went in, nothing lost. */
export function allIn(lines: readonly StatementLine[], catalogue: KitchenCatalogue): Composition {
  return lines.reduce(
    (sum, { ingredientId, grams }) =>
      pour(sum, compositionOf(catalogue.get(ingredientId), 'typical').composition, grams / 100),
    nothing(),
  );
}

/** Share of the other dissolved solids of fruit that is fibre: pectin and gums, about half. */
const SOLUBLE_FIBRE = 0.5;

interface Raw {
  nutrients: Record<Nutrient, number>;
  kcal: number;
  kilojoules: number;
}

/** Share of all sugars under which those of the fruit are dust: leaves and peel have none to be followed by. */
const DUST = 1e-6;

/** Share of what fruit brings in traces that is in the product: it stays in a cloth as the fruit's own sugars do, or where it has none, as its other solids. */
function keptOfFruit(
  put: { sugars: number; of: number; solids: number },
  left: { sugars: number; solids: number },
): number {
  const share =
    put.sugars > DUST * put.of ? left.sugars / put.sugars : put.solids > 0 ? left.solids / put.solids : 1;
  return Math.min(1, Math.max(0, share));
}

/** Whole of the batch: g, mg or mcg, and its energy by the general factors of each rule. */
function wholeOf(of: NutritionOf): Raw {
  const { lines, product, pack, addedSugars: addedKnown, catalogue = shippedCatalogue } = of;
  const batch = allIn(lines, catalogue);
  const made = product ?? batch;
  const trace = traces(lines, catalogue);
  const [sugars, sugarsIn] = [sugarsOf(made), sugarsOf(batch)];
  const addedIn = addedSugars(lines, catalogue);
  const left = sugarsIn > 0 ? Math.min(1, sugars / sugarsIn) : 1;
  const added = Math.min(sugars, addedKnown ?? addedIn * left);
  const kept = keptOfFruit(
    { sugars: sugarsIn - addedIn, of: sugarsIn, solids: batch.otherSolids },
    { sugars: sugars - added, solids: made.otherSolids },
  );
  const acids = acidGrams(made.acids);
  const protein = trace.protein * kept;
  const fibre = made.insoluble + SOLUBLE_FIBRE * Math.max(0, made.otherSolids - protein);
  const fat = trace.fat * kept;
  // By difference in the United States, acids and fibre in it; in Europe sugars and starch alone.
  const carbohydrate =
    pack === 'us' ? sugars + acids + Math.max(0, made.otherSolids - protein) + made.insoluble : sugars;
  const kcal =
    pack === 'us'
      ? 4 * (carbohydrate - made.insoluble) + 4 * protein + 9 * fat + 7 * made.ethanol
      : 4 * sugars + 3 * acids + 2 * fibre + 4 * protein + 9 * fat + 7 * made.ethanol;
  const kilojoules = 17 * sugars + 13 * acids + 8 * fibre + 17 * protein + 37 * fat + 29 * made.ethanol;
  return {
    kcal,
    kilojoules,
    nutrients: {
      calories: kcal,
      fat,
      saturatedFat: trace.saturatedFat * kept,
      transFat: 0,
      cholesterol: 0,
      sodium: trace.sodium * kept + salted(lines),
      carbohydrate,
      fibre,
      sugars,
      addedSugars: added,
      protein,
      vitaminD: 0,
      calcium: trace.calcium * kept,
      iron: trace.iron * kept,
      potassium: 1000 * POTASSIUM * Math.max(0, made.baseEquivalents),
    },
  };
}

/** Figures that stand and fall with how strong the product is. */
const BY_STRENGTH: ReadonlySet<Nutrient> = new Set(['calories', 'carbohydrate', 'sugars', 'addedSugars']);

const FROM: Record<Nutrient, string> = {
  calories:
    'general factors: 4 kcal a gram of carbohydrate and protein, 9 of fat, 7 of alcohol; in Europe 3 of acid and 2 of fibre',
  fat: 'typical of fruit, half to twice of it',
  saturatedFat: 'typical of fruit, half to twice of it',
  transFat: 'none: nothing of it is in fruit, sugar or vinegar',
  cholesterol: 'none: nothing of it is in fruit, sugar or vinegar',
  sodium: 'salt and soda as they went in; traces of fruit typical',
  carbohydrate: 'catalogue composition of what went in, less what stayed in the cloth',
  fibre: 'what does not dissolve, and half of the other dissolved solids',
  sugars:
    'catalogue composition of what went in, less what stayed in the cloth; within a tenth for most fruit',
  addedSugars: 'sugars, honeys and syrups as they went in, less what stayed in the cloth',
  protein: 'typical of fruit, half to twice of it',
  vitaminD: 'none: nothing of it is in fruit, sugar or vinegar',
  calcium: 'typical of fruit, half to twice of it',
  iron: 'typical of fruit, half to twice of it',
  potassium: 'the base of the fruit, nearly all of it potassium',
};

/** European rounding, guidance of 2012 on tolerances: g to the nearest 1 from 10 on, to 0.1 under it, "<0.5" to 0; salt to 0.1 from 1 on, to 0.01 under it. */
function roundEu(name: Nutrient | 'salt', amount: number): string {
  if (name === 'calories') return String(Math.round(amount));
  if (name === 'salt') return amount < 0.0125 ? '0' : amount >= 1 ? amount.toFixed(1) : amount.toFixed(2);
  if (name === 'saturatedFat')
    return amount <= 0.1 ? '0' : amount >= 10 ? String(Math.round(amount)) : amount.toFixed(1);
  return amount <= 0.5 ? '0' : amount >= 10 ? String(Math.round(amount)) : amount.toFixed(1);
}

/** mL of a serving of syrup in the United States: two tablespoons. */
const SERVING = 30;

/**
 * Nutrition of a product by what went into it, less what is known to have stayed behind: per serving in the United States, per 100 mL in Europe.
 * @param of lines in g, mL of the product at 20 °C, rule pack; @returns raw and declared figures, each with what it is calculated from
 * @throws RangeError on an unknown ingredient, a negative weight or a volume that is none
 * Source: 21 CFR 101.9; Reg. 1169/2011 Annexes I, XIV and XV.
 * @example nutrition({ lines: [{ ingredientId: 'sugar', grams: 500 }, { ingredientId: 'water', grams: 500 }], millilitres: 813, pack: 'eu' }).figures.sugars.declared // '61'
 */
export function nutrition(of: NutritionOf): Nutrition {
  const { lines, millilitres, pack, servingMl = SERVING, measuredBrix } = of;
  if (!(millilitres > 0)) throw new RangeError(`${millilitres} mL is no volume of a product`);
  if (!(servingMl > 0)) throw new RangeError(`${servingMl} mL is no serving`);
  const wrong = lines.find((line) => !(line.grams >= 0));
  if (wrong) throw new RangeError(`${wrong.grams} g is not a weight`);
  const per = pack === 'us' ? servingMl : 100;
  const share = per / millilitres;
  const whole = wholeOf(of);
  const figure = (name: Nutrient): NutritionFigure => {
    const raw = whole.nutrients[name] * share;
    return {
      raw,
      declared: pack === 'us' ? roundNutrient(name, raw) : roundEu(name, raw),
      percentDailyValue: pack === 'us' ? percentDailyValue(name, raw) : null,
      from:
        measuredBrix && BY_STRENGTH.has(name)
          ? `${FROM[name]}; at ${brixSaid(measuredBrix)} as measured`
          : FROM[name],
      tolerance: toleranceOf(name, raw, pack),
    };
  };
  const salt = (2.5 * whole.nutrients.sodium * share) / 1000;
  const kilojoules = whole.kilojoules * share;
  return {
    pack,
    millilitres: per,
    kilojoules: { raw: kilojoules, declared: String(Math.round(kilojoules)) },
    salt: { raw: salt, declared: roundEu('salt', salt) },
    figures: Object.fromEntries(NUTRIENTS.map((name) => [name, figure(name)])) as Record<
      Nutrient,
      NutritionFigure
    >,
  };
}
