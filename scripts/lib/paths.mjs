import path from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '../..');
/** Everything that running it makes: database, logs. Not part of the sources; VIAGGIO_DATA puts it elsewhere. */
export const DATA = path.resolve(process.env.VIAGGIO_DATA ?? path.join(ROOT, '.data'));
