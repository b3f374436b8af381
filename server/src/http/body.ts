import { accountRoutes } from '@inch/contract/kitchen/account';
import { exportRoutes } from '@inch/contract/kitchen/export';
import { kitchenFileRoutes } from '@inch/contract/kitchen/kitchenFile';
import { spreadsheetRoutes } from '@inch/contract/kitchen/spreadsheet';
import express, { type Request, type RequestHandler, type Router } from 'express';
import type { Pool } from 'mysql2/promise';
import { Problem } from '../problem/problem.ts';
import { sessionOf } from '../session/session.ts';
import { refuseUnseen } from './unseen.ts';

/** Where a body is read of somebody who is not signed in: small ones. */
const OPEN: ReadonlySet<string> = new Set([
  accountRoutes.setup.path,
  accountRoutes.takeOver.path,
  accountRoutes.signIn.path,
]);
const LARGE: ReadonlySet<string> = new Set([kitchenFileRoutes.import.path, spreadsheetRoutes.bringIn.path]);
/** Where a stream is read by the route itself, before anybody can sign in. */
const STREAMED: ReadonlySet<string> = new Set([exportRoutes.import.path]);

/** Addresses are matched whatever their case, with or without a last slash. */
const pathOf = (req: Request): string => req.path.toLowerCase().replace(/\/+$/, '');

/** Reads bodies only once it is known from whom: a stranger's is not read at all but to sign in. */
export function readBodies(router: Router, pool: Pool): void {
  const known: RequestHandler = (req, res, next) => {
    const path = pathOf(req);
    if (OPEN.has(path) || STREAMED.has(path) || !path.startsWith('/api/')) return next();
    sessionOf(pool, req)
      .then((session) => {
        res.locals.session = session;
        const has =
          req.headers['content-length'] !== undefined || req.headers['transfer-encoding'] !== undefined;
        next(session === null && has ? new Problem(401, 'Sign in to go on.') : undefined);
      })
      .catch(next);
  };
  const [small, usual, large] = ['16kb', '256kb', '8mb'].map((limit) => express.json({ limit }));
  const sized: RequestHandler = (req, res, next) => {
    const path = pathOf(req);
    const read = OPEN.has(path) ? small! : LARGE.has(path) ? large! : usual!;
    read(req, res, next);
  };
  router.use(known, sized, refuseUnseen);
}
