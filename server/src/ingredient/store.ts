import { OwnCatalogue } from '@inch/contract/making/ingredient';
import type { FormulaContent } from '@inch/core/formula';
import { Ingredient, type KitchenCatalogue, kitchenCatalogue } from '@inch/core/ingredient';
import { OwnMeasure } from '@inch/core/quantity';
import { Instant } from '@inch/core/value';
import { z } from 'zod';
import type { Database } from '../database/pool.ts';
import { read } from '../database/read.ts';

const ENTERED = {
  ...OwnCatalogue.shape.entered.element.shape,
  savedAt: Instant,
  entry: Ingredient.nullable(),
};

const NEWEST = `SELECT i.ingredient_id, i.entry, i.measured, i.label, i.price_per_kg_minor, i.saved_at, a.name AS saved_by
  FROM own_ingredient i JOIN account a ON a.id = i.saved_by
  JOIN (SELECT ingredient_id, MAX(number) AS number FROM own_ingredient WHERE kitchen_id = ? GROUP BY ingredient_id) newest
    ON newest.ingredient_id = i.ingredient_id AND newest.number = i.number
  WHERE i.kitchen_id = ? ORDER BY i.saved_at DESC, i.id DESC`;

async function measuresOf(db: Database, kitchenId: string): Promise<OwnMeasure[]> {
  const all = await read(
    db,
    { ...OwnMeasure.shape, retired: z.boolean() },
    'SELECT name, ingredient_id, grams, millilitres, retired FROM own_measure WHERE kitchen_id = ? ORDER BY number DESC',
    [kitchenId],
  );
  const seen = new Set<string>();
  return all.flatMap(({ retired, ...measure }) => {
    const key = `${measure.name} ${measure.ingredientId ?? ''}`;
    if (seen.has(key)) return [];
    seen.add(key);
    return retired ? [] : [measure];
  });
}

/** The kitchen's own part of its catalogue: of each thing the newest. */
export async function ownCatalogue(db: Database, kitchenId: string): Promise<OwnCatalogue> {
  const own = await read(db, ENTERED, NEWEST, [kitchenId, kitchenId]);
  return {
    ingredients: own.flatMap(({ entry }) => (entry ? [entry] : [])),
    measures: await measuresOf(db, kitchenId),
    prices: Object.fromEntries(
      own.flatMap((row) => (row.pricePerKgMinor === null ? [] : [[row.ingredientId, row.pricePerKgMinor]])),
    ),
    entered: own.map(({ entry: _, ...said }) => said),
  };
}

/** The catalogue as the kitchen has it now. */
export async function catalogueNow(db: Database, kitchenId: string): Promise<KitchenCatalogue> {
  const { ingredients, measures, prices } = await ownCatalogue(db, kitchenId);
  return kitchenCatalogue({ ingredients, measures, prices });
}

/** The kitchen's own entries and measures that a formula's lines use, to be kept with the version; undefined where it uses none. */
export function ownPartOf(content: FormulaContent, catalogue: KitchenCatalogue): FormulaContent['own'] {
  const used = new Set(content.lines.map((line) => line.ingredientId));
  const ingredients = catalogue.all.filter((entry) => entry.own && used.has(entry.id));
  const measures = catalogue.measures.filter((m) => m.ingredientId === null || used.has(m.ingredientId));
  return ingredients.length > 0 || measures.length > 0 ? { ingredients, measures: [...measures] } : undefined;
}
