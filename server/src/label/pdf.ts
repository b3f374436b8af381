import { setImmediate as nextTurn } from 'node:timers/promises';
import type { LabelContent } from '@inch/core/label';
import { type LabelLayout, labelLayout, labelSizes } from '@inch/core/label';
import { bytesOf, newDocument } from './document.ts';

const POINTS_PER_MM = 72 / 25.4;
const INK = '#141B2D';

const labelDocument = (size: { widthMm: number; heightMm: number }, at: string): PDFKit.PDFDocument =>
  newDocument({
    size: [size.widthMm * POINTS_PER_MM, size.heightMm * POINTS_PER_MM],
    margin: 0,
    autoFirstPage: false,
    info: { Title: 'Label', CreationDate: new Date(at) },
  });

function draw(doc: PDFKit.PDFDocument, layout: LabelLayout, colour: string): void {
  doc.addPage();
  doc.save().scale(POINTS_PER_MM);
  doc.rect(0, 0, layout.widthMm, layout.bandMm).fill(colour);
  for (const [i, item] of layout.texts.entries()) {
    doc
      .font(item.bold ? 'bold' : 'regular')
      .fontSize(item.sizeMm)
      .fillColor(i < layout.onBand ? '#FFFFFF' : INK);
    doc.text(item.text, item.x, item.y, { lineBreak: false, baseline: 'alphabetic' });
  }
  doc.restore();
}

/** Pages drawn at one go: between them others are answered. */
const AT_ONCE = 10;

/** The label as PDF, one page a copy, each page the label's true size. @param at when it is made @returns the bytes */
export async function labelPdf(
  label: LabelContent,
  sizeId: string,
  netHeightMm: number,
  copies: number,
  at: string,
): Promise<Buffer> {
  const size = labelSizes.find((s) => s.id === sizeId)!;
  const doc = labelDocument(size, at);
  const measure = (text: string, sizeMm: number, bold: boolean) =>
    doc
      .font(bold ? 'bold' : 'regular')
      .fontSize(sizeMm)
      .widthOfString(text);
  const layout = labelLayout(label, size, netHeightMm, measure);
  const finished = bytesOf(doc);
  for (let i = 0; i < copies; i++) {
    if (i % AT_ONCE === AT_ONCE - 1) await nextTurn();
    draw(doc, layout, label.colour);
  }
  doc.end();
  return finished;
}
