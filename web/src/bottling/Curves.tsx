import type { LotView } from '@inch/contract/making/lot';
import { warming } from '@inch/core/bottling';
import { boilingPointOfWater, type HeatSample } from '@inch/core/heat';
import { type LoggerFile, thinnedTo } from '@inch/core/instrument';
import { coldestFill, finishedBrix } from '@inch/core/lot';
import { useState } from 'react';
import { useContainers } from '../data/containers.ts';
import { useRecord } from '../data/record.ts';
import { useSession } from '../data/session.tsx';
import { LoggerPicker } from '../parts/instrument/LoggerPicker.tsx';
import { Button } from '../ui/Button.tsx';
import { dayAndTime } from '../ui/dates.ts';
import { Choice, Field } from '../ui/Field.tsx';
import { State } from '../ui/State.tsx';
import { HeatCurve } from './HeatCurve.tsx';

/** As many readings as a curve keeps. */
const MOST = 2500;

function curveOf(file: LoggerFile): HeatSample[] {
  const { samples } = thinnedTo(file.samples, MOST, 5);
  const from = Date.parse(samples[0]!.at);
  return samples.map((s) => ({ seconds: (Date.parse(s.at) - from) / 1000, celsius: s.celsius }));
}

function Recorded({ lot, asked }: { lot: LotView; asked: number | null }) {
  return lot.curves
    .filter((c) => c.struck === null)
    .map((c) => {
      const load = lot.loads.find((l) => l.id === c.loadId);
      return (
        <div key={c.id} id={`entry-${c.id}`} className="border-b border-steel-line py-3">
          <p>
            <strong>{c.name}</strong>
            {load && `, load ${load.number}`}:{' '}
            <span className="figure font-bold">{c.minutes.toFixed(1)} min</span> at 93.3 °C{' '}
            {asked !== null && (
              <State tone={c.minutes >= asked ? 'go' : 'hold'}>
                {c.minutes >= asked ? 'over' : 'under'} the {asked} that canning tables ask for at its pH
              </State>
            )}
          </p>
          <HeatCurve samples={c.samples} colour={lot.product.colour} />
          <p className="text-sm text-ink-2">
            {dayAndTime(c.at)}, {c.by}. A check on the process; it does not replace one.
          </p>
        </div>
      );
    });
}

/** A curve out of a logger’s file, or from the simulated thermometer, to practise with. */
export function Curves({ lot, open, asked }: { lot: LotView; open: boolean; asked: number | null }) {
  const { kitchen } = useSession();
  const containers = useContainers().data ?? [];
  const [name, setName] = useState('Logger in the middle jar');
  const [loadId, setLoad] = useState('');
  const write = useRecord('curve', lot, { done: 'Curve saved' });
  const loads = lot.loads.filter((l) => l.struck === null);
  const keep = (samples: HeatSample[], called: string) =>
    write.run({ name: called, samples, loadId: loadId || null });
  const simulate = () => {
    const b = lot.bottlings.filter((x) => x.struck === null).at(-1);
    const c = containers.find((x) => x.id === b?.containerId);
    if (!b || !c) return;
    const w = warming({
      diameterMm: c.diameterMm,
      nominalMl: c.nominalMl,
      brix: finishedBrix(lot) ?? 50,
      thick: false,
      fillCelsius: coldestFill(b) ?? 85,
      bathCelsius: 80,
      comeUpMinutes: 10,
      restMinutes: 5,
      boilsAt: boilingPointOfWater(kitchen.elevationMetres),
      boilMinutes: lot.heatProcesses.at(-1)?.requiredMinutes ?? 15,
      roomCelsius: 20,
    });
    keep(
      w.slowest.filter((s) => s.seconds <= w.liftedAt + 3600),
      'Simulated thermometer',
    );
  };
  return (
    <>
      <Recorded lot={lot} asked={asked} />
      {open && (
        <div className="flex flex-wrap items-end gap-4 py-4">
          <Field
            label="Which logger, where"
            className="w-64"
            value={name}
            onChange={(e) => setName(e.target.value)}
          />
          {loads.length > 0 && (
            <Choice
              label="In which load"
              className="w-40"
              value={loadId}
              onChange={(e) => setLoad(e.target.value)}
              options={[['', 'not said'], ...loads.map((l) => [l.id, `load ${l.number}`] as const)]}
            />
          )}
          <LoggerPicker
            label="A logger’s file of the bottle"
            disabled={write.busy}
            onRead={(file) => keep(curveOf(file), name)}
          />
          <Button tone="quiet" disabled={write.busy || lot.bottles.filled === 0} onClick={simulate}>
            Simulated thermometer
          </Button>
          {write.error && <p className="basis-full font-semibold text-stop">{write.error.message}</p>}
        </div>
      )}
    </>
  );
}
