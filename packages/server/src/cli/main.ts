import { createReadStream, readFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { evaluateText } from './evaluate';
import { feedsText } from './feeds';
import { playMeter } from './meter';
import type { Output } from './solve';
import { solveText } from './solve';
import { segmentsOf } from './segments';

const USAGE = `viaggio solve FILE               solves network cases, one JSON line each
viaggio evaluate FILE            evaluates a plan document: everything computed, as JSON
viaggio feeds FILE --rig ID      every sound feed of a rig's devices, and the rig fed at once, as JSON
viaggio segments FILE           steady segments of a meter’s recording (CSV), as JSON
viaggio meter FILE --rig ID      plays a rig like a bench meter (SCPI over TCP, loopback, --port N), until it is ended
FILE “-” reads standard input.`;

process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code !== 'EPIPE') throw error; // a reader that has seen enough, such as `head`, is no error
  process.exit(0);
});
void run().then((code) => (process.exitCode = code));

async function run(): Promise<number> {
  let parsed;
  try {
    parsed = parseArgs({
      allowPositionals: true,
      options: { rig: { type: 'string' }, port: { type: 'string' }, help: { type: 'boolean' } },
    });
  } catch (error) {
    process.stderr.write(`${(error as Error).message}\n${USAGE}\n`);
    return 2;
  }
  const { positionals, values } = parsed;
  const [command, file, ...rest] = positionals;
  const known =
    command === 'solve' ||
    command === 'evaluate' ||
    command === 'segments' ||
    ((command === 'feeds' || command === 'meter') && values.rig !== undefined);
  if (values.help || command === 'help' || !known || file === undefined || rest.length > 0) {
    process.stderr.write(`${USAGE}\n`);
    return values.help || command === 'help' ? 0 : 2;
  }
  const output = {
    out: (line: string) => process.stdout.write(`${line}\n`),
    err: (line: string) => process.stderr.write(`${line}\n`),
  };
  let text: string;
  try {
    // a recording may be larger than memory has room for: it is read piece by piece
    if (command === 'segments')
      return await segmentsOf(file === '-' ? process.stdin.setEncoding('utf8') : createReadStream(file, 'utf8'), output);
    text = readFileSync(file === '-' ? 0 : file, 'utf8');
  } catch (error) {
    process.stderr.write(`${file}: ${(error as Error).message}\n`);
    return 1;
  }
  if (command === 'solve') return solveText(text, output);
  if (command === 'meter') return meter(text, values.rig!, values.port ?? '0', output);
  return command === 'evaluate' ? evaluateText(text, output) : feedsText(text, values.rig!, output);
}

/** Plays until it is told to end. */
async function meter(text: string, rigId: string, port: string, output: Output): Promise<number> {
  const wanted = /^\d{1,5}$/.test(port) ? Number(port) : Number.NaN;
  if (!(wanted <= 65_535)) {
    output.err(`--port: expected 0 to 65535; got “${port}”`);
    return 2;
  }
  const playing = await playMeter(text, rigId, wanted, output);
  if (typeof playing === 'number') return playing;
  output.out(`listening on 127.0.0.1:${playing.port}`);
  await new Promise((resolve) => {
    process.once('SIGINT', resolve);
    process.once('SIGTERM', resolve);
  });
  await playing.meter.close();
  return 0;
}
