import { type KeyboardEvent, useState } from 'react';
import { useCatalogue } from '../../data/catalogue.ts';
import { IngredientPicker } from '../../parts/ingredient/IngredientPicker.tsx';
import { ReadWords } from '../../parts/ingredient/ReadWords.tsx';
import { Button } from '../../ui/Button.tsx';
import type { IncomingOwn } from '../exchange/fileOwn.ts';
import type { Review, ReviewedLine } from './useReview.ts';

interface Props {
  reviewed: ReviewedLine;
  review: Review;
  own: IncomingOwn | undefined;
  /** Place and name of the step it goes in at. */
  at: string | null;
}

function Words({ reviewed: { read, out }, review }: Pick<Props, 'reviewed' | 'review'>) {
  const [text, setText] = useState<string | null>(null);
  const keep = () => {
    if (text !== null && text.trim() !== '' && text !== read.text) review.reword(read.number, text.trim());
    setText(null);
  };
  const onKeyDown = (e: KeyboardEvent) => {
    if (e.key === 'Enter') {
      e.preventDefault();
      keep();
    } else if (e.key === 'Escape') {
      e.stopPropagation();
      setText(null);
    }
  };
  return (
    <div className="flex items-start gap-2">
      {text === null ? (
        <p className={`min-w-0 flex-1 py-1 ${out ? 'text-ink-2 line-through' : ''}`}>
          {read.words.length > 0 ? <ReadWords text={read.text} words={read.words} /> : read.text}
        </p>
      ) : (
        <input
          aria-label={`Words of “${read.text}”`}
          value={text}
          autoFocus
          onChange={(e) => setText(e.target.value)}
          onKeyDown={onKeyDown}
          onBlur={keep}
          className="min-w-0 flex-1 rounded-md border border-steel bg-enamel px-2 py-1"
        />
      )}
      {review.incoming.document && !out && text === null && (
        <Button
          size="small"
          tone="quiet"
          aria-label={`Change “${read.text}”`}
          onClick={() => setText(read.text)}
        >
          Change
        </Button>
      )}
      {read.part === undefined && (
        <Button
          size="small"
          tone="quiet"
          aria-label={`${out ? 'Put back' : 'Leave out'} “${read.text}”`}
          onClick={() => review.leaveOut(reviewedId(read.number, read.part))}
        >
          {out ? 'Put back' : 'Leave out'}
        </Button>
      )}
    </div>
  );
}

const reviewedId = (number: number, part: number | undefined): string =>
  part === undefined ? `line${number}` : `line${number}.${part}`;

function Open({ reviewed: { read, line, open, mayStand }, review }: Pick<Props, 'reviewed' | 'review'>) {
  if (open === null) return null;
  return (
    <div className="flex flex-wrap items-center gap-1.5 py-1">
      <p className="basis-full text-sm font-semibold text-hold" role="status">
        {open}
      </p>
      {line.ingredientId === '' &&
        read.others.map((other) => (
          <Button key={other.id} size="small" tone="plain" onClick={() => review.choose(line.id, other.id)}>
            {other.name}
          </Button>
        ))}
      {mayStand && (
        <Button size="small" tone="plain" onClick={() => review.settle(line.id)}>
          Keep as read
        </Button>
      )}
    </div>
  );
}

/** A line read: understood, or asked about with the answers beside it. */
export function ReviewLine(props: Props) {
  const { reviewed, review, own, at } = props;
  const { read, line, out } = reviewed;
  const catalogue = useCatalogue();
  const nameOf = (id: string) => catalogue.find(id)?.name.toLowerCase() ?? id;
  const coming = own?.labels.find((label) => label.figures.ingredientId === line.ingredientId);
  return (
    <li className="border-b border-steel-line py-2">
      {read.part === undefined && <Words reviewed={reviewed} review={review} />}
      {!out && (
        <>
          <div className="grid grid-cols-[8rem_1fr] items-center gap-2 max-sm:grid-cols-[6rem_1fr]">
            <span className="font-semibold">{line.said || '–'}</span>
            {coming ? (
              <span>
                {coming.entry.name} <span className="text-sm text-ink-2">from the file</span>
              </span>
            ) : (
              <IngredientPicker
                label={`“${read.text}” is`}
                value={line.ingredientId}
                onChoose={(id) => review.choose(line.id, id)}
              />
            )}
          </div>
          <p className="text-sm text-ink-2">
            {[
              read.before ? `said first: ${read.before}` : '',
              line.optional ? 'may be left out' : '',
              ...(line.or ?? []).map((other) => `or ${other.said} of ${nameOf(other.ingredientId)}`),
              at === null
                ? ''
                : read.unplaced
                  ? `the method does not name it: goes in at ${at}`
                  : `goes in at ${at}`,
            ]
              .filter(Boolean)
              .join(' · ')}
          </p>
          <Open reviewed={reviewed} review={review} />
        </>
      )}
    </li>
  );
}
