/** A picture in shades of grey, row by row; 0 is black, 255 white. */
export interface Grey {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8ClampedArray;
}

/**
 * From red, green, blue and alpha, as a canvas gives them.
 *
 * @example greyOf({ width: 1, height: 1, data: new Uint8ClampedArray([255, 255, 255, 255]) }).data[0] // 255
 */
export function greyOf({
  width,
  height,
  data,
}: {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8ClampedArray;
}): Grey {
  const grey = new Uint8ClampedArray(width * height);
  for (let at = 0; at < grey.length; at++) grey[at] = 0.299 * data[4 * at]! + 0.587 * data[4 * at + 1]! + 0.114 * data[4 * at + 2]!;
  return { width, height, data: grey };
}

/**
 * Specks of single pixels are taken for noise: each becomes the middle one of its nine.
 *
 * @example despeckled({ width: 1, height: 1, data: new Uint8ClampedArray([7]) }).width // 1
 */
export function despeckled({ width, height, data }: Grey): Grey {
  const result = new Uint8ClampedArray(data);
  const nine = new Uint8ClampedArray(9);
  for (let y = 1; y < height - 1; y++) {
    for (let x = 1; x < width - 1; x++) {
      for (let dy = -1, at = 0; dy <= 1; dy++) for (let dx = -1; dx <= 1; dx++) nine[at++] = data[(y + dy) * width + x + dx]!;
      nine.sort();
      result[y * width + x] = nine[4]!;
    }
  }
  return { width, height, data: result };
}

/**
 * How much a picture is grained, as a standard deviation of its shades: what each point differs by from the mean of its
 * neighbours, half of all points more, half less; print is on few of them.
 *
 * @example grainOf({ width: 3, height: 3, data: new Uint8ClampedArray(9) }) // 0
 */
export function grainOf({ width, height, data }: Grey): number {
  const off: number[] = [];
  // one of some is enough to tell
  for (let y = 1; y < height - 1; y += 3) {
    for (let x = 1; x < width - 1; x += 3) {
      const at = y * width + x;
      off.push(Math.abs(data[at]! - (data[at - 1]! + data[at + 1]! + data[at - width]! + data[at + width]!) / 4));
    }
  }
  off.sort((a, b) => a - b);
  // of the difference of a point and the mean of four: half lie within 0.6745 of 1.118 standard deviations
  return (off[Math.floor(off.length / 2)] ?? 0) / (0.6745 * 1.118);
}

/**
 * Each point the mean of a square around it.
 *
 * @example smoothed({ width: 2, height: 2, data: new Uint8ClampedArray([8, 8, 8, 8]) }, 1).data[0] // 8
 */
export function smoothed(grey: Grey, radius: number): Grey {
  return { ...grey, data: Uint8ClampedArray.from(blurred(grey, radius)) };
}

/** Of the picture's longer side: what lies within so much of a point is its ground. */
const GROUND_SHARE = 1 / 12;
/** So little contrast is none: a plain surface stays plain. */
const LEAST_CONTRAST = 24;

/**
 * The same picture evenly lit: each point against the ground around it, and stretched from black to white; light print on
 * a dark ground becomes dark on light. Dim corners and a lamp's shine are gone, and what is printed stays.
 *
 * @example levelled({ width: 1, height: 1, data: Uint8ClampedArray.of(40) }).data[0] // 255
 */
export function levelled(grey: Grey): Grey {
  const { width, height, data } = grey;
  const ground = blurred(grey, Math.max(4, Math.round(Math.max(width, height) * GROUND_SHARE)));
  const off = new Float32Array(data.length);
  for (let at = 0; at < data.length; at++) off[at] = data[at]! - ground[at]!;
  const sorted = Float32Array.from(off).sort();
  const at = (share: number): number => sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))]!;
  const high = at(0.99);
  const spread = Math.max(LEAST_CONTRAST, high - at(0.01));
  const low = high - spread;
  // print covers less than its ground: what lies farther from the middle is the print
  const isLightOnDark = high - at(0.5) > at(0.5) - low;
  const result = new Uint8ClampedArray(data.length);
  for (let place = 0; place < data.length; place++) {
    const share = (off[place]! - low) / spread;
    result[place] = 255 * (isLightOnDark ? 1 - share : share);
  }
  return { width, height, data: result };
}

/** Mean of a square around each point, by sums of rows and columns. */
function blurred({ width, height, data }: Grey, radius: number): Float32Array {
  const sums = new Float64Array((width + 1) * (height + 1));
  for (let y = 0; y < height; y++) {
    for (let x = 0, row = 0; x < width; x++) {
      row += data[y * width + x]!;
      sums[(y + 1) * (width + 1) + x + 1] = sums[y * (width + 1) + x + 1]! + row;
    }
  }
  const result = new Float32Array(width * height);
  for (let y = 0; y < height; y++) {
    const [y0, y1] = [Math.max(0, y - radius), Math.min(height, y + radius + 1)];
    for (let x = 0; x < width; x++) {
      const [x0, x1] = [Math.max(0, x - radius), Math.min(width, x + radius + 1)];
      const corner = (cy: number, cx: number): number => sums[cy * (width + 1) + cx]!;
      result[y * width + x] = (corner(y1, x1) - corner(y0, x1) - corner(y1, x0) + corner(y0, x0)) / ((y1 - y0) * (x1 - x0));
    }
  }
  return result;
}

/** A picture turned further than this is turned by a quarter first. */
const MOST_SKEW_DEG = 30;
/** Points darker than this count as print. */
const PRINT = 110;

/**
 * By how many degrees the lines of a levelled picture rise to the right: at that angle, print and the gaps between its
 * lines lie apart the most. 0 where nothing is printed.
 *
 * @example skewOf({ width: 4, height: 4, data: new Uint8ClampedArray(16) }) // 0
 */
export function skewOf({ width, height, data }: Grey): number {
  const points: number[] = [];
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) if (data[y * width + x]! < PRINT) points.push(x - width / 2, y - height / 2);
  if (points.length < 100) return 0;
  const score = (degrees: number): number => {
    const [sin, cos] = [Math.sin((degrees * Math.PI) / 180), Math.cos((degrees * Math.PI) / 180)];
    const rows = new Float64Array(2 * (width + height) + 2);
    for (let at = 0; at < points.length; at += 2) rows[Math.round(points[at + 1]! * cos + points[at]! * sin) + width + height]!++;
    let sum = 0;
    for (let row = 1; row < rows.length; row++) sum += (rows[row]! - rows[row - 1]!) ** 2;
    return sum;
  };
  const best = (from: number, to: number, step: number): number => {
    let found = from;
    for (let degrees = from, most = -1; degrees <= to + 1e-9; degrees += step) {
      const now = score(degrees);
      if (now > most) [most, found] = [now, degrees];
    }
    return found;
  };
  const rough = best(-MOST_SKEW_DEG, MOST_SKEW_DEG, 1);
  return best(rough - 1, rough + 1, 0.25);
}
