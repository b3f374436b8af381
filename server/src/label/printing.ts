import { setImmediate as nextTurn } from 'node:timers/promises';
import type { SheetMeasures } from '@inch/core/label';
import {
  type ArtworkOf,
  type Face,
  faceSvg,
  labelArtwork,
  PAPERS,
  sheetPlaces,
  svgOf,
} from '@inch/core/label';
import sharp from 'sharp';
import { Problem } from '../problem/problem.ts';
import { modulesOf } from './code.ts';
import { bytesOf, newDocument, pageOf } from './document.ts';
import { cutMarks, type DrawnWith, drawFace } from './draw.ts';
import { measureText, outlines } from './typeface.ts';

/** What is printed: a label, how many times, on what. */
export interface Printing {
  of: ArtworkOf;
  lotCode: string;
  copies: number;
  /** Number of the bottle that the first is for; null where they are not numbered. */
  firstBottle: number | null;
  sheet: SheetMeasures | null;
  /** Place of the first on its first sheet. */
  first: number;
  face: Face['id'] | 'both';
  cutMarks: boolean;
  picture: Buffer | null;
  at: string;
}

interface Ready {
  faces: Face[];
  with: DrawnWith;
}

function labelOfBottle({ of, lotCode, picture, firstBottle, face }: Printing, i: number): Ready {
  const number = of.design.numbered && firstBottle !== null ? firstBottle + i : null;
  const numbered = (lotLine: string) => (number === null ? lotLine : `${lotLine} · ${number}`);
  const said = {
    ...of,
    label: { ...of.label, lotLine: numbered(of.label.lotLine) },
    second: of.second && { ...of.second, lotLine: numbered(of.second.lotLine) },
  };
  const { faces } = labelArtwork(said, measureText);
  return {
    faces: faces.filter((f) => face === 'both' || f.id === face),
    with: {
      picture,
      modules: of.design.code ? modulesOf(number === null ? lotCode : `${lotCode}/${number}`) : null,
    },
  };
}

/** Each label of a run, bottle by bottle; what is alike is drawn up once. */
function* labelsOf(printing: Printing): Generator<{ face: Face; with: DrawnWith }> {
  const alike = printing.of.design.numbered ? null : labelOfBottle(printing, 0);
  for (let i = 0; i < printing.copies; i++) {
    const ready = alike ?? labelOfBottle(printing, i);
    for (const face of ready.faces) yield { face, with: ready.with };
  }
}

const HAIR = 0.1;

/** Where a face stands in a sheet's label: in its middle. Refuses one that is larger. */
function inCell(face: Face, sheet: SheetMeasures): { dx: number; dy: number } {
  const dx = (sheet.labelWidthMm - face.widthMm) / 2;
  const dy = (sheet.labelHeightMm - face.heightMm) / 2;
  if (dx < -HAIR || dy < -HAIR)
    throw new Problem(
      409,
      `The ${face.id} is ${face.widthMm} × ${face.heightMm} mm, and a label of this sheet ${sheet.labelWidthMm} × ${sheet.labelHeightMm} mm. Take another sheet, or make the label smaller.`,
    );
  return { dx, dy };
}

/** Labels drawn at one go: between them others are answered. */
const AT_ONCE = 10;
const BLEED_MM = 2;
/** Room about a label for its cut marks. */
const AROUND_MM = 8;

