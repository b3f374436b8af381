import { spreadsheetRoutes } from '@inch/contract/kitchen/spreadsheet';
import { keepPreviousData, useInfiniteQuery, useQuery } from '@tanstack/react-query';
import { call } from './api.ts';
import { keys } from './keys.ts';

/** Spreadsheets that were brought in. */
export const useSpreadsheets = () =>
  useQuery({ queryKey: keys.list('spreadsheet'), queryFn: () => call(spreadsheetRoutes.list) });

/** Lots from before this program, a page after another. */
export const useEarlierLots = (q: string) =>
  useInfiniteQuery({
    queryKey: [...keys.list('earlier-lot'), q],
    queryFn: ({ pageParam }) =>
      call(spreadsheetRoutes.lots, {
        query: { ...(q ? { q } : {}), ...(pageParam ? { before: pageParam } : {}) },
      }),
    initialPageParam: null as string | null,
    getNextPageParam: (last) => last.next,
    placeholderData: keepPreviousData,
  });
