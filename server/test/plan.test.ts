import ICAL from 'ical.js';
import { v7 as newId } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { ago, beginLot, cherryContent, jarOf, post, saveFormula, weighIn } from './fixtures.ts';
import { colleague, ownerOf, type Person, useTestApp } from './testApp.ts';

const app = useTestApp();
let who: Person;
let formulaId: string;

beforeAll(async () => {
  who = await ownerOf(app);
  formulaId = await saveFormula(who, cherryContent);
});

const item = (id: string, parts: string[]) => ({
  id,
  formulaId,
  want: { by: 'bottles', bottles: 24 },
  parts: parts.map((part) => ({ id: part, scale: 1.5 })),
});
const step = (partId: string, stepId: string, from: string, minutes: number, attended = true) => ({
  partId,
  stepId,
  title: `Do ${stepId}; then, "rest" — or not`,
  kind: 'draw',
  from,
  to: new Date(Date.parse(from) + minutes * 60_000).toISOString(),
  attended,
});
const content = () => ({
  name: 'The fair on the 19th',
  due: '2026-12-19',
  items: [item('cherry', ['one', 'two'])],
  steps: [
    step('one', 'simmer', '2026-12-17T09:00:00.000Z', 25),
    step('one', 'drip', '2026-12-17T09:25:00.000Z', 180, false),
    step('two', 'simmer', '2026-12-17T10:00:00.000Z', 25),
  ],
});
async function newPlan(): Promise<string> {
  const id = newId();
  const reply = await who.post('/api/plans', { id, content: content() });
  expect(reply.status, JSON.stringify(reply.body)).toBe(201);
  return id;
}
const planOf = async (id: string) => (await who.get(`/api/plans/${id}`)).body;
const change = (id: string, body: object) => who.send('PATCH', `/api/plans/${id}`, body);

describe('a plan', () => {
  it('is kept, read by all, and changed only by who has seen the newest', async () => {
    const id = await newPlan();
    const reader = await colleague(app, who, 'reader');
    expect((await reader.get(`/api/plans/${id}`)).body).toMatchObject({
      name: 'The fair on the 19th',
      revision: 1,
      done: false,
    });
    const changed = await change(id, { content: { ...content(), name: 'The winter fair' }, revision: 1 });
    expect(changed.body).toMatchObject({ name: 'The winter fair', revision: 2 });
    const stale = await change(id, { content: content(), revision: 1 });
    expect(stale.status).toBe(409);
    expect((await planOf(id)).name).toBe('The winter fair');
  });

  it('of a formula that is not there, or with two lots of one name, is refused', async () => {
    const wrong = (items: object[]) =>
      who.post('/api/plans', { id: newId(), content: { ...content(), items } });
    expect((await wrong([{ ...item('a', ['one']), formulaId: newId() }])).body.errors[0].path).toBe(
      'items.0.formulaId',
    );
    expect((await wrong([item('a', ['one']), item('b', ['one'])])).status).toBe(422);
  });

  it('begins its lots at their planned size, each once, and keeps them', async () => {
    const id = await newPlan();
    const lotId = newId();
    const start = (partId: string, lot: string, revision: number) =>
      who.post(`/api/plans/${id}/starts`, { id: lot, partId, revision });
    const begun = await start('one', lotId, 1);
    expect(begun.status).toBe(201);
    expect((await who.get(`/api/lots/${lotId}`)).body).toMatchObject({
      scale: 1.5,
      state: 'making',
      code: begun.body.code,
    });
    // A retry is answered as the first was; another start of it is refused.
    expect((await start('one', lotId, 1)).body).toEqual(begun.body);
    expect((await start('one', newId(), 2)).body.detail).toMatch(
      new RegExp(`begun already, as lot ${begun.body.code}`),
    );
    expect((await start('two', newId(), 1)).status).toBe(409);
    const plan = await planOf(id);
    expect(plan.items[0].parts.map((p: { lot: { code: string } | null }) => p.lot?.code ?? null)).toEqual([
      begun.body.code,
      null,
    ]);
    const without = { ...content(), items: [item('cherry', ['two'])] };
    expect((await change(id, { content: without, revision: 2 })).body.detail).toMatch(/stays in it/);
    const claimed = content();
    Object.assign(claimed.items[0]!.parts[1]!, { lot: { id: newId(), code: 'XXXX' } });
    const saved = await change(id, { content: claimed, revision: 2 });
    expect(saved.body.items[0].parts[1].lot).toBeNull();
  });

  it('asks on Today for the lots that ought to be begun', async () => {
    const id = newId();
    const laid = { ...content(), steps: [step('late', 'simmer', ago(1), 30)], items: [item('x', ['late'])] };
    await who.post('/api/plans', { id, content: laid });
    const due = async () =>
      ((await who.get('/api/today')).body.due as { id: string }[]).find((d) => d.id === `start ${id} late`);
    expect(await due()).toMatchObject({
      when: 'now',
      title: 'Start Sour cherry syrup',
      action: { place: 'plan', part: id },
    });
    await who.post(`/api/plans/${id}/starts`, { id: newId(), partId: 'late', revision: 1 });
    expect(await due()).toBeUndefined();
  });
});

