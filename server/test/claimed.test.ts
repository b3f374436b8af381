import { v7 as newId } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { Crew } from './filled.ts';
import { ago, post, type Started } from './fixtures.ts';
import { Bottler, type Product } from './products.ts';
import { OWNER, useTestApp } from './testApp.ts';

const app = useTestApp();
const crew = new Crew();
const bottler = new Bottler(crew);
beforeAll(async () => {
  await crew.gather(app);
  await bottler.gather();
});

const boiled = (name = 'Raspberry cordial', heated = true): Product => ({
  name,
  kind: 'cordial',
  closing: 'cooled',
  content: {
    lines: [
      { id: 'fruit', ingredientId: 'raspberry', said: '1 kg', stepId: 'boil' },
      { id: 'sugar', ingredientId: 'sugar', said: '700 g', stepId: 'boil' },
    ],
    steps: [
      heated
        ? { id: 'boil', kind: 'draw', title: 'Boil', killStep: true, minutes: 10 }
        : { id: 'boil', kind: 'draw', title: 'Rest', method: 'cold', celsius: 5, minutes: 600 },
      { id: 'strain', kind: 'strain', title: 'Strain', cloth: 'press' },
    ],
    storage: 'cold',
    bottleMl: 250,
  },
  filled: [{ nominalMl: 250, headspaceInches: 0.75, count: 6 }],
});
const released = async (product = boiled()): Promise<Started> => {
  const lot = await bottler.bottled(product);
  const reply = await bottler.release(lot);
  expect(reply.status, JSON.stringify(reply.body)).toBe(201);
  return lot;
};
const print = (lot: Started, copies = 6) =>
  post(crew.maker, lot, 'prints', {
    copies,
    sheetId: null,
    firstLabel: null,
    firstBottle: null,
    differencesSeen: true,
  });
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
const dated = (lot: Started, body: object) =>
  post(crew.owner, lot, 'datings', { why: 'as it tastes', ...body });
const later = (day: string, days: number): string =>
  new Date(Date.parse(day) + days * 86_400_000).toISOString().slice(0, 10);

