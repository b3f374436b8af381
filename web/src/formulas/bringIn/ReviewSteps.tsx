import type { FormulaStep } from '@inch/core/formula';
import type { Open, SaidField } from '@inch/core/recipe';
import { useState } from 'react';
import { useCatalogue } from '../../data/catalogue.ts';
import { Button } from '../../ui/Button.tsx';
import { Field } from '../../ui/Field.tsx';
import { Menu } from '../../ui/Menu.tsx';
import { Time } from '../../ui/StepFigures.tsx';
import { figureIn } from '../../ui/typed.ts';
import { StepDetails } from '../line/StepDetails.tsx';
import { STEP_KINDS } from '../stepKinds.ts';
import { StepWords } from './StepWords.tsx';
import { CLEARED, stepFacts } from './stepFacts.ts';
import type { Review } from './useReview.ts';

/** Kinds of step that have a time. */
const TIMED: ReadonlySet<string> = new Set(['draw', 'strain', 'reduce', 'heat', 'process', 'rest']);

type Reviewed = Review['steps'][number];

/** One thing that the words of a step leave open: pressed, or typed where it is a time. */
function Question({ open, review, id, n }: { open: Open; review: Review; id: string; n: number }) {
  const [typed, setTyped] = useState('');
  const minutes = figureIn(typed, { unit: 'min' });
  return (
    <li className="flex flex-wrap items-center gap-x-3 gap-y-1">
      <span className="font-semibold text-hold">{open.ask}</span>
      {open.answers?.map(({ says, part }) => (
        <Button key={says} size="small" tone="plain" onClick={() => review.edit(id, part)}>
          {says}
        </Button>
      ))}
      {open.of === 'minutes' && (
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
            onClick={() => minutes !== null && review.edit(id, { minutes })}
          >
            Take it
          </Button>
        </>
      )}
    </li>
  );
}

/** Asks what the words of a step leave open; what is not answered stays as words. */
function Asked({
  reviewed: { read, open, leftAsWords },
  review,
  n,
}: {
  reviewed: Reviewed;
  review: Review;
  n: number;
}) {
  if (open.length === 0 && !leftAsWords) return null;
  return (
    <div className="mt-1 text-sm">
      <ul className="grid gap-1">
        {open.map((one) => (
          <Question key={one.ask} open={one} review={review} id={read.step.id} n={n} />
        ))}
      </ul>
      {leftAsWords && <span className="font-semibold text-ink-2">Left as words.</span>}
      <Button size="small" tone="quiet" onClick={() => review.settle(read.step.id)}>
        {leftAsWords ? 'Ask again' : 'Leave as words'}
      </Button>
    </div>
  );
}

const chip =
  'rounded-full border px-2.5 py-0.5 text-sm whitespace-nowrap hover:border-rim aria-expanded:border-2 aria-expanded:border-rim aria-expanded:bg-rim-pale aria-expanded:font-semibold';

/** What was read of a step, each beside its words: pressed it is put right or cleared. */
function Facts({
  reviewed: { read, step, own },
  review,
  n,
  chosen,
  choose,
}: {
  reviewed: Reviewed;
  review: Review;
  n: number;
  chosen: SaidField | null;
  choose: (field: SaidField | null) => void;
}) {
  const facts = stepFacts(step);
  const said = new Set(read.joined.map(({ field }) => field));
  const set = (part: Partial<FormulaStep>) => review.edit(read.step.id, part);
  const fact = facts.find(({ field }) => field === chosen);
  return (
    <>
      {facts.map(({ field, says }) => {
        const from = own.has(field) ? 'put right by you' : said.has(field) ? null : 'not said: ours';
        return (
          <button
            key={field}
            type="button"
            aria-expanded={field === chosen}
            className={`${chip} ${from === null ? 'border-steel' : 'border-dashed border-steel text-ink-2'}`}
            onClick={() => choose(field === chosen ? null : field)}
          >
            {says}
            {from !== null && <span className="text-ink-2">, {from}</span>}
          </button>
        );
      })}
      {chosen !== null && (
        <fieldset className="flex basis-full flex-wrap items-center gap-x-3 gap-y-1 rounded-lg bg-rim-pale px-3 py-1.5">
          <legend className="sr-only">Step {n}, put right</legend>
          {TIMED.has(step.kind) && (
            <Time label={`Step ${n}, how long`} minutes={step.minutes} set={(minutes) => set({ minutes })} />
          )}
          <StepDetails step={step} n={n} set={set} />
          {fact && (
            <Button
              size="small"
              tone="quiet"
              onClick={() => {
                set(CLEARED[fact.field]);
                choose(null);
              }}
            >
              Clear “{fact.says}”
            </Button>
          )}
          <Button size="small" tone="quiet" onClick={() => choose(null)}>
            Close
          </Button>
        </fieldset>
      )}
    </>
  );
}

/** What goes in at a step: pressed, it goes in at another. */
function GoesIn({ stepId, review }: { stepId: string; review: Review }) {
  const catalogue = useCatalogue();
  const here = review.lines.filter(({ line, out }) => line.stepId === stepId && !out);
  const steps = review.steps.filter(({ out }) => !out);
  if (here.length === 0) return null;
  return (
    <span className="flex flex-wrap items-center gap-1">
      <span>in:</span>
      {here.map(({ line, read }) => {
        const name = catalogue.find(line.ingredientId)?.name ?? read.text;
        return (
          <Menu
            key={line.id}
            label={`${name}: goes in at another step`}
            actions={steps.map(({ step }) => ({
              name: `${review.steps.findIndex((one) => one.step.id === step.id) + 1} ${step.title}`,
              act: () => review.moveLine(line.id, step.id),
              disabled: step.id === stepId,
            }))}
          >
            <span className="text-sm">{name}</span>
          </Menu>
        );
      })}
    </span>
  );
}

function ReviewStep({ reviewed, review, n }: { reviewed: Reviewed; review: Review; n: number }) {
  const { read, step, out } = reviewed;
  const [chosen, choose] = useState<SaidField | null>(null);
  return (
    <li className="border-b border-steel-line py-2">
      <div className="flex items-start gap-2">
        <p className={`min-w-0 flex-1 py-1 ${out ? 'text-ink-2 line-through' : ''}`}>
          <span className="figure mr-2 font-semibold">{n}</span>
          <StepWords read={read} chosen={chosen} />
        </p>
        <Button
          size="small"
          tone="quiet"
          aria-label={`${out ? 'Put back' : 'Leave out'} step ${n}`}
          onClick={() => review.leaveOut(step.id)}
        >
          {out ? 'Put back' : 'Leave out'}
        </Button>
      </div>
      {!out && (
        <div className="flex flex-wrap items-center gap-x-2 gap-y-1 text-sm">
          <select
            aria-label={`Step ${n}, kind`}
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
          <Facts {...{ reviewed, review, n, chosen, choose }} />
          <GoesIn stepId={step.id} review={review} />
          {read.before !== undefined && <span className="text-ink-2">{read.before} min were said first</span>}
        </div>
      )}
      {!out && read.open.length > 0 && <Asked {...{ reviewed, review, n }} />}
    </li>
  );
}

/** The steps that the method was read as, each beside its words: another kind chosen, a fact put right or left out, with a press. */
export function ReviewSteps({ review }: { review: Review }) {
  return (
    <ol className="border-t border-ink">
      {review.steps.map((reviewed, i) => (
        <ReviewStep key={reviewed.step.id} reviewed={reviewed} review={review} n={i + 1} />
      ))}
    </ol>
  );
}
