import { v7 as newId } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { verifyJournal } from '../src/audit/verify.ts';
import { ago, beginLot, cherryContent, jarOf, post, type Started, saveFormula, weighIn } from './fixtures.ts';
import { colleague, ownerOf, type Person, useTestApp } from './testApp.ts';

const app = useTestApp();
let who: Person;
let formulaId: string;
const day = (daysFromNow: number) => ago(-24 * daysFromNow).slice(0, 10);

beforeAll(async () => {
  who = await ownerOf(app);
  formulaId = await saveFormula(who, cherryContent);
});

const takeIn = async (thing: string, quantity: number, more: object = {}) => {
  const reply = await who.post('/api/stock', {
    id: newId(),
    kind: 'ingredient',
    thing,
    quantity,
    gotOn: day(-2),
    ...more,
  });
  expect(reply.status, JSON.stringify(reply.body)).toBe(201);
  return reply.body as { id: string; code: string };
};
interface Shown {
  id: string;
  code: string;
  left: number;
  allergens: string[];
  whyUnfit: string | null;
  takings: { kind: string; amount: number; into: string | null; struck: boolean }[];
}
/** A stock lot with its history; where the list has it, as the list has it but for that. */
const stockOf = async (id: string): Promise<Shown> => {
  const { takings, ...own } = (await who.get(`/api/stock/${id}`)).body as Shown;
  const used = own.left > 1e-6 ? 'no' : 'up';
  const listed = ((await who.get(`/api/stock?used=${used}`)).body as Shown[]).find((s) => s.id === id)!;
  const { takings: sums, ...shown } = listed;
  expect(shown).toEqual(own);
  const went = takings.filter((t) => !t.struck).reduce((sum, t) => sum + t.amount, 0);
  expect(sums.reduce((sum, t) => sum + t.amount, 0)).toBeCloseTo(went, 6);
  return { ...own, takings };
};
const weigh = (lot: Started, ingredientId: string, grams: number, more: object = {}) =>
  post(who, lot, 'additions', { ingredientId, grams, ...more });
const additionsOf = async (lot: Started) =>
  (await who.get(`/api/lots/${lot.id}`)).body.additions as {
    id: string;
    grams: number;
    beforeTrimming: number | null;
    withdrawals: { code: string; amount: number; stockId: string }[];
  }[];

describe('a count or a loss that was a mistake', () => {
  const undo = (id: string, takingId: string, why = 'the wrong bag') =>
    who.post(`/api/stock/${id}/strikes`, { id: newId(), takingId, why });
  const counted = async (id: string, found: number) => {
    const taking = newId();
    const body = { id: taking, found, why: 'as it stood on the shelf' };
    expect((await who.post(`/api/stock/${id}/counts`, body)).status).toBe(201);
    return taking;
  };

  it('is undone by itself: what was there is there again, and it stays in the history, struck', async () => {
    const { id } = await takeIn('salt', 1000);
    const count = await counted(id, 400);
    const lost = newId();
    await who.post(`/api/stock/${id}/losses`, { id: lost, kind: 'spoiled', amount: 100, why: 'damp' });
    expect((await stockOf(id)).left).toBe(300);
    expect((await undo(id, count)).status).toBe(201);
    expect((await undo(id, count)).status).toBe(201);
    expect((await stockOf(id)).left).toBe(900);
    expect((await undo(id, lost)).status).toBe(201);
    const { left, takings } = await stockOf(id);
    expect(left).toBe(1000);
    expect(takings).toMatchObject([
      { struck: true, undone: { why: 'the wrong bag' } },
      { struck: true, undone: { why: 'the wrong bag' } },
    ]);
    const [report] = await verifyJournal(app.pool);
    expect(report!.faults).toEqual([]);
  });

  it('is not undone where more was taken since than would be there, nor what an entry of a lot took', async () => {
    const { id } = await takeIn('honey', 1000);
    const found = await counted(id, 1500);
    const lot = await beginLot(who, formulaId, ago(1));
    expect(
      (await weigh(lot, 'honey', 1200, { why: 'to taste', stock: [{ stockId: id, amount: 1200 }] })).status,
    ).toBe(201);
    const refused = await undo(id, found);
    expect([refused.status, refused.body.detail]).toEqual([
      409,
      expect.stringMatching(/200 g more were taken since/),
    ]);
    const used = (await who.get(`/api/stock/${id}`)).body.takings.find(
      (t: { kind: string }) => t.kind === 'used',
    );
    expect((await undo(id, used.id)).status).toBe(422);
    expect((await undo(id, newId())).status).toBe(404);
    expect((await stockOf(id)).left).toBe(300);
  });
});

