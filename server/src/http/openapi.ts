import { STATUS_CODES } from 'node:http';
import { namedSchemas } from '@inch/contract/route/named';
import { type Access, type AnyRoute, statusOf } from '@inch/contract/route/route';
import { allRoutes, tags } from '@inch/contract/route/routes';
import { Problem } from '@inch/contract/route/values';
import { z } from 'zod';
import { SESSION_COOKIE } from '../session/session.ts';

type Json = Record<string, unknown>;
type Io = 'input' | 'output';
type NamedRoute = AnyRoute & { noun: string; name: string };

const COMPONENTS = '#/components/schemas/';

/** The contract's named types as components: one name for what is read, another where what is sent may leave things out. */
class Components {
  readonly #names = z.registry<{ id: string }>();
  readonly #asked = new Map<string, z.ZodType>();
  readonly #parted = new Set<string>();

  constructor() {
    for (const [name, schema] of namedSchemas())
      if (!this.#names.has(schema)) {
        this.#names.add(schema, { id: name });
        this.#asked.set(name, schema);
      }
    this.#part();
  }

  #json(schema: z.ZodType, io: Io): { own: Json; parts: Record<string, Json> } {
    const json = z.toJSONSchema(schema, { io, metadata: this.#names, unrepresentable: 'any' }) as Json;
    const { $schema: _, $defs = {}, ...own } = json;
    return { own, parts: $defs as Record<string, Json> };
  }

  #definition(name: string, io: Io): Json {
    const { own, parts } = this.#json(this.#asked.get(name)!, io);
    return parts[name] ?? own;
  }

