import type { LotView } from '@inch/contract/making/lot';
import { bodyOf } from '@inch/contract/route/entry';
import { weight } from '@inch/core/quantity';
import { useCatalogue } from '../data/catalogue.ts';
import { recordEntry } from '../data/record.ts';
import { useDeedForm } from '../data/useDeedForm.ts';
import { IngredientPicker } from '../parts/ingredient/IngredientPicker.tsx';
import { StrikeEntry } from '../parts/lot/StrikeEntry.tsx';
import { useGramsOf } from '../parts/lot/useLine.ts';
import { FromStock, type TakenFrom, useTaken } from '../parts/stock/FromStock.tsx';
import { Button } from '../ui/Button.tsx';
import { DraftNote } from '../ui/DraftNote.tsx';
import { Field } from '../ui/Field.tsx';
import { State } from '../ui/State.tsx';

type Step = LotView['steps'][number];

interface Props {
  lot: LotView;
  step: Step;
  at: string | undefined;
}

interface Answers {
  ingredientId: string;
  amount: string;
  why: string;
  from: TakenFrom;
}
const EMPTY: Answers = { ingredientId: '', amount: '', why: '', from: { by: 'oldest' } };

function useExtra({ lot, step, at }: Props) {
  const catalogue = useCatalogue();
  const gramsOf = useGramsOf();
  const taken = useTaken();
  const isWater = (id: string) => catalogue.find(id)?.family === 'water';
  const form = useDeedForm({
    of: 'entry',
    draft: `extra ${lot.id} ${step.id}`,
    empty: EMPTY,
    schema: bodyOf('addition'),
    read: (a, fields) => {
      const grams =
        a.ingredientId === ''
          ? undefined
          : fields.taken('amount', gramsOf(a.ingredientId, a.amount, 'light'));
      return {
        stepId: step.id,
        lineId: null,
        ingredientId: a.ingredientId,
        grams,
        more: false,
        why: a.why.trim() || null,
        beforeTrimming: null,
        ...(at ? { at } : {}),
        ...taken(a.ingredientId, a.from, isWater(a.ingredientId) ? 0 : (grams ?? 0)),
      };
    },
    fieldAt: (path) =>
      path === 'why' || path === 'ingredientId' ? path : path.startsWith('stock') ? 'from' : 'amount',
    write: (body) =>
      recordEntry(
        'addition',
        lot,
        body,
        `${catalogue.get(body.ingredientId).name} ${weight(body.grams)} went in`,
      ),
  });
  const { ingredientId } = form.values;
  const name = catalogue.find(ingredientId)?.name ?? null;
  return { form, name, water: isWater(ingredientId), grams: form.body?.grams ?? 0 };
}

/** What went in at this step beside the lines of the formula, each with the way to undo it. */
function Extras({ lot, step }: Pick<Props, 'lot' | 'step'>) {
  const catalogue = useCatalogue();
  const extras = lot.additions.filter((a) => a.lineId === null && a.stepId === step.id && a.struck === null);
  if (extras.length === 0) return null;
  return (
    <ul aria-label="Went in beside the formula">
      {extras.map((extra) => {
        const name = catalogue.find(extra.ingredientId)?.name ?? extra.ingredientId;
        return (
          <li key={extra.id} className="flex items-center gap-3 border-b border-steel-line py-3">
            <State tone="go">in</State>
            <span className="flex-1 text-lg">
              {name} {extra.why && <span className="text-sm text-ink-2">{extra.why}</span>}
            </span>
            <span className="figure text-lg font-bold">{weight(extra.grams)}</span>
            <StrikeEntry
              lot={lot}
              noun="addition"
              entryId={extra.id}
              by={extra.by}
              named={`${name}, ${weight(extra.grams)}`}
            />
          </li>
        );
      })}
    </ul>
  );
}

/** What goes in that the formula does not name: a correction, or something more. It counts in the pan as any other does. */
export function AddExtra(props: Props) {
  const { form, name, water, grams } = useExtra(props);
  const { ingredientId, from } = form.values;
  const stockError = form.error('from');
  return (
    <>
      <Extras lot={props.lot} step={props.step} />
      <details className="mt-1" open={form.body !== undefined || ingredientId !== '' || undefined}>
        <summary className="flex min-h-14 cursor-pointer items-center text-lg font-semibold text-link">
          Something else went in
        </summary>
        <form onSubmit={form.submit} className="grid max-w-2xl gap-3 pb-3">
          <DraftNote form={form} />
          <div className="flex flex-wrap items-start gap-3">
            <div className="w-64 rounded-md border border-steel bg-enamel p-2 text-lg">
              <IngredientPicker
                label="What went in"
                value={ingredientId}
                onChoose={(id) => form.set('ingredientId', id)}
              />
              {form.error('ingredientId') && (
                <p className="mt-1 text-sm font-semibold text-stop">{form.error('ingredientId')}</p>
              )}
            </div>
            <Field
              label="How much"
              labelHidden
              className="w-40"
              large
              placeholder="50 g, 2 tsp"
              {...form.field('amount')}
            />
            <Field
              label="What it is for"
              labelHidden
              className="w-56"
              large
              placeholder="why?"
              {...form.field('why')}
            />
            <Button type="submit" className="min-h-14" disabled={form.busy}>
              It went in
            </Button>
          </div>
          {name && !water && (
            <FromStock
              name={name}
              thing={ingredientId}
              grams={grams}
              value={from}
              onChange={(value) => form.set('from', value)}
            />
          )}
          {stockError && <p className="text-sm font-semibold text-stop">{stockError}</p>}
        </form>
      </details>
    </>
  );
}
