import type { RecipeStep, SaidField } from '@inch/core/recipe';

interface Run {
  text: string;
  field: SaidField | null;
  start: number;
}

/** The words of a step in runs: each joined to a field, or to none. */
function runsOf({ text, joined }: RecipeStep): Run[] {
  const runs: Run[] = [];
  let at = 0;
  for (const { field, start, end } of joined) {
    if (start > at) runs.push({ text: text.slice(at, start), field: null, start: at });
    runs.push({ text: text.slice(start, end), field, start });
    at = end;
  }
  if (at < text.length) runs.push({ text: text.slice(at), field: null, start: at });
  return runs;
}

/** The words that a step was read from: those that were read as something dark and underlined, the rest pale. */
export function StepWords({ read, chosen }: { read: RecipeStep; chosen: SaidField | null }) {
  return runsOf(read).map(({ text, field, start }) =>
    field === null ? (
      <span key={start} className="text-ink-2">
        {start === 0 ? text.charAt(0).toUpperCase() + text.slice(1) : text}
      </span>
    ) : (
      <span
        key={start}
        className={`underline decoration-rim decoration-2 underline-offset-4 ${field === chosen ? 'rounded-sm bg-rim-pale font-semibold outline-2 outline-rim' : ''}`}
      >
        {start === 0 ? text.charAt(0).toUpperCase() + text.slice(1) : text}
      </span>
    ),
  );
}
