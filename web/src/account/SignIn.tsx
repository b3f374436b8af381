import { accountRoutes } from '@inch/contract/kitchen/account';
import { useForm } from 'react-hook-form';
import { call } from '../data/api.ts';
import { useWrite } from '../data/useWrite.ts';
import { Button } from '../ui/Button.tsx';
import { Field } from '../ui/Field.tsx';
import { Doorway } from './Doorway.tsx';

/** The way in for people who have an account. */
export function SignIn() {
  const { register, handleSubmit } = useForm({ defaultValues: { name: '', password: '' } });
  const write = useWrite(
    'kitchen',
    (body: { name: string; password: string }) => call(accountRoutes.signIn, { body }),
    {
      showsErrors: true,
    },
  );
  return (
    <Doorway title="Sign in">
      <form className="grid gap-4" onSubmit={handleSubmit((values) => write.run(values))}>
        <Field
          label="Name"
          autoComplete="username"
          autoFocus
          required
          {...register('name')}
          error={write.fields.name}
        />
        <Field
          label="Password"
          type="password"
          autoComplete="current-password"
          required
          {...register('password')}
          error={write.fields.password}
        />
        {write.error && Object.keys(write.fields).length === 0 && (
          <p role="alert" className="font-semibold text-stop">
            {write.error.message}
          </p>
        )}
        <Button type="submit" disabled={write.busy}>
          Sign in
        </Button>
      </form>
    </Doorway>
  );
}
