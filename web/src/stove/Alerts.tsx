import type { LotView } from '@inch/contract/making/lot';
import { boilingPointOfWater } from '@inch/core/heat';
import { type PanNow, presentStep, stepClock, stepLeft, stepPrompt } from '@inch/core/lot';
import { brixSaid, degreesApart, temperature, weight } from '@inch/core/quantity';
import { type ReactNode, useEffect } from 'react';
import { useRecord } from '../data/record.ts';
import { useMayWrite, useSession } from '../data/session.tsx';
import { recordedOf } from '../parts/lot/useLine.ts';
import { Button } from '../ui/Button.tsx';
import { clockTime } from '../ui/dates.ts';
import { minutesInWords } from '../ui/format.ts';
import { Caution } from '../ui/State.tsx';
import { ring } from '../ui/sound.ts';

type Step = LotView['steps'][number];

interface Props {
  lot: LotView;
  step: Step;
  pan: PanNow | null;
  now: string;
}

const Alert = ({ children, tone }: { children: ReactNode; tone?: 'hold' | 'stop' }) => (
  <Caution className="mt-4 text-lg" {...(tone ? { tone } : {})}>
    {children}
  </Caution>
);

/** Lines of steps already done that nobody recorded: late additions are the ones forgotten. */
function forgotten(lot: LotView, now: string): string[] {
  const done = new Set(
    lot.steps.filter((s) => stepClock(s, now).state === 'done').map((s) => s.formulaStepId),
  );
  return lot.lines
    .filter((line) => line.formulaStepId && done.has(line.formulaStepId) && !recordedOf(lot, line))
    .map((line) => line.name);
}

function Missed({ lot, now }: { lot: LotView; now: string }) {
  const missed = forgotten(lot, now);
  if (missed.length === 0) return null;
  return (
    <Alert>
      <strong>Not recorded as in:</strong> {missed.join(', ')}. Weigh it in at its step, or leave it out with
      a reason.
    </Alert>
  );
}

/** Told this long before it is due, minutes. */
const AHEAD = 10;

/** What goes in at the next step, told before it is due. */
function Coming({ lot, step, pan, now }: Props) {
  const next = [...lot.steps]
    .sort((a, b) => a.position - b.position)
    .find((s) => s.position === step.position + 1);
  const lines = next
    ? lot.lines.filter((l) => l.formulaStepId === next.formulaStepId && !recordedOf(lot, l))
    : [];
  const clock = stepClock(step, now);
  if (!next || lines.length === 0 || clock.state !== 'running') return null;
  const seconds = stepLeft(step, pan, now)?.low ?? null;
  if (seconds === null || seconds > AHEAD * 60) return null;
  const when = seconds <= 30 ? 'now' : `in about ${minutesInWords(Math.max(1, seconds / 60))}`;
  return (
    <Alert>
      <strong>Get ready, {when}:</strong>{' '}
      {lines.map((l) => `${l.now === null ? l.said : weight(l.now)} ${l.name.toLowerCase()}`).join(', ')}, at
      “{next.title}”.
    </Alert>
  );
}

function Prompt({ lot, step, now }: Props) {
  const said = lot.product.content.steps.find((s) => s.id === step.formulaStepId);
  const prompt = stepPrompt(step, said, now);
  const write = useRecord('mark', lot);
  const mayWrite = useMayWrite();
  if (!prompt) return null;
  if (!prompt.due)
    return (
      <p className="mt-3 text-lg text-ink-2">
        {prompt.words} again at <span className="figure">{clockTime(prompt.dueAt)}</span>
      </p>
    );
  return (
    <Alert>
      <span className="flex flex-wrap items-center gap-4">
        <strong className="flex-1 text-2xl">
          {prompt.words.charAt(0).toUpperCase() + prompt.words.slice(1)}
        </strong>
        {mayWrite && (
          <Button
            size="stove"
            disabled={write.busy}
            onClick={() =>
              write.run({
                shownAs: `${prompt.words}: done`,
                stepId: step.id,
                mark: 'answer',
              })
            }
          >
            Done
          </Button>
        )}
      </span>
    </Alert>
  );
}

