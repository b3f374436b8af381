import { type Instrument, instrumentRoutes } from '@inch/contract/instrument';
import { useQuery } from '@tanstack/react-query';
import { useForm } from 'react-hook-form';
import { call, newId } from '../app/api.ts';
import { useMayWrite } from '../app/session.tsx';
import { Button } from '../ui/Button.tsx';
import { Choice, Field } from '../ui/Field.tsx';
import { dayAndTime } from '../ui/format.ts';
import { Empty, Ruled, Sheet } from '../ui/Sheet.tsx';
import { State } from '../ui/State.tsx';
import { useWrite } from '../ui/useWrite.ts';
import { Calibrate } from './Calibrate.tsx';

const KINDS: Record<Instrument['kind'], string> = {
  'ph-meter': 'pH meter',
  refractometer: 'Refractometer',
  thermometer: 'Thermometer',
  scale: 'Scale',
};

function AddInstrument() {
  const { register, handleSubmit, reset } = useForm({
    defaultValues: { kind: 'ph-meter', name: '', compensated: false },
  });
  const write = useWrite(
    (v: { kind: string; name: string; compensated: boolean }) =>
      call(instrumentRoutes.add, {
        body: { id: newId(), kind: v.kind as Instrument['kind'], name: v.name, compensated: v.compensated },
      }),
    { after: () => reset() },
  );
  return (
    <form className="grid gap-4 py-4" onSubmit={handleSubmit((v) => write.run(v))}>
      <Choice label="Kind" {...register('kind')}>
        {Object.entries(KINDS).map(([kind, name]) => (
          <option key={kind} value={kind}>
            {name}
          </option>
        ))}
      </Choice>
      <Field label="What you call it" {...register('name')} error={write.fields.name} />
      <label className="flex items-center gap-2">
        <input type="checkbox" className="size-5 accent-[var(--rim)]" {...register('compensated')} /> corrects
        for temperature by itself
      </label>
      <Button type="submit" disabled={write.busy}>
        Add it
      </Button>
    </form>
  );
}

function Calibrations({ meter }: { meter: Instrument }) {
  if (meter.calibrations.length === 0) return <p className="py-3 text-ink-2">Never calibrated here.</p>;
  return (
    <div className="overflow-x-auto">
      <table className="w-full text-sm">
        <thead>
          <tr className="border-b border-steel-line text-left text-ink-2">
            {['When', 'Slope', 'Offset', 'Low check', 'Verdict', 'By'].map((h) => (
              <th key={h} scope="col" className="py-1.5 pr-3 font-semibold">
                {h}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {meter.calibrations.map((c) => (
            <tr key={c.id} className="border-b border-steel-line">
              <td className="py-1.5 pr-3 whitespace-nowrap">{dayAndTime(c.at)}</td>
              <td className="figure py-1.5 pr-3">{c.slopePercent.toFixed(1)} %</td>
              <td className="figure py-1.5 pr-3">{c.offsetMv.toFixed(1)} mV</td>
              <td className="py-1.5 pr-3">{c.low}</td>
              <td className="py-1.5 pr-3">
                <State tone={c.accepted ? 'go' : 'stop'}>{c.accepted ? 'accepted' : 'refused'}</State>
              </td>
              <td className="py-1.5">{c.by}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function Meter({ meter, mayWrite }: { meter: Instrument; mayWrite: boolean }) {
  return (
    <Ruled
      title={meter.name}
      className="mt-6"
      aside={
        <State tone={meter.calibratedToday ? 'go' : 'hold'}>
          {meter.calibratedToday ? 'calibrated today' : 'not calibrated today'}
        </State>
      }
    >
      {mayWrite && <Calibrate meter={meter} />}
      <Calibrations meter={meter} />
    </Ruled>
  );
}

/** The instruments of the kitchen; a pH counts for release only on a meter calibrated that day. */
export function Bench() {
  const { data } = useQuery({ queryKey: ['instruments'], queryFn: () => call(instrumentRoutes.list) });
  const mayWrite = useMayWrite();
  if (!data) return null;
  const meters = data.filter((i) => i.kind === 'ph-meter');
  const others = data.filter((i) => i.kind !== 'ph-meter');
  return (
    <Sheet
      asideLabel="Instruments"
      aside={
        <>
          <Ruled title="Other instruments">
            {others.length === 0 && <p className="py-3 text-ink-2">None yet.</p>}
            <ul>
              {others.map((i) => (
                <li key={i.id} className="border-b border-steel-line py-2">
                  <span className="font-semibold">{i.name}</span>
                  <span className="block text-sm text-ink-2">
                    {KINDS[i.kind]}
                    {i.kind === 'refractometer' &&
                      (i.compensated ? ', corrects by itself' : ', corrected here to 20 °C')}
                  </span>
                </li>
              ))}
            </ul>
          </Ruled>
          {mayWrite && (
            <Ruled title="Add an instrument" className="mt-6">
              <AddInstrument />
            </Ruled>
          )}
        </>
      }
    >
      <h1>Bench</h1>
      <p className="mt-1 text-ink-2">
        A calibration is good for its day. Readings under 4.01 need the low check as well.
      </p>
      {meters.length === 0 && (
        <Empty title="No pH meter yet">
          Nobody sees acidity, and it decides what keeps. Add your meter, then calibrate it on 7.00 and 4.01.
        </Empty>
      )}
      {meters.map((meter) => (
        <Meter key={`${meter.id} ${meter.calibrations.length}`} meter={meter} mayWrite={mayWrite} />
      ))}
    </Sheet>
  );
}
