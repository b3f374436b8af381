import { v7 as newId } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { Crew } from './filled.ts';
import {
  ago,
  beginLot,
  cherryContent,
  jarOf,
  meterOf,
  post,
  type Started,
  saveFormula,
  tallyUp,
  weighIn,
} from './fixtures.ts';
import { OWNER, useTestApp } from './testApp.ts';

const app = useTestApp({ own: true });
const crew = new Crew();
beforeAll(() => crew.gather(app));

async function released(): Promise<Started> {
  const lot = await crew.releasable();
  const reply = await post(crew.owner, lot, 'decisions', { event: 'release', password: OWNER.password });
  expect(reply.status, JSON.stringify(reply.body)).toBe(201);
  return lot;
}
const stateOf = async (lot: Started) => (await crew.view(lot)).state;
const sell = async (lot: Started, kind = 'sold') => {
  const [group] = (await crew.view(lot)).bottles.groups;
  return post(crew.maker, lot, 'movements', {
    bottlingId: group.bottlingId,
    kind,
    from: group.place,
    count: 1,
  });
};
const journalOf = async (lot: Started): Promise<{ noun: string; action: string }[]> =>
  (await crew.owner.get(`/api/lots/${lot.id}/journal`)).body;

/** Buffers read with a slope of 60 %: no meter to go by. */
const badPoints = [7, 4.01, 3].map((buffer) => ({
  buffer,
  celsius: 25,
  mv: (7 - buffer) * 59.16 * 0.6,
}));

describe('a released lot', () => {
  it('is held at the moment at which its meter fails, says why, and nothing of it is sold any more', async () => {
    const lot = await released();
    expect((await sell(lot)).status).toBe(201);
    const meterId = (await crew.view(lot)).readings.find(
      (r: { kind: string }) => r.kind === 'ph',
    ).instrumentId;
    const check = await crew.maker.post(`/api/instruments/${meterId}/calibrations`, {
      id: newId(),
      points: badPoints,
    });
    expect(check.body.accepted).toBe(false);
    const view = await crew.view(lot);
    expect(view.state).toBe('held');
    expect(view.decisions.at(-1).why).toMatch(/does not pass any more: Measure the finished/);
    expect((await sell(lot)).status).toBe(409);
    expect((await sell(lot, 'given')).status).toBe(409);
    const { obstacles } = (await crew.owner.get('/api/today')).body;
    expect(JSON.stringify(obstacles)).toContain(lot.code);
    expect(view.decisions.slice(-2).map((d: { event: string }) => d.event)).toEqual(['release', 'hold']);
    const written = (await journalOf(lot)).filter((row) => row.noun === 'decision');
    expect(written).toHaveLength(view.decisions.length);
  });

  it('is held by a deviation written into it, and by a reading over its limit', async () => {
    const opened = await released();
    expect((await post(crew.maker, opened, 'deviations', { what: 'a lid sprang' })).status).toBe(201);
    expect(await stateOf(opened)).toBe('held');
    const sour = await released();
    const instrumentId = (await crew.view(sour)).readings.find(
      (r: { kind: string }) => r.kind === 'ph',
    ).instrumentId;
    await post(crew.maker, sour, 'readings', {
      kind: 'ph',
      raw: 4.4,
      celsius: 21,
      sample: 'finished',
      instrumentId,
    });
    expect(await stateOf(sour)).toBe('held');
  });

  it('is held once by several readings over its limit that come at once', async () => {
    const lot = await released();
    const { readings } = await crew.view(lot);
    const { instrumentId } = readings.find((r: { kind: string }) => r.kind === 'ph');
    const sour = { kind: 'ph', celsius: 21, sample: 'finished', instrumentId, because: 'read twice' };
    const replies = await Promise.all(
      [4.4, 4.41, 4.42, 4.43, 4.44, 4.45].map((raw) => post(crew.maker, lot, 'readings', { ...sour, raw })),
    );
    expect(replies.map((r) => r.status)).toEqual([201, 201, 201, 201, 201, 201]);
    const { state, decisions, deviations } = await crew.view(lot);
    expect(state).toBe('held');
    expect(decisions.filter((d: { event: string }) => d.event === 'hold')).toHaveLength(1);
    expect(deviations.filter((d: { kind: string }) => d.kind === 'held')).toHaveLength(1);
  });

  it('stays released through what shuts nothing', async () => {
    const lot = await released();
    await post(crew.maker, lot, 'readings', { kind: 'note', said: 'clear, deep red', raw: null });
    expect((await sell(lot, 'given')).status).toBe(201);
    expect(await stateOf(lot)).toBe('released');
  });
});

describe('a lot past its date', () => {
  it('is not released, however well everything else stands', async () => {
    const content = { ...cherryContent, storage: 'cold' };
    const [begun, filled] = [ago(24 * 40), ago(24 * 40 - 3)];
    const lot = await beginLot(crew.maker, await saveFormula(crew.maker, content, 'Late'), begun);
    await weighIn(crew.maker, lot, begun);
    const bottled = await post(crew.maker, lot, 'bottlings', {
      containerId: await jarOf(crew.maker),
      count: 12,
      closing: 'cooled',
      checked: true,
      hoursTo21: 1,
      hoursToCold: 4,
      place: 'cold room',
      at: filled,
    });
    expect(bottled.status, JSON.stringify(bottled.body)).toBe(201);
    const instrumentId = await meterOf(crew.maker);
    await post(crew.maker, lot, 'readings', {
      kind: 'ph',
      raw: 3.3,
      celsius: 21,
      sample: 'finished',
      instrumentId,
    });
    await tallyUp(crew.maker, lot);
    await post(crew.maker, lot, 'seal-checks', { checked: 12, failed: 0 });
    expect(await crew.shut(lot)).toEqual([]);
    const reply = await post(crew.owner, lot, 'decisions', { event: 'release', password: OWNER.password });
    expect(reply.status, JSON.stringify(reply.body)).toBe(409);
    expect(reply.body.detail).toMatch(/^The date of lot .* was .*: nothing of it leaves the kitchen/);
    expect(await stateOf(lot)).toBe('bottled');
  });
});
