import { hash, randomBytes } from 'node:crypto';
import type { Session } from '@inch/contract/kitchen/account';
import type { Request, Response } from 'express';
import { type Database, fromSql, insert, rows, run, toSql } from '../database/pool.ts';
import { kitchenAt } from '../kitchen/store.ts';
import { type SessionRow, sessionRow } from './sessionRows.ts';

/** Name of the cookie that a session is kept in. */
export const SESSION_COOKIE = 'inch_session';
const DAYS = 30;
const DAY = 86_400_000;

const hashed = (token: string) => hash('sha256', token);

function tokenOf(req: Request): string | null {
  const header = req.headers.cookie ?? '';
  const found = header.split(/;\s*/).find((part) => part.startsWith(`${SESSION_COOKIE}=`));
  return found ? found.slice(SESSION_COOKIE.length + 1) : null;
}

/** The path that pages and routes stand under, of the address they are reached at. */
const pathOf = (res: Response): string => `${res.app.locals.prefix ?? ''}/`;

/** Opens a session and sets its cookie. Over HTTPS the cookie is marked secure. */
export async function openSession(db: Database, res: Response, accountId: string): Promise<void> {
  const token = randomBytes(32).toString('base64url');
  const now = Date.now();
  await run(db, 'DELETE FROM session WHERE expires_at < ?', [toSql(new Date(now).toISOString())]);
  await insert(db, 'session', {
    token_hash: hashed(token),
    account_id: accountId,
    created_at: toSql(new Date(now).toISOString()),
    expires_at: toSql(new Date(now + DAYS * DAY).toISOString()),
  });
  res.cookie(SESSION_COOKIE, token, {
    httpOnly: true,
    sameSite: 'lax',
    secure: res.req.secure,
    path: pathOf(res),
    maxAge: DAYS * DAY,
  });
}

export async function closeSession(db: Database, req: Request, res: Response): Promise<void> {
  const token = tokenOf(req);
  if (token) await run(db, 'DELETE FROM session WHERE token_hash = ?', [hashed(token)]);
  res.clearCookie(SESSION_COOKIE, { path: pathOf(res) });
}

/** Ends the sessions of an account, all but that of a request where one is given. @returns how many ended */
export async function endSessions(db: Database, accountId: string, butOf?: Request): Promise<number> {
  const kept = butOf ? hashed(tokenOf(butOf) ?? '') : '';
  const others = 'account_id = ? AND token_hash <> ?';
  const [count] = await rows<{ n: number }>(db, `SELECT COUNT(*) AS n FROM session WHERE ${others}`, [
    accountId,
    kept,
  ]);
  await run(db, `DELETE FROM session WHERE ${others}`, [accountId, kept]);
  return Number(count!.n);
}

const MINUTE = 60_000;

const leftIdle = (row: SessionRow, now: number): boolean =>
  row.idle_minutes !== null && now - Date.parse(fromSql(row.seen_at)) > row.idle_minutes * MINUTE;

/** Who a request comes from, with their kitchen; null where nobody is signed in, or the session was left idle. */
export async function sessionOf(db: Database, req: Request): Promise<Session | null> {
  const token = tokenOf(req);
  const row = token ? await sessionRow(db, hashed(token)) : null;
  const now = Date.now();
  if (!token || !row || leftIdle(row, now)) return null;
  if (row.idle_minutes !== null && now - Date.parse(fromSql(row.seen_at)) > MINUTE)
    await run(db, 'UPDATE session SET seen_at = ? WHERE token_hash = ?', [
      toSql(new Date(now).toISOString()),
      hashed(token),
    ]);
  return {
    account: { id: row.account_id, name: row.account_name, role: row.role },
    kitchen: await kitchenAt(db, row.kitchen_id, row.revision),
  };
}

/** Whether the session of a request still stands; asking does not count as a touch. */
export async function sessionStands(db: Database, req: Request): Promise<boolean> {
  const row = await sessionRow(db, hashed(tokenOf(req) ?? ''));
  return row !== null && !leftIdle(row, Date.now());
}
