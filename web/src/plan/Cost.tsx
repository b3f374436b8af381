import type { Plan } from '@inch/contract/plan';
import {
  type CostBefore,
  costsOf,
  dayLotsOf,
  drunkLitre,
  hardestOf,
  itemMaking,
  type Making,
} from '@inch/core/planning';
import { priceShown } from '@inch/core/quantity';
import { useState } from 'react';
import type { Planning } from '../data/planning.ts';
import { useMayWrite, useSession } from '../data/session.tsx';
import { Button } from '../ui/Button.tsx';
import { Field } from '../ui/Field.tsx';
import { minutesInWords, money } from '../ui/format.ts';
import { Empty } from '../ui/Sheet.tsx';
import { Fruit, State } from '../ui/State.tsx';
import { figureIn, priceIn, priceProblem, problemIn } from '../ui/typed.ts';
import { useChangePlan } from './usePlan.ts';

type Item = Plan['items'][number];

const PARTS: [keyof CostBefore & ('ingredients' | 'packaging' | 'energy' | 'hands'), string][] = [
  ['ingredients', 'Ingredients'],
  ['packaging', 'Glass, lids, labels'],
  ['energy', 'Energy'],
  ['hands', 'Labour'],
];

/** Where the money goes: parts of one bar, each with its figure. */
function CostParts({ cost, colour, hardest }: { cost: CostBefore; colour: string; hardest: string }) {
  const { kitchen } = useSession();
  const aside: Record<string, string> = {
    energy: `${cost.kwh.toFixed(1)} kWh, calculated`,
    hands: `${minutesInWords(cost.handsMinutes)}${hardest && `: ${hardest}`}`,
  };
  return (
    <table className="w-full">
      <tbody>
        {PARTS.map(([part, name]) => (
          <tr key={part} className="border-b border-steel-line">
            <th scope="row" className="w-64 py-1.5 text-left font-normal">
              {name} {aside[part] && <span className="block text-sm text-ink-2">{aside[part]}</span>}
            </th>
            <td className="py-1.5">
              <span
                aria-hidden="true"
                className="block h-3 rounded-sm"
                style={{
                  width: `${cost.total > 0 ? (100 * cost[part]) / cost.total : 0}%`,
                  background: colour,
                }}
              />
            </td>
            <td className="figure w-28 py-1.5 text-right">{money(cost[part], kitchen.currency)}</td>
          </tr>
        ))}
        <tr className="border-b border-ink font-bold">
          <th scope="row" className="py-1.5 text-left">
            Total
          </th>
          <td />
          <td className="figure py-1.5 text-right">{money(cost.total, kitchen.currency)}</td>
        </tr>
      </tbody>
    </table>
  );
}

function Figure({ name, value }: { name: string; value: number | null }) {
  const { kitchen } = useSession();
  return (
    <div>
      <dt className="text-sm text-ink-2">{name}</dt>
      <dd className="figure text-2xl font-bold">{value === null ? '–' : money(value, kitchen.currency)}</dd>
    </div>
  );
}

