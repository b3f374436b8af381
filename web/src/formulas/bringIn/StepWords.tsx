import type { RecipeStep, SaidField } from '@inch/core/recipe';

interface Run {
  text: string;
  fields: SaidField[];
  start: number;
}

/** The words of a step in runs: each joined to a field, or to none. */
function runsOf({ text, joined }: RecipeStep): Run[] {
  const runs: Run[] = [];
  let at = 0;
  for (const { field, start, end } of joined) {
    const last = runs.at(-1);
    if (last && last.start === start && end === at) {
      last.fields.push(field);
      continue;
    }
    if (start > at) runs.push({ text: text.slice(at, start), fields: [], start: at });
    runs.push({ text: text.slice(start, end), fields: [field], start });
    at = end;
  }
  if (at < text.length) runs.push({ text: text.slice(at), fields: [], start: at });
  return runs;
}

/** The words that a step was read from: those that were read as something dark and underlined, the rest pale. */
export function StepWords({ read, chosen }: { read: RecipeStep; chosen: SaidField | null }) {
  return runsOf(read).map(({ text, fields, start }) =>
    fields.length === 0 ? (
      <span key={start} className="text-ink-2">
        {start === 0 ? text.charAt(0).toUpperCase() + text.slice(1) : text}
      </span>
    ) : (
      <span
        key={start}
        className={`underline decoration-rim decoration-2 underline-offset-4 ${chosen !== null && fields.includes(chosen) ? 'rounded-sm bg-rim-pale font-semibold outline-2 outline-rim' : ''}`}
      >
        {start === 0 ? text.charAt(0).toUpperCase() + text.slice(1) : text}
      </span>
    ),
  );
}
