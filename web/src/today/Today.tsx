import type { TodayView } from '@inch/contract/kitchen/today';
import { liveRoutes } from '@inch/contract/route/live';
import { plural } from '@inch/core/quantity';
import { useDeferredValue } from 'react';
import { Link } from 'react-router';
import { urlOf } from '../data/address.ts';
import { useToday } from '../data/today.ts';
import { useNow } from '../data/useNow.ts';
import { LotLinks } from '../parts/trace/HoldSource.tsx';
import { buttonLook } from '../ui/Button.tsx';
import { clockTime, dayMonth, kitchenDay, longDay } from '../ui/dates.ts';
import { minutesInWords } from '../ui/format.ts';
import { Empty, Ruled, Sheet } from '../ui/Sheet.tsx';
import { Fruit, State } from '../ui/State.tsx';
import { Unread } from '../ui/Unread.tsx';
import { DayRule } from './DayRule.tsx';

type Due = TodayView['due'][number];
const GROUPS = [
  { when: 'now', title: 'Now' },
  { when: 'next', title: 'Next' },
  { when: 'later', title: 'Later' },
] as const;

const sameDay = (a: string, b: string) => kitchenDay(a) === kitchenDay(b);

function whenSaid(due: Due, now: string): string {
  if (!due.at) return due.lot ? 'when ready' : 'today';
  if (sameDay(due.at, now)) return clockTime(due.at);
  return due.at < now ? `since ${dayMonth(due.at)}` : dayMonth(due.at);
}

function inWords(due: Due, now: string): string | null {
  if (due.when !== 'next' || !due.at) return null;
  return `in ${minutesInWords(Math.max(1, (Date.parse(due.at) - Date.parse(now)) / 60_000))}`;
}

const actionPath = (due: Due) =>
  due.action.part
    ? `/${due.action.place}/${due.action.part}`
    : `/${due.action.place}${due.lot && due.action.place !== 'shelf' ? `/${due.lot.code}` : ''}`;

function DueRow({ due, now, first }: { due: Due; now: string; first: boolean }) {
  return (
    <li className="flex items-center gap-4 border-b border-steel-line py-2.5 max-sm:flex-wrap max-sm:gap-x-3">
      <span className="figure w-24 shrink-0 text-right text-[17px] font-bold max-sm:w-auto">
        {whenSaid(due, now)}
      </span>
      <span className="w-3 shrink-0">{due.lot && <Fruit colour={due.lot.colour} />}</span>
      <span className="min-w-0 flex-1 max-sm:order-last max-sm:basis-full">
        <span className="block text-[17px] leading-snug font-semibold">{due.title}</span>
        <span className="block text-sm text-ink-2">
          {due.lot && <span className="figure">{due.lot.code} </span>}
          {due.detail}
        </span>
      </span>
      {inWords(due, now) && <span className="figure text-ink-2 max-sm:ml-auto">{inWords(due, now)}</span>}
      <Link
        to={actionPath(due)}
        className={buttonLook({ tone: first ? 'main' : 'plain' }, 'max-sm:ml-auto')}
        aria-label={`${due.action.label}: ${due.title}${due.lot ? `, lot ${due.lot.code}` : ''}`}
      >
        {due.action.label}
      </Link>
    </li>
  );
}

const obstaclePath = ({ title, lot }: TodayView['obstacles'][number]): string =>
  title === 'Held'
    ? `/bottling/${lot.code}`
    : title === 'Recalled'
      ? `/records/${lot.code}`
      : `/shelf/${lot.code}`;

function Sources({ today }: { today: TodayView }) {
  if (today.sources.length === 0) return null;
  return (
    <Ruled title="Held, and what it went into" className="mb-7">
      <ul>
        {today.sources.map((source) => (
          <li key={source.id} className="border-b border-steel-line py-2.5">
            <State tone="stop">
              {source.name} {source.recalled ? 'called back' : 'held'}
            </State>
            <span className="block text-sm text-ink-2">{source.why}</span>
            <span className="block text-sm">
              {source.lots.length === 0 ? (
                <span className="text-ink-2">No lot was made with it.</span>
              ) : (
                <>
                  {plural(source.lots.length, 'lot')}: <LotLinks codes={source.lots} />
                </>
              )}
            </span>
          </li>
        ))}
      </ul>
    </Ruled>
  );
}

