import type { Instrument } from '@inch/contract/making/instrument';
import type { LotView } from '@inch/contract/making/lot';
import { parseJot } from '@inch/core/jot';
import { PH_SAMPLE, type Taken } from '@inch/core/lot';
import { volumeAtDepth } from '@inch/core/pan';
import { batchVolume, degrees, degreesShown, temperature } from '@inch/core/quantity';
import { Link } from 'react-router';
import { Choice, Field } from '../ui/Field.tsx';
import { Tick } from '../ui/Tick.tsx';
import { figureIn } from '../ui/typed.ts';
import { correctionSaid, gravitySaid, jotted, type Kind, kinds, rawOf } from './taking.ts';
import type { Reading } from './useReading.ts';

/** Whether a reading with this instrument will count, and where not, why. */
export function InstrumentNote({ kind, instrument }: { kind: Kind; instrument: Instrument | undefined }) {
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

/** What is read of a sample whose own temperature matters. */
export const WITH_WARMTH: ReadonlySet<Kind> = new Set<Kind>(['brix', 'ph', 'volume']);

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
export function WhatIsRead({
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
export function SampleFields({ kind, reading: { form, asked } }: { kind: Kind; reading: Reading }) {
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
        options={[
          ['pan', 'what is in the pan'],
          ['finished', 'the finished product, cooled'],
        ]}
      />
      {kind === 'ph' && sample === 'finished' && (
        <Tick {...form.register('diluted')}>
          Diluted 1:1 by weight with distilled water, as a thick syrup asks
        </Tick>
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
          options={(Object.keys(TAKEN) as Taken[]).map((t) => [t, TAKEN[t]])}
        />
      )}
    </>
  );
}

/** Asked where a reading is not what the lot said so far. */
export function Because({ form }: Pick<Reading, 'form'>) {
  const question = form.error('because');
  if (question === undefined && form.values.because === '') return null;
  return <Field label="What is different?" {...form.field('because')} />;
}
