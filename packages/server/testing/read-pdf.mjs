// Reads a PDF back for tests, in a process of its own: the reader is an ES module and Jest runs none. Prints JSON.
import { readFileSync } from 'node:fs';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';

const document = await getDocument({ data: new Uint8Array(readFileSync(process.argv[2])), verbosity: 0 }).promise;
const pages = [];
for (let at = 1; at <= document.numPages; at++) {
  const page = await document.getPage(at);
  const { width, height } = page.getViewport({ scale: 1 });
  const { items } = await page.getTextContent();
  await page.getOperatorList();
  const fonts = new Map();
  for (const { fontName } of items) if (fontName) fonts.set(fontName, page.commonObjs.get(fontName));
  pages.push({
    width,
    height,
    text: items.map(({ str }) => str).join(' ').replaceAll(/\s+/g, ' '), // prettier-ignore
    boxes: items.filter(({ str }) => str.trim() !== '').map(({ str, transform, width: wide }) => ({ str, x: transform[4], y: transform[5], width: wide, height: Math.abs(transform[3]) })), // prettier-ignore
    fonts: [...fonts.values()].map((font) => ({ name: font.name, embedded: !font.missingFile })),
    tags: tagsOf(await page.getStructTree()),
  });
}
const outline = (await document.getOutline()) ?? [];
const { info } = await document.getMetadata();
console.log(
  JSON.stringify({
    pages,
    bookmarks: outline.map(({ title, items }) => ({ title, below: items.map((one) => one.title) })),
    isTagged: (await document.getMarkInfo())?.Marked === true,
    title: info.Title,
    language: info.Language,
  }),
);

function tagsOf(node, tags = []) {
  if (!node) return tags;
  if (node.role) tags.push(node.alt ? `${node.role}: ${node.alt}` : node.role);
  for (const child of node.children ?? []) tagsOf(child, tags);
  return tags;
}
