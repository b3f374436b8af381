import type { LotView } from '@inch/contract/making/lot';
import { type ThermalShock, thermalShock, type Warming } from '@inch/core/bottling';
import { boilingPointOfWater } from '@inch/core/heat';
import { coldestFill, finishedBrix } from '@inch/core/lot';
import { degrees, degreesApart, temperature } from '@inch/core/quantity';
import { useState } from 'react';
import { useContainers } from '../data/containers.ts';
import { useSession } from '../data/session.tsx';
import { Choice, Field } from '../ui/Field.tsx';
import { minutesInWords } from '../ui/format.ts';
import { State } from '../ui/State.tsx';
import { figureIn, problemIn } from '../ui/typed.ts';
import { HeatCurve } from './HeatCurve.tsx';
import { useWarming } from './useWarming.ts';

/** Cool to hot as a colour: steel to the product's own. */
const heat = (celsius: number, colour: string): string => {
  const share = Math.round(100 * Math.max(0, Math.min(1, (celsius - 20) / 80)) ** 2.4);
  return `color-mix(in oklab, ${colour} ${share}%, var(--steel-line))`;
};

/** The bottle cut through its axis: it fills with colour as it warms, from the outside in. */
function CrossSection({
  field,
  colour,
  said,
}: {
  field: readonly (readonly number[])[];
  colour: string;
  said: string;
}) {
  const layers = field.length;
  const rings = field[0]?.length ?? 1;
  const [w, h] = [42 / rings, 78 / layers];
  const cells = field.flatMap((ring, z) =>
    ring.flatMap((celsius, r) =>
      [-1, 1].flatMap((side) =>
        [-1, 1].map((up) => ({
          key: `${z} ${r} ${side} ${up}`,
          x: 80 + (side > 0 ? r * w : -(r + 1) * w),
          y: 116 + (up > 0 ? -(z + 1) * h : z * h),
          fill: heat(celsius, colour),
        })),
      ),
    ),
  );
  return (
    <svg viewBox="0 0 160 210" width="160" height="210" role="img" aria-label={said}>
      <clipPath id="inside-the-bottle">
        <rect x="37" y="38" width="86" height="156" rx="13" />
      </clipPath>
      <g clipPath="url(#inside-the-bottle)" shapeRendering="crispEdges">
        {cells.map((c) => (
          <rect key={c.key} x={c.x} y={c.y} width={w + 0.7} height={h + 0.7} fill={c.fill} />
        ))}
      </g>
      <rect x="54" y="6" width="52" height="12" rx="3" fill="var(--steel)" />
      <path
        d="M56 18h48v8c0 4 20 4 20 12v142a14 14 0 0 1-14 14H50a14 14 0 0 1-14-14V38c0-8 20-8 20-12z"
        fill="none"
        stroke="var(--ink-2)"
        strokeWidth="2.5"
      />
    </svg>
  );
}

function Figures({ w, asked, shock }: { w: Warming; asked: number | null; shock: ThermalShock }) {
  return (
    <dl className="grid gap-2.5">
      <div>
        <dt className="text-sm font-semibold text-ink-2">Hottest at the slowest point</dt>
        <dd className="figure text-lg font-bold">{temperature(w.hottest, 1)}</dd>
      </div>
      <div>
        <dt className="text-sm font-semibold text-ink-2">Lethality there, at 93.3 °C</dt>
        <dd>
          <span className="figure text-lg font-bold">{w.minutes.toFixed(1)} min</span>
          {asked !== null && (
            <State tone={w.minutes >= asked ? 'go' : 'hold'} className="ml-2 text-sm">
              canning tables ask for {asked}
            </State>
          )}
        </dd>
      </div>
      <div>
        <dt className="text-sm font-semibold text-ink-2">May be moved</dt>
        <dd>
          {w.movableAfter === null
            ? 'not within eight hours'
            : `${minutesInWords(w.movableAfter / 60)} after lifting`}
        </dd>
      </div>
      <div>
        <dt className="text-sm font-semibold text-ink-2">Into the bath</dt>
        <dd>
          <State tone={shock.over ? 'stop' : 'go'}>{degreesApart(shock.differenceCelsius)} apart</State>
        </dd>
      </div>
    </dl>
  );
}

/** Of what nobody has measured yet: a bottle, its content and its fill. */
const USUAL = { diameterMm: 75, nominalMl: 250, brix: 50, fillCelsius: 85 };
const DRAWN_AFTER = 5400;

interface Props {
  lot: LotView;
  minutes: number;
  asked: number | null;
}

