import type { Saved } from '@viaggio/core/document';
import type { Rig } from '@viaggio/core/gear';
import axios from 'axios';
import { once } from 'node:events';
import { readFileSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import path from 'node:path';
import { OpenAPIClientAxios } from 'openapi-client-axios';
import type { OpenAPIV3_1 } from 'openapi-types';
import request from 'supertest';
import { appOn, freshDatabase, oneWorld } from '../../testing/database';
import { operationsOf, servicesOf } from '../app';
import { ERRORS } from '../errors';
import { failsOf } from './openapi';

interface Document {
  readonly openapi: string;
  readonly paths: Record<string, Record<string, { requestBody?: object; responses: Record<string, { content?: Record<string, object> }> }>>;
}

interface Described {
  readonly info: { readonly license: object };
  readonly tags: readonly { readonly name: string; readonly description: string }[];
  readonly paths: Record<string, Record<string, { readonly operationId: string; readonly tags: readonly string[] }>>;
  readonly components: {
    readonly schemas: Record<string, object>;
    readonly responses: Record<string, { readonly content: { readonly 'application/problem+json': { readonly examples: object } } }>;
    readonly examples: Record<string, object>;
  };
}

let fresh: Awaited<ReturnType<typeof freshDatabase>>;
beforeAll(async () => void (fresh = await freshDatabase()));
afterAll(() => fresh.drop());

describe('the OpenAPI document', () => {
  it('is of exactly the operations that are served, their bodies and their answers', async () => {
    const app = appOn(fresh.database);
    const document = (await request(app).get('/api/openapi.json').expect(200)).body as Document;
    const operations = operationsOf(oneWorld(servicesOf(fresh.database)), 'own');
    expect(document.openapi).toBe('3.1.0');
    const listed = Object.entries(document.paths).flatMap(([at, methods]) => Object.keys(methods).map((method) => `${method} ${at}`));
    expect(listed.sort()).toEqual(operations.map(({ method, path: at }) => `${method} ${at}`).sort());
    for (const operation of operations) {
      const { method, path: at, body, rawBody, answers } = operation;
      const described = document.paths[at]![method]!;
      expect(described.requestBody !== undefined).toBe((body ?? rawBody) !== undefined);
      const statuses = [answers.status, ...failsOf(operation).map((code) => ERRORS[code].status)].map(String);
      expect(Object.keys(described.responses).sort()).toEqual([...new Set(statuses)].sort());
    }
  });

  it('names every shape once, and fits on a page: names, identifiers, tags, licence, errors with examples', async () => {
    const { text, body } = await request(appOn(fresh.database)).get('/api/openapi.json').expect(200);
    const document = body as Described;
    expect(document.info.license).toEqual({ name: 'MIT', identifier: 'MIT' });
    const described = Object.values(document.paths).flatMap((methods) => Object.values(methods));
    const ids = described.map(({ operationId }) => operationId);
    expect(new Set(ids).size).toBe(ids.length);
    expect(Buffer.byteLength(text) / ids.length).toBeLessThan(2500);
    for (const id of ids) expect(id).toMatch(/^[a-z]+([A-Z][a-z]+)*$/);
    const tags = document.tags.map(({ name, description }) => [name, description.length > 3]);
    expect(new Set(described.flatMap((one) => one.tags))).toEqual(new Set(tags.map(([name]) => name)));
    expect(tags.every(([, says]) => says)).toBe(true);
    const contents = Object.values(document.components.schemas).map((schema) => JSON.stringify(schema));
    expect(new Set(contents).size).toBe(contents.length);
    for (const name of Object.keys(document.components.schemas)) expect(name).toMatch(/^[A-Z][A-Za-z0-9]*$/);
    for (const [, at] of text.matchAll(/"\$ref":"#\/components\/([^"]+)"/g)) {
      const [kind, name] = at!.split('/') as ['schemas' | 'responses' | 'examples', string];
      expect([at, document.components[kind][name] !== undefined]).toEqual([at, true]);
    }
    for (const [name, response] of Object.entries(document.components.responses))
      expect(Object.keys(response.content['application/problem+json'].examples)).toHaveLength(name.split(/Or(?=[A-Z])/).length);
  });

  it('makes a client with names, which saves, is refused a stale state, and undoes', async () => {
    const server = appOn(fresh.database).listen(0, '127.0.0.1');
    await once(server, 'listening');
    try {
      const baseURL = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
      const { data: definition } = await axios.get<OpenAPIV3_1.Document>(`${baseURL}/api/openapi.json`);
      const api = new OpenAPIClientAxios({ definition, axiosConfigDefaults: { baseURL, validateStatus: () => true } });
      const client = await api.init();
      const rigs = (await client['listRigs']!()).data as Saved<Rig>[];
      const { id, revision, body } = rigs[0]!;
      const save = (known: number, note: string) => client['saveRig']!({ id, 'If-Match': `"${known}"` }, { ...body, note });
      expect(((await save(revision, 'by a client')).data as Saved<Rig>).body.note).toBe('by a client');
      expect((await save(revision, 'too late')).data).toMatchObject({ code: 'revision-stale', current: { revision: revision + 1 } });
      expect((await client['deleteRig']!({ id, 'If-Match': `"${revision + 1}"` })).status).toBe(204);
      expect((await client['restoreRig']!(id)).data).toMatchObject({ id, revision: revision + 3, body: { note: 'by a client' } });
      expect((await client['listRigRevisions']!(id)).data).toHaveLength(4);
      expect((await client['getHealth']!()).data).toMatchObject({ keeps: 'tests' });
    } finally {
      server.close();
    }
  });

  it('is served by every route it lists', async () => {
    const app = appOn(fresh.database);
    for (const { method, path: at } of operationsOf(oneWorld(servicesOf(fresh.database)), 'own')) {
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
