import { bodyOf } from '@inch/contract/entry';
import type { Instrument } from '@inch/contract/instrument';
import type { LotView } from '@inch/contract/lot';
import { parseJot } from '@inch/core/jot';
import { PH_SAMPLE, samplesAsked, type Taken } from '@inch/core/lot';
import { volumeAtDepth } from '@inch/core/pan';
import { batchVolume, degrees, degreesShown, temperature } from '@inch/core/quantity';
import { Link } from 'react-router';
import { useInstruments } from '../data/instruments.ts';
import { recordEntry } from '../data/record.ts';
import { useDeedForm } from '../data/useDeedForm.ts';
import { type Attached, useLiveFigure } from '../parts/instrument/attached.ts';
import { Button } from '../ui/Button.tsx';
import { Dialog } from '../ui/Dialog.tsx';
import { DraftNote } from '../ui/DraftNote.tsx';
import { clockTime } from '../ui/dates.ts';
import { Choice, Field } from '../ui/Field.tsx';
import { figureIn } from '../ui/typed.ts';
import { correctionSaid, gravitySaid, jotted, type Kind, kinds, rawOf, saidOf, unreadIn } from './taking.ts';

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
  /** When it was read, where that was earlier. */
  at?: string | undefined;
  onClose: () => void;
}

/** What the instrument on the counter shows now, to be taken as it is. */
function LiveFigure({
  kind,
  take,
}: {
  kind: Kind;
  take: (text: string, warmth: string, live: Attached) => void;
}) {
  const live = useLiveFigure(kinds[kind].instrument);
  if (!live || live.value === null) return null;
  const digits = { scale: 0, 'ph-meter': 2, refractometer: 1, thermometer: 1, burette: 2 }[live.kind];
  const figure = live.value.toFixed(digits);
  return (
    <div className="flex flex-wrap items-center gap-4 rounded-xl border-2 border-steel px-4 py-3">
      <p className="min-w-40 flex-1">
        <span className="block text-sm text-ink-2">{live.name}</span>
        <span className="figure text-4xl font-bold">{figure}</span>
        {live.celsius !== null && (
          <span className="figure text-ink-2"> at {temperature(live.celsius, 0)}</span>
        )}
        <span className="block text-sm text-ink-2">
          {live.trouble ?? (live.steady ? 'at rest' : 'still moving, wait')}
        </span>
      </p>
      <Button
        className="min-h-14"
        disabled={live.trouble !== null}
        onClick={() =>
          take(
            kind === 'mass' ? `${figure} g` : figure,
            live.celsius === null ? '' : degreesShown(live.celsius).toFixed(0),
            live,
          )
        }
      >
        Use this figure
      </Button>
    </div>
  );
}

/** The form of one reading: what was read goes down as it was put, and the server reads it again. */
function useReading({ lot, stepId, kind, finished, at, onClose }: Props) {
  const all = useInstruments().data ?? [];
  const { instrument, or } = kinds[kind];
  const own = all.filter((i) => (i.kind === instrument || i.kind === or) && !i.retired);
  const live = useLiveFigure(kinds[kind].instrument);
  const asked = kind === 'ph' ? samplesAsked(lot) : null;
  const chosenOf = (id: string) =>
    own.find((i) => i.id === id) ?? own.find((i) => i.name === live?.name) ?? own[0];
  const form = useDeedForm({
    of: 'entry',
    draft: `reading ${lot.id} ${kind}`,
    empty: {
      ...{ text: '', warmth: '', held: '', instrumentId: '', because: '', live: '', diluted: false },
      sample: (finished ? 'finished' : 'pan') as 'pan' | 'finished',
      taken: asked?.[0] ?? ('as-it-is' as Taken),
    },
    schema: bodyOf('reading'),
    read: (a, fields) => {
      const unread = a.text.trim() === '' ? 'What did you read?' : unreadIn(kind, a.text);
      if (unread !== undefined) fields.problem('text', unread);
      return {
        ...(at ? { at } : {}),
        stepId,
        kind,
        sample: a.sample,
        taken: a.sample === 'finished' ? a.taken : 'as-it-is',
        said:
          a.live === ''
            ? saidOf(kind, a.text, a.warmth, chosenOf(a.instrumentId)?.kind)
            : `${saidOf(kind, a.text, a.warmth)}, ${a.live}`,
        raw: rawOf(kind, a.text),
        celsius: fields.figure('warmth', { unit: 'C' }),
        heldMinutes: kind === 'temperature' ? fields.figure('held', { unit: 'min' }) : null,
        diluted: kind === 'ph' && a.diluted,
        simulated: a.live !== '',
        instrumentId: a.live === '' ? (chosenOf(a.instrumentId)?.id ?? null) : null,
        because: a.because || null,
      };
    },
    fieldAt: (path) =>
      path === 'raw' || path === 'said'
        ? 'text'
        : path === 'celsius'
          ? 'warmth'
          : path === 'heldMinutes'
            ? 'held'
            : undefined,
    write: (body) => recordEntry('reading', lot, body, `${kinds[kind].name} ${body.said}`),
    after: onClose,
  });
  return { form, own, chosen: chosenOf(form.values.instrumentId), asked };
}
type Reading = ReturnType<typeof useReading>;

/** What is read of a sample whose own temperature matters. */
const WITH_WARMTH: ReadonlySet<Kind> = new Set<Kind>(['brix', 'ph', 'volume']);

/** What stands in the lot's vessel at a depth; nothing where its shape is not known, or it is not that deep. */
function heldAt({ vessel }: LotView, depthMm: number): string {
  if (!vessel) return '';
  try {
    return `: ${batchVolume(volumeAtDepth(vessel.shape, depthMm))} in the ${vessel.name.toLowerCase()}`;
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return `: ${error.message}`;
  }
}

