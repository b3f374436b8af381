import { accountRoutes } from '@inch/contract/account';
import { readElevation } from '@inch/core/quantity';
import { useForm } from 'react-hook-form';
import { call } from '../data/api.ts';
import { useWrite } from '../data/useWrite.ts';
import { Button } from '../ui/Button.tsx';
import { Choice, Field } from '../ui/Field.tsx';
import { timeZonesWith } from '../ui/zones.ts';
import { Doorway } from './Doorway.tsx';

interface Answers {
  kitchenName: string;
  place: string;
  elevation: string;
  timeZone: string;
  name: string;
  password: string;
}

/** The first start of an empty kitchen: its name, its owner, and how high it lies. */
export function FirstStart() {
  const { register, handleSubmit, formState } = useForm<Answers>({
    defaultValues: {
      ...{ kitchenName: '', place: '', elevation: '', name: '', password: '' },
      timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
    },
  });
  const write = useWrite('kitchen', (a: Answers) =>
    call(accountRoutes.setup, {
      body: {
        kitchenName: a.kitchenName,
        place: a.place,
        elevationMetres: readElevation(a.elevation).value ?? undefined,
        timeZone: a.timeZone,
        name: a.name,
        password: a.password,
      },
    }),
  );
  return (
    <Doorway title="A new kitchen">
      <form className="grid gap-4" onSubmit={handleSubmit((values) => write.run(values))}>
        <Field
          label="Name of the kitchen"
          autoFocus
          required
          {...register('kitchenName')}
          error={write.fields.kitchenName}
        />
        <Field label="Place, as it stands on a label" {...register('place')} error={write.fields.place} />
        <Field
          label="Elevation above sea level"
          placeholder="2360 ft or 720 m"
          figure
          required
          {...register('elevation', { validate: (text) => readElevation(text).problem ?? true })}
          error={formState.errors.elevation?.message ?? write.fields.elevationMetres}
          hint="Water boils cooler higher up, and processes take longer."
        />
        <Choice
          label="Time zone"
          {...register('timeZone')}
          error={write.fields.timeZone}
          hint="Decides which day it is in the kitchen: on labels, dates and plans."
        >
          {timeZonesWith(Intl.DateTimeFormat().resolvedOptions().timeZone).map((zone) => (
            <option key={zone} value={zone}>
              {zone.replaceAll('_', ' ')}
            </option>
          ))}
        </Choice>
        <Field
          label="Your name"
          autoComplete="username"
          required
          {...register('name')}
          error={write.fields.name}
          hint="You own this kitchen; others can be added later."
        />
        <Field
          label="Password"
          type="password"
          autoComplete="new-password"
          required
          {...register('password')}
          error={write.fields.password}
          hint="At least 10 characters."
        />
        <Button type="submit" disabled={write.busy}>
          Create the kitchen
        </Button>
      </form>
    </Doorway>
  );
}
