import { readFileSync } from 'node:fs';
import { solveText } from './solve';

const USAGE = `viaggio solve FILE   solves network cases, one JSON line each (FILE “-” reads standard input)`;

const [command, file, ...rest] = process.argv.slice(2);
process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code !== 'EPIPE') throw error; // a reader that has seen enough, such as `head`, is no error
  process.exit(0);
});
process.exitCode = run();

function run(): number {
  if (command !== 'solve' || file === undefined || rest.length > 0) {
    process.stderr.write(`${USAGE}\n`);
    return command === 'help' || command === '--help' ? 0 : 2;
  }
  let text: string;
  try {
    text = readFileSync(file === '-' ? 0 : file, 'utf8');
  } catch (error) {
    process.stderr.write(`${file}: ${(error as Error).message}\n`);
    return 1;
  }
  return solveText(text, {
    out: (line) => process.stdout.write(`${line}\n`),
    err: (line) => process.stderr.write(`${line}\n`),
  });
}
