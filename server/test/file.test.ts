import { v7 as newId } from 'uuid';
import { beforeEach, describe, expect, it } from 'vitest';
import { spruceContent } from './fixtures.ts';
import { OWNER, type Person, useTestApp } from './testApp.ts';

const app = useTestApp();
let owner: Person;

/** Every test has an empty kitchen: the database's rows are cleared by its admin. */
beforeEach(async () => {
  const mysql = await import('mysql2/promise');
  const admin = await mysql.createConnection({ ...app.admin, multipleStatements: true });
  const [tables] = await admin.query(
    "SELECT table_name AS name FROM information_schema.tables WHERE table_schema = ? AND table_name <> 'migration'",
    [app.admin.database],
  );
  await admin.query(
    `SET FOREIGN_KEY_CHECKS = 0; ${(tables as { name: string }[]).map((t) => `DELETE FROM \`${t.name}\`;`).join(' ')} SET FOREIGN_KEY_CHECKS = 1`,
  );
  await admin.end();
  owner = app.person();
  expect((await owner.post('/api/setup', { kitchenName: 'New', ...OWNER })).status).toBe(201);
});

const content = {
  ...spruceContent,
  lines: [
    { id: 'fruit', said: '2 kg', ingredientId: 'damson', stepId: 'steep' },
    { id: 'sugar', said: '1 kg', ingredientId: 'sugar', stepId: 'steep' },
  ],
};

const begun = '2026-10-20 09:00';
const at = (minutes: number) =>
  `2026-10-20 ${String(9 + Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;

const wholeLot = [
  { do: 'mark', at: at(1), stepId: 'steep', mark: 'start' },
  {
    do: 'addition',
    at: at(2),
    stepId: 'steep',
    lineId: 'fruit',
    ingredientId: 'damson',
    grams: 1990,
    from: 'our tree',
  },
  {
    do: 'addition',
    at: at(3),
    stepId: 'steep',
    lineId: 'sugar',
    ingredientId: 'sugar',
    grams: 1000,
    from: 'Arkle stores',
  },
  {
    do: 'reading',
    at: at(30),
    kind: 'temperature',
    said: 't 96 held 2 min',
    raw: 96,
    heldMinutes: 2,
    instrumentId: 'thermo',
    stepId: 'steep',
  },
  {
    do: 'reading',
    at: at(31),
    kind: 'brix',
    said: 'b 33.1 @28',
    raw: 33.1,
    celsius: 28,
    instrumentId: 'refract',
    stepId: 'steep',
    struck: 'rinse water',
  },
  { do: 'mark', at: at(40), stepId: 'steep', mark: 'done' },
  { do: 'mark', at: at(41), stepId: 'strain', mark: 'start' },
  { do: 'mark', at: at(60), stepId: 'strain', mark: 'done' },
  {
    do: 'calibration',
    at: at(61),
    instrument: 'meter',
    points: [
      { buffer: 7, mv: 2, celsius: 20 },
      { buffer: 4.01, mv: 174, celsius: 20 },
      { buffer: 3, mv: 232, celsius: 20 },
    ],
  },
  {
    do: 'reading',
    at: at(65),
    kind: 'ph',
    said: 'ph 3.05',
    raw: 3.05,
    celsius: 21,
    instrumentId: 'meter',
    sample: 'finished',
  },
  {
    do: 'bottling',
    at: at(90),
    key: 'first',
    containerId: 'swing',
    count: 10,
    checked: true,
    closing: 'cooled',
    hoursTo21: 1.1,
    hoursToCold: 4,
    place: 'cold room',
  },
  { do: 'seal-check', at: at(400), checked: 10, failed: 1 },
  { do: 'fate', at: at(405), fate: 'discarded', count: 1 },
  { do: 'tally', at: at(406), inPanMl: 2600, parts: [{ part: 'tasted', ml: 50 }] },
  { do: 'print', at: at(420), copies: 9, differencesSeen: true },
  { do: 'decision', at: at(430), event: 'release' },
  {
    do: 'movement',
    at: at(440),
    bottlingId: 'first',
    kind: 'sold',
    from: 'cold room',
    count: 4,
    priceMinor: 2000,
    note: 'Saturday stall',
  },
];

// biome-ignore lint/suspicious/noExplicitAny: tests spoil a file in every way
const file = (more: any = {}) => ({
  format: 'inch-pantry kitchen',
  version: 1,
  writtenAt: '2026-11-25 12:00',
  kitchen: {
    name: 'Filed kitchen',
    place: 'High Fell',
    elevationMetres: 300,
    cupSchool: 'us',
    rulePack: 'eu',
    timeZone: 'Europe/London',
    currency: 'GBP',
  },
  accounts: [{ key: 'tam', name: 'Tam', role: 'maker', password: 'funnel-and-ladle' }],
  containers: [
    { key: 'swing', name: 'Swing-top', nominalMl: 250, heightMm: 190, diameterMm: 60, closure: 'swing-top' },
  ],
  instruments: [
    { key: 'meter', kind: 'ph-meter', name: 'Meter' },
    { key: 'refract', kind: 'refractometer', name: 'Refractometer' },
    { key: 'thermo', kind: 'thermometer', name: 'Probe' },
  ],
  formulas: [
    {
      key: 'damson',
      name: 'Damson syrup',
      kind: 'syrup',
      colour: '#4A2860',
      versions: [{ savedOn: '2026-10-01 10:00', content }],
    },
  ],
  lots: [{ formula: 'damson', begun, by: 'tam', events: wholeLot }],
  ...more,
});
const bring = (more: object = {}, today?: string) =>
  owner.post('/api/kitchen/import', { file: file(more), ...(today ? { today } : {}) });
const first = async () =>
  (await owner.get(`/api/lots/${(await owner.get('/api/lots')).body.lots[0].id}`)).body;

describe('a kitchen file', () => {
  it('plays every kind of event through the app, by the people it names, at the times it says', async () => {
    expect((await bring()).body).toEqual({ formulas: 1, lots: 1 });
    const lot = await first();
    expect(lot).toMatchObject({
      state: 'released',
      begunAt: '2026-10-20T08:00:00.000Z',
      elevationMetres: 300,
    });
    expect(lot.bottles).toMatchObject({ filled: 10, left: 5, sold: 4 });
    expect(lot.readings.filter((r: { struck: unknown }) => r.struck)).toHaveLength(1);
    expect(lot.additions.every((a: { by: string }) => a.by === 'Tam')).toBe(true);
    expect(lot.prints[0].copies).toBe(9);
    // What was brought in says so once; nobody signed it here, and its journal is of now.
    expect(lot.broughtInAt).toMatch(/^20/);
    const release = lot.decisions.find((d: { event: string }) => d.event === 'release');
    expect(release).toMatchObject({ signed: false, meaning: null, recordHash: null });
    const { body: journal } = await owner.get(`/api/lots/${lot.id}/journal`);
    const [row] = journal.filter((r: { noun: string }) => r.noun === 'reading');
    expect(Date.now() - Date.parse(row.at)).toBeLessThan(120_000);
    expect(row).toMatchObject({ by: OWNER.name, payload: { at: expect.stringMatching(/^2026-10/) } });
    const tam = app.person();
    expect((await tam.post('/api/session', { name: 'Tam', password: 'funnel-and-ladle' })).status).toBe(201);
  });

  it('moves its days to today where that is asked, and keeps the hours', async () => {
    await bring({}, '2026-11-24');
    expect((await first()).begunAt).toBe('2026-10-19T08:00:00.000Z');
  });

  it('moves a live lot with the hour of import, so that its clock still runs', async () => {
    const live = {
      formula: 'damson',
      begun: '2026-11-25 11:00',
      live: true,
      events: [{ do: 'mark', at: '2026-11-25 11:30', stepId: 'steep', mark: 'start' }],
    };
    await bring({ lots: [live] }, new Date().toISOString().slice(0, 10));
    const { clocks } = (await owner.get('/api/today')).body;
    expect(clocks).toHaveLength(1);
    expect(clocks[0].elapsedSeconds / 60).toBeCloseTo(30, 0);
  });

  it('begins each lot from the version of its day', async () => {
    const versions = [
      { savedOn: '2026-10-01 10:00', content },
      { savedOn: '2026-10-21 10:00', note: 'later', content: { ...content, bottleMl: 500 } },
    ];
    await bring({
      formulas: [{ ...file().formulas[0]!, versions }],
      lots: [
        { formula: 'damson', begun, events: [] },
        { formula: 'damson', begun: '2026-10-22 09:00', events: [] },
      ],
    });
    const { lots } = (await owner.get('/api/lots')).body;
    const taken = await Promise.all(
      lots.map(async (l: { id: string }) => (await owner.get(`/api/lots/${l.id}`)).body.product.version),
    );
    expect(taken).toEqual([2, 1]);
  });
});

describe('a kitchen file with a mistake', () => {
  const spoiled = (index: number, change: object) => ({
    lots: [
      { formula: 'damson', begun, events: wholeLot.map((e, i) => (i === index ? { ...e, ...change } : e)) },
    ],
  });
  it.each([
    ['an unknown step', spoiled(0, { stepId: 'kettle' }), /step "kettle"/],
    ['an unknown line', spoiled(1, { lineId: 'plum' }), /not one of this formula/],
    ['an unknown ingredient', spoiled(1, { ingredientId: 'moonbeam' }), /ingredient of the catalogue/],
    ['an unknown instrument', spoiled(3, { instrumentId: 'kettle' }), /instrument "kettle"/],
    ['an instrument of another kind', spoiled(3, { instrumentId: 'meter' }), /does not measure this/],
    ['an impossible reading', spoiled(9, { raw: 15 }), /not possible/],
    ['an unknown container', spoiled(10, { containerId: 'bucket' }), /container "bucket"/],
    ['more lids than bottles', spoiled(11, { checked: 40 }), /only 10 bottles/],
    ['a sale of what is not there', spoiled(16, { count: 40 }), /Only 9 stand/],
    ['a sale from nowhere', spoiled(16, { from: 'attic' }), /"attic"/],
    ['an unknown formula', { lots: [{ formula: 'plum', begun, events: [] }] }, /formula "plum"/],
    [
      'stock of less than nothing',
      { stock: [{ key: 's', kind: 'ingredient', thing: 'sugar', quantity: -5, gotOn: '2026-10-01' }] },
      /over 0/,
    ],
    ['a lot of no size', { lots: [{ formula: 'damson', scale: -1, begun, events: [] }] }, /How many times/],
  ])('%s is refused with the moment it stands at, and nothing is brought in', async (_, more, words) => {
    const reply = await bring(more);
    expect(reply.status).toBe(422);
    expect(reply.body.detail).toMatch(words);
    expect((await owner.get('/api/formulas')).body).toEqual([]);
    expect((await owner.get('/api/kitchen')).body.name).toBe('New');
    expect((await owner.get('/api/accounts')).body).toHaveLength(1);
  });

  it('a release that its gates do not allow is refused as everywhere', async () => {
    const reply = await bring({
      lots: [
        {
          formula: 'damson',
          begun,
          events: wholeLot.filter((e) => e.do !== 'tally' && e.do !== 'print'),
        },
      ],
    });
    expect([reply.status, reply.body.detail]).toEqual([
      422,
      expect.stringMatching(/decision\): A release check is missing: Account for every millilitre/),
    ]);
  });

  it('comes only from the owner', async () => {
    await owner.post('/api/accounts', {
      id: newId(),
      name: 'Tam',
      role: 'maker',
      password: 'funnel-and-ladle',
    });
    const tam = app.person();
    await tam.post('/api/session', { name: 'Tam', password: 'funnel-and-ladle' });
    expect((await tam.post('/api/kitchen/import', { file: file() })).status).toBe(403);
  });
});