/** The labels as PDF: tagged, with language and title, at true size, never to be scaled. */
export async function labelPdf(printing: Printing): Promise<Buffer> {
  const { of, sheet, first, lotCode, at } = printing;
  const doc = newDocument({
    margin: 0,
    autoFirstPage: false,
    language: of.label.language,
    info: { Title: `Label of ${of.label.name}, lot ${lotCode}`, CreationDate: new Date(at) },
  });
  const finished = bytesOf(doc);
  const labels = [...labelsOf(printing)];
  const places = sheet ? sheetPlaces(sheet, first, labels.length) : null;
  const cells = sheet ? labels.map(({ face }) => inCell(face, sheet)) : null;
  const root = doc.struct('Document');
  doc.addStructure(root);
  let page = -1;
  for (const [i, label] of labels.entries()) {
    if (i % AT_ONCE === AT_ONCE - 1) await nextTurn();
    const part = doc.struct('Sect');
    if (places) {
      const place = places[i]!;
      if (place.page !== page) {
        pageOf(doc, sheet!.paper);
        page = place.page;
      }
      const { dx, dy } = cells![i]!;
      drawFace(doc, label.face, { xMm: place.xMm + dx, yMm: place.yMm + dy }, label.with, part);
    } else {
      const around = printing.cutMarks ? AROUND_MM : 0;
      const { widthMm, heightMm } = label.face;
      pageOf(doc, { widthMm: widthMm + 2 * around, heightMm: heightMm + 2 * around });
      const corner = { xMm: around, yMm: around };
      drawFace(doc, label.face, corner, label.with, part, printing.cutMarks ? BLEED_MM : 0);
      if (printing.cutMarks) cutMarks(doc, corner, label.face);
    }
    part.end();
    root.add(part);
  }
  root.end();
  doc.end();
  return finished;
}

const pictureAddress = (picture: Buffer | null): string | null =>
  picture && `data:image/png;base64,${picture.toString('base64')}`;

const drawing = (drawn: DrawnWith) => ({
  outlines,
  picture: pictureAddress(drawn.picture),
  modules: drawn.modules,
});

function oneFace(printing: Printing, id: Face['id']): { face: Face; with: DrawnWith } {
  const ready = labelOfBottle({ ...printing, face: 'both' }, 0);
  const face = ready.faces.find((f) => f.id === id);
  if (!face) throw new Problem(404, 'This label has no back: everything stands on its front.');
  return { face, with: ready.with };
}

/** One label as SVG, letters as outlines. */
export function labelSvg(printing: Printing, id: Face['id']): string {
  const { face, with: drawn } = oneFace(printing, id);
  return svgOf(face, drawing(drawn), `Label of ${printing.of.label.name}, lot ${printing.lotCode}`);
}

function sheetSvg(printing: Printing, sheet: SheetMeasures): string {
  const { widthMm, heightMm } = PAPERS[sheet.paper];
  const labels = [...labelsOf(printing)];
  const parts = sheetPlaces(sheet, printing.first, labels.length).flatMap(({ page, xMm, yMm }, i) => {
    const { face, with: drawn } = labels[i]!;
    const { dx, dy } = inCell(face, sheet);
    return page === 0
      ? [`<g transform="translate(${xMm + dx} ${yMm + dy})">${faceSvg(face, drawing(drawn))}</g>`]
      : [];
  });
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${widthMm}mm" height="${heightMm}mm" viewBox="0 0 ${widthMm} ${heightMm}"><rect width="${widthMm}" height="${heightMm}" fill="#FFFFFF"/>${parts.join('')}</svg>`;
}

const MM_PER_INCH = 25.4;

/** One label, or the first page of a sheet of it, as PNG at so many dots an inch. */
export async function labelPng(printing: Printing, id: Face['id'], dpi: number): Promise<Buffer> {
  const svg = printing.sheet ? sheetSvg(printing, printing.sheet) : labelSvg(printing, id);
  const size = printing.sheet ? PAPERS[printing.sheet.paper] : oneFace(printing, id).face;
  const px = (mm: number) => Math.round((mm / MM_PER_INCH) * dpi);
  // Its size is said in px: a size in mm would be scaled by the density a second time.
  const sized = svg.replace(
    /width="[^"]+" height="[^"]+"/,
    `width="${px(size.widthMm)}" height="${px(size.heightMm)}" preserveAspectRatio="none"`,
  );
  return sharp(Buffer.from(sized)).withMetadata({ density: dpi }).png().toBuffer();
}
