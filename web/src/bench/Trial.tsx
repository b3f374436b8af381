import { benchTrialDose, type TrialDose } from '@inch/core/acid';
import { weight } from '@inch/core/quantity';
import { useState } from 'react';
import { Field } from '../ui/Field.tsx';
import { Ruled, Sheet } from '../ui/Sheet.tsx';
import { Caution } from '../ui/State.tsx';
import { figureIn } from '../ui/typed.ts';
import { BenchNav } from './BenchNav.tsx';
import { curveFrom } from './curve.ts';

interface Trial {
  sample: number | null;
  batch: number | null;
  target: number | null;
  points: { ml: number; ph: number }[];
}

function doseOf({ sample, batch, target, points }: Trial): TrialDose | string {
  if (!sample || !batch || target === null) return 'Weigh the sample and the batch, and say the pH you want.';
  try {
    return benchTrialDose({
      points: points.map((p) => ({ gramsPerKg: (p.ml * 1000) / sample, ph: p.ph })),
      targetPh: target,
      batchGrams: batch,
    });
  } catch (error) {
    return (error as Error).message;
  }
}

/** Known small doses into a weighed sample, pH each time, scaled to the batch: it beats any forecast. */
export function Trial() {
  const [sample, setSample] = useState('100');
  const [batch, setBatch] = useState('');
  const [target, setTarget] = useState('3.4');
  const [text, setText] = useState('');
  const { points, unread } = curveFrom(text);
  const dose = doseOf({
    sample: figureIn(sample),
    batch: figureIn(batch),
    target: figureIn(target),
    points,
  });
  return (
    <Sheet
      asideLabel="The dose"
      aside={
        <Ruled title="For the batch">
          {typeof dose === 'string' ? (
            <p className="py-3 text-ink-2">{dose}</p>
          ) : (
            <div className="py-3">
              <p>
                <span className="figure text-5xl font-bold">{weight(dose.grams)}</span>{' '}
                <span className="text-xl font-semibold">in all</span>
              </p>
              <p className="mt-2 text-lg">
                Put in <strong className="figure">{weight(dose.firstGrams)}</strong> first, stir, measure
                again.
              </p>
              {dose.past > 0 && (
                <Caution className="mt-3">
                  It reaches <span className="figure">{Math.round(dose.past * 100)} %</span> past your last
                  trial: try one more dose on the sample.
                </Caution>
              )}
            </div>
          )}
        </Ruled>
      }
    >
      <BenchNav />
      <h1>Trial doses</h1>
      <p className="mt-1 text-ink-2">
        Weigh a sample, put acid in by small weighed doses, and write the grams in all and the pH each time.
      </p>
      <div className="mt-4 grid max-w-xl grid-cols-3 gap-3">
        <Field label="Sample, g" figure value={sample} onChange={(e) => setSample(e.target.value)} />
        <Field label="Batch, g" figure value={batch} onChange={(e) => setBatch(e.target.value)} />
        <Field label="pH wanted" figure value={target} onChange={(e) => setTarget(e.target.value)} />
      </div>
      <label className="mt-4 block max-w-xs">
        <span className="mb-1 block text-sm font-semibold text-ink-2">
          Grams in all and pH, one to a line
        </span>
        <textarea
          rows={7}
          className="figure w-full rounded-lg border border-steel bg-enamel px-3 py-2 text-lg"
          placeholder={'0 4.05\n0.1 3.82\n0.2 3.63\n0.4 3.37'}
          value={text}
          onChange={(e) => setText(e.target.value)}
        />
      </label>
      {unread.length > 0 && (
        <p className="font-semibold text-stop">Not read as grams and pH: “{unread[0]}”</p>
      )}
    </Sheet>
  );
}
