import type Joi from 'joi';
import { declaredRoutes } from './route';

interface JoiDescription {
  type?: string;
  keys?: Record<string, JoiDescription>;
  items?: JoiDescription[];
  flags?: { presence?: string };
  allow?: unknown[];
}

const TYPES: Record<string, string> = { number: 'number', boolean: 'boolean', array: 'array', object: 'object' };

/** A Joi description as a JSON Schema, as far as the interface needs it. */
function toSchema(description: JoiDescription): Record<string, unknown> {
  const type = TYPES[description.type ?? ''] ?? 'string';
  if (type === 'object') {
    const keys = Object.entries(description.keys ?? {});
    return {
      type,
      properties: Object.fromEntries(keys.map(([name, key]) => [name, toSchema(key)])),
      required: keys.filter(([, key]) => key.flags?.presence === 'required').map(([name]) => name),
    };
  }
  if (type === 'array') return { type, items: toSchema(description.items?.[0] ?? {}) };
  return { type };
}

const parameters = (schema: Joi.ObjectSchema | undefined, place: 'path' | 'query') => {
  const described = schema ? toSchema(schema.describe() as JoiDescription) : {};
  const required = (described.required as string[] | undefined) ?? [];
  return Object.entries((described.properties as Record<string, unknown> | undefined) ?? {}).map(([name, each]) => ({
    name,
    in: place,
    required: required.includes(name),
    schema: each,
  }));
};

/** The interface's description (OpenAPI 3.1), made from the routes as they are declared. */
export function describeInterface(): unknown {
  const paths: Record<string, Record<string, unknown>> = {};
  for (const options of declaredRoutes.values()) {
    const path = `/api${options.path.replaceAll(/:(\w+)/gu, '{$1}')}`;
    paths[path] ??= {};
    paths[path][options.method] = {
      summary: options.summary,
      ...(options.isOpen ? { security: [] } : {}),
      parameters: [...parameters(options.params, 'path'), ...parameters(options.query, 'query')],
      ...(options.body
        ? {
            requestBody: {
              content: { 'application/json': { schema: toSchema(options.body.describe() as JoiDescription) } },
            },
          }
        : {}),
      responses: {
        '2XX': { description: 'Done.' },
        '4XX': { description: 'A problem, told in a sentence (RFC 9457).' },
      },
    };
  }
  return {
    openapi: '3.1.0',
    info: { title: 'Glossarion', version: '1' },
    components: { securitySchemes: { session: { type: 'apiKey', in: 'cookie', name: 'glossarion-session' } } },
    security: [{ session: [] }],
    paths,
  };
}
