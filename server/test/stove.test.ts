import { LiveEvent } from '@inch/contract/route/live';
import sharp from 'sharp';
import { v7 as newId } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { ago, beginLot, cherryContent, jarOf, post, type Started, saveFormula, weighIn } from './fixtures.ts';
import { ownerOf, type Person, useTestApp } from './testApp.ts';

const app = useTestApp();
let owner: Person;
let formulaId: string;
let lot: Started;
beforeAll(async () => {
  owner = await ownerOf(app);
  formulaId = await saveFormula(owner, cherryContent);
  lot = await beginLot(owner, formulaId, ago(6));
});
const read = async (of = lot) => (await owner.get(`/api/lots/${of.code}`)).body;

const pan = {
  name: 'Wide pan',
  material: 'steel',
  shape: { kind: 'frusta', frusta: [{ heightMm: 150, lowerDiameterMm: 300, upperDiameterMm: 300 }] },
};
async function addPan(body: object = pan): Promise<string> {
  const id = newId();
  const reply = await owner.post('/api/vessels', { id, ...body });
  expect(reply.status, JSON.stringify(reply.body)).toBe(201);
  return id;
}

describe('a pan', () => {
  it('is kept by its measures, and holds what a cylinder holds', async () => {
    const id = await addPan();
    const kept = (await owner.get('/api/vessels')).body.find((v: { id: string }) => v.id === id);
    // π · 15² · 15 cm³
    expect(kept.holdsMl).toBeCloseTo(10_602.9, 0);
    expect(kept.learned).toBeNull();
  });

  it('whose poured volumes fall is refused with what to do, and is not kept', async () => {
    const before = (await owner.get('/api/vessels')).body.length;
    const rows = [
      { depthMm: 40, ml: 2000 },
      { depthMm: 80, ml: 1500 },
    ];
    const reply = await owner.post('/api/vessels', { id: newId(), ...pan, shape: { kind: 'poured', rows } });
    expect([reply.status, reply.body.detail]).toEqual([422, expect.stringMatching(/rise with their depths/)]);
    expect((await owner.get('/api/vessels')).body).toHaveLength(before);
  });

  it('is put away and taken out again; a lot that was in it keeps it', async () => {
    const id = await addPan({ ...pan, name: 'Old pan' });
    await post(owner, lot, 'placings', { vesselId: id, at: ago(5) });
    expect((await read()).vessel.name).toBe('Old pan');
    await owner.post(`/api/vessels/${id}/retirement`, { retired: true });
    expect((await owner.get('/api/vessels')).body.at(-1)).toMatchObject({ id, retired: true });
    expect((await read()).placings.at(-1)).toMatchObject({ vessel: 'Old pan' });
    await owner.post(`/api/vessels/${id}/retirement`, { retired: false });
    expect((await owner.get('/api/vessels')).body.every((v: { retired: boolean }) => !v.retired)).toBe(true);
  });

  it('of another kitchen, or none, takes no lot', async () => {
    const reply = await post(owner, lot, 'placings', { vesselId: newId() });
    expect([reply.status, reply.body.errors[0].path]).toEqual([422, 'vesselId']);
  });

  it('learns from a lot that was reduced in it and is filled', async () => {
    const id = await addPan({ ...pan, name: 'Taught pan' });
    const made = await beginLot(owner, formulaId, ago(5));
    const { steps } = await read(made);
    const at = (minutes: number) => new Date(Date.parse(ago(4)) + minutes * 60_000).toISOString();
    for (const step of steps.slice(0, 2))
      await post(owner, made, 'marks', { stepId: step.id, mark: 'done', at: ago(4.5) });
    await post(owner, made, 'placings', { stepId: steps[2].id, vesselId: id, at: at(0) });
    await post(owner, made, 'marks', { stepId: steps[2].id, mark: 'start', at: at(0) });
    for (const [minute, kg] of [
      [1, 5],
      [16, 4.5],
      [31, 4],
    ] as const)
      await post(owner, made, 'readings', {
        stepId: steps[2].id,
        kind: 'mass',
        said: `m ${kg} kg`,
        raw: kg * 1000,
        at: at(minute),
      });
    await post(owner, made, 'marks', { stepId: steps[2].id, mark: 'done', at: at(32) });
    await weighIn(owner, made, at(0.5));
    await post(owner, made, 'bottlings', {
      containerId: await jarOf(owner),
      count: 10,
      closing: 'hot',
      place: 'cellar',
      at: at(60),
    });
    const { learned } = (await owner.get('/api/vessels')).body.find((v: { id: string }) => v.id === id);
    // A kilo in half an hour is 33 g a minute of syrup, a little more of thin liquid.
    expect(learned.lots).toBe(1);
    expect(learned.gramsPerMinute).toBeGreaterThan(28);
    expect(learned.gramsPerMinute).toBeLessThan(45);
  });
});

