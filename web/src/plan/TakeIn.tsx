import type { LotHead } from '@inch/contract/lot';
import { stockRoutes } from '@inch/contract/stock';
import { packagingOf } from '@inch/core/stock';
import { useState } from 'react';
import { useSearchParams } from 'react-router';
import { toast } from 'sonner';
import { call } from '../data/api.ts';
import { useCatalogue } from '../data/catalogue.ts';
import { useLots } from '../data/lots.ts';
import { useKitchenDay } from '../data/planning.ts';
import { useContainers } from '../data/queries.ts';
import { useSession } from '../data/session.tsx';
import { useWrite } from '../data/useWrite.ts';
import { IngredientPicker } from '../parts/ingredient/IngredientPicker.tsx';
import { Button } from '../ui/Button.tsx';
import { Choice, Field } from '../ui/Field.tsx';
import { figureIn, priceIn, priceProblem, problemIn } from '../ui/typed.ts';
import { amountTyped } from './amount.ts';

interface Answers {
  kind: 'ingredient' | 'packaging';
  thing: string;
  amount: string;
  words: string;
  supplier: string;
  cost: string;
  gotOn: string;
  bestBy: string;
  brix: string;
  ph: string;
  ta: string;
  leftBy: string;
}

function measuredOf(a: Answers) {
  const measured = { brix: figureIn(a.brix), ph: figureIn(a.ph), taPer100g: figureIn(a.ta) };
  return Object.values(measured).some((v) => v !== null) ? measured : null;
}

const EMPTY = {
  thing: '',
  amount: '',
  words: '',
  cost: '',
  bestBy: '',
  brix: '',
  ph: '',
  ta: '',
  leftBy: '',
};

interface MoreProps {
  a: Answers;
  set: (part: Partial<Answers>) => void;
  fields: Record<string, string>;
  lots: readonly LotHead[];
}

/** Own measurements of a picking, and the lot that left a by-product: asked for where they are wanted. */
function More({ a, set, fields, lots }: MoreProps) {
  return (
    <details open={a.leftBy !== ''}>
      <summary className="cursor-pointer py-1 font-semibold text-link">
        measured figures, or a by-product…
      </summary>
      <div className="mt-2 grid grid-cols-3 gap-3">
        <Field
          label="°Bx"
          figure
          inputMode="decimal"
          value={a.brix}
          onChange={(e) => set({ brix: e.target.value })}
        />
        <Field
          label="pH"
          figure
          inputMode="decimal"
          value={a.ph}
          onChange={(e) => set({ ph: e.target.value })}
        />
        <Field
          label="Acid, g/100 g"
          figure
          inputMode="decimal"
          value={a.ta}
          onChange={(e) => set({ ta: e.target.value })}
          error={problemIn(a.ta)}
        />
      </div>
      {fields.measured && <p className="mt-1 text-sm font-semibold text-stop">{fields.measured}</p>}
      <Choice
        className="mt-3"
        label="By-product of lot"
        value={a.leftBy}
        onChange={(e) => set({ leftBy: e.target.value })}
        hint="For instance what stayed in the cloth. Its allergens, and a recall of the lot, go with it."
      >
        <option value="">none</option>
        {lots.map((lot) => (
          <option key={lot.id} value={lot.code}>
            {lot.code} {lot.name}
          </option>
        ))}
      </Choice>
    </details>
  );
}