  /** Finds the types that read otherwise than they are written, themselves or in what they hold. */
  #part(): void {
    const text = (name: string, io: Io) => JSON.stringify(this.#definition(name, io));
    const texts = new Map([...this.#asked.keys()].map((n) => [n, [text(n, 'input'), text(n, 'output')]]));
    for (const [name, [sent, read]] of texts) if (sent !== read) this.#parted.add(name);
    for (let found = -1; found !== this.#parted.size; ) {
      found = this.#parted.size;
      for (const [name, [sent]] of texts)
        if ([...this.#parted].some((p) => sent!.includes(`"#/$defs/${p}"`))) this.#parted.add(name);
    }
  }

  #named(value: unknown, io: Io): unknown {
    if (Array.isArray(value)) return value.map((v) => this.#named(v, io));
    if (value === null || typeof value !== 'object') return value;
    const closed = 'prefixItems' in value && !('items' in value) ? { ...value, items: false } : value;
    // What the program itself never changes is no less written by a client.
    const { readOnly: _, ...open } = closed as Json;
    return Object.fromEntries(
      Object.entries(open).map(([key, v]) =>
        key === '$ref' && typeof v === 'string'
          ? [key, `${COMPONENTS}${this.#nameOf(v.replace('#/$defs/', ''), io)}`]
          : [key, this.#named(v, io)],
      ),
    );
  }

  #nameOf = (name: string, io: Io): string =>
    io === 'input' && this.#parted.has(name) ? `${name}Input` : name;

  of(schema: z.ZodType, io: Io): Json {
    return this.#named(this.#json(schema, io).own, io) as Json;
  }

  /** Those of them that the operations name, and what these hold. */
  named(operations: unknown): Record<string, Json> {
    const all = new Map<string, Json>();
    for (const name of this.#asked.keys())
      for (const io of ['output', 'input'] as const)
        all.set(this.#nameOf(name, io), this.#named(this.#definition(name, io), io) as Json);
    const used = new Map<string, Json>();
    const take = (value: unknown): void => {
      for (const [, name] of JSON.stringify(value).matchAll(/"#\/components\/schemas\/([^"]+)"/g))
        if (!used.has(name!)) {
          used.set(name!, all.get(name!)!);
          take(all.get(name!));
        }
    };
    take(operations);
    return Object.fromEntries([...used].sort(([a], [b]) => a.localeCompare(b)));
  }
}

function parametersOf(route: AnyRoute, components: Components): Json[] {
  const place = (where: 'path' | 'query', schema: z.ZodType | undefined) => {
    if (!schema) return [];
    const { properties = {}, required = [] } = components.of(schema, 'input') as {
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

function requestBodyOf({ body, sends }: AnyRoute, components: Components): Json | undefined {
  if (sends) return { required: true, content: Object.fromEntries(sends.map((media) => [media, {}])) };
  return (
    body && { required: true, content: { 'application/json': { schema: components.of(body, 'input') } } }
  );
}

function refusalsOf({ access, method, params, query, body, sends, media, parts }: AnyRoute): number[] {
  const signed = access !== 'anyone';
  const says = body || sends;
  return [
    ...(says ? [400] : []),
    ...(signed || says ? [401] : []),
    ...(method === 'GET' ? (signed ? [403] : []) : [403]),
    ...(params ? [404] : []),
    405,
    // What is of a lot, and what is made for it, may not be had as the lot stands.
    ...(method === 'GET' && !params && !media ? [] : [409]),
    ...(says ? [413, 415] : []),
    ...(parts ? [416] : []),
    ...(says || query || params ? [422] : []),
    ...(says ? [429] : []),
    // The address that it was asked under is another server's.
    421,
    ...(method === 'GET' ? [] : [507]),
    500,
    503,
  ];
}

const WHO: Record<Access, string> = {
  anyone: 'Without signing in.',
  reader: 'For everyone who is signed in.',
  maker: 'For makers and owners.',
  owner: 'For owners.',
};

function operationOf(route: NamedRoute, components: Components): Json {
  const requestBody = requestBodyOf(route, components);
  const answer = route.media
    ? { [route.media]: { schema: { type: 'string' } } }
    : { 'application/json': { schema: components.of(route.response, 'output') } };
  return {
    operationId: `${route.noun}.${route.name}`,
    summary: route.summary,
    description: `${route.summary}. ${WHO[route.access]}`,
    tags: [route.noun],
    'x-access': route.access,
    security: route.access === 'anyone' ? [] : [{ session: [] }],
    parameters: parametersOf(route, components),
    ...(requestBody ? { requestBody } : {}),
    responses: {
      [statusOf(route)]: { description: route.summary, content: answer },
      ...(route.parts ? { 206: { description: 'The part that was asked for', content: answer } } : {}),
      ...(route.revalidated ? { 304: { description: 'As it was when it was last read' } } : {}),
      ...Object.fromEntries(
        refusalsOf(route).map((status) => [status, { $ref: `#/components/responses/Problem${status}` }]),
      ),
    },
  };
}

const RETRY_AFTER = { 'Retry-After': { description: 'Seconds to wait', schema: { type: 'integer' } } };

const problemOf = (status: number, components: Components): Json => ({
  description: STATUS_CODES[status]!,
  ...(status === 429 || status === 503 ? { headers: RETRY_AFTER } : {}),
  content: { 'application/problem+json': { schema: components.of(Problem, 'output') } },
});

let described: Json | null = null;

/** OpenAPI 3.1 of the whole API, from the contract alone; made when it is first asked for. */
export function openApi(): Json {
  described ??= describeAll();
  return described;
}

function describeAll(): Json {
  const components = new Components();
  const paths: Record<string, Json> = {};
  for (const route of allRoutes) {
    const path = route.path.replace(/:(\w+)/g, '{$1}');
    paths[path] = { ...paths[path], [route.method.toLowerCase()]: operationOf(route, components) };
  }
  const statuses = [...new Set(allRoutes.flatMap(refusalsOf))].sort((a, b) => a - b);
  const responses = Object.fromEntries(
    statuses.map((status) => [`Problem${status}`, problemOf(status, components)]),
  );
  return {
    openapi: '3.1.0',
    info: {
      title: 'Inch Pantry',
      version: '1.0.0',
      license: { name: 'All rights reserved', identifier: 'LicenseRef-All-rights-reserved' },
      description:
        'Formulas, plans, lots and their records of one kitchen. Everything written has an id made by whoever writes it: the same id with the same body is answered as the first time, with another body it is refused with 409.',
    },
    servers: [{ url: '/', description: 'The server that answers this' }],
    security: [{ session: [] }],
    tags: Object.entries(tags).map(([name, description]) => ({ name, description })),
    paths,
    components: {
      schemas: components.named([paths, responses]),
      responses,
      securitySchemes: {
        session: { type: 'apiKey', in: 'cookie', name: SESSION_COOKIE, description: 'Set by signing in' },
      },
    },
  };
}
