import {
  type Art,
  boxOf,
  contrast,
  type Face,
  type FIELDS,
  LOOKS,
  type Look,
  labelArtwork,
  nutrition,
  PAPERS,
  type SheetMeasures,
  servingsSaid,
  sheetPlaces,
  sheetsFor,
  sizeOn,
  sizeThatFits,
  svgOf,
  whyNoSheet,
  X_HEIGHT,
} from '@inch/core/label';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { draws } from '../../scripts/src/draws.mjs';
import { artworkFor, designOf, labelWordsOf, roughly } from './support/label.ts';

const jar = { nominalMl: 237, heightMm: 98, diameterMm: 75 };
const inLook = (look: Look, more: Parameters<typeof artworkFor>[0] = {}) =>
  artworkFor({ design: designOf({ look, ...sizeOn(look, jar) }), ...more });
const texts = (face: Face) => face.art.filter((a) => a.kind === 'text');
const words = (faces: readonly Face[]) =>
  faces
    .flatMap(texts)
    .map((t) => t.text)
    .join(' ');
const reach = (t: Extract<Art, { kind: 'text' }>) => t.x + roughly(t.text, t.sizeMm);

describe('a label in its look', () => {
  it.each(LOOKS)('%s says everything that it has to, and keeps every word inside its edges', (look) => {
    const { faces, problems } = labelArtwork(inLook(look), roughly);
    expect(problems).toEqual([]);
    const said = words(faces).replace(/\s+/g, ' ');
    for (const word of ['cherries', 'sugar.', 'Keep', '237 mL', 'Lot 7F4H', 'kitchen,', 'Nov 2027'])
      expect(said, word).toContain(word);
    for (const face of faces)
      for (const t of texts(face)) {
        expect(t.x).toBeGreaterThanOrEqual(0);
        expect(reach(t)).toBeLessThanOrEqual(face.widthMm + 0.01);
        expect(t.y).toBeLessThanOrEqual(face.heightMm);
      }
  });
  it.each(LOOKS)('%s never sets its text under the least the rule allows, however long it is', (look) => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 60 }), fc.constantFrom(0.9, 1.2, 1.5875), (more, leastXMm) => {
        const label = labelWordsOf({ localStatement: 'Made by hand here. '.repeat(more) });
        const { faces, sizeMm, problems } = labelArtwork(inLook(look, { label, leastXMm }), roughly);
        expect(sizeMm * X_HEIGHT).toBeGreaterThanOrEqual(leastXMm - 1e-9);
        for (const t of faces.flatMap(texts).filter((a) => a.of === 'body'))
          expect(t.sizeMm * X_HEIGHT).toBeGreaterThanOrEqual(leastXMm - 1e-9);
        // Whatever is not refused stays above the foot.
        if (problems.length === 0)
          for (const face of faces)
            for (const t of texts(face)) expect(t.y).toBeLessThanOrEqual(face.heightMm);
      }),
      { numRuns: draws(25) },
    );
  });
  it('never sets larger text for more words', () => {
    const sizes = Array.from({ length: 30 }, (_, n) =>
      labelArtwork(
        inLook('band', { label: labelWordsOf({ localStatement: 'Made here. '.repeat(n + 1) }) }),
        roughly,
      ),
    )
      .filter((a) => a.problems.length === 0)
      .map((a) => a.sizeMm);
    for (let i = 1; i < sizes.length; i++) expect(sizes[i]).toBeLessThanOrEqual(sizes[i - 1]! + 1e-9);
    expect(new Set(sizes.map((s) => s.toFixed(2))).size).toBeGreaterThan(3);
  });
  it('refuses words that do not fit, says which are longest, and names a size that would do', () => {
    const label = labelWordsOf({ localStatement: 'Made in a home kitchen, word for word. '.repeat(14) });
    const of = artworkFor({ label });
    const { problems } = labelArtwork(of, roughly);
    expect(problems).toHaveLength(1);
    expect(problems[0]).toMatch(/Shorten the local statement/);
    const size = /a label of (\d+) × (\d+) mm would do/.exec(problems[0]!)!;
    const larger = designOf({ widthMm: Number(size[1]), heightMm: Number(size[2]) });
    expect(labelArtwork({ ...of, design: larger }, roughly).problems).toEqual([]);
    expect(sizeThatFits(of, roughly)).toEqual({ widthMm: larger.widthMm, heightMm: larger.heightMm });
  });
  it('sets the net contents in letters of the height that the rule asks', () => {
    const { faces } = labelArtwork(artworkFor({ netHeightMm: 6 }), roughly);
    const net = texts(faces[0]!).find((t) => t.of === 'net')!;
    expect(net.sizeMm * 0.668).toBeCloseTo(6, 6);
  });
  it('writes on its colour in what is read best: over the 3 to 1 of large letters, whatever the fruit', () => {
    for (const colour of ['#8E1230', '#F3E9A0', '#2B2A6B', '#C9D977', '#808080']) {
      const { faces } = labelArtwork(artworkFor({ label: labelWordsOf({ colour }) }), roughly);
      const name = texts(faces[0]!).find((t) => t.of === 'name')!;
      expect(contrast(name.fill, colour), colour).toBeGreaterThanOrEqual(3);
    }
  });
  it('sets allergens of a European list in bold capitals', () => {
    const label = labelWordsOf({ statement: 'Ingredients: sugar, lemon juice (SULPHITES), CELERY seed.' });
    const { faces } = labelArtwork(artworkFor({ label }), roughly);
    const bold = texts(faces[0]!)
      .filter((t) => t.of === 'body' && t.bold)
      .map((t) => t.text)
      .join(' ');
    expect(bold).toMatch(/\(SULPHITES\),/);
    expect(bold).toMatch(/CELERY/);
    expect(bold).not.toMatch(/sugar|seed/);
  });
  it('boxes a warning, and sets a local statement in its own size', () => {
    const label = labelWordsOf({
      warning: 'WARNING: not pasteurized.',
      vignettes: [{ text: 'Made in a home kitchen', typeMm: 3, rule: 'a local rule' }],
    });
    const { faces } = labelArtwork(artworkFor({ label, design: designOf({ heightMm: 80 }) }), roughly);
    expect(faces[0]!.art.some((a) => a.kind === 'rect' && a.stroke && a.of === 'body')).toBe(true);
    const own = texts(faces[0]!).find((t) => t.text.startsWith('Made in'))!;
    expect(own.sizeMm * 0.668).toBeCloseTo(3, 6);
  });
});

