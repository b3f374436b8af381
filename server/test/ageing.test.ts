import { v7 as newId } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { DEMO_OWNER, demoFile } from '../../scripts/src/demo.mjs';
import { Crew } from './filled.ts';
import { ago, post, type Started } from './fixtures.ts';
import { Bottler, rawShrub } from './products.ts';
import { type Person, useTestApp } from './testApp.ts';

const DAY = 86_400_000;

/** A moment of a kitchen file so many days later. */
const later = (at: string, days: number): string =>
  new Date(Date.parse(`${at.replace(' ', 'T')}:00Z`) + days * DAY)
    .toISOString()
    .slice(0, 16)
    .replace('T', ' ');

/** The demo kitchen with its two blackcurrant shrubs of a year ago, and a third one made a month ago that was not looked at yet. */
function threeShrubs() {
  const file = demoFile();
  const shrubs = file.lots.filter((l: { formula: string }) => l.formula === 'blackcurrant');
  const days =
    Math.floor(
      (Date.parse(file.writtenAt.replace(' ', 'T')) - Date.parse(shrubs[0].begun.slice(0, 10))) / DAY,
    ) - 30;
  const retained = shrubs[0].events.findIndex((e: { kind?: string }) => e.kind === 'retained');
  const third = {
    ...shrubs[0],
    begun: later(shrubs[0].begun, days),
    events: shrubs[0].events
      .slice(0, retained + 1)
      .map((e: { at: string }) => ({ ...e, at: later(e.at, days) })),
  };
  return { ...file, lots: [...shrubs, third] };
}

describe('a longer date', () => {
  const app = useTestApp();
  it('is not earned by what came with a kitchen file, however long ago it was looked at', async () => {
    const owner: Person = app.person();
    await owner.post('/api/setup', { kitchenName: 'Shrubs', ...DEMO_OWNER });
    const imported = await owner.post('/api/kitchen/import', {
      file: threeShrubs(),
      today: new Date().toISOString().slice(0, 10),
    });
    expect(imported.body).toMatchObject({ lots: 3 });
    const { lots } = (await owner.get('/api/lots')).body;
    const lot: Started = lots.find((l: { state: string }) => l.state === 'released');
    const dated = await post(owner, lot, 'datings', {
      longer: true,
      why: 'two lots were good at six months',
    });
    expect([dated.status, dated.body.detail]).toEqual([422, expect.stringMatching(/released here/)]);
  });
});

describe('a place that was too warm', () => {
  const app = useTestApp();
  const crew = new Crew();
  const bottler = new Bottler(crew);
  let logger = '';
  beforeAll(async () => {
    await crew.gather(app);
    await bottler.gather();
    logger = newId();
    await crew.maker.post('/api/instruments', { id: logger, kind: 'thermometer', name: 'Cold room logger' });
  });
  const wasAt = async (samples: [hours: number, celsius: number][]) => {
    const reply = await crew.maker.post(`/api/instruments/${logger}/place-temperatures`, {
      id: newId(),
      place: 'cold room',
      samples: samples.map(([hours, celsius]) => ({ at: ago(hours), celsius })),
    });
    expect(reply.status, JSON.stringify(reply.body)).toBe(201);
  };
  const warmth = async (lot: Started) =>
    (await crew.view(lot)).deviations.filter((d: { kind: string }) => d.kind === 'too warm');

  it('holds what keeps three days there, once and by the entry that shows it, and nothing that was not there', async () => {
    const lot = await bottler.bottled(rawShrub);
    expect((await crew.view(lot)).keeping.row).toBe('cold-never-heated');
    // An hour and a half over the limit is allowed; before the bottles stood there it does not count.
    await wasAt([
      [60, 12],
      [50, 12],
      [40, 3],
    ]);
    await wasAt([
      [24, 3],
      [23, 7],
      [21.5, 3],
    ]);
    expect(await warmth(lot)).toEqual([]);
    const released = await bottler.release(lot);
    await wasAt([
      [12, 3],
      [11, 8],
      [7, 8],
      [6, 3],
    ]);
    const shown = await warmth(lot);
    expect(shown, JSON.stringify(shown)).toHaveLength(1);
    // A line between readings: 1.25 h the day before, and 5.2 h today.
    expect(shown[0].what).toMatch(/in cold room were over 5 °C for 6\.[45] h in all/);
    if (released.status === 201) expect((await crew.view(lot)).state).toBe('held');
    // What comes in later is of another time and says nothing new.
    await wasAt([
      [2, 3],
      [1, 3],
    ]);
    expect(await warmth(lot)).toHaveLength(1);
  });
});
