import { type Plan, PlanChange, planRoutes } from '@inch/contract/kitchen/plan';
import { type CostBefore, drunkLitre, type Making } from '@inch/core/planning';
import { money, priceShown, volumeShown, volumeSign } from '@inch/core/quantity';
import { useState } from 'react';
import { call } from '../data/api.ts';
import { useMayWrite, useSession } from '../data/session.tsx';
import { useDeedForm } from '../data/useDeedForm.ts';
import { Button } from '../ui/Button.tsx';
import { DraftNote } from '../ui/DraftNote.tsx';
import { Field } from '../ui/Field.tsx';
import { State } from '../ui/State.tsx';
import { changeOf } from './usePlan.ts';

type Item = Plan['items'][number];

interface Props {
  plan: Plan;
  item: Item;
  making: Making;
  cost: CostBefore;
}

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
    ml: bought ? String(volumeShown(bought.millilitres)) : '',
    water: String(bought?.waterParts ?? making.content.waterParts ?? ''),
  };
}

function usePrices({ plan, item, making }: Omit<Props, 'cost'>) {
  const { currency } = useSession().kitchen;
  const [empty] = useState(() => typedOf(item, making, currency));
  return useDeedForm({
    of: 'plan',
    draft: `prices ${plan.id} ${item.id}`,
    empty,
    hasId: false,
    schema: PlanChange,
    read: (t, fields) => {
      const priceMinor = fields.price('price', currency);
      const [bought, ml] = [
        fields.price('bought', currency),
        fields.figure('ml', { unit: 'ml', kitchens: true, min: 1 }),
      ];
      const waterParts = fields.figure('water', { unit: '', min: 0, max: 100 }) ?? 0;
      const other =
        bought === null || ml === null
          ? null
          : { name: t.name, priceMinor: bought, millilitres: ml, waterParts };
      return changeOf(plan, {
        items: plan.items.map((i) => (i.id === item.id ? { ...i, priceMinor, bought: other } : i)),
      });
    },
    fieldAt: () => 'price',
    write: (body) => call(planRoutes.change, { params: { id: plan.id }, body }),
    done: 'Prices saved',
  });
}
type PricesForm = ReturnType<typeof usePrices>;

function PriceFields({ form }: { form: PricesForm }) {
  const { currency } = useSession().kitchen;
  return (
    <div className="grid grid-cols-5 gap-3 max-lg:grid-cols-2">
      <Field
        label={`Your price per bottle, ${currency}`}
        figure
        inputMode="decimal"
        {...form.field('price')}
      />
      <Field label="A bought product" placeholder="raspberry syrup" {...form.field('name')} />
      <Field label={`Its price, ${currency}`} figure inputMode="decimal" {...form.field('bought')} />
      <Field label={`Its ${volumeSign()}`} figure inputMode="numeric" {...form.field('ml')} />
      <Field label="Parts of water to it" figure inputMode="decimal" {...form.field('water')} />
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
      {left !== null && cost.unpriced.length > 0 && (
        <span className="text-ink-2">
          No profit to tell: no price of {cost.unpriced.map((name) => name.toLowerCase()).join(', ')} yet.
        </span>
      )}
      {left !== null && cost.unpriced.length === 0 && (
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

/** The price beside the cost, and a bought one beside both, by the litre as drunk. */
export function Prices({ cost, ...props }: Props) {
  const { item, making } = props;
  const mayWrite = useMayWrite();
  const form = usePrices(props);
  // While something cannot be read, what is saved is compared.
  const shown = form.body?.content.items.find((i) => i.id === item.id) ?? item;
  return (
    <form className="mt-4" onSubmit={form.submit}>
      <DraftNote form={form} />
      {mayWrite && <PriceFields form={form} />}
      <div className="mt-3 flow-root">
        <Comparison priceMinor={shown.priceMinor} bought={shown.bought} making={making} cost={cost} />
        {mayWrite && (
          <Button type="submit" size="small" tone="plain" className="float-right" disabled={form.busy}>
            Save prices
          </Button>
        )}
      </div>
    </form>
  );
}
