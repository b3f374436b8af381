import type { FormulaStep } from '@inch/core/formula';
import { celsiusOf, degrees, degreesShown } from '@inch/core/quantity';
import { useState } from 'react';
import { Figure } from '../../ui/StepFigures.tsx';

interface Props {
  step: FormulaStep;
  n: number;
  set: (part: Partial<FormulaStep>) => void;
}

function words(step: FormulaStep): string {
  const said: string[] = [];
  if (step.prompt && step.promptEvery) said.push(`${step.prompt} every ${step.promptEvery} min`);
  if (step.toleranceMinutes !== undefined) said.push(`within ${step.toleranceMinutes} min`);
  if (step.neverBoil) said.push('never boil');
  return said.length > 0 ? said.join(' · ') : 'prompts and limits…';
}

/** What is to be minded while a step runs: done again and again, how far off is on time, kept under the boil. */
export function StepMind({ step, n, set }: Props) {
  const [open, setOpen] = useState(false);
  if (!open)
    return (
      <button
        type="button"
        className="rounded px-1 text-sm text-link underline-offset-2 hover:underline"
        aria-label={`Step ${n}, prompts and limits: ${words(step)}`}
        onClick={() => setOpen(true)}
      >
        {words(step)}
      </button>
    );
  const hot = step.kind === 'draw' || step.kind === 'heat';
  return (
    <span className="flex basis-full flex-wrap items-center gap-x-3 gap-y-1">
      <label className="whitespace-nowrap">
        repeat:{' '}
        <input
          aria-label={`Step ${n}, what to repeat`}
          className="w-36 rounded-md border border-steel-line bg-transparent px-1.5 py-0.5 hover:border-steel"
          placeholder="stir"
          defaultValue={step.prompt ?? ''}
          onChange={(e) => set({ prompt: e.target.value.trim() || undefined })}
        />
      </label>
      <Figure
        label={`Step ${n}, every how many minutes`}
        value={step.promptEvery}
        unit="min apart"
        set={(promptEvery) => set({ promptEvery })}
      />
      {step.minutes !== undefined && (
        <Figure
          label={`Step ${n}, on time within how many minutes`}
          value={step.toleranceMinutes}
          typical={Math.max(2, Math.round(step.minutes / 5))}
          unit="min either way is on time"
          set={(toleranceMinutes) => set({ toleranceMinutes })}
        />
      )}
      {hot && (
        <Figure
          label={`Step ${n}, held at ${degrees()}`}
          value={step.celsius === undefined ? undefined : degreesShown(step.celsius)}
          unit={`${degrees()} held`}
          set={(shown) => set({ celsius: shown === undefined ? undefined : celsiusOf(shown) })}
        />
      )}
    </span>
  );
}
