import { type Instrument, instrumentRoutes } from '@inch/contract/making/instrument';
import { useQuery } from '@tanstack/react-query';
import { call, queryClient } from './api.ts';
import { keys } from './keys.ts';

export const useInstruments = () =>
  useQuery({ queryKey: keys.list('instrument'), queryFn: () => call(instrumentRoutes.list) });

/** The instruments as they were last read: which of them correct by themselves. */
export const keptInstruments = (): Instrument[] =>
  queryClient.getQueryData<Instrument[]>(keys.list('instrument')) ?? [];
