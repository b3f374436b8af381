import { allRoutes } from '@inch/contract/route/routes';
import type { Router } from 'express';
import { Problem } from '../problem/problem.ts';

/** Answers every method that an address does not know with 405 and those that it does. Comes after all routes. */
export function refuseOtherMethods(router: Router): void {
  const methods = new Map<string, Set<string>>();
  for (const { path, method } of allRoutes) {
    const known = methods.get(path) ?? new Set();
    known.add(method);
    if (method === 'GET') known.add('HEAD');
    methods.set(path, known);
  }
  for (const [path, known] of methods) {
    const allow = [...known].sort().join(', ');
    router.all(path, (req, _res, next) =>
      known.has(req.method)
        ? next()
        : next(new Problem(405, `This address takes ${allow}.`, { headers: { allow } })),
    );
  }
}
