import { type Plan, planRoutes } from '@inch/contract/plan';
import { useQuery } from '@tanstack/react-query';
import { call } from '../data/api.ts';
import { keys } from '../data/keys.ts';
import { useWrite } from '../data/useWrite.ts';

export const usePlan = (id: string) =>
  useQuery({ queryKey: keys.one('plan', id), queryFn: () => call(planRoutes.read, { params: { id } }) });

type Content = Pick<Plan, 'name' | 'due' | 'items' | 'steps'>;

/** Saves a change of a plan, on top of what was read of it: a change made elsewhere meanwhile is told, not overwritten. */
export function useChangePlan(plan: Plan, options: { done?: string; after?: () => void } = {}) {
  return useWrite(
    'plan',
    (change: Partial<Content> & { done?: boolean }) => {
      const { done = plan.done, ...part } = change;
      const { name, due, items, steps } = { ...plan, ...part };
      return call(planRoutes.change, {
        params: { id: plan.id },
        body: { content: { name, due, items, steps }, done, revision: plan.revision },
      });
    },
    options,
  );
}
