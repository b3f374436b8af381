import type { Route } from '@inch/contract/route/route';
import type { Problem } from '@inch/contract/route/values';
import { QueryClient } from '@tanstack/react-query';
import { v5, v7 } from 'uuid';
import type { z } from 'zod';
import { addressOf } from './address.ts';
import { base } from './base.ts';

/** An answer that was not yes: what is wrong and what to do, by field where it is one. */
export class ApiProblem extends Error {
  readonly status: number;
  readonly kind: string;
  /** Id of the request, the same in the server's log; empty where there is none. */
  readonly requestId: string;
  readonly fields: Record<string, string>;
  constructor(status: number, problem: Partial<Problem>) {
    const said = problem.detail ?? problem.title ?? 'That did not work. Try again.';
    super(status >= 500 && problem.instance ? `${said} Request ${problem.instance.slice(-12)}.` : said);
    this.status = status;
    this.kind = problem.type ?? 'about:blank';
    this.requestId = problem.instance?.replace('urn:uuid:', '') ?? '';
    this.fields = Object.fromEntries((problem.errors ?? []).map((e) => [e.path, e.message]));
  }
}

/** The server could not be reached at all. */
export class ServerAway extends Error {
  constructor() {
    super('The kitchen’s server does not answer. Nothing you typed is lost; try again in a moment.');
  }
}

type In<S> = S extends z.ZodType ? z.input<S> : never;

interface Sent<P, Q, B> {
  params?: P;
  query?: Q;
  body?: B;
}

/** Calls a route of the contract; throws `ApiProblem` or `ServerAway`. */
export async function call<
  P extends z.ZodType,
  Q extends z.ZodType,
  B extends z.ZodType,
  R extends z.ZodType,
>(route: Route<P, Q, B, R>, sent: Sent<In<P>, In<Q>, In<B>> = {}): Promise<z.output<R>> {
  const address = addressOf(
    route.path,
    sent.params as Record<string, unknown>,
    sent.query as Record<string, unknown>,
  );
  return (await send(route.method, address, sent.body)) as z.output<R>;
}

/** Posts a body to an address; throws `ApiProblem` or `ServerAway`. */
export const post = (address: string, body: unknown): Promise<unknown> => send('POST', address, body);

/** Posts a file to a route as it is; throws `ApiProblem` or `ServerAway`. */
export const sendFile = async <
  P extends z.ZodType,
  Q extends z.ZodType,
  B extends z.ZodType,
  R extends z.ZodType,
>(
  route: Route<P, Q, B, R>,
  query: In<Q>,
  file: File,
): Promise<z.output<R>> =>
  (await fetched(addressOf(route.path, {}, query as Record<string, unknown>), {
    method: 'POST',
    headers: { 'content-type': route.sends!.includes(file.type) ? file.type : route.sends![0]! },
    body: file,
  })) as z.output<R>;

const send = (method: string, address: string, body: unknown): Promise<unknown> =>
  fetched(address, {
    method,
    ...(body === undefined
      ? {}
      : { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }),
  });

async function fetched(address: string, init: RequestInit): Promise<unknown> {
  const response = await fetch(base + address, { credentials: 'same-origin', ...init }).catch(() => {
    throw new ServerAway();
  });
  if (response.ok) return response.json();
  if (response.status === 502 || response.status === 504) throw new ServerAway();
  throw new ApiProblem(response.status, await response.json().catch(() => ({})));
}

export const newId = (): string => v7();

/** Id of another thing that is written together with one: always the same of the same. */
export const idWith = (id: string, thing: string): string => v5(thing, id);

export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      networkMode: 'always',
      staleTime: 5_000,
      // What was read stays for the days a kitchen may be without its server.
      gcTime: 14 * 86_400_000,
      retry: (count, error) => error instanceof ServerAway && count < 1,
    },
    mutations: { networkMode: 'always' },
  },
});

/** Every view is read again: something changed, and nobody knows what. */
export const refresh = (): Promise<void> => queryClient.invalidateQueries();

/** Reads again what was read before an instant, in ms. */
export const refreshReadBefore = (ms: number): Promise<void> =>
  queryClient.invalidateQueries({
    predicate: ({ state }) => state.dataUpdatedAt > 0 && state.dataUpdatedAt < ms,
  });
