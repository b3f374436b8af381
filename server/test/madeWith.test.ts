import { v7 as newId } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { Crew } from './filled.ts';
import { ago, beginLot, post, type Started, saveFormula } from './fixtures.ts';
import { Bottler, type Product } from './products.ts';
import { OWNER, useTestApp } from './testApp.ts';

const app = useTestApp();
const crew = new Crew();
const bottler = new Bottler(crew);
beforeAll(async () => {
  await crew.gather(app);
  await bottler.gather();
});

const day = (hours: number): string => ago(hours).slice(0, 10);
type Line = [ingredientId: string, grams: number, stockId?: string];

/** A formula that draws some things in the cold, boils or not, and takes others in afterwards. */
const content = (first: string[], late: string[], heated: boolean) => ({
  lines: [
    ...first.map((ingredientId) => ({ id: ingredientId, ingredientId, said: '500 g', stepId: 'draw' })),
    ...late.map((ingredientId) => ({ id: ingredientId, ingredientId, said: '100 g', stepId: 'add' })),
  ],
  steps: [
    heated
      ? { id: 'draw', kind: 'draw', title: 'Boil', killStep: true, minutes: 10 }
      : { id: 'draw', kind: 'draw', title: 'Rest', method: 'cold', celsius: 5, minutes: 60 },
    { id: 'strain', kind: 'strain', title: 'Strain', cloth: 'press' },
    { id: 'add', kind: 'add', title: 'Add' },
  ],
  storage: 'cold',
  bottleMl: 250,
});

/** A lot with what went into it, boiled with a thermometer where it is heated. */
async function made(first: Line[], late: Line[], heated: boolean, begun = 29): Promise<Started> {
  const ids = (lines: Line[]) => lines.map(([id]) => id);
  const formula = await saveFormula(crew.maker, content(ids(first), ids(late), heated), 'Made', 'cordial');
  const lot = await beginLot(crew.maker, formula, ago(begun));
  const { steps } = await crew.view(lot);
  const put = async ([ingredientId, grams, stockId]: Line, at: number) => {
    const reply = await post(crew.maker, lot, 'additions', {
      lineId: ingredientId,
      ingredientId,
      grams,
      why: 'as weighed',
      from: stockId ? null : 'the market',
      at: ago(at),
      ...(stockId ? { stock: [{ stockId, amount: grams }] } : {}),
    });
    expect(reply.status, JSON.stringify(reply.body)).toBe(201);
  };
  for (const line of first) await put(line, begun - 0.1);
  await post(crew.maker, lot, 'marks', { stepId: steps[0].id, mark: 'start', at: ago(begun - 0.2) });
  if (heated)
    await post(crew.maker, lot, 'readings', {
      stepId: steps[0].id,
      kind: 'temperature',
      raw: 97,
      heldMinutes: 2,
      sample: 'pan',
      instrumentId: await thermometer(),
      at: ago(begun - 0.5),
    });
  await post(crew.maker, lot, 'marks', { stepId: steps[0].id, mark: 'done', at: ago(begun - 0.6) });
  await post(crew.maker, lot, 'marks', { stepId: steps[1].id, mark: 'start', at: ago(begun - 0.7) });
  await post(crew.maker, lot, 'marks', { stepId: steps[1].id, mark: 'done', at: ago(begun - 0.8) });
  for (const line of late) await put(line, begun - 1);
  return lot;
}

let probe = '';
async function thermometer(): Promise<string> {
  if (probe) return probe;
  probe = newId();
  await crew.maker.post('/api/instruments', { id: probe, kind: 'thermometer', name: 'Probe' });
  for (const check of [
    { kind: 'ice', read: 0.1 },
    { kind: 'boil', read: 97.6 },
  ])
    await crew.maker.post(`/api/instruments/${probe}/checks`, {
      id: newId(),
      weightGrams: null,
      at: ago(700),
      ...check,
    });
  return probe;
}

