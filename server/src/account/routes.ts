import { type Account, accountRoutes, type Setup } from '@inch/contract/account';
import type { Kitchen } from '@inch/contract/kitchen';
import type { Pool, PoolConnection } from 'mysql2/promise';
import { v7 as newId } from 'uuid';
import type { z } from 'zod';
import { insert, rows, run, toSql } from '../database/pool.ts';
import { errorCode, inTransaction } from '../database/transaction.ts';
import { invalid, Problem, tooMany } from '../http/problem.ts';
import { type AppContext, serve, serveAnyone } from '../http/serve.ts';
import { GENESIS } from '../journal/append.ts';
import { journal } from '../journal/writing.ts';
import { readKitchen } from '../kitchen/store.ts';
import { hashPassword, passwordMatches } from './password.ts';
import { closeSession, openSession } from './session.ts';
import {
  ATTEMPT_WINDOW_SECONDS,
  accountNamed,
  accountsOf,
  attemptsUsedUp,
  forgetAttempts,
  insertAccount,
  recordAttempt,
} from './store.ts';

async function setupNeeded(pool: Pool | PoolConnection): Promise<boolean> {
  return (await rows(pool, 'SELECT id FROM kitchen LIMIT 1')).length === 0;
}

/** The first row of the kitchen's journal. */
async function journalSetUp(
  tx: PoolConnection,
  account: Account,
  kitchen: Kitchen,
  now: string,
): Promise<void> {
  const chain = { sequence: 0, hash: GENESIS };
  const said = { name: kitchen.name, owner: account.name };
  await journal({ tx, account, kitchen, now, chain }, 'kitchen', kitchen.id, 'set up', said);
  await run(tx, 'UPDATE journal_head SET sequence = ?, hash = ? WHERE kitchen_id = ?', [
    chain.sequence,
    chain.hash,
    kitchen.id,
  ]);
}

/** The first start: the kitchen and its owner, once. */
async function setUp(
  pool: Pool,
  body: z.output<typeof Setup>,
): Promise<{ account: Account; kitchen: Kitchen }> {
  const passwordHash = await hashPassword(body.password);
  const account: Account = { id: newId(), name: body.name, role: 'owner' };
  const kitchenId = newId();
  return inTransaction(pool, async (tx) => {
    const now = new Date().toISOString();
    if (!(await setupNeeded(tx))) throw new Problem(409, 'This kitchen already has an owner. Sign in.');
    await insert(tx, 'kitchen', {
      id: kitchenId,
      name: body.kitchenName,
      place: body.place,
      elevation_metres: body.elevationMetres,
      time_zone: body.timeZone,
      created_at: toSql(now),
    });
    await insertAccount(tx, kitchenId, account, passwordHash, now);
    await insert(tx, 'journal_head', { kitchen_id: kitchenId, sequence: 0, hash: GENESIS });
    const kitchen = await readKitchen(tx, kitchenId);
    await journalSetUp(tx, account, kitchen, now);
    return { account, kitchen };
  });
}

async function signIn(pool: Pool, name: string, password: string): Promise<Account> {
  if (await attemptsUsedUp(pool, name))
    throw tooMany('Too many attempts with this name. Wait a quarter of an hour.', ATTEMPT_WINDOW_SECONDS);
  const account = await accountNamed(pool, name);
  if (!account || !(await passwordMatches(account.passwordHash, password))) {
    await recordAttempt(pool, name);
    throw new Problem(401, 'That name and password do not go together.');
  }
  await forgetAttempts(pool, name);
  return { id: account.id, name: account.name, role: account.role };
}

async function kitchenOf(pool: Pool, accountId: string): Promise<Kitchen> {
  const [row] = await rows<{ kitchen_id: string }>(pool, 'SELECT kitchen_id FROM account WHERE id = ?', [
    accountId,
  ]);
  return readKitchen(pool, row!.kitchen_id);
}

export function accountRouter(app: AppContext): void {
  serveAnyone(app, accountRoutes.setupNeeded, async ({ pool }) => ({ needed: await setupNeeded(pool) }));
  serveAnyone(app, accountRoutes.setup, async ({ pool, body, res }) => {
    const session = await setUp(pool, body);
    await openSession(pool, res, session.account.id);
    return session;
  });
  serveAnyone(app, accountRoutes.signIn, async ({ pool, body, res }) => {
    const account = await signIn(pool, body.name, body.password);
    await openSession(pool, res, account.id);
    return { account, kitchen: await kitchenOf(pool, account.id) };
  });
  serve(app, accountRoutes.session, async ({ account, kitchen }) => ({ account, kitchen }));
  serve(app, accountRoutes.signOut, async ({ pool, req, res }) => {
    await closeSession(pool, req, res);
    return {};
  });
  serve(app, accountRoutes.list, ({ pool, kitchen }) => accountsOf(pool, kitchen.id));
  serve(app, accountRoutes.add, async (call) => {
    const { id, name, role, password } = call.body;
    const passwordHash = await hashPassword(password);
    try {
      await call.write(async (w) => {
        await insertAccount(w.tx, w.kitchen.id, { id, name, role }, passwordHash, w.now);
        await journal(w, 'account', id, 'add', { name, role });
      });
    } catch (error) {
      if (errorCode(error) === 'ER_DUP_ENTRY')
        throw invalid('name', 'Somebody already has that name. Choose another.');
      throw error;
    }
    return { id, name, role };
  });
}
