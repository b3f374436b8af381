import type { Basket } from '@inch/contract/kitchen/stock';
import { grouped, money, weight } from '@inch/core/quantity';
import { useIsMutating } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { type Planning, usePlanning, usePlanningFault } from '../data/planning.ts';
import { usePlans } from '../data/plans.ts';
import { useMayWrite, useSession } from '../data/session.tsx';
import { useWrite } from '../data/useWrite.ts';
import { Button } from '../ui/Button.tsx';
import { Empty, Ruled, Sheet } from '../ui/Sheet.tsx';
import { State } from '../ui/State.tsx';
import { sendOut } from '../ui/sendOut.ts';
import { Tick } from '../ui/Tick.tsx';
import { Unread } from '../ui/Unread.tsx';
import { amountSaid } from './amount.ts';
import { tickOff, useBasket } from './basket.ts';
import { PackForm } from './PackForm.tsx';
import { PlanNav } from './PlanNav.tsx';
import { ReceiptDialog } from './ReceiptDialog.tsx';
import {
  homesFor,
  insteadOf,
  listAsCsv,
  packagingNamed,
  type ShoppingRow,
  shoppingRows,
} from './shopping.ts';

function Beside({ row, planning }: { row: ShoppingRow; planning: Planning }) {
  const homes = homesFor(row, planning);
  const instead = insteadOf(row, planning);
  return (
    <>
      {row.cover && row.cover.leftOver > 0.5 && (
        <span className="block">
          <span className="figure">{amountSaid(row.kind, row.cover.leftOver)}</span> over
          {homes.length > 0 &&
            `, enough for ${homes.map((h) => `${grouped(h.scale, 1)} of ${h.name}`).join(', or ')}`}
        </span>
      )}
      {instead.length > 0 && (
        <details className="mt-0.5">
          <summary className="w-fit cursor-pointer font-semibold text-link">substitutes…</summary>
          <ul className="py-1">
            {instead.map((to) => (
              <li key={to.ingredient.id}>
                <span className="figure font-bold">{weight(to.grams)}</span> of{' '}
                {to.ingredient.name.toLowerCase()}, equal in {to.equalIn}
                {to.inStock > 0 && (
                  <>
                    , <span className="figure">{weight(to.inStock)}</span> in stock
                  </>
                )}
                {to.changes.length > 0 && `; ${to.changes[0]}`}
              </li>
            ))}
          </ul>
        </details>
      )}
    </>
  );
}

function BuyRow({
  row,
  planning,
  taken,
  sell,
}: {
  row: ShoppingRow;
  planning: Planning;
  taken: boolean;
  sell: () => void;
}) {
  const { kitchen } = useSession();
  const mayWrite = useMayWrite();
  const write = useWrite('basket', (on: boolean) =>
    tickOff(
      row.name,
      {
        kind: row.kind,
        thing: row.thing,
        said: row.packs,
        amount: row.cover?.bought ?? row.short,
        paidMinor: row.cover?.costMinor ?? null,
      },
      on,
    ),
  );
  // The tick shows what was pressed while it is on its way.
  const [pressed, setPressed] = useState(taken);
  const shown = write.busy ? pressed : taken;
  const press = (on: boolean) => {
    setPressed(on);
    write.run(on);
  };
  return (
    <li className={`flex gap-4 border-b border-steel-line py-2.5 ${shown ? 'text-ink-2' : ''}`}>
      <input
        type="checkbox"
        aria-label={`${row.name} is in the basket`}
        disabled={!mayWrite || write.busy}
        checked={shown}
        onChange={(e) => press(e.target.checked)}
        className="mt-0.5 size-8 shrink-0 accent-[var(--rim)]"
      />
      <div className="min-w-0 flex-1">
        <p className="flex flex-wrap items-baseline gap-x-4">
          <span className={`text-lg font-semibold ${shown ? 'line-through' : ''}`}>{row.name}</span>
          <span className="figure font-bold">{row.packs || amountSaid(row.kind, row.short)}</span>
          <span className="ml-auto figure">{row.cover && money(row.cover.costMinor, kitchen.currency)}</span>
        </p>
        <div className="text-sm text-ink-2">
          <span className="figure">{amountSaid(row.kind, row.amount)}</span> needed
          {row.inStock > 0.5 && (
            <>
              , <span className="figure">{amountSaid(row.kind, row.inStock)}</span> in stock
            </>
          )}
          , for {row.plans.join(' and ')}
          {row.asks && (
            <span className="block">
              <State tone="hold">{row.asks}</State>
            </span>
          )}
          {mayWrite && (
            <Button
              size="small"
              tone="quiet"
              className="px-2"
              aria-label={`Packs of ${row.name}`}
              onClick={sell}
            >
              {row.asks ? 'set the pack…' : 'packs…'}
            </Button>
          )}
          <Beside row={row} planning={planning} />
        </div>
      </div>
    </li>
  );
}

/** Rows by the shop that sells their packs; what has no packs last. */
function byShop(rows: readonly ShoppingRow[]): [string, ShoppingRow[]][] {
  const shops = new Map<string, ShoppingRow[]>();
  for (const row of rows) shops.set(row.shop, [...(shops.get(row.shop) ?? []), row]);
  return [...shops].sort(([a], [b]) => Number(a === '') - Number(b === '') || a.localeCompare(b));
}

