import { v7 as newId } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { Crew } from './filled.ts';
import { ago, beginLot, calibrate, cherryContent, meterOf, post, saveFormula } from './fixtures.ts';
import { OWNER, useTestApp } from './testApp.ts';

const app = useTestApp();
const crew = new Crew();
beforeAll(() => crew.gather(app));

const mv = (ph: number) => 2 + (7 - ph) * 59.16 * 0.98;
const points = [7, 4.01, 3].map((buffer) => ({ buffer, mv: mv(buffer), celsius: 25 }));
const flat = [7, 4.01].map((buffer) => ({ buffer, mv: mv(buffer) * 0.6, celsius: 25 }));
const calibrateAt = (id: string, at: string, of = points) =>
  crew.maker.post(`/api/instruments/${id}/calibrations`, { id: newId(), points: of, at });

describe('when something happened', () => {
  it.each([
    ['1999-12-31T23:59:59Z', /before the year 2000/],
    [new Date(Date.now() + 3_600_000).toISOString(), /still to come/],
  ])('is refused at %s', async (at, why) => {
    const formulaId = await saveFormula(crew.maker, cherryContent, `Dated ${at}`);
    const reply = await crew.maker.post('/api/lots', { id: newId(), formulaId, at });
    expect(reply.status).toBe(422);
    expect(reply.body.errors[0]).toMatchObject({ path: 'at', message: expect.stringMatching(why) });
  });

  it('is refused before its lot was begun', async () => {
    const lot = await beginLot(crew.maker, await saveFormula(crew.maker, cherryContent, 'Begun'), ago(2));
    const reply = await post(crew.maker, lot, 'readings', { kind: 'brix', raw: 50, celsius: 21, at: ago(3) });
    expect(reply.body.errors[0].message).toMatch(/before the lot was begun/);
  });

  it('stands beside when it was written down, and shows on the release sheet', async () => {
    const lot = await crew.releasable();
    const { readings, bottlings, broughtInAt } = await crew.view(lot);
    expect(broughtInAt).toBeNull();
    expect(Date.parse(bottlings[0].recordedAt) - Date.parse(bottlings[0].at)).toBeGreaterThan(29 * 3_600_000);
    expect(Math.abs(Date.parse(readings[0].recordedAt) - Date.parse(readings[0].at))).toBeLessThan(60_000);
  });
});

describe('a calibration', () => {
  it('is not dated back over readings; one that fails is, and shuts what it bore', async () => {
    const lot = await crew.releasable();
    const { readings } = await crew.view(lot);
    const meter = readings.find((r: { kind: string }) => r.kind === 'ph').instrumentId;
    const before = new Date(Date.parse(readings[0].at) - 60_000).toISOString();
    const good = await calibrateAt(meter, before);
    expect(good.status).toBe(422);
    expect(good.body.errors[0].message).toMatch(/cannot be dated back over them/);
    expect((await calibrate(crew.maker, meter)).status).toBe(201);
  });

  it('that fails voids what came before it, and a good one written down afterwards between them saves nothing', async () => {
    const lot = await crew.releasable();
    const meter = (await crew.view(lot)).readings[0].instrumentId;
    const released = await post(crew.owner, lot, 'decisions', { event: 'release', password: OWNER.password });
    expect(released.status).toBe(201);
    await crew.maker.post(`/api/instruments/${meter}/calibrations`, { id: newId(), points: flat });
    expect(await crew.view(lot)).toMatchObject({ state: 'held' });
    await calibrate(crew.maker, meter);
    expect((await crew.gate(lot, 'acid')).open).toBe(false);
  });

  it('of a meter without readings since may be dated back, and says so', async () => {
    const meter = await meterOf(crew.maker);
    expect((await calibrateAt(meter, ago(3))).status).toBe(201);
    const { body } = await crew.maker.get('/api/instruments');
    const [, back] = body.find((i: { id: string }) => i.id === meter).calibrations;
    expect(Date.parse(back.recordedAt) - Date.parse(back.at)).toBeGreaterThan(2.9 * 3_600_000);
  });
});

