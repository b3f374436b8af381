import { allRoutes } from '@inch/contract/route/routes';
import { entries } from '@inch/core/record';
import { v7 as newId } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openPool } from '../src/database/pool.ts';
import { Crew } from './filled.ts';
import { cherryContent, jarOf, meterOf, post, type Started, saveFormula } from './fixtures.ts';
import { OWNER, type Person, useTestApp } from './testApp.ts';

const app = useTestApp({ own: true });
const crew = new Crew();
let stranger: Person;
let lot: Started;
/** Ids of the first kitchen's things, by the noun that an address names them with. */
const own: Record<string, string> = {};
let admin: ReturnType<typeof openPool>;

beforeAll(async () => {
  await crew.gather(app);
  lot = await crew.releasable();
  own.lots = lot.id;
  const { body: people } = await crew.owner.get('/api/accounts');
  own.accounts = people.find((p: { role: string }) => p.role === 'maker').id;
  own.formulas = await saveFormula(crew.maker, cherryContent, 'Of the first kitchen');
  own.instruments = await meterOf(crew.maker);
  own.containers = await jarOf(crew.maker);
  own.vessels = newId();
  await crew.maker.post('/api/vessels', {
    id: own.vessels,
    name: 'Jam pan',
    material: 'steel',
    shape: {
      kind: 'frusta',
      frusta: [{ heightMm: 150, lowerDiameterMm: 300, upperDiameterMm: 300 }],
    },
  });
  own.stock = newId();
  await crew.maker.post('/api/stock', {
    id: own.stock,
    kind: 'ingredient',
    thing: 'sugar',
    quantity: 5000,
    gotOn: '2026-11-01',
  });
  own.plans = newId();
  await crew.maker.post('/api/plans', {
    id: own.plans,
    content: { name: 'The fair', due: null, items: [], steps: [] },
  });
  own.spreadsheets = newId();
  await crew.owner.post('/api/spreadsheets', {
    id: own.spreadsheets,
    kind: 'lots',
    fileName: 'old.csv',
    columns: { code: 0, name: 1, madeOn: 2 },
    rows: [['OLD-1', 'Of the first kitchen', '2023-09-02']],
  });
  own.contacts = newId();
  await crew.maker.post('/api/contacts', { id: own.contacts, name: 'Ada of the first' });
  // A second kitchen on the same database, as an import of the owner of the machine could make it.
  admin = openPool(app.admin, 1);
  const [kitchenId, accountId] = [newId(), newId()];
  await admin.query(
    `INSERT INTO kitchen (id, name, created_at, workshop)
     SELECT ?, 'Another kitchen', created_at, workshop FROM kitchen LIMIT 1`,
    [kitchenId],
  );
  await admin.query(
    `INSERT INTO account (id, kitchen_id, name, role, password_hash, created_at)
     SELECT ?, ?, 'Stranger', 'owner', password_hash, created_at FROM account WHERE name = ?`,
    [accountId, kitchenId, OWNER.name],
  );
  await admin.query('INSERT INTO journal_head (kitchen_id, sequence, hash) VALUES (?, 0, ?)', [
    kitchenId,
    '0'.repeat(64),
  ]);
  stranger = app.person();
  const entered = await stranger.post('/api/session', { name: 'Stranger', password: OWNER.password });
  expect(entered.status).toBe(201);
});
afterAll(() => admin.end());

/** Ids and codes of the first kitchen that an answer to somebody else must not hold. */
const betrayed = (answer: unknown): string[] => {
  const text = JSON.stringify(answer) ?? '';
  return [...Object.values(own), lot.code].filter((word) => text.includes(word));
};

/** All that the first kitchen's owner reads of what a stranger could touch. */
const asItStands = () =>
  Promise.all(
    [
      'formulas',
      'plans',
      'stock',
      'instruments',
      'vessels',
      'containers',
      `lots/${lot.id}`,
      'spreadsheets',
      'earlier-lots',
      'contacts',
    ].map(async (path) => (await crew.owner.get(`/api/${path}`)).body),
  );

const lists = allRoutes.filter(
  (r) => r.method === 'GET' && !r.path.includes(':') && !r.media && r.path !== '/api/live',
);

