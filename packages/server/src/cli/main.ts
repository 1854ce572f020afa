import type { WithServer } from './backup';
import { run } from './run';

/** From where the bundle lies, packages/server/dist/cli/STAMP/, to the parts of the start command. */
const WITH_SERVER = new URL('../../../../../scripts/lib/with-server.mjs', import.meta.url);

/** What the start command is made of is loaded only by a command that needs it. */
const withServer: WithServer = async (work) => {
  const parts = (await import(WITH_SERVER.href)) as { readonly withServer: WithServer };
  return parts.withServer(work);
};

process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code !== 'EPIPE') throw error; // a reader that has seen enough, such as `head`, is no error
  process.exit(0);
});
process.exitCode = await run(process.argv.slice(2), {
  out: (line) => process.stdout.write(`${line}\n`),
  err: (line) => process.stderr.write(`${line}\n`),
  withServer,
});
