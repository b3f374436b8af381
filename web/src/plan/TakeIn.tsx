import { clothKept } from '@inch/core/lot';
import { weight } from '@inch/core/quantity';
import { packagingOf } from '@inch/core/stock';
import { useSearchParams } from 'react-router';
import { useContainers } from '../data/containers.ts';
import { useLot, useLotsOnHand } from '../data/lots.ts';
import { useKitchenDay } from '../data/planning.ts';
import { useSession } from '../data/session.tsx';
import { IngredientPicker } from '../parts/ingredient/IngredientPicker.tsx';
import { Button } from '../ui/Button.tsx';
import { DraftNote } from '../ui/DraftNote.tsx';
import { kitchenDay } from '../ui/dates.ts';
import { Choice, Field } from '../ui/Field.tsx';
import { WhenField } from '../ui/WhenField.tsx';
import { amountExample } from './amount.ts';
import { type TakeInForm as Form, type Proposed, useTakeIn } from './useTakeIn.ts';

/** Own measurements of a picking, and the lot that left a by-product: asked for where they are wanted. */
function More({ form }: { form: Form }) {
  const lots = useLotsOnHand().data?.lots ?? [];
  const { values: a } = form;
  const asked = [a.brix, a.ph, a.ta, a.leftBy].some((text) => text !== '');
  return (
    <details open={asked}>
      <summary className="cursor-pointer py-1 font-semibold text-link">
        measured figures, or a by-product…
      </summary>
      <div className="mt-2 grid grid-cols-3 gap-3">
        <Field label="°Bx" figure inputMode="decimal" {...form.field('brix')} />
        <Field label="pH" figure inputMode="decimal" {...form.field('ph')} />
        <Field label="Acid, g/100 g" figure inputMode="decimal" {...form.field('ta')} />
      </div>
      <Choice
        className="mt-3"
        label="By-product of lot"
        {...form.field('leftBy')}
        hint="For instance what stayed in the cloth. What went into that lot, its allergens, its heat, its age and a recall of it go with it."
        options={[['', 'none'], ...lots.map((lot) => [lot.code, `${lot.code} ${lot.name}`] as const)]}
      />
    </details>
  );
}

function Which({ form }: { form: Form }) {
  const containers = useContainers().data ?? [];
  if (form.values.kind === 'packaging')
    return (
      <Choice
        label="Which"
        {...form.field('thing')}
        options={[
          ['', 'choose'],
          ...packagingOf(containers.filter((c) => !c.retired)).map((p) => [p.thing, p.name] as const),
        ]}
      />
    );
  const error = form.error('thing');
  return (
    <div>
      <p className="mb-1 text-sm font-semibold text-ink-2">Which</p>
      <div className="rounded-lg border border-steel">
        <IngredientPicker
          label="Which"
          value={form.values.thing}
          onChoose={(thing) => form.set('thing', thing)}
        />
      </div>
      {error && (
        <p role="alert" className="mt-1 text-sm font-semibold text-stop">
          {error}
        </p>
      )}
    </div>
  );
}

function AmountAndDays({ form }: { form: Form }) {
  const { kitchen } = useSession();
  return (
    <div className="grid grid-cols-2 gap-3">
      <Field
        label="How much"
        figure
        placeholder={amountExample(form.values.kind)}
        {...form.field('amount')}
      />
      <Field label={`Paid for it, ${kitchen.currency}`} figure inputMode="decimal" {...form.field('cost')} />
      <WhenField kind="day" label="Received on" max={useKitchenDay()} {...form.when('gotOn')} />
      <WhenField kind="day" label="Best by" {...form.when('bestBy')} />
    </div>
  );
}

/** Takes in a purchase, a picking or what a lot left, in any measure. */
export function TakeIn() {
  const leftBy = useSearchParams()[0].get('leftBy');
  return leftBy ? <TakeInOfLot key={leftBy} code={leftBy} /> : <TakeInForm proposed={{ leftBy: '' }} />;
}

/** What stayed in the cloth of a lot, with the amount and the day that its record gives. */
function TakeInOfLot({ code }: { code: string }) {
  const { data: lot, isError } = useLot(code);
  if (!lot && !isError) return <p className="py-4 text-ink-2">Reading lot {code}…</p>;
  const kept = lot && clothKept(lot, lot.cupSchool).at(-1);
  return (
    <>
      {kept && (
        <p className="pt-4 text-ink-2">
          By the record the cloth of lot <span className="figure">{code}</span> kept about{' '}
          <strong className="figure whitespace-nowrap text-ink">{weight(kept.grams)}</strong>
          {kept.weighed ? ', by what came through.' : ', reckoned: what came through was not weighed.'} Weigh
          it where you can.
        </p>
      )}
      <TakeInForm
        proposed={
          kept
            ? {
                leftBy: code,
                thing: 'pulp-left',
                amount: weight(kept.grams),
                gotOn: kitchenDay(kept.at),
                words: `what the cloth kept: ${kept.of.join(', ')}`,
              }
            : { leftBy: code }
        }
      />
    </>
  );
}

function TakeInForm({ proposed }: { proposed: Proposed }) {
  const form = useTakeIn(proposed);
  const kind = form.field('kind');
  return (
    <form className="py-4" onSubmit={form.submit}>
      <fieldset disabled={form.busy} className="grid gap-3">
        <DraftNote form={form} />
        <Choice
          label="What is added"
          {...kind}
          onChange={(event) => {
            form.set('thing', '');
            return kind.onChange(event);
          }}
          options={[
            ['ingredient', 'an ingredient'],
            ['packaging', 'bottles, lids, labels'],
          ]}
        />
        <Which form={form} />
        <AmountAndDays form={form} />
        <Field label="Supplier" placeholder="shop, farm, own hedge" {...form.field('supplier')} />
        <Field
          label="Supplier’s batch"
          placeholder="as it stands on the bag"
          hint="A recall of one bag holds every bag of the same batch."
          {...form.field('batch')}
        />
        <Field label="Note" placeholder="picked ripe; frozen flat" {...form.field('words')} />
        {form.values.kind === 'ingredient' && <More form={form} />}
        <Button type="submit">Add to stock</Button>
      </fieldset>
    </form>
  );
}
