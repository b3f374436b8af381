import type { OwnMeasure } from '../quantity/index.ts';
import type { Ingredient } from './ingredient.ts';

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

/** What lays a kitchen's own entries over the shipped ones: an own entry of a shipped id takes its place. The shipped ones are read once. */
export function laidOver(shipped: readonly Ingredient[]): (own: OwnPart) => KitchenCatalogue {
  const shippedById = new Map(shipped.map((entry) => [entry.id, entry]));
  return (own) => {
    const mine = own.ingredients ?? [];
    const mineById = new Map(mine.map((entry) => [entry.id, entry]));
    const find = (id: string) => mineById.get(id) ?? shippedById.get(id);
    let all: readonly Ingredient[] | null = null;
    return {
      get all() {
        all ??= [...mine, ...shipped.filter((entry) => !mineById.has(entry.id))];
        return all;
      },
      find,
      get(id) {
        const entry = find(id);
        if (!entry) throw new RangeError(`There is no ingredient "${id}" in the catalogue`);
        return entry;
      },
      measures: own.measures ?? [],
      pricePerKg: (id) => own.prices?.[id],
    };
  };
}
