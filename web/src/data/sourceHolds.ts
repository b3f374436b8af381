import { type SourceHold, sourceHoldRoutes } from '@inch/contract/kitchen/sourceHold';
import { useQuery } from '@tanstack/react-query';
import { call } from './api.ts';
import { keys } from './keys.ts';

export const useSourceHolds = () =>
  useQuery({ queryKey: keys.list('source-hold'), queryFn: () => call(sourceHoldRoutes.list) });

/** The hold of something that lots are made with, which stands; null where it is not held. */
export function useHoldOf(noun: SourceHold['noun'], subjectId: string): SourceHold | null {
  const { data } = useSourceHolds();
  return data?.find((h) => h.noun === noun && h.subjectId === subjectId && h.lifted === null) ?? null;
}
