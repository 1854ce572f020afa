import { createCanvas } from '@napi-rs/canvas';
import type { Canvas } from '@napi-rs/canvas';
import { mkdirSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

const [WIDTH, HEIGHT] = [640, 480];
/** What Chromium shows for a camera: pictures one after the other, again and again. */
export const CAMERA_FILE = path.join(path.dirname(fileURLToPath(import.meta.url)), '../test-results/camera.mjpeg');

/** For `test.use`: Chromium with a camera that plays the file, allowed without asking. */
export const CAMERA_ARGS = [
  '--use-fake-device-for-media-stream',
  '--use-fake-ui-for-media-stream',
  `--use-file-for-fake-video-capture=${CAMERA_FILE}`,
];

/** A part of a printed sheet as somebody photographs it at night: turned, skewed, dim and grainy, on a dark table. */
function photographed(sheet: Canvas, x: number, y: number, width: number, height: number, turn: number): Buffer {
  const canvas = createCanvas(WIDTH, HEIGHT);
  const context = canvas.getContext('2d');
  context.fillStyle = '#241f1a';
  context.fillRect(0, 0, WIDTH, HEIGHT);
  context.translate(WIDTH / 2, HEIGHT / 2);
  context.rotate(turn);
  context.transform(1, 0.09, -0.16, 0.94, 0, 0);
  const scale = Math.min((0.86 * WIDTH) / width, (0.86 * HEIGHT) / height);
  context.drawImage(sheet, x, y, width, height, (-width * scale) / 2, (-height * scale) / 2, width * scale, height * scale);
  context.setTransform(1, 0, 0, 1, 0, 0);
  const picture = context.getImageData(0, 0, WIDTH, HEIGHT);
  let seed = 17;
  for (let at = 0; at < picture.data.length; at += 4) {
    seed = (seed * 1_103_515_245 + 12_345) % 2_147_483_648;
    const grain = (seed / 2_147_483_648 - 0.5) * 34;
    // little light, and less of it towards one side
    const light = 0.42 + (0.22 * ((at / 4) % WIDTH)) / WIDTH;
    for (let channel = 0; channel < 3; channel++)
      picture.data[at + channel] = Math.max(0, Math.min(255, picture.data[at + channel]! * light + 24 + grain));
  }
  context.putImageData(picture, 0, 0);
  return canvas.toBuffer('image/jpeg', 70);
}

/** Points the camera at labels of a sheet of 3 × 8, one after the other, some seconds each. `at`: places on the sheet from 0. */
export function pointCameraAt(sheet: Canvas, labels: readonly number[], picturesEach = 60): void {
  const [width, height] = [sheet.width / 3, sheet.height / 8];
  const frames = labels.flatMap((at, index) => {
    const frame = photographed(sheet, (at % 3) * width, Math.floor(at / 3) * height, width, height, index % 2 === 0 ? 0.14 : -0.2);
    return Array.from({ length: picturesEach }, () => frame);
  });
  mkdirSync(path.dirname(CAMERA_FILE), { recursive: true });
  writeFileSync(CAMERA_FILE, Buffer.concat(frames));
}
