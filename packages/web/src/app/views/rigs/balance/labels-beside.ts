/** What is to be labelled: its middle, half its side, and how wide its label is, all in pixels. */
export interface Labelled {
  readonly x: number;
  readonly y: number;
  readonly half: number;
  readonly labelWidth: number;
}
/** Where a label starts, the middle of its line, and whether it stands away from its thing so that a line leads there. */
export interface PlacedLabel {
  readonly x: number;
  readonly y: number;
  readonly isAway: boolean;
}
interface Box {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

const GAP = 6;
const LINE = 15;
/** How far up or down a label is moved before it may cover a thing. */
const MOST_LINES = 9;

/** A label beside each thing, right of it or left, as near as it can stand without covering another label, or a thing. */
export function labelsBeside(things: readonly Labelled[], width: number, height: number): readonly PlacedLabel[] {
  const shapes = things.map(({ x, y, half }): Box => ({ left: x - half, right: x + half, top: y - half, bottom: y + half }));
  const taken: Box[] = [];
  return things.map((thing) => {
    const places = placesFor(thing, width).filter(({ box }) => box.left >= 0 && box.right <= width && box.top >= 0 && box.bottom <= height);
    const free = places.filter(({ box }) => !taken.some((other) => overlap(box, other)));
    const best =
      free.find(({ box }) => !shapes.some((other) => overlap(box, other))) ?? free[0] ?? places[0] ?? placesFor(thing, width)[0]!;
    taken.push(best.box);
    return best.label;
  });
}

/** The nearest first: beside it, then over or under it, moved into the picture where it is at its edge. */
function placesFor({ x, y, half, labelWidth }: Labelled, width: number): { readonly label: PlacedLabel; readonly box: Box }[] {
  const lines = Array.from({ length: 2 * MOST_LINES + 1 }, (_, index) => (index % 2 === 0 ? -1 : 1) * Math.ceil(index / 2));
  return lines.flatMap((line) =>
    [x + half + GAP, x - half - GAP - labelWidth, Math.max(0, Math.min(width - labelWidth, x - labelWidth / 2))].map((left) => {
      const middle = y + line * LINE;
      const box = { left, right: left + labelWidth, top: middle - LINE / 2, bottom: middle + LINE / 2 };
      return { label: { x: left, y: middle, isAway: Math.abs(line * LINE) > half }, box };
    }),
  );
}

function overlap(one: Box, other: Box): boolean {
  return one.left < other.right && other.left < one.right && one.top < other.bottom && other.top < one.bottom;
}
