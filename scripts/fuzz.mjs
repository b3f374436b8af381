import { randomUUID } from 'node:crypto';
import { rmSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { newKitchenAt, reading, toWriteIn } from './src/kitchenClient.mjs';
import { ensureBuilt } from './src/machine/build.mjs';
import { ensurePackages } from './src/machine/packages.mjs';
import { say } from './src/machine/say.mjs';
import { throwAwayFolder } from './src/machine/throwAwayFolder.mjs';
import { fitting, seeded, spoiled, strangeIds } from './src/malformed.mjs';
import { freePort, startMariadb } from './src/mariadb.mjs';
import { prepareDatabase, startServer } from './src/server.mjs';
import { sentOf, writeOf } from './src/writes.mjs';

const AT_ONCE = 6;

/** What would end the run itself: signing out, and answers that do not end. */
const LEFT_OUT = new Set(['DELETE /api/session', 'GET /api/live', 'DELETE /api/session/others']);

/** Lists and views that have to answer whatever was stored. */
const LISTS = [
  '/api/kitchen',
  '/api/accounts',
  '/api/formulas',
  '/api/lots',
  '/api/today',
  '/api/stock',
  '/api/plans',
  '/api/instruments',
  '/api/containers',
  '/api/vessels',
  '/api/processes',
];

function routesOf(description) {
  const refs = (ref) =>
    ref
      .split('/')
      .slice(1)
      .reduce((at, key) => at?.[key], description);
  return Object.entries(description.paths).flatMap(([path, methods]) =>
    Object.entries(methods)
      .filter(([method]) => ['get', 'post', 'patch', 'delete'].includes(method))
      .map(([method, operation]) => ({
        method: method.toUpperCase(),
        path,
        refs,
        query: (operation.parameters ?? []).filter((p) => p.in === 'query'),
        body: operation.requestBody?.content?.['application/json']?.schema,
      }))
      .filter((route) => !LEFT_OUT.has(`${route.method} ${path}`)),
  );
}

/** What people write, odd and allowed: other scripts, quotes, what another program would take for its own. */
const ODD = [
  "O'Neill & Söhne",
  'Mädesüß 桜 🍒',
  'مربى التوت',
  '<b>bold</b>',
  '%s %n %x',
  '../../etc/passwd',
  'null',
  '=HYPERLINK("x")',
  "'); DROP TABLE lot; --",
  '00',
  'x'.repeat(60),
  'a, b; "c"',
  '1e5',
  'true',
  '{}',
];

async function sendFitting(url, client, kitchen, i, random) {
  const write = writeOf(kitchen, i, random.of(ODD));
  let last;
  for (const one of [...(write.first ? [write.first] : []), write]) {
    const what = `POST ${one.path} ${JSON.stringify(one.body ?? '')}`.slice(0, 500);
    const response = await fetch(`${url}${one.path}`, { method: 'POST', ...sentOf(client, one) });
    last = { status: response.status, what: `${what}: ${(await response.text()).slice(0, 200)}` };
    if (response.status !== 201) return last;
  }
  return last;
}

function malformed(route, random) {
  const path = route.path.replace(/\{\w+\}/g, () =>
    random.below(2) === 0 ? random.of(random.ids) : random.of(strangeIds),
  );
  const asked = route.query
    .filter(() => random.below(2) === 0)
    .map(({ name }) => `${encodeURIComponent(name)}=${random.of(strangeIds)}`);
  const address = asked.length > 0 ? `${path}?${asked.join('&')}` : path;
  if (!route.body) return { address, headers: {} };
  const fit = fitting(route.body, random, route.refs) ?? {};
  // One in four is left as it is, so that something is stored as well.
  const value = random.below(4) === 0 ? fit : spoiled(fit, random);
  const text = JSON.stringify(value) ?? 'null';
  const headers = {
    'content-type': random.of(['application/json', 'application/json', 'application/json', 'text/plain']),
  };
  return { address, headers, body: random.below(12) === 0 ? text.slice(0, -1) : text };
}

async function send(url, client, route, random) {
  const { address, headers, body } = malformed(route, random);
  const what = `${route.method} ${address} ${body ?? ''}`.slice(0, 500);
  try {
    const response = await fetch(`${url}${address}`, {
      method: route.method,
      headers: { ...client.headers(), ...headers },
      ...(body === undefined ? {} : { body }),
      signal: AbortSignal.timeout(60_000),
    });
    await response.arrayBuffer();
    return { status: response.status, what };
  } catch (error) {
    // No answer at all, or one without an end, is as bad as a wrong one.
    return { status: 599, what: `${what}: ${error.message}` };
  }
}

/** Lists that do not answer, or not with all their lots. */
async function unreadable(client) {
  const broken = [];
  const read = (path) => client.send('GET', path).catch((error) => broken.push(`${path}: ${error.message}`));
  for (const path of LISTS) await read(path);
  const { lots } = await client.send('GET', '/api/lots');
  for (const lot of lots.slice(0, 30)) await read(`/api/lots/${lot.id}`);
  return broken;
}

/**
 * So many requests to a kitchen with filled and released lots: two of five fit and have odd words in them, the others are malformed, over every route of
 * the API's description.
 * @returns how they were answered, each fault, and which lists do not answer afterwards
 */
export async function fuzzRun(count, seed) {
  const folder = throwAwayFolder('fuzz');
  const db = await startMariadb(folder, { throwAway: true });
  await prepareDatabase(db);
  const server = await startServer({ ...db, port: await freePort(), log: 'silent' });
  try {
    const client = await newKitchenAt(server.url, { demo: true });
    const kitchen = await toWriteIn(client);
    const { lot } = kitchen;
    const kept = reading(1);
    await client.send('POST', `/api/lots/${lot}/readings`, kept);
    const instrumentId = randomUUID();
    await client.send('POST', '/api/instruments', { id: instrumentId, kind: 'ph-meter', name: 'Pen' });
    const description = await client.send('GET', '/api/openapi.json');
    const routes = routesOf(description);
    const random = seeded(seed, [lot, kept.id, instrumentId]);
    const [statuses, faults] = [new Map(), []];
    let [next, fitted, malformedSo] = [0, 0, 0];
    const sender = async () => {
      while (next++ < count) {
        const fits = random.below(5) < 2;
        const { status, what } = fits
          ? await sendFitting(server.url, client, kitchen, fitted++, random)
          : await send(server.url, client, routes[malformedSo++ % routes.length], random);
        statuses.set(status, (statuses.get(status) ?? 0) + 1);
        // What fits is taken: refused, it is a fault as well.
        if (status >= 500 || (fits && status !== 201)) faults.push(`${status} ${what}`);
      }
    };
    await Promise.all(Array.from({ length: AT_ONCE }, sender));
    return {
      routes: routes.length,
      statuses: Object.fromEntries([...statuses].sort()),
      faults,
      unreadable: await unreadable(client),
    };
  } finally {
    await server.stop();
    await db.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}

if (process.argv[1] === import.meta.filename) {
  const { values } = parseArgs({
    options: { count: { type: 'string', default: '20000' }, seed: { type: 'string', default: '1' } },
  });
  await ensurePackages();
  await ensureBuilt(['server']);
  const run = await fuzzRun(Number(values.count), Number(values.seed));
  say(`${values.count} requests over ${run.routes} routes: ${JSON.stringify(run.statuses)}`);
  for (const fault of run.faults.slice(0, 20)) say(fault);
  for (const list of run.unreadable) say(list);
  say(
    `5xx and refused though they fit ${run.faults.length}, lists that do not answer ${run.unreadable.length}`,
  );
  process.exit(run.faults.length + run.unreadable.length === 0 ? 0 : 1);
}
