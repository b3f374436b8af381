import { SheetMeasures } from '@inch/core/label';
import { Id, Name } from '@inch/core/value';
import { z } from 'zod';
import { route } from '../route/route.ts';
import { Written } from '../route/values.ts';

const byId = z.object({ id: z.string().max(40) });

export const LabelSheet = z.object({
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
