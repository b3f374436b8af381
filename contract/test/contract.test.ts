import { KitchenChange } from '@inch/contract/kitchen/kitchen';
import { KitchenFile } from '@inch/contract/kitchen/kitchenFile';
import { NewFormula } from '@inch/contract/making/formula';
import { bodyOf, NewStrike, postedNouns } from '@inch/contract/route/entry';
import { allRoutes } from '@inch/contract/route/routes';
import {
  type EntryKind,
  entries,
  kindOfField,
  type Noun,
  type PostedNoun,
  recordedOf,
  shownOf,
} from '@inch/core/record';
import fc from 'fast-check';
import { v7 as newId } from 'uuid';
import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import { demoFile } from '../../scripts/src/demo.mjs';

const NewAddition = bodyOf('addition');
const NewBottling = bodyOf('bottling');
const NewCalibration = bodyOf('calibration');
const NewMovement = bodyOf('movement');
const NewReading = bodyOf('reading');
const NewRuling = bodyOf('ruling');

const problems = (schema: z.ZodType, value: unknown) =>
  schema.safeParse(value).error?.issues.map((i) => i.path.join('.')) ?? [];

describe('the table of routes', () => {
  it('has each method and path once, under /api, with who may call it and what it is for', () => {
    const seen = allRoutes.map((r) => `${r.method} ${r.path}`);
    expect(new Set(seen).size).toBe(seen.length);
    for (const route of allRoutes) {
      expect(route.path).toMatch(/^\/api\//);
      expect(['anyone', 'reader', 'maker', 'owner']).toContain(route.access);
      expect(route.summary.length).toBeGreaterThan(5);
    }
  });
  it('lets nobody but the signed in change anything, save at the door', () => {
    const open = allRoutes.filter((r) => r.access === 'anyone').map((r) => `${r.method} ${r.path}`);
    // A calendar is read by whoever has its secret.
    expect(open.sort()).toEqual([
      'GET /api/calendars/:secret',
      'GET /api/health',
      'GET /api/health/live',
      'GET /api/openapi.json',
      'GET /api/progress/:id',
      'GET /api/schemas/formula.json',
      'GET /api/setup',
      'POST /api/session',
      'POST /api/setup',
      'POST /api/setup/import',
      'POST /api/setup/owner',
    ]);
    const readerWrites = allRoutes
      .filter((r) => r.access === 'reader' && r.method !== 'GET')
      .map((r) => r.path);
    // Of their own account: signing out, their calendar's address, their password, their other sessions.
    expect([...new Set(readerWrites)].sort()).toEqual([
      '/api/session',
      '/api/session/calendar',
      '/api/session/others',
      '/api/session/password',
    ]);
  });
  it('names every part of its path in its params', () => {
    for (const route of allRoutes) {
      const parts = [...route.path.matchAll(/:(\w+)/g)].map((m) => m[1]);
      const named = route.params ? Object.keys((route.params as z.ZodObject).shape) : [];
      expect(named, route.path).toEqual(parts);
    }
  });
  it('can be described as JSON Schema, every body and every answer', () => {
    for (const route of allRoutes)
      for (const schema of [route.body, route.response])
        if (schema)
          expect(() => z.toJSONSchema(schema, { unrepresentable: 'any' }), route.path).not.toThrow();
  });
});

describe('entries of the record', () => {
  interface Bounds {
    type?: string;
    enum?: string[];
    format?: string;
    minLength?: number;
    maxLength?: number;
    minimum?: number;
    exclusiveMinimum?: number;
    maximum?: number;
    minItems?: number;
    items?: Bounds;
    properties?: Record<string, Bounds>;
  }

  /** A value within some bounds, and one over each of them. */
  function samples(b: Bounds): { good: unknown; bad: unknown[] } {
    if (b.enum) return { good: b.enum[0], bad: ['something else', 1] };
    if (b.format === 'uuid') return { good: newId(), bad: ['reading-1', 7] };
    switch (b.type) {
      case 'string':
        return { good: 'x'.repeat(Math.max(1, b.minLength ?? 0)), bad: ['x'.repeat(b.maxLength! + 1), 3] };
      case 'integer':
      case 'number': {
        const step = b.type === 'integer' ? 1 : 0.5;
        const [least, under] =
          b.exclusiveMinimum === undefined
            ? [b.minimum!, b.minimum! - step]
            : [b.exclusiveMinimum + step, b.exclusiveMinimum];
        return { good: least, bad: [under, b.maximum! + step, Number.NaN, Number.POSITIVE_INFINITY, '3'] };
      }
      case 'boolean':
        return { good: true, bad: ['yes', 1] };
      case 'array':
        return {
          good: Array.from({ length: b.minItems ?? 0 }, () => samples(b.items!).good),
          bad: ['one', 1],
        };
      case 'object':
        return {
          good: Object.fromEntries(
            Object.entries(b.properties!).map(([name, own]) => [name, samples(own).good]),
          ),
          bad: [[], 'x'],
        };
      default:
        throw new Error(`no samples of ${JSON.stringify(b)}`);
    }
  }
  const boundsOf = (f: z.ZodType) => z.toJSONSchema(kindOfField(f)) as Bounds;
  /** The question that a field asks: what it says first where nothing is said. */
  const askOf = (f: z.ZodType): string =>
    /^.+?[?.]/.exec(kindOfField(f).safeParse(undefined).error!.issues[0]!.message)![0];
  const goodBody = (noun: PostedNoun) => {
    const { said, asked }: EntryKind = entries[noun];
    const fields = Object.entries({ ...said, ...asked });
    return {
      id: newId(),
      ...Object.fromEntries(fields.map(([name, f]) => [name, samples(boundsOf(f)).good])),
    };
  };

  it.each(postedNouns)(
    'a %s is taken within its bounds and refused outside, at its field, in the words it asks in',
    (noun) => {
      const body = goodBody(noun);
      expect(problems(bodyOf(noun), body)).toEqual([]);
      const { said, asked }: EntryKind = entries[noun];
      for (const [name, f] of Object.entries({ ...said, ...asked })) {
        for (const bad of samples(boundsOf(f)).bad) {
          const issues = bodyOf(noun).safeParse({ ...body, [name]: bad }).error?.issues ?? [];
          expect(issues[0]?.path[0], `${noun}.${name} = ${String(bad)}`).toBe(name);
          expect(issues[0]!.message.startsWith(askOf(f)), issues[0]!.message).toBe(true);
        }
        const { [name as 'id']: _, ...without } = body as { id: string };
        expect(problems(bodyOf(noun), without), `${noun} without ${name}`).toEqual(
          f instanceof z.ZodDefault ? [] : [name],
        );
      }
      expect(problems(bodyOf(noun), { ...body, colour: 'red' })).toHaveLength(1);
    },
  );

  it('each has a noun, a table and an address of its own, but rulings, which are decisions', () => {
    const kinds = Object.values(entries).filter((k) => k.noun !== 'ruling');
    for (const key of ['noun', 'table', 'path'] as const) {
      const all = kinds.map((k) => k[key]).filter((v) => v !== null);
      expect(new Set(all).size, key).toBe(all.length);
    }
    for (const [noun, kind] of Object.entries(entries)) expect(kind.noun).toBe(noun);
  });

  it('is read back with everything that it was recorded with, whatever its kind', () => {
    for (const noun of Object.keys(entries) as Noun[]) {
      const kind: EntryKind = entries[noun];
      const shown = Object.keys(shownOf(kind));
      const schema = recordedOf(noun) as unknown as z.ZodObject;
      const base = ['id', 'at', 'recordedAt', 'by', ...(kind.strikeable ? ['struck'] : [])];
      expect(Object.keys(schema.shape).sort()).toEqual([...base, ...shown].sort());
    }
  });
});

describe('what is taken and what is not', () => {
  const id = newId();
  it('ids are UUIDs made by the device', () => {
    expect(problems(NewReading, { id: 'reading-1', kind: 'ph', raw: 3 })).toEqual(['id']);
    expect(problems(NewReading, { id, kind: 'ph', raw: 3 })).toEqual([]);
  });
  it('a reading may have no figure only where it is a note, which the server judges', () => {
    expect(NewReading.parse({ id, kind: 'note', said: ' cloudy ' })).toMatchObject({
      said: 'cloudy',
      raw: null,
      sample: 'pan',
    });
    expect(problems(NewReading, { id, kind: 'colour', raw: 3 })).toEqual(['kind']);
    expect(problems(NewReading, { id, kind: 'ph', raw: '3' })).toEqual(['raw']);
    expect(problems(NewReading, { id, kind: 'ph', raw: Number.NaN })).toEqual(['raw']);
  });
  it.each([0, -1, 1.5, 20_000])('%d bottles are not a count', (count) => {
    expect(problems(NewBottling, { id, containerId: id, count, closing: 'hot', place: 'cellar' })).toEqual([
      'count',
    ]);
    expect(problems(NewMovement, { id, bottlingId: id, kind: 'sold', from: 'cellar', count })).toEqual([
      'count',
    ]);
  });
  it('grams are between nothing and half a tonne', () => {
    for (const grams of [-0.1, 600_000])
      expect(problems(NewAddition, { id, ingredientId: 'sugar', grams })).toEqual(['grams']);
    expect(problems(NewAddition, { id, ingredientId: 'sugar', grams: 0 })).toEqual([]);
  });
  it('a strike and a ruling have a reason', () => {
    expect(problems(NewStrike, { noun: 'reading', entryId: id, why: ' ' })).toEqual(['why']);
    expect(problems(NewRuling, { id, event: 'discard' })).toEqual(['why']);
    expect(problems(NewRuling, { id, event: 'release', why: 'because' })).toEqual(['event']);
  });
  it('the critical limit is never over 4.6, and a time zone is a real one', () => {
    expect(problems(KitchenChange, { revision: 1, criticalPh: 4.61 })).toEqual(['criticalPh']);
    expect(problems(KitchenChange, { revision: 1, criticalPh: 4.6, timeZone: 'Europe/London' })).toEqual([]);
    expect(problems(KitchenChange, { revision: 1, timeZone: 'Middle/Earth' })).toEqual(['timeZone']);
  });
  it('a calibration has at least two buffers, in millivolts and °C a meter can show', () => {
    const point = { buffer: 7, mv: 0, celsius: 20 };
    expect(problems(NewCalibration, { id, points: [point] })).toEqual(['points']);
    expect(problems(NewCalibration, { id, points: [point, { ...point, celsius: 60 }] })).toEqual([
      'points.1.celsius',
    ]);
  });
  it('a formula’s steps strain something and reduce to something', () => {
    const step = (more: object) => ({
      id,
      versionId: id,
      name: 'X',
      kind: 'syrup',
      colour: '#8E1230',
      content: {
        lines: [],
        steps: [{ id: 's', kind: 'strain', title: 'Strain', ...more }],
        storage: 'cold',
        bottleMl: 250,
      },
    });
    expect(problems(NewFormula, step({ keeps: 0 }))).toEqual(['content.steps.0.keeps']);
    expect(problems(NewFormula, step({ keeps: 1.2 }))).toEqual(['content.steps.0.keeps']);
    expect(problems(NewFormula, step({ toBrix: 90 }))).toEqual(['content.steps.0.toBrix']);
    expect(problems(NewFormula, step({ keeps: 0.7 }))).toEqual([]);
  });
  it('nothing of any shape makes a schema throw', () => {
    fc.assert(
      fc.property(fc.constantFrom(...allRoutes.filter((r) => r.body)), fc.jsonValue(), (route, value) => {
        expect(() => (route.body as z.ZodType).safeParse(value)).not.toThrow();
      }),
    );
  });
});

describe('a kitchen file', () => {
  it('of the demo kitchen is one', () => {
    expect(problems(KitchenFile, demoFile())).toEqual([]);
  });
  it('names what is wrong by its place', () => {
    const file = demoFile();
    file.lots[3].events[2].at = 'yesterday';
    expect(problems(KitchenFile, file)).toEqual(['lots.3.events.2.at']);
    expect(problems(KitchenFile, { ...demoFile(), version: 2 })).toEqual(['version']);
  });
});
