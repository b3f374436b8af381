import { Allergen, type Family, ingredientRoutes } from '@inch/contract/ingredient';
import { inWords } from '@inch/core/quantity';
import { useState } from 'react';
import type { z } from 'zod';
import { call } from '../../data/api.ts';
import { useWrite } from '../../data/useWrite.ts';
import { Button } from '../../ui/Button.tsx';
import { kitchenDay } from '../../ui/dates.ts';
import { Choice, Field } from '../../ui/Field.tsx';
import { numberOf } from '../../ui/StepFigures.tsx';
import { problemIn } from '../../ui/typed.ts';

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

const empty = { sugars: '', acetic: '', alcohol: '', ph: '', ta: '', density: '', source: '' };

/** A thing that is not in the catalogue, as its label or its supplier says it. */
export function OwnIngredientForm({ name, done }: { name: string; done: (id: string | null) => void }) {
  const [called, setCalled] = useState(name);
  const [family, setFamily] = useState<FamilyName>('juice');
  const [text, setText] = useState(empty);
  const [allergens, setAllergens] = useState<AllergenName[]>([]);
  const write = useWrite(
    'ingredient',
    async (_: undefined, idOf) => {
      const ingredientId = idFor(called, idOf());
      await call(ingredientRoutes.enter, {
        body: {
          id: idOf(),
          ingredientId,
          label: {
            name: called,
            labelName: called.toLowerCase(),
            family,
            sugars: numberOf(text.sugars) ?? 0,
            acetic: numberOf(text.acetic),
            alcohol: numberOf(text.alcohol),
            ph: numberOf(text.ph),
            taPer100g: numberOf(text.ta),
            gramsPerMl: numberOf(text.density),
            allergens,
            source: text.source,
            on: kitchenDay(Date.now()),
          },
        },
      });
      return ingredientId;
    },
    { tellsErrors: true, done: `${called} is in your catalogue`, after: (id) => done(id) },
  );
  const { source: _, ...figures } = text;
  const unread = Object.values(figures).some((typed) => problemIn(typed) !== undefined);
  const figure = (field: keyof typeof empty, label: string, path: string) => (
    <Field
      label={label}
      figure
      inputMode="decimal"
      value={text[field]}
      error={problemIn(text[field]) ?? write.fields[`label.${path}`]}
      onChange={(e) => setText({ ...text, [field]: e.target.value })}
    />
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
      <div className="grid grid-cols-2 gap-4">
        <Field
          label="Name"
          autoFocus
          value={called}
          error={write.fields['label.name']}
          onChange={(e) => setCalled(e.target.value)}
        />
        <Choice label="What it is" value={family} onChange={(e) => setFamily(e.target.value as FamilyName)}>
          {Object.entries(FAMILIES).map(([id, words]) => (
            <option key={id} value={id}>
              {words}
            </option>
          ))}
        </Choice>
        {figure('sugars', 'Sugars, g in 100 g', 'sugars')}
        {family === 'vinegar' && figure('acetic', 'Strength, % acetic', 'acetic')}
        {family === 'spirit' && figure('alcohol', 'Alcohol, g in 100 g', 'alcohol')}
        {figure('density', 'One mL weighs, g', 'gramsPerMl')}
        {figure('ph', 'pH, if you measured it', 'ph')}
        {figure('ta', 'Acid, g in 100 g, as citric', 'taPer100g')}
      </div>
      <Field
        label="Where the figures come from"
        value={text.source}
        placeholder="Its label; a test of our own"
        error={write.fields['label.source']}
        onChange={(e) => setText({ ...text, source: e.target.value })}
      />
      <fieldset>
        <legend className="mb-1 text-sm font-semibold text-ink-2">Allergens in it</legend>
        <div className="flex flex-wrap gap-x-4 gap-y-1">
          {Allergen.options.map((allergen) => (
            <label key={allergen} className="flex items-center gap-1.5">
              <input
                type="checkbox"
                className="size-4.5 accent-[var(--rim)]"
                checked={allergens.includes(allergen)}
                onChange={(e) =>
                  setAllergens(
                    e.target.checked ? [...allergens, allergen] : allergens.filter((a) => a !== allergen),
                  )
                }
              />
              {inWords(allergen)}
            </label>
          ))}
        </div>
      </fieldset>
      <p className="text-sm text-ink-2">
        Without a pH and an acidity it counts as low-acid, and no pH is forecast of what contains it.
      </p>
      {write.error && (
        <p role="alert" className="font-semibold text-stop">
          {write.fields.label ?? write.error.message}
        </p>
      )}
      <div className="flex justify-end gap-3">
        <Button tone="plain" onClick={() => done(null)}>
          Cancel
        </Button>
        <Button type="submit" disabled={write.busy || called.trim() === '' || unread}>
          Save
        </Button>
      </div>
    </form>
  );
}
