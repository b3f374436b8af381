import { type Instrument, instrumentRoutes } from '@inch/contract/instrument';
import { type LotView, lotRoutes } from '@inch/contract/lot';
import { parseJot } from '@inch/core/jot';
import { parseQuantity, toCelsius, toGrams } from '@inch/core/quantity';
import { correctRefractometer } from '@inch/core/sugar';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { call, newId } from '../app/api.ts';
import { Button } from '../ui/Button.tsx';
import { Dialog } from '../ui/Dialog.tsx';
import { Choice, Field } from '../ui/Field.tsx';
import { useWrite } from '../ui/useWrite.ts';

export type Kind = LotView['readings'][number]['kind'];

export const kinds: Record<
  Kind,
  { name: string; label: string; instrument: Instrument['kind'] | null; key: string }
> = {
  brix: { name: 'Sugar', label: 'Refractometer reading, °Bx', instrument: 'refractometer', key: 'b' },
  ph: { name: 'pH', label: 'pH', instrument: 'ph-meter', key: 'p' },
  ta: { name: 'Acid', label: 'mL of 0.1 N base on mL of sample, as 12.6/10', instrument: null, key: 'a' },
  temperature: {
    name: 'Temperature',
    label: 'Temperature, °C (or write 176F)',
    instrument: 'thermometer',
    key: 't',
  },
  mass: { name: 'Weight', label: 'Weight, as in 2.41 kg', instrument: 'scale', key: 'm' },
  depth: { name: 'Dip', label: 'Depth, as 3 5/8 in or 92 mm', instrument: null, key: 'd' },
  note: { name: 'Note', label: 'What you see', instrument: null, key: 'o' },
};

const number = (text: string): number | null =>
  text.trim() === '' || Number.isNaN(Number(text.replace(',', '.'))) ? null : Number(text.replace(',', '.'));

/** What was read as it would be jotted: the words are kept, and the server reads them again. */
const jotted = (kind: Kind, text: string): string => (kind === 'ta' ? `ta ${text}` : `d ${text}`);

/** The figure in core units; null while it cannot be read. */
function rawOf(kind: Kind, text: string): number | null {
  const bare = number(text);
  if (kind === 'brix' || kind === 'ph') return bare;
  if (kind === 'ta' || kind === 'depth') {
    const jot = parseJot(jotted(kind, text));
    return jot.kind === kind ? jot.raw : null;
  }
  try {
    if (kind === 'temperature') return bare ?? toCelsius(parseQuantity(text));
    if (kind === 'mass') return bare ?? toGrams(parseQuantity(text), { name: 'this' }).grams;
  } catch {
    return null;
  }
  return null;
}

function correctionSaid(reading: number | null, celsius: number | null, compensated: boolean): string | null {
  if (reading === null) return null;
  if (celsius === null)
    return compensated
      ? null
      : 'Give the temperature of the sample, so that it can be corrected and counted.';
  try {
    const c = correctRefractometer({ reading, celsius, compensated });
    if (compensated) return `${c.brix.toFixed(1)} °Bx; the instrument corrects by itself`;
    return `${c.brix.toFixed(1)} °Bx at 20 °C (read ${reading} at ${celsius} °C, ${c.correction >= 0 ? '+' : '−'}${Math.abs(c.correction).toFixed(2)})${c.extrapolated ? '; cool the sample for a surer figure' : ''}`;
  } catch (error) {
    return (error as Error).message;
  }
}

function MeterNote({ meter }: { meter: Instrument | undefined }) {
  if (!meter)
    return (
      <p className="text-sm text-ink-2">
        Without a meter named, a pH is kept and does not count for release.
      </p>
    );
  if (meter.calibratedToday) return <p className="text-sm text-ink-2">{meter.calibrations[0]!.reason}</p>;
  return (
    <p className="text-sm font-semibold text-hold">
      {meter.name} is not calibrated today: the reading is kept and does not count for release.{' '}
      <Link to="/bench" className="text-link underline">
        Calibrate
      </Link>
    </p>
  );
}

interface Props {
  lot: LotView;
  stepId: string | null;
  kind: Kind;
  finished: boolean;
  onClose: () => void;
}

