import { formulaRoutes } from '@inch/contract/making/formula';
import { useInfiniteQuery, useQuery } from '@tanstack/react-query';
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

/** Formulas in use. */
export const useFormulas = () =>
  useQuery({ queryKey: keys.list('formula'), queryFn: () => call(formulaRoutes.list) });

const PAGE = 50;

/** Archived formulas, a page after another. */
export const useArchived = (enabled: boolean) =>
  useInfiniteQuery({
    queryKey: [...keys.list('formula'), 'archived'],
    queryFn: ({ pageParam }) =>
      call(formulaRoutes.list, {
        query: { archived: 'true', limit: PAGE, ...(pageParam ? { before: pageParam } : {}) },
      }),
    initialPageParam: null as string | null,
    getNextPageParam: (last) => (last.length === PAGE ? last.at(-1)!.id : null),
    enabled,
  });
