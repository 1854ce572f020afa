import { createServer } from 'node:net';
import type { AddressInfo, Socket } from 'node:net';
import { once } from 'node:events';
import request from 'supertest';
import { appOn, freshDatabase } from '../../testing/database';
import { toAppError } from '../http/to-app-error';
import { openDatabase } from './database';

it('the application is nobody who may do everything: its role owns its tables, and no more', async () => {
  const { database, drop } = await freshDatabase();
  try {
    const [rows] = await database.sequelize.query(
      `SELECT rolsuper, rolcreaterole, rolreplication FROM pg_roles WHERE rolname = current_user`,
    );
    expect(rows).toEqual([{ rolsuper: false, rolcreaterole: false, rolreplication: false }]);
  } finally {
    await drop();
  }
});

it('a statement that takes too long is given up, and told as a database that does not answer; patient work has its time', async () => {
  const { database, url, drop } = await freshDatabase();
  const patient = openDatabase(url, { patient: true });
  try {
    const slow = await database.sequelize.query('SELECT pg_sleep(20)').catch((error: unknown) => error);
    expect(toAppError(slow).code).toBe('database-away');
    await patient.sequelize.query('SELECT pg_sleep(5)');
    await request(appOn(database)).get('/api/health').expect(200); // and goes on
  } finally {
    await patient.sequelize.close();
    await drop();
  }
});

it('a database that takes connections and says nothing is told in time', async () => {
  const held: Socket[] = [];
  const silent = createServer((socket) => held.push(socket));
  silent.listen(0, '127.0.0.1');
  await once(silent, 'listening');
  const database = openDatabase(`postgres://a:b@127.0.0.1:${(silent.address() as AddressInfo).port}/c`);
  try {
    const since = performance.now();
    const answers = await Promise.all(Array.from({ length: 12 }, () => request(appOn(database)).get('/api/rigs')));
    expect(answers.map(({ status }) => status)).toEqual(Array.from({ length: 12 }, () => 503));
    // a bound for what would wait for ever, not a measure of speed
    expect(performance.now() - since).toBeLessThan(30_000);
  } finally {
    for (const socket of held) socket.destroy();
    silent.close();
    await database.sequelize.close();
  }
});
