import { planRoutes } from '@inch/contract/plan';
import { type StockLot, stockRoutes } from '@inch/contract/stock';
import { addDays } from '@inch/core/keeping';
import { type Divided, dividePicking } from '@inch/core/planning';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { call, newId } from '../app/api.ts';
import { useMayWrite, useSession } from '../app/session.tsx';
import { Button } from '../ui/Button.tsx';
import { Choice } from '../ui/Field.tsx';
import { dayMonth, money, weight } from '../ui/format.ts';
import { Empty, Ruled, Sheet } from '../ui/Sheet.tsx';
import { Fruit } from '../ui/State.tsx';
import { useWrite } from '../ui/useWrite.ts';
import {
  asRipeness,
  asUses,
  gramsTyped,
  marginPerKg,
  type RipeRow,
  ripenessOf,
  type UseRow,
  usesOf,
} from './dividing.ts';
import { type Kit, useKit } from './kit.ts';
import { makingOf, partsFor, usualContainer } from './making.ts';
import { PlanNav } from './PlanNav.tsx';

const cell = 'figure min-h-10 w-full rounded-lg border border-steel bg-enamel px-2 text-right';
const day = (d: string) => dayMonth(`${d}T12:00:00Z`);

function RipeTable({ rows, set }: { rows: RipeRow[]; set: (rows: RipeRow[]) => void }) {
  const change = (id: string, part: Partial<RipeRow>) =>
    set(rows.map((r) => (r.id === id ? { ...r, ...part } : r)));
  return (
    <ul>
      {rows.map((r) => (
        <li
          key={r.id}
          className="grid grid-cols-[1fr_6rem_10rem] items-center gap-3 border-b border-steel-line py-1.5"
        >
          <span>{r.says}</span>
          <label className="flex items-center gap-1.5">
            <input
              aria-label={`${r.says}, kg`}
              inputMode="decimal"
              value={r.kg}
              onChange={(e) => change(r.id, { kg: e.target.value })}
              className={cell}
            />
            <span className="text-sm text-ink-2">kg</span>
          </label>
          <input
            type="date"
            aria-label={`${r.says}, until`}
            value={r.until}
            onChange={(e) => change(r.id, { until: e.target.value })}
            className={`${cell} text-left`}
          />
        </li>
      ))}
    </ul>
  );
}

