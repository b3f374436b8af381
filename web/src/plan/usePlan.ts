import { type Plan, type PlanChange, planRoutes } from '@inch/contract/kitchen/plan';
import { useQuery } from '@tanstack/react-query';
import type { z } from 'zod';
import { call, queryClient } from '../data/api.ts';
import { keys } from '../data/keys.ts';
import { useWrite } from '../data/useWrite.ts';

export const usePlan = (id: string) =>
  useQuery({ queryKey: keys.one('plan', id), queryFn: () => call(planRoutes.read, { params: { id } }) });

type Content = Pick<Plan, 'name' | 'due' | 'items' | 'steps'>;

/** What is sent of a plan with a part of it changed, on top of what was read. */
export function changeOf(
  plan: Plan,
  change: Partial<Content> & { done?: boolean },
): z.input<typeof PlanChange> {
  const { done = plan.done, ...part } = change;
  const { name, due, items, steps } = { ...plan, ...part };
  return { content: { name, due, items, steps }, done, revision: plan.revision };
}

/** Saves a change of a plan, on top of what was read of it: a change made elsewhere meanwhile is told, not overwritten. */
export function useChangePlan(plan: Plan, options: { done?: string; after?: () => void } = {}) {
  return useWrite(
    'plan',
    (change: Partial<Content> & { done?: boolean }) =>
      call(planRoutes.change, { params: { id: plan.id }, body: changeOf(plan, change) }),
    options,
  );
}

/** Puts a product that was removed back where it stood, into the plan as it is by then. */
export function usePutBack(plan: Plan) {
  return useWrite('plan', ({ item, at }: { item: Plan['items'][number]; at: number }) => {
    const now = queryClient.getQueryData<Plan>(keys.one('plan', plan.id)) ?? plan;
    const body = changeOf(now, { items: now.items.toSpliced(at, 0, item) });
    return call(planRoutes.change, { params: { id: plan.id }, body });
  });
}
