import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, request, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brotliCompressSync, gzipSync } from 'node:zlib';
import { pino } from 'pino';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createApp } from '../src/app.ts';
import { beginLot, cherryContent, saveFormula } from './fixtures.ts';
import { OWNER, ownerOf, useTestApp } from './testApp.ts';

const app = useTestApp();
const webRoot = mkdtempSync(join(tmpdir(), 'inch-pages-'));
let server: Server;

interface Answer {
  status: number;
  headers: Record<string, string | string[] | undefined>;
  text: string;
}

/** What a proxy passes on: the name it was asked by, and over which protocol. */
function through(
  path: string,
  {
    host = 'pantry.example',
    body,
    headers = {},
  }: { host?: string; body?: unknown; headers?: Record<string, string> } = {},
): Promise<Answer> {
  const { port } = server.address() as AddressInfo;
  return new Promise((resolve, reject) => {
    const sent = request({
      host: '127.0.0.1',
      port,
      path,
      method: body === undefined ? 'GET' : 'POST',
      headers: {
        host,
        'x-forwarded-proto': 'https',
        'x-forwarded-for': '203.0.113.9',
        ...headers,
        ...(body === undefined ? {} : { 'content-type': 'application/json', origin: `https://${host}` }),
      },
    });
    sent.on('error', reject);
    sent.on('response', (response) => {
      let text = '';
      response.on('data', (part) => {
        text += part;
      });
      response.on('end', () => resolve({ status: response.statusCode!, headers: response.headers, text }));
    });
    sent.end(body === undefined ? undefined : JSON.stringify(body));
  });
}

beforeAll(async () => {
  await ownerOf(app);
  mkdirSync(join(webRoot, 'assets'));
  writeFileSync(join(webRoot, 'assets', 'page.js'), 'export {};');
  writeFileSync(join(webRoot, 'assets', 'page.js.br'), brotliCompressSync('export {};'));
  writeFileSync(join(webRoot, 'assets', 'page.js.gz'), gzipSync('export {};'));
  writeFileSync(
    join(webRoot, 'index.html'),
    '<head><base href="/" /></head><script src="./assets/page.js"></script>',
  );
  server = createServer(
    createApp({
      pool: app.pool,
      log: pino({ level: 'silent' }),
      webRoot,
      publicAddress: 'https://pantry.example/fruit/pantry/',
      trustProxy: 'loopback',
    }),
  );
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
});
afterAll(async () => {
  await new Promise((resolve) => server.close(resolve));
  rmSync(webRoot, { recursive: true });
});

describe('behind a proxy, under a path of a public address', () => {
  it.each(['/fruit/pantry', ''])('pages say which path they stand under (left on: "%s")', async (left) => {
    for (const path of ['/', '/index.html', '/records/7K2'])
      expect((await through(`${left}${path}`)).text).toContain('<base href="/fruit/pantry/" />');
    expect((await through(`${left}/assets/page.js`)).text).toBe('export {};');
    expect((await through(`${left}/assets/gone.js`)).status).toBe(404);
    expect((await through(`${left}/api/health`)).status).toBe(200);
  });

  it.each(['/fruit/pantry', ''])(
    'the session’s cookie is secure and of that path (left on: "%s")',
    async (left) => {
      const { status, headers } = await through(`${left}/api/session`, { body: OWNER });
      expect(status).toBe(201);
      const [cookie] = headers['set-cookie'] as string[];
      expect(cookie).toMatch(/; Path=\/fruit\/pantry\/;/);
      expect(cookie).toMatch(/; Secure(;|$)/);
    },
  );

  it('a path that only begins alike is another', async () => {
    expect((await through('/fruit/pantryx/api/health')).text).toContain('<base');
  });

  it('answers by the name of the public address and to plain addresses, to no other name', async () => {
    expect((await through('/api/health', { host: 'pantry.example:8443' })).status).toBe(200);
    expect((await through('/api/health', { host: '192.168.1.7:4870' })).status).toBe(200);
    const { status, text } = await through('/api/health', { host: 'evil.example' });
    expect(status).toBe(421);
    expect(JSON.parse(text).detail).toContain('INCH_PUBLIC');
  });
});

describe('what machines ask for', () => {
  it('robots keep away, and whoever finds a hole is told whom to tell', async () => {
    const robots = await through('/robots.txt');
    expect([robots.status, robots.text]).toEqual([200, 'User-agent: *\nDisallow: /\n']);
    const security = await through('/.well-known/security.txt');
    expect(security.headers['content-type']).toMatch(/^text\/plain/);
    const lines = Object.fromEntries(
      security.text.split('\n').map((line) => line.split(/: (.*)/).slice(0, 2)),
    );
    expect(lines.Contact).toBe('https://pantry.example/fruit/pantry/kitchen');
    expect(Date.parse(lines.Expires)).toBeGreaterThan(Date.now() + 300 * 86_400_000);
  });

  it('a page that is none is answered with 404, the page that says so with it; the API with a problem', async () => {
    const page = await through('/no/such/page');
    expect([page.status, page.headers['content-type']]).toEqual([404, expect.stringMatching(/^text\/html/)]);
    expect(page.text).toContain('<base href="/fruit/pantry/" />');
    const api = await through('/api/no-such-thing');
    expect([api.status, api.headers['content-type']]).toEqual([404, expect.stringMatching(/problem\+json/)]);
    expect((await through('/records')).status).toBe(200);
  });

  it('says which of a device’s powers its pages use', async () => {
    const { headers } = await through('/');
    expect(headers['permissions-policy']).toMatch(/camera=\(self\)/);
    expect(headers['permissions-policy']).toMatch(/geolocation=\(\)/);
  });
});

describe('what is sent', () => {
  it.each([
    ['br, gzip', 'br'],
    ['gzip', 'gzip'],
    ['identity', undefined],
  ])('scripts go as they were compressed at build (%s)', async (accepts, encoding) => {
    const { status, headers } = await through('/assets/page.js', { headers: { 'accept-encoding': accepts } });
    expect(status).toBe(200);
    expect(headers['content-encoding']).toBe(encoding);
    expect(headers['content-type']).toMatch(/javascript/);
    expect(headers['cache-control']).toMatch(/immutable/);
  });

  it('a list that did not change is not sent again, and nothing else is kept by a browser', async () => {
    const owner = app.person();
    await owner.post('/api/session', OWNER);
    const first = await owner.get('/api/lots');
    const etag = first.headers.get('etag')!;
    expect(first.headers.get('cache-control')).toBe('private, no-cache');
    const asked = () => through('/api/lots', { headers: { cookie: owner.cookie, 'if-none-match': etag } });
    expect(await asked()).toMatchObject({ status: 304, text: '' });
    await beginLot(owner, await saveFormula(owner, cherryContent));
    expect((await asked()).status).toBe(200);
    expect((await owner.get('/api/kitchen')).headers.get('cache-control')).toBe('no-store');
  });
});
