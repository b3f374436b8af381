import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { v7 as newId } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { verifyJournal } from '../src/journal/verify.ts';
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
import { colleague, OWNER, ownerOf, type Person, useHouse } from './house.ts';

const house = useHouse();
let owner: Person;
let maker: Person;
let reader: Person;

beforeAll(async () => {
  owner = await ownerOf(house);
  maker = await colleague(house, owner, 'maker');
  reader = await colleague(house, owner, 'reader');
  const { body } = await owner.get('/api/kitchen');
  await owner.send('PATCH', '/api/kitchen', { revision: body.revision, elevationMetres: 719.328 });
});

const view = async (lot: Started) => (await owner.get(`/api/lots/${lot.id}`)).body;
const gate = async (lot: Started, id: string) =>
  (await view(lot)).gates.find((g: { id: string }) => g.id === id);
const shut = async (lot: Started) =>
  (await view(lot)).gates.filter((g: { open: boolean }) => !g.open).map((g: { id: string }) => g.id);
const journalOf = async (lot: Started): Promise<{ action: string; by: string; payload: never }[]> =>
  (await owner.get(`/api/lots/${lot.id}/journal`)).body;

async function filled(content: object = cherryContent, more: object = {}, kind?: string): Promise<Started> {
  const lot = await beginLot(maker, await saveFormula(maker, content, 'Filled', kind), ago(40));
  await weighIn(maker, lot, ago(39));
  const reply = await post(maker, lot, 'bottlings', {
    containerId: await jarOf(maker),
    count: 12,
    fillCelsius: 90,
    closing: 'hot',
    checked: true,
    place: 'cellar',
    at: ago(30),
    ...more,
  });
  expect(reply.status, JSON.stringify(reply.body)).toBe(201);
  return lot;
}

/** A lot with all its evidence, in bottles. */
async function releasable(): Promise<Started> {
  const lot = await filled();
  const meter = await meterOf(maker);
  await post(maker, lot, 'readings', { kind: 'ph', raw: 3.3, sample: 'finished', instrumentId: meter });
  await tallyUp(maker, lot, ago(29.5));
  await post(maker, lot, 'heat-processes', { processId: await letterOf(owner), minutes: 15, at: ago(29) });
  await post(maker, lot, 'seal-checks', { checked: 12, failed: 0, at: ago(10) });
  expect(await shut(lot)).toEqual([]);
  return lot;
}

describe('a load of the canner', () => {
  const mark = (lot: Started, loadId: string, kind: string, hours: number) =>
    post(maker, lot, 'load-marks', { loadId, mark: kind, at: ago(hours) });
  it('counts from the full boil, begins anew when the boil stops, and is the process when the fire goes off', async () => {
    const lot = await filled();
    const loadId = newId();
    const processId = await letterOf(owner);
    const put = await maker.post(`/api/lots/${lot.id}/loads`, {
      id: loadId,
      processId,
      bottles: 12,
      at: ago(29),
    });
    expect(put.status, JSON.stringify(put.body)).toBe(201);
    expect((await view(lot)).loads[0]).toMatchObject({ requiredMinutes: 15, restMinutes: 5, mismatches: [] });
    await mark(lot, loadId, 'boil', 28.5);
    await mark(lot, loadId, 'stopped', 28.3);
    await mark(lot, loadId, 'boil', 28.2);
    const early = await mark(lot, loadId, 'off', 28);
    expect([early.status, early.body.detail]).toEqual([
      409,
      expect.stringMatching(/3 min are still to come/),
    ]);
    expect((await mark(lot, loadId, 'off', 27.9)).status).toBe(201);
    expect((await view(lot)).heatProcesses[0]).toMatchObject({ minutes: 18, bottles: 12, loadId });
    expect((await gate(lot, 'heat')).open).toBe(true);
    await mark(lot, loadId, 'lifted', 27.88);
    const { deviations } = await view(lot);
    expect(deviations[0]).toMatchObject({ kind: 'lifted early', entryId: loadId, closed: null });
    expect(await shut(lot)).toContain('deviations');
  });
  it('of half the bottles opens the gate half way', async () => {
    const lot = await filled();
    const processId = await letterOf(owner);
    await post(maker, lot, 'heat-processes', { processId, minutes: 15, bottles: 7, at: ago(29) });
    expect((await gate(lot, 'heat')).missing).toMatch(/7 of 12 bottles/);
    await post(maker, lot, 'heat-processes', { processId, minutes: 15, bottles: 5, at: ago(28) });
    expect((await gate(lot, 'heat')).open).toBe(true);
  });
  it('moving the kitchen later does not rewrite what was asked then', async () => {
    const lot = await releasable();
    const at = async (elevationMetres: number) => {
      const { body } = await owner.get('/api/kitchen');
      await owner.send('PATCH', '/api/kitchen', { revision: body.revision, elevationMetres });
    };
    await at(2500);
    expect((await view(lot)).heatProcesses[0]).toMatchObject({
      requiredMinutes: 15,
      elevationMetres: 719.328,
    });
    expect(await shut(lot)).toEqual([]);
    await at(719.328);
  });
});

