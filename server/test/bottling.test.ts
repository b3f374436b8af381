import { v7 as newId } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { Crew } from './filled.ts';
import { ago, cherryContent, jarOf, letterOf, meterOf, post, type Started } from './fixtures.ts';
import { OWNER, useTestApp } from './testApp.ts';

const app = useTestApp();
const crew = new Crew();
beforeAll(() => crew.gather(app));

describe('a load of the canner', () => {
  const mark = (lot: Started, loadId: string, kind: string, hours: number) =>
    post(crew.maker, lot, 'load-marks', { loadId, mark: kind, at: ago(hours) });
  it('counts from the full boil, begins anew when the boil stops, and is the process when the fire goes off', async () => {
    const lot = await crew.filled();
    // All by one clock: its minutes do not hang on how long a request takes.
    const now = Date.now();
    const marked = (kind: string, minutes: number) =>
      post(crew.maker, lot, 'load-marks', {
        loadId,
        mark: kind,
        at: new Date(now - minutes * 60_000).toISOString(),
      });
    const loadId = newId();
    const processId = await letterOf(crew.owner);
    const put = await crew.maker.post(`/api/lots/${lot.id}/loads`, {
      id: loadId,
      processId,
      bottles: 12,
      at: ago(29),
    });
    expect(put.status, JSON.stringify(put.body)).toBe(201);
    expect((await crew.view(lot)).loads[0]).toMatchObject({
      requiredMinutes: 15,
      restMinutes: 5,
      mismatches: [],
    });
    await marked('boil', 1710);
    await marked('stopped', 1698);
    await marked('boil', 1692);
    const early = await marked('off', 1680);
    expect([early.status, early.body.detail]).toEqual([
      409,
      expect.stringMatching(/3 min are still to come/),
    ]);
    expect((await marked('off', 1674)).status).toBe(201);
    expect((await crew.view(lot)).heatProcesses[0]).toMatchObject({ minutes: 18, bottles: 12, loadId });
    expect((await crew.gate(lot, 'heat')).open).toBe(true);
    await marked('lifted', 1672.8);
    const { deviations } = await crew.view(lot);
    expect(deviations[0]).toMatchObject({ kind: 'lifted early', entryId: loadId, closed: null });
    expect(await crew.shut(lot)).toContain('deviations');
  });
  it('runs on Today: boiling for what is left of its minutes, then resting', async () => {
    const lot = await crew.filled();
    const loadId = newId();
    const processId = await letterOf(crew.owner);
    await crew.maker.post(`/api/lots/${lot.id}/loads`, {
      id: loadId,
      processId,
      bottles: 12,
      at: ago(1),
    });
    const clock = async () =>
      (await crew.owner.get('/api/today')).body.clocks.find((c: { code: string }) => c.code === lot.code);
    expect(await clock()).toBeUndefined();
    // At the boil since six minutes of fifteen: nine are left.
    await mark(lot, loadId, 'boil', 0.1);
    const boiling = await clock();
    expect(boiling).toMatchObject({ step: 'Load 1, at the boil', place: 'bottling' });
    expect(Math.abs(boiling.elapsedSeconds - 360)).toBeLessThan(60);
    expect(boiling.elapsedSeconds + boiling.leftSeconds).toBeCloseTo(15 * 60, 6);
  });
  it('rests on Today for five minutes from when the fire went off', async () => {
    const lot = await crew.filled();
    const loadId = newId();
    const processId = await letterOf(crew.owner);
    await crew.maker.post(`/api/lots/${lot.id}/loads`, {
      id: loadId,
      processId,
      bottles: 12,
      at: ago(1),
    });
    await mark(lot, loadId, 'boil', 0.4);
    expect((await mark(lot, loadId, 'off', 0.02)).status).toBe(201);
    const { clocks } = (await crew.owner.get('/api/today')).body;
    const resting = clocks.find((c: { code: string }) => c.code === lot.code);
    expect(resting.step).toBe('Load 1, resting');
    expect(resting.elapsedSeconds + resting.leftSeconds).toBeCloseTo(5 * 60, 6);
  });
  it('of half the bottles opens the gate half way', async () => {
    const lot = await crew.filled();
    const processId = await letterOf(crew.owner);
    await post(crew.maker, lot, 'heat-processes', { processId, minutes: 15, bottles: 7, at: ago(29) });
    expect((await crew.gate(lot, 'heat')).missing).toMatch(/7 of 12 bottles/);
    // Five more that nobody named may be the same ones: twelve of twelve are twelve different ones.
    await post(crew.maker, lot, 'heat-processes', { processId, minutes: 15, bottles: 5, at: ago(28) });
    expect((await crew.gate(lot, 'heat')).missing).toMatch(/7 of 12 bottles/);
    const twice = { processId, minutes: 15, bottles: 5, numbers: [8, 8, 9, 10, 11], at: ago(28) };
    expect((await post(crew.maker, lot, 'heat-processes', twice)).body.errors[0].path).toBe('numbers');
    const rest = { ...twice, numbers: [8, 9, 10, 11, 12] };
    expect((await post(crew.maker, lot, 'heat-processes', rest)).status).toBe(201);
    expect((await crew.gate(lot, 'heat')).open).toBe(true);
  });
  it('an elevation that is put right is asked of what was processed at it, and holds what was released', async () => {
    await crew.moveTo(719.328);
    const lot = await crew.releasable();
    const release = { event: 'release', password: OWNER.password };
    expect((await post(crew.owner, lot, 'decisions', release)).status).toBe(201);
    await crew.moveTo(2500);
    expect(await crew.view(lot)).toMatchObject({ state: 'held' });
    expect((await crew.gate(lot, 'heat')).missing).toMatch(/15 min is short of the 20 min/);
    expect((await crew.owner.get('/api/today')).body.obstacles).toContainEqual(
      expect.objectContaining({ title: 'Held', lot: expect.objectContaining({ code: lot.code }) }),
    );
    await crew.moveTo(719.328);
    expect(await crew.shut(lot)).toEqual(['deviations']);
  });
  it('moving the kitchen later does not rewrite what was asked then', async () => {
    const lot = await crew.releasable();
    await crew.moveTo(2500, { movedHere: true });
    expect((await crew.view(lot)).heatProcesses[0]).toMatchObject({
      requiredMinutes: 15,
      elevationMetres: 719.328,
    });
    expect(await crew.shut(lot)).toEqual([]);
    await crew.moveTo(719.328, { movedHere: true });
  });
});

