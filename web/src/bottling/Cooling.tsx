import type { LotView } from '@inch/contract/making/lot';
import { bodyOf } from '@inch/contract/route/entry';
import { type CoolingStage, coolingClock } from '@inch/core/bottling';
import { cooledIn } from '@inch/core/lot';
import { bottleSize, degrees, limitOfHeat, plural, temperature } from '@inch/core/quantity';
import { recordEntry } from '../data/record.ts';
import { serverNow } from '../data/serverClock.ts';
import { useDeedForm } from '../data/useDeedForm.ts';
import { useNow } from '../data/useNow.ts';
import { Button } from '../ui/Button.tsx';
import { AT_HINT, clockTime, happened } from '../ui/dates.ts';
import { Field } from '../ui/Field.tsx';
import { duration } from '../ui/format.ts';
import { Ruled } from '../ui/Sheet.tsx';
import { State, type Tone } from '../ui/State.tsx';
import { WhenField } from '../ui/WhenField.tsx';

type Bottling = LotView['bottlings'][number];

const TONES: Record<CoolingStage['verdict'], Tone> = {
  'in time': 'go',
  'too late': 'stop',
  'under way': 'plain',
  overdue: 'stop',
};

/** Hours after the fill along a rule: the two stages as steps down, the readings as dots, now as a line. */
function CoolingRule({ lot, bottling, now }: { lot: LotView; bottling: Bottling; now: string }) {
  const readings = lot.coolings.filter((c) => c.struck === null && c.bottlingId === bottling.id);
  const hours = (at: string) => (Date.parse(at) - Date.parse(bottling.at)) / 3_600_000;
  const x = (h: number) => 34 + (Math.min(8, h) / 8) * 590;
  const y = (c: number) => 112 - (Math.max(0, Math.min(100, c)) / 100) * 100;
  const passed = hours(now);
  const line = [
    { h: 0, c: bottling.fillCelsius ?? 90 },
    ...readings.map((r) => ({ h: hours(r.at), c: r.celsius })),
  ];
  return (
    <svg
      viewBox="0 0 640 140"
      className="w-full max-w-3xl"
      role="img"
      aria-label={`Readings: ${readings.map((r) => `${temperature(r.celsius)} after ${hours(r.at).toFixed(1)} h`).join('; ') || 'none yet'}`}
    >
      <path
        d={`M${x(0)} ${y(100)}H${x(2)}V${y(21)}H${x(6)}V${y(5)}H${x(8)}V${y(0)}H${x(0)}Z`}
        fill="var(--rim-pale)"
      />
      <path d={`M34 112H624`} stroke="var(--ink-2)" strokeWidth="1.4" />
      {Array.from({ length: 9 }, (_, h) => (
        <g key={h} className={h % 2 === 0 ? '' : 'max-sm:hidden'}>
          <path d={`M${x(h)} 112v${h % 2 === 0 ? 9 : 5}`} stroke="var(--ink-2)" strokeWidth="1.2" />
          <text
            x={x(h)}
            y="135"
            textAnchor="middle"
            className="figure text-[12px] max-sm:text-[20px]"
            fill="var(--ink-2)"
          >
            {h === 0 ? 'fill' : `${h} h`}
          </text>
        </g>
      ))}
      {[5, 21].map((c) => (
        <text
          key={c}
          x="30"
          y={y(c) + 4}
          textAnchor="end"
          className="figure text-[12px] max-sm:text-[18px]"
          fill="var(--rim)"
        >
          {c}°
        </text>
      ))}
      <polyline
        points={line.map((p) => `${x(p.h)},${y(p.c)}`).join(' ')}
        fill="none"
        stroke={lot.product.colour}
        strokeWidth="3"
      />
      {line.slice(1).map((p, i) => (
        <circle
          key={i}
          cx={x(p.h)}
          cy={y(p.c)}
          r="5"
          fill={lot.product.colour}
          stroke="var(--enamel)"
          strokeWidth="1.5"
        />
      ))}
      {passed < 8 && <path d={`M${x(passed)} 6V112`} stroke="var(--ink)" strokeWidth="1.6" />}
    </svg>
  );
}