/** What a lot left, taken into stock. */
async function left(lot: Started, thing: string, more: object = {}): Promise<string> {
  const id = newId();
  const reply = await crew.maker.post('/api/stock', {
    id,
    kind: 'ingredient',
    thing,
    quantity: 400,
    gotOn: day(72),
    leftBy: lot.id,
    ...more,
  });
  expect(reply.status, JSON.stringify(reply.body)).toBe(201);
  return id;
}
async function bought(thing: string, more: object = {}): Promise<string> {
  const id = newId();
  const reply = await crew.maker.post('/api/stock', {
    id,
    kind: 'ingredient',
    thing,
    quantity: 5000,
    gotOn: day(2000),
    supplier: 'Thornby stores',
    ...more,
  });
  expect(reply.status, JSON.stringify(reply.body)).toBe(201);
  return id;
}
async function fill(lot: Started): Promise<void> {
  const containerId = newId();
  await crew.maker.post('/api/containers', {
    id: containerId,
    name: 'Bottle',
    nominalMl: 250,
    heightMm: 180,
    diameterMm: 60,
    closure: 'swing-top',
    headspaceInches: 0.75,
    tareGrams: 200,
    rated: [],
  });
  const reply = await post(crew.maker, lot, 'bottlings', {
    containerId,
    count: 4,
    checked: true,
    closing: 'cooled',
    hoursTo21: 0.2,
    hoursToCold: 0.5,
    place: 'cold room',
    at: ago(27.9),
  });
  expect(reply.status, JSON.stringify(reply.body)).toBe(201);
}
const label = async (lot: Started) => (await crew.owner.get(`/api/lots/${lot.id}/label`)).body.content;

