import { accountRoutes, Setup } from '@inch/contract/kitchen/account';
import { call } from '../data/api.ts';
import { useDeedForm } from '../data/useDeedForm.ts';
import { Button } from '../ui/Button.tsx';
import { Choice, Field } from '../ui/Field.tsx';
import { timeZonesWith } from '../ui/zones.ts';
import { Doorway } from './Doorway.tsx';
import { ImportKitchen } from './ImportKitchen.tsx';

const here = Intl.DateTimeFormat().resolvedOptions().timeZone;

/** The first start of an empty kitchen: its name, its owner, and how high it lies. */
export function FirstStart() {
  const form = useDeedForm({
    of: 'kitchen',
    draft: '',
    empty: { kitchenName: '', place: '', elevation: '', timeZone: here, name: '', password: '' },
    hasId: false,
    schema: Setup.required({ elevationMetres: true }),
    read: ({ elevation: _, ...a }, fields) => ({
      ...a,
      elevationMetres: fields.elevation('elevation') ?? Number.NaN,
    }),
    fieldAt: (path) => (path === 'elevationMetres' ? 'elevation' : undefined),
    write: (body) => call(accountRoutes.setup, { body }),
  });
  return (
    <Doorway title="A new kitchen">
      <form className="grid gap-4" onSubmit={form.submit}>
        <Field label="Name of the kitchen" autoFocus {...form.field('kitchenName')} />
        <Field label="Place, as it stands on a label" {...form.field('place')} />
        <Field
          label="Elevation above sea level"
          placeholder="2360 ft or 720 m"
          figure
          {...form.field('elevation')}
          hint="Water boils cooler higher up, and processes take longer."
        />
        <Choice
          label="Time zone"
          {...form.field('timeZone')}
          hint="Decides which day it is in the kitchen: on labels, dates and plans."
          options={timeZonesWith(here).map((zone) => [zone, zone.replaceAll('_', ' ')])}
        />
        <Field
          label="Your name"
          autoComplete="username"
          {...form.field('name')}
          hint="You own this kitchen; others can be added later."
        />
        <Field
          label="Password"
          type="password"
          autoComplete="new-password"
          {...form.field('password')}
          hint="At least 10 characters."
        />
        <Button type="submit" disabled={form.busy}>
          Create the kitchen
        </Button>
      </form>
      <ImportKitchen />
    </Doorway>
  );
}
