import { v7 as newId } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { beginLot, cherryContent, type Started, saveFormula } from './fixtures.ts';
import { ownerOf, type Person, useTestApp } from './testApp.ts';

const app = useTestApp();
let owner: Person;
let lot: Started;
beforeAll(async () => {
  owner = await ownerOf(app);
  lot = await beginLot(owner, await saveFormula(owner, cherryContent));
});
const keep = (body: object) => owner.post(`/api/lots/${lot.id}/readings`, { id: newId(), ...body });
const kept = async () => (await owner.get(`/api/lots/${lot.id}`)).body.readings;

describe('a titration', () => {
  it('is worked out by the server from what was said, whatever the device made of it', async () => {
    const reply = await keep({ kind: 'ta', said: 'ta 12.6/10', raw: 99 });
    expect(reply.status).toBe(201);
    expect((await kept())[0]).toMatchObject({
      kind: 'ta',
      raw: expect.closeTo(8.069, 3),
      value: expect.closeTo(8.069, 3),
    });
  });
  it('that cannot be read is refused with how to write it', async () => {
    const reply = await keep({ kind: 'ta', said: 'rather sour', raw: 8 });
    expect([reply.status, reply.body.detail]).toEqual([422, expect.stringMatching(/write the figure/)]);
  });
  it('of an impossible acidity is refused', async () => {
    const reply = await keep({ kind: 'ta', said: 'ta 400/10', raw: 1 });
    expect([reply.status, reply.body.detail]).toEqual([422, expect.stringMatching(/ta 12\.6\/10/)]);
  });
});

describe('a dip', () => {
  it('is kept in millimetres, with the inches it was said in', async () => {
    expect((await keep({ kind: 'depth', said: 'd 3 5/8 in', raw: 92.075 })).status).toBe(201);
    expect((await kept()).at(-1)).toMatchObject({ kind: 'depth', said: 'd 3 5/8 in', value: 92.075 });
  });
  it('deeper than any pan is refused', async () => {
    const reply = await keep({ kind: 'depth', said: 'd 3000 mm', raw: 3000 });
    expect([reply.status, reply.body.detail]).toEqual([422, expect.stringMatching(/3 5\/8 in or 92 mm/)]);
  });
});
