import { TransitionError } from '@inch/core/lot';
import type { ErrorRequestHandler, Request, RequestHandler } from 'express';
import type { Logger } from 'pino';
import { z } from 'zod';
import { UnreadableEntry } from '../database/read.ts';
import { CONTENDED, errorCode, isTakenId } from '../database/transaction.ts';

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
  readonly headers: Record<string, string>;
  /** Where it is not the usual one of its status. */
  readonly title: string | undefined;
  constructor(
    status: number,
    detail: string,
    options: { errors?: FieldError[]; kind?: string; headers?: Record<string, string>; title?: string } = {},
  ) {
    super(detail);
    this.status = status;
    this.detail = detail;
    this.errors = options.errors ?? [];
    this.kind = options.kind ?? 'about:blank';
    this.headers = options.headers ?? {};
    this.title = options.title;
  }
}

export const notFound = (what: string) => new Problem(404, `There is no such ${what}.`);
export const invalid = (path: string, message: string, kind?: string) =>
  new Problem(422, message, { errors: [{ path, message }], ...(kind ? { kind } : {}) });
/** Too many attempts: when to try again stands in the answer's head too. */
export const tooMany = (detail: string, seconds: number) =>
  new Problem(429, detail, { headers: { 'retry-after': String(seconds) } });

/** Whether an error is an answer to what was asked, and no fault of the program. */
export const isRefusal = (error: unknown): error is Problem | TransitionError =>
  (error instanceof Problem && error.status < 500) || error instanceof TransitionError;

/**
 * Runs a computation of core on what a person said: a figure outside its range is then what they are told, at their field.
 * Everywhere else a `RangeError` is a fault of the program.
 */
export function asked<T>(path: string, work: () => T): T {
  try {
    return work();
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    const message = error.message;
    throw invalid(path, /[.!?]$/.test(message) ? message : `${message}.`);
  }
}

const TITLES: Record<number, string> = {
  400: 'That could not be read',
  401: 'Sign in first',
  403: 'You may not do this',
  404: 'Not found',
  405: 'Not possible at this address',
  409: 'It does not fit what is recorded',
  413: 'Too large',
  415: 'Not in a form that is read here',
  416: 'No such part',
  421: 'Not the server of that address',
  422: 'Something has to be put right',
  429: 'Too many attempts',
  500: 'Something went wrong here',
  503: 'The database is away',
  507: 'No room left',
};

/** No connection, or a node of a cluster that is not in step with the others. */
const AWAY = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ETIMEDOUT',
  'ER_SERVER_SHUTDOWN',
  'ER_CONNECTION_KILLED',
  'ER_UNKNOWN_COM_ERROR',
]);

/** Others hold all connections or prepared statements that MariaDB gives out. */
const FULLY_USED = new Set([
  'ER_CON_COUNT_ERROR',
  'ER_TOO_MANY_USER_CONNECTIONS',
  'ER_USER_LIMIT_REACHED',
  'ER_MAX_PREPARED_STMT_COUNT_REACHED',
]);

/** MariaDB's words for a full disk or table. */
const FULL = new Set(['ER_DISK_FULL', 'ER_RECORD_FILE_FULL', 'ER_ERROR_ON_WRITE', 'ER_CANT_CREATE_FILE']);

/** What was sent names nothing that is here, or does not fit its column. */
const DOES_NOT_FIT = new Set([
  'ER_NO_REFERENCED_ROW_2',
  'ER_DATA_TOO_LONG',
  'ER_WARN_DATA_OUT_OF_RANGE',
  'ER_CANT_AGGREGATE_2COLLATIONS',
  'ER_CANT_AGGREGATE_NCOLLATIONS',
  'ER_TRUNCATED_WRONG_VALUE_FOR_FIELD',
]);

function ofDatabase(error: unknown): Problem | null {
  const code = errorCode(error) ?? '';
  if (AWAY.has(code) || code.startsWith('PROTOCOL_'))
    return new Problem(503, 'The database does not answer. Nothing was lost; try again in a moment.', {
      headers: { 'retry-after': '2' },
    });
  if (CONTENDED.has(code))
    return new Problem(503, 'Many write at once. Nothing was changed; try again in a moment.', {
      headers: { 'retry-after': '1' },
      title: 'Too many writers at once',
    });
  if (FULLY_USED.has(code))
    return new Problem(
      503,
      'The database serves as many as it can. Nothing was changed; try again in a moment.',
      {
        headers: { 'retry-after': '2' },
        title: 'The database is fully used',
      },
    );
  if (FULL.has(code))
    return new Problem(
      507,
      'There is no room left on the disk. Nothing was changed; make room and try again.',
    );
  if (isTakenId(error))
    return new Problem(
      409,
      'That id was already used for something else. Give what you write an id of its own.',
    );
  if (DOES_NOT_FIT.has(code))
    return new Problem(422, 'It names something that is not here, or holds more than fits.');
  return null;
}

function ofRequest(error: unknown): Problem | null {
  if (error instanceof URIError) return new Problem(400, 'That address cannot be read.');
  const status = (error as { status?: number }).status;
  if (status === 404) return new Problem(404, 'There is nothing at this address.');
  if (status === 413) return new Problem(413, 'That is more than is taken at once.');
  if (status === 415) return new Problem(415, 'Send JSON in UTF-8, not packed.');
  return status === 400 ? new Problem(400, 'Send JSON that can be read.') : null;
}

function asProblem(error: unknown): Problem {
  if (error instanceof Problem) return error;
  if (error instanceof z.ZodError) {
    const errors = error.issues.map((issue) => ({ path: issue.path.join('.'), message: issue.message }));
    return new Problem(422, errors[0]?.message ?? 'Something is missing.', { errors });
  }
  if (error instanceof TransitionError) return new Problem(409, error.message);
  if (error instanceof UnreadableEntry)
    return new Problem(409, `${error.message}. Ask for npm run verify: it says what was changed.`);
  return (
    ofRequest(error) ??
    ofDatabase(error) ??
    new Problem(
      500,
      'Something went wrong in the program, not with what you sent. Nothing was changed; try again.',
    )
  );
}

/** Id of a request, the same in the answer and in the log. */
export const requestId = (req: Request): string => String(req.res?.getHeader('x-request-id') ?? '');

/** The last handler: every error leaves as problem+json; what is our fault is logged with the request's id. */
export function problemHandler(log: Logger): ErrorRequestHandler {
  return (error, req, res, next) => {
    if (res.headersSent) return next(error);
    const problem = asProblem(error);
    const about = { requestId: requestId(req), method: req.method, path: req.path };
    if (problem.status === 503)
      log.warn({ ...about, code: errorCode(error) }, 'the database does not answer');
    else if (problem.status >= 500) log.error({ ...about, err: error }, 'request failed');
    res
      .status(problem.status)
      .set(problem.headers)
      .type('application/problem+json')
      .send(
        JSON.stringify({
          type: problem.kind,
          title: problem.title ?? TITLES[problem.status] ?? 'Not possible',
          status: problem.status,
          detail: problem.detail,
          instance: `urn:uuid:${about.requestId}`,
          errors: problem.errors,
        }),
      );
  };
}

/** Anything under /api that no route answers. */
export const unknownRoute: RequestHandler = (_req, _res, next) =>
  next(new Problem(404, 'There is nothing at this address.'));
