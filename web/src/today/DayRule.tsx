import type { TodayView } from '@inch/contract/kitchen/today';
import { plural } from '@inch/core/quantity';
import { useEffect, useRef } from 'react';
import { Link } from 'react-router';
import { clockTime, hourOnRule, instantAt, kitchenDay, kitchenHour } from '../ui/dates.ts';

const HOURS = 16;
/** So many lots are drawn: what is due below them stays in sight. */
const MOST_BARS = 8;

/** The first hour drawn: six in the morning, unless it is night. */
function firstHour(now: string): number {
  const hour = kitchenHour(now);
  return hour < 6 ? 0 : hour >= 21 ? 8 : 6;
}

/** Hours from the beginning of the kitchen's day to an instant, over its end where it lies later. */
const hourOf = (instant: string, midnight: number): number => (Date.parse(instant) - midnight) / 3_600_000;

type Bar = TodayView['bars'][number];

function Segments({ bar, start, day }: { bar: Bar; start: number; day: number }) {
  const place = (instant: string) =>
    Math.min(100, Math.max(0, ((hourOf(instant, day) - start) / HOURS) * 100));
  return (
    <Link
      to={`/stove/${bar.code}`}
      aria-label={`${bar.code}: ${bar.segments.map((s) => s.title).join(', ')}`}
      className="relative block h-8"
    >
      {bar.segments.map((segment) => {
        const [left, right] = [place(segment.from), place(segment.to)];
        if (right - left < 0.15) return null;
        const filled = segment.state !== 'planned';
        return (
          <span
            key={segment.title + segment.from}
            title={`${bar.code} ${segment.title}, ${clockTime(segment.from)} to ${clockTime(segment.to)}, ${segment.state}`}
            className="absolute top-0.5 block h-7 overflow-hidden rounded-[5px] border-2 px-1.5 text-[13px] leading-6 font-semibold text-ellipsis whitespace-nowrap"
            style={{
              left: `${left}%`,
              width: `${right - left}%`,
              borderColor: bar.colour,
              background: filled ? bar.colour : 'var(--enamel)',
              color: filled ? '#fff' : 'var(--ink)',
            }}
          >
            {right - left > 3.4 ? segment.title : ''}
          </span>
        );
      })}
    </Link>
  );
}

function Steel({ start }: { start: number }) {
  return (
    <div
      aria-hidden="true"
      className="relative h-14 rounded border border-steel bg-gradient-to-b from-[var(--steel-low)] via-[var(--steel-high)] to-[var(--steel-low)]"
    >
      {Array.from({ length: HOURS * 4 + 1 }, (_, i) => (
        <span
          key={i}
          className="absolute top-0 w-px bg-ink"
          style={{
            left: `calc(1% + ${(i / (HOURS * 4)) * 98}%)`,
            height: i % 4 === 0 ? 24 : i % 2 === 0 ? 14 : 8,
            width: i % 4 === 0 ? 1.5 : 1,
          }}
        />
      ))}
      {Array.from({ length: HOURS }, (_, i) => (
        <span
          key={i}
          className="figure absolute top-7 text-[15px] font-bold"
          style={{ left: `calc(1% + ${(i / HOURS) * 98}% + 5px)` }}
        >
          {hourOnRule(start + i, i === 0)}
        </span>
      ))}
    </div>
  );
}

/** The day as a steel rule: what each lot in the making does when, and where now is. */
export function DayRule({ today, now }: { today: TodayView; now: string }) {
  const day = Date.parse(instantAt(kitchenDay(now), '00:00'));
  const start = firstHour(now);
  const at = ((hourOf(now, day) - start) / HOURS) * 100;
  const box = useRef<HTMLDivElement>(null);
  // Where the whole day does not fit, it opens at now.
  useEffect(() => {
    if (box.current)
      box.current.scrollLeft = (box.current.scrollWidth * at) / 100 - box.current.clientWidth / 2;
  }, [at]);
  return (
    <div ref={box} className="overflow-x-auto">
      <div className="relative min-w-[640px] pt-6">
        <div className="mx-[1%]">
          {today.bars.slice(0, MOST_BARS).map((bar) => (
            <div key={bar.code} className="relative">
              <Segments bar={bar} start={start} day={day} />
            </div>
          ))}
          {today.bars.length > MOST_BARS && (
            <p className="py-1 text-sm">
              <Link to="/stove" className="text-link underline">
                {plural(today.bars.length - MOST_BARS, 'more lot')} on the stove
              </Link>
            </p>
          )}
          {today.bars.length === 0 && <p className="pb-3 text-ink-2">Nothing is on the stove.</p>}
        </div>
        <div className="mt-2">
          <Steel start={start} />
        </div>
        <div aria-hidden="true" className="pointer-events-none absolute inset-y-0 right-[1%] left-[1%]">
          <div className="absolute inset-y-0 w-[2.5px] -translate-x-1/2 bg-rim" style={{ left: `${at}%` }} />
          <div
            className="absolute top-0 -translate-x-1/2 bg-rim px-2 pb-1 text-[13px] font-bold text-on-rim [clip-path:polygon(0_0,100%_0,100%_75%,50%_100%,0_75%)]"
            style={{ left: `${at}%` }}
          >
            {clockTime(now)}
          </div>
        </div>
      </div>
    </div>
  );
}
