import { LOW_WATER } from '@viaggio/core/demo';
import request from 'supertest';
import { allowConnections, appOn, cutConnections, freshDatabase } from '../../testing/database';

describe('what is kept', () => {
  it('is a person’s own unless the database is named for tests: no setting can make it deletable', async () => {
    const { database, drop } = await freshDatabase('_tests_not');
    try {
      expect((await request(appOn(database)).get('/api/health').expect(200)).body).toMatchObject({ keeps: 'use' });
    } finally {
      await drop();
    }
  });
});

describe('when the database goes away', () => {
  it('says so with a 503 and when to come back, and recovers by itself', async () => {
    const { database, url, drop } = await freshDatabase();
    const app = appOn(database);
    try {
      await request(app).get('/api/health').expect(200, { server: 'runs', database: 'answers', keeps: 'tests' });
      await allowConnections(url, false);
      await cutConnections(url);
      for (const path of ['/api/health', '/api/rigs', '/api/gear']) {
        const response = await request(app).get(path).expect(503);
        expect(response.headers['retry-after']).toBe('2');
        expect(response.body).toMatchObject({ code: 'database-away', status: 503 });
      }
      await request(app).post('/api/demo/reset').expect(503);
      await allowConnections(url, true);
      await request(app).get('/api/health').expect(200);
      expect((await request(app).get('/api/rigs').expect(200)).body).toHaveLength(LOW_WATER.rigs.length);
    } finally {
      await allowConnections(url, true);
      await drop();
    }
  });

  it('survives connections that are cut while idle', async () => {
    const { database, url, drop } = await freshDatabase();
    const app = appOn(database);
    try {
      await request(app).get('/api/rigs').expect(200);
      await cutConnections(url);
      const answers = [];
      for (let tries = 0; tries < 5; tries++) answers.push((await request(app).get('/api/rigs')).status);
      expect(answers.at(-1)).toBe(200);
      expect(answers.every((status) => status === 200 || status === 503)).toBe(true);
    } finally {
      await drop();
    }
  });
});
