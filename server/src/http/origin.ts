import type { RequestHandler } from 'express';
import { Problem } from '../problem/problem.ts';

const SAFE = new Set(['GET', 'HEAD', 'OPTIONS']);

/** Refuses a state-changing request that a browser sends from another site. */
export const sameOriginOnly: RequestHandler = (req, _res, next) => {
  if (SAFE.has(req.method)) return next();
  const site = req.get('sec-fetch-site');
  const origin = req.get('origin');
  const foreign = origin !== undefined && (!URL.canParse(origin) || new URL(origin).host !== req.get('host'));
  if (foreign || (site !== undefined && site !== 'same-origin' && site !== 'none'))
    return next(new Problem(403, 'This came from another site and was not done.'));
  next();
};
