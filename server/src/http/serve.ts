import type { Account, Session } from '@inch/contract/kitchen/account';
import type { Kitchen } from '@inch/contract/kitchen/kitchen';
import { type Access, type AnyRoute, type Route, statusOf } from '@inch/contract/route/route';
import type { Request, Response, Router } from 'express';
import type { Pool } from 'mysql2/promise';
import { ZodError, type z } from 'zod';
import { inWriting, type Writing } from '../journal/writing.ts';
import { isRefusal, Problem } from '../problem/problem.ts';
import { sessionOf } from '../session/session.ts';
import { writeOnce } from './once.ts';
import { inUnits } from './units.ts';

/** What every router is given. */
export interface AppContext {
  router: Router;
  pool: Pool;
}

interface Call<P, Q, B> {
  params: P;
  query: Q;
  body: B;
  pool: Pool;
  req: Request;
  res: Response;
}

/** A call by someone signed in, with a transaction for what it writes: once, by the id of what is sent. */
export interface SignedCall<P, Q, B> extends Call<P, Q, B> {
  account: Account;
  kitchen: Kitchen;
  write<T>(work: (w: Writing) => Promise<T>): Promise<T>;
}

const RANK: Record<Access, number> = { anyone: 0, reader: 1, maker: 2, owner: 3 };

function admit(access: Access, account: Account | null): void {
  if (access === 'anyone') return;
  if (!account) throw new Problem(401, 'Sign in to go on.');
  if (RANK[account.role] < RANK[access])
    throw new Problem(403, `This is for the ${access} of the kitchen; you are signed in as ${account.role}.`);
}

const read = <T>(schema: z.ZodType<T> | undefined, value: unknown): T =>
  schema ? schema.parse(value) : (undefined as T);

/** Whether a text somewhere in a body holds half of a character: it could be stored nowhere. */
function isBroken(body: unknown): boolean {
  // However deep it is nested: no recursion, which a body could exhaust.
  for (const waiting = [body]; waiting.length > 0; ) {
    const value = waiting.pop();
    if (typeof value === 'string' && /\p{Surrogate}/u.test(value)) return true;
    if (typeof value === 'object' && value !== null)
      for (const [key, part] of Object.entries(value)) waiting.push(key, part);
  }
  return false;
}

/** What is not JSON, or not told as JSON, is not read. */
function bodyOf(route: AnyRoute, req: Request): unknown {
  if (!route.body) return undefined;
  if (req.body === undefined && Number(req.get('content-length') ?? 0) > 0)
    throw new Problem(415, 'Send JSON, with the content type application/json.');
  if (!Buffer.isBuffer(req.body) && isBroken(req.body))
    throw new Problem(422, 'A text holds a broken character. Write it again.');
  return read(route.body, req.body ?? {});
}

/** Ids and codes are plain: nothing is found under any other. */
function plainParams(req: Request): Request['params'] {
  if (Object.values(req.params).some((value) => !/^[\x20-\x7e]*$/.test(String(value))))
    throw new Problem(404, 'There is nothing at this address.');
  return req.params;
}

const calledWith = (route: AnyRoute, app: AppContext, req: Request, res: Response) => ({
  params: read(route.params, plainParams(req)),
  query: read(route.query, req.query),
  body: bodyOf(route, req),
  pool: app.pool,
  req,
  res,
});

/** Answers with what the route promises: an answer of another shape is a fault of the program, and is not sent. */
function reply(res: Response, route: AnyRoute, answer: unknown): void {
  if (res.headersSent || answer === undefined) return;
  const checked = route.response.safeParse(answer);
  if (!checked.success) throw new Error(`${route.method} ${route.path} answers otherwise: ${checked.error}`);
  if (route.revalidated) res.set('cache-control', 'private, no-cache');
  res.status(statusOf(route));
  if (route.method === 'GET') res.json(checked.data);
  // Nobody asks again whether it changed: it goes without an entity tag.
  else res.setHeader('content-type', 'application/json; charset=utf-8').end(JSON.stringify(checked.data));
}

type Inner<S> = S extends z.ZodType ? z.output<S> : never;

function bind(
  { router }: AppContext,
  { method, path }: AnyRoute,
  handler: (req: Request, res: Response) => Promise<void>,
): void {
  const verb = method.toLowerCase() as 'get' | 'post' | 'patch' | 'delete';
  router[verb](path, (req, res, next) => handler(req, res).catch(next));
}

/** Binds a route that anyone may call. */
export function serveAnyone<
  P extends z.ZodType,
  Q extends z.ZodType,
  B extends z.ZodType,
  R extends z.ZodType,
>(
  app: AppContext,
  route: Route<P, Q, B, R> & { access: Access },
  handler: (call: Call<Inner<P>, Inner<Q>, Inner<B>>) => Promise<z.input<R> | undefined>,
): void {
  if (route.access !== 'anyone') throw new Error(`${route.path} is not for anyone`);
  bind(app, route, async (req, res) => {
    const call = calledWith(route, app, req, res);
    reply(res, route, await handler(call as unknown as Call<Inner<P>, Inner<Q>, Inner<B>>));
  });
}

/** Something that was asked for and refused: by role, by shape, or by the record. */
export interface Attempt {
  writing: Writing;
  req: Request;
  why: string;
}

/** The id by which something is written once: of its body, a new version of a formula by that of the version; of the query where the body is a picture. */
function idOf(call: { query: unknown; body: unknown }): string | null {
  const { id, versionId } = (call.body ?? call.query ?? {}) as { id?: unknown; versionId?: unknown };
  const own = id ?? versionId;
  return typeof own === 'string' ? own : null;
}

/** Binds a route for the signed in: session, then role, then the shape of what was sent, then the work. */
export function serve<P extends z.ZodType, Q extends z.ZodType, B extends z.ZodType, R extends z.ZodType>(
  app: AppContext,
  route: Route<P, Q, B, R>,
  handler: (call: SignedCall<Inner<P>, Inner<Q>, Inner<B>>) => Promise<z.input<R> | undefined>,
  refused?: (attempt: Attempt) => Promise<void>,
): void {
  const answer = async (who: { account: Account; kitchen: Kitchen }, req: Request, res: Response) => {
    const call = calledWith(route, app, req, res);
    const id = route.method === 'POST' ? idOf(call) : null;
    const path = `${route.method} ${req.path}`;
    const body = Buffer.isBuffer(req.body) ? req.body : call.body;
    const writer = { ...who, admit: (now: Account | null) => admit(route.access, now) };
    const write = (work: (w: Writing) => Promise<unknown>) =>
      id === null ? inWriting(app.pool, writer, work) : writeOnce(app.pool, writer, { id, path, body }, work);
    const signed = { ...call, ...who, write } as unknown as SignedCall<Inner<P>, Inner<Q>, Inner<B>>;
    reply(res, route, await handler(signed));
  };
  bind(app, route, async (req, res) => {
    const known = res.locals.session as Session | null | undefined;
    const session = known === undefined ? await sessionOf(app.pool, req) : known;
    try {
      admit(route.access, session?.account ?? null);
      const { units, cupSchool } = session!.kitchen;
      await inUnits({ ...units, cup: cupSchool }, () => answer(session!, req, res));
    } catch (error) {
      if (session && refused && (isRefusal(error) || error instanceof ZodError))
        await inWriting(app.pool, session, (writing) =>
          refused({ writing, req, why: (error as Error).message }),
        );
      throw error;
    }
  });
}
