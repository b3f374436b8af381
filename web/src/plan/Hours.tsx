import type { Plan } from '@inch/contract/kitchen/plan';
import { planRoutes } from '@inch/contract/kitchen/plan';
import { instantOf } from '@inch/core/calendar';
import { HANDS, panResource } from '@inch/core/planning';
import { useMemo, useState } from 'react';
import { urlOf } from '../data/address.ts';
import type { Planning } from '../data/planning.ts';
import { serverNow } from '../data/serverClock.ts';
import { useMayWrite } from '../data/session.tsx';
import { Button, buttonLook } from '../ui/Button.tsx';
import { dayAndTime, dayMonthYear } from '../ui/dates.ts';
import { Empty } from '../ui/Sheet.tsx';
import { State } from '../ui/State.tsx';
import { axisOf } from './axis.ts';
import {
  clashesIn,
  kept,
  type LaidLot,
  type LaidPlanStep,
  laidLots,
  movedTo,
  quarterFrom,
  settingFor,
} from './hours.ts';
import { Lanes } from './Lanes.tsx';
import { useLaying } from './useLaying.ts';
import { useChangePlan } from './usePlan.ts';

function dueInstant(plan: Plan, planning: Planning): string | null {
  if (!plan.due) return null;
  const weekday = (new Date(plan.due).getUTCDay() + 6) % 7;
  return instantOf(
    `${plan.due} ${planning.kitchen.workshop.hours[weekday]?.from ?? '08:00'}`,
    planning.kitchen.timeZone,
  );
}

/** How the hours came about, in words; null where they are as kept. */
type Outcome = { words: string; bound: string } | { error: string } | null;

/** Hours as they are on the screen: as kept, until they are laid anew or moved. */
function useHours(plan: Plan, planning: Planning, lots: readonly LaidLot[]) {
  const [origin] = useState(() => quarterFrom(serverNow()));
  const [draft, setDraft] = useState<LaidPlanStep[] | null>(null);
  const [outcome, setOutcome] = useState<Outcome>(null);
  const { lay, busy } = useLaying();
  const steps = draft ?? plan.steps;
  const due = dueInstant(plan, planning);
  const open = lots.filter((l) => !l.begun);
  const at = (minute: number) => dayAndTime(new Date(Date.parse(origin) + minute * 60_000).toISOString());
  const layThem = (way: 'back' | 'forward', missed?: string) => {
    const setting = settingFor(open, planning, origin);
    const minute = way === 'back' ? (Date.parse(due!) - Date.parse(origin)) / 60_000 : null;
    lay(setting, minute, (answer) => {
      if ('error' in answer) return setOutcome({ error: answer.error });
      if (way === 'back' && answer.at < 0)
        return layThem('forward', `To be ready by then it would have had to start on ${at(answer.at)}. `);
      const begun = steps.filter((s) => lots.some((l) => l.begun && l.partId === s.partId));
      setDraft([...begun, ...kept(answer.steps, lots, origin)]);
      setOutcome(
        way === 'back'
          ? {
              words: `Begins ${at(answer.at)}.`,
              bound: `None that is ready by then can begin after ${at(answer.bound)}.`,
            }
          : {
              words: `${missed ?? ''}Done ${at(answer.at)}.`,
              bound: `None can be done before ${at(answer.bound)}.`,
            },
      );
    });
  };
  return {
    origin,
    steps,
    due,
    outcome,
    busy,
    changed: draft !== null,
    layThem,
    move: (step: LaidPlanStep, by: number) => setDraft(movedTo(steps, lots, step, by)),
    forget: () => {
      setDraft(null);
      setOutcome(null);
    },
  };
}

/** Where the hours are drawn from and to: whole days around all that is laid. */
function useAxis(
  steps: readonly LaidPlanStep[],
  lots: readonly LaidLot[],
  planning: Planning,
  origin: string,
) {
  return useMemo(() => {
    const drawn = steps.filter((s) => s.kind !== 'ready');
    const hours = settingFor(lots, planning, origin).hours.map((h) => ({
      from: Date.parse(origin) + h.from * 60_000,
      to: Date.parse(origin) + h.to * 60_000,
    }));
    const first = Math.min(...drawn.map((s) => Date.parse(s.from)));
    const last = Math.max(...drawn.map((s) => Date.parse(s.to)));
    const start = hours.filter((h) => h.from <= first).at(-1)?.from ?? first;
    const end = hours.find((h) => h.to >= last)?.to ?? last;
    // A day on which everything needs nobody is drawn together with its nights.
    const busy = hours.filter((h) =>
      drawn.some((s) => s.attended && Date.parse(s.from) < h.to && Date.parse(s.to) > h.from),
    );
    return axisOf(busy, Math.min(start, first), Math.max(end, last));
  }, [steps, lots, planning, origin]);
}

function Legend({ colour }: { colour: string }) {
  const sample = 'inline-block h-4 w-8 rounded-[4px] border-2 align-middle';
  return (
    <p className="mt-3 flex flex-wrap gap-x-6 gap-y-1 text-sm text-ink-2">
      <span>
        <span className={sample} style={{ background: colour, borderColor: colour }} /> hands-on
      </span>
      <span>
        <span className={sample} style={{ borderColor: colour }} /> somebody at home
      </span>
      <span>
        <span className={`${sample} border-dashed`} style={{ borderColor: colour }} /> needs nobody
      </span>
      <span>Drag a step, or move it with the arrow keys: a quarter of an hour, with shift an hour.</span>
    </p>
  );
}

