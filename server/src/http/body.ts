import { accountRoutes } from '@inch/contract/account';
import { exportRoutes } from '@inch/contract/export';
import { kitchenFileRoutes } from '@inch/contract/kitchenFile';
import { spreadsheetRoutes } from '@inch/contract/spreadsheet';
import express, { type RequestHandler, type Router } from 'express';
import type { Pool } from 'mysql2/promise';
import { sessionOf } from '../account/session.ts';
import { Problem } from './problem.ts';

/** Where a body is read of somebody who is not signed in: small ones. */
const OPEN: ReadonlySet<string> = new Set([
  accountRoutes.setup.path,
  accountRoutes.takeOver.path,
  accountRoutes.signIn.path,
]);
/** Where a whole file comes as JSON. */
const LARGE = [kitchenFileRoutes.import.path, spreadsheetRoutes.bringIn.path];
/** Where a stream is read by the route itself, before anybody can sign in. */
const STREAMED: ReadonlySet<string> = new Set([exportRoutes.import.path]);

/** Reads bodies only once it is known from whom: a stranger's is not read at all but to sign in. */
export function readBodies(router: Router, pool: Pool): void {
  const known: RequestHandler = (req, res, next) => {
    // Addresses are matched whatever their case, with or without a last slash.
    const path = req.path.toLowerCase().replace(/\/+$/, '');
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
  const small = express.json({ limit: '16kb' });
  router.use(known);
  for (const path of OPEN) router.use(path, small);
  for (const path of LARGE) router.use(path, express.json({ limit: '8mb' }));
  router.use(express.json({ limit: '256kb' }));
}
