import { extractionMethods, type FormulaStep, strainMethods } from '@inch/core/formula';
import { limitOfHeat, temperature } from '@inch/core/quantity';
import { thicknesses } from '@inch/core/sugar';
import { Button } from '../../ui/Button.tsx';
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

/** The steps that the method was read as, each beside its words: another kind chosen, or left out, with one press. */
export function ReviewSteps({ review }: { review: Review }) {
  return (
    <ol className="border-t border-ink">
      {review.steps.map(({ read, step, out }, i) => (
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
              {read.unread && (
                <span className="font-semibold text-hold">no kind of step recognised: choose one</span>
              )}
            </div>
          )}
        </li>
      ))}
    </ol>
  );
}
