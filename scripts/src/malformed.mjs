import { randomUUID } from 'node:crypto';

/** A small generator of numbers from a seed (mulberry32), so that a run can be repeated; `ids` are of things that are there. */
export function seeded(seed, ids) {
  let state = seed >>> 0;
  const next = () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), state | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
  const below = (n) => Math.floor(next() * n);
  return { ids, next, below, of: (list) => list[below(list.length)] };
}

const JUNK = [
  null,
  true,
  0,
  -1,
  1e308,
  -0.1,
  9_007_199_254_740_991,
  '',
  ' ',
  '0',
  'x'.repeat(5000),
  'Mädesüß 桜 ',
  '\u0000',
  '\ud800',
  "' OR 1=1 --",
  '=1+1',
  '1999-12-31T23:59:59Z',
  '9999-12-31T23:59:59Z',
  '2026-02-30',
  '../../etc/passwd',
  [],
  [[[[]]]],
  {},
  { __proto__: { admin: true } },
  { length: 1e9 },
];

const NOBODYS = '0193aaaa-0000-7000-8000-000000000000';
const STRINGS = {
  date: '2026-11-01',
  'date-time': '2026-11-01T08:00:00.000Z',
};

function stringOf(schema, random) {
  if (schema.format === 'uuid') return random.below(4) === 0 ? random.of(random.ids) : randomUUID();
  if (STRINGS[schema.format]) return STRINGS[schema.format];
  if (schema.pattern?.includes('#')) return '#4A2860';
  return 'x'.repeat(Math.max(schema.minLength ?? 1, 1 + random.below(6)));
}

const numberOf = (schema, random) => {
  const low = Math.max(schema.minimum ?? schema.exclusiveMinimum ?? 0, -1e6);
  const high = Math.min(schema.maximum ?? schema.exclusiveMaximum ?? low + 100, low + 1000);
  const value = low + random.next() * (high - low);
  return schema.type === 'integer' ? Math.ceil(value) : value;
};

/** A value that a schema allows, more or less. */
export function fitting(schema, random, refs, depth = 0) {
  if (!schema || depth > 8) return null;
  if (schema.$ref) return fitting(refs(schema.$ref), random, refs, depth + 1);
  if (schema.const !== undefined) return schema.const;
  if (schema.enum) return random.of(schema.enum);
  const among = schema.anyOf ?? schema.oneOf ?? schema.allOf;
  if (among) return fitting(random.of(among), random, refs, depth + 1);
  switch (schema.type) {
    case 'string':
      return stringOf(schema, random);
    case 'number':
    case 'integer':
      return numberOf(schema, random);
    case 'boolean':
      return random.below(2) === 1;
    case 'array':
      return Array.from({ length: Math.max(schema.minItems ?? 0, random.below(3)) }, () =>
        fitting(schema.items, random, refs, depth + 1),
      );
    case 'object':
      return Object.fromEntries(
        Object.entries(schema.properties ?? {})
          .filter(([name]) => schema.required?.includes(name) || random.below(2) === 1)
          .map(([name, part]) => [name, fitting(part, random, refs, depth + 1)]),
      );
    default:
      return null;
  }
}

/** A value with one place of it spoiled: replaced by junk, taken out, or joined by what nobody asked for. */
export function spoiled(value, random) {
  if (value === null || typeof value !== 'object' || random.below(6) === 0) return random.of(JUNK);
  const keys = Object.keys(value);
  if (keys.length === 0 || random.below(8) === 0)
    return Array.isArray(value) ? [...value, random.of(JUNK)] : { ...value, nobodyAsked: random.of(JUNK) };
  const key = random.of(keys);
  const copy = Array.isArray(value) ? [...value] : { ...value };
  if (random.below(5) === 0) delete copy[key];
  else copy[key] = random.below(2) === 0 ? random.of(JUNK) : spoiled(value[key], random);
  return copy;
}

/** What stands in an address for an id. */
export const strangeIds = [
  'x',
  '%00',
  '%FF',
  '%E4',
  'ä',
  "'",
  '..',
  '%2e%2e%2f',
  '0',
  'x'.repeat(300),
  NOBODYS,
];
