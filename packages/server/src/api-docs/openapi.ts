import { toJsonSchema } from '@viaggio/core';
import type { JsonSchema } from '@viaggio/core';
import { ERRORS } from '../errors';
import type { ErrorCode } from '../errors';
import type { Operation } from '../operation';

const ISSUE_SCHEMA: JsonSchema = {
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

/** What any operation can fail with. */
export const EVERYWHERE: readonly ErrorCode[] = ['foreign-origin'];

/** The OpenAPI 3.1 document of the operations that are served. */
export function openApi(operations: readonly Operation[]): JsonSchema {
  const paths: Record<string, Record<string, unknown>> = {};
  for (const operation of operations) (paths[operation.path] ??= {})[operation.method] = describeOperation(operation);
  return {
    openapi: '3.1.0',
    info: { title: 'Viaggio', version: '0.1.0', description: 'Will this battery run my camera, and for how long?' },
    paths,
    components: { schemas: { Problem: PROBLEM_SCHEMA } },
  };
}

function describeOperation({
  summary,
  tag,
  path,
  body,
  bodySchema,
  rawBody,
  query = {},
  needsRevision,
  answers,
  fails,
}: Operation): JsonSchema {
  const parameters = [
    ...(path.includes('{id}') ? [{ name: 'id', in: 'path', required: true, schema: { type: 'string', format: 'uuid' } }] : []),
    ...Object.entries(query).map(([name, says]) => ({ name, in: 'query', required: false, description: says, schema: { type: 'string' } })),
    ...(needsRevision
      ? [
          {
            name: 'If-Match',
            in: 'header',
            required: true,
            description: 'The revision that was changed, such as "3"',
            schema: { type: 'string' },
          },
        ]
      : []),
  ];
  return {
    summary,
    tags: [tag],
    ...(parameters.length > 0 && { parameters }),
    ...(body && { requestBody: { required: true, content: { 'application/json': { schema: bodySchema ?? toJsonSchema(body) } } } }),
    ...(rawBody && {
      requestBody: {
        required: true,
        content: { [rawBody.mediaType]: { schema: { type: 'string', format: 'binary', maxLength: rawBody.maxBytes } } },
      },
    }),
    responses: {
      [answers.status]: {
        description: answers.says,
        ...(answers.schema && { content: { 'application/json': { schema: answers.schema } } }),
        ...(answers.mediaType && { content: { [answers.mediaType]: {} } }),
      },
      ...Object.fromEntries([...fails, ...EVERYWHERE].map(problemResponse)),
    },
  };
}

function problemResponse(code: ErrorCode): [string, JsonSchema] {
  const { status, title } = ERRORS[code];
  return [
    String(status),
    { description: `${title} (${code})`, content: { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } } },
  ];
}
