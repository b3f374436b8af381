import type { PlacedWord } from '@inch/core/recipe';

const LOOKS: Record<PlacedWord['in']['of'], string> = {
  name: 'font-bold',
  layout: 'text-ink-2',
  line: 'font-semibold underline decoration-rim decoration-2 underline-offset-4',
  step: '',
  note: 'text-ink-2 italic',
  talk: 'text-ink-2',
};

/** A pasted text as a whole: what became lines underlined, what became steps dark, what is neither pale. */
export function WholeText({ text, words }: { text: string; words: readonly PlacedWord[] }) {
  const runs: { look: string; before: string; from: number; to: number }[] = [];
  for (const { start, end, in: place } of words) {
    const look = LOOKS[place.of];
    const last = runs.at(-1);
    if (last && last.look === look) last.to = end;
    else runs.push({ look, before: text.slice(last?.to ?? 0, start), from: start, to: end });
  }
  return (
    <details className="mt-4">
      <summary className="cursor-pointer font-semibold text-link">The text as it was read</summary>
      <p className="mt-2 text-sm text-ink-2">
        Underlined: a line. Dark: words of a step. Pale: set aside, neither used nor kept.
      </p>
      <p className="mt-1 whitespace-pre-line">
        {runs.map(({ look, before, from, to }) => (
          <span key={from}>
            {before}
            <span className={look}>{text.slice(from, to)}</span>
          </span>
        ))}
        {text.slice(runs.at(-1)?.to ?? 0)}
      </p>
    </details>
  );
}