describe('another kitchen on the same server', () => {
  it.each(lists.map((r) => r.path))('reads nothing of this one at %s', async (path) => {
    const { status, body } = await stranger.get(path);
    expect(status).toBe(200);
    expect(betrayed(body)).toEqual([]);
  });

  it.each(['/api/calendar.ics'])('finds nothing of this one in the file %s', async (path) => {
    expect(betrayed((await stranger.get(path)).body)).toEqual([]);
  });

  // How far something is, is nothing of the record: whoever began it reads it by the id they made.
  const things = allRoutes.filter(
    (r) =>
      /^\/api\/\w+\/:id/.test(r.path) && r.path.split('/')[2]! !== 'photographs' && r.access !== 'anyone',
  );
  it.each(things.map((r) => [`${r.method} ${r.path}`, r] as const))(
    'finds nothing of this one by its id: %s',
    async (_, route) => {
      const noun = route.path.split('/')[2]!;
      const id = own[noun];
      expect(id, noun).toBeDefined();
      const before = await asItStands();
      const body = route.body ? bodyFor(route.path) : undefined;
      const { status, body: answer } = await stranger.send(
        route.method,
        route.path.replace(':id', id!).replace(/:\w+/g, newId()),
        body,
      );
      expect([404, 422], JSON.stringify(answer)).toContain(status);
      expect(betrayed(answer)).toEqual([]);
      expect(await asItStands()).toEqual(before);
    },
  );

  it('records nothing of a lot of this one, whatever kind of entry it is', async () => {
    for (const { path } of Object.values(entries) as { path: string | null }[]) {
      if (path === null) continue;
      const { status } = await post(stranger, lot, path, { kind: 'note', said: 'not mine' });
      expect([404, 422], path).toContain(status);
    }
    expect((await crew.view(lot)).readings.some((r: { said: string }) => r.said === 'not mine')).toBe(false);
  });

  it('takes nothing of this one into what it writes itself', async () => {
    const begun = await stranger.post('/api/lots', { id: newId(), formulaId: own.formulas });
    expect([404, 422]).toContain(begun.status);
    const stock = await stranger.post('/api/stock', {
      id: newId(),
      kind: 'ingredient',
      thing: 'sugar',
      quantity: 100,
      gotOn: '2026-11-01',
      leftBy: lot.id,
    });
    expect([404, 422]).toContain(stock.status);
    const covering = await stranger.post('/api/stock-coverings', {
      id: newId(),
      noun: 'addition',
      entryId: (await crew.view(lot)).additions[0].id,
      stockId: own.stock,
      amount: 10,
    });
    expect([404, 409, 422]).toContain(covering.status);
  });
});

/** A body that is well formed, so that only whose it is can be refused. */
function bodyFor(path: string): object {
  const id = newId();
  if (path.endsWith('/retirement')) return { retired: true };
  if (path.endsWith('/withdrawal')) return { why: 'not mine' };
  if (path === '/api/contacts/:id') return { name: 'Taken over' };
  if (path.endsWith('/archive')) return { archived: true };
  if (path.endsWith('/measures'))
    return { brimfulMl: 260, tareGrams: 190, headspaceInches: 0.5, rated: ['boiling-water'] };
  if (path.endsWith('/counts')) return { id, found: 10 };
  if (path.endsWith('/losses')) return { id, kind: 'wasted', amount: 10, why: 'spilled' };
  if (path.endsWith('/divisions')) return { id, stockId: newId(), thing: 'sugar', amount: 10 };
  if (path.endsWith('/versions'))
    return {
      versionId: id,
      name: 'Taken over',
      kind: 'syrup',
      colour: '#123456',
      after: 1,
      content: cherryContent,
    };
  if (path === '/api/plans/:id')
    return { content: { name: 'Taken over', due: null, items: [], steps: [] }, revision: 1 };
  if (path.endsWith('/checks')) return { id, kind: 'weight', read: 500, weightGrams: 500 };
  if (path.endsWith('/calibrations'))
    return {
      id,
      points: [
        { buffer: 7, mv: 0, celsius: 20 },
        { buffer: 4.01, mv: 172, celsius: 20 },
      ],
    };
  return { id };
}