describe('is everything in?', () => {
  it('stands before the filling: what is not told is named, and nothing is counted', async () => {
    const made = await beginLot(owner, formulaId, ago(3));
    const fill = { containerId: await jarOf(owner), count: 3, closing: 'hot', place: 'cellar' };
    const refused = await post(owner, made, 'bottlings', fill);
    expect([refused.status, refused.body.detail]).toEqual([
      409,
      expect.stringMatching(/Is everything recorded\? Not recorded yet: .*Citric acid/),
    ]);
    expect((await read(made)).bottles.filled).toBe(0);
    await weighIn(owner, made);
    expect((await post(owner, made, 'bottlings', fill)).status).toBe(201);
  });

  it('keeps from which bag or picking a thing came', async () => {
    const { lines } = await read();
    await post(owner, lot, 'additions', {
      lineId: lines[0].lineId,
      ingredientId: lines[0].ingredientId,
      grams: 3800,
      from: 'Upper orchard, Tuesday',
    });
    expect((await read()).additions[0]).toMatchObject({ from: 'Upper orchard, Tuesday', grams: 3800 });
  });
});

describe('a prompt', () => {
  it('that was answered is kept as a mark and does not move the clock', async () => {
    const made = await beginLot(owner, formulaId, ago(2));
    const [step] = (await read(made)).steps;
    await post(owner, made, 'marks', { stepId: step.id, mark: 'start', at: ago(1) });
    await post(owner, made, 'marks', { stepId: step.id, mark: 'answer', at: ago(0.5) });
    const clock = (await owner.get('/api/today')).body.clocks.find(
      (c: { code: string }) => c.code === made.code,
    );
    expect(Math.abs(clock.elapsedSeconds - 3600)).toBeLessThan(5);
  });
});

describe('a check of an instrument', () => {
  async function instrument(kind: string, name: string): Promise<string> {
    const id = newId();
    await owner.post('/api/instruments', { id, kind, name });
    return id;
  }
  const seen = async (id: string) =>
    (await owner.get('/api/instruments')).body.find((i: { id: string }) => i.id === id);
  const check = (id: string, body: object) =>
    owner.post(`/api/instruments/${id}/checks`, { id: newId(), ...body });

  it('makes its readings count, and its readings before any check do not', async () => {
    const id = await instrument('refractometer', 'Prism');
    const made = await beginLot(owner, formulaId, ago(2));
    const sweet = (at: string) =>
      post(owner, made, 'readings', {
        kind: 'brix',
        said: '40 @20',
        raw: 40,
        celsius: 20,
        instrumentId: id,
        at,
      });
    await sweet(ago(1.5));
    expect((await read(made)).readings[0]).toMatchObject({
      counts: false,
      whyNot: 'the refractometer was not checked on water',
    });
    const reply = await check(id, { kind: 'water', read: 0.1, at: ago(1) });
    expect(reply.body).toMatchObject({ accepted: true });
    await sweet(ago(0.5));
    expect((await read(made)).readings[1].counts).toBe(true);
    expect(await seen(id)).toMatchObject({ counts: true, whyNot: null });
  });

  it('that is refused is kept with its reason, and voids what was read since the last good one', async () => {
    const id = await instrument('scale', 'Scale');
    const made = await beginLot(owner, formulaId, ago(2));
    await check(id, { kind: 'weight', read: 500.4, weightGrams: 500, at: ago(1.5) });
    await post(owner, made, 'readings', {
      kind: 'mass',
      said: '2 kg',
      raw: 2000,
      instrumentId: id,
      at: ago(1),
    });
    expect((await read(made)).readings[0].counts).toBe(true);
    const bad = await check(id, { kind: 'weight', read: 520, weightGrams: 500, at: ago(0.5) });
    expect(bad.body).toMatchObject({ accepted: false, reason: expect.stringMatching(/^Refused/) });
    expect((await read(made)).readings[0]).toMatchObject({
      counts: false,
      whyNot: expect.stringMatching(/next check on a known weight failed/),
    });
    expect((await seen(id)).checks).toHaveLength(2);
  });

  it('of a thermometer wants ice and a boil, and its kill step counts only then', async () => {
    const id = await instrument('thermometer', 'Probe');
    const made = await beginLot(owner, formulaId, ago(3));
    const [simmer] = (await read(made)).steps;
    const hot = (at: string) =>
      post(owner, made, 'readings', {
        stepId: simmer.id,
        kind: 'temperature',
        said: 't 97',
        raw: 97,
        instrumentId: id,
        at,
      });
    const killed = async () =>
      (await read(made)).keeping.hurdles.find((h: { id: string }) => h.id === 'kill-step')?.met;
    await post(owner, made, 'marks', { stepId: simmer.id, mark: 'done', at: ago(2) });
    await hot(ago(2.5));
    expect(await killed()).toBe(false);
    await check(id, { kind: 'ice', read: 0.2, at: ago(1.5) });
    await check(id, { kind: 'boil', read: 97.4, at: ago(1.4) });
    await hot(ago(1));
    // One reading shows no minute; a second, a minute later, does.
    expect(await killed()).toBe(false);
    await hot(ago(0.9));
    expect(await killed()).toBe(true);
  });

  it('that is not for it is refused, and so is a weight without its weight', async () => {
    const id = await instrument('scale', 'Other scale');
    expect((await check(id, { kind: 'ice', read: 0 })).body.errors[0].path).toBe('kind');
    expect((await check(id, { kind: 'weight', read: 500 })).body.errors[0].path).toBe('weightGrams');
    expect((await seen(id)).checks).toEqual([]);
  });

  it('sent twice is kept once and answered alike', async () => {
    const id = await instrument('refractometer', 'Twice');
    const body = { id: newId(), kind: 'water', read: 0.2 };
    const first = await owner.post(`/api/instruments/${id}/checks`, body);
    const again = await owner.post(`/api/instruments/${id}/checks`, body);
    expect(again.body).toEqual(first.body);
    expect((await seen(id)).checks).toHaveLength(1);
  });
});

