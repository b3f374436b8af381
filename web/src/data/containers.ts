import { containerRoutes } from '@inch/contract/making/container';
import { useQuery } from '@tanstack/react-query';
import { call } from './api.ts';
import { keys } from './keys.ts';

export const useContainers = () =>
  useQuery({ queryKey: keys.list('container'), queryFn: () => call(containerRoutes.list) });
