import { exportRoutes, type Progress } from '@inch/contract/export';
import { useQuery } from '@tanstack/react-query';
import { ApiProblem, call } from './api.ts';
import { keys } from './keys.ts';

const EVERY_MS = 700;

/** Asks how far something is; that it has not begun yet is no fault. */
const readProgress = async (id: string): Promise<Progress | null> => {
  try {
    return await call(exportRoutes.progress, { params: { id } });
  } catch (error) {
    if (error instanceof ApiProblem && error.status === 404) return null;
    throw error;
  }
};

/** How far something is that was begun with an id; null before it says so, or where nothing was begun. */
export function useProgress(id: string | null): Progress | null {
  const { data } = useQuery({
    queryKey: keys.one('progress', id ?? ''),
    queryFn: () => readProgress(id!),
    enabled: id !== null,
    gcTime: 0,
    refetchInterval: (query) => (query.state.data?.ended ? false : EVERY_MS),
  });
  return data ?? null;
}
