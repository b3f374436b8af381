import { accountRoutes } from '@inch/contract/kitchen/account';
import { call } from '../data/api.ts';
import { useDeedForm } from '../data/useDeedForm.ts';
import { Button } from '../ui/Button.tsx';
import { Choice, Field } from '../ui/Field.tsx';
import { Doorway } from './Doorway.tsx';

/** The first page of a kitchen that was imported: an owner sets the first password. */
export function TakeOver({ owners }: { owners: string[] }) {
  const form = useDeedForm({
    of: 'kitchen',
    draft: '',
    empty: { name: owners[0]!, password: '' },
    hasId: false,
    schema: accountRoutes.takeOver.body!,
    read: (a) => a,
    write: (body) => call(accountRoutes.takeOver, { body }),
  });
  return (
    <Doorway title="The kitchen is imported">
      <form className="grid gap-4" onSubmit={form.submit}>
        <p>Passwords were not in the file. An owner sets the first one here, and then those of the others.</p>
        <Choice label="Owner" {...form.field('name')} options={owners.map((name) => [name, name])} />
        <Field
          label="New password"
          type="password"
          autoComplete="new-password"
          {...form.field('password')}
          hint="At least 10 characters."
        />
        <Button type="submit" disabled={form.busy}>
          Set the password
        </Button>
      </form>
    </Doorway>
  );
}