function Covered({ rows }: { rows: readonly ShoppingRow[] }) {
  if (rows.length === 0) return null;
  return (
    <Ruled title="Enough is in stock" className="mt-6">
      <ul>
        {rows.map((row) => (
          <li key={row.thing} className="flex gap-4 border-b border-steel-line py-1.5">
            <span className="flex-1">{row.name}</span>
            <span className="figure text-sm text-ink-2">
              {amountSaid(row.kind, row.amount)} of {amountSaid(row.kind, row.inStock)}
            </span>
          </li>
        ))}
      </ul>
    </Ruled>
  );
}

/** The plans that are shopped for: all that are open, unless some are chosen. */
function useChosenPlans() {
  const [params, setParams] = useSearchParams();
  const plans = (usePlans().data ?? []).filter(
    (p) => !p.done && p.items.some((i) => i.parts.some((part) => !part.lot)),
  );
  const asked = params.getAll('plan');
  const chosen = asked.length > 0 ? plans.filter((p) => asked.includes(p.id)) : plans;
  const choose = (id: string, on: boolean) => {
    const next = plans.filter((p) => (p.id === id ? on : chosen.includes(p))).map((p) => p.id);
    setParams(next.length === plans.length ? {} : { plan: next.length > 0 ? next : ['none'] }, {
      replace: true,
    });
  };
  return { plans, chosen, choose };
}

function Total({ rows, basket }: { rows: readonly ShoppingRow[]; basket: Basket }) {
  const { kitchen } = useSession();
  const all = rows.reduce((sum, r) => sum + (r.cover?.costMinor ?? 0), 0);
  const taken = basket.reduce((sum, b) => sum + (b.paidMinor ?? 0), 0);
  return (
    <p>
      <strong className="figure">{money(all, kitchen.currency)}</strong>
      <span className="text-ink-2"> in all, </span>
      <strong className="figure">{money(taken, kitchen.currency)}</strong>
      <span className="text-ink-2"> in the basket</span>
    </p>
  );
}

function PlanTicks({ plans, chosen, choose }: ReturnType<typeof useChosenPlans>) {
  if (plans.length < 2) return null;
  return (
    <p className="mt-2 flex flex-wrap gap-x-5">
      {plans.map((p) => (
        <Tick
          key={p.id}
          className="min-h-9"
          checked={chosen.includes(p)}
          onChange={(e) => choose(p.id, e.target.checked)}
        >
          {p.name}
        </Tick>
      ))}
    </p>
  );
}

function ByShop({
  rows,
  planning,
  basket,
}: {
  rows: readonly ShoppingRow[];
  planning: Planning;
  basket: Basket;
}) {
  const [selling, setSelling] = useState<ShoppingRow | null>(null);
  return (
    <>
      {byShop(rows).map(([shop, list]) => (
        <Ruled key={shop} title={shop || 'Where, and in which packs is it sold?'} className="mt-5">
          <ul>
            {list.map((row) => (
              <BuyRow
                key={row.thing}
                row={row}
                planning={planning}
                taken={basket.some((b) => b.thing === row.thing)}
                sell={() => setSelling(row)}
              />
            ))}
          </ul>
        </Ruled>
      ))}
      {selling && <PackForm need={selling} onClose={() => setSelling(null)} />}
    </>
  );
}

/** The receipt of what is in the basket; a tick on its way is waited for. */
function Receipt({ planning, basket }: { planning: Planning; basket: Basket }) {
  const ticking = useIsMutating() > 0;
  const [open, setOpen] = useState(false);
  const names = new Map([
    ...packagingNamed(planning).map((p) => [p.thing, p.name] as const),
    ...planning.catalogue.all.map((e) => [e.id, e.name] as const),
  ]);
  return (
    <>
      <Button disabled={ticking} onClick={() => setOpen(true)}>
        Receipt…
      </Button>
      {open && (
        <ReceiptDialog planning={planning} basket={basket} names={names} onClose={() => setOpen(false)} />
      )}
    </>
  );
}

/** The shopping list of one or several plans against stock: by shop, in real packs, ticked off while shopping. */
export function Buy() {
  const planning = usePlanning();
  const fault = usePlanningFault();
  const basket = useBasket();
  const mayWrite = useMayWrite();
  const choosing = useChosenPlans();
  if (!planning || !basket) return <Unread title="Buy" {...fault} />;
  const rows = shoppingRows(choosing.chosen, planning);
  const short = rows.filter((r) => r.short > 0);
  return (
    <Sheet>
      <PlanNav />
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
        <h1>Buy</h1>
        <div className="flex-1">
          <Total rows={short} basket={basket} />
        </div>
        {rows.length > 0 && (
          <Button
            tone="quiet"
            size="small"
            onClick={() => sendOut('to-buy.csv', 'text/csv', listAsCsv(rows, planning.kitchen.currency))}
          >
            as CSV
          </Button>
        )}
        {mayWrite && <Receipt planning={planning} basket={basket} />}
      </div>
      <PlanTicks {...choosing} />
      {rows.length === 0 && (
        <Empty title="Nothing to buy">
          The list comes from your plans, less what is in stock.{' '}
          <Link className="text-link underline" to="/plan">
            Begin a plan
          </Link>
          .
        </Empty>
      )}
      <ByShop rows={short} planning={planning} basket={basket} />
      <Covered rows={rows.filter((r) => r.short <= 0)} />
    </Sheet>
  );
}
