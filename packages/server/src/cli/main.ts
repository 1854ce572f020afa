import { readFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { evaluateText } from './evaluate';
import { feedsText } from './feeds';
import { solveText } from './solve';

const USAGE = `viaggio solve FILE               solves network cases, one JSON line each
viaggio evaluate FILE            evaluates a plan document: everything computed, as JSON
viaggio feeds FILE --rig ID      every sound feed of a rig's devices, and the rig fed at once, as JSON
FILE “-” reads standard input.`;

process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code !== 'EPIPE') throw error; // a reader that has seen enough, such as `head`, is no error
  process.exit(0);
});
process.exitCode = run();

function run(): number {
  let parsed;
  try {
    parsed = parseArgs({ allowPositionals: true, options: { rig: { type: 'string' }, help: { type: 'boolean' } } });
  } catch (error) {
    process.stderr.write(`${(error as Error).message}\n${USAGE}\n`);
    return 2;
  }
  const { positionals, values } = parsed;
  const [command, file, ...rest] = positionals;
  const known = command === 'solve' || command === 'evaluate' || (command === 'feeds' && values.rig !== undefined);
  if (values.help || command === 'help' || !known || file === undefined || rest.length > 0) {
    process.stderr.write(`${USAGE}\n`);
    return values.help || command === 'help' ? 0 : 2;
  }
  let text: string;
  try {
    text = readFileSync(file === '-' ? 0 : file, 'utf8');
  } catch (error) {
    process.stderr.write(`${file}: ${(error as Error).message}\n`);
    return 1;
  }
  const output = {
    out: (line: string) => process.stdout.write(`${line}\n`),
    err: (line: string) => process.stderr.write(`${line}\n`),
  };
  if (command === 'solve') return solveText(text, output);
  return command === 'evaluate' ? evaluateText(text, output) : feedsText(text, values.rig!, output);
}