describe('what is weighed in', () => {
  it('leaves the stock by what was weighed, the oldest fit lot first, and the record names the lots', async () => {
    const young = await takeIn('sugar', 5000, { gotOn: day(-1) });
    const old = await takeIn('sugar', 1200, { gotOn: day(-30) });
    const past = await takeIn('sugar', 900, { gotOn: day(-60), bestBy: day(-3) });
    const lot = await beginLot(who, formulaId);
    expect((await weigh(lot, 'sugar', 1870, { lineId: 'sugar' })).status).toBe(201);
    expect((await stockOf(old.id)).left).toBe(0);
    expect((await stockOf(young.id)).left).toBe(5000 - 670);
    expect(await stockOf(past.id)).toMatchObject({ left: 900, whyUnfit: expect.stringMatching(/best by/) });
    const [added] = await additionsOf(lot);
    expect(added!.withdrawals.map((d) => [d.code, d.amount])).toEqual([
      [old.code, 1200],
      [young.code, 670],
    ]);
    expect((await stockOf(old.id)).takings).toMatchObject([
      { kind: 'used', amount: 1200, into: lot.code, struck: false },
    ]);
  });

  it('leaves by the weight before trimming where that was taken, and water leaves nothing', async () => {
    const crate = await takeIn('quince', 8000);
    const lot = await beginLot(who, formulaId);
    await weigh(lot, 'quince', 5000, { beforeTrimming: 5600 });
    await weigh(lot, 'water', 700);
    expect((await stockOf(crate.id)).left).toBe(2400);
    const [fruit, water] = await additionsOf(lot);
    expect(fruit).toMatchObject({ grams: 5000, beforeTrimming: 5600 });
    expect(water!.withdrawals).toEqual([]);
    const wrong = await weigh(lot, 'quince', 900, { beforeTrimming: 800 });
    expect(wrong.status).toBe(422);
    expect((await stockOf(crate.id)).left).toBe(2400);
  });

  it('comes from the lot chosen by hand, and a struck weighing never left it', async () => {
    const a = await takeIn('gooseberry', 3000, { gotOn: day(-9) });
    const b = await takeIn('gooseberry', 3000, { gotOn: day(-1) });
    const lot = await beginLot(who, formulaId);
    await weigh(lot, 'gooseberry', 2500, { stock: [{ stockId: b.id, amount: 2500 }] });
    expect([(await stockOf(a.id)).left, (await stockOf(b.id)).left]).toEqual([3000, 500]);
    const [added] = await additionsOf(lot);
    await who.post(`/api/lots/${lot.id}/strikes`, {
      noun: 'addition',
      entryId: added!.id,
      why: 'weighed wrong',
    });
    expect(await stockOf(b.id)).toMatchObject({ left: 3000, takings: [{ struck: true }] });
  });

  it('never takes more than is there: chosen by hand it is refused, else what nothing covers stays open and is covered later', async () => {
    const bag = await takeIn('raspberry', 800);
    const lot = await beginLot(who, formulaId);
    const refused = await weigh(lot, 'raspberry', 1000, { stock: [{ stockId: bag.id, amount: 1000 }] });
    expect(refused.status).toBe(409);
    expect(refused.body.detail).toMatch(new RegExp(`${bag.code} has only 800 g left`));
    expect((await stockOf(bag.id)).left).toBe(800);
    expect((await weigh(lot, 'raspberry', 1000)).status).toBe(201);
    const [open] = await additionsOf(lot);
    expect(open!.withdrawals.reduce((sum, d) => sum + d.amount, 0)).toBe(800);
    expect((await stockOf(bag.id)).left).toBe(0);
    const other = await takeIn('raspberry', 500);
    const cover = (amount: number, stockId = other.id) =>
      who.post('/api/stock-coverings', { id: newId(), noun: 'addition', entryId: open!.id, stockId, amount });
    expect((await cover(300)).status).toBe(409);
    expect((await cover(200)).status).toBe(201);
    expect((await cover(1)).status).toBe(409);
    expect((await additionsOf(lot))[0]!.withdrawals.reduce((sum, d) => sum + d.amount, 0)).toBe(1000);
    expect((await stockOf(other.id)).left).toBe(300);
  });

  it('is refused from a lot of another thing, and from one past its date unless a word says why', async () => {
    const late = await takeIn('redcurrant', 900, { gotOn: day(-20), bestBy: day(-1) });
    const lot = await beginLot(who, formulaId);
    const from = (ingredientId: string, why?: string) =>
      weigh(lot, ingredientId, 100, { stock: [{ stockId: late.id, amount: 100 }], why });
    expect((await from('blackcurrant')).body.detail).toMatch(/choose one of the same thing/);
    expect((await from('redcurrant')).body.detail).toMatch(/say why/);
    expect((await from('redcurrant', 'looked at, still firm')).status).toBe(201);
  });

  it('two cooks at once never take more than there is', async () => {
    const bag = await takeIn('cane-sugar', 1000);
    const lots = [await beginLot(who, formulaId), await beginLot(who, formulaId)];
    const other = await colleague(app, who, 'maker');
    const taken = await Promise.all(
      Array.from({ length: 8 }, (_, i) =>
        (i % 2 ? who : other).post(`/api/lots/${lots[i % 2]!.id}/additions`, {
          id: newId(),
          ingredientId: 'cane-sugar',
          grams: 190,
        }),
      ),
    );
    expect(taken.map((t) => t.status)).toEqual(Array(8).fill(201));
    expect((await stockOf(bag.id)).left).toBeCloseTo(0, 6);
    const drawn = (await Promise.all(lots.map(additionsOf))).flat().flatMap((a) => a.withdrawals);
    expect(drawn.reduce((sum, d) => sum + d.amount, 0)).toBeCloseTo(1000, 6);
  });

  it('a retry takes once', async () => {
    const bag = await takeIn('malic-acid', 100);
    const lot = await beginLot(who, formulaId);
    const body = { id: newId(), ingredientId: 'malic-acid', grams: 30 };
    for (let i = 0; i < 3; i++)
      expect((await who.post(`/api/lots/${lot.id}/additions`, body)).body).toEqual({ id: body.id });
    expect((await stockOf(bag.id)).left).toBe(70);
  });
});

