import { dayOrderOf, readDay } from '@inch/core/calendar';
import { shippedCatalogue } from '@inch/core/ingredient';
import { matchColumns, readSpreadsheet, SPREADSHEET_KINDS, spreadsheetKinds } from '@inch/core/spreadsheet';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

const setting = { cup: 'us' as const, today: '2026-11-28', currency: 'GBP', catalogue: shippedCatalogue };

describe('columns', () => {
  it('are found by their own names and by what people write over them', () => {
    const header = ['Batch No.', 'Syrup', 'Date made', 'Qty', 'Size (ml)', 'pH', 'Brix', 'Remarks', 'Mood'];
    expect(matchColumns('lots', header)).toEqual({
      code: 0,
      name: 1,
      madeOn: 2,
      bottles: 3,
      bottleMl: 4,
      ph: 5,
      brix: 6,
      note: 7,
      bestBy: null,
    });
  });

  it('take each heading once, whatever stands there', () => {
    const words = SPREADSHEET_KINDS.flatMap((kind) =>
      spreadsheetKinds[kind].columns.flatMap((c) => [c.name, ...c.also]),
    );
    fc.assert(
      fc.property(
        fc.constantFrom(...SPREADSHEET_KINDS),
        fc.array(fc.oneof(fc.constantFrom(...words), fc.string()), { maxLength: 12 }),
        (kind, header) => {
          const taken = Object.values(matchColumns(kind, header)).filter((at) => at !== null);
          expect(new Set(taken).size).toBe(taken.length);
          expect(taken.every((at) => at >= 0 && at < header.length)).toBe(true);
        },
      ),
    );
  });

  it('called as they are here are all found, in any order', () => {
    fc.assert(
      fc.property(
        fc
          .constantFrom(...SPREADSHEET_KINDS)
          .chain((kind) =>
            fc
              .shuffledSubarray([...spreadsheetKinds[kind].columns.map((c) => c.name)])
              .map((header) => ({ kind, header })),
          ),
        ({ kind, header }) => {
          const matched = matchColumns(kind, header);
          for (const { field, name } of spreadsheetKinds[kind].columns)
            expect(matched[field]).toBe(header.includes(name) ? header.indexOf(name) : null);
        },
      ),
    );
  });
});

describe('days with strokes', () => {
  it('are read by what their column shows, and ask where it shows nothing', () => {
    expect(dayOrderOf(['03/04/2024', '13/04/2024'])).toBe('date-first');
    expect(dayOrderOf(['03/04/2024', '04/13/2024'])).toBe('month-first');
    expect(dayOrderOf(['03/04/2024', '05/06/2024'])).toBe('either');
    expect(dayOrderOf(['13/04/2024', '04/13/2024'])).toBe('both');
    expect(dayOrderOf(['2024-04-03', '3 Apr 2024', '5/5/2024'])).toBeUndefined();
    expect(readDay('03/04/2024', '2026-11-28', 'month-first')).toEqual({ value: '2024-03-04' });
    const matched = { soldOn: 0, name: 1, bottles: 2 };
    const rows = [
      ['03/04/2024', 'Quince', '3'],
      ['05/06/2024', 'Quince', '2'],
    ];
    const asked = readSpreadsheet('sales', matched, rows, setting);
    expect(asked.order).toBe('either');
    expect(asked.faults.map((f) => [f.row, f.field])).toEqual([
      [2, 'soldOn'],
      [3, 'soldOn'],
    ]);
    const said = readSpreadsheet('sales', matched, rows, { ...setting, order: 'month-first' });
    expect(said.rows.map((r) => r.soldOn)).toEqual(['2024-03-04', '2024-05-06']);
  });
});