describe('a by-product is its lot', () => {
  it('honey, allergens, sulphites and preservatives go with it, three lots deep', async () => {
    const first = await made(
      [['raspberry', 500]],
      [
        ['honey', 200],
        ['almond', 50],
        ['potassium-sorbate', 1],
        ['white-wine', 300],
      ],
      false,
    );
    const second = await made([['raspberry', 300, await left(first, 'raspberry')]], [['sugar', 200]], true);
    const third = await made([['raspberry', 300, await left(second, 'raspberry')]], [['sugar', 200]], true);
    const fourth = await made([['raspberry', 300, await left(third, 'raspberry')]], [['sugar', 200]], true);
    await fill(fourth);
    const { statement, allergens, infantLine, sulphitesPpm, abv } = await label(fourth);
    expect(infantLine).not.toBe('');
    expect(statement).toMatch(/honey/);
    expect(statement).toMatch(/preservative/);
    expect(allergens).toMatch(/almonds/);
    expect(sulphitesPpm === null || sulphitesPpm > 0).toBe(true);
    expect(abv).toBeGreaterThan(0);
    expect((await crew.view(fourth)).keeping.neverHeated ?? false).toBe(false);
  });
  it('dry sugar of a raw draw stirred in after the heat undoes the heat; bought sugar does not', async () => {
    const raw = await made(
      [
        ['raspberry', 500],
        ['sugar', 500],
      ],
      [],
      false,
    );
    const drained = await left(raw, 'sugar');
    const undone = await made([['raspberry', 500]], [['sugar', 300, drained]], true);
    await fill(undone);
    expect((await label(undone)).warning).not.toBe('');
    const sound = await made([['raspberry', 500]], [['sugar', 300, await bought('sugar')]], true);
    await fill(sound);
    expect((await label(sound)).warning).toBe('');
  });
  it('and so it does divided, and divided again', async () => {
    const raw = await made(
      [
        ['raspberry', 500],
        ['sugar', 500],
      ],
      [],
      false,
    );
    let stock = await left(raw, 'sugar');
    for (const amount of [350, 320]) {
      const part = newId();
      const reply = await crew.maker.post(`/api/stock/${stock}/divisions`, {
        id: newId(),
        stockId: part,
        thing: 'sugar',
        amount,
        words: 'jar',
        at: ago(71),
      });
      expect(reply.status, JSON.stringify(reply.body)).toBe(201);
      stock = part;
    }
    const undone = await made([['raspberry', 500]], [['sugar', 300, stock]], true);
    await fill(undone);
    expect((await label(undone)).warning).not.toBe('');
  });
  it('what went through its heat is heated, what was strained before it is not', async () => {
    const boiled = await made(
      [
        ['raspberry', 500],
        ['sugar', 500],
      ],
      [],
      true,
    );
    const dry = await left(boiled, 'sugar');
    const lot = await made([['raspberry', 500]], [['sugar', 300, dry]], true);
    await fill(lot);
    expect((await label(lot)).warning).toBe('');
  });
  it('juice twelve days old does not become new juice, by whichever day it was taken in', async () => {
    const old = await made([['apple-juice', 500]], [], false, 12 * 24);
    const juice = await left(old, 'apple-juice');
    const lot = await made([['apple-juice', 300, juice]], [['sugar', 100]], false);
    await fill(lot);
    const { keeping, gates } = await crew.view(lot);
    expect(keeping.bestBy < day(0)).toBe(true);
    const making = gates.find((g: { id: string }) => g.id === 'making');
    expect(making).toMatchObject({ open: false, failed: true });
    expect(making.missing).toMatch(/days old when it went in/);
    expect((await bottler.release(lot)).status).toBe(409);
  });
  it.each<[string, (lot: Started, stock: string) => Promise<unknown>]>([
    ['its lot is held', (lot) => post(crew.maker, lot, 'decisions', { event: 'hold', why: 'it smells' })],
    [
      'its lot is discarded',
      (lot) => post(crew.owner, lot, 'rulings', { event: 'discard', why: 'it smells' }),
    ],
    ['it is held itself', (_, stock) => holdSource({ noun: 'stock', subjectId: stock, why: 'it smells' })],
  ])('is not used where %s, whatever is said', async (_, stop) => {
    const above = await made([['raspberry', 500]], [], true);
    const stock = await left(above, 'raspberry', { bestBy: day(48) });
    await stop(above, stock);
    const lot = await made([['raspberry', 500]], [], true);
    for (const why of [null, 'it looks well'])
      expect(
        (
          await post(crew.maker, lot, 'additions', {
            lineId: null,
            ingredientId: 'raspberry',
            grams: 50,
            why,
            stock: [{ stockId: stock, amount: 50 }],
          })
        ).status,
      ).toBe(422);
  });
  it('is said when it goes in, and not afterwards where nothing covered it', async () => {
    const lot = await made([['raspberry', 500]], [['honey', 300]], true);
    const above = await made(
      [
        ['raspberry', 500],
        ['honey', 300],
      ],
      [],
      false,
    );
    const stock = await left(above, 'honey');
    const { additions } = await crew.view(lot);
    const covered = await crew.maker.post('/api/stock-coverings', {
      id: newId(),
      noun: 'addition',
      entryId: additions.at(-1).id,
      stockId: stock,
      amount: 300,
    });
    expect([covered.status, covered.body.detail]).toEqual([422, expect.stringMatching(/by-product/)]);
  });
  it('of no lot of this kitchen is none', async () => {
    const reply = await crew.maker.post('/api/stock', {
      id: newId(),
      kind: 'ingredient',
      thing: 'sugar',
      quantity: 10,
      gotOn: day(0),
      leftBy: newId(),
    });
    expect(reply.status).toBe(422);
  });
  it('spent fruit that stood in spirit is a drink', async () => {
    const steeped = await made(
      [
        ['damson', 500],
        ['vodka', 600],
      ],
      [['sugar', 200]],
      false,
    );
    const lot = await made([['damson', 400, await left(steeped, 'damson')]], [['water', 300]], false);
    await fill(lot);
    expect((await label(lot)).abv).toBeGreaterThan(1);
  });
});

