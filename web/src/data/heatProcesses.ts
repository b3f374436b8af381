import { heatProcessRoutes, type OwnProcess } from '@inch/contract/making/heatProcess';
import { useQuery } from '@tanstack/react-query';
import { call } from './api.ts';
import { keys } from './keys.ts';

const NONE: OwnProcess[] = [];
/** Heat processes of the kitchen's own; none until they are read. */
export const useOwnProcesses = (): OwnProcess[] =>
  useQuery({ queryKey: keys.list('heat-process'), queryFn: () => call(heatProcessRoutes.list) }).data ?? NONE;
