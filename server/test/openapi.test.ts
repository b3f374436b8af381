import { allRoutes } from '@inch/contract/route/routes';
import { describe, expect, it } from 'vitest';
import { openApi } from '../src/http/openapi.ts';

interface Operation {
  operationId: string;
  summary: string;
  description: string;
  tags: string[];
  security: object[];
  parameters: { name: string; in: string; required: boolean }[];
  requestBody?: { content: Record<string, { schema?: { $ref?: string } }> };
  responses: Record<string, { $ref?: string; content?: Record<string, { schema: object }> }>;
}

const description = openApi() as {
  tags: { name: string; description: string }[];
  paths: Record<string, Record<string, Operation>>;
  components: Record<string, Record<string, object>>;
};
const operations = Object.entries(description.paths).flatMap(([path, item]) =>
  Object.entries(item).map(([method, operation]) => ({ path, method, operation })),
);
const operationOf = (method: string, path: string) =>
  operations.find((o) => o.method === method && o.path === path)!.operation;

const refsIn = (value: unknown): string[] =>
  [...JSON.stringify(value).matchAll(/"\$ref":"([^"]+)"/g)].map(([, ref]) => ref!);

describe('the description of the API', () => {
  it('has every route once, under an id of its own', () => {
    expect(operations).toHaveLength(allRoutes.length);
    expect(new Set(operations.map((o) => o.operation.operationId)).size).toBe(allRoutes.length);
  });

  it('refers to nothing that is not there, and describes nothing that nobody refers to', () => {
    const refs = new Set(refsIn(description));
    for (const ref of refs) {
      const [, , kind, name] = ref.split('/');
      expect(description.components[kind!]?.[name!], ref).toBeDefined();
    }
    for (const name of Object.keys(description.components.schemas!))
      expect(refs, name).toContain(`#/components/schemas/${name}`);
  });

  it.each(operations.map((o) => [`${o.method} ${o.path}`, o] as const))(
    '%s says what it takes, who may, and how it refuses',
    (_, { path, operation }) => {
      const inPath = [...path.matchAll(/\{(\w+)\}/g)].map(([, name]) => name);
      const declared = operation.parameters.filter((p) => p.in === 'path');
      expect(declared.map((p) => p.name).sort()).toEqual(inPath.sort());
      expect(declared.every((p) => p.required)).toBe(true);
      const route = allRoutes.find((r) => `${r.noun}.${r.name}` === operation.operationId)!;
      expect(operation.security).toEqual(route.access === 'anyone' ? [] : [{ session: [] }]);
      expect(Object.keys(operation.responses)).toContain(
        String(route.status ?? (route.method === 'POST' ? 201 : 200)),
      );
      expect(Object.keys(operation.responses).some((status) => status.startsWith('4'))).toBe(true);
      expect(description.tags.map((t) => t.name)).toContain(operation.tags[0]);
      expect(operation.description.length).toBeGreaterThan(operation.summary.length);
    },
  );

  it('names the types of what is sent and read', () => {
    const begun = operationOf('post', '/api/lots/{id}/readings');
    expect(begun.requestBody!.content['application/json']!.schema!.$ref).toBe(
      '#/components/schemas/NewReadingInput',
    );
    const read = operationOf('get', '/api/lots/{id}');
    expect(read.responses['200']!.content!['application/json']!.schema).toEqual({
      $ref: '#/components/schemas/LotView',
    });
  });

  it('says that 429 and 503 tell when to try again, and that pictures are sent as they are', () => {
    for (const status of ['Problem429', 'Problem503'])
      expect(description.components.responses![status]).toHaveProperty('headers.Retry-After');
    const photograph = operationOf('post', '/api/lots/{id}/photographs');
    expect(Object.keys(photograph.requestBody!.content)).toEqual(['image/jpeg', 'image/png', 'image/webp']);
  });
});
