import type { TodayView } from '@inch/contract/kitchen/today';
import { Link } from 'react-router';
import { useNow } from '../data/useNow.ts';
import { between, duration } from '../ui/format.ts';
import { Fruit } from '../ui/State.tsx';
import { shownMark, shownSeconds } from './clock.ts';

/** The running clocks, in sight on every screen. */
export function Clocks({ today }: { today: TodayView }) {
  const now = useNow();
  return (
    <ul className="flex items-center max-sm:-ml-2" aria-label="Running clocks">
      {today.clocks.slice(0, 3).map((clock) => {
        const seconds = shownSeconds(clock, today.now, now);
        const mark = shownMark(clock, today.now, now);
        const over = mark ? mark.low < 0 : clock.leftSeconds !== null && seconds < 0;
        return (
          <li
            key={clock.stepId}
            className="border-l border-steel-line px-3 max-sm:first:border-l-0 max-sm:px-2"
          >
            <Link to={`/${clock.place}/${clock.code}`} className="flex items-center gap-2" title={clock.step}>
              <Fruit colour={clock.colour} size={11} />
              <span className="figure text-sm text-ink-2">{clock.code}</span>
              <span className={`figure text-xl font-bold max-sm:text-base ${over ? 'text-hold' : ''}`}>
                {over && !mark && <span className="sr-only">over by </span>}
                {mark ? between(mark.low, mark.high) : duration(seconds)}
              </span>
            </Link>
          </li>
        );
      })}
    </ul>
  );
}
