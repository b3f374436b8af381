import { type Account, accountRoutes, type Setup } from '@inch/contract/kitchen/account';
import type { Kitchen } from '@inch/contract/kitchen/kitchen';
import type { Request, Response } from 'express';
import type { Pool, PoolConnection } from 'mysql2/promise';
import { v7 as newId } from 'uuid';
import type { z } from 'zod';
import { insert, rows, type Touched, toSql, watchRows } from '../database/pool.ts';
import { errorCode, inTransaction } from '../database/transaction.ts';
import { type AppContext, serve, serveAnyone } from '../http/serve.ts';
import { GENESIS } from '../journal/append.ts';
import { inWriting, journal, journalRows, moveEnd } from '../journal/writing.ts';
import { readKitchen } from '../kitchen/store.ts';
import { invalid, Problem } from '../problem/problem.ts';
import { closeSession, endSessions, openSession } from '../session/session.ts';
import { checkPassword } from './checkPassword.ts';
import { hashPassword, refuseWeak } from './password.ts';
import { changePerson, keepPassword, personOf } from './people.ts';
import { accountsOf, insertAccount } from './store.ts';

async function setupNeeded(pool: Pool | PoolConnection): Promise<boolean> {
  return (await rows(pool, 'SELECT id FROM kitchen LIMIT 1')).length === 0;
}

async function journalSetUp(
  tx: PoolConnection,
  touched: Touched,
  account: Account,
  kitchen: Kitchen,
  now: string,
): Promise<void> {
  const chain = { sequence: 0, hash: GENESIS, waiting: [], writtenAt: now };
  const w = { tx, account, kitchen, now, entered: { at: now, by: account, fromFile: false }, chain };
  await journal(w, 'kitchen', kitchen.id, 'set up', { name: kitchen.name, owner: account.name });
  await journalRows(w, touched);
  await moveEnd(tx, kitchen.id, chain);
}

/** Who may take over a kitchen that came in from an export: its owners, while nobody in it has a password. */
async function ownersToTakeOver(db: Pool | PoolConnection): Promise<Account[]> {
  const [came] = await rows(db, 'SELECT id FROM installation WHERE brought_in_at IS NOT NULL');
  if (!came) return [];
  const [set] = await rows(db, "SELECT id FROM account WHERE password_hash <> '' LIMIT 1");
  if (set) return [];
  return rows<Account>(
    db,
    "SELECT id, name, role FROM account WHERE role = 'owner' AND disabled_at IS NULL ORDER BY created_at, id",
  );
}

/** Sets the first password in a kitchen that came in from an export; once, however many try at the same moment. */
async function takeOver(pool: Pool, { name, password }: { name: string; password: string }) {
  const owner = (await ownersToTakeOver(pool)).find((account) => account.name === name);
  if (!owner) throw new Problem(409, 'Nobody of that name takes this kitchen over. Sign in.');
  const kitchen = await kitchenOf(pool, owner.id);
  await inWriting(pool, { account: owner, kitchen }, async (w) => {
    if ((await ownersToTakeOver(w.tx)).length === 0)
      throw new Problem(409, 'Somebody was faster: this kitchen has an owner with a password. Sign in.');
    await keepPassword(w, owner, password);
  });
  return { account: owner, kitchen };
}

const ALREADY = new Problem(409, 'This kitchen already has an owner. Sign in.');

/** The first start: the kitchen and its owner, once, however many begin at the same moment. */
async function setUp(
  pool: Pool,
  body: z.output<typeof Setup>,
): Promise<{ account: Account; kitchen: Kitchen }> {
  refuseWeak(body.password, [body.name, body.kitchenName]);
  const passwordHash = await hashPassword(body.password);
  const account: Account = { id: newId(), name: body.name, role: 'owner' };
  const kitchenId = newId();
  return inTransaction(pool, async (tx) => {
    const now = new Date().toISOString();
    const touched = watchRows(tx);
    if (!(await setupNeeded(tx))) throw ALREADY;
    await insert(tx, 'kitchen', {
      id: kitchenId,
      name: body.kitchenName,
      place: body.place,
      elevation_metres: body.elevationMetres,
      time_zone: body.timeZone,
      created_at: toSql(now),
    });
    await insert(tx, 'installation', { id: 1, kitchen_id: kitchenId }).catch((error) => {
      throw errorCode(error) === 'ER_DUP_ENTRY' ? ALREADY : error;
    });
    await insertAccount(tx, kitchenId, account, passwordHash, now);
    await insert(tx, 'journal_head', { kitchen_id: kitchenId, sequence: 0, hash: GENESIS });
    const kitchen = await readKitchen(tx, kitchenId);
    await journalSetUp(tx, touched, account, kitchen, now);
    return { account, kitchen };
  });
}

