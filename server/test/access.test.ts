import { createHash } from 'node:crypto';
import { allRoutes } from '@inch/contract/route/routes';
import { v7 as newId } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { openPool } from '../src/database/pool.ts';
import { colleague, OWNER, ownerOf, type Person, useTestApp } from './testApp.ts';

const app = useTestApp();
const people: Record<string, Person> = {};
const RANK = { anyone: 0, reader: 1, maker: 2, owner: 3 } as const;

beforeAll(async () => {
  people.owner = await ownerOf(app);
  people.maker = await colleague(app, people.owner, 'maker');
  people.reader = await colleague(app, people.owner, 'reader');
  people.nobody = app.person();
});

const walked = allRoutes.filter((r) => !(r.method === 'DELETE' && r.path === '/api/session'));

describe('every route as nobody, reader, maker and owner', () => {
  it.each(walked.map((r) => [`${r.method} ${r.path}`, r] as const))('%s', async (_, route) => {
    const path = route.path.replace(/:\w+/g, newId());
    for (const [role, rank] of [
      ['nobody', 0],
      ['reader', 1],
      ['maker', 2],
      ['owner', 3],
    ] as const) {
      const { status, headers } = await people[role]!.send(route.method, path, route.body ? {} : undefined);
      if (rank >= RANK[route.access])
        expect([401, 403], role).not.toContain(status === 401 && path === '/api/session' ? 0 : status);
      else expect(status, role).toBe(rank === 0 ? 401 : 403);
      expect(status, role).toBeLessThan(500);
      if (status >= 400) expect(headers.get('content-type')).toMatch(/^application\/problem\+json/);
    }
  });
});

describe('sessions', () => {
  it('end with signing out, and the cookie is kept from scripts and other sites', async () => {
    const person = app.person();
    const entered = await person.post('/api/session', OWNER);
    expect(entered.headers.get('set-cookie')).toMatch(/HttpOnly/);
    expect(entered.headers.get('set-cookie')).toMatch(/SameSite=Lax/);
    const cookie = person.cookie;
    expect((await person.get('/api/session')).status).toBe(200);
    await person.send('DELETE', '/api/session');
    person.cookie = cookie;
    expect((await person.get('/api/session')).status).toBe(401);
  });

  it('end when their time is over, and are then cleared away', async () => {
    const person = app.person();
    await person.post('/api/session', OWNER);
    const [before] = await app.pool.query('SELECT COUNT(*) AS n FROM session');
    const admin = openPool(app.admin, 1);
    const token = createHash('sha256').update(person.cookie.split('=')[1]!).digest('hex');
    await admin.query('UPDATE session SET expires_at = NOW(3) - INTERVAL 1 SECOND WHERE token_hash = ?', [
      token,
    ]);
    await admin.end();
    expect((await person.get('/api/session')).status).toBe(401);
    expect((await person.get('/api/lots')).status).toBe(401);
    expect((await person.post('/api/plans', { id: newId() })).status).toBe(401);
    await app.person().post('/api/session', OWNER);
    const [after] = await app.pool.query('SELECT COUNT(*) AS n FROM session');
    expect(after).toEqual(before);
  });

  it('take only the right password, and after eight wrong ones ask to wait', async () => {
    const person = app.person();
    const wrong = () => person.post('/api/session', { name: 'Somebody', password: 'not this one' });
    for (let i = 0; i < 8; i++) expect((await wrong()).status).toBe(401);
    expect((await wrong()).status).toBe(429);
    expect((await person.post('/api/session', OWNER)).status).toBe(201);
  });

  it('keep no password readable', async () => {
    const [rows] = await app.pool.query('SELECT password_hash FROM account');
    for (const row of rows as { password_hash: string }[])
      expect(row.password_hash).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/);
  });
});

describe('the door', () => {
  it('opens for an owner once', async () => {
    expect((await app.person().get('/api/setup')).body).toEqual({ needed: false });
    const again = await app
      .person()
      .post('/api/setup', { kitchenName: 'Another', name: 'Other', password: 'long enough password' });
    expect(again.status).toBe(409);
  });

  it('refuses a write that a browser sends from another site', async () => {
    const body = { revision: 1, name: 'Taken over' };
    const foreign: Record<string, string>[] = [
      { origin: 'http://elsewhere.example' },
      { origin: 'null' },
      { 'sec-fetch-site': 'cross-site' },
    ];
    for (const headers of foreign)
      expect((await people.owner!.send('PATCH', '/api/kitchen', body, headers)).status).toBe(403);
    expect((await people.owner!.get('/api/kitchen')).body.name).toBe('Test kitchen');
  });

  it('sends a strict policy with every page and answer', async () => {
    const { headers } = await people.nobody!.get('/api/health');
    expect(headers.get('content-security-policy')).toMatch(/script-src 'self';/);
    expect(headers.get('content-security-policy')).not.toMatch(/script-src[^;]*unsafe/);
    expect(headers.get('x-content-type-options')).toBe('nosniff');
  });

  it('takes no more at once than it says, and stays open', async () => {
    const large = { id: newId(), name: 'x'.repeat(300_000) };
    const reply = await people.owner!.post('/api/containers', large);
    expect([reply.status, reply.body.title]).toEqual([413, 'Too large']);
    expect((await people.owner!.get('/api/containers')).status).toBe(200);
  });

  it('describes itself in OpenAPI 3.1, every route with its access', async () => {
    const { body } = await people.nobody!.get('/api/openapi.json');
    expect(body.openapi).toBe('3.1.0');
    const operations = Object.values(body.paths).flatMap((p) => Object.values(p as object));
    expect(operations).toHaveLength(allRoutes.length);
  });
});
