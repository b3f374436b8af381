import { ingredientRoutes, NewMeasure } from '@inch/contract/making/ingredient';
import type { Ingredient } from '@inch/core/ingredient';
import { send } from '../../data/record.ts';
import { useDeedForm } from '../../data/useDeedForm.ts';
import { DraftNote } from '../../ui/DraftNote.tsx';
import { Field } from '../../ui/Field.tsx';
import { FormEnd } from '../../ui/FormEnd.tsx';

/** "My cup of this": one weighing, remembered from then on. */
export function WeighMeasure({ entry, done }: { entry: Ingredient; done: () => void }) {
  const form = useDeedForm({
    of: 'ingredient',
    draft: `measure ${entry.id}`,
    empty: { name: 'cup', grams: '' },
    schema: NewMeasure,
    read: (a, fields) => ({
      name: a.name,
      ingredientId: entry.id,
      grams: fields.figure('grams', { unit: 'g' }),
    }),
    fieldAt: (path) => (path === 'millilitres' ? 'grams' : undefined),
    write: (body) =>
      send(ingredientRoutes.measure, { of: 'ingredient', code: entry.name, words: body.name, body }),
    done: 'Measure saved',
    after: done,
  });
  return (
    <form className="grid gap-4" onSubmit={form.submit}>
      <DraftNote form={form} />
      <p className="text-ink-2">
        Weigh it once as you measure it. From then on your own measure counts for {entry.name.toLowerCase()},
        before any table’s.
      </p>
      <div className="grid grid-cols-2 gap-4">
        <Field label="One of these" {...form.field('name')} hint="cup, mug, capful, sprig" />
        <Field label="weighs, g" figure autoFocus inputMode="decimal" {...form.field('grams')} />
      </div>
      <FormEnd onCancel={done} disabled={form.busy} />
    </form>
  );
}
