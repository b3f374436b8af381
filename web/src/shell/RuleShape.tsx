import type { ReactNode } from 'react';
import { type Place, places } from './places.ts';

/** Look of the rule: down the left edge; on a phone, along the bottom. */
export const ruleLook =
  'brushed no-print flex w-24 shrink-0 flex-col overflow-y-auto border-r border-steel pt-4 pb-3 max-sm:fixed max-sm:inset-x-0 max-sm:bottom-0 max-sm:z-30 max-sm:w-auto max-sm:h-14 max-sm:flex-row max-sm:overflow-hidden max-sm:border-t max-sm:border-r-0 max-sm:p-0';

/** Look of a place's name on it. */
export const placeLook =
  'relative flex h-[34px] items-center pl-2.5 text-sm font-semibold max-sm:h-14 max-sm:justify-center max-sm:px-0';

/** Look of the button that leads to the places a phone's bar has no room for. */
export const moreButton = (here: boolean): string =>
  `flex h-14 w-full items-center justify-center text-sm font-semibold ${here ? 'bg-rim text-on-rim' : 'text-ink'}`;

/** One place on the rule: its ticks, and what stands at them. */
export function RulePlace({
  place,
  several = false,
  children,
}: {
  place: Place;
  several?: boolean;
  children: ReactNode;
}) {
  return (
    <div
      className={`relative flex-[1_0_0] max-sm:flex-1 ${place.onPhone ? '' : 'max-sm:hidden'}`}
      style={{ maxHeight: several ? undefined : '5.5rem' }}
    >
      <span aria-hidden="true" className="ticks-along absolute inset-x-0 top-0 hidden h-2 max-sm:block" />
      <span aria-hidden="true" className="ticks absolute inset-x-0 top-[17px] h-full max-sm:hidden" />
      <div className="min-h-[4.25rem] max-sm:min-h-0">{children}</div>
    </div>
  );
}

/** The rule before anything is known: the names of its places. */
export function RuleShape() {
  return (
    <div aria-hidden="true" className={ruleLook}>
      {places.map((place) => (
        <RulePlace key={place.path} place={place}>
          <span className={`${placeLook} text-ink`}>{place.name}</span>
        </RulePlace>
      ))}
      <span className="hidden flex-1 max-sm:block">
        <span className={moreButton(false)}>More</span>
      </span>
    </div>
  );
}
