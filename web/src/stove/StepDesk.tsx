import type { LotView } from '@inch/contract/making/lot';
import { clothKept, type PanNow, stepClock, stepLeft } from '@inch/core/lot';
import { weight } from '@inch/core/quantity';
import { useState } from 'react';
import { Link } from 'react-router';
import { useMayWrite } from '../data/session.tsx';
import { EverythingIn, everythingIn } from '../parts/lot/EverythingIn.tsx';
import { leftSaid } from '../parts/lot/pan.ts';
import { WeighIn } from '../parts/lot/WeighIn.tsx';
import { buttonLook } from '../ui/Button.tsx';
import { AT_HINT, fromLocalInput } from '../ui/dates.ts';
import { duration, minutesInWords } from '../ui/format.ts';
import { WhenField } from '../ui/WhenField.tsx';
import { AddExtra } from './AddExtra.tsx';
import { Alerts } from './Alerts.tsx';
import { bigClock, ClockButtons, Timing } from './Clock.tsx';
import { ColdPlate } from './ColdPlate.tsx';
import { Corrections } from './Corrections.tsx';
import { Instruments } from './Instruments.tsx';
import { LoggerFile } from './LoggerFile.tsx';
import { Photographs } from './Photographs.tsx';

type Step = LotView['steps'][number];

interface Props {
  lot: LotView;
  step: Step;
  pan: PanNow | null;
  now: string;
  /** Read from two metres away: the figures are as large as they go. */
  big?: boolean;
}

/** The step's figure: minutes left of a reduction by its own readings, or its clock. */
function Figure({ step, pan, now, big }: Props) {
  const clock = stepClock(step, now);
  const shown = bigClock(clock, step);
  const size = big
    ? 'text-[8.5rem] max-xl:text-[7.5rem] max-sm:text-7xl'
    : 'text-[5rem] max-xl:text-[4.5rem] max-sm:text-6xl';
  const words = big ? 'text-4xl max-xl:text-3xl' : 'text-2xl';
  const goesOn = stepLeft(step, pan, now);
  if (clock.state === 'running' && goesOn?.by === 'pan') {
    const left = leftSaid(goesOn);
    return (
      <p className="mt-2 flex flex-wrap items-baseline gap-x-4" aria-live="off">
        {left.from && (
          <>
            <span className={`figure leading-none font-bold ${size}`}>{left.from}</span>
            <span className={`font-semibold ${words}`}>to</span>
          </>
        )}
        <span className={`figure leading-none font-bold ${size}`}>{left.to}</span>
        <span className={`font-semibold ${words}`}>{left.unit}</span>
      </p>
    );
  }
  return (
    <p className="mt-2 flex flex-wrap items-baseline gap-x-4">
      <span className={`figure leading-none font-bold ${size} ${shown.over ? 'text-hold' : ''}`}>
        {shown.figure}
      </span>
      <span className={`font-semibold ${words}`}>{shown.words}</span>
    </p>
  );
}

/** Where the pan stands and what it is made to, and the step's own clock beside its forecast. */
function Standing({ step, pan, now, big }: { step: Step; pan: PanNow; now: string; big: boolean }) {
  if (!pan.target) return null;
  const clock = stepClock(step, now);
  return (
    <p className={`mt-3 flex flex-wrap gap-x-8 ${big ? 'text-3xl max-xl:text-2xl' : 'text-xl'}`}>
      <span>
        <strong className="figure">{pan.brix.toFixed(1)}</strong> °Bx{' '}
        <span className="text-ink-2">{pan.readings > 0 ? 'calculated now' : 'forecast'}, to </span>
        <strong className="figure">{pan.target.brix.toFixed(0)}</strong> °Bx
      </span>
      {clock.state === 'running' && (
        <span className="text-ink-2">
          <span className="figure">{duration(clock.elapsedSeconds)}</span> so far
          {step.minutes !== null && (
            <>
              , <span className="figure">{minutesInWords(step.minutes)}</span> planned
            </>
          )}
        </span>
      )}
    </p>
  );
}

