import { v7 as newId } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { Crew } from './filled.ts';
import { ago, post, type Started } from './fixtures.ts';
import { Bottler, type Product, rawShrub as raw } from './products.ts';
import { useTestApp } from './testApp.ts';

const app = useTestApp();
const crew = new Crew();
const bottler = new Bottler(crew);
let logger = '';
beforeAll(async () => {
  await crew.gather(app);
  await bottler.gather();
  logger = newId();
  await crew.maker.post('/api/instruments', { id: logger, kind: 'thermometer', name: 'Logger' });
});

/** The same boiled: a month in the cold. */
const boiled: Product = {
  ...raw,
  name: 'Raspberry cordial',
  content: {
    ...raw.content,
    steps: raw.content.steps.map((s) =>
      s.id === 'draw' ? { id: 'draw', kind: 'draw', title: 'Boil', killStep: true, minutes: 10 } : s,
    ),
  },
};

async function released(product: Product = raw): Promise<Started> {
  const lot = await bottler.bottled(product);
  const reply = await bottler.release(lot);
  expect(reply.status, JSON.stringify(reply.body)).toBe(201);
  return lot;
}
const bottlingOf = async (lot: Started): Promise<string> => (await crew.view(lot)).bottlings[0].id;
const move = async (lot: Started, body: object) =>
  post(crew.maker, lot, 'movements', { bottlingId: await bottlingOf(lot), count: 2, ...body });
const moved = async (lot: Started, from: string, to: string, hours: number, count = 2): Promise<void> => {
  const reply = await move(lot, { kind: 'moved', from, to, count, at: ago(hours) });
  expect(reply.status, JSON.stringify(reply.body)).toBe(201);
};
const sell = (lot: Started, from: string, more: object = {}) =>
  move(lot, { kind: 'sold', from, count: 1, priceMinor: 500, ...more });
const wasAt = async (place: string, samples: [hours: number, celsius: number][]) => {
  const reply = await crew.maker.post(`/api/instruments/${logger}/place-temperatures`, {
    id: newId(),
    place,
    samples: samples.map(([hours, celsius]) => ({ at: ago(hours), celsius })),
  });
  expect(reply.status, JSON.stringify(reply.body)).toBe(201);
};
const resume = (lot: Started) =>
  post(crew.owner, lot, 'rulings', { event: 'resume', why: 'it was looked at', done: 'nothing more' });

