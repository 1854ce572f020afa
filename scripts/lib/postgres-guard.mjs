// Runs the command it is given as the owner it is given (`{uid, gid}`), and asks it to stop when standard input closes: so the database ends with whoever
// started it, even by `kill -9`.
import { spawn } from 'node:child_process';

const [owner, program, ...args] = process.argv.slice(2);
const child = spawn(program, args, { ...JSON.parse(owner), stdio: ['ignore', 'inherit', 'inherit'] });
child.once('exit', (code) => process.exit(code ?? 1));
child.once('error', (error) => {
  process.stderr.write(`${error.message}\n`);
  process.exit(1);
});

/** SIGINT is PostgreSQL's fast shutdown: open transactions are rolled back, nothing is lost. */
const stop = () => child.kill('SIGINT');
process.stdin.resume();
process.stdin.once('end', stop);
process.stdin.once('error', stop);
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, stop);