describe('a label that was printed before later truth', () => {
  it('a date that shrinks holds the lot until it is labelled anew and the old labels are counted back', async () => {
    const lot = await released();
    const { keeping } = await crew.view(lot);
    expect((await print(lot)).status).toBe(201);
    expect((await sell(lot)).status).toBe(201);
    expect((await dated(lot, { until: later(keeping.bestBy, -10) })).status).toBe(201);
    expect(await state(lot)).toBe('held');
    expect((await sell(lot)).status).toBe(409);
    const resumed = await post(crew.owner, lot, 'rulings', {
      event: 'resume',
      why: 'its date was set shorter',
      done: 'labelled anew',
    });
    expect(resumed.status, JSON.stringify(resumed.body)).toBe(201);
    expect(await state(lot)).toBe('bottled');
    const refused = await bottler.release(lot);
    expect([refused.status, refused.body.detail]).toEqual([
      409,
      expect.stringMatching(/print 5 labels anew.*5 labels.*counted back/),
    ]);
    expect((await print(lot, 5)).status).toBe(201);
    expect((await bottler.release(lot)).status).toBe(409);
    const old = (await crew.view(lot)).prints[0].id;
    const back = await post(crew.maker, lot, 'spoilt-labels', { printId: old, count: 5, why: 'taken off' });
    expect(back.status, JSON.stringify(back.body)).toBe(201);
    expect((await bottler.release(lot)).status).toBe(201);
    expect((await sell(lot)).status).toBe(201);
  });
  it('a thermometer found wrong turns a month into “never heated”, and nothing goes out under the old label', async () => {
    const meter = newId();
    await crew.maker.post('/api/instruments', { id: meter, kind: 'thermometer', name: 'Probe 2' });
    const check = (read: number, at: string) =>
      crew.maker.post(`/api/instruments/${meter}/checks`, {
        id: newId(),
        kind: 'boil',
        read,
        weightGrams: null,
        at,
      });
    await crew.maker.post(`/api/instruments/${meter}/checks`, {
      id: newId(),
      kind: 'ice',
      read: 0,
      weightGrams: null,
      at: ago(32),
    });
    await check(97.6, ago(31));
    const product = boiled('By another probe');
    const own = new Bottler(crew);
    await own.gather();
    (own as unknown as { probe: string }).probe = meter;
    const lot = await own.bottled(product);
    expect((await own.release(lot)).status).toBe(201);
    expect((await print(lot)).status).toBe(201);
    await check(80, ago(0));
    expect(await state(lot)).toBe('held');
    expect((await sell(lot)).status).toBe(409);
    const { gates } = await crew.view(lot);
    expect(gates.find((g: { id: string }) => g.id === 'label').missing).toMatch(/print 6 labels anew/);
  });
  it('a date that grows, and words of the kitchen that change, hold nothing', async () => {
    const lot = await released();
    const { keeping } = await crew.view(lot);
    expect((await dated(lot, { until: later(keeping.bestBy, -10) })).status).toBe(201);
    expect((await print(lot)).status).toBe(201);
    expect((await dated(lot, { until: later(keeping.bestBy, -2), why: 'it keeps its colour' })).status).toBe(
      201,
    );
    const { body } = await crew.owner.get('/api/kitchen');
    const set = { revision: body.revision, localStatement: 'Made in a home kitchen.' };
    expect((await crew.owner.send('PATCH', '/api/kitchen', set)).status).toBe(200);
    expect(await state(lot)).toBe('released');
    expect((await sell(lot)).status).toBe(201);
    const [first] = (await crew.view(lot)).prints;
    const back = { printId: first.id, count: 7, why: 'taken off' };
    expect((await post(crew.maker, lot, 'spoilt-labels', back)).status).toBe(422);
  });
  it('a look that shortens the date of its formula holds the sister whose labels say more', async () => {
    const product = boiled('Twice made');
    const [first, second] = [await released(product), await bottler.bottled(product)];
    const formulaOf = async (lot: Started) => (await crew.view(lot)).product.formulaId;
    // Each is saved as a formula of its own: the looks of one say nothing of the other.
    expect(await formulaOf(first)).not.toBe(await formulaOf(second));
    expect((await print(first)).status).toBe(201);
    const { bottlings } = await crew.view(first);
    await post(crew.maker, first, 'looks', {
      bottlingId: bottlings[0].id,
      opened: 'opened',
      findings: ['paler'],
      colour: 2,
      place: 'cold room',
    });
    expect(await state(first)).toBe('held');
    expect((await bottler.release(second)).status).toBe(201);
  });
  it('an owner’s shorter date is not lengthened again by the longer row, and by a day only with its reason', async () => {
    const lot = await released();
    const { keeping } = await crew.view(lot);
    const short = later(keeping.bestBy, -10);
    expect((await dated(lot, { until: short, why: 'the colour fades' })).status).toBe(201);
    const longer = await dated(lot, { longer: true });
    expect(longer.status).toBe(422);
    expect((await crew.view(lot)).keeping.bestBy).toBe(short);
    expect((await dated(lot, { until: later(short, 3), why: '' })).status).toBe(422);
    expect(
      (await dated(lot, { until: later(short, 3), why: 'it was the lamp, not the colour' })).status,
    ).toBe(201);
    expect((await dated(lot, { until: later(keeping.bestBy, 1) })).status).toBe(422);
  });
});

