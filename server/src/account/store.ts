import type { Account, Person } from '@inch/contract/kitchen/account';
import { type Database, insert, rows, run, toSql } from '../database/pool.ts';

type Row = Account & { password_hash: string };

/** The account of a name that may sign in; null where there is none, or where no password is set yet. */
export async function accountNamed(
  db: Database,
  name: string,
): Promise<(Account & { passwordHash: string }) | null> {
  const [row] = await rows<Row>(
    db,
    "SELECT id, name, role, password_hash FROM account WHERE name = ? AND disabled_at IS NULL AND password_hash <> ''",
    [name],
  );
  return row ? { id: row.id, name: row.name, role: row.role, passwordHash: row.password_hash } : null;
}

type PersonRow = Account & { disabled_at: string | null };

/** Everybody of a kitchen, who is disabled too. */
export async function accountsOf(db: Database, kitchenId: string): Promise<Person[]> {
  const found = await rows<PersonRow>(
    db,
    'SELECT id, name, role, disabled_at FROM account WHERE kitchen_id = ? ORDER BY disabled_at IS NOT NULL, name',
    [kitchenId],
  );
  return found.map(({ disabled_at, ...account }) => ({ ...account, disabled: disabled_at !== null }));
}

export const insertAccount = (
  db: Database,
  kitchenId: string,
  account: Account,
  passwordHash: string,
  now: string,
): Promise<void> =>
  insert(db, 'account', {
    ...account,
    kitchen_id: kitchenId,
    password_hash: passwordHash,
    created_at: toSql(now),
  });

export const ATTEMPT_WINDOW_SECONDS = 15 * 60;
/** Wrong passwords that one address may try for one name; what it tries for others shuts neither that name nor its signature. */
const ALLOWED = 8;

/** What a password is asked for: signing in, or a signature of somebody who is signed in. Each is counted by itself. */
export type AskedFor = 'sign-in' | 'signature';
const counted = (name: string, of: AskedFor): string =>
  (of === 'sign-in' ? name : `${of}: ${name}`).slice(0, 120);

/**
 * Takes one attempt of an address at a name before its password is looked at, so that attempts sent at once count as well. Attempts are counted
 * by name and address together, signatures by themselves: a stranger elsewhere locks nobody out, nor do wrong passwords of others here.
 * @returns whether it may be looked at
 */
export async function takeAttempt(
  db: Database,
  name: string,
  address: string,
  of: AskedFor,
): Promise<boolean> {
  const now = Date.now();
  const since = toSql(new Date(now - ATTEMPT_WINDOW_SECONDS * 1000).toISOString());
  const key = counted(name, of);
  await insert(db, 'sign_in_attempt', { name: key, address, at: toSql(new Date(now).toISOString()) });
  const [row] = await rows<{ own: number }>(
    db,
    'SELECT COUNT(*) AS own FROM sign_in_attempt WHERE name = ? AND address = ? AND at > ?',
    [key, address, since],
  );
  return Number(row!.own) <= ALLOWED;
}

/** Forgets the attempts of an address at a name, once its password was right, and everybody's of days ago. */
export async function forgetAttempts(
  db: Database,
  name: string,
  address: string,
  of: AskedFor,
): Promise<void> {
  await run(db, 'DELETE FROM sign_in_attempt WHERE name = ? AND address = ?', [counted(name, of), address]);
  await run(db, 'DELETE FROM sign_in_attempt WHERE at < UTC_TIMESTAMP() - INTERVAL 2 DAY', []);
}