function ReadingForm({ lot, stepId, kind, finished, onClose }: Props) {
  const instruments = useQuery({ queryKey: ['instruments'], queryFn: () => call(instrumentRoutes.list) });
  const own = instruments.data?.filter((i) => i.kind === kinds[kind].instrument) ?? [];
  const [text, setText] = useState('');
  const [warmth, setWarmth] = useState('');
  const [sample, setSample] = useState<'pan' | 'finished'>(finished ? 'finished' : 'pan');
  const [instrumentId, setInstrumentId] = useState<string | null>(null);
  const [because, setBecause] = useState('');
  const chosen = own.find((i) => i.id === instrumentId) ?? own[0];
  const [raw, celsius] = [rawOf(kind, text), number(warmth)];
  const write = useWrite(
    () =>
      call(lotRoutes.measure, {
        params: { id: lot.id },
        body: {
          id: newId(),
          stepId,
          kind,
          sample,
          said:
            kind === 'ta' || kind === 'depth'
              ? jotted(kind, text)
              : kind === 'note'
                ? text
                : `${text}${warmth ? ` @${warmth}` : ''}`,
          raw,
          celsius,
          instrumentId: chosen?.id ?? null,
          because: because || null,
        },
      }),
    { after: onClose },
  );
  const questioned = write.fields.because;
  const unread = kind !== 'note' && text !== '' && raw === null ? 'Write a figure.' : undefined;
  return (
    <form
      className="grid gap-4"
      onSubmit={(event) => {
        event.preventDefault();
        write.run(undefined);
      }}
    >
      <div className="grid grid-cols-2 gap-4">
        <Field
          className={kind === 'brix' ? '' : 'col-span-2'}
          label={kinds[kind].label}
          figure={kind !== 'note'}
          autoFocus
          value={text}
          onChange={(e) => setText(e.target.value)}
          error={write.fields.raw ?? write.fields.said ?? unread}
          inputMode={kind === 'brix' || kind === 'ph' ? 'decimal' : 'text'}
        />
        {kind === 'brix' && (
          <Field
            label="Sample, °C"
            figure
            inputMode="decimal"
            value={warmth}
            onChange={(e) => setWarmth(e.target.value)}
          />
        )}
      </div>
      {kind === 'brix' && (
        <p aria-live="polite" className="figure font-bold">
          {correctionSaid(raw, celsius, chosen?.compensated ?? false)}
        </p>
      )}
      {(kind === 'ta' || kind === 'depth') && raw !== null && (
        <p className="text-ink-2">{parseJot(jotted(kind, text)).understood}</p>
      )}
      {kind === 'ph' && <MeterNote meter={chosen} />}
      {own.length > 1 && (
        <Choice label="With" value={chosen?.id} onChange={(e) => setInstrumentId(e.target.value)}>
          {own.map((i) => (
            <option key={i.id} value={i.id}>
              {i.name}
            </option>
          ))}
        </Choice>
      )}
      {(kind === 'brix' || kind === 'ph') && (
        <Choice
          label="Of what"
          value={sample}
          onChange={(e) => setSample(e.target.value as typeof sample)}
          hint={
            sample === 'finished'
              ? 'Only this counts for the gates.'
              : 'Kept for the record; it does not count for the gates.'
          }
        >
          <option value="pan">what is in the pan</option>
          <option value="finished">the finished product, cooled</option>
        </Choice>
      )}
      {questioned && (
        <Field
          label="What is different?"
          value={because}
          onChange={(e) => setBecause(e.target.value)}
          error={because ? undefined : questioned}
          hint={questioned}
        />
      )}
      <div className="flex justify-end gap-3">
        <Button tone="plain" onClick={onClose}>
          Not now
        </Button>
        <Button type="submit" disabled={write.busy || text.trim() === '' || unread !== undefined}>
          Keep it
        </Button>
      </div>
    </form>
  );
}

/** One reading: what was read, how it is corrected, and whether it will count. */
export function TakeReading({ open, ...props }: Props & { open: boolean }) {
  return (
    <Dialog open={open} onClose={props.onClose} title={`${kinds[props.kind].name}, lot ${props.lot.code}`}>
      <ReadingForm {...props} />
    </Dialog>
  );
}
