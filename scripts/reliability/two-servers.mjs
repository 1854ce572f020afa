// Two servers on one database: no update is lost between writers of both.
import path from 'node:path';
import { DATA } from '../lib/paths.mjs';
import { startPostgres } from '../lib/postgres.mjs';
import { startServer } from '../lib/server.mjs';
import fs from 'node:fs';
import { newGear, pause, send } from './installation.mjs';

export async function twoServers({ writers, rounds }) {
  const postgres = await startPostgres(path.join(DATA, `two-servers-${process.pid}`), { throwaway: true });
  const servers = [];
  try {
    for (const n of [1, 2])
      servers.push(await startServer({ databaseUrl: postgres.url, port: 0, logFile: path.join(DATA, `two-servers-${n}.log`) }));
    const item = newGear('0');
    await send(servers[0].url, 'POST', '/api/changes', { gear: [item] });
    let done = 0;
    let stale = 0;
    const other = new Map();
    const write = async (n) => {
      const { url } = servers[n % 2];
      for (let round = 0; round < rounds;) {
        const { body: kept } = await send(url, 'GET', `/api/gear/${item.id}`);
        const body = { ...kept.body, name: String(Number(kept.body.name) + 1) };
        const { status } = await send(url, 'PUT', `/api/gear/${item.id}`, body, { 'If-Match': `"${kept.revision}"` });
        if (status === 200) {
          done++;
          round++;
        } else if (status === 412) stale++;
        else other.set(status, (other.get(status) ?? 0) + 1);
        if (status !== 200) await pause(Math.random() * 20);
      }
    };
    await Promise.all(Array.from({ length: writers }, (_, n) => write(n)));
    const { body: last } = await send(servers[1].url, 'GET', `/api/gear/${item.id}`);
    const same = newGear('Twice');
    const twice = await Promise.all(
      Array.from({ length: 8 }, (_, n) => send(servers[n % 2].url, 'POST', '/api/changes', { gear: [same] })),
    );
    const statuses = twice
      .map(({ status }) => status)
      .sort()
      .join(' ');
    return {
      title: `${writers} writers over two servers`,
      figures: [
        `${done} updates, counted ${last.body.name}; ${stale} told that they were late, ${[...other].join(' ') || 'nothing'} else`,
        `one new identifier eight times at once: ${statuses}`,
      ],
      failed:
        Number(last.body.name) !== done ||
        [...other.keys()].some((status) => status === 500) ||
        statuses !== '200 409 409 409 409 409 409 409',
    };
  } finally {
    for (const server of servers) await server.stop();
    await postgres.stop();
    fs.rmSync(postgres.base, { recursive: true, force: true });
  }
}
