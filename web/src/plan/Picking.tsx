import { planRoutes } from '@inch/contract/kitchen/plan';
import { type StockView, stockRoutes } from '@inch/contract/kitchen/stock';
import { addDays } from '@inch/core/calendar';
import { type Divided, dividePicking, makingOf, partsFor, usualContainer } from '@inch/core/planning';
import { money, pricePerWeightShown, priceShown, weight, weightShown, weightSign } from '@inch/core/quantity';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { call } from '../data/api.ts';
import { type Planning, usePlanning, usePlanningFault } from '../data/planning.ts';
import { useMayWrite, useSession } from '../data/session.tsx';
import { useWrite } from '../data/useWrite.ts';
import { Button } from '../ui/Button.tsx';
import { dayMonth } from '../ui/dates.ts';
import { Choice, Field } from '../ui/Field.tsx';
import { Empty, Ruled, Sheet } from '../ui/Sheet.tsx';
import { priceIn, priceProblem, problemIn } from '../ui/typed.ts';
import { Unread } from '../ui/Unread.tsx';
import { asRipeness, asUses, daysRead, gramsTyped, ripenessOf, type UseRow, usesOf } from './dividing.ts';
import { PartedBar, SharesList } from './PartedPicking.tsx';
import { RipeTable, UseTable } from './PickingTables.tsx';
import { PlanNav } from './PlanNav.tsx';

/** Puts the frozen part apart and begins a plan of what is to be made. */
async function keepDivision(
  stock: StockView,
  divided: Divided,
  rows: readonly UseRow[],
  planning: Planning,
  idOf: (thing: string) => string,
): Promise<string> {
  const frozen = divided.frozen.reduce((sum, f) => sum + f.grams, 0);
  const items = rows.flatMap((row) => {
    const grams = divided.shares
      .filter((s) => s.useId === row.formula.id)
      .reduce((sum, s) => sum + s.grams, 0);
    if (grams <= 0) return [];
    const want = { by: 'fruit' as const, lineId: row.lineId, grams: Math.round(grams), trimmed: false };
    const containerId = usualContainer(row.formula, planning);
    const making = makingOf(row.formula, want, containerId, planning);
    const id = idOf(row.formula.id);
    return {
      id,
      formulaId: row.formula.id,
      want,
      containerId,
      priceMinor: priceIn(row.price, planning.kitchen.currency),
      bought: null,
      parts: partsFor(making, want, (n) => `${id.slice(-8)}-${n}`),
    };
  });
  const id = idOf('plan');
  await call(planRoutes.create, {
    body: {
      id,
      content: {
        name: `${stock.name} of ${dayMonth(stock.gotOn)}`,
        due: null,
        items,
        steps: [],
      },
    },
  });
  if (frozen > 0.5)
    await call(stockRoutes.divide, {
      params: { id: stock.id },
      body: {
        id: idOf('division'),
        stockId: idOf('frozen'),
        thing: planning.catalogue.all.find((e) => e.formOf === stock.thing && e.frozen)?.id ?? stock.thing,
        amount: Math.round(frozen),
        words: 'frozen',
        bestBy: addDays(planning.today, 365),
      },
    });
  return id;
}

/** A picking as it is being divided: how ripe it is, what it may become, what the freezer takes. */
function useDividing(stock: StockView, planning: Planning) {
  const { currency } = useSession().kitchen;
  const [ripe, setRipe] = useState(() => ripenessOf(stock, planning.today));
  const [rows, setRows] = useState(() => usesOf(stock, planning));
  const [room, setRoom] = useState(String(weightShown(planning.kitchen.workshop.freezerGrams, 'heavy')));
  const [worth, setWorth] = useState(() =>
    priceShown(Math.round(pricePerWeightShown(planning.catalogue.pricePerKg(stock.thing) ?? 0)), currency),
  );
  const parts = asRipeness(ripe);
  const whole = parts.reduce((sum, p) => sum + p.grams, 0);
  const freezer = {
    room: gramsTyped(room),
    marginPerKgMinor: (priceIn(worth, currency) ?? 0) / pricePerWeightShown(1),
  };
  const divided =
    whole > 0 && daysRead(ripe, rows)
      ? dividePicking({ parts, uses: asUses(rows, planning), freezer })
      : null;
  return {
    stock,
    planning,
    ripe,
    setRipe,
    rows,
    setRows,
    room,
    setRoom,
    worth,
    setWorth,
    whole,
    divided,
  };
}
type DividingState = ReturnType<typeof useDividing>;

