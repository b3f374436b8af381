import { type Instrument, instrumentRoutes, NewInstrument } from '@inch/contract/making/instrument';
import { degrees, degreesShown, temperature } from '@inch/core/quantity';
import { call } from '../data/api.ts';
import { useInstruments } from '../data/instruments.ts';
import { send } from '../data/record.ts';
import { useMayWrite } from '../data/session.tsx';
import { useDeedForm } from '../data/useDeedForm.ts';
import { useWrite } from '../data/useWrite.ts';
import { HeldNotice, HoldButton } from '../parts/trace/HoldSource.tsx';
import { Button } from '../ui/Button.tsx';
import { DraftNote } from '../ui/DraftNote.tsx';
import { dayAndTime, dayMonth } from '../ui/dates.ts';
import { Choice, Field } from '../ui/Field.tsx';
import { Empty, Ruled, Sheet } from '../ui/Sheet.tsx';
import { State } from '../ui/State.tsx';
import { Tick } from '../ui/Tick.tsx';
import { Unread } from '../ui/Unread.tsx';
import { BenchNav } from './BenchNav.tsx';
import { Calibrate } from './Calibrate.tsx';
import { Checks } from './CheckForm.tsx';
import { Counter } from './Counter.tsx';

const KINDS: Record<Instrument['kind'], string> = {
  'ph-meter': 'pH meter',
  refractometer: 'Refractometer',
  thermometer: 'Thermometer',
  scale: 'Scale',
  hydrometer: 'Hydrometer',
  'water-activity-meter': 'Water activity meter',
};

function AddInstrument() {
  const form = useDeedForm({
    of: 'instrument',
    draft: 'instrument',
    empty: { kind: 'ph-meter', name: '', compensated: false, madeFor: degreesShown(20).toFixed(0) },
    schema: NewInstrument,
    read: ({ madeFor: _, ...a }, fields) => ({
      ...a,
      madeForCelsius: a.kind === 'hydrometer' ? fields.figure('madeFor', { unit: 'C' }) : null,
    }),
    fieldAt: (path) => (path === 'madeForCelsius' ? 'madeFor' : undefined),
    write: (body) =>
      send(instrumentRoutes.add, { of: 'instrument', code: 'Instrument', words: body.name, body }),
    done: 'Instrument added',
  });
  return (
    <form onSubmit={form.submit}>
      <fieldset disabled={form.busy} className="grid gap-4 py-4">
        <DraftNote form={form} />
        <Choice
          label="Kind"
          {...form.field('kind')}
          options={Object.entries(KINDS).map(([kind, name]) => [kind, name])}
        />
        <Field label="Name" {...form.field('name')} />
        {form.values.kind === 'hydrometer' && (
          <Field
            label={`Made for, ${degrees()}`}
            hint="It stands on the spindle; many are made for 15.6 °C (60 °F)."
            figure
            inputMode="decimal"
            {...form.field('madeFor')}
          />
        )}
        {form.values.kind === 'refractometer' && (
          <Tick className="min-h-6" {...form.register('compensated')}>
            corrects for temperature by itself
          </Tick>
        )}
        <Button type="submit">Add instrument</Button>
      </fieldset>
    </form>
  );
}

