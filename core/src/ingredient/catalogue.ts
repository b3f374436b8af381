import acidsAndSalts from './catalogue/acid-and-salt.json' with { type: 'json' };
import brewed from './catalogue/brewed.json' with { type: 'json' };
import byProducts from './catalogue/by-product.json' with { type: 'json' };
import citrus from './catalogue/citrus.json' with { type: 'json' };
import flavourings from './catalogue/flavouring.json' with { type: 'json' };
import flowers from './catalogue/flower.json' with { type: 'json' };
import frozenAndDried from './catalogue/frozen-and-dried.json' with { type: 'json' };
import fruits from './catalogue/fruit.json' with { type: 'json' };
import herbs from './catalogue/herb.json' with { type: 'json' };
import juices from './catalogue/juice.json' with { type: 'json' };
import kinds from './catalogue/kind.json' with { type: 'json' };
import sources from './catalogue/sources.json' with { type: 'json' };
import spices from './catalogue/spice.json' with { type: 'json' };
import staples from './catalogue/staple.json' with { type: 'json' };
import sweetThings from './catalogue/sweet.json' with { type: 'json' };
import vegetables from './catalogue/vegetable.json' with { type: 'json' };
import vinegarsAndSpirits from './catalogue/vinegar-and-spirit.json' with { type: 'json' };
import type { CatalogueEntry, CatalogueKind, Minerals } from './catalogueEntry.ts';
import type { Ingredient } from './ingredient.ts';
import { type KitchenCatalogue, laidOver, type OwnPart } from './kitchenCatalogue.ts';

const FILES = [
  fruits,
  citrus,
  juices,
  frozenAndDried,
  staples,
  sweetThings,
  acidsAndSalts,
  vinegarsAndSpirits,
  vegetables,
  herbs,
  flowers,
  spices,
  flavourings,
  brewed,
  byProducts,
  kinds,
];

/** Every entry as the data files have it. */
export const catalogueEntries = FILES.flatMap(
  (file) => file.entries as unknown as readonly (CatalogueEntry | CatalogueKind)[],
);

const MEASURE_ML = { gramsPerCup: 236.588, gramsPerTeaspoon: 4.929, gramsPerTablespoon: 14.787 } as const;

/** Milligrams of a mineral that carry one milliequivalent. */
const MG_PER_MEQ = { potassium: 39.1, calcium: 20.04, magnesium: 12.15, sodium: 22.99 } as const;

/** Strong base in 100 g at the most, eq: all of its minerals, none of them bound by chloride, sulphate or phosphate. */
export const baseOf = ({ potassium, calcium, magnesium, sodium = 0 }: Minerals): number =>
  (potassium / MG_PER_MEQ.potassium +
    calcium / MG_PER_MEQ.calcium +
    magnesium / MG_PER_MEQ.magnesium +
    sodium / MG_PER_MEQ.sodium) /
  1000;

function gramsPerMlOf(entry: CatalogueEntry): Ingredient['gramsPerMl'] {
  const perMl = Object.entries(MEASURE_ML).flatMap(([unit, ml]) =>
    Object.entries(entry[unit as keyof typeof MEASURE_ML] ?? {}).map(([measure, grams]) => [
      measure,
      grams / ml,
    ]),
  );
  return perMl.length > 0 || entry.gramsPerMl
    ? { ...Object.fromEntries(perMl), ...entry.gramsPerMl }
    : undefined;
}

function acidityOf({ acidity, per100g }: CatalogueEntry): Ingredient['acidity'] {
  // A dried fruit is the fresh one with water gone: its acids are the fresh fruit's on the same dry matter.
  if (acidity.kind === 'juice' && acidity.freshWater !== undefined)
    return { times: (100 - per100g.water) / (100 - acidity.freshWater), ...acidity };
  if (acidity.kind !== 'unknown' || !acidity.minerals) return acidity;
  const { minerals, ...known } = acidity;
  return { ...known, base: baseOf(minerals) };
}

function ingredientOf(entry: CatalogueEntry): Ingredient {
  const { gramsPerCup, gramsPerTeaspoon, gramsPerTablespoon, sources: from, ...said } = entry;
  const gramsPerMl = gramsPerMlOf(entry);
  return {
    ...said,
    labelName: entry.labelName ?? entry.name.toLowerCase(),
    per100g: { sucrose: 0, glucose: 0, fructose: 0, insoluble: 0, ethanol: 0, ...entry.per100g },
    acidity: acidityOf(entry),
    ...(gramsPerMl ? { gramsPerMl } : {}),
    lowAcid: entry.lowAcid ?? false,
    pectinRich: entry.pectinRich ?? false,
    liquid: entry.liquid ?? false,
    allergens: entry.allergens ?? [],
    source: Object.keys(from)
      .map((name) => (sources as Readonly<Record<string, string>>)[name])
      .join('; '),
  };
}

const asWritten = new Map(catalogueEntries.map((entry) => [entry.id, entry]));

/** The catalogue that ships: every figure typical, with its public source. */
export const catalogue: readonly Ingredient[] = catalogueEntries.map((entry) => {
  if (!('like' in entry)) return ingredientOf(entry);
  const { like, ...own } = entry;
  const { labelName: _, also: __, ...figures } = asWritten.get(like) as CatalogueEntry;
  return ingredientOf({ ...figures, ...own });
});

/** A kitchen's catalogue: the shipped one with its own entries, measures and prices laid over it. */
export const kitchenCatalogue: (own: OwnPart) => KitchenCatalogue = laidOver(catalogue);

/** The catalogue as it ships, nothing laid over it. */
export const shippedCatalogue: KitchenCatalogue = kitchenCatalogue({});
