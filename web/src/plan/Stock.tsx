import type { StockView } from '@inch/contract/kitchen/stock';
import { priceShown } from '@inch/core/quantity';
import { useState } from 'react';
import { useSearchParams } from 'react-router';
import { useMayWrite, useSession } from '../data/session.tsx';
import { useStock, useUsedUpStock } from '../data/stock.ts';
import { Button } from '../ui/Button.tsx';
import { asCsv } from '../ui/csv.ts';
import { dayMonthYear } from '../ui/dates.ts';
import { Empty, Ruled, Sheet } from '../ui/Sheet.tsx';
import { State } from '../ui/State.tsx';
import { sendOut } from '../ui/sendOut.ts';
import { Tick } from '../ui/Tick.tsx';
import { Bars, Unread } from '../ui/Unread.tsx';
import { amountSaid } from './amount.ts';
import { PlanNav } from './PlanNav.tsx';
import { StockDialog } from './StockDialog.tsx';
import { Stocktake } from './Stocktake.tsx';
import { TakeIn } from './TakeIn.tsx';

function Level({ stock }: { stock: StockView }) {
  const share = Math.min(1, Math.max(0, stock.left / stock.quantity));
  return (
    <span
      aria-hidden="true"
      className="relative block h-3 w-full overflow-hidden rounded-[3px] border border-steel"
    >
      <span
        className={`absolute inset-y-0 left-0 ${stock.whyUnfit ? 'hatch border-r border-hold' : 'bg-rim'}`}
        style={{ width: `${share * 100}%` }}
      />
      {[25, 50, 75].map((at) => (
        <span key={at} className="absolute top-0 h-1.5 w-px bg-steel" style={{ left: `${at}%` }} />
      ))}
    </span>
  );
}

function StockRow({ stock, open }: { stock: StockView; open: () => void }) {
  return (
    <li>
      <button
        type="button"
        onClick={open}
        className="grid w-full grid-cols-[3.5rem_1fr_6rem_7rem_10rem] items-center gap-x-4 border-b border-steel-line py-1.5 text-left hover:bg-enamel-cool max-md:grid-cols-[3.5rem_1fr_6rem]"
      >
        <span className="figure font-bold">{stock.code}</span>
        <span className="min-w-0">
          <span className="block truncate">
            {stock.words || stock.supplier || stock.said || 'nothing noted'}
          </span>
          <span className="block text-sm text-ink-2">
            {dayMonthYear(stock.gotOn)}
            {stock.leftBy && (
              <>
                , left by <span className="figure">{stock.leftBy.code}</span>
              </>
            )}
          </span>
        </span>
        <span className="figure text-right font-bold">{amountSaid(stock.kind, stock.left)}</span>
        <span className="max-md:hidden">
          <Level stock={stock} />
        </span>
        <span className="text-sm max-md:col-start-2 max-md:col-end-4">
          {stock.whyUnfit ? (
            <State tone="hold">
              {stock.whyUnfit.replace(/(\d{4}-\d{2}-\d{2})/, (day) => dayMonthYear(day))}
            </State>
          ) : stock.bestBy ? (
            <span className="text-ink-2">best by {dayMonthYear(stock.bestBy)}</span>
          ) : null}
        </span>
      </button>
    </li>
  );
}

/** Stock by thing, of each the oldest first: so it is used. */
function byThing(stock: readonly StockView[]): [string, StockView[]][] {
  const things = new Map<string, StockView[]>();
  for (const s of stock) things.set(s.name, [s, ...(things.get(s.name) ?? [])]);
  return [...things].sort(
    ([a, [first]], [b, [other]]) => first!.kind.localeCompare(other!.kind) || a.localeCompare(b),
  );
}

