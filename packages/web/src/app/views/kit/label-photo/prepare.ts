import { despeckled, grainOf, greyOf, levelled, skewOf, smoothed } from '@viaggio/core/gear';
import type { Grey } from '@viaggio/core/gear';

/** Of the longer side, for the recogniser: print of a label is then some 30 pixels high. */
const SIDE = 1400;
const GRAINED_SIDE = 900;
/** The angle is found in a small copy. */
const SMALL_SIDE = 420;
/** Less is straight. */
const STRAIGHT_DEG = 0.4;

/** Grain is taken for print by the recogniser, which then takes minutes: the more there is, the more is smoothed away. */
const GRAIN = { some: 5, much: 14 };

/** A picture as it is looked at: straight, as it was and evenly lit. */
export interface Prepared {
  readonly shown: HTMLCanvasElement;
  readonly plain: HTMLCanvasElement;
  readonly lit: HTMLCanvasElement;
}

/** Makes a picture straight and readable. */
export function preparedFrom(picture: ImageBitmap): Prepared {
  const small = drawn(picture, SMALL_SIDE, 0);
  const skew = skewOf(levelled(calmed(greyIn(small))));
  // of a grained picture a smaller copy holds as much, and less of the grain
  const side = grainOf(greyIn(drawn(picture, SIDE, 0))) < GRAIN.much ? SIDE : GRAINED_SIDE;
  const shown = drawn(picture, side, Math.abs(skew) < STRAIGHT_DEG ? 0 : skew);
  const grey = calmed(greyIn(shown));
  return { shown, plain: canvasOf(grey), lit: canvasOf(levelled(grey)) };
}

function calmed(grey: Grey): Grey {
  const grain = grainOf(grey);
  const calm = despeckled(grey);
  return grain < GRAIN.some ? calm : smoothed(calm, grain < GRAIN.much ? 1 : 2);
}

/** By a quarter, or upside down. */
export function turnedBy(picture: ImageBitmap, degrees: 90 | 180 | 270): Promise<ImageBitmap> {
  const canvas = document.createElement('canvas');
  const aside = degrees !== 180;
  [canvas.width, canvas.height] = aside ? [picture.height, picture.width] : [picture.width, picture.height];
  const ink = canvas.getContext('2d')!;
  ink.translate(canvas.width / 2, canvas.height / 2);
  ink.rotate((degrees * Math.PI) / 180);
  ink.drawImage(picture, -picture.width / 2, -picture.height / 2);
  return createImageBitmap(canvas);
}

/** To a size, turned against its skew; the corners that come free are as the picture’s own middle grey. */
function drawn(picture: ImageBitmap, side: number, skewDeg: number): HTMLCanvasElement {
  const scale = side / Math.max(picture.width, picture.height);
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [Math.round(picture.width * scale), Math.round(picture.height * scale)];
  const ink = canvas.getContext('2d', { willReadFrequently: true })!;
  ink.imageSmoothingQuality = 'high';
  ink.fillStyle = '#808080';
  ink.fillRect(0, 0, canvas.width, canvas.height);
  ink.translate(canvas.width / 2, canvas.height / 2);
  ink.rotate((skewDeg * Math.PI) / 180);
  ink.scale(scale, scale);
  ink.drawImage(picture, -picture.width / 2, -picture.height / 2);
  return canvas;
}

function greyIn(canvas: HTMLCanvasElement): Grey {
  return greyOf(canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height));
}

function canvasOf({ width, height, data }: Grey): HTMLCanvasElement {
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [width, height];
  const pixels = new ImageData(width, height);
  for (let at = 0; at < data.length; at++) {
    pixels.data[4 * at] = pixels.data[4 * at + 1] = pixels.data[4 * at + 2] = data[at]!;
    pixels.data[4 * at + 3] = 255;
  }
  canvas.getContext('2d')!.putImageData(pixels, 0, 0);
  return canvas;
}
