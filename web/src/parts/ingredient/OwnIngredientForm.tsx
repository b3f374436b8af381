import { ingredientRoutes, OwnFigures } from '@inch/contract/making/ingredient';
import { Allergen, type Family } from '@inch/core/ingredient';
import { inWords } from '@inch/core/quantity';
import type { FieldPath } from 'react-hook-form';
import type { z } from 'zod';
import { call } from '../../data/api.ts';
import { useDeedForm } from '../../data/useDeedForm.ts';
import { DraftNote } from '../../ui/DraftNote.tsx';
import { kitchenDay } from '../../ui/dates.ts';
import { Choice, Field } from '../../ui/Field.tsx';
import { FormEnd } from '../../ui/FormEnd.tsx';
import { Tick } from '../../ui/Tick.tsx';

type FamilyName = z.infer<typeof Family>;
type AllergenName = z.infer<typeof Allergen>;

const FAMILIES: Record<FamilyName, string> = {
  fruit: 'Fruit',
  juice: 'Juice',
  sugar: 'Sugar or syrup',
  vinegar: 'Vinegar',
  spirit: 'Spirit',
  plant: 'Plant, flower, leaf',
  flavouring: 'Flavouring',
  sweetener: 'Sweetener',
  acid: 'Acid',
  preservative: 'Preservative',
  water: 'Water',
};

/** Letters and dashes of a name, with a tail that no other has. */
const idFor = (name: string, id: string): string =>
  `own-${name
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 36)}-${id.slice(-6)}`;

interface Answers {
  name: string;
  family: FamilyName;
  sugars: string;
  acetic: string;
  alcohol: string;
  ph: string;
  taPer100g: string;
  gramsPerMl: string;
  source: string;
  allergens: AllergenName[];
  /** Whether its pack was read, so that what is not ticked is not in it. */
  packRead: boolean;
}

const FIGURES = ['sugars', 'acetic', 'alcohol', 'ph', 'taPer100g', 'gramsPerMl'] as const;

function useOwnIngredient(name: string, done: (id: string | null) => void) {
  return useDeedForm({
    of: 'ingredient',
    draft: `ingredient ${name}`,
    empty: {
      name,
      family: 'juice',
      sugars: '',
      acetic: '',
      alcohol: '',
      ph: '',
      taPer100g: '',
      gramsPerMl: '',
      source: '',
      allergens: [],
      packRead: false,
    } as Answers,
    schema: OwnFigures,
    read: (a, fields) => {
      const figures = Object.fromEntries(
        FIGURES.map((figure) => [figure, fields.figure(figure, { unit: '' }) ?? undefined]),
      );
      return {
        ingredientId: idFor(a.name, fields.idOf('ingredient')),
        label: {
          ...figures,
          // A label that names no sugars has none.
          sugars: figures.sugars ?? 0,
          name: a.name,
          labelName: a.name.toLowerCase(),
          family: a.family,
          allergens: a.packRead || a.allergens.length > 0 ? a.allergens : null,
          source: a.source,
          on: kitchenDay(Date.now()),
        },
      };
    },
    fieldAt: (path) =>
      path === 'ingredientId' || path === 'label.labelName'
        ? 'name'
        : (path.replace(/^label\./, '').split('.')[0] as FieldPath<Answers>),
    write: (body) => call(ingredientRoutes.enter, { body }),
    done: 'It is in your catalogue',
    after: (_, body) => done(body.ingredientId),
  });
}
type OwnIngredient = ReturnType<typeof useOwnIngredient>;

function AllergenTicks({ form }: { form: OwnIngredient }) {
  return (
    <fieldset>
      <legend className="mb-1 text-sm font-semibold text-ink-2">Allergens in it</legend>
      <div className="flex flex-wrap gap-x-4 gap-y-1">
        {Allergen.options.map((allergen) => (
          <Tick key={allergen} className="min-h-6 gap-1.5" value={allergen} {...form.register('allergens')}>
            {inWords(allergen)}
          </Tick>
        ))}
      </div>
      <Tick className="mt-2 min-h-6 gap-1.5" {...form.register('packRead')}>
        Its pack was read, and names no others. Until then no label with it is printed.
      </Tick>
    </fieldset>
  );
}

/** A thing that is not in the catalogue, as its label or its supplier says it. */
export function OwnIngredientForm({ name, done }: { name: string; done: (id: string | null) => void }) {
  const form = useOwnIngredient(name, done);
  const { family } = form.values;
  const figure = (field: (typeof FIGURES)[number], label: string) => (
    <Field label={label} figure inputMode="decimal" {...form.field(field)} />
  );
  return (
    <form className="grid gap-4" onSubmit={form.submit}>
      <DraftNote form={form} />
      <div className="grid grid-cols-2 gap-4">
        <Field label="Name" autoFocus {...form.field('name')} />
        <Choice
          label="What it is"
          {...form.field('family')}
          options={Object.entries(FAMILIES).map(([id, words]) => [id, words])}
        />
        {figure('sugars', 'Sugars, g in 100 g')}
        {family === 'vinegar' && figure('acetic', 'Strength, % acetic')}
        {family === 'spirit' && figure('alcohol', 'Alcohol, g in 100 g')}
        {figure('gramsPerMl', 'One mL weighs, g')}
        {figure('ph', 'pH, if you measured it')}
        {figure('taPer100g', 'Acid, g in 100 g, as citric')}
      </div>
      <Field
        label="Where the figures come from"
        placeholder="Its label; a test of our own"
        {...form.field('source')}
      />
      <AllergenTicks form={form} />
      <p className="text-sm text-ink-2">
        Without a pH and an acidity it counts as low-acid, and no pH is forecast of what contains it.
      </p>
      <FormEnd onCancel={() => done(null)} disabled={form.busy} />
    </form>
  );
}