/** The price beside the cost, and a bought one beside both, by the litre as drunk. */
function Against({ plan, item, making, cost }: { plan: Plan; item: Item; making: Making; cost: CostBefore }) {
  const { kitchen } = useSession();
  const mayWrite = useMayWrite();
  const shownPrice = (minor: number | null | undefined) =>
    minor == null ? '' : priceShown(minor, kitchen.currency);
  const [price, setPrice] = useState(shownPrice(item.priceMinor));
  const [bought, setBought] = useState({
    name: item.bought?.name ?? '',
    price: shownPrice(item.bought?.priceMinor),
    ml: item.bought ? String(item.bought.millilitres) : '',
    water: item.bought ? String(item.bought.waterParts) : String(making.content.waterParts ?? ''),
  });
  const change = useChangePlan(plan, { done: 'Prices saved' });
  const priceMinor = priceIn(price, kitchen.currency);
  const ml = figureIn(bought.ml, { unit: 'ml' });
  const water = figureIn(bought.water);
  const problems = {
    price: priceProblem(price, kitchen.currency),
    bought: priceProblem(bought.price, kitchen.currency),
    ml: problemIn(bought.ml, { unit: 'ml', min: 1 }),
    water: problemIn(bought.water, { unit: '', min: 0, max: 100 }),
  };
  const unread = Object.values(problems).some((p) => p !== undefined);
  const boughtMinor = priceIn(bought.price, kitchen.currency);
  const other =
    boughtMinor !== null && ml !== null && ml > 0
      ? { name: bought.name, priceMinor: boughtMinor, millilitres: ml, waterParts: water ?? 0 }
      : null;
  const otherLitre = other && drunkLitre(other.priceMinor, other.millilitres, other.waterParts);
  const ownLitre =
    priceMinor === null
      ? null
      : drunkLitre(priceMinor, making.content.bottleMl, making.content.waterParts ?? 0);
  const left = priceMinor === null || cost.perBottle === null ? null : priceMinor - cost.perBottle;
  return (
    <div className="mt-4">
      <div className="grid grid-cols-5 gap-3 max-lg:grid-cols-2">
        <Field
          label={`Your price per bottle, ${kitchen.currency}`}
          figure
          inputMode="decimal"
          value={price}
          onChange={(e) => setPrice(e.target.value)}
          error={problems.price}
        />
        <Field
          label="A bought product"
          placeholder="raspberry syrup"
          value={bought.name}
          onChange={(e) => setBought({ ...bought, name: e.target.value })}
        />
        <Field
          label={`Its price, ${kitchen.currency}`}
          figure
          inputMode="decimal"
          value={bought.price}
          onChange={(e) => setBought({ ...bought, price: e.target.value })}
          error={problems.bought}
        />
        <Field
          label="Its mL"
          figure
          inputMode="numeric"
          value={bought.ml}
          onChange={(e) => setBought({ ...bought, ml: e.target.value })}
          error={problems.ml}
        />
        <Field
          label="Parts of water to it"
          figure
          inputMode="decimal"
          value={bought.water}
          onChange={(e) => setBought({ ...bought, water: e.target.value })}
          error={problems.water}
        />
      </div>
      <p className="mt-3">
        {left !== null && (
          <State tone={left > 0 ? 'go' : 'stop'}>
            {left > 0
              ? `${money(left, kitchen.currency)} profit per bottle`
              : `${money(-left, kitchen.currency)} loss per bottle`}
          </State>
        )}
        {ownLitre !== null && (
          <span className="ml-4">
            <span className="figure font-bold">{money(ownLitre, kitchen.currency)}</span> a litre as drunk
            {otherLitre !== null && (
              <>
                , {other!.name || 'the bought product'}{' '}
                <span className="figure font-bold">{money(otherLitre, kitchen.currency)}</span>
              </>
            )}
          </span>
        )}
        {mayWrite && (
          <Button
            size="small"
            tone="plain"
            className="float-right"
            disabled={change.busy || unread}
            onClick={() =>
              change.run({
                items: plan.items.map((i) => (i.id === item.id ? { ...i, priceMinor, bought: other } : i)),
              })
            }
          >
            Save prices
          </Button>
        )}
      </p>
    </div>
  );
}

function ProductCost({
  plan,
  item,
  planning,
  making,
  cost,
}: {
  plan: Plan;
  item: Item;
  planning: Planning;
  making: Making;
  cost: CostBefore;
}) {
  const hardest = hardestOf(
    dayLotsOf(item, making, planning).flatMap((lot) => lot.steps),
    2,
  )
    .map((s) => `${s.title.toLowerCase()} ${minutesInWords(s.minutes)}`)
    .join(', ');
  const learned = planning.past.filter((p) => p.formulaId === item.formulaId).length;
  return (
    <section aria-label={making.formula.name} className="border-b border-ink py-5">
      <h2 className="flex items-center gap-3 text-xl font-bold">
        <Fruit colour={making.formula.colour} size={17} /> {making.formula.name}
      </h2>
      <div className="mt-3 grid gap-8 lg:grid-cols-[1fr_19rem]">
        <CostParts cost={cost} colour={making.formula.colour} hardest={hardest} />
        <dl className="grid content-start gap-3">
          <Figure name={`A bottle of ${making.content.bottleMl} mL`} value={cost.perBottle} />
          <Figure name="A litre" value={cost.perLitre} />
          <Figure
            name={`A litre as drunk${making.content.waterParts ? `, 1 to ${making.content.waterParts} of water` : ''}`}
            value={cost.perDrunkLitre}
          />
        </dl>
      </div>
      <p className="mt-2 text-sm text-ink-2">
        {cost.leftOver > 0 && (
          <>
            Packs left over are worth {money(cost.leftOver, planning.kitchen.currency)} more, and are not in
            it.{' '}
          </>
        )}
        {learned > 0
          ? `Working minutes are learned from ${learned === 1 ? 'one lot' : `your last ${Math.min(5, learned)} lots`} of it.`
          : 'Working minutes are those of the formula, until lots have been made.'}
      </p>
      {cost.unpriced.length > 0 && (
        <p className="mt-1">
          <State tone="hold">
            No price is known for {cost.unpriced.join(', ').toLowerCase()}: it is without them.
          </State>
        </p>
      )}
      <Against plan={plan} item={item} making={making} cost={cost} />
    </section>
  );
}

/** What each product will cost before it is made: by the bottle, by the litre, by the litre as drunk. */
export function Cost({ plan, planning }: { plan: Plan; planning: Planning }) {
  if (plan.items.length === 0)
    return <Empty title="Nothing to cost yet">Add a product to the plan first.</Empty>;
  const makings = plan.items.map((item) => itemMaking(item, planning));
  const costs = costsOf(plan.items, makings, planning);
  return plan.items.map((item, i) => {
    const [making, cost] = [makings[i], costs[i]];
    return making && cost ? (
      <ProductCost key={item.id} plan={plan} item={item} planning={planning} making={making} cost={cost} />
    ) : null;
  });
}
