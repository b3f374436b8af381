import { ingredientRoutes, NewMeasure, type OwnCatalogue } from '@inch/contract/making/ingredient';
import { volume, volumeSign } from '@inch/core/quantity';
import { useCatalogue } from '../../data/catalogue.ts';
import { send } from '../../data/record.ts';
import { useMayWrite } from '../../data/session.tsx';
import { useDeedForm } from '../../data/useDeedForm.ts';
import { useWrite } from '../../data/useWrite.ts';
import { Button } from '../../ui/Button.tsx';
import { DraftNote } from '../../ui/DraftNote.tsx';
import { Field } from '../../ui/Field.tsx';
import { Ruled } from '../../ui/Sheet.tsx';
import { offerUndo } from '../../ui/undo.ts';

type Measure = OwnCatalogue['measures'][number];

function AddMeasure() {
  const form = useDeedForm({
    of: 'ingredient',
    draft: 'measure',
    empty: { name: '', millilitres: '' },
    schema: NewMeasure,
    read: (a, fields) => ({
      name: a.name,
      ingredientId: null,
      millilitres: fields.figure('millilitres', { unit: 'ml', kitchens: true }),
    }),
    write: (body) =>
      send(ingredientRoutes.measure, { of: 'ingredient', code: 'Measure', words: body.name, body }),
    done: 'Measure saved',
  });
  return (
    <form className="mt-3 flex flex-wrap items-start gap-3" onSubmit={form.submit}>
      <DraftNote form={form} />
      <Field className="w-48" label="One of yours" placeholder="mug, capful, ladle" {...form.field('name')} />
      <Field
        className="w-36"
        label={`holds, ${volumeSign()}`}
        figure
        inputMode="decimal"
        {...form.field('millilitres')}
      />
      <Button type="submit" tone="plain" className="mt-6" disabled={form.busy}>
        Save
      </Button>
    </form>
  );
}

/** Deletes a measure, and offers to restore it. */
function DeleteMeasure({ measure }: { measure: Measure }) {
  const write = useWrite('ingredient', (retired: boolean, idOf) =>
    send(ingredientRoutes.measure, {
      of: 'ingredient',
      code: 'Measure',
      words: `${measure.name} ${retired ? 'deleted' : 'restored'}`,
      body: { id: idOf(String(retired)), ...measure, retired },
    }),
  );
  return (
    <Button
      size="small"
      tone="quiet"
      aria-label={`Delete ${measure.name}`}
      disabled={write.busy}
      onClick={() => {
        write.run(true);
        offerUndo(`${measure.name} deleted`, () => write.run(false));
      }}
    >
      Delete
    </Button>
  );
}

/** Measures of the kitchen's own: what a mug holds, what a cup of one ingredient weighs. */
export function OwnMeasures({ own }: { own: OwnCatalogue }) {
  const catalogue = useCatalogue();
  const mayWrite = useMayWrite();
  const nameOf = (id: string) => catalogue.find(id)?.name.toLowerCase() ?? id;
  return (
    <Ruled title="Your own measures" className="mt-10">
      <ul>
        {own.measures.map((m) => (
          <li
            key={`${m.name} ${m.ingredientId}`}
            className="flex items-center gap-4 border-b border-steel-line py-2"
          >
            <span className="w-56 font-semibold">
              {m.name}
              {m.ingredientId && ` of ${nameOf(m.ingredientId)}`}
            </span>
            <span className="figure flex-1">
              {m.grams !== null ? `${m.grams} g` : volume(m.millilitres!)}
            </span>
            {mayWrite && <DeleteMeasure measure={m} />}
          </li>
        ))}
      </ul>
      {mayWrite && <AddMeasure />}
      <p className="mt-3 text-sm text-ink-2">
        What a cup or a sprig of one ingredient weighs is learned from its line: “Weigh your measure of it”.
      </p>
    </Ruled>
  );
}
