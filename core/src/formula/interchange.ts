import { equivalentWeights } from '../acid/index.ts';
import type { Ingredient } from '../ingredient/index.ts';
import { inWords } from '../quantity/index.ts';
import { amountsOf } from './amounts.ts';
import type { FormulaContent } from './content.ts';
import { titrationEquivalents } from './forecast/acidity.ts';
import { compositionOf } from './forecast/composition.ts';
import type { ForecastSetting } from './forecast/forecast.ts';
import { isIntense, SWEET_AIMS, type SweetAim, sweetMeasures } from './forecast/sweetness.ts';
import { type Composition, solidsOf } from './pan/pan.ts';
import { walk } from './pan/walk.ts';
import { readLine } from './said.ts';

/** One thing put in another's place, equal in what matters of it. */
export interface Interchange {
  ingredient: Ingredient;
  grams: number;
  /** What is kept equal: acid, acetic acid, sugar, or the dry matter of the fruit. */
  equalIn: 'acid' | 'acetic acid' | 'sugar' | 'fruit' | 'sweetness' | 'dissolved solids' | 'body' | 'keeping';
  /** Water that comes with it less what came before, g: take it off the water line, or boil it off. */
  waterGrams: number;
  /** TA brought less what was brought, as grams of citric acid. */
  acidGrams: number;
  /** What else changes, in words. */
  changes: string[];
}

const sugarsIn = (c: Composition): number => c.sucrose + c.glucose + c.fructose;

/** Titratable acid of 100 g, as grams of citric acid. */
const acidIn = (entry: Ingredient): number =>
  (titrationEquivalents(inWater(compositionOf(entry, 'typical').composition)) ?? 0) *
  equivalentWeights.citric;

/** Crystals are titrated in water: 100 g of them have none of their own. */
const inWater = (c: Composition): Composition => ({ ...c, water: Math.max(c.water, 2000) });

type Group = 'acid' | 'vinegar' | 'sugar' | 'fruit';

/** Which things may stand in for an entry, and what is then equal. */
function groupOf(entry: Ingredient): Group | null {
  if (entry.family === 'vinegar')
    return entry.acidity.kind === 'vinegar' && entry.acidity.aceticPer100g ? 'vinegar' : null;
  if (entry.acidity.kind === 'acid') return 'acid';
  if (/^(bottled-)?(lemon|lime)-juice$/.test(entry.id)) return 'acid';
  if (entry.family === 'sugar') return 'sugar';
  return entry.family === 'fruit' || entry.family === 'juice' ? 'fruit' : null;
}

/** Fruit goes only for itself in another form: fresh, frozen, dried. */
const sameFruit = (a: Ingredient, b: Ingredient): boolean => (a.formOf ?? a.id) === (b.formOf ?? b.id);

const MEASURE: Record<Group, { of: (entry: Ingredient) => number; equalIn: Interchange['equalIn'] }> = {
  acid: { of: acidIn, equalIn: 'acid' },
  vinegar: {
    of: (entry) => (entry.acidity.kind === 'vinegar' ? (entry.acidity.aceticPer100g ?? 0) : 0),
    equalIn: 'acetic acid',
  },
  sugar: { of: (entry) => sugarsIn(compositionOf(entry, 'typical').composition), equalIn: 'sugar' },
  fruit: { of: (entry) => solidsOf(compositionOf(entry, 'typical').composition), equalIn: 'fruit' },
};

function changesOf(from: Ingredient, to: Ingredient): string[] {
  const said: string[] = [];
  const added = to.allergens.filter((a) => !from.allergens.includes(a));
  if (added.length > 0) said.push(`brings ${added.map(inWords).join(', ')}: declare it`);
  if (from.family === 'acid' && to.family === 'juice' && !to.id.startsWith('bottled-'))
    said.push('brings its own flavour, and varies from fruit to fruit');
  if (from.family === 'juice' && to.family === 'acid') said.push('the sharpness without the lemon');
  if (to.id.startsWith('bottled-')) said.push('brings its own flavour, of a standard acidity');
  if (from.id === 'citric-anhydrous' && to.id === 'citric-monohydrate')
    said.push('the monohydrate holds 9 % water');
  if (['malic-acid', 'tartaric-acid'].includes(to.id))
    said.push('the same TA tastes sharper for longer, and its pH differs a little');
  if (to.id === 'honey') said.push('flavour of its own; reads as invert, so it grains less');
  if (to.id === 'brown-sugar' || to.id === 'cane-sugar') said.push('darker, with a taste of molasses');
  if (to.id === 'maple-syrup') said.push('its acidity is not known well: measure');
  if (to.id === 'glucose-syrup') said.push('half as sweet, but holds back graining');
  if (to.frozen) said.push('softer, gives its juice more readily');
  if (to.dried) said.push('soak it first; it takes the water back up');
  if (to.family === 'vinegar') said.push(`tastes of ${to.labelName.replace(/ \(.*\)/, '')}`);
  if (to.caution && to.caution !== from.caution) said.push(to.caution);
  return said;
}

/**
 * What may stand in for so much of an ingredient, equal in acid (as TA), in acetic acid, in sugar, or in the fruit's dry matter.
 * @param entry what is replaced; @param grams of it; @param all the entries to choose from
 * @returns each with its grams, the water and acid it brings beside the old, and what else changes; empty where nothing is like it
 * @example interchanges(catalogue.get('citric-anhydrous'), 10, catalogue.all)[0].equalIn // 'acid'
 */
