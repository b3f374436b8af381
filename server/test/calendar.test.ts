import ICAL from 'ical.js';
import { beforeAll, describe, expect, it } from 'vitest';
import { ago, beginLot, cherryContent, post, type Started, saveFormula } from './fixtures.ts';
import { colleague, ownerOf, type Person, useTestApp } from './testApp.ts';

const app = useTestApp();
let owner: Person;
let maker: Person;
let lot: Started;
let path: string;

beforeAll(async () => {
  owner = await ownerOf(app);
  maker = await colleague(app, owner, 'maker');
  const made = await maker.post('/api/session/calendar', {});
  expect(made.status, JSON.stringify(made.body)).toBe(201);
  path = made.body.path;
});

/** Events of the calendar as a program that is not ours reads them. */
async function events(at = path): Promise<ICAL.Event[]> {
  const { status, body, headers } = await app.person().get(at);
  expect(status).toBe(200);
  expect(headers.get('content-type')).toMatch(/^text\/calendar/);
  return new ICAL.Component(ICAL.parse(body)).getAllSubcomponents('vevent').map((e) => new ICAL.Event(e));
}

describe('a calendar to subscribe to', () => {
  it('is never empty: where nothing is due it says so of today', async () => {
    const [only, ...others] = await events();
    expect(others).toEqual([]);
    expect(only!.summary).toBe('Nothing due at an hour');
    expect(only!.startDate.isDate).toBe(true);
  });

  it('has what is due, under an id that no other kitchen has, and its revision grows with what is written', async () => {
    lot = await beginLot(maker, await saveFormula(maker, cherryContent), ago(0.5));
    const { body } = await maker.get(`/api/lots/${lot.id}`);
    await post(maker, lot, 'marks', { stepId: body.steps[0].id, mark: 'start' });
    const before = (await events()).find((e) => e.summary.startsWith(lot.code))!;
    const kitchen = (await owner.get('/api/kitchen')).body;
    expect(before.uid).toContain(`@${kitchen.id}.`);
    await post(maker, lot, 'readings', { kind: 'note', said: 'bubbling' });
    const after = (await events()).find((e) => e.uid === before.uid)!;
    expect(after.sequence).toBeGreaterThan(before.sequence);
    expect(after.startDate.toJSDate().getTime()).toBeGreaterThan(Date.now());
  });

  it('is another person’s own: withdrawn, made anew, or of somebody who may not sign in any more, the old address ends', async () => {
    const own = (await owner.post('/api/session/calendar', {})).body.path;
    await events(own);
    const again = (await owner.post('/api/session/calendar', {})).body.path;
    expect((await app.person().get(own)).status).toBe(404);
    await events(again);
    expect((await owner.get('/api/session/calendar')).body.madeAt).not.toBeNull();
    expect((await owner.send('DELETE', '/api/session/calendar')).status).toBe(200);
    expect((await app.person().get(again)).status).toBe(404);
    expect((await owner.get('/api/session/calendar')).body.madeAt).toBeNull();
    const people = (await owner.get('/api/accounts')).body as { id: string; role: string }[];
    await owner.send('PATCH', `/api/accounts/${people.find((p) => p.role === 'maker')!.id}`, {
      disabled: true,
    });
    expect((await app.person().get(path)).status).toBe(404);
  });

  it('is stored by the hash of its secret alone, and journaled', async () => {
    const made = (await owner.post('/api/session/calendar', {})).body.path as string;
    const secret = made.split('/').at(-1)!.replace('.ics', '');
    const [kept] = await app.pool.query('SELECT * FROM calendar_address');
    expect(JSON.stringify(kept)).not.toContain(secret);
    const [journaled] = await app.pool.query(
      "SELECT action FROM journal WHERE noun = 'account' AND action LIKE '%calendar%' ORDER BY sequence",
    );
    expect((journaled as { action: string }[]).map((row) => row.action)).toContain(
      'withdraw calendar address',
    );
  });

  it.each(['nothing', 'a/b', '%00', 'x'.repeat(90)])(
    'answers %s like any address that there is not',
    async (secret) => {
      expect([404, 422]).toContain(
        (await app.person().get(`/api/calendars/${encodeURIComponent(secret)}`)).status,
      );
    },
  );
});
