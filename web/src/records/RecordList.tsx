import { type BrokenLot, type LotHead, LotListQuery } from '@inch/contract/making/lot';
import { LotState } from '@inch/core/lot';
import { plural } from '@inch/core/quantity';
import { everyLot, type LotSearch, useLotSearch } from '../data/lots.ts';
import { LotRow } from '../parts/lot/LotList.tsx';
import { lotsAsCsv } from '../parts/lot/lotsAsCsv.ts';
import { Button } from '../ui/Button.tsx';
import { Choice } from '../ui/Field.tsx';
import { FindField } from '../ui/FindField.tsx';
import { SendAll } from '../ui/SendAll.tsx';
import { Empty, Ruled, Sheet } from '../ui/Sheet.tsx';
import { Caution } from '../ui/State.tsx';
import { Bars, ReadFault, Unread } from '../ui/Unread.tsx';
import { useAddress } from '../ui/useAddress.ts';
import { Windowed } from '../ui/Windowed.tsx';
import { RecordsNav } from './RecordsNav.tsx';

const ORDERS = { newest: 'newest first', oldest: 'oldest first', name: 'by name', 'best-by': 'by date' };

/** What is looked for, as the address has it: what it cannot ask is not asked. */
function useSearch() {
  const { shown, change } = useAddress(['q', 'state', 'sort']);
  const read = LotListQuery.safeParse(shown);
  const { q, state, sort } = read.success ? read.data : { sort: 'newest' as const };
  const search: LotSearch = { sort, ...(q ? { q } : {}), ...(state ? { state } : {}) };
  return { search, change };
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

/** Every lot ever begun, found by what stands in its record. */
export function RecordList() {
  const { search, change } = useSearch();
  const { data, error, refetch, hasNextPage, fetchNextPage, isPlaceholderData } = useLotSearch(search);
  const narrowed = search.q !== undefined || search.state !== undefined;
  const lots = data?.pages.flatMap((page) => page.lots) ?? [];
  if (!data) return <Unread title="Records" error={error} retry={refetch} rows={8} />;
  return (
    <Sheet>
      <RecordsNav />
      <div className="flex flex-wrap items-end justify-between gap-3">
        <h1>Records</h1>
        <div className="flex flex-wrap items-end gap-3 max-sm:w-full">
          <FindField
            value={search.q ?? ''}
            find={(q) => change({ q })}
            label="Find a lot by code, name, buyer, place, stock code, supplier, note or day"
            placeholder="Code, name, buyer, place, note, day"
            says="find a lot"
          />
          <Choice
            label="State"
            labelHidden
            value={search.state ?? ''}
            onChange={(e) => change({ state: e.target.value })}
            options={[['', 'any state'], ...LotState.options.map((state) => [state, state] as const)]}
          />
          <Choice
            label="Order"
            labelHidden
            value={search.sort}
            onChange={(e) => change({ sort: e.target.value === 'newest' ? '' : e.target.value })}
            options={Object.entries(ORDERS).map(([sort, said]) => [sort, said])}
          />
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
          aside={
            <SendAll
              name="lots.csv"
              counted={(count) => plural(count, 'lot')}
              read={async (told) => lotsAsCsv((await everyLot(search, told)).lots)}
            />
          }
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
