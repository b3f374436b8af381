import type { LotView } from '@inch/contract/making/lot';
import { type StepClock, type StepTiming, stepTiming } from '@inch/core/lot';
import { plural, weight } from '@inch/core/quantity';
import { useState } from 'react';
import { useRecord } from '../data/record.ts';
import { recordedOf } from '../parts/lot/useLine.ts';
import { Button } from '../ui/Button.tsx';
import { Dialog } from '../ui/Dialog.tsx';
import { duration, minutesInWords } from '../ui/format.ts';
import { useKey } from '../ui/keys.tsx';
import { State } from '../ui/State.tsx';

type Step = LotView['steps'][number];

/** 24 and "h planned": the figure is drawn large, its unit beside it. */
function plannedFigure(minutes: number | null): { figure: string; words: string; over: boolean } {
  if (!minutes) return { figure: '–', words: 'as long as it takes', over: false };
  const said = minutesInWords(minutes);
  const [figure, unit] = said.split(' ');
  return said.split(' ').length === 2
    ? { figure: figure!, words: `${unit} planned`, over: false }
    : {
        figure: said
          .replace(/ h /, ':')
          .replace(/ min$/, '')
          .replace(/:(\d)$/, ':0$1'),
        words: 'h planned',
        over: false,
      };
}

export function bigClock(clock: StepClock, step: Step): { figure: string; words: string; over: boolean } {
  if (clock.state === 'done') return { figure: duration(clock.elapsedSeconds), words: 'taken', over: false };
  if (clock.state === 'waiting') return plannedFigure(step.minutes);
  if (clock.leftSeconds === null)
    return {
      figure: duration(clock.elapsedSeconds),
      words: clock.state === 'paused' ? 'so far, paused' : 'so far',
      over: false,
    };
  const over = clock.leftSeconds < 0;
  return {
    figure: duration(Math.abs(clock.leftSeconds)),
    words: over ? 'over its time' : clock.state === 'paused' ? 'left, paused' : 'left',
    over,
  };
}

const VERDICTS: Record<StepTiming['verdict'], { words: string; tone: 'go' | 'hold' | 'plain' }> = {
  'on time': { words: 'on time', tone: 'go' },
  early: { words: 'early', tone: 'hold' },
  late: { words: 'late', tone: 'hold' },
  'running over': { words: 'running over', tone: 'hold' },
  'under way': { words: 'under way', tone: 'plain' },
};

/** Planned against actual, with how far off is still on time. */
export function Timing({ lot, step, now }: { lot: LotView; step: Step; now: string }) {
  const said = lot.product.content.steps.find((s) => s.id === step.formulaStepId);
  const timing = stepTiming(step, said, now);
  if (!timing) return null;
  const { words, tone } = VERDICTS[timing.verdict];
  return (
    <p className="mt-1 text-ink-2">
      <State tone={tone}>{words}</State> · planned{' '}
      <span className="figure">{minutesInWords(timing.plannedMinutes)}</span>, on time within{' '}
      <span className="figure">{minutesInWords(timing.toleranceMinutes)}</span>
    </p>
  );
}

/** What is not in yet, before a step is left behind: it is put in, left out with a word, or carried to the last question. */
function NotInYet({
  lot,
  step,
  onClose,
  onDone,
}: {
  lot: LotView;
  step: Step;
  onClose: () => void;
  onDone: () => void;
}) {
  const open = missingAt(lot, step);
  return (
    <Dialog open onClose={onClose} title={`Not recorded as in: ${plural(open.length, 'thing')}`}>
      <ul className="border-t border-ink">
        {open.map((line) => (
          <li key={line.lineId} className="flex justify-between border-b border-steel-line py-2 text-lg">
            <span>{line.name}</span>
            <span className="figure font-bold">{line.now === null ? line.said : weight(line.now)}</span>
          </li>
        ))}
      </ul>
      <p className="mt-3 text-ink-2">
        Weigh it in, or leave it out with a reason. You are asked again before the bottles are filled.
      </p>
      <div className="mt-4 flex flex-wrap justify-end gap-3">
        <Button tone="quiet" size="stove" onClick={onDone}>
          Finish anyway
        </Button>
        <Button size="stove" onClick={onClose}>
          Go back and weigh it
        </Button>
      </div>
    </Dialog>
  );
}

/** Lines that go in at a step and are recorded neither as in nor as left out. */
export const missingAt = (lot: LotView, step: Step) =>
  lot.lines.filter((line) => line.formulaStepId === step.formulaStepId && !recordedOf(lot, line));

export function ClockButtons({
  lot,
  step,
  clock,
  at,
}: {
  lot: LotView;
  step: Step;
  clock: StepClock;
  at: string | undefined;
}) {
  const [asking, setAsking] = useState(false);
  const write = useRecord('mark', lot, { after: () => setAsking(false) });
  const mark = (kind: 'start' | 'pause' | 'done' | 'reopen') =>
    write.run({
      shownAs: `${step.title}: ${kind}`,
      stepId: step.id,
      mark: kind,
      ...(at ? { at } : {}),
    });
  const toggle = () =>
    mark(clock.state === 'running' ? 'pause' : clock.state === 'done' ? 'reopen' : 'start');
  const done = () => (missingAt(lot, step).length > 0 ? setAsking(true) : mark('done'));
  useKey(' ', 'start or stop the step’s clock', toggle);
  useKey('.', 'done, next step', done);
  return (
    <div className="contents">
      {clock.state !== 'done' && (
        <Button
          size="stove"
          tone={clock.state === 'running' ? 'plain' : 'main'}
          disabled={write.busy}
          onClick={toggle}
        >
          {clock.state === 'running' ? 'Pause' : clock.state === 'paused' ? 'Resume' : 'Start'}
        </Button>
      )}
      {clock.state === 'done' ? (
        <Button size="stove" tone="plain" disabled={write.busy} onClick={toggle}>
          Reopen
        </Button>
      ) : (
        <Button
          size="stove"
          tone={clock.state === 'running' ? 'main' : 'plain'}
          disabled={write.busy}
          onClick={done}
        >
          Done
        </Button>
      )}
      {write.fields.at && <p className="font-semibold text-stop">{write.fields.at}</p>}
      {asking && (
        <NotInYet lot={lot} step={step} onClose={() => setAsking(false)} onDone={() => mark('done')} />
      )}
    </div>
  );
}
