// Puts beside the pages what they are served with but is kept elsewhere: the text recogniser, the reader of tags, and the pictures of the help.
import fs from 'node:fs';
import path from 'node:path';
import { ROOT } from './paths.mjs';

const PUBLIC = path.join(ROOT, 'packages/web/public');
const PACKAGES = path.join(ROOT, 'node_modules');
/** Named after the recogniser's version: what is served is kept by browsers for a year. */
const OCR_DIR = path.join(PUBLIC, 'ocr-7');
const OCR_FILES = [
  'tesseract.js/dist/worker.min.js',
  'tesseract.js-core/tesseract-core-simd-lstm.wasm.js',
  '@tesseract.js-data/eng/4.0.0_best_int/eng.traineddata.gz',
];
const HELP_DIR = path.join(PUBLIC, 'help-pictures');
/** One of each view, see `guide.ts`. */
const HELP_PICTURES = ['today', 'kit', 'rig', 'day', 'check', 'pack', 'draws'];

/** The reader of tags, named after its version like the recogniser. */
const CODES_DIR = path.join(PUBLIC, 'codes-3.1.6');
const CODES_FILE = 'zxing-wasm/dist/reader/zxing_reader.wasm';

export function copyPublicFiles() {
  copy(path.join(PACKAGES, CODES_FILE), CODES_DIR);
  for (const file of OCR_FILES) copy(path.join(PACKAGES, file), OCR_DIR);
  for (const name of HELP_PICTURES) copy(path.join(ROOT, 'docs/screenshots', `${name}.png`), HELP_DIR);
}

function copy(from, folder) {
  fs.mkdirSync(folder, { recursive: true });
  const to = path.join(folder, path.basename(from));
  if (fs.existsSync(to) && fs.readFileSync(to).equals(fs.readFileSync(from))) return;
  // whole or not at all: a start that is killed here starts the next time
  fs.copyFileSync(from, `${to}.part`);
  fs.renameSync(`${to}.part`, to);
}
