import type { TodayView } from '@inch/contract/today';
import { Link, NavLink, useLocation } from 'react-router';
import { LoadedMenu } from './LoadedMenu.tsx';
import { places } from './places.ts';
import { moreButton, useRest } from './rest.ts';

/** Where a pennant leads: to the lot where its work is. */
const lotPath = (code: string, state: string) =>
  `/${state === 'making' || state === 'planned' ? 'stove' : 'bottling'}/${code}`;

function Pennant({ lot }: { lot: TodayView['open'][number] }) {
  const notch = 'polygon(0 0, 100% 0, 100% 100%, 0 100%, 6px 50%)';
  return (
    <Link
      to={lotPath(lot.code, lot.state)}
      aria-label={`Lot ${lot.code}, ${lot.name}, ${lot.state}`}
      title={`${lot.name}, ${lot.state}`}
      className="block w-[46px] py-[3px]"
    >
      <span
        className="figure block h-[18px] pr-1.5 text-right text-[11px] leading-[18px] font-bold text-white"
        style={{ background: lot.colour, clipPath: notch }}
      >
        {lot.code}
      </span>
    </Link>
  );
}

/** The ticks of one place on the steel: a long one at its name, seven short ones below. */
function Ticks() {
  return (
    <span aria-hidden="true" className="pointer-events-none absolute inset-0">
      {[0, 1, 2, 3, 4, 5, 6, 7].map((i) => (
        <span
          key={i}
          className="absolute right-0 h-[1.5px]"
          style={{
            top: `calc(17px + ${i * 12.5}%)`,
            width: i === 0 ? 20 : i === 4 ? 14 : 9,
            background: i === 0 ? 'var(--ink)' : 'var(--steel)',
          }}
        />
      ))}
    </span>
  );
}

const loadMore = async () => (await import('./MoreMenu.tsx')).MoreMenu;

/** The places that a phone's bottom bar has no room for. */
function More() {
  const { here } = useRest();
  return (
    <div className="hidden flex-1 max-sm:block">
      <LoadedMenu load={loadMore} className={moreButton(here !== undefined)} name={here?.name ?? 'More'} />
    </div>
  );
}

/** The steel rule down the left edge: the places in the order of the work, with the open lots hung where they stand. */
export function Rule({ open }: { open: TodayView['open'] }) {
  const { pathname } = useLocation();
  return (
    <nav
      aria-label="Places"
      className="brushed no-print flex w-24 shrink-0 flex-col overflow-y-auto border-r border-steel pt-4 pb-3 max-sm:fixed max-sm:inset-x-0 max-sm:bottom-0 max-sm:z-30 max-sm:w-auto max-sm:h-14 max-sm:flex-row max-sm:overflow-hidden max-sm:border-t max-sm:border-r-0 max-sm:p-0"
    >
      {places.map((place) => {
        const here = place.path === '/' ? pathname === '/' : pathname.startsWith(place.path);
        const lots = open.filter((lot) => place.states.includes(lot.state));
        return (
          <div
            key={place.path}
            className={`relative flex-[1_0_0] max-sm:flex-1 ${place.onPhone ? '' : 'max-sm:hidden'}`}
            style={{ maxHeight: lots.length > 1 ? undefined : '5.5rem' }}
          >
            <span
              aria-hidden="true"
              className="pointer-events-none absolute inset-x-0 top-0 hidden h-2 max-sm:block"
              style={{
                background: 'repeating-linear-gradient(90deg, var(--ink) 0 1.5px, transparent 1.5px 11px)',
              }}
            />
            <span className="max-sm:hidden">
              <Ticks />
            </span>
            <div className="min-h-[4.25rem] max-sm:min-h-0">
              <NavLink
                to={place.path}
                className={`relative flex h-[34px] items-center pl-2.5 text-sm font-semibold max-sm:h-14 max-sm:justify-center max-sm:px-0 ${here ? 'bg-rim text-on-rim sm:ml-1 sm:[clip-path:polygon(0_0,calc(100%-10px)_0,100%_50%,calc(100%-10px)_100%,0_100%)]' : 'text-ink hover:text-link'}`}
              >
                {place.name}
              </NavLink>
              {lots.length > 0 && (
                <ul className="relative flex flex-col items-end pb-1 max-sm:hidden">
                  {lots.map((lot) => (
                    <li key={lot.code}>
                      <Pennant lot={lot} />
                    </li>
                  ))}
                </ul>
              )}
            </div>
          </div>
        );
      })}
      <More />
    </nav>
  );
}
