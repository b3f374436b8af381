import { NewFormula } from '@inch/contract/formula';
import { NewCalibration } from '@inch/contract/instrument';
import { KitchenChange } from '@inch/contract/kitchen';
import { KitchenFile } from '@inch/contract/kitchenFile';
import {
  NewAddition,
  NewBottling,
  NewMovement,
  NewReading,
  NewRuling,
  NewStrike,
} from '@inch/contract/lotEntry';
import { allRoutes } from '@inch/contract/routes';
import fc from 'fast-check';
import { v7 as newId } from 'uuid';
import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import { demoFile } from '../../scripts/src/demo.mjs';

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
    expect(open.sort()).toEqual([
      'GET /api/schemas/formula.json',
      'GET /api/setup',
      'POST /api/session',
      'POST /api/setup',
    ]);
    const readerWrites = allRoutes
      .filter((r) => r.access === 'reader' && r.method !== 'GET')
      .map((r) => r.path);
    expect(readerWrites).toEqual(['/api/session']);
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
