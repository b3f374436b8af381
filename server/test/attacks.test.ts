import { v7 as newId } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { inWriting } from '../src/journal/writing.ts';
import { Crew } from './filled.ts';
import {
  ago,
  beginLot,
  cherryContent,
  jarOf,
  letterOf,
  meterOf,
  post,
  type Started,
  saveFormula,
  tallyUp,
  weighIn,
} from './fixtures.ts';
import { colleague, OWNER, type Person, useTestApp } from './testApp.ts';

const app = useTestApp();
const crew = new Crew();
beforeAll(() => crew.gather(app));

const release = { event: 'release', password: OWNER.password };
const state = async (lot: Started): Promise<string> => (await crew.view(lot)).state;
async function released(): Promise<Started> {
  const lot = await crew.releasable();
  expect((await post(crew.owner, lot, 'decisions', release)).status).toBe(201);
  return lot;
}
const groupOf = async (lot: Started) => (await crew.view(lot)).bottles.groups[0];
const sell = async (lot: Started, more: object = {}) => {
  const { bottlingId, place } = await groupOf(lot);
  return post(crew.maker, lot, 'movements', { bottlingId, kind: 'sold', from: place, count: 1, ...more });
};
const settings = async (more: object) => {
  const { body } = await crew.owner.get('/api/kitchen');
  const reply = await crew.owner.send('PATCH', '/api/kitchen', { revision: body.revision, ...more });
  expect(reply.status, JSON.stringify(reply.body)).toBe(200);
};

describe('late truth', () => {
  it.each([1, 20, 47])(
    'a hold of a device that was away for %d h is taken after the release, and holds',
    async (hours) => {
      const lot = await released();
      const hold = await post(crew.owner, lot, 'decisions', {
        event: 'hold',
        why: 'it smelt off',
        at: ago(hours / 2),
      });
      expect(hold.status, JSON.stringify(hold.body)).toBe(201);
      expect(await state(lot)).toBe('held');
      expect((await sell(lot)).status).toBe(409);
      expect((await crew.view(lot)).decisions.at(-1)).toMatchObject({ event: 'hold', to: 'held' });
    },
  );
  it.each([1, 5, 25, 39])(
    'a recall that is dated %d h before its writing is taken, and recalls',
    async (hours) => {
      const lot = await released();
      const recall = await post(crew.owner, lot, 'rulings', {
        event: 'recall',
        why: 'listeria in the sugar',
        password: OWNER.password,
        at: ago(hours),
      });
      expect(recall.status, JSON.stringify(recall.body)).toBe(201);
      expect(await state(lot)).toBe('recalled');
    },
  );
  it.each([
    ['the pan', { sample: 'finished', celsius: null }],
    ['a warm sample', { sample: 'finished', celsius: 61 }],
    ['no meter', { sample: 'finished', celsius: 21 }],
    ['a minute ago', { sample: 'finished', celsius: 21, at: ago(0.02) }],
    ['the night before, between seal and release', { sample: 'finished', celsius: null, at: ago(8) }],
    ['the hour of the filling', { sample: 'finished', celsius: 20, at: ago(30) }],
  ])('a pH over the limit that comes late, of %s, is taken and holds', async (_, more) => {
    const lot = await released();
    const late = { kind: 'ph', raw: 5.1, because: 'read at the stove', at: ago(31), ...more };
    const reply = await post(crew.maker, lot, 'readings', late);
    expect(reply.status, JSON.stringify(reply.body)).toBe(201);
    expect(await state(lot)).toBe('held');
    expect(await crew.gate(lot, 'acid')).toMatchObject({
      open: false,
      failed: true,
      missing: expect.stringMatching(/5\.10 .*over the limit/),
    });
  });
  it('an addition from before the filling is taken after the release, and holds until somebody says that it was in the pan', async () => {
    const lot = await released();
    const late = { ingredientId: 'sugar', grams: 40, why: 'to taste', from: 'jar', at: ago(38) };
    const reply = await post(crew.maker, lot, 'additions', late);
    expect(reply.status, JSON.stringify(reply.body)).toBe(201);
    expect(await state(lot)).toBe('held');
    expect(await crew.shut(lot)).toEqual(expect.arrayContaining(['acid', 'count']));
    const resume = { event: 'resume', why: 'a tablet was away', done: 'asked the maker' };
    expect((await post(crew.owner, lot, 'rulings', resume)).status).toBe(201);
    expect((await crew.gate(lot, 'count')).missing ?? '').not.toMatch(/Written down after/);
  });
  it('what goes in after the bottles were closed is still refused', async () => {
    const lot = await crew.releasable();
    const more = { ingredientId: 'sugar', grams: 40, why: 'to taste', from: 'jar' };
    expect((await post(crew.maker, lot, 'additions', more)).status).toBe(409);
  });
});

