import { createRequire } from 'node:module';
import type { LabelContent } from '@inch/core/label';
import { type LabelLayout, labelLayout, labelSizes } from '@inch/core/label';
import PDFDocument from 'pdfkit';

const require = createRequire(import.meta.url);
const font = (weight: 400 | 700) =>
  require.resolve(
    `@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-${weight}-normal.woff`,
  );

const POINTS_PER_MM = 72 / 25.4;
const INK = '#141B2D';

function newDocument(size: { widthMm: number; heightMm: number }): PDFKit.PDFDocument {
  const doc = new PDFDocument({
    size: [size.widthMm * POINTS_PER_MM, size.heightMm * POINTS_PER_MM],
    margin: 0,
    autoFirstPage: false,
    info: { Title: 'Label' },
  });
  doc.registerFont('regular', font(400));
  doc.registerFont('bold', font(700));
  return doc;
}

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

/** The label as PDF, one page a copy, each page the label's true size. @returns the bytes */
export function labelPdf(
  label: LabelContent,
  sizeId: string,
  netHeightMm: number,
  copies: number,
): Promise<Buffer> {
  const size = labelSizes.find((s) => s.id === sizeId)!;
  const doc = newDocument(size);
  const measure = (text: string, sizeMm: number, bold: boolean) =>
    doc
      .font(bold ? 'bold' : 'regular')
      .fontSize(sizeMm)
      .widthOfString(text);
  const layout = labelLayout(label, size, netHeightMm, measure);
  const chunks: Buffer[] = [];
  const finished = new Promise<Buffer>((resolve, reject) => {
    doc.on('data', (chunk: Buffer) => chunks.push(chunk));
    doc.on('end', () => resolve(Buffer.concat(chunks)));
    doc.on('error', reject);
  });
  for (let i = 0; i < copies; i++) draw(doc, layout, label.colour);
  doc.end();
  return finished;
}