const raw: Product = {
  name: 'Boiled cordial',
  kind: 'cordial',
  closing: 'cooled',
  content: {
    lines: [
      { id: 'fruit', ingredientId: 'raspberry', said: '1 kg', stepId: 'boil' },
      { id: 'sugar', ingredientId: 'sugar', said: '700 g', stepId: 'boil' },
    ],
    steps: [
      { id: 'boil', kind: 'draw', title: 'Boil', killStep: true, minutes: 10 },
      { id: 'strain', kind: 'strain', title: 'Strain', cloth: 'press' },
    ],
    storage: 'cold',
    bottleMl: 250,
  },
  filled: [{ nominalMl: 250, headspaceInches: 0.5, count: 6 }],
};
async function released(): Promise<Started> {
  const lot = await bottler.bottled(raw);
  const reply = await bottler.release(lot);
  expect(reply.status, JSON.stringify(reply.body)).toBe(201);
  return lot;
}
const sell = async (lot: Started) => {
  const { bottlings } = await crew.view(lot);
  return post(crew.maker, lot, 'movements', {
    bottlingId: bottlings[0].id,
    kind: 'sold',
    from: 'cold room',
    count: 1,
    priceMinor: 500,
  });
};
const state = async (lot: Started): Promise<string> => (await crew.view(lot)).state;
const resume = (lot: Started) =>
  post(crew.owner, lot, 'rulings', { event: 'resume', why: 'it was looked into', done: 'nothing was found' });
const holdSource = (body: object) => crew.maker.post('/api/source-holds', { id: newId(), ...body });

