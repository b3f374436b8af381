import type { LotView } from '@inch/contract/making/lot';
import { useState } from 'react';
import { Button } from '../ui/Button.tsx';
import { useKey } from '../ui/keys.tsx';
import { TakeReading } from './TakeReading.tsx';
import type { Kind } from './taking.ts';
import { kinds } from './taking.ts';

type Step = LotView['steps'][number];

const FIRST: Partial<Record<Step['kind'], Kind[]>> = {
  reduce: ['depth', 'brix', 'temperature', 'mass', 'volume'],
  heat: ['temperature', 'brix'],
  strain: ['mass', 'volume', 'depth', 'brix'],
  measure: ['brix', 'ph', 'ta'],
  prepare: ['mass', 'note'],
  draw: ['temperature', 'brix', 'depth'],
};

const FINISHED: Kind[] = ['ph', 'brix', 'ta', 'water-activity', 'note'];

/** Instruments of a step first, the others behind them. */
export function Instruments({
  lot,
  step,
  big,
  at,
}: {
  lot: LotView;
  /** Null once every step is done: what is read is then of the finished product. */
  step: Step | null;
  big: boolean;
  at: string | undefined;
}) {
  const [taking, setTaking] = useState<Kind | null>(null);
  const [all, setAll] = useState(false);
  useKey('d', 'dip', () => setTaking('depth'));
  const first = step ? (FIRST[step.kind] ?? (Object.keys(kinds) as Kind[])) : FINISHED;
  const rest = step ? (Object.keys(kinds) as Kind[]).filter((kind) => !first.includes(kind)) : [];
  const shown = big && !all ? first : [...first, ...rest];
  return (
    <>
      <div className="contents">
        {shown.map((kind) => (
          <Button
            key={kind}
            size="stove"
            tone="plain"
            className={big ? 'px-5 text-xl' : 'px-4 text-lg'}
            onClick={() => setTaking(kind)}
          >
            {kinds[kind].name}
          </Button>
        ))}
        {big && !all && rest.length > 0 && (
          <Button size="stove" tone="quiet" className="px-4 text-lg" onClick={() => setAll(true)}>
            more…
          </Button>
        )}
      </div>
      {taking && (
        <TakeReading
          open
          lot={lot}
          stepId={step?.id ?? null}
          kind={taking}
          finished={!step || step.kind === 'measure' || lot.bottles.filled > 0}
          at={at}
          onClose={() => setTaking(null)}
        />
      )}
    </>
  );
}
