import { RULE_SET } from '@inch/core/lot';
import mysql from 'mysql2/promise';
import { beforeAll, describe, expect, it } from 'vitest';
import { lookThrough } from '../src/record/lookThrough.ts';
import { Crew } from './filled.ts';
import { post, type Started } from './fixtures.ts';
import { OWNER, useTestApp } from './testApp.ts';

const app = useTestApp({ own: true });
const crew = new Crew();
beforeAll(async () => {
  await crew.gather(app);
  // What an earlier version of the program kept is written past this one.
});

const release = { event: 'release', password: OWNER.password };
async function byHand(sql: string, values: string[]): Promise<void> {
  const db = await mysql.createConnection(app.admin);
  await db.query(sql, values);
  await db.end();
}

/** A lot that was released before rules had a version, and lacks what nobody was asked then: how hot it was closed. */
async function releasedEarlier(): Promise<Started> {
  const lot = await crew.releasable();
  expect((await post(crew.owner, lot, 'decisions', release)).status).toBe(201);
  await byHand('UPDATE decision SET rule_set = NULL WHERE lot_id = ?', [lot.id]);
  await byHand('UPDATE bottling SET fill_celsius = NULL WHERE lot_id = ?', [lot.id]);
  return lot;
}

const updated = async () => {
  await byHand('DELETE FROM rules_in_force', []);
  return lookThrough(app.pool);
};
const sell = async (lot: Started) => {
  const [group] = (await crew.view(lot)).bottles.groups;
  return post(crew.maker, lot, 'movements', {
    bottlingId: group.bottlingId,
    kind: 'sold',
    from: group.place,
    count: 1,
  });
};
const listed = async (): Promise<{ code: string; asked: { missing: string }[] }[]> =>
  (await crew.owner.get('/api/today')).body.earlierRules;

describe('a lot that was released under earlier rules', () => {
  it('keeps the rules of its release, and a new release has today’s', async () => {
    const lot = await crew.releasable();
    await post(crew.owner, lot, 'decisions', release);
    expect((await crew.view(lot)).decisions.at(-1)).toMatchObject({ event: 'release', ruleSet: RULE_SET.id });
  });

  it('stays on sale after an update, and Today says what today’s rules would ask', async () => {
    const lot = await releasedEarlier();
    expect(await updated()).toMatchObject({ asked: 1, held: [] });
    expect(await crew.shut(lot)).toContain('heat');
    expect((await sell(lot)).status).toBe(201);
    expect((await crew.view(lot)).state).toBe('released');
    const mine = (await listed()).find((one) => one.code === lot.code)!;
    expect(mine.asked.map((gate) => gate.missing).join(' ')).toMatch(/Closed hot is shown by a temperature/);
    // Looked through once: the next start asks nothing anew.
    expect(await lookThrough(app.pool)).toBeNull();
  });

  it('is settled by its owner alone, signed, with a reason, and is listed no more', async () => {
    const lot = await releasedEarlier();
    await updated();
    const settle = { why: 'filled at the boil, as ever', password: OWNER.password };
    expect((await post(crew.maker, lot, 'settlings', settle)).status).toBe(403);
    expect((await post(crew.owner, lot, 'settlings', { ...settle, password: 'another one' })).status).toBe(
      422,
    );
    expect((await post(crew.owner, lot, 'settlings', { ...settle, why: '' })).status).toBe(422);
    expect((await listed()).some((one) => one.code === lot.code)).toBe(true);
    expect((await post(crew.owner, lot, 'settlings', settle)).status).toBe(201);
    expect((await listed()).some((one) => one.code === lot.code)).toBe(false);
    expect((await crew.view(lot)).settlings).toMatchObject([{ ruleSet: RULE_SET.id, signed: true }]);
    expect((await sell(lot)).status).toBe(201);
  });

  it('is held by what comes to lack after the update, as any other', async () => {
    const lot = await releasedEarlier();
    await updated();
    expect((await sell(lot)).status).toBe(201);
    const { readings } = await crew.view(lot);
    const ph = readings.find((r: { kind: string }) => r.kind === 'ph');
    await post(crew.maker, lot, 'strikes', { noun: 'reading', entryId: ph.id, why: 'the wrong jar' });
    expect((await crew.view(lot)).state).toBe('held');
    expect((await sell(lot)).status).toBe(409);
  });

  it('is held by a contrary reading that comes after the update', async () => {
    const lot = await releasedEarlier();
    await updated();
    await post(crew.maker, lot, 'readings', {
      kind: 'ph',
      raw: 5,
      sample: 'finished',
      because: 'a bottle came back',
    });
    expect((await crew.view(lot)).state).toBe('held');
  });

  it('is held by the update itself only where its record shows that it is wrong, and Today names it', async () => {
    const lot = await releasedEarlier();
    const fine = await releasedEarlier();
    await byHand('UPDATE heat_process SET minutes = 9 WHERE lot_id = ?', [lot.id]);
    await byHand('UPDATE bottling SET fill_celsius = 90 WHERE lot_id = ?', [lot.id]);
    const found = await updated();
    expect(found!.held).toEqual([lot.code]);
    expect((await crew.view(lot)).decisions.at(-1).why).toMatch(
      /By the rules of 1 Dec.*9 min is short of the 15/,
    );
    const { obstacles } = (await crew.owner.get('/api/today')).body;
    expect(obstacles.map((o: { lot: { code: string } }) => o.lot.code)).toContain(lot.code);
    expect((await crew.view(fine)).state).toBe('released');
  });

  it('cannot be settled where it was released under the rules in force', async () => {
    const lot = await crew.releasable();
    await post(crew.owner, lot, 'decisions', release);
    const settle = { why: 'filled at the boil', password: OWNER.password };
    expect((await post(crew.owner, lot, 'settlings', settle)).status).toBe(409);
  });
});
