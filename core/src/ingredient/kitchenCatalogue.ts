import type { OwnMeasure } from '../quantity/index.ts';
import type { Ingredient } from './types.ts';

/** What a kitchen knows of its ingredients: the catalogue that ships, its own entries preferred over it, its own measures and prices. */
export interface KitchenCatalogue {
  /** Every entry, the kitchen's own first. */
  all: readonly Ingredient[];
  find(id: string): Ingredient | undefined;
  /** @throws RangeError where there is none of that id */
  get(id: string): Ingredient;
  measures: readonly OwnMeasure[];
  /** What it pays for a kg, in minor units of its money; undefined where not said. */
  pricePerKg(id: string): number | undefined;
}

/** A kitchen's own part of its catalogue, plain data. */
export interface OwnPart {
  ingredients?: readonly Ingredient[] | undefined;
  measures?: readonly OwnMeasure[] | undefined;
  prices?: Readonly<Record<string, number>> | undefined;
}

/** The shipped entries with a kitchen's own laid over them: an own entry of a shipped id takes its place. */
export function catalogueWith(shipped: readonly Ingredient[], own: OwnPart): KitchenCatalogue {
  const mine = own.ingredients ?? [];
  const mineById = new Map(mine.map((entry) => [entry.id, entry]));
  const all = [...mine, ...shipped.filter((entry) => !mineById.has(entry.id))];
  const byId = new Map(all.map((entry) => [entry.id, entry]));
  return {
    all,
    find: (id) => byId.get(id),
    get(id) {
      const entry = byId.get(id);
      if (!entry) throw new RangeError(`There is no ingredient "${id}" in the catalogue`);
      return entry;
    },
    measures: own.measures ?? [],
    pricePerKg: (id) => own.prices?.[id],
  };
}
