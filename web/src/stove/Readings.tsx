import type { LotView } from '@inch/contract/making/lot';
import { howTaken, readingNames, readingSaid } from '@inch/core/lot';
import { temperature } from '@inch/core/quantity';
import { useState } from 'react';
import { NOT_SENT } from '../data/outbox/overlay.ts';
import { useMayWrite } from '../data/session.tsx';
import { StrikeDialog } from '../parts/lot/StrikeEntry.tsx';
import { Button } from '../ui/Button.tsx';
import { clockTime } from '../ui/dates.ts';
import { useRulerUnit } from '../ui/ruler.ts';
import { PhotographReading, ReadingPictures } from './Photographs.tsx';

type Reading = LotView['readings'][number];

function ReadingRow({
  lot,
  reading: r,
  strike,
}: {
  lot: LotView;
  reading: Reading;
  strike: (() => void) | null;
}) {
  const [unit] = useRulerUnit();
  const struck = r.struck !== null;
  const named = `${readingNames[r.kind]} ${readingSaid(r, unit) || r.said} at ${clockTime(r.at)}`;
  const read = r.kind === 'brix' && r.celsius !== null ? `read ${r.raw} at ${temperature(r.celsius, 0)}` : '';
  return (
    <li className="group relative border-b border-steel-line py-2">
      <div className="flex items-baseline gap-2 max-xl:text-[15px] max-lg:text-base">
        <span className={`min-w-0 flex-1 ${struck ? 'text-ink-2 line-through' : ''}`}>
          {r.kind === 'note' ? r.said : readingNames[r.kind]}
        </span>
        <span className={`figure font-bold whitespace-nowrap ${struck ? 'text-ink-2 line-through' : ''}`}>
          {readingSaid(r, unit)}
        </span>
        <span className="figure w-11 text-right text-sm text-ink-2">{clockTime(r.at)}</span>
      </div>
      {howTaken(r).length > 0 && <p className="text-sm text-ink-2">{howTaken(r).join(', ')}</p>}
      {read && <p className={`figure text-sm text-ink-2 ${struck ? 'line-through' : ''}`}>{read}</p>}
      {struck && (
        <p className="text-sm text-ink-2">
          undone by {r.struck!.by}: {r.struck!.why}
        </p>
      )}
      {!struck && r.sample === 'finished' && <p className="text-sm text-ink-2">finished product</p>}
      {!struck && !r.counts && r.whyNot && (
        <p className="text-sm font-semibold text-hold">does not count: {r.whyNot}</p>
      )}
      {r.because && <p className="text-sm text-ink-2">{r.because}</p>}
      <ReadingPictures lot={lot} readingId={r.id} />
      {strike && !struck && (
        <div className="absolute right-0 bottom-1 flex gap-1 opacity-0 group-focus-within:opacity-100 group-hover:opacity-100 pointer-coarse:static pointer-coarse:opacity-100">
          <PhotographReading lot={lot} readingId={r.id} named={named} />
          <Button
            size="small"
            tone="quiet"
            className="border-rim bg-enamel"
            aria-label={`Undo ${named}`}
            onClick={strike}
          >
            undo
          </Button>
        </div>
      )}
    </li>
  );
}

/** The readings of a lot, newest first, struck ones struck through. */
export function Readings({ lot }: { lot: LotView }) {
  const [striking, setStriking] = useState<Reading | null>(null);
  const mayWrite = useMayWrite();
  const newest = [...lot.readings].sort((a, b) => b.at.localeCompare(a.at));
  if (newest.length === 0) return <p className="py-3 text-ink-2">No readings yet.</p>;
  return (
    <>
      <ul>
        {newest.map((r) => (
          <ReadingRow
            key={r.id}
            lot={lot}
            reading={r}
            strike={mayWrite && r.by !== NOT_SENT ? () => setStriking(r) : null}
          />
        ))}
      </ul>
      {striking && (
        <StrikeDialog lot={lot} noun="reading" entryId={striking.id} onClose={() => setStriking(null)} />
      )}
    </>
  );
}
