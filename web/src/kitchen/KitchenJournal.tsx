import { journalRoutes } from '@inch/contract/kitchen/journal';
import { keepPreviousData, useInfiniteQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { call } from '../data/api.ts';
import { keys } from '../data/keys.ts';
import { JournalTable } from '../parts/journal/JournalTable.tsx';
import { Button } from '../ui/Button.tsx';
import { Choice, Field } from '../ui/Field.tsx';
import { Sheet } from '../ui/Sheet.tsx';
import { ReadFault, Unread } from '../ui/Unread.tsx';
import { useAddress } from '../ui/useAddress.ts';
import { WhenField } from '../ui/WhenField.tsx';

const FILTERS = ['noun', 'by', 'from', 'until'] as const;

/** A day, or none: what is half typed is not asked for. */
const isDay = (text: string): boolean => text === '' || /^\d{4}-\d{2}-\d{2}$/.test(text);

function useJournal(shown: Partial<Record<(typeof FILTERS)[number], string>>) {
  return useInfiniteQuery({
    queryKey: [...keys.list('journal'), shown],
    queryFn: ({ pageParam }) =>
      call(journalRoutes.list, { query: { ...shown, ...(pageParam === null ? {} : { before: pageParam }) } }),
    initialPageParam: null as number | null,
    getNextPageParam: (last) => last.next,
    placeholderData: keepPreviousData,
  });
}

/** Everything that was ever changed in the kitchen, the newest first: by what it is, by whom, on which days. */
export function KitchenJournal() {
  const { shown, change } = useAddress(FILTERS);
  const { data, error, refetch, hasNextPage, fetchNextPage, isFetchingNextPage } = useJournal(shown);
  if (!data) return <Unread title="Journal" error={error} retry={refetch} />;
  const rows = data.pages.flatMap((page) => page.rows);
  const nouns = data.pages[0]!.nouns;
  return (
    <Sheet>
      <p>
        <Link className="text-link underline" to="/kitchen">
          Kitchen settings
        </Link>
      </p>
      <h1>Journal</h1>
      <p className="mt-1 max-w-prose text-ink-2">
        Every change, the newest first. Each row carries the hash of the one before it;{' '}
        <code>npm run verify</code> checks them all.
      </p>
      <div className="my-4 grid max-w-4xl grid-cols-4 gap-3 max-md:grid-cols-2">
        <Choice
          label="What"
          value={shown.noun ?? ''}
          onChange={(e) => change({ noun: e.target.value })}
          options={[['', 'anything'], ...nouns.map((noun) => [noun, noun] as const)]}
        />
        <Field
          key={`by ${shown.by ?? ''}`}
          label="Who"
          placeholder="a name"
          defaultValue={shown.by ?? ''}
          onBlur={(e) => change({ by: e.target.value.trim() })}
          onKeyDown={(e) => e.key === 'Enter' && change({ by: e.currentTarget.value.trim() })}
        />
        <WhenField
          kind="day"
          label="From"
          name="from"
          value={shown.from ?? ''}
          onChange={(day) => isDay(day) && change({ from: day })}
        />
        <WhenField
          kind="day"
          label="Until"
          name="until"
          value={shown.until ?? ''}
          onChange={(day) => isDay(day) && change({ until: day })}
        />
      </div>
      {error && <ReadFault error={error} retry={refetch} />}
      {rows.length === 0 ? (
        <p className="py-6 text-ink-2">
          Nothing of this was changed.{' '}
          <Link className="text-link underline" to="/kitchen/journal">
            Show everything
          </Link>
        </p>
      ) : (
        <JournalTable rows={rows} />
      )}
      {hasNextPage && (
        <Button
          tone="plain"
          className="mt-4"
          disabled={isFetchingNextPage}
          onClick={() => void fetchNextPage()}
        >
          {isFetchingNextPage ? 'Loading…' : 'Show more'}
        </Button>
      )}
    </Sheet>
  );
}
