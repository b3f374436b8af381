import { v7 as newId } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import {
  ago,
  beginLot,
  cherryContent,
  jarOf,
  letterOf,
  meterOf,
  post,
  saveFormula,
  tallyUp,
  weighIn,
} from './fixtures.ts';
import { colleague, OWNER, ownerOf, type Person, useTestApp } from './testApp.ts';

const app = useTestApp();
let owner: Person;
let maker: Person;

beforeAll(async () => {
  owner = await ownerOf(app);
  maker = await colleague(app, owner, 'maker');
});

const change = async (fields: object) => {
  const { body } = await owner.get('/api/kitchen');
  return owner.send('PATCH', '/api/kitchen', { revision: body.revision, ...fields });
};

describe('the kitchen’s settings', () => {
  it('change one at a time, and leave the rest as it was', async () => {
    const before = (await owner.get('/api/kitchen')).body;
    const { body } = await change({ localStatement: 'Made in a home kitchen.' });
    expect(body).toEqual({
      ...before,
      localStatement: 'Made in a home kitchen.',
      revision: before.revision + 1,
    });
  });
  it('refuse what cannot be, by field', async () => {
    for (const [field, value] of [
      ['criticalPh', 4.7],
      ['elevationMetres', 9000],
      ['currency', 'pounds'],
      ['timeZone', 'Nowhere'],
      ['name', ' '],
      ['cupSchool', 'martian'],
    ] as const) {
      const reply = await change({ [field]: value });
      expect([reply.status, reply.body.errors[0].path], field).toEqual([422, field]);
    }
  });
  it('hold for lots begun from then on: an old lot keeps its limit', async () => {
    const formula = await saveFormula(owner, cherryContent);
    const before = await beginLot(owner, formula);
    await change({ criticalPh: 4.0 });
    const after = await beginLot(owner, formula);
    const limits = await Promise.all(
      [before, after].map(async (lot) => (await owner.get(`/api/lots/${lot.id}`)).body.criticalPh),
    );
    expect(limits).toEqual([4.2, 4]);
    await change({ criticalPh: 4.2 });
  });
  it('moving the kitchen uphill does not rewrite an old lot', async () => {
    const lot = await beginLot(owner, await saveFormula(owner, cherryContent, 'Uphill'));
    await change({ elevationMetres: 2000 });
    expect((await owner.get(`/api/lots/${lot.id}`)).body.elevationMetres).toBe(719);
    await change({ elevationMetres: 719 });
  });
  it('an old lot’s cups stay the cups it was begun with', async () => {
    const lot = await beginLot(owner, await saveFormula(owner, cherryContent, 'Cups'));
    const water = async () =>
      (await owner.get(`/api/lots/${lot.id}`)).body.lines.find(
        (l: { lineId: string }) => l.lineId === 'water',
      ).grams;
    const before = await water();
    await change({ cupSchool: 'metric' });
    expect(await water()).toBe(before);
    await change({ cupSchool: 'us' });
  });
});

describe('accounts', () => {
  it('have names of their own', async () => {
    const reply = await owner.post('/api/accounts', {
      id: newId(),
      name: OWNER.name,
      role: 'maker',
      password: 'long enough password',
    });
    expect(reply.body.errors).toEqual([
      { path: 'name', message: 'Somebody already has that name. Choose another.' },
    ]);
  });
  it('need a password of ten characters', async () => {
    const reply = await owner.post('/api/accounts', {
      id: newId(),
      name: 'Short',
      role: 'maker',
      password: 'short',
    });
    expect(reply.body.errors[0].path).toBe('password');
  });
  it('are listed to the owner without their passwords', async () => {
    const { body } = await owner.get('/api/accounts');
    expect(body.length).toBeGreaterThanOrEqual(2);
    for (const account of body)
      expect(Object.keys(account).sort()).toEqual(['disabled', 'id', 'name', 'role']);
  });
});

