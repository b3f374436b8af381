import { exportRoutes, type Progress } from '@inch/contract/kitchen/export';
import { useQuery } from '@tanstack/react-query';
import { call } from './api.ts';
import { keys } from './keys.ts';

const EVERY_MS = 700;

/** How far something is that was begun with an id; null before it says so, or where nothing was begun. */
export function useProgress(id: string | null): Progress | null {
  const { data } = useQuery({
    queryKey: keys.one('progress', id ?? ''),
    queryFn: () => call(exportRoutes.progress, { params: { id: id! } }),
    enabled: id !== null,
    gcTime: 0,
    refetchInterval: (query) => (query.state.data?.ended ? false : EVERY_MS),
  });
  return data ?? null;
}
