import { codePath } from '@inch/core/label';
import { bytesOf, newDocument, pageOf } from './document.ts';
import type { Tag } from './tag.ts';

const SIZE = { widthMm: 62, heightMm: 36 };
const CODE_MM = 24;
const INK = '#141B2D';

/** Tags as PDF, one a page: the code to scan beside what it says. */
export async function tagPdf(tag: Tag, copies: number, modules: boolean[][], at: string): Promise<Buffer> {
  const doc = newDocument({
    margin: 0,
    autoFirstPage: false,
    language: 'en',
    info: { Title: `Tag of ${tag.code}`, CreationDate: new Date(at) },
  });
  const finished = bytesOf(doc);
  const root = doc.struct('Document');
  doc.addStructure(root);
  for (let i = 0; i < copies; i++) {
    pageOf(doc, SIZE);
    const code = doc.markStructureContent('Figure');
    doc.path(codePath(modules, 2, (SIZE.heightMm - CODE_MM) / 2, CODE_MM)).fill('#000000');
    doc.endMarkedContent();
    root.add(doc.struct('Figure', { alt: `Code ${tag.code}` }, [code]));
    const said = doc.markStructureContent('P');
    words(doc, tag);
    doc.endMarkedContent();
    root.add(doc.struct('P', {}, [said]));
  }
  root.end();
  doc.end();
  return finished;
}

function words(doc: PDFKit.PDFDocument, tag: Tag): void {
  const x = CODE_MM + 4;
  const room = SIZE.widthMm - x - 2;
  const line = (text: string, y: number, sizeMm: number, bold: boolean) => {
    doc.font(bold ? 'bold' : 'regular').fontSize(sizeMm);
    const fits = Math.min(sizeMm, (sizeMm * room) / doc.widthOfString(text));
    doc.fontSize(fits).fillColor(INK).text(text, x, y, { lineBreak: false, baseline: 'alphabetic' });
  };
  line(tag.code, 10, 6.4, true);
  line(tag.title, 16, 3.6, true);
  tag.lines.forEach((text, i) => {
    line(text, 21.5 + i * 4.4, 2.9, false);
  });
}
