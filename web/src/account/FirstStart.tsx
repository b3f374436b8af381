import { accountRoutes } from '@inch/contract/account';
import { useForm } from 'react-hook-form';
import { call } from '../data/api.ts';
import { useWrite } from '../data/useWrite.ts';
import { Button } from '../ui/Button.tsx';
import { Field } from '../ui/Field.tsx';
import { Doorway } from './Doorway.tsx';

interface Answers {
  kitchenName: string;
  place: string;
  feet: string;
  name: string;
  password: string;
}

const FEET = 0.3048;

/** The first start of an empty kitchen: its name, its owner, and how high it lies. */
export function FirstStart() {
  const { register, handleSubmit } = useForm<Answers>({
    defaultValues: { kitchenName: '', place: '', feet: '', name: '', password: '' },
  });
  const write = useWrite('kitchen', (a: Answers) =>
    call(accountRoutes.setup, {
      body: {
        kitchenName: a.kitchenName,
        place: a.place,
        elevationMetres: Number(a.feet || 0) * FEET,
        timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
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
          label="Height above the sea, in feet"
          inputMode="numeric"
          figure
          {...register('feet', { pattern: /^-?\d*\.?\d*$/ })}
          error={write.fields.elevationMetres}
          hint="Water boils cooler higher up, and processes take longer."
        />
        <Field
          label="Your name"
          autoComplete="username"
          required
          {...register('name')}
          error={write.fields.name}
          hint="You own this kitchen; others can be added later."
        />
        <Field
          label="A password"
          type="password"
          autoComplete="new-password"
          required
          {...register('password')}
          error={write.fields.password}
          hint="At least 10 characters."
        />
        <Button type="submit" disabled={write.busy}>
          Open the kitchen
        </Button>
      </form>
    </Doorway>
  );
}
