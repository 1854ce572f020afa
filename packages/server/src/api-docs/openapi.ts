import { toJsonSchema } from '@viaggio/core/units';
import type { JsonSchema } from '@viaggio/core/units';
import { AppError, ERRORS, problemOf } from '../errors';
import type { ErrorCode } from '../errors';
import type { Operation } from '../http/operation';
import { Components } from './components';
import { withListsShared } from './shared-lists';
import { pascal } from '../http/pascal';

const ISSUE_SCHEMA: JsonSchema = {
  title: 'Issue',
  type: 'object',
  required: ['path', 'code', 'expected', 'received', 'message'],
  properties: {
    path: { type: 'string', description: 'JSON Pointer (RFC 6901) into the request' },
    code: { type: 'string' },
    expected: { type: 'string' },
    received: { type: 'string' },
    message: { type: 'string' },
  },
};

const PROBLEM_SCHEMA: JsonSchema = {
  title: 'Problem',
  description: 'Problem details (RFC 9457)',
  type: 'object',
  required: ['type', 'title', 'status', 'detail', 'code', 'remedy'],
  properties: {
    type: { type: 'string' },
    title: { type: 'string' },
    status: { type: 'integer' },
    detail: { type: 'string' },
    code: { type: 'string', enum: Object.keys(ERRORS) },
    remedy: { type: 'string' },
    issues: { type: 'array', items: ISSUE_SCHEMA },
    current: { description: 'The newer state, when the revision was stale' },
  },
};

/** All that an operation can fail with: what it says, and what goes without saying. */
export function failsOf({ method, fails, body, rawBody }: Operation): readonly ErrorCode[] {
  const writes = method !== 'get' && fails.includes('database-away');
  const asked = body ?? rawBody;
  const unsaid: readonly ErrorCode[] = [
    'foreign-origin',
    ...(writes ? (['disk-full'] as const) : []),
    ...(asked ? (['busy'] as const) : []),
  ];
  return [...new Set([...fails, ...unsaid])];
}

/** What each tag gathers, in the order of the documentation. */
const TAGS: Readonly<Record<string, string>> = {
  health: 'Whether it runs',
  gear: 'Everything a rig is made of: batteries, devices, cables, adapters, plates, chargers',
  rigs: 'Devices and how each is fed',
  days: 'Rigs over the hours of a day, with places and chargers',
  log: 'What was observed: tests, swaps, readings',
  recordings: 'Meters’ recordings, their samples and originals',
  sheets: 'What was measured on the bench: joints, contacts, packs, faults',
  rules: 'What carriers let fly, dated',
  trips: 'Journeys with gear: who travels how, and what lies in which bag',
  prints: 'Sheets on paper, as PDF: the crew’s, a rig’s, tags',
  meters: 'Bench meters over SCPI, and recordings as they come',
  forecast: 'Weather by the hour',
  changes: 'Several changes as one',
  plan: 'Plan documents: in, out, evaluated',
  backup: 'Everything out as one archive, and in again',
  demo: 'The demo crew',
};

/** The OpenAPI 3.1 document of the operations that are served. */
export function openApi(operations: readonly Operation[]): JsonSchema {
  const components = new Components();
  components.of(PROBLEM_SCHEMA);
  const answers = new Map<string, JsonSchema>();
  const paths: Record<string, Record<string, unknown>> = {};
  for (const operation of operations) (paths[operation.path] ??= {})[operation.method] = describeOperation(operation, components, answers);
  const used = new Set(operations.map(({ tag }) => tag));
  return {
    openapi: '3.1.0',
    info: {
      title: 'Viaggio',
      version: '0.1.0',
      summary: 'Will this battery run my camera, and for how long?',
      description:
        'The API of one installation, on this machine. Every figure is in the unit that ends its name. Where it is served to others, any request may be answered 429 (too-many-requests).',
      license: { name: 'MIT', identifier: 'MIT' },
    },
    servers: [
      { url: '/', description: 'Your own' },
      { url: '/demo', description: 'The demo crew' },
    ],
    // whoever reaches the address may use it: it listens on this machine alone unless it is told otherwise
    security: [],
    tags: [...used].map((name) => ({ name, description: TAGS[name] ?? name })),
    paths,
    components: {
      schemas: withListsShared(components.all()),
      responses: Object.fromEntries(answers),
      examples: Object.fromEntries(EXAMPLES),
    },
  };
}

