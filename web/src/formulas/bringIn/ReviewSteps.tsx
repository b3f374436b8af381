import { extractionMethods, type FormulaStep, strainMethods } from '@inch/core/formula';
import { limitOfHeat, temperature } from '@inch/core/quantity';
import { thicknesses } from '@inch/core/sugar';
import { useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { Field } from '../../ui/Field.tsx';
import { figureIn } from '../../ui/typed.ts';
import { STEP_KINDS } from '../stepKinds.ts';
import type { Review } from './useReview.ts';

/** Minutes as a cook says them. */
function timeSaid(minutes: number): string {
  if (minutes >= 2880) return `${Number((minutes / 1440).toFixed(1))} days`;
  return minutes >= 120 ? `${Number((minutes / 60).toFixed(1))} h` : `${minutes} min`;
}

/** What was read of a step, in words. */
export function stepFacts(step: FormulaStep): string {
  const { method, cloth, minutes, celsius, toFraction, toBrix, toCelsius } = step;
  return [
    step.kind === 'draw' && method ? extractionMethods[method].name.toLowerCase() : '',
    step.kind === 'strain' && cloth ? strainMethods[cloth].name : '',
    minutes === undefined ? '' : timeSaid(minutes),
    celsius === undefined ? '' : `${temperature(celsius)}`,
    toFraction === undefined ? '' : `until ${Math.round(100 * toFraction)} % is left`,
    toBrix === undefined ? '' : `to ${toBrix} °Bx`,
    toCelsius === undefined ? '' : `until it boils at ${temperature(toCelsius)}`,
    step.toThickness === undefined ? '' : `until it ${thicknesses[step.toThickness].says}`,
    step.liquidAway ? 'the liquid is thrown away' : '',
    step.killStep ? `reaches ${limitOfHeat(90)} or boils for a minute` : '',
    step.neverBoil ? 'kept under the boil' : '',
    step.lidOff ? 'lid off' : '',
  ]
    .filter(Boolean)
    .join(' · ');
}

/** Words as a sentence begins. */
const sentence = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** Kinds of step that have a time. */
const TIMED: ReadonlySet<string> = new Set(['draw', 'strain', 'reduce', 'heat', 'process', 'rest']);

/** Asks what the words of a step leave open: a time is typed, another kind chosen above, or its words stay as they are. */
function Asked({
  read,
  open,
  leftAsWords,
  step,
  review,
  n,
}: Omit<Review['steps'][number], 'out'> & { review: Review; n: number }) {
  const [typed, setTyped] = useState('');
  const minutes = figureIn(typed, { unit: 'min' });
  if (open === null && !leftAsWords) return null;
  return (
    <div className="mt-1 flex flex-wrap items-end gap-x-3 gap-y-1 text-sm">
      <span className={`self-center font-semibold ${open === null ? 'text-ink-2' : 'text-hold'}`}>
        {open ?? 'Left as words.'}
      </span>
      {open !== null && TIMED.has(step.kind) && (
        <>
          <Field
            className="w-28"
            label={`Step ${n}, minutes`}
            labelHidden
            figure
            placeholder="minutes"
            value={typed}
            onChange={(e) => setTyped(e.target.value)}
          />
          <Button
            size="small"
            tone="plain"
            disabled={minutes === null}
            onClick={() => minutes !== null && review.setMinutes(read.step.id, minutes)}
          >
            Take it
          </Button>
        </>
      )}
      <Button size="small" tone="quiet" onClick={() => review.settle(read.step.id)}>
        {open === null ? 'Ask again' : 'Leave as words'}
      </Button>
    </div>
  );
}

/** The steps that the method was read as, each beside its words: another kind chosen, or left out, with one press. */
export function ReviewSteps({ review }: { review: Review }) {
  return (
    <ol className="border-t border-ink">
      {review.steps.map(({ read, step, out, open, leftAsWords }, i) => (
        <li key={step.id} className="border-b border-steel-line py-2">
          <div className="flex items-start gap-2">
            <p className={`min-w-0 flex-1 py-1 ${out ? 'text-ink-2 line-through' : ''}`}>
              <span className="figure mr-2 font-semibold">{i + 1}</span>
              {sentence(read.text)}
            </p>
            <Button
              size="small"
              tone="quiet"
              aria-label={`${out ? 'Put back' : 'Leave out'} step ${i + 1}`}
              onClick={() => review.leaveOut(step.id)}
            >
              {out ? 'Put back' : 'Leave out'}
            </Button>
          </div>
          {!out && (
            <div className="flex flex-wrap items-center gap-x-3 gap-y-1 text-sm text-ink-2">
              <select
                aria-label={`Step ${i + 1}, kind`}
                value={step.kind}
                onChange={(e) => review.setKind(step.id, e.target.value as FormulaStep['kind'])}
                className="rounded-md border border-steel bg-enamel px-1.5 py-0.5 font-semibold text-ink"
              >
                {STEP_KINDS.map(({ kind, name }) => (
                  <option key={kind} value={kind}>
                    {name}
                  </option>
                ))}
              </select>
              <span>{stepFacts(step)}</span>
            </div>
          )}
          {!out && read.ask && <Asked {...{ read, open, leftAsWords, step, review }} n={i + 1} />}
        </li>
      ))}
    </ol>
  );
}
