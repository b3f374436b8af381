import { type Art, bled, codePath, type Face } from '@inch/core/label';

/** What a face is drawn with: the owner's picture, and the modules of its code. */
export interface DrawnWith {
  picture: Buffer | null;
  modules: boolean[][] | null;
}

function one(doc: PDFKit.PDFDocument, art: Art, { picture, modules }: DrawnWith): void {
  switch (art.kind) {
    case 'text':
      doc
        .font(art.bold ? 'bold' : 'regular')
        .fontSize(art.sizeMm)
        .fillColor(art.fill);
      doc.text(art.text, art.x, art.y, { lineBreak: false, baseline: 'alphabetic' });
      return;
    case 'rect':
      doc.rect(art.x, art.y, art.width, art.height);
      break;
    case 'circle':
      doc.circle(art.x, art.y, art.r);
      break;
    case 'path':
      doc.path(art.d).fill(art.fill);
      return;
    case 'picture':
      if (picture)
        doc.image(picture, art.x, art.y, { fit: [art.width, art.height], align: 'center', valign: 'center' });
      return;
    case 'code':
      if (!modules) return;
      doc.rect(art.x, art.y, art.size, art.size).fill('#FFFFFF');
      doc.path(codePath(modules, art.x, art.y, art.size)).fill('#000000');
      return;
  }
  if (art.fill) doc.fill(art.fill);
  else if (art.stroke) doc.lineWidth(art.lineMm ?? 0.2).stroke(art.stroke);
}

const isText = (art: Art): boolean => art.kind === 'text';

/** A face drawn with its upper left corner at a place, mm; what bleeds runs so far over its edge. */
export function drawFace(
  doc: PDFKit.PDFDocument,
  face: Face,
  at: { xMm: number; yMm: number },
  drawnWith: DrawnWith,
  struct: PDFKit.PDFStructureElement,
  bleedMm = 0,
): void {
  doc.save().translate(at.xMm, at.yMm);
  if (face.round) doc.circle(face.widthMm / 2, face.heightMm / 2, face.widthMm / 2).clip();
  else doc.rect(-bleedMm, -bleedMm, face.widthMm + 2 * bleedMm, face.heightMm + 2 * bleedMm).clip();
  // Drawn at once: what is drawn in a structure's own function comes only when the document is put together, out of its place.
  const drawing = doc.markStructureContent('Figure');
  for (const art of face.art.filter((a) => !isText(a))) one(doc, bled(art, face, bleedMm), drawnWith);
  doc.endMarkedContent();
  struct.add(doc.struct('Figure', { alt: 'Ground and drawing of the label' }, [drawing]));
  const words = doc.markStructureContent('P');
  for (const art of face.art.filter(isText)) one(doc, art, drawnWith);
  doc.endMarkedContent();
  struct.add(doc.struct('P', {}, [words]));
  doc.restore();
  if (face.hole)
    doc
      .circle(at.xMm + face.hole.x, at.yMm + face.hole.y, face.hole.r)
      .lineWidth(0.2)
      .fillAndStroke('#FFFFFF', '#8793A3');
}

const MARK_MM = 4;
const OFF_MM = 1;

/** Short lines outside the corners of a label, along which it is cut. */
export function cutMarks(
  doc: PDFKit.PDFDocument,
  { xMm, yMm }: { xMm: number; yMm: number },
  { widthMm, heightMm }: { widthMm: number; heightMm: number },
): void {
  doc.save().lineWidth(0.15).strokeColor('#000000');
  for (const x of [xMm, xMm + widthMm])
    for (const [from, to] of [
      [yMm - OFF_MM - MARK_MM, yMm - OFF_MM],
      [yMm + heightMm + OFF_MM, yMm + heightMm + OFF_MM + MARK_MM],
    ])
      doc.moveTo(x, from!).lineTo(x, to!).stroke();
  for (const y of [yMm, yMm + heightMm])
    for (const [from, to] of [
      [xMm - OFF_MM - MARK_MM, xMm - OFF_MM],
      [xMm + widthMm + OFF_MM, xMm + widthMm + OFF_MM + MARK_MM],
    ])
      doc.moveTo(from!, y).lineTo(to!, y).stroke();
  doc.restore();
}
