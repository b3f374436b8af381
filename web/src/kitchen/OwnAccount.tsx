import { accountRoutes } from '@inch/contract/kitchen/account';
import { call } from '../data/api.ts';
import { useSession } from '../data/session.tsx';
import { useDeedForm } from '../data/useDeedForm.ts';
import { useWrite } from '../data/useWrite.ts';
import { Button } from '../ui/Button.tsx';
import { Field } from '../ui/Field.tsx';
import { Ruled } from '../ui/Sheet.tsx';

/** One's own password, and one's other devices. */
export function OwnAccount() {
  const { account } = useSession();
  const form = useDeedForm({
    of: 'kitchen',
    draft: '',
    empty: { current: '', password: '' },
    hasId: false,
    schema: accountRoutes.changePassword.body!,
    read: (a) => a,
    write: (body) => call(accountRoutes.changePassword, { body }),
    done: 'Password changed',
  });
  const others = useWrite('kitchen', () => call(accountRoutes.endOthers), {
    done: 'Other devices signed out',
  });
  return (
    <Ruled title={`Your account, ${account.name}`}>
      <form className="grid gap-3 py-4" onSubmit={form.submit}>
        <Field
          label="Your password now"
          type="password"
          autoComplete="current-password"
          {...form.field('current')}
        />
        <Field
          label="Your new password"
          type="password"
          autoComplete="new-password"
          {...form.field('password')}
          hint="At least 10 characters. Your other devices sign in again."
        />
        <Button type="submit" tone="plain" disabled={form.busy}>
          Change password
        </Button>
      </form>
      <Button tone="quiet" size="small" disabled={others.busy} onClick={() => others.run(undefined)}>
        Sign out my other devices
      </Button>
    </Ruled>
  );
}