describe('a photograph', () => {
  const take = (query: string, body: Buffer, type = 'image/jpeg', of = lot) =>
    fetch(`${app.base}/api/lots/${of.id}/photographs?${query}`, {
      method: 'POST',
      headers: { 'content-type': type, cookie: owner.cookie },
      body: new Uint8Array(body),
    });
  const camera = () =>
    sharp({ create: { width: 2400, height: 1200, channels: 3, background: '#8E1230' } })
      .withExif({
        IFD0: { Make: 'A camera', Model: 'Somewhere' },
        IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '54/1 30/1 0/1' },
      })
      .jpeg()
      .toBuffer();

  it('is kept smaller and without where it was taken', async () => {
    const id = newId();
    const { steps } = await read();
    const sent = await camera();
    expect((await sharp(sent).metadata()).exif).toBeDefined();
    const reply = await take(`id=${id}&stepId=${steps[0].id}&words=mashed`, sent);
    expect(reply.status).toBe(201);
    const image = await fetch(`${app.base}/api/photographs/${id}`, { headers: { cookie: owner.cookie } });
    expect(image.headers.get('content-type')).toBe('image/jpeg');
    const kept = await sharp(Buffer.from(await image.arrayBuffer())).metadata();
    expect([kept.width, kept.height]).toEqual([1600, 800]);
    expect(kept.exif).toBeUndefined();
    expect((await read()).photographs).toHaveLength(1);
  });

  it('stands beside the same step of the last lot', async () => {
    const next = await beginLot(owner, formulaId, ago(0.1));
    const { body } = await owner.get(`/api/lots/${next.id}/photographs`);
    expect(body.own).toEqual([]);
    // The last lot of that formula is another one of this file; the one with the picture shows its own.
    const own = (await owner.get(`/api/lots/${lot.id}/photographs`)).body.own;
    expect(own[0]).toMatchObject({ formulaStepId: 'simmer', words: 'mashed' });
    expect(body.before).not.toBeNull();
  });

  it('sent twice is kept once', async () => {
    const id = newId();
    const picture = await camera();
    expect((await take(`id=${id}`, picture)).status).toBe(201);
    expect((await take(`id=${id}`, picture)).status).toBe(201);
    expect((await read()).photographs.filter((p: { id: string }) => p.id === id)).toHaveLength(1);
  });

  it('that is none, or of another kind, is refused and nothing is kept', async () => {
    const before = (await read()).photographs.length;
    expect((await take(`id=${newId()}`, Buffer.from('not a picture'))).status).toBe(422);
    expect((await take(`id=${newId()}`, Buffer.from('<svg/>'), 'image/svg+xml')).status).toBe(415);
    expect((await take(`id=${newId()}`, Buffer.alloc(13 * 1024 * 1024))).status).toBe(413);
    expect((await take('', await camera())).status).toBe(422);
    expect((await read()).photographs).toHaveLength(before);
  });

  it('is struck like any other entry: it stays in the record and is shown no more', async () => {
    const id = newId();
    await take(`id=${id}`, await camera());
    await post(owner, lot, 'strikes', { noun: 'photograph', entryId: id, why: 'wrong pan' });
    const shown = (await owner.get(`/api/lots/${lot.id}/photographs`)).body.own;
    expect(shown.some((p: { id: string }) => p.id === id)).toBe(false);
    const entry = (await read()).photographs.find((p: { id: string }) => p.id === id);
    expect(entry.struck.why).toBe('wrong pan');
  });
});

