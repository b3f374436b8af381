import { bytesOf, newDocument } from '../label/document.ts';
import type { Sheet } from './paper.ts';

const [INK, SECOND, RIM, GO, HOLD] = ['#141B2D', '#4A5468', '#1E40AF', '#2C7A3F', '#B45309'];
const MARGIN = 52;

function part(doc: PDFKit.PDFDocument, heading: string, lines: readonly string[]): void {
  const missing = / Missing$/.test(heading);
  const passed = / Passed$/.test(heading);
  doc.moveDown(0.7);
  doc
    .font('bold')
    .fontSize(11)
    .fillColor(missing ? HOLD : passed ? GO : INK)
    .text(heading);
  doc.font('regular').fontSize(9.5).fillColor(INK);
  for (const line of lines) doc.text(printable(line), { indent: 10 });
}

/** The line to sign by hand, for a kitchen that files its sheets on paper. */
function signHere(doc: PDFKit.PDFDocument): void {
  doc.moveDown(2.2);
  const y = doc.y;
  doc
    .moveTo(MARGIN, y)
    .lineTo(MARGIN + 220, y)
    .moveTo(MARGIN + 260, y)
    .lineTo(MARGIN + 400, y);
  doc.lineWidth(0.7).strokeColor(SECOND).stroke();
  doc.font('regular').fontSize(8.5).fillColor(SECOND);
  doc.text('Name and signature', MARGIN, y + 4);
  doc.text('Date', MARGIN + 260, y + 4);
}

/** The typeface has no thin space: thousands are parted by one that does not break. */
const printable = (text: string): string => text.replaceAll('\u202f', '\u00a0');

/** A sheet on A4. @returns the bytes */
export function sheetPdf(sheet: Sheet): Promise<Buffer> {
  const doc = newDocument({
    size: 'A4',
    margin: MARGIN,
    info: { Title: sheet.title, CreationDate: new Date(sheet.at) },
  });
  const finished = bytesOf(doc);
  doc.rect(0, 0, doc.page.width, 8).fill(RIM);
  doc.font('bold').fontSize(17).fillColor(INK).text(sheet.title, MARGIN, 40);
  doc.moveDown(0.4);
  doc
    .fontSize(12)
    .fillColor(sheet.released ? GO : HOLD)
    .text(sheet.verdict);
  doc.moveDown(0.5).font('regular').fontSize(9.5).fillColor(SECOND);
  for (const line of sheet.head) doc.text(printable(line));
  for (const { heading, lines } of sheet.parts) part(doc, heading, lines);
  if (sheet.toSign) signHere(doc);
  doc.moveDown(2).fontSize(8).fillColor(SECOND).text(sheet.foot, MARGIN);
  doc.end();
  return finished;
}
