import type { KitchenJournalRow } from '@inch/contract/kitchen/journal';
import { beforeAll, describe, expect, it } from 'vitest';
import { beginLot, cherryContent, post, type Started, saveFormula, weighIn } from './fixtures.ts';
import { colleague, ownerOf, type Person, useTestApp } from './testApp.ts';

const app = useTestApp();
let owner: Person;
let maker: Person;
let lot: Started;

beforeAll(async () => {
  owner = await ownerOf(app);
  maker = await colleague(app, owner, 'maker');
  lot = await beginLot(maker, await saveFormula(owner, cherryContent));
  await weighIn(maker, lot);
  for (let i = 0; i < 7; i++) await post(maker, lot, 'readings', { kind: 'note', said: `look ${i}` });
});

/** Every row that a filter leaves, a page after another. */
async function read(query: string, limit = 4): Promise<KitchenJournalRow[]> {
  const found: KitchenJournalRow[] = [];
  for (let before = ''; ; ) {
    const { status, body } = await owner.get(`/api/journal?${query}&limit=${limit}${before}`);
    expect(status, JSON.stringify(body)).toBe(200);
    found.push(...body.rows);
    if (body.next === null) return found;
    before = `&before=${body.next}`;
  }
}

describe('the journal of the kitchen', () => {
  it('has every change once, the newest first, without the rows that are held for the proof', async () => {
    const all = await read('');
    const sequences = all.map((row) => row.sequence);
    expect(sequences).toEqual(sequences.toSorted((a, b) => b - a));
    expect(new Set(sequences).size).toBe(sequences.length);
    const [count] = await app.pool.query("SELECT COUNT(*) AS n FROM journal WHERE noun <> 'rows'");
    expect(count).toEqual([{ n: all.length }]);
    expect(all.at(-1)).toMatchObject({ noun: 'kitchen', action: 'set up' });
  });

  it('is narrowed by what, by whom and to days, each alone and together', async () => {
    const all = await read('');
    const notes = await read('noun=reading');
    expect(notes).toHaveLength(7);
    expect(notes.every((row) => row.lot === lot.code)).toBe(true);
    const makers = all.find((row) => row.noun === 'reading')!.by;
    const own = await read(`by=${encodeURIComponent(makers)}`);
    expect(own).toEqual(all.filter((row) => row.by === makers));
    const today = new Date().toISOString().slice(0, 10);
    expect(await read(`from=${today}&until=${today}`)).toEqual(all);
    expect(await read('until=2020-01-01')).toEqual([]);
    expect(await read('noun=account&by=Wren')).toEqual(
      all.filter((row) => row.noun === 'account' && row.by === 'Wren'),
    );
    expect(await read('noun=rows')).toEqual([]);
  });

  it.each(['from=yesterday', 'until=2026-13-01', 'before=0', 'limit=1000'])('refuses %s', async (query) =>
    expect((await owner.get(`/api/journal?${query}`)).status).toBe(422),
  );
});