/** One of each error, named as its answer. */
const EXAMPLES = (Object.keys(ERRORS) as ErrorCode[]).map((code): [string, JsonSchema] => [
  pascal(code),
  { value: problemOf(new AppError(code, ERRORS[code].title)) },
]);

function problemContent(codes: readonly ErrorCode[]): JsonSchema {
  const examples = codes.map((code): [string, JsonSchema] => [code, { $ref: `#/components/examples/${pascal(code)}` }]);
  return { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' }, examples: Object.fromEntries(examples) } };
}

function describeOperation(operation: Operation, components: Components, shared: Map<string, JsonSchema>): JsonSchema {
  const { id, summary, tag, answers } = operation;
  const parameters = parametersOf(operation);
  const body = requestBodyOf(operation, components);
  return {
    operationId: id,
    summary,
    tags: [tag],
    ...(parameters.length > 0 && { parameters }),
    ...(body && { requestBody: body }),
    responses: {
      [answers.status]: {
        description: answers.says,
        ...(answers.schema && { content: { 'application/json': { schema: components.of(answers.schema, pascal(id)) } } }),
        ...(answers.mediaType && { content: { [answers.mediaType]: {} } }),
      },
      ...problemResponses(failsOf(operation), shared),
    },
  };
}

function parametersOf({ path, query = {}, needsRevision }: Operation): readonly JsonSchema[] {
  const revision = {
    name: 'If-Match',
    in: 'header',
    required: true,
    description: 'The revision that was changed, as an entity tag',
    schema: { type: 'string' },
    example: '"3"',
  };
  return [
    ...(path.includes('{id}')
      ? [{ name: 'id', in: 'path', required: true, description: 'Its identifier', schema: { type: 'string', format: 'uuid' } }]
      : []),
    ...Object.entries(query).map(([name, says]) => ({ name, in: 'query', required: false, description: says, schema: { type: 'string' } })),
    ...(needsRevision ? [revision] : []),
  ];
}

function requestBodyOf({ body, rawBody, example }: Operation, components: Components): JsonSchema | undefined {
  if (rawBody?.schema) return { required: true, content: { [rawBody.mediaType]: { schema: components.of(rawBody.schema) } } };
  if (rawBody) {
    const schema = { type: 'string', format: 'binary', maxLength: rawBody.maxBytes };
    return { required: true, content: { [rawBody.mediaType]: { schema } } };
  }
  if (!body) return undefined;
  const schema = components.of(toJsonSchema(body));
  return { required: true, content: { 'application/json': { schema, ...(example !== undefined && { example }) } } };
}

/** Errors by their status; several of one status share an answer. Each answer is described once, in `shared`. */
function problemResponses(fails: readonly ErrorCode[], shared: Map<string, JsonSchema>): JsonSchema {
  const byStatus = new Map<number, ErrorCode[]>();
  for (const code of [...fails].sort()) byStatus.set(ERRORS[code].status, [...(byStatus.get(ERRORS[code].status) ?? []), code]);
  return Object.fromEntries(
    [...byStatus].map(([status, codes]): [number, JsonSchema] => {
      const name = codes.map(pascal).join('Or');
      shared.set(name, { description: codes.map((code) => ERRORS[code].title).join('; or: '), content: problemContent(codes) });
      return [status, { $ref: `#/components/responses/${name}` }];
    }),
  );
}
