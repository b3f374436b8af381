import { accountRoutes, NewAccount, type Person } from '@inch/contract/kitchen/account';
import { useState } from 'react';
import { useAccounts } from '../data/accounts.ts';
import { call } from '../data/api.ts';
import { useDeedForm } from '../data/useDeedForm.ts';
import { Button } from '../ui/Button.tsx';
import { Dialog } from '../ui/Dialog.tsx';
import { Choice, Field } from '../ui/Field.tsx';
import { FormEnd } from '../ui/FormEnd.tsx';
import { Ruled } from '../ui/Sheet.tsx';
import { Tick } from '../ui/Tick.tsx';

const ROLES = (
  <>
    <option value="maker">maker</option>
    <option value="reader">reader</option>
    <option value="owner">owner</option>
  </>
);
const ROLE_HINT = 'A reader only looks, a maker makes and releases, an owner also changes settings.';

function RoleForm({ person, onClose }: { person: Person; onClose: () => void }) {
  const form = useDeedForm({
    of: 'kitchen',
    draft: '',
    empty: { role: person.role as string, disabled: person.disabled },
    hasId: false,
    schema: accountRoutes.change.body!,
    read: (a) => ({ role: a.role, disabled: a.disabled }),
    write: (body) => call(accountRoutes.change, { params: { id: person.id }, body }),
    done: 'Person changed',
    after: onClose,
  });
  return (
    <form className="grid gap-4" onSubmit={form.submit}>
      <Choice label="Role" {...form.field('role')} hint={ROLE_HINT}>
        {ROLES}
      </Choice>
      <Tick {...form.register('disabled')}>May not sign in any more. What {person.name} wrote stays.</Tick>
      <FormEnd onCancel={onClose} disabled={form.busy} />
    </form>
  );
}

function NewPasswordForm({ person, onClose }: { person: Person; onClose: () => void }) {
  const form = useDeedForm({
    of: 'kitchen',
    draft: '',
    empty: { password: '' },
    hasId: false,
    schema: accountRoutes.resetPassword.body!,
    read: (a) => a,
    write: (body) => call(accountRoutes.resetPassword, { params: { id: person.id }, body }),
    done: 'Password changed',
    after: onClose,
  });
  return (
    <form className="mt-6 grid gap-4 border-t border-steel-line pt-5" onSubmit={form.submit}>
      <Field
        label="New password"
        type="password"
        autoComplete="new-password"
        {...form.field('password')}
        hint={`Give it to ${person.name} yourself. Their devices sign in again.`}
      />
      <Button type="submit" tone="plain" className="justify-self-end" disabled={form.busy}>
        Set the new password
      </Button>
    </form>
  );
}

function PersonDialog({ person, onClose }: { person: Person; onClose: () => void }) {
  return (
    <Dialog open onClose={onClose} title={person.name}>
      <RoleForm person={person} onClose={onClose} />
      {person.role !== 'owner' && <NewPasswordForm person={person} onClose={onClose} />}
    </Dialog>
  );
}

function AddPerson() {
  const form = useDeedForm({
    of: 'kitchen',
    draft: '',
    empty: { name: '', role: 'maker', password: '' },
    schema: NewAccount,
    read: (v) => v,
    write: (body) => call(accountRoutes.add, { body }),
    done: 'Person added',
  });
  return (
    <form className="grid gap-3 py-4" onSubmit={form.submit}>
      <Field label="Name of the person" {...form.field('name')} />
      <Choice label="Role" {...form.field('role')} hint={ROLE_HINT}>
        {ROLES}
      </Choice>
      <Field
        label="First password"
        type="password"
        autoComplete="new-password"
        {...form.field('password')}
        hint="At least 10 characters. Three or four words that do not belong together."
      />
      <Button type="submit" tone="plain" disabled={form.busy}>
        Add person
      </Button>
    </form>
  );
}

/** Who works in the kitchen, with which role, and who no longer does. */
export function People() {
  const { data } = useAccounts();
  const [changing, change] = useState<Person | null>(null);
  return (
    <Ruled title="People" className="mt-8">
      <ul>
        {data?.map((person) => (
          <li
            key={person.id}
            className="flex items-baseline justify-between gap-3 border-b border-steel-line py-2"
          >
            <span className={person.disabled ? 'text-ink-2' : 'font-semibold'}>{person.name}</span>
            <span className="flex items-baseline gap-3 text-ink-2">
              {person.role}
              {person.disabled && ', disabled'}
              <Button
                tone="quiet"
                size="small"
                aria-label={`Change ${person.name}`}
                onClick={() => change(person)}
              >
                Change…
              </Button>
            </span>
          </li>
        ))}
      </ul>
      <AddPerson />
      {changing && <PersonDialog person={changing} onClose={() => change(null)} />}
    </Ruled>
  );
}
