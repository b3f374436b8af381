import type { LotView } from '@inch/contract/making/lot';
import { useState } from 'react';
import { useRecord } from '../data/record.ts';
import { Button } from '../ui/Button.tsx';
import { Field } from '../ui/Field.tsx';
import { Caution } from '../ui/State.tsx';
import { figureIn, problemIn } from '../ui/typed.ts';

type FateKind = LotView['fates'][number]['fate'];

const SAYS: readonly [FateKind, string][] = [
  ['chilled', 'Chilled, for the kitchen'],
  ['processed-again', 'Processed again, new lid'],
  ['discarded', 'Discarded'],
];

/** What became of each bottle whose seal failed. */
export function Fates({ lot }: { lot: LotView }) {
  const write = useRecord('fate', lot, { showsErrors: true });
  const [many, setMany] = useState('1');
  const count = figureIn(many, { unit: '', whole: true, min: 1 });
  const waiting = lot.sealChecks
    .filter((c) => c.struck === null)
    .map((check) => ({
      check,
      left:
        check.failed - lot.fates.filter((f) => f.checkId === check.id).reduce((sum, f) => sum + f.count, 0),
    }))
    .filter((w) => w.left > 0);
  return waiting.map(({ check, left }) => (
    <Caution key={check.id} className="mb-5">
      <p className="font-semibold">
        {left === 1 ? 'One seal failed' : `${left} seals failed`}
        {check.failedBottles.length > 0 && `, number ${check.failedBottles.join(', ')}`}. What becomes of{' '}
        {left === 1 ? 'it' : 'them'}?
      </p>
      <p className="mt-1 text-sm">
        Within a day: chilled, or processed again with a new lid once that process is recorded. Later, or if
        nobody knows since when: discarded.
      </p>
      <div className="mt-3 flex flex-wrap items-end gap-3">
        {left > 1 && (
          <Field
            label="How many"
            className="w-24"
            figure
            inputMode="numeric"
            value={many}
            onChange={(e) => setMany(e.target.value)}
            error={problemIn(many, { unit: '', whole: true, min: 1, max: left }) ?? write.fields.count}
          />
        )}
        {SAYS.map(([fate, says]) => (
          <Button
            key={fate}
            tone={fate === 'discarded' ? 'stop' : 'plain'}
            disabled={write.busy || (left > 1 && count === null)}
            onClick={() => write.run({ checkId: check.id, fate, count: left > 1 ? count! : 1 })}
          >
            {says}
          </Button>
        ))}
      </div>
      {write.error && !write.fields.count && (
        <p role="alert" className="mt-2 font-semibold text-stop">
          {write.error.message}
        </p>
      )}
    </Caution>
  ));
}
