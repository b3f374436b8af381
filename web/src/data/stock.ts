import { stockRoutes } from '@inch/contract/kitchen/stock';
import { useQuery } from '@tanstack/react-query';
import { call } from './api.ts';
import { keys } from './keys.ts';

export const useStock = () =>
  useQuery({ queryKey: keys.list('stock'), queryFn: () => call(stockRoutes.list) });
/** Stock lots that are used up, the newest first. */
export const useUsedUpStock = (wanted: boolean) =>
  useQuery({
    queryKey: [...keys.list('stock'), 'used up'],
    queryFn: () => call(stockRoutes.list, { query: { used: 'up', limit: 200 } }),
    enabled: wanted,
  });
/** One stock lot with everything that ever went of it. */
export const useStockHistory = (id: string) =>
  useQuery({
    queryKey: keys.one('stock', id),
    queryFn: () => call(stockRoutes.read, { params: { id } }),
  });
export const usePacks = () =>
  useQuery({ queryKey: keys.list('pack'), queryFn: () => call(stockRoutes.packs) });
