import { accountRoutes } from '@inch/contract/account';
import { containerRoutes } from '@inch/contract/container';
import { formulaRoutes } from '@inch/contract/formula';
import { heatProcessRoutes, type OwnProcess } from '@inch/contract/heatProcess';
import { type Instrument, instrumentRoutes } from '@inch/contract/instrument';
import { planRoutes } from '@inch/contract/plan';
import { stockRoutes } from '@inch/contract/stock';
import { type TodayView, todayRoutes } from '@inch/contract/today';
import { vesselRoutes } from '@inch/contract/vessel';
import { useQuery } from '@tanstack/react-query';
import { call, queryClient } from './api.ts';
import { keys } from './keys.ts';
import { learnServerClock } from './serverClock.ts';

async function readToday(): Promise<TodayView> {
  const askedAt = Date.now();
  const today = await call(todayRoutes.read);
  learnServerClock(today.now, askedAt);
  return today;
}

/** What is read of the kitchen as a whole: one query a noun. */
export const useToday = (refetchInterval: number | false = false) =>
  useQuery({ queryKey: keys.all('today'), queryFn: readToday, refetchInterval });
export const useFormulas = () =>
  useQuery({ queryKey: keys.list('formula'), queryFn: () => call(formulaRoutes.list) });
export const useInstruments = () =>
  useQuery({ queryKey: keys.list('instrument'), queryFn: () => call(instrumentRoutes.list) });
export const useVessels = () =>
  useQuery({ queryKey: keys.list('vessel'), queryFn: () => call(vesselRoutes.list) });
export const useContainers = () =>
  useQuery({ queryKey: keys.list('container'), queryFn: () => call(containerRoutes.list) });
export const useStock = () =>
  useQuery({ queryKey: keys.list('stock'), queryFn: () => call(stockRoutes.list) });
/** Stock lots that are used up, the newest first. */
export const useUsedUpStock = (wanted: boolean) =>
  useQuery({
    queryKey: [...keys.list('stock'), 'used up'],
    queryFn: () => call(stockRoutes.list, { query: { used: 'up', limit: 200 } }),
    enabled: wanted,
  });
/** One stock lot with everything that ever went of it. */
export const useStockHistory = (id: string) =>
  useQuery({
    queryKey: keys.one('stock', id),
    queryFn: () => call(stockRoutes.read, { params: { id } }),
  });
export const usePacks = () =>
  useQuery({ queryKey: keys.list('pack'), queryFn: () => call(stockRoutes.packs) });
export const usePlans = () => useQuery({ queryKey: keys.list('plan'), queryFn: () => call(planRoutes.list) });
export const usePast = () =>
  useQuery({ queryKey: keys.list('past-lot'), queryFn: () => call(planRoutes.past) });
export const useAccounts = () =>
  useQuery({ queryKey: keys.list('account'), queryFn: () => call(accountRoutes.list) });

const NONE: OwnProcess[] = [];
/** Heat processes of the kitchen's own; none until they are read. */
export const useOwnProcesses = (): OwnProcess[] =>
  useQuery({ queryKey: keys.list('heat-process'), queryFn: () => call(heatProcessRoutes.list) }).data ?? NONE;

/** The instruments as they were last read: which of them correct by themselves. */
export const keptInstruments = (): Instrument[] =>
  queryClient.getQueryData<Instrument[]>(keys.list('instrument')) ?? [];
