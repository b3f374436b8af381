import { PastLot, Want } from '@inch/core/planning';
import { Id, Instant, Name } from '@inch/core/value';
import { z } from 'zod';
import { route } from '../route/route.ts';
import { Day, Written } from '../route/values.ts';

/** One lot of a making: its size, and the lot once it is begun. */
const Part = z.object({
  id: z.string().min(1).max(40),
  scale: z.number().gt(0, 'A number over 0.').max(100, 'At most a hundredfold.'),
  /** Filled by the server when it is begun; what a client sends here is not taken. */
  lot: z.object({ id: z.string(), code: z.string() }).nullable().default(null),
});

/** A product of a plan, parted into lots. */
export const PlanItem = z.object({
  id: z.string().min(1).max(40),
  formulaId: Id,
  want: Want,
  /** Kind of bottle or jar it is filled into. */
  containerId: Id.nullable().default(null),
  /** Price a bottle it is to be sold at, and a bought one beside it, minor units. */
  priceMinor: z.number().int().min(0).max(10_000_000).nullable().default(null),
  bought: z
    .object({
      name: z.string().trim().max(60).default(''),
      priceMinor: z.number().int().min(0).max(10_000_000),
      millilitres: z.number().gt(0, 'A number over 0.').max(20_000),
      waterParts: z.number().min(0).max(100),
    })
    .nullable()
    .default(null),
  parts: z.array(Part).max(20, 'At most 20 lots of one product.'),
});

/** A step laid on the hours. */
export const LaidPlanStep = z.object({
  partId: z.string().min(1).max(40),
  stepId: z.string().min(1).max(60),
  title: z.string().max(160),
  kind: z.string().max(20),
  from: Instant,
  to: Instant,
  attended: z.boolean(),
});

export const PlanContent = z.object({
  name: Name,
  /** Day by which all is to stand ready; null for as early as can be. */
  due: Day.nullable(),
  items: z.array(PlanItem).max(20, 'At most 20 products in one plan.'),
  steps: z.array(LaidPlanStep).max(1000, 'At most 1,000 steps.'),
});

export const Plan = PlanContent.extend({
  id: z.string(),
  revision: z.number().int(),
  done: z.boolean(),
  savedAt: z.string(),
  savedBy: z.string(),
});
export type Plan = z.infer<typeof Plan>;

export const NewPlan = z.object({ id: Id, content: PlanContent });
export const PlanChange = z.object({
  content: PlanContent,
  done: z.boolean().default(false),
  revision: z.number().int(),
});
export const NewStart = z.object({ id: Id, partId: z.string().min(1).max(40), revision: z.number().int() });

const byId = z.object({ id: z.string().max(40) });

export const planRoutes = {
  list: route({
    method: 'GET',
    revalidated: true,
    path: '/api/plans',
    access: 'reader',
    summary: 'Plans, the open ones first, then the newest; `before` is the last plan of the page before',
    query: z.object({
      before: Id.optional(),
      limit: z.coerce
        .number()
        .int('A whole number.')
        .min(1, 'At least one.')
        .max(200, 'At most 200.')
        .default(200),
    }),
    response: z.array(Plan),
  }),
  read: route({
    method: 'GET',
    path: '/api/plans/:id',
    access: 'reader',
    summary: 'One plan',
    params: byId,
    response: Plan,
  }),
  create: route({
    method: 'POST',
    path: '/api/plans',
    access: 'maker',
    summary: 'Begin a plan',
    body: NewPlan,
    response: Written,
  }),
  change: route({
    method: 'PATCH',
    path: '/api/plans/:id',
    access: 'maker',
    summary: 'Change a plan; a stale revision is refused with 409',
    params: byId,
    body: PlanChange,
    response: Plan,
  }),
  start: route({
    method: 'POST',
    path: '/api/plans/:id/starts',
    access: 'maker',
    summary: 'Begin one of its lots at its planned size',
    params: byId,
    body: NewStart,
    response: z.object({ id: Id, code: z.string() }),
  }),
  calendar: route({
    method: 'GET',
    path: '/api/plans/:id/plan.ics',
    access: 'reader',
    summary: 'Its steps as a calendar file with alarms; taken in again it changes the same events',
    params: byId,
    response: z.unknown(),
    media: 'text/calendar',
  }),
  past: route({
    method: 'GET',
    path: '/api/past-lots',
    access: 'reader',
    summary: 'What past lots gave: yields, losses, minutes, the oldest first',
    response: z.array(PastLot),
  }),
};