describe('nothing leaves, or is labelled, before it was', () => {
  it('released: a sale and a gift dated before it are refused', async () => {
    const lot = await released();
    for (const kind of ['sold', 'given'])
      expect((await sell(lot, { kind, at: ago(2), note: 'Ash' })).body.errors[0]).toMatchObject({
        path: 'at',
        message: expect.stringMatching(/before lot .* was released/),
      });
    expect((await sell(lot)).status).toBe(201);
  });
  it('filled: a print and a move dated before it are refused', async () => {
    const lot = await crew.releasable();
    const print = await post(crew.maker, lot, 'prints', { copies: 3, at: ago(35) });
    expect(print.body.errors[0].message).toMatch(/before its bottles were filled/);
    expect((await sell(lot, { kind: 'moved', to: 'stall', at: ago(35) })).body.errors[0].path).toBe('at');
  });
});

describe('the release sheet', () => {
  it('lists what was written late, of every kind', async () => {
    const lot = await crew.releasable();
    const { steps } = await crew.view(lot);
    const deviationId = newId();
    await post(crew.maker, lot, 'marks', { stepId: steps[0].id, mark: 'start', at: ago(39) });
    await post(crew.maker, lot, 'deviations', { id: deviationId, what: 'A jar was dropped.', at: ago(20) });
    await post(crew.maker, lot, 'closings', { deviationId, cause: 'wet', done: 'swept', at: ago(19) });
    const { body } = await crew.owner.get(`/api/lots/${lot.id}`);
    const { datedBack } = await import('@inch/core/lot');
    const nouns = new Set(datedBack(body).map((d) => d.noun));
    for (const noun of [
      'mark',
      'deviation',
      'closing',
      'addition',
      'bottling',
      'heat-process',
      'seal-check',
      'tally',
      'movement',
    ])
      expect(nouns, noun).toContain(noun);
  });
});

type Hand = [string, (other: Person, lot: Started) => Promise<unknown>];
/** What a colleague did of a lot that the maker began and filled. */
const HANDS: Hand[] = [
  [
    'read its warmth',
    (by, lot) => post(by, lot, 'readings', { kind: 'temperature', raw: 60, sample: 'finished' }),
  ],
  ['measured its pH', (by, lot) => post(by, lot, 'readings', { kind: 'ph', raw: 3.3, sample: 'finished' })],
  [
    'measured its sugar',
    (by, lot) =>
      post(by, lot, 'readings', {
        kind: 'brix',
        raw: 40,
        celsius: 20,
        sample: 'finished',
        because: 'as read',
      }),
  ],
  ['counted its millilitres', (by, lot) => tallyUp(by, lot, ago(29.5))],
  [
    'processed it',
    async (by, lot) =>
      post(by, lot, 'heat-processes', { processId: await letterOf(crew.owner), minutes: 15, at: ago(29) }),
  ],
  [
    'loaded its canner',
    async (by, lot) =>
      post(by, lot, 'loads', { processId: await letterOf(crew.owner), bottles: 6, at: ago(29) }),
  ],
  ['pressed its lids', (by, lot) => post(by, lot, 'seal-checks', { checked: 12, failed: 0, at: ago(10) })],
  [
    'filled two more',
    async (by, lot) =>
      post(by, lot, 'bottlings', {
        containerId: await jarOf(by),
        count: 2,
        fillCelsius: 90,
        closing: 'hot',
        checked: true,
        place: 'cellar',
        at: ago(29.9),
      }),
  ],
];