describe('formulas', () => {
  it('keep every version as it was saved', async () => {
    const id = await saveFormula(maker, cherryContent, 'Versions');
    const sweeter = {
      ...cherryContent,
      lines: cherryContent.lines.map((l) => (l.id === 'sugar' ? { ...l, said: '2.4 kg' } : l)),
    };
    const saved = await maker.post(`/api/formulas/${id}/versions`, {
      versionId: newId(),
      name: 'Versions, sweeter',
      kind: 'syrup',
      colour: '#8E1230',
      note: 'sweeter',
      content: sweeter,
      after: 1,
    });
    expect(saved.body.number).toBe(2);
    const { body } = await maker.get(`/api/formulas/${id}`);
    expect(body.name).toBe('Versions, sweeter');
    expect(body.versions.map((v: { number: number }) => v.number)).toEqual([2, 1]);
    expect(body.versions[1].content).toEqual(cherryContent);
  });
  it('a lot keeps the version it was begun from', async () => {
    const id = await saveFormula(maker, cherryContent, 'Kept');
    const lot = await beginLot(maker, id);
    await maker.post(`/api/formulas/${id}/versions`, {
      versionId: newId(),
      name: 'Renamed',
      kind: 'syrup',
      colour: '#8E1230',
      content: cherryContent,
      after: 1,
    });
    const { body } = await maker.get(`/api/lots/${lot.id}`);
    expect(body.product).toMatchObject({ name: 'Kept', version: 1 });
  });
  it('saved twice with one id are saved once', async () => {
    const id = await saveFormula(maker, cherryContent, 'Once');
    const body = {
      versionId: newId(),
      name: 'Once',
      kind: 'syrup',
      colour: '#8E1230',
      content: cherryContent,
      after: 1,
    };
    const replies = [
      await maker.post(`/api/formulas/${id}/versions`, body),
      await maker.post(`/api/formulas/${id}/versions`, body),
    ];
    expect(replies.map((r) => r.body.number)).toEqual([2, 2]);
    expect((await maker.get(`/api/formulas/${id}`)).body.versions).toHaveLength(2);
  });
  it('cannot be begun without lines or without steps', async () => {
    for (const missing of ['lines', 'steps']) {
      const id = await saveFormula(maker, { ...cherryContent, [missing]: [] }, `No ${missing}`);
      const reply = await maker.post('/api/lots', { id: newId(), formulaId: id });
      expect([reply.status, reply.body.detail]).toEqual([
        422,
        expect.stringMatching(new RegExp(`no ${missing} yet`)),
      ]);
    }
  });
});

describe('what a maker may not do', () => {
  it('change settings, add people, or rule on a held lot', async () => {
    expect((await maker.send('PATCH', '/api/kitchen', { revision: 1 })).status).toBe(403);
    const lot = await beginLot(maker, await saveFormula(maker, cherryContent, 'Held'));
    expect((await post(maker, lot, 'decisions', { event: 'hold', why: 'to see' })).status).toBe(201);
    for (const event of ['resume', 'discard', 'recall'])
      expect((await post(maker, lot, 'rulings', { event, why: 'because' })).status).toBe(403);
    expect((await post(maker, lot, 'decisions', { event: 'hold' })).status).toBe(422);
    expect((await owner.get(`/api/lots/${lot.id}`)).body.state).toBe('held');
  });
});

