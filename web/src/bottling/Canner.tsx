import type { LotView } from '@inch/contract/making/lot';
import type { CannerFill } from '@inch/core/bottling';
import { vesselDepth, vesselVolume } from '@inch/core/pan';
import { batchVolume, degrees, depthSaid, temperature } from '@inch/core/quantity';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { serverNow } from '../data/serverClock.ts';
import { clockTime, instantAt, kitchenDay } from '../ui/dates.ts';
import { Choice, Field } from '../ui/Field.tsx';
import { minutesInWords } from '../ui/format.ts';
import { useRulerUnit } from '../ui/ruler.ts';
import { WhenField } from '../ui/WhenField.tsx';
import { CannerDrawing } from './CannerDrawing.tsx';
import { type CannerAnswers, type CannerState, useCanner } from './useCanner.ts';

function CannerFields({ state }: { state: CannerState }) {
  const { answers, set } = state;
  const figure = (name: keyof CannerAnswers, label: string, inputMode: 'numeric' | 'decimal') => (
    <Field
      label={label}
      figure
      inputMode={inputMode}
      value={answers[name]}
      onChange={(e) => set({ [name]: e.target.value })}
    />
  );
  return (
    <div className="grid grid-cols-5 gap-4 max-sm:grid-cols-2">
      <Choice
        label="Canner"
        value={state.canner?.id}
        onChange={(e) => set({ canner: e.target.value })}
        options={state.canners.map((v) => [v.id, v.name])}
      />
      {figure('jars', 'Jars at once', 'numeric')}
      {figure('start', `Water from, ${degrees()}`, 'decimal')}
      {figure('watts', 'Heat, W', 'numeric')}
      <WhenField kind="clock" label="Boiling by" value={answers.ready} onChange={(ready) => set({ ready })} />
    </div>
  );
}

function Fact({ name, children }: { name: string; children: ReactNode }) {
  return (
    <div>
      <dt className="text-sm font-semibold text-ink-2">{name}</dt>
      <dd>{children}</dd>
    </div>
  );
}

function LightAt({ ready, seconds }: { ready: string; seconds: number }) {
  if (!/^\d{2}:\d{2}$/.test(ready)) return null;
  const by = Date.parse(instantAt(kitchenDay(serverNow()), ready));
  return (
    <>
      : light it at{' '}
      <span className="figure font-bold">{clockTime(new Date(by - seconds * 1000).toISOString())}</span>
    </>
  );
}

function Water({ state, fill }: { state: CannerState; fill: CannerFill }) {
  const [unit] = useRulerUnit();
  const { seconds, answers } = state;
  return (
    <dl className="grid gap-2">
      <Fact name="Water before the jars">
        <span className="figure text-2xl font-bold">{depthSaid(fill.beforeMm, unit)}</span>,{' '}
        {batchVolume(fill.waterMl)} of {batchVolume(vesselVolume(state.canner!.shape))}
      </Fact>
      <Fact name="With them, an inch over the lids">
        <span className="figure text-lg font-bold">{depthSaid(fill.withJarsMm, unit)}</span>
      </Fact>
      {seconds !== null && (
        <Fact name={`To a full boil at ${temperature(state.boilsAt, 1)}`}>
          <span className="figure text-lg font-bold">about {minutesInWords(seconds / 60)}</span>
          <LightAt ready={answers.ready} seconds={seconds} />
        </Fact>
      )}
    </dl>
  );
}

/** How deep to fill the canner before the jars are in, and when to light it. */
export function Canner({ lot }: { lot: LotView }) {
  const state = useCanner(lot);
  const { canner, jar, fill, trouble } = state;
  if (!canner)
    return (
      <p className="py-4 text-ink-2">
        Measure the canner once: its width and height make the water come out right.{' '}
        <Link to="/bench/pans" className="text-link underline">
          Measure your canner
        </Link>
      </p>
    );
  if (!jar) return <p className="py-4 text-ink-2">Count the bottles first.</p>;
  return (
    <div className="py-4">
      <CannerFields state={state} />
      {trouble && <p className="mt-3 font-semibold text-stop">{trouble}.</p>}
      {fill && (
        <div className="mt-4 flex flex-wrap items-center gap-6">
          <CannerDrawing
            depth={vesselDepth(canner.shape)}
            fill={fill}
            jars={state.count}
            jarHeight={jar.heightMm}
            colour={lot.product.colour}
          />
          <Water state={state} fill={fill} />
        </div>
      )}
      <p className="mt-3 text-sm text-ink-2">
        Calculated from the jars’ own displacement and the heat that reaches the water. The clock starts at
        the full boil itself.
      </p>
    </div>
  );
}
