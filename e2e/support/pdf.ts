import { createCanvas } from '@napi-rs/canvas';
import type { Canvas } from '@napi-rs/canvas';
import { readFileSync } from 'node:fs';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';

/** A PDF as a reader sees it. */
export interface ReadPdf {
  readonly pages: readonly string[];
  readonly bookmarks: readonly string[];
  readonly isTagged: boolean;
  /** One page as a picture. */
  readonly draw: (page: number, scale: number) => Promise<Canvas>;
}

export async function readPdf(file: string): Promise<ReadPdf> {
  const document = await getDocument({ data: new Uint8Array(readFileSync(file)), verbosity: 0 }).promise;
  const pages: string[] = [];
  for (let at = 1; at <= document.numPages; at++) {
    const { items } = await (await document.getPage(at)).getTextContent();
    const text = items.map((item) => ('str' in item ? item.str : '')).join(' ');
    pages.push(text.replaceAll(/\s+/g, ' '));
  }
  const outline = ((await document.getOutline()) ?? []) as readonly { title: string }[];
  const marks = (await document.getMarkInfo()) as { Marked?: boolean } | null;
  return {
    pages,
    bookmarks: outline.map(({ title }) => title),
    isTagged: marks?.Marked === true,
    draw: async (at, scale) => {
      const page = await document.getPage(at);
      const viewport = page.getViewport({ scale });
      const canvas = createCanvas(viewport.width, viewport.height);
      await page.render({ canvas: null, canvasContext: canvas.getContext('2d') as never, viewport }).promise;
      return canvas;
    },
  };
}
