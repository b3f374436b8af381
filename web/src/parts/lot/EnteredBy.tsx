import type { LotView } from '@inch/contract/making/lot';
import type { StrikeableNoun } from '@inch/core/record';
import { dayAndTime } from '../../ui/dates.ts';
import { StrikeEntry } from './StrikeEntry.tsx';

/** When an entry was written down and by whom, with the way to strike it. */
export function EnteredBy({
  lot,
  noun,
  entry,
  named,
}: {
  lot: LotView;
  noun: StrikeableNoun;
  entry: { id: string; at: string; by: string };
  named: string;
}) {
  return (
    <>
      <span className="text-sm text-ink-2">
        {dayAndTime(entry.at)}, {entry.by}
      </span>{' '}
      <StrikeEntry lot={lot} noun={noun} entryId={entry.id} by={entry.by} named={named} />
    </>
  );
}