describe('filling and processing', () => {
  const filled = async (closing: 'hot' | 'cooled', more = {}) => {
    const lot = await beginLot(maker, await saveFormula(maker, cherryContent, 'Filled'), ago(30));
    await weighIn(maker, lot, ago(29));
    await post(maker, lot, 'bottlings', {
      containerId: await jarOf(maker),
      count: 12,
      closing,
      ...(closing === 'hot' ? { fillCelsius: 88 } : {}),
      checked: true,
      place: 'cellar',
      at: ago(20),
      ...more,
    });
    return lot;
  };
  const gate = async (lot: { id: string }, id: string) =>
    (await maker.get(`/api/lots/${lot.id}`)).body.gates.find((g: { id: string }) => g.id === id);

  it('an own process needs its source and its minutes', async () => {
    const lot = await filled('hot');
    expect((await post(maker, lot, 'heat-processes', { minutes: 20 })).body.errors[0].path).toBe('source');
    expect(
      (
        await post(maker, lot, 'heat-processes', {
          source: 'Authority’s letter, 3 May 2026',
          requiredMinutes: 20,
          minutes: 19,
        })
      ).status,
    ).toBe(201);
    // It is recorded, and typed minutes open nothing, long enough or not.
    expect((await gate(lot, 'heat')).missing).toMatch(/in no list/);
    await post(maker, lot, 'heat-processes', { source: 'A letter', requiredMinutes: 20, minutes: 20 });
    expect((await gate(lot, 'heat')).missing).toMatch(/in no list/);
  });
  it('a process that was tested on something else does not open the gate, and says why line by line', async () => {
    const lot = await beginLot(maker, await saveFormula(maker, cherryContent, 'With quince'), ago(30));
    await weighIn(maker, lot, ago(29));
    await post(maker, lot, 'additions', {
      ingredientId: 'quince',
      grams: 300,
      why: 'a neighbour’s',
      at: ago(28),
    });
    await post(maker, lot, 'bottlings', {
      containerId: await jarOf(maker),
      count: 12,
      closing: 'hot',
      fillCelsius: 88,
      place: 'cellar',
      at: ago(20),
    });
    await post(maker, lot, 'heat-processes', { processId: 'berry-syrup', minutes: 15 });
    expect((await gate(lot, 'heat')).missing).toMatch(/not with quince/);
    expect((await gate(lot, 'label')).open).toBe(false);
  });
  it('closed bottles take nothing more until the lot is held', async () => {
    const lot = await filled('hot');
    const more = { ingredientId: 'citric-anhydrous', grams: 10 };
    const refused = await post(maker, lot, 'additions', more);
    expect([refused.status, refused.body.detail]).toEqual([409, expect.stringMatching(/Hold it first/)]);
    await post(maker, lot, 'decisions', { event: 'hold', why: 'to acidify' });
    expect((await post(maker, lot, 'additions', more)).status).toBe(201);
  });
  it('something low-acid that was not in the formula holds the lot as well', async () => {
    const lot = await beginLot(maker, await saveFormula(maker, cherryContent, 'With figs'), ago(30));
    await weighIn(maker, lot, ago(29));
    await post(maker, lot, 'additions', {
      ingredientId: 'fig',
      grams: 800,
      why: 'they were ripe',
      at: ago(28),
    });
    await post(maker, lot, 'bottlings', {
      containerId: await jarOf(maker),
      count: 12,
      closing: 'hot',
      place: 'cellar',
    });
    const { body } = await maker.get(`/api/lots/${lot.id}`);
    expect(body.state).toBe('held');
    expect(body.decisions.at(-1).why).toMatch(/low-acid ingredients \(figs\)/);
  });
  it('a bottle cooled open is not for the shelf, whatever its process', async () => {
    const lot = await filled('cooled', { hoursToCold: 4 });
    await post(maker, lot, 'heat-processes', { processId: await letterOf(owner), minutes: 15 });
    expect((await gate(lot, 'heat')).missing).toMatch(/cooled open is not for the shelf/);
  });
  it('lids pressed before twelve hours are kept and do not count', async () => {
    const lot = await filled('hot', { at: ago(5) });
    await post(maker, lot, 'seal-checks', { checked: 12, failed: 0 });
    expect((await gate(lot, 'seal')).missing).toMatch(/had not stood 12 hours/);
    expect((await maker.get(`/api/lots/${lot.id}`)).body.state).toBe('resting');
  });
  it('no more lids are pressed, or fail, than there are', async () => {
    const lot = await filled('hot');
    expect((await post(maker, lot, 'seal-checks', { checked: 13, failed: 0 })).body.errors[0].path).toBe(
      'checked',
    );
    expect((await post(maker, lot, 'seal-checks', { checked: 3, failed: 4 })).body.errors[0].path).toBe(
      'failed',
    );
  });
  it('a filling whose bottles were moved is not struck from under them', async () => {
    const lot = await filled('hot');
    const { bottlings } = (await maker.get(`/api/lots/${lot.id}`)).body;
    await post(maker, lot, 'movements', {
      bottlingId: bottlings[0].id,
      kind: 'moved',
      from: 'cellar',
      to: 'stall',
      count: 4,
    });
    expect(
      (
        await maker.post(`/api/lots/${lot.id}/strikes`, {
          noun: 'bottling',
          entryId: bottlings[0].id,
          why: 'miscounted',
        })
      ).status,
    ).toBe(409);
  });
  it('a strike after release holds the lot', async () => {
    const lot = await filled('hot');
    const meter = await meterOf(maker);
    await post(maker, lot, 'readings', {
      kind: 'ph',
      raw: 3.3,
      celsius: 21,
      sample: 'finished',
      instrumentId: meter,
    });
    await tallyUp(maker, lot, ago(19.5));
    const processId = await letterOf(owner);
    await post(maker, lot, 'heat-processes', { processId, minutes: 15, at: ago(19) });
    await post(maker, lot, 'seal-checks', { checked: 12, failed: 0 });
    expect((await post(maker, lot, 'decisions', { event: 'release', password: OWNER.password })).status).toBe(
      201,
    );
    const { readings } = (await maker.get(`/api/lots/${lot.id}`)).body;
    await maker.post(`/api/lots/${lot.id}/strikes`, {
      noun: 'reading',
      entryId: readings[0].id,
      why: 'wrong jar',
    });
    const after = (await maker.get(`/api/lots/${lot.id}`)).body;
    expect(after.state).toBe('held');
    expect(after.decisions.at(-1).why).toMatch(/A reading was undone after release: wrong jar/);
    await owner.post(`/api/lots/${lot.id}/rulings`, {
      id: newId(),
      event: 'resume',
      why: 'wrong jar',
      done: 'measuring again',
    });
    expect(
      (await post(maker, lot, 'decisions', { event: 'release', password: OWNER.password })).body.errors.map(
        (e: { path: string }) => e.path,
      ),
    ).toContain('gates.acid');
  });
});