describe('where a second person is asked for', () => {
  beforeAll(() => settings({ secondPerson: true }));
  afterAll(() => settings({ secondPerson: false }));
  it.each(HANDS)('whoever %s does not release it', async (_, hand) => {
    const lot = await crew.filled();
    const other = await colleague(app, crew.owner, 'maker');
    const before = await post(other, lot, 'decisions', release);
    expect(before.status, 'a stranger to the lot is told what is missing').toBe(409);
    await hand(other, lot);
    const after = await post(other, lot, 'decisions', release);
    expect([after.status, after.body.detail]).toEqual([403, expect.stringMatching(/second person/)]);
  });
  it.each([
    ['began', true],
    ['weighed in', false],
  ])('whoever only %s a lot does not release it', async (_, began) => {
    const other = await colleague(app, crew.owner, 'maker');
    const [first, second] = began ? [other, crew.maker] : [crew.maker, other];
    const lot = await beginLot(first, await saveFormula(first, cherryContent, 'Hands'), ago(40));
    await weighIn(second, lot, ago(39));
    expect((await post(other, lot, 'decisions', release)).status).toBe(403);
  });
});

describe('a second person', () => {
  it('is nobody who began, weighed, read, filled, processed or sealed the lot, and who held it does not resume it', async () => {
    await settings({ secondPerson: true });
    const lot = await crew.releasable();
    const other = await colleague(app, crew.owner, 'maker');
    const calibrating = await meterOf(other);
    const hand = { kind: 'ph', raw: 3.35, celsius: 21, sample: 'finished', instrumentId: calibrating };
    expect((await post(other, lot, 'readings', hand)).status).toBe(201);
    for (const one of [crew.maker, other]) {
      const alone = await post(one, lot, 'decisions', release);
      expect([alone.status, alone.body.detail]).toEqual([403, expect.stringMatching(/second person/)]);
    }
    expect((await post(crew.owner, lot, 'decisions', { event: 'hold', why: 'cloudy' })).status).toBe(201);
    const own = await post(crew.owner, lot, 'rulings', {
      event: 'resume',
      why: 'the light',
      done: 'looked again',
    });
    expect(own.status).toBe(403);
    await settings({ secondPerson: false });
    expect(
      (await post(crew.owner, lot, 'rulings', { event: 'resume', why: 'the light', done: 'looked again' }))
        .status,
    ).toBe(201);
    expect((await post(crew.owner, lot, 'decisions', release)).status).toBe(201);
  });
});

describe('who may', () => {
  it('is asked inside the transaction: a role that was taken meanwhile writes nothing', async () => {
    const asked: (string | null)[] = [];
    const { body: people } = await crew.owner.get('/api/accounts');
    const maker = people.find((p: { role: string }) => p.role === 'maker');
    const { body: kitchen } = await crew.owner.get('/api/kitchen');
    // A request that came while it was still a maker, and writes once it is a reader.
    await crew.owner.send('PATCH', `/api/accounts/${maker.id}`, { role: 'reader' });
    const writer = {
      account: { ...maker, role: 'maker' as const },
      kitchen: { id: kitchen.id },
      admit: (now: { role: string } | null) => {
        asked.push(now?.role ?? null);
        if (now?.role !== 'maker') throw new Error('refused');
      },
    };
    await expect(inWriting(app.pool, writer, async () => 'written')).rejects.toThrow('refused');
    expect(asked).toEqual(['reader']);
    await crew.owner.send('PATCH', `/api/accounts/${maker.id}`, { role: 'maker' });
  });
});