describe('a process of the kitchen’s own', () => {
  it('needs its source, comes from the crew.owner, and is matched line by line', async () => {
    const lot = await crew.filled();
    const processId = await letterOf(crew.owner, { acids: [], fruits: ['quince'], highestPh: 3.5 });
    await post(crew.maker, lot, 'heat-processes', { processId, minutes: 15, at: ago(29) });
    const { missing } = await crew.gate(lot, 'heat');
    expect(missing).toMatch(/tested with quince, not with sour cherry/);
    expect(missing).toMatch(/tested without citric anhydrous/);
    expect(missing).toMatch(/needs a measured pH of 3.5/);
    const own = (await crew.owner.get('/api/processes')).body[0];
    const again = { ...own, id: newId() };
    expect((await crew.maker.post('/api/processes', again)).status).toBe(403);
    const unsourced = await crew.owner.post('/api/processes', { ...again, source: 'us' });
    expect([unsourced.status, unsourced.body.errors[0].path]).toEqual([422, 'source']);
    const hot = await crew.owner.post('/api/processes', { ...again, method: 'hot-fill' });
    expect([hot.status, hot.body.errors[0].path]).toEqual([422, 'hotFill']);
  });
  it('of a hot fill asks for its fill temperature in the coldest bottle, and holds', async () => {
    const hot = {
      method: 'hot-fill',
      hotFill: { celsius: 88, holdMinutes: 2, invertSeconds: 60 },
      bands: [{ toFeet: 5000, minutes: 2 }],
    };
    const processId = await letterOf(crew.owner, hot);
    const cold = await crew.filled(cherryContent, { lastCelsius: 85 });
    await post(crew.maker, cold, 'heat-processes', {
      processId,
      minutes: 2,
      invertedSeconds: 60,
      at: ago(29),
    });
    expect((await crew.gate(cold, 'heat')).missing).toMatch(/closed at 85 °C, and it asks for 88/);
    expect((await crew.gate(cold, 'heat')).missing).toMatch(/not made for hot fill/);
    await post(crew.maker, cold, 'heat-processes', {
      processId,
      minutes: 2,
      invertedSeconds: 20,
      at: ago(28),
    });
    expect((await crew.gate(cold, 'heat')).missing).toMatch(/lid down for 20 s, and it asks for 60/);
  });
});