describe('a retry after the lot has ended', () => {
  it('of something kept before is answered as the first was, and nothing new is taken', async () => {
    const made = await beginLot(owner, formulaId, ago(1));
    const reading = { id: newId(), kind: 'temperature', said: 't 40', raw: 40 };
    const path = `/api/lots/${made.id}/readings`;
    expect((await owner.post(path, reading)).status).toBe(201);
    await post(owner, made, 'rulings', { event: 'discard', why: 'it caught' });
    expect((await owner.post(path, reading)).body).toEqual({ id: reading.id });
    expect((await owner.post(path, { ...reading, id: newId() })).status).toBe(409);
    expect((await read(made)).readings).toHaveLength(1);
  });
});

describe('live', () => {
  /** Listens until so many events have come, and tells their sequences. */
  async function listener() {
    const stop = new AbortController();
    const stream = await fetch(`${app.base}/api/live`, {
      headers: { cookie: owner.cookie },
      signal: stop.signal,
    });
    expect(stream.headers.get('content-type')).toMatch(/^text\/event-stream/);
    const reader = stream.body!.getReader();
    const sequences: number[] = [];
    const events: LiveEvent[] = [];
    const until = async (count: number) => {
      while (sequences.length < count) {
        const text = new TextDecoder().decode((await reader.read()).value);
        for (const [, data] of text.matchAll(/^data: (.+)$/gm)) {
          const event = LiveEvent.parse(JSON.parse(data!));
          events.push(event);
          sequences.push(event.sequence);
        }
      }
      return sequences;
    };
    return { until, events, stop: () => stop.abort() };
  }

  it('tells whoever listens that the record grew, and whoever joins where it stands', async () => {
    const first = await listener();
    await first.until(1);
    await post(owner, lot, 'readings', { kind: 'note', said: 'listen' });
    const [before, after] = await first.until(2);
    expect(after).toBeGreaterThan(before!);
    // Whoever joins is told nothing of what was; then what was written, and of which lot.
    expect(first.events.map((e) => e.changed)).toEqual([
      null,
      { from: before, what: [{ noun: 'reading', id: expect.any(String), lot: lot.code }] },
    ]);
    const second = await listener();
    expect(await second.until(1)).toEqual([after]);
    await post(owner, lot, 'readings', { kind: 'note', said: 'again' });
    const [stood, grew] = await second.until(2);
    expect(stood).toBe(after);
    expect(grew).toBeGreaterThan(after!);
    first.stop();
    second.stop();
  });
});

describe('the calendar file', () => {
  it('has what is due at an hour, with an alarm at that hour', async () => {
    const made = await beginLot(owner, formulaId, ago(0.5));
    const [, drip] = (await read(made)).steps;
    await post(owner, made, 'marks', { stepId: (await read(made)).steps[0].id, mark: 'done' });
    await post(owner, made, 'marks', { stepId: drip.id, mark: 'start' });
    const { body, headers } = await owner.get('/api/calendar.ics');
    expect(headers.get('content-type')).toMatch(/^text\/calendar/);
    const event = body
      .split('BEGIN:VEVENT')
      .find((e: string) => e.includes(`SUMMARY:${made.code} Drip through cloth`));
    expect(event).toMatch(/BEGIN:VALARM[\s\S]*TRIGGER:PT0S/);
    const [, start] = /DTSTART:(\d{8}T\d{6}Z)/.exec(event)!;
    const due = Date.parse(start!.replace(/(\d{4})(\d\d)(\d\dT\d\d)(\d\d)(\d\dZ)/, '$1-$2-$3:$4:$5'));
    expect(Math.abs(due - Date.now() - 180 * 60_000)).toBeLessThan(5000);
  });
});