describe('passwords', () => {
  it('are taken to the letter, spaces at their ends too, when a release is signed', async () => {
    const password = '  spaces at both ends ';
    const name = `owner ${newId().slice(-6)}`;
    const added = await crew.owner.post('/api/accounts', { id: newId(), name, role: 'owner', password });
    expect(added.status, JSON.stringify(added.body)).toBe(201);
    const other = app.person();
    expect((await other.post('/api/session', { name, password: password.trim() })).status).toBe(401);
    expect((await other.post('/api/session', { name, password })).status).toBe(201);
    const lot = await crew.releasable();
    expect((await post(other, lot, 'decisions', { ...release, password: password.trim() })).status).toBe(422);
    expect((await post(other, lot, 'decisions', { ...release, password })).status).toBe(201);
  });
  it('wrong ones at one address shut neither other names nor signatures', async () => {
    const stranger = app.person();
    for (let i = 0; i < 70; i += 1)
      await stranger.post('/api/session', { name: `guess ${i % 9}`, password: 'a wrong password' });
    for (let i = 0; i < 9; i += 1)
      await stranger.post('/api/session', { name: OWNER.name, password: 'wrong again' });
    expect((await stranger.post('/api/session', { name: OWNER.name, password: OWNER.password })).status).toBe(
      429,
    );
    const name = `maker ${newId().slice(-6)}`;
    await crew.owner.post('/api/accounts', { id: newId(), name, role: 'maker', password: OWNER.password });
    expect((await app.person().post('/api/session', { name, password: OWNER.password })).status).toBe(201);
    const lot = await crew.releasable();
    expect((await post(crew.owner, lot, 'decisions', release)).status).toBe(201);
  });
});

describe('a process of the kitchen’s own', () => {
  const entering = async (more: object) => {
    const before = (await crew.owner.get('/api/processes')).body.length;
    let reply: { status: number; body: { errors?: { path: string }[] } } = { status: 0, body: {} };
    try {
      await letterOf(crew.owner, more);
    } catch {
      reply = { status: 422, body: {} };
    }
    expect((await crew.owner.get('/api/processes')).body.length).toBe(
      before + (reply.status === 422 ? 0 : 1),
    );
    return reply.status === 422;
  };
  it.each([
    ['of nobody', { source: '2026' }],
    ['of no year', { source: 'A letter of Dr Amsel' }],
    ['of no kind', { source: 'Somebody said so 2026' }],
    ['from the web', { source: 'internet 2024' }],
    ['that heat cannot do', { state: 'puree', pack: 'raw', largestMl: 5000 }],
    [
      'of half a minute',
      { bands: [{ toFeet: 6000, minutes: 0.5 }], pack: 'raw', state: 'puree', largestMl: 950 },
    ],
    [
      'of a lukewarm fill',
      { method: 'hot-fill', hotFill: { celsius: 70, holdMinutes: 1, invertSeconds: 0 } },
    ],
  ])('is refused: %s', async (_, more) => expect(await entering(more)).toBe(true));
  it.each([
    ['a letter', { source: 'Letter of Dr Amsel, process authority, 2026-05-03' }],
    ['a book', { source: 'The Hollin Book of Syrups, 3rd edition, 1998' }],
    ['a test', { source: 'Upland University extension bulletin 12 (2019)' }],
  ])('is kept: %s', async (_, more) => expect(await entering(more)).toBe(false));
});

