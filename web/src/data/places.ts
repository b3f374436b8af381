import { placeRoutes } from '@inch/contract/kitchen/place';
import { kindByName, type PlaceKind, placeNames } from '@inch/core/place';
import { useQuery } from '@tanstack/react-query';
import { call } from './api.ts';
import { keys } from './keys.ts';

export const usePlacesSaid = () =>
  useQuery({ queryKey: keys.list('place'), queryFn: () => call(placeRoutes.list) });

/** What a place is: as the kitchen said last, or by its name; null where neither says it. */
export function useKindOf(): (place: string) => { kind: PlaceKind | null; said: boolean } {
  const said = usePlacesSaid().data ?? [];
  const of = placeNames(said);
  return (place) => {
    const kind = said.findLast((p) => p.kind !== null && of(p.name) === of(place))?.kind ?? null;
    return { kind: kind ?? kindByName(place), said: kind !== null };
  };
}