function stockAsCsv(stock: readonly StockView[], currency: string): string {
  return asCsv(
    stock.map((s) => ({
      code: s.code,
      what: s.name,
      words: s.words,
      left: Math.round(s.left * 10) / 10,
      unit: s.kind === 'ingredient' ? 'g' : 'pieces',
      came: s.gotOn,
      'best by': s.bestBy ?? '',
      supplier: s.supplier,
      paid: s.costMinor === null ? '' : priceShown(s.costMinor, currency),
      'left by lot': s.leftBy?.code ?? '',
    })),
  );
}

/** How the list of stock is shown: with what is used up, or as a stocktake. */
function StockHead({
  shown,
  all,
  setAll,
  count,
}: {
  shown: readonly StockView[];
  all: boolean;
  setAll: (all: boolean) => void;
  count: () => void;
}) {
  const mayWrite = useMayWrite();
  const { currency } = useSession().kitchen;
  return (
    <div className="flex flex-wrap items-baseline gap-x-5">
      <h1>Stock</h1>
      <p className="min-w-44 flex-1 text-ink-2">
        The oldest fit stock lot is used first. What is weighed into a lot is taken off.
      </p>
      <Tick className="min-h-6 text-sm" checked={all} onChange={(e) => setAll(e.target.checked)}>
        Show what is used up
      </Tick>
      {mayWrite && (
        <Button tone="quiet" size="small" onClick={count}>
          stocktake
        </Button>
      )}
      <Button
        tone="quiet"
        size="small"
        onClick={() => sendOut('stock.csv', 'text/csv', stockAsCsv(shown, currency))}
      >
        as CSV
      </Button>
    </div>
  );
}

function StockOf({
  name,
  lots,
  open,
}: {
  name: string;
  lots: readonly StockView[];
  open: (id: string) => void;
}) {
  const inAll = lots.reduce((sum, s) => sum + s.left, 0);
  return (
    <Ruled
      title={name}
      className="mt-4"
      aside={
        lots.length > 1 && <span className="figure text-sm">{amountSaid(lots[0]!.kind, inAll)} in all</span>
      }
    >
      <ul>
        {lots.map((s) => (
          <StockRow key={s.id} stock={s} open={() => open(s.id)} />
        ))}
      </ul>
    </Ruled>
  );
}

/** What is really there: every stock lot with what is left of it, by thing, the oldest first. */
export function Stock() {
  const { data, error, refetch } = useStock();
  const mayWrite = useMayWrite();
  const [params, setParams] = useSearchParams();
  const asked = params.get('find');
  const [open, setOpen] = useState<string | null>(null);
  const [all, setAll] = useState(false);
  const [counting, setCounting] = useState(false);
  const usedUp = useUsedUpStock(all);
  if (!data) return <Unread title="Stock" error={error} retry={refetch} />;
  const shown = [...data, ...(all ? (usedUp.data ?? []) : [])];
  // A code that was scanned leads here by its address.
  const chosen = shown.find((s) => s.id === open || (open === null && s.code === asked));
  const things = byThing(shown);
  return (
    <Sheet
      asideLabel="Add to stock"
      aside={
        mayWrite && (
          <Ruled title="Add to stock">
            <TakeIn />
          </Ruled>
        )
      }
    >
      <PlanNav />
      <StockHead shown={shown} all={all} setAll={setAll} count={() => setCounting(!counting)} />
      {shown.length === 0 && (
        <Empty title="No stock yet">
          Add what you buy and pick, with its date, its supplier and what you paid. Every lot then says which
          bag its sugar came from.
        </Empty>
      )}
      {all && usedUp.isPending && <Bars rows={3} />}
      {counting ? (
        <Stocktake stock={things.flatMap(([, lots]) => lots)} onDone={() => setCounting(false)} />
      ) : (
        things.map(([name, lots]) => <StockOf key={name} name={name} lots={lots} open={setOpen} />)
      )}
      {chosen && (
        <StockDialog
          stock={chosen}
          onClose={() => {
            setOpen(null);
            setParams({}, { replace: true });
          }}
        />
      )}
    </Sheet>
  );
}
