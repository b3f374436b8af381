import type { LotView } from '@inch/contract/making/lot';
import { stepClock, stepTiming } from '@inch/core/lot';
import { clockTime } from '../ui/dates.ts';
import { minutesInWords } from '../ui/format.ts';

type Step = LotView['steps'][number];

/** By how much a step ended early or late, or runs over, past its tolerance. */
function OffTime({ lot, step, now }: { lot: LotView; step: Step; now: string }) {
  const said = lot.product.content.steps.find((s) => s.id === step.formulaStepId);
  const timing = stepTiming(step, said, now);
  if (!timing || timing.verdict === 'on time' || timing.verdict === 'under way') return null;
  const off = Math.abs(timing.actualMinutes - timing.plannedMinutes);
  return (
    <span className="block text-sm font-semibold text-hold">
      {timing.verdict === 'running over' ? 'over' : timing.verdict} by {minutesInWords(off)}
    </span>
  );
}

/** The run sheet down a time rule: what is done, the present step, what comes. */
export function TimeRule({
  lot,
  present,
  now,
  choose,
}: {
  lot: LotView;
  present: string | null;
  now: string;
  choose: (id: string) => void;
}) {
  const steps = [...lot.steps].sort((a, b) => a.position - b.position);
  return (
    <ol className="mt-5">
      {steps.map((step: Step) => {
        const clock = stepClock(step, now);
        const here = step.id === present;
        return (
          <li key={step.id} className="relative grid grid-cols-[3.7rem_2rem_1fr]">
            <span className="figure pt-0.5 text-right text-sm whitespace-nowrap text-ink-2">
              {clock.startedAt
                ? clockTime(clock.startedAt)
                : step.minutes
                  ? minutesInWords(step.minutes)
                  : ''}
            </span>
            <span aria-hidden="true" className="relative ml-2 border-l-[1.5px] border-steel">
              <span className={`absolute top-3 left-0 h-[2px] ${here ? 'w-6 bg-rim' : 'w-5 bg-ink'}`} />
              <span className="absolute top-9 left-0 h-px w-2.5 bg-steel" />
            </span>
            <button
              type="button"
              onClick={() => choose(step.id)}
              aria-current={here ? 'step' : undefined}
              className={`rounded px-1 pb-5 text-left leading-snug ${here ? 'font-bold' : clock.state === 'done' ? 'text-ink-2' : ''}`}
            >
              {here && (
                <span aria-hidden="true" className="text-link">
                  ▸{' '}
                </span>
              )}
              {step.title}
              {clock.state === 'done' && <span className="sr-only">, done</span>}
              <OffTime lot={lot} step={step} now={now} />
            </button>
          </li>
        );
      })}
    </ol>
  );
}
