import { Id, Why } from '@inch/core/value';
import { z } from 'zod';
import { route } from '../route/route.ts';
import { Written } from '../route/values.ts';

/** What lots are made with, and can be held. */
export const SOURCES = ['stock', 'instrument', 'vessel', 'process'] as const;

/** Something that lots are made with, held: nothing made with it leaves. */
export const SourceHold = z.object({
  id: z.string(),
  noun: z.enum(SOURCES),
  subjectId: z.string(),
  /** What it is called: S12 Sugar. */
  name: z.string(),
  recalled: z.boolean(),
  why: z.string(),
  at: z.string(),
  by: z.string(),
  lifted: z.object({ at: z.string(), by: z.string(), why: z.string() }).nullable(),
  /** Codes of the lots that it went into, however far. */
  lots: z.array(z.string()),
});
export type SourceHold = z.infer<typeof SourceHold>;

export const NewSourceHold = z.strictObject({
  id: Id,
  noun: z.enum(SOURCES, 'A stock lot, an instrument, a pan or a heat process?'),
  subjectId: z.string().min(1, 'Which one?').max(60),
  /** Called back by its supplier or maker, and not only held here. */
  recalled: z.boolean().default(false),
  why: Why,
});

export const sourceHoldRoutes = {
  list: route({
    method: 'GET',
    revalidated: true,
    path: '/api/source-holds',
    access: 'reader',
    summary: 'What is held of what lots are made with, the newest first, with the lots it went into',
    response: z.array(SourceHold),
  }),
  hold: route({
    method: 'POST',
    path: '/api/source-holds',
    access: 'maker',
    summary:
      'Hold or call back a stock lot, an instrument, a pan or a heat process: all that was made with it is held',
    body: NewSourceHold,
    response: Written,
  }),
  lift: route({
    method: 'POST',
    path: '/api/source-holds/:id/lifting',
    access: 'owner',
    summary: 'Lift a hold, with the reason; the lots that it held are resumed one by one',
    params: z.object({ id: z.string().max(40) }),
    body: z.strictObject({ id: Id, why: Why }),
    response: Written,
  }),
};
