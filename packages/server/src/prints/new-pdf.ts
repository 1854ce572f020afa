import { createRequire } from 'node:module';
import PDFDocument from 'pdfkit';

/** Where packages lie, whether this runs from its sources, from a bundle, or in a test. */
const packages = createRequire(import.meta.url);
/** The faces by where they lie: under that name a document opens each once (under a name of our own, at every call). */
export const FONTS = {
  text: packages.resolve('@expo-google-fonts/source-sans-3/400Regular/SourceSans3_400Regular.ttf'),
  strong: packages.resolve('@expo-google-fonts/source-sans-3/600SemiBold/SourceSans3_600SemiBold.ttf'),
} as const;
export type Face = keyof typeof FONTS;

/** An empty PDF with our two fonts, tagged (PDF 1.7, section 14.8), and what it comes to once it is ended. */
export function newPdf(
  title: string,
  options: PDFKit.PDFDocumentOptions,
): { readonly doc: PDFKit.PDFDocument; readonly done: Promise<Buffer> } {
  const doc = new PDFDocument({
    pdfVersion: '1.7',
    tagged: true,
    lang: 'en',
    displayTitle: true,
    font: FONTS.text,
    info: { Title: title, Creator: 'Viaggio', Producer: 'Viaggio' },
    ...options,
  });
  const chunks: Buffer[] = [];
  const done = new Promise<Buffer>((resolve, reject) => {
    doc.on('data', (chunk: Buffer) => chunks.push(chunk));
    doc.on('end', () => resolve(Buffer.concat(chunks)));
    doc.on('error', reject);
  });
  return { doc, done };
}
