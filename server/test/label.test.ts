import sharp from 'sharp';
import { v7 as newId } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { Crew } from './filled.ts';
import { post, type Started } from './fixtures.ts';
import { OWNER, type Person, useTestApp } from './testApp.ts';

const app = useTestApp();
const crew = new Crew();
let lot: Started;

beforeAll(async () => {
  await crew.gather(app);
  lot = await crew.releasable();
});

/** A lot released by its owner. */
async function released(): Promise<Started> {
  const made = await crew.releasable();
  const decision = { event: 'release', password: OWNER.password };
  expect((await post(crew.owner, made, 'decisions', decision)).status).toBe(201);
  return made;
}
const bytes = async (who: Person, path: string): Promise<Buffer> => {
  const reply = await fetch(`${app.base}${path}`, { headers: { cookie: who.cookie } });
  expect(reply.status, path).toBe(200);
  return Buffer.from(await reply.arrayBuffer());
};
const sendPicture = (id: string, name: string, type: string, body: string) =>
  fetch(`${app.base}/api/label-pictures?id=${id}&name=${name}`, {
    method: 'POST',
    headers: { cookie: crew.maker.cookie, 'content-type': type },
    body,
  });

const label = async (of = lot) => (await crew.reader.get(`/api/lots/${of.id}/label`)).body;
const formulaOf = async () => (await crew.view(lot)).product.formulaId as string;
const setKitchen = async (fields: object) => {
  const { body } = await crew.owner.get('/api/kitchen');
  return crew.owner.send('PATCH', '/api/kitchen', { revision: body.revision, ...fields });
};
const labelling = async (more: object) =>
  setKitchen({ labelling: { ...(await crew.owner.get('/api/kitchen')).body.labelling, ...more } });
const save = async (more: object, revision?: number) => {
  const now = await label();
  return crew.maker.send('PATCH', `/api/formulas/${await formulaOf()}/label-design`, {
    design: { ...now.design, ...more },
    revision: revision ?? now.revision,
  });
};
const sheetOf = (more: object = {}) => ({
  id: newId(),
  name: 'A4, 8 labels',
  measures: {
    paper: 'A4',
    rows: 3,
    columns: 2,
    leftMm: 4,
    topMm: 6,
    acrossMm: 2,
    downMm: 2,
    labelWidthMm: 100,
    labelHeightMm: 90,
    round: false,
    ...more,
  },
});

describe('the design of a label', () => {
  it('is the usual one until it is saved, large enough for its words', async () => {
    const { design, revision, printable, refusal } = await label();
    expect([revision, refusal, printable]).toEqual([0, null, true]);
    expect(design.look).toBe('band');
  });
  it('is saved where nobody saved another meanwhile, and is of every lot of the formula', async () => {
    expect((await save({ look: 'wrap', widthMm: 230, heightMm: 70 })).body).toEqual({ revision: 1 });
    expect((await save({ look: 'tag' }, 0)).status).toBe(409);
    expect((await label()).design).toMatchObject({ look: 'wrap', widthMm: 230 });
  });
  it('is refused where it cannot be, and by a reader', async () => {
    expect((await save({ look: 'lid', widthMm: 60, heightMm: 50 })).status).toBe(422);
    expect((await save({ look: 'marble' })).status).toBe(422);
    expect((await save({ pictureId: newId() })).status).toBe(422);
    const { design, revision } = await label();
    const path = `/api/formulas/${await formulaOf()}/label-design`;
    expect((await crew.reader.send('PATCH', path, { design, revision })).status).toBe(403);
  });
  it('too small for its words refuses print and file alike, and names a size that would do', async () => {
    await save({ look: 'band', widthMm: 40, heightMm: 25 });
    const { refusal, checks } = await label();
    expect(refusal).toMatch(/a label of \d+ × \d+ mm would do/);
    expect(checks.find((c: { element: string }) => c.element === 'Type size').state).toBe('stops');
    expect((await post(crew.maker, lot, 'prints', { copies: 2 })).status).toBe(409);
    for (const kind of ['pdf', 'svg', 'png'])
      expect((await crew.maker.get(`/api/lots/${lot.id}/label.${kind}`)).status).toBe(409);
    const [, width, height] = /label of (\d+) × (\d+) mm/.exec(refusal)!;
    await save({ widthMm: Number(width), heightMm: Number(height) });
    expect((await label()).refusal).toBeNull();
  });
  it('draws the owner’s picture anew: an SVG with a script comes out as PNG without one', async () => {
    const svg =
      '<svg xmlns="http://www.w3.org/2000/svg" width="40" height="40"><script>alert(1)</script><circle cx="20" cy="20" r="18" fill="#1E40AF"/></svg>';
    const id = newId();
    const sent = await sendPicture(id, 'Mark', 'image/svg+xml', svg);
    expect(sent.status).toBe(201);
    const image = await bytes(crew.reader, `/api/label-pictures/${id}`);
    expect((await sharp(image).metadata()).format).toBe('png');
    expect(image.includes('alert')).toBe(false);
    const evil = '<!DOCTYPE svg [<!ENTITY a "b">]><svg xmlns="http://www.w3.org/2000/svg"/>';
    expect((await sendPicture(newId(), 'No', 'image/svg+xml', evil)).status).toBe(422);
    expect((await save({ pictureId: id })).status).toBe(200);
  });
});

