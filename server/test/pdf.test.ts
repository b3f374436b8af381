import { nutrition, type SheetMeasures, sheetPlaces } from '@inch/core/label';
import jsQR from 'jsqr';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { artworkFor, designOf, labelWordsOf } from '../../core/test/support/label.ts';
import { calibrationPdf } from '../src/label/calibration.ts';
import { labelPdf, labelPng, labelSvg, type Printing } from '../src/label/printing.ts';

const AT = '2026-11-03T09:10:00.000Z';
const MM = 25.4 / 72;
const printing = (more: Partial<Printing> = {}): Printing => ({
  of: artworkFor(),
  lotCode: '7F4H',
  copies: 1,
  firstBottle: null,
  sheet: null,
  first: 1,
  face: 'both',
  cutMarks: false,
  picture: null,
  at: AT,
  ...more,
});

/** Pages of a PDF with their sizes in mm and their words, each with where it begins, mm from the left and the top. */
async function readBack(bytes: Buffer) {
  const doc = await getDocument({ data: new Uint8Array(bytes) }).promise;
  const pages = [];
  for (let n = 1; n <= doc.numPages; n++) {
    const page = await doc.getPage(n);
    const { width, height } = page.getViewport({ scale: 1 });
    const { items } = await page.getTextContent();
    pages.push({
      widthMm: width * MM,
      heightMm: height * MM,
      words: items.flatMap((item) =>
        'str' in item && item.str.trim() !== ''
          ? [
              {
                text: item.str,
                xMm: item.transform[4] * MM,
                yMm: (height - item.transform[5]) * MM,
                sizeMm: item.height * MM,
              },
            ]
          : [],
      ),
    });
  }
  return { pages, doc };
}

const sheet: SheetMeasures = {
  paper: 'A4',
  rows: 7,
  columns: 3,
  leftMm: 7.2,
  topMm: 15,
  acrossMm: 2.5,
  downMm: 0.4,
  labelWidthMm: 63.5,
  labelHeightMm: 38,
  round: false,
  shiftXMm: 0,
  shiftYMm: 0,
};
/** Small enough for a sheet of 21: a lid's words, its text on a second label. */
const small = artworkFor({
  label: labelWordsOf({ statement: 'Ingredients: sour cherries (69 %), sugar.', useLine: '' }),
  design: designOf({ look: 'plain', widthMm: 60, heightMm: 36 }),
  leastXMm: 0.9,
  netHeightMm: 3,
});

describe('a label as PDF', () => {
  it('has the label’s true size on every page, and its words where they were laid', async () => {
    const { pages } = await readBack(await labelPdf(printing({ copies: 3 })));
    expect(pages).toHaveLength(3);
    for (const page of pages) {
      expect(page.widthMm).toBeCloseTo(96, 1);
      expect(page.heightMm).toBeCloseTo(62, 1);
      expect(page.words.map((w) => w.text).join(' ')).toMatch(/Sour cherry syrup.*237 mL/s);
      const net = page.words.find((w) => w.text.includes('237 mL'))!;
      // Letters of 4 mm: 4 / 0.668 of the typeface's size, in the lowest part of the label.
      expect(net.sizeMm * 0.668).toBeCloseTo(4, 1);
      expect(net.yMm).toBeGreaterThan(62 * 0.7);
    }
  });
  it('is tagged, in its language, with a title, and asks not to be scaled', async () => {
    const bytes = await labelPdf(printing());
    const { doc } = await readBack(bytes);
    expect((await doc.getMetadata()).info).toMatchObject({ Title: 'Label of Sour cherry syrup, lot 7F4H' });
    expect(await doc.getMarkInfo()).toMatchObject({ Marked: true });
    expect(await doc.getViewerPreferences()).toMatchObject({ PrintScaling: 'None', DisplayDocTitle: true });
    expect(bytes.toString('latin1')).toMatch(/\/Lang \(en\)/);
    expect(bytes.toString('latin1')).toMatch(/AtkinsonHyperlegible/);
  });
  it('prints the nutrition of the lot, figure by figure', async () => {
    const lines = [
      { ingredientId: 'sour-cherry', grams: 4000 },
      { ingredientId: 'sugar', grams: 2000 },
    ];
    const table = nutrition({ lines, millilitres: 4000, pack: 'eu' });
    const of = artworkFor({ nutrition: table, design: designOf({ heightMm: 90 }) });
    const { pages } = await readBack(await labelPdf(printing({ of })));
    const said = pages[0]!.words.map((w) => w.text).join(' ');
    expect(said).toContain(`${table.kilojoules.declared} kJ / ${table.figures.calories.declared} kcal`);
    expect(said).toContain(`${table.figures.sugars.declared} g`);
    expect(said).toContain(`${table.salt.declared} g`);
  });
  it('has two pages a bottle where the look has a back, and one where one face is asked for', async () => {
    const of = artworkFor({ design: designOf({ look: 'tag', widthMm: 55, heightMm: 95 }) });
    expect((await readBack(await labelPdf(printing({ of, copies: 2 })))).pages).toHaveLength(4);
    expect((await readBack(await labelPdf(printing({ of, copies: 2, face: 'back' })))).pages).toHaveLength(2);
  });
  it('numbers the bottles from the first on', async () => {
    const of = artworkFor({ design: designOf({ numbered: true }) });
    const { pages } = await readBack(await labelPdf(printing({ of, copies: 3, firstBottle: 11 })));
    expect(pages.map((p) => p.words.find((w) => w.text.startsWith('Lot'))!.text)).toEqual([
      'Lot 7F4H · 11',
      'Lot 7F4H · 12',
      'Lot 7F4H · 13',
    ]);
  });
  it('with cut marks has room about it', async () => {
    const { pages } = await readBack(await labelPdf(printing({ cutMarks: true })));
    expect(pages[0]!.widthMm).toBeCloseTo(96 + 16, 1);
  });
  it('of a calibration page has the paper’s size', async () => {
    const one = { id: 's', name: 'Sheet of 21', measures: sheet, revision: 1, retired: false };
    const { pages } = await readBack(await calibrationPdf(one, AT));
    expect(pages[0]!.widthMm).toBeCloseTo(210, 1);
    expect(pages[0]!.heightMm).toBeCloseTo(297, 1);
  });
});

