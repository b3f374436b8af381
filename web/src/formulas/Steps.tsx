import {
  type ExtractionMethod,
  extractionMethods,
  type Forecast,
  type FormulaStep,
  type StepKind,
} from '@inch/core/formula';
import { MoreHorizontal } from 'lucide-react';
import { useRounds } from '../data/vessels.ts';
import { Button } from '../ui/Button.tsx';
import { Menu } from '../ui/Menu.tsx';
import { Ruled } from '../ui/Sheet.tsx';
import { Sortable, SortableRow } from '../ui/Sortable.tsx';
import { Time } from '../ui/StepFigures.tsx';
import type { Change, Draft } from './draft.ts';
import { StepDetails, stepOutcomeWords } from './line/StepDetails.tsx';
import { StepMind } from './line/StepMind.tsx';
import { STEP_KINDS } from './stepKinds.ts';

interface RowProps {
  step: FormulaStep;
  index: number;
  count: number;
  change: (change: Change) => void;
  outcome: Forecast['steps'][number] | undefined;
  cautions: readonly string[];
  /** In how many rounds it is done, in a sentence. */
  rounds: string | undefined;
}

function StepRow({ step, index, count, change, outcome, cautions, rounds }: RowProps) {
  const n = index + 1;
  const set = (part: Partial<FormulaStep>) => change({ do: 'step', id: step.id, change: part });
  const words = stepOutcomeWords(step, outcome);
  return (
    <SortableRow id={step.id} handle={`Step ${n}, move`} className="border-b border-steel-line py-1">
      {(grip) => (
        <>
          <div className="flex items-center gap-1.5">
            {grip}
            <span className="figure w-5 shrink-0 text-right font-bold text-link">{n}</span>
            <input
              aria-label={`Step ${n}, words`}
              value={step.title}
              maxLength={120}
              onChange={(e) => set({ title: e.target.value })}
              className="min-w-0 flex-1 rounded-md border border-transparent bg-transparent px-2 py-1 hover:border-steel focus:border-steel"
            />
            {step.title.length > 100 && (
              <span className="figure text-xs text-ink-2">{120 - step.title.length} left</span>
            )}
            <span className="text-sm text-ink-2">
              <Time
                key={step.method ?? ''}
                label={`Step ${n}, how long`}
                minutes={step.minutes}
                set={(minutes) => set({ minutes })}
              />
            </span>
            <Menu
              label={`Step ${n}, more`}
              actions={[
                {
                  name: 'Earlier',
                  act: () => change({ do: 'move step', id: step.id, to: index - 1 }),
                  disabled: index === 0,
                },
                {
                  name: 'Later',
                  act: () => change({ do: 'move step', id: step.id, to: index + 1 }),
                  disabled: index === count - 1,
                },
                { name: 'Remove the step', act: () => change({ do: 'drop step', id: step.id }), apart: true },
              ]}
            >
              <MoreHorizontal size={18} aria-hidden="true" />
            </Menu>
          </div>
          {step.words && <p className="pl-[3.9rem] text-sm whitespace-pre-line">{step.words}</p>}
          <div className="flex flex-wrap items-center gap-x-3 gap-y-0.5 pr-2 pl-[3.9rem] text-sm text-ink-2">
            <select
              aria-label={`Step ${n}, kind`}
              value={step.kind}
              onChange={(e) => set({ kind: e.target.value as StepKind })}
              className="-ml-1 rounded-md border border-transparent bg-transparent py-0.5 text-sm [field-sizing:content] hover:border-steel"
            >
              {STEP_KINDS.map((k) => (
                <option key={k.kind} value={k.kind}>
                  {k.name}
                </option>
              ))}
            </select>
            <StepDetails step={step} n={n} drew={outcome?.drew} rate={outcome?.rate} set={set} />
            <StepMind step={step} n={n} set={set} />
            {words && <span className="figure basis-full text-[13px]">{words}</span>}
          </div>
          {rounds && <p className="pl-[3.9rem] text-sm">{rounds}</p>}
          {[...(outcome?.note ? [outcome.note] : []), ...cautions].map((text) => (
            <p key={text} className="pl-[3.9rem] text-sm font-semibold text-hold">
              {text}
            </p>
          ))}
        </>
      )}
    </SortableRow>
  );
}

/** The steps in their order: what each does to the pan is carried into the forecast. */
export function Steps({
  draft,
  forecast,
  change,
}: {
  draft: Draft;
  forecast: Forecast;
  change: (change: Change) => void;
}) {
  const { steps } = draft.content;
  const rounds = useRounds(draft.content, forecast);
  return (
    <Ruled title="Steps" className="mt-6">
      <Sortable
        ids={steps.map((s) => s.id)}
        move={(id, to) => change({ do: 'move step', id, to })}
        nameOf={(id) => `Step ${steps.findIndex((s) => s.id === id) + 1}`}
      >
        <ol>
          {steps.map((step, i) => (
            <StepRow
              key={step.id}
              step={step}
              index={i}
              count={steps.length}
              change={change}
              outcome={forecast.steps[i]}
              rounds={rounds.get(step.id)}
              cautions={forecast.cautions.filter((c) => c.stepId === step.id).map((c) => c.text)}
            />
          ))}
        </ol>
      </Sortable>
      <div className="mt-2 flex flex-wrap items-center gap-1 text-sm text-ink-2 group-disabled:hidden">
        Add
        {STEP_KINDS.map((k) =>
          k.kind === 'draw' ? (
            <Menu
              key={k.kind}
              label="Add a step: extract"
              actions={Object.entries(extractionMethods).map(([method, facts]) => ({
                name: facts.name,
                act: () => change({ do: 'add step', kind: 'draw', method: method as ExtractionMethod }),
              }))}
            >
              extract ▾
            </Menu>
          ) : (
            <Button
              key={k.kind}
              size="small"
              tone="quiet"
              className="px-2"
              aria-label={`Add a step: ${k.name.toLowerCase()}`}
              onClick={() => change({ do: 'add step', kind: k.kind })}
            >
              {k.name.toLowerCase()}
            </Button>
          ),
        )}
      </div>
    </Ruled>
  );
}