describe('bottles that do not go to a stranger', () => {
  it.each(['drunk', 'tasted'])('are %s at home before a release, and leave the count', async (kind) => {
    const lot = await crew.releasable();
    const reply = await sell(lot, { kind, count: 2 });
    expect(reply.status, JSON.stringify(reply.body)).toBe(201);
    expect((await crew.view(lot)).bottles).toMatchObject({ filled: 12, left: 10, sold: 0 });
  });
  it('come back, and are not sold again', async () => {
    const lot = await released();
    const { bottlingId } = await groupOf(lot);
    expect((await sell(lot, { count: 12 })).status).toBe(201);
    const back = { bottlingId, kind: 'returned', from: 'Ash', to: 'returns', count: 3, note: 'a loose lid' };
    expect((await post(crew.maker, lot, 'movements', { ...back, count: 13 })).body.errors[0].path).toBe(
      'count',
    );
    expect((await post(crew.maker, lot, 'movements', back)).status).toBe(201);
    expect((await crew.view(lot)).bottles).toMatchObject({ left: 3 });
    expect((await sell(lot, { from: 'returns', count: 1 })).body.errors[0].message).toMatch(/came back/);
  });
  it('with honey in them are given to somebody who is named', async () => {
    const lines = cherryContent.lines.map((l) => (l.id === 'sugar' ? { ...l, ingredientId: 'honey' } : l));
    const lot = await crew.filled(
      { ...cherryContent, lines, storage: 'cold' },
      { closing: 'cooled', fillCelsius: null, hoursTo21: 1, hoursToCold: 4, at: ago(20) },
    );
    const steps = (await crew.view(lot)).steps;
    expect(steps.length).toBeGreaterThan(0);
    const { body } = await crew.owner.get(`/api/lots/${lot.id}/label`);
    expect(body.content.infantLine).not.toBe('');
  });
});

describe('a clock that stands behind the journal', () => {
  it('does not take the order with it, and Today says so', async () => {
    const { body: kitchen } = await crew.owner.get('/api/kitchen');
    const ahead = new Date(Date.now() + 7_200_000).toISOString().slice(0, 23).replace('T', ' ');
    const connection = await app.pool.getConnection();
    await connection.query('UPDATE journal_head SET written_at = ? WHERE kitchen_id = ?', [
      ahead,
      kitchen.id,
    ]);
    connection.release();
    const lot = await crew.filled();
    const { bottlings, additions } = await crew.view(lot);
    const written = [...additions, ...bottlings].map((e: { recordedAt: string }) => e.recordedAt);
    expect([...written].sort()).toEqual(written);
    expect(new Set(written).size).toBe(written.length);
    const { due } = (await crew.owner.get('/api/today')).body;
    expect(due.map((d: { title: string }) => d.title)).toContain('Set the clock of the server');
    // The next file of tests begins with a clock that goes right.
    const again = await app.pool.getConnection();
    await again.query('UPDATE journal_head SET written_at = NULL WHERE kitchen_id = ?', [kitchen.id]);
    again.release();
  });
});

describe('a kitchen’s own entry', () => {
  const own = (label: object) => {
    const id = `own-${newId().slice(-8)}`;
    const full = {
      labelName: 'thing',
      family: 'juice',
      sugars: 5,
      source: 'its pack',
      on: '2026-11-01',
      ...label,
    };
    return crew.maker
      .post('/api/ingredients/own', { id: newId(), ingredientId: id, label: full })
      .then((reply) => ({ reply, id }));
  };
  it.each([
    'foxglove juice',
    'Maiglöckchensaft und Maiglöckchen',
    'garlic in oil',
    'kratom tea',
    '夹竹桃汁',
    'fоxglоve',
  ])('is refused: %s', async (name) => expect((await own({ name })).reply.status).toBe(422));
  it('is low in acid though a pH is said of it, and stops a label until its allergens are', async () => {
    const { reply, id } = await own({ name: 'Sloe juice', ph: 3.2 });
    expect(reply.status, JSON.stringify(reply.body)).toBe(201);
    const content = {
      ...cherryContent,
      lines: [...cherryContent.lines, { id: 'own', said: '100 g', ingredientId: id, stepId: 'simmer' }],
    };
    const lot = await crew.filled(content);
    const { body } = await crew.owner.get(`/api/lots/${lot.id}/label`);
    expect(body.checks.find((c: { element: string }) => c.element === 'Allergens')).toMatchObject({
      state: 'stops',
      sentence: expect.stringMatching(/Sloe juice/),
    });
    const versions =
      (await crew.view(lot)).product.content.own.ingredients ?? (await crew.view(lot)).product.content.own;
    expect(JSON.stringify(versions)).toMatch(/"lowAcid":true/);
  });
});
