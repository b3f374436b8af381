import { v7 as newId } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { Crew } from './filled.ts';
import { post, type Started } from './fixtures.ts';
import { useTestApp } from './testApp.ts';

const app = useTestApp();
const crew = new Crew();
beforeAll(() => crew.gather(app));

const instrument = async (body: object): Promise<string> => {
  const id = newId();
  const reply = await crew.maker.post('/api/instruments', { id, name: `One ${id.slice(-4)}`, ...body });
  expect(reply.status, JSON.stringify(reply.body)).toBe(201);
  return id;
};
const read = async (lot: Started, body: object) => {
  const id = newId();
  const reply = await crew.maker.post(`/api/lots/${lot.id}/readings`, { id, ...body });
  expect(reply.status, JSON.stringify(reply.body)).toBe(201);
  return (await crew.view(lot)).readings.find((r: { id: string }) => r.id === id);
};

describe('what is measured besides', () => {
  it('a hydrometer’s gravity is °Bx by its own temperature, and counts once it was checked', async () => {
    const lot = await crew.filled();
    const instrumentId = await instrument({ kind: 'hydrometer', madeForCelsius: 20 });
    // 60 °Bx at 20 °C: 1.28646 over water's 0.99820.
    const body = {
      kind: 'brix',
      raw: 1.28878,
      celsius: 20,
      sample: 'finished',
      instrumentId,
      because: 'boiled longer',
    };
    const unchecked = await read(lot, body);
    expect(unchecked.value).toBeCloseTo(60, 1);
    expect(unchecked).toMatchObject({ counts: false, raw: 1.28878 });
    const check = { id: newId(), kind: 'gravity', read: 1.001, weightGrams: null };
    expect((await crew.maker.post(`/api/instruments/${instrumentId}/checks`, check)).body.accepted).toBe(
      true,
    );
    expect((await read(lot, body)).counts).toBe(true);
    const absurd = await post(crew.maker, lot, 'readings', { ...body, raw: 60 });
    expect(absurd.status).toBe(422);
  });

  it('a gravity that was jotted is worked out here, whatever the device made of it', async () => {
    const lot = await crew.filled();
    const jotted = await read(lot, { kind: 'brix', raw: 9, celsius: 20, said: 'sg 1.04001 @20' });
    expect(jotted.value).toBeCloseTo(10, 1);
  });

  it('a volume is brought to 20 °C', async () => {
    const lot = await crew.filled();
    const hot = await read(lot, { kind: 'volume', raw: 1000, celsius: 90 });
    // Water: 0.99820 g/mL at 20 °C, 0.96534 at 90.
    expect(hot.value).toBeCloseTo((1000 * 0.96534) / 0.9982, 0);
    expect((await read(lot, { kind: 'volume', raw: 1000 })).value).toBe(1000);
    expect((await post(crew.maker, lot, 'readings', { kind: 'volume', raw: -1 })).status).toBe(422);
  });

  it('a measured water activity is a hurdle once its meter was checked on salt, and never without a meter', async () => {
    const lot = await crew.filled();
    const finished = { kind: 'water-activity', sample: 'finished' };
    expect(await read(lot, { ...finished, raw: 0.82 })).toMatchObject({ counts: false });
    const instrumentId = await instrument({ kind: 'water-activity-meter' });
    const body = { ...finished, raw: 0.82, instrumentId };
    expect((await read(lot, body)).counts).toBe(false);
    const check = { id: newId(), kind: 'salt', read: 0.755, weightGrams: null };
    await crew.maker.post(`/api/instruments/${instrumentId}/checks`, check);
    expect((await read(lot, body)).counts).toBe(true);
    const ph = await post(crew.maker, lot, 'readings', { ...body, kind: 'ph', raw: 3.4 });
    expect(ph.body.errors[0].message).toMatch(/does not measure this/);
  });

  it('a pen that shows only pH is calibrated by what it shows in its buffers', async () => {
    const lot = await crew.filled();
    const instrumentId = await instrument({ kind: 'ph-meter' });
    const points = [
      { buffer: 7, ph: 7.02, celsius: 20 },
      { buffer: 4.01, ph: 4.0, celsius: 20 },
      { buffer: 3, ph: 3.02, celsius: 20 },
    ];
    const path = `/api/instruments/${instrumentId}/calibrations`;
    const reply = await crew.maker.post(path, { id: newId(), points });
    expect(reply.body, JSON.stringify(reply.body)).toMatchObject({ accepted: true });
    const acid = await read(lot, { kind: 'ph', raw: 3.4, celsius: 21, sample: 'finished', instrumentId });
    expect(acid.counts).toBe(true);
    const neither = [{ buffer: 7, celsius: 20 }, points[1]];
    expect((await crew.maker.post(path, { id: newId(), points: neither })).status).toBe(422);
  });
});
