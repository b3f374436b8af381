import type { Plan } from '@inch/contract/plan';
import { type CostBefore, drunkLitre, type Making } from '@inch/core/planning';
import { priceShown } from '@inch/core/quantity';
import { useState } from 'react';
import { useMayWrite, useSession } from '../data/session.tsx';
import { Button } from '../ui/Button.tsx';
import { Field } from '../ui/Field.tsx';
import { money } from '../ui/format.ts';
import { State } from '../ui/State.tsx';
import { figureIn, priceIn, priceProblem, problemIn } from '../ui/typed.ts';
import { useChangePlan } from './usePlan.ts';

type Item = Plan['items'][number];

/** Prices as typed: the kitchen's own, and of a bought product it is held against. */
interface Typed {
  price: string;
  name: string;
  bought: string;
  ml: string;
  water: string;
}

function typedOf(item: Item, making: Making, currency: string): Typed {
  const shown = (minor: number | null | undefined) => (minor == null ? '' : priceShown(minor, currency));
  const { bought } = item;
  return {
    price: shown(item.priceMinor),
    name: bought?.name ?? '',
    bought: shown(bought?.priceMinor),
    ml: bought ? String(bought.millilitres) : '',
    water: String(bought?.waterParts ?? making.content.waterParts ?? ''),
  };
}

/** The bought product; null until its price and size are known. */
function boughtOf(t: Typed, currency: string): Item['bought'] {
  const [priceMinor, millilitres] = [priceIn(t.bought, currency), figureIn(t.ml, { unit: 'ml' })];
  if (priceMinor === null || millilitres === null || millilitres <= 0) return null;
  return { name: t.name, priceMinor, millilitres, waterParts: figureIn(t.water) ?? 0 };
}

const problemsOf = (t: Typed, currency: string) => ({
  price: priceProblem(t.price, currency),
  name: undefined,
  bought: priceProblem(t.bought, currency),
  ml: problemIn(t.ml, { unit: 'ml', min: 1 }),
  water: problemIn(t.water, { unit: '', min: 0, max: 100 }),
});

function PriceFields({ typed, set }: { typed: Typed; set: (part: Partial<Typed>) => void }) {
  const { currency } = useSession().kitchen;
  const problems = problemsOf(typed, currency);
  const field = (name: keyof Typed, label: string, placeholder?: string) => (
    <Field
      label={label}
      figure={name !== 'name'}
      inputMode={name === 'name' ? 'text' : 'decimal'}
      placeholder={placeholder}
      value={typed[name]}
      error={problems[name]}
      onChange={(e) => set({ [name]: e.target.value })}
    />
  );
  return (
    <div className="grid grid-cols-5 gap-3 max-lg:grid-cols-2">
      {field('price', `Your price per bottle, ${currency}`)}
      {field('name', 'A bought product', 'raspberry syrup')}
      {field('bought', `Its price, ${currency}`)}
      {field('ml', 'Its mL')}
      {field('water', 'Parts of water to it')}
    </div>
  );
}

/** What a bottle leaves, and what a litre as drunk costs, beside the bought one. */
function Comparison({
  priceMinor,
  bought,
  making,
  cost,
}: {
  priceMinor: number | null;
  bought: Item['bought'];
  making: Making;
  cost: CostBefore;
}) {
  const { currency } = useSession().kitchen;
  const { bottleMl, waterParts = 0 } = making.content;
  const own = priceMinor === null ? null : drunkLitre(priceMinor, bottleMl, waterParts);
  const other = bought && drunkLitre(bought.priceMinor, bought.millilitres, bought.waterParts);
  const left = priceMinor === null || cost.perBottle === null ? null : priceMinor - cost.perBottle;
  return (
    <>
      {left !== null && (
        <State tone={left > 0 ? 'go' : 'stop'}>
          {left > 0
            ? `${money(left, currency)} profit per bottle`
            : `${money(-left, currency)} loss per bottle`}
        </State>
      )}
      {own !== null && (
        <span className="ml-4">
          <span className="figure font-bold">{money(own, currency)}</span> a litre as drunk
          {other !== null && (
            <>
              , {bought!.name || 'the bought product'}{' '}
              <span className="figure font-bold">{money(other, currency)}</span>
            </>
          )}
        </span>
      )}
    </>
  );
}

interface Props {
  plan: Plan;
  item: Item;
  making: Making;
  cost: CostBefore;
}

/** The price beside the cost, and a bought one beside both, by the litre as drunk. */
export function Prices({ plan, item, making, cost }: Props) {
  const { currency } = useSession().kitchen;
  const mayWrite = useMayWrite();
  const [typed, setTyped] = useState(() => typedOf(item, making, currency));
  const change = useChangePlan(plan, { done: 'Prices saved' });
  const priceMinor = priceIn(typed.price, currency);
  const bought = boughtOf(typed, currency);
  const unread = Object.values(problemsOf(typed, currency)).some((p) => p !== undefined);
  const save = () =>
    change.run({ items: plan.items.map((i) => (i.id === item.id ? { ...i, priceMinor, bought } : i)) });
  return (
    <div className="mt-4">
      <PriceFields typed={typed} set={(part) => setTyped({ ...typed, ...part })} />
      <div className="mt-3 flow-root">
        <Comparison priceMinor={priceMinor} bought={bought} making={making} cost={cost} />
        {mayWrite && (
          <Button
            size="small"
            tone="plain"
            className="float-right"
            disabled={change.busy || unread}
            onClick={save}
          >
            Save prices
          </Button>
        )}
      </div>
    </div>
  );
}