describe('dates earned and borne by looks', () => {
  it('a look that is bad shortens the date of every lot of its formula, and an owner says why not', async () => {
    const product = boiled('Faded cordial');
    const lot = await released(product);
    const { bottlings, keeping } = await crew.view(lot);
    const seen = await post(crew.maker, lot, 'looks', {
      bottlingId: bottlings[0].id,
      opened: 'opened',
      findings: ['browner'],
      colour: 3,
      place: 'cold room',
    });
    expect(seen.status, JSON.stringify(seen.body)).toBe(201);
    const after = (await crew.view(lot)).keeping;
    expect(after.bestBy < keeping.bestBy).toBe(true);
    expect(after.reason).toMatch(/Bottles kept back bear a shorter date/);
    const reasoned = await dated(lot, { until: keeping.bestBy, why: 'that bottle stood in the window' });
    expect(reasoned.status, JSON.stringify(reasoned.body)).toBe(201);
    expect((await crew.view(lot)).keeping.bestBy).toBe(keeping.bestBy);
  });
  it('a lot of today earns no longer date, however its looks are dated and scored', async () => {
    const shrub: Product = {
      ...boiled('Sharp shrub'),
      content: {
        ...boiled().content,
        lines: [
          ...boiled().content.lines,
          { id: 'vinegar', ingredientId: 'cider-vinegar', said: '1 kg', stepId: 'boil' },
        ],
      },
    };
    const lot = await released(shrub);
    const { bottlings } = await crew.view(lot);
    await post(crew.maker, lot, 'movements', {
      bottlingId: bottlings[0].id,
      kind: 'retained',
      from: 'cold room',
      to: 'back fridge',
      count: 4,
    });
    for (let i = 0; i < 4; i++)
      await post(crew.maker, lot, 'looks', {
        bottlingId: bottlings[0].id,
        opened: 'opened',
        findings: [],
        colour: 9,
        smell: 9,
        taste: 9,
        place: 'back fridge',
      });
    expect((await dated(lot, { longer: true })).status).toBe(422);
  });
});

describe('every printed field is a claim', () => {
  it.each(['Pasteurised apple juice', 'PASTEURIZED raspberry', 'heat-treated cordial', 'Sirop pasteurisé'])(
    '“%s” is not printed on a raw one, and not released',
    async (name) => {
      const lot = await bottler.bottled(boiled(name, false));
      const { checks, printable } = (await crew.owner.get(`/api/lots/${lot.id}/label`)).body;
      expect(
        checks.filter(
          (c: { element: string; state: string }) => c.element === 'Claims' && c.state === 'stops',
        ),
      ).toHaveLength(1);
      expect(printable).toBe(false);
      expect((await bottler.release(lot)).status).toBe(409);
      expect((await print(lot)).status).toBe(409);
    },
  );
  it.each(['Unpasteurised raspberry', 'Not pasteurised', 'Raspberry cordial'])('“%s” is', async (name) => {
    const lot = await bottler.bottled(boiled(name, false));
    expect((await crew.owner.get(`/api/lots/${lot.id}/label`)).body.printable).toBe(true);
  });
  it('the local statement, the use and the second language are held against the record as the name is', async () => {
    const { body } = await crew.owner.get('/api/kitchen');
    const set = async (more: object) => {
      const { revision } = (await crew.owner.get('/api/kitchen')).body;
      expect((await crew.owner.send('PATCH', '/api/kitchen', { revision, ...more })).status).toBe(200);
    };
    const lot = await bottler.bottled(boiled('Plain', false));
    const printable = async () => (await crew.owner.get(`/api/lots/${lot.id}/label`)).body.printable;
    expect(await printable()).toBe(true);
    await set({ localStatement: 'Made and pasteurised in a home kitchen.' });
    expect(await printable()).toBe(false);
    await set({ localStatement: 'Made in a home kitchen, not pasteurised.' });
    expect(await printable()).toBe(true);
    await set({ localStatement: 'Keeps without refrigeration.' });
    expect(await printable()).toBe(false);
    await set({ localStatement: body.localStatement });
  });
});

