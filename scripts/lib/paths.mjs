import path from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '../..');
/** Everything that running it makes: database, logs. Not part of the sources. */
export const DATA = path.join(ROOT, '.data');