describe('what a lot leaves', () => {
  it('is stock with its allergens, which go on into the next lot; it is not used while that lot is held', async () => {
    const lot = await beginLot(who, formulaId);
    await weigh(lot, 'bottled-lemon-juice', 120);
    const paste = await takeIn('apple', 900, { words: 'cooked pulp', leftBy: lot.id });
    expect(await stockOf(paste.id)).toMatchObject({ allergens: ['sulphites'], leftBy: { code: lot.code } });
    const next = await beginLot(who, formulaId);
    await weigh(next, 'apple', 200);
    const label = await who.get(`/api/lots/${next.id}`);
    expect(label.body.additions[0].entry.allergens).toEqual(['sulphites']);
    await who.post(`/api/lots/${lot.id}/decisions`, { id: newId(), event: 'hold', why: 'smells of yeast' });
    expect((await stockOf(paste.id)).whyUnfit).toMatch(/is held/);
    await weigh(next, 'apple', 300);
    expect((await stockOf(paste.id)).left).toBe(700);
  });

  it('its own measurements go with it into the lot', async () => {
    await takeIn('damson', 3000, { measured: { brix: 15, ph: 3.1, taPer100g: 2 } });
    const lot = await beginLot(who, formulaId);
    await weigh(lot, 'damson', 1000);
    const { body } = await who.get(`/api/lots/${lot.id}`);
    expect(body.additions[0].entry.acidity).toMatchObject({ ph: [3.05, 3.1, 3.15] });
    const wrong = { id: newId(), kind: 'ingredient', thing: 'damson', quantity: 5, gotOn: day(-1) };
    const refused = await who.post('/api/stock', {
      ...wrong,
      measured: { brix: null, ph: 8.9, taPer100g: null },
    });
    expect(refused.status).toBe(422);
  });
});

