import type { Sale } from '@inch/contract/kitchen/sale';
import { money, plural, priceShown } from '@inch/core/quantity';
import { Link } from 'react-router';
import { everySale, useSales } from '../data/sales.ts';
import { useSession } from '../data/session.tsx';
import { asCsv } from '../ui/csv.ts';
import { dayMonthYear } from '../ui/dates.ts';
import { FindField } from '../ui/FindField.tsx';
import { SendAll } from '../ui/SendAll.tsx';
import { Empty, Ruled, Sheet } from '../ui/Sheet.tsx';
import { Bars, ReadFault, Unread } from '../ui/Unread.tsx';
import { useAddress } from '../ui/useAddress.ts';
import { WhenField } from '../ui/WhenField.tsx';
import { Windowed } from '../ui/Windowed.tsx';
import { Imported } from './Imported.tsx';
import { RecordsNav } from './RecordsNav.tsx';

/** A day, or none: what is half typed is not asked for. */
const isDay = (text: string): boolean => text === '' || /^\d{4}-\d{2}-\d{2}$/.test(text);

const salesAsCsv = (sales: readonly Sale[], currency: string): string =>
  asCsv(
    sales.map((sale) => ({
      day: sale.day,
      lot: sale.code ?? '',
      product: sale.name,
      bottles: sale.bottles,
      [`price in all, ${currency}`]: sale.priceMinor === null ? '' : priceShown(sale.priceMinor, currency),
      buyer: sale.buyer ?? '',
      place: sale.place ?? '',
      note: sale.note ?? '',
      'imported from': sale.broughtIn ? `${sale.broughtIn.fileName}, row ${sale.broughtIn.row}` : '',
    })),
  );

function SaleRow({ sale, currency }: { sale: Sale; currency: string }) {
  const where = [sale.buyer, sale.place, sale.note].filter((said) => said).join(' · ');
  return (
    <div className="grid grid-cols-[7rem_4.5rem_1fr_6.5rem_6rem] items-baseline gap-x-4 border-b border-steel-line py-2.5 max-md:grid-cols-[6rem_1fr_5rem]">
      <span className="text-ink-2">{dayMonthYear(`${sale.day}T12:00:00Z`)}</span>
      <span className="figure font-bold max-md:hidden">
        {sale.code === null ? (
          '–'
        ) : sale.broughtIn ? (
          sale.code
        ) : (
          <Link to={`/records/${sale.code}`} className="text-link underline">
            {sale.code}
          </Link>
        )}
      </span>
      <span className="min-w-0">
        <span className="block font-semibold">{sale.name}</span>
        {where && <span className="block text-sm text-ink-2">{where}</span>}
        <Imported from={sale.broughtIn} />
      </span>
      <span className="text-right">{plural(sale.bottles, 'bottle')}</span>
      <span className="figure text-right max-md:hidden">
        {sale.priceMinor === null ? '–' : money(sale.priceMinor, currency)}
      </span>
    </div>
  );
}

/** What was sold, the newest first: recorded here, and imported. */
export function SaleList() {
  const { kitchen } = useSession();
  const { shown, change } = useAddress(['q', 'from', 'until']);
  const { data, error, refetch, hasNextPage, fetchNextPage } = useSales(shown);
  if (!data) return <Unread title="Sales" error={error} retry={refetch} rows={8} />;
  const sales = data.pages.flatMap((page) => page.sales);
  const narrowed = Object.keys(shown).length > 0;
  return (
    <Sheet>
      <RecordsNav />
      <div className="flex flex-wrap items-end justify-between gap-3">
        <h1>Sales</h1>
        <div className="flex flex-wrap items-end gap-3 max-sm:w-full">
          <FindField
            value={shown.q ?? ''}
            find={(q) => change({ q })}
            label="Find a sale by lot, product, buyer, place or note"
            placeholder="Lot, product, buyer, place"
            says="find a sale"
          />
          <WhenField
            kind="day"
            label="From"
            name="from"
            value={shown.from ?? ''}
            onChange={(from) => isDay(from) && change({ from })}
          />
          <WhenField
            kind="day"
            label="Until"
            name="until"
            value={shown.until ?? ''}
            onChange={(until) => isDay(until) && change({ until })}
          />
        </div>
      </div>
      {error && <ReadFault error={error} retry={refetch} />}
      {sales.length > 0 ? (
        <Ruled
          title={narrowed ? 'Found, newest first' : 'Every sale, newest first'}
          className="mt-4"
          aside={
            <SendAll
              name="sales.csv"
              counted={(count) => plural(count, 'sale')}
              read={async (told) => salesAsCsv(await everySale(shown, told), kitchen.currency)}
            />
          }
        >
          <Windowed
            items={sales}
            keyOf={(sale) => sale.id}
            rowHeight={66}
            render={(sale) => <SaleRow sale={sale} currency={kitchen.currency} />}
            onEnd={() => hasNextPage && void fetchNextPage()}
          />
          {hasNextPage && <Bars rows={2} />}
        </Ruled>
      ) : (
        <Empty title={narrowed ? 'No sale found' : 'No sales yet'}>
          {narrowed
            ? 'No sale has these words and days.'
            : 'What is sold on the Shelf stands here. Sales from before can be imported from a spreadsheet.'}
        </Empty>
      )}
    </Sheet>
  );
}