export function interchanges(entry: Ingredient, grams: number, all: readonly Ingredient[]): Interchange[] {
  const group = groupOf(entry);
  if (!group) return [];
  const { of, equalIn } = MEASURE[group];
  const wanted = of(entry) * grams;
  const waterOf = (e: Ingredient) => compositionOf(e, 'typical').composition.water;
  return all
    .filter(
      (other) =>
        other.id !== entry.id && groupOf(other) === group && (group !== 'fruit' || sameFruit(entry, other)),
    )
    .filter((other) => of(other) > 0)
    .map((other) => {
      const needed = wanted / of(other);
      return {
        ingredient: other,
        grams: needed,
        equalIn,
        waterGrams: (needed * waterOf(other) - grams * waterOf(entry)) / 100,
        acidGrams: (needed * acidIn(other) - grams * acidIn(entry)) / 100,
        changes: changesOf(entry, other),
      };
    })
    .sort((a, b) => Math.abs(a.grams - grams) - Math.abs(b.grams - grams));
}

/** Whether an entry is exchanged by what it is there for: sweetness, solids, body or keeping. */
const isSweet = (entry: Ingredient): boolean =>
  ['sugar', 'sweetener'].includes(entry.family) || entry.id === 'glycerine';

/** Share by which a figure has to differ before it is told. */
const TOLD = 0.05;

/** What is lost or gained of the other three, in words. */
function lostOrGained(
  from: Ingredient,
  grams: number,
  to: Ingredient,
  needed: number,
  aim: SweetAim,
): string[] {
  const [before, after] = [sweetMeasures(from), sweetMeasures(to)];
  return SWEET_AIMS.filter((other) => other.aim !== aim).flatMap(({ aim: other, name }) => {
    const ratio = (after[other] * needed) / (before[other] * grams);
    if (Math.abs(ratio - 1) < TOLD) return [];
    if (ratio < 0.02) return [`${name} is lost`];
    const share = Math.round(100 * Math.abs(ratio - 1));
    return [`${share} % ${ratio > 1 ? 'more' : 'less'} ${name}`];
  });
}

/**
 * What may stand in for so much of a sugar or sweetener, equal in what it is there for; what is lost or gained of the rest is told.
 * An intense sweetener goes by sweetness alone.
 * @param entry what is replaced; @param grams of it; @param aim what has to stay; @param all the entries to choose from
 * @returns each with its grams and what changes; empty where the entry is no sugar or sweetener
 * @example sweetExchanges(catalogue.get('sugar'), 100, 'sweetness', catalogue.all).find((to) => to.ingredient.id === 'xylitol').grams // 100.4
 */
export function sweetExchanges(
  entry: Ingredient,
  grams: number,
  aim: SweetAim,
  all: readonly Ingredient[],
): Interchange[] {
  if (!isSweet(entry) || (isIntense(entry) && aim !== 'sweetness')) return [];
  const wanted = sweetMeasures(entry)[aim] * grams;
  const waterOf = (e: Ingredient) => compositionOf(e, 'typical').composition.water;
  return all
    .filter((other) => other.id !== entry.id && isSweet(other) && sweetMeasures(other)[aim] > 0)
    .filter((other) => aim === 'sweetness' || !isIntense(other))
    .map((other) => {
      const needed = wanted / sweetMeasures(other)[aim];
      return {
        ingredient: other,
        grams: needed,
        equalIn: SWEET_AIMS.find((one) => one.aim === aim)!.name as Interchange['equalIn'],
        waterGrams: (needed * waterOf(other) - grams * waterOf(entry)) / 100,
        acidGrams: (needed * acidIn(other) - grams * acidIn(entry)) / 100,
        changes: [...lostOrGained(entry, grams, other, needed, aim), ...changesOf(entry, other)],
      };
    })
    .sort((a, b) => Math.abs(a.grams - grams) - Math.abs(b.grams - grams));
}

/**
 * A formula with one line's ingredient changed for another, equal in what matters, and the water that comes with it taken off the water line where there is one.
 * @param content the formula; @param setting the kitchen's; @param lineId the line; @param to what stands in for it
 * @returns the changed formula and what could not be evened out; throws RangeError where the two are not alike
 * @example interchanged(cherry, setting, 'sugar', interchanges(catalogue.get('sugar'), 2000, catalogue.all)[0]).content.lines.length // 2
 */
export function interchanged(
  content: FormulaContent,
  setting: ForecastSetting,
  lineId: string,
  to: Interchange,
): { content: FormulaContent; left: string[] } {
  const said = content.lines.map((line) => readLine(line, setting));
  const amounts = amountsOf(said, walk(content, said, setting));
  const place = content.lines.findIndex((line) => line.id === lineId);
  if (place === -1) throw new RangeError('That line is not in the formula');
  const water = amounts.findIndex((l) => l.ingredient?.family === 'water' && l.grams !== null);
  const left: string[] = [];
  const take = water === -1 ? 0 : Math.min(to.waterGrams, amounts[water]!.grams! - 1);
  if (Math.abs(to.waterGrams - take) > 1)
    left.push(
      to.waterGrams > 0
        ? `${Math.round(to.waterGrams - take)} g of water comes with it that no water line can give up`
        : `${Math.round(take - to.waterGrams)} g of water is missing: add it`,
    );
  const lines = content.lines.map((line, i) => {
    if (i === place)
      return { ...line, ingredientId: to.ingredient.id, said: saidGrams(to.grams), basis: undefined };
    if (i === water && Math.abs(take) > 0.5)
      return { ...line, said: saidGrams(amounts[water]!.grams! - take), basis: undefined };
    return line;
  });
  return { content: { ...content, lines }, left };
}

/**
 * Grams as a cook would write them: to a tenth under 20 g, whole above, in mg under 1 g.
 * @example saidGrams(1500) // '1500 g'
 */
export const saidGrams = (grams: number): string =>
  grams < 1
    ? `${Number((1000 * grams).toPrecision(2))} mg`
    : `${grams < 20 ? Number(grams.toFixed(1)) : Math.round(grams)} g`;