function Next({ lot, step }: { lot: LotView; step: Step }) {
  const next = lot.steps.find((s) => s.position === step.position + 1);
  const lines = next ? lot.lines.filter((l) => l.formulaStepId === next.formulaStepId) : [];
  return (
    <p className="mt-5 border-t border-ink pt-3 text-lg">
      <strong>Next</strong> · {next ? next.title : 'fill the bottles'}
      {lines.length > 0 && (
        <span className="text-ink-2">
          :{' '}
          {lines.map((l) => `${l.now === null ? l.said : weight(l.now)} ${l.name.toLowerCase()}`).join(', ')}
        </span>
      )}
    </p>
  );
}

/** When what is written down happened, by lot: it stays set from step to step until it is changed. */
const happenedAt = new Map<string, string>();

function useWhen(lotId: string): [string, (when: string) => void] {
  const [when, setWhen] = useState(happenedAt.get(lotId) ?? '');
  return [
    when,
    (next) => {
      happenedAt.set(lotId, next);
      setWhen(next);
    },
  ];
}

/** The step in hand: its clock or minutes left, what goes in, what to read, and what to mind. */
export function StepDesk({ lot, step, pan, now, big = false }: Props) {
  const clock = stepClock(step, now);
  const mayWrite = useMayWrite();
  const [when, setWhen] = useWhen(lot.id);
  const at = fromLocalInput(when);
  const reducing = step.kind === 'reduce';
  const kept =
    step.kind === 'strain' ? clothKept(lot, lot.cupSchool).find((c) => c.stepId === step.id) : undefined;
  return (
    <div>
      <p className={big ? 'text-2xl text-ink-2 max-xl:text-xl' : 'text-lg text-ink-2'}>
        Step {step.position} of {lot.steps.length}
        {big && `, ${lot.product.name}`}
      </p>
      <h1
        className={
          big ? 'text-[3.25rem] leading-[1.05] max-xl:text-[2.75rem] max-sm:text-4xl' : 'text-[2.5rem]'
        }
      >
        {step.title}
      </h1>
      <Figure lot={lot} step={step} pan={pan} now={now} big={big} />
      {pan && <Standing step={step} pan={pan} now={now} big={big} />}
      {!big && <Timing lot={lot} step={step} now={now} />}
      {mayWrite && (
        <div className="mt-4 flex flex-wrap gap-2">
          <ClockButtons lot={lot} step={step} clock={clock} at={at} />
          <Instruments lot={lot} step={step} big={big} at={at} />
        </div>
      )}
      <Alerts lot={lot} step={step} pan={pan} now={now} />
      {step.kind === 'fill' && <EverythingIn lot={lot} at={at} />}
      {step.kind === 'fill' && everythingIn(lot) && (
        <Link to={`/bottling/${lot.code}`} className={buttonLook({ size: 'stove', tone: 'plain' }, 'mt-5')}>
          Go to Bottling
        </Link>
      )}
      {mayWrite && step.kind !== 'fill' && <WeighIn lot={lot} step={step} at={at} />}
      {mayWrite && !big && step.kind !== 'fill' && <AddExtra key={step.id} lot={lot} step={step} at={at} />}
      {mayWrite && !big && step.kind === 'strain' && (
        <p className="mt-4 text-ink-2">
          {kept ? (
            <>
              The cloth kept about <strong className="figure text-ink">{weight(kept.grams)}</strong>, which is
              stock as well:{' '}
            </>
          ) : (
            <>What stays behind is stock as well: </>
          )}
          <Link to={`/plan/stock?leftBy=${lot.code}`} className="text-link underline">
            take in what the cloth kept
          </Link>
          .
        </p>
      )}
      {reducing && pan?.target && <Corrections lot={lot} step={step} pan={pan} />}
      {mayWrite && reducing && pan?.target && <ColdPlate lot={lot} step={step} pan={pan} />}
      {!big && <Photographs lot={lot} step={step} />}
      {mayWrite && !big && ['draw', 'heat', 'reduce', 'rest'].includes(step.kind) && (
        <LoggerFile lot={lot} step={step} />
      )}
      <Next lot={lot} step={step} />
      {mayWrite && !big && (
        <WhenField
          className="mt-5 max-w-60"
          kind="moment"
          label="Written down later? It happened at"
          value={when}
          onChange={setWhen}
          hint={
            when === '' ? AT_HINT : 'Readings and amounts are written down as of then, until it is emptied.'
          }
        />
      )}
    </div>
  );
}
