import { v7 as newId } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { verifyJournal } from '../src/audit/verify.ts';
import { colleague, ownerOf, type Person, useTestApp } from './testApp.ts';

const app = useTestApp();
let who: Person;
beforeAll(async () => {
  who = await ownerOf(app);
});

const LOT_COLUMNS = { code: 0, name: 1, madeOn: 2, bottles: 3, bottleMl: 4, ph: 5 };
const SALE_COLUMNS = { soldOn: 0, code: 1, bottles: 2, buyer: 3, priceMinor: 4, name: 5 };

const bring = (kind: string, columns: object, rows: string[][], more: object = {}) =>
  who.post('/api/spreadsheets', { id: newId(), kind, fileName: `${kind}.csv`, columns, rows, ...more });
const errorsOf = ({ body }: { body: { errors?: { path: string; message: string }[] } }) =>
  (body.errors ?? []).map((e) => e.message);
const counts = async () => {
  const [lots, sales, contacts, stock, sheets] = await Promise.all(
    ['/api/earlier-lots', '/api/sales', '/api/contacts', '/api/stock', '/api/spreadsheets'].map(
      async (path) => (await who.get(path)).body,
    ),
  );
  return [lots.lots.length, sales.sales.length, contacts.contacts.length, stock.length, sheets.length];
};

