import { type Sale, type SaleQuery, saleRoutes } from '@inch/contract/kitchen/sale';
import { keepPreviousData, useInfiniteQuery } from '@tanstack/react-query';
import type { z } from 'zod';
import { call } from './api.ts';
import { keys } from './keys.ts';

/** What Sales asks for: words, days. */
export type SaleSearch = Pick<z.input<typeof SaleQuery>, 'q' | 'from' | 'until'>;

/** Sales, a page after another. */
export const useSales = (search: SaleSearch) =>
  useInfiniteQuery({
    queryKey: [...keys.list('sale'), search],
    queryFn: ({ pageParam }) =>
      call(saleRoutes.list, { query: { ...search, ...(pageParam ? { before: pageParam } : {}) } }),
    initialPageParam: null as string | null,
    getNextPageParam: (last) => last.next,
    placeholderData: keepPreviousData,
  });

/** Every sale that is looked for, to the last page. @param told hears how many were read, after each page */
export async function everySale(search: SaleSearch, told: (count: number) => void): Promise<Sale[]> {
  const sales: Sale[] = [];
  for (let before: string | null = ''; before !== null; ) {
    const page: { sales: Sale[]; next: string | null } = await call(saleRoutes.list, {
      query: { ...search, limit: 200, ...(before ? { before } : {}) },
    });
    sales.push(...page.sales);
    told(sales.length);
    before = page.next;
  }
  return sales;
}
