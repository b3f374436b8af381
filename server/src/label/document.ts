import { createRequire } from 'node:module';
import PDFDocument from 'pdfkit';

const require = createRequire(import.meta.url);
const font = (weight: 400 | 700) =>
  require.resolve(
    `@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-${weight}-normal.woff`,
  );

/** A PDF in the typeface of the application, which it carries with it: "regular" and "bold". */
export function newDocument(options: PDFKit.PDFDocumentOptions): PDFKit.PDFDocument {
  const doc = new PDFDocument(options);
  doc.registerFont('regular', font(400));
  doc.registerFont('bold', font(700));
  return doc;
}

/** The bytes of a document, once it is ended. */
export function bytesOf(doc: PDFKit.PDFDocument): Promise<Buffer> {
  const chunks: Buffer[] = [];
  return new Promise((resolve, reject) => {
    doc.on('data', (chunk: Buffer) => chunks.push(chunk));
    doc.on('end', () => resolve(Buffer.concat(chunks)));
    doc.on('error', reject);
  });
}