function Table({ heads, children }: { heads: readonly string[]; children: React.ReactNode }) {
  return (
    <div className="overflow-x-auto">
      <table className="w-full text-sm">
        <thead>
          <tr className="border-b border-steel-line text-left text-ink-2">
            {heads.map((h) => (
              <th key={h} scope="col" className="py-1.5 pr-3 font-semibold">
                {h}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>{children}</tbody>
      </table>
    </div>
  );
}

const Verdict = ({ accepted }: { accepted: boolean }) => (
  <State tone={accepted ? 'go' : 'stop'}>{accepted ? 'accepted' : 'refused'}</State>
);

function Calibrations({ meter }: { meter: Instrument }) {
  if (meter.calibrations.length === 0) return <p className="py-3 text-ink-2">Never calibrated here.</p>;
  return (
    <Table heads={['When', 'Slope', 'Offset', 'Low check', 'Verdict', 'By']}>
      {meter.calibrations.slice(0, 6).map((c) => (
        <tr key={c.id} className="border-b border-steel-line">
          <td className="py-1.5 pr-3 whitespace-nowrap">{dayAndTime(c.at)}</td>
          <td className="figure py-1.5 pr-3">{c.slopePercent.toFixed(1)} %</td>
          <td className="figure py-1.5 pr-3">{c.offsetMv.toFixed(1)} mV</td>
          <td className="py-1.5 pr-3">{c.low}</td>
          <td className="py-1.5 pr-3">
            <Verdict accepted={c.accepted} />
          </td>
          <td className="py-1.5">{c.by}</td>
        </tr>
      ))}
    </Table>
  );
}

const CHECK_NAMES = {
  gravity: 'water',
  salt: 'salt',
  water: 'water',
  weight: 'weight',
  ice: 'ice',
  boil: 'boiling',
} as const;

const digitsOf = (kind: keyof typeof CHECK_NAMES): number => (kind === 'gravity' || kind === 'salt' ? 3 : 1);

function KeptChecks({ instrument }: { instrument: Instrument }) {
  if (instrument.checks.length === 0) return <p className="py-3 text-ink-2">Never checked here.</p>;
  return (
    <Table heads={['When', 'On', 'Read', 'Right is', 'Verdict', 'By']}>
      {instrument.checks.slice(0, 6).map((c) => (
        <tr key={c.id} className="border-b border-steel-line">
          <td className="py-1.5 pr-3 whitespace-nowrap">{dayAndTime(c.at)}</td>
          <td className="py-1.5 pr-3">{CHECK_NAMES[c.kind]}</td>
          <td className="figure py-1.5 pr-3">{c.read.toFixed(digitsOf(c.kind))}</td>
          <td className="figure py-1.5 pr-3">{c.expected.toFixed(digitsOf(c.kind))}</td>
          <td className="py-1.5 pr-3">
            <Verdict accepted={c.accepted} />
          </td>
          <td className="py-1.5">{c.by}</td>
        </tr>
      ))}
    </Table>
  );
}

function standingSaid(i: Instrument): string {
  if (i.kind === 'ph-meter') return i.calibratedToday ? 'calibrated today' : 'not calibrated today';
  if (i.counts) return i.dueOn ? `good until ${dayMonth(i.dueOn)}` : 'good';
  return i.checks.length === 0 ? 'not checked yet' : 'needs checking';
}

function Retire({ instrument: i }: { instrument: Instrument }) {
  const write = useWrite('instrument', () =>
    call(instrumentRoutes.retire, { params: { id: i.id }, body: { retired: !i.retired } }),
  );
  return (
    <Button
      tone="quiet"
      size="small"
      disabled={write.busy}
      aria-label={`${i.retired ? 'Restore' : 'Retire'} ${i.name}`}
      onClick={() => write.run(undefined)}
    >
      {i.retired ? 'Restore' : 'Retire'}
    </Button>
  );
}

function OneInstrument({ instrument: i, mayWrite }: { instrument: Instrument; mayWrite: boolean }) {
  const good = i.kind === 'ph-meter' ? i.calibratedToday : i.counts;
  return (
    <Ruled
      title={i.name}
      className="mt-6"
      aside={
        <span className="flex items-baseline gap-3">
          {i.retired ? (
            <span className="text-sm text-ink-2">retired</span>
          ) : (
            <State tone={good ? 'go' : 'hold'}>{standingSaid(i)}</State>
          )}
          <HoldButton noun="instrument" subjectId={i.id} name={i.name} />
          {mayWrite && <Retire instrument={i} />}
        </span>
      }
    >
      <p className="pt-2 text-sm text-ink-2">
        {KINDS[i.kind]}
        {i.kind === 'refractometer' &&
          (i.compensated ? ', corrects for temperature by itself' : ', corrected here to 20 °C')}
        {i.madeForCelsius !== null && `, made for ${temperature(i.madeForCelsius)}`}
        {!good && i.whyNot && `: ${i.whyNot}`}
      </p>
      <HeldNotice noun="instrument" subjectId={i.id} />
      {mayWrite && !i.retired && i.kind === 'ph-meter' && <Calibrate meter={i} />}
      {mayWrite && !i.retired && <Checks instrument={i} />}
      {i.kind === 'ph-meter' ? <Calibrations meter={i} /> : <KeptChecks instrument={i} />}
    </Ruled>
  );
}

const ORDER: Instrument['kind'][] = [
  'ph-meter',
  'refractometer',
  'thermometer',
  'scale',
  'hydrometer',
  'water-activity-meter',
];

/** The instruments of the kitchen, each with what it was calibrated or checked by: a reading counts only while that is good. */
export function Bench() {
  const { data, error, refetch } = useInstruments();
  const mayWrite = useMayWrite();
  if (!data) return <Unread title="Bench" error={error} retry={refetch} />;
  const sorted = [...data].sort(
    (a, b) => Number(a.retired) - Number(b.retired) || ORDER.indexOf(a.kind) - ORDER.indexOf(b.kind),
  );
  return (
    <Sheet
      asideLabel="Attached instruments"
      aside={
        <>
          <Counter />
          {mayWrite && (
            <Ruled title="Add an instrument" className="mt-6">
              <AddInstrument />
            </Ruled>
          )}
        </>
      }
    >
      <BenchNav />
      <h1>Bench</h1>
      <p className="mt-1 text-ink-2">
        A calibration is good for its day; readings under pH 4.01 need the low check as well. A refractometer
        is zeroed every week, as is a water activity meter; a scale, a thermometer and a hydrometer are
        checked every three months. A pen that shows only pH is calibrated by what it shows in its buffers.
      </p>
      {sorted.length === 0 && (
        <Empty title="No instruments yet">
          Acidity cannot be seen, and it decides how long a product keeps. Add your pH meter, then calibrate
          it on 7.00 and 4.01.
        </Empty>
      )}
      {sorted.map((i) => (
        <OneInstrument key={`${i.id} ${i.calibrations.length}`} instrument={i} mayWrite={mayWrite} />
      ))}
    </Sheet>
  );
}
