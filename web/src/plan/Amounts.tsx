import type { Plan } from '@inch/contract/kitchen/plan';
import { planRoutes } from '@inch/contract/kitchen/plan';
import { afterNeeds, itemMaking, type Making } from '@inch/core/planning';
import { grouped, plural, weight } from '@inch/core/quantity';
import { coverFrom } from '@inch/core/stock';
import { useState } from 'react';
import { Link } from 'react-router';
import { call } from '../data/api.ts';
import type { Planning } from '../data/planning.ts';
import { useMayWrite } from '../data/session.tsx';
import { useWrite } from '../data/useWrite.ts';
import { Button, buttonLook } from '../ui/Button.tsx';
import { Menu } from '../ui/Menu.tsx';
import { Empty } from '../ui/Sheet.tsx';
import { Fruit, State } from '../ui/State.tsx';
import { offerUndo } from '../ui/undo.ts';
import { ProductForm, wantSaid } from './ProductForm.tsx';
import { useChangePlan, usePutBack } from './usePlan.ts';

type Item = Plan['items'][number];

/** From which stock lots a line would come, and what is short. */
function FromStock({ thing, amount, planning }: { thing: string; amount: number; planning: Planning }) {
  const { withdrawals: draws, short } = coverFrom(planning.stock, thing, amount, planning.today);
  const codes = draws.map((d) => planning.stock.find((s) => s.id === d.stockId)!.code).join(', ');
  if (short <= 0) return <State tone="go">{codes}</State>;
  return (
    <State tone="hold">
      {weight(short)} short{codes && <span className="font-normal">, {codes} for the rest</span>}
    </State>
  );
}

