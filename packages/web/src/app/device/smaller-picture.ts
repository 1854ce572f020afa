/** Of the longer side; a label stays readable, and a kit of photographs small. */
const MOST_PIXELS = 1600;
const QUALITY = 0.82;

/** A picture as a JPEG of at most so many pixels on its longer side, upright, without what a camera wrote beside it. */
export async function smallerPicture(picture: Blob): Promise<Blob> {
  const bitmap = await createImageBitmap(picture, { imageOrientation: 'from-image' });
  const scale = Math.min(1, MOST_PIXELS / Math.max(bitmap.width, bitmap.height));
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [Math.round(bitmap.width * scale), Math.round(bitmap.height * scale)];
  canvas.getContext('2d')!.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  bitmap.close();
  return new Promise((resolve, reject) =>
    canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error('The picture could not be made smaller.'))), 'image/jpeg', QUALITY),
  );
}
