import { v7 as newId } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { verifyJournal } from '../src/audit/verify.ts';
import { beginLot, cherryContent, saveFormula } from './fixtures.ts';
import { ownerOf, type Person, useTestApp } from './testApp.ts';

const app = useTestApp();
let owner: Person;
beforeAll(async () => {
  owner = await ownerOf(app);
});

const on = '2026-09-14';
const enter = (body: object) => owner.post('/api/ingredients/own', { id: newId(), ...body });
const label = (more: object = {}) => ({
  name: 'Perry vinegar',
  labelName: 'perry vinegar',
  family: 'vinegar',
  sugars: 0.4,
  acetic: 5.6,
  gramsPerMl: 1.01,
  allergens: ['sulphites'],
  source: 'titrated here',
  on,
  ...more,
});
const own = async () => (await owner.get('/api/ingredients/own')).body;

describe('what the kitchen knows of its ingredients', () => {
  it('is a fruit as measured this year, worked out by the server', async () => {
    expect(
      (await enter({ ingredientId: 'damson', measured: { brix: 14, ph: 3.05, taPer100g: 2.1, on } })).status,
    ).toBe(201);
    const [damson] = (await own()).ingredients;
    expect(damson).toMatchObject({
      id: 'damson',
      own: { from: 'measured', on },
      acidity: { kind: 'juice', ph: [3, 3.05, 3.1] },
    });
  });
  it('is a thing from its label, a price, and a measure', async () => {
    expect((await enter({ ingredientId: 'own-perry', label: label() })).status).toBe(201);
    expect((await enter({ ingredientId: 'sugar', pricePerKgMinor: 115 })).status).toBe(201);
    const kept = await owner.post('/api/measures', { id: newId(), name: 'Mug', millilitres: 320 });
    expect(kept.status).toBe(201);
    const body = await own();
    expect(body.prices).toEqual({ sugar: 115 });
    expect(body.measures).toEqual([{ name: 'mug', ingredientId: null, grams: null, millilitres: 320 }]);
    expect(body.ingredients.map((i: { id: string }) => i.id).sort()).toEqual(['damson', 'own-perry']);
  });
  it('is written once, however often it is sent', async () => {
    const body = { id: newId(), ingredientId: 'quince', pricePerKgMinor: 220 };
    for (let i = 0; i < 2; i++)
      expect((await owner.post('/api/ingredients/own', body)).body).toEqual({ id: body.id });
    expect(
      (await own()).entered.filter((e: { ingredientId: string }) => e.ingredientId === 'quince'),
    ).toHaveLength(1);
  });
  it('is kept in order by two hands at once: none is lost', async () => {
    const prices = [301, 302, 303, 304, 305, 306];
    const replies = await Promise.all(
      prices.map((pricePerKgMinor) => enter({ ingredientId: 'plum', pricePerKgMinor })),
    );
    expect(replies.map((r) => r.status)).toEqual(prices.map(() => 201));
    const [{ number, kept }] = (
      await app.pool.query(
        "SELECT MAX(number) AS number, COUNT(*) AS kept FROM own_ingredient WHERE ingredient_id = 'plum'",
      )
    )[0] as unknown as [{ number: number; kept: number }];
    expect([number, kept]).toEqual([6, 6]);
    expect(prices).toContain((await own()).prices.plum);
  });
  it('a price said alone leaves the figures as they were; typical ones come back only when asked for', async () => {
    const damson = async () => (await own()).ingredients.find((i: { id: string }) => i.id === 'damson');
    await enter({ ingredientId: 'damson', pricePerKgMinor: 280 });
    expect((await damson()).acidity.ph[1]).toBe(3.05);
    expect((await own()).prices.damson).toBe(280);
    await enter({ ingredientId: 'own-perry', pricePerKgMinor: 340 });
    expect((await own()).ingredients.some((i: { id: string }) => i.id === 'own-perry')).toBe(true);
    expect((await enter({ ingredientId: 'own-perry', typical: true })).status).toBe(422);
    await enter({ ingredientId: 'damson', typical: true });
    expect(await damson()).toBeUndefined();
    await enter({ ingredientId: 'damson', measured: { brix: 14, ph: 3.05, taPer100g: 2.1, on } });
  });
  it('the newest counts, and a measure can be put away', async () => {
    await owner.post('/api/measures', { id: newId(), name: 'mug', millilitres: 350 });
    expect((await own()).measures[0].millilitres).toBe(350);
    await owner.post('/api/measures', { id: newId(), name: 'mug', retired: true });
    expect((await own()).measures).toEqual([]);
  });

  it.each([
    [
      'figures that do not fit',
      { ingredientId: 'damson', measured: { ph: 2.0, taPer100g: 0.2, on } },
      /give no pH under/,
    ],
    ['a pH out of range', { ingredientId: 'damson', measured: { ph: 9, on } }, /pH is not over 6/],
    ['nothing measured', { ingredientId: 'damson', measured: { on } }, /at least one measured figure/],
    ['a label for what ships', { ingredientId: 'damson', label: label() }, /in the catalogue already/],
    [
      'a poisonous plant',
      { ingredientId: 'own-fox', label: label({ name: 'Foxglove', family: 'plant' }) },
      /poisonous/,
    ],
    ['an unknown thing’s price', { ingredientId: 'moonbeam', pricePerKgMinor: 1 }, /no such ingredient/],
    ['no figure at all', { ingredientId: 'damson-x', measured: null }, /no such ingredient/],
    [
      'more than 100 g in 100 g',
      { ingredientId: 'own-y', label: label({ sugars: 80, water: 40 }) },
      /more than 100 g/,
    ],
  ])('%s is refused with what to do, and changes nothing', async (_, body, message) => {
    const before = await own();
    const reply = await enter(body);
    expect([400, 422]).toContain(reply.status);
    expect(JSON.stringify(reply.body)).toMatch(message);
    expect(await own()).toEqual(before);
  });
  it('a measure of nothing, or by no name, is refused', async () => {
    for (const body of [
      { name: 'mug' },
      { name: '3 cups', millilitres: 3 },
      { name: 'cup', ingredientId: 'sugar', millilitres: 3 },
    ])
      expect((await owner.post('/api/measures', { id: newId(), ...body })).status).toBe(422);
    expect(
      (await owner.post('/api/measures', { id: newId(), name: 'cup', ingredientId: 'moonbeam', grams: 3 }))
        .status,
    ).toBe(422);
  });
});