/** Takes in a purchase, a picking or what a lot left, in any measure. */
export function TakeIn() {
  const { kitchen } = useSession();
  const catalogue = useCatalogue();
  const containers = useContainers().data ?? [];
  const lots = useLots().data?.lots ?? [];
  const today = useKitchenDay();
  const [params] = useSearchParams();
  const [a, setAnswers] = useState<Answers>({
    ...EMPTY,
    kind: 'ingredient',
    supplier: '',
    gotOn: today,
    leftBy: params.get('leftBy') ?? '',
  });
  const set = (part: Partial<Answers>) => setAnswers({ ...a, ...part });
  const amount = amountTyped(a.amount, a, catalogue, kitchen.cupSchool);
  const write = useWrite(
    'stock',
    (_: undefined, idOf) =>
      call(stockRoutes.add, {
        body: {
          id: idOf(),
          kind: a.kind,
          thing: a.thing,
          quantity: amount as number,
          said: a.amount,
          words: a.words,
          supplier: a.supplier,
          costMinor: priceIn(a.cost, kitchen.currency),
          gotOn: a.gotOn,
          bestBy: a.bestBy || null,
          measured: a.kind === 'ingredient' ? measuredOf(a) : null,
          leftBy: lots.find((l) => l.code === a.leftBy)?.id ?? null,
        },
      }),
    {
      after: ({ code }) => {
        toast.success(`Write ${code} on it`);
        setAnswers({ ...a, ...EMPTY });
      },
    },
  );
  const ready =
    [a.brix, a.ph, a.ta].every((text) => problemIn(text) === undefined) &&
    priceProblem(a.cost, kitchen.currency) === undefined &&
    a.thing !== '' &&
    typeof amount === 'number' &&
    amount > 0;
  return (
    <form
      className="py-4"
      onSubmit={(event) => {
        event.preventDefault();
        write.run(undefined);
      }}
    >
      <fieldset disabled={write.busy} className="grid gap-3">
        <Choice
          label="What is added"
          value={a.kind}
          onChange={(e) => setAnswers({ ...a, kind: e.target.value as Answers['kind'], thing: '' })}
        >
          <option value="ingredient">an ingredient</option>
          <option value="packaging">bottles, lids, labels</option>
        </Choice>
        {a.kind === 'ingredient' ? (
          <div>
            <p className="mb-1 text-sm font-semibold text-ink-2">Which</p>
            <div className="rounded-lg border border-steel">
              <IngredientPicker label="Which" value={a.thing} onChoose={(thing) => set({ thing })} />
            </div>
          </div>
        ) : (
          <Choice label="Which" value={a.thing} onChange={(e) => set({ thing: e.target.value })}>
            <option value="">choose</option>
            {packagingOf(containers.filter((c) => !c.retired)).map((p) => (
              <option key={p.thing} value={p.thing}>
                {p.name}
              </option>
            ))}
          </Choice>
        )}
        <div className="grid grid-cols-2 gap-3">
          <Field
            label="How much"
            figure
            placeholder={a.kind === 'ingredient' ? '2 kg' : '24'}
            value={a.amount}
            onChange={(e) => set({ amount: e.target.value })}
            error={a.amount !== '' && typeof amount === 'string' ? amount : write.fields.quantity}
          />
          <Field
            label={`Paid for it, ${kitchen.currency}`}
            figure
            inputMode="decimal"
            value={a.cost}
            onChange={(e) => set({ cost: e.target.value })}
            error={priceProblem(a.cost, kitchen.currency)}
          />
          <Field
            label="Received on"
            type="date"
            max={today}
            value={a.gotOn}
            onChange={(e) => set({ gotOn: e.target.value })}
            error={write.fields.gotOn}
          />
          <Field
            label="Best by"
            type="date"
            value={a.bestBy}
            onChange={(e) => set({ bestBy: e.target.value })}
            error={write.fields.bestBy}
          />
        </div>
        <Field
          label="Supplier"
          placeholder="shop, farm, own hedge"
          value={a.supplier}
          onChange={(e) => set({ supplier: e.target.value })}
        />
        <Field
          label="Note"
          placeholder="picked ripe; frozen flat"
          value={a.words}
          onChange={(e) => set({ words: e.target.value })}
        />
        {a.kind === 'ingredient' && <More a={a} set={set} fields={write.fields} lots={lots} />}
        <Button type="submit" disabled={!ready}>
          Add to stock
        </Button>
      </fieldset>
    </form>
  );
}