describe('a label', () => {
  it('that differs from the formula is printed only once the difference was seen', async () => {
    const lot = await beginLot(maker, await saveFormula(maker, cherryContent, 'Differs'), ago(30));
    await weighIn(maker, lot, ago(29));
    await post(maker, lot, 'additions', {
      ingredientId: 'almond',
      grams: 50,
      why: 'for the taste',
      at: ago(28),
    });
    const meter = await meterOf(maker);
    await post(maker, lot, 'readings', {
      kind: 'ph',
      raw: 3.3,
      celsius: 21,
      sample: 'finished',
      instrumentId: meter,
    });
    await post(maker, lot, 'bottlings', {
      containerId: await jarOf(maker),
      count: 6,
      closing: 'hot',
      fillCelsius: 88,
      place: 'cellar',
      at: ago(20),
    });
    const processId = await letterOf(owner, { fruits: ['sour-cherry', 'almond'] });
    await post(maker, lot, 'heat-processes', { processId, minutes: 15, at: ago(19) });
    await post(maker, lot, 'seal-checks', { checked: 6, failed: 0 });
    const { body } = await maker.get(`/api/lots/${lot.id}/label`);
    expect(body.differences).toEqual(['Almonds went in and is not in the formula.']);
    expect(body.content.allergens).toBe('Contains: tree nuts (almonds).');
    const refused = await post(maker, lot, 'prints', { copies: 6 });
    expect([refused.status, refused.body.detail]).toEqual([
      409,
      expect.stringMatching(/differs from the formula/),
    ]);
    expect((await post(maker, lot, 'prints', { copies: 6, differencesSeen: true })).status).toBe(201);
  });
  it('of a lot with something missing is refused as a PDF as well', async () => {
    const lot = await beginLot(maker, await saveFormula(maker, cherryContent, 'Early'));
    const reply = await maker.get(`/api/lots/${lot.id}/label.pdf`);
    expect([reply.status, reply.body.detail]).toEqual([409, expect.stringMatching(/no ingredient list/)]);
  });
});

describe('what is out of use', () => {
  it.each([
    ['instruments', () => ({ id: newId(), kind: 'scale', name: 'Old scale' })],
    [
      'containers',
      () => ({
        id: newId(),
        name: 'Old flask',
        nominalMl: 250,
        heightMm: 180,
        diameterMm: 66,
        closure: 'swing-top',
      }),
    ],
  ] as const)(
    '%s are retired and restored, journaled, and never by a reader or another kitchen',
    async (noun, made) => {
      const body = made();
      expect((await maker.post(`/api/${noun}`, body)).status).toBe(201);
      const retiredNow = async () =>
        (await maker.get(`/api/${noun}`)).body.find((one: { id: string }) => one.id === body.id).retired;
      expect(await retiredNow()).toBe(false);
      const retire = (who: Person, id: string, retired: boolean) =>
        who.post(`/api/${noun}/${id}/retirement`, { retired });
      expect((await retire(maker, body.id, true)).status).toBe(200);
      expect(await retiredNow()).toBe(true);
      expect((await retire(maker, body.id, false)).status).toBe(200);
      expect(await retiredNow()).toBe(false);
      const reader = await colleague(app, owner, 'reader');
      expect((await retire(reader, body.id, true)).status).toBe(403);
      expect((await retire(maker, newId(), true)).status).toBe(404);
      expect(await retiredNow()).toBe(false);
    },
  );
});
