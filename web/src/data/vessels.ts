import { vesselRoutes } from '@inch/contract/vessel';
import { useQuery } from '@tanstack/react-query';
import { call } from './api.ts';
import { keys } from './keys.ts';

export const useVessels = () =>
  useQuery({ queryKey: keys.list('vessel'), queryFn: () => call(vesselRoutes.list) });
