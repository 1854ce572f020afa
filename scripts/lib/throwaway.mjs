// A server with a database of its own, gone when the work is done.
import fs from 'node:fs';
import path from 'node:path';
import { DATA } from './paths.mjs';
import { startPostgres } from './postgres.mjs';
import { startServer } from './server.mjs';

/** Runs `work(url, pid)`, its address and its process, against a server that starts from the demo and leaves nothing behind. */
export async function withThrowawayServer(name, work) {
  const postgres = await startPostgres(path.join(DATA, `${name}-${process.pid}`), { throwaway: true });
  try {
    const server = await startServer({ databaseUrl: postgres.url, port: 0, logFile: path.join(DATA, `${name}.log`) });
    try {
      return await work(server.url, server.pid);
    } finally {
      await server.stop();
    }
  } finally {
    await postgres.stop();
    fs.rmSync(postgres.base, { recursive: true, force: true });
  }
}
