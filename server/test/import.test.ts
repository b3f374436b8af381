import { describe, expect, it } from 'vitest';
import { demoFile } from '../../scripts/src/demo.mjs';
import { verifyJournal } from '../src/audit/verify.ts';
import { byHand } from './nutritionByHand.ts';
import { ownerOf, type Person, useTestApp } from './testApp.ts';

const app = useTestApp();
const today = new Date().toISOString().slice(0, 10);
let owner: Person;
// biome-ignore lint/suspicious/noExplicitAny: the lots of the answer, as they come
let lots: any[];
const count = (state: string) => lots.filter((l) => l.state === state).length;

describe('a kitchen file', () => {
  it('with a mistake in it brings nothing in and names the lot and the moment', async () => {
    owner = await ownerOf(app);
    const file = demoFile();
    const broken = structuredClone(file);
    broken.lots[2].events.find((e: { do: string }) => e.do === 'seal-check').checked = 500;
    const reply = await owner.post('/api/kitchen/import', { file: broken, today });
    expect(reply.status).toBe(422);
    expect(reply.body.detail).toMatch(/^Lot 7\w+ \(.+ seal-check\): There are only \d+ bottles/);
    expect((await owner.get('/api/formulas')).body).toEqual([]);
    expect((await owner.get('/api/lots')).body.lots).toEqual([]);
  });

  it('is brought in whole, through the same gates as everyone', async () => {
    const reply = await owner.post('/api/kitchen/import', { file: demoFile(), today });
    expect(reply.body).toEqual({ formulas: 12, lots: 15 });
    lots = (await owner.get('/api/lots')).body.lots;
    expect(lots.length).toBeGreaterThanOrEqual(12);
    expect(lots.filter((l) => l.state === 'released').every((l) => l.gatesOpen === l.gatesAll)).toBe(true);
    expect([count('held'), count('recalled'), count('resting')]).toEqual([1, 1, 1]);
    expect(count('making')).toBe(2);
    expect((await verifyJournal(app.pool))[0]).toMatchObject({ faults: [] });
  }, 600_000);

  it('has the demo’s failed seal, struck reading, held and low-acid lot, and recall', async () => {
    const views = await Promise.all(lots.map(async (l) => (await owner.get(`/api/lots/${l.code}`)).body));
    expect(views.some((v) => v.sealChecks.some((s: { failed: number }) => s.failed > 0))).toBe(true);
    expect(views.some((v) => v.readings.some((r: { struck: unknown }) => r.struck))).toBe(true);
    const held = views.find((v) => v.state === 'held');
    expect(held.product.name).toBe('Spruce-tip syrup');
    expect(held.decisions.at(-1).why).toMatch(/over the limit of 4\.2/);
    const markets = new Set(
      views.flatMap((v) =>
        v.movements.filter((m: { kind: string }) => m.kind === 'sold').map((m: { note: string }) => m.note),
      ),
    );
    expect(markets.size).toBe(2);
  });

  it('goes only into a kitchen with nothing made yet', async () => {
    expect((await owner.post('/api/kitchen/import', { file: demoFile(), today })).status).toBe(409);
  });

  it('gives Today what needs a hand, from what really stands there', async () => {
    const { body } = await owner.get('/api/today');
    expect(body.clocks).toHaveLength(2);
    expect(body.obstacles.map((o: { title: string }) => o.title)).toContain('Held');
    expect(body.due.some((d: { title: string }) => d.title === 'Press 18 lids')).toBe(true);
  });

  it('pages its lots by key', async () => {
    const first = (await owner.get('/api/lots?limit=5')).body;
    const second = (await owner.get(`/api/lots?limit=5&before=${first.next}`)).body;
    const codes = [...first.lots, ...second.lots].map((l: { code: string }) => l.code);
    expect(codes).toEqual(lots.slice(0, 10).map((l) => l.code));
  });
  it('declares of eight lots and more what a sum by hand comes to, within rounding', async () => {
    const checked: string[] = [];
    for (const { code } of lots) {
      const sum = byHand((await owner.get(`/api/lots/${code}`)).body);
      if (!sum) continue;
      checked.push(code);
      const { figures } = (await owner.get(`/api/lots/${code}/label`)).body.nutrition;
      const off = (name: string, expected: number) => Math.abs(figures[name].raw - expected);
      // From 10 g on a gram is the last figure declared; half of it is 2 kcal.
      expect(off('sugars', sum.sugars), code).toBeLessThanOrEqual(0.5);
      expect(off('addedSugars', sum.added), code).toBeLessThanOrEqual(0.5);
      expect(off('calories', sum.kcal), code).toBeLessThanOrEqual(2);
      // Under it a tenth is.
      expect(off('fat', sum.fat), code).toBeLessThanOrEqual(0.05);
      expect(off('protein', sum.protein), code).toBeLessThanOrEqual(0.05);
    }
    expect(checked.length, checked.join(' ')).toBeGreaterThanOrEqual(8);
  });
});
