import { PAPERS, type Paper } from '@inch/core/label';
import { z } from 'zod';
import { route } from './route.ts';
import { Id, Name, Written } from './values.ts';

const byId = z.object({ id: z.string().max(40) });

const mm = (least: number, most: number, ask: string) =>
  z.number(ask).min(least, `${ask} From ${least} to ${most}.`).max(most, `${ask} From ${least} to ${most}.`);
const papers = Object.keys(PAPERS) as [Paper, ...Paper[]];

export const SheetMeasures = z.strictObject({
  paper: z.enum(papers, `Which paper? One of: ${papers.join(', ')}.`),
  rows: z.int('How many rows? A whole number.').min(1, 'At least one row.').max(40, 'At most 40 rows.'),
  columns: z
    .int('How many columns? A whole number.')
    .min(1, 'At least one column.')
    .max(20, 'At most 20 columns.'),
  leftMm: mm(0, 200, 'How far from the left edge, mm?'),
  topMm: mm(0, 280, 'How far from the top edge, mm?'),
  acrossMm: mm(0, 100, 'How much between columns, mm?'),
  downMm: mm(0, 100, 'How much between rows, mm?'),
  labelWidthMm: mm(5, 300, 'How wide is a label, mm?'),
  labelHeightMm: mm(5, 300, 'How high is a label, mm?'),
  round: z.boolean(),
  shiftXMm: mm(-10, 10, 'By how much are prints moved to the right, mm?').default(0),
  shiftYMm: mm(-10, 10, 'By how much are prints moved down, mm?').default(0),
});
export type SheetMeasures = z.infer<typeof SheetMeasures>;

const LabelSheet = z.object({
  id: z.string(),
  name: z.string(),
  measures: SheetMeasures.required(),
  revision: z.number().int(),
  retired: z.boolean(),
});
export type LabelSheet = z.infer<typeof LabelSheet>;
export const NewLabelSheet = z.strictObject({ id: Id, name: Name, measures: SheetMeasures });

export const labelSheetRoutes = {
  list: route({
    method: 'GET',
    revalidated: true,
    path: '/api/label-sheets',
    access: 'reader',
    summary: 'Sheets of blank labels by their measures',
    response: z.array(LabelSheet),
  }),
  add: route({
    method: 'POST',
    path: '/api/label-sheets',
    access: 'maker',
    summary: 'Add a sheet by its rows, columns, margins and gaps',
    body: NewLabelSheet,
    response: Written,
  }),
  change: route({
    method: 'PATCH',
    path: '/api/label-sheets/:id',
    access: 'maker',
    summary: 'Correct a sheet, or set right what the printer is off by',
    params: byId,
    body: z.strictObject({ name: Name, measures: SheetMeasures, revision: z.int().min(1) }),
    response: z.object({ id: z.string(), revision: z.number().int() }),
  }),
  retire: route({
    method: 'POST',
    status: 200,
    path: '/api/label-sheets/:id/retirement',
    access: 'maker',
    summary: 'Take a sheet out of use, or back into it',
    params: byId,
    body: z.strictObject({ retired: z.boolean() }),
    response: z.object({ id: z.string() }),
  }),
  calibrationPage: route({
    method: 'GET',
    path: '/api/label-sheets/:id/calibration.pdf',
    access: 'reader',
    summary: 'A page that shows what the printer is off by',
    params: byId,
    response: z.unknown(),
    media: 'application/pdf',
  }),
};