describe('a process of the kitchen’s own', () => {
  it('needs its source, comes from the owner, and is matched line by line', async () => {
    const lot = await filled();
    const processId = await letterOf(owner, { acids: [], fruits: ['quince'], highestPh: 3.5 });
    await post(maker, lot, 'heat-processes', { processId, minutes: 15, at: ago(29) });
    const { missing } = await gate(lot, 'heat');
    expect(missing).toMatch(/tested with quince, not with sour cherry/);
    expect(missing).toMatch(/tested without citric anhydrous/);
    expect(missing).toMatch(/needs a measured pH of 3.5/);
    const own = (await owner.get('/api/processes')).body[0];
    const again = { ...own, id: newId() };
    expect((await maker.post('/api/processes', again)).status).toBe(403);
    const unsourced = await owner.post('/api/processes', { ...again, source: 'us' });
    expect([unsourced.status, unsourced.body.errors[0].path]).toEqual([422, 'source']);
    const hot = await owner.post('/api/processes', { ...again, method: 'hot fill' });
    expect([hot.status, hot.body.errors[0].path]).toEqual([422, 'hotFill']);
  });
  it('of a hot fill asks for its fill temperature in the coldest bottle, and holds', async () => {
    const hot = {
      method: 'hot fill',
      hotFill: { celsius: 88, holdMinutes: 2, invertSeconds: 60 },
      bands: [{ toFeet: 5000, minutes: 2 }],
    };
    const processId = await letterOf(owner, hot);
    const cold = await filled(cherryContent, { lastCelsius: 85 });
    await post(maker, cold, 'heat-processes', { processId, minutes: 2, invertedSeconds: 60, at: ago(29) });
    expect((await gate(cold, 'heat')).missing).toMatch(/closed at 85 °C, and it asks for 88/);
    expect((await gate(cold, 'heat')).missing).toMatch(/not made for hot fill/);
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
    const lot = await filled(content);
    const tick = (bottle: number) => post(maker, lot, 'ticks', { lineId: 'acid', bottle });
    for (let bottle = 1; bottle <= 11; bottle++) expect((await tick(bottle)).status).toBe(201);
    expect((await gate(lot, 'count')).missing).toMatch(/citric acid.*bottle 12\./);
    expect((await post(maker, lot, 'ticks', { lineId: 'sugar', bottle: 1 })).body.errors[0].path).toBe(
      'lineId',
    );
    await tick(12);
    await tick(12);
    expect((await view(lot)).ticks).toHaveLength(12);
    const meter = await meterOf(maker);
    const ph = { kind: 'ph', raw: 3.3, sample: 'finished', instrumentId: meter };
    await post(maker, lot, 'readings', ph);
    expect((await gate(lot, 'acid')).missing).toMatch(/an opened jar/);
    await post(maker, lot, 'readings', { ...ph, taken: 'opened jar' });
    expect((await gate(lot, 'acid')).open).toBe(true);
  });
});

