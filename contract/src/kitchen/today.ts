import { DayBar, DueItem, LotTag, Obstacle } from '@inch/core/planning';
import { z } from 'zod';
import { route } from '../route/route.ts';

export const TodayView = z.object({
  now: z.string(),
  due: z.array(DueItem),
  obstacles: z.array(Obstacle),
  /** What lots are made with and is held, each with the lots that it went into. */
  sources: z.array(
    z.object({
      id: z.string(),
      name: z.string(),
      recalled: z.boolean(),
      why: z.string(),
      lots: z.array(z.string()),
    }),
  ),
  /** Lots released under earlier rules that nobody settled yet, each with what today's rules would ask. */
  earlierRules: z.array(
    LotTag.extend({ asked: z.array(z.object({ question: z.string(), missing: z.string() })) }),
  ),
  bars: z.array(DayBar),
  clocks: z.array(
    z.object({
      code: z.string(),
      colour: z.string(),
      step: z.string(),
      stepId: z.string(),
      startedAt: z.string(),
      elapsedSeconds: z.number(),
      leftSeconds: z.number().nullable(),
      /** Where it goes by its pan and not by the clock: seconds to its mark, an 80 % interval; no upper end where it may never get there. */
      mark: z.object({ low: z.number(), high: z.number().nullable() }).nullable(),
      /** Where it is looked after: a load of the canner at the bottling. */
      place: z.enum(['stove', 'bottling']),
      /** What is to be done again and again while it runs, and when next. */
      prompt: z.object({ words: z.string(), dueAt: z.string() }).nullable(),
    }),
  ),
  open: z.array(LotTag.extend({ state: z.string() })),
});
export type TodayView = z.infer<typeof TodayView>;

export const todayRoutes = {
  read: route({
    method: 'GET',
    path: '/api/today',
    access: 'reader',
    summary: 'What is due, problems, clocks and open lots',
    response: TodayView,
  }),
};