function Stage({ stage, coldAfter, now }: { stage: CoolingStage; coldAfter: number | null; now: string }) {
  const took = stage.took ?? coldAfter;
  const verdict = took === null ? stage.verdict : took <= stage.hours ? 'in time' : 'too late';
  const left = (Date.parse(stage.by) - Date.parse(now)) / 1000;
  return (
    <div>
      <dt className="text-sm font-semibold text-ink-2">
        {temperature(stage.celsius)} within {stage.hours} h
      </dt>
      <dd className="flex items-baseline gap-3">
        <State tone={TONES[verdict]}>{verdict}</State>
        {took !== null ? (
          <span className="figure font-bold">{took.toFixed(1)} h</span>
        ) : (
          <span
            className="figure text-2xl font-bold"
            role="timer"
            aria-label={`Time left to ${temperature(stage.celsius)}`}
          >
            {duration(left)}
          </span>
        )}
      </dd>
    </div>
  );
}

function ReadIt({ lot, bottling }: { lot: LotView; bottling: Bottling }) {
  const form = useDeedForm({
    of: 'entry',
    draft: `cooling ${bottling.id}`,
    empty: { celsius: '', at: '' },
    schema: bodyOf('cooling'),
    read: (a, fields) => ({
      bottlingId: bottling.id,
      celsius: fields.figure('celsius', { unit: 'C' }) ?? undefined,
      ...happened(a.at),
    }),
    write: (body) => recordEntry('cooling', lot, body),
    done: 'Temperature recorded',
  });
  return (
    <form
      className="mt-3 grid grid-cols-[13rem_1fr_auto] items-start gap-4 max-sm:grid-cols-1"
      onSubmit={form.submit}
    >
      <Field label={`Warmest bottle, ${degrees()}`} figure inputMode="decimal" {...form.field('celsius')} />
      <WhenField kind="moment" label="Read at" hint={AT_HINT} {...form.when('at')} />
      <Button type="submit" className="mt-6" disabled={form.busy}>
        Record
      </Button>
    </form>
  );
}

/** What is kept cold: two stages, each met by a thermometer, not by hope. */
export function Cooling({ lot, open }: { lot: LotView; open: boolean }) {
  useNow();
  const now = serverNow();
  const bottlings = lot.bottlings.filter((b) => b.struck === null);
  if (lot.storage === 'frozen')
    return (
      <p className="py-6 text-ink-2">
        Frozen at {limitOfHeat(-18)}, with headspace for it to expand: no heat process is asked.
      </p>
    );
  if (bottlings.length === 0)
    return (
      <p className="py-6 text-ink-2">
        Fill the bottles first. Kept cold, they are cooled open: to {limitOfHeat(21)} within 2 hours, to{' '}
        {limitOfHeat(5)} within 6.
      </p>
    );
  return bottlings.map((b) => {
    const read = lot.coolings.filter((c) => c.struck === null && c.bottlingId === b.id);
    const coldAfter = cooledIn(lot, b);
    const stages = coolingClock(b.at, read, now);
    const running = stages.some((s, i) => (s.took ?? (i === 0 ? coldAfter.to21 : coldAfter.to5)) === null);
    return (
      <Ruled
        key={b.id}
        className="mb-6"
        title={`${plural(b.count, 'bottle')} of ${bottleSize(b.nominalMl)}, ${b.closing === 'cooled' ? 'cooled open' : 'closed hot'} since ${clockTime(b.at)}`}
      >
        {b.closing === 'hot' ? (
          <p className="py-3 font-semibold text-hold">
            What is kept cold is not closed hot: open, cool, and close again.
          </p>
        ) : (
          <div className="py-3">
            <CoolingRule lot={lot} bottling={b} now={now} />
            <dl className="mt-2 flex flex-wrap gap-x-10 gap-y-3">
              <Stage stage={stages[0]!} coldAfter={coldAfter.to21} now={now} />
              <Stage stage={stages[1]!} coldAfter={coldAfter.to5} now={now} />
            </dl>
            {open && running && <ReadIt lot={lot} bottling={b} />}
          </div>
        )}
      </Ruled>
    );
  });
}