describe('every millilitre', () => {
  it('over the tolerance asks for a reason before it is kept', async () => {
    const lot = await filled();
    const inPanMl = 12 * 237 + 300;
    const asked = await post(maker, lot, 'tallies', { inPanMl, parts: [] });
    expect([asked.status, asked.body.errors[0]]).toMatchObject([
      422,
      { path: 'why', message: expect.stringMatching(/300 mL are told nowhere, 9\.5 %/) },
    ]);
    expect((await view(lot)).tallies).toEqual([]);
    await post(maker, lot, 'tallies', { inPanMl, parts: [], why: 'a jug went over' });
    expect((await view(lot)).tallies[0]).toMatchObject({ gapMl: 300, asks: true, why: 'a jug went over' });
    await post(maker, lot, 'bottlings', {
      containerId: (await view(lot)).bottlings[0].containerId,
      count: 1,
      closing: 'hot',
      checked: true,
      place: 'cellar',
    });
    expect((await gate(lot, 'count')).missing).toMatch(/do it again/);
  });
  it('a bottle weighed too light opens a deviation by the kitchen’s rule pack', async () => {
    const lot = await filled();
    const [{ id: bottlingId }] = (await view(lot)).bottlings;
    const weigh = (grossGrams: number) => post(maker, lot, 'weighings', { bottlingId, grossGrams });
    expect((await weigh(480)).body.errors[0].message).toMatch(/°Bx first/);
    await post(maker, lot, 'readings', { kind: 'brix', raw: 50, celsius: 20, sample: 'finished' });
    await weigh(188 + 237 * 1.22957);
    expect((await view(lot)).weighings[0].netMl).toBeCloseTo(237, 3);
    expect((await view(lot)).deviations).toEqual([]);
    await weigh(188 + 220 * 1.22957);
    expect((await view(lot)).deviations[0]).toMatchObject({ kind: 'net contents', entryId: bottlingId });
  });
});