function Freezer({ state }: { state: DividingState }) {
  const { currency } = useSession().kitchen;
  return (
    <Ruled title="The freezer">
      <div className="grid grid-cols-2 gap-4 pt-2">
        <Field
          label={`has room for, ${weightSign('heavy')}`}
          figure
          inputMode="decimal"
          value={state.room}
          error={problemIn(state.room, { unit: 'kg', kitchens: true })}
          onChange={(e) => state.setRoom(e.target.value)}
        />
        <Field
          label={`a ${weightSign('heavy') === 'kg' ? 'kilo' : 'pound'} in it is worth, ${currency}`}
          figure
          inputMode="decimal"
          value={state.worth}
          error={priceProblem(state.worth, currency)}
          onChange={(e) => state.setWorth(e.target.value)}
        />
      </div>
      <p className="pt-1 text-sm text-ink-2">What it saves you to buy later.</p>
    </Ruled>
  );
}

function BestDivision({ state, divided }: { state: DividingState; divided: Divided }) {
  const navigate = useNavigate();
  const mayWrite = useMayWrite();
  const { currency } = useSession().kitchen;
  const { stock, rows, ripe, whole, planning } = state;
  const write = useWrite(
    'stock',
    (_: undefined, idOf) => keepDivision(stock, divided, rows, planning, idOf),
    { after: (id) => navigate(`/plan/${id}`) },
  );
  const tooMuch = whole > stock.left + 50;
  return (
    <Ruled
      title="Most profitable use"
      className="mt-6"
      aside={<strong className="figure">{money(divided.marginMinor, currency)}</strong>}
    >
      <div className="pt-3">
        <PartedBar divided={divided} rows={rows} whole={whole} />
      </div>
      <SharesList divided={divided} rows={rows} ripe={ripe} />
      {rows.every((r) => r.price === '') && (
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
          Divide it and start a plan
        </Button>
      )}
    </Ruled>
  );
}

function Dividing({ stock, planning }: { stock: StockView; planning: Planning }) {
  const state = useDividing(stock, planning);
  const { rows, divided } = state;
  return (
    <>
      <div className="mt-5 grid gap-8 lg:grid-cols-2">
        <Ruled title="How long it will wait">
          <RipeTable rows={state.ripe} set={state.setRipe} />
        </Ruled>
        <Freezer state={state} />
      </div>
      <Ruled title="What it can be made into" className="mt-6">
        {rows.length === 0 ? (
          <p className="py-3 text-ink-2">No formula here takes it.</p>
        ) : (
          <UseTable rows={rows} set={state.setRows} planning={planning} />
        )}
      </Ruled>
      {divided && <BestDivision state={state} divided={divided} />}
    </>
  );
}

/** One picking over several products and the freezer: by what will not wait, by the day, by what it earns. */
export function Picking() {
  const planning = usePlanning();
  const fault = usePlanningFault();
  const [chosen, setChosen] = useState('');
  if (!planning) return <Unread title="Divide a picking" {...fault} />;
  const fruit = planning.stock.filter(
    (s) => s.left > 50 && s.whyUnfit === null && planning.catalogue.find(s.thing)?.family === 'fruit',
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
            options={fruit.map((s) => [s.id, `${s.code} ${s.name}, ${weight(s.left)}`])}
          />
          <Dividing key={stock.id} stock={stock} planning={planning} />
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