function SheetTable({ making, planning }: { making: Making; planning: Planning }) {
  return (
    <table className="mt-2 w-full">
      <thead>
        <tr className="border-b border-steel-line text-left text-sm text-ink-2">
          <th scope="col" className="py-1 pr-3 font-semibold">
            Line
          </th>
          <th scope="col" className="py-1 pr-3 font-semibold max-sm:hidden">
            The formula says
          </th>
          <th scope="col" className="py-1 pr-3 text-right font-semibold">
            Needed
          </th>
          <th scope="col" className="py-1 pr-5 text-right font-semibold">
            Goes in
          </th>
          <th scope="col" className="py-1 font-semibold">
            From stock
          </th>
        </tr>
      </thead>
      <tbody>
        {making.whole.lines.map((line) => {
          const water = planning.catalogue.find(line.ingredientId)?.family === 'water';
          return (
            <tr key={line.lineId} className="border-b border-steel-line">
              <td className="py-1.5 pr-3 font-semibold">{line.name}</td>
              <td className="py-1.5 pr-3 text-ink-2 max-sm:hidden">{line.said}</td>
              <td className="figure py-1.5 pr-3 text-right">
                {line.toHave === null ? 'open' : weight(line.toHave)}
              </td>
              <td className="figure py-1.5 pr-5 text-right font-bold">
                {line.goesIn === null ? 'open' : weight(line.goesIn)}
              </td>
              <td className="py-1.5 text-sm">
                {water ? (
                  <span className="text-ink-2">tap water</span>
                ) : line.toHave === null ? null : (
                  <FromStock thing={line.ingredientId} amount={line.toHave} planning={planning} />
                )}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

function PartRow({
  plan,
  item,
  part,
  at,
  product,
}: {
  plan: Plan;
  item: Item;
  part: Item['parts'][number];
  at: number;
  product: string;
}) {
  const mayWrite = useMayWrite();
  const write = useWrite('plan', (_: undefined, idOf) =>
    call(planRoutes.start, {
      params: { id: plan.id },
      body: { id: idOf(), partId: part.id, revision: plan.revision },
    }),
  );
  const name = item.parts.length > 1 ? `Lot ${at + 1} of ${item.parts.length}` : 'One lot';
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-steel-line py-2">
      <span className="min-w-40 flex-1">
        {name}, <span className="figure">{grouped(part.scale, 2)}</span> times the formula
      </span>
      {part.lot ? (
        <Link to={`/stove/${part.lot.code}`} className={buttonLook({ tone: 'plain', size: 'small' })}>
          begun as <span className="figure">{part.lot.code}</span>
        </Link>
      ) : (
        mayWrite && (
          <Button
            size="small"
            disabled={write.busy}
            onClick={() => write.run(undefined)}
            aria-label={`Start ${product}, ${name.toLowerCase()}`}
          >
            Start the lot
          </Button>
        )
      )}
    </li>
  );
}

function Product({
  plan,
  item,
  planning,
  stockLeft,
}: {
  plan: Plan;
  item: Item;
  planning: Planning;
  /** The kitchen with what the products before this one take gone from its stock. */
  stockLeft: Planning;
}) {
  const mayWrite = useMayWrite();
  const [changing, setChanging] = useState(false);
  const change = useChangePlan(plan, { after: () => setChanging(false) });
  const making = itemMaking(item, planning);
  const formula = planning.formulas.find((f) => f.id === item.formulaId);
  const begun = item.parts.some((p) => p.lot);
  const replace = (next: Item | null) =>
    change.run({
      items: plan.items.flatMap((i) => (i.id === item.id ? (next ? [next] : []) : [i])),
      steps: plan.steps.filter((s) => !item.parts.some((p) => p.id === s.partId)),
    });
  const putBack = usePutBack(plan);
  const remove = () => {
    replace(null);
    const at = plan.items.indexOf(item);
    offerUndo(`${formula?.name} removed`, () => putBack.run({ item, at }));
  };
  if (!formula) return null;
  return (
    <section aria-label={formula.name} className="border-b border-ink py-5">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <Fruit colour={formula.colour} size={17} />
        <h2 className="flex-1 text-xl font-bold">{formula.name}</h2>
        {mayWrite && (
          <Menu
            label={`More for ${formula.name}`}
            actions={[
              { name: 'Change size', act: () => setChanging(true), disabled: begun },
              { name: 'Remove from the plan', act: remove, disabled: begun, apart: true },
            ]}
          >
            change…
          </Menu>
        )}
      </div>
      {making ? (
        <>
          <p className="mt-1">
            {wantSaid(item.want, making)}: <strong className="figure">{making.whole.bottles}</strong>{' '}
            {making.whole.bottles === 1 ? 'bottle' : 'bottles'} expected
            {making.whole.bottlesLow < making.whole.bottlesHigh &&
              `, ${making.whole.bottlesLow} to ${making.whole.bottlesHigh}`}
            .{making.memory && <span className="text-ink-2"> {making.memory.sentence}</span>}
          </p>
          {making.parting.why.length > 0 && (
            <p className="text-sm text-ink-2">
              Split into {plural(making.parting.lots, 'lot')}, because {making.parting.why.join('; ')}.
            </p>
          )}
          <SheetTable making={making} planning={stockLeft} />
        </>
      ) : (
        <p className="mt-1 font-semibold text-hold">Its lines cannot all be weighed: open the formula.</p>
      )}
      <ul className="mt-1">
        {item.parts.map((part, i) => (
          <PartRow key={part.id} plan={plan} item={item} part={part} at={i} product={formula.name} />
        ))}
      </ul>
      {changing && (
        <ProductForm
          planning={planning}
          item={item}
          busy={change.busy}
          save={replace}
          onClose={() => setChanging(false)}
        />
      )}
    </section>
  );
}

/** The kitchen as each product of a plan finds its stock: less what those before it still take. */
function stockBefore(plan: Plan, planning: Planning): Planning[] {
  let left = planning;
  return plan.items.map((item) => {
    const found = left;
    const making = item.parts.every((p) => p.lot) ? null : itemMaking(item, planning);
    if (making) left = afterNeeds(left, making.needs);
    return found;
  });
}

/** The scaled sheets of a plan: what each product takes, what sets its size, its lots. */
export function Amounts({ plan, planning }: { plan: Plan; planning: Planning }) {
  const mayWrite = useMayWrite();
  const [adding, setAdding] = useState(false);
  const change = useChangePlan(plan, { after: () => setAdding(false) });
  const lefts = stockBefore(plan, planning);
  return (
    <>
      {plan.items.length === 0 && (
        <Empty title="No product in it yet">
          Add one by the bottles you want, by the fruit in hand, by what is in stock, or as much as the
          largest pan takes.
        </Empty>
      )}
      {plan.items.map((item, i) => (
        <Product key={item.id} plan={plan} item={item} planning={planning} stockLeft={lefts[i]!} />
      ))}
      {mayWrite && (
        <Button tone="plain" className="mt-5" onClick={() => setAdding(true)}>
          Add a product
        </Button>
      )}
      {adding && (
        <ProductForm
          planning={planning}
          busy={change.busy}
          save={(item) => change.run({ items: [...plan.items, item] })}
          onClose={() => setAdding(false)}
        />
      )}
    </>
  );
}