describe('what goes in bottle by bottle', () => {
  it('is ticked for each, and its pH comes from an opened jar', async () => {
    const content = {
      ...cherryContent,
      lines: cherryContent.lines.map((l) =>
        l.id === 'acid' ? { ...l, said: '1 g', basis: { per: 'bottle' } } : l,
      ),
      targets: { bottles: 12 },
    };
    const lot = await crew.filled(content);
    const tick = (bottle: number) => post(crew.maker, lot, 'ticks', { lineId: 'acid', bottle });
    for (let bottle = 1; bottle <= 11; bottle++) expect((await tick(bottle)).status).toBe(201);
    expect((await crew.gate(lot, 'count')).missing).toMatch(/citric acid.*bottle 12\./);
    expect((await post(crew.maker, lot, 'ticks', { lineId: 'sugar', bottle: 1 })).body.errors[0].path).toBe(
      'lineId',
    );
    await tick(12);
    await tick(12);
    expect((await crew.view(lot)).ticks).toHaveLength(12);
    const meter = await meterOf(crew.maker);
    const ph = { kind: 'ph', raw: 3.3, celsius: 21, sample: 'finished', instrumentId: meter };
    await post(crew.maker, lot, 'readings', ph);
    expect((await crew.gate(lot, 'acid')).missing).toMatch(/an opened jar/);
    await post(crew.maker, lot, 'readings', { ...ph, taken: 'opened-jar' });
    expect((await crew.gate(lot, 'acid')).open).toBe(true);
  });
});

describe('every millilitre', () => {
  it('over the tolerance asks for a reason before it is kept', async () => {
    const lot = await crew.filled();
    const inPanMl = 12 * 237 + 300;
    const asked = await post(crew.maker, lot, 'tallies', { inPanMl, parts: [] });
    expect([asked.status, asked.body.errors[0]]).toMatchObject([
      422,
      { path: 'why', message: expect.stringMatching(/300 mL unaccounted for, 9\.5 %/) },
    ]);
    expect((await crew.view(lot)).tallies).toEqual([]);
    await post(crew.maker, lot, 'tallies', { inPanMl, parts: [], why: 'a jug went over' });
    expect((await crew.view(lot)).tallies[0]).toMatchObject({
      gapMl: 300,
      asks: true,
      why: 'a jug went over',
    });
    await post(crew.maker, lot, 'bottlings', {
      containerId: (await crew.view(lot)).bottlings[0].containerId,
      count: 1,
      closing: 'hot',
      checked: true,
      place: 'cellar',
    });
    expect((await crew.gate(lot, 'count')).missing).toMatch(/do it again/);
  });
  it('a bottle weighed too light opens a deviation by the kitchen’s rule pack', async () => {
    const lot = await crew.filled();
    const [{ id: bottlingId }] = (await crew.view(lot)).bottlings;
    const weigh = (grossGrams: number) => post(crew.maker, lot, 'weighings', { bottlingId, grossGrams });
    expect((await weigh(480)).body.errors[0].message).toMatch(/°Bx first/);
    await post(crew.maker, lot, 'readings', { kind: 'brix', raw: 50, celsius: 20, sample: 'finished' });
    await weigh(188 + 237 * 1.22957);
    expect((await crew.view(lot)).weighings[0].netMl).toBeCloseTo(237, 3);
    expect((await crew.view(lot)).deviations).toEqual([]);
    await weigh(188 + 220 * 1.22957);
    expect((await crew.view(lot)).deviations[0]).toMatchObject({ kind: 'net contents', entryId: bottlingId });
  });
});

describe('a logger’s curve', () => {
  it('has its lethality reckoned by the server, and times that go back are refused', async () => {
    const lot = await crew.filled();
    const samples = Array.from({ length: 21 }, (_, i) => ({ seconds: i * 30, celsius: 93.3 }));
    await post(crew.maker, lot, 'curves', { name: 'Logger in the middle jar', samples });
    expect((await crew.view(lot)).curves[0].minutes).toBeCloseTo(10, 6);
    const back = await post(crew.maker, lot, 'curves', {
      name: 'Logger',
      samples: [
        { seconds: 60, celsius: 90 },
        { seconds: 30, celsius: 91 },
      ],
    });
    expect([back.status, back.body.errors[0].message]).toEqual([422, expect.stringMatching(/order of time/)]);
  });
});

