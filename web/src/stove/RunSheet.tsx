import { type LotView, lotRoutes } from '@inch/contract/lot';
import { presentStep, type StepClock, stepClock } from '@inch/core/lot';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { Away } from '../app/Away.tsx';
import { call, newId } from '../app/api.ts';
import { useKey } from '../app/keys.tsx';
import { useMayWrite } from '../app/session.tsx';
import { Button, buttonLook } from '../ui/Button.tsx';
import { duration, fromLocalInput, minutesInWords } from '../ui/format.ts';
import { AcidGlass, SugarGlass } from '../ui/glasses.tsx';
import { Ruled } from '../ui/Sheet.tsx';
import { Caution, Fruit, lotTone, State } from '../ui/State.tsx';
import { useNow } from '../ui/useNow.ts';
import { useWrite } from '../ui/useWrite.ts';
import { Readings } from './Readings.tsx';
import { type Kind, kinds, TakeReading } from './TakeReading.tsx';
import { TimeRule } from './TimeRule.tsx';
import { useLot } from './useLot.ts';
import { recordedOf, WeighIn } from './WeighIn.tsx';

type Step = LotView['steps'][number];

function bigClock(clock: StepClock, step: Step): { figure: string; words: string; over: boolean } {
  if (clock.state === 'done') return { figure: duration(clock.elapsedSeconds), words: 'taken', over: false };
  if (clock.state === 'waiting')
    return { figure: step.minutes ? minutesInWords(step.minutes) : '–', words: 'planned', over: false };
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

function ClockButtons({
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
  const write = useWrite((mark: 'start' | 'pause' | 'done' | 'reopen') =>
    call(lotRoutes.mark, {
      params: { id: lot.id },
      body: { id: newId(), stepId: step.id, mark, ...(at ? { at } : {}) },
    }),
  );
  const toggle = () =>
    write.run(clock.state === 'running' ? 'pause' : clock.state === 'done' ? 'reopen' : 'start');
  useKey(' ', 'start or stop the step’s clock', toggle);
  useKey('.', 'done, next step', () => write.run('done'));
  return (
    <div className="mt-4 flex flex-wrap gap-3">
      {clock.state !== 'done' && (
        <Button
          size="stove"
          tone={clock.state === 'running' ? 'plain' : 'main'}
          disabled={write.busy}
          onClick={toggle}
        >
          {clock.state === 'running' ? 'Pause' : clock.state === 'paused' ? 'Go on' : 'Start'}
        </Button>
      )}
      {clock.state === 'done' ? (
        <Button size="stove" tone="plain" disabled={write.busy} onClick={toggle}>
          Take up again
        </Button>
      ) : (
        <Button
          size="stove"
          tone={clock.state === 'running' ? 'main' : 'plain'}
          disabled={write.busy}
          onClick={() => write.run('done')}
        >
          Done
        </Button>
      )}
      {write.fields.at && <p className="font-semibold text-stop">{write.fields.at}</p>}
    </div>
  );
}

/** Lines of steps already done that nobody recorded: late additions are the ones forgotten. */
function forgotten(lot: LotView, now: string): string[] {
  const done = new Set(
    lot.steps.filter((s) => stepClock(s, now).state === 'done').map((s) => s.formulaStepId),
  );
  return lot.lines
    .filter((line) => line.formulaStepId && done.has(line.formulaStepId) && !recordedOf(lot, line))
    .map((line) => line.name);
}

function LevelGlasses({ lot }: { lot: LotView }) {
  const standing = lot.readings.filter((r) => r.struck === null && r.value !== null);
  const last = (kind: string) =>
    standing
      .filter((r) => r.kind === kind)
      .sort((a, b) => a.at.localeCompare(b.at))
      .at(-1)?.value ?? null;
  const [brix, ph] = [last('brix'), last('ph')];
  const target = lot.product.content.steps.filter((s) => s.toBrix !== undefined).at(-1)?.toBrix;
  return (
    <div className="grid grid-cols-2 gap-4">
      <SugarGlass brix={brix} aim={target} colour={lot.product.colour} unknown="not yet" />
      <AcidGlass ph={ph} limit={lot.criticalPh} colour={lot.product.colour} unknown="not yet" />
    </div>
  );
}

function StepDesk({ lot, step, now }: { lot: LotView; step: Step; now: string }) {
  const clock = stepClock(step, now);
  const big = bigClock(clock, step);
  const mayWrite = useMayWrite();
  const [taking, setTaking] = useState<Kind | null>(null);
  const [when, setWhen] = useState('');
  const at = fromLocalInput(when);
  const missed = forgotten(lot, now);
  return (
    <div>
      <p className="text-lg text-ink-2">
        Step {step.position} of {lot.steps.length}
      </p>
      <h1 className="text-[2.5rem]">{step.title}</h1>
      <p className="mt-3 flex flex-wrap items-baseline gap-x-4">
        <span
          className={`figure text-[5rem] leading-none font-bold max-xl:text-[4.5rem] max-sm:text-6xl ${big.over ? 'text-hold' : ''}`}
        >
          {big.figure}
        </span>
        <span className="text-2xl font-semibold">{big.words}</span>
      </p>
      {mayWrite && <ClockButtons lot={lot} step={step} clock={clock} at={at} />}
      {missed.length > 0 && (
        <Caution className="mt-5 text-lg">
          <strong>Not recorded as in:</strong> {missed.join(', ')}. Weigh it in at its step, or leave it out
          with a word why.
        </Caution>
      )}
      {mayWrite && <WeighIn lot={lot} step={step} at={at} />}
      {mayWrite && (
        <div className="mt-5 flex flex-wrap gap-2">
          {(Object.keys(kinds) as Kind[]).map((kind) => (
            <Button
              key={kind}
              size="stove"
              tone="plain"
              className="px-4 text-lg"
              onClick={() => setTaking(kind)}
            >
              {kinds[kind].name}
            </Button>
          ))}
        </div>
      )}
      {mayWrite && (
        <label className="mt-5 flex flex-wrap items-center gap-2 text-sm text-ink-2">
          Written down later? It happened at
          <input
            type="datetime-local"
            value={when}
            onChange={(e) => setWhen(e.target.value)}
            className="rounded-md border border-steel bg-enamel px-2 py-1"
          />
        </label>
      )}
      {taking && (
        <TakeReading
          open
          lot={lot}
          stepId={step.id}
          kind={taking}
          finished={step.kind === 'measure'}
          onClose={() => setTaking(null)}
        />
      )}
    </div>
  );
}

function AllDone({ lot }: { lot: LotView }) {
  return (
    <div>
      <p className="text-lg text-ink-2">Every step is done</p>
      <h1 className="text-[2.5rem]">Fill the bottles</h1>
      <Link to={`/bottling/${lot.code}`} className={buttonLook({ size: 'stove' }, 'mt-6')}>
        Go to Bottling
      </Link>
    </div>
  );
}

/** The run sheet of a lot: steps down the time rule, the present one open, levels and readings beside. */
export function RunSheet() {
  const { code = '' } = useParams();
  const { data: lot, error, refetch } = useLot(code);
  const now = useNow();
  const [chosen, setChosen] = useState<string | null>(null);
  const ordered = [...(lot?.steps ?? [])].sort((a, b) => a.position - b.position);
  const here = ordered.find((s) => s.id === chosen) ?? presentStep(ordered, now);
  useKey(',', 'previous step', () => setChosen(ordered[Math.max(0, (here?.position ?? 1) - 2)]?.id ?? null));
  if (error && !lot) return <Away error={error} retry={() => void refetch()} />;
  if (!lot) return null;
  const present = presentStep(lot.steps, now)?.id ?? null;
  return (
    <div className="enamel-rim flex h-full overflow-hidden max-lg:h-auto max-lg:flex-col">
      <section
        aria-label="Run sheet"
        className="w-[15rem] shrink-0 overflow-y-auto border-r border-steel-line px-5 py-6 max-xl:w-[12.5rem] max-xl:px-3 max-lg:order-2 max-lg:w-auto max-lg:px-5 max-lg:border-r-0 max-lg:border-b"
      >
        <p className="flex items-center gap-2 text-xl font-bold">
          <Fruit colour={lot.product.colour} size={15} />
          Lot <span className="figure">{lot.code}</span>
        </p>
        <p className="text-ink-2">
          {lot.product.name}, version {lot.product.version}
          {lot.scale !== 1 && `, × ${lot.scale}`}
        </p>
        {lot.state !== 'making' && <State tone={lotTone(lot.state)}>{lot.state}</State>}
        <TimeRule
          lot={lot}
          present={here?.id ?? present}
          now={now}
          choose={(id) => setChosen(id === present ? null : id)}
        />
      </section>
      <section
        aria-label="Present step"
        className="min-w-0 flex-1 overflow-y-auto px-8 py-6 max-xl:px-6 max-lg:order-1 max-sm:px-4"
      >
        {here ? <StepDesk key={here.id} lot={lot} step={here} now={now} /> : <AllDone lot={lot} />}
      </section>
      <aside
        aria-label="Levels and readings"
        className="w-[22rem] shrink-0 overflow-y-auto rounded-r-[14px] border-l border-steel-line bg-enamel-cool px-5 py-6 max-xl:w-[17rem] max-xl:px-4 max-lg:order-3 max-lg:w-auto max-lg:border-t max-lg:border-l-0"
      >
        <LevelGlasses lot={lot} />
        <Ruled title="Readings" className="mt-5">
          <Readings lot={lot} />
        </Ruled>
      </aside>
    </div>
  );
}
