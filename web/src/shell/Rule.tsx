import type { TodayView } from '@inch/contract/kitchen/today';
import { Link, NavLink, useLocation } from 'react-router';
import { LoadedMenu } from './LoadedMenu.tsx';
import { places } from './places.ts';
import { moreButton, placeLook, RulePlace, ruleLook } from './RuleShape.tsx';
import { useRest } from './rest.ts';

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

const loadMore = async () => (await import('./MoreMenu.tsx')).MoreMenu;

function More() {
  const { here } = useRest();
  return (
    <div className="hidden flex-1 max-sm:block">
      <LoadedMenu load={loadMore} className={moreButton(here !== undefined)} name={here?.name ?? 'More'} />
    </div>
  );
}

/** So many pennants hang at a place; the rest are at the place itself, so that every place stays in reach. */
const MOST_HUNG = 5;

/** The steel rule down the left edge: the places in the order of the work, with the open lots hung where they stand. */
export function Rule({ open }: { open: TodayView['open'] }) {
  const { pathname } = useLocation();
  return (
    <nav aria-label="Places" className={ruleLook}>
      {places.map((place) => {
        const here = place.path === '/' ? pathname === '/' : pathname.startsWith(place.path);
        const lots = open.filter((lot) => place.states.includes(lot.state));
        return (
          <RulePlace key={place.path} place={place} several={lots.length > 1}>
            <NavLink
              to={place.path}
              className={`${placeLook} ${here ? 'bg-rim text-on-rim sm:ml-1 sm:[clip-path:polygon(0_0,calc(100%-10px)_0,100%_50%,calc(100%-10px)_100%,0_100%)]' : 'text-ink hover:text-link'}`}
            >
              {place.name}
            </NavLink>
            {lots.length > 0 && (
              <ul className="relative flex flex-col items-end pb-1 max-sm:hidden">
                {lots.slice(0, MOST_HUNG).map((lot) => (
                  <li key={lot.code}>
                    <Pennant lot={lot} />
                  </li>
                ))}
                {lots.length > MOST_HUNG && (
                  <li className="figure pr-1.5 text-[11px] font-bold">
                    <Link
                      to={place.path}
                      aria-label={`${lots.length - MOST_HUNG} more lots, at ${place.name}`}
                    >
                      +{lots.length - MOST_HUNG}
                    </Link>
                  </li>
                )}
              </ul>
            )}
          </RulePlace>
        );
      })}
      <More />
    </nav>
  );
}
