import { type LotHead, lotRoutes } from '@inch/contract/lot';
import { useQuery } from '@tanstack/react-query';
import { call } from '../app/api.ts';

/** A lot by its code, read again every so often: another device may be writing to it. */
export function useLot(code: string) {
  return useQuery({
    queryKey: ['lot', code],
    queryFn: () => call(lotRoutes.read, { params: { id: code } }),
    refetchInterval: 20_000,
  });
}

/** Every lot of the kitchen, newest first, fetched a page after another. */
async function allLots(): Promise<{ lots: LotHead[] }> {
  const lots: LotHead[] = [];
  let before: string | undefined;
  do {
    const page = await call(lotRoutes.list, { query: { limit: 200, ...(before ? { before } : {}) } });
    lots.push(...page.lots);
    before = page.next ?? undefined;
  } while (before);
  return { lots };
}

export const useLots = () => useQuery({ queryKey: ['lots'], queryFn: allLots });
