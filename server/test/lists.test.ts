import type { Kitchen } from '@inch/contract/kitchen/kitchen';
import type { LotHead } from '@inch/contract/making/lot';
import fc from 'fast-check';
import mysql from 'mysql2/promise';
import { v7 as newId } from 'uuid';
import { afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import { readLot } from '../src/lot/store.ts';
import { deriveLot } from '../src/standing/derive.ts';
import { completeStandings, faultyStandings, rebuildStandings } from '../src/standing/rebuild.ts';
import { deedsOf } from './deeds.ts';
import { Crew } from './filled.ts';
import {
  ago,
  beginLot,
  calibrate,
  cherryContent,
  meterOf,
  post,
  type Started,
  saveFormula,
} from './fixtures.ts';
import { OWNER, useTestApp } from './testApp.ts';

const app = useTestApp({ own: true });
const crew = new Crew();
let lots: Started[];
let meter: string;
let formula: string;
let deeds: ReturnType<typeof deedsOf>;

beforeAll(async () => {
  await crew.gather(app);
  meter = await meterOf(crew.maker);
  deeds = deedsOf(crew, meter);
  formula = await saveFormula(crew.maker, cherryContent, 'Crème de cassis');
  const sold = await crew.releasable();
  await post(crew.owner, sold, 'decisions', { event: 'release', password: OWNER.password });
  lots = [sold, await beginLot(crew.maker, formula, ago(50)), await crew.filled()];
});
afterEach(() => void vi.useRealTimers());

/** Every lot that a list has, a page after another. */
async function listed(query: string, limit = 200): Promise<LotHead[]> {
  const found: LotHead[] = [];
  for (let before = ''; ; ) {
    const { status, body } = await crew.reader.get(`/api/lots?${query}&limit=${limit}${before}`);
    expect(status, JSON.stringify(body)).toBe(200);
    found.push(...body.lots);
    if (body.next === null) return found;
    before = `&before=${body.next}`;
  }
}
const codes = async (query: string, limit?: number) => (await listed(query, limit)).map((lot) => lot.code);
const kitchen = async (): Promise<Kitchen> => (await crew.owner.get('/api/kitchen')).body;

/** Holds each lot of the list against what its whole record comes to now, and years from now. */
async function expectDerived(): Promise<void> {
  const own = await kitchen();
  for (const standing of await listed('sort=newest')) {
    const lot = await readLot(app.pool, own, standing.id);
    expect(standing).toEqual(JSON.parse(JSON.stringify(deriveLot(lot!, own, new Map()).standing)));
    vi.useFakeTimers({ toFake: ['Date'], now: new Date('2047-03-04T05:06:07Z') });
    expect(standing).toEqual(JSON.parse(JSON.stringify(deriveLot(lot!, own, new Map()).standing)));
    vi.useRealTimers();
  }
}

describe('the standing of a lot', () => {
  it('follows each deed that there is', async () => {
    for (const [name, deed] of Object.entries(deeds)) {
      const statuses: number[] = [];
      for (const lot of lots) {
        const reply = (await deed(lot)) as { status: number } | undefined;
        if (reply) statuses.push(reply.status);
      }
      expect(
        statuses.some((status) => status < 300),
        `${name}: ${statuses}`,
      ).toBe(true);
      await expectDerived();
    }
  });

  it('is what its whole record comes to, at any time of the clock, after whatever was written', async () => {
    const deed = fc.tuple(fc.constantFrom(...Object.keys(deeds)), fc.nat({ max: 2 }));
    await fc.assert(
      fc.asyncProperty(fc.array(deed, { minLength: 1, maxLength: 8 }), async (history) => {
        for (const [name, which] of history) await deeds[name]!(lots[which]!);
        await expectDerived();
      }),
      { numRuns: 8 },
    );
    expect(await faultyStandings(app.pool, 10)).toEqual([]);
  });

  it('is held against the record by verify, and made anew from it', async () => {
    const root = await mysql.createConnection(app.admin);
    const before = await listed('sort=name');
    await root.query(
      "UPDATE lot_standing SET content = JSON_SET(content, '$.gatesOpen', 99) WHERE lot_id = ?",
      [lots[0]!.id],
    );
    expect(await faultyStandings(app.pool, 10)).toEqual([expect.stringContaining(lots[0]!.code)]);
    await root.query('DELETE FROM lot_word');
    await root.query('DELETE FROM lot_standing WHERE lot_id = ?', [lots[1]!.id]);
    await root.end();
    const asRoot = mysql.createPool({ ...app.admin, dateStrings: true, jsonStrings: true, timezone: 'Z' });
    await completeStandings(asRoot);
    await rebuildStandings(asRoot, () => {});
    await asRoot.end();
    expect(await faultyStandings(app.pool, 10)).toEqual([]);
    expect(await listed('sort=name')).toEqual(before);
    expect(await codes('q=cassis')).toEqual([lots[1]!.code]);
  });

  it('is untouched by a check of an instrument that its readings do not rest on', async () => {
    const other = await meterOf(crew.maker);
    await listed('sort=newest');
    await calibrate(crew.maker, other, 70);
    const [stale] = await app.pool.query('SELECT COUNT(*) AS n FROM lot_standing WHERE stale = 1');
    expect(stale).toEqual([{ n: 0 }]);
  });
});

describe('a list of lots', () => {
  it('has each lot once, in every order, however short its pages are', async () => {
    for (let i = 0; i < 9; i++) await beginLot(crew.maker, formula, ago(100 + (i % 3)));
    const all = (await codes('sort=newest')).sort();
    expect(all.length).toBe(12);
    for (const sort of ['newest', 'oldest', 'name', 'best-by']) {
      const paged = await codes(`sort=${sort}`, 5);
      expect(paged.toSorted()).toEqual(all);
      expect(paged).toEqual(await codes(`sort=${sort}`));
    }
    const begun = (await listed('sort=oldest', 4)).map((lot) => lot.begunAt);
    expect(begun).toEqual(begun.toSorted());
    const names = (await listed('sort=name', 4)).map((lot) => lot.name);
    expect(names).toEqual(names.toSorted((a, b) => a.localeCompare(b)));
    const dates = (await listed('sort=best-by', 4)).map((lot) => lot.bestBy ?? '9999');
    expect(dates).toEqual(dates.toSorted());
  });

  it('narrows to what is on hand, and to a state', async () => {
    const gone = await beginLot(crew.maker, formula);
    await post(crew.owner, gone, 'rulings', { event: 'discard', why: 'dropped' });
    expect(await codes('scope=on-hand')).not.toContain(gone.code);
    expect(await codes('sort=newest')).toContain(gone.code);
    expect(await codes('state=discarded')).toEqual([gone.code]);
  });

  it.each(['limit=0', 'limit=201', 'state=gone', 'sort=worst', 'scope=mine', `q=${'x'.repeat(201)}`])(
    'refuses %s',
    async (query) => expect((await crew.reader.get(`/api/lots?${query}`)).status).toBe(422),
  );

  it('begins after no lot that there is not: an empty page', async () => {
    expect((await crew.reader.get(`/api/lots?before=${newId()}`)).body).toMatchObject({
      lots: [],
      next: null,
    });
  });
});

describe('a search', () => {
  let found: Started;
  beforeAll(async () => {
    found = await crew.filled();
    const stock = await crew.maker.post('/api/stock', {
      id: newId(),
      kind: 'ingredient',
      thing: 'vanilla',
      quantity: 500,
      gotOn: ago(50).slice(0, 10),
      supplier: 'Ferrers of Brough',
    });
    expect(stock.status).toBe(201);
    await post(crew.owner, found, 'decisions', { event: 'hold', why: 'crystals like zirconium' });
    const reply = await post(crew.maker, found, 'additions', {
      ingredientId: 'vanilla',
      grams: 3,
      why: 'flavour',
      stock: [{ stockId: stock.body.id, amount: 3 }],
    });
    expect(reply.status, JSON.stringify(reply.body)).toBe(201);
    await post(crew.maker, found, 'readings', { kind: 'note', said: 'Schlieren an der Öffnung' });
    const [group] = (await crew.view(found)).bottles.groups;
    await post(crew.maker, found, 'movements', {
      bottlingId: group.bottlingId,
      kind: 'moved',
      from: group.place,
      to: 'north pantry',
      count: 2,
    });
  });

  it.each([
    ['its code', () => found.code.toLowerCase()],
    ['the beginning of its code', () => found.code.slice(0, 3)],
    ['a supplier of what went in', () => 'ferrers'],
    ['a note, without its accents', () => 'offnung'],
    ['a place', () => 'north pantry'],
    ['words in any order', () => 'pantry schlieren ferrers'],
  ])('finds it by %s', async (_, words) => {
    expect(await codes(`q=${encodeURIComponent(words())}`)).toContain(found.code);
  });

  it('finds a stock code, a day as one writes it, a state, a reason', async () => {
    const view = await crew.view(found);
    const [{ code }] = view.additions.at(-1).withdrawals;
    expect(await codes(`q=${code}`)).toEqual([found.code]);
    const day = new Date(view.begunAt);
    const said = `${day.getUTCDate()} ${day.toLocaleString('en', { month: 'long', timeZone: 'UTC' })} ${day.getUTCFullYear()}`;
    expect(await codes(`q=${encodeURIComponent(said)}`)).toContain(found.code);
    expect(await codes(`q=${view.begunAt.slice(0, 10)}`)).toContain(found.code);
    expect(await codes('q=zirconium')).toEqual([found.code]);
    expect(await codes('q=held')).toContain(found.code);
  });

  it('finds nothing by what is nowhere, and every lot by no word at all', async () => {
    expect(await codes('q=unobtainium')).toEqual([]);
    expect(await codes(`q=${encodeURIComponent('north unobtainium')}`)).toEqual([]);
    expect(await codes(`q=${encodeURIComponent(' ,!% ')}`)).toEqual(await codes('sort=newest'));
  });
});

describe('lists while others write', () => {
  it('are answered, and are right once it is quiet', async () => {
    const writing = Array.from({ length: 40 }, (_, i) =>
      post(crew.maker, lots[i % 2]!, 'readings', { kind: 'note', said: `at once ${i}` }),
    );
    const reading = Array.from({ length: 40 }, (_, i) =>
      crew.reader.get(i % 2 === 0 ? '/api/lots' : '/api/today'),
    );
    for (const reply of await Promise.all([...writing, ...reading])) expect(reply.status).toBeLessThan(500);
    await expectDerived();
  });
});
