import { FormulaContent, FormulaKind } from '@inch/core/formula';
import { OwnMeasure } from '@inch/core/quantity';
import { Colour, Name, Words } from '@inch/core/value';
import { z } from 'zod';
import { route } from '../route/route.ts';
import { OwnFigures } from './ingredient.ts';

/** What a formula uses of its kitchen's own: entries as they were entered, from a label or measured, and measures. */
const FileOwn = z.object({
  figures: z
    .array(z.object(OwnFigures.pick({ ingredientId: true, measured: true, label: true }).shape))
    .max(100)
    .default([]),
  measures: z.array(OwnMeasure).max(100).default([]),
});
export type FileOwn = z.infer<typeof FileOwn>;

/** One formula as an open file: what a version holds, with nothing of the kitchen it came from but its own entries. */
export const FormulaFile = z.object({
  format: z.literal('inch-pantry formula', 'It does not say "format": "inch-pantry formula".'),
  version: z.literal(1, 'Only version 1 of the file is known.'),
  name: Name,
  kind: FormulaKind,
  colour: Colour,
  note: Words.default(''),
  content: FormulaContent,
  own: FileOwn.default({ figures: [], measures: [] }),
});
export type FormulaFile = z.infer<typeof FormulaFile>;

/** The published JSON Schema of a formula file. */
export const formulaFileSchema = (): Record<string, unknown> => ({
  ...z.toJSONSchema(FormulaFile, { io: 'input' }),
  title: 'Inch Pantry formula, version 1',
});

export const formulaFileRoutes = {
  schema: route({
    method: 'GET',
    path: '/api/schemas/formula.json',
    access: 'anyone',
    summary: 'The JSON Schema of a formula file',
    response: z.record(z.string(), z.unknown()),
  }),
};
