import { randomUUID } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { metaRoutes } from '@inch/contract/route/meta';
import { isPage } from '@inch/contract/route/pages';
import compression from 'compression';
import express, { type Express, type RequestHandler, Router } from 'express';
import gzipStatic from 'express-static-gzip';
import helmet from 'helmet';
import type { Pool } from 'mysql2/promise';
import type { Logger } from 'pino';
import { accountRouter } from './account/routes.ts';
import { ageingRouter } from './ageing/routes.ts';
import { journalRouter } from './audit/routes.ts';
import { backupRouter } from './backup/routes.ts';
import { calendarRouter } from './calendar/routes.ts';
import { contactRouter } from './contact/routes.ts';
import { containerRouter } from './container/routes.ts';
import { exportRouter } from './export/routes.ts';
import { formulaRouter } from './formula/routes.ts';
import { heatProcessRouter } from './heatProcess/routes.ts';
import { readBodies } from './http/body.ts';
import { knownHostOnly } from './http/host.ts';
import { refuseOtherMethods } from './http/methods.ts';
import { openApi } from './http/openapi.ts';
import { sameOriginOnly } from './http/origin.ts';
import { serveAnyone } from './http/serve.ts';
import { ingredientRouter } from './ingredient/routes.ts';
import { instrumentRouter } from './instrument/routes.ts';
import { stockRouter } from './inventory/routes.ts';
import { kitchenFileRouter } from './kitchenFile/routes.ts';
import { labelDesignRouter } from './label/design.ts';
import { labelPictureRouter } from './label/pictures.ts';
import { labelRouter } from './label/routes.ts';
import { labelSheetRouter } from './label/sheets.ts';
import { tagRouter } from './label/tags.ts';
import { liveRouter } from './live/routes.ts';
import { photographRouter } from './photograph/routes.ts';
import { placeRouter } from './place/routes.ts';
import { planRouter } from './plan/routes.ts';
import { Problem, problemHandler, unknownRoute } from './problem/problem.ts';
import { lotRouter } from './record/routes.ts';
import { releaseRouter } from './release/routes.ts';
import { saleRouter } from './sale/routes.ts';
import { kitchenRouter } from './settings/routes.ts';
import { sourceHoldRouter } from './sourceHold/routes.ts';
import { spreadsheetRouter } from './spreadsheet/routes.ts';
import { todayRouter } from './today/routes.ts';
import { vesselRouter } from './vessel/routes.ts';

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

/** What a page may ask of the device: the camera for codes and photographs, a serial port for instruments, a screen that stays on. */
const PERMISSIONS = [
  'camera=(self)',
  'serial=(self)',
  'screen-wake-lock=(self)',
  'fullscreen=(self)',
  ...['microphone', 'geolocation', 'payment', 'usb', 'bluetooth', 'midi', 'display-capture'].map(
    (name) => `${name}=()`,
  ),
  ...['accelerometer', 'gyroscope', 'magnetometer', 'browsing-topics'].map((name) => `${name}=()`),
].join(', ');

const ROUTERS = [
  // Routes are tried in order: what is asked most often comes first.
  lotRouter,
  accountRouter,
  kitchenRouter,
  kitchenFileRouter,
  formulaRouter,
  ingredientRouter,
  labelRouter,
  labelDesignRouter,
  labelPictureRouter,
  labelSheetRouter,
  tagRouter,
  ageingRouter,
  placeRouter,
  sourceHoldRouter,
  instrumentRouter,
  containerRouter,
  heatProcessRouter,
  releaseRouter,
  todayRouter,
  vesselRouter,
  stockRouter,
  planRouter,
  photographRouter,
  liveRouter,
  journalRouter,
  backupRouter,
  calendarRouter,
  exportRouter,
  spreadsheetRouter,
  saleRouter,
  contactRouter,
];

/** Path of the public address, which a proxy may pass on or leave out. */
const prefixOf = (publicAddress: string | undefined): string =>
  publicAddress === undefined ? '' : new URL(publicAddress).pathname.replace(/\/+$/, '');

/** Takes the path of the public address off what is asked for, where the proxy left it on. */
const underPrefix =
  (prefix: string): RequestHandler =>
  (req, _res, next) => {
    if (req.url === prefix) req.url = '/';
    else if (req.url.startsWith(`${prefix}/`)) req.url = req.url.slice(prefix.length);
    next();
  };

const compress = compression({
  filter: (req, res) =>
    !String(res.getHeader('content-type')).startsWith('text/event-stream') && compression.filter(req, res),
});

/** What is read and is over a kilobyte is sent smaller; a stream, and the answer to a write, are sent as they come. */
const compressed: RequestHandler = (req, res, next) =>
  req.method === 'POST' ? next() : compress(req, res, next);

/** Every request has an id, told in its answer and in the log. */
const withRequestId: RequestHandler = (_req, res, next) => {
  res.setHeader('x-request-id', randomUUID());
  next();
};

