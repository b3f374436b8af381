import { useLocation } from 'react-router';
import { places } from './places.ts';

/** Look of the button that leads to the places a phone's bar has no room for. */
export const moreButton = (here: boolean): string =>
  `flex h-14 w-full items-center justify-center text-sm font-semibold ${here ? 'bg-rim text-on-rim' : 'text-ink'}`;

/** Those places, and the one that is on show. */
export function useRest() {
  const { pathname } = useLocation();
  const rest = places.filter((place) => !place.onPhone);
  return { rest, here: rest.find((place) => pathname.startsWith(place.path)) };
}
