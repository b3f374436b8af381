import { type Instrument, instrumentRoutes } from '@inch/contract/making/instrument';
import { bodyOf } from '@inch/contract/route/entry';
import {
  CHECKS,
  type CheckedKind,
  type CheckKind,
  type JudgedCheck,
  judgeCheck,
} from '@inch/core/instrument';
import { send } from '../data/record.ts';
import { serverNow } from '../data/serverClock.ts';
import { useSession } from '../data/session.tsx';
import { useDeedForm } from '../data/useDeedForm.ts';
import { counter, useLiveFigure } from '../parts/instrument/attached.ts';
import { Button } from '../ui/Button.tsx';
import { DraftNote } from '../ui/DraftNote.tsx';
import { Field } from '../ui/Field.tsx';

const ASKS: Record<CheckKind, { title: string; label: string }> = {
  gravity: { title: 'Distilled water at the temperature it was made for', label: 'It reads' },
  salt: { title: 'Table salt, wet with a little water, at 25 °C', label: 'It reads, a_w' },
  water: { title: 'A drop of distilled water at 20 °C', label: 'It reads, °Bx' },
  weight: { title: 'A known weight', label: 'It reads, g' },
  ice: { title: 'Crushed ice and a little water, stirred', label: 'It reads' },
  boil: { title: 'Water at a full boil', label: 'It reads' },
};

const UNITS = { gravity: '', salt: '', water: '', weight: 'g', ice: 'C', boil: 'C' } as const;

/** What a check comes to before it is kept; null while there is nothing to judge. */
function judged(check: Parameters<typeof judgeCheck>[0]): JudgedCheck | null {
  try {
    return judgeCheck(check);
  } catch {
    return null;
  }
}

function useCheck(instrument: Instrument, kind: CheckKind) {
  return useDeedForm({
    of: 'instrument',
    draft: `check ${instrument.id} ${kind}`,
    empty: { read: '', weight: '500' },
    schema: bodyOf('check'),
    read: (_, fields) => ({
      kind,
      read: fields.figure('read', { unit: UNITS[kind] }) ?? undefined,
      weightGrams: kind === 'weight' ? (fields.figure('weight', { unit: 'g' }) ?? undefined) : null,
    }),
    fieldAt: (path) => (path === 'weightGrams' ? 'weight' : undefined),
    write: (body) =>
      send(instrumentRoutes.check, {
        of: 'instrument',
        code: instrument.name,
        words: 'Checked',
        params: { id: instrument.id },
        body: { at: serverNow(), ...body },
      }),
    done: 'Check saved',
  });
}
type CheckFields = ReturnType<typeof useCheck>;

/** What the instrument on the counter shows now, to be taken as it is; a scale is set to nothing first. */
function TakeLive({ instrument, form }: { instrument: Instrument; form: CheckFields }) {
  const live = useLiveFigure(instrument.kind);
  // A real instrument is not checked by what a simulated one shows.
  if (!live || live.simulated) return null;
  return (
    <>
      {live.value !== null && (
        <Button tone="quiet" className="mt-6 min-h-12" onClick={() => form.set('read', String(live.value))}>
          take {live.value}
        </Button>
      )}
      {instrument.kind === 'scale' && (
        <Button
          tone="quiet"
          className="mt-6 min-h-12"
          onClick={() => void counter.order('scale', { order: 'tare' })}
        >
          tare
        </Button>
      )}
    </>
  );
}

/** One check of an instrument without buffers: what it read, judged before it is kept. */
function Check({ instrument, kind }: { instrument: Instrument; kind: CheckKind }) {
  const { elevationMetres } = useSession().kitchen;
  const form = useCheck(instrument, kind);
  const verdict = form.body && judged({ ...form.body, elevationMetres });
  return (
    <form
      aria-label={`${instrument.name}: ${ASKS[kind].title}`}
      className="border-b border-steel-line py-3"
      onSubmit={form.submit}
    >
      <DraftNote form={form} />
      <div className="flex flex-wrap items-start gap-3">
        <p className="min-w-48 flex-1 pt-8 font-semibold">{ASKS[kind].title}</p>
        {kind === 'weight' && (
          <Field className="w-32" label="It weighs, g" figure {...form.field('weight')} />
        )}
        <Field className="w-32" label={ASKS[kind].label} figure {...form.field('read')} />
        <TakeLive instrument={instrument} form={form} />
        <Button type="submit" tone="plain" className="mt-6" disabled={form.busy}>
          Save check
        </Button>
      </div>
      {verdict && (
        <p aria-live="polite" className={`mt-2 font-semibold ${verdict.accepted ? 'text-go' : 'text-stop'}`}>
          {verdict.reason}
        </p>
      )}
    </form>
  );
}

/** The checks an instrument wants: each kept with its verdict, good or not. */
export function Checks({ instrument }: { instrument: Instrument }) {
  if (!(instrument.kind in CHECKS)) return null;
  return CHECKS[instrument.kind as CheckedKind].checks.map((kind) => (
    <Check key={kind} instrument={instrument} kind={kind} />
  ));
}
