// A meter's file of any length, made: four levels a quarter of an hour each, noise of 5 %, a hundred rows a second.
import fs from 'node:fs';
import { once } from 'node:events';

const LEVELS_W = [4.1, 15.2, 9.3, 15.1];
const LEVEL_S = 900;
const HERTZ = 100;
const FLUSH = 1 << 20;

/** Writes it; returns its bytes. The same every time. */
export async function writeMeterFile(file, rows) {
  const out = fs.createWriteStream(file);
  let text = 'time_s,voltage_V,current_A,power_W\n';
  let state = 1;
  const random = () => (state = (Math.imul(state, 1_103_515_245) + 12_345) & 0x7fffffff) / 0x7fffffff;
  for (let row = 0; row < rows; row++) {
    const seconds = row / HERTZ;
    const watts = LEVELS_W[Math.floor(seconds / LEVEL_S) % LEVELS_W.length] * (1 + 0.05 * (random() + random() - 1) * 2.4);
    const volts = 14.5 - 0.3 * random();
    text += `${seconds.toFixed(2)},${volts.toFixed(3)},${(watts / volts).toFixed(4)},${watts.toFixed(3)}\n`;
    if (text.length > FLUSH) {
      if (!out.write(text)) await once(out, 'drain');
      text = '';
    }
  }
  out.end(text);
  await once(out, 'finish');
  return fs.statSync(file).size;
}
