import { ingredientRoutes } from '@inch/contract/ingredient';
import type { Ingredient } from '@inch/core/ingredient';
import { useState } from 'react';
import { call } from '../data/api.ts';
import { useWrite } from '../data/useWrite.ts';
import { Button } from '../ui/Button.tsx';
import { Field } from '../ui/Field.tsx';
import { numberOf } from '../ui/StepFigures.tsx';

/** "My cup of this": one weighing, remembered from then on. */
export function WeighMeasure({ entry, done }: { entry: Ingredient; done: () => void }) {
  const [name, setName] = useState('cup');
  const [grams, setGrams] = useState('');
  const write = useWrite(
    'ingredient',
    (_: undefined, idOf) =>
      call(ingredientRoutes.measure, {
        body: { id: idOf(), name, ingredientId: entry.id, grams: numberOf(grams) ?? null },
      }),
    { tellsErrors: true, done: `A ${name} of ${entry.name.toLowerCase()} saved`, after: done },
  );
  return (
    <form
      className="grid gap-4"
      onSubmit={(e) => {
        e.preventDefault();
        e.stopPropagation();
        write.run(undefined);
      }}
    >
      <p className="text-ink-2">
        Weigh it once as you measure it. From then on your own measure counts for {entry.name.toLowerCase()},
        before any table’s.
      </p>
      <div className="grid grid-cols-2 gap-4">
        <Field
          label="One of these"
          value={name}
          onChange={(e) => setName(e.target.value)}
          hint="cup, mug, capful, sprig"
          error={write.fields.name}
        />
        <Field
          label="weighs, g"
          figure
          autoFocus
          inputMode="decimal"
          value={grams}
          onChange={(e) => setGrams(e.target.value)}
          error={write.fields.grams ?? write.fields.millilitres}
        />
      </div>
      {write.error && Object.keys(write.fields).length === 0 && (
        <p role="alert" className="font-semibold text-stop">
          {write.error.message}
        </p>
      )}
      <div className="flex justify-end gap-3">
        <Button tone="plain" onClick={done}>
          Cancel
        </Button>
        <Button type="submit" disabled={write.busy || numberOf(grams) === undefined}>
          Save
        </Button>
      </div>
    </form>
  );
}
