import fc from 'fast-check';
import { v7 as newId } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { draws } from '../../scripts/src/draws.mjs';
import {
  ago,
  beginLot,
  cherryContent,
  jarOf,
  meterOf,
  post,
  type Started,
  saveFormula,
  weighIn,
} from './fixtures.ts';
import { ownerOf, type Person, useTestApp } from './testApp.ts';

const app = useTestApp();
let owner: Person;
let lot: Started;

const counts = async () => {
  const tables = [
    'journal',
    'reading',
    'addition',
    'bottling',
    'movement',
    'decision',
    'formula_version',
    'lot',
  ];
  const [rows] = await app.pool.query(
    `SELECT ${tables.map((t) => `(SELECT COUNT(*) FROM ${t}) AS ${t}`).join(', ')}`,
  );
  return (rows as object[])[0];
};

beforeAll(async () => {
  owner = await ownerOf(app);
  lot = await beginLot(owner, await saveFormula(owner, cherryContent), ago(20));
});

describe('a reading that cannot be', () => {
  it.each([
    [{ kind: 'ph', raw: 15 }, /between 0\.5 and 12/],
    [{ kind: 'brix', raw: 120 }, /between 0 and 85/],
    [{ kind: 'brix', raw: 30, celsius: 60 }, /between 10 and 30 °C/],
    [{ kind: 'mass', raw: null }, /write the figure/],
    [{ kind: 'note', said: '' }, /Write the note/],
    [{ kind: 'ph', raw: 3.2, at: new Date(Date.now() + 7_200_000).toISOString() }, /still to come/],
    [{ kind: 'ph', raw: 3.2, at: ago(100) }, /before the lot was begun/],
    [{ kind: 'ph', raw: 3.2, stepId: newId() }, /not one of this lot/],
    [{ kind: 'ph', raw: 3.2, instrumentId: newId() }, /not one of this kitchen/],
  ])('%j is refused with a sentence and changes nothing', async (reading, sentence) => {
    const before = await counts();
    const { status, body } = await post(owner, lot, 'readings', reading);
    expect(status).toBe(422);
    expect(body.errors[0].message).toMatch(sentence);
    expect(await counts()).toEqual(before);
  });

  it('is questioned where it is unlikely, and kept with a word why', async () => {
    const doubtful = { kind: 'brix', raw: 3, celsius: 20, sample: 'finished' };
    const { status, body } = await post(owner, lot, 'readings', doubtful);
    expect(status).toBe(422);
    expect(body.type).toBe('urn:inch:doubtful-reading');
    expect(body.errors[0]).toMatchObject({
      path: 'because',
      message: expect.stringMatching(/far from the 52 °Bx/),
    });
    expect((await post(owner, lot, 'readings', { ...doubtful, because: 'rinse water, to see' })).status).toBe(
      201,
    );
  });
});

describe('a formula with a question open', () => {
  it('is not saved, and the line is named', async () => {
    const content = {
      ...cherryContent,
      lines: [...cherryContent.lines, { id: 'x', said: '8 oz', ingredientId: 'sugar' }],
    };
    const reply = await owner.post('/api/formulas', {
      id: newId(),
      versionId: newId(),
      name: 'Open',
      kind: 'syrup',
      colour: '#8E1230',
      content,
    });
    expect(reply.status).toBe(422);
    expect(reply.body.errors).toEqual([
      { path: 'content.lines.4', message: 'Is "8 oz" by weight or by volume?' },
    ]);
  });
});

describe('two people at once', () => {
  it('saving a version: the second is told that another came first', async () => {
    const id = await saveFormula(owner, cherryContent, 'Twice');
    const save = () =>
      owner.post(`/api/formulas/${id}/versions`, {
        versionId: newId(),
        name: 'Twice',
        kind: 'syrup',
        colour: '#8E1230',
        content: cherryContent,
        after: 1,
      });
    const replies = await Promise.all([save(), save()]);
    expect(replies.map((r) => r.status).sort()).toEqual([201, 409]);
  });
  it('changing the kitchen: a stale revision is refused', async () => {
    const { body } = await owner.get('/api/kitchen');
    const change = () => owner.send('PATCH', '/api/kitchen', { revision: body.revision, place: 'High Fell' });
    expect((await Promise.all([change(), change()])).map((r) => r.status).sort()).toEqual([200, 409]);
  });
  it('beginning lots: every one has a code of its own', async () => {
    const id = await saveFormula(owner, cherryContent, 'Many');
    const lots = await Promise.all(Array.from({ length: 8 }, () => beginLot(owner, id)));
    expect(new Set(lots.map((l) => l.code)).size).toBe(8);
  });
  it('selling the same bottles: no more leave than stand there', async () => {
    const made = await beginLot(owner, await saveFormula(owner, cherryContent, 'Sold'), ago(3));
    await weighIn(owner, made, ago(2));
    const bottling = {
      id: newId(),
      containerId: await jarOf(owner),
      count: 5,
      closing: 'hot',
      place: 'cellar',
    };
    await owner.post(`/api/lots/${made.id}/bottlings`, bottling);
    const breakOne = () =>
      post(owner, made, 'movements', { bottlingId: bottling.id, kind: 'broken', from: 'cellar', count: 2 });
    const replies = await Promise.all([breakOne(), breakOne(), breakOne(), breakOne()]);
    expect(replies.filter((r) => r.status === 201)).toHaveLength(2);
    expect((await owner.get(`/api/lots/${made.id}`)).body.bottles.left).toBe(1);
  });
});

