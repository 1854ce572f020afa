/** Ends the command with one plain sentence instead of a stack trace. */
export class Failure extends Error {}

export function say(text) {
  process.stdout.write(`${text}\n`);
}

/** Says what begins; what it returns says how long it took. */
export function begun(what) {
  const since = Date.now();
  say(`${what} …`);
  return () => say(`  done in ${Math.round((Date.now() - since) / 1000)} s`);
}

/** Runs a command's main function; a Failure is told, anything else is a bug and shows its stack. */
export async function main(run) {
  try {
    process.exitCode = (await run()) ?? 0;
  } catch (error) {
    process.stderr.write(`${error instanceof Failure ? error.message : (systemSays(error) ?? error.stack)}\n`);
    process.exitCode = 1;
  }
}

/** What a folder or a disk refuses, as a sentence; undefined for anything else. */
function systemSays(error) {
  const { code, path } = /** @type {NodeJS.ErrnoException} */ (error);
  const where = path === undefined ? 'A file' : path;
  if (code === 'EACCES' || code === 'EPERM')
    return `${where} belongs to somebody else, or may not be written. Run this as its owner, or choose another folder for the data: VIAGGIO_DATA=… npm start`;
  if (code === 'EROFS')
    return `${where} lies on a disk that can only be read. Choose another folder for the data: VIAGGIO_DATA=… npm start`;
  return code === 'ENOSPC' ? `The disk is full: ${where} could not be written.` : undefined;
}
