import type { AnyRoute } from '@inch/contract/route';
import { allRoutes } from '@inch/contract/routes';
import { Problem } from '@inch/contract/values';
import { z } from 'zod';

type Json = Record<string, unknown>;

const schemaOf = (schema: z.ZodType, io: 'input' | 'output'): Json => {
  const { $schema: _, ...rest } = z.toJSONSchema(schema, { io, unrepresentable: 'any' }) as Json;
  return rest;
};

function parameters(route: AnyRoute): Json[] {
  const place = (where: 'path' | 'query', schema: z.ZodType | undefined) => {
    if (!schema) return [];
    const { properties = {}, required = [] } = schemaOf(schema, 'input') as {
      properties?: Record<string, Json>;
      required?: string[];
    };
    return Object.entries(properties).map(([name, s]) => ({
      name,
      in: where,
      required: where === 'path' || required.includes(name),
      schema: s,
    }));
  };
  return [...place('path', route.params), ...place('query', route.query)];
}

function operation(route: AnyRoute & { noun: string; name: string }): Json {
  const ok = route.method === 'POST' ? '201' : '200';
  const media = route.media ?? 'application/json';
  return {
    operationId: `${route.noun}.${route.name}`,
    summary: route.summary,
    tags: [route.noun],
    'x-access': route.access,
    parameters: parameters(route),
    ...(route.body
      ? {
          requestBody: {
            required: true,
            content: { 'application/json': { schema: schemaOf(route.body, 'input') } },
          },
        }
      : {}),
    responses: {
      [ok]: {
        description: 'Done',
        content: {
          [media]: {
            schema: route.media ? { type: 'string', format: 'binary' } : schemaOf(route.response, 'output'),
          },
        },
      },
      default: {
        description: 'A problem, with what to do',
        content: { 'application/problem+json': { schema: schemaOf(Problem, 'output') } },
      },
    },
  };
}

/** OpenAPI 3.1 of the whole API, from the contract alone. */
export function openApi(): Json {
  const paths: Record<string, Json> = {};
  for (const route of allRoutes) {
    const path = route.path.replace(/:(\w+)/g, '{$1}');
    paths[path] = { ...paths[path], [route.method.toLowerCase()]: operation(route) };
  }
  return { openapi: '3.1.0', info: { title: 'Inch Pantry', version: '0.1.0' }, paths };
}