describe('a spreadsheet', () => {
  it('is previewed by its headings: columns, rows as read, faults; nothing is written', async () => {
    const before = await counts();
    const reply = await who.post('/api/spreadsheets/preview', {
      kind: 'lots',
      header: ['Batch no', 'Syrup', 'Made', 'Qty', 'Size', 'pH'],
      rows: [
        ['22A', 'Damson', '03/04/2022', '24', '250 ml', '3.1'],
        ['22B', 'Damson', '13/04/2022', 'many', '250 ml', ''],
      ],
    });
    expect(reply.status).toBe(200);
    expect(reply.body.columns).toMatchObject({ code: 0, name: 1, madeOn: 2, bottles: 3, bottleMl: 4, ph: 5 });
    expect(reply.body).toMatchObject({ order: 'date-first', taken: 1, faultCount: 1 });
    expect(reply.body.sample[0]).toMatchObject({ row: 2, code: '22A', madeOn: '2022-04-03', bottleMl: 250 });
    expect(reply.body.faults[0]).toMatchObject({ row: 3, field: 'bottles' });
    expect(await counts()).toEqual(before);
  });

  it('of lots and sales comes in whole, marked with its file and row, once however often it is sent', async () => {
    const body = {
      id: newId(),
      kind: 'lots',
      fileName: 'book 2023.xlsx',
      columns: LOT_COLUMNS,
      firstRow: 4,
      rows: [
        ['23A', 'Damson cordial', '2023-09-02', '40', '250 ml', '3.05'],
        ['', '', '', '', '', ''],
        ['23B', 'Quince syrup', '2023-10-01', '', '', ''],
      ],
    };
    const [first, again] = [
      await who.post('/api/spreadsheets', body),
      await who.post('/api/spreadsheets', body),
    ];
    expect(first.body).toEqual({ id: body.id, rows: 2 });
    expect(again.body).toEqual(first.body);
    const sold = await bring('sales', SALE_COLUMNS, [
      ['2023-12-01', '23a', '30', 'Marl Farm Shop', '150.00', ''],
      ['2023-12-02', '', '5', '', '', 'Gift box'],
    ]);
    expect(sold.status).toBe(201);
    const { lots } = (await who.get('/api/earlier-lots')).body;
    expect(lots.map((l: { code: string }) => l.code)).toEqual(['23B', '23A']);
    expect(lots[1]).toMatchObject({
      bottles: 40,
      sold: 30,
      ph: 3.05,
      bottleMl: 250,
      broughtIn: { fileName: 'book 2023.xlsx', row: 4 },
    });
    const { sales } = (await who.get('/api/sales')).body;
    expect(sales[0]).toMatchObject({ day: '2023-12-02', code: null, name: 'Gift box', priceMinor: null });
    expect(sales[1]).toMatchObject({
      day: '2023-12-01',
      code: '23A',
      name: 'Damson cordial',
      bottles: 30,
      priceMinor: 15_000,
      broughtIn: { fileName: 'sales.csv', row: 2 },
    });
    expect((await who.get('/api/earlier-lots?q=quince')).body.lots).toHaveLength(1);
    expect((await who.get('/api/sales?q=marl+23a')).body.sales).toHaveLength(1);
    expect((await who.get('/api/sales?until=2023-12-01')).body.sales).toHaveLength(1);
    // What a spreadsheet says is no lot of this program, and was not measured here.
    expect((await who.get('/api/lots')).body.lots).toEqual([]);
    expect((await who.get('/api/lots/23A')).status).toBe(404);
  });

  it('sent eight times at once comes in once, and all eight are answered alike', async () => {
    const body = {
      id: newId(),
      kind: 'lots',
      fileName: 'at once.csv',
      columns: LOT_COLUMNS,
      rows: [['21A', 'Medlar jelly', '2021-11-02']],
    };
    const replies = await Promise.all(Array.from({ length: 8 }, () => who.post('/api/spreadsheets', body)));
    expect(replies.map((r) => r.status)).toEqual(Array(8).fill(201));
    expect(new Set(replies.map((r) => JSON.stringify(r.body))).size).toBe(1);
    expect((await who.get('/api/earlier-lots?q=21A')).body.lots).toHaveLength(1);
    await who.post(`/api/spreadsheets/${body.id}/withdrawal`, { why: 'only tried' });
  });

  it('with one bad cell brings in nothing, and names the row, the column and what to do', async () => {
    const before = await counts();
    const faulty: [string, object, string[][], RegExp][] = [
      [
        'lots',
        LOT_COLUMNS,
        [
          ['24A', 'Plum', '2024-08-01'],
          ['24B', 'Plum', '31/02/2024'],
        ],
        /^Row 3, Made on: /,
      ],
      ['lots', LOT_COLUMNS, [['23A', 'Plum', '2024-08-01']], /^Row 2, Lot code: .*brought in before/],
      ['lots', { ...LOT_COLUMNS, code: null }, [['24A', 'Plum', '2024-08-01']], /^Row 1, Lot code: Choose/],
      ['sales', SALE_COLUMNS, [['2023-12-03', '99Z', '2', '', '', '']], /^Row 2, Lot code: No lot 99Z/],
      [
        'sales',
        SALE_COLUMNS,
        [
          ['2023-12-03', '23A', '6', '', '', ''],
          ['2023-12-04', '23A', '6', '', '', ''],
        ],
        /^Row 3, Bottles: That is 2 more/,
      ],
      [
        'stock',
        { thing: 0, grams: 1, gotOn: 2 },
        [
          ['sugar', '25 kg', '2024-08-01'],
          ['unobtainium', '1 kg', '2024-08-01'],
        ],
        /^Row 3, Ingredient: /,
      ],
      ['contacts', { name: 0, email: 1 }, [['', 'a@b.example']], /^Row 2, Name: Name is missing/],
    ];
    for (const [kind, columns, rows, says] of faulty) {
      const reply = await bring(kind, columns, rows);
      expect(reply.status, kind).toBe(422);
      expect(errorsOf(reply)[0]).toMatch(says);
    }
    expect((await bring('lots', LOT_COLUMNS, [['', '']])).status).toBe(422);
    expect(await counts()).toEqual(before);
  });

  it('of stock makes stock lots that are weighed and marked, of contacts people who can be corrected', async () => {
    await bring('stock', { thing: 0, grams: 1, gotOn: 2, supplier: 3, costMinor: 4 }, [
      ['white sugar', '25 kg', '2024-08-01', 'Marl Mill', '31.50'],
    ]);
    const [stock] = (await who.get('/api/stock')).body;
    expect(stock).toMatchObject({ thing: 'sugar', left: 25_000, supplier: 'Marl Mill', costMinor: 3150 });
    expect(stock.broughtIn).toBe('stock.csv');
    await bring('contacts', { name: 0, phone: 1 }, [
      ['Ada Marl', '0123 456'],
      ['Bo Fell', ''],
    ]);
    const [ada] = (await who.get('/api/contacts')).body.contacts;
    expect(ada).toMatchObject({ name: 'Ada Marl', phone: '0123 456', retired: false });
    const change = { name: 'Ada Marl', email: 'ada@marl.example', phone: '0123 457' };
    expect((await who.send('PATCH', `/api/contacts/${ada.id}`, change)).status).toBe(200);
    await who.post(`/api/contacts/${ada.id}/retirement`, { retired: true });
    const found = (await who.get('/api/contacts')).body.contacts.find((c: { id: string }) => c.id === ada.id);
    expect(found).toMatchObject({ phone: '0123 457', email: 'ada@marl.example', retired: true });
  });

  it('is withdrawn once nothing rests on it; what came with it stays in the journal', async () => {
    const sheets = (await who.get('/api/spreadsheets')).body as {
      id: string;
      kind: string;
      withdrawn: object | null;
    }[];
    const of = (kind: string) => sheets.find((s) => s.kind === kind && !s.withdrawn)!.id;
    const withdraw = (id: string) => who.post(`/api/spreadsheets/${id}/withdrawal`, { why: 'wrong year' });
    expect((await withdraw(of('lots'))).status).toBe(409);
    expect((await withdraw(of('stock'))).status).toBe(409);
    expect((await withdraw(of('sales'))).status).toBe(200);
    expect((await withdraw(of('lots'))).status).toBe(200);
    expect((await withdraw(of('lots'))).status).toBe(409);
    expect((await who.get('/api/earlier-lots')).body.lots).toEqual([]);
    expect((await who.get('/api/sales')).body.sales).toEqual([]);
    // The same lots come in anew.
    expect((await bring('lots', LOT_COLUMNS, [['23A', 'Damson', '2023-09-02']])).status).toBe(201);
    const rows = (await who.get('/api/journal?noun=spreadsheet')).body.rows as { action: string }[];
    expect(rows.filter((r) => r.action === 'withdraw')).toHaveLength(3);
    for (const report of await verifyJournal(app.pool)) expect(report.faults).toEqual([]);
  });

  it('is brought in by an owner alone, and seen by no other kitchen', async () => {
    const maker = await colleague(app, who, 'maker');
    const body = { id: newId(), kind: 'contacts', fileName: 'c.csv', columns: { name: 0 }, rows: [['X']] };
    expect((await maker.post('/api/spreadsheets', body)).status).toBe(403);
    for (const name of ['Bea of the mill', 'Cyd Miller', 'Dot'])
      await maker.post('/api/contacts', { id: newId(), name });
    const paged: string[] = [];
    for (let before: string | null = ''; before !== null; ) {
      const { contacts, next }: { contacts: { name: string }[]; next: string | null } = (
        await maker.get(`/api/contacts?limit=2${before && `&before=${before}`}`)
      ).body;
      paged.push(...contacts.map((c) => c.name));
      before = next;
    }
    expect(paged).toEqual([...new Set(paged)].sort((a, b) => a.localeCompare(b)));
    expect(paged).toEqual(expect.arrayContaining(['Bea of the mill', 'Cyd Miller', 'Dot']));
    const found = (await maker.get('/api/contacts?q=mill')).body.contacts.map(
      (c: { name: string }) => c.name,
    );
    expect(found).toEqual(['Bea of the mill', 'Cyd Miller']);
    expect((await maker.get('/api/contacts?q=%25')).body.contacts).toEqual([]);
  });
});
