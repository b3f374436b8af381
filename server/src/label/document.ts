import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { PAPERS, type Paper } from '@inch/core/label';
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

/** How the root of a document is written into the file: pdfkit has no option for what a viewer should not do. */
interface Root {
  _root: { data: { ViewerPreferences: { data: Record<string, unknown> } } };
}

/** A PDF in the typeface of the application, which it carries with it: "regular" and "bold". One with a language is tagged, shows its title and is not scaled at print. */
export function newDocument({
  language,
  ...options
}: PDFKit.PDFDocumentOptions & { language?: string }): PDFKit.PDFDocument {
  const doc = new PDFDocument({
    ...options,
    ...(language ? { tagged: true, lang: language, displayTitle: true, pdfVersion: '1.7' } : {}),
  });
  if (language) (doc as unknown as Root)._root.data.ViewerPreferences.data.PrintScaling = 'None';
  doc.registerFont('regular', REGULAR);
  doc.registerFont('bold', BOLD);
  return doc;
}

const POINTS_PER_MM = 72 / 25.4;

/** A new page of a paper or a size, on which everything is drawn in mm. */
export function pageOf(
  doc: PDFKit.PDFDocument,
  of: Paper | { widthMm: number; heightMm: number },
): { widthMm: number; heightMm: number } {
  const size = typeof of === 'string' ? PAPERS[of] : of;
  doc.addPage({ size: [size.widthMm * POINTS_PER_MM, size.heightMm * POINTS_PER_MM], margin: 0 });
  doc.scale(POINTS_PER_MM);
  return size;
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
