// The port to serve at: checked before anything is installed or built.
import net from 'node:net';
import { Failure } from './say.mjs';

const USUAL = 4300;
const TRIED = 50;

/** The port that is asked for; a Failure that names it where it is none. */
export function askedPort(text) {
  if (text === undefined || text === '') return USUAL;
  const port = Number(text);
  if (!/^\d+$/.test(text) || port > 65535) throw new Failure(`PORT: expected a number from 0 to 65535; got “${text}”.`);
  return port;
}

/** A Failure with the next free port where another program has this one. */
export async function requireFree(port, host = '127.0.0.1') {
  if (port === 0 || (await isFree(port, host))) return;
  for (let other = port + 1; other <= Math.min(65535, port + TRIED); other++)
    if (await isFree(other, host))
      throw new Failure(`Port ${port} is in use by another program. This one is free: PORT=${other} npm start`);
  throw new Failure(`Port ${port} is in use by another program, and so are those after it. Choose one: PORT=… npm start`);
}

function isFree(port, host) {
  return new Promise((resolve, reject) => {
    const server = net.createServer();
    server.once('error', (/** @type {NodeJS.ErrnoException} */ error) => {
      if (error.code === 'EADDRINUSE') resolve(false);
      else if (error.code === 'EACCES') reject(new Failure(`PORT: ${port} may be used by administrators only; choose one from 1024 on.`));
      else reject(new Failure(`VIAGGIO_HOST: ${host} is no address of this machine (${error.code}).`));
    });
    server.listen(port, host, () => server.close(() => resolve(true)));
  });
}
