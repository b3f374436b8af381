import { TransitionError } from '@inch/core/lot';
import type { ErrorRequestHandler, RequestHandler } from 'express';
import type { Logger } from 'pino';
import { z } from 'zod';
import { errorCode } from '../database/transaction.ts';

export interface FieldError {
  path: string;
  message: string;
}

/** An answer that says what is wrong and what to do, as problem+json. */
export class Problem extends Error {
  readonly status: number;
  readonly detail: string;
  readonly errors: FieldError[];
  readonly kind: string;
  constructor(status: number, detail: string, options: { errors?: FieldError[]; kind?: string } = {}) {
    super(detail);
    this.status = status;
    this.detail = detail;
    this.errors = options.errors ?? [];
    this.kind = options.kind ?? 'about:blank';
  }
}

export const notFound = (what: string) => new Problem(404, `There is no such ${what}.`);
export const invalid = (path: string, message: string, kind?: string) =>
  new Problem(422, message, { errors: [{ path, message }], ...(kind ? { kind } : {}) });

const TITLES: Record<number, string> = {
  400: 'That could not be read',
  401: 'Sign in first',
  403: 'Not yours to do',
  404: 'Not found',
  409: 'Something changed meanwhile',
  413: 'Too large',
  415: 'Not in a form that is read here',
  422: 'Something has to be put right',
  429: 'Too many attempts',
  500: 'The kitchen tripped',
  503: 'The database is away',
};

function asProblem(error: unknown): Problem {
  if (error instanceof Problem) return error;
  if (error instanceof z.ZodError) {
    const errors = error.issues.map((issue) => ({ path: issue.path.join('.'), message: issue.message }));
    return new Problem(422, errors[0]?.message ?? 'Something is missing.', { errors });
  }
  if (error instanceof TransitionError) return new Problem(409, error.message);
  if (error instanceof RangeError && !('code' in error)) return new Problem(422, error.message);
  const status = (error as { status?: number }).status;
  if (status === 400 || status === 413 || status === 415)
    return new Problem(
      status,
      status === 413 ? 'That is more than is taken at once.' : 'Send JSON that can be read.',
    );
  if (error instanceof URIError) return new Problem(400, 'That address cannot be read.');
  const code = errorCode(error) ?? '';
  if (
    code === 'ECONNREFUSED' ||
    code.startsWith('PROTOCOL_') ||
    code === 'ECONNRESET' ||
    code === 'ER_SERVER_SHUTDOWN'
  )
    return new Problem(503, 'The database does not answer. Nothing was lost; try again in a moment.');
  if (['ER_NO_REFERENCED_ROW_2', 'ER_DATA_TOO_LONG', 'ER_WARN_DATA_OUT_OF_RANGE'].includes(code))
    return new Problem(422, 'It names something that is not here, or holds more than fits.');
  return new Problem(500, 'Something went wrong here, not with you. Nothing was changed; try again.');
}

/** The last handler: every error leaves as problem+json; what is our fault is logged. */
export function problemHandler(log: Logger): ErrorRequestHandler {
  return (error, req, res, next) => {
    if (res.headersSent) return next(error);
    const problem = asProblem(error);
    if (problem.status === 503)
      log.warn({ code: errorCode(error), path: req.path }, 'the database does not answer');
    else if (problem.status >= 500) log.error({ err: error, path: req.path }, 'request failed');
    res
      .status(problem.status)
      .type('application/problem+json')
      .send(
        JSON.stringify({
          type: problem.kind,
          title: TITLES[problem.status] ?? 'Not possible',
          status: problem.status,
          detail: problem.detail,
          errors: problem.errors,
        }),
      );
  };
}

/** Anything under /api that no route answers. */
export const unknownRoute: RequestHandler = (_req, _res, next) =>
  next(new Problem(404, 'There is nothing at this address.'));
