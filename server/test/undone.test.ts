import { v7 as newId } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { verifyJournal } from '../src/audit/verify.ts';
import { Crew } from './filled.ts';
import { post, type Started } from './fixtures.ts';
import { OWNER, useTestApp } from './testApp.ts';

const app = useTestApp();
const crew = new Crew();
beforeAll(() => crew.gather(app));

async function released(): Promise<Started> {
  const lot = await crew.releasable();
  expect(
    (await post(crew.owner, lot, 'decisions', { event: 'release', password: OWNER.password })).status,
  ).toBe(201);
  return lot;
}
/** Moves bottles of a lot's first filling, and gives the id of the movement. */
async function move(
  lot: Started,
  said: { kind: string; from: string; to?: string; count: number; priceMinor?: number },
) {
  const { bottlings } = await crew.view(lot);
  const id = newId();
  const reply = await post(crew.owner, lot, 'movements', { id, bottlingId: bottlings[0].id, ...said });
  expect([reply.status, JSON.stringify(reply.body)]).toEqual([201, expect.anything()]);
  return id;
}
const undo = (lot: Started, noun: string, entryId: string, why = 'typed twice') =>
  crew.owner.post(`/api/lots/${lot.id}/strikes`, { noun, entryId, why });
const salesOf = async (code: string) =>
  (await crew.owner.get(`/api/sales?q=${code}`)).body.sales.filter((s: { code: string }) => s.code === code);
const whole = async () => {
  for (const { faults } of await verifyJournal(app.pool)) expect(faults).toEqual([]);
};

describe('a sale that is undone', () => {
  it('leaves the bottles where they stood, no sale in the books, its own entry crossed out, and the record whole', async () => {
    const lot = await released();
    const before = await crew.view(lot);
    const id = await move(lot, { kind: 'sold', from: 'cellar', count: 2, priceMinor: 1400 });
    expect(await salesOf(before.code)).toHaveLength(1);
    expect((await undo(lot, 'movement', id)).status).toBe(200);
    const after = await crew.view(lot);
    expect(after.bottles).toEqual(before.bottles);
    expect(after.state).toBe('released');
    expect(after.movements.find((m: { id: string }) => m.id === id).struck).toMatchObject({
      why: 'typed twice',
    });
    expect(await salesOf(before.code)).toEqual([]);
    await whole();
    // Again is as the first time; for another reason it is told.
    expect((await undo(lot, 'movement', id)).status).toBe(200);
    expect((await undo(lot, 'movement', id, 'another reason')).status).toBe(409);
  });
  it('is sold again, once', async () => {
    const lot = await released();
    const { bottles, code } = await crew.view(lot);
    await undo(
      lot,
      'movement',
      await move(lot, { kind: 'sold', from: 'cellar', count: 3, priceMinor: 2000 }),
    );
    await move(lot, { kind: 'sold', from: 'cellar', count: 1, priceMinor: 700 });
    expect((await crew.view(lot)).bottles.left).toBe(bottles.left - 1);
    expect(await salesOf(code)).toHaveLength(1);
    await whole();
  });
});

describe('what moved on', () => {
  it('is undone from the last to the first: a move whose bottles were sold is not, while they are', async () => {
    const lot = await released();
    const moved = await move(lot, { kind: 'moved', from: 'cellar', to: 'stall', count: 4 });
    const sold = await move(lot, { kind: 'sold', from: 'stall', count: 4 });
    const refused = await undo(lot, 'movement', moved);
    expect([refused.status, refused.body.detail]).toEqual([409, expect.stringMatching(/went on from stall/)]);
    expect((await undo(lot, 'movement', sold)).status).toBe(200);
    expect((await undo(lot, 'movement', moved)).status).toBe(200);
    const { groups } = (await crew.view(lot)).bottles;
    expect(groups.map((g: { place: string }) => g.place)).toEqual(['cellar']);
    await whole();
  });
  it('by an entry of the program is undone with that entry', async () => {
    const lot = await released();
    const stored = (await crew.view(lot)).movements.find((m: { kind: string }) => m.kind === 'stored');
    expect((await undo(lot, 'movement', stored.id)).status).toBe(409);
  });
});

describe('a print that is undone', () => {
  it('is crossed out, and its label was never printed', async () => {
    const lot = await released();
    const id = newId();
    const printed = await post(crew.owner, lot, 'prints', { id, copies: 6, differencesSeen: true });
    expect([printed.status, JSON.stringify(printed.body)]).toEqual([201, expect.anything()]);
    expect((await undo(lot, 'print', id, 'the printer was off')).status).toBe(200);
    const { prints, state } = await crew.view(lot);
    expect(prints.find((p: { id: string }) => p.id === id).struck).toMatchObject({
      why: 'the printer was off',
    });
    expect(['released', 'held']).toContain(state);
    await whole();
  });
});