describe('what is sold by weight', () => {
  it('has its net contents in ounces and grams, or grams', async () => {
    await save({ byWeight: true });
    const { content, rulePack } = await label();
    expect(content.netContents).toMatch(rulePack === 'us' ? /^Net wt [\d.]+ oz/ : /^\d+ g$/);
    await save({ byWeight: false });
    expect((await label()).content.netContents).toMatch(/237 mL/);
  });
});

describe('the second language', () => {
  it('is whole, or the label is not printed and says what is missing', async () => {
    await labelling({ second: 'fr' });
    expect((await label()).refusal).toMatch(
      /Not yet written in the second language: the name of the product/,
    );
    await save({
      second: { name: 'Sirop de griottes', use: 'Une part pour six' },
      widthMm: 150,
      heightMm: 110,
    });
    expect((await label()).refusal).toMatch(/the ingredients/);
    const { additions } = await crew.view(lot);
    const french: Record<string, string> = { 'sour-cherry': 'griottes', sugar: 'sucre' };
    await labelling({
      names: additions.map(({ ingredientId }: { ingredientId: string }) => ({
        language: 'fr',
        ingredientId,
        name: french[ingredientId] ?? 'autre chose',
      })),
    });
    const { second, refusal } = await label();
    expect(refusal).toBeNull();
    expect(second.statement).toMatch(/^Ingrédients: griottes/);
    expect(second.dateLine).toMatch(/^À consommer de préférence avant le/);
    await labelling({ second: null });
  });
});

describe('nutrition on a label', () => {
  it('is asked of the owner, and answered with its rule', async () => {
    const row = async () =>
      (await label()).checks.find((c: { element: string }) => c.element === 'Nutrition');
    expect((await row()).state).toBe('doubtful');
    const pack = (await label()).rulePack;
    await labelling({ nutrition: pack === 'us' ? 'us-low-volume' : 'eu-direct' });
    expect(await row()).toMatchObject({ state: 'there', rule: expect.stringMatching(/101\.9\(j\)|Annex V/) });
    expect((await labelling({ nutrition: 'because' })).status).toBe(422);
    await labelling({ nutrition: null });
  });
});