function api(pool: Pool): Router {
  const router = Router();
  router.use(sameOriginOnly);
  router.use('/api', (_req, res, next) => {
    res.setHeader('cache-control', 'no-store');
    next();
  });
  readBodies(router, pool);
  const app = { router, pool };
  serveAnyone(app, metaRoutes.health, async () => {
    // A node of a cluster that is not in step answers this with an error.
    await pool.query('SELECT id FROM installation');
    return { well: true as const };
  });
  serveAnyone(app, metaRoutes.live, async () => ({ well: true as const }));
  serveAnyone(app, metaRoutes.openApi, async () => openApi());
  for (const bindAll of ROUTERS) bindAll(app);
  refuseOtherMethods(router);
  router.use('/api', unknownRoute);
  return router;
}

/** RFC 9116: an installation is somebody's own, who is found on its page of people. */
function securityTxt(address: string): string {
  const inAYear = new Date();
  inAYear.setUTCFullYear(inAYear.getUTCFullYear() + 1);
  inAYear.setUTCHours(0, 0, 0, 0);
  return [
    `Contact: ${address}/kitchen`,
    `Expires: ${inAYear.toISOString()}`,
    'Preferred-Languages: en',
    `Canonical: ${address}/.well-known/security.txt`,
    '',
  ].join('\n');
}

/** Pages, scripts and fonts as built; anything else under the root is the application's own page. */
function pages(app: Express, webRoot: string, prefix: string): void {
  // Scripts, fonts and routes are found from the path that the page says it stands under.
  const page = readFileSync(join(webRoot, 'index.html'), 'utf8').replace(
    '<base href="/"',
    `<base href="${prefix}/"`,
  );

  // As they were compressed at build; what is asked for and not there is 404.
  app.use(
    '/assets',
    gzipStatic(join(webRoot, 'assets'), {
      enableBrotli: true,
      orderPreference: ['br'],
      serveStatic: { immutable: true, maxAge: '1y' },
    }),
    (_req, _res, next) => next(new Problem(404, 'There is nothing at this address.')),
  );
  // The page itself says that there is nothing, in words; whoever asks by machine is told by the status.
  const sendPage: RequestHandler = (req, res) => {
    res
      .status(req.path === '/index.html' || isPage(req.path) ? 200 : 404)
      .set('cache-control', 'no-cache')
      .type('html')
      .send(page);
  };
  app.get('/robots.txt', (_req, res) => {
    res.type('text/plain').send('User-agent: *\nDisallow: /\n');
  });
  app.get('/.well-known/security.txt', (req, res) => {
    res.type('text/plain').send(securityTxt(`${req.protocol}://${req.get('host')}${prefix}`));
  });
  app.get('/index.html', sendPage);
  app.use(express.static(webRoot, { index: false, maxAge: 0 }));
  app.get(/^\/(?!api\/|assets\/).*/, sendPage);
}

interface AppOptions {
  pool: Pool;
  log: Logger;
  /** Folder of built pages, if there is one. */
  webRoot?: string;
  /** Address that it is reached at from outside, as in https://pantry.example or https://example.org/pantry. */
  publicAddress?: string;
  /** File of the authority that signed the certificate: a tablet fetches it to trust it. */
  authority?: string;
  /** Proxies that are trusted for who asks and by which protocol, as Express takes them. */
  trustProxy?: string;
}

/** The whole application over one pool. */
export function createApp(options: AppOptions): Express {
  const app = express();
  if (options.trustProxy) app.set('trust proxy', options.trustProxy);
  app.disable('x-powered-by');
  app.set('etag', 'weak');
  app.set('query parser', 'simple');
  // Answers that go on until somebody leaves: whoever stops the server ends them.
  app.locals.streams = new Set();
  const prefix = prefixOf(options.publicAddress);
  app.locals.prefix = prefix;
  if (prefix !== '') app.use(underPrefix(prefix));
  app.use(withRequestId);
  app.use(knownHostOnly(options.publicAddress));
  app.use(
    helmet({
      contentSecurityPolicy: policy,
      strictTransportSecurity: false,
      crossOriginOpenerPolicy: false,
    }),
  );
  // Over plain HTTP a browser ignores the one, and says so of every page.
  app.use((req, res, next) => {
    res.setHeader('permissions-policy', PERMISSIONS);
    if (req.secure) res.setHeader('cross-origin-opener-policy', 'same-origin');
    next();
  });
  const { authority } = options;
  if (authority)
    app.get('/authority.crt', (_req, res) => {
      res.type('application/x-x509-ca-cert').send(readFileSync(authority));
    });
  app.use(compressed);
  app.use(api(options.pool));
  if (options.webRoot && existsSync(join(options.webRoot, 'index.html'))) pages(app, options.webRoot, prefix);
  app.use(problemHandler(options.log));
  return app;
}
