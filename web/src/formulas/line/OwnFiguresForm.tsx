import { ingredientRoutes, OwnFigures } from '@inch/contract/making/ingredient';
import type { Ingredient } from '@inch/core/ingredient';
import { priceShown } from '@inch/core/quantity';
import type { FieldPath } from 'react-hook-form';
import { useOwnCatalogue } from '../../data/catalogue.ts';
import { send } from '../../data/record.ts';
import { useSession } from '../../data/session.tsx';
import { useDeedForm } from '../../data/useDeedForm.ts';
import { DraftNote } from '../../ui/DraftNote.tsx';
import { kitchenDay } from '../../ui/dates.ts';
import { Field } from '../../ui/Field.tsx';
import { FormEnd } from '../../ui/FormEnd.tsx';
import { WhenField } from '../../ui/WhenField.tsx';

interface Answers {
  brix: string;
  ph: string;
  ta: string;
  alkalinity: string;
  on: string;
  price: string;
}

const FIELD_OF: Record<string, FieldPath<Answers>> = {
  measured: 'brix',
  'measured.brix': 'brix',
  'measured.ph': 'ph',
  'measured.taPer100g': 'ta',
  'measured.alkalinity': 'alkalinity',
  'measured.on': 'on',
  pricePerKgMinor: 'price',
};

function typicalWords(entry: Ingredient): string {
  const { acidity } = entry;
  if (acidity.kind !== 'juice' || entry.own) return '';
  const [low, , high] = acidity.ph;
  const [least, , most] = acidity.taPer100g;
  return `Typical: pH ${low} to ${high}, acid ${least} to ${most} g in 100 g. One reading of your own is better.`;
}

function useOwnFigures(entry: Ingredient, done: () => void) {
  const { kitchen } = useSession();
  const own = useOwnCatalogue().data?.entered.find((e) => e.ingredientId === entry.id);
  const form = useDeedForm({
    of: 'ingredient',
    draft: `figures ${entry.id}`,
    empty: {
      brix: own?.measured?.brix?.toString() ?? '',
      ph: own?.measured?.ph?.toString() ?? '',
      ta: own?.measured?.taPer100g?.toString() ?? '',
      alkalinity: own?.measured?.alkalinity?.toString() ?? '',
      on: own?.measured?.on ?? kitchenDay(Date.now()),
      price: own?.pricePerKgMinor == null ? '' : priceShown(own.pricePerKgMinor, kitchen.currency),
    },
    schema: OwnFigures,
    read: (a, fields) => {
      const [brix, ph, taPer100g, alkalinity] = (['brix', 'ph', 'ta', 'alkalinity'] as const).map(
        (name) => fields.figure(name, { unit: '' }) ?? undefined,
      );
      const some = [brix, ph, taPer100g, alkalinity].some((figure) => figure !== undefined);
      return {
        ingredientId: entry.id,
        measured: some ? { brix, ph, taPer100g, alkalinity, on: a.on } : null,
        label: own?.label ?? null,
        pricePerKgMinor: fields.price('price', kitchen.currency),
        typical: !some && !own?.label && Boolean(own?.measured),
      };
    },
    fieldAt: (path) => FIELD_OF[path],
    write: (body) =>
      send(ingredientRoutes.enter, { of: 'ingredient', code: entry.name, words: 'Own figures', body }),
    done: `${entry.name}: your own figures are used from now on`,
    after: done,
  });
  return { form, fromLabel: Boolean(own?.label) };
}

/** °Bx, pH and acid of this fruit this year, and what a kilogram costs. */
export function OwnFiguresForm({ entry, done }: { entry: Ingredient; done: () => void }) {
  const { kitchen } = useSession();
  const { form, fromLabel } = useOwnFigures(entry, done);
  const measurable = entry.acidity.kind === 'juice' || entry.acidity.kind === 'unknown';
  return (
    <form className="grid gap-4" onSubmit={form.submit}>
      <DraftNote form={form} />
      {measurable && !fromLabel && (
        <>
          <p className="text-ink-2">
            Measured of its juice, this year. What you leave empty stays typical. {typicalWords(entry)}
          </p>
          <div className="grid grid-cols-2 gap-4">
            <Field label="Sugar, °Bx" figure inputMode="decimal" {...form.field('brix')} />
            <Field label="pH" figure inputMode="decimal" {...form.field('ph')} />
            <Field label="Acid, g in 100 g, as citric" figure inputMode="decimal" {...form.field('ta')} />
            <WhenField kind="day" label="Measured on" {...form.when('on')} />
          </div>
        </>
      )}
      {entry.acidity.kind === 'alkaline' && !fromLabel && (
        <>
          <p className="text-ink-2">
            Hard water takes up acid. Your supplier's report calls it alkalinity, or hardness where only that
            is given. While it is not said, soft to very hard water is counted, 10 to 300 mg/L.
          </p>
          <div className="grid grid-cols-2 gap-4">
            <Field
              label="Alkalinity, mg/L as calcium carbonate"
              figure
              inputMode="decimal"
              {...form.field('alkalinity')}
              hint="For instance 120. One German degree is 18."
            />
            <WhenField kind="day" label="Reported on" {...form.when('on')} />
          </div>
        </>
      )}
      <Field
        label={`What a kilogram costs, ${kitchen.currency}`}
        figure
        inputMode="decimal"
        {...form.field('price')}
      />
      <FormEnd onCancel={done} disabled={form.busy} />
    </form>
  );
}
