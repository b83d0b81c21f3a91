import { STATUS_CODES } from 'node:http';
import { z } from 'zod';
import { problemReply, PROTOCOL_VERSION } from '@dusky-spool/core/model';
import type { Route, RouteSpec } from './route-table.ts';

const FILE = { schema: { type: 'string', format: 'binary' } } as const;
const PICTURE_FORM = { type: 'object', properties: { picture: FILE.schema }, required: ['picture'] } as const;

/** The API as OpenAPI 3.1, from the route table and the Zod schemas of the contract. */
export function openApi(routes: readonly Route[]): object {
  const paths: Record<string, Record<string, object>> = {};
  const schemas: Record<string, object> = { Problem: schemaOf(problemReply) };
  for (const route of routes) {
    const path = route.path.replace(/:(\w+)/g, '{$1}');
    (paths[path] ??= {})[route.method.toLowerCase()] = operationOf(route, schemas);
  }
  return {
    openapi: '3.1.0',
    info: {
      title: 'Dusky Spool',
      version: String(PROTOCOL_VERSION),
      description: 'Every request but GET carries the token of GET /session in the header X-CSRF-Token.',
    },
    servers: [{ url: '/api' }],
    paths,
    components: {
      schemas,
      securitySchemes: { session: { type: 'apiKey', in: 'cookie', name: 'spool' } },
    },
  };
}

function operationOf({ method, path, access, spec }: Route, schemas: Record<string, object>): object {
  const { does, body, query, reply, status = reply === undefined ? 204 : 200 } = spec;
  const name = nameOf(method, path);
  const contentOf = (what: NonNullable<RouteSpec['body'] | RouteSpec['reply']>): object => {
    if (what === 'file') return { '*/*': FILE };
    if (what === 'picture') return { 'multipart/form-data': { schema: PICTURE_FORM } };
    return { 'application/json': { schema: withDefinitions(name, schemaOf(what), schemas) } };
  };
  return {
    operationId: name,
    summary: does,
    description: access === 'anyone' ? 'Anybody may call it.' : `Members whose role has the right “${access}” may call it.`,
    security: access === 'anyone' ? [] : [{ session: [] }],
    parameters: [...pathParameters(path), ...(query ? queryParameters(query) : [])],
    ...(body ? { requestBody: { required: true, content: contentOf(body) } } : {}),
    responses: {
      [status]: { description: STATUS_CODES[status], ...(reply ? { content: contentOf(reply) } : {}) },
      default: {
        description: 'A problem, with its code and the field that it is about',
        content: { 'application/json': { schema: { $ref: '#/components/schemas/Problem' } } },
      },
    },
  };
}

const nameOf = (method: string, path: string): string =>
  `${method.toLowerCase()}${path.replace(/[:/-]+(\w)/g, (_, letter: string) => letter.toUpperCase()).replace(/\W/g, '')}`;

const pathParameters = (path: string) =>
  [...path.matchAll(/:(\w+)/g)].map(([, name]) => ({ name, in: 'path', required: true, schema: { type: 'string' } }));

function queryParameters(query: z.ZodType): object[] {
  const { properties = {}, required = [] } = schemaOf(query) as { properties?: Record<string, object>; required?: string[] };
  return Object.entries(properties).map(([name, schema]) => ({ name, in: 'query', required: required.includes(name), schema }));
}

/** A shape as JSON Schema, as it is sent: defaults are left out, what is made of it afterwards is not told. */
function schemaOf(schema: z.ZodType): object {
  const { $schema: _, ...told } = z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' });
  return told;
}

/** Definitions that stand within a shape, moved to where the whole description can refer to them. */
function withDefinitions(name: string, schema: object, shared: Record<string, object>): object {
  const { $defs = {}, ...own } = JSON.parse(JSON.stringify(schema).replaceAll('"#/$defs/', `"#/components/schemas/${name}_`)) as {
    $defs?: Record<string, object>;
  };
  for (const [key, value] of Object.entries($defs)) shared[`${name}_${key}`] = value;
  return own;
}
