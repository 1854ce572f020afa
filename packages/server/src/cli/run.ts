import { parseArgs } from 'node:util';
import { COMMANDS, FORMERLY } from './commands';
import type { Command, Surroundings } from './commands';
import type { Output } from './solve';

/** Exit codes, as docs/command-line.md lists them. */
export const EXIT = { done: 0, badInput: 1, badUsage: 2 } as const;

/** Where nothing of the start command is at hand. */
const NO_SERVER = () => Promise.reject(new Error('there is no application here'));

/** “-5 V 3 A” is a figure below nothing and no option; it is refused for what it says, by whoever reads it. */
function figuresKept(args: readonly string[]): string[] {
  const options: string[] = [];
  const figures: string[] = [];
  for (const arg of args) {
    const before = options.at(-1);
    if (!/^-[.,]?\d/.test(arg)) options.push(arg);
    else if (before !== undefined && /^--[a-z]+$/.test(before) && before !== '--help') options.splice(-1, 1, `${before}=${arg}`);
    else figures.push(arg);
  }
  return figures.length === 0 ? options : [...options, '--', ...figures];
}

/**
 * Runs one command over its files, one after the other: what one file is refused for keeps no other from being answered.
 * Results go to `out`, everything else to `err`, headed by the file where there are several. Returns the exit code.
 */
export async function run(args: readonly string[], { withServer = NO_SERVER, ...lines }: Output & Partial<Surroundings>): Promise<number> {
  const output: Surroundings = { ...lines, withServer };
  let parsed;
  try {
    parsed = parseArgs({
      args: figuresKept(args),
      allowPositionals: true,
      options: {
        rig: { type: 'string' },
        port: { type: 'string' },
        readings: { type: 'string' },
        symptom: { type: 'string' },
        answers: { type: 'string' },
        trip: { type: 'string' },
        day: { type: 'string' },
        out: { type: 'string' },
        paper: { type: 'string' },
        different: { type: 'string' },
        as: { type: 'string' },
        help: { type: 'boolean', short: 'h' },
      },
    });
  } catch (error) {
    return refuse((error as Error).message, output);
  }
  const { positionals, values } = parsed;
  const { help, ...options } = values;
  const [first, ...named] = positionals[0] === 'help' ? [...positionals.slice(1, 2)] : positionals;
  const name = first !== undefined && Object.hasOwn(FORMERLY, first) ? FORMERLY[first] : first;
  const command = name === undefined || !Object.hasOwn(COMMANDS, name) ? undefined : COMMANDS[name];
  if (help || positionals[0] === 'help') {
    output.out(command ? helpOf(command) : USAGE);
    return EXIT.done;
  }
  if (name === undefined) return refuse('a command is missing', output);
  if (!command) return refuse(`“${name.slice(0, 40)}” is no command`, output);
  const files = named.length === 0 && command.alone ? ['-'] : named;
  if (files.length === 0) return refuse('a file is missing; “-” reads standard input', output, command);
  const missing = command.needs.find((option) => options[option] === undefined);
  if (missing) return refuse(`--${missing} is missing`, output, command);
  const stray = (Object.keys(options) as (keyof typeof options)[]).find((option) => !command.options.includes(option));
  if (stray) return refuse(`--${stray} is not for ${name}`, output, command);
  let worst: number = EXIT.done;
  for (const file of files) {
    const err = files.length === 1 ? output.err : (line: string) => output.err(`${file}: ${line}`);
    worst = Math.max(worst, await one(command, file, options, { ...output, err }));
  }
  return worst;
}

async function one(command: Command, file: string, options: Parameters<Command['run']>[1], output: Surroundings): Promise<number> {
  try {
    return await command.run(file, options, output);
  } catch (error) {
    // a file that is not there or must not be read is told; anything else is a fault of the program
    if (!isSystemError(error)) throw error;
    output.err(error.message);
    return EXIT.badInput;
  }
}

/** One of the file system or the network, as Node tells it. */
function isSystemError(error: unknown): error is { readonly message: string } {
  return typeof error === 'object' && error !== null && 'syscall' in error && 'message' in error;
}

function refuse(why: string, { err }: Output, command?: Command): number {
  err(why);
  err(command ? `viaggio ${command.usage}` : USAGE);
  return EXIT.badUsage;
}

function helpOf({ usage, about, more }: Command): string {
  return `viaggio ${usage}\n\n${about}\n\n${more}\n\nFILE “-” reads standard input.`;
}

/** Two blanks behind the longest. */
const WIDTH = Math.max(...Object.values(COMMANDS).map(({ usage }) => usage.length)) + 2;
export const USAGE = [
  ...Object.values(COMMANDS).map(({ usage, about }) => `viaggio ${usage.padEnd(WIDTH)}${about}`),
  '',
  'FILE “-” reads standard input. viaggio COMMAND --help says more of one.',
].join('\n');
