import { type BrokenLot, type LotHead, LotListQuery } from '@inch/contract/lot';
import { LotState } from '@inch/contract/lotRecord';
import { useEffect, useRef, useState } from 'react';
import { useSearchParams } from 'react-router';
import { everyLot, type LotSearch, useLotSearch } from '../data/lots.ts';
import { LotRow } from '../parts/lot/LotList.tsx';
import { lotsAsCsv } from '../parts/lot/lotsAsCsv.ts';
import { Button } from '../ui/Button.tsx';
import { Choice } from '../ui/Field.tsx';
import { plural } from '../ui/format.ts';
import { useKey } from '../ui/keys.tsx';
import { Empty, Ruled, Sheet } from '../ui/Sheet.tsx';
import { Caution } from '../ui/State.tsx';
import { sendOut } from '../ui/sendOut.ts';
import { Bars, ReadFault, Unread } from '../ui/Unread.tsx';
import { Windowed } from '../ui/Windowed.tsx';

const ORDERS = { newest: 'newest first', oldest: 'oldest first', name: 'by name', 'best-by': 'by date' };

/** What is looked for stands in the address, so that it can be sent to somebody and is there on the way back. */
function useSearch() {
  const [params, setParams] = useSearchParams();
  const read = LotListQuery.safeParse(Object.fromEntries(params));
  const { q, state, sort } = read.success ? read.data : { sort: 'newest' as const };
  const change = (next: Record<string, string>) =>
    setParams(
      (before) => {
        for (const [name, value] of Object.entries(next))
          if (value === '' || value === 'newest') before.delete(name);
          else before.set(name, value);
        return before;
      },
      { replace: true },
    );
  const search: LotSearch = { sort, ...(q ? { q } : {}), ...(state ? { state } : {}) };
  return { search, change };
}

/** Milliseconds of rest after which what was typed is looked for. */
const REST_MS = 250;

function FindField({ value, find }: { value: string; find: (q: string) => void }) {
  const [typed, setTyped] = useState(value);
  const input = useRef<HTMLInputElement>(null);
  useKey('/', 'find a lot', () => input.current?.focus());
  // What stands in the address by another way, as by "back", is shown; what is typed goes there after a rest.
  const sent = useRef(value);
  useEffect(() => {
    if (value === sent.current) return;
    sent.current = value;
    setTyped(value);
  }, [value]);
  useEffect(() => {
    if (typed === sent.current) return;
    const timer = setTimeout(() => {
      sent.current = typed;
      find(typed);
    }, REST_MS);
    return () => clearTimeout(timer);
  }, [typed, find]);
  return (
    <input
      ref={input}
      type="search"
      value={typed}
      onChange={(e) => setTyped(e.target.value)}
      aria-label="Find a lot by code, name, buyer, place, stock code, supplier, note or day"
      placeholder="Code, name, buyer, place, note, day"
      className="min-h-10 w-80 rounded-lg border border-steel bg-enamel px-3 max-sm:w-full"
    />
  );
}

const Broken = ({ lots }: { lots: BrokenLot[] }) =>
  lots.map((lot) => (
    <Caution key={lot.id} className="mt-4">
      <strong>
        Lot {lot.code}, {lot.name}, cannot be shown.
      </strong>{' '}
      {lot.why}. The others are not touched. Run <code>npm run verify</code>: it names what was changed.
    </Caution>
  ));

const endOf = (lot: LotHead): string =>
  lot.bottles.filled > 0
    ? `${plural(lot.bottles.filled, 'bottle')}, ${lot.bottles.left} left`
    : (lot.step ?? '');

function Found({ lots, onEnd, more }: { lots: LotHead[]; onEnd: () => void; more: boolean }) {
  return (
    <>
      <Windowed
        items={lots}
        keyOf={(lot) => lot.id}
        rowHeight={71}
        render={(lot) => <LotRow lot={lot} to={`/records/${lot.code}`} end={endOf(lot)} />}
        onEnd={onEnd}
      />
      {more && <Bars rows={2} />}
    </>
  );
}

/** Everything that was found, as a table; while its pages are read, how many there are so far. */
function AsCsv({ search }: { search: LotSearch }) {
  const [read, setRead] = useState<number | null>(null);
  const [fault, setFault] = useState('');
  const sendAll = async () => {
    setFault('');
    setRead(0);
    try {
      const { lots } = await everyLot(search, setRead);
      sendOut('lots.csv', 'text/csv', lotsAsCsv(lots));
    } catch (error) {
      setFault(`Not all could be read. ${(error as Error).message}`);
    }
    setRead(null);
  };
  return (
    <>
      {fault && <span className="text-sm font-semibold text-stop">{fault}</span>}
      <Button tone="quiet" size="small" disabled={read !== null} onClick={() => void sendAll()}>
        {read === null ? 'as CSV' : `${plural(read, 'lot')} read…`}
      </Button>
    </>
  );
}

/** Every lot ever begun, found by what stands in its record. */
export function RecordList() {
  const { search, change } = useSearch();
  const { data, error, refetch, hasNextPage, fetchNextPage, isPlaceholderData } = useLotSearch(search);
  const narrowed = search.q !== undefined || search.state !== undefined;
  const lots = data?.pages.flatMap((page) => page.lots) ?? [];
  if (!data) return <Unread title="Records" error={error} retry={refetch} rows={8} />;
  return (
    <Sheet>
      <div className="flex flex-wrap items-end justify-between gap-3">
        <h1>Records</h1>
        <div className="flex flex-wrap items-end gap-3 max-sm:w-full">
          <FindField value={search.q ?? ''} find={(q) => change({ q })} />
          <Choice
            label="State"
            labelHidden
            value={search.state ?? ''}
            onChange={(e) => change({ state: e.target.value })}
          >
            <option value="">any state</option>
            {LotState.options.map((state) => (
              <option key={state} value={state}>
                {state}
              </option>
            ))}
          </Choice>
          <Choice
            label="Order"
            labelHidden
            value={search.sort}
            onChange={(e) => change({ sort: e.target.value })}
          >
            {Object.entries(ORDERS).map(([sort, said]) => (
              <option key={sort} value={sort}>
                {said}
              </option>
            ))}
          </Choice>
        </div>
      </div>
      {error && <ReadFault error={error} retry={refetch} />}
      <Broken lots={data.pages.flatMap((page) => page.broken)} />
      {lots.length > 0 && (
        <Ruled
          title={
            isPlaceholderData
              ? 'Looking…'
              : `${narrowed ? 'Found' : 'Every lot'}, ${ORDERS[search.sort ?? 'newest']}`
          }
          aside={<AsCsv search={search} />}
          className={`mt-4 ${isPlaceholderData ? 'opacity-60' : ''}`}
        >
          <Found lots={lots} more={hasNextPage} onEnd={() => hasNextPage && void fetchNextPage()} />
        </Ruled>
      )}
      {lots.length === 0 && !narrowed && (
        <Empty title="No records yet">The record writes itself while a lot is made.</Empty>
      )}
      {lots.length === 0 && narrowed && !isPlaceholderData && (
        <Empty title="No lot found">
          <p>
            No lot has {search.q ? `“${search.q}” in its record` : 'this state'}
            {search.q && search.state ? ` and is ${search.state}` : ''}.
          </p>
          <Button className="mt-4" onClick={() => change({ q: '', state: '' })}>
            Show all lots
          </Button>
        </Empty>
      )}
    </Sheet>
  );
}