describe('the end of a lot', () => {
  it('closing asks about the bottles that still stand, and after it nothing moves but what comes back', async () => {
    const lot = await released();
    const close = { event: 'close' };
    const asked = await post(crew.maker, lot, 'decisions', close);
    expect([asked.status, asked.body.detail]).toEqual([
      422,
      expect.stringMatching(/6 bottles still stand in cold room/),
    ]);
    await sell(lot);
    expect(
      (await post(crew.maker, lot, 'decisions', { ...close, why: 'the rest is for the family' })).status,
    ).toBe(201);
    const { bottlings } = await crew.view(lot);
    const bottlingId = bottlings[0].id;
    for (const kind of ['sold', 'given', 'moved', 'retained', 'drunk', 'broken'])
      expect(
        (
          await post(crew.maker, lot, 'movements', {
            bottlingId,
            kind,
            from: 'cold room',
            to: 'stall',
            count: 1,
            note: 'x',
          })
        ).status,
        kind,
      ).toBe(409);
    expect((await print(lot)).status).toBe(409);
    expect(
      (await post(crew.maker, lot, 'spoilt-labels', { printId: newId(), count: 1, why: 'torn' })).status,
    ).toBeGreaterThan(400);
    expect(
      (
        await post(crew.maker, lot, 'movements', {
          bottlingId,
          kind: 'returned',
          from: 'x',
          to: 'returns',
          count: 1,
          note: 'cloudy label',
        })
      ).status,
    ).toBe(201);
    expect((await post(crew.maker, lot, 'deviations', { what: 'a buyer found gas in it' })).status).toBe(201);
    expect(
      (await post(crew.owner, lot, 'rulings', { event: 'recall', why: 'gas', password: OWNER.password }))
        .status,
    ).toBe(201);
  });
  it('a hold and its deviation are one, and resuming goes back to where it was held from', async () => {
    const lot = await released();
    expect((await post(crew.maker, lot, 'decisions', { event: 'hold', why: 'the crate fell' })).status).toBe(
      201,
    );
    const { deviations } = await crew.view(lot);
    expect(deviations).toHaveLength(1);
    expect(
      (
        await post(crew.maker, lot, 'closings', {
          deviationId: deviations[0].id,
          cause: 'it fell',
          done: 'looked at',
        })
      ).status,
    ).toBe(409);
    expect(
      (
        await post(crew.owner, lot, 'rulings', {
          event: 'resume',
          why: 'none broke',
          done: 'each was looked at',
        })
      ).status,
    ).toBe(201);
    expect(await state(lot)).toBe('released');
    expect((await sell(lot)).status).toBe(201);
    // Where a check does not pass any more it is released anew.
    await post(crew.maker, lot, 'decisions', { event: 'hold', why: 'the crate fell again' });
    const [tally] = (await crew.view(lot)).tallies;
    const struck = { id: newId(), noun: 'tally', entryId: tally.id, why: 'it was of another lot' };
    expect((await crew.maker.post(`/api/lots/${lot.id}/strikes`, struck)).status).toBe(200);
    await post(crew.owner, lot, 'rulings', {
      event: 'resume',
      why: 'none broke',
      done: 'each was looked at',
    });
    expect(await state(lot)).toBe('bottled');
    expect((await sell(lot)).status).toBe(409);
  });
  it.each([
    ['thrown-away', {}, 422],
    ['thrown-away', { note: 'past its date' }, 201],
    ['destroyed', {}, 422],
    ['destroyed', { note: 'poured away, Tam saw it' }, 201],
    ['drunk', {}, 201],
    ['tasted', {}, 201],
  ])('%s %o is answered with %d, and leaves the count where it is taken', async (kind, more, status) => {
    const lot = await released();
    const { bottlings } = await crew.view(lot);
    const reply = await post(crew.maker, lot, 'movements', {
      bottlingId: bottlings[0].id,
      kind,
      from: 'cold room',
      count: 2,
      ...more,
    });
    expect(reply.status, JSON.stringify(reply.body)).toBe(status);
    expect((await crew.view(lot)).bottles.left).toBe(status === 201 ? 4 : 6);
  });
});
