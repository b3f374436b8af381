import type { LabelSheet } from '@inch/contract/making/labelSheet';
import { sheetPlaces } from '@inch/core/label';
import { bytesOf, newDocument, pageOf } from './document.ts';

const GRID_MM = 10;
const TEXT_MM = 130;

/** A page with the outline of every label and a millimetre cross in the first: what the printer is off by is read there. */
export async function calibrationPdf(sheet: LabelSheet, at: string): Promise<Buffer> {
  const { measures, name } = sheet;
  const doc = newDocument({
    autoFirstPage: false,
    margin: 0,
    info: { Title: `Calibration of ${name}`, CreationDate: new Date(at) },
    language: 'en',
  });
  const finished = bytesOf(doc);
  const paper = pageOf(doc, measures.paper);
  doc.lineWidth(0.1).strokeColor('#8793A3');
  for (const { xMm, yMm } of sheetPlaces(measures, 1, measures.rows * measures.columns))
    doc.rect(xMm, yMm, measures.labelWidthMm, measures.labelHeightMm).stroke();
  const middle = { x: paper.widthMm / 2, y: paper.heightMm / 2 };
  doc.strokeColor('#141B2D');
  for (let i = -GRID_MM; i <= GRID_MM; i++) {
    const long = i % 5 === 0 ? 3 : 1.5;
    doc
      .moveTo(middle.x + i, middle.y - long)
      .lineTo(middle.x + i, middle.y + long)
      .stroke();
    doc
      .moveTo(middle.x - long, middle.y + i)
      .lineTo(middle.x + long, middle.y + i)
      .stroke();
  }
  doc.font('regular').fontSize(3.4).fillColor('#141B2D');
  const said = [
    `${name}: print this page at 100 %, without scaling, on plain paper, and lay it on a sheet of labels against the light.`,
    'The long cross is the middle of the page: each tick is 1 mm. Fold the page in half both ways: the folds should cross at its middle.',
    'Where the folds cross to the left of the long cross, prints lie too far right: move them right by minus so many mm. Where they cross above it, prints lie too low: move them down by minus so many mm.',
  ];
  // On white, so that the outlines of the labels do not run through the words.
  doc.rect(middle.x - TEXT_MM / 2 - 4, middle.y + 16, TEXT_MM + 8, 46).fill('#FFFFFF');
  doc.fillColor('#141B2D');
  let y = middle.y + 20;
  for (const line of said) {
    doc.text(line, middle.x - TEXT_MM / 2, y, { width: TEXT_MM });
    y += doc.heightOfString(line, { width: TEXT_MM }) + 2;
  }
  doc.end();
  return finished;
}
