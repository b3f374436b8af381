import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { allRoutes } from '@inch/contract/route/routes';
import { createConnection, type RowDataPacket } from 'mysql2/promise';
import { pino } from 'pino';
import { v7 as newId } from 'uuid';
import { afterAll, beforeAll, expect, inject } from 'vitest';
import { loadDump } from '../../scripts/src/mariadb.mjs';
import { createApp } from '../src/app.ts';
import { verifyJournal } from '../src/audit/verify.ts';
import { databaseFromUrl } from '../src/config.ts';
import { grantAppUser } from '../src/database/grants.ts';
import { type DatabaseAddress, openPool } from '../src/database/pool.ts';
import { useJournalKey } from '../src/journal/sign.ts';

export interface Reply {
  status: number;
  // biome-ignore lint/suspicious/noExplicitAny: tests look into answers of every shape
  body: any;
  headers: Headers;
}

/** A browser's worth of one person: keeps the session cookie, checks every good answer against the contract. */
export class Person {
  cookie = '';
  readonly base: string;
  constructor(base: string) {
    this.base = base;
  }

  async send(
    method: string,
    path: string,
    body?: unknown,
    headers: Record<string, string> = {},
  ): Promise<Reply> {
    const response = await fetch(`${this.base}${path}`, {
      method,
      headers: {
        ...(body === undefined ? {} : { 'content-type': 'application/json' }),
        ...(this.cookie ? { cookie: this.cookie } : {}),
        ...headers,
      },
      ...(body === undefined ? {} : { body: typeof body === 'string' ? body : JSON.stringify(body) }),
    });
    const set = response.headers.get('set-cookie');
    if (set) this.cookie = set.split(';')[0]!;
    const type = response.headers.get('content-type') ?? '';
    // A stream has no end to wait for: that it began is its answer.
    if (type.startsWith('text/event-stream')) await response.body?.cancel();
    const answer = type.includes('json')
      ? await response.json()
      : response.bodyUsed
        ? ''
        : await response.text();
    if (response.ok && type.includes('json')) checkAnswer(method, path, answer);
    return { status: response.status, body: answer, headers: response.headers };
  }
  get = (path: string) => this.send('GET', path);
  post = (path: string, body: unknown) => this.send('POST', path, body);
}

function checkAnswer(method: string, path: string, answer: unknown): void {
  const parts = path.split('?')[0]!.split('/');
  const route = allRoutes.find((r) => {
    const own = r.path.split('/');
    return (
      r.method === method &&
      own.length === parts.length &&
      own.every((p, i) => p.startsWith(':') || p === parts[i])
    );
  });
  if (route) expect(route.response.safeParse(answer).error?.issues ?? [], `${method} ${path}`).toEqual([]);
}

export interface TestApp {
  base: string;
  admin: DatabaseAddress;
  pool: ReturnType<typeof openPool>;
  person: () => Person;
}

/** Connections of a test's application, and of its two writers at once. */
const CONNECTIONS = 6;

interface Tables {
  admin: DatabaseAddress;
  pool: ReturnType<typeof openPool>;
}

/** Makes a migrated database with nothing in it. */
async function makeTables(): Promise<Tables> {
  const database = `inch_test_${newId().slice(-12)}`;
  const admin = { ...databaseFromUrl(inject('adminUrl')), database };
  const user = { ...databaseFromUrl(inject('appUrl')), database };
  loadDump(inject('adminUrl').replace(/[^/]+$/, database), inject('tables'));
  await grantAppUser(admin, user);
  return { admin, pool: openPool(user, CONNECTIONS) };
}

let shared: Promise<Tables> | undefined;

/** Takes the database that the files of tests use one after another, emptied of what the last one wrote. */
async function sharedTables(): Promise<Tables> {
  shared ??= makeTables();
  const tables = await shared;
  const root = await createConnection({ ...tables.admin, multipleStatements: true });
  const [names] = await root.query<RowDataPacket[]>(
    "SELECT table_name AS name FROM information_schema.tables WHERE table_schema = DATABASE() AND table_type = 'BASE TABLE' AND table_name NOT LIKE 'migration%'",
  );
  const emptied = names.map(({ name }) => `DELETE FROM \`${name}\``).join('; ');
  await root.query(`SET FOREIGN_KEY_CHECKS = 0; ${emptied}`);
  await root.end();
  return tables;
}

/** Serves the application to one test file, on an empty database. @param own whether the file changes tables or rows past the application, so that no other may use them */
export function useTestApp({ own = false } = {}): TestApp {
  const app = {} as TestApp;
  let close = async () => {};
  beforeAll(async () => {
    const { admin, pool } = await (own ? makeTables() : sharedTables());
    useJournalKey('ab'.repeat(32));
    const server = createServer(createApp({ pool, log: pino({ level: 'error' }) }));
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    const base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
    Object.assign(app, { base, admin, pool, person: () => new Person(base) });
    close = async () => {
      // Whatever a file of tests wrote, the journal knows of it: everything that changes a row of the record is journaled.
      if (!own) expect((await verifyJournal(pool)).flatMap((report) => report.faults)).toEqual([]);
      server.closeAllConnections();
      await new Promise((resolve) => server.close(resolve));
      if (own) await pool.end();
    };
  });
  afterAll(() => close());
  return app;
}

export const OWNER = { name: 'Wren', password: 'a long enough password' };

/** The kitchen set up by its owner, who is signed in. */
export async function ownerOf(app: TestApp): Promise<Person> {
  const owner = app.person();
  const { status } = await owner.post('/api/setup', {
    kitchenName: 'Test kitchen',
    place: 'Upland',
    elevationMetres: 719,
    timeZone: 'UTC',
    ...OWNER,
  });
  expect(status).toBe(201);
  const { body } = await owner.get('/api/kitchen');
  await owner.send('PATCH', '/api/kitchen', { revision: body.revision, cupSchool: 'us' });
  return owner;
}

export async function colleague(app: TestApp, owner: Person, role: 'maker' | 'reader'): Promise<Person> {
  const name = `${role} ${newId().slice(-6)}`;
  await owner.post('/api/accounts', { id: newId(), name, role, password: OWNER.password });
  const person = app.person();
  expect((await person.post('/api/session', { name, password: OWNER.password })).status).toBe(201);
  return person;
}