/** The bottle of a lot in its bath: what is asked of it, and what the worker makes of that. */
function useBath({ lot, minutes }: Props) {
  const { kitchen } = useSession();
  const bottling = lot.bottlings.filter((b) => b.struck === null).at(-1);
  const container = useContainers().data?.find((c) => c.id === bottling?.containerId);
  const [answers, setAnswers] = useState({ bath: '80', comeUp: '10', thick: false });
  const boilsAt = boilingPointOfWater(kitchen.elevationMetres);
  const fillCelsius = (bottling && coldestFill(bottling)) ?? USUAL.fillCelsius;
  const bathCelsius = Math.min(boilsAt, Math.max(5, figureIn(answers.bath, { unit: 'C' }) ?? 20));
  const { warming, error } = useWarming({
    diameterMm: container?.diameterMm ?? USUAL.diameterMm,
    nominalMl: container?.nominalMl ?? bottling?.nominalMl ?? USUAL.nominalMl,
    brix: finishedBrix(lot) ?? USUAL.brix,
    thick: answers.thick,
    fillCelsius,
    bathCelsius,
    boilsAt,
    comeUpMinutes: Math.max(0, Math.min(240, figureIn(answers.comeUp, { unit: 'min' }) ?? 0)),
    boilMinutes: minutes,
    restMinutes: 5,
    roomCelsius: 20,
  });
  return {
    answers,
    boilsAt,
    fillCelsius,
    warming,
    error,
    set: (part: Partial<typeof answers>) => setAnswers((before) => ({ ...before, ...part })),
    shock: thermalShock(Math.min(120, fillCelsius), bathCelsius),
  };
}
type Bath = ReturnType<typeof useBath>;

function BathFields({ bath: { answers, set } }: { bath: Bath }) {
  return (
    <div className="grid max-w-2xl grid-cols-3 gap-4 max-sm:grid-cols-1">
      <Choice
        label="What is in it"
        value={answers.thick ? 'thick' : 'thin'}
        onChange={(e) => set({ thick: e.target.value === 'thick' })}
        options={[
          ['thin', 'thin: it stirs itself'],
          ['thick', 'thick, or with pieces'],
        ]}
      />
      <Field
        label={`Bath when they go in, ${degrees()}`}
        figure
        inputMode="decimal"
        value={answers.bath}
        error={problemIn(answers.bath, { unit: 'C' })}
        onChange={(e) => set({ bath: e.target.value })}
      />
      <Field
        label="Minutes to the boil"
        figure
        inputMode="decimal"
        value={answers.comeUp}
        error={problemIn(answers.comeUp, { unit: 'min' })}
        onChange={(e) => set({ comeUp: e.target.value })}
      />
    </div>
  );
}

function Moment({
  warming,
  lot,
  asked,
  shock,
}: { warming: Warming; shock: ThermalShock } & Omit<Props, 'minutes'>) {
  const [at, setAt] = useState<number | null>(null);
  const last = warming.liftedAt + DRAWN_AFTER;
  const moment = Math.min(at ?? warming.boilAt, last);
  const shown = warming.fields.findLast((f) => f.seconds <= moment) ?? warming.fields[0];
  const centre = shown?.field[0]?.[0];
  if (!shown || centre === undefined) return null;
  return (
    <>
      <div className="mt-4 flex flex-wrap items-center gap-8">
        <CrossSection
          field={shown.field}
          colour={lot.product.colour}
          said={`The bottle after ${Math.round(moment / 60)} minutes: ${temperature(centre, 0)} at its slowest point`}
        />
        <Figures w={warming} asked={asked} shock={shock} />
      </div>
      <label className="mt-2 block max-w-2xl">
        <span className="text-sm font-semibold text-ink-2">
          <span className="figure">{Math.round(moment / 60)} min</span> after going in,{' '}
          <span className="figure">{temperature(centre, 1)}</span> at the slowest point
        </span>
        <input
          type="range"
          min={0}
          max={last}
          step={60}
          value={moment}
          onChange={(e) => setAt(Number(e.target.value))}
          className="block w-full accent-[var(--rim)]"
        />
      </label>
      <HeatCurve
        samples={warming.slowest.filter((s) => s.seconds <= last)}
        around={warming.around}
        colour={lot.product.colour}
        marks={[
          { seconds: warming.boilAt, says: 'boil' },
          { seconds: warming.offAt, says: 'off' },
          { seconds: warming.liftedAt, says: 'lifted' },
        ]}
      />
    </>
  );
}

/** The bottle warming and cooling, simulated; advisory, and it says so. */
export function WarmingPanel(props: Props) {
  const bath = useBath(props);
  const { warming, error } = bath;
  return (
    <div className="py-4">
      <p className="mb-3 text-sm text-ink-2">
        A calculation, not a process: it replaces no source and passes no release check. At{' '}
        {temperature(bath.boilsAt, 1)}, filled at {temperature(bath.fillCelsius)}, {props.minutes} min at the
        boil.
      </p>
      <BathFields bath={bath} />
      {error && <p className="mt-3 font-semibold text-stop">{error}</p>}
      {warming && <Moment warming={warming} lot={props.lot} asked={props.asked} shock={bath.shock} />}
    </div>
  );
}
