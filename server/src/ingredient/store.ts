import type { OwnCatalogue } from '@inch/contract/ingredient';
import type { FormulaContent } from '@inch/core/formula';
import { type Ingredient, type KitchenCatalogue, kitchenCatalogue } from '@inch/core/ingredient';
import type { OwnMeasure } from '@inch/core/quantity';
import { type Database, fromSql, rows } from '../database/pool.ts';

interface OwnRow {
  ingredient_id: string;
  entry: string | null;
  measured: string | null;
  label: string | null;
  price_per_kg_minor: number | null;
  saved_at: string;
  saved_by: string;
}

const NEWEST = `SELECT i.ingredient_id, i.entry, i.measured, i.label, i.price_per_kg_minor, i.saved_at, a.name AS saved_by
  FROM own_ingredient i JOIN account a ON a.id = i.saved_by
  JOIN (SELECT ingredient_id, MAX(number) AS number FROM own_ingredient WHERE kitchen_id = ? GROUP BY ingredient_id) newest
    ON newest.ingredient_id = i.ingredient_id AND newest.number = i.number
  WHERE i.kitchen_id = ? ORDER BY i.saved_at DESC, i.id DESC`;

async function measuresOf(db: Database, kitchenId: string): Promise<OwnMeasure[]> {
  const all = await rows<{
    name: string;
    ingredient_id: string | null;
    grams: number | null;
    millilitres: number | null;
    retired: number;
  }>(
    db,
    'SELECT name, ingredient_id, grams, millilitres, retired FROM own_measure WHERE kitchen_id = ? ORDER BY number DESC',
    [kitchenId],
  );
  const seen = new Set<string>();
  return all.flatMap((m) => {
    const key = `${m.name} ${m.ingredient_id ?? ''}`;
    if (seen.has(key)) return [];
    seen.add(key);
    if (m.retired) return [];
    return [{ name: m.name, ingredientId: m.ingredient_id, grams: m.grams, millilitres: m.millilitres }];
  });
}

/** The kitchen's own part of its catalogue: of each thing the newest. */
export async function ownCatalogue(db: Database, kitchenId: string): Promise<OwnCatalogue> {
  const own = await rows<OwnRow>(db, NEWEST, [kitchenId, kitchenId]);
  const parsed = <T>(text: string | null) => (text === null ? null : (JSON.parse(text) as T));
  return {
    ingredients: own.flatMap((row) =>
      row.entry ? [JSON.parse(row.entry) as Ingredient] : [],
    ) as OwnCatalogue['ingredients'],
    measures: await measuresOf(db, kitchenId),
    prices: Object.fromEntries(
      own.flatMap((row) =>
        row.price_per_kg_minor === null ? [] : [[row.ingredient_id, Number(row.price_per_kg_minor)]],
      ),
    ),
    entered: own.map((row) => ({
      ingredientId: row.ingredient_id,
      measured: parsed(row.measured),
      label: parsed(row.label),
      pricePerKgMinor: row.price_per_kg_minor === null ? null : Number(row.price_per_kg_minor),
      savedAt: fromSql(row.saved_at),
      savedBy: row.saved_by,
    })),
  };
}

/** The catalogue as the kitchen has it now. */
export async function catalogueNow(db: Database, kitchenId: string): Promise<KitchenCatalogue> {
  const { ingredients, measures, prices } = await ownCatalogue(db, kitchenId);
  return kitchenCatalogue({ ingredients: ingredients as Ingredient[], measures, prices });
}

/** The kitchen's own entries and measures that a formula's lines use, to be kept with the version; undefined where it uses none. */
export function ownPartOf(content: FormulaContent, catalogue: KitchenCatalogue): FormulaContent['own'] {
  const used = new Set(content.lines.map((line) => line.ingredientId));
  const ingredients = catalogue.all.filter((entry) => entry.own && used.has(entry.id));
  const measures = catalogue.measures.filter((m) => m.ingredientId === null || used.has(m.ingredientId));
  return ingredients.length > 0 || measures.length > 0 ? { ingredients, measures: [...measures] } : undefined;
}
