import { degrees, degreesShown, temperature } from '@inch/core/quantity';
import { Link } from 'react-router';
import { toast } from 'sonner';
import { type Attached, counter, type Door, useAttached } from '../parts/instrument/attached.ts';
import { Button } from '../ui/Button.tsx';
import { Ruled } from '../ui/Sheet.tsx';
import { State } from '../ui/State.tsx';

/** The part of a browser's serial access that is used here. */
interface SerialAccess {
  requestPort(): Promise<Door & { open(options: { baudRate: number }): Promise<void> }>;
}
const serial = (navigator as { serial?: SerialAccess }).serial;

const UNITS: Record<Attached['kind'], string> = {
  scale: 'g',
  refractometer: '°Bx',
  'ph-meter': 'pH',
  thermometer: '°C',
  burette: 'mL',
};
const DIGITS: Record<Attached['kind'], number> = {
  scale: 0,
  refractometer: 1,
  'ph-meter': 2,
  thermometer: 1,
  burette: 2,
};

/** A thermometer speaks in °C and is shown in the kitchen's degrees. */
const shownOf = (kind: Attached['kind'], value: number): number =>
  kind === 'thermometer' ? degreesShown(value) : value;

async function attachSerial(): Promise<void> {
  try {
    const port = await serial!.requestPort();
    await port.open({ baudRate: 9600 });
    await counter.attach(port);
  } catch (error) {
    if ((error as Error).name !== 'NotFoundError')
      toast.error('That port could not be opened. Is another program using it?');
  }
}

/** Instruments that speak to this device now, with their live figures. */
export function Counter() {
  const attached = useAttached();
  return (
    <Ruled title="Attached now">
      {attached.length === 0 && (
        <p className="py-3 text-ink-2">
          Nothing is attached to this device. Read by eye and type, or try the{' '}
          <Link to="/bench/simulated" className="text-link underline">
            simulated bench
          </Link>
          .
        </p>
      )}
      <ul>
        {attached.map((a) => (
          <li key={a.kind} className="border-b border-steel-line py-2.5">
            <p className="flex items-baseline gap-2">
              <span className="min-w-0 flex-1 font-semibold">{a.name}</span>
              <span className="figure text-2xl font-bold">
                {a.value === null ? '–' : shownOf(a.kind, a.value).toFixed(DIGITS[a.kind])}
              </span>
              <span className="w-9 text-sm text-ink-2">
                {a.kind === 'thermometer' ? degrees() : UNITS[a.kind]}
              </span>
            </p>
            <p className="text-sm">
              {a.trouble ? (
                <State tone="stop">{a.trouble}</State>
              ) : (
                <State tone={a.steady ? 'go' : 'plain'}>{a.steady ? 'at rest' : 'moving'}</State>
              )}
              {a.celsius !== null && (
                <span className="text-ink-2"> · sample at {temperature(a.celsius, 0)}</span>
              )}
              {a.millivolts !== null && (
                <span className="figure text-ink-2"> · {a.millivolts.toFixed(1)} mV</span>
              )}
            </p>
          </li>
        ))}
      </ul>
      {serial && (
        <Button tone="plain" className="mt-3 w-full" onClick={() => void attachSerial()}>
          Attach one by its cable
        </Button>
      )}
    </Ruled>
  );
}
