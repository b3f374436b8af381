import type { Account, Person, Role } from '@inch/contract/kitchen/account';
import type { Request } from 'express';
import { toSql, update } from '../database/pool.ts';
import { writeJournal } from '../journal/append.ts';
import { journal, type Writing } from '../journal/writing.ts';
import { notFound, Problem } from '../problem/problem.ts';
import { endSessions } from '../session/session.ts';
import { hashPassword, refuseWeak } from './password.ts';
import { accountsOf } from './store.ts';

/** An account of the kitchen other than the last owner, where its ownership would end. */
export async function personOf(w: Writing, id: string, endsOwnership: boolean): Promise<Person> {
  const people = await accountsOf(w.tx, w.kitchen.id);
  const person = people.find((p) => p.id === id);
  if (!person) throw notFound('account');
  const owners = people.filter((p) => p.role === 'owner' && !p.disabled);
  if (endsOwnership && owners.length === 1 && owners[0]!.id === id)
    throw new Problem(409, 'A kitchen keeps at least one owner. Make somebody else an owner first.');
  return person;
}

/** Changes a role, or disables an account: its sessions end at once. */
export async function changePerson(
  w: Writing,
  id: string,
  { role, disabled }: { role?: Role | undefined; disabled?: boolean | undefined },
) {
  const ends = disabled === true || (role !== undefined && role !== 'owner');
  const before = await personOf(w, id, ends);
  const after = { ...before, role: role ?? before.role, disabled: disabled ?? before.disabled };
  if (after.disabled) await endSessions(w.tx, id);
  await journal(w, 'account', id, 'change', { role: after.role, disabled: after.disabled });
  // The row of the journal is there before the role moves: a trigger asks for it.
  await writeJournal(w.tx, w.chain);
  await update(w.tx, 'account', id, { role: after.role, disabled_at: after.disabled ? toSql(w.now) : null });
  return after;
}

/** Keeps a new password of an account and ends its sessions, all but that of a request where one is given. */
export async function keepPassword(
  w: Writing,
  account: Account,
  password: string,
  butOf?: Request,
): Promise<void> {
  refuseWeak(password, [account.name, w.kitchen.name]);
  await update(w.tx, 'account', account.id, { password_hash: await hashPassword(password) });
  await endSessions(w.tx, account.id, butOf);
  await journal(w, 'account', account.id, 'change password', {});
}