function Obstacles({ today }: { today: TodayView }) {
  if (today.obstacles.length === 0) return <p className="py-3 text-ink-2">No problems.</p>;
  return (
    <ul>
      {today.obstacles.map((o) => (
        <li key={o.lot.code + o.title} className="border-b border-steel-line">
          <Link to={obstaclePath(o)} className="flex gap-3 py-2.5 hover:text-link">
            <span className="figure w-14 shrink-0 pt-1 font-bold">{o.lot.code}</span>
            <span>
              <State tone={o.level}>{o.title}</State>
              <span className="block text-sm text-ink-2">
                {o.lot.name}: {o.detail}
              </span>
            </span>
          </Link>
        </li>
      ))}
    </ul>
  );
}

/** Lots that were released before today's rules: each with what they would ask, for a person to settle. */
function EarlierRules({ today }: { today: TodayView }) {
  if (today.earlierRules.length === 0) return null;
  return (
    <Ruled title="Released under earlier rules" className="mt-7">
      <p className="py-2 text-sm text-ink-2">
        They stay on sale. Today’s rules would ask for more: measure again, shorten the date, hold, or keep
        them as they are with your reason.
      </p>
      <ul>
        {today.earlierRules.map((lot) => (
          <li key={lot.code} className="border-t border-steel-line">
            <Link to={`/bottling/${lot.code}/release`} className="flex gap-3 py-2.5 hover:text-link">
              <span className="figure w-14 shrink-0 font-bold">{lot.code}</span>
              <span className="min-w-0">
                <span className="block font-semibold">{lot.name}</span>
                {lot.asked.map((gate) => (
                  <span key={gate.question} className="block text-sm text-ink-2">
                    {gate.missing}
                  </span>
                ))}
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </Ruled>
  );
}

function summary(today: TodayView): string {
  const now = today.due.filter((d) => d.when === 'now').length;
  const stove = today.bars.length;
  return `${plural(now, 'thing')} now, ${plural(stove, 'lot')} on the stove, ${plural(today.obstacles.length, 'problem')}`;
}

/** What needs a hand now, next and later: one list by urgency, each with its one action. */
export function Today() {
  const { data, error, refetch } = useToday();
  // Drawn in slices, so that a slow device answers a finger meanwhile.
  const today = useDeferredValue(data);
  const now = useNow(15_000);
  if (!today) return <Unread error={error} retry={refetch} />;
  const first = today.due[0]?.id;
  return (
    <Sheet>
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h1>{longDay(now)}</h1>
        <p className="text-ink-2">{summary(today)}</p>
        {today.due.some((d) => d.at !== null && d.at > now) && (
          <a
            href={urlOf(liveRoutes.calendar.path)}
            download="inch-pantry.ics"
            className="ml-auto text-sm text-link underline"
          >
            Calendar file of what is due
          </a>
        )}
      </div>
      <div className="mt-3">
        <DayRule today={today} now={now} />
      </div>
      <div className="mt-5 grid gap-8 lg:grid-cols-[1fr_22rem]">
        <div>
          {today.due.length === 0 && (
            <Empty title="Nothing to do">
              Design a product at{' '}
              <Link className="text-link underline" to="/formulas">
                Formulas
              </Link>
              , then start a lot at{' '}
              <Link className="text-link underline" to="/stove">
                Stove
              </Link>
              .
            </Empty>
          )}
          {GROUPS.map(({ when, title }) => {
            const items = today.due.filter((d) => d.when === when);
            return items.length === 0 ? null : (
              <Ruled key={when} title={title} className="mb-5">
                <ul>
                  {items.map((due) => (
                    <DueRow key={due.id} due={due} now={now} first={due.id === first} />
                  ))}
                </ul>
              </Ruled>
            );
          })}
        </div>
        <div className="lg:border-l lg:border-steel-line lg:pl-7">
          <Sources today={today} />
          <Ruled title="Problems">
            <Obstacles today={today} />
          </Ruled>
          <EarlierRules today={today} />
        </div>
      </div>
    </Sheet>
  );
}