describe('fields that are moved', () => {
  const front = (dx: number, dy: number, field: (typeof FIELDS)[number], pack: 'us' | 'eu' = 'eu') =>
    labelArtwork(artworkFor({ pack, design: designOf({ moved: [{ field, dx, dy }] }) }), roughly);
  it('move by so much and no more', () => {
    const before = boxOf(front(0, 0, 'name').faces[0]!, 'name', roughly)!;
    const after = boxOf(front(2, 1, 'name').faces[0]!, 'name', roughly)!;
    expect(after.x - before.x).toBeCloseTo(2, 9);
    expect(after.y - before.y).toBeCloseTo(1, 9);
    expect(front(2, 0, 'name').problems).toEqual([]);
  });
  it('are refused over an edge, on another field, and where the net contents would leave the lowest 30 %', () => {
    expect(front(-40, 0, 'name').problems[0]).toMatch(/The name would leave the label/);
    expect(front(0, 25, 'name').problems[0]).toMatch(/would stand on/);
    expect(front(0, -20, 'net', 'us').problems.join(' ')).toMatch(/lowest 30 %/);
  });
});

describe('nutrition on the label', () => {
  const lines = [
    { ingredientId: 'sour-cherry', grams: 4000 },
    { ingredientId: 'sugar', grams: 2000 },
  ];
  it('is a table in the European pack, as running text where there is no room', () => {
    const table = nutrition({ lines, millilitres: 4000, pack: 'eu' });
    const large = labelArtwork(artworkFor({ nutrition: table, design: designOf({ heightMm: 90 }) }), roughly);
    expect(large.problems).toEqual([]);
    expect(words(large.faces)).toMatch(/Energy.*kJ.*of which saturates.*Salt/s);
    expect(large.faces[0]!.art.some((a) => a.kind === 'rect' && a.of === 'nutrition')).toBe(true);
  });
  it('is the panel of the United States with servings, and linear only on a small container', () => {
    const panel = nutrition({ lines, millilitres: 4000, pack: 'us' });
    const design = designOf({ widthMm: 130, heightMm: 100 });
    const { faces, problems } = labelArtwork(
      artworkFor({ pack: 'us', leastXMm: 1.5875, nutrition: panel, design }),
      roughly,
    );
    expect(problems).toEqual([]);
    expect(words(faces)).toMatch(/Nutrition Facts/);
    expect(words(faces)).toMatch(/2 Tbsp \(30mL\)/);
    expect(words(faces)).toMatch(/Includes \d+g Added Sugars/);
  });
  it.each([
    // 101.9(b)(8): between 2 and 5 to the nearest half, else to the nearest whole.
    [237, 30, 'about 8 servings per container'],
    [240, 30, '8 servings per container'],
    [100, 30, 'about 3.5 servings per container'],
    [60, 30, '2 servings per container'],
    [30, 30, '1 serving per container'],
  ])('%s mL in servings of %s mL are "%s"', (net, serving, said) => {
    expect(servingsSaid(net, serving)).toBe(said);
  });
});