describe('age and warmth belong to bottles', () => {
  it('1.9 h in each of two places come to too much, and one of them does not', async () => {
    const lot = await released();
    await moved(lot, 'cold room', 'stall', 9);
    await moved(lot, 'stall', 'north fridge', 7.1);
    expect((await sell(lot, 'north fridge')).status).toBe(201);
    await moved(lot, 'north fridge', 'kitchen shelf', 5, 1);
    await moved(lot, 'kitchen shelf', 'south fridge', 3.1, 1);
    const refused = await sell(lot, 'south fridge');
    expect([refused.status, refused.body.detail]).toEqual([409, expect.stringMatching(/3\.8 h in all/)]);
    // The others are as they were.
    expect((await sell(lot, 'cold room')).status).toBe(201);
  });
  it.each(['the stall', 'Kitchen Shelf', 'market table', 'van', 'beside the fridge', 'a new place'])(
    'what stood three hours in “%s” is neither sold, given, tasted nor drunk',
    async (place) => {
      const lot = await released();
      await moved(lot, 'cold room', place, 3);
      for (const kind of ['sold', 'given', 'tasted', 'drunk'])
        expect((await move(lot, { kind, from: place, count: 1, note: 'Juniper' })).status, kind).toBe(409);
      expect((await move(lot, { kind: 'thrown-away', from: place, note: 'too warm' })).status).toBe(201);
    },
  );
  it('another spelling, another name and another move of the same bottles win nothing', async () => {
    const lot = await released();
    await moved(lot, 'cold room', 'Stall', 4);
    const named = { id: newId(), name: 'stall', kind: null, alsoCalled: 'north fridge' };
    expect((await crew.maker.post('/api/places', named)).status).toBe(201);
    for (const from of ['stall', 'STALL ', 'the stall', 'north fridge'])
      expect((await sell(lot, from)).status, from).toBe(409);
    await moved(lot, 'stall', 'south fridge', 0);
    expect((await sell(lot, 'south fridge')).status).toBe(409);
    const back = await move(lot, { kind: 'moved', from: 'South-Fridge', to: 'Cold Room', at: ago(0) });
    expect(back.status, JSON.stringify(back.body)).toBe(201);
    // Put among the others, none of them can be told from it.
    expect((await sell(lot, 'cold room')).status).toBe(409);
  });
  it('a move that is dated back once a sale was refused changes nothing of what was', async () => {
    const lot = await released();
    await moved(lot, 'cold room', 'market table', 5);
    expect((await sell(lot, 'market table')).status).toBe(409);
    await moved(lot, 'market table', 'north fridge', 4.9);
    expect((await sell(lot, 'north fridge')).status).toBe(409);
    // Dated before it came there at all it is no better.
    await moved(lot, 'north fridge', 'south fridge', 20);
    expect((await sell(lot, 'south fridge')).status).toBe(409);
    const bottlingId = await bottlingOf(lot);
    for (const hours of [4.9, 3, 1])
      await post(crew.maker, lot, 'coolings', { bottlingId, celsius: 3, at: ago(hours) });
    expect((await sell(lot, 'south fridge')).status).toBe(409);
    const others = await sell(lot, 'cold room');
    expect(others.status, JSON.stringify(others.body)).toBe(201);
  });
  it('a place is no fridge by being called one afterwards', async () => {
    const lot = await released();
    await moved(lot, 'cold room', 'crate 7', 5);
    const say = (name: string) =>
      crew.maker.post('/api/places', { id: newId(), name, kind: 'fridge', alsoCalled: null });
    expect((await say('crate 7')).status).toBe(201);
    expect((await sell(lot, 'crate 7')).status).toBe(409);
    // And what is a shelf by its name is none at all.
    expect((await say('larder shelf')).status).toBe(422);
  });
  it('a thermometer in the bottles counts, whatever the place is', async () => {
    const lot = await released();
    const bottlingId = await bottlingOf(lot);
    const read = await post(crew.maker, lot, 'coolings', { bottlingId, celsius: 9, at: ago(4) });
    expect(read.status, JSON.stringify(read.body)).toBe(201);
    expect((await sell(lot, 'cold room')).status).toBe(409);
    // So soon after its filling it speaks against the cooling that was told, too.
    expect((await crew.view(lot)).state).toBe('held');
  });
  it('what was opened to be measured is not sold before it left the count', async () => {
    const lot = await released(boiled);
    await post(crew.maker, lot, 'readings', {
      kind: 'ph',
      raw: 3.2,
      celsius: 21,
      sample: 'finished',
      taken: 'opened-jar',
      because: 'a look',
    });
    expect((await sell(lot, 'cold room', { count: 12 })).status).toBe(422);
    expect((await move(lot, { kind: 'tasted', from: 'cold room', count: 1 })).status).toBe(201);
    expect((await sell(lot, 'cold room', { count: 11 })).status).toBe(201);
  });
  it('one logger entry holds every lot that it reaches, in whichever order things were written, and neither is resumed', async () => {
    const lots = [await released(), await released(), await released(boiled)];
    for (const lot of lots) await moved(lot, 'cold room', 'cellar fridge', 20, 12);
    await wasAt('Cellar  FRIDGE', [
      [12, 3],
      [11, 9],
      [8, 9],
      [7, 3],
    ]);
    const states = await Promise.all(lots.map(async (lot) => (await crew.view(lot)).state));
    // What keeps a month is not discarded by it.
    expect(states).toEqual(['held', 'held', 'released']);
    for (const lot of lots.slice(0, 2)) {
      const { deviations } = await crew.view(lot);
      expect(deviations.map((d: { kind: string }) => d.kind)).toEqual(['too warm']);
      expect((await resume(lot)).status).toBe(409);
    }
    // What was too warm is thrown away, and what was never there goes on: here there is nothing left.
    const thrown = await move(lots[0]!, {
      kind: 'thrown-away',
      from: 'cellar fridge',
      count: 12,
      note: 'too warm',
    });
    expect(thrown.status).toBe(201);
    expect(
      (await post(crew.owner, lots[1]!, 'rulings', { event: 'discard', why: 'it was warm' })).status,
    ).toBe(201);
  });
  it('a reading that was written before the move to its place counts as well', async () => {
    await wasAt('stall fridge', [
      [12, 9],
      [9, 9],
      [8.5, 3],
    ]);
    const lot = await released();
    await moved(lot, 'cold room', 'stall fridge', 11.9);
    expect((await sell(lot, 'stall fridge')).status).toBe(409);
    expect((await sell(lot, 'cold room')).status).toBe(201);
  });
  it('a cold reading by hand that is dated back cools nothing before it was written', async () => {
    const lot = await released();
    await moved(lot, 'cold room', 'market table', 5);
    await wasAt('market table', [[4.9, 3]]);
    expect((await sell(lot, 'market table')).status).toBe(409);
  });
  it('a lot is not released while bottles of it stand that were too warm', async () => {
    const lot = await bottler.bottled(raw);
    await moved(lot, 'cold room', 'kitchen table', 6);
    const refused = await bottler.release(lot);
    expect([refused.status, refused.body.detail]).toEqual([409, expect.stringMatching(/only discarded/)]);
    await move(lot, { kind: 'thrown-away', from: 'kitchen table', note: 'too warm' });
    expect((await bottler.release(lot)).status).toBe(201);
  });
  it('what is kept back or came back is not sold, wherever it is moved', async () => {
    const lot = await released(boiled);
    expect(
      (await move(lot, { kind: 'retained', from: 'cold room', to: 'back fridge', count: 2 })).status,
    ).toBe(201);
    expect((await sell(lot, 'back fridge')).status).toBe(422);
    await moved(lot, 'back fridge', 'cold room', 0, 2);
    expect((await sell(lot, 'cold room', { count: 11 })).status).toBe(422);
    expect((await sell(lot, 'cold room', { count: 10 })).status).toBe(201);
    const back = await move(lot, { kind: 'returned', from: 'somebody', to: 'returns fridge', count: 3 });
    expect(back.status, JSON.stringify(back.body)).toBe(201);
    await moved(lot, 'returns fridge', 'cold room', 0, 3);
    for (const kind of ['sold', 'given'])
      expect((await move(lot, { kind, from: 'cold room', count: 1, note: 'Juniper' })).status).toBe(422);
  });
});