/** Signs somebody in, and journals it. */
async function signIn(
  pool: Pool,
  { body, req, res }: { body: { name: string; password: string }; req: Request; res: Response },
) {
  const account = await checkPassword(pool, body.name, body.password, req.ip ?? '');
  if (!account) throw new Problem(401, 'That name and password do not go together.');
  const kitchen = await kitchenOf(pool, account.id);
  await openSession(pool, res, account.id);
  await inWriting(pool, { account, kitchen }, (w) => journal(w, 'account', account.id, 'sign in', {}));
  return { account, kitchen };
}

async function kitchenOf(pool: Pool, accountId: string): Promise<Kitchen> {
  const [row] = await rows<{ kitchen_id: string }>(pool, 'SELECT kitchen_id FROM account WHERE id = ?', [
    accountId,
  ]);
  return readKitchen(pool, row!.kitchen_id);
}

export function accountRouter(app: AppContext): void {
  serveAnyone(app, accountRoutes.setupNeeded, async ({ pool }) => {
    const owners = (await ownersToTakeOver(pool)).map((owner) => owner.name);
    return { needed: await setupNeeded(pool), ...(owners.length > 0 ? { owners } : {}) };
  });
  serveAnyone(app, accountRoutes.takeOver, async ({ pool, body, res }) => {
    const session = await takeOver(pool, body);
    await openSession(pool, res, session.account.id);
    return session;
  });
  serveAnyone(app, accountRoutes.setup, async ({ pool, body, res }) => {
    const session = await setUp(pool, body);
    await openSession(pool, res, session.account.id);
    return session;
  });
  serveAnyone(app, accountRoutes.signIn, (call) => signIn(call.pool, call));
  serve(app, accountRoutes.changePassword, async (call) => {
    const { pool, account, body, req } = call;
    if (!(await checkPassword(pool, account.name, body.current, req.ip ?? '')))
      throw invalid('current', 'That is not your password. Nothing was changed.');
    await call.write((w) => keepPassword(w, account, body.password, req));
    return {};
  });
  serve(app, accountRoutes.endOthers, async (call) =>
    call.write(async (w) => {
      const ended = await endSessions(w.tx, w.account.id, call.req);
      await journal(w, 'account', w.account.id, 'end sessions', { ended });
      return { ended };
    }),
  );
  serve(app, accountRoutes.session, async ({ account, kitchen }) => ({ account, kitchen }));
  serve(app, accountRoutes.signOut, async ({ pool, req, res }) => {
    await closeSession(pool, req, res);
    return {};
  });
  serve(app, accountRoutes.list, ({ pool, kitchen }) => accountsOf(pool, kitchen.id));
  serve(app, accountRoutes.add, async (call) => {
    const { id, name, role, password } = call.body;
    refuseWeak(password, [name, call.kitchen.name]);
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
  serve(app, accountRoutes.change, (call) => call.write((w) => changePerson(w, call.params.id, call.body)));
  serve(app, accountRoutes.resetPassword, (call) =>
    call.write(async (w) => {
      const person = await personOf(w, call.params.id, false);
      // Who came in with an import has none to change: another owner sets the first.
      const [none] = await rows(w.tx, "SELECT id FROM account WHERE id = ? AND password_hash = ''", [
        person.id,
      ]);
      if (person.role === 'owner' && person.id !== w.account.id && !none)
        throw new Problem(403, 'An owner changes their own password.');
      await keepPassword(w, person, call.body.password);
      return {};
    }),
  );
}
