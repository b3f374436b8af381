import { CLOSURES, tooSmall } from '@inch/core/bottling';
import { Id, Name } from '@inch/core/value';
import { z } from 'zod';
import { route } from '../route/route.ts';
import { Written } from '../route/values.ts';
import { ProcessMethod } from './heatProcess.ts';

const fields = {
  name: Name,
  nominalMl: z.number().gt(0).max(20_000),
  heightMm: z.number().gt(0).max(1000),
  diameterMm: z.number().gt(0).max(500),
  closure: z.enum(CLOSURES),
};
/** What may be measured of it later: filled to the brim, empty, from the rim down to the fill line; what its maker made it for. */
const measures = {
  brimfulMl: z.number().gt(0, 'Over 0 mL.').max(25_000).nullable().default(null),
  tareGrams: z.number().gt(0, 'Over 0 g.').max(10_000).nullable().default(null),
  headspaceInches: z.number().gt(0, 'Over 0 in.').max(6, 'At most 6 in.').nullable().default(null),
  rated: z.array(ProcessMethod).max(2).default([]),
  /** Its faces, for the label: flat sides are measured across (its diameter) and through (its depth). */
  shape: z.enum(['round', 'flat-sided']).default('round'),
  depthMm: z.number().gt(0, 'Over 0 mm.').max(500).nullable().default(null),
  /** Height of the straight wall, without shoulder and neck. */
  wallMm: z.number().gt(0, 'Over 0 mm.').max(1000).nullable().default(null),
};
export const Container = z.object({
  id: z.string(),
  ...fields,
  brimfulMl: z.number().nullable(),
  tareGrams: z.number().nullable(),
  headspaceInches: z.number().nullable(),
  rated: z.array(ProcessMethod),
  shape: z.enum(['round', 'flat-sided']),
  depthMm: z.number().nullable(),
  wallMm: z.number().nullable(),
  retired: z.boolean(),
});
export type Container = z.infer<typeof Container>;
const roomOver = {
  path: ['brimfulMl'],
  message: 'Filled to the brim it holds more than what is sold in it.',
};
const measured = z.object({ ...fields, ...measures });
function fits(c: z.output<typeof measured>, ctx: z.RefinementCtx): void {
  if (c.brimfulMl !== null && c.brimfulMl <= c.nominalMl) ctx.addIssue({ code: 'custom', ...roomOver });
  const why = tooSmall(c, c.nominalMl);
  if (why) ctx.addIssue({ code: 'custom', path: ['diameterMm'], message: why });
}
export const NewContainer = measured.extend({ id: Id }).superRefine(fits);
export const FileContainer = measured.extend({ key: z.string().min(1).max(60) }).superRefine(fits);
export const ContainerMeasures = z.object(measures);

export const containerRoutes = {
  list: route({
    method: 'GET',
    revalidated: true,
    path: '/api/containers',
    access: 'reader',
    summary: 'Kinds of bottle and jar',
    response: z.array(Container),
  }),
  add: route({
    method: 'POST',
    path: '/api/containers',
    access: 'maker',
    summary: 'Add a kind of bottle or jar',
    body: NewContainer,
    response: Written,
  }),
  measure: route({
    method: 'POST',
    path: '/api/containers/:id/measures',
    access: 'maker',
    summary: 'Enter brimful volume, tare, headspace and what it is made for',
    params: z.object({ id: z.string().max(40) }),
    body: ContainerMeasures,
    response: z.object({ id: z.string() }),
  }),
  retire: route({
    method: 'POST',
    path: '/api/containers/:id/retirement',
    status: 200,
    access: 'maker',
    summary: 'Retire a kind of bottle, or restore it; what was recorded with it keeps it',
    params: z.object({ id: z.string().max(40) }),
    body: z.object({ retired: z.boolean() }),
    response: z.object({ id: z.string() }),
  }),
};