describe('a strike', () => {
  it('leaves the entry where it was, with who, when and why, and a released lot is held', async () => {
    const meter = await meterOf(owner);
    const made = await beginLot(owner, await saveFormula(owner, cherryContent, 'Struck'));
    const reading = newId();
    await owner.post(`/api/lots/${made.id}/readings`, {
      id: reading,
      kind: 'ph',
      raw: 3.3,
      sample: 'finished',
      instrumentId: meter,
    });
    expect(
      (await owner.post(`/api/lots/${made.id}/strikes`, { noun: 'reading', entryId: reading, why: '' }))
        .status,
    ).toBe(422);
    await owner.post(`/api/lots/${made.id}/strikes`, { noun: 'reading', entryId: reading, why: 'wrong jar' });
    const { body } = await owner.get(`/api/lots/${made.id}`);
    expect(body.readings[0]).toMatchObject({
      id: reading,
      value: 3.3,
      struck: { by: 'Wren', why: 'wrong jar' },
    });
    expect(body.gates.find((g: { id: string }) => g.id === 'acid').open).toBe(false);
  });
});

describe('bad input', () => {
  const junk = fc.oneof(
    fc.jsonValue(),
    fc.record({
      id: fc.jsonValue(),
      kind: fc.jsonValue(),
      raw: fc.jsonValue(),
      count: fc.jsonValue(),
      content: fc.jsonValue(),
      points: fc.jsonValue(),
    }),
  );
  it('of any shape to any route is never answered with 500, and changes nothing', async () => {
    const before = await counts();
    const paths = [
      '/api/formulas',
      '/api/lots',
      `/api/lots/${lot.id}/readings`,
      `/api/lots/${lot.id}/additions`,
      `/api/lots/${lot.id}/bottlings`,
      `/api/lots/${lot.id}/decisions`,
      '/api/instruments',
      '/api/containers',
      '/api/kitchen/import',
      '/api/accounts',
    ];
    await fc.assert(
      fc.asyncProperty(fc.constantFrom(...paths), junk, async (path, body) => {
        const { status } = await owner.post(path, body);
        expect(status).toBeGreaterThanOrEqual(400);
        expect(status).toBeLessThan(500);
      }),
      { numRuns: draws(150) },
    );
    expect(await counts()).toEqual(before);
  }, 600_000);
  it.each([
    ['/api/lots', '{"broken', 400],
    ['/api/lots', `{"x":"${'y'.repeat(300_000)}"}`, 413],
    ['/api/nowhere', '{}', 404],
    ['/api/lots/%E0%A4%A/readings', '{}', 400],
  ])('to %s is answered with a problem', async (path, body, status) => {
    const reply = await owner.send('POST', path, body);
    expect(reply.status).toBe(status);
    expect(reply.headers.get('content-type')).toMatch(/problem\+json/);
  });
});

describe('a body that could not be stored', () => {
  it('with half a character, or nested without end, is refused and not a fault', async () => {
    const send = (body: string) =>
      fetch(`${app.base}/api/instruments`, {
        method: 'POST',
        headers: { 'content-type': 'application/json', cookie: owner.cookie },
        body,
      });
    const half = await send(`{"id":"${newId()}","kind":"scale","name":"\\ud800","compensated":false}`);
    expect([half.status, (await half.json()).detail]).toEqual([
      422,
      expect.stringMatching(/broken character/),
    ]);
    const deep = await send(`{"name":${'['.repeat(60_000)}${']'.repeat(60_000)}}`);
    expect(deep.status).toBe(422);
  });

  it('with a source as long as fits into a request is answered as any other', async () => {
    const source = 'x'.repeat(200_000);
    const reply = await owner.post('/api/processes', { id: newId(), name: 'Long', source });
    expect(reply.status).toBe(422);
    // A pattern that tried every way to part the text would not come back from the first of them.
    const answers = await Promise.all(
      Array.from({ length: 10 }, () => owner.post('/api/processes', { id: newId(), name: 'Long', source })),
    );
    expect(answers.every((answer) => answer.status === 422)).toBe(true);
  });
});
