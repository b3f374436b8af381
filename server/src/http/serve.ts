import type { Account } from '@inch/contract/account';
import type { Kitchen } from '@inch/contract/kitchen';
import type { Access, Route } from '@inch/contract/route';
import type { Request, Response, Router } from 'express';
import type { Pool } from 'mysql2/promise';
import { ZodError, type z } from 'zod';
import { sessionOf } from '../account/session.ts';
import { inTransaction } from '../database/transaction.ts';
import type { Writing } from '../journal/writing.ts';
import { Problem } from './problem.ts';

/** What the house gives every room. */
export interface House {
  router: Router;
  pool: Pool;
}

export interface Call<P, Q, B> {
  params: P;
  query: Q;
  body: B;
  pool: Pool;
  req: Request;
  res: Response;
}

/** A call by someone signed in, with a transaction for what it writes. */
export interface SignedCall<P, Q, B> extends Call<P, Q, B> {
  account: Account;
  kitchen: Kitchen;
  write<T>(work: (writing: Writing) => Promise<T>): Promise<T>;
}

const RANK: Record<Access, number> = { anyone: 0, reader: 1, maker: 2, owner: 3 };

/** The one place where a role is held against what a route asks. */
function admit(access: Access, account: Account | null): void {
  if (access === 'anyone') return;
  if (!account) throw new Problem(401, 'Sign in to go on.');
  if (RANK[account.role] < RANK[access])
    throw new Problem(403, `This is for the ${access} of the kitchen; you are signed in as ${account.role}.`);
}

function read<T>(schema: z.ZodType<T> | undefined, value: unknown): T {
  return schema ? schema.parse(value) : (undefined as T);
}

const replied = (res: Response, method: string, answer: unknown) => {
  if (res.headersSent || answer === undefined) return;
  res.status(method === 'POST' ? 201 : 200).json(answer);
};

type Inner<S> = S extends z.ZodType ? z.output<S> : never;

function bind(
  router: Router,
  route: { method: string; path: string },
  handler: (req: Request, res: Response) => Promise<void>,
) {
  const verb = route.method.toLowerCase() as 'get' | 'post' | 'patch' | 'delete';
  router[verb](route.path, (req, res, next) => handler(req, res).catch(next));
}

/** Binds a route that anyone may call. */
export function serveAnyone<
  P extends z.ZodType,
  Q extends z.ZodType,
  B extends z.ZodType,
  R extends z.ZodType,
>(
  house: House,
  route: Route<P, Q, B, R> & { access: Access },
  handler: (call: Call<Inner<P>, Inner<Q>, Inner<B>>) => Promise<z.input<R>>,
): void {
  if (route.access !== 'anyone') throw new Error(`${route.path} is not for anyone`);
  bind(house.router, route, async (req, res) => {
    const call = {
      params: read(route.params, req.params),
      query: read(route.query, req.query),
      body: read(route.body, req.body),
      pool: house.pool,
      req,
      res,
    };
    replied(res, route.method, await handler(call as Call<Inner<P>, Inner<Q>, Inner<B>>));
  });
}

/** Something that was asked for and refused: by role, by shape, or by the record. */
export interface Attempt {
  writing: Writing;
  req: Request;
  why: string;
}

const isRefusal = (error: unknown): boolean =>
  (error instanceof Problem && error.status < 500) ||
  ['ZodError', 'TransitionError'].includes((error as Error).name) ||
  error instanceof ZodError;

/** Binds a route for the signed in: session, then role, then the shape of what was sent, then the work. */
export function serve<P extends z.ZodType, Q extends z.ZodType, B extends z.ZodType, R extends z.ZodType>(
  house: House,
  route: Route<P, Q, B, R>,
  handler: (call: SignedCall<Inner<P>, Inner<Q>, Inner<B>>) => Promise<z.input<R> | undefined>,
  refused?: (attempt: Attempt) => Promise<void>,
): void {
  const answer = async (session: { account: Account; kitchen: Kitchen }, req: Request, res: Response) => {
    const { account, kitchen } = session;
    const call = {
      params: read(route.params, req.params),
      query: read(route.query, req.query),
      body: read(route.body, req.body),
      pool: house.pool,
      req,
      res,
      account,
      kitchen,
      write: <T>(work: (writing: Writing) => Promise<T>) =>
        inTransaction(house.pool, (tx) => work({ tx, account, kitchen, now: new Date().toISOString() })),
    };
    replied(res, route.method, await handler(call as SignedCall<Inner<P>, Inner<Q>, Inner<B>>));
  };
  bind(house.router, route, async (req, res) => {
    const session = await sessionOf(house.pool, req);
    try {
      admit(route.access, session?.account ?? null);
      await answer(session!, req, res);
    } catch (error) {
      if (session && refused && isRefusal(error))
        await inTransaction(house.pool, (tx) =>
          refused({
            writing: { tx, ...session, now: new Date().toISOString() },
            req,
            why: (error as Error).message,
          }),
        );
      throw error;
    }
  });
}