describe('labels on a sheet', () => {
  it('stand within 0.2 mm of their places in the PDF, from the fourth on', async () => {
    const { pages } = await readBack(await labelPdf(printing({ of: small, sheet, first: 4, copies: 20 })));
    expect(pages).toHaveLength(2);
    const names = pages.flatMap((p, page) =>
      p.words.filter((w) => w.text === 'Sour cherry syrup').map((w) => ({ page, ...w })),
    );
    const places = sheetPlaces(sheet, 4, 20);
    expect(names).toHaveLength(20);
    const [dx, dy] = [names[0]!.xMm - places[0]!.xMm, names[0]!.yMm - places[0]!.yMm];
    // The plain look begins 3.5 mm from its edge, and stands in the middle of its place.
    expect(Math.abs(dx - 3.5 - (63.5 - 60) / 2)).toBeLessThan(0.2);
    for (const [i, place] of places.entries()) {
      expect(names[i]!.page).toBe(place.page);
      expect(Math.abs(names[i]!.xMm - place.xMm - dx)).toBeLessThan(0.05);
      expect(Math.abs(names[i]!.yMm - place.yMm - dy)).toBeLessThan(0.05);
    }
  });
  it('show 21 labels on A4 within 0.2 mm in a picture of 300 dots an inch', async () => {
    const of = artworkFor({
      ...small,
      design: designOf({ look: 'band', widthMm: 63.5, heightMm: 38 }),
      label: labelWordsOf({ statement: 'Ingredients: sugar.', useLine: '', colour: '#8E1230' }),
    });
    const png = await labelPng(printing({ of, sheet, copies: 21 }), 'front', 300);
    const { data, info } = await sharp(png).raw().toBuffer({ resolveWithObject: true });
    expect([info.width, info.height]).toEqual([2480, 3508]);
    const isBand = (x: number, y: number) => {
      const at = (y * info.width + x) * info.channels;
      return (
        Math.abs(data[at]! - 0x8e) < 12 &&
        Math.abs(data[at + 1]! - 0x12) < 12 &&
        Math.abs(data[at + 2]! - 0x30) < 12
      );
    };
    const px = (mm: number) => (mm / 25.4) * 300;
    const tolerance = px(0.2);
    for (const { xMm, yMm } of sheetPlaces(sheet, 1, 21)) {
      const row = Math.round(px(yMm + 0.8));
      let left = Math.round(px(xMm)) - 12;
      while (!isBand(left, row) && left < px(xMm) + 30) left++;
      expect(Math.abs(left - px(xMm)), `${xMm} ${yMm}`).toBeLessThanOrEqual(tolerance);
      const column = Math.round(px(xMm + 1));
      let top = Math.round(px(yMm)) - 12;
      while (!isBand(column, top) && top < px(yMm) + 30) top++;
      expect(Math.abs(top - px(yMm))).toBeLessThanOrEqual(tolerance);
    }
  });
  it('refuse a label that is larger than the sheet’s, with what to do', async () => {
    await expect(labelPdf(printing({ sheet, copies: 2 }))).rejects.toThrow(
      /Take another sheet, or make the label smaller/,
    );
  });
});

describe('the code of a label', () => {
  it.each([
    ['alone', false, '7F4H'],
    ['with its bottle', true, '7F4H/12'],
  ])('is read by another library at print resolution, %s', async (_, numbered, expected) => {
    const of = artworkFor({ design: designOf({ code: true, numbered, widthMm: 110 }) });
    const png = await labelPng(printing({ of, firstBottle: numbered ? 12 : null }), 'front', 300);
    const { data, info } = await sharp(png).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
    expect(jsQR(new Uint8ClampedArray(data), info.width, info.height)?.data).toBe(expected);
  });
});

describe('a label as SVG', () => {
  it('has its letters as outlines, at true size', () => {
    const svg = labelSvg(printing(), 'front');
    expect(svg).toMatch(/width="96mm" height="62mm"/);
    expect(svg).not.toMatch(/<text/);
    expect((svg.match(/<path /g) ?? []).length).toBeGreaterThan(8);
  });
  it('of a back that there is none of says so', () => {
    expect(() => labelSvg(printing(), 'back')).toThrow(/no back/);
  });
});
