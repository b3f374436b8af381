import { recordedOf } from '@inch/core/record';
import { Id, Name } from '@inch/core/value';
import { z } from 'zod';
import { bodyOf } from '../route/entry.ts';
import { route } from '../route/route.ts';
import { Written } from '../route/values.ts';

export const InstrumentKind = z.enum([
  'refractometer',
  'ph-meter',
  'thermometer',
  'scale',
  'hydrometer',
  'water-activity-meter',
]);
export const Instrument = z.object({
  id: z.string(),
  kind: InstrumentKind,
  name: z.string(),
  compensated: z.boolean(),
  /** Temperature that a hydrometer was made for, °C; null for any other. */
  madeForCelsius: z.number().nullable(),
  retired: z.boolean(),
  calibratedToday: z.boolean(),
  calibrations: z.array(recordedOf('calibration')),
  checks: z.array(recordedOf('check')),
  /** Whether a reading taken now would count, and where not, why. */
  counts: z.boolean(),
  whyNot: z.string().nullable(),
  /** Day from which it needs checking again; null where it has never been, or was refused. */
  dueOn: z.string().nullable(),
});
export type Instrument = z.infer<typeof Instrument>;

const byId = z.object({ id: z.string().max(40) });
export const NewInstrument = z.object({
  id: Id,
  kind: InstrumentKind,
  name: Name,
  compensated: z.boolean().default(false),
  madeForCelsius: z.number().min(4, 'Not under 4 °C.').max(40, 'At most 40 °C.').nullable().default(null),
});
export const instrumentRoutes = {
  list: route({
    method: 'GET',
    revalidated: true,
    path: '/api/instruments',
    access: 'reader',
    summary: 'Instruments with their last calibrations',
    response: z.array(Instrument),
  }),
  add: route({
    method: 'POST',
    path: '/api/instruments',
    access: 'maker',
    summary: 'Add an instrument',
    body: NewInstrument,
    response: Written,
  }),
  calibrate: route({
    method: 'POST',
    path: '/api/instruments/:id/calibrations',
    access: 'maker',
    summary: 'Calibrate a pH meter on its buffers',
    params: byId,
    body: bodyOf('calibration'),
    response: z.object({ id: z.string(), accepted: z.boolean(), reason: z.string() }),
  }),
  check: route({
    method: 'POST',
    path: '/api/instruments/:id/checks',
    access: 'maker',
    summary:
      'Check a refractometer or hydrometer on water, a scale on a known weight, a thermometer in ice or boiling water, a water activity meter on salt',
    params: byId,
    body: bodyOf('check'),
    response: z.object({ id: z.string(), accepted: z.boolean(), reason: z.string() }),
  }),
  retire: route({
    method: 'POST',
    path: '/api/instruments/:id/retirement',
    status: 200,
    access: 'maker',
    summary: 'Retire an instrument, or restore it; what was recorded with it keeps it',
    params: z.object({ id: z.string().max(40) }),
    body: z.object({ retired: z.boolean() }),
    response: z.object({ id: z.string() }),
  }),
};
