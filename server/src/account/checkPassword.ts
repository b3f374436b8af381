import type { Account } from '@inch/contract/kitchen/account';
import type { Pool } from 'mysql2/promise';
import { tooMany } from '../problem/problem.ts';
import { passwordMatches } from './password.ts';
import { type AskedFor, ATTEMPT_WINDOW_SECONDS, accountNamed, forgetAttempts, takeAttempt } from './store.ts';

/** Checks a password of a name, not too often wrong from one address. @returns the account, or null where they do not go together */
export async function checkPassword(
  pool: Pool,
  name: string,
  password: string,
  address: string,
  of: AskedFor = 'sign-in',
): Promise<Account | null> {
  if (!(await takeAttempt(pool, name, address, of)))
    throw tooMany('Too many attempts with this name. Wait a quarter of an hour.', ATTEMPT_WINDOW_SECONDS);
  const account = await accountNamed(pool, name);
  if (!(await passwordMatches(account?.passwordHash ?? null, password)) || !account) return null;
  await forgetAttempts(pool, name, address, of);
  return { id: account.id, name: account.name, role: account.role };
}
