import { type Instrument, instrumentRoutes } from '@inch/contract/instrument';
import {
  CHECKS,
  type CheckedKind,
  type CheckKind,
  type JudgedCheck,
  judgeCheck,
} from '@inch/core/instrument';
import { useState } from 'react';
import { call } from '../data/api.ts';
import { useSession } from '../data/session.tsx';
import { useWrite } from '../data/useWrite.ts';
import { counter, useLiveFigure } from '../parts/instrument/attached.ts';
import { Button } from '../ui/Button.tsx';
import { figureIn } from '../ui/typed.ts';

const ASKS: Record<CheckKind, { title: string; label: string }> = {
  water: { title: 'A drop of distilled water at 20 °C', label: 'It reads, °Bx' },
  weight: { title: 'A known weight', label: 'It reads, g' },
  ice: { title: 'Crushed ice and a little water, stirred', label: 'It reads, °C' },
  boil: { title: 'Water at a full boil', label: 'It reads, °C' },
};

const cell = 'figure min-h-12 w-32 rounded-lg border border-steel bg-enamel px-3 text-right text-lg';

function judged(
  kind: CheckKind,
  read: number | null,
  weight: number | null,
  elevationMetres: number,
): JudgedCheck | null {
  if (read === null) return null;
  try {
    return judgeCheck({ kind, read, weightGrams: weight, elevationMetres });
  } catch {
    return null;
  }
}

/** One check of an instrument without buffers: what it read, judged before it is kept. */
function Check({ instrument, kind }: { instrument: Instrument; kind: CheckKind }) {
  const { kitchen } = useSession();
  const live = useLiveFigure(instrument.kind);
  const [read, setRead] = useState('');
  const [weight, setWeight] = useState('500');
  const verdict = judged(kind, figureIn(read), figureIn(weight, { unit: 'g' }), kitchen.elevationMetres);
  const write = useWrite(
    'instrument',
    (_: undefined, idOf) =>
      call(instrumentRoutes.check, {
        params: { id: instrument.id },
        body: {
          id: idOf(),
          kind,
          read: figureIn(read)!,
          weightGrams: kind === 'weight' ? figureIn(weight, { unit: 'g' }) : null,
        },
      }),
    { done: 'Check saved', after: () => setRead('') },
  );
  return (
    <form
      aria-label={`${instrument.name}: ${ASKS[kind].title}`}
      className="border-b border-steel-line py-3"
      onSubmit={(event) => {
        event.preventDefault();
        write.run(undefined);
      }}
    >
      <div className="flex flex-wrap items-end gap-3">
        <p className="min-w-48 flex-1 self-center font-semibold">{ASKS[kind].title}</p>
        {kind === 'weight' && (
          <label className="text-sm text-ink-2">
            It weighs, g
            <input className={`${cell} block`} value={weight} onChange={(e) => setWeight(e.target.value)} />
          </label>
        )}
        <label className="text-sm text-ink-2">
          {ASKS[kind].label}
          <input className={`${cell} block`} value={read} onChange={(e) => setRead(e.target.value)} />
        </label>
        {live?.value != null && (
          <Button tone="quiet" className="min-h-12" onClick={() => setRead(String(live.value))}>
            take {live.value}
          </Button>
        )}
        {kind === 'weight' && live && (
          <Button
            tone="quiet"
            className="min-h-12"
            onClick={() => void counter.tell('scale', { order: 'tare' })}
          >
            tare
          </Button>
        )}
        <Button type="submit" tone="plain" className="min-h-12" disabled={!verdict || write.busy}>
          Save check
        </Button>
      </div>
      {verdict && (
        <p aria-live="polite" className={`mt-2 font-semibold ${verdict.accepted ? 'text-go' : 'text-stop'}`}>
          {verdict.reason}
        </p>
      )}
      {(write.fields.weightGrams ?? write.fields.read) && (
        <p role="alert" className="mt-1 font-semibold text-stop">
          {write.fields.weightGrams ?? write.fields.read}
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
