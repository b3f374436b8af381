import type { Account } from '@inch/contract/account';
import { type Database, insert, rows, run, toSql } from '../database/pool.ts';

type Row = Account & { password_hash: string };

export async function accountNamed(
  db: Database,
  name: string,
): Promise<(Account & { passwordHash: string }) | null> {
  const [row] = await rows<Row>(db, 'SELECT id, name, role, password_hash FROM account WHERE name = ?', [
    name,
  ]);
  return row ? { id: row.id, name: row.name, role: row.role, passwordHash: row.password_hash } : null;
}

export const accountsOf = (db: Database, kitchenId: string): Promise<Account[]> =>
  rows<Account>(db, 'SELECT id, name, role FROM account WHERE kitchen_id = ? ORDER BY name', [kitchenId]);

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
const ALLOWED = 8;

/** Whether a name has used up its attempts of the last quarter of an hour. */
export async function attemptsUsedUp(db: Database, name: string): Promise<boolean> {
  const since = toSql(new Date(Date.now() - ATTEMPT_WINDOW_SECONDS * 1000).toISOString());
  const [row] = await rows<{ n: number }>(
    db,
    'SELECT COUNT(*) AS n FROM sign_in_attempt WHERE name = ? AND at > ?',
    [name, since],
  );
  return Number(row!.n) >= ALLOWED;
}

export const recordAttempt = (db: Database, name: string): Promise<void> =>
  insert(db, 'sign_in_attempt', { name, at: toSql(new Date().toISOString()) });
export const forgetAttempts = (db: Database, name: string): Promise<void> =>
  run(db, 'DELETE FROM sign_in_attempt WHERE name = ?', [name]);
