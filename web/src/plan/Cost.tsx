import type { Plan } from '@inch/contract/kitchen/plan';
import { type CostBefore, costsOf, dayLotsOf, hardestOf, itemMaking, type Making } from '@inch/core/planning';
import { bottleSize, money } from '@inch/core/quantity';
import type { Planning } from '../data/planning.ts';
import { useSession } from '../data/session.tsx';
import { minutesInWords } from '../ui/format.ts';
import { Empty } from '../ui/Sheet.tsx';
import { Fruit, State } from '../ui/State.tsx';
import { Prices } from './Prices.tsx';

type Item = Plan['items'][number];

const PARTS: [keyof CostBefore & ('ingredients' | 'packaging' | 'energy' | 'hands'), string][] = [
  ['ingredients', 'Ingredients'],
  ['packaging', 'Glass, lids, labels'],
  ['energy', 'Energy'],
  ['hands', 'Labour'],
];

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
          <Figure name={`A bottle of ${bottleSize(making.content.bottleMl)}`} value={cost.perBottle} />
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
      <Prices plan={plan} item={item} making={making} cost={cost} />
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
