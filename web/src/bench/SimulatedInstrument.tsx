import type { SpeakingKind } from '@inch/core/instrument';
import type { Fault, SimulatedInstrument as Simulated } from '@inch/core/simulated';
import { Button } from '../ui/Button.tsx';
import { simulated } from './simulation.ts';

const FAULTS: { fault: Fault; name: string }[] = [
  { fault: 'none', name: 'works' },
  { fault: 'stuck', name: 'sticks' },
  { fault: 'drifting', name: 'drifts' },
  { fault: 'gone', name: 'silent' },
];

const SHOWS: Record<SpeakingKind, { name: string; unit: string; digits: number }> = {
  scale: { name: 'Scale', unit: 'g', digits: 0 },
  refractometer: { name: 'Refractometer', unit: '°Bx', digits: 1 },
  'ph-meter': { name: 'pH meter', unit: 'pH', digits: 2 },
  thermometer: { name: 'Thermometer', unit: '°C', digits: 1 },
  burette: { name: 'Burette', unit: 'mL', digits: 2 },
};

/** One simulated instrument as a thing on the counter: its display, its plug, what is wrong with it. */
export function SimulatedInstrument({ one, attached }: { one: Simulated; attached: boolean }) {
  const { name, unit, digits } = SHOWS[one.kind];
  return (
    <li className="border-b border-steel-line py-3">
      <div className="flex items-center gap-3">
        <span className="min-w-0 flex-1">
          <span className="block font-semibold">{name}</span>
          <label className="text-sm text-ink-2">
            it{' '}
            <select
              aria-label={`${one.name}: what is wrong with it`}
              className="min-h-8 rounded-md border border-steel bg-enamel px-1"
              value={one.fault}
              onChange={(e) => simulated.fault(one.kind, e.target.value as Fault)}
            >
              {FAULTS.map((f) => (
                <option key={f.fault} value={f.fault}>
                  {f.name}
                </option>
              ))}
            </select>
          </label>
        </span>
        <span className="figure min-w-28 rounded-lg border-2 border-steel bg-[var(--steel-high)] px-3 py-1.5 text-right text-2xl font-bold">
          {one.fault === 'gone' || one.shown === null ? '–' : one.shown.toFixed(digits)}
          <span className="ml-1 text-sm font-normal">{unit}</span>
        </span>
        <Button
          tone={attached ? 'plain' : 'main'}
          className="w-28"
          aria-label={`${attached ? 'Unplug' : 'Attach'} ${one.name}`}
          onClick={() => (attached ? simulated.detach(one.kind) : simulated.attach(one.kind))}
        >
          {attached ? 'Unplug' : 'Attach'}
        </Button>
      </div>
    </li>
  );
}