describe('sheets and prints', () => {
  it('a sheet that runs over its paper is refused, one that fits is kept and corrected', async () => {
    const wrong = await crew.maker.post('/api/label-sheets', sheetOf({ columns: 3 }));
    expect([wrong.status, wrong.body.detail ?? wrong.body.errors[0].message]).toEqual([
      422,
      expect.stringMatching(/right edge/),
    ]);
    const sheet = sheetOf();
    expect((await crew.maker.post('/api/label-sheets', sheet)).status).toBe(201);
    const { body } = await crew.maker.get('/api/label-sheets');
    expect(body[0]).toMatchObject({ name: 'A4, 8 labels', revision: 1, retired: false });
    const corrected = { name: sheet.name, measures: { ...body[0].measures, shiftXMm: 0.6 }, revision: 1 };
    expect((await crew.maker.send('PATCH', `/api/label-sheets/${sheet.id}`, corrected)).body.revision).toBe(
      2,
    );
    expect((await crew.maker.send('PATCH', `/api/label-sheets/${sheet.id}`, corrected)).status).toBe(409);
  });
  it('records on which sheet, what is printed anew and why, and what was spoilt', async () => {
    await save({ pictureId: null, second: null, widthMm: 100, heightMm: 90 });
    const sheetId = (await crew.maker.get('/api/label-sheets')).body[0].id;
    const first = newId();
    expect(
      (await post(crew.maker, lot, 'prints', { id: first, copies: 5, sheetId, firstLabel: 2 })).status,
    ).toBe(201);
    expect((await post(crew.maker, lot, 'prints', { copies: 1, sheetId, firstLabel: 9 })).status).toBe(422);
    expect((await post(crew.maker, lot, 'prints', { copies: 2, reprintOf: first })).status).toBe(422);
    expect(
      (await post(crew.maker, lot, 'prints', { copies: 2, reprintOf: first, why: 'smeared' })).status,
    ).toBe(201);
    expect(
      (await post(crew.maker, lot, 'spoilt-labels', { printId: first, count: 4, why: 'torn' })).status,
    ).toBe(201);
    expect(
      (await post(crew.maker, lot, 'spoilt-labels', { printId: first, count: 2, why: 'torn' })).status,
    ).toBe(422);
    const { prints, spoiltLabels } = await crew.view(lot);
    expect(prints.map((p: { copies: number; reprintOf: string | null }) => [p.copies, p.reprintOf])).toEqual([
      [5, null],
      [2, first],
    ]);
    expect(spoiltLabels).toHaveLength(1);
    const pdf = await bytes(crew.maker, `/api/lots/${lot.id}/label.pdf?copies=5&sheet=${sheetId}&first=2`);
    expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
  });
  it('has tags for bottles kept back, for a pan and for a stock lot', async () => {
    for (const of of ['retained', 'pan'])
      expect(
        (await bytes(crew.reader, `/api/tags.pdf?of=${of}&code=${lot.code}`)).subarray(0, 5).toString(),
      ).toBe('%PDF-');
    expect((await crew.reader.get('/api/tags.pdf?of=stock&code=S999')).status).toBe(404);
    expect((await crew.reader.get('/api/tags.pdf?of=retained&code=9Z9Z')).status).toBe(404);
  });
});