describe('glass, lids and labels', () => {
  it('leave with the bottles that are filled, rings excepted', async () => {
    const jar = await jarOf(who);
    const packaging = (thing: string, quantity: number) => takeIn(thing, quantity, { kind: 'packaging' });
    const glass = await packaging(`bottle:${jar}`, 24);
    const lids = await packaging('lid:two-piece', 10);
    const rings = await packaging('ring:two-piece', 24);
    const lot = await beginLot(who, formulaId, ago(5));
    await weighIn(who, lot);
    const filled = await post(who, lot, 'bottlings', {
      containerId: jar,
      count: 14,
      closing: 'hot',
      place: 'bench',
    });
    expect(filled.status).toBe(201);
    expect((await stockOf(glass.id)).left).toBe(10);
    expect((await stockOf(lids.id)).left).toBe(0);
    expect((await stockOf(rings.id)).left).toBe(24);
    const { body } = await who.get(`/api/lots/${lot.id}`);
    expect(
      body.bottlings[0].withdrawals.map((d: { code: string; amount: number }) => [d.code, d.amount]).sort(),
    ).toEqual(
      [
        [glass.code, 14],
        [lids.code, 10],
      ].sort(),
    );
    // Four lids were from no stock lot: a box that comes in later covers them, sugar does not.
    const more = await packaging('lid:two-piece', 12);
    const sugar = await takeIn('sugar', 100);
    const cover = (stockId: string) =>
      who.post('/api/stock-coverings', {
        id: newId(),
        noun: 'bottling',
        entryId: body.bottlings[0].id,
        stockId,
        amount: 4,
      });
    expect((await cover(sugar.id)).body.detail).toMatch(/choose one of the same thing/);
    expect((await cover(more.id)).status).toBe(201);
    expect((await cover(more.id)).status).toBe(409);
    expect((await stockOf(more.id)).left).toBe(8);
  });
});