describe('a decision', () => {
  it('is never dated before what it rests on', async () => {
    const lot = await crew.releasable();
    const early = await post(crew.owner, lot, 'decisions', {
      event: 'release',
      password: OWNER.password,
      at: ago(8),
    });
    expect(early.status).toBe(422);
    expect(early.body.errors[0].message).toMatch(/something that it rests on was written down/);
    expect(await crew.view(lot)).toMatchObject({ state: 'bottled' });
  });

  it('nor before the deviation that it waited for was closed', async () => {
    const lot = await crew.releasable();
    const deviationId = newId();
    await crew.maker.post(`/api/lots/${lot.id}/deviations`, { id: deviationId, what: 'A jar was dropped.' });
    const between = new Date().toISOString();
    await new Promise((resolve) => setTimeout(resolve, 20));
    await post(crew.maker, lot, 'closings', { deviationId, cause: 'a wet shelf', done: 'swept up' });
    const release = { event: 'release', password: OWNER.password };
    expect((await post(crew.owner, lot, 'decisions', { ...release, at: between })).status).toBe(422);
    expect((await post(crew.owner, lot, 'decisions', release)).status).toBe(201);
  });

  it('is bound to the record it was signed under, and says what it means', async () => {
    const lot = await crew.releasable();
    await post(crew.owner, lot, 'decisions', { event: 'release', password: OWNER.password });
    const { decisions } = await crew.view(lot);
    expect(decisions.at(-1)).toMatchObject({
      event: 'release',
      signed: true,
      meaning: 'released by',
      recordHash: expect.stringMatching(/^[0-9a-f]{64}$/),
    });
    const other = await crew.releasable();
    await post(crew.owner, other, 'decisions', { event: 'release', password: OWNER.password });
    expect((await crew.view(other)).decisions.at(-1).recordHash).not.toBe(decisions.at(-1).recordHash);
  });

  it('asks for a second person where the kitchen does', async () => {
    const { body } = await crew.owner.get('/api/kitchen');
    await crew.owner.send('PATCH', '/api/kitchen', { revision: body.revision, secondPerson: true });
    const lot = await crew.releasable();
    const alone = await post(crew.maker, lot, 'decisions', { event: 'release', password: OWNER.password });
    expect([alone.status, alone.body.detail]).toEqual([403, expect.stringMatching(/second person/)]);
    const by = await post(crew.owner, lot, 'decisions', { event: 'release', password: OWNER.password });
    expect(by.status).toBe(201);
    await crew.owner.send('PATCH', '/api/kitchen', { revision: body.revision + 1, secondPerson: false });
  });
});

describe('settings changed later', () => {
  it('never change what was judged: zone, limit and label rules are the lot’s own', async () => {
    const lot = await crew.releasable();
    const before = await crew.view(lot);
    const { body } = await crew.owner.get('/api/kitchen');
    const changed = { timeZone: 'Pacific/Kiritimati', criticalPh: 3.2, rulePack: 'eu' };
    const reply = await crew.owner.send('PATCH', '/api/kitchen', { revision: body.revision, ...changed });
    expect(reply.status).toBe(200);
    const after = await crew.view(lot);
    for (const part of ['gates', 'keeping', 'timeZone', 'criticalPh', 'rulePack', 'readings'])
      expect(after[part], part).toEqual(before[part]);
    const back = { timeZone: 'UTC', criticalPh: 4.2, rulePack: 'us' };
    await crew.owner.send('PATCH', '/api/kitchen', { revision: body.revision + 1, ...back });
  });
});

describe('a lot that is closed', () => {
  it('takes a complaint, a reading of a returned bottle and a deviation, and nothing else', async () => {
    const lot = await crew.releasable();
    await post(crew.owner, lot, 'decisions', { event: 'release', password: OWNER.password });
    const { bottlings } = await crew.view(lot);
    const given = await post(crew.maker, lot, 'movements', {
      bottlingId: bottlings[0].id,
      kind: 'given',
      from: 'cellar',
      count: 12,
      note: 'the fair',
    });
    expect(given.status, JSON.stringify(given.body)).toBe(201);
    const closed = await post(crew.owner, lot, 'decisions', { event: 'close' });
    expect(closed.status, JSON.stringify(closed.body)).toBe(201);
    const complaint = await post(crew.maker, lot, 'deviations', { what: 'A buyer found a bulging lid.' });
    expect(complaint.status).toBe(201);
    const read = await post(crew.maker, lot, 'readings', { kind: 'note', said: 'returned bottle, cloudy' });
    expect(read.status).toBe(201);
    expect((await post(crew.maker, lot, 'additions', { ingredientId: 'sugar', grams: 5 })).status).toBe(409);
  });
});
