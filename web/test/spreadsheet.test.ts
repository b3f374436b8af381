import { strToU8, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import writeWorkbook from 'write-excel-file/node';
import { withFormulas } from '../src/workers/formulas.ts';
import { sheetsOf } from '../src/workers/spreadsheet.ts';

const csv = (text: string | Uint8Array) => sheetsOf(new File([text as BlobPart], 'x.csv'));

describe('a spreadsheet file', () => {
  it('as CSV is read with any of the usual signs between cells, a title above, and broken lines in cells', async () => {
    for (const sign of [',', ';', '\t']) {
      const line = (...cells: string[]) => cells.map((cell) => `"${cell}"`).join(sign);
      const [sheet] = await csv(
        `\uFEFFOur lots\r\n${line('Code', 'pH', 'Note')}\r\n${line('22A', '3,05', 'two\nlines')}\r\n`,
      );
      expect(sheet!.rows).toEqual([['Our lots'], ['Code', 'pH', 'Note'], ['22A', '3,05', 'two\nlines']]);
    }
  });

  it('as CSV of an older program keeps its accents, and a cell that was made harmless is itself again', async () => {
    const bytes = new Uint8Array(
      [...'name\nCr'].map((c) => c.charCodeAt(0)).concat(0xe8, ...[...'me,'].map((c) => c.charCodeAt(0))),
    );
    expect((await csv(bytes))[0]!.rows[1]).toEqual(['Crème', '']);
    expect((await csv("name\n'=A1"))[0]!.rows[1]).toEqual(['=A1']);
  });

  it('as XLSX has its sheets by name, days as days and numbers as they are', async () => {
    const day = new Date(Date.UTC(2023, 3, 5));
    const buffer = await writeWorkbook([
      {
        sheet: 'Lots',
        data: [
          ['Code', 'Made', 'pH'],
          ['23A', { value: day, type: Date, format: 'dd/mm/yyyy' }, 3.05],
          [null, null, null],
          ['23B', null, 12],
        ],
      },
      { sheet: 'Rest', data: [['other']] },
    ]).toBuffer();
    const sheets = await sheetsOf(new File([buffer as never], 'book.xlsx'));
    expect(sheets.map((s) => s.name)).toEqual(['Lots', 'Rest']);
    expect(sheets[0]!.rows).toEqual([
      ['Code', 'Made', 'pH'],
      ['23A', '2023-04-05', '3.05'],
      ['', '', ''],
      ['23B', '', '12'],
    ]);
  });

  it('that is none says so and what to do', async () => {
    const zip = new File([new Uint8Array([80, 75, 3, 4, 0, 0, 0])], 'x.xlsx');
    await expect(sheetsOf(zip)).rejects.toThrow(/Save it as XLSX or CSV/);
  });
});

describe('what a spreadsheet leaves unsaid', () => {
  it('a formula whose value the file does not keep is there by its words, and is no empty cell', async () => {
    const sheet = (cells: string) =>
      `<worksheet xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"><sheetData><row r="1">${cells}</row></sheetData></worksheet>`;
    const files = {
      '[Content_Types].xml':
        '<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="xml" ContentType="application/xml"/></Types>',
      'xl/workbook.xml':
        '<workbook xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main" xmlns:r="http://schemas.openxmlformats.org/officeDocument/2006/relationships"><sheets><sheet name="A" sheetId="1" r:id="rId1"/></sheets></workbook>',
      'xl/_rels/workbook.xml.rels':
        '<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="rId1" Type="x" Target="worksheets/sheet1.xml"/></Relationships>',
      'xl/worksheets/sheet1.xml': sheet(
        '<c r="A1"><v>2</v></c><c r="B1"><f>A1*3</f></c><c r="C1"><f>A1*4</f><v>8</v></c>',
      ),
    };
    const bytes = zipSync(
      Object.fromEntries(Object.entries(files).map(([name, xml]) => [name, strToU8(xml)])),
    );
    expect(withFormulas([{ name: 'A', rows: [['2', '', '8']] }], bytes)[0]!.rows).toEqual([
      ['2', '=A1*3', '8'],
    ]);
  });

  it('the sign between cells is the one by which its lines come into the same columns', async () => {
    const [sheet] = await csv('name;price\nsugar, white;1,20\nhoney, raw;4,50\n');
    expect(sheet!.sign).toBe(';');
    expect(sheet!.rows[1]).toEqual(['sugar, white', '1,20']);
    const [chosen] = await sheetsOf(new File(['a;b,c\n1;2,3\n'], 'x.csv'), ',');
    expect(chosen!.rows[0]).toEqual(['a;b', 'c']);
  });
});
