import { readFileSync } from 'node:fs';
import path from 'node:path';
import request from 'supertest';
import { appOn, freshDatabase } from '../../testing/database';
import { operationsOf, servicesOf } from '../app';
import { ERRORS } from '../errors';
import { EVERYWHERE } from './openapi';

interface Document {
  readonly openapi: string;
  readonly paths: Record<string, Record<string, { requestBody?: object; responses: Record<string, { content?: Record<string, object> }> }>>;
}

let fresh: Awaited<ReturnType<typeof freshDatabase>>;
beforeAll(async () => void (fresh = await freshDatabase()));
afterAll(() => fresh.drop());

describe('the OpenAPI document', () => {
  it('is of exactly the operations that are served, their bodies and their answers', async () => {
    const app = appOn(fresh.database);
    const document = (await request(app).get('/api/openapi.json').expect(200)).body as Document;
    const operations = operationsOf(fresh.database, servicesOf(fresh.database));
    expect(document.openapi).toBe('3.1.0');
    const listed = Object.entries(document.paths).flatMap(([at, methods]) => Object.keys(methods).map((method) => `${method} ${at}`));
    expect(listed.sort()).toEqual(operations.map(({ method, path: at }) => `${method} ${at}`).sort());
    for (const { method, path: at, body, rawBody, fails, answers } of operations) {
      const described = document.paths[at]![method]!;
      expect(described.requestBody !== undefined).toBe((body ?? rawBody) !== undefined);
      const statuses = [answers.status, ...[...fails, ...EVERYWHERE].map((code) => ERRORS[code].status)].map(String);
      expect(Object.keys(described.responses).sort()).toEqual([...new Set(statuses)].sort());
    }
  });

  it('is served by every route it lists', async () => {
    const app = appOn(fresh.database);
    for (const { method, path: at } of operationsOf(fresh.database, servicesOf(fresh.database))) {
      const response = await request(app)[method](at.replace('{id}', '00000000-0000-4000-8000-000000000000'));
      expect([at, (response.body as { code?: string }).code]).not.toEqual([at, 'method-not-allowed']);
      if (!at.includes('{id}')) expect(response.status).not.toBe(404);
    }
  });

  it('is shown at /api/docs without anything from outside', async () => {
    const app = appOn(fresh.database);
    const page = await request(app).get('/api/docs/').expect(200);
    expect(page.text).toContain('Viaggio API');
    expect(page.text).not.toMatch(/(src|href)="https?:/);
    expect(page.headers['content-security-policy']).toContain("script-src 'self'");
  });
});

describe('docs/errors.md', () => {
  it('lists every error as the code has it', () => {
    const text = readFileSync(path.join(__dirname, '../../../../docs/errors.md'), 'utf8');
    const listed = [...text.matchAll(/^\| `([a-z-]+)` +\| (\d+) +\| (.+?) +\| (.+?) +\|$/gm)].map(([, code, status, title, remedy]) => [
      code,
      { status: Number(status), title, remedy },
    ]);
    expect(Object.fromEntries(listed)).toEqual(ERRORS);
  });
});