describe('a version that uses them', () => {
  const content = {
    ...cherryContent,
    processId: undefined,
    storage: 'cold',
    lines: [
      { id: 'fruit', said: '2 kg', ingredientId: 'damson', stepId: 'simmer' },
      {
        id: 'sugar',
        said: 'half',
        ingredientId: 'sugar',
        stepId: 'simmer',
        basis: { per: 'line', lineId: 'fruit', by: 'weight' },
      },
      { id: 'vinegar', said: '2 ladles', ingredientId: 'own-perry', stepId: 'reduce' },
    ],
  };
  it('is refused while a measure in it is not known, and kept with it once it is', async () => {
    const body = {
      id: newId(),
      versionId: newId(),
      name: 'Shrub',
      kind: 'shrub',
      colour: '#4A2860',
      content,
    };
    const refused = await owner.post('/api/formulas', body);
    expect(refused.status).toBe(422);
    expect(refused.body.errors[0]).toMatchObject({
      path: 'content.lines.2',
      message: expect.stringMatching(/ladle/),
    });
    await owner.post('/api/measures', { id: newId(), name: 'ladle', millilitres: 120 });
    await owner.post('/api/formulas', body);
    const kept = (await owner.get(`/api/formulas/${body.id}`)).body.content.own;
    expect(kept.ingredients.map((i: { id: string }) => i.id).sort()).toEqual(['damson', 'own-perry']);
    expect(kept.measures).toEqual([{ name: 'ladle', ingredientId: null, grams: null, millilitres: 120 }]);
  });
  it('takes no entries from whoever sends it', async () => {
    const forged = { ingredients: [{ ...(await own()).ingredients[0], allergens: [] }], measures: [] };
    const id = await saveFormula(owner, { ...cherryContent, own: forged }, 'Plain cherry');
    expect((await owner.get(`/api/formulas/${id}`)).body.content.own?.ingredients ?? []).toEqual([]);
  });
  it('gives its lot the grams and the label of its day, whatever is entered later', async () => {
    const formulas = (await owner.get('/api/formulas')).body;
    const lot = await beginLot(owner, formulas.find((f: { name: string }) => f.name === 'Shrub').id);
    const { lines } = (await owner.get(`/api/lots/${lot.id}`)).body;
    expect(lines.map((l: { grams: number }) => l.grams)).toEqual([2000, 1000, expect.closeTo(240 * 1.01, 3)]);
    for (const line of lines)
      await owner.post(`/api/lots/${lot.id}/additions`, {
        id: newId(),
        lineId: line.lineId,
        ingredientId: line.ingredientId,
        grams: line.grams,
      });
    const labelOf = async () => (await owner.get(`/api/lots/${lot.id}/label`)).body.content;
    const before = await labelOf();
    expect(before.statement).toBe('Ingredients: damsons, sugar, perry vinegar.');
    expect(before.allergens).toMatch(/sulphites/);
    await enter({ ingredientId: 'own-perry', label: label({ labelName: 'cider', allergens: [] }) });
    expect(await labelOf()).toEqual(before);
    const history = (await owner.get(`/api/lots/${lot.id}`)).body.additions;
    expect(
      history.find((a: { ingredientId: string }) => a.ingredientId === 'own-perry').entry.labelName,
    ).toBe('perry vinegar');
  });
});

describe('a formula', () => {
  it('is archived and restored, with all it has', async () => {
    const id = await saveFormula(owner, cherryContent, 'To put away');
    await owner.post(`/api/formulas/${id}/archive`, { archived: true });
    const refused = await owner.post('/api/lots', { id: newId(), formulaId: id });
    expect([refused.status, refused.body.detail]).toEqual([409, expect.stringMatching(/archived/)]);
    const listed = async (query: string) =>
      (await owner.get(`/api/formulas${query}`)).body.map((f: { id: string }) => f.id);
    expect(await listed('')).not.toContain(id);
    expect(await listed('?archived=true&limit=1')).toEqual([id]);
    expect(await listed(`?archived=true&before=${id}`)).toEqual([]);
    for (const archived of [true, true, false]) {
      expect((await owner.post(`/api/formulas/${id}/archive`, { archived })).body).toEqual({ id, archived });
      expect((await owner.get(`/api/formulas/${id}`)).body).toMatchObject({ archived, version: 1 });
    }
    expect((await owner.post(`/api/formulas/${newId()}/archive`, { archived: true })).status).toBe(404);
    expect((await verifyJournal(app.pool))[0]).toMatchObject({ faults: [] });
  });
  it('has a published schema that anyone may read', async () => {
    const { body, status } = await owner.get('/api/schemas/formula.json');
    expect(status).toBe(200);
    expect(body).toMatchObject({
      title: expect.stringMatching(/formula/),
      type: 'object',
      required: expect.arrayContaining(['format', 'content']),
    });
  });
});