/** Past its mark: how much water brings it back, part of it first. */
function Overshoot({ lot, step, pan }: Props) {
  const write = useRecord('addition', lot);
  const mayWrite = useMayWrite();
  const cure = pan?.corrections[0];
  if (!pan?.target || cure?.kind !== 'water') return null;
  const put = Math.round(cure.firstGrams);
  return (
    <Alert>
      <p>
        <strong>
          Past its mark: {pan.brix.toFixed(1)} for {pan.target.brix.toFixed(0)} °Bx.
        </strong>{' '}
        <span className="figure font-bold">{weight(cure.grams)}</span> of water brings it back. You can add
        but not take out: add <span className="figure font-bold">{weight(put)}</span> first, stir, and read
        again.
      </p>
      {mayWrite && (
        <Button
          className="mt-3 min-h-14 text-lg"
          disabled={write.busy}
          onClick={() =>
            write.run({
              shownAs: `${weight(put)} water, to bring it back`,
              stepId: step.id,
              ingredientId: 'water',
              grams: put,
              why: `brought back from ${brixSaid(pan.brix)}`,
            })
          }
        >
          Put in {weight(put)} of water
        </Button>
      )}
    </Alert>
  );
}

function Heat({ lot, step, pan }: Props) {
  const { kitchen } = useSession();
  const said = lot.product.content.steps.find((s) => s.id === step.formulaStepId);
  const heating = pan?.heating;
  const boils = boilingPointOfWater(kitchen.elevationMetres);
  const last = lot.readings
    .filter((r) => r.kind === 'temperature' && r.struck === null && r.stepId === step.id && r.value !== null)
    .sort((a, b) => a.at.localeCompare(b.at))
    .at(-1);
  const close = said?.neverBoil && last && last.value! >= boils - 4;
  return (
    <>
      {close && (
        <Alert tone="stop">
          <strong>It must not boil.</strong> It stands at{' '}
          <span className="figure">{temperature(last.value!, 0)}</span> and water boils at{' '}
          <span className="figure">{temperature(boils, 1)}</span> here: turn it down now.
        </Alert>
      )}
      {heating && heating.seconds > 0 && (
        <p className="mt-3 text-lg">
          <span className="figure font-bold">{temperature(heating.now, 0)}</span>, warming{' '}
          <span className="figure">{degreesApart(heating.degreesPerMinute, 1)}</span> a minute:{' '}
          <strong className={heating.low < 120 ? 'text-hold' : ''}>
            {heating.low < 120 ? 'nearly there, watch it: ' : ''}
            <span className="figure">{temperature(heating.target)}</span> in{' '}
            <span className="figure">
              {Math.max(0, Math.round(heating.low / 60))} to {Math.ceil(Math.min(heating.high, 36_000) / 60)}{' '}
              min
            </span>
          </strong>
        </p>
      )}
    </>
  );
}

/** The last minutes come fast: one tap of the spoon when they have begun, whatever screen is open. */
const SOON = 120;

function useAnnounced(stepId: string, pan: PanNow | null): void {
  const near =
    (pan?.left != null && pan.left.low < SOON && pan.readings > 0) ||
    (pan?.heating != null && pan.heating.seconds > 0 && pan.heating.low < SOON);
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for a step, when it comes near
  useEffect(() => {
    if (near) ring(1);
  }, [near, stepId]);
}

/** Everything that wants saying at a step, most pressing first. */
export function Alerts(props: Props) {
  const { lot, pan, now } = props;
  const here = presentStep(lot.steps, now)?.id === props.step.id;
  useAnnounced(props.step.id, here ? pan : null);
  return (
    <>
      {here && <Prompt {...props} />}
      <Overshoot {...props} />
      {pan?.scorch && (
        <Alert>
          <strong>Low and thick: it catches in a minute now.</strong> Stir the bottom all the time, or turn it
          down.
        </Alert>
      )}
      <Heat {...props} />
      {here && <Coming {...props} />}
      <Missed lot={lot} now={now} />
    </>
  );
}
