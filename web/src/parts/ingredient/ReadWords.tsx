import type { WordRead, WordRole } from '@inch/core/line';

const LOOKS: Record<WordRole, string> = {
  amount: 'font-semibold text-ink',
  unit: 'font-semibold text-ink',
  basis: 'text-ink italic',
  ingredient: 'text-link',
  form: 'text-link',
  preparation: 'text-ink-2',
  choice: 'text-ink-2 italic',
  left: 'rounded bg-hold-pale px-1 font-semibold text-hold underline decoration-wavy',
};

const SAID: Record<WordRole, string> = {
  amount: 'amount',
  unit: 'unit',
  basis: 'what it is measured by',
  ingredient: 'ingredient',
  form: 'form of the ingredient',
  preparation: 'how it is made ready',
  choice: 'choice',
  left: 'not understood',
};

/** A line as it was written, each word as what it was used: what was not understood is marked. */
export function ReadWords({ text, words }: { text: string; words: readonly WordRead[] }) {
  let at = 0;
  const parts = words.map((word, i) => {
    const start = text.indexOf(word.text, at);
    const before = start < 0 ? ' ' : text.slice(at, start);
    if (start >= 0) at = start + word.text.length;
    return { ...word, before, key: i };
  });
  return (
    <>
      {parts.map(({ text: word, as, before, key }) => (
        <span key={key}>
          {before}
          <span className={LOOKS[as]} title={SAID[as]}>
            {word}
            {as === 'left' && <span className="sr-only"> (not understood)</span>}
          </span>
        </span>
      ))}
      {text.slice(at)}
    </>
  );
}
