/** What the look of the picture rests on beyond its own attributes. */
const STYLES = [
  'fill',
  'fill-opacity',
  'stroke',
  'stroke-width',
  'stroke-dasharray',
  'opacity',
  'font-family',
  'font-size',
  'font-weight',
  'text-anchor',
] as const;

/** The picture as a file of its own: its styles written into it, since a file has no page to take them from. */
export function svgFile(svg: SVGSVGElement, background: string): string {
  const copy = svg.cloneNode(true) as SVGSVGElement;
  const [originals, copies] = [svg, copy].map((one) => [one, ...one.querySelectorAll<SVGElement>('*')]);
  originals!.forEach((original, index) => {
    const computed = getComputedStyle(original);
    const target = copies![index]!;
    for (const name of STYLES) {
      const value = computed.getPropertyValue(name);
      if (value !== '') target.style.setProperty(name, value);
    }
    for (const name of [...target.attributes].map((attribute) => attribute.name).filter((name) => /^(_ng|ng-|tabindex|class)/.test(name)))
      target.removeAttribute(name);
  });
  copy.setAttribute('width', svg.viewBox.baseVal.width.toString());
  copy.style.setProperty('background', background);
  return `<?xml version="1.0" encoding="UTF-8"?>\n${new XMLSerializer().serializeToString(copy)}\n`;
}
