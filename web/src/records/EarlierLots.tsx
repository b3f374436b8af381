import type { EarlierLot } from '@inch/contract/kitchen/spreadsheet';
import { plural, volume } from '@inch/core/quantity';
import { useEarlierLots } from '../data/spreadsheets.ts';
import { dayMonthYear } from '../ui/dates.ts';
import { FindField } from '../ui/FindField.tsx';
import { Empty, Ruled, Sheet } from '../ui/Sheet.tsx';
import { Bars, ReadFault, Unread } from '../ui/Unread.tsx';
import { useAddress } from '../ui/useAddress.ts';
import { Windowed } from '../ui/Windowed.tsx';
import { Imported } from './Imported.tsx';
import { RecordsNav } from './RecordsNav.tsx';

const day = (text: string) => dayMonthYear(`${text}T12:00:00Z`);

function said(lot: EarlierLot): string {
  const { bottles, bottleMl, bestBy, ph, brix } = lot;
  return [
    bottles === null
      ? ''
      : `${plural(bottles, 'bottle')}${bottleMl === null ? '' : ` of ${volume(bottleMl)}`}`,
    bottles === null && bottleMl !== null ? volume(bottleMl) : '',
    lot.sold > 0 ? `${lot.sold} sold` : '',
    bestBy === null ? '' : `best by ${day(bestBy)}`,
    ph === null ? '' : `pH ${ph}`,
    brix === null ? '' : `${brix} °Bx`,
    lot.note ?? '',
  ]
    .filter((part) => part !== '')
    .join(' · ');
}

function LotRow({ lot }: { lot: EarlierLot }) {
  return (
    <div className="grid grid-cols-[7rem_7rem_1fr] items-baseline gap-x-4 border-b border-steel-line py-2.5 max-md:grid-cols-[5rem_1fr]">
      <span className="figure font-bold">{lot.code}</span>
      <span className="text-ink-2 max-md:hidden">{day(lot.madeOn)}</span>
      <span className="min-w-0">
        <span className="block font-semibold">{lot.name}</span>
        {said(lot) && <span className="block text-sm">{said(lot)}</span>}
        <Imported from={lot.broughtIn} />
      </span>
    </div>
  );
}

/** Lots from before this program, as spreadsheets name them. */
export function EarlierLots() {
  const { shown, change } = useAddress(['q']);
  const { data, error, refetch, hasNextPage, fetchNextPage } = useEarlierLots(shown.q ?? '');
  if (!data) return <Unread title="Earlier lots" error={error} retry={refetch} rows={8} />;
  const lots = data.pages.flatMap((page) => page.lots);
  return (
    <Sheet>
      <RecordsNav />
      <div className="flex flex-wrap items-end justify-between gap-3">
        <h1>Earlier lots</h1>
        <FindField
          value={shown.q ?? ''}
          find={(q) => change({ q })}
          label="Find an earlier lot by code, product, day or note"
          placeholder="Code, product, day, note"
          says="find an earlier lot"
        />
      </div>
      <p className="mt-1 max-w-prose text-ink-2">
        Imported from spreadsheets. Their figures are as the spreadsheet has them: none was measured with this
        program.
      </p>
      {error && <ReadFault error={error} retry={refetch} />}
      {lots.length > 0 ? (
        <Ruled
          title={shown.q ? 'Found, last made first' : 'Every earlier lot, last made first'}
          className="mt-4"
        >
          <Windowed
            items={lots}
            keyOf={(lot) => lot.id}
            rowHeight={88}
            render={(lot) => <LotRow lot={lot} />}
            onEnd={() => hasNextPage && void fetchNextPage()}
          />
          {hasNextPage && <Bars rows={2} />}
        </Ruled>
      ) : (
        <Empty title={shown.q ? 'No earlier lot found' : 'No earlier lots'}>
          {shown.q
            ? `No earlier lot has “${shown.q}”.`
            : 'Lots that you kept in a spreadsheet before can be imported.'}
        </Empty>
      )}
    </Sheet>
  );
}
