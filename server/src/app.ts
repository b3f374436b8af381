import { existsSync } from 'node:fs';
import { join } from 'node:path';
import express, { type Express, Router } from 'express';
import helmet from 'helmet';
import type { Pool } from 'mysql2/promise';
import type { Logger } from 'pino';
import { accountRoom } from './account/routes.ts';
import { containerRoom } from './container/routes.ts';
import { formulaRoom } from './formula/routes.ts';
import { heatProcessRoom } from './heatProcess/routes.ts';
import { openApi } from './http/openapi.ts';
import { sameOriginOnly } from './http/origin.ts';
import { problemHandler, unknownRoute } from './http/problem.ts';
import { ingredientRoom } from './ingredient/routes.ts';
import { instrumentRoom } from './instrument/routes.ts';
import { kitchenRoom } from './kitchen/routes.ts';
import { kitchenFileRoom } from './kitchenFile/routes.ts';
import { labelRoom } from './label/routes.ts';
import { liveRoom } from './live/routes.ts';
import { lotRoom } from './lot/routes.ts';
import { photographRoom } from './photograph/routes.ts';
import { planRoom } from './plan/routes.ts';
import { releaseRoom } from './release/routes.ts';
import { stockRoom } from './stock/routes.ts';
import { todayRoom } from './today/routes.ts';
import { vesselRoom } from './vessel/routes.ts';

const policy = {
  directives: {
    defaultSrc: ["'self'"],
    scriptSrc: ["'self'"],
    styleSrc: ["'self'", "'unsafe-inline'"],
    imgSrc: ["'self'", 'data:', 'blob:'],
    fontSrc: ["'self'"],
    connectSrc: ["'self'"],
    objectSrc: ["'none'"],
    frameAncestors: ["'none'"],
    baseUri: ["'self'"],
    formAction: ["'self'"],
    upgradeInsecureRequests: null,
  },
};

function api(pool: Pool): Router {
  const router = Router();
  router.use(sameOriginOnly);
  router.use('/api/kitchen/import', express.json({ limit: '8mb' }));
  router.use(express.json({ limit: '256kb' }));
  router.get('/api/health', async (_req, res) => {
    await pool.query('SELECT 1');
    res.json({ well: true });
  });
  const description = openApi();
  router.get('/api/openapi.json', (_req, res) => {
    res.json(description);
  });
  const house = { router, pool };
  for (const room of [
    accountRoom,
    kitchenRoom,
    kitchenFileRoom,
    formulaRoom,
    ingredientRoom,
    lotRoom,
    labelRoom,
    instrumentRoom,
    containerRoom,
    heatProcessRoom,
    releaseRoom,
    todayRoom,
    vesselRoom,
    stockRoom,
    planRoom,
    photographRoom,
    liveRoom,
  ])
    room(house);
  router.use('/api', unknownRoute);
  return router;
}

/** Pages, scripts and fonts as built; anything else under the root is the application's own page. */
function pages(app: Express, webRoot: string): void {
  app.use(
    '/assets',
    express.static(join(webRoot, 'assets'), { immutable: true, maxAge: '1y', fallthrough: false }),
  );
  app.use(express.static(webRoot, { index: false, maxAge: 0 }));
  app.get(/^\/(?!api\/|assets\/).*/, (_req, res) => {
    res.set('cache-control', 'no-cache').sendFile(join(webRoot, 'index.html'));
  });
}

/** The whole application over one pool; `webRoot` is the folder of built pages, if there is one. */
export function createApp(options: { pool: Pool; log: Logger; webRoot?: string }): Express {
  const app = express();
  app.disable('x-powered-by');
  app.disable('etag');
  app.set('query parser', 'simple');
  app.use(helmet({ contentSecurityPolicy: policy, strictTransportSecurity: false }));
  app.use(api(options.pool));
  if (options.webRoot && existsSync(join(options.webRoot, 'index.html'))) pages(app, options.webRoot);
  app.use(problemHandler(options.log));
  return app;
}
