import { Allergen, Family, Ingredient } from '@inch/core/ingredient';
import { OwnMeasure } from '@inch/core/quantity';
import { Id, Name } from '@inch/core/value';
import { z } from 'zod';
import { route } from '../route/route.ts';
import { Day, Written } from '../route/values.ts';

const figure = (low: number, high: number, what: string) =>
  z
    .number(`${what} is a number.`)
    .min(low, `${what} is not under ${low}.`)
    .max(high, `${what} is not over ${high}.`)
    .optional();

/** Own figures of this fruit this year; what is left out stays typical. */
export const MeasuredFigures = z
  .object({
    brix: figure(0, 70, 'Sugar in °Bx'),
    ph: figure(1.5, 6, 'pH'),
    taPer100g: figure(0.05, 12, 'Acid in g per 100 g'),
    /** Of tap water, mg of calcium carbonate per litre. */
    alkalinity: figure(0, 500, 'Alkalinity in mg per litre'),
    on: Day,
  })
  .refine(({ on: _, ...figures }) => Object.values(figures).some((value) => value !== undefined), {
    message: 'Give at least one measured figure.',
    path: ['brix'],
  });

/** What a label or a supplier says of a thing that is not in the catalogue. */
export const LabelFigures = z.object({
  name: Name,
  labelName: Name,
  family: Family,
  sugars: z.number('Sugars are a number of grams per 100 g.').min(0).max(100),
  water: figure(0, 100, 'Water in g per 100 g'),
  acetic: figure(0, 30, 'Acetic acid in g per 100 g'),
  alcohol: figure(0, 80, 'Alcohol in g per 100 g'),
  ph: figure(1.5, 9, 'pH'),
  taPer100g: figure(0.05, 12, 'Acid in g per 100 g'),
  gramsPerMl: figure(0.03, 2, 'A weight in g per mL'),
  /** Those that its pack names; empty where it names none, null where nobody read it yet. */
  allergens: z.array(Allergen).max(15).nullable().default(null),
  source: z.string().trim().min(2, 'Say where the figures come from.').max(300),
  on: Day,
});

/** What the kitchen itself knows of an ingredient: figures, a price, or both. The newest counts; none is ever changed. */
export const OwnFigures = z.object({
  id: Id,
  /** Of the catalogue; a new one for a thing that is not in it. */
  ingredientId: z
    .string()
    .min(1)
    .max(60)
    .regex(/^[a-z0-9-]+$/, 'Small letters, digits and dashes.'),
  measured: MeasuredFigures.nullable().default(null),
  label: LabelFigures.nullable().default(null),
  pricePerKgMinor: z.number().int().min(0).max(100_000_000).nullable().default(null),
  /** What was measured counts no more: typical figures again. Without it a price alone leaves the figures as they are. */
  typical: z.boolean().default(false),
});

export const NewMeasure = z
  .object({
    id: Id,
    name: z
      .string()
      .trim()
      .toLowerCase()
      .min(1, 'What do you call it?')
      .max(40)
      .regex(/^[\p{L}][\p{L}\s'-]*$/u, 'Letters only, as you say it: mug, capful, cup.'),
    ingredientId: z.string().max(60).nullable().default(null),
    grams: z.number().gt(0, 'Over 0 g.').max(20_000).nullable().default(null),
    millilitres: z.number().gt(0, 'Over 0 mL.').max(20_000).nullable().default(null),
    retired: z.boolean().default(false),
  })
  .refine((m) => m.retired || (m.ingredientId === null ? m.millilitres !== null : m.grams !== null), {
    message: 'Say what it holds in mL, or what it weighs of one ingredient in g.',
    path: ['millilitres'],
  });

/** The kitchen's own part of its catalogue. */
export const OwnCatalogue = z.object({
  ingredients: z.array(Ingredient),
  measures: z.array(OwnMeasure),
  prices: z.record(z.string(), z.number()),
  /** What was entered, newest first, to be entered again. */
  entered: z.array(
    z.object({
      ingredientId: z.string(),
      measured: MeasuredFigures.nullable(),
      label: LabelFigures.nullable(),
      pricePerKgMinor: z.number().nullable(),
      savedAt: z.string(),
      savedBy: z.string(),
    }),
  ),
});
export type OwnCatalogue = z.infer<typeof OwnCatalogue>;

export const ingredientRoutes = {
  own: route({
    method: 'GET',
    path: '/api/ingredients/own',
    access: 'reader',
    summary: 'The kitchen\u2019s own ingredients, measures and prices',
    response: OwnCatalogue,
  }),
  enter: route({
    method: 'POST',
    path: '/api/ingredients/own',
    access: 'maker',
    summary: 'Enter an ingredient from its label, as measured, or its price',
    body: OwnFigures,
    response: Written,
  }),
  measure: route({
    method: 'POST',
    path: '/api/measures',
    access: 'maker',
    summary: 'Keep a measure of the kitchen\u2019s own, learned from one weighing',
    body: NewMeasure,
    response: Written,
  }),
};
