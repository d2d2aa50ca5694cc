/** The API as OpenAPI 3.1, made from its table, the schemas that guard it, and the types that it answers with. */
import type Joi from 'joi';
import { API, type ApiRow, type ReplyKind } from './api.ts';
import replySchemas from './replies.json' with { type: 'json' };

type Json = { readonly [key: string]: unknown };

/** Joi's own description of a schema as JSON Schema, by the convention that schema libraries share. */
function jsonSchema(schema: Joi.Schema): Json {
  return schema['~standard'].jsonSchema.input({ target: 'draft-2020-12' });
}
const ERROR: Json = {
  type: 'object',
  properties: {
    error: {
      type: 'object',
      properties: {
        field: { type: ['string', 'null'], description: 'Dotted path of the field at fault.' },
        message: { type: 'string', description: 'A sentence with the way out.' },
        stored: { description: 'On a stale edit: what is stored now.' },
        sent: { description: 'On a stale edit: what was sent.' },
      },
      required: ['field', 'message'],
    },
  },
  required: ['error'],
};

/** Schemas of the types that replies are made of, and of each row's reply as JSON: see scripts/reply-schemas.mjs. */
const REPLIES: { readonly schemas: Json; readonly replies: Json } = replySchemas;

/** What a row answers with, by its content type; of a stream, what each of its events carries. */
function contentOf(key: string, reply: ReplyKind): Json {
  const schema = REPLIES.replies[key];
  if (reply.kind === 'file') return { [reply.type]: { schema: { type: 'string' } } };
  if (reply.kind === 'json') return { 'application/json': { schema } };
  const event = { type: 'string', contentMediaType: 'application/json', contentSchema: schema };
  return { 'text/event-stream': { schema: event } };
}

function operation(key: string, row: ApiRow): Json {
  const [, path = ''] = key.split(' ');
  const parameter = (name: string, place: 'path' | 'query'): Json => ({
    name,
    in: place,
    required: place === 'path',
    schema: { type: 'string', maxLength: 200 },
  });
  const content = row.jpeg
    ? { 'image/jpeg': { schema: { type: 'string', contentEncoding: 'binary' } } }
    : row.body && { 'application/json': { schema: jsonSchema(row.body) } };
  const parameters = [
    ...[...path.matchAll(/:(\w+)/g)].map(([, name = '']) => parameter(name, 'path')),
    ...(row.query ?? []).map((name) => parameter(name, 'query')),
    ...(key.startsWith('GET ')
      ? []
      : [{ name: 'X-Woolly-Tide', in: 'header', required: true, schema: { type: 'string', enum: ['hand', 'page'] } }]),
  ];
  return {
    operationId: key.replace(/[^A-Za-z0-9]+/g, '-').toLowerCase(),
    description: row.answers,
    tags: [path.split('/')[1] ?? ''],
    ...(parameters.length > 0 && { parameters }),
    ...(content && { requestBody: { required: true, content, ...(row.sends && { description: row.sends }) } }),
    security: row.may === 'anyone' ? [] : row.may === 'link' ? [{ link: [] }] : [{ device: [] }],
    ...(typeof row.may === 'object' && { 'x-roles': row.may }),
    responses: {
      '2XX': { description: row.answers, content: contentOf(key, row.reply) },
      '4XX': {
        description: 'Refused; nothing was written.',
        content: { 'application/json': { schema: { $ref: '#/components/schemas/Error' } } },
      },
    },
  };
}

/** The whole document. */
export function openApi(): Json {
  const paths: Record<string, Record<string, Json>> = {};
  for (const [key, row] of Object.entries<ApiRow>(API)) {
    const [method = '', path = ''] = key.split(' ');
    (paths[path.replace(/:(\w+)/g, '{$1}')] ??= {})[method.toLowerCase()] = operation(key, row);
  }
  return {
    openapi: '3.1.0',
    info: {
      title: 'Woolly Tide',
      version: '1',
      description: 'docs/api.md says how requests, errors, versions and ids work.',
    },
    servers: [{ url: '/api' }],
    paths,
    components: {
      schemas: { Error: ERROR, ...REPLIES.schemas },
      securitySchemes: {
        device: { type: 'apiKey', in: 'cookie', name: 'woolly' },
        link: { type: 'apiKey', in: 'header', name: 'X-Home-Link' },
      },
    },
  };
}