const sheet21: SheetMeasures = {
  paper: 'A4',
  rows: 7,
  columns: 3,
  leftMm: 8,
  topMm: 12,
  acrossMm: 2.5,
  downMm: 1,
  labelWidthMm: 63,
  labelHeightMm: 38,
  round: false,
  shiftXMm: 0,
  shiftYMm: 0,
};

describe('a sheet of labels', () => {
  it('has each label on the paper and none on another, for every sheet that is taken', () => {
    const any = fc.record({
      paper: fc.constantFrom('A4' as const, 'Letter' as const),
      rows: fc.integer({ min: 1, max: 12 }),
      columns: fc.integer({ min: 1, max: 6 }),
      leftMm: fc.double({ min: 0, max: 30, noNaN: true }),
      topMm: fc.double({ min: 0, max: 30, noNaN: true }),
      acrossMm: fc.double({ min: 0, max: 10, noNaN: true }),
      downMm: fc.double({ min: 0, max: 10, noNaN: true }),
      labelWidthMm: fc.double({ min: 10, max: 100, noNaN: true }),
      labelHeightMm: fc.double({ min: 10, max: 100, noNaN: true }),
      round: fc.constant(false),
      shiftXMm: fc.constant(0),
      shiftYMm: fc.constant(0),
    });
    fc.assert(
      fc.property(any, fc.integer({ min: 1, max: 90 }), (sheet, count) => {
        if (whyNoSheet(sheet) !== null) return;
        const paper = PAPERS[sheet.paper];
        const places = sheetPlaces(sheet, 1, count);
        expect(places).toHaveLength(count);
        for (const [i, a] of places.entries()) {
          expect(a.xMm + sheet.labelWidthMm).toBeLessThanOrEqual(paper.widthMm + 1e-6);
          expect(a.yMm + sheet.labelHeightMm).toBeLessThanOrEqual(paper.heightMm + 1e-6);
          for (const b of places.slice(i + 1)) {
            const apart =
              a.page !== b.page ||
              a.xMm + sheet.labelWidthMm <= b.xMm + 1e-6 ||
              b.xMm + sheet.labelWidthMm <= a.xMm + 1e-6 ||
              a.yMm + sheet.labelHeightMm <= b.yMm + 1e-6 ||
              b.yMm + sheet.labelHeightMm <= a.yMm + 1e-6;
            expect(apart).toBe(true);
          }
        }
      }),
      { numRuns: draws(200) },
    );
  });
  it('begins at the fourth label, and goes on with the first of the next', () => {
    const places = sheetPlaces(sheet21, 4, 20);
    expect(places[0]).toEqual({ page: 0, xMm: 8, yMm: 12 + 39 });
    expect(places[17]!.page).toBe(0);
    expect(places[18]).toEqual({ page: 1, xMm: 8, yMm: 12 });
    expect(sheetsFor(sheet21, 4, 20)).toBe(2);
    expect(() => sheetPlaces(sheet21, 22, 1)).toThrow(/1 to 21/);
  });
  it('is shifted by what the printer is off by', () => {
    expect(sheetPlaces({ ...sheet21, shiftXMm: 0.7, shiftYMm: -0.4 }, 1, 1)[0]).toEqual({
      page: 0,
      xMm: 8.7,
      yMm: 11.6,
    });
  });
  it('that runs over its paper is refused with what to measure', () => {
    expect(whyNoSheet({ ...sheet21, labelWidthMm: 70 })).toMatch(/over the paper's right edge/);
    expect(whyNoSheet({ ...sheet21, rows: 8 })).toMatch(/under the paper's lower edge/);
    expect(whyNoSheet({ ...sheet21, round: true })).toMatch(/as high as it is wide/);
    expect(whyNoSheet({ ...sheet21, shiftXMm: 20 })).toMatch(/more than 10 mm/);
  });
});

describe('a label as SVG', () => {
  it('says what it is, at true size, and writes nothing that was typed as markup', () => {
    const { faces } = labelArtwork(artworkFor(), roughly);
    const drawing = { outlines: () => 'M0 0', picture: '"><script>', modules: null };
    const svg = svgOf(faces[0]!, drawing, 'Label of <b>"cherry"</b>');
    expect(svg).toMatch(/^<svg [^>]*width="96mm" height="62mm"/);
    expect(svg).not.toMatch(/<script|<b>/);
  });
});
