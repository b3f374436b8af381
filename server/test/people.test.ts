import { v7 as newId } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { openPool } from '../src/database/pool.ts';
import { ownerOf, type Person, useTestApp } from './testApp.ts';

const app = useTestApp();
const FIRST = 'kettle harbour violet';
const SECOND = 'marble ladder thimble';
let owner: Person;

beforeAll(async () => {
  owner = await ownerOf(app);
});

/** Somebody new, with a session of their own. */
async function added(role: 'maker' | 'owner' = 'maker') {
  const [id, name] = [newId(), `Tam ${newId().slice(-6)}`];
  expect((await owner.post('/api/accounts', { id, name, role, password: FIRST })).status).toBe(201);
  return { id, name, person: await signedIn(name) };
}

async function signedIn(name: string, password = FIRST): Promise<Person> {
  const person = app.person();
  expect((await person.post('/api/session', { name, password })).status).toBe(201);
  return person;
}
const stands = async (person: Person) => (await person.get('/api/session')).status === 200;

describe('a password', () => {
  it.each(['password123', '1234567890', 'qwertyuiop', 'Test kitchen'])(
    '"%s" is refused as easily guessed',
    async (password) => {
      const reply = await owner.post('/api/accounts', { id: newId(), name: 'Ode', role: 'maker', password });
      expect(reply.status).toBe(422);
      expect(reply.body.errors[0]).toMatchObject({
        path: 'password',
        message: expect.stringMatching(/easily guessed/),
      });
    },
  );

  it('is changed with the one before it; every other session of the account ends', async () => {
    const { name, person } = await added();
    const other = await signedIn(name);
    const wrong = await person.post('/api/session/password', { current: 'not this one', password: SECOND });
    expect(wrong.status).toBe(422);
    expect(await stands(other)).toBe(true);
    expect((await person.post('/api/session/password', { current: FIRST, password: SECOND })).status).toBe(
      200,
    );
    expect(await stands(person)).toBe(true);
    expect(await stands(other)).toBe(false);
    expect((await app.person().post('/api/session', { name, password: FIRST })).status).toBe(401);
    await signedIn(name, SECOND);
  });

  it('of a maker is given anew by the owner, of another owner not', async () => {
    const { id, name, person } = await added();
    expect((await owner.post(`/api/accounts/${id}/password`, { password: SECOND })).status).toBe(200);
    expect(await stands(person)).toBe(false);
    await signedIn(name, SECOND);
    const second = await added('owner');
    expect((await owner.post(`/api/accounts/${second.id}/password`, { password: SECOND })).status).toBe(403);
  });
});

describe('an account', () => {
  it('that is disabled signs in no more, and comes back', async () => {
    const { id, name, person } = await added();
    expect((await owner.send('PATCH', `/api/accounts/${id}`, { disabled: true })).body).toMatchObject({
      disabled: true,
    });
    expect(await stands(person)).toBe(false);
    expect((await app.person().post('/api/session', { name, password: FIRST })).status).toBe(401);
    await owner.send('PATCH', `/api/accounts/${id}`, { disabled: false });
    await signedIn(name);
  });

  it('changes its role, and what it may do with it', async () => {
    const { id, person } = await added();
    await owner.send('PATCH', `/api/accounts/${id}`, { role: 'reader' });
    expect((await person.post('/api/formulas', {})).status).toBe(403);
  });

  it('is the last owner’s to keep', async () => {
    const { account } = (await owner.get('/api/session')).body;
    const people = (await owner.get('/api/accounts')).body as { id: string; role: string }[];
    for (const p of people.filter((one) => one.role === 'owner' && one.id !== account.id))
      await owner.send('PATCH', `/api/accounts/${p.id}`, { disabled: true });
    for (const change of [{ role: 'maker' }, { disabled: true }])
      expect((await owner.send('PATCH', `/api/accounts/${account.id}`, change)).status).toBe(409);
  });

  it('ends its other sessions, and journals signing in', async () => {
    const { id, name, person } = await added();
    const other = await signedIn(name);
    expect((await person.send('DELETE', '/api/session/others')).body).toEqual({ ended: 1 });
    expect([await stands(person), await stands(other)]).toEqual([true, false]);
    const admin = openPool(app.admin, 1);
    const [rows] = await admin.query<never[]>(
      "SELECT action FROM journal WHERE noun = 'account' AND noun_id = ? ORDER BY sequence",
      [id],
    );
    await admin.end();
    expect((rows as { action: string }[]).map((r) => r.action)).toEqual([
      'add',
      'sign in',
      'sign in',
      'end sessions',
    ]);
  });
});

describe('signing in', () => {
  it('is refused after eight wrong tries, sent at once as well', async () => {
    const { name } = await added();
    const tries = Array.from({ length: 20 }, () =>
      app.person().post('/api/session', { name, password: 'wrong' }),
    );
    const answers = (await Promise.all(tries)).map((reply) => reply.status);
    expect(answers.filter((status) => status === 401).length).toBeLessThanOrEqual(8);
    expect(answers.filter((status) => status === 429).length).toBeGreaterThanOrEqual(12);
  });

  it('from elsewhere is not shut by a stranger’s tries', async () => {
    const { name } = await added();
    const admin = openPool(app.admin, 1);
    await admin.query(
      `INSERT INTO sign_in_attempt (name, address, at) SELECT ?, '203.0.113.9', UTC_TIMESTAMP(3) FROM seq_1_to_50`,
      [name],
    );
    await admin.end();
    await signedIn(name);
  });

  it('is asked for again where a device was left idle for longer than the kitchen allows', async () => {
    const { name, person } = await added();
    const { body } = await owner.get('/api/kitchen');
    await owner.send('PATCH', '/api/kitchen', { revision: body.revision, idleMinutes: 30 });
    expect(await stands(person)).toBe(true);
    const admin = openPool(app.admin, 1);
    await admin.query(
      `UPDATE session SET created_at = created_at - INTERVAL 31 MINUTE, seen_at = seen_at - INTERVAL 31 MINUTE
       WHERE account_id = (SELECT id FROM account WHERE name = ?)`,
      [name],
    );
    await admin.end();
    expect(await stands(person)).toBe(false);
    await owner.send('PATCH', '/api/kitchen', { revision: body.revision + 1, idleMinutes: null });
  });

  it('is the only thing a stranger’s body is read for', async () => {
    const large = 'x'.repeat(200_000);
    const reply = await app.person().post('/api/lots', { large });
    expect(reply.status).toBe(401);
    const shouted = await app.person().post('/API/Kitchen/Import', { large: 'x'.repeat(9_000_000) });
    expect(shouted.status).toBe(401);
    expect((await app.person().post('/api/session', { name: large, password: 'x' })).status).toBe(413);
  });
});