describe('what it was made with follows it', () => {
  it.each([
    ['spoiled', 'listeria'],
    ['wasted', 'the supplier calls it back'],
    ['wasted', 'glass splinters in the bag'],
  ])('%s for “%s” holds a stock lot, all of its batch, and every lot made with it', async (kind, why) => {
    const batch = `B-${newId().slice(-6)}`;
    const [one, other] = [await bought('sugar', { batch }), await bought('sugar', { batch })];
    const [lot, sister] = [
      await made([['raspberry', 500]], [['sugar', 200, one]], true),
      await made([['raspberry', 500]], [['sugar', 200, other]], true),
    ];
    const below = await made(
      [['raspberry', 300, await left(lot, 'raspberry')]],
      [['sugar', 200, await bought('sugar')]],
      true,
    );
    const lost = await crew.maker.post(`/api/stock/${one}/losses`, { id: newId(), kind, amount: 100, why });
    expect(lost.status, JSON.stringify(lost.body)).toBe(201);
    for (const held of [lot, sister, below]) expect(await state(held)).toBe('held');
    const holds = (await crew.owner.get('/api/source-holds')).body;
    expect(holds[0].lots).toEqual(expect.arrayContaining([lot.code, sister.code, below.code]));
    expect(
      (await crew.owner.get('/api/today')).body.sources.find((h: { id: string }) => h.id === holds[0].id)
        .lots,
    ).toEqual(holds[0].lots);
    expect((await crew.owner.get(`/api/stock/${other}`)).body.whyUnfit).not.toBeNull();
    const more = await post(crew.maker, sister, 'additions', {
      lineId: null,
      ingredientId: 'sugar',
      grams: 10,
      why: 'more',
      stock: [{ stockId: other, amount: 10 }],
    });
    expect(more.status).toBe(422);
    // Nothing is resumed while it stands; lifted, each lot by itself.
    expect((await resume(lot)).status).toBe(409);
    expect(
      (await crew.maker.post(`/api/source-holds/${holds[0].id}/lifting`, { id: newId(), why: 'not ours' }))
        .status,
    ).toBe(403);
    expect(
      (
        await crew.owner.post(`/api/source-holds/${holds[0].id}/lifting`, {
          id: newId(),
          why: 'another batch',
        })
      ).status,
    ).toBe(201);
    expect((await resume(lot)).status).toBe(201);
    expect(await state(below)).toBe('held');
  });
  it('an instrument, a pan and a process hold what was measured, cooked and processed with them', async () => {
    const lot = await released();
    const { readings } = await crew.view(lot);
    const instrumentId = readings.find((r: { kind: string }) => r.kind === 'ph').instrumentId;
    const reply = await holdSource({
      noun: 'instrument',
      subjectId: instrumentId,
      why: 'its electrode is cracked',
    });
    expect(reply.status, JSON.stringify(reply.body)).toBe(201);
    expect(await state(lot)).toBe('held');
    expect((await sell(lot)).status).toBe(409);
    expect((await holdSource({ noun: 'instrument', subjectId: instrumentId, why: 'again' })).status).toBe(
      409,
    );
    const [{ id: holdId }] = (await crew.owner.get('/api/source-holds')).body;
    await crew.owner.post(`/api/source-holds/${holdId}/lifting`, {
      id: newId(),
      why: 'a new electrode, and checked',
    });
    for (const noun of ['vessel', 'process', 'stock'])
      expect((await holdSource({ noun, subjectId: newId(), why: 'nobody knows it' })).status, noun).toBe(422);
  });
  it('glass, a pan and a heat process hold as well, by whoever makes; a reader holds nothing', async () => {
    const lot = await crew.releasable();
    const { heatProcesses, bottlings, steps } = await crew.view(lot);
    const vesselId = newId();
    const pan = await crew.maker.post('/api/vessels', {
      id: vesselId,
      name: 'Pan',
      material: 'steel',
      use: 'pan',
      shape: { kind: 'tapered', lowerMm: 240, upperMm: 240, highMm: 160 },
    });
    if (pan.status === 201) await post(crew.maker, lot, 'placings', { stepId: steps[0].id, vesselId });
    const glass = newId();
    await crew.maker.post('/api/stock', {
      id: glass,
      kind: 'packaging',
      thing: `bottle:${bottlings[0].containerId}`,
      quantity: 50,
      gotOn: day(2000),
    });
    const covering = { noun: 'bottling', entryId: bottlings[0].id, stockId: glass, amount: 12 };
    await crew.maker.post('/api/stock-coverings', { id: newId(), ...covering });
    const held = { noun: 'process', subjectId: heatProcesses[0].processId, why: 'its letter is withdrawn' };
    const asReader = await crew.reader.post('/api/source-holds', { id: newId(), ...held });
    expect(asReader.status).toBe(403);
    expect((await holdSource(held)).status).toBe(201);
    expect(await state(lot)).toBe('held');
    const reasons = async () => (await crew.view(lot)).stopped.join('; ');
    expect(await reasons()).toMatch(/letter is withdrawn/);
    expect((await holdSource({ noun: 'stock', subjectId: glass, why: 'chips in the necks' })).status).toBe(
      201,
    );
    expect(await reasons()).toMatch(/chips in the necks/);
    if (pan.status === 201) {
      expect(
        (await holdSource({ noun: 'vessel', subjectId: vesselId, why: 'its enamel chips' })).status,
      ).toBe(201);
      expect(await reasons()).toMatch(/enamel chips/);
    }
  });
  it('a lot that is held, called back or discarded holds what its by-products went into, at the sale as well', async () => {
    for (const [path, body] of [
      ['decisions', { event: 'hold', why: 'it smells of solvent' }],
      ['rulings', { event: 'discard', why: 'it smells of solvent' }],
    ] as const) {
      const above = await made([['raspberry', 500]], [], true);
      const lot = await made([['raspberry', 300, await left(above, 'raspberry')]], [['sugar', 200]], true);
      expect((await post(crew.owner, above, path, body)).status).toBe(201);
      expect(await state(lot)).toBe('held');
      expect((await resume(lot)).status).toBe(409);
    }
  });
  it('a lot made with something held is not released, printed or sold, though nothing of its own is wrong', async () => {
    const stock = await bought('sugar');
    await holdSource({ noun: 'stock', subjectId: stock, why: 'the bag was torn', recalled: true });
    const taken = await made([['raspberry', 500]], [], true);
    const reply = await post(crew.maker, taken, 'additions', {
      lineId: null,
      ingredientId: 'sugar',
      grams: 200,
      why: 'more',
      stock: [{ stockId: stock, amount: 200 }],
    });
    expect(reply.status).toBe(422);
  });
});

