import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { v7 as newId } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { verifyJournal } from '../src/audit/verify.ts';
import { Crew } from './filled.ts';
import { post, type Started } from './fixtures.ts';
import { OWNER, type Person, useTestApp } from './testApp.ts';

const app = useTestApp();
const crew = new Crew();
beforeAll(() => crew.gather(app));

const journalOf = async (lot: Started): Promise<{ action: string; by: string; payload: never }[]> =>
  (await crew.owner.get(`/api/lots/${lot.id}/journal`)).body;

describe('a release', () => {
  const release = (who: Person, lot: Started, more: object = { password: OWNER.password }) =>
    post(who, lot, 'decisions', { event: 'release', ...more });
  it('is signed with the account’s own password', async () => {
    const lot = await crew.releasable();
    expect((await release(crew.maker, lot, {})).body.errors[0].path).toBe('password');
    expect((await release(crew.maker, lot, { password: 'not my password' })).body.errors[0].message).toMatch(
      /Nothing was released/,
    );
    expect((await crew.view(lot)).state).toBe('bottled');
    expect((await release(crew.maker, lot)).status).toBe(201);
    expect((await crew.view(lot)).state).toBe('released');
  });
  it('around its gates is refused to everybody, by every way there is, and every attempt is journaled', async () => {
    const lot = await crew.filled();
    const tried = [
      await release(crew.owner, lot),
      await release(crew.maker, lot),
      await release(crew.reader, lot),
      await release(crew.owner, lot, {}),
      await post(crew.owner, lot, 'rulings', { event: 'release', why: 'it is fine', done: 'nothing' }),
      await post(crew.maker, lot, 'rulings', { event: 'release', why: 'it is fine' }),
      await post(crew.owner, lot, 'movements', {
        bottlingId: (await crew.view(lot)).bottlings[0].id,
        kind: 'sold',
        from: 'cellar',
        count: 1,
      }),
    ];
    expect(tried.map((r) => r.status)).toEqual([409, 409, 403, 422, 422, 403, 409]);
    expect((await crew.view(lot)).state).toBe('resting');
    const refused = (await journalOf(lot)).filter((row) => row.action.endsWith(' refused'));
    expect(refused.map((row) => row.action)).toEqual([...Array(6).fill('release refused'), 'sold refused']);
    expect(new Set(refused.map((row) => row.by)).size).toBe(3);
    expect(await verifyJournal(app.pool)).toMatchObject([{ faults: [] }]);
  });
  it('with any one of its gates shut is refused, and names that gate', async () => {
    const lot = await crew.releasable();
    const { readings, tallies, additions, sealChecks, heatProcesses } = await crew.view(lot);
    const strikes: [string, string, string][] = [
      ['reading', readings.at(-1).id, 'acid'],
      ['tally', tallies[0].id, 'count'],
      ['addition', additions[0].id, 'everything-in'],
      ['seal-check', sealChecks[0].id, 'seal'],
      ['heat-process', heatProcesses[0].id, 'heat'],
    ];
    for (const [noun, entryId, shuts] of strikes) {
      await post(crew.maker, lot, 'strikes', { noun, entryId, why: 'wrong' });
      const reply = await release(crew.owner, lot);
      expect(reply.status).toBe(409);
      expect(reply.body.errors.map((e: { path: string }) => e.path)).toContain(`gates.${shuts}`);
    }
  });
  it('waits for every deviation, which wants its cause and its cure', async () => {
    const lot = await crew.releasable();
    const id = newId();
    await crew.maker.post(`/api/lots/${lot.id}/deviations`, { id, what: 'A jar stood by the open window' });
    expect((await release(crew.owner, lot)).body.errors[0].path).toBe('gates.deviations');
    const half = await post(crew.maker, lot, 'closings', { deviationId: id, cause: 'wind', done: '' });
    expect(half.body.errors[0].path).toBe('done');
    const closing = { deviationId: id, cause: 'the latch was off', done: 'that jar was discarded' };
    expect((await post(crew.maker, lot, 'closings', closing)).status).toBe(201);
    expect((await post(crew.maker, lot, 'closings', closing)).status).toBe(409);
    expect((await release(crew.owner, lot)).status).toBe(201);
  });
  it('that is held again is taken up only with cause and cure, which close what held it', async () => {
    const lot = await crew.releasable();
    await post(crew.maker, lot, 'decisions', { event: 'hold', why: 'the crate fell at the stall' });
    const held = await crew.view(lot);
    expect(held.deviations[0]).toMatchObject({ kind: 'held', closed: null });
    const early = await post(crew.maker, lot, 'closings', {
      deviationId: held.deviations[0].id,
      cause: 'x x',
      done: 'y y',
    });
    expect(early.status).toBe(409);
    const bare = await post(crew.owner, lot, 'rulings', { event: 'resume', why: 'one bent ring' });
    expect(bare.body.errors[0].path).toBe('done');
    await post(crew.owner, lot, 'rulings', {
      event: 'resume',
      why: 'one bent ring',
      done: 'all rings looked at',
    });
    expect((await crew.view(lot)).deviations[0].closed).toMatchObject({
      cause: 'one bent ring',
      done: 'all rings looked at',
    });
    expect((await crew.view(lot)).state).toBe('bottled');
  });
  it('of a lot that something is then found wrong with is held at once', async () => {
    const lot = await crew.releasable();
    await release(crew.maker, lot);
    await post(crew.maker, lot, 'deviations', { what: 'A lid lifted on the shelf' });
    const { state, deviations } = await crew.view(lot);
    expect(state).toBe('held');
    // One thing, whose cause is written once.
    expect(deviations.map((d: { kind: string }) => d.kind)).toEqual(['spoilage']);
  });
  /** The text of a lot's PDF. */
  const textOf = async (lot: Started, name: string) => {
    const bytes = await fetch(`${crew.owner.base}/api/lots/${lot.id}/${name}.pdf`, {
      headers: { cookie: crew.owner.cookie },
    });
    const pdf = await getDocument({ data: new Uint8Array(await bytes.arrayBuffer()) }).promise;
    const pages = await Promise.all(
      Array.from({ length: pdf.numPages }, async (_, i) => {
        const { items } = await (await pdf.getPage(i + 1)).getTextContent();
        return items.map((item) => ('str' in item ? item.str : '')).join(' ');
      }),
    );
    return pages.join(' ').replace(/\s+/g, ' ');
  };
  it('has a sheet whose text says what it rests on', async () => {
    const lot = await crew.releasable();
    expect(await textOf(lot, 'release')).toMatch(/Not released\./);
    await release(crew.maker, lot);
    const text = await textOf(lot, 'release');
    expect(text).toMatch(new RegExp(`Release sheet, lot ${lot.code}`));
    expect(text).toMatch(/Released .*, by maker/i);
    expect(text).toMatch(/Critical limit of this lot: pH 4\.2/);
    expect(text).toMatch(/pH 3\.30 measured/);
    expect(text).toMatch(/15 of 15 min, A letter of an authority, 3 May 2026/);
    expect(text).toMatch(/2,360 ft/);
  });
  it('has its whole record on paper: everything that happened, day by day, and where its journal ends', async () => {
    const lot = await crew.releasable();
    const noted = { id: newId(), kind: 'note', said: 'The mill smelt of quince' };
    await post(crew.maker, lot, 'readings', noted);
    await crew.maker.post(`/api/lots/${lot.id}/strikes`, {
      id: newId(),
      noun: 'reading',
      entryId: noted.id,
      why: 'of another lot',
    });
    const journal = (await crew.owner.get(`/api/lots/${lot.id}/journal`)).body;
    const text = await textOf(lot, 'record');
    const view = await crew.view(lot);
    expect(text).toMatch(new RegExp(`Record of lot ${lot.code}`));
    expect(text).toMatch(/Undone: Note: The mill smelt of quince .*undone by .*: of another lot/i);
    const marks = view.steps.flatMap((s: { marks: { kind: string }[] }) => s.marks.map((m) => m.kind));
    expect(text.match(/ Done: /g) ?? []).toHaveLength(marks.filter((kind: string) => kind === 'done').length);
    expect(text.match(/ In: /g)).toHaveLength(view.additions.length);
    expect(text.match(/Passed: /g)).toHaveLength(view.gates.filter((g: { open: boolean }) => g.open).length);
    expect(text).toContain(`${journal.length} rows; the last has the SHA-256 hash ${journal.at(-1).hash}`);
    // That it went out is journaled.
    const after = (await crew.owner.get(`/api/lots/${lot.id}/journal`)).body;
    expect(after.at(-1)).toMatchObject({ action: 'export', payload: { what: 'record' } });
  });
});

describe('what a lot measured', () => {
  it('stands with its formula for the next one: as weighed, with the highest finished pH that counts', async () => {
    const lot = await crew.releasable();
    const view = await crew.view(lot);
    const { status, body } = await crew.reader.get(`/api/formulas/${view.product.formulaId}/measured`);
    expect(status).toBe(200);
    const mine = body.find((m: { code: string }) => m.code === view.code);
    const counted = view.readings.filter(
      (r: { kind: string; sample: string; counts: boolean; struck: unknown }) =>
        r.kind === 'ph' && r.sample === 'finished' && r.counts && r.struck === null,
    );
    expect(mine.ph).toBe(Math.max(...counted.map((r: { value: number }) => r.value)));
    expect(mine.content.lines[0].said).toBe(`${view.additions[0].grams} g`);
    await post(crew.maker, lot, 'strikes', { noun: 'reading', entryId: counted[0].id, why: 'misread' });
    const after = (await crew.reader.get(`/api/formulas/${view.product.formulaId}/measured`)).body;
    expect(after.some((m: { code: string }) => m.code === view.code)).toBe(counted.length > 1);
    expect((await crew.reader.get(`/api/formulas/${newId()}/measured`)).status).toBe(404);
  });
});