function Clashes({ clashes, lots }: { clashes: ReturnType<typeof clashesIn>; lots: readonly LaidLot[] }) {
  if (clashes.length === 0)
    return (
      <p role="status" className="mt-3">
        <State tone="go">No clash</State>
      </p>
    );
  return (
    <div role="status" className="mt-3">
      <State tone="stop">{clashes.length === 1 ? '1 clash' : `${clashes.length} clashes`}</State>
      <ul className="mt-1 border-t border-steel-line">
        {clashes.map((c) => {
          const lot = lots.find((l) => l.partId === c.lotId);
          const step = lot?.day.steps.find((s) => s.id === c.stepId);
          return (
            <li key={`${c.lotId} ${c.stepId} ${c.words}`} className="border-b border-steel-line py-1">
              <strong>{step?.title ?? c.stepId}</strong>, {lot?.name}: {c.words}
            </li>
          );
        })}
      </ul>
    </div>
  );
}

/** Whether the hours that are kept are still of these lots: a size changed since makes them another plan's. */
const stale = (steps: readonly LaidPlanStep[], lots: readonly LaidLot[]) =>
  lots.some(
    (l) =>
      !l.begun &&
      l.day.steps.some((d) => {
        const laid = steps.find((s) => s.partId === l.partId && s.stepId === d.id);
        return !laid || Math.abs((Date.parse(laid.to) - Date.parse(laid.from)) / 60_000 - d.minutes) > 0.5;
      }),
  );

type HoursState = ReturnType<typeof useHours>;

/** Ways to lay the hours, and to save or discard what was laid. */
function HoursButtons({ plan, hours }: { plan: Plan; hours: HoursState }) {
  const mayWrite = useMayWrite();
  const change = useChangePlan(plan, { done: 'Hours saved', after: hours.forget });
  const laid = hours.steps.length > 0;
  return (
    <div className="flex flex-wrap items-center gap-3">
      {mayWrite && hours.due && (
        <Button tone={laid ? 'plain' : 'main'} disabled={hours.busy} onClick={() => hours.layThem('back')}>
          Schedule back from {dayMonthYear(hours.due)}
        </Button>
      )}
      {mayWrite && (
        <Button
          tone={laid || hours.due ? 'plain' : 'main'}
          disabled={hours.busy}
          onClick={() => hours.layThem('forward')}
        >
          As early as possible
        </Button>
      )}
      {mayWrite && hours.changed && (
        <>
          <Button disabled={change.busy} onClick={() => change.run({ steps: [...hours.steps] })}>
            Save hours
          </Button>
          <Button tone="quiet" onClick={hours.forget}>
            Discard changes
          </Button>
        </>
      )}
      {plan.steps.length > 0 && !hours.changed && (
        <a
          className={buttonLook({ tone: 'quiet' })}
          href={urlOf(planRoutes.calendar.path, { id: plan.id })}
          download="plan.ics"
        >
          as a calendar file
        </a>
      )}
    </div>
  );
}

function HowLaid({ hours, lots }: { hours: HoursState; lots: readonly LaidLot[] }) {
  const { outcome, steps, changed } = hours;
  return (
    <>
      {outcome && 'error' in outcome && <p className="mt-3 font-semibold text-stop">{outcome.error}</p>}
      {outcome && 'words' in outcome && (
        <p className="mt-3">
          <strong>{outcome.words}</strong> <span className="text-ink-2">{outcome.bound}</span>
        </p>
      )}
      {steps.length > 0 && !changed && stale(steps, lots) && (
        <p className="mt-3">
          <State tone="hold">The amounts or what was learned changed since: schedule the hours again.</State>
        </p>
      )}
    </>
  );
}

function LaidHours({
  planning,
  hours,
  lots,
}: {
  planning: Planning;
  hours: HoursState;
  lots: readonly LaidLot[];
}) {
  const mayWrite = useMayWrite();
  const { steps, origin } = hours;
  const axis = useAxis(steps, lots, planning, origin);
  const clashes = clashesIn(steps, lots, planning, origin);
  return (
    <>
      <div className="mt-4">
        <Lanes
          steps={steps}
          lots={lots}
          axis={axis}
          clashes={clashes}
          pans={planning.pans.map((p) => [panResource(p.id), p.name])}
          move={mayWrite ? hours.move : null}
        />
      </div>
      <Clashes clashes={clashes} lots={lots} />
      <Legend colour={lots[0]!.colour} />
      {steps
        .filter((s) => s.kind === 'ready')
        .map((s) => (
          <p key={s.partId} className="mt-1 text-ink-2">
            {lots.find((l) => l.partId === s.partId)?.name} is ready from {dayMonthYear(s.to)}.
          </p>
        ))}
    </>
  );
}

/** Minutes that somebody's hands are wanted for. */
const handsMinutes = (lots: readonly LaidLot[]): number =>
  lots.flatMap((l) => l.day.steps).reduce((sum, s) => sum + ((s.needs[HANDS] ?? 0) > 0 ? s.minutes : 0), 0);

/** The lots of a plan laid on the hours: by the worker, then by hand, with every clash outcome. */
export function Hours({ plan, planning }: { plan: Plan; planning: Planning }) {
  const lots = useMemo(() => laidLots(plan, planning), [plan, planning]);
  const hours = useHours(plan, planning, lots);
  if (lots.length === 0)
    return (
      <Empty title="Nothing to schedule yet">
        Add a product to the plan first: its steps are then scheduled.
      </Empty>
    );
  return (
    <>
      <HoursButtons plan={plan} hours={hours} />
      <HowLaid hours={hours} lots={lots} />
      {hours.steps.length > 0 ? (
        <LaidHours planning={planning} hours={hours} lots={lots} />
      ) : (
        <Empty title="Not scheduled yet">
          {Math.round(handsMinutes(lots) / 60)} hours of work by hand, and what needs nobody. Steps are placed
          so that no pan, burner, canner or pair of hands is wanted twice, and nobody works by night.
        </Empty>
      )}
    </>
  );
}