describe('after spoilage', () => {
  const said: [string, string, object][] = [
    ['a note', 'readings', { kind: 'note', said: 'one of them exploded in the night' }],
    ['a deviation', 'deviations', { what: 'a buyer rang: two children ill after drinking it' }],
    ['a breakage', 'movements', { kind: 'broken', note: 'burst in the crate' }],
    ['a look in words', 'looks', { opened: 'closed', findings: [], note: 'the cap is lifting' }],
    ['a look with a finding', 'looks', { opened: 'closed', findings: ['mould'] }],
    ['a bottle that came back', 'movements', { kind: 'returned', note: 'it was fizzy' }],
    ['what was thrown away', 'movements', { kind: 'thrown-away', note: 'slimy, with a skin of mold' }],
  ];
  it.each(said)(
    '%s holds the lot, and nothing is resumed before others were looked at',
    async (_, path, body) => {
      const lot = await released();
      const { bottlings } = await crew.view(lot);
      const bottlingId = bottlings[0].id;
      if ((body as { kind?: string }).kind === 'returned') await sell(lot);
      const moved =
        path === 'movements' ? { from: 'cold room', to: 'quarantine', count: 1, priceMinor: null } : {};
      const reply = await post(crew.maker, lot, path, {
        ...(path === 'readings' || path === 'deviations' ? {} : { bottlingId }),
        ...moved,
        ...body,
      });
      expect(reply.status, JSON.stringify(reply.body)).toBe(201);
      expect(await state(lot)).toBe('held');
      const { deviations } = await crew.view(lot);
      expect(deviations.filter((d: { closed: unknown }) => !d.closed)).toHaveLength(1);
      expect((await resume(lot)).status).toBe(409);
      for (const { id } of deviations)
        expect(
          (await post(crew.maker, lot, 'closings', { deviationId: id, cause: 'one loose cap', done: 'gone' }))
            .status,
        ).toBe(409);
      const good = { bottlingId, opened: 'closed', findings: [], at: ago(0) };
      expect((await post(crew.maker, lot, 'looks', good)).status).toBe(201);
      const resumed = await resume(lot);
      // Its siblings were filled that day: each of those that stand is looked at as well.
      expect([201, 409]).toContain(resumed.status);
      if (resumed.status === 409) {
        for (const [, code] of resumed.body.detail.matchAll(/lot (\w+) \(/g)) {
          const other = (await crew.owner.get(`/api/lots/${code}`)).body;
          const look = { bottlingId: other.bottlings[0].id, opened: 'closed', findings: [] };
          await post(crew.maker, other, 'looks', look);
        }
        expect((await resume(lot)).status).toBe(201);
      }
      expect(['released', 'bottled']).toContain(await state(lot));
    },
  );
  it.each([
    ['readings', { kind: 'note', said: 'no gas, no film, no mould: clear as a bell' }],
    ['readings', { kind: 'note', said: 'caps pressed, nothing lifted' }],
    ['movements', { kind: 'moved', note: 'for Fizzwick & Gasson, the Mouldens’ shop' }],
  ])('what was looked for and not there holds nothing: %s %o', async (path, body) => {
    const lot = await released();
    const { bottlings } = await crew.view(lot);
    const moved =
      path === 'movements'
        ? { bottlingId: bottlings[0].id, from: 'cold room', to: 'north fridge', count: 1, priceMinor: null }
        : {};
    const reply = await post(crew.maker, lot, path, { ...moved, ...body });
    expect(reply.status, JSON.stringify(reply.body)).toBe(201);
    expect(await state(lot)).toBe('released');
  });
  it('lots that share something are all named, a page after another, each once', async () => {
    const [lot, other] = [await released(), await released()];
    const { siblings } = (await crew.owner.get(`/api/lots/${lot.id}/ageing`)).body;
    const codes: string[] = [];
    let total = 0;
    for (let before: string | null = ''; before !== null; ) {
      const { body }: { body: { siblings: { code: string }[]; total: number; next: string | null } } =
        await crew.owner.get(`/api/lots/${lot.id}/siblings?limit=2${before && `&before=${before}`}`);
      codes.push(...body.siblings.map((s) => s.code));
      ({ total, next: before } = body);
    }
    expect(codes).toHaveLength(total);
    expect(new Set(codes).size).toBe(total);
    expect(codes).toContain((await crew.view(other)).code);
    expect(codes).not.toContain((await crew.view(lot)).code);
    expect(siblings.map((s: { code: string }) => s.code)).toEqual(codes.slice(0, 50));
  });
  it('an open bottle has left the count before', async () => {
    const lot = await released();
    const { bottlings } = await crew.view(lot);
    const open = { bottlingId: bottlings[0].id, opened: 'open-already', daysOpen: 3, findings: [] };
    expect((await post(crew.maker, lot, 'looks', open)).status).toBe(422);
    const opened = {
      bottlingId: bottlings[0].id,
      opened: 'opened',
      findings: [],
      taste: 9,
      place: 'cold room',
    };
    expect((await post(crew.maker, lot, 'looks', opened)).status).toBe(201);
    expect((await crew.view(lot)).bottles.left).toBe(5);
    expect((await post(crew.maker, lot, 'looks', open)).status).toBe(201);
    expect((await crew.view(lot)).bottles.left).toBe(5);
  });
});

describe('a recall', () => {
  it('asks for the password, is told to whoever has bottles, and offers no sale', async () => {
    const lot = await released();
    await sell(lot);
    const body = { event: 'recall', why: 'gas in two bottles' };
    expect((await post(crew.owner, lot, 'rulings', body)).status).toBe(422);
    expect(
      (await post(crew.owner, lot, 'rulings', { ...body, password: 'not that one at all' })).status,
    ).toBe(422);
    expect((await post(crew.owner, lot, 'rulings', { ...body, password: OWNER.password })).status).toBe(201);
    expect((await sell(lot)).status).toBe(409);
    const view = await crew.view(lot);
    const sold = view.movements.find((m: { kind: string }) => m.kind === 'sold');
    const stored = view.movements.find((m: { kind: string }) => m.kind === 'stored');
    expect(
      (await post(crew.maker, lot, 'tellings', { movementId: stored.id, how: 'by telephone' })).status,
    ).toBe(422);
    const head = async () =>
      (await crew.owner.get('/api/lots')).body.lots.find((l: { id: string }) => l.id === lot.id);
    expect((await head()).away).toEqual({ count: 1, untold: 1 });
    const today = async () =>
      (await crew.owner.get('/api/today')).body.obstacles.filter(
        (o: { lot: { code: string } }) => o.lot.code === lot.code,
      );
    expect((await today())[0]).toMatchObject({ title: 'Recalled' });
    expect(
      (await post(crew.maker, lot, 'tellings', { movementId: sold.id, how: 'by telephone' })).status,
    ).toBe(201);
    expect((await head()).away).toEqual({ count: 1, untold: 0 });
    const bottlingId = view.bottlings[0].id;
    const gone = { bottlingId, kind: 'destroyed', from: 'cold room', count: 5 };
    expect((await post(crew.maker, lot, 'movements', gone)).status).toBe(422);
    expect((await post(crew.maker, lot, 'movements', { ...gone, note: 'burnt, Tam saw it' })).status).toBe(
      201,
    );
    expect(await today()).toEqual([]);
  });
});

describe('in a random kitchen a hold', () => {
  it.each([3, 11])('reaches exactly what was made with it, however far (%d)', async (seed) => {
    let state_ = seed;
    const random = (n: number): number => {
      state_ = (state_ * 1_103_515_245 + 12_345) % 2_147_483_648;
      return Math.floor((state_ / 2_147_483_648) * n);
    };
    const bags = [await bought('sugar'), await bought('sugar'), await bought('sugar')];
    const lots: { lot: Started; bag: number; from: number[] }[] = [];
    for (let i = 0; i < 7; i++) {
      const bag = random(bags.length);
      const from = lots.flatMap((_, j) => (random(3) === 0 ? [j] : [])).slice(0, 2);
      const lines: Line[] = [['raspberry', 500]];
      for (const [n, j] of from.entries())
        lines.push([
          n === 0 ? 'damson' : 'apple',
          50,
          await left(lots[j]!.lot, n === 0 ? 'damson' : 'apple'),
        ]);
      lots.push({ lot: await made(lines, [['sugar', 100, bags[bag]!]], true), bag, from });
    }
    const held = random(bags.length);
    // The closure said once more: made with the bag, or from a lot that was.
    const expected = new Set<number>();
    for (const [i, { bag, from }] of lots.entries())
      if (bag === held || from.some((j) => expected.has(j))) expected.add(i);
    await holdSource({ noun: 'stock', subjectId: bags[held]!, why: 'the mill calls it back' });
    const states = await Promise.all(lots.map(({ lot }) => state(lot)));
    expect(states.map((s) => s === 'held')).toEqual(lots.map((_, i) => expected.has(i)));
  });
});