function UseTable({ rows, set, kit }: { rows: UseRow[]; set: (rows: UseRow[]) => void; kit: Kit }) {
  const { currency } = useSession().kitchen;
  const change = (row: UseRow, part: Partial<UseRow>) =>
    set(rows.map((r) => (r === row ? { ...r, ...part } : r)));
  return (
    <div className="overflow-x-auto">
      <table className="w-full min-w-[44rem]">
        <thead>
          <tr className="border-b border-steel-line text-left text-sm text-ink-2">
            {[
              'Into',
              'Worked on',
              'At least, kg',
              'At most, kg',
              `A bottle sells at, ${currency}`,
              'A kilo earns',
            ].map((h) => (
              <th key={h} scope="col" className="py-1 pr-3 font-semibold">
                {h}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => {
            const { name, colour, id } = row.formula;
            const earns = row.price === '' ? null : marginPerKg(row, kit);
            return (
              <tr key={id} className={`border-b border-steel-line ${row.considered ? '' : 'opacity-60'}`}>
                <td className="py-1.5 pr-3">
                  <label className="flex items-center gap-2 font-semibold">
                    <input
                      type="checkbox"
                      className="size-5 accent-[var(--rim)]"
                      checked={row.considered}
                      onChange={(e) => change(row, { considered: e.target.checked })}
                    />
                    <Fruit colour={colour} size={13} /> {name}
                  </label>
                </td>
                <td className="w-40 pr-3">
                  <input
                    type="date"
                    aria-label={`${name}, worked on`}
                    value={row.on}
                    onChange={(e) => change(row, { on: e.target.value })}
                    className={`${cell} text-left`}
                  />
                </td>
                {(['least', 'most', 'price'] as const).map((field) => (
                  <td key={field} className="w-28 pr-3">
                    <input
                      aria-label={`${name}, ${field === 'price' ? 'price a bottle' : `at ${field}`}`}
                      inputMode="decimal"
                      value={row[field]}
                      onChange={(e) => change(row, { [field]: e.target.value })}
                      className={cell}
                    />
                  </td>
                ))}
                <td className="figure text-right">{earns === null ? '–' : money(earns, currency)}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

/** The picking as one bar, parted as it would be. */
function PartedBar({ divided, rows, whole }: { divided: Divided; rows: readonly UseRow[]; whole: number }) {
  const of = (grams: number) => `${(100 * grams) / whole}%`;
  const used = rows
    .map((r) => ({
      ...r.formula,
      grams: divided.shares.filter((s) => s.useId === r.formula.id).reduce((sum, s) => sum + s.grams, 0),
    }))
    .filter((u) => u.grams > 0);
  const frozen = divided.frozen.reduce((sum, f) => sum + f.grams, 0);
  return (
    <div
      role="img"
      aria-label="The picking, parted"
      className="flex h-14 overflow-hidden rounded border-2 border-steel"
    >
      {used.map((u) => (
        <span
          key={u.id}
          className="overflow-hidden px-2 text-sm leading-[3.25rem] font-semibold whitespace-nowrap text-white"
          style={{ width: of(u.grams), background: u.colour }}
        >
          {u.name}
        </span>
      ))}
      {frozen > 0 && (
        <span
          className="overflow-hidden border-l-2 border-enamel bg-rim-pale px-2 text-sm leading-[3.25rem] font-semibold whitespace-nowrap text-ink"
          style={{ width: of(frozen) }}
        >
          freezer
        </span>
      )}
      {divided.over > 0.5 && <span className="hatch" style={{ width: of(divided.over) }} />}
    </div>
  );
}

function SharesList({
  divided,
  rows,
  ripe,
}: {
  divided: Divided;
  rows: readonly UseRow[];
  ripe: readonly RipeRow[];
}) {
  const says = (id: string) => ripe.find((r) => r.id === id)?.says.toLowerCase();
  const frozen = divided.frozen.reduce((sum, f) => sum + f.grams, 0);
  return (
    <ul className="mt-2">
      {divided.shares.map((s) => {
        const row = rows.find((r) => r.formula.id === s.useId)!;
        return (
          <li key={`${s.useId} ${s.ripenessId}`} className="flex gap-4 border-b border-steel-line py-1.5">
            <strong className="figure w-24 text-right">{weight(s.grams)}</strong>
            <span className="flex-1">
              {row.formula.name} on {day(row.on)}{' '}
              <span className="text-ink-2">of what {says(s.ripenessId)}</span>
            </span>
          </li>
        );
      })}
      {frozen > 0 && (
        <li className="flex gap-4 border-b border-steel-line py-1.5">
          <strong className="figure w-24 text-right">{weight(frozen)}</strong>
          <span>into the freezer, a stock lot of its own</span>
        </li>
      )}
      {divided.over > 0.5 && (
        <li className="flex gap-4 border-b border-steel-line py-1.5 font-semibold text-hold">
          <span className="figure w-24 text-right">{weight(divided.over)}</span>
          <span>▲ find no place in time: give them away, or make more room</span>
        </li>
      )}
    </ul>
  );
}

/** Puts the frozen part apart and begins a plan of what is to be made. */
async function keepDivision(
  stock: StockLot,
  divided: Divided,
  rows: readonly UseRow[],
  kit: Kit,
): Promise<string> {
  const frozen = divided.frozen.reduce((sum, f) => sum + f.grams, 0);
  const items = rows.flatMap((row) => {
    const grams = divided.shares
      .filter((s) => s.useId === row.formula.id)
      .reduce((sum, s) => sum + s.grams, 0);
    if (grams <= 0) return [];
    const want = { by: 'fruit' as const, lineId: row.lineId, grams: Math.round(grams), trimmed: false };
    const containerId = usualContainer(row.formula, kit);
    const making = makingOf(row.formula, want, containerId, kit);
    const id = newId();
    return {
      id,
      formulaId: row.formula.id,
      want,
      containerId,
      priceMinor: row.price === '' ? null : Math.round(Number(row.price.replace(',', '.')) * 100),
      bought: null,
      parts: partsFor(making, want, (n) => `${id.slice(-8)}-${n}`),
    };
  });
  const id = newId();
  await call(planRoutes.create, {
    body: { id, content: { name: `${stock.name} of ${day(stock.gotOn)}`, due: null, items, steps: [] } },
  });
  if (frozen > 0.5)
    await call(stockRoutes.divide, {
      params: { id: stock.id },
      body: {
        id: newId(),
        stockId: newId(),
        thing: kit.catalogue.all.find((e) => e.formOf === stock.thing && e.frozen)?.id ?? stock.thing,
        amount: Math.round(frozen),
        words: 'frozen',
        bestBy: addDays(kit.today, 365),
      },
    });
  return id;
}

function Dividing({ stock, kit }: { stock: StockLot; kit: Kit }) {
  const navigate = useNavigate();
  const mayWrite = useMayWrite();
  const { currency } = useSession().kitchen;
  const [ripe, setRipe] = useState(() => ripenessOf(stock, kit.today));
  const [rows, setRows] = useState(() => usesOf(stock, kit));
  const [room, setRoom] = useState(String(kit.kitchen.workshop.freezerGrams / 1000));
  const [worth, setWorth] = useState(() => ((kit.catalogue.pricePerKg(stock.thing) ?? 0) / 100).toFixed(2));
  const parts = asRipeness(ripe);
  const whole = parts.reduce((sum, p) => sum + p.grams, 0);
  const divided =
    whole > 0
      ? dividePicking({
          parts,
          uses: asUses(rows, kit),
          freezer: { room: gramsTyped(room), marginPerKgMinor: Number(worth.replace(',', '.')) * 100 || 0 },
        })
      : null;
  const write = useWrite(() => keepDivision(stock, divided!, rows, kit), {
    after: (id) => navigate(`/plan/${id}`),
  });
  const tooMuch = whole > stock.left + 50;
  const priceless = rows.every((r) => r.price === '');
  return (
    <>
      <div className="mt-5 grid gap-8 lg:grid-cols-2">
        <Ruled title="How long it will wait">
          <RipeTable rows={ripe} set={setRipe} />
        </Ruled>
        <Ruled title="The freezer">
          <div className="grid grid-cols-2 gap-4 pt-2">
            <label>
              <span className="block text-sm text-ink-2">has room for, kg</span>
              <input
                inputMode="decimal"
                value={room}
                onChange={(e) => setRoom(e.target.value)}
                className={cell}
              />
            </label>
            <label>
              <span className="block text-sm text-ink-2">a kilo in it is worth, {currency}</span>
              <input
                inputMode="decimal"
                value={worth}
                onChange={(e) => setWorth(e.target.value)}
                className={cell}
              />
            </label>
          </div>
          <p className="pt-1 text-sm text-ink-2">What it saves you to buy later.</p>
        </Ruled>
      </div>
      <Ruled title="What it may be made into" className="mt-6">
        {rows.length === 0 ? (
          <p className="py-3 text-ink-2">No formula here takes it.</p>
        ) : (
          <UseTable rows={rows} set={setRows} kit={kit} />
        )}
      </Ruled>
      {divided && (
        <Ruled
          title="So it earns most"
          className="mt-6"
          aside={<strong className="figure">{money(divided.marginMinor, currency)}</strong>}
        >
          <div className="pt-3">
            <PartedBar divided={divided} rows={rows} whole={whole} />
          </div>
          <SharesList divided={divided} rows={rows} ripe={ripe} />
          {priceless && (
            <p className="mt-2 text-sm text-ink-2">
              Say what a bottle sells at, so that the uses can be weighed against the freezer.
            </p>
          )}
          {tooMuch && (
            <p className="mt-2 font-semibold text-stop">
              Only {weight(stock.left)} of {stock.code} are there.
            </p>
          )}
          {mayWrite && (
            <Button className="mt-4" disabled={write.busy || tooMuch} onClick={() => write.run(undefined)}>
              Divide it so, and plan the making
            </Button>
          )}
        </Ruled>
      )}
    </>
  );
}

/** One picking over several products and the freezer: by what will not wait, by the day, by what it earns. */
export function Picking() {
  const kit = useKit();
  const [chosen, setChosen] = useState('');
  if (!kit) return null;
  const fruit = kit.stock.filter(
    (s) => s.left > 50 && s.whyUnfit === null && kit.catalogue.find(s.thing)?.family === 'fruit',
  );
  const stock =
    fruit.find((s) => s.id === chosen) ??
    [...fruit].sort((a, b) => b.gotOn.localeCompare(a.gotOn) || b.left - a.left)[0];
  return (
    <Sheet>
      <PlanNav />
      <h1>Divide a picking</h1>
      <p className="mt-1 text-ink-2">
        This much to a shrub, that to the freezer: by what will not wait, by the day it is worked, by what a
        kilo earns.
      </p>
      {stock ? (
        <>
          <Choice
            className="mt-4 max-w-md"
            label="What is on the table"
            value={stock.id}
            onChange={(e) => setChosen(e.target.value)}
          >
            {fruit.map((s) => (
              <option key={s.id} value={s.id}>
                {s.code} {s.name}, {weight(s.left)}
              </option>
            ))}
          </Choice>
          <Dividing key={stock.id} stock={stock} kit={kit} />
        </>
      ) : (
        <Empty title="No fruit is in stock">
          Take the picking in at{' '}
          <Link className="text-link underline" to="/plan/stock">
            Stock
          </Link>{' '}
          first: weighed, with its day.
        </Empty>
      )}
    </Sheet>
  );
}
