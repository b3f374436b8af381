import { createHash, randomBytes } from 'node:crypto';
import { calendarRoutes } from '@inch/contract/kitchen/calendar';
import type { Pool } from 'mysql2/promise';
import { fromSql, rows, run, toSql } from '../database/pool.ts';
import { sendCalendar } from '../http/sendCalendar.ts';
import { type AppContext, serve, serveAnyone } from '../http/serve.ts';
import { journal } from '../journal/writing.ts';
import { readKitchen } from '../kitchen/store.ts';
import { plansOf } from '../plan/store.ts';
import { notFound } from '../problem/problem.ts';
import { todayOf } from '../today/routes.ts';
import { subscribedCalendar } from './subscribed.ts';

const hashed = (secret: string): string => createHash('sha256').update(secret).digest('hex');

/** Since when an account's calendar has an address; null where it has none. */
async function madeAt(pool: Pool, accountId: string): Promise<string | null> {
  const [found] = await rows<{ made_at: string }>(
    pool,
    'SELECT made_at FROM calendar_address WHERE account_id = ?',
    [accountId],
  );
  return found ? fromSql(found.made_at) : null;
}

async function kitchenBehind(pool: Pool, secret: string): Promise<string> {
  const [found] = await rows<{ kitchen_id: string }>(
    pool,
    `SELECT a.kitchen_id FROM calendar_address c JOIN account a ON a.id = c.account_id
     WHERE c.token_hash = ? AND a.disabled_at IS NULL`,
    [hashed(secret.replace(/\.ics$/, ''))],
  );
  if (!found) throw notFound('calendar');
  return found.kitchen_id;
}

export function calendarRouter(app: AppContext): void {
  serve(app, calendarRoutes.mine, async ({ pool, account }) => ({ madeAt: await madeAt(pool, account.id) }));
  serve(app, calendarRoutes.make, (call) =>
    call.write(async (w) => {
      const secret = randomBytes(32).toString('base64url');
      await run(
        w.tx,
        `INSERT INTO calendar_address (account_id, token_hash, made_at) VALUES (?, ?, ?)
         ON DUPLICATE KEY UPDATE token_hash = VALUES(token_hash), made_at = VALUES(made_at)`,
        [w.account.id, hashed(secret), toSql(w.now)],
      );
      await journal(w, 'account', w.account.id, 'make calendar address', {});
      return { path: `/api/calendars/${secret}.ics` };
    }),
  );
  serve(app, calendarRoutes.withdraw, (call) =>
    call.write(async (w) => {
      await run(w.tx, 'DELETE FROM calendar_address WHERE account_id = ?', [w.account.id]);
      await journal(w, 'account', w.account.id, 'withdraw calendar address', {});
      return { madeAt: null };
    }),
  );
  serveAnyone(app, calendarRoutes.read, async ({ pool, params, res }) => {
    const kitchen = await readKitchen(pool, await kitchenBehind(pool, params.secret));
    const now = new Date().toISOString();
    const [head] = await rows<{ sequence: number }>(
      pool,
      'SELECT sequence FROM journal_head WHERE kitchen_id = ?',
      [kitchen.id],
    );
    const today = await todayOf(pool, kitchen, now);
    const plans = (await plansOf(pool, kitchen.id)).filter((plan) => !plan.done);
    sendCalendar(
      res,
      subscribedCalendar({ kitchen, today, plans, sequence: Number(head!.sequence) }),
      'inch-pantry.ics',
    );
    return undefined;
  });
}
