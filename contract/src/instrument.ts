import { z } from 'zod';
import { route } from './route.ts';
import { happened, Id, Name, Written } from './values.ts';

export const InstrumentKind = z.enum(['refractometer', 'ph-meter', 'thermometer', 'scale']);
const BufferPoint = z.object({
  buffer: z.number().min(1).max(13),
  mv: z.number().min(-600, 'Millivolts run from −600 to 600.').max(600, 'Millivolts run from −600 to 600.'),
  celsius: z.number().min(0, 'Not under 0 °C.').max(40, 'At most 40 °C.'),
});

export const Calibration = z.object({
  id: z.string(),
  at: z.string(),
  by: z.string(),
  points: z.array(BufferPoint),
  slopePercent: z.number(),
  offsetMv: z.number(),
  low: z.enum(['checked', 'failed', 'missing']),
  accepted: z.boolean(),
  reason: z.string(),
});
/** A check of an instrument that has no buffers. */
export const CheckKind = z.enum(['water', 'weight', 'ice', 'boil']);
export const InstrumentCheck = z.object({
  id: z.string(),
  at: z.string(),
  by: z.string(),
  kind: CheckKind,
  weightGrams: z.number().nullable(),
  read: z.number(),
  expected: z.number(),
  accepted: z.boolean(),
  reason: z.string(),
});
export const Instrument = z.object({
  id: z.string(),
  kind: InstrumentKind,
  name: z.string(),
  compensated: z.boolean(),
  calibratedToday: z.boolean(),
  calibrations: z.array(Calibration),
  checks: z.array(InstrumentCheck),
  /** Whether a reading taken now would count, and where not, why. */
  counts: z.boolean(),
  whyNot: z.string().nullable(),
  /** Day from which it wants checking again; null where it has never been, or was refused. */
  dueOn: z.string().nullable(),
});
export type Instrument = z.infer<typeof Instrument>;

const byId = z.object({ id: z.string().max(40) });
export const NewInstrument = z.object({
  id: Id,
  kind: InstrumentKind,
  name: Name,
  compensated: z.boolean().default(false),
});
export const NewCalibration = z.object({
  id: Id,
  points: z.array(BufferPoint).min(2, 'Two buffers at least: 7.00 and 4.01.').max(6),
  ...happened,
});

export const NewCheck = z.object({
  id: Id,
  kind: CheckKind,
  read: z.number().min(-100).max(200_000),
  weightGrams: z.number().gt(0, 'Over 0 g.').max(50_000, 'At most 50 kg.').nullable().default(null),
  ...happened,
});

export const instrumentRoutes = {
  list: route({
    method: 'GET',
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
    body: NewCalibration,
    response: z.object({ id: z.string(), accepted: z.boolean(), reason: z.string() }),
  }),
  check: route({
    method: 'POST',
    path: '/api/instruments/:id/checks',
    access: 'maker',
    summary:
      'Check a refractometer on water, a scale on a known weight, a thermometer in ice or boiling water',
    params: byId,
    body: NewCheck,
    response: z.object({ id: z.string(), accepted: z.boolean(), reason: z.string() }),
  }),
};
