import { type BrokenLot, type LotHead, type LotListQuery, lotRoutes } from '@inch/contract/making/lot';
import { keepPreviousData, useInfiniteQuery, useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { z } from 'zod';
import { call } from './api.ts';
import { keptInstruments } from './instruments.ts';
import { keys } from './keys.ts';
import { useWaiting } from './outbox/outbox.ts';
import { withWaiting } from './outbox/overlay.ts';

/** A lot by its code, as the server has it and with what waits on this device. */
export function useLot(code: string) {
  const waiting = useWaiting();
  const query = useQuery({
    queryKey: keys.one('lot', code),
    queryFn: () => call(lotRoutes.read, { params: { id: code } }),
    refetchInterval: 20_000,
  });
  const data = useMemo(
    () => query.data && withWaiting(query.data, waiting, keptInstruments()),
    [query.data, waiting],
  );
  return { ...query, data };
}

/** Every lot that is looked for, to its last page. @param told hears how many were read, after each page */
export async function everyLot(
  search: z.input<typeof LotListQuery>,
  told: (count: number) => void = () => {},
): Promise<{ lots: LotHead[]; broken: BrokenLot[] }> {
  const lots: LotHead[] = [];
  const broken: BrokenLot[] = [];
  let before: string | undefined;
  do {
    const page = await call(lotRoutes.list, {
      query: { ...search, limit: 200, ...(before ? { before } : {}) },
    });
    lots.push(...page.lots);
    broken.push(...page.broken);
    told(lots.length);
    before = page.next ?? undefined;
  } while (before);
  return { lots, broken };
}

/** Lots in hand, newest first: not ended, or with bottles that stand somewhere. */
export const useLotsOnHand = () =>
  useQuery({ queryKey: keys.list('lot'), queryFn: () => everyLot({ scope: 'on-hand' }) });

/** What Records asks for: words, a state, an order. */
export type LotSearch = Pick<z.input<typeof LotListQuery>, 'q' | 'state' | 'sort'>;

/** Every lot that is looked for, a page after another. */
export const useLotSearch = (search: LotSearch) =>
  useInfiniteQuery({
    queryKey: [...keys.list('lot'), 'search', search],
    queryFn: ({ pageParam }) =>
      call(lotRoutes.list, { query: { ...search, limit: 50, ...(pageParam ? { before: pageParam } : {}) } }),
    initialPageParam: null as string | null,
    getNextPageParam: (last) => last.next,
    placeholderData: keepPreviousData,
  });
