import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import PDFDocument from 'pdfkit';

const require = createRequire(import.meta.url);
const font = (style: '400Regular' | '700Bold') =>
  readFileSync(
    require.resolve(
      `@expo-google-fonts/atkinson-hyperlegible-next/${style}/AtkinsonHyperlegibleNext_${style}.ttf`,
    ),
  );
const REGULAR = font('400Regular');
const BOLD = font('700Bold');

/** A PDF in the typeface of the application, which it carries with it: "regular" and "bold". */
export function newDocument(options: PDFKit.PDFDocumentOptions): PDFKit.PDFDocument {
  const doc = new PDFDocument(options);
  doc.registerFont('regular', REGULAR);
  doc.registerFont('bold', BOLD);
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