describe('what is kept cold', () => {
  it('runs its two stages by a thermometer, and too slow opens a deviation', async () => {
    const cold = { ...cherryContent, storage: 'cold' };
    const lot = await crew.filled(cold, { closing: 'cooled', fillCelsius: null, at: ago(10) });
    const [{ id: bottlingId }] = (await crew.view(lot)).bottlings;
    const cool = (celsius: number, hours: number) =>
      post(crew.maker, lot, 'coolings', { bottlingId, celsius, at: ago(hours) });
    await cool(20.5, 8.2);
    await cool(4.8, 5);
    expect((await crew.gate(lot, 'heat')).open).toBe(true);
    const slow = await crew.filled(cold, { closing: 'cooled', fillCelsius: null, at: ago(10) });
    const [b] = (await crew.view(slow)).bottlings;
    await post(crew.maker, slow, 'coolings', { bottlingId: b.id, celsius: 20, at: ago(7) });
    expect((await crew.view(slow)).deviations[0].what).toMatch(/3 h to 21 °C, where 2 are allowed/);
  });
});

describe('bottles whose seal failed', () => {
  it('are told one by one, and processed again only after another process, within a day', async () => {
    const lot = await crew.filled(cherryContent, { at: ago(20) });
    const processId = await letterOf(crew.owner);
    await post(crew.maker, lot, 'heat-processes', { processId, minutes: 15, at: ago(19) });
    const checkId = newId();
    const check = {
      id: checkId,
      checked: 12,
      failed: 2,
      failedBottles: [4, 9],
      signs: ['liquid-lost'],
      at: ago(6),
    };
    await crew.maker.post(`/api/lots/${lot.id}/seal-checks`, check);
    expect((await crew.view(lot)).state).toBe('resting');
    const fate = (what: string, count: number) =>
      post(crew.maker, lot, 'fates', { checkId, fate: what, count });
    expect((await fate('chilled', 3)).body.errors[0].message).toMatch(/2 are still open/);
    expect((await fate('processed-again', 1)).body.detail).toMatch(/Record the process/);
    await post(crew.maker, lot, 'heat-processes', { processId, minutes: 15, bottles: 1 });
    const again = await fate('processed-again', 1);
    expect(again.status, JSON.stringify(again.body)).toBe(201);
    expect((await fate('discarded', 1)).status).toBe(201);
    expect((await crew.view(lot)).bottles).toMatchObject({ filled: 12, left: 11 });
    expect((await crew.gate(lot, 'seal')).missing).toMatch(/Check the 1 processed again/);
  });
  it('after a day are discarded', async () => {
    const lot = await crew.filled();
    const checkId = newId();
    await crew.maker.post(`/api/lots/${lot.id}/seal-checks`, { id: checkId, checked: 12, failed: 1 });
    const late = await post(crew.maker, lot, 'fates', { checkId, fate: 'chilled', count: 1 });
    expect([late.status, late.body.detail]).toEqual([409, expect.stringMatching(/it is discarded/)]);
    expect((await post(crew.maker, lot, 'fates', { checkId, fate: 'discarded', count: 1 })).status).toBe(201);
  });
  it('that show spoilage hold the lot', async () => {
    const lot = await crew.filled();
    await post(crew.maker, lot, 'seal-checks', { checked: 12, failed: 0, signs: ['spoilage'] });
    expect((await crew.view(lot)).state).toBe('held');
  });
});

describe('a kind of bottle', () => {
  it('is measured later, and never holds less to its brim than what is sold in it', async () => {
    const id = await jarOf(crew.maker);
    const measures = { brimfulMl: 262, tareGrams: 190, headspaceInches: 0.5, rated: ['boiling-water'] };
    expect((await crew.maker.post(`/api/containers/${id}/measures`, measures)).status).toBe(201);
    const kept = (await crew.owner.get('/api/containers')).body.find((c: { id: string }) => c.id === id);
    expect(kept).toMatchObject(measures);
    const small = await crew.maker.post(`/api/containers/${id}/measures`, { ...measures, brimfulMl: 230 });
    expect(small.body.errors[0].path).toBe('brimfulMl');
  });
  it('that is nicked leaves the stock as wasted', async () => {
    const lot = await crew.filled();
    const { containerId } = (await crew.view(lot)).bottlings[0];
    const thing = `bottle:${containerId}`;
    const stock = { id: newId(), kind: 'packaging', thing, quantity: 6, gotOn: ago(60).slice(0, 10) };
    const came = await crew.owner.post('/api/stock', stock);
    expect(came.status, JSON.stringify(came.body)).toBe(201);
    await post(crew.maker, lot, 'faults', { containerId, fault: 'nicked-rim', count: 2 });
    const { body } = await crew.owner.get('/api/stock');
    expect(body.find((s: { id: string }) => s.id === stock.id).left).toBe(4);
  });
});
