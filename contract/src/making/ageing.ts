import { Aged, AgeingEvidence, DRIFTING } from '@inch/core/ageing';
import { LotState, WhyPart } from '@inch/core/lot';
import { z } from 'zod';
import { bodyOf } from '../route/entry.ts';
import { route } from '../route/route.ts';
import { Written } from '../route/values.ts';

const byId = z.object({ id: z.string().max(40) });
const byFigure = <T extends z.ZodType>(schema: T) => z.record(z.enum(DRIFTING), schema);

/** Lots that share stock or the day of filling with one, the newest first. */
export const SiblingPage = z.object({
  siblings: z.array(z.object({ code: z.string(), name: z.string(), by: z.string() })),
  /** How many there are in all. */
  total: z.number().int(),
  /** `before` of the next page; null where this is the last. */
  next: z.string().nullable(),
});
export type SiblingPage = z.infer<typeof SiblingPage>;

/** How the bottles kept back of a lot and of its formula age, and why it has its date. */
export const AgeingView = z.object({
  lot: z.object({ code: z.string(), name: z.string(), colour: z.string(), state: LotState }),
  evidence: AgeingEvidence,
  /** Figures of all lots of the formula at their ages. */
  points: byFigure(z.array(Aged)),
  why: z.array(WhyPart),
  /** The newest lots that share stock or the day of filling with it. */
  siblings: SiblingPage.shape.siblings,
  nextLooks: z.array(z.object({ on: z.string(), opened: z.boolean(), until: z.string().nullable() })),
});
export type AgeingView = z.infer<typeof AgeingView>;

const PlaceTemperature = z.object({
  id: z.string(),
  instrument: z.string(),
  place: z.string(),
  samples: z.array(z.object({ at: z.string(), celsius: z.number() })),
  at: z.string(),
  by: z.string(),
});
export type PlaceTemperature = z.infer<typeof PlaceTemperature>;

export const ageingRoutes = {
  read: route({
    method: 'GET',
    path: '/api/lots/:id/ageing',
    access: 'reader',
    summary: 'How bottles kept back of a lot and its formula age, and why the lot has its date',
    params: byId,
    response: AgeingView,
  }),
  siblings: route({
    method: 'GET',
    path: '/api/lots/:id/siblings',
    access: 'reader',
    summary: 'Lots that share stock or the day of filling with a lot, the newest first',
    params: byId,
    query: z.object({
      before: z.string().max(40).optional(),
      limit: z.coerce.number().int().min(1).max(200).default(50),
    }),
    response: SiblingPage,
  }),
  sheet: route({
    method: 'GET',
    path: '/api/lots/:id/why-this-date.pdf',
    access: 'reader',
    summary: 'Why a lot has its date, on one page',
    params: byId,
    response: z.unknown(),
    media: 'application/pdf',
  }),
  temperatures: route({
    method: 'GET',
    revalidated: true,
    path: '/api/place-temperatures',
    access: 'reader',
    summary: 'How warm it was where bottles stand, the newest first',
    query: z.object({ place: z.string().max(60).optional() }),
    response: z.array(PlaceTemperature),
  }),
  addTemperature: route({
    method: 'POST',
    path: '/api/instruments/:id/place-temperatures',
    access: 'maker',
    summary: 'Record how warm it was where bottles stand: one reading, or a logger’s file',
    params: byId,
    body: bodyOf('place-temperature'),
    response: Written,
  }),
};
