import { KIT_USES } from '@inch/core/formula';
import { VesselShape } from '@inch/core/pan';
import { Id, Name } from '@inch/core/value';
import { z } from 'zod';
import { route } from '../route/route.ts';
import { Written } from '../route/values.ts';

export const VesselMaterial = z.enum([
  'steel',
  'enamel',
  'glass',
  'ceramic',
  'aluminium',
  'copper',
  'plastic',
  'cloth',
]);

/** A pan is cooked in; a canner holds jars under boiling water; a blender, a drip bag and a crock part a batch that they do not hold. */
export const VesselUse = z.enum(['pan', 'canner', ...KIT_USES]);

export const Vessel = z.object({
  id: z.string(),
  name: z.string(),
  material: VesselMaterial,
  shape: VesselShape,
  use: VesselUse,
  holdsMl: z.number(),
  retired: z.boolean(),
  /** What the lots made in it showed: water boiled off in g a minute. */
  learned: z.object({ gramsPerMinute: z.number(), spread: z.number(), lots: z.number().int() }).nullable(),
});
export type Vessel = z.infer<typeof Vessel>;

export const NewVessel = z.object({
  id: Id,
  name: Name,
  material: VesselMaterial,
  shape: VesselShape,
  use: VesselUse.default('pan'),
});

export const vesselRoutes = {
  list: route({
    method: 'GET',
    revalidated: true,
    path: '/api/vessels',
    access: 'reader',
    summary: 'Pans and other vessels, with what each showed of its fire',
    response: z.array(Vessel),
  }),
  add: route({
    method: 'POST',
    path: '/api/vessels',
    access: 'maker',
    summary: 'Add a vessel by its measures or by poured volumes',
    body: NewVessel,
    response: Written,
  }),
  retire: route({
    method: 'POST',
    path: '/api/vessels/:id/retirement',
    status: 200,
    access: 'maker',
    summary: 'Retire a vessel, or restore it',
    params: z.object({ id: z.string().max(40) }),
    body: z.object({ retired: z.boolean() }),
    response: z.object({ id: z.string() }),
  }),
};
