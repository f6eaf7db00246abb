import type Joi from 'joi';
import toJsonSchema from 'joi-to-json';
import { STATUS_CODES } from 'node:http';
import * as answers from './answers';
import { declaredRoutes, type RouteOptions } from './route';
import { UNDESCRIBED } from './shapes';

/** The description of the interface (OpenAPI 3.1), made of the very schemas that check what comes in and goes out. */

type JsonSchema = Record<string, unknown> & { properties?: Record<string, JsonSchema>; required?: string[] };

/** Schemas that have a name of their own, by which others refer to them. */
const NAMED = new Map<Joi.Schema, string>(
  Object.entries(answers).map(([name, schema]) => [schema, `${name[0]!.toUpperCase()}${name.slice(1)}`]),
);

const isSchema = (value: unknown): value is JsonSchema =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** What the converter leaves otherwise than the specification has it: patterns with flags, and what is only to refuse. */
function mended(value: unknown): unknown {
  if (Array.isArray(value)) return value.filter((each) => !isSchema(each) || !(UNDESCRIBED in each)).map(mended);
  if (!isSchema(value)) return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, each]) =>
      key === 'pattern' && typeof each === 'string'
        ? [key, withoutFlags(each)]
        : key === 'patternProperties' && isSchema(each)
          ? [key, Object.fromEntries(Object.entries(each).map(([name, of]) => [withoutFlags(name), mended(of)]))]
          : [key, mended(each)],
    ),
  );
}

/** `^\d{4}$/u`, as the converter writes what was `/^\d{4}$/u`. */
const withoutFlags = (pattern: string): string => pattern.replace(/\/[dgimsuvy]*$/u, '');

const schemaOf = (schema: Joi.Schema): JsonSchema => mended(toJsonSchema(schema, 'open-api-3.1')) as JsonSchema;

const referenceTo = (schema: Joi.Schema): JsonSchema => {
  const name = NAMED.get(schema);
  return name ? { $ref: `#/components/schemas/${name}` } : schemaOf(schema);
};

const parametersOf = (schema: Joi.ObjectSchema | undefined, place: 'path' | 'query') => {
  const { properties = {}, required = [] } = schema ? schemaOf(schema) : {};
  return Object.entries(properties).map(([name, each]) => ({
    name,
    in: place,
    required: required.includes(name),
    schema: each,
  }));
};

const BYTES = { 'application/octet-stream': { schema: { type: 'string', format: 'binary' } } };

function bodyOf({ body, ownBody }: RouteOptions): object | null {
  if (ownBody === 'file') return { required: true, content: BYTES };
  const schema = ownBody ?? body;
  return schema ? { required: true, content: { 'application/json': { schema: referenceTo(schema) } } } : null;
}

/** Why a route may refuse, by status: for what it takes in, for who asks, and for reasons of its own. */
export function refusalsOf(options: RouteOptions): number[] {
  const { method, params, query, body, ownBody, isOpen, refusals = [] } = options;
  const isWrite = method !== 'get';
  const why: [number, unknown][] = [
    [400, params ?? query ?? body ?? ownBody],
    [401, !isOpen],
    [403, isWrite],
    [404, params],
    [413, body ?? ownBody],
    [500, true],
    [503, true],
    [507, isWrite],
  ];
  return [...new Set([...why.flatMap(([status, is]) => (is ? status : [])), ...refusals])].sort((a, b) => a - b);
}

/** All that a route may answer with. */
export const statusesOf = (options: RouteOptions): number[] => [options.answer ? 200 : 204, ...refusalsOf(options)];

function responsesOf(options: RouteOptions): Record<string, object> {
  const { answer } = options;
  const done: Record<string, object> = !answer
    ? { 204: { description: 'Done.' } }
    : answer === 'file'
      ? { 200: { description: 'The file.', content: BYTES } }
      : { 200: { description: 'Done.', content: { 'application/json': { schema: referenceTo(answer) } } } };
  const refused = refusalsOf(options).map((status) => [status, { $ref: `#/components/responses/${status}` }]);
  return { ...done, ...(Object.fromEntries(refused) as Record<string, object>) };
}

/** `get /entries/:id/contents` is `getEntriesByIdContents`. */
const operationIdOf = ({ method, path }: RouteOptions): string =>
  method +
  path
    .split(/[/-]/u)
    .filter(Boolean)
    .map((part) => part.replace(/^:/u, 'by-'))
    .flatMap((part) => part.split('-'))
    .map((part) => `${part[0]!.toUpperCase()}${part.slice(1)}`)
    .join('');

const refused = (status: number) => ({
  description: `${STATUS_CODES[status]}: told in a sentence (RFC 9457).`,
  content: { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } },
});

export function describeInterface(): object {
  const paths: Record<string, Record<string, object>> = {};
  const routes = [...declaredRoutes.values()];
  for (const options of routes) {
    const { method, path, summary, isOpen, params, query } = options;
    const address = `/api${path.replaceAll(/:(\w+)/gu, '{$1}')}`;
    const requestBody = bodyOf(options);
    paths[address] ??= {};
    paths[address][method] = {
      operationId: operationIdOf(options),
      summary,
      ...(isOpen && { security: [] }),
      parameters: [...parametersOf(params, 'path'), ...parametersOf(query, 'query')],
      ...(requestBody && { requestBody }),
      responses: responsesOf(options),
    };
  }
  const statuses = [...new Set(routes.flatMap(refusalsOf))];
  return {
    openapi: '3.1.0',
    info: { title: 'Glossarion', version: '1', summary: 'One person’s private notes, linked both ways.' },
    servers: [{ url: '/' }],
    security: [{ session: [] }],
    paths,
    components: {
      securitySchemes: { session: { type: 'apiKey', in: 'cookie', name: 'glossarion-session' } },
      schemas: Object.fromEntries([...NAMED].map(([schema, name]) => [name, schemaOf(schema)])),
      responses: Object.fromEntries(statuses.map((status) => [status, refused(status)])),
    },
  };
}