describe('a logger’s curve', () => {
  it('has its lethality reckoned by the server, and times that go back are refused', async () => {
    const lot = await filled();
    const samples = Array.from({ length: 21 }, (_, i) => ({ seconds: i * 30, celsius: 93.3 }));
    await post(maker, lot, 'curves', { name: 'Logger in the middle jar', samples });
    expect((await view(lot)).curves[0].minutes).toBeCloseTo(10, 6);
    const back = await post(maker, lot, 'curves', {
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
    const lot = await filled(cold, { closing: 'cooled', fillCelsius: null, at: ago(10) });
    const [{ id: bottlingId }] = (await view(lot)).bottlings;
    const cool = (celsius: number, hours: number) =>
      post(maker, lot, 'coolings', { bottlingId, celsius, at: ago(hours) });
    await cool(20.5, 8.2);
    await cool(4.8, 5);
    expect((await gate(lot, 'heat')).open).toBe(true);
    const slow = await filled(cold, { closing: 'cooled', fillCelsius: null, at: ago(10) });
    const [b] = (await view(slow)).bottlings;
    await post(maker, slow, 'coolings', { bottlingId: b.id, celsius: 20, at: ago(7) });
    expect((await view(slow)).deviations[0].what).toMatch(/3 h to 21 °C, where 2 are allowed/);
  });
});

describe('bottles whose seal failed', () => {
  it('are told one by one, and processed again only after another process, within a day', async () => {
    const lot = await filled(cherryContent, { at: ago(20) });
    const processId = await letterOf(owner);
    await post(maker, lot, 'heat-processes', { processId, minutes: 15, at: ago(19) });
    const checkId = newId();
    const check = {
      id: checkId,
      checked: 12,
      failed: 2,
      failedBottles: [4, 9],
      signs: ['liquid lost'],
      at: ago(6),
    };
    await maker.post(`/api/lots/${lot.id}/seal-checks`, check);
    expect((await view(lot)).state).toBe('resting');
    const fate = (what: string, count: number) => post(maker, lot, 'fates', { checkId, fate: what, count });
    expect((await fate('chilled', 3)).body.errors[0].message).toMatch(/2 are still to be told/);
    expect((await fate('processed again', 1)).body.detail).toMatch(/Record the process/);
    await post(maker, lot, 'heat-processes', { processId, minutes: 15, bottles: 1 });
    expect((await fate('processed again', 1)).status).toBe(201);
    expect((await fate('discarded', 1)).status).toBe(201);
    expect((await view(lot)).bottles).toMatchObject({ filled: 12, left: 11 });
    expect((await gate(lot, 'seal')).missing).toMatch(/Press the 1 processed again/);
  });
  it('after a day are discarded', async () => {
    const lot = await filled();
    const checkId = newId();
    await maker.post(`/api/lots/${lot.id}/seal-checks`, { id: checkId, checked: 12, failed: 1 });
    const late = await post(maker, lot, 'fates', { checkId, fate: 'chilled', count: 1 });
    expect([late.status, late.body.detail]).toEqual([409, expect.stringMatching(/it is discarded/)]);
    expect((await post(maker, lot, 'fates', { checkId, fate: 'discarded', count: 1 })).status).toBe(201);
  });
  it('that show spoilage hold the lot', async () => {
    const lot = await filled();
    await post(maker, lot, 'seal-checks', { checked: 12, failed: 0, signs: ['spoilage'] });
    expect((await view(lot)).state).toBe('held');
  });
});

describe('a release', () => {
  const release = (who: Person, lot: Started, more: object = { password: OWNER.password }) =>
    post(who, lot, 'decisions', { event: 'release', ...more });
  it('is signed with the account’s own password', async () => {
    const lot = await releasable();
    expect((await release(maker, lot, {})).body.errors[0].path).toBe('password');
    expect((await release(maker, lot, { password: 'not my password' })).body.errors[0].message).toMatch(
      /Nothing was released/,
    );
    expect((await view(lot)).state).toBe('bottled');
    expect((await release(maker, lot)).status).toBe(201);
    expect((await view(lot)).state).toBe('released');
  });
  it('around its gates is refused to everybody, by every way there is, and every attempt is journaled', async () => {
    const lot = await filled();
    const tried = [
      await release(owner, lot),
      await release(maker, lot),
      await release(reader, lot),
      await release(owner, lot, {}),
      await post(owner, lot, 'rulings', { event: 'release', why: 'it is fine', done: 'nothing' }),
      await post(maker, lot, 'rulings', { event: 'release', why: 'it is fine' }),
      await post(owner, lot, 'movements', {
        bottlingId: (await view(lot)).bottlings[0].id,
        kind: 'sold',
        from: 'cellar',
        count: 1,
      }),
    ];
    expect(tried.map((r) => r.status)).toEqual([409, 409, 403, 422, 422, 403, 409]);
    expect((await view(lot)).state).toBe('resting');
    const refused = (await journalOf(lot)).filter((row) => row.action.endsWith(' refused'));
    expect(refused.map((row) => row.action)).toEqual([...Array(6).fill('release refused'), 'sold refused']);
    expect(new Set(refused.map((row) => row.by)).size).toBe(3);
    expect(await verifyJournal(house.pool)).toMatchObject([{ whole: true }]);
  });
  it('with any one of its gates shut is refused, and names that gate', async () => {
    const lot = await releasable();
    const { readings, tallies, additions, sealChecks, heatProcesses } = await view(lot);
    const strikes: [string, string, string][] = [
      ['reading', readings.at(-1).id, 'acid'],
      ['tally', tallies[0].id, 'count'],
      ['addition', additions[0].id, 'everything-in'],
      ['seal-check', sealChecks[0].id, 'seal'],
      ['heat-process', heatProcesses[0].id, 'heat'],
    ];
    for (const [noun, entryId, shuts] of strikes) {
      await post(maker, lot, 'strikes', { noun, entryId, why: 'wrong' });
      const reply = await release(owner, lot);
      expect(reply.status).toBe(409);
      expect(reply.body.errors.map((e: { path: string }) => e.path)).toContain(`gates.${shuts}`);
    }
  });
  it('waits for every deviation, which wants its cause and its cure', async () => {
    const lot = await releasable();
    const id = newId();
    await maker.post(`/api/lots/${lot.id}/deviations`, { id, what: 'A jar stood by the open window' });
    expect((await release(owner, lot)).body.errors[0].path).toBe('gates.deviations');
    const half = await post(maker, lot, 'closings', { deviationId: id, cause: 'wind', done: '' });
    expect(half.body.errors[0].path).toBe('done');
    const closing = { deviationId: id, cause: 'the latch was off', done: 'that jar was discarded' };
    expect((await post(maker, lot, 'closings', closing)).status).toBe(201);
    expect((await post(maker, lot, 'closings', closing)).status).toBe(409);
    expect((await release(owner, lot)).status).toBe(201);
  });
  it('that is held again is taken up only with cause and cure, which close what held it', async () => {
    const lot = await releasable();
    await post(maker, lot, 'decisions', { event: 'hold', why: 'a lid lifted at the stall' });
    const held = await view(lot);
    expect(held.deviations[0]).toMatchObject({ kind: 'held', closed: null });
    const early = await post(maker, lot, 'closings', {
      deviationId: held.deviations[0].id,
      cause: 'x x',
      done: 'y y',
    });
    expect(early.status).toBe(409);
    const bare = await post(owner, lot, 'rulings', { event: 'resume', why: 'one bent ring' });
    expect(bare.body.errors[0].path).toBe('done');
    await post(owner, lot, 'rulings', { event: 'resume', why: 'one bent ring', done: 'all rings looked at' });
    expect((await view(lot)).deviations[0].closed).toMatchObject({
      cause: 'one bent ring',
      done: 'all rings looked at',
    });
    expect((await view(lot)).state).toBe('bottled');
  });
  it('has a sheet whose text says what it rests on', async () => {
    const lot = await releasable();
    const sheet = async () => {
      const bytes = await fetch(`${owner.base}/api/lots/${lot.id}/release.pdf`, {
        headers: { cookie: owner.cookie },
      });
      const pdf = await getDocument({ data: new Uint8Array(await bytes.arrayBuffer()) }).promise;
      const pages = await Promise.all(
        Array.from({ length: pdf.numPages }, async (_, i) => {
          const { items } = await (await pdf.getPage(i + 1)).getTextContent();
          return items.map((item) => ('str' in item ? item.str : '')).join(' ');
        }),
      );
      return pages.join(' ').replace(/\s+/g, ' ');
    };
    expect(await sheet()).toMatch(/Not released\./);
    await release(maker, lot);
    const text = await sheet();
    expect(text).toMatch(new RegExp(`Release sheet, lot ${lot.code}`));
    expect(text).toMatch(/Released .*, by maker/i);
    expect(text).toMatch(/Critical limit of this lot: pH 4\.2/);
    expect(text).toMatch(/pH 3\.30 measured/);
    expect(text).toMatch(/15 of 15 min, A letter of an authority, 3 May 2026/);
    expect(text).toMatch(/2,360 ft/);
  });
});

describe('a kind of bottle', () => {
  it('is measured later, and never holds less to its brim than what is sold in it', async () => {
    const id = await jarOf(maker);
    const measures = { brimfulMl: 262, tareGrams: 190, headspaceInches: 0.5, rated: ['boiling water'] };
    expect((await maker.post(`/api/containers/${id}/measures`, measures)).status).toBe(201);
    const kept = (await owner.get('/api/containers')).body.find((c: { id: string }) => c.id === id);
    expect(kept).toMatchObject(measures);
    const small = await maker.post(`/api/containers/${id}/measures`, { ...measures, brimfulMl: 230 });
    expect(small.body.errors[0].path).toBe('brimfulMl');
  });
  it('that is nicked leaves the stock as wasted', async () => {
    const lot = await filled();
    const { containerId } = (await view(lot)).bottlings[0];
    const thing = `bottle:${containerId}`;
    const stock = { id: newId(), kind: 'packaging', thing, quantity: 6, gotOn: ago(60).slice(0, 10) };
    const came = await owner.post('/api/stock', stock);
    expect(came.status, JSON.stringify(came.body)).toBe(201);
    await post(maker, lot, 'faults', { containerId, fault: 'nicked rim', count: 2 });
    const { body } = await owner.get('/api/stock');
    expect(body.find((s: { id: string }) => s.id === stock.id).left).toBe(4);
  });
});
