import { v7 as newId } from 'uuid';
import { describe, expect, it } from 'vitest';
import { verifyJournal } from '../src/audit/verify.ts';
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
  spruceContent,
  tallyUp,
  weighIn,
} from './fixtures.ts';
import { OWNER, ownerOf, type Person, useTestApp } from './testApp.ts';

const app = useTestApp();
let owner: Person;
let lot: Started;
const view = async () => (await owner.get(`/api/lots/${lot.id}`)).body;
const gatesShut = async () =>
  (await view()).gates.filter((g: { open: boolean }) => !g.open).map((g: { id: string }) => g.id);

describe('a lot from formula to sale', () => {
  it('begins with a sayable code, the version’s steps and the lines weighed out', async () => {
    owner = await ownerOf(app);
    lot = await beginLot(owner, await saveFormula(owner, cherryContent), ago(30));
    expect(lot.code).toMatch(/^[2-9][A-Z][2-9][A-Z]$/);
    const { lines, steps, state } = await view();
    expect(state).toBe('making');
    expect(steps).toHaveLength(4);
    expect(lines.find((l: { lineId: string }) => l.lineId === 'water').grams).toBeCloseTo(
      3 * 236.588 * 0.998,
      0,
    );
  });

  it('opens gate after gate as the evidence comes in', async () => {
    expect(await gatesShut()).toEqual(['everything-in', 'trace', 'acid', 'count', 'heat', 'seal', 'label']);
    await weighIn(owner, lot, ago(29));
    expect(await gatesShut()).not.toContain('everything-in');
    const meter = await meterOf(owner);
    await post(owner, lot, 'readings', {
      kind: 'ph',
      raw: 3.32,
      celsius: 21,
      sample: 'finished',
      instrumentId: meter,
    });
    expect(await gatesShut()).not.toContain('acid');
    const container = await jarOf(owner);
    await post(owner, lot, 'bottlings', {
      containerId: container,
      count: 12,
      fillCelsius: 88,
      checked: true,
      closing: 'hot',
      place: 'cellar',
      at: ago(24),
    });
    expect((await view()).state).toBe('resting');
    await tallyUp(owner, lot, ago(23.5));
    const processId = await letterOf(owner);
    await post(owner, lot, 'heat-processes', { processId, minutes: 15, at: ago(23) });
    expect(await gatesShut()).toEqual(['seal', 'label']);
    const check = newId();
    await owner.post(`/api/lots/${lot.id}/seal-checks`, { id: check, checked: 12, failed: 1 });
    expect((await view()).state).toBe('resting');
    expect((await post(owner, lot, 'fates', { checkId: check, fate: 'chilled', count: 1 })).status).toBe(201);
    expect((await view()).state).toBe('bottled');
    expect(await gatesShut()).toEqual([]);
  });

  it('dates it, releases it, and sells only what stands there', async () => {
    const before = await view();
    expect(before.keeping.class).toBe('shelf');
    expect(before.bottles).toMatchObject({ filled: 12, left: 11 });
    const bottlingId = before.bottlings[0].id;
    const sale = { bottlingId, kind: 'sold', from: 'cellar', priceMinor: 650 };
    expect((await post(owner, lot, 'movements', { ...sale, count: 3 })).status).toBe(409);
    expect((await post(owner, lot, 'decisions', { event: 'release', password: OWNER.password })).status).toBe(
      201,
    );
    expect((await post(owner, lot, 'movements', { ...sale, count: 3 })).status).toBe(201);
    expect((await post(owner, lot, 'movements', { ...sale, count: 9 })).body.detail).toMatch(
      /Only 8 stand in cellar/,
    );
    expect((await view()).bottles).toMatchObject({ left: 8, sold: 3 });
  });

  it('prints the label of the lot as made', async () => {
    const { body } = await owner.get(`/api/lots/${lot.id}/label`);
    expect(body.content.statement).toBe('Ingredients: sour cherries, sugar, water, citric acid.');
    expect(body.content.netContents).toBe('8 fl oz (237 mL)');
    expect((await post(owner, lot, 'prints', { copies: 12 })).status).toBe(201);
    const pdf = await owner.get(`/api/lots/${lot.id}/label.pdf`);
    expect(pdf.headers.get('content-type')).toBe('application/pdf');
  });

  it('keeps it all in a journal whose chain is whole', async () => {
    const { body } = await owner.get(`/api/lots/${lot.id}/journal`);
    expect(body.map((row: { action: string }) => row.action)).toEqual(
      expect.arrayContaining([
        'begin',
        'add',
        'measure',
        'fill',
        'process',
        'check',
        'decide',
        'move',
        'print',
      ]),
    );
    expect(await verifyJournal(app.pool)).toMatchObject([{ faults: [] }]);
  });
});

describe('the low-acid road', () => {
  it('holds the filled lot by itself and refuses its release and its label', async () => {
    lot = await beginLot(
      owner,
      await saveFormula(owner, { ...spruceContent, storage: 'shelf' }, 'Spruce-tip syrup'),
      ago(5),
    );
    await weighIn(owner, lot);
    await post(owner, lot, 'bottlings', {
      containerId: await jarOf(owner),
      count: 8,
      closing: 'cooled',
      hoursTo21: 1.5,
      hoursToCold: 4,
      place: 'quarantine',
    });
    const held = await view();
    expect(held.state).toBe('held');
    expect(held.decisions.at(-1).why).toMatch(/low-acid ingredients \(spruce tips\)/);
    const refused = await post(owner, lot, 'decisions', { event: 'release', password: OWNER.password });
    expect(refused.status).toBe(409);
    expect((await post(owner, lot, 'prints', { copies: 8 })).status).toBe(409);
    expect((await view()).state).toBe('held');
  });

  it('is taken up again by the owner, and a pH over the limit holds it once more', async () => {
    expect(
      (await post(owner, lot, 'rulings', { event: 'resume', why: 'not measured', done: 'measuring it' }))
        .status,
    ).toBe(201);
    const meter = await meterOf(owner);
    await post(owner, lot, 'readings', {
      kind: 'ph',
      raw: 5.1,
      celsius: 21,
      sample: 'finished',
      instrumentId: meter,
    });
    expect((await view()).state).toBe('held');
    expect((await view()).decisions.at(-1).why).toMatch(/pH 5\.10 is over the limit of 4\.2/);
    expect((await post(owner, lot, 'rulings', { event: 'discard', why: 'low in acid' })).status).toBe(201);
    expect((await post(owner, lot, 'readings', { kind: 'note', said: 'late' })).status).toBe(409);
  });
});

describe('retries', () => {
  it('write once and answer alike', async () => {
    const made = await beginLot(owner, await saveFormula(owner, cherryContent, 'Again'));
    const reading = { id: newId(), kind: 'brix', raw: 31.4, celsius: 27 };
    const twice = [
      await owner.post(`/api/lots/${made.id}/readings`, reading),
      await owner.post(`/api/lots/${made.id}/readings`, reading),
    ];
    expect(twice.map((r) => r.body)).toEqual([{ id: reading.id }, { id: reading.id }]);
    const { body } = await owner.get(`/api/lots/${made.id}`);
    expect(body.readings).toHaveLength(1);
    expect(body.readings[0].value).toBeCloseTo(31.4 + 0.555, 2); // AOAC table between 26 °C (.47) and 28 °C (.63…), at 31.4 °Bx
  });
});
