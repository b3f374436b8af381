import { type TodayView, todayRoutes } from '@inch/contract/kitchen/today';
import { useQuery } from '@tanstack/react-query';
import { call } from './api.ts';
import { keys } from './keys.ts';
import { learnServerClock } from './serverClock.ts';

async function readToday(): Promise<TodayView> {
  const askedAt = Date.now();
  const today = await call(todayRoutes.read);
  learnServerClock(today.now, askedAt);
  return today;
}

/** What is due, and the open lots. */
export const useToday = (refetchInterval: number | false = false) =>
  useQuery({ queryKey: keys.all('today'), queryFn: readToday, refetchInterval });
