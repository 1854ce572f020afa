/** Ends the command with one plain sentence instead of a stack trace. */
export class Failure extends Error {}

export function say(text) {
  process.stdout.write(`${text}\n`);
}

/** Runs a command's main function; a Failure is told, anything else is a bug and shows its stack. */
export async function main(run) {
  try {
    process.exitCode = (await run()) ?? 0;
  } catch (error) {
    process.stderr.write(`${error instanceof Failure ? error.message : error.stack}\n`);
    process.exitCode = 1;
  }
}
