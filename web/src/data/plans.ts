import { planRoutes } from '@inch/contract/kitchen/plan';
import { useQuery } from '@tanstack/react-query';
import { call } from './api.ts';
import { keys } from './keys.ts';

export const usePlans = () => useQuery({ queryKey: keys.list('plan'), queryFn: () => call(planRoutes.list) });
export const usePast = () =>
  useQuery({ queryKey: keys.list('past-lot'), queryFn: () => call(planRoutes.past) });
