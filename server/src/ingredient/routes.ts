import { ingredientRoutes, type NewMeasure, type OwnFigures } from '@inch/contract/making/ingredient';
import {
  type Ingredient,
  isUnreadable,
  measuredEntry,
  ownEntry,
  shippedCatalogue,
  warningFor,
} from '@inch/core/ingredient';
import type { z } from 'zod';
import { insert, rows, toSql } from '../database/pool.ts';
import { type AppContext, serve } from '../http/serve.ts';
import { journal, type Writing } from '../journal/writing.ts';
import { invalid } from '../problem/problem.ts';
import { catalogueNow, ownCatalogue } from './store.ts';

type Figures = Omit<z.output<typeof OwnFigures>, 'id' | 'typical'>;

/** The entry that figures make, by the core's own rules; null where only a price is said. */
function entryFrom(figures: Figures): Ingredient | null {
  const { ingredientId, measured, label } = figures;
  const shipped = shippedCatalogue.find(ingredientId);
  try {
    if (label) {
      if (shipped)
        throw invalid('label', `${shipped.name} is in the catalogue already: give what you measured of it.`);
      const warning = warningFor(label.name);
      if (warning?.refuse) throw invalid('label.name', warning.why);
      if (isUnreadable(label.name))
        throw invalid(
          'label.name',
          'Write its name in Latin letters too: else nobody can say whether it is food.',
        );
      return ownEntry({ ...label, id: ingredientId });
    }
    if (!measured) return null;
    if (!shipped)
      throw invalid(
        'ingredientId',
        'There is no such ingredient in the catalogue to measure. Enter it from its label.',
      );
    return measuredEntry(shipped, measured);
  } catch (error) {
    if (error instanceof RangeError)
      throw invalid(label ? 'label' : 'measured', `${error.message}.`.replace(/\.\.$/, '.'));
    throw error;
  }
}

async function nextNumber(
  w: Writing,
  table: 'own_ingredient' | 'own_measure',
  ingredientId?: string,
): Promise<number> {
  const [row] = await rows<{ number: number | null }>(
    w.tx,
    `SELECT MAX(number) AS number FROM ${table} WHERE kitchen_id = ?${ingredientId === undefined ? '' : ' AND ingredient_id = ?'} FOR UPDATE`,
    ingredientId === undefined ? [w.kitchen.id] : [w.kitchen.id, ingredientId],
  );
  return Number(row?.number ?? 0) + 1;
}

/** A price said alone leaves what was measured or read off a label before it. */
async function withEarlier(w: Writing, said: Figures): Promise<Figures> {
  const { entered } = await ownCatalogue(w.tx, w.kitchen.id);
  const earlier = entered.find((e) => e.ingredientId === said.ingredientId);
  return { ...said, measured: earlier?.measured ?? null, label: earlier?.label ?? null };
}

/** Keeps what the kitchen knows of an ingredient. What is said newest counts; what was said before stays on the record. */
export async function enterOwn(w: Writing, body: z.output<typeof OwnFigures>): Promise<{ id: string }> {
  const { id, typical, ...said } = body;
  const figures = typical || said.measured || said.label ? said : await withEarlier(w, said);
  const entry = entryFrom(figures);
  const known = (await catalogueNow(w.tx, w.kitchen.id)).find(figures.ingredientId);
  if (!entry && !known)
    throw invalid('ingredientId', 'There is no such ingredient. Enter it from its label first.');
  if (typical && !entry && known?.own?.from === 'label')
    throw invalid(
      'typical',
      `${known.name} is your own, from its label: there are no typical figures of it.`,
    );
  if (!entry && figures.pricePerKgMinor === null && !typical)
    throw invalid('pricePerKgMinor', 'Give a measured figure, a label or a price.');
  await insert(w.tx, 'own_ingredient', {
    id,
    kitchen_id: w.kitchen.id,
    ingredient_id: figures.ingredientId,
    number: await nextNumber(w, 'own_ingredient', figures.ingredientId),
    entry: entry && JSON.stringify(entry),
    measured: figures.measured && JSON.stringify(figures.measured),
    label: figures.label && JSON.stringify(figures.label),
    price_per_kg_minor: figures.pricePerKgMinor,
    saved_at: toSql(w.now),
    saved_by: w.account.id,
  });
  await journal(w, 'ingredient', figures.ingredientId, 'enter', { ...figures, typical });
  return { id };
}

/** Keeps one of the kitchen's own measures; a newer one of the same name takes its place. */
export async function keepMeasure(w: Writing, body: z.output<typeof NewMeasure>): Promise<{ id: string }> {
  const { id, ...measure } = body;
  if (measure.ingredientId !== null && !(await catalogueNow(w.tx, w.kitchen.id)).find(measure.ingredientId))
    throw invalid('ingredientId', 'There is no such ingredient in the catalogue.');
  await insert(w.tx, 'own_measure', {
    id,
    kitchen_id: w.kitchen.id,
    number: await nextNumber(w, 'own_measure'),
    name: measure.name,
    ingredient_id: measure.ingredientId,
    grams: measure.ingredientId === null ? null : measure.grams,
    millilitres: measure.ingredientId === null ? measure.millilitres : null,
    retired: measure.retired,
    saved_at: toSql(w.now),
    saved_by: w.account.id,
  });
  await journal(w, 'measure', id, measure.retired ? 'retire' : 'keep', measure);
  return { id };
}

export function ingredientRouter(app: AppContext): void {
  serve(app, ingredientRoutes.own, ({ pool, kitchen }) => ownCatalogue(pool, kitchen.id));
  serve(app, ingredientRoutes.enter, (call) => call.write((w) => enterOwn(w, call.body)));
  serve(app, ingredientRoutes.measure, (call) => call.write((w) => keepMeasure(w, call.body)));
}