describe('frozen asks', () => {
  const frozen: Product = {
    ...boiled,
    name: 'Frozen cordial',
    content: { ...boiled.content, storage: 'frozen' },
  };
  const made = async (more: object = {}, size = frozen.filled[0]!): Promise<Started> => {
    const lot = await bottler.made(frozen);
    const containerId = newId();
    await crew.maker.post('/api/containers', {
      id: containerId,
      name: 'Jar',
      nominalMl: size.nominalMl,
      heightMm: 120,
      diameterMm: 80,
      closure: 'two-piece-lid',
      headspaceInches: size.headspaceInches,
      tareGrams: 200,
      rated: [],
    });
    const reply = await post(crew.maker, lot, 'bottlings', {
      containerId,
      count: 12,
      checked: true,
      closing: 'cooled',
      hoursTo21: 0.5,
      hoursToCold: 1,
      place: 'freezer',
      at: ago(25.5),
      ...more,
    });
    expect(reply.status, JSON.stringify(reply.body)).toBe(201);
    await bottler.finish(lot, frozen);
    return lot;
  };
  const keeping = async (lot: Started) => (await crew.view(lot)).keeping;

  it('cooled in time, with headspace, in the freezer at an hour, it keeps a year', async () => {
    const lot = await made();
    expect(await keeping(lot)).toMatchObject({ row: 'frozen', time: { count: 12, unit: 'month' } });
    expect((await bottler.release(lot)).status).toBe(201);
    expect((await sell(lot, 'freezer')).status).toBe(201);
  });
  it.each<[string, object]>([
    ['nobody said how fast it cooled', { hoursTo21: null, hoursToCold: null }],
    ['it took eight hours to the cold', { hoursToCold: 8 }],
    ['it was closed hot', { closing: 'hot', fillCelsius: 88, hoursTo21: null, hoursToCold: null }],
    ['the glass was filled to the brim', { headspaceInches: 0.1 }],
    ['it stood in the cold room and no hour says when it froze', { place: 'cold room' }],
    ['it stood on a shelf', { place: 'kitchen shelf' }],
  ])('and has no date where %s', async (_, more) => {
    const lot = await made(more);
    expect(await keeping(lot)).toMatchObject({ row: 'none', bestBy: null });
    expect((await bottler.release(lot)).status).toBe(409);
  });
  it('thawed is never frozen again, whatever the move is called, and past its last day it is not sold', async () => {
    const lot = await made();
    expect((await bottler.release(lot)).status).toBe(201);
    const thawed = await move(lot, { kind: 'thawed', from: 'freezer', to: 'north fridge', at: ago(10) });
    expect(thawed.status, JSON.stringify(thawed.body)).toBe(201);
    for (const to of ['freezer', 'Freezer 2', 'the  FREEZER'])
      expect((await move(lot, { kind: 'moved', from: 'north fridge', to })).status, to).toBe(409);
    await moved(lot, 'freezer', 'cold room', 9);
    expect((await move(lot, { kind: 'moved', from: 'cold room', to: 'freezer' })).status).toBe(409);
    const { thawed: groups } = await crew.view(lot);
    expect(groups.map((g: { place: string }) => g.place).sort()).toEqual(['cold room', 'north fridge']);
  });
});
