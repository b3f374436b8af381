import type { Instrument } from '@inch/contract/instrument';
import type { LotView } from '@inch/contract/lot';
import { parseJot } from '@inch/core/jot';
import { samplesAsked, type Taken } from '@inch/core/lot';
import { useState } from 'react';
import { Link } from 'react-router';
import { useInstruments } from '../data/queries.ts';
import { useRecord } from '../data/record.ts';
import { useLiveFigure } from '../parts/instrument/attached.ts';
import { Button } from '../ui/Button.tsx';
import { Dialog } from '../ui/Dialog.tsx';
import { Choice, Field } from '../ui/Field.tsx';
import { figureIn, problemIn } from '../ui/typed.ts';
import { correctionSaid, jotted, type Kind, kinds, rawOf, saidOf, unreadIn } from './taking.ts';

export { kinds };

/** Whether a reading with this instrument will count, and where not, why. */
function InstrumentNote({ kind, instrument }: { kind: Kind; instrument: Instrument | undefined }) {
  if (!instrument)
    return kind === 'ph' ? (
      <p className="text-sm text-ink-2">
        Without its meter named, a pH is recorded but does not count for release.
      </p>
    ) : null;
  if (instrument.counts)
    return kind === 'ph' ? <p className="text-sm text-ink-2">{instrument.calibrations[0]!.reason}</p> : null;
  return (
    <p className="text-sm font-semibold text-hold">
      {instrument.kind === 'ph-meter'
        ? `${instrument.name} is not calibrated today: the reading is recorded but does not count for release.`
        : `The reading is recorded but does not count: ${instrument.whyNot}.`}{' '}
      <Link to="/bench" className="text-link underline">
        {instrument.kind === 'ph-meter' ? 'Calibrate' : 'Check it'}
      </Link>
    </p>
  );
}

/** How a finished sample may be taken, as it is told. */
const TAKEN: Record<Taken, string> = {
  'as-it-is': 'as it pours',
  blended: 'blended with its solids',
  'opened-jar': 'from a jar opened for it',
};

interface Props {
  lot: LotView;
  stepId: string | null;
  kind: Kind;
  finished: boolean;
  onClose: () => void;
}

/** What the instrument on the counter shows now, to be taken as it is. */
function LiveFigure({ kind, take }: { kind: Kind; take: (text: string, warmth: string) => void }) {
  const live = useLiveFigure(kinds[kind].instrument);
  if (!live || live.value === null) return null;
  const digits = { scale: 0, 'ph-meter': 2, refractometer: 1, thermometer: 1, burette: 2 }[live.kind];
  const figure = live.value.toFixed(digits);
  return (
    <div className="flex flex-wrap items-center gap-4 rounded-xl border-2 border-steel px-4 py-3">
      <p className="min-w-40 flex-1">
        <span className="block text-sm text-ink-2">{live.name}</span>
        <span className="figure text-4xl font-bold">{figure}</span>
        {live.celsius !== null && <span className="figure text-ink-2"> at {live.celsius.toFixed(0)} °C</span>}
        <span className="block text-sm text-ink-2">
          {live.trouble ?? (live.steady ? 'at rest' : 'still moving, wait')}
        </span>
      </p>
      <Button
        className="min-h-14"
        disabled={live.trouble !== null}
        onClick={() => take(kind === 'mass' ? `${figure} g` : figure, live.celsius?.toFixed(0) ?? '')}
      >
        Use this figure
      </Button>
    </div>
  );
}

function ReadingForm({ lot, stepId, kind, finished, onClose }: Props) {
  const instruments = useInstruments();
  const own = instruments.data?.filter((i) => i.kind === kinds[kind].instrument && !i.retired) ?? [];
  const live = useLiveFigure(kinds[kind].instrument);
  const [text, setText] = useState('');
  const [warmth, setWarmth] = useState('');
  const [sample, setSample] = useState<'pan' | 'finished'>(finished ? 'finished' : 'pan');
  const asked = kind === 'ph' ? samplesAsked(lot) : null;
  const [taken, setTaken] = useState<Taken>(asked?.[0] ?? 'as-it-is');
  const [instrumentId, setInstrumentId] = useState<string | null>(null);
  const [because, setBecause] = useState('');
  const chosen = own.find((i) => i.id === instrumentId) ?? own.find((i) => i.name === live?.name) ?? own[0];
  const [raw, celsius] = [rawOf(kind, text), figureIn(warmth, { unit: 'C' })];
  const write = useRecord('reading', lot, { after: onClose });
  const said = saidOf(kind, text, warmth);
  const keep = () =>
    write.run({
      shownAs: `${kinds[kind].name} ${text}${warmth ? ` at ${warmth} °C` : ''}`,
      ...{
        stepId,
        kind,
        sample,
        taken: sample === 'finished' ? taken : 'as-it-is',
        said,
        raw,
        celsius,
        instrumentId: chosen?.id ?? null,
        because: because || null,
      },
    });
  const questioned = write.fields.because;
  const unread = unreadIn(kind, text);
  const unreadWarmth = problemIn(warmth, { unit: 'C' });
  return (
    <form
      className="grid gap-4"
      onSubmit={(event) => {
        event.preventDefault();
        keep();
      }}
    >
      <LiveFigure
        kind={kind}
        take={(figure, warm) => {
          setText(figure);
          if (kind === 'brix') setWarmth(warm);
        }}
      />
      <div className="grid grid-cols-2 gap-4">
        <Field
          className={kind === 'brix' ? '' : 'col-span-2'}
          label={kinds[kind].label}
          figure={kind !== 'note'}
          autoFocus
          value={text}
          onChange={(e) => {
            setText(e.target.value);
            write.reset();
          }}
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
            error={unreadWarmth}
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
      <InstrumentNote kind={kind} instrument={chosen} />
      {own.length > 1 && (
        <Choice label="With" value={chosen?.id} onChange={(e) => setInstrumentId(e.target.value)}>
          {own.map((i) => (
            <option key={i.id} value={i.id}>
              {i.name}
            </option>
          ))}
        </Choice>
      )}
      {(kind === 'brix' || kind === 'ph' || kind === 'ta') && (
        <Choice
          label="Of what"
          value={sample}
          onChange={(e) => setSample(e.target.value as typeof sample)}
          hint={
            sample === 'finished'
              ? 'Only this counts for release.'
              : 'Recorded; it does not count for release.'
          }
        >
          <option value="pan">what is in the pan</option>
          <option value="finished">the finished product, cooled</option>
        </Choice>
      )}
      {kind === 'ph' && sample === 'finished' && (
        <Choice
          label="How the sample was taken"
          value={taken}
          onChange={(e) => setTaken(e.target.value as Taken)}
          hint={
            asked && !asked.includes(taken)
              ? `For this lot only a sample ${asked.map((t) => TAKEN[t]).join(', or ')} counts.`
              : undefined
          }
        >
          {(Object.keys(TAKEN) as Taken[]).map((t) => (
            <option key={t} value={t}>
              {TAKEN[t]}
            </option>
          ))}
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
        <Button tone="plain" className="min-h-14" onClick={onClose}>
          Cancel
        </Button>
        <Button
          type="submit"
          className="min-h-14"
          disabled={write.busy || text.trim() === '' || unread !== undefined || unreadWarmth !== undefined}
        >
          Save
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