describe('a bottle kept back', () => {
  const look = (of: Started, bottlingId: string, more: object) =>
    post(crew.maker, of, 'looks', { bottlingId, opened: 'closed', ...more });
  it('is looked at; opened it leaves the stock; what is not of a closed one is refused', async () => {
    const kept = await released();
    const { bottlings } = await crew.view(kept);
    const b = bottlings[0].id;
    await post(crew.maker, kept, 'movements', {
      bottlingId: b,
      kind: 'retained',
      from: 'cellar',
      to: 'kept back',
      count: 3,
    });
    expect((await look(kept, b, { findings: ['sediment'], colour: 9 })).status).toBe(201);
    expect((await look(kept, b, { ph: 3.4 })).status).toBe(422);
    expect((await look(kept, b, { opened: 'opened', smell: 9 })).status).toBe(422);
    expect((await look(kept, b, { opened: 'opened', smell: 9, place: 'attic' })).status).toBe(422);
    const before = (await crew.view(kept)).bottles.left;
    expect((await look(kept, b, { opened: 'opened', smell: 9, place: 'kept back' })).status).toBe(201);
    const after = await crew.view(kept);
    expect(after.bottles.left).toBe(before - 1);
    expect(after.state).toBe('released');
    const { body } = await crew.reader.get(`/api/lots/${kept.code}/ageing`);
    expect(body.evidence).toMatchObject({ looks: 2, supportsLonger: false });
    expect(body.why[0].heading).toMatch(/^Best by/);
    expect(
      (await bytes(crew.reader, `/api/lots/${kept.code}/why-this-date.pdf`)).subarray(0, 5).toString(),
    ).toBe('%PDF-');
  });
  it('with a fault holds its lot, and names the lots that share something with it', async () => {
    const kept = await released();
    const { bottlings } = await crew.view(kept);
    expect((await look(kept, bottlings[0].id, { findings: ['gas'] })).status).toBe(201);
    const { state, deviations } = await crew.view(kept);
    expect(state).toBe('held');
    // A pH over the limit as well, though no meter is named for it.
    const sour = await released();
    const [filled] = (await crew.view(sour)).bottlings;
    const over = { opened: 'opened', ph: 4.6, place: 'cellar' };
    expect((await look(sour, filled.id, over)).status).toBe(201);
    expect((await crew.view(sour)).state).toBe('held');
    expect(deviations.some((d: { what: string }) => /showed gas/.test(d.what))).toBe(true);
  });
  it('dates its lot earlier as the owner likes, later only with evidence, and never by a maker', async () => {
    const kept = await released();
    const { keeping } = await crew.view(kept);
    const date = (body: object) => post(crew.owner, kept, 'datings', { why: 'the colour goes', ...body });
    expect((await date({ until: '2999-01-01' })).status).toBe(422);
    expect((await date({ until: 'soon' })).status).toBe(422);
    expect((await date({ longer: true })).status).toBe(422);
    expect((await post(crew.maker, kept, 'datings', { until: keeping.bestBy, why: 'shorter' })).status).toBe(
      403,
    );
    const until = new Date(Date.parse(keeping.bestBy) - 60 * 86_400_000).toISOString().slice(0, 10);
    expect((await date({ until })).status).toBe(201);
    const after = (await crew.view(kept)).keeping;
    expect(after.bestBy).toBe(until);
    expect(after.reason).toMatch(/the colour goes/);
  });
});

describe('how warm it was where bottles stand', () => {
  it('is of a thermometer, never of the future, and is read back by place', async () => {
    const thermometer = newId();
    await crew.maker.post('/api/instruments', {
      id: thermometer,
      kind: 'thermometer',
      name: 'Cellar logger',
    });
    const send = (body: object, id = thermometer) =>
      crew.maker.post(`/api/instruments/${id}/place-temperatures`, { id: newId(), place: 'cellar', ...body });
    const at = (hours: number) => new Date(Date.now() - hours * 3_600_000).toISOString();
    expect(
      (
        await send({
          samples: [
            { at: at(3), celsius: 11 },
            { at: at(1), celsius: 12 },
          ],
        })
      ).status,
    ).toBe(201);
    expect((await send({ samples: [{ at: at(-9), celsius: 11 }] })).status).toBe(422);
    expect((await send({ samples: [{ at: 'yesterday', celsius: 11 }] })).status).toBe(422);
    expect((await send({ samples: [] })).status).toBe(422);
    expect((await send({ samples: [{ at: at(1), celsius: 9 }] }, newId())).status).toBe(404);
    const { body } = await crew.reader.get('/api/place-temperatures?place=cellar');
    expect(body[0]).toMatchObject({ instrument: 'Cellar logger', place: 'cellar' });
    expect(body[0].samples).toHaveLength(2);
  });
});
