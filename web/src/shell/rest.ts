import { useLocation } from 'react-router';
import { places } from './places.ts';

/** Those places, and the one that is on show. */
export function useRest() {
  const { pathname } = useLocation();
  const rest = places.filter((place) => !place.onPhone);
  return { rest, here: rest.find((place) => pathname.startsWith(place.path)) };
}
