import { type BrokenLot, type LotHead, lotRoutes } from '@inch/contract/lot';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { call } from './api.ts';
import { keys } from './keys.ts';
import { useWaiting } from './outbox/outbox.ts';
import { withWaiting } from './outbox/overlay.ts';
import { keptInstruments } from './queries.ts';

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

/** Every lot of the kitchen, newest first, fetched a page after another. */
async function allLots(): Promise<{ lots: LotHead[]; broken: BrokenLot[] }> {
  const lots: LotHead[] = [];
  const broken: BrokenLot[] = [];
  let before: string | undefined;
  do {
    const page = await call(lotRoutes.list, { query: { limit: 200, ...(before ? { before } : {}) } });
    lots.push(...page.lots);
    broken.push(...page.broken);
    before = page.next ?? undefined;
  } while (before);
  return { lots, broken };
}

export const useLots = () => useQuery({ queryKey: keys.list('lot'), queryFn: allLots });
