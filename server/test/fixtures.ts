import { v7 as newId } from 'uuid';
import { expect } from 'vitest';
import type { Person } from './testApp.ts';

export const HOUR = 3_600_000;
export const ago = (hours: number) => new Date(Date.now() - hours * HOUR).toISOString();

export const cherryContent = {
  lines: [
    { id: 'fruit', said: '4 kg', ingredientId: 'sour-cherry', stepId: 'simmer' },
    { id: 'water', said: '3 cups', ingredientId: 'water', stepId: 'simmer' },
    { id: 'sugar', said: '1.9 kg', ingredientId: 'sugar', stepId: 'reduce' },
    { id: 'acid', said: '15 g', ingredientId: 'citric-anhydrous', stepId: 'reduce' },
  ],
  steps: [
    { id: 'simmer', kind: 'draw', title: 'Simmer and mash', minutes: 20, killStep: true },
    { id: 'drip', kind: 'strain', title: 'Drip through cloth', minutes: 180, keeps: 0.72 },
    { id: 'reduce', kind: 'reduce', title: 'Reduce to 52 °Bx', minutes: 35, toBrix: 52 },
    { id: 'measure', kind: 'measure', title: 'Measure a cooled sample' },
  ],
  storage: 'shelf',
  bottleMl: 237,
};

export const spruceContent = {
  lines: [
    { id: 'tips', said: '300 g', ingredientId: 'spruce-tip', stepId: 'steep' },
    { id: 'water', said: '1 l', ingredientId: 'water', stepId: 'steep' },
    { id: 'sugar', said: '900 g', ingredientId: 'sugar', stepId: 'steep' },
  ],
  steps: [
    { id: 'steep', kind: 'draw', title: 'Steep the tips', minutes: 60, killStep: true },
    { id: 'strain', kind: 'strain', title: 'Strain', keeps: 0.9 },
  ],
  storage: 'cold',
  bottleMl: 237,
};

export async function saveFormula(
  who: Person,
  content: object,
  name = 'Sour cherry syrup',
  kind = 'syrup',
): Promise<string> {
  const id = newId();
  const reply = await who.post('/api/formulas', {
    id,
    versionId: newId(),
    name,
    kind,
    colour: '#8E1230',
    content,
  });
  expect(reply.body).toEqual({ id });
  return id;
}

export interface Started {
  id: string;
  code: string;
}

export async function beginLot(who: Person, formulaId: string, at?: string): Promise<Started> {
  const reply = await who.post('/api/lots', { id: newId(), formulaId, ...(at ? { at } : {}) });
  expect(reply.status, JSON.stringify(reply.body)).toBe(201);
  return reply.body;
}

export async function weighIn(who: Person, lot: Started, at?: string): Promise<void> {
  const { body } = await who.get(`/api/lots/${lot.id}`);
  for (const line of body.lines)
    expect(
      (
        await who.post(`/api/lots/${lot.id}/additions`, {
          id: newId(),
          lineId: line.lineId,
          ingredientId: line.ingredientId,
          grams: line.grams,
          from: 'the stall at Arkle',
          ...(at ? { at } : {}),
        })
      ).status,
    ).toBe(201);
}

export async function meterOf(who: Person, offset = 2, low = true): Promise<string> {
  const id = newId();
  await who.post('/api/instruments', { id, kind: 'ph-meter', name: 'pH pen' });
  await calibrate(who, id, offset, low);
  return id;
}

export function calibrate(who: Person, id: string, offset = 2, low = true) {
  const mv = (ph: number) => offset + (7 - ph) * 59.16 * 0.98;
  const points = [7, 4.01, ...(low ? [3] : [])].map((buffer) => ({ buffer, mv: mv(buffer), celsius: 25 }));
  return who.post(`/api/instruments/${id}/calibrations`, { id: newId(), points });
}

export async function jarOf(who: Person): Promise<string> {
  const id = newId();
  await who.post('/api/containers', {
    id,
    name: 'Half-pint jar',
    nominalMl: 237,
    heightMm: 98,
    diameterMm: 75,
    closure: 'two-piece-lid',
    headspaceInches: 0.5,
    tareGrams: 188,
    rated: ['boiling-water'],
  });
  return id;
}

export const post = (who: Person, lot: Started, path: string, body: object) =>
  who.post(`/api/lots/${lot.id}/${path}`, { id: newId(), ...body });

/** A process of the kitchen's own that matches the cherry syrup: 15 minutes between 1,000 and 6,000 ft. */
export async function letterOf(who: Person, more: object = {}): Promise<string> {
  const id = newId();
  const reply = await who.post('/api/processes', {
    id,
    name: 'Sour cherry syrup with citric acid',
    source: 'A letter of an authority, 3 May 2026',
    readOn: '2026-05-03',
    fruits: ['sour-cherry'],
    acids: ['citric-anhydrous'],
    products: ['syrup'],
    state: 'strained',
    pack: 'hot',
    brix: null,
    highestPh: null,
    closure: 'two-piece-lid',
    largestMl: 475,
    headspaceInches: 0.5,
    method: 'boiling-water',
    hotFill: null,
    restMinutes: 5,
    bands: [
      { toFeet: 1000, minutes: 10 },
      { toFeet: 6000, minutes: 15 },
      { toFeet: 10000, minutes: 20 },
    ],
    ...more,
  });
  expect(reply.status, JSON.stringify(reply.body)).toBe(201);
  return id;
}

/** What was in the pan, all of it told but the last 20 mL. */
export async function tallyUp(who: Person, lot: Started, at?: string): Promise<void> {
  const { body } = await who.get(`/api/lots/${lot.id}`);
  const inPanMl = body.bottles.millilitres + 120;
  const reply = await post(who, lot, 'tallies', {
    inPanMl,
    parts: [{ part: 'short-bottle', ml: 100 }],
    ...(at ? { at } : {}),
  });
  expect(reply.status, JSON.stringify(reply.body)).toBe(201);
}