describe('rows', () => {
  it('are read by the readers of the forms; every fault names its row and what to do', () => {
    const matched = matchColumns('lots', [
      'code',
      'name',
      'made',
      'bottles',
      'size',
      'ph',
      'brix',
      'best by',
    ]);
    const read = readSpreadsheet(
      'lots',
      matched,
      [
        ['23A', 'Quince syrup', '3 Apr 2023', '1 200', '1/2 pint', '3,2', '65 °Bx', '2024-04-03'],
        ['', '', '', '', '', '', '', ''],
        ['23B', 'Plum shrub', '2 Apr 2027', '12', '250 ml', '', '', ''],
        ['23a', 'Plum shrub', '2 Apr 2023', '12.5', '250 ml', 'sour', '', '2023-04-01'],
        ['', 'Plum shrub', '', '', '', '', '', ''],
        ['23A', 'Plum shrub', '2023-04-02 00:00:00', '', '', '', '', ''],
      ],
      setting,
    );
    // A US pint is 473.176 mL.
    expect(read.rows[0]).toMatchObject({ row: 2, madeOn: '2023-04-03', bottles: 1200, ph: 3.2, brix: 65 });
    expect(read.rows[0]!.bottleMl).toBeCloseTo(473.176 / 2, 1);
    expect(read.faults.map(({ row, field }) => `${row} ${field}`)).toEqual([
      '4 madeOn',
      '5 bottles',
      '5 ph',
      '6 code',
      '6 madeOn',
      '7 code',
    ]);
    expect(read.faults.every(({ says }) => /[.?]$/.test(says))).toBe(true);
  });

  it('of stock know the ingredient by name and weigh what was said of it; a number alone asks', () => {
    const matched = { thing: 0, grams: 1, unit: 2, gotOn: 3, costMinor: 4 };
    const read = readSpreadsheet(
      'stock',
      matched,
      [
        ['White sugar', '25', 'kg', '2026-10-01', '£31.50'],
        ['sour cherries', '2 lb', '', '2026-07-01', ''],
        ['sugar', '25', '', '2026-10-01', ''],
        ['moon dust', '1 kg', '', '2026-10-01', ''],
      ],
      setting,
    );
    expect(read.rows[0]).toMatchObject({ thing: 'sugar', grams: 25_000, costMinor: 3150 });
    expect(read.rows[1]!.thing).toBe('sour-cherry');
    expect(read.rows[1]!.grams).toBeCloseTo(2 * 453.592, 1);
    expect(read.faults.map(({ row, field }) => [row, field])).toEqual([
      [4, 'grams'],
      [5, 'thing'],
    ]);
  });

  it('name a needed column that is missing once, not in every row', () => {
    const read = readSpreadsheet('contacts', { name: null, email: 0 }, [['a@b'], ['c@d']], {
      ...setting,
      firstRow: 5,
    });
    expect(read.faults).toEqual([{ row: 4, field: 'name', says: 'Choose the column that has Name.' }]);
  });

  it('are each read or faulted, none lost and none twice', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...SPREADSHEET_KINDS),
        fc.array(
          fc.array(
            fc.oneof(fc.constantFrom('23A', '3 Apr 2024', '12', '250 ml', 'sugar', '3.2', ''), fc.string()),
            { maxLength: 9 },
          ),
          { maxLength: 8 },
        ),
        (kind, rows) => {
          const matched = Object.fromEntries(
            spreadsheetKinds[kind].columns.map(({ field }, i) => [field, i]),
          );
          const read = readSpreadsheet(kind, matched, rows, setting);
          const filled = rows.flatMap((cells, i) => (cells.some((c) => c.trim() !== '') ? [i + 2] : []));
          const told = new Set([...read.rows.map((r) => r.row), ...read.faults.map((f) => f.row)]);
          expect([...told].sort((a, b) => a - b)).toEqual(filled);
          expect(new Set(read.rows.map((r) => r.row)).size).toBe(read.rows.length);
        },
      ),
    );
  });
});

describe('a formula whose value the file does not keep', () => {
  it('is no figure and no empty cell; words that only begin like one are words', () => {
    const read = (note: string) =>
      readSpreadsheet(
        'sales',
        { soldOn: 0, bottles: 1, name: 2, note: 3 },
        [['2026-11-02', '3', 'Damson shrub', note]],
        setting,
      ).faults.map(({ field, says }) => [field, /formula/.test(says)]);
    expect(read('=best ever')).toEqual([]);
    expect(read('=A2&B2')).toEqual([['note', true]]);
  });

  it('is asked where a price stands, and so is another currency', () => {
    const faults = (price: string) => {
      const field = spreadsheetKinds.sales.columns.find((column) => column.as === 'price')!.field;
      return readSpreadsheet(
        'sales',
        { soldOn: 0, bottles: 1, name: 2, [field]: 3 },
        [['2026-11-02', '3', 'Damson shrub', price]],
        setting,
      ).faults.map(({ says }) => says);
    };
    expect(faults('=B2*4')).toEqual([expect.stringMatching(/formula/)]);
    expect(faults('$18.99')).toEqual([expect.stringMatching(/another currency/)]);
    expect(faults('18.99')).toEqual([]);
  });
});
