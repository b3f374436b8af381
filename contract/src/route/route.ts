import type { z } from 'zod';

/** Who may call a route. Each role may do what the ones before it may. */
export type Access = 'anyone' | 'reader' | 'maker' | 'owner';

type Shape = z.ZodType;

/** One request and its answer. `params` name the `:parts` of the path. */
export interface Route<P extends Shape, Q extends Shape, B extends Shape, R extends Shape> {
  method: 'GET' | 'POST' | 'PATCH' | 'DELETE';
  path: string;
  access: Access;
  summary: string;
  params?: P;
  query?: Q;
  body?: B;
  response: R;
  /** Status of a good answer: 201 for what was made, 200 for what was only read, changed or asked. */
  status?: 200 | 201;
  /** Set for lists: an answer that did not change is not sent again (304). */
  revalidated?: true;
  /** Set where the answer is a file rather than JSON. */
  media?: string;
  /** Set where a part of it may be asked for (206, 416). */
  parts?: true;
  /** Content types of what is sent, where that is a file rather than JSON. */
  sends?: readonly string[];
}

// biome-ignore lint/suspicious/noExplicitAny: a list of routes has routes of every shape
export type AnyRoute = Route<any, any, any, any>;

export function route<
  R extends Shape,
  P extends Shape = z.ZodNever,
  Q extends Shape = z.ZodNever,
  B extends Shape = z.ZodNever,
>(shape: Route<P, Q, B, R>): Route<P, Q, B, R> {
  return shape;
}

/** Status of a good answer of a route. */
export const statusOf = ({ method, status }: Pick<AnyRoute, 'method' | 'status'>): 200 | 201 =>
  status ?? (method === 'POST' ? 201 : 200);