/** What is read, and how it is understood while it is typed. */
function WhatIsRead({
  lot,
  kind,
  reading: { form, chosen },
}: {
  lot: LotView;
  kind: Kind;
  reading: Reading;
}) {
  const { text, warmth } = form.values;
  const raw = rawOf(kind, text);
  const hydrometer = chosen?.kind === 'hydrometer' ? chosen : null;
  return (
    <>
      <div className="grid grid-cols-2 gap-4">
        <Field
          className={WITH_WARMTH.has(kind) || kind === 'temperature' ? '' : 'col-span-2'}
          label={hydrometer ? 'Hydrometer reading, as 1.250' : kinds[kind].label}
          figure={kind !== 'note'}
          autoFocus
          {...form.field('text')}
          inputMode={kind === 'brix' || kind === 'ph' ? 'decimal' : 'text'}
        />
        {WITH_WARMTH.has(kind) && (
          <Field
            label={`Sample, ${degrees()}`}
            figure
            inputMode="decimal"
            hint={
              kind === 'ph'
                ? `A pH counts at ${degreesShown(PH_SAMPLE.from)} to ${temperature(PH_SAMPLE.to)}.`
                : undefined
            }
            {...form.field('warmth')}
          />
        )}
        {kind === 'temperature' && (
          <Field label="Held so hot, minutes" figure inputMode="decimal" {...form.field('held')} />
        )}
      </div>
      {kind === 'brix' && (
        <p aria-live="polite" className="figure font-bold">
          {hydrometer
            ? gravitySaid(raw, figureIn(warmth, { unit: 'C' }), hydrometer.madeForCelsius ?? 20)
            : correctionSaid(raw, figureIn(warmth, { unit: 'C' }), chosen?.compensated ?? false)}
        </p>
      )}
      {(kind === 'ta' || kind === 'depth') && raw !== null && (
        <p className="text-ink-2">
          {parseJot(jotted(kind, text)).understood}
          {kind === 'depth' && heldAt(lot, raw)}
        </p>
      )}
    </>
  );
}

/** What it was a sample of, and how that was taken. */
function SampleFields({ kind, reading: { form, asked } }: { kind: Kind; reading: Reading }) {
  const { sample, taken } = form.values;
  if (!['brix', 'ph', 'ta', 'water-activity'].includes(kind)) return null;
  const counts = !asked || asked.includes(taken);
  return (
    <>
      <Choice
        label="Of what"
        {...form.field('sample')}
        hint={
          sample === 'finished' ? 'Only this counts for release.' : 'Recorded; it does not count for release.'
        }
      >
        <option value="pan">what is in the pan</option>
        <option value="finished">the finished product, cooled</option>
      </Choice>
      {kind === 'ph' && sample === 'finished' && (
        <label className="flex min-h-8 items-center gap-2">
          <input type="checkbox" className="size-5 accent-[var(--rim)]" {...form.register('diluted')} />
          Diluted 1:1 by weight with distilled water, as a thick syrup asks
        </label>
      )}
      {kind === 'ph' && sample === 'finished' && (
        <Choice
          label="How the sample was taken"
          {...form.field('taken')}
          hint={
            counts
              ? undefined
              : `For this lot only a sample ${asked.map((t) => TAKEN[t]).join(', or ')} counts.`
          }
        >
          {(Object.keys(TAKEN) as Taken[]).map((t) => (
            <option key={t} value={t}>
              {TAKEN[t]}
            </option>
          ))}
        </Choice>
      )}
    </>
  );
}

/** Asked where a reading is not what the lot said so far. */
function Because({ form }: Pick<Reading, 'form'>) {
  const question = form.error('because');
  if (question === undefined && form.values.because === '') return null;
  return <Field label="What is different?" {...form.field('because')} />;
}

function ReadingForm(props: Props) {
  const { kind } = props;
  const reading = useReading(props);
  const { form, own, chosen } = reading;
  return (
    <form className="grid gap-4" onSubmit={form.submit}>
      <DraftNote form={form} />
      <LiveFigure
        kind={kind}
        take={(figure, warm, live) => {
          form.set('text', figure);
          form.set('live', live.simulated ? live.name : '');
          if (WITH_WARMTH.has(kind)) form.set('warmth', warm);
        }}
      />
      <WhatIsRead lot={props.lot} kind={kind} reading={reading} />
      {form.values.live === '' ? (
        <InstrumentNote kind={kind} instrument={chosen} />
      ) : (
        <p className="text-sm font-semibold text-hold">
          From {form.values.live}, which is simulated: it is marked so, and counts for no release.
        </p>
      )}
      {form.values.live === '' && own.length > 1 && (
        <Choice
          label="With"
          value={chosen?.id}
          onChange={(event) => form.set('instrumentId', event.target.value)}
        >
          {own.map((i) => (
            <option key={i.id} value={i.id}>
              {i.name}
            </option>
          ))}
        </Choice>
      )}
      <SampleFields kind={kind} reading={reading} />
      <Because form={form} />
      <div className="flex justify-end gap-3">
        <Button tone="plain" className="min-h-14" onClick={props.onClose}>
          Cancel
        </Button>
        <Button type="submit" className="min-h-14" disabled={form.busy}>
          Save
        </Button>
      </div>
    </form>
  );
}

/** One reading: what was read, how it is corrected, and whether it will count. */
export function TakeReading({ open, ...props }: Props & { open: boolean }) {
  return (
    <Dialog
      open={open}
      onClose={props.onClose}
      title={`${kinds[props.kind].name}, lot ${props.lot.code}${props.at ? `, at ${clockTime(props.at)}` : ''}`}
    >
      <ReadingForm {...props} />
    </Dialog>
  );
}
