import { formulaRoutes } from '@inch/contract/formula';
import { useQuery } from '@tanstack/react-query';
import { call } from './api.ts';
import { keys } from './keys.ts';

/** The last lots of a formula that were measured; none while it is new or not read yet. */
export const useMeasuredLots = (formulaId: string | undefined) =>
  useQuery({
    queryKey: keys.one('past-lot', formulaId ?? ''),
    queryFn: () => call(formulaRoutes.measured, { params: { id: formulaId! } }),
    enabled: formulaId !== undefined,
  }).data;

/** The last lots of a formula as forecast and as measured; none while it is new or not read yet. */
export const useLotPairs = (formulaId: string | undefined) =>
  useQuery({
    queryKey: [...keys.one('past-lot', formulaId ?? ''), 'pairs'],
    queryFn: () => call(formulaRoutes.pairs, { params: { id: formulaId! } }),
    enabled: formulaId !== undefined,
  }).data;

export const useFormulas = () =>
  useQuery({ queryKey: keys.list('formula'), queryFn: () => call(formulaRoutes.list) });