describe('a stock lot', () => {
  it('is lost, counted and divided, and what is left follows; nothing goes under zero', async () => {
    const crate = await takeIn('peach', 10_000, {
      costMinor: 2000,
      measured: { brix: 11, ph: 3.7, taPer100g: 0.7 },
    });
    const at = (path: string, body: object) =>
      who.post(`/api/stock/${crate.id}/${path}`, { id: newId(), ...body });
    expect((await at('losses', { kind: 'spoiled', amount: 400, why: 'brown rot' })).status).toBe(201);
    const frozen = newId();
    const divided = await at('divisions', { stockId: frozen, thing: 'peach', amount: 4000, words: 'frozen' });
    expect(divided.status).toBe(201);
    expect((await at('losses', { kind: 'wasted', amount: 6000, why: 'dropped' })).body.detail).toMatch(
      /Only 5600 g/,
    );
    expect((await at('counts', { found: 3000 })).body.errors[0].path).toBe('why');
    expect((await at('counts', { found: 3000, why: 'eaten' })).status).toBe(201);
    expect((await stockOf(crate.id)).left).toBe(3000);
    expect((await at('counts', { found: 3100 })).status).toBe(201);
    expect((await stockOf(crate.id)).left).toBe(3100);
    expect(await stockOf(frozen)).toMatchObject({
      left: 4000,
      words: 'frozen',
      costMinor: 800,
      dividedFrom: crate.code,
      measured: { brix: 11, ph: 3.7, taPer100g: 0.7 },
    });
  });

  it('is refused of what is not known, of a day to come, and past its date on the day it came', async () => {
    const wrong = (more: object) =>
      who.post('/api/stock', {
        id: newId(),
        kind: 'ingredient',
        thing: 'sugar',
        quantity: 5,
        gotOn: day(-1),
        ...more,
      });
    expect((await wrong({ thing: 'stardust' })).body.errors[0].path).toBe('thing');
    expect((await wrong({ kind: 'packaging', thing: 'bottle:none' })).status).toBe(422);
    expect((await wrong({ gotOn: day(2) })).body.errors[0].path).toBe('gotOn');
    expect((await wrong({ bestBy: day(-9) })).body.errors[0].path).toBe('bestBy');
    expect((await wrong({ quantity: 0 })).status).toBe(422);
  });

  it('is the same one however often it is sent', async () => {
    const body = { id: newId(), kind: 'ingredient', thing: 'sugar', quantity: 5, gotOn: day(-1) };
    const first = await who.post('/api/stock', body);
    expect((await who.post('/api/stock', body)).body).toEqual(first.body);
  });
});

describe('shopping', () => {
  it('packs are kept with their newest price, and are gone once they are sold no more', async () => {
    const pack = (priceMinor: number, more: object = {}) =>
      who.post('/api/packs', {
        id: newId(),
        kind: 'ingredient',
        thing: 'sugar',
        said: 'sack',
        size: 5000,
        priceMinor,
        ...more,
      });
    await pack(500);
    await pack(560);
    const prices = async () =>
      ((await who.get('/api/packs')).body as { thing: string; priceMinor: number }[]).filter(
        (p) => p.thing === 'sugar',
      );
    expect((await prices()).map((p) => p.priceMinor)).toEqual([560]);
    await pack(560, { retired: true });
    expect(await prices()).toEqual([]);
    expect((await pack(1, { thing: 'stardust' })).status).toBe(422);
  });

  it('ticks are seen by all, the last one counts, and a receipt turns them into stock in one go or not at all', async () => {
    const item = { kind: 'ingredient', thing: 'honey', said: '2 × jar', amount: 900, paidMinor: 1180 };
    const tick = (taken: boolean) => who.post('/api/basket', { item, taken });
    await tick(true);
    const other = await colleague(app, who, 'maker');
    expect((await other.get('/api/basket')).body).toMatchObject([
      { thing: 'honey', amount: 900, paidMinor: 1180 },
    ]);
    await tick(false);
    expect((await who.get('/api/basket')).body).toEqual([]);
    await tick(true);
    const line = { id: newId(), ...item, words: 'heather', bestBy: day(300) };
    const broken = { ...line, id: newId(), thing: 'stardust' };
    const id = newId();
    const receive = (lines: object[]) =>
      who.post('/api/receipts', { id, supplier: 'Fell Wholefoods', gotOn: day(0), lines });
    const refused = await receive([line, broken]);
    expect(refused.status).toBe(422);
    expect(refused.body.errors[0].path).toBe('lines.1');
    expect((await who.get('/api/basket')).body).toHaveLength(1);
    const taken = await receive([line]);
    expect(taken.status).toBe(201);
    expect(await stockOf(line.id)).toMatchObject({
      left: 900,
      supplier: 'Fell Wholefoods',
      costMinor: 1180,
      words: 'heather',
    });
    expect((await who.get('/api/basket')).body).toEqual([]);
    expect((await receive([line])).body.stock).toEqual(taken.body.stock);
  });
});