/** A calendar as a parser of RFC 5545 that is not ours reads it; throws where it is not one. */
function calendarFrom(text: string) {
  expect(text.endsWith('\r\n')).toBe(true);
  expect(text.replace(/\r\n/g, '')).not.toMatch(/[\r\n]/);
  for (const line of text.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
  const calendar = new ICAL.Component(ICAL.parse(text));
  expect(calendar.name).toBe('vcalendar');
  expect(calendar.getFirstPropertyValue('version')).toBe('2.0');
  expect(calendar.getFirstPropertyValue('prodid')).toBeTruthy();
  return calendar.getAllSubcomponents('vevent').map((event) => {
    for (const needed of ['uid', 'dtstamp', 'dtstart'])
      expect(event.getFirstPropertyValue(needed), needed).toBeTruthy();
    const read = new ICAL.Event(event);
    return {
      uid: read.uid,
      sequence: read.sequence,
      summary: read.summary,
      from: read.startDate.toJSDate().toISOString(),
      to: read.endDate.toJSDate().toISOString(),
      alarms: event.getAllSubcomponents('valarm').map((a) => ({
        action: a.getFirstPropertyValue('action'),
        trigger: String(a.getFirstPropertyValue('trigger')),
        says: a.getFirstPropertyValue('description'),
      })),
      transparent: event.getFirstPropertyValue('transp'),
      status: event.getFirstPropertyValue('status'),
    };
  });
}

describe('the list of plans', () => {
  it('is turned by the page: every plan once, the open ones first', async () => {
    for (const name of ['a', 'b', 'c'])
      await who.post('/api/plans', { id: newId(), content: { ...content(), name } });
    const whole = (await who.get('/api/plans')).body as { id: string }[];
    const paged: string[] = [];
    for (let before = ''; ; ) {
      const { body } = await who.get(`/api/plans?limit=2${before && `&before=${before}`}`);
      expect(body.length).toBeLessThanOrEqual(2);
      if (body.length === 0) break;
      paged.push(...body.map((p: { id: string }) => p.id));
      before = paged.at(-1)!;
    }
    expect(paged).toEqual(whole.map((p) => p.id));
    expect((await who.get('/api/plans?limit=many')).status).toBe(422);
  });
});

describe('the calendar file of a plan', () => {
  const fileOf = async (id: string) => {
    const { body, headers } = await who.get(`/api/plans/${id}/plan.ics`);
    expect(headers.get('content-type')).toMatch(/^text\/calendar/);
    return calendarFrom(body);
  };

  it('passes a strict parser, tells every step at its time, and wakes whoever has to be there', async () => {
    const events = await fileOf(await newPlan());
    expect(events.map((e) => [e.summary, e.from, e.to])).toEqual([
      [
        'Sour cherry syrup, lot 1: Do simmer; then, "rest" — or not',
        '2026-12-17T09:00:00.000Z',
        '2026-12-17T09:25:00.000Z',
      ],
      [
        'Sour cherry syrup, lot 1: Do drip; then, "rest" — or not',
        '2026-12-17T09:25:00.000Z',
        '2026-12-17T12:25:00.000Z',
      ],
      [
        'Sour cherry syrup, lot 2: Do simmer; then, "rest" — or not',
        '2026-12-17T10:00:00.000Z',
        '2026-12-17T10:25:00.000Z',
      ],
    ]);
    expect(events.map((e) => e.alarms.length)).toEqual([1, 0, 1]);
    expect(events[0]!.alarms[0]).toMatchObject({
      action: 'DISPLAY',
      trigger: '-PT10M',
      says: expect.any(String),
    });
    expect(events.map((e) => e.transparent)).toEqual(['OPAQUE', 'TRANSPARENT', 'OPAQUE']);
    expect(new Set(events.map((e) => e.uid)).size).toBe(3);
  });

  it('sent again after a change it has the same events, each with a higher sequence', async () => {
    const id = await newPlan();
    const before = await fileOf(id);
    const later = content();
    later.steps[0] = step('one', 'simmer', '2026-12-17T08:00:00.000Z', 25);
    await change(id, { content: later, revision: 1 });
    const after = await fileOf(id);
    expect(after.map((e) => e.uid)).toEqual(before.map((e) => e.uid));
    expect(after[0]!.from).toBe('2026-12-17T08:00:00.000Z');
    for (const [i, e] of after.entries()) expect(e.sequence).toBeGreaterThan(before[i]!.sequence);
  });

  it('cancels what was taken out, until it is put back', async () => {
    const id = await newPlan();
    const before = await fileOf(id);
    const fewer = content();
    fewer.steps.splice(1, 1);
    await change(id, { content: fewer, revision: 1 });
    const taken = before[1]!;
    const found = async () => (await fileOf(id)).find((e) => e.uid === taken.uid)!;
    expect(await found()).toMatchObject({ status: 'CANCELLED', from: taken.from, sequence: 2, alarms: [] });
    expect(await fileOf(id)).toHaveLength(3);
    await change(id, { content: content(), revision: 2 });
    expect((await found()).status).toBeNull();
  });

  it('keeps steps apart whose names differ by a space or a dash, or that come twice', async () => {
    const id = newId();
    const at = '2026-12-17T09:00:00.000Z';
    const steps = [
      step('one', 'rest a', at, 5),
      step('one', 'rest-a', at, 5),
      step('one-rest', 'a', at, 5),
      step('one', 'rest a', at, 5),
    ];
    await who.post('/api/plans', {
      id,
      content: { ...content(), items: [item('x', ['one', 'one-rest'])], steps },
    });
    expect(new Set((await fileOf(id)).map((e) => e.uid)).size).toBe(4);
  });
});

describe('what past lots gave', () => {
  it('is told of lots that were bottled, by what was weighed', async () => {
    const lot = await beginLot(who, formulaId, ago(30));
    await weighIn(who, lot, ago(29));
    const jar = await jarOf(who);
    await post(who, lot, 'bottlings', {
      containerId: jar,
      count: 14,
      closing: 'hot',
      place: 'bench',
      at: ago(25),
    });
    const { body } = await who.get('/api/past-lots');
    const past = (body as { code: string }[]).find((p) => p.code === lot.code);
    expect(past).toMatchObject({ ingredientId: 'sour-cherry', bottles: 14, kg: 4 });
    expect((past as unknown as { litresPerKg: number }).litresPerKg).toBeCloseTo((14 * 0.237) / 4, 9);
  });
});

describe('what the day’s work goes round', () => {
  it('is the owner’s to say, whole and within reason', async () => {
    const { body: kitchen } = await who.get('/api/kitchen');
    const workshop = { ...kitchen.workshop, burners: 4, hours: Array(7).fill(null) };
    const save = (w: object) =>
      who.send('PATCH', '/api/kitchen', { revision: kitchen.revision, workshop: w });
    expect((await save({ ...workshop, burners: 0 })).status).toBe(422);
    expect((await save({ ...workshop, hours: [] })).status).toBe(422);
    expect((await save(workshop)).body.workshop).toEqual(workshop);
  });
});
