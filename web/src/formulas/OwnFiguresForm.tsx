import { ingredientRoutes } from '@inch/contract/ingredient';
import type { Ingredient } from '@inch/core/ingredient';
import { priceShown } from '@inch/core/quantity';
import { useState } from 'react';
import { call } from '../data/api.ts';
import { useOwnCatalogue } from '../data/catalogue.ts';
import { useSession } from '../data/session.tsx';
import { useWrite } from '../data/useWrite.ts';
import { Button } from '../ui/Button.tsx';
import { kitchenDay } from '../ui/dates.ts';
import { Field } from '../ui/Field.tsx';
import { numberOf } from '../ui/StepFigures.tsx';
import { priceIn, priceProblem, problemIn } from '../ui/typed.ts';

const today = () => kitchenDay(Date.now());

function typicalWords(entry: Ingredient): string {
  const { acidity } = entry;
  if (acidity.kind !== 'juice') return '';
  const [low, , high] = acidity.ph;
  const [least, , most] = acidity.taPer100g;
  return entry.own
    ? ''
    : `Typical: pH ${low} to ${high}, acid ${least} to ${most} g in 100 g. One reading of your own is better.`;
}

/** °Bx, pH and acid of this fruit this year, and what a kilogram costs. */
export function OwnFiguresForm({ entry, done }: { entry: Ingredient; done: () => void }) {
  const { kitchen } = useSession();
  const own = useOwnCatalogue()?.entered.find((e) => e.ingredientId === entry.id);
  const measurable = entry.acidity.kind === 'juice' || entry.acidity.kind === 'unknown';
  const [text, setText] = useState({
    brix: own?.measured?.brix?.toString() ?? '',
    ph: own?.measured?.ph?.toString() ?? '',
    ta: own?.measured?.taPer100g?.toString() ?? '',
    on: own?.measured?.on ?? today(),
    price: own?.pricePerKgMinor == null ? '' : priceShown(own.pricePerKgMinor, kitchen.currency),
  });
  const set = (part: Partial<typeof text>) => setText({ ...text, ...part });
  const write = useWrite(
    'ingredient',
    (_: undefined, idOf) => {
      const [brix, ph, ta] = [text.brix, text.ph, text.ta].map(numberOf);
      const some = brix !== undefined || ph !== undefined || ta !== undefined;
      return call(ingredientRoutes.enter, {
        body: {
          id: idOf(),
          ingredientId: entry.id,
          measured: some ? { brix, ph, taPer100g: ta, on: text.on } : null,
          label: own?.label ?? null,
          pricePerKgMinor: priceIn(text.price, kitchen.currency),
          typical: !some && !own?.label && Boolean(own?.measured),
        },
      });
    },
    { tellsErrors: true, done: `${entry.name}: your own figures are used from now on`, after: done },
  );
  const wrong = {
    brix: problemIn(text.brix),
    ph: problemIn(text.ph),
    ta: problemIn(text.ta),
    price: priceProblem(text.price, kitchen.currency),
  };
  const unread = Object.values(wrong).some((problem) => problem !== undefined);
  const error = (field: string) => write.fields[`measured.${field}`];
  return (
    <form
      className="grid gap-4"
      onSubmit={(e) => {
        e.preventDefault();
        e.stopPropagation();
        write.run(undefined);
      }}
    >
      {measurable && !own?.label && (
        <>
          <p className="text-ink-2">
            Measured of its juice, this year. What you leave empty stays typical. {typicalWords(entry)}
          </p>
          <div className="grid grid-cols-2 gap-4">
            <Field
              label="Sugar, °Bx"
              figure
              inputMode="decimal"
              value={text.brix}
              error={wrong.brix ?? error('brix')}
              onChange={(e) => set({ brix: e.target.value })}
            />
            <Field
              label="pH"
              figure
              inputMode="decimal"
              value={text.ph}
              error={wrong.ph ?? error('ph')}
              onChange={(e) => set({ ph: e.target.value })}
            />
            <Field
              label="Acid, g in 100 g, as citric"
              figure
              inputMode="decimal"
              value={text.ta}
              error={wrong.ta ?? error('taPer100g')}
              onChange={(e) => set({ ta: e.target.value })}
            />
            <Field
              label="Measured on"
              type="date"
              value={text.on}
              error={error('on')}
              onChange={(e) => set({ on: e.target.value })}
            />
          </div>
        </>
      )}
      <Field
        label={`What a kilogram costs, ${kitchen.currency}`}
        figure
        inputMode="decimal"
        value={text.price}
        onChange={(e) => set({ price: e.target.value })}
        error={wrong.price ?? write.fields.pricePerKgMinor}
      />
      {write.error && (
        <p role="alert" className="font-semibold text-stop">
          {write.fields.measured ?? write.error.message}
        </p>
      )}
      <div className="flex justify-end gap-3">
        <Button tone="plain" onClick={done}>
          Cancel
        </Button>
        <Button type="submit" disabled={write.busy || unread}>
          Save
        </Button>
      </div>
    </form>
  );
}
